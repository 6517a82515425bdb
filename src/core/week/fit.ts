/**
 * The exact week fit (handbook 12): every complete placement that keeps the must-hold rules is compared, so the answer is a
 * placement of least cost. Placing a session always comes before saving points; a locked one first, then A before B before C.
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

interface Weighed {
  option: Option;
  costs: Cost[];
  own: number;
  index: number;
}

const sum = (costs: readonly Cost[]): number => costs.reduce((a, c) => a + c.points, 0);

/**
 * @param demands the week's sessions with the options of each (window, hour, what it would be there)
 * @returns the least-cost placement. Ties fall to the earlier day and hour of A, then of B, then of C.
 */
export function fitWeek(demands: readonly Demand[], context: WeekContext): FitResult {
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

  const pair = pairTables(weighed, context);
  const size = weighed.length;
  const chosen: (Weighed | null)[] = new Array(size).fill(null);
  const histogram = new Map<number, number>();
  const byDays = new Map<string, { total: number; cost: number; pick: (Weighed | null)[] }>();
  let best: { total: number; cost: number; pick: (Weighed | null)[] } | null = null;
  let count = 0;

  const walk = (i: number, total: number, cost: number): void => {
    if (i === size) {
      count++;
      if (total < LEFT_OUT) histogram.set(cost, (histogram.get(cost) ?? 0) + 1);
      if (!best || total < best.total) best = { total, cost, pick: [...chosen] };
      const key = chosen.map((w) => w?.option.day ?? "-").join("/");
      const known = byDays.get(key);
      if (!known || total < known.total) byDays.set(key, { total, cost, pick: [...chosen] });
      return;
    }
    for (const w of weighed[i] ?? []) {
      let extra = w.own;
      let fits = true;
      for (let k = 0; k < i && fits; k++) {
        const other = chosen[k];
        if (!other) continue;
        const p = pair[k]?.[i]?.[other.index]?.[w.index] ?? 0;
        if (p < 0) fits = false;
        else extra += p;
      }
      if (!fits) continue;
      chosen[i] = w;
      walk(i + 1, total + extra, cost + extra);
    }
    chosen[i] = null;
    walk(i + 1, total + leftOutPrice(demands[i]), cost);
  };
  walk(0, 0, 0);

  const answer: { total: number; cost: number; pick: (Weighed | null)[] } = best ?? { total: 0, cost: 0, pick: [] };
  const placed = answer.pick.flatMap((w) => (w ? [w.option] : []));
  return {
    placed,
    unplaced: demands.flatMap((d, i) =>
      answer.pick[i] ? [] : [sayWhy(d, weighed[i] ?? [], blockedText.get(d.label))],
    ),
    cost: answer.cost,
    costs: allCosts(answer.pick, context),
    weighed: count,
    alternatives: alternativesOf(byDays.values(), answer),
    histogram: [...histogram].sort((a, b) => a[0] - b[0]),
  };
}

/** Points of every two options together, -1 where a must-hold rule keeps them apart. */
function pairTables(weighed: readonly Weighed[][], context: WeekContext): number[][][][] {
  return weighed.map((from, i) =>
    weighed.map((to, k) =>
      k <= i
        ? []
        : from.map((a) =>
            to.map((b) => (blockedByOther(a.option, b.option) ? -1 : sum(pairCosts(a.option, b.option, context)))),
          ),
    ),
  );
}

function allCosts(pick: readonly (Weighed | null)[], context: WeekContext): Cost[] {
  const there = pick.flatMap((w) => (w ? [w] : []));
  const costs = there.flatMap((w) => w.costs);
  there.forEach((a, i) => {
    for (const b of there.slice(i + 1)) costs.push(...pairCosts(a.option, b.option, context));
  });
  return costs.sort(
    (a, b) => b.points - a.points || (a.rule < b.rule ? -1 : a.rule > b.rule ? 1 : a.text < b.text ? -1 : 1),
  );
}

function alternativesOf(
  all: Iterable<{ total: number; cost: number; pick: (Weighed | null)[] }>,
  best: { total: number; pick: (Weighed | null)[] },
): Alternative[] {
  const key = (pick: readonly (Weighed | null)[]) => pick.map((w) => w?.option.day ?? "-").join("/");
  const bestKey = key(best.pick);
  const level = Math.floor(best.total / LEFT_OUT);
  return [...all]
    .filter((a) => key(a.pick) !== bestKey && Math.floor(a.total / LEFT_OUT) === level && a.pick.some((w) => w))
    .sort((a, b) => a.total - b.total || (key(a.pick) < key(b.pick) ? -1 : 1))
    .slice(0, ALTERNATIVES)
    .map((a) => ({
      cost: a.cost,
      sessions: a.pick.flatMap((w) =>
        w ? [{ label: w.option.label, date: w.option.date, start: w.option.start, place: w.option.place }] : [],
      ),
    }));
}

function sayWhy(d: Demand, open: readonly Weighed[], blocked: string | undefined): Unplaced {
  if (d.options.length === 0) return { label: d.label, why: d.none };
  if (open.length === 0 && blocked)
    return { label: d.label, why: `Every window is closed. ${blocked}. Move that, or add a window on another day.` };
  return {
    label: d.label,
    why: "The open windows are taken by the sessions before it, or lie within 24 h of them. Add a window on another day.",
  };
}
