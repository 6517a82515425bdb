/** Pass marks of the movement screen (handbook 4), by age where the trade has them, and what the latest result says. */
import { ageRange, MASTERS } from "../athlete/gate";
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

/**
 * Median calf raises by decade, [from, men, women] (Hebert-Losier et al. 2017, Physiotherapy 103:446-452; values from memory). Where they lie
 * above the 25 of young adults (Lunsford and Perry 1995), 25 is the mark: age asks for fewer, never for more.
 */
const CALF_BY_AGE: readonly [number, number, number][] = [
  [80, 10, 13],
  [70, 14, 16],
  [60, 19, 19],
  [50, 23, 21],
  [40, 28, 24],
  [30, 32, 27],
  [20, 37, 30],
];
/** Single-leg bridge marks from these ages [house]. */
const BRIDGE_BY_AGE: readonly [number, number][] = [
  [65, 15],
  [50, 18],
];

/** @returns the mark that this athlete has to reach on a day */
export function passMark(athlete: Athlete, test: ScreenTest, on: IsoDate): number {
  const { oldest } = ageRange(athlete.athlete.birthYear, on);
  if (test === "calf-raise") {
    const row = CALF_BY_AGE.find(([from]) => oldest >= from);
    const { sex } = athlete.athlete;
    // Where the sex is not said, the lower of the two.
    const median = row && (sex === "male" ? row[1] : sex === "female" ? row[2] : Math.min(row[1], row[2]));
    return Math.min(PASS_MARKS[test], median ?? PASS_MARKS[test]);
  }
  if (oldest >= MASTERS.from && test === "single-leg-bridge")
    return BRIDGE_BY_AGE.find(([from]) => oldest >= from)?.[1] ?? PASS_MARKS[test];
  return PASS_MARKS[test];
}

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
  return s ? gateValue(s) >= passMark(athlete, test, on) : null;
}

/** Sides count as different from this share of the stronger one, and by this much at least (handbook 15) [trade]. */
const SIDE_SHARE = 0.1;
const SIDE_LEAST: Partial<Record<ScreenTest, number>> = {
  "single-leg-squat": 2,
  "calf-raise": 2,
  "single-leg-bridge": 2,
  "knee-to-wall": 2,
};

/**
 * Asymmetry = (stronger - weaker) / stronger x 100 (Bishop et al. 2018, Strength Cond J 40(4):1-6).
 * @returns percent, 0 where both are equal or nothing was done
 */
export function asymmetry(left: number, right: number): number {
  const strong = Math.max(left, right);
  return strong > 0 ? ((strong - Math.min(left, right)) / strong) * 100 : 0;
}

/** @returns the weaker side where the sides differ enough to count, null otherwise or where the test was not done */
export function weakerOf(test: ScreenTest, s: Pick<Screening, "left" | "right"> | undefined): "left" | "right" | null {
  if (!s || s.left === undefined || s.right === undefined) return null;
  const apart = Math.abs(s.left - s.right);
  if (apart < (SIDE_LEAST[test] ?? 0) || asymmetry(s.left, s.right) < SIDE_SHARE * 100 - 1e-9) return null;
  return s.left < s.right ? "left" : "right";
}

/** The weaker side in a test with sides, by its latest result. */
export function weakerSide(athlete: Athlete, test: ScreenTest, on: IsoDate): "left" | "right" | null {
  return weakerOf(test, latestScreening(athlete, test, on));
}
