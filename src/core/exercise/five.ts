/** The essential five of each sport: what matters most when there is time for nothing else (rule choice.five). */
import type { Athlete, Sport } from "../athlete";
import type { Pattern } from "./types";

export interface Essential {
  pattern: Pattern;
  /** What a coach reads. */
  name: string;
  /** The first that is open is taken. */
  exercises: readonly string[];
  main: boolean;
}

const one = (pattern: Pattern, name: string, exercises: readonly string[], main = false): Essential => ({
  pattern,
  name,
  exercises,
  main,
});
const singleLegHinge = one("hinge", "Single-leg hinge", [
  "single-leg-deadlift",
  "single-leg-reach",
  "staggered-deadlift",
]);
const sideHold = one("trunk", "Side hold", ["side-plank", "side-plank-knees"]);
const bridge = one("hip", "Single-leg bridge", ["single-leg-bridge", "bridge"]);
const calf = one("calf", "Calf raise", ["calf-raise", "double-leg-calf-raise", "calf-isometric"]);
const row = one("pull", "Row", ["one-arm-row", "cable-row", "band-row"]);

const FIVE: Record<Sport, readonly Essential[]> = {
  run: [
    singleLegHinge,
    sideHold,
    one("split-squat", "Split squat", ["split-squat", "supported-split-squat"]),
    bridge,
    calf,
  ],
  triathlon: [
    singleLegHinge,
    sideHold,
    one("split-squat", "Split squat", ["split-squat", "supported-split-squat"]),
    bridge,
    calf,
  ],
  ride: [
    one(
      "hinge",
      "Deadlift",
      ["trap-bar-deadlift", "deadlift", "kettlebell-deadlift", "dumbbell-romanian-deadlift"],
      true,
    ),
    one("split-squat", "Rear-foot-raised split squat", [
      "rear-foot-elevated-split-squat",
      "split-squat-rear-foot-low",
      "split-squat",
    ]),
    one("split-squat", "Step-up", ["step-up", "step-up-low"]),
    one("trunk", "Plank pull-through", ["plank-pull-through", "shoulder-tap", "front-plank"]),
    bridge,
  ],
  row: [
    one(
      "hinge",
      "Hinge",
      ["romanian-deadlift", "trap-bar-deadlift", "deadlift", "dumbbell-romanian-deadlift", "kettlebell-deadlift"],
      true,
    ),
    one("squat", "Front squat", ["front-squat", "goblet-squat", "dowel-front-squat"], true),
    one("pull", "Staggered row", ["staggered-row", "one-arm-row", "band-row"]),
    one("trunk", "Dead bug", ["dead-bug", "dead-bug-legs"]),
    sideHold,
  ],
  hike: [
    one("squat", "Squat", ["goblet-squat", "front-squat", "box-squat", "wall-facing-squat"], true),
    one("split-squat", "Step-up", ["step-up", "step-up-low"]),
    one("split-squat", "Step-down", ["step-down-loaded", "step-down-band", "step-down"]),
    calf,
    one("trunk", "Loaded carry", ["loaded-carry", "suitcase-carry"]),
  ],
};

/** @returns the five in order of work; where the swim is the weak part of a triathlon, a row takes the calf raise's place */
export function essentialFive(sport: Sport, swim = false): readonly Essential[] {
  return sport === "triathlon" && swim ? FIVE.triathlon.map((e) => (e === calf ? row : e)) : FIVE[sport];
}

/** The five an athlete's settings ask for; null where time is not short. */
export function fiveFor(athlete: Athlete): readonly Essential[] | null {
  const { shortTime } = athlete.settings ?? {};
  return shortTime ? essentialFive(athlete.athlete.sport, shortTime === "essential-five-swim") : null;
}
