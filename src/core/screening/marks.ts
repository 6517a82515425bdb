/** Pass marks of the movement screen, by age where the trade has them, and what the latest result says. */

import { type Athlete, ageRange, type Screening, type ScreenTest } from "../athlete";
import type { IsoDate } from "../dates";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";

const { marks, sideHold, calf, bridge } = numbers("screen.marks");
/** Lowest value that passes, in the test's own unit (degrees, reps, cm, seconds; wall squats: 1 pass, 0 fail). */
export const PASS_MARKS: Readonly<Record<ScreenTest, number>> = {
  ...marks,
  "side-hold": sideHold,
  "calf-raise": calf,
  "single-leg-bridge": bridge,
};

/** The entry of a table by age that holds: that of the highest age reached; null under the lowest. */
function byAge(of: Readonly<Record<string, number>>, age: number): number | null {
  return agesOf(of).findLast(([from]) => age >= from)?.[1] ?? null;
}

/** A table by age, the youngest first. */
const agesOf = onceFor((of: Readonly<Record<string, number>>) =>
  Object.entries(of)
    .map(([from, mark]) => [Number(from), mark] as const)
    .sort(([a], [b]) => a - b),
);

/** @returns the mark that this athlete has to reach on a day */
export function passMark(athlete: Athlete, test: ScreenTest, on: IsoDate): number {
  const { oldest } = ageRange(athlete.athlete.birthYear, on);
  const ages = numbers("screen.age");
  if (test === "calf-raise") {
    const { sex } = athlete.athlete;
    const [men, women] = [byAge(ages.calfMen, oldest), byAge(ages.calfWomen, oldest)];
    // Where the sex is not said, the lower of the two. Age asks for fewer than the 25 of the young, never for more.
    const median =
      sex === "male" ? men : sex === "female" ? women : men === null || women === null ? null : Math.min(men, women);
    return Math.min(calf, median ?? calf);
  }
  if (test === "single-leg-bridge") return byAge(ages.bridge, oldest) ?? bridge;
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

/** Tests whose sides must differ by a least amount, too; holds are compared by their share alone. */
const COUNTED: readonly ScreenTest[] = ["single-leg-squat", "calf-raise", "single-leg-bridge", "knee-to-wall"];

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
  const { pct, least } = numbers("side.first");
  if ((COUNTED.includes(test) && apart < least) || asymmetry(s.left, s.right) < pct - TOLERANCE) return null;
  return s.left < s.right ? "left" : "right";
}

/** The weaker side in a test with sides, by its latest result. */
export function weakerSide(athlete: Athlete, test: ScreenTest, on: IsoDate): "left" | "right" | null {
  return weakerOf(test, latestScreening(athlete, test, on));
}
