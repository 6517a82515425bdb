/** A tried season: what it changes of an athlete. The server takes it over with the same words the worker tried it by. */
import type { Athlete } from "../../core/athlete";
import { scaled } from "../../core/endurance";
import type { ScenarioBody } from "../requests";

/** @returns the athlete with the scenario's parts in place of its own; what the scenario leaves out stays */
export function applyScenario(a: Athlete, s: ScenarioBody): Athlete {
  return {
    ...a,
    ...(s.races ? { races: s.races } : {}),
    ...(s.phases ? { phases: s.phases } : {}),
    ...(s.availability ? { availability: s.availability } : {}),
    ...(s.endurance ? { endurance: s.endurance } : {}),
    ...(s.mileage ? { endurance: scaled(s.endurance ?? a.endurance, s.mileage.from, s.mileage.percent) } : {}),
  };
}
