/** The doses of a column over the loading weeks of a block, for one athlete (rules block.line, line.limits). */
import { type Direction, type LineOver, lineThrough } from "../approach";
import type { Approach, Column, Gate, LinePoint, OneRepMaxFormula, Stage } from "../athlete";
import { numbers, type RuleValues } from "../rulebook";
import { percentFor, repsAt } from "./oneRepMax";

/** Whose line it is. */
export interface LineFor {
  gate: Pick<Gate, "minRir" | "training" | "minor" | "easier" | "moderate">;
  formula?: OneRepMaxFormula;
  own?: RuleValues | undefined;
}

/** What a session's item takes of a point. */
export type Effort = Pick<LinePoint, "reps" | "rir">;

/** @returns the same repetitions with as much in reserve as keeps the load at or under a percent of 1RM */
function underPercent({ reps, rir }: Effort, most: number, formula: OneRepMaxFormula | undefined): Effort {
  let left = rir;
  while ((percentFor(reps + left, formula) ?? 0) > most) left++;
  return { reps, rir: left };
}

/** What age and clearance leave of a point (rule line.limits). */
export function limited(point: Effort, { gate, formula, own }: LineFor): Effort {
  const limits = numbers("line.limits", own);
  let { reps, rir } = point;
  rir = Math.max(rir, gate.minRir);
  if (gate.minor)
    ({ reps, rir } = underPercent({ reps: Math.max(reps, limits.minorReps), rir }, limits.minorPercent, formula));
  return gate.moderate ? underPercent({ reps, rir }, limits.moderatePercent, formula) : { reps, rir };
}

/** Loaded single-leg work goes by repetitions and reserve alone, and never to few of either. */
export function onOneLeg<T extends Effort>(point: T): T {
  const { singleLegReps, singleLegReserve } = numbers("line.limits");
  return point.reps >= singleLegReps && point.rir >= singleLegReserve
    ? point
    : { ...point, reps: Math.max(point.reps, singleLegReps), rir: Math.max(point.rir, singleLegReserve) };
}

/** A lift that is led by load is lifted with more in reserve by who takes less. */
function forWho(point: LinePoint, direction: Direction, f: LineFor): LinePoint {
  const more = f.gate.easier && direction === "load" ? numbers("block.line").easier : 0;
  const { reps, rir } = limited({ reps: point.reps, rir: point.rir + more }, f);
  return { sets: point.sets, reps, rir };
}

/** @returns one point a loading week, for one athlete */
export const lineFor = (
  {
    approach,
    stage,
    column,
    direction,
    over,
  }: { approach: Approach; stage: Stage; column: Column; direction: Direction; over: LineOver },
  f: LineFor,
): LinePoint[] =>
  lineThrough({ approach, stage, column, direction, over, easier: f.gate.easier }).map((p) => forWho(p, direction, f));

/** Whole repetitions to failure at a percent of 1RM (rule load.triple). */
export function wholeReps(percent: number, formula: OneRepMaxFormula = "default"): number {
  const by = whole.get(formula) ?? new Map<number, number>();
  whole.set(formula, by);
  const known = by.get(percent) ?? Math.floor((repsAt(percent, formula) ?? 0) + numbers("load.triple").slack);
  by.set(percent, known);
  return known;
}
/** Answers by formula and percent: plans ask for them to a tenth, a thousand at most. */
const whole = new Map<OneRepMaxFormula, Map<number, number>>();

/** What a hold keeps: the build's last percent, at most so much, and repetitions that leave enough in reserve (rule hold.line). */
export function holdAt(build: number, mostReps: number, f: LineFor): Effort & { percent: number } {
  const hold = numbers("hold.line", f.own);
  const percent = Math.min(build, hold.percent);
  const least = Math.max(f.gate.minRir, f.gate.easier || f.gate.minor ? hold.easier : hold.reserve);
  const can = wholeReps(percent, f.formula);
  const reps = Math.max(1, Math.min(mostReps, can - least));
  const kept = limited({ reps, rir: Math.max(least, can - reps) }, f);
  const asks = percentFor(kept.reps + kept.rir, f.formula) ?? percent;
  return { ...kept, percent: Math.min(percent, kept.reps + kept.rir > can ? asks : percent) };
}

/** A step-back: the repetitions of the block's last loading week at the load of its first (rule stepback.line). */
export function steppedBack(first: LinePoint, last: LinePoint): LinePoint {
  const can = first.reps + first.rir;
  const reps = Math.min(last.reps, can - 1);
  return { sets: last.sets, reps, rir: can - reps };
}
