/** What a coach may not write into an approach, with where and why: an impossible pair is refused. */
import { MOST_WEEKS } from "../approach";
import {
  type Approach,
  COLUMNS,
  type DoseCell,
  type Line,
  type LinePoint,
  type OneRepMaxFormula,
  type Range,
  STAGES,
} from "../athlete";
import { numbers } from "../rulebook";
import { percentFor, repsAt } from "./oneRepMax";

export interface CellFault {
  /** Such as "rows.build.cells.squat.percent". */
  path: string;
  expected: string;
}

const { least, most, letPass } = numbers("approach.limits");
const limit = (what: keyof typeof least): readonly [number, number] => [least[what], most[what]];
/** Least and most of each figure (rule approach.limits). */
export const LIMITS = {
  sets: limit("sets"),
  reps: limit("reps"),
  rir: limit("rir"),
  percent: limit("percent"),
  seconds: limit("seconds"),
  rest: limit("rest"),
  perWeek: limit("perWeek"),
};

/**
 * @returns why these repetitions cannot be done at this percent, or null where they can; half a repetition is let pass, since
 * formulas differ by as much
 */
export function impossiblePair(reps: number, percent: number, formula: OneRepMaxFormula = "default"): string | null {
  const can = repsAt(percent, formula);
  if (can === null || reps <= can + letPass) return null;
  const [whole, asks] = [Math.floor(can + 1e-6), percentFor(reps, formula)];
  return `${reps} reps at ${percent}% cannot be done: at ${percent}% about ${whole} ${whole === 1 ? "is" : "are"} possible, and ${reps} ask for ${asks === null ? "far less" : `${Math.floor(asks)}%`} or less`;
}

function rangeFault(path: string, range: Range, [from, to]: readonly [number, number]): CellFault[] {
  const [lo, hi] = range;
  if (lo < from || hi > to) return [{ path, expected: `${from} to ${to} expected` }];
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

/** A line stays inside the ranges of its cell, week by week, and is no longer than a block can be. */
function lineFaults(line: Line, cell: DoseCell, path: string, formula?: OneRepMaxFormula): CellFault[] {
  return (["points", "later"] as const).flatMap((kind) => {
    const points = line[kind] ?? [];
    const long =
      points.length > MOST_WEEKS
        ? [
            {
              path: `${path}.${kind}`,
              expected: `1 to ${MOST_WEEKS} weeks expected: a block has no more loading weeks`,
            },
          ]
        : [];
    return [...long, ...points.flatMap((p, i) => pointFaults(p, cell, `${path}.${kind}.${i}`, formula))];
  });
}

function pointFaults(p: LinePoint, cell: DoseCell, path: string, formula?: OneRepMaxFormula): CellFault[] {
  const one = (name: "sets" | "reps" | "rir", [low, high]: Range): CellFault[] =>
    p[name] < low || p[name] > high
      ? [
          {
            path: `${path}.${name}`,
            expected: `${low === high ? low : `${low} to ${high}`} expected, the range of its row`,
          },
        ]
      : [];
  const pair = cell.percent === null ? null : impossiblePair(p.reps, cell.percent, formula);
  return [
    ...one("sets", cell.sets),
    ...one("reps", cell.reps),
    ...(cell.rir ? one("rir", cell.rir) : []),
    ...(pair ? [{ path: `${path}.reps`, expected: pair }] : []),
  ];
}

/** Everything that is wrong with an approach; empty where it may be saved. */
export function approachFaults(a: Approach, formula?: OneRepMaxFormula): CellFault[] {
  return STAGES.flatMap((stage) => {
    const row = a.rows[stage];
    return [
      ...rangeFault(`rows.${stage}.perWeek`, row.perWeek, LIMITS.perWeek),
      ...COLUMNS.flatMap((c) => cellFaults(row.cells[c], `rows.${stage}.cells.${c}`, formula)),
      ...COLUMNS.flatMap((c) => {
        const line = a.lines?.[stage]?.[c];
        return line ? lineFaults(line, row.cells[c], `lines.${stage}.${c}`, formula) : [];
      }),
    ];
  });
}
