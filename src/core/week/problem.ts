/**
 * One week as a problem: the sessions' open options, what they cost alone, together and as a whole, and two exact ways to the least
 * cost. Few placements are all walked; many are searched by branch and bound, which leaves out only what cannot be better.
 */
import { pairPoints } from "./costs";
import {
  ALTERNATIVES,
  bestOf,
  type Found,
  inTurn,
  keyOf,
  LEFT_OUT,
  leftOutPrice,
  levelOf,
  type Pick,
  type Weighed,
} from "./found";
import type { SessionGroup } from "./group";
import { keptApart } from "./rules";
import type { Demand, WeekContext } from "./types";

export class FitProblem {
  private readonly size: number;
  private readonly out: number[];
  private readonly pairs: Int32Array[][];
  private readonly anyJumps: boolean;
  /** What stands after each session has been decided: days, and fatigue at each key session. */
  private readonly strength: Int32Array;
  private readonly demanding: Int32Array;
  private readonly fatigue: Float64Array;
  private readonly grouped: Float64Array;
  private readonly keys: number;

  constructor(
    demands: readonly Demand[],
    private readonly weighed: readonly Weighed[][],
    private readonly context: WeekContext,
    private readonly group: SessionGroup,
  ) {
    const n = weighed.length;
    this.size = n;
    this.out = demands.map(leftOutPrice);
    this.anyJumps = weighed.some((list) => list.some((w) => w.option.jumps));
    this.keys = group.keys.length;
    this.strength = new Int32Array(n + 1);
    this.demanding = new Int32Array(n + 1);
    this.fatigue = new Float64Array((n + 1) * this.keys);
    this.grouped = new Float64Array(n + 1);
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
      known = keptApart(a.option, b.option, this.context) ? -1 : pairPoints(a.option, b.option, this.context);
      table[at] = known;
    }
    return known;
  }

  /** Notes what stands once session `i` is decided. @returns what the whole-week rules add by it; -1 where M7 forbids it */
  private decide(chosen: Pick, i: number, w: Weighed | null): number {
    const [from, to] = [i * this.keys, (i + 1) * this.keys];
    this.strength[i + 1] = (this.strength[i] ?? 0) | (w?.strength ?? 0);
    this.demanding[i + 1] = (this.demanding[i] ?? 0) | (w?.demanding ?? 0);
    for (let k = 0; k < this.keys; k++) this.fatigue[to + k] = (this.fatigue[from + k] ?? 0) + (w?.fatigue[k] ?? 0);
    if (!w) {
      this.grouped[i + 1] = this.grouped[i] ?? 0;
      return 0;
    }
    if (this.anyJumps) {
      const there = [...chosen.slice(0, i), w].map((x) => x?.option ?? null);
      for (const o of there) if (o && this.group.jumpsTired(o, there)) return -1;
    }
    const now =
      this.group.dayPoints(this.strength[i + 1] ?? 0, this.demanding[i + 1] ?? 0) +
      this.group.tiredPoints(this.fatigue, to);
    this.grouped[i + 1] = now;
    return now - (this.grouped[i] ?? 0);
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
    const whole = this.decide(chosen, i, w);
    return whole < 0 ? -1 : extra + whole;
  }

  /** Every complete placement. */
  walk(): { best: Found; others: Found[]; count: number; histogram: [number, number][] } {
    const chosen: (Weighed | null)[] = new Array(this.size).fill(null);
    const histogram = new Map<number, number>();
    const byDays = new Map<string, Found>();
    let count = 0;
    const step = (i: number, total: number, cost: number): void => {
      if (i === this.size) {
        count++;
        if (total < LEFT_OUT) histogram.set(cost, (histogram.get(cost) ?? 0) + 1);
        const key = keyOf(chosen);
        const known = byDays.get(key);
        if (!known || total < known.total) byDays.set(key, { total, cost, pick: [...chosen] });
        return;
      }
      for (const w of this.weighed[i] ?? []) {
        const extra = this.added(chosen, i, w);
        if (extra < 0) continue;
        chosen[i] = w;
        step(i + 1, total + extra, cost + extra);
      }
      chosen[i] = null;
      this.decide(chosen, i, null);
      step(i + 1, total + (this.out[i] ?? 0), cost);
    };
    step(0, 0, 0);
    return {
      ...bestOf([...byDays.values()].sort(inTurn)),
      count,
      histogram: [...histogram].sort((a, b) => a[0] - b[0]),
    };
  }

  /**
   * The same answer by branch and bound: choices of days in the order of the least that they can cost, hours within them only
   * while that is less than what has been found.
   */
  search(): { best: Found; others: Found[] } {
    const days = this.weighed.map((list, i) => this.daysOf(list, i));
    const apart = days.map((from, i) =>
      days.map((to, k) => (k <= i ? [] : from.map((a) => to.map((b) => this.leastPair(i, a, k, b))))),
    );
    const top: Found[] = [];
    for (const choice of this.choices(days, apart)) {
      const limit = top[ALTERNATIVES]?.total ?? Number.POSITIVE_INFINITY;
      const level = top[0] ? (levelOf(top[0].total) + 1) * LEFT_OUT : Number.POSITIVE_INFINITY;
      // What follows can cost no less.
      if (choice.least > limit || choice.least >= level) break;
      if (choice.least === limit && top[ALTERNATIVES] && later(choice.days, top[ALTERNATIVES].pick)) continue;
      const found = this.within(choice.days, Math.min(limit, level));
      if (!found) continue;
      top.push(found);
      top.sort(inTurn);
      top.length = Math.min(top.length, ALTERNATIVES + 1);
    }
    return bestOf(top);
  }

  /** A session's options by day, with the least that any of them brings along. */
  private daysOf(list: readonly Weighed[], i: number): DayOptions[] {
    const byDay = new Map<number, Weighed[]>();
    for (const w of list) byDay.set(w.option.day, [...(byDay.get(w.option.day) ?? []), w]);
    const days = [...byDay.values()].map((on, order): DayOptions => {
      const fatigue = new Float64Array(this.keys).fill(Number.POSITIVE_INFINITY);
      for (const w of on) for (let k = 0; k < this.keys; k++) fatigue[k] = Math.min(fatigue[k] ?? 0, w.fatigue[k] ?? 0);
      return {
        order,
        list: on,
        mixed: on.some((w) => w.option.mobility !== on[0]?.option.mobility),
        own: Math.min(...on.map((w) => w.own)),
        strength: on.reduce((a, w) => a & w.strength, -1),
        demanding: on.reduce((a, w) => a & w.demanding, -1),
        fatigue,
      };
    });
    const out = { order: days.length, list: null, mixed: false, own: this.out[i] ?? 0, strength: 0, demanding: 0 };
    return [...days, { ...out, fatigue: new Float64Array(this.keys) }];
  }

  /** Least points of any two options of two days; infinite where must-hold rules keep all of them apart. */
  private leastPair(i: number, a: DayOptions, k: number, b: DayOptions): number {
    const [x, y] = [a.list?.[0], b.list?.[0]];
    if (!a.list || !b.list || !x || !y) return 0;
    let least = Number.POSITIVE_INFINITY;
    if (x.option.day === y.option.day) return least;
    // More than two days lie between any hours of days this far apart: one pair tells for all, unless some of them are mobility.
    const far = Math.abs(x.option.day - y.option.day) > 2 && !a.mixed && !b.mixed;
    for (const from of a.list) {
      for (const to of b.list) {
        const p = this.pair(i, from, k, to);
        if (p >= 0 && p < least) least = p;
        if (least === 0 || far) return least;
      }
    }
    return least;
  }

  /** Every choice of days that may stand, with the least it can cost, the least first. */
  private choices(
    days: readonly DayOptions[][],
    apart: readonly number[][][][],
  ): { days: DayOptions[]; least: number }[] {
    const all: { days: DayOptions[]; least: number }[] = [];
    const chosen: DayOptions[] = [];
    const fatigue = new Float64Array(this.keys);
    const step = (i: number, points: number, strength: number, demanding: number): void => {
      if (i === this.size) {
        fatigue.fill(0);
        for (const d of chosen)
          for (let k = 0; k < this.keys; k++) fatigue[k] = (fatigue[k] ?? 0) + (d.fatigue[k] ?? 0);
        const least = points + this.group.dayPoints(strength, demanding) + this.group.tiredPoints(fatigue, 0);
        all.push({ days: [...chosen], least });
        return;
      }
      for (const d of days[i] ?? []) {
        let extra = d.own;
        for (let k = 0; k < i; k++) extra += apart[k]?.[i]?.[chosen[k]?.order ?? 0]?.[d.order] ?? 0;
        if (extra === Number.POSITIVE_INFINITY) continue;
        chosen[i] = d;
        step(i + 1, points + extra, strength | d.strength, demanding | d.demanding);
      }
      chosen.length = i;
    };
    step(0, 0, 0, 0);
    // In a sort that keeps the order of equals, earlier days come first.
    return all.sort((a, b) => a.least - b.least);
  }

  /** The first placement of least total on given days. @param bound totals above it are not wanted */
  private within(days: readonly DayOptions[], bound: number): Found | null {
    const n = this.size;
    const chosen: (Weighed | null)[] = new Array(n).fill(null);
    const acc = Array.from({ length: n + 1 }, () => days.map((d) => Float64Array.from(d.list ?? [], (w) => w.own)));
    const rest = new Float64Array(n + 1);
    rest[0] = days.reduce((a, d) => a + d.own, 0);
    let best: Found | null = null;
    const step = (i: number, total: number, cost: number): void => {
      const least = total + (rest[i] ?? 0);
      // Whatever comes later in this order must be better, not as good.
      if (least > bound || (best && least >= best.total)) return;
      if (i === n) {
        best = { total, cost, pick: [...chosen] };
        return;
      }
      const list = days[i]?.list;
      if (!list) {
        chosen[i] = null;
        this.decide(chosen, i, null);
        ahead(i, null);
        step(i + 1, total + (this.out[i] ?? 0), cost);
        return;
      }
      for (let v = 0; v < list.length; v++) {
        const extra = acc[i]?.[i]?.[v] ?? 0;
        const w = list[v];
        if (!w || extra === Number.POSITIVE_INFINITY) continue;
        const whole = this.decide(chosen, i, w);
        if (whole < 0) continue;
        chosen[i] = w;
        ahead(i, w);
        step(i + 1, total + extra + whole, cost + extra + whole);
      }
    };
    /** Brings the points of the sessions after `i` up to date once it is decided, and with them the least that they can cost. */
    const ahead = (i: number, w: Weighed | null): void => {
      let sum = 0;
      for (let k = i + 1; k < n; k++) {
        const list = days[k]?.list;
        if (!list) {
          sum += this.out[k] ?? 0;
          continue;
        }
        const [before, after] = [acc[i]?.[k] ?? NONE, acc[i + 1]?.[k] ?? NONE];
        let least = Number.POSITIVE_INFINITY;
        for (let v = 0; v < list.length; v++) {
          let value = before[v] ?? 0;
          if (w && value !== Number.POSITIVE_INFINITY) {
            const p = this.pair(i, w, k, list[v] as Weighed);
            value = p < 0 ? Number.POSITIVE_INFINITY : value + p;
          }
          after[v] = value;
          if (value < least) least = value;
        }
        sum += least;
      }
      rest[i + 1] = sum;
    };
    step(0, 0, 0);
    return best;
  }
}

/** A session's options of one day; none where it is left out. */
interface DayOptions {
  /** Place among the session's days. */
  order: number;
  list: readonly Weighed[] | null;
  /** Some of them are mobility and some are not. */
  mixed: boolean;
  own: number;
  strength: number;
  demanding: number;
  fatigue: Float64Array;
}

const dayOf = (list: readonly Weighed[] | null): number => list?.[0]?.option.day ?? Number.POSITIVE_INFINITY;

/** Whether the first session stands on a later day than in a placement, so that the placement goes first among equals. */
const later = (days: readonly DayOptions[], than: Pick): boolean =>
  dayOf(days[0]?.list ?? null) > (than[0]?.option.day ?? Number.POSITIVE_INFINITY);

const UNKNOWN = -2;
const EMPTY = new Int32Array(0);

const NONE = new Float64Array(0);
