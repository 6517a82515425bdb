/** Estimated 1RM and its inverse, percent by repetitions to failure. */
import type { OneRepMaxFormula } from "../athlete";
import { numbers } from "../rulebook";

export type NamedFormula = Exclude<OneRepMaxFormula, "default" | "nsca">;

const { mostReps, join, unsure } = numbers("load.percent");
/** No estimate above this many repetitions to failure. */
export const MOST_REPS = mostReps;

/**
 * 1RM / load for n repetitions to failure, n > 1.
 * Sources: Epley 1985; Brzycki 1993; Lombardi 1989; Mayhew et al. 1992; Wathan 1994; O'Conner et al. 1989; Lander 1985.
 */
export const FORMULAS: Record<NamedFormula, (n: number) => number> = {
  epley: (n) => 1 + n / 30,
  brzycki: (n) => 36 / (37 - n),
  lombardi: (n) => n ** 0.1,
  mayhew: (n) => 100 / (52.2 + 41.9 * Math.exp(-0.055 * n)),
  wathan: (n) => 100 / (48.8 + 53.8 * Math.exp(-0.075 * n)),
  oconner: (n) => 1 + 0.025 * n,
  lander: (n) => 100 / (101.3 - 2.67123 * n),
};

/** Percent of 1RM by repetitions to failure [pub: NSCA Essentials, 4th ed., ch. 17]. */
export const NSCA_PERCENT: Readonly<Record<number, number>> = numbers("load.table").percent;

const highReps = (n: number): number => (FORMULAS.mayhew(n) + FORMULAS.wathan(n)) / 2;
/** Above 10 the mean of Mayhew and Wathan, scaled so that it meets Brzycki there (rule load.percent). */
const JOIN = FORMULAS.brzycki(join) / highReps(join);

const standard = (n: number): number => (n <= join ? FORMULAS.brzycki(n) : highReps(n) * JOIN);
/** Repetitions that the published table ends at; above them the default, scaled so that it meets the table there [house]. */
const TABLE_ENDS = numbers("load.table").ends;
/** 1RM / load by the published table, straight lines between its entries. */
function byTable(n: number): number {
  if (n > TABLE_ENDS) return (100 / (NSCA_PERCENT[TABLE_ENDS] ?? 100)) * (standard(n) / standard(TABLE_ENDS));
  const known = Object.keys(NSCA_PERCENT)
    .map(Number)
    .sort((a, b) => a - b);
  const high = known.find((k) => k >= n) ?? TABLE_ENDS;
  const low = known.findLast((k) => k <= n) ?? 1;
  const [a, b] = [NSCA_PERCENT[low] ?? 100, NSCA_PERCENT[high] ?? 100];
  return 100 / (high === low ? a : a + ((b - a) * (n - low)) / (high - low));
}

/**
 * @param n repetitions to failure (reps + RIR), 1 to 20
 * @returns 1RM as a multiple of the load; exactly 1 for a true single; null above 20 or below 1
 */
export function multiplier(n: number, formula: OneRepMaxFormula = "default"): number | null {
  if (!(n >= 1) || n > MOST_REPS) return null;
  if (n === 1) return 1;
  if (formula === "default") return standard(n);
  if (formula === "nsca") return byTable(n);
  return FORMULAS[formula](n);
}

/**
 * @param loadKg load of the set, kg
 * @param reps clean repetitions
 * @param rir repetitions in reserve
 * @returns estimated 1RM in kg, or null where the set says nothing
 */
export function estimate(
  loadKg: number,
  reps: number,
  rir: number,
  formula: OneRepMaxFormula = "default",
): number | null {
  const m = loadKg > 0 && reps >= 1 ? multiplier(reps + rir, formula) : null;
  return m === null ? null : loadKg * m;
}

/** How unsure an estimate is, plus or minus percent; grows with reps to failure and with RIR [house]. */
export const uncertaintyPct = (reps: number, rir: number): number => 1 + unsure * (reps + rir - 1) + rir;

/**
 * Percent of 1RM for n repetitions to failure: the inverse of the formula that made the estimate, so that up and down give
 * the same load.
 * @returns percent (0 to 100), null above 20
 */
export function percentFor(n: number, formula: OneRepMaxFormula = "default"): number | null {
  const m = multiplier(n, formula);
  return m === null ? null : 100 / m;
}

/** Halvings until a double can tell no more. */
const BISECTIONS = 60;

/**
 * Repetitions to failure at a percent of 1RM, not rounded: the inverse of `percentFor`.
 * @param percent over 0, up to 100
 * @returns 1 to 20; 20 where more would be possible; null above 100 or at 0
 */
export function repsAt(percent: number, formula: OneRepMaxFormula = "default"): number | null {
  if (!(percent > 0) || percent > 100) return null;
  let [low, high] = [1, MOST_REPS];
  if ((percentFor(high, formula) ?? 0) >= percent) return high;
  // A true single is 100% in every formula, though some of them say less just above it.
  for (let i = 0; i < BISECTIONS; i++) {
    const mid = (low + high) / 2;
    if ((percentFor(mid, formula) ?? 0) >= percent) low = mid;
    else high = mid;
  }
  return low;
}
