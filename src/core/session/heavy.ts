/** What counts as heavy (handbook, plan file): a lower-body main lift at 80% of 1RM or more, or RIR 2 or less at 6 reps or fewer. */
import { percentFor } from "../dose/oneRepMax";
import { EXTERNAL } from "../exercise/types";
import type { Item } from "./types";

export const HEAVY_PERCENT = 80;
export const LOWER: readonly string[] = ["squat", "hinge", "split-squat"];

/** Where no 1RM is known, the percent that the repetitions and the reserve ask for counts. */
export function isHeavy(i: Pick<Item, "main" | "loading" | "percent1rm" | "rir" | "reps" | "exercise">): boolean {
  if (!i.main || !LOWER.includes(i.exercise.pattern) || !EXTERNAL.includes(i.loading) || i.reps === null) return false;
  const percent = i.percent1rm ?? percentFor(i.reps + i.rir) ?? 0;
  return percent >= HEAVY_PERCENT || (i.rir <= 2 && i.reps <= 6);
}
