/** Plans a tried season away from the main thread, with the server's own planner and its own way to a view. */
import { expose } from "comlink";
import { type Planned, planSeason } from "../../api/make/planned";
import { applyScenario } from "../../api/make/scenario";
import { seasonView } from "../../api/make/season";
import type { ScenarioBody } from "../../api/requests";
import type { PlanningView, SeasonView } from "../../api/views";
import { type Library, libraryWith } from "../../core/exercise";

let base: { facts: PlanningView; library: Library; limits: Planned["pastLimits"] } | null = null;

const api = {
  /** @returns the season as it stands */
  load(facts: PlanningView): SeasonView {
    const library = libraryWith(facts.own, facts.hidden);
    const planned = planSeason(facts, library, facts.today);
    base = { facts, library, limits: planned.pastLimits };
    return seasonView(planned, facts.today);
  },
  /** @throws where nothing was loaded */
  plan(scenario: ScenarioBody): SeasonView {
    if (!base) throw new Error("Nothing to plan from.");
    const { facts, library, limits } = base;
    const tried = { ...facts, athlete: applyScenario(facts.athlete, scenario) };
    // What is tried changes nothing of the past.
    return seasonView({ ...planSeason(tried, library, facts.today), pastLimits: limits }, facts.today);
  },
};

export type SeasonWorker = typeof api;
expose(api);
