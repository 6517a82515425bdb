/** Lifts that stand still: a sister lift takes their place at the block's end (rule choice.unmoved). */
import type { OneRepMaxFormula, StrengthLog } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { bestOf } from "../dose";
import { numbers } from "../rulebook";
import { LIGHT_RIR } from "./basis";

/** Sets from which work builds anything up. */
const LEAST_SETS = 2;

/** Whether the e1RM of the last loading exposures never went over the first of them. @param kg newest first */
export function standsStill(kg: readonly number[]): boolean {
  const { exposures, withinPct } = numbers("choice.unmoved");
  const last = kg.slice(0, exposures);
  const first = last.at(-1);
  return last.length === exposures && first !== undefined && last.every((v) => v <= first * (1 + withinPct / 100));
}

/** Exercises whose last loading exposures brought nothing; light work and step-backs are none. @param on first day asked about */
export function unmovedLifts(log: readonly StrengthLog[], formula: OneRepMaxFormula, on: IsoDate): ReadonlySet<string> {
  const { recentDays } = numbers("choice.points");
  const shown = new Map<string, number[]>();
  for (const s of [...log].sort((a, b) => (a.date < b.date ? 1 : -1))) {
    if (s.date >= on || daysBetween(s.date, on) > recentDays) continue;
    for (const item of s.items) {
      const asked = item.prescribed?.rir;
      if (item.sets.length < LEAST_SETS || asked === undefined || asked >= LIGHT_RIR) continue;
      const best = bestOf(item, formula);
      if (best) shown.set(item.exercise, [...(shown.get(item.exercise) ?? []), best.kg]);
    }
  }
  return new Set([...shown].filter(([, kg]) => standsStill(kg)).map(([id]) => id));
}
