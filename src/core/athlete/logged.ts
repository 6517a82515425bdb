/** What a logged set says: its clean repetitions, what was done, and sets counted once where they were logged by side. */
import { minutesOf } from "../dates";
import { numbers } from "../rulebook";
import type { LoggedItem, LoggedSet, StrengthLog } from "./types";

/** When a logged session began, how long it was, and its load in AU; what it does not say is taken as usual. */
export function lengthOf(log: Pick<StrengthLog, "start" | "minutes" | "rpe">): {
  start: number;
  minutes: number;
  stress: number;
} {
  const unsaid = numbers("log.unsaid");
  const minutes = log.minutes ?? unsaid.minutes;
  return {
    start: log.start === undefined ? unsaid.start : minutesOf(log.start),
    minutes,
    stress: Math.round(minutes * (log.rpe ?? unsaid.rpe)),
  };
}

/** The last three of these pains, oldest first, where each is worse than the one before; null where they do not rise. */
export function risingOver(pains: readonly number[]): [number, number, number] | null {
  const [a, b, c] = pains.slice(-3);
  return a !== undefined && b !== undefined && c !== undefined && a < b && b < c ? [a, b, c] : null;
}

/** Clean repetitions; 0 for work counted in seconds. */
export const cleanReps = (s: LoggedSet): number => s.clean ?? s.reps ?? 0;

/** Clean repetitions, or the seconds of timed work. */
export const amountOf = (s: LoggedSet): number => s.clean ?? s.reps ?? s.seconds ?? 0;

/** The sets with two sides of one set as one. */
export const setsOnce = (item: Pick<LoggedItem, "sets">): LoggedSet[] => item.sets.filter((s) => s.side !== "right");

/** The heaviest load of the sets, kg; null without load. */
export const topLoad = (item: Pick<LoggedItem, "sets">): number | null =>
  item.sets.reduce<number | null>((m, s) => (s.loadKg === undefined ? m : Math.max(m ?? 0, s.loadKg)), null);
