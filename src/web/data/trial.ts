/** A season that is tried: planned anew in a worker at each change, the latest change first, and taken over or thrown away. */
import { replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { startTransition, useEffect, useRef, useState } from "react";
import type { ScenarioBody } from "../../api/requests";
import type { PlanningView, SeasonView } from "../../api/views";
import type { SeasonWorker } from "../worker/season.worker";
import { get, put } from "./api";
import { useChange } from "./hooks";
import { type Started, startWorker } from "./remote";
import { NOTHING_TRIED, type TrialAction, type TrialState, trial } from "./trialState";

export interface Trial {
  /** What `view` was planned from; null while nothing is tried. */
  scenario: ScenarioBody | null;
  /** The tried season; null while nothing is tried or it is still worked out for the first time. */
  view: SeasonView | null;
  /** The worker is behind the latest change. */
  busy: boolean;
  fault: string | null;
  /** The athlete's facts as stored; null until they are here. */
  facts: PlanningView | null;
  /** The latest change asked for, planned already or not. */
  latest: () => ScenarioBody | null;
  attempt: (s: ScenarioBody) => void;
  discard: () => void;
}

export const usePlanning = (id: string) =>
  useQuery({ queryKey: ["a", id, "planning"], queryFn: () => get<PlanningView>(`/athletes/${id}/planning`) });

export const useTakeScenario = (id: string) => useChange(id, (s: ScenarioBody) => put(`/athletes/${id}/scenario`, s));

/** Loads the facts and starts the worker ahead of the first change. */
export function useTrial(id: string): Trial {
  const planning = usePlanning(id);
  // Asked of between two renderings: what is drawn follows in its own time.
  const state = useRef(NOTHING_TRIED);
  const [{ shown, fault }, setDrawn] = useState<Pick<TrialState, "shown" | "fault">>(NOTHING_TRIED);
  const [busy, setBusy] = useState(false);
  const worker = useRef<Started<SeasonWorker> | null>(null);

  const act = (action: TrialAction): void => {
    state.current = trial(state.current, action);
    const { shown: view, fault: said, running } = state.current;
    setBusy(running !== null);
    const draw = () => setDrawn({ shown: view, fault: said });
    // A plan is drawn in slices, so that the drag is never held up.
    if (action.type === "planned") startTransition(draw);
    else if (action.type === "failed" || action.type === "discarded") draw();
  };

  const facts = planning.data ?? null;
  useEffect(() => {
    if (!facts) return;
    const started = startWorker<SeasonWorker>(
      new Worker(new URL("../worker/season.worker.ts", import.meta.url), { type: "module" }),
      (remote) => remote.load(facts),
    );
    worker.current = started;
    act({ type: "facts-changed" });
    void run();
    return () => {
      worker.current = null;
      started.end();
    };
  }, [facts]);

  const run = async () => {
    if (state.current.running) return;
    while (state.current.wanted && worker.current) {
      act({ type: "begun" });
      const scenario = state.current.running;
      if (!scenario) return;
      const { remote, ready, gone } = worker.current;
      try {
        const next = await Promise.race([ready.then(() => remote.plan(scenario)), gone]);
        // What did not change is not drawn again.
        const before = state.current.shown?.view;
        act(next ? { type: "planned", view: before ? replaceEqualDeep(before, next) : next } : { type: "cut-off" });
      } catch (error) {
        act({ type: "failed", fault: error instanceof Error ? error.message : "The season cannot be planned." });
      }
    }
  };
  return {
    scenario: shown?.scenario ?? null,
    view: shown?.view ?? null,
    busy,
    fault,
    facts,
    latest: () => state.current.latest,
    attempt: (scenario) => {
      act({ type: "attempted", scenario });
      void run();
    },
    discard: () => act({ type: "discarded" }),
  };
}
