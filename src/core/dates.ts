/**
 * Calendar arithmetic on ISO 8601 local dates ("2026-03-02") and times ("18:30"). No clock and no time zone: a date is a day on
 * the athlete's wall calendar. Inside loops, days are counted as integers since 1970-01-01 ("day numbers").
 */

export type IsoDate = string;
export type ClockTime = string;

/** Minutes of a day, and mean days of a month. */
export const MINUTES_A_DAY = 1440;
export const DAYS_A_MONTH = 30.44;
/** 52 weeks: the same weekday a year later. */
export const DAYS_IN_52_WEEKS = 364;
/** The year of a date, such as "2026". */
export const yearOf = (date: IsoDate): string => date.slice(0, 4);
const DAY_MS = 86_400_000;
const dayCache = new Map<string, number>();
const nameCache = new Map<number, string>();

/** @returns day number of a date (1970-01-01 is 0); NaN for a string that is not a real date */
export function dayNumber(date: IsoDate): number {
  const known = dayCache.get(date);
  if (known !== undefined) return known;
  const m = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date);
  if (!m) return Number.NaN;
  const [y, mo, d] = [Number(m[1]), Number(m[2]), Number(m[3])];
  const ms = Date.UTC(y, mo - 1, d);
  const back = new Date(ms);
  const n =
    back.getUTCFullYear() === y && back.getUTCMonth() === mo - 1 && back.getUTCDate() === d ? ms / DAY_MS : Number.NaN;
  if (dayCache.size > 20_000) dayCache.clear();
  dayCache.set(date, n);
  return n;
}

/** @returns the date of a day number */
export function dateOf(day: number): IsoDate {
  const known = nameCache.get(day);
  if (known !== undefined) return known;
  const name = new Date(day * DAY_MS).toISOString().slice(0, 10);
  if (nameCache.size > 20_000) nameCache.clear();
  nameCache.set(day, name);
  return name;
}

/** @returns whether the string is a real calendar date */
export const isDate = (s: string): boolean => !Number.isNaN(dayNumber(s));

export const addDays = (date: IsoDate, days: number): IsoDate => dateOf(dayNumber(date) + days);

/** @returns the later of two dates */
export const laterOf = (a: IsoDate, b: IsoDate): IsoDate => (a > b ? a : b);

/** @returns whole days from a to b (b - a) */
export const daysBetween = (a: IsoDate, b: IsoDate): number => dayNumber(b) - dayNumber(a);

/** @returns whole weeks of a span with both its days, at least one */
export const weeksIn = (from: IsoDate, to: IsoDate): number => Math.max(1, Math.round((daysBetween(from, to) + 1) / 7));

/** @returns ISO weekday of a day number, 1 = Monday to 7 = Sunday */
export const weekdayOfDay = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;

/** @returns ISO weekday, 1 = Monday to 7 = Sunday */
export const weekday = (date: IsoDate): number => weekdayOfDay(dayNumber(date));

/** @returns the Monday of the date's ISO week */
export const mondayOf = (date: IsoDate): IsoDate => addDays(date, 1 - weekday(date));

/** @returns ISO 8601 week-numbering year and week; 2027-01-03 is { year: 2026, week: 53 } */
export function isoWeek(date: IsoDate): { year: number; week: number } {
  const thursday = dayNumber(mondayOf(date)) + 3;
  const year = Number(dateOf(thursday).slice(0, 4));
  return { year, week: Math.floor((thursday - dayNumber(`${year}-01-01`)) / 7) + 1 };
}

/** @returns minutes after midnight of "HH:MM" */
export function minutesOf(time: ClockTime): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

/** @returns "HH:MM" of minutes after midnight */
export function timeOf(minutes: number): ClockTime {
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}

/** @returns "3:00" of seconds */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Names of the days from Monday on, short and whole. */
export const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
export const WEEKDAY_NAMES = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** @param n Monday 1 @returns "Mon" */
export const weekdayName = (n: number): string => WEEKDAYS[n - 1] ?? "";
/** @returns "Tue" */
export const dayName = (date: IsoDate): string => WEEKDAYS[weekday(date) - 1] ?? "";
/** @returns "Mar" */
export const monthName = (date: IsoDate): string => MONTHS[Number(date.slice(5, 7)) - 1] ?? "";
/** @returns "Tue 19 May" */
export const dayLabel = (date: IsoDate): string => `${dayName(date)} ${Number(date.slice(8, 10))} ${monthName(date)}`;
/** "Mon 2 Mar", "Mon 2 Mar to Sun 8 Mar". */
export const spanLabel = (start: IsoDate, end: IsoDate): string =>
  start === end ? dayLabel(start) : `${dayLabel(start)} to ${dayLabel(end)}`;

/** @returns the earlier of two dates */
export const earlierOf = (a: IsoDate, b: IsoDate): IsoDate => (a <= b ? a : b);
