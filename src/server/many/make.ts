/** A change for many, worked out for one athlete: what of the record changes, or why it can not be made. */
import { randomUUID } from "node:crypto";
import { withPlannedEndurance } from "../../api/make/planned";
import type { ManyChange } from "../../api/many";
import { findApproach } from "../../core/approach";
import {
  type Approach,
  type Athlete,
  LABEL_WORDS,
  placeName,
  type SessionEdit,
  type UsualWeekPlan,
  withChanges,
} from "../../core/athlete";
import { addDays, dayLabel, type IsoDate, laterOf, mondayOf, spanLabel, weekdayName } from "../../core/dates";
import { withPastPlanned } from "../../core/mileage";
import { withPastKept } from "../../core/season";
import { crossFaults } from "../../formats/athlete-file";
import { AWAY_WORDS } from "../routes/away";
import type { Stored } from "../store/athletes";
import type { Made } from "../store/many";

/** What changes name and do not hold themselves. */
export interface Known {
  today: IsoDate;
  approaches: readonly Approach[];
  /** Of the template that the change names; null where there is none. */
  template: { name: string; items: SessionEdit["items"] } | null;
  /** Usual weeks of the athlete whom the change names; null where there are none. */
  usualWeeks: readonly UsualWeekPlan[] | null;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The change in the words of a history; no name of a person stands in it. */
export function wordsOf(change: ManyChange, known: Known): string {
  switch (change.kind) {
    case "away":
      return `${AWAY_WORDS[change.away.kind]} ${spanLabel(change.away.start, change.away.end)}`;
    case "closed":
      return `${capital(placeName(change.place))} closed ${spanLabel(change.start, change.end)}`;
    case "race":
      return `Race added: ${change.race.name}`;
    case "approach":
      return `Approach: ${findApproach(change.approach, known.approaches)?.name ?? change.approach}`;
    case "template":
      return `${LABEL_WORDS[change.label]} of the week of ${dayLabel(mondayOf(change.week))} from the template ${known.template?.name ?? ""}`;
    case "usual-week":
      return "Usual week of another athlete";
    case "note":
      return `Note of the week of ${dayLabel(mondayOf(change.week))}`;
    case "window":
      return `Free time added: ${weekdayName(change.window.day)} ${change.window.start}`;
  }
}

/** Days that the change is about: none before, as far as is looked at after. */
export function daysOf(change: ManyChange, today: IsoDate): { from: IsoDate; until: IsoDate } {
  const soon = (days: number) => ({ from: today, until: addDays(today, days) });
  switch (change.kind) {
    case "away":
      // The days after it are easier, too.
      return { from: change.away.start, until: addDays(change.away.end, 14) };
    case "closed":
      return { from: change.start, until: change.end };
    case "template":
    case "note":
      return { from: mondayOf(change.week), until: addDays(mondayOf(change.week), 6) };
    case "race":
    case "window":
      return soon(20);
    case "approach":
    case "usual-week":
      return soon(27);
  }
}

const fault = (text: string) => ({ fault: text });
type Plain = Pick<Made, "next"> & Partial<Made>;

const away = (
  s: Stored,
  { away: days, leaveOut }: Extract<ManyChange, { kind: "away" }>,
): Plain | { fault: string } => {
  const a = s.athlete;
  if (a.away.some((x) => x.kind === days.kind && x.start <= days.start && x.end >= days.end))
    return fault("is away on those days already");
  const planned = withPlannedEndurance(s);
  const rows = planned.athlete.endurance.flatMap((e, i) => {
    const row = planned.enduranceIds[i];
    const open = e.date >= days.start && e.date <= days.end && !e.done && !e.cancelled;
    return leaveOut && open && row !== undefined ? [{ row, session: null }] : [];
  });
  return { next: { ...a, away: [...a.away, days] }, rows, free: [mondayOf(days.start)] };
};

function closed(
  a: Athlete,
  { place, start, end, instead }: Extract<ManyChange, { kind: "closed" }>,
): Plain | { fault: string } {
  if (!a.places.some((p) => p.id === place)) return fault(`has no place named ${placeName(place)}`);
  if (instead === place) return fault("another place than the one that is closed is expected");
  if (instead !== null && !a.places.some((p) => p.id === instead))
    return fault(`has no place named ${placeName(instead)}`);
  const one = { kind: "closed" as const, place, start, end, ...(instead === null ? {} : { instead }) };
  const known = a.changes ?? [];
  if (
    known.some(
      (c) => c.kind === "closed" && c.place === place && c.start <= start && c.end >= end && c.instead === one.instead,
    )
  )
    return fault("has it so already");
  return { next: { ...a, changes: withChanges(known, [one]) }, free: mondaysOf(start, end) };
}

function race(a: Athlete, { race: r }: Extract<ManyChange, { kind: "race" }>): Plain | { fault: string } {
  if (a.races.some((x) => x.date === r.date && x.name === r.name)) return fault("has that race already");
  const last = addDays(r.date, (r.days ?? 1) - 1);
  if (r.date < a.season.start || last > a.season.end)
    return fault(
      `the race lies outside the season, which goes from ${dayLabel(a.season.start)} to ${dayLabel(a.season.end)}`,
    );
  return { next: { ...a, races: [...a.races, { id: `race-${randomUUID().slice(0, 8)}`, ...r }] } };
}

function approach(
  a: Athlete,
  { approach: id }: Extract<ManyChange, { kind: "approach" }>,
  known: Known,
): Plain | { fault: string } {
  if (!findApproach(id, [...known.approaches, ...(a.approaches ?? [])]))
    return fault("the approach is not known any more");
  const { approachByPhase, ...rest } = a.settings ?? {};
  if ((rest.approach ?? "layered") === id && !approachByPhase) return fault("follows it already");
  return { next: { ...a, settings: { ...rest, approach: id } } };
}

function template(
  a: Athlete,
  { week, label }: Extract<ManyChange, { kind: "template" }>,
  known: Known,
): Plain | { fault: string } {
  if (!known.template) return fault("the template is not there any more");
  const monday = mondayOf(week);
  const others = (a.edits ?? []).filter((e) => e.week !== monday || e.label !== label);
  return { next: { ...a, edits: [...others, { week: monday, label, items: known.template.items }] } };
}

function usualWeek(a: Athlete, known: Known): Plain | { fault: string } {
  if (!known.usualWeeks) return fault("the athlete it is taken from has no usual week");
  if (!a.endurancePlan) return fault("has no endurance plan whose weeks it could shape");
  const sports = new Set(known.usualWeeks.flatMap((w) => w.sessions.map((s) => s.sport)));
  const own = new Set(a.endurancePlan.usualWeeks.flatMap((w) => w.sessions.map((s) => s.sport)));
  if (own.size > 0 && ![...sports].some((s) => own.has(s))) return fault("trains another sport");
  return { next: { ...a, endurancePlan: { ...a.endurancePlan, usualWeeks: [...known.usualWeeks] } } };
}

function window(a: Athlete, { window: w }: Extract<ManyChange, { kind: "window" }>): Plain | { fault: string } {
  if (!a.places.some((p) => p.id === w.place)) return fault(`has no place named ${placeName(w.place)}`);
  if (
    a.availability.some((x) => x.day === w.day && x.start === w.start && x.minutes === w.minutes && x.place === w.place)
  )
    return fault("has that free time already");
  return { next: { ...a, availability: [...a.availability, w] } };
}

function mondaysOf(start: IsoDate, end: IsoDate): IsoDate[] {
  const all: IsoDate[] = [];
  for (let monday = mondayOf(start); monday <= end; monday = addDays(monday, 7)) all.push(monday);
  return all;
}

function plain(s: Stored, change: ManyChange, known: Known): Plain | { fault: string } {
  const a = s.athlete;
  switch (change.kind) {
    case "away":
      return away(s, change);
    case "closed":
      return closed(a, change);
    case "race":
      return race(a, change);
    case "approach":
      return approach(a, change, known);
    case "template":
      return template(a, change, known);
    case "usual-week":
      return usualWeek(a, known);
    case "note": {
      const monday = mondayOf(change.week);
      if (s.notes[monday] === change.text.trim()) return fault("has that note already");
      return { next: a, note: { monday, text: change.text.trim() } };
    }
    case "window":
      return window(a, change);
  }
}

/** @param s as stored, without the sessions that the endurance plan makes */
export function madeFor(s: Stored, change: ManyChange, known: Known): Made | { fault: string } {
  const made = plain(s, change, known);
  if ("fault" in made) return made;
  const faults = crossFaults(made.next);
  if (faults[0]) return fault(`${faults[0].path}: ${faults[0].expected}`);
  const a = s.athlete;
  const next = made.next === a ? a : withPastPlanned(a, withPastKept(a, made.next, known.today), known.today);
  const free = (made.free ?? []).filter((monday) => monday >= laterOf(mondayOf(known.today), a.season.start));
  return { rows: [], note: null, ...made, next, free };
}
