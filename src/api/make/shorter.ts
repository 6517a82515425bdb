/** What a session would lose by being shorter, worked out before it is taken. */
import { type Label, type WeekChange, withChanges } from "../../core/athlete";
import { type IsoDate, mondayOf } from "../../core/dates";
import type { Item } from "../../core/session";
import type { ShorterView } from "../views";
import type { Facts, Planned } from "./planned";

type Shorten = Extract<WeekChange, { kind: "shorten" }>;

export const shortened = (date: IsoDate, label: Label, minutes: number): Shorten => ({
  kind: "shorten",
  week: mondayOf(date),
  label,
  minutes,
});

/** The facts as they would be with the session shortened; one that was shortened before is shortened anew. */
export function withShorter<F extends Facts>(s: F, change: Shorten): F {
  return { ...s, athlete: { ...s.athlete, changes: withChanges(s.athlete.changes ?? [], [change]) } };
}

const sessionIn = ({ plan }: Planned, date: IsoDate, label: Label) =>
  plan.weeks.find((w) => w.season.start === mondayOf(date))?.sessions.find((s) => s.label === label);

const doseOf = ({ sets, reps, seconds }: Item) => ({ sets, reps, seconds });

/** @returns null where either plan holds no such session in that week */
export function shorterView(now: Planned, then: Planned, date: IsoDate, label: Label): ShorterView | null {
  const [before, after] = [sessionIn(now, date, label), sessionIn(then, date, label)];
  if (!before || !after) return null;
  const kept = new Map(after.items.map((i) => [i.exercise.id, i]));
  const had = new Set(before.items.map((i) => i.exercise.id));
  const rows = before.items.map((i) => {
    const to = kept.get(i.exercise.id);
    return { name: i.exercise.name, before: doseOf(i), after: to ? doseOf(to) : null };
  });
  const same = (r: (typeof rows)[number]) => JSON.stringify(r.before) === JSON.stringify(r.after);
  return {
    minutes: after.minutes,
    date: after.date,
    start: after.start,
    gone: rows.filter((r) => r.after === null),
    less: rows.filter((r) => r.after !== null && !same(r)),
    kept: rows.filter((r) => r.after !== null && same(r)).length,
    instead: after.items
      .filter((i) => !had.has(i.exercise.id))
      .map((i) => ({ name: i.exercise.name, after: doseOf(i) })),
  };
}
