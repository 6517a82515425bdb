/** A week as it is given to an athlete, and what has become different since. */
import { type Athlete, placeName } from "../../core/athlete";
import { dayLabel, type IsoDate, timeOf } from "../../core/dates";
import { workText } from "../../core/session";
import { massIn } from "../../core/units";
import type { PublishedSession, PublishedWeekView } from "../phoneViews";
import type { Planned } from "./planned";

/** The sessions of a week as they stand; none where the week is past or stands in no season. */
export const sessionsOf = (p: Planned, monday: IsoDate): PublishedSession[] =>
  (p.plan.weeks.find((w) => w.season.start === monday)?.sessions ?? []).map((s) => ({
    label: s.label,
    date: s.date,
    start: s.start,
    place: s.place,
    minutes: s.minutes,
    items: s.items.map((i) => ({
      exercise: i.exercise.id,
      name: i.exercise.name,
      sets: i.sets,
      work: workText(i),
      loadKg: i.loadKg,
    })),
  }));

type Units = Athlete["athlete"]["massUnit"];
type PublishedItem = PublishedSession["items"][number];

const doseText = (i: PublishedItem, unit: Units): string =>
  `${i.sets} × ${i.work}${i.loadKg === null ? "" : ` at ${massIn(i.loadKg, unit)} ${unit ?? "kg"}`}`;

/** What is different of a session. @param now null where it does not stand any more */
export function changedSince(
  then: PublishedSession,
  now: PublishedSession | null,
  athlete: Pick<Athlete, "athlete" | "places">,
): string[] {
  if (now === null) return ["taken out of the week"];
  const unit = athlete.athlete.massUnit;
  const out: string[] = [];
  if (then.date !== now.date || then.start !== now.start)
    out.push(`moved from ${dayLabel(then.date)} ${timeOf(then.start)}`);
  if (then.place !== now.place) out.push(`now at ${placeName(now.place)}`);
  const before = new Map(then.items.map((i) => [i.exercise, i]));
  const after = new Set(now.items.map((i) => i.exercise));
  const gone = then.items.filter((i) => !after.has(i.exercise)).map((i) => i.name);
  const come = now.items.filter((i) => !before.has(i.exercise)).map((i) => i.name);
  if (come.length > 0) out.push(`${come.join(", ")}${gone.length > 0 ? ` instead of ${gone.join(", ")}` : " added"}`);
  else if (gone.length > 0) out.push(`without ${gone.join(", ")}`);
  for (const i of now.items) {
    const was = before.get(i.exercise);
    if (was && doseText(was, unit) !== doseText(i, unit))
      out.push(`${i.name} ${doseText(i, unit)} instead of ${doseText(was, unit)}`);
  }
  return out;
}

/** What is different of a week, session by session; a session that is logged is not compared any more. */
export const weekChangedSince = (
  week: PublishedWeekView,
  now: readonly PublishedSession[],
  athlete: Pick<Athlete, "athlete" | "places" | "strengthLog">,
  today: IsoDate,
): { label: string; changes: string[] }[] => [
  ...week.sessions
    .filter((s) => s.date >= today && !athlete.strengthLog.some((l) => l.date === s.date && l.label === s.label))
    .map((s) => ({
      label: s.label,
      changes: changedSince(s, now.find((n) => n.label === s.label) ?? null, athlete),
    })),
  ...now
    .filter((n) => !week.sessions.some((s) => s.label === n.label))
    .map((n) => ({ label: n.label, changes: [`new, on ${dayLabel(n.date)}`] })),
];
