/** What was lifted, exercise by exercise, the newest first. */

import type { LoggedItem, StrengthLog } from "../athlete";
import type { IsoDate } from "../dates";
import { onceFor } from "../once";

export interface History {
  date: IsoDate;
  item: LoggedItem;
}

/** Logged items by exercise, newest first. */
const indexOf = onceFor((log: readonly StrengthLog[]): Map<string, History[]> => {
  const index = new Map<string, History[]>();
  for (const s of log)
    for (const item of s.items) {
      if (item.sets.length === 0) continue;
      const list = index.get(item.exercise);
      if (list) list.push({ date: s.date, item });
      else index.set(item.exercise, [{ date: s.date, item }]);
    }
  for (const list of index.values()) list.sort((a, b) => (a.date < b.date ? 1 : -1));
  return index;
});

/** Logs of an exercise before a day, newest first. */
export function historyOf(log: readonly StrengthLog[], exercise: string, before: IsoDate): History[] {
  const all = indexOf(log).get(exercise) ?? [];
  return all[0] && all[0].date < before ? all : all.filter((h) => h.date < before);
}

/** The latest day of a log. */
export const lastDayOf = onceFor((log: readonly StrengthLog[]): IsoDate | null =>
  log.reduce<IsoDate | null>((m, s) => (m === null || s.date > m ? s.date : m), null),
);
