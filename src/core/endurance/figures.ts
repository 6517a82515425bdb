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

/** Exponentially weighted means of daily loads, lambda = 2 / (days + 1) [pub: Williams 2017]; they start at the first value. */
export function weightedMeans(daily: readonly number[], days: number): number[] {
  const lambda = 2 / (days + 1);
  let mean = daily[0] ?? 0;
  return daily.map((v, i) => {
    mean = i === 0 ? v : v * lambda + mean * (1 - lambda);
    return mean;
  });
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

export interface Background {
  /** Exponentially weighted means of daily load at the week's end, AU a day [pub: Williams 2017]. */
  shortMean: number;
  longMean: number;
  /** Longest session of the 30 days before the week, minutes; null where there was none. */
  longestBefore: number | null;
}

/** Days of the two weighted means, and of the look back for the longest session. */
export const MEANS = { short: 7, long: 28, longest: 30 };

/**
 * What lies behind each week, in one pass over the days.
 * @param weeks in order of time, Mondays a week apart
 * @returns one entry a week
 */
export function backgrounds(
  sessions: readonly EnduranceSession[],
  weeks: readonly Pick<WeekFigures, "start">[],
): Background[] {
  const first = weeks[0];
  if (!first) return [];
  const begin = dayNumber(first.start) - 2 * MEANS.long;
  const days = weeks.length * 7 + 2 * MEANS.long;
  const load = new Array<number>(days).fill(0);
  const longest = new Array<number>(days).fill(0);
  for (const s of sessions) {
    const at = dayNumber(s.date) - begin;
    if (at < 0 || at >= days) continue;
    load[at] = (load[at] ?? 0) + sessionLoad(s);
    longest[at] = Math.max(longest[at] ?? 0, s.minutes);
  }
  const [short, long] = [weightedMeans(load, MEANS.short), weightedMeans(load, MEANS.long)];
  return weeks.map((w) => {
    const monday = dayNumber(w.start) - begin;
    const top = Math.max(0, ...longest.slice(Math.max(0, monday - MEANS.longest), monday));
    return { shortMean: short[monday + 6] ?? 0, longMean: long[monday + 6] ?? 0, longestBefore: top > 0 ? top : null };
  });
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
