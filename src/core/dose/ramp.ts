/** Finding a load on the floor: sets that rise until the reserve is what was meant. */

import type { OneRepMaxFormula, Place } from "../athlete";
import type { Exercise, LoadKind } from "../exercise";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";
import { type MadeLoad, makeableLoads, makeLoad } from "./loads";
import { estimate, percentFor } from "./oneRepMax";

export interface RampSet extends MadeLoad {
  reps: number;
}

/** See rule load.unknown. Five reps with five left are at most 75%, so that a quarter more stays under 94%. */
export const RAMP = numbers("load.unknown");

/**
 * The first sets to try: the lightest load there is, then about a fifth more each time, at the repetitions that are meant, five at most.
 * @returns up to five sets, rising; empty where the place makes no load
 */
export function rampSets(exercise: Exercise, loading: LoadKind, place: Place, reps: number): RampSet[] {
  const key = `${exercise.id}/${loading}/${Math.min(reps, RAMP.reps)}`;
  const known = made(place);
  const sets = known.get(key) ?? workOut(exercise, loading, place, reps);
  known.set(key, sets);
  return sets;
}

/** A season asks for the same ramps week after week; they are kept for as long as the place lives. */
const made = onceFor((_place: Place) => new Map<string, RampSet[]>());

function workOut(exercise: Exercise, loading: LoadKind, place: Place, reps: number): RampSet[] {
  const loads = makeableLoads(exercise, loading, place);
  const out: RampSet[] = [];
  let wanted = loads[0] ?? 0;
  for (const _ of Array.from({ length: RAMP.sets })) {
    const next = loads.find((l) => l >= wanted - TOLERANCE);
    const made = next === undefined ? null : makeLoad(exercise, loading, place, next);
    if (!made) break;
    out.push({ ...made, reps: Math.min(reps, RAMP.reps) });
    wanted = Math.max(made.loadKg * RAMP.rise, made.loadKg + 1e-6);
  }
  return out;
}

/**
 * What to try after a set of the ramp.
 * @param tried load in kg, clean repetitions, reserve as felt
 * @param meant repetitions and reserve of the working sets
 * @param loads what the place can make, kg, rising
 * @returns the next load to try, or the load found: the tried one, or one below it where it left too little
 */
export function nextRamp(
  tried: { loadKg: number; reps: number; rir: number },
  meant: { reps: number; rir: number },
  loads: readonly number[],
  formula: OneRepMaxFormula = "default",
): { loadKg: number; found: boolean } {
  const max = tried.rir > RAMP.tellsUpTo ? null : estimate(tried.loadKg, tried.reps, tried.rir, formula);
  const percent = percentFor(meant.reps + meant.rir, formula);
  const top = loads.at(-1) ?? tried.loadKg;
  const wanted = max === null || percent === null ? tried.loadKg * RAMP.tooLight : (max * percent) / 100;
  const under = loads.filter((l) => l <= wanted + TOLERANCE).at(-1) ?? loads[0] ?? tried.loadKg;
  if (under <= tried.loadKg + TOLERANCE) return { loadKg: under, found: true };
  const limited =
    loads.filter((l) => l <= Math.min(wanted, tried.loadKg * RAMP.most) + TOLERANCE).at(-1) ?? tried.loadKg;
  const next = limited > tried.loadKg + TOLERANCE ? limited : (loads.find((l) => l > tried.loadKg + TOLERANCE) ?? top);
  return { loadKg: next, found: false };
}
