/** A session while it is made by hand: a list in order, where a row may be paired with the one above. Pure. */

import type { SessionView } from "../../api/views";
import type { EditItem } from "../../core/athlete";
import type { Exercise } from "../../core/exercise";
import { groupOf } from "../../core/session";

export interface Row extends Omit<EditItem, "group"> {
  key: string;
  /** Alternated with the row above. */
  linked: boolean;
}

/** At most so many stand in one group. */
export const MOST_TOGETHER = 3;

let made = 0;
const newKey = (): string => `row-${++made}`;

/** What stands on the session now; loads that the rules worked out stay theirs to work out. */
export function rowsOf(view: SessionView): Row[] {
  const items: readonly EditItem[] =
    view.edit?.items ??
    view.items.map((i) => ({
      exercise: i.exercise,
      group: groupOf(i),
      sets: i.sets,
      ...(i.repsLow !== null && i.repsLow !== i.reps ? { repsLow: i.repsLow } : {}),
      ...(i.reps === null ? {} : { reps: i.reps }),
      ...(i.seconds === null ? {} : { seconds: i.seconds }),
      ...(i.seconds === null ? { rir: i.rir } : {}),
      restSeconds: i.restSeconds,
      ...(i.note ? { note: i.note } : {}),
    }));
  return fromTemplate(items);
}

/** Groups are numbered in order; links that would put a fourth into a group are let go. */
export function itemsOf(rows: readonly Row[]): EditItem[] {
  let group = 0;
  let size = 0;
  return rows.map(({ key: _, linked, ...item }, n) => {
    if (n > 0 && linked && size < MOST_TOGETHER) size++;
    else {
      group++;
      size = 1;
    }
    return { ...item, group };
  });
}

/** A row elsewhere: it leaves its pair, and what stood under it joins nothing new. */
export function moved(rows: readonly Row[], from: number, to: number): Row[] {
  const row = rows[from];
  if (!row || from === to || to < 0 || to >= rows.length) return [...rows];
  const rest = rows.filter((_, i) => i !== from);
  // The one under it stays with the one above only where both were in one group with it.
  const under = rest[from];
  if (under && !row.linked) rest[from] = { ...under, linked: false };
  const below = rest[to];
  rest.splice(to, 0, { ...row, linked: false });
  // Nothing is split by what comes between: the lower half begins anew.
  if (below?.linked) rest[to + 1] = { ...below, linked: false };
  const first = rest[0];
  if (first) rest[0] = { ...first, linked: false };
  return rest;
}

/** Pairs a row with the one above, or takes it out of the pair. */
export function linkedAt(rows: readonly Row[], at: number, linked: boolean): Row[] {
  if (at === 0) return [...rows];
  if (linked) {
    let size = 1;
    for (let i = at - 1; i >= 0; i--) {
      size++;
      if (!rows[i]?.linked) break;
    }
    if (size > MOST_TOGETHER) return [...rows];
  }
  return rows.map((r, i) => (i === at ? { ...r, linked } : r));
}

export function without(rows: readonly Row[], at: number): Row[] {
  const gone = rows[at];
  return rows
    .filter((_, i) => i !== at)
    .map((r, i) => (i === at && gone && !gone.linked ? { ...r, linked: false } : r))
    .map((r, i) => (i === 0 ? { ...r, linked: false } : r));
}

/** A row for an exercise that comes in, with its own dose of a middle kind. */
export function rowFor(e: Pick<Exercise, "id" | "unit" | "ownReps" | "ownSeconds" | "main">): Row {
  return {
    key: newKey(),
    linked: false,
    exercise: e.id,
    sets: e.main ? 3 : 2,
    ...(e.unit === "seconds" ? { seconds: e.ownSeconds ?? 20 } : { reps: e.ownReps?.[1] ?? (e.main ? 6 : 10), rir: 2 }),
  };
}

/** Rows of items in order; those of one group are linked. */
export const fromTemplate = (items: readonly EditItem[]): Row[] =>
  items.map(({ group, ...rest }, n) => ({ ...rest, key: newKey(), linked: n > 0 && items[n - 1]?.group === group }));

/** "1A", "1B", "2": as the card will say. */
export function labelsOf(rows: readonly Row[]): string[] {
  const items = itemsOf(rows);
  return items.map((item, n) => {
    const mates = items.filter((x) => x.group === item.group);
    return mates.length > 1 ? `${item.group}${"ABC"[mates.indexOf(items[n] ?? item)] ?? ""}` : `${item.group}`;
  });
}

/** What was and what is, to step through. */
export interface Steps {
  past: Row[][];
  now: Row[];
  future: Row[][];
}
export const begin = (now: Row[]): Steps => ({ past: [], now, future: [] });
export const nextStep = (s: Steps, now: Row[]): Steps => ({ past: [...s.past, s.now], now, future: [] });
export const undone = (s: Steps): Steps => {
  const before = s.past.at(-1);
  return before ? { past: s.past.slice(0, -1), now: before, future: [s.now, ...s.future] } : s;
};
export const redone = (s: Steps): Steps => {
  const [next, ...rest] = s.future;
  return next ? { past: [...s.past, s.now], now: next, future: rest } : s;
};
