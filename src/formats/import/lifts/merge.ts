/**
 * Rows of a table beside what was logged: what is new is added, what is there stays, and the same rows again add nothing. A set is the same as
 * another of its day and exercise where repetitions, seconds, load, reserve and side are.
 */
import {
  FITTED_LABELS,
  LABELS,
  type Label,
  type LoggedItem,
  type LoggedSet,
  type Screening,
  type StrengthLog,
} from "../../../core/athlete";
import { type IsoDate, mondayOf } from "../../../core/dates";

export interface LiftEntry {
  date: IsoDate;
  exercise: string;
  sets: readonly LoggedSet[];
}

/** new: all sets of the row are. some: others of them were there. same: all were. */
export type LiftFate = "new" | "some" | "same";

const keyOf = ({ reps, seconds, loadKg, rir, side }: LoggedSet): string => [reps, seconds, loadKg, rir, side].join("/");

/** The label of a day that has no log: the first of the week's that is free, else the first of the day's. */
function labelFor(logs: readonly StrengthLog[], date: IsoDate): Label {
  const week = new Set(logs.filter((l) => mondayOf(l.date) === mondayOf(date)).map((l) => l.label));
  const day = new Set(logs.filter((l) => l.date === date).map((l) => l.label));
  return FITTED_LABELS.find((l) => !week.has(l)) ?? LABELS.find((l) => !day.has(l)) ?? "A";
}

/**
 * @param logs as they stand
 * @returns the logs in their order with new ones behind them, and the fate of each entry in its order
 */
export function mergeLifts(
  logs: readonly StrengthLog[],
  entries: readonly LiftEntry[],
): { logs: StrengthLog[]; fates: LiftFate[] } {
  const next = [...logs];
  const byDay = new Map<IsoDate, number[]>();
  for (const [i, { date }] of logs.entries()) byDay.set(date, [...(byDay.get(date) ?? []), i]);
  // Sets of a day and exercise that no row has claimed yet.
  const open = new Map<string, Map<string, number>>();
  const openOf = (date: IsoDate, exercise: string): Map<string, number> => {
    const key = `${date}/${exercise}`;
    const known = open.get(key);
    if (known) return known;
    const counts = new Map<string, number>();
    for (const i of byDay.get(date) ?? [])
      for (const item of logs[i]?.items ?? [])
        if (item.exercise === exercise)
          for (const s of item.sets) counts.set(keyOf(s), (counts.get(keyOf(s)) ?? 0) + 1);
    open.set(key, counts);
    return counts;
  };
  const fates = entries.map(({ date, exercise, sets }): LiftFate => {
    const counts = openOf(date, exercise);
    const fresh = sets.filter((s) => {
      const n = counts.get(keyOf(s)) ?? 0;
      if (n > 0) counts.set(keyOf(s), n - 1);
      return n === 0;
    });
    if (fresh.length > 0) append(next, byDay, { date, exercise, sets: fresh });
    return fresh.length === 0 ? "same" : fresh.length === sets.length ? "new" : "some";
  });
  return { logs: next, fates };
}

/** Behind the exercise's own sets of the day, or in the day's first log, or in one of its own. */
function append(logs: StrengthLog[], byDay: Map<IsoDate, number[]>, { date, exercise, sets }: LiftEntry): void {
  const days = byDay.get(date) ?? [];
  const at = days.find((i) => logs[i]?.items.some((x) => x.exercise === exercise)) ?? days[0];
  const log = at === undefined ? undefined : logs[at];
  if (at === undefined || !log) {
    byDay.set(date, [logs.length]);
    logs.push({ date, label: labelFor(logs, date), items: [{ exercise, sets: [...sets] }] });
    return;
  }
  const known = log.items.find((x) => x.exercise === exercise);
  const items: LoggedItem[] = known
    ? log.items.map((x) => (x === known ? { ...x, sets: [...x.sets, ...sets] } : x))
    : [...log.items, { exercise, sets: [...sets] }];
  logs[at] = { ...log, items };
}

export type TestFate = "new" | "changed" | "same";

/** A result of the same day and test takes the place of the one that was there. */
export function mergeTests(
  known: readonly Screening[],
  entries: readonly Screening[],
): { screening: Screening[]; fates: TestFate[] } {
  const next = [...known];
  const fates = entries.map((e): TestFate => {
    const at = next.findIndex((s) => s.test === e.test && s.date === e.date);
    const before = next[at];
    if (!before) {
      next.push(e);
      return "new";
    }
    const all = { ...before, ...e };
    if (before.left === all.left && before.right === all.right && before.value === all.value) return "same";
    next[at] = all;
    return "changed";
  });
  return { screening: next.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)), fates };
}
