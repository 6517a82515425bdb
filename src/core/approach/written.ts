/** A line as a coach writes it down: week by week, for the first block of a phase and, where they differ, for those after it. */
import { type Approach, buildsUp, type Column, type Line, type LinePoint, type Stage } from "../athlete";
import { numbers } from "../rulebook";
import { directionOf, lineThrough, writtenLine } from "./line";
import { findApproach } from "./pick";

/** Which line of a cell: that of a phase's first block, or of those after it. */
export interface LineOf {
  stage: Stage;
  column: Column;
  later: boolean;
}

/** Loading weeks a block has at most (rule block.weeks). */
export const MOST_WEEKS = numbers("block.weeks").most;

/** Whether a line can be written down: load leads the work, and its weeks are to build. */
export function isWritable(a: Approach, { stage, column }: Pick<LineOf, "stage" | "column">): boolean {
  return directionOf(a, column) === "load" && buildsUp(a.rows[stage].emphasis);
}

/** Points that are written down; null where the line follows from the ranges. */
export function writtenPoints(a: Approach, { stage, column, later }: LineOf): readonly LinePoint[] | null {
  const line = writtenLine(a, stage, column);
  return (later ? (line?.later ?? line?.points) : line?.points) ?? null;
}

/** @returns a point for each of so many loading weeks, as a trained lifter takes them */
export function pointsShown(a: Approach, of: LineOf, weeks: number): LinePoint[] {
  const written = writtenPoints(a, of);
  if (written) return Array.from({ length: weeks }, (_, i) => written[Math.min(i, written.length - 1)] as LinePoint);
  const over = { weeks, nth: 1, before: 0 };
  const { stage, column } = of;
  return lineThrough({ approach: a, stage, column, direction: directionOf(a, column), over, easier: false });
}

function withLine(a: Approach, { stage, column }: LineOf, line: Line | undefined): Approach {
  const { [column]: _, ...others } = a.lines?.[stage] ?? {};
  return { ...a, lines: { ...a.lines, [stage]: line ? { ...others, [column]: line } : others } };
}

/** The approach with so many points written down, those that are new like the last. */
export function withWeeks(a: Approach, of: LineOf, weeks: number): Approach {
  return put(a, of, pointsShown(a, of, Math.max(1, Math.min(MOST_WEEKS, weeks))));
}

/** The approach with one point changed, and the others written down as they are shown. @param nth from 0 */
export function withPoint(a: Approach, of: LineOf, weeks: number, nth: number, point: LinePoint): Approach {
  return put(
    a,
    of,
    pointsShown(a, of, weeks).map((p, i) => (i === nth ? point : p)),
  );
}

function put(a: Approach, of: LineOf, points: readonly LinePoint[]): Approach {
  const line = writtenLine(a, of.stage, of.column);
  if (!of.later) return withLine(a, of, { ...line, points });
  return withLine(a, of, { points: line?.points ?? points, later: points });
}

/** The approach whose line follows from the ranges of its cell, or from the approach it was copied from. */
export const withoutLine = (a: Approach, of: LineOf): Approach => withLine(a, of, undefined);

/** Whether the approach itself writes the line down, otherwise than the shipped one that it was copied from. */
export function isOwnLine(a: Approach, { stage, column }: Pick<LineOf, "stage" | "column">): boolean {
  const own = a.lines?.[stage]?.[column];
  const theirs = findApproach(a.basis)?.lines?.[stage]?.[column];
  return own !== undefined && JSON.stringify(own) !== JSON.stringify(theirs);
}
