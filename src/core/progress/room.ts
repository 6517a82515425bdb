/** Whether a room is too light for heavy work: what its heaviest weighs beside the body, or what was left in reserve with it (rule heavy.room). */
import type { Place } from "../athlete";
import { makeableLoads } from "../dose";
import { type Exercise, type LoadKind, PRIMARY_PATTERNS } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import { roundTo, TOLERANCE } from "../units";
import type { History } from "./history";

export interface RoomAsked {
  exercise: Exercise;
  loading: LoadKind;
  place: Place;
  bodyMassKg: number;
  /** Of the exercise, newest first. */
  history: readonly History[];
}

/** Repetitions to failure with a load, by the latest log that lifted as much; null where none did. */
function toFailure(history: readonly History[], kg: number): number | null {
  for (const { item } of history) {
    const sets = item.sets.filter((s) => (s.loadKg ?? 0) >= kg - TOLERANCE && s.reps !== undefined);
    const unsaid = item.prescribed?.rir ?? numbers("log.unsaid").reserve;
    if (sets.length > 0) return Math.min(...sets.map((s) => (s.reps ?? 0) + (s.rir ?? unsaid)));
  }
  return null;
}

/**
 * @param asked weights held in the hands, where no bar and no machine would load more
 * @returns why nothing heavy is done with them here; null where it may be
 */
export function tooLight({ exercise, loading, place, bodyMassKg, history }: RoomAsked): Why | null {
  if (place.bars.length > 0 || place.machines.length > 0 || !PRIMARY_PATTERNS.includes(exercise.pattern)) return null;
  const heaviest = makeableLoads(exercise, loading, place).at(-1);
  if (heaviest === undefined) return null;
  const { share, known } = numbers("heavy.room");
  const reps = toFailure(history, heaviest);
  const kg = roundTo(heaviest * (loading === "pair" ? 2 : 1), 2);
  if (reps !== null) return reps >= known ? why("heavy.room", "logged", { kg, reps }) : null;
  // One leg carries the body as well: what is hard for it, a log says.
  const least = exercise.unilateral ? 0 : bodyMassKg * share;
  return kg < least - TOLERANCE ? why("heavy.room", "light", { kg, least: roundTo(least, 0) }) : null;
}
