/**
 * The exact week fit: a placement of least cost, with its price by rule, what found no place, and the best alternatives.
 * Placing a session always comes before saving points; a locked one first, then A before B before C.
 */

import { dayLabel, timeOf } from "../dates";
import { flatMap } from "../lists";
import { chargesOwn, ownCosts, ownPoints, pairCosts } from "./costs";
import type { Found, Weighed } from "./found";
import { groupOf } from "./group";
import type { CostRule } from "./numbers";
import { FitProblem } from "./problem";
import { blockedHere } from "./rules";
import type { Alternative, Cost, Demand, FitResult, Option, Unplaced, WeekContext } from "./types";

/** Up to so many complete placements each is walked, unless more are asked for. */
const WALKED = 300;

/**
 * @param demands the week's sessions with the options of each (window, hour, what it would be there)
 * @param walked up to this many placements are all walked; more are searched
 * @returns the least-cost placement. Ties fall to the earlier day and hour of A, then of B, then of C.
 */
export function fitWeek(demands: readonly Demand[], context: WeekContext, walked = WALKED): FitResult {
  const blockedText = new Map<string, string>();
  const group = groupOf(context);
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
      const { strength, demanding } = group.bitsOf(option);
      open.push({
        option,
        own: ownPoints(option, context),
        index: open.length,
        strength,
        demanding,
        fatigue: group.fatigueOf(option),
      });
    }
    return open;
  });
  const problem = new FitProblem(demands, weighed, context, group);
  const all = weighed.reduce((a, w) => a * (w.length + 1), 1);
  const { best, others, count, histogram } =
    all <= walked ? problem.walk() : { ...problem.search(), count: all, histogram: [] };

  const placed = best.pick.flatMap((w) => (w ? [w.option] : []));
  return {
    placed,
    unplaced: demands.flatMap((d, i) => (best.pick[i] ? [] : [sayWhy(d, weighed[i] ?? [], blockedText.get(d.label))])),
    cost: best.cost,
    costs: costsOf(placed, context),
    weighed: count,
    alternatives: others.map(alternativeOf),
    histogram,
  };
}

/** What a whole placement costs, dearest first. @param placed sessions that no must-hold rule keeps out */
export function costsOf(placed: readonly Option[], context: WeekContext): Cost[] {
  const costs = flatMap(placed, (o) => ownCosts(o, context));
  placed.forEach((a, i) => {
    for (const b of placed.slice(i + 1)) costs.push(...pairCosts(a, b, context));
  });
  costs.push(...groupOf(context).costs(placed));
  return costs.sort(
    (a, b) => b.points - a.points || (a.rule < b.rule ? -1 : a.rule > b.rule ? 1 : a.text < b.text ? -1 : 1),
  );
}

/** Whether a session that stands alone costs something by any of these rules: those of its own, and S12. */
export const charges = (o: Option, context: WeekContext, rules: readonly CostRule[]): boolean =>
  chargesOwn(o, context, rules) || (rules.includes("S12") && groupOf(context).tiredBy(o));

const alternativeOf = ({ cost, pick }: Found): Alternative => ({
  cost,
  sessions: pick.flatMap((w) =>
    w ? [{ label: w.option.label, date: w.option.date, start: w.option.start, place: w.option.place }] : [],
  ),
});

function sayWhy(d: Demand, open: readonly Weighed[], blocked: string | undefined): Unplaced {
  if (d.options.length === 0) return { label: d.label, why: d.none };
  if (open.length === 0 && blocked)
    return {
      label: d.label,
      why: `No free time slot is open. ${blocked}. Move that, or add a free time slot on another day.`,
    };
  return {
    label: d.label,
    why: "The open free time slots are taken by the sessions before it, or lie within 24 h of them. Add one on another day.",
  };
}
