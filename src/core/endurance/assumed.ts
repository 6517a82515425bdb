/** What stands in where no endurance is planned: the last ordinary pattern, so that strength is not placed as if those days were free. */
import { type Athlete, type EnduranceSession, hasAbsence, type Phase } from "../athlete";
import { addDays, daysBetween, type IsoDate, weekday } from "../dates";
import { numbers } from "../rulebook";
import { byWeek, EXPECT, medianOf } from "./figures";
import { sessionLoad } from "./load";

/** How much of a week is known: planned or recorded as a whole, in part, or not at all. */
export type Known = "all" | "part" | "none";

const daysOf = (sessions: readonly EnduranceSession[]): Set<number> => new Set(sessions.map((s) => weekday(s.date)));

/**
 * @param sessions of the week
 * @param usual weekdays of the last ordinary week, Monday 1; empty where there is none
 * @param asOf first day that is still to come; without it the whole week is
 */
export function knownOf(
  start: IsoDate,
  sessions: readonly EnduranceSession[],
  usual: ReadonlySet<number>,
  asOf: IsoDate | undefined,
): Known {
  if (sessions.length === 0) return "none";
  const { part, openDays } = numbers("mileage.assumed");
  if (asOf !== undefined && addDays(start, 6) < asOf) return "all";
  if (daysOf(sessions).size < part * usual.size) return "part";
  if (asOf === undefined || asOf <= start || sessions.some((s) => s.date >= asOf)) return "all";
  const today = daysBetween(start, asOf) + 1;
  return [...usual].filter((d) => d >= today).length >= openDays ? "part" : "all";
}

/** The last week of a list that is like its neighbours: no absence, no race, a load within a quarter of the median of the last six. */
export class UsualWeek {
  private last: { load: number; sessions: readonly EnduranceSession[] }[] = [];

  constructor(private readonly athlete: Pick<Athlete, "away">) {}

  /** @param sessions of the week of `start`; weeks are told in order of time */
  tell(start: IsoDate, sessions: readonly EnduranceSession[]): void {
    if (sessions.length === 0 || sessions.some((s) => s.kind === "race") || hasAbsence(this.athlete, start)) return;
    const load = sessions.reduce((a, s) => a + sessionLoad(s), 0);
    this.last = [...this.last, { load, sessions }].slice(-EXPECT.median);
  }

  /** @returns its sessions; none where fewer than two weeks are known */
  sessions(): readonly EnduranceSession[] {
    if (this.last.length < EXPECT.least) return [];
    const median = medianOf(this.last.map((w) => w.load));
    return this.last.findLast((w) => Math.abs(w.load - median) <= EXPECT.off * median)?.sessions ?? [];
  }

  days(): ReadonlySet<number> {
    return daysOf(this.sessions());
  }
}

/** Strength is placed beside the usual week in these phases; around races nothing usual can be assumed. */
const USUAL_PHASES: readonly Phase[] = ["base", "build"];

/**
 * Sessions that stand in for what is not planned: on the days of an unknown or partly planned week, from `from` on, that have none.
 * @param weeks of the season in order of time, with what is known of each
 * @returns copies of the last ordinary week's sessions, marked as assumed, with nothing that was recorded of them
 */
export function assumedEndurance(
  athlete: Pick<Athlete, "endurance" | "away">,
  weeks: readonly { start: IsoDate; phase: Phase; known: Known }[],
  from: IsoDate,
): EnduranceSession[] {
  const first = weeks[0];
  if (!first) return [];
  const sessions = byWeek(athlete.endurance);
  const usual = new UsualWeek(athlete);
  for (const start of [...sessions.keys()].filter((m) => m < first.start).sort())
    usual.tell(start, sessions.get(start) ?? []);
  return weeks.flatMap(({ start, phase, known }) => {
    const own = sessions.get(start) ?? [];
    if (known === "all") {
      if (USUAL_PHASES.includes(phase)) usual.tell(start, own);
      return [];
    }
    if (!USUAL_PHASES.includes(phase) || hasAbsence(athlete, start)) return [];
    const taken = daysOf(own);
    return usual.sessions().flatMap((s): EnduranceSession[] => {
      const date = addDays(start, weekday(s.date) - 1);
      return date < from || taken.has(weekday(s.date)) ? [] : [standIn(s, date)];
    });
  });
}

function standIn(s: EnduranceSession, date: IsoDate): EnduranceSession {
  const { done: _, planned: __, source: ___, averageHeartRate: ____, ...rest } = s;
  return { ...rest, date, standsIn: true };
}
