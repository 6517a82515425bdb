/** How much heavier "one step" is. */

import type { Exercise, LoadKind } from "../exercise";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";

const UPPER = ["push", "pull"];

/**
 * The next load up that is worth a step.
 * @param loads what the place can make, kg, rising
 * @returns kg, or undefined where there is nothing heavier
 */
export function stepUp(
  exercise: Pick<Exercise, "pattern" | "unilateral">,
  loading: LoadKind,
  loads: readonly number[],
  fromKg: number,
): number | undefined {
  if (loading !== "bar") return loads.find((l) => l > fromKg + TOLERANCE);
  const { step, small, half: halved } = numbers("load.makeable");
  const gaps = loads.slice(1).map((l, i) => l - (loads[i] ?? 0));
  const fine = gaps.some((g) => g < step - TOLERANCE);
  const half = exercise.unilateral || UPPER.includes(exercise.pattern) ? halved : 1;
  const least = (fine ? small : step) * half;
  return loads.find((l) => l >= fromKg + least - TOLERANCE) ?? loads.find((l) => l > fromKg + TOLERANCE);
}
