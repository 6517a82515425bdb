/** Blocks: loading weeks, and the step-back week that ends each (rules block.weeks, stepback.every). */
import type { IsoDate } from "../dates";
import { numbers } from "../rulebook";
import type { SeasonDay } from "./day";

/** Which row of an approach's table a day takes. */
export type RowOfDay = Pick<SeasonDay, "phase" | "stage" | "emphasis">;

/** A loading week of a block. */
export interface BlockWeek {
  /** Which loading week it is, from 1. */
  week: number;
  /** Loading weeks of the block. */
  of: number;
  /** What it builds up, as phase and emphasis: days of other work in its weeks stand on no line of it. */
  builds: string;
  /** The row that its last day took: the step-back that ends the block steps back from that one. */
  row: RowOfDay;
  /** Monday of its first week. */
  start: IsoDate;
  /** Its first day of that work. */
  from: IsoDate;
  /** Which block of its phase and emphasis it is, from 1. */
  nth: number;
  /** Loading weeks of the blocks of its phase and emphasis before it. */
  before: number;
  /** Mondays of its weeks so far in which nothing may go up. */
  held: readonly IsoDate[];
}

export interface BlocksFor {
  /** Weeks of one emphasis in one phase. */
  weeks: number;
  /** Loading weeks of a usual block. */
  usual: number;
  /** More loading weeks than usual may stand where that fits better; never for new lifters and from 50. */
  mayGrow: boolean;
  /** What follows is less by itself, a taper or a step-back of the endurance: the last block needs no step-back of its own. */
  closed: boolean;
  /** Loading weeks of another emphasis right before, that nothing has stepped back from. */
  carried?: number;
}

interface Filled {
  weight: number;
  blocks: number[];
}

/** A longer block than usual weighs its weeks more, squared; a shorter one its share less, times the rule's number, squared. */
const weightOf = (loading: number, usual: number): number =>
  (loading < usual ? (numbers("block.weeks").shorter * (usual - loading)) / usual : loading - usual) ** 2;

/**
 * Blocks that fill the weeks exactly, as near the usual length as that allows; the longer of two stands first.
 * @returns loading weeks of each block in order; each ends in a step-back week but the last where it is closed, and one that the weeks cut
 * short, whose loading is carried into what follows; 0 where what was carried asks for a step-back at once
 * @example loadingWeeks({ weeks: 8, usual: 3, mayGrow: true, closed: true }) // [4, 3]
 */
export function loadingWeeks({ weeks, usual, mayGrow, closed, carried = 0 }: BlocksFor): number[] {
  const rule = numbers("block.weeks");
  const most = mayGrow ? rule.most : usual;
  // What closes it comes as early as a step-back would: the block before it may be a week longer.
  const lastMost = closed ? Math.max(most, usual + 1) : most;
  const known = new Map<number, Filled | null>();
  /** @param before loading weeks that the first of these blocks has behind it */
  const fill = (left: number, before: number): Filled | null => {
    if (left === 0) return { weight: 0, blocks: [] };
    if (before === 0 && known.has(left)) return known.get(left) ?? null;
    let best: Filled | null =
      left + before > lastMost
        ? null
        : { weight: closed ? weightOf(left + before, usual) : rule.cutShort, blocks: [left] };
    for (let n = Math.min(most - before, left - 1); n >= (before > 0 ? 0 : 1); n--) {
      const rest = left - n - 1;
      const after = closed && rest === 0 ? null : fill(rest, 0);
      if (!after) continue;
      const weight = weightOf(n + before, usual) + after.weight;
      if (!best || weight < best.weight) best = { weight, blocks: [n, ...after.blocks] };
    }
    if (before === 0) known.set(left, best);
    return best;
  };
  return (fill(weeks, carried) ?? fill(weeks, 0))?.blocks ?? [weeks];
}
