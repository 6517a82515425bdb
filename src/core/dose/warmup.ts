/** Warm-up sets of a main lift, from the working load. Never counted as working sets. */

import type { Place } from "../athlete";
import type { Exercise, LoadKind } from "../exercise";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";
import { type MadeLoad, makeLoad } from "./loads";

export interface WarmUpSet extends MadeLoad {
  exercise: string;
  reps: number;
}

interface WarmUpFor {
  /** Working load W, kg. */
  workKg: number;
  /** W against the e1RM; null where unknown. */
  percent1rm: number | null;
  /** A light session. */
  light: boolean;
}

const { share: SHARE, reps: REPS, heavyFrom, lightSets, seconds } = numbers("load.warm-up");
/** Seconds a warm-up set takes, with its plates and its short rest (rule load.warm-up). */
export const WARM_UP_SECONDS = seconds;

/**
 * Bar x 8; 0.5 W x 5; 0.7 W x 3; 0.85 W x 2 when W is 80% of 1RM or more; rounded down to what can be made, never a load twice,
 * never the working load. Light sessions take two.
 */
export function warmUpSets(
  exercise: Exercise,
  loading: LoadKind,
  place: Place,
  { workKg, percent1rm, light }: WarmUpFor,
): WarmUpSet[] {
  const steps: [number, number][] = [
    [SHARE.first, REPS.first],
    [SHARE.second, REPS.second],
  ];
  if (loading === "bar") steps.unshift([0, REPS.bar]);
  if (percent1rm !== null && percent1rm >= heavyFrom) steps.push([SHARE.last, REPS.last]);
  const sets: WarmUpSet[] = [];
  for (const [share, reps] of steps) {
    const made = makeLoad(exercise, loading, place, workKg * share);
    if (!made || made.loadKg >= workKg || made.loadKg > Math.max(workKg * share, made.barKg ?? 0) + TOLERANCE) continue;
    if (sets.some((s) => s.loadKg === made.loadKg)) continue;
    sets.push({ exercise: exercise.id, reps, ...made });
  }
  return light ? sets.slice(0, lightSets) : sets;
}
