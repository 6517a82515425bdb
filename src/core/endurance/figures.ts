/** Weekly endurance figures (handbook 10): totals, monotony, strain, weighted means, change, longest session. */
import type { Athlete, EnduranceSession } from "../athlete/types";
import { addDays, dayNumber, type IsoDate, mondayOf, weekday } from "../dates";
import { legLoad, sessionLoad } from "./load";

export interface WeekFigures {
  start: IsoDate;
  minutes: number;
  distanceKm: number;
  ascentM: number;
  /** AU */
  load: number;
  /** AU on the legs */
  legLoad: number;
  /** Mean daily load / sample standard deviation; null where the days are even or there is no load. */
  monotony: number | null;
  /** Load x monotony, AU; null with monotony. */
  strain: number | null;
  longestMinutes: number;
  sessions: number;
  /** Whether every session of the week is done. */
  done: boolean;
}

/** Sample standard deviation (n - 1) of at least two values. */
export function sampleDeviation(values: readonly number[]): number {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(values.reduce((a, v) => a + (v - mean) ** 2, 0) / (values.length - 1));
}

/** Monotony of seven daily loads [pub: Foster 1998]; null where all days are even. */
export function monotony(days: readonly number[]): number | null {
  const sd = sampleDeviation(days);
  if (sd < 1e-9) return null;
  return days.reduce((a, b) => a + b, 0) / days.length / sd;
}

/** Exponentially weighted mean of daily loads, lambda = 2 / (days + 1) [pub: Williams 2017]; starts at the first value. */
export function weightedMean(daily: readonly number[], days: number): number {
  const lambda = 2 / (days + 1);
  return daily.reduce((mean, v, i) => (i === 0 ? v : v * lambda + mean * (1 - lambda)), 0);
}

/** Endurance sessions grouped by their Monday, for one pass over a long history. */
export function byWeek(sessions: readonly EnduranceSession[]): Map<IsoDate, EnduranceSession[]> {
  const weeks = new Map<IsoDate, EnduranceSession[]>();
  for (const s of sessions) {
    const monday = mondayOf(s.date);
    const list = weeks.get(monday);
    if (list) list.push(s);
    else weeks.set(monday, [s]);
  }
  return weeks;
}

/** @returns the figures of one week from its sessions (any order) */
export function weekFigures(start: IsoDate, sessions: readonly EnduranceSession[]): WeekFigures {
  const days = [0, 0, 0, 0, 0, 0, 0];
  let [minutes, distanceKm, ascentM, legs, longest] = [0, 0, 0, 0, 0];
  for (const s of sessions) {
    const day = weekday(s.date) - 1;
    days[day] = (days[day] ?? 0) + sessionLoad(s);
    minutes += s.minutes;
    distanceKm += s.distanceKm ?? 0;
    ascentM += s.ascentM ?? 0;
    legs += legLoad(s);
    longest = Math.max(longest, s.minutes);
  }
  const load = days.reduce((a, b) => a + b, 0);
  const m = monotony(days);
  return {
    start,
    minutes,
    distanceKm,
    ascentM,
    load,
    legLoad: legs,
    monotony: m,
    strain: m === null ? null : load * m,
    longestMinutes: longest,
    sessions: sessions.length,
    done: sessions.length > 0 && sessions.every((s) => s.done === true),
  };
}

/**
 * Figures of every week from `from` to `to`, both Mondays.
 * @returns in order of time, empty weeks included
 */
export function weeklyFigures(athlete: Pick<Athlete, "endurance">, from: IsoDate, to: IsoDate): WeekFigures[] {
  const weeks = byWeek(athlete.endurance);
  const out: WeekFigures[] = [];
  for (let m = from; dayNumber(m) <= dayNumber(to); m = addDays(m, 7)) out.push(weekFigures(m, weeks.get(m) ?? []));
  return out;
}

export interface Change {
  /** Percent of the mean of the last three ordinary weeks; null with no ordinary week before. */
  distancePct: number | null;
  legLoadPct: number | null;
  /** The ordinary weeks that were compared with. */
  against: IsoDate[];
}

/**
 * Change against the mean of the last three ordinary weeks (step-back, taper, recovery, illness and travel weeks left out,
 * and weeks with nothing in them).
 * @param weeks figures in order of time
 * @param index the week asked about
 * @param ordinary whether a week counts, by its index
 */
export function changeAgainstOrdinary(
  weeks: readonly WeekFigures[],
  index: number,
  ordinary: (i: number) => boolean,
): Change {
  const week = weeks[index];
  const before: WeekFigures[] = [];
  for (let i = index - 1; i >= 0 && before.length < 3 && index - i <= 10; i--) {
    const w = weeks[i];
    if (w && w.load > 0 && ordinary(i)) before.push(w);
  }
  if (!week || before.length === 0) return { distancePct: null, legLoadPct: null, against: [] };
  const pct = (now: number, pick: (w: WeekFigures) => number): number | null => {
    const mean = before.reduce((a, w) => a + pick(w), 0) / before.length;
    return mean > 0 ? (now / mean - 1) * 100 : null;
  };
  return {
    distancePct: pct(week.distanceKm, (w) => w.distanceKm),
    legLoadPct: pct(week.legLoad, (w) => w.legLoad),
    against: before.map((w) => w.start).reverse(),
  };
}
