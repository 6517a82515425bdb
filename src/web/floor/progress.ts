/** Where a lifter stands in a session: pure, so that it can be tested without a screen. */

import type { ItemView, SessionView } from "../../api/views";
import type { LoggedItem, LoggedSet, Side, StrengthLog } from "../../core/athlete";
import { prescribedOf, together } from "../../core/session";

/** Sides in the order they are lifted: the weaker first, where the screening found one. */
export const sidesOf = (i: Pick<ItemView, "eachSide" | "firstSide">): Side[] => {
  if (!i.eachSide) return ["both"];
  return i.firstSide === "right" ? ["right", "left"] : ["left", "right"];
};

type Sided = Pick<ItemView, "eachSide" | "firstSide" | "extraSide" | "sets">;
/** Logged rows an exercise asks for: one a set, two where it has sides, and one more where the weaker side takes a set more. */
export const rowsOf = (i: Sided): number => i.sets * sidesOf(i).length + (i.extraSide ? 1 : 0);
/** The side of a row. */
export const sideAt = (i: Sided, row: number): Side => {
  const sides = sidesOf(i);
  if (i.extraSide && row >= i.sets * sides.length) return i.extraSide;
  return sides[row % sides.length] ?? "both";
};

export const loggedOf = (log: StrengthLog, exercise: string): LoggedItem | undefined =>
  log.items.find((x) => x.exercise === exercise);

export const doneRows = (log: StrengthLog, i: ItemView): number => loggedOf(log, i.exercise)?.sets.length ?? 0;

type Ruled = Pick<SessionView, "floor">;
/** Stopped by pain (rule progress.pain). */
export const isStopped = (log: StrengthLog, i: Pick<ItemView, "exercise">, { floor }: Ruled): boolean =>
  (loggedOf(log, i.exercise)?.pain ?? 0) > floor.stopPain;
/** Done with it: every row logged, or stopped by pain. */
export const isFinished = (log: StrengthLog, i: ItemView, view: Ruled): boolean =>
  doneRows(log, i) >= rowsOf(i) || isStopped(log, i, view);

/**
 * What to lift next: partners of a pair take turns, one set each; then the next pair.
 * @returns index of the item, or -1 when the session is done
 */
export function nextItem(view: Pick<SessionView, "items" | "floor">, log: StrengthLog): number {
  const open = view.items.map((i, at) => ({ i, at })).filter(({ i }) => !isFinished(log, i, view));
  const first = open[0];
  if (!first) return -1;
  const mates = open.filter(({ i }) => together(i, first.i));
  const setsDone = ({ i }: { i: ItemView }) => Math.floor(doneRows(log, i) / sidesOf(i).length);
  const unfinished = mates.find(({ i }) => doneRows(log, i) % sidesOf(i).length !== 0);
  return (unfinished ?? mates.reduce((best, m) => (setsDone(m) < setsDone(best) ? m : best))).at;
}

export interface SetEntry {
  reps: number | null;
  seconds: number | null;
  loadKg: number | null;
  rir: number;
}

/** What the steppers start from: the set before, else the prescription. */
export function startEntry(i: ItemView, log: StrengthLog): SetEntry {
  const before = loggedOf(log, i.exercise)?.sets.at(-1);
  return {
    reps: i.seconds === null ? (i.reps ?? 0) : null,
    seconds: i.seconds,
    loadKg: before?.loadKg ?? i.loadKg,
    rir: prescribedOf(i).rir ?? i.rir,
  };
}

/** An empty log of the session. */
export const emptyLog = (view: SessionView, start: string): StrengthLog => ({
  date: view.date,
  start,
  label: view.label,
  items: [],
});

const withItem = (log: StrengthLog, i: ItemView, change: (item: LoggedItem) => LoggedItem): StrengthLog => {
  const known = loggedOf(log, i.exercise);
  const next = change(known ?? { exercise: i.exercise, prescribed: prescribedOf(i), sets: [] });
  return { ...log, items: known ? log.items.map((x) => (x === known ? next : x)) : [...log.items, next] };
};

/** @param at the moment it is logged, ISO 8601 @returns the log with one more row */
export function withSet(log: StrengthLog, i: ItemView, entry: SetEntry, at: string): StrengthLog {
  const rows = doneRows(log, i);
  const side = sideAt(i, rows);
  const set: LoggedSet = {
    ...(entry.reps === null ? {} : { reps: entry.reps }),
    ...(entry.seconds === null ? {} : { seconds: entry.seconds }),
    ...(entry.loadKg === null ? {} : { loadKg: entry.loadKg }),
    rir: entry.rir,
    side,
    at,
  };
  return withItem(log, i, (item) => ({ ...item, sets: [...item.sets, set] }));
}

/** @returns the log without its last row of an exercise */
export const withoutLast = (log: StrengthLog, i: ItemView): StrengthLog =>
  withItem(log, i, (item) => ({ ...item, sets: item.sets.slice(0, -1) }));

export const withPain = (log: StrengthLog, i: ItemView, pain: number): StrengthLog =>
  withItem(log, i, (item) => ({ ...item, pain }));

export const withFelt = (log: StrengthLog, i: ItemView, felt: NonNullable<LoggedItem["felt"]>): StrengthLog =>
  withItem(log, i, (item) => ({ ...item, felt }));

/** The heaviest load the room makes at so many percent less; the lightest there is where none is. */
export function lighterBy(loads: readonly number[], from: number | null, percent: number): number | null {
  if (from === null) return null;
  return loads.findLast((l) => l <= from * (1 - percent / 100) + 1e-9) ?? loads[0] ?? from;
}

/** Loads an athlete may set alone: up to one step of the room above what is planned; what is to be found is open. */
export function loadsWithin(loads: readonly number[], planned: number | null): readonly number[] {
  if (planned === null) return loads;
  const above = loads.find((l) => l > planned + 1e-9);
  return loads.filter((l) => l <= (above ?? planned) + 1e-9);
}

/** Moves a load by one step of what the room can make. */
export function stepLoad(loads: readonly number[], from: number | null, by: 1 | -1): number | null {
  if (loads.length === 0) return from;
  if (from === null) return loads[0] ?? null;
  return (by === 1 ? loads.find((l) => l > from + 1e-9) : loads.findLast((l) => l < from - 1e-9)) ?? from;
}
