/** iCalendar (RFC 5545) in: races and planned sessions from a club's or an event's calendar. */
import ICAL from "ical.js";
import type { EnduranceSession, Race, SessionSport } from "../../core/athlete";
import { addDays, daysBetween, type IsoDate, MINUTES_A_DAY, minutesOf } from "../../core/dates";
import type { Read } from "../athlete-file";
import { instantOf, isZone, wallClock } from "../zone";
import { checkedRow, type ImportRow, type NewRace } from "./rows";
import { assumedKind, kindOf, speaksOfRace, sportOf } from "./words";

export interface CalendarOptions {
  zone: string;
  sport: SessionSport;
  /** First and last day of the season: races stand inside it, repeating events are followed to its end. */
  from: IsoDate;
  until: IsoDate;
}

/** Repeats of one event followed at most, of all events of a file together, and events of one file. */
const MOST = { repeats: 500, together: 20_000, events: 20_000 };
/** Repeats finer than a day are no training, and are what a file made to keep the reader busy has. */
const TOO_OFTEN = new Set(["SECONDLY", "MINUTELY", "HOURLY"]);
/** A rule with more parts than this, or with several that pick within the day, is not followed. */
const MOST_RULES = 4;
/** Minutes of a planned session whose entry has no length [house]. */
const NO_LENGTH = 60;

const refuse = (expected: string): Read<ImportRow[]> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/** @returns a row for each event, a repeating one for each repeat; an entry is a race where its words say so */
export function readCalendar(text: string, o: CalendarOptions): Read<ImportRow[]> {
  if (!/BEGIN:VCALENDAR/i.test(text)) return refuse("An iCalendar file expected: there is no BEGIN:VCALENDAR.");
  if (!/END:VCALENDAR\s*$/i.test(text))
    return refuse("A whole iCalendar file expected; it ends before END:VCALENDAR. It may be cut off.");
  let calendars: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text) as unknown[];
    calendars = (Array.isArray(parsed[0]) ? parsed : [parsed]).map((c) => new ICAL.Component(c as [string, [], []]));
  } catch (error) {
    return refuse(
      `An iCalendar file that can be read expected: ${error instanceof Error ? error.message : "unknown fault"}.`,
    );
  }
  const events = calendars.flatMap((c) => c.getAllSubcomponents("vevent"));
  if (events.length === 0) return refuse("Events expected; the calendar holds none.");
  if (events.length > MOST.events) return refuse(`At most ${MOST.events} events expected, found ${events.length}.`);
  // A changed repeat stands as an event of its own beside the series.
  const changed = new Set(
    events.flatMap((e) => {
      const id = e.getFirstPropertyValue("recurrence-id");
      return id ? [`${e.getFirstPropertyValue("uid")}/${String(id)}`] : [];
    }),
  );
  const left = { repeats: MOST.together };
  return { ok: true, value: events.flatMap((e, i) => rowsOf(e, `event ${i + 1}`, o, changed, left)) };
}

function rowsOf(
  component: ICAL.Component,
  where: string,
  o: CalendarOptions,
  changed: ReadonlySet<string>,
  /** Repeats that may still be followed in this file. */
  left: { repeats: number },
): ImportRow[] {
  let label = where;
  try {
    const event = new ICAL.Event(component);
    label = event.summary?.trim().slice(0, 120) || where;
    if (String(component.getFirstPropertyValue("status") ?? "").toUpperCase() === "CANCELLED")
      return [{ where, label, notes: [], fault: "The event was called off." }];
    if (!event.startDate) return [{ where, label, notes: [], fault: "DTSTART: a date expected, it is missing" }];
    if (!event.isRecurring() || component.getFirstPropertyValue("recurrence-id"))
      return [rowOf(event, { start: event.startDate, end: event.endDate, uid: event.uid, where, label }, o)];
    const refused = notFollowed(component);
    if (refused) return [{ where, label, notes: [], fault: refused }];
    const rows: ImportRow[] = [];
    const iterator = event.iterator();
    for (let n = 0; n < MOST.repeats; n++) {
      if (left.repeats-- <= 0)
        return [
          ...rows,
          { where, label, notes: [], fault: `At most ${MOST.together} repeats in one file are followed.` },
        ];
      const next = iterator.next();
      if (!next || String(next).slice(0, 10) > o.until) break;
      if (changed.has(`${event.uid}/${String(next)}`)) continue;
      const { startDate, endDate } = event.getOccurrenceDetails(next);
      rows.push(
        rowOf(
          event,
          {
            start: startDate,
            end: endDate,
            uid: `${event.uid}/${String(next)}`,
            where: `${where}, repeat ${n + 1}`,
            label,
          },
          o,
        ),
      );
    }
    return rows;
  } catch (error) {
    const reason = error instanceof Error ? error.message : "it cannot be read";
    return [{ where, label, notes: [], fault: `An event that can be read expected: ${reason}` }];
  }
}

/** Why the repeats of an event are not followed; null where they are. */
function notFollowed(component: ICAL.Component): string | null {
  const rules = component.getAllProperties("rrule").map((p) => p.getFirstValue() as ICAL.Recur);
  if (rules.length > MOST_RULES) return `RRULE: at most ${MOST_RULES} expected, found ${rules.length}`;
  for (const rule of rules) {
    if (TOO_OFTEN.has(rule.freq)) return `RRULE: repeats of a day or more expected, found FREQ=${rule.freq}`;
    for (const part of ["BYHOUR", "BYMINUTE", "BYSECOND"] as const)
      if ((rule.parts[part]?.length ?? 0) > 4) return `RRULE: at most 4 times a day expected, found ${part}`;
    // A day that no month has would be looked for without end.
    const days = rule.parts.BYMONTHDAY;
    const months = rule.parts.BYMONTH;
    if (days && months && !days.some((d) => months.some((m) => Math.abs(Number(d)) <= (LONGEST[Number(m) - 1] ?? 0))))
      return "RRULE: a day that the month has expected";
  }
  return null;
}

/** Days of each month at most. */
const LONGEST = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Wall clock of the athlete; a floating time is taken as it stands. */
function wallOf(t: ICAL.Time, o: CalendarOptions): { date: IsoDate; time: string | undefined; known: boolean } {
  const two = (n: number) => String(n).padStart(2, "0");
  const date = `${String(t.year).padStart(4, "0")}-${two(t.month)}-${two(t.day)}`;
  if (t.isDate) return { date, time: undefined, known: true };
  const time = `${two(t.hour)}:${two(t.minute)}`;
  const tzid = t.zone?.tzid ?? "floating";
  if (tzid === "floating") return { date, time, known: true };
  if (tzid === "UTC" || tzid === "Z") return { ...wallClock(o.zone, Date.parse(`${date}T${time}:00Z`)), known: true };
  if (isZone(tzid)) return { ...wallClock(o.zone, instantOf(tzid, date, time)), known: true };
  // A zone of the file's own making: its rules are in the file.
  if (t.zone?.component) return { ...wallClock(o.zone, t.toUnixTime() * 1000), known: true };
  return { date, time, known: false };
}

interface Occurrence {
  start: ICAL.Time;
  end: ICAL.Time | null;
  uid: string;
  where: string;
  label: string;
}

function rowOf(event: ICAL.Event, { start, end, uid, where, label }: Occurrence, o: CalendarOptions): ImportRow {
  const from = wallOf(start, o);
  const to = end ? wallOf(end, o) : from;
  const notes: string[] = from.known ? [] : [`time zone "${start.zone?.tzid}" not known, time taken as it stands`];
  const categories = event.component.getFirstProperty("categories")?.getValues().map(String) ?? [];
  const words = `${label} ${categories.join(" ")}`;
  const named = sportOf(words);
  const sport = named ?? o.sport;
  const days = daysBetween(from.date, to.date) + (from.time === undefined && to.date > from.date ? 0 : 1);
  if (speaksOfRace(words, from.time === undefined)) {
    const km = /(\d+(?:[.,]\d+)?)\s*k(?:m|\b)/i.exec(label)?.[1];
    const race: NewRace = {
      date: from.date,
      ...(from.time === undefined ? {} : { start: from.time }),
      ...(days > 1 ? { days: Math.min(days, 60) } : {}),
      name: label,
      sport,
      ...(km ? { distanceKm: Number(km.replace(",", ".")) } : {}),
      priority: priorityOf(words),
    };
    if (race.date < o.from || addDays(race.date, (race.days ?? 1) - 1) > o.until)
      return {
        where,
        label,
        notes,
        fault: `${race.date}: a race inside the season (${o.from} to ${o.until}) expected`,
      };
    notes.push(`taken as a ${race.priority} race`);
    return checkedRow({ where, label, notes, race });
  }
  const length =
    from.time !== undefined && to.time !== undefined ? lengthOf(from.date, from.time, to.date, to.time) : 0;
  const minutes = length > 0 ? length : NO_LENGTH;
  if (length <= 0) notes.push(`no length given, taken as ${NO_LENGTH} min`);
  if (!named) notes.push(`sport taken as ${sport}`);
  const kind = kindOf(words);
  if (!kind) notes.push(`kind taken as ${assumedKind(sport, minutes)}`);
  const km = /(\d+(?:[.,]\d+)?)\s*km\b/i.exec(label)?.[1];
  const session: EnduranceSession = {
    date: from.date,
    ...(from.time === undefined ? {} : { start: from.time }),
    sport,
    kind: kind ?? assumedKind(sport, minutes),
    minutes,
    ...(km ? { distanceKm: Number(km.replace(",", ".")) } : {}),
    source: `ics:${uid}`.slice(0, 200),
  };
  return checkedRow({ where, label, notes, incoming: { session, kindGuessed: !kind } });
}

const lengthOf = (d0: IsoDate, t0: string, d1: IsoDate, t1: string): number =>
  daysBetween(d0, d1) * MINUTES_A_DAY + minutesOf(t1) - minutesOf(t0);

/** "A race", "priority B"; else C, the one that changes least. */
const priorityOf = (words: string): Race["priority"] =>
  (/\b(?:priority|prio|prioritat)\s*([abc])\b|\b([abc])[- ]race\b/i
    .exec(words)
    ?.slice(1)
    .find(Boolean)
    ?.toUpperCase() as Race["priority"] | undefined) ?? "C";

/** What a race of a calendar is beside the races known: the same, the same on another day, or new. */
export function raceFate(
  known: readonly Race[],
  race: NewRace,
): { kind: "new" } | { kind: "same" | "moved"; id: string } {
  const name = race.name.trim().toLowerCase();
  const alike = known.filter((r) => r.name.trim().toLowerCase() === name);
  const same = alike.find((r) => r.date === race.date);
  if (same) return { kind: "same", id: same.id };
  const near = alike.find((r) => Math.abs(daysBetween(r.date, race.date)) < 180);
  return near ? { kind: "moved", id: near.id } : { kind: "new" };
}
