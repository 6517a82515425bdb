/** What was ticked of what was asked. */
import type { Athlete } from "../athlete";
import type { IsoDate } from "../dates";

export const isTicked = ({ homework = [] }: Pick<Athlete, "homework">, date: IsoDate, item: string): boolean =>
  homework.some((h) => h.date === date && h.item === item && h.done);

export interface Ticked {
  asked: number;
  done: number;
}

export const sumTicked = (list: readonly Ticked[]): Ticked =>
  list.reduce((a, t) => ({ asked: a.asked + t.asked, done: a.done + t.done }), { asked: 0, done: 0 });

/** @param days what was asked, by day; what was ticked without being asked does not count */
export function tickedOf(
  athlete: Pick<Athlete, "homework">,
  days: readonly { date: IsoDate; items: readonly string[] }[],
): Ticked {
  const of = days.flatMap((d) => d.items.map((item) => isTicked(athlete, d.date, item)));
  return { asked: of.length, done: of.filter(Boolean).length };
}
