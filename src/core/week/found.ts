/** Placements that a search finds: what they leave out and cost, and which goes first. */
import { LABELS } from "../athlete";
import type { Demand, Option } from "./types";

/** What leaving a session out weighs against any number of points. */
export const LEFT_OUT = 100_000;
export const leftOutPrice = (d: Demand | undefined): number =>
  d ? LEFT_OUT * (d.options.some((o) => o.locked) ? 1000 : 10 - LABELS.indexOf(d.label)) : 0;
/** Alternatives that are kept. */
export const ALTERNATIVES = 3;

/** An option with what it costs alone. */
export interface Weighed {
  option: Option;
  own: number;
  index: number;
  strength: number;
  demanding: number;
  /** Left in the legs at each key session, AU. */
  fatigue: Float64Array;
}

export type Pick = readonly (Weighed | null)[];
/** `total` counts what is left out, `cost` the points alone. */
export interface Found {
  total: number;
  cost: number;
  pick: Pick;
}

export const keyOf = (pick: Pick): string => pick.map((w) => w?.option.day ?? "-").join("/");
/** Which sessions a total leaves out: totals of one level leave out the same. */
export const levelOf = (total: number): number => Math.floor(total / LEFT_OUT);

/** By total; equals by the earlier day and hour of A, then of B, then of C. */
export function inTurn(a: Found, b: Found): number {
  if (a.total !== b.total) return a.total - b.total;
  for (const [i, w] of a.pick.entries()) {
    const [x, y] = [w?.index ?? Number.POSITIVE_INFINITY, b.pick[i]?.index ?? Number.POSITIVE_INFINITY];
    if (x !== y) return x - y;
  }
  return 0;
}

/** The best and the others, from the best of each choice of days in turn. Others leave out what the best leaves out. */
export function bestOf(sorted: readonly Found[]): { best: Found; others: Found[] } {
  const [best = { total: 0, cost: 0, pick: [] }, ...rest] = sorted;
  const others = rest.filter((f) => levelOf(f.total) === levelOf(best.total) && f.pick.some((w) => w !== null));
  return { best, others: others.slice(0, ALTERNATIVES) };
}
