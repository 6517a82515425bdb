/** What an athlete tells, as a change of the facts: made by the server for what is stored, by a phone for what waits to be sent. */
import {
  type Athlete,
  type CheckIn,
  type Label,
  type LockedSession,
  mergeLogs,
  type StrengthLog,
  withChanges,
  withLock,
} from "../../core/athlete";
import { type IsoDate, mondayOf } from "../../core/dates";
import type { Swap } from "../../core/plan";
import { readinessOf } from "../../core/readiness";
import { asLocked, type Placed } from "../../core/week";

const withCheckIn = (a: Athlete, c: CheckIn): Athlete => ({
  ...a,
  checkIns: [...(a.checkIns ?? []).filter((x) => x.date !== c.date), c],
});

/** An athlete who is ill today is away, so that the way back begins with the last day of it. */
const withIllness = (a: Athlete, on: IsoDate): Athlete =>
  a.away.some((x) => x.kind === "illness" && x.start <= on && on <= x.end)
    ? a
    : { ...a, away: [...a.away, { start: on, end: on, kind: "illness" }] };

/** The day's session stays where it stands, whatever its answers make of it. */
const staying = (a: Athlete, session: Placed): Athlete => ({
  ...a,
  locked: withLock(a.locked ?? [], asLocked(session)),
});

/** What was said before a session. @param session as it stands that day; null where none does */
export function withSaid(a: Athlete, said: CheckIn, session: Placed | null, today: IsoDate): Athlete {
  const verdict = readinessOf(said, a.settings?.ruleValues);
  const next = withCheckIn(a, said);
  if (!said.taken || verdict.why.length === 0) return next;
  if (verdict.session === "none") return withIllness(next, said.date);
  return session && said.date === today ? staying(next, session) : next;
}

/** The answers as if their change were taken, to see what it would be. */
export const tried = (a: Athlete, said: CheckIn, session: Placed): Athlete =>
  staying(withCheckIn(a, { ...said, taken: true }), session);

export const withTick = (a: Athlete, date: IsoDate, item: string, done: boolean): Athlete => ({
  ...a,
  homework: [...(a.homework ?? []).filter((h) => h.date !== date || h.item !== item), { date, item, done }],
});

/** A session of this week at another place of it. */
export const withMove = (a: Athlete, to: LockedSession): Athlete => ({ ...a, locked: withLock(a.locked ?? [], to) });

/** A session that is left out of its week. */
export function withSkip(a: Athlete, date: IsoDate, label: Label, reason: string): Athlete {
  const week = mondayOf(date);
  return { ...a, changes: withChanges(a.changes ?? [], [{ kind: "skip", week, label, reason }]) };
}

/** @param to null gives the slot back to the planner */
export const withSwap = (swaps: readonly Swap[], at: Omit<Swap, "to">, to: string | null): Swap[] => {
  const others = swaps.filter((s) => s.date !== at.date || s.label !== at.label || s.from !== at.from);
  return to === null ? others : [...others, { ...at, to }];
};

/** What a device changed of a log since it last heard. */
export function withLogMerged(a: Athlete, base: StrengthLog | null, log: StrengthLog): Athlete {
  const at = a.strengthLog.findIndex((l) => l.date === log.date && l.label === log.label);
  if (at < 0) return { ...a, strengthLog: [...a.strengthLog, log] };
  const merged = mergeLogs(base, log, a.strengthLog[at] ?? null);
  return { ...a, strengthLog: a.strengthLog.map((l, i) => (i === at ? merged : l)) };
}

/** How an exercise was the morning after. */
export const withNextDay = (a: Athlete, date: IsoDate, exercise: string, pain: number): Athlete => ({
  ...a,
  strengthLog: a.strengthLog.map((l) =>
    l.date === date && l.items.some((i) => i.exercise === exercise)
      ? { ...l, items: l.items.map((i) => (i.exercise === exercise ? { ...i, nextDayPain: pain } : i)) }
      : l,
  ),
});
