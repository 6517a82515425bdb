/** What becomes of a season that is tried: asked for, planned one at a time, shown, discarded. */
import type { ScenarioBody } from "../../api/requests";
import type { SeasonView } from "../../api/views";

export interface TrialState {
  /** The latest change asked for, planned already or not; null while nothing is tried. */
  latest: ScenarioBody | null;
  /** Asked and not yet planned; whatever was asked before it and not yet begun is passed over. */
  wanted: ScenarioBody | null;
  /** What is being planned. */
  running: ScenarioBody | null;
  shown: { scenario: ScenarioBody; view: SeasonView } | null;
  fault: string | null;
}

export type TrialAction =
  | { type: "attempted"; scenario: ScenarioBody }
  /** The next plan is begun, where one is wanted and none is running. */
  | { type: "begun" }
  | { type: "planned"; view: SeasonView }
  /** The worker ended before it answered: its scenario is wanted again, unless a later one is. */
  | { type: "cut-off" }
  | { type: "failed"; fault: string }
  /** The facts changed under what is tried. */
  | { type: "facts-changed" }
  | { type: "discarded" };

export const NOTHING_TRIED: TrialState = { latest: null, wanted: null, running: null, shown: null, fault: null };

export function trial(state: TrialState, action: TrialAction): TrialState {
  switch (action.type) {
    case "attempted":
      return { ...state, latest: action.scenario, wanted: action.scenario };
    case "begun":
      return state.wanted && !state.running ? { ...state, running: state.wanted, wanted: null } : state;
    case "planned": {
      if (!state.running) return state;
      const ended = { ...state, running: null };
      // Discarded meanwhile: the answer comes to nobody.
      if (state.latest === null) return ended;
      return { ...ended, shown: { scenario: state.running, view: action.view }, fault: null };
    }
    case "cut-off": {
      const again = state.latest === null ? null : state.running;
      return { ...state, running: null, wanted: state.wanted ?? again };
    }
    case "failed":
      return { ...state, running: null, wanted: null, fault: action.fault };
    case "facts-changed":
      return { ...state, wanted: state.latest };
    case "discarded":
      return { ...NOTHING_TRIED, running: state.running };
  }
}
