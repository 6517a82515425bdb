/** What of a session's item is kept with its log: what was asked for. */
import type { Prescribed } from "../athlete";
import { RESERVE_SHOWN_UP_TO } from "../rulebook";
import type { Item } from "./types";

export const prescribedOf = (
  i: Pick<Item, "sets" | "reps" | "repsLow" | "repsMost" | "seconds" | "rir" | "loadKg" | "tempo" | "slow">,
): Prescribed => ({
  sets: i.sets,
  ...(i.reps === null ? {} : { reps: i.reps }),
  ...(i.repsLow === null ? {} : { repsLow: i.repsLow }),
  ...(i.repsMost === null || i.repsMost === i.reps ? {} : { most: i.repsMost }),
  ...(i.seconds === null ? {} : { seconds: i.seconds }),
  // As it is told on the floor: what is more than five is not counted.
  rir: Math.min(i.rir, RESERVE_SHOWN_UP_TO),
  ...(i.loadKg === null ? {} : { loadKg: i.loadKg }),
  ...(i.slow ? { tempo: i.tempo } : {}),
  ...(i.slow?.half ? { half: true } : {}),
});
