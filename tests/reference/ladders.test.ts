/**
 * The library against the trade: which exercises there are and in which order the steps of each ladder stand.
 * Common practice among strength coaches, no source.
 */
import { describe, expect, it } from "vitest";
import { SHIPPED_LIBRARY } from "../../src/core/exercise/library";
import { PATTERNS, type Pattern } from "../../src/core/exercise/types";

const STEPS: Record<string, string> = {
  squat:
    "wall-facing-squat overhead-wall-squat heel-raised-squat box-squat goblet-squat dowel-front-squat front-squat back-squat overhead-squat",
  hinge:
    "dowel-hinge dowel-good-morning rdl-to-knee dumbbell-romanian-deadlift romanian-deadlift kettlebell-deadlift floor-deadlift-kettlebell trap-bar-deadlift deadlift stiff-leg-deadlift good-morning",
  "hinge-single": "single-leg-reach single-leg-deadlift",
  "split-squat":
    "supported-split-squat front-foot-elevated-split-squat split-squat split-squat-rear-foot-low rear-foot-elevated-split-squat split-squat-both-feet-raised",
  lunge: "reverse-lunge reverse-lunge-high-knee overhead-lunge slider-lunge forward-lunge slow-lunge",
  "step-down": "step-down step-down-band step-down-loaded terminal-knee-extension-step-down",
  "step-up": "step-up-low step-up",
  "single-leg-squat": "wall-pressed-squat single-leg-squat-bench single-leg-squat-loaded",
  bridge: "bridge long-lever-bridge loaded-bridge single-leg-bridge single-leg-hip-thrust",
  clam: "clam reverse-clam reverse-clam-raised",
  "side-lying-raise": "side-lying-raise-toe-in side-lying-raise side-lying-raise-toe-out",
  "band-walk": "band-walk band-walk-below-knee band-walk-ankle",
  calf: "calf-isometric double-leg-calf-raise calf-raise slow-calf-raise",
  "dead-bug": "dead-bug-legs dead-bug dead-bug-long",
  "side-plank": "side-plank-knees side-plank side-plank-to-front side-plank-star",
  plank: "front-plank shoulder-tap plank-pull-through plank-knee-tuck",
  jump: "ankle-hops step-off-stick squat-jump burpee-jump bounds",
};

/** What the trade names beside the ladders. */
const BESIDE: Partial<Record<Pattern, string>> = {
  squat: "leg-press",
  hinge: "supported-back-extension kettlebell-swing",
  "split-squat": "knee-forward-split-squat shallow-single-leg-squat-band terminal-knee-extension",
  hip: "hip-hike toe-tap wall-knee-press band-kickback adductor-side-plank adductor-plank-bent-knee lying-hamstring-curl march-hold loaded-hip-flexor-raise straight-leg-hold quadruped-kick quadruped-circle hydrant slider-curl heel-walk-out side-hold-knee-lift lateral-squat-step backward-walk hand-foot-walk",
  calf: "heel-walk soleus-raise leg-press-calf-hold",
  trunk: "bird-dog band-rotation half-kneeling-chop half-kneeling-lift running-arm-pull loaded-carry",
  push: "push-up incline-press band-punch",
  pull: "one-arm-row staggered-row band-row cable-row pull-up band-pulldown",
  mobility:
    "hip-flexor-stretch outer-hip-stretch active-quad-stretch groiners leg-swings-back cat-cow foot-rolling foam-rolling mobility-flow",
};

const ex = (id: string) => {
  const e = SHIPPED_LIBRARY.byId(id);
  if (!e) throw new Error(`the library has no ${id}`);
  return e;
};

describe("the ladders", () => {
  it.each(Object.entries(STEPS))("%s, easiest first", (ladder, steps) => {
    expect(SHIPPED_LIBRARY.ladder(ladder).map((e) => e.id)).toEqual(steps.split(" "));
  });
  it("never ask more training of a lower step than of a higher one by more than the order allows", () => {
    for (const ladder of SHIPPED_LIBRARY.ladders) {
      const levels = SHIPPED_LIBRARY.ladder(ladder).map((e) => e.level);
      expect(levels, ladder).toEqual([...levels].sort((a, b) => a - b));
    }
  });
});

describe("the exercises beside them", () => {
  it.each(Object.entries(BESIDE))("%s", (pattern, ids) => {
    for (const id of ids.split(" ")) expect(ex(id).pattern, id).toBe(pattern);
  });
  it("cover every pattern", () => {
    for (const p of PATTERNS) expect(SHIPPED_LIBRARY.pattern(p).length, p).toBeGreaterThanOrEqual(3);
  });
});

describe("numbers that the trade gives with an exercise", () => {
  it.each([
    ["staggered-row", [15, 20]],
    ["kettlebell-swing", [8, 12]],
    ["stiff-leg-deadlift", [5, 10]],
    ["knee-forward-split-squat", [10, 14]],
    ["overhead-squat", [3, 5]],
    ["side-hold-knee-lift", [8, 8]],
    ["half-kneeling-chop", [5, 5]],
    ["loaded-hip-flexor-raise", [12, 20]],
  ] as [string, [number, number]][])("%s: %j repetitions", (id, reps) => {
    expect(ex(id).ownReps).toEqual(reps);
  });
  it("toe taps 15 a side, shallow single-leg squats 15, pull-throughs up to 12", () => {
    expect(ex("toe-tap").ownReps?.[1]).toBe(15);
    expect(ex("shallow-single-leg-squat-band").ownReps?.[1]).toBe(15);
    expect(ex("plank-pull-through").ownReps?.[1]).toBe(12);
  });
  it("holds: band walks 20 to 30 s, straight-leg lifts 15 to 30 s, stretches 30 s, the quadriceps 60 s", () => {
    expect(ex("band-walk").ownSeconds).toBeGreaterThanOrEqual(20);
    expect(ex("band-walk").ownSeconds).toBeLessThanOrEqual(30);
    expect(ex("straight-leg-hold").ownSeconds).toBeGreaterThanOrEqual(15);
    expect(ex("straight-leg-hold").ownSeconds).toBeLessThanOrEqual(30);
    expect([ex("hip-flexor-stretch").ownSeconds, ex("outer-hip-stretch").ownSeconds]).toEqual([30, 30]);
    expect(ex("active-quad-stretch").ownSeconds).toBe(60);
  });
  it("tempo: leg press 3 s each way, calf lowering 3 s, slow lunge 4 counts, march holds 9 to 10 s", () => {
    expect(ex("leg-press").tempo).toBe("3-0-3");
    expect(ex("slow-calf-raise").tempo.startsWith("3-")).toBe(true);
    expect(ex("slow-lunge").tempo.startsWith("4-")).toBe(true);
    expect(ex("march-hold").secondsPerRep).toBeGreaterThanOrEqual(10);
  });
  it("the load: single-leg deadlift in the opposite hand, rows and carries in dumbbells or bells", () => {
    expect(ex("single-leg-deadlift").hand).toBe("opposite");
    expect(ex("single-leg-deadlift").variants).toContain("same hand");
    expect(ex("loaded-carry").loading).toBe("pair");
  });
});
