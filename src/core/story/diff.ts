/** Which sessions of two plans differ, and in what: said before a change of dose is saved. */

import type { Label } from "../athlete";
import { type IsoDate, timeOf } from "../dates";
import type { Plan, PlanSession } from "../plan";
import { type Item, reserveText, workText } from "../session";

export interface ChangedSession {
  week: IsoDate;
  label: Label;
  kind: "changed" | "new" | "gone";
  /** Day it stands on afterwards; before, where it is gone. */
  date: IsoDate;
  /** What differs, line by line. */
  lines: { what: string; was: string | null; is: string | null }[];
}

const doseText = (i: Item): string => {
  const load = i.loadKg === null ? "" : ` @ ${i.loadKg} kg`;
  return `${i.sets} x ${workText(i)}${load}, ${reserveText(i.rir)} in reserve, rest ${i.restSeconds} s, tempo ${i.tempo}`;
};

/** Everything of a session that a coach would call a change. */
function linesOf(s: PlanSession): Map<string, string> {
  const out = new Map<string, string>();
  for (const i of s.items) out.set(i.exercise.name, doseText(i));
  out.set("Place in the week", `${s.date} ${timeOf(s.start)}, ${s.place}`);
  out.set("Order and pairs", s.items.map((i) => `${i.pair} ${i.exercise.name}`).join(", "));
  out.set("Minutes", String(s.minutes));
  return out;
}

/** @returns the sessions that are not the same in both plans, in order of time */
export function changedSessions(before: Plan, after: Plan): ChangedSession[] {
  const byKey = (p: Plan) =>
    new Map(
      p.weeks.flatMap((w) => w.sessions.map((s) => [`${w.season.start}/${s.label}`, { week: w.season.start, s }])),
    );
  const [a, b] = [byKey(before), byKey(after)];
  const out: ChangedSession[] = [];
  for (const [key, { week, s }] of a) {
    const now = b.get(key)?.s;
    if (!now) {
      out.push({ week, label: s.label, kind: "gone", date: s.date, lines: [] });
      continue;
    }
    const [was, is] = [linesOf(s), linesOf(now)];
    const names = [...new Set([...was.keys(), ...is.keys()])];
    const lines = names
      .filter((n) => was.get(n) !== is.get(n))
      .map((what) => ({ what, was: was.get(what) ?? null, is: is.get(what) ?? null }));
    if (lines.length > 0) out.push({ week, label: s.label, kind: "changed", date: now.date, lines });
  }
  for (const [key, { week, s }] of b)
    if (!a.has(key)) out.push({ week, label: s.label, kind: "new", date: s.date, lines: [] });
  return out.sort((x, y) => (x.date < y.date ? -1 : x.date > y.date ? 1 : x.label < y.label ? -1 : 1));
}
