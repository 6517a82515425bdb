/** What a logged set says: its clean repetitions, what was done, and sets counted once where they were logged by side. */
import type { LoggedItem, LoggedSet } from "./types";

/** Clean repetitions; 0 for work counted in seconds. */
export const cleanReps = (s: LoggedSet): number => s.clean ?? s.reps ?? 0;

/** Clean repetitions, or the seconds of timed work. */
export const amountOf = (s: LoggedSet): number => s.clean ?? s.reps ?? s.seconds ?? 0;

/** The sets with two sides of one set as one. */
export const setsOnce = (item: Pick<LoggedItem, "sets">): LoggedSet[] => item.sets.filter((s) => s.side !== "right");

/** The heaviest load of the sets, kg; null without load. */
export const topLoad = (item: Pick<LoggedItem, "sets">): number | null =>
  item.sets.reduce<number | null>((m, s) => (s.loadKg === undefined ? m : Math.max(m ?? 0, s.loadKg)), null);
