/** Weekly endurance figures (rules figures.monotony, figures.means, mileage.expected): totals, monotony, strain, weighted means, change, longest session. */

import type { Athlete, EnduranceSession } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf, weekday } from "../dates";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";
import { legLoad, sessionLoad } from "./load";

/** One day of a week. */
export interface DayFigures {
  /** AU. */
  load: number;
  legLoad: number;
  distanceKm: number;
}

export interface WeekFigures {
  start: IsoDate;
  /** Monday first. */
  days: readonly DayFigures[];
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
  if (sd < TOLERANCE) return null;
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
export const byWeek = onceFor(
  (sessions: readonly EnduranceSession[]): ReadonlyMap<IsoDate, readonly EnduranceSession[]> => {
    const weeks = new Map<IsoDate, EnduranceSession[]>();
    for (const s of sessions) {
      const monday = mondayOf(s.date);
      const list = weeks.get(monday);
      if (list) list.push(s);
      else weeks.set(monday, [s]);
    }
    return weeks;
  },
);

/** @returns the figures of one week from its sessions (any order) */
export function weekFigures(start: IsoDate, sessions: readonly EnduranceSession[]): WeekFigures {
  const days = Array.from({ length: 7 }, (): DayFigures => ({ load: 0, legLoad: 0, distanceKm: 0 }));
  let [minutes, ascentM, longest] = [0, 0, 0];
  for (const s of sessions) {
    const day = days[weekday(s.date) - 1];
    if (!day) continue;
    day.load += sessionLoad(s);
    day.legLoad += legLoad(s);
    day.distanceKm += s.distanceKm ?? 0;
    minutes += s.minutes;
    ascentM += s.ascentM ?? 0;
    longest = Math.max(longest, s.minutes);
  }
  const sum = (pick: (d: DayFigures) => number) => days.reduce((a, d) => a + pick(d), 0);
  const load = sum((d) => d.load);
  const m = monotony(days.map((d) => d.load));
  return {
    start,
    days,
    minutes,
    distanceKm: sum((d) => d.distanceKm),
    ascentM,
    load,
    legLoad: sum((d) => d.legLoad),
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
export const MEANS = { ...numbers("figures.means"), longest: numbers("figures.longest").days };

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

export interface MileageChange {
  /** Percent off what the last ordinary weeks led to expect; null where fewer than two of them are known. */
  distancePct: number | null;
  legLoadPct: number | null;
  /** The ordinary weeks that were compared with, in order of time. */
  against: IsoDate[];
}

/** See rule mileage.expected. */
export const EXPECT = numbers("mileage.expected");

/** The value that stands most often in a list, the first of equals; undefined in an empty one. */
export const mostFrequent = <T>(values: readonly T[]): T | undefined => {
  const count = new Map<T, number>();
  for (const v of values) count.set(v, (count.get(v) ?? 0) + 1);
  return [...count].reduce<[T, number] | undefined>((best, c) => (!best || c[1] > best[1] ? c : best), undefined)?.[0];
};

/** The middle value, or the mean of the two in the middle; 0 of none. */
export const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[mid] ?? 0) : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2;
};

/**
 * What the last ordinary weeks lead to expect: their mean, grown by their least-squares slope (held within 0 and 5% of the mean a
 * week) from their middle to the week asked about. After 100, 110, 121 it is 121.6. Two weeks give their mean.
 * @param before ordinary weeks, index and value, in order of time
 * @param index of the week asked about
 * @returns the weeks it rests on, and null where fewer than two are like their median
 */
export function expected(
  before: readonly { index: number; value: number }[],
  index: number,
): { value: number; from: number[] } | null {
  const last = before.slice(-EXPECT.median);
  const median = medianOf(last.map((w) => w.value));
  const like = last.filter((w) => Math.abs(w.value - median) <= EXPECT.off * median + TOLERANCE).slice(-EXPECT.weeks);
  if (median <= 0 || like.length < EXPECT.least) return null;
  const mean = like.reduce((a, w) => a + w.value, 0) / like.length;
  const from = like.map((w) => w.index);
  if (like.length < EXPECT.weeks) return { value: mean, from };
  const middle = from.reduce((a, i) => a + i, 0) / from.length;
  const slope =
    like.reduce((a, w) => a + (w.index - middle) * (w.value - mean), 0) /
    like.reduce((a, w) => a + (w.index - middle) ** 2, 0);
  const growth = Math.min(EXPECT.growth, Math.max(0, slope / mean));
  return { value: mean * (1 + growth) ** (index - middle), from };
}

/**
 * Change against what the last ordinary weeks lead to expect. Weeks that are not ordinary (step-back, taper, recovery, illness, travel) and
 * weeks of which nothing is known are left out; a week of which only part is planned is compared by its planned days alone.
 * @param weeks figures in order of time
 * @param index the week asked about
 * @param ordinary whether a week counts, by its index
 * @param partly only some of its days are planned
 */
export function changeAgainstOrdinary(
  weeks: readonly WeekFigures[],
  index: number,
  ordinary: (i: number) => boolean,
  partly = false,
): MileageChange {
  const week = weeks[index];
  const nothing: MileageChange = { distancePct: null, legLoadPct: null, against: [] };
  if (!week || week.sessions === 0) return nothing;
  const known: { index: number; week: WeekFigures }[] = [];
  for (let i = Math.max(0, index - EXPECT.lookBack); i < index; i++) {
    const w = weeks[i];
    if (w && w.load > 0 && ordinary(i)) known.push({ index: i, week: w });
  }
  const counts = week.days.map((d) => !partly || d.load > 0);
  const sum = (w: WeekFigures, pick: (d: DayFigures) => number) =>
    w.days.reduce((a, d, i) => a + (counts[i] ? pick(d) : 0), 0);
  const compare = (pick: (d: DayFigures) => number) => {
    const to = expected(
      known.map((k) => ({ index: k.index, value: sum(k.week, pick) })),
      index,
    );
    return to && { pct: (sum(week, pick) / to.value - 1) * 100, from: to.from };
  };
  const [distance, legs] = [compare((d) => d.distanceKm), compare((d) => d.legLoad)];
  const against = distance?.from ?? legs?.from ?? [];
  return {
    distancePct: distance?.pct ?? null,
    legLoadPct: legs?.pct ?? null,
    against: against.flatMap((i) => weeks[i]?.start ?? []),
  };
}
