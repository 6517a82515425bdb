/**
 * What the plan is to answer on the way back of each area, written by hand from the trade (rules pathway.stage and choice.trouble: stages,
 * least days, examples, what trouble leaves out) before the planner knew stages. Which exercise stands for what the handbook says is our choice [house].
 */
import type { Area, PathwayStage } from "../../src/core/athlete/types";

/** Least days of the stages: settle 7, move 14, load 28, spring 28; back is watched for 12 weeks. */
export const GOOD_COURSE: readonly { day: number; stage: PathwayStage }[] = [
  { day: 0, stage: "settle" },
  { day: 6, stage: "settle" },
  { day: 7, stage: "move" },
  { day: 20, stage: "move" },
  { day: 21, stage: "load" },
  { day: 48, stage: "load" },
  { day: 49, stage: "spring" },
  { day: 76, stage: "spring" },
  { day: 77, stage: "back" },
];

/** The day on which a stage that nobody confirms asks the coach: its least days and 14. */
export const ASKED_ON: Readonly<Record<Exclude<PathwayStage, "back">, number>> = {
  settle: 21,
  move: 28,
  load: 42,
  spring: 42,
};

interface Answer {
  /** May be done: b without load, L with load. */
  open: readonly string[];
  closed: readonly string[];
  /** Work that stands in each session, where the handbook names it: exercise, sets x repetitions or seconds. */
  work?: string;
}

const HOPS = "ankle-hops";

export const EXPECTED: Readonly<Record<Area, Readonly<Record<Exclude<PathwayStage, "back">, Answer>>>> = {
  achilles: {
    settle: {
      open: ["long-calf-hold b", "back-squat L"],
      closed: ["double-leg-calf-raise", "calf-raise", HOPS],
      work: "long-calf-hold 5 x 45 s",
    },
    move: {
      open: ["double-leg-calf-raise b", "calf-raise b"],
      closed: [HOPS, "slow-calf-raise"],
      work: "double-leg-calf-raise 3 x 15",
    },
    load: { open: ["calf-raise L", "soleus-raise L"], closed: [HOPS, "squat-jump"], work: "calf-raise 3 x 12" },
    spring: { open: [`${HOPS} b`, "calf-raise L"], closed: [] },
  },
  calf: {
    settle: { open: ["long-calf-hold b"], closed: ["double-leg-calf-raise", "calf-raise", HOPS] },
    move: { open: ["double-leg-calf-raise b", "calf-raise b"], closed: [HOPS] },
    load: { open: ["calf-raise L"], closed: [HOPS] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
  shin: {
    settle: { open: ["heel-walk b", "calf-isometric b"], closed: ["calf-raise", HOPS] },
    move: { open: ["double-leg-calf-raise b"], closed: [HOPS] },
    load: { open: ["calf-raise L"], closed: [HOPS, "bounds"] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
  foot: {
    settle: { open: ["short-foot b"], closed: ["calf-raise", HOPS] },
    move: { open: ["double-leg-calf-raise b"], closed: [HOPS] },
    load: { open: ["calf-raise L"], closed: [HOPS, "bounds"] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
  "knee-front": {
    settle: { open: ["wall-sit b"], closed: ["step-down", "split-squat", "reverse-lunge", "knee-forward-split-squat"] },
    move: { open: ["step-down b"], closed: ["reverse-lunge", "knee-forward-split-squat", "squat-jump"] },
    load: { open: ["split-squat L", "reverse-lunge L"], closed: ["knee-forward-split-squat", "squat-jump"] },
    spring: { open: ["forward-lunge L", "squat-jump b"], closed: ["knee-forward-split-squat"] },
  },
  "knee-outside": {
    settle: { open: ["abduction-hold b", "side-plank-knees b"], closed: ["hip-hike", "toe-tap", HOPS] },
    move: { open: ["hip-hike b", "toe-tap b"], closed: ["step-down", HOPS] },
    load: { open: ["step-down b"], closed: [HOPS] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
  "low-back": {
    settle: { open: ["bridge b", "dead-bug b"], closed: ["goblet-squat", "rdl-to-knee", "deadlift", "back-squat"] },
    move: { open: ["dowel-hinge b"], closed: ["rdl-to-knee", "deadlift", "back-squat"] },
    load: { open: ["goblet-squat L", "rdl-to-knee L", "kettlebell-deadlift L"], closed: ["deadlift", "back-squat"] },
    spring: { open: ["trap-bar-deadlift L"], closed: ["deadlift", "kettlebell-swing"] },
  },
  hamstring: {
    settle: { open: ["bridge b"], closed: ["slider-curl", "long-lever-bridge", "rdl-to-knee", "romanian-deadlift"] },
    move: { open: ["slider-curl b", "long-lever-bridge b"], closed: ["rdl-to-knee", "romanian-deadlift"] },
    load: { open: ["rdl-to-knee L", "romanian-deadlift L"], closed: ["kettlebell-swing", "bounds"] },
    spring: { open: ["kettlebell-swing L", "bounds b"], closed: ["good-morning"] },
  },
  groin: {
    settle: { open: ["adductor-squeeze b"], closed: ["adductor-side-plank", "lateral-squat-step", "kettlebell-swing"] },
    move: { open: ["adductor-plank-bent-knee b"], closed: ["adductor-side-plank", "kettlebell-swing"] },
    load: { open: ["adductor-side-plank b"], closed: ["kettlebell-swing", "bounds"] },
    spring: { open: ["kettlebell-swing L", "bounds b"], closed: [] },
  },
  "hip-flexor": {
    settle: { open: ["march-hold-unloaded b"], closed: ["march-hold", "loaded-hip-flexor-raise"] },
    move: { open: ["march-hold b"], closed: ["loaded-hip-flexor-raise", "rear-foot-elevated-split-squat"] },
    load: { open: ["loaded-hip-flexor-raise L"], closed: [HOPS] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
  hip: {
    settle: { open: ["abduction-hold b"], closed: ["clam", "side-lying-raise", "knee-forward-split-squat"] },
    move: { open: ["clam b", "split-squat b"], closed: ["hydrant", "knee-forward-split-squat", HOPS] },
    load: { open: ["split-squat L", "hydrant b"], closed: ["knee-forward-split-squat", HOPS] },
    spring: { open: [`${HOPS} b`], closed: ["knee-forward-split-squat"] },
  },
  shoulder: {
    settle: { open: ["goblet-squat L", "safety-bar-squat L"], closed: ["push-up", "front-squat", "back-squat"] },
    move: { open: ["push-up b"], closed: ["front-squat", "back-squat", "overhead-squat"] },
    load: { open: ["front-squat L"], closed: ["back-squat", "overhead-squat"] },
    spring: { open: ["back-squat L"], closed: ["overhead-squat"] },
  },
  "bone-stress": {
    settle: { open: ["bridge b"], closed: ["loaded-carry", "one-arm-row", HOPS] },
    move: { open: ["band-row b"], closed: ["loaded-carry", "one-arm-row", HOPS] },
    load: { open: ["loaded-carry L", "one-arm-row L"], closed: [HOPS, "bounds"] },
    spring: { open: [`${HOPS} b`], closed: [] },
  },
};
