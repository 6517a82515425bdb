/** What a coach may not write into an approach, with where and why (handbook 6: an impossible pair is refused). */
import { type Approach, COLUMNS, type DoseCell, type Range, STAGES } from "../athlete/approach";
import type { OneRepMaxFormula } from "../athlete/types";
import { percentFor, repsAt } from "./oneRepMax";

export interface CellFault {
  /** Such as "rows.build.cells.squat.percent". */
  path: string;
  expected: string;
}

/** Least and most of each figure [house]. */
export const LIMITS = {
  sets: [1, 10],
  reps: [1, 30],
  rir: [0, 6],
  percent: [30, 100],
  seconds: [5, 120],
  rest: [0, 600],
  perWeek: [0, 7],
} as const;

/**
 * @returns why these repetitions cannot be done at this percent, or null where they can; half a repetition is let pass, since
 * formulas differ by as much
 */
export function impossiblePair(reps: number, percent: number, formula: OneRepMaxFormula = "default"): string | null {
  const most = repsAt(percent, formula);
  if (most === null || reps <= most + 0.5) return null;
  const can = percentFor(reps, formula);
  return `${reps} reps at ${percent}% cannot be done: at ${percent}% about ${Math.floor(most + 1e-6)} ${Math.floor(most + 1e-6) === 1 ? "is" : "are"} possible, and ${reps} ask for ${can === null ? "far less" : `${Math.floor(can)}%`} or less`;
}

function rangeFault(path: string, range: Range, [least, most]: readonly [number, number]): CellFault[] {
  const [lo, hi] = range;
  if (lo < least || hi > most) return [{ path, expected: `${least} to ${most} expected` }];
  return lo > hi ? [{ path, expected: "the low end must not be above the high end" }] : [];
}

/** @param path of the cell, for the faults */
export function cellFaults(cell: DoseCell, path: string, formula?: OneRepMaxFormula): CellFault[] {
  const out = [
    ...rangeFault(`${path}.sets`, cell.sets, LIMITS.sets),
    ...rangeFault(`${path}.reps`, cell.reps, LIMITS.reps),
    ...rangeFault(`${path}.seconds`, cell.seconds, LIMITS.seconds),
    ...rangeFault(`${path}.restSeconds`, [cell.restSeconds, cell.restSeconds], LIMITS.rest),
  ];
  if ((cell.rir === null) === (cell.percent === null))
    return [...out, { path: `${path}.rir`, expected: "either a reserve or a percent expected" }];
  if (cell.rir) out.push(...rangeFault(`${path}.rir`, cell.rir, LIMITS.rir));
  if (cell.percent !== null) {
    const range = rangeFault(`${path}.percent`, [cell.percent, cell.percent], LIMITS.percent);
    const pair = range.length === 0 ? impossiblePair(cell.reps[1], cell.percent, formula) : null;
    out.push(...range, ...(pair ? [{ path: `${path}.percent`, expected: pair }] : []));
  }
  return out;
}

/** Everything that is wrong with an approach; empty where it may be saved. */
export function approachFaults(a: Approach, formula?: OneRepMaxFormula): CellFault[] {
  return STAGES.flatMap((stage) => {
    const row = a.rows[stage];
    return [
      ...rangeFault(`rows.${stage}.perWeek`, row.perWeek, LIMITS.perWeek),
      ...COLUMNS.flatMap((c) => cellFaults(row.cells[c], `rows.${stage}.cells.${c}`, formula)),
    ];
  });
}
