/** Pass marks of the movement screen (handbook 4) and what the latest result says. */

import type { Athlete, Screening, ScreenTest } from "../athlete/types";
import type { IsoDate } from "../dates";

/** Lowest value that passes, in the test's own unit (degrees, reps, cm, seconds; wall squats: 1 pass, 0 fail). */
export const PASS_MARKS: Record<ScreenTest, number> = {
  "dowel-hinge": 60,
  "wall-squat": 1,
  "wall-squat-overhead": 1,
  "single-leg-squat": 10,
  "step-down": 20,
  "side-hold": 30,
  "calf-raise": 25,
  "single-leg-bridge": 20,
  "knee-to-wall": 10,
  "march-hold": 10,
  "front-plank": 60,
};

/** @returns the latest result of a test on or before a date */
export function latestScreening(athlete: Athlete, test: ScreenTest, on: IsoDate): Screening | undefined {
  return athlete.screening
    .filter((s) => s.test === test && s.date <= on)
    .reduce<Screening | undefined>((best, s) => (!best || s.date >= best.date ? s : best), undefined);
}

/** The value a gate looks at: the single value, or the weaker side. */
export function gateValue(s: Screening): number {
  return s.value ?? Math.min(s.left ?? Number.POSITIVE_INFINITY, s.right ?? Number.POSITIVE_INFINITY);
}

/** @returns true or false for a test that was done, null where it was not */
export function passes(athlete: Athlete, test: ScreenTest, on: IsoDate): boolean | null {
  const s = latestScreening(athlete, test, on);
  return s ? gateValue(s) >= PASS_MARKS[test] : null;
}

/** The weaker side in a test with sides; null where both are equal, or it was not done. */
export function weakerSide(athlete: Athlete, test: ScreenTest, on: IsoDate): "left" | "right" | null {
  const s = latestScreening(athlete, test, on);
  if (!s || s.left === undefined || s.right === undefined || s.left === s.right) return null;
  return s.left < s.right ? "left" : "right";
}
