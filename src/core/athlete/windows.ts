/** Free windows of a week: the weekly pattern, less the days away. */

import { addDays, type IsoDate, minutesOf } from "../dates";
import { flatMap } from "../lists";
import type { Athlete, Away, Place, Window } from "./types";

export interface DatedWindow {
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  minutes: number;
  place: string;
}

/** A place's id without its hyphens, for a sentence. */
export const placeName = (id: string): string => id.replaceAll("-", " ");

/** @returns the absence that covers a date, if any */
export function awayOn(athlete: Pick<Athlete, "away">, date: IsoDate): Away | undefined {
  return athlete.away.find((a) => a.start <= date && date <= a.end);
}

/** @returns pairs of windows (indices) that overlap on the same day */
export function overlappingWindows(windows: readonly Window[]): [number, number][] {
  const found: [number, number][] = [];
  windows.forEach((a, i) => {
    windows.slice(i + 1).forEach((b, k) => {
      const [sa, sb] = [minutesOf(a.start), minutesOf(b.start)];
      if (a.day === b.day && sa < sb + b.minutes && sb < sa + a.minutes) found.push([i, i + 1 + k]);
    });
  });
  return found;
}

/**
 * The windows of one week in order of time. Illness closes a day; another absence closes it unless it names a place, whose
 * equipment then counts. A closed place is left out or replaced. Windows of one date alone take the place of those of the weekly pattern they overlap.
 * @param monday the week's Monday
 */
export function windowsOfWeek(athlete: Athlete, monday: IsoDate): DatedWindow[] {
  const known = new Set(athlete.places.map((p) => p.id));
  const sunday = addDays(monday, 6);
  const single = (athlete.changes ?? []).flatMap((c): DatedWindow[] =>
    c.kind === "window" && c.date >= monday && c.date <= sunday && known.has(c.place)
      ? [{ date: c.date, start: minutesOf(c.start), minutes: c.minutes, place: c.place }]
      : [],
  );
  const own = single.filter((w, i) => !single.slice(i + 1).some((later) => overlap(w, later)));
  const usual = flatMap(athlete.availability, (w): DatedWindow[] => {
    const date = addDays(monday, w.day - 1);
    const away = awayOn(athlete, date);
    const shuts = away && (away.kind === "illness" || (!away.place && away.kind !== "heat" && away.kind !== "height"));
    if (shuts) return [];
    const closed = (athlete.changes ?? []).find(
      (c) => c.kind === "closed" && c.place === w.place && c.start <= date && date <= c.end,
    );
    const place = away?.place ?? (closed?.kind === "closed" ? closed.instead : w.place);
    if (place === undefined) return [];
    return known.has(place) ? [{ date, start: minutesOf(w.start), minutes: w.minutes, place }] : [];
  });
  return [...usual.filter((w) => !own.some((o) => overlap(w, o))), ...own].sort((a, b) =>
    a.date < b.date ? -1 : a.date > b.date ? 1 : a.start - b.start,
  );
}

const overlap = (a: DatedWindow, b: DatedWindow): boolean =>
  a.date === b.date && a.start < b.start + b.minutes && b.start < a.start + a.minutes;

export function placeById(athlete: Athlete, id: string): Place | undefined {
  return athlete.places.find((p) => p.id === id);
}

/** Whether the absence of any day makes the week unlike others. */
export function hasAbsence(athlete: Pick<Athlete, "away">, monday: IsoDate): boolean {
  for (let i = 0; i < 7; i++) {
    const away = awayOn(athlete, addDays(monday, i));
    if (away && (away.kind === "illness" || away.kind === "travel" || away.kind === "holiday")) return true;
  }
  return false;
}
