/**
 * The exact week fit (handbook 12). Few placements are all walked; many are searched by branch and bound, which leaves out only
 * what cannot be better, so that the answer is a placement of least cost either way. Placing a session always comes before saving
 * points; a locked one first, then A before B before C.
 */
import { LABELS } from "../athlete/types";
import { dayLabel, timeOf } from "../dates";
import { blockedByOther, blockedHere, ownCosts, pairCosts } from "./rules";
import type { Alternative, Cost, Demand, FitResult, Option, Unplaced, WeekContext } from "./types";

/** What leaving a session out weighs against any number of points. */
const LEFT_OUT = 100_000;
const leftOutPrice = (d: Demand | undefined): number =>
  d ? LEFT_OUT * (d.options.some((o) => o.locked) ? 1000 : 10 - LABELS.indexOf(d.label)) : 0;
/** Alternatives that are kept. */
export const ALTERNATIVES = 3;

/** Up to so many complete placements each is walked, and their costs are counted. */
const WALKED = 20_000;
/** Steps of the first, unordered look for a good placement, whose cost bounds the exact search. */
const FIRST_LOOK = 4_000;

interface Weighed {
  option: Option;
  costs: Cost[];
  own: number;
  index: number;
}

type Pick = readonly (Weighed | null)[];
/** `total` counts what is left out, `cost` the points alone. */
interface Found {
  total: number;
  cost: number;
  pick: Pick;
}

const sum = (costs: readonly Cost[]): number => costs.reduce((a, c) => a + c.points, 0);
const keyOf = (pick: Pick): string => pick.map((w) => w?.option.day ?? "-").join("/");
/** Which sessions a total leaves out: totals of one level leave out the same. */
const levelOf = (total: number): number => Math.floor(total / LEFT_OUT);

/**
 * @param demands the week's sessions with the options of each (window, hour, what it would be there)
 * @param walked up to this many placements are all walked; more are searched
 * @returns the least-cost placement. Ties fall to the earlier day and hour of A, then of B, then of C.
 */
export function fitWeek(demands: readonly Demand[], context: WeekContext, walked = WALKED): FitResult {
  const blockedText = new Map<string, string>();
  const weighed: Weighed[][] = demands.map((d) => {
    const open: Weighed[] = [];
    const sorted = [...d.options].sort((a, b) => a.day - b.day || a.start - b.start || (a.place < b.place ? -1 : 1));
    for (const option of sorted) {
      const block = blockedHere(option, context);
      if (block) {
        if (!blockedText.has(d.label))
          blockedText.set(d.label, `${dayLabel(option.date)} ${timeOf(option.start)}: ${block.text} (${block.rule})`);
        continue;
      }
      const costs = ownCosts(option, context);
      open.push({ option, costs, own: sum(costs), index: open.length });
    }
    return open;
  });
  const problem = new Problem(demands, weighed, context);
  const all = weighed.reduce((a, w) => a * (w.length + 1), 1);
  const { best, others, count, histogram } =
    all <= walked ? problem.walk() : { ...problem.search(), count: all, histogram: [] };

  const placed = best.pick.flatMap((w) => (w ? [w.option] : []));
  return {
    placed,
    unplaced: demands.flatMap((d, i) => (best.pick[i] ? [] : [sayWhy(d, weighed[i] ?? [], blockedText.get(d.label))])),
    cost: best.cost,
    costs: allCosts(best.pick, context),
    weighed: count,
    alternatives: others.map(alternativeOf),
    histogram,
  };
}

/** The sessions' open options, what each pair of them costs, and two exact ways to the least cost. */
class Problem {
  private readonly size: number;
  private readonly out: number[];
  /** Least that the sessions from one on can cost, whatever else is placed. */
  private readonly rest: number[];
  private readonly pairs: Int32Array[][];

  constructor(
    demands: readonly Demand[],
    private readonly weighed: readonly Weighed[][],
    private readonly context: WeekContext,
  ) {
    this.size = weighed.length;
    this.out = demands.map(leftOutPrice);
    this.rest = new Array(this.size + 1).fill(0);
    for (let i = this.size - 1; i >= 0; i--)
      this.rest[i] = (this.rest[i + 1] ?? 0) + Math.min(this.out[i] ?? 0, ...(weighed[i] ?? []).map((w) => w.own));
    this.pairs = weighed.map((from, i) =>
      weighed.map((to, k) => (k <= i ? EMPTY : new Int32Array(from.length * to.length).fill(UNKNOWN))),
    );
  }

  /** Points of two options together, -1 where a must-hold rule keeps them apart; worked out when first asked. */
  private pair(k: number, a: Weighed, i: number, b: Weighed): number {
    const table = this.pairs[k]?.[i] ?? EMPTY;
    const at = a.index * (this.weighed[i]?.length ?? 0) + b.index;
    let known = table[at] ?? UNKNOWN;
    if (known === UNKNOWN) {
      known = blockedByOther(a.option, b.option) ? -1 : sum(pairCosts(a.option, b.option, this.context));
      table[at] = known;
    }
    return known;
  }

  /** What option `w` of session `i` adds to those chosen before it; -1 where it cannot stand beside them. */
  private added(chosen: Pick, i: number, w: Weighed): number {
    let extra = w.own;
    for (let k = 0; k < i; k++) {
      const other = chosen[k];
      if (!other) continue;
      const p = this.pair(k, other, i, w);
      if (p < 0) return -1;
      extra += p;
    }
    return extra;
  }

  /** Each way to go on: every option that may stand beside those chosen, then leaving the session out. */
  private branch(
    chosen: (Weighed | null)[],
    i: number,
    order: readonly Weighed[][],
    go: (points: number, leftOut: number) => void,
  ): void {
    for (const w of order[i] ?? []) {
      const extra = this.added(chosen, i, w);
      if (extra < 0) continue;
      chosen[i] = w;
      go(extra, 0);
    }
    chosen[i] = null;
    go(0, this.out[i] ?? 0);
  }

  /** Every complete placement. */
  walk(): { best: Found; others: Found[]; count: number; histogram: [number, number][] } {
    const chosen: (Weighed | null)[] = new Array(this.size).fill(null);
    const histogram = new Map<number, number>();
    const byDays = new Map<string, Found>();
    let best: Found | null = null;
    let count = 0;
    const step = (i: number, total: number, cost: number): void => {
      if (i === this.size) {
        count++;
        if (total < LEFT_OUT) histogram.set(cost, (histogram.get(cost) ?? 0) + 1);
        if (!best || total < best.total) best = { total, cost, pick: [...chosen] };
        const key = keyOf(chosen);
        const known = byDays.get(key);
        if (!known || total < known.total) byDays.set(key, { total, cost, pick: [...chosen] });
        return;
      }
      this.branch(chosen, i, this.weighed, (extra, out) => step(i + 1, total + extra + out, cost + extra));
    };
    step(0, 0, 0);
    const answer: Found = best ?? { total: 0, cost: 0, pick: [] };
    const others = [...byDays.values()]
      .filter(
        (a) =>
          keyOf(a.pick) !== keyOf(answer.pick) &&
          levelOf(a.total) === levelOf(answer.total) &&
          a.pick.some((w) => w !== null),
      )
      .sort((a, b) => a.total - b.total || (keyOf(a.pick) < keyOf(b.pick) ? -1 : 1))
      .slice(0, ALTERNATIVES);
    return { best: answer, others, count, histogram: [...histogram].sort((a, b) => a[0] - b[0]) };
  }

  /** The same answer by branch and bound: the best, then the best on other days, one after the other. */
  search(): { best: Found; others: Found[] } {
    const best = this.least(new Set(), Number.POSITIVE_INFINITY) ?? { total: 0, cost: 0, pick: [] };
    const others: Found[] = [];
    const taken = new Set([keyOf(best.pick)]);
    const limit = (levelOf(best.total) + 1) * LEFT_OUT;
    while (others.length < ALTERNATIVES && best.pick.some((w) => w !== null)) {
      const next = this.least(taken, limit);
      if (!next) break;
      others.push(next);
      taken.add(keyOf(next.pick));
    }
    return { best, others };
  }

  /**
   * The first placement of least total in the order of days and hours.
   * @param taken choices of days that are passed over
   * @param limit totals from it on are not wanted
   */
  private least(taken: ReadonlySet<string>, limit: number): Found | null {
    const bound = Math.min(limit, this.firstLook(taken) + 0.5);
    const chosen: (Weighed | null)[] = new Array(this.size).fill(null);
    let best: Found | null = null;
    const step = (i: number, total: number, cost: number): void => {
      // Whatever comes later in this order must be better, not as good.
      if (total + (this.rest[i] ?? 0) >= (best?.total ?? bound)) return;
      if (i === this.size) {
        if (!taken.has(keyOf(chosen))) best = { total, cost, pick: [...chosen] };
        return;
      }
      this.branch(chosen, i, this.weighed, (extra, out) => step(i + 1, total + extra + out, cost + extra));
    };
    step(0, 0, 0);
    return best;
  }

  /** A good total, found by taking cheap options first for a limited number of steps; infinite where none was found. */
  private firstLook(taken: ReadonlySet<string>): number {
    const cheap = this.weighed.map((list) => [...list].sort((a, b) => a.own - b.own || a.index - b.index));
    const chosen: (Weighed | null)[] = new Array(this.size).fill(null);
    let best = Number.POSITIVE_INFINITY;
    let steps = 0;
    const step = (i: number, total: number): void => {
      if (steps++ > FIRST_LOOK || total + (this.rest[i] ?? 0) >= best) return;
      if (i === this.size) {
        if (!taken.has(keyOf(chosen))) best = total;
        return;
      }
      this.branch(chosen, i, cheap, (extra, out) => step(i + 1, total + extra + out));
    };
    step(0, 0);
    return best;
  }
}

const UNKNOWN = -2;
const EMPTY = new Int32Array(0);

function allCosts(pick: Pick, context: WeekContext): Cost[] {
  const there = pick.flatMap((w) => (w ? [w] : []));
  const costs = there.flatMap((w) => w.costs);
  there.forEach((a, i) => {
    for (const b of there.slice(i + 1)) costs.push(...pairCosts(a.option, b.option, context));
  });
  return costs.sort(
    (a, b) => b.points - a.points || (a.rule < b.rule ? -1 : a.rule > b.rule ? 1 : a.text < b.text ? -1 : 1),
  );
}

const alternativeOf = ({ cost, pick }: Found): Alternative => ({
  cost,
  sessions: pick.flatMap((w) =>
    w ? [{ label: w.option.label, date: w.option.date, start: w.option.start, place: w.option.place }] : [],
  ),
});

function sayWhy(d: Demand, open: readonly Weighed[], blocked: string | undefined): Unplaced {
  if (d.options.length === 0) return { label: d.label, why: d.none };
  if (open.length === 0 && blocked)
    return { label: d.label, why: `Every window is closed. ${blocked}. Move that, or add a window on another day.` };
  return {
    label: d.label,
    why: "The open windows are taken by the sessions before it, or lie within 24 h of them. Add a window on another day.",
  };
}
