/** How much heavier "one step" is (handbook 6) [trade]. */
import type { Exercise, Loading } from "../exercise/types";

/** Smallest step on a bar, kg: by default, and where small plates exist. Upper body and single-leg take half of it. */
export const SMALLEST_STEP = { bar: 2.5, small: 1 };

const UPPER = ["push", "pull"];

/**
 * The next load up that is worth a step.
 * @param loads what the place can make, kg, rising
 * @returns kg, or undefined where there is nothing heavier
 */
export function stepUp(
  exercise: Pick<Exercise, "pattern" | "unilateral">,
  loading: Loading,
  loads: readonly number[],
  fromKg: number,
): number | undefined {
  if (loading !== "bar") return loads.find((l) => l > fromKg + 1e-9);
  const gaps = loads.slice(1).map((l, i) => l - (loads[i] ?? 0));
  const fine = gaps.some((g) => g < SMALLEST_STEP.bar - 1e-9);
  const half = exercise.unilateral || UPPER.includes(exercise.pattern) ? 0.5 : 1;
  const least = (fine ? SMALLEST_STEP.small : SMALLEST_STEP.bar) * half;
  return loads.find((l) => l >= fromKg + least - 1e-9) ?? loads.find((l) => l > fromKg + 1e-9);
}
