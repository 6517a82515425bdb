/**
 * The nearest change that makes room for a session that found none: each kind of change is tried from the smallest up,
 * by planning the week with it, until one places the session without costing another its place.
 */
import type { Athlete, DatedWindow, EnduranceSession, Label, WeekChange } from "../athlete";
import { LABEL_WORDS } from "../athlete";
import {
  addDays,
  type ClockTime,
  dayLabel,
  daysBetween,
  type IsoDate,
  MINUTES_A_DAY,
  minutesOf,
  timeOf,
} from "../dates";
import { isLegHeavy, startOf } from "../endurance";
import { numbers } from "../rulebook";
import type { Placed } from "../week";
import { planWeek } from "./planWeek";
import { type WeekInput, WeekProblem } from "./weekProblem";

/** How the change is made. */
export type Fix =
  | { kind: "change"; change: WeekChange }
  | { kind: "endurance"; session: EnduranceSession; date: IsoDate; start: ClockTime };

export interface NearestChange {
  text: string;
  /** How far it is from what is, minutes [house]. */
  size: number;
  fix: Fix;
  /** Where the session then stands, and what the week then costs. */
  placed: Placed;
  cost: number;
}

/** How changes are tried, from the smallest up (rule nearest.change). */
const TRY = numbers("nearest.change");
const AWAKE = { from: TRY.from, to: TRY.to };
const { longest: LONGEST, step: STEP, anotherDay: ANOTHER_DAY } = TRY;
const SLOTS = Object.values(TRY.slots);
const SHORTER = Object.values(TRY.shorter);
const LATER_HOURS = Object.values(TRY.hours);
const LATER_DAYS = Object.values(TRY.days);

interface Candidate {
  size: number;
  text: string;
  fix: Fix;
}

/**
 * @param input the week as it is
 * @param label the session that found no place
 * @returns the nearest of each kind that makes room, nearest first; none where no single change does
 */
export function nearestChanges(input: WeekInput, label: Label): NearestChange[] {
  const before = planWeek(input);
  if (before.sessions.some((s) => s.label === label)) return [];
  const stood = before.sessions.map((s) => s.label);
  const kinds = [longerWindows, otherDays, shorterSessions, movedEndurance];
  return kinds
    .flatMap((kind) => {
      for (const c of kind(input, label)) {
        const after = planWeek({ ...input, athlete: withFix(input.athlete, c.fix) });
        const there = after.sessions.find((s) => s.label === label);
        if (there && stood.every((l) => after.sessions.some((s) => s.label === l)))
          return [
            {
              ...c,
              placed: { label, date: there.date, start: there.start, place: there.place },
              cost: after.fit.cost,
            },
          ];
      }
      return [];
    })
    .sort((a, b) => a.size - b.size);
}

/** The athlete with a change made. */
export function withFix(athlete: Athlete, fix: Fix): Athlete {
  if (fix.kind === "change") return { ...athlete, changes: [...(athlete.changes ?? []), fix.change] };
  const { session, date, start } = fix;
  return { ...athlete, endurance: athlete.endurance.map((e) => (e === session ? { ...e, date, start } : e)) };
}

const bySize = (list: Candidate[]): Candidate[] => list.sort((a, b) => a.size - b.size);
const windowFix = (w: DatedWindow): Fix => ({
  kind: "change",
  change: { kind: "window", date: w.date, start: timeOf(w.start), minutes: w.minutes, place: w.place },
});
const hoursOf = (w: DatedWindow): string => `${timeOf(w.start)} to ${timeOf(w.start + w.minutes)}`;

function longerWindows(input: WeekInput): Candidate[] {
  const { windows } = new WeekProblem(input);
  const out: Candidate[] = [];
  for (const w of windows)
    for (let more = STEP; more <= LONGEST; more += STEP) {
      const tries = [
        { ...w, minutes: w.minutes + more },
        { ...w, start: w.start - more, minutes: w.minutes + more },
      ];
      for (const t of tries) {
        if (t.start < AWAKE.from || t.start + t.minutes > AWAKE.to) continue;
        out.push({
          size: more,
          text: `Make the free time slot on ${dayLabel(w.date)} ${more} min longer: ${hoursOf(t)}.`,
          fix: windowFix(t),
        });
      }
    }
  return bySize(out);
}

function otherDays(input: WeekInput): Candidate[] {
  const { athlete, week } = input;
  const { windows } = new WeekProblem(input);
  const taken = new Set(windows.map((w) => w.date));
  const known = [...windows, ...athlete.availability.map((w) => ({ ...w, start: minutesOf(w.start) }))];
  const shapes = new Map(known.map((w) => [`${w.start}/${w.place}`, w]));
  const out: Candidate[] = [];
  for (let d = 0; d < 7; d++) {
    const date = addDays(week.start, d);
    if (date < input.from || taken.has(date)) continue;
    for (const s of shapes.values())
      for (const minutes of SLOTS) {
        const w = { date, start: s.start, minutes, place: s.place };
        if (w.start + w.minutes > AWAKE.to) continue;
        out.push({
          size: ANOTHER_DAY + minutes,
          text: `Add a free time slot on ${dayLabel(date)}, ${hoursOf(w)}, at ${w.place}.`,
          fix: windowFix(w),
        });
      }
  }
  return bySize(out);
}

function shorterSessions(input: WeekInput, label: Label): Candidate[] {
  const { standable } = new WeekProblem(input);
  const longest = Math.max(0, ...standable.map((w) => w.minutes));
  return SHORTER.filter((m) => m < longest).map((minutes) => ({
    size: longest - minutes,
    text: `Shorten ${LABEL_WORDS[label]} to ${minutes} min.`,
    fix: { kind: "change", change: { kind: "shorten", week: input.week.start, label, minutes } },
  }));
}

function movedEndurance(input: WeekInput): Candidate[] {
  const { athlete, week } = input;
  const end = addDays(week.start, 6);
  const open = athlete.endurance.filter(
    (e) =>
      e.date >= input.from && e.date >= week.start && e.date <= end && e.done !== true && !e.standsIn && isLegHeavy(e),
  );
  const out: Candidate[] = [];
  for (const session of open) {
    const what = `${session.kind === "long" ? `long ${session.sport}` : session.kind} of ${dayLabel(session.date)}`;
    for (const h of LATER_HOURS) {
      const at = startOf(session) + h * 60;
      if (at < AWAKE.from || at + session.minutes > AWAKE.to) continue;
      out.push({
        size: Math.abs(h) * 60 + (h < 0 ? STEP : 0),
        text: `Move the ${what} to ${timeOf(at)}, ${Math.abs(h)} h ${h > 0 ? "later" : "earlier"}.`,
        fix: { kind: "endurance", session, date: session.date, start: timeOf(at) },
      });
    }
    for (const d of LATER_DAYS) {
      const date = addDays(session.date, d);
      if (date < week.start || date > end || date < input.from) continue;
      out.push({
        size: Math.abs(daysBetween(session.date, date)) * MINUTES_A_DAY,
        text: `Move the ${what} to ${dayLabel(date)}.`,
        fix: { kind: "endurance", session, date, start: timeOf(startOf(session)) },
      });
    }
  }
  return bySize(out);
}
