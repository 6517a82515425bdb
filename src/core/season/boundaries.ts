/** Moving the boundary between two phases by hand: it stays where it is put, and the rest gives way. */
import type { Phase, PhaseSpan, Race } from "../athlete";
import { addDays, dateOf, dayNumber, daysBetween, type IsoDate, laterOf } from "../dates";
import { lastRaceDay, raceDay } from "./races";

export interface BoundaryRange {
  /** First and last date that may become the first day of the later phase. */
  first: IsoDate;
  last: IsoDate;
}

/**
 * Where a boundary may go: each of its two phases keeps a day at least, and an A race stays in its race phase.
 * @param index of the phase before the boundary
 * @returns null where there is no such boundary, or no room to move it
 */
export function boundaryRange(
  phases: readonly PhaseSpan[],
  races: readonly Race[],
  index: number,
): BoundaryRange | null {
  const [before, after] = [phases[index], phases[index + 1]];
  if (!before || !after) return null;
  let first = dayNumber(before.start) + 1;
  let last = dayNumber(after.end);
  for (const r of races) {
    if (r.priority !== "A") continue;
    const inside = (p: PhaseSpan) => r.date >= p.start && r.date <= p.end;
    if (before.phase === "race" && inside(before)) first = Math.max(first, lastRaceDay(r) + 1);
    if (after.phase === "race" && inside(after)) last = Math.min(last, raceDay(r));
  }
  return first > last ? null : { first: dateOf(first), last: dateOf(last) };
}

/** A boundary as it was shown, known by what meets there: a season planned anew counts its phases anew. */
export interface Boundary {
  before: Phase;
  after: Phase;
  /** First day of the phase after it. */
  start: IsoDate;
}

/** @returns index of the phase before this boundary: of those where the same two phases meet, the one nearest in time; null where they meet nowhere */
export function boundaryIn(phases: readonly PhaseSpan[], shown: Boundary): number | null {
  let nearest: number | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const [i, after] of phases.entries()) {
    if (after.phase !== shown.after || phases[i - 1]?.phase !== shown.before) continue;
    const off = Math.abs(daysBetween(shown.start, after.start));
    if (off >= least) continue;
    least = off;
    nearest = i - 1;
  }
  return nearest;
}

/**
 * @param index of the phase before the boundary
 * @param start the new first day of the phase after it; taken to the nearest allowed day
 * @param own the coach's spans so far
 * @returns the coach's spans with the boundary moved: the phase that grew becomes the coach's own, the other one is trimmed
 */
export function moveBoundary(
  phases: readonly PhaseSpan[],
  races: readonly Race[],
  own: readonly PhaseSpan[],
  index: number,
  start: IsoDate,
): PhaseSpan[] {
  const range = boundaryRange(phases, races, index);
  const [before, after] = [phases[index], phases[index + 1]];
  if (!range || !before || !after) return [...own];
  const at = start < range.first ? range.first : start > range.last ? range.last : start;
  if (at === after.start) return [...own];
  const grown: PhaseSpan =
    at > after.start
      ? { phase: before.phase, start: before.start, end: addDays(at, -1) }
      : { phase: after.phase, start: at, end: after.end };
  return sorted([...own.flatMap((s) => cut(s, grown)), grown]);
}

/** A phase back to computed: the coach's spans less what lies in it. */
export const backToComputed = (own: readonly PhaseSpan[], phase: Pick<PhaseSpan, "start" | "end">): PhaseSpan[] =>
  sorted(own.flatMap((s) => cut(s, phase)));

/** The coach's spans with one more; whatever lay under it gives way. */
export const withSpan = (own: readonly PhaseSpan[], span: PhaseSpan): PhaseSpan[] =>
  sorted([...own.flatMap((s) => cut(s, span)), span]);

/** What is left of a span outside another one. */
function cut(s: PhaseSpan, out: { start: IsoDate; end: IsoDate }): PhaseSpan[] {
  if (s.end < out.start || s.start > out.end) return [s];
  const left = { ...s, end: addDays(out.start, -1) };
  const right = { ...s, start: laterOf(s.start, addDays(out.end, 1)) };
  return [left, right].filter((p) => p.start <= p.end);
}

const sorted = (spans: readonly PhaseSpan[]): PhaseSpan[] =>
  [...spans].sort((a, b) => (a.start < b.start ? -1 : a.start > b.start ? 1 : 0));
