/** The line of a cell: its points as they are written down, or the way through its ranges (rule block.line). */
import type { Approach, Column, DoseCell, Line, LinePoint, Range, Stage } from "../athlete";
import { numbers } from "../rulebook";
import { findApproach } from "./pick";

/** Which way a line goes: with load from many repetitions to few; without it from few to many; assistance low, high, low. */
export type Direction = "load" | "control" | "assist";

/** Columns whose work goes low, high, low through a block, loaded or not. */
const ASSISTANCE: readonly Column[] = ["assist", "calf", "trunk", "upper"];

/** Which way loaded work of a column goes. */
export const directionOf = ({ build }: Pick<Approach, "build">, column: Column): Direction =>
  ASSISTANCE.includes(column) ? "assist" : build === "ladders" ? "control" : "load";

/** Where a block stands in its phase. */
export interface LineOver {
  /** Loading weeks. */
  weeks: number;
  /** Which block of its phase it is, from 1. */
  nth: number;
  /** Loading weeks of the phase's blocks before it. */
  before: number;
}

const { goesOn: SHORT, manySets: LONG, oneStep: ONE_STEP } = numbers("block.line");

/**
 * The line that is written down for a cell: the approach's own, else that of the shipped approach it was copied from, for as long as the
 * cell is as it was there.
 */
export function writtenLine(a: Approach, stage: Stage, column: Column): Line | null {
  const own = a.lines?.[stage]?.[column];
  if (own) return own;
  const basis = a.id === a.basis ? null : findApproach(a.basis);
  const theirs = basis?.lines?.[stage]?.[column];
  const same = JSON.stringify(a.rows[stage].cells[column]) === JSON.stringify(basis?.rows[stage].cells[column]);
  return theirs && same ? theirs : null;
}

/** @param easier the last point is left out */
function pointsOf(line: Line, { weeks, nth, before }: LineOver, easier: boolean): LinePoint[] {
  const later = nth > 1 && weeks > SHORT ? line.later : undefined;
  const all = [...(later ?? line.points)];
  const points = easier && all.length > 1 ? all.slice(0, -1) : all;
  const from = weeks <= SHORT ? Math.max(0, Math.min(before, points.length - weeks)) : 0;
  const out: LinePoint[] = [];
  for (let i = 0; i < weeks; i++) out.push(points[Math.min(from + i, points.length - 1)] as LinePoint);
  return out;
}

const toLow = ([low, high]: Range, t: number): number => high - Math.round(t * (high - low));
const toHigh = ([low, high]: Range, t: number): number => low + Math.round(t * (high - low));

/** Sets, repetitions and reserve of each loading week between the ends of a cell's ranges. */
function throughRanges(cell: DoseCell, weeks: number, direction: Direction): LinePoint[] {
  const rir = cell.rir ?? [0, 0];
  return Array.from({ length: weeks }, (_, i): LinePoint => {
    const t = weeks > 1 ? i / (weeks - 1) : 0;
    const last = i === weeks - 1;
    if (direction === "load") {
      const toCome = weeks - 1 - i;
      const many = weeks > 1 && (toCome === 1 || (weeks >= LONG && toCome === 2));
      return { sets: cell.sets[many ? 1 : 0], reps: toLow(cell.reps, t), rir: toLow(rir, t) };
    }
    if (direction === "control") {
      const many = weeks > ONE_STEP && 2 * i >= weeks - 1;
      return { sets: cell.sets[many ? 1 : 0], reps: toHigh(cell.reps, t), rir: toLow(rir, t) };
    }
    const end = weeks > 2 && last;
    return {
      sets: cell.sets[end ? 1 : 0],
      reps: cell.reps[i === 0 || end ? 0 : 1],
      rir: toLow(rir, t),
    };
  });
}

export interface LineAsked {
  approach: Approach;
  stage: Stage;
  column: Column;
  direction: Direction;
  over: LineOver;
  /** New and novice lifters, and from 50: the last point of a line that load leads is left out. */
  easier: boolean;
}

/** @returns one point a loading week, as a trained lifter takes it */
export function lineThrough({ approach, stage, column, direction, over, easier }: LineAsked): LinePoint[] {
  const written = direction === "load" ? writtenLine(approach, stage, column) : null;
  if (written) return pointsOf(written, over, easier);
  const longer = easier && direction === "load" ? 1 : 0;
  return throughRanges(approach.rows[stage].cells[column], over.weeks + longer, direction).slice(0, over.weeks);
}
