/** What counts as heavy (handbook, plan file): a lower-body main lift at 80% of 1RM or more, or RIR 2 or less at 6 reps or fewer. */
import type { StrengthLog } from "../athlete/types";
import { percentFor } from "../dose/oneRepMax";
import { EXTERNAL, type Exercise } from "../exercise/types";
import type { Item } from "./types";

export const HEAVY_PERCENT = 80;
export const LOWER: readonly string[] = ["squat", "hinge", "split-squat"];

const heavyAt = (reps: number, rir: number, percent: number | null): boolean =>
  (percent ?? percentFor(reps + rir) ?? 0) >= HEAVY_PERCENT || (rir <= 2 && reps <= 6);

/** Where no 1RM is known, the percent that the repetitions and the reserve ask for counts. */
export function isHeavy(i: Pick<Item, "main" | "loading" | "percent1rm" | "rir" | "reps" | "exercise">): boolean {
  if (!i.main || !LOWER.includes(i.exercise.pattern) || !EXTERNAL.includes(i.loading) || i.reps === null) return false;
  return heavyAt(i.reps, i.rir, i.percent1rm);
}

/** Reserve of a logged set that says none, where nothing was asked either [house]. */
const UNSAID_RIR = 2;

/**
 * What a logged session put on the legs, by the words of a planned one: a row or a press is no work of the legs, whatever it weighs.
 * @param find the exercise of an id; one that is gone counts as work of the legs, which is the careful reading
 */
export function loggedLegs(
  log: Pick<StrengthLog, "items">,
  find: (id: string) => Pick<Exercise, "pattern"> | undefined,
): { lowerLoaded: boolean; heavy: boolean } {
  const lower = log.items.flatMap((i) => {
    const pattern = find(i.exercise)?.pattern;
    const sets = i.sets.filter((s) => (s.loadKg ?? 0) > 0);
    return sets.length > 0 && (pattern === undefined || LOWER.includes(pattern)) ? [{ i, sets }] : [];
  });
  return {
    lowerLoaded: lower.length > 0,
    heavy: lower.some(({ i, sets }) =>
      sets.some((s) => s.reps !== undefined && heavyAt(s.reps, s.rir ?? i.prescribed?.rir ?? UNSAID_RIR, null)),
    ),
  };
}
