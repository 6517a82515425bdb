/** Windows painted on a week grid: pure functions over the list of windows. */
import type { Window } from "../../core/athlete";
import { minutesOf, timeOf } from "../../core/dates";

/** The grid: first and last minute of the day shown, and the height of a cell in minutes. */
export const GRID = { from: 5 * 60, to: 23 * 60, step: 15 };
/** Shortest window the athlete file allows, minutes. */
const SHORTEST = 10;

interface Span {
  from: number;
  to: number;
  place: string;
}

const spansOf = (windows: readonly Window[], day: number): Span[] =>
  windows
    .filter((w) => w.day === day)
    .map((w) => ({ from: minutesOf(w.start), to: minutesOf(w.start) + w.minutes, place: w.place }));

/**
 * Lays a stretch of a day over what is there; touching stretches of one place become one window.
 * @param from minutes after midnight, inclusive
 * @param to minutes after midnight, exclusive
 * @param place null rubs out
 * @returns all windows, by day and start
 */
export function paint(
  windows: readonly Window[],
  day: number,
  from: number,
  to: number,
  place: string | null,
): Window[] {
  const rest = spansOf(windows, day).flatMap((s): Span[] => [
    ...(s.from < from ? [{ ...s, to: Math.min(s.to, from) }] : []),
    ...(s.to > to ? [{ ...s, from: Math.max(s.from, to) }] : []),
  ]);
  if (place !== null && to > from) rest.push({ from, to, place });
  rest.sort((a, b) => a.from - b.from);
  const merged: Span[] = [];
  for (const s of rest) {
    const last = merged.at(-1);
    if (last && last.place === s.place && last.to === s.from) last.to = s.to;
    else merged.push({ ...s });
  }
  const painted = merged
    .filter((s) => s.to - s.from >= SHORTEST)
    .map((s): Window => ({ day, start: timeOf(s.from), minutes: s.to - s.from, place: s.place }));
  return [...windows.filter((w) => w.day !== day), ...painted].sort(
    (a, b) => a.day - b.day || minutesOf(a.start) - minutesOf(b.start),
  );
}

/** @returns the place painted at a minute of a day, null where nothing is */
export function placeAt(windows: readonly Window[], day: number, minute: number): string | null {
  return spansOf(windows, day).find((s) => s.from <= minute && minute < s.to)?.place ?? null;
}
