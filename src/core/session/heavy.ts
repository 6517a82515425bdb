/**
 * What a session is to the legs, by one definition for planned and logged work alike: lower-body work with load from outside is loaded;
 * heavy is a lift at 80% of 1RM or more with 3 or less in reserve, or loaded single-leg work of 8 repetitions or fewer with 2 or less.
 */
import type { StrengthLog } from "../athlete";
import { percentFor } from "../dose";
import { EXTERNAL, type Exercise } from "../exercise";
import { numbers } from "../rulebook";
import type { Item } from "./types";

/** See rule load.heavy. */
export const HEAVY = numbers("load.heavy");
const LOWER: readonly string[] = ["squat", "hinge", "split-squat"];

/** Lower-body work with a load: what rules M3 and M4 keep apart. */
export const isLoadedLower = (i: Pick<Item, "loading"> & { exercise: Pick<Exercise, "pattern"> }): boolean =>
  LOWER.includes(i.exercise.pattern) && EXTERNAL.includes(i.loading);

/** Where no 1RM is known, the percent that the repetitions and the reserve ask for counts. */
const heavyAt = (reps: number, rir: number, percent: number | null, singleLeg: boolean): boolean =>
  singleLeg
    ? reps <= HEAVY.singleLegReps && rir <= HEAVY.singleLegReserve
    : rir <= HEAVY.reserve && (percent ?? percentFor(reps + rir) ?? 0) >= HEAVY.percent;

export function isHeavy(
  i: Pick<Item, "loading" | "percent1rm" | "rir" | "reps"> & { exercise: Pick<Exercise, "pattern" | "unilateral"> },
): boolean {
  return isLoadedLower(i) && i.reps !== null && heavyAt(i.reps, i.rir, i.percent1rm, i.exercise.unilateral);
}

/**
 * What a logged session put on the legs, by the words of a planned one: a row or a press is no work of the legs, whatever it weighs.
 * @param find the exercise of an id; one that is gone counts as work of the legs, which is the careful reading
 */
export function loggedLegs(
  log: Pick<StrengthLog, "items">,
  find: (id: string) => Pick<Exercise, "pattern" | "unilateral"> | undefined,
): { lowerLoaded: boolean; heavy: boolean } {
  const lower = log.items.flatMap((i) => {
    const exercise = find(i.exercise);
    const sets = i.sets.filter((s) => (s.loadKg ?? 0) > 0);
    const lowers = exercise === undefined || LOWER.includes(exercise.pattern);
    return sets.length > 0 && lowers ? [{ i, sets, singleLeg: exercise?.unilateral ?? false }] : [];
  });
  return {
    lowerLoaded: lower.length > 0,
    heavy: lower.some(({ i, sets, singleLeg }) =>
      sets.some(
        (s) =>
          s.reps !== undefined &&
          heavyAt(s.reps, s.rir ?? i.prescribed?.rir ?? numbers("log.unsaid").reserve, null, singleLeg),
      ),
    ),
  };
}
