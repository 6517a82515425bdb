/** What was lifted, exercise by exercise, the newest first. */
import type { LoggedItem, StrengthLog } from "../athlete";
import type { IsoDate } from "../dates";

export interface History {
  date: IsoDate;
  item: LoggedItem;
}

const indexes = new WeakMap<readonly StrengthLog[], Map<string, History[]>>();

/** Logged items by exercise, newest first; made once for as long as the log lives. */
function indexOf(log: readonly StrengthLog[]): Map<string, History[]> {
  const known = indexes.get(log);
  if (known) return known;
  const index = new Map<string, History[]>();
  for (const s of log)
    for (const item of s.items) {
      if (item.sets.length === 0) continue;
      const list = index.get(item.exercise);
      if (list) list.push({ date: s.date, item });
      else index.set(item.exercise, [{ date: s.date, item }]);
    }
  for (const list of index.values()) list.sort((a, b) => (a.date < b.date ? 1 : -1));
  indexes.set(log, index);
  return index;
}

/** Logs of an exercise before a day, newest first. */
export function historyOf(log: readonly StrengthLog[], exercise: string, before: IsoDate): History[] {
  const all = indexOf(log).get(exercise) ?? [];
  return all[0] && all[0].date < before ? all : all.filter((h) => h.date < before);
}

const lastDays = new WeakMap<readonly StrengthLog[], IsoDate | null>();

/** The latest day of a log; looked for once for as long as the log lives. */
export function lastDayOf(log: readonly StrengthLog[]): IsoDate | null {
  const known = lastDays.get(log);
  if (known !== undefined) return known;
  const last = log.reduce<IsoDate | null>((m, s) => (m === null || s.date > m ? s.date : m), null);
  lastDays.set(log, last);
  return last;
}
