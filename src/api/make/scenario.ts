/** A tried season: what it changes of an athlete. The server takes it over with the same words the worker tried it by. */
import type { Athlete } from "../../core/athlete";
import { mondayOf } from "../../core/dates";
import { scaled } from "../../core/endurance";
import { enduranceWeeks, withAmounts } from "../../core/mileage";
import type { ScenarioBody } from "../requests";

/** @returns the athlete with the scenario's parts in place of its own; what the scenario leaves out stays */
export function applyScenario(a: Athlete, s: ScenarioBody): Athlete {
  const next = {
    ...a,
    ...(s.races ? { races: s.races } : {}),
    ...(s.phases ? { phases: s.phases } : {}),
    ...(s.availability ? { availability: s.availability } : {}),
    ...(s.endurance ? { endurance: s.endurance } : {}),
    ...(s.endurancePlan ? { endurancePlan: s.endurancePlan } : {}),
  };
  return s.mileage ? withMileage(next, s.mileage) : next;
}

/** More or less of everything planned from a day on: sessions, and the amounts of the endurance plan. */
function withMileage(a: Athlete, mileage: NonNullable<ScenarioBody["mileage"]>): Athlete {
  const { from, until, percent } = mileage;
  const endurance = scaled(a.endurance, mileage);
  if (!a.endurancePlan) return { ...a, endurance };
  const first = mondayOf(from);
  const amounts = enduranceWeeks(a).flatMap(({ week, amount }): [string, number][] =>
    week >= first && (until === undefined || week <= until) ? [[week, (amount * percent) / 100]] : [],
  );
  return { ...a, endurance, endurancePlan: withAmounts(a.endurancePlan, new Map(amounts)) };
}
