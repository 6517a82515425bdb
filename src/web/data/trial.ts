/** A season that is tried: planned anew in a worker at each change, the latest change first, and taken over or thrown away. */
import { replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { startTransition, useEffect, useRef, useState } from "react";
import type { ScenarioBody } from "../../api/requests";
import type { PlanningView, SeasonView } from "../../api/views";
import type { SeasonWorker } from "../worker/season.worker";
import { get, put } from "./api";
import { useChange } from "./hooks";
import { type Started, startWorker } from "./remote";

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
  const [shown, setShown] = useState<{ scenario: ScenarioBody; view: SeasonView } | null>(null);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const worker = useRef<Started<SeasonWorker> | null>(null);
  /** Asked and not yet planned. */
  const wanted = useRef<ScenarioBody | null>(null);
  const latest = useRef<ScenarioBody | null>(null);
  const running = useRef(false);

  const facts = planning.data ?? null;
  useEffect(() => {
    if (!facts) return;
    const started = startWorker<SeasonWorker>(
      new Worker(new URL("../worker/season.worker.ts", import.meta.url), { type: "module" }),
      (remote) => remote.load(facts),
    );
    worker.current = started;
    // Facts that change while something is tried: the trial is planned from the new ones.
    if (latest.current) {
      wanted.current = latest.current;
      void run();
    }
    return () => {
      worker.current = null;
      started.end();
    };
  }, [facts]);

  /** One plan at a time; whatever was asked meanwhile but the last is passed over. */
  const run = async () => {
    if (running.current) return;
    running.current = true;
    setBusy(true);
    try {
      while (wanted.current && worker.current) {
        const scenario = wanted.current;
        const { remote, ready, gone } = worker.current;
        const next = await Promise.race([ready.then(() => remote.plan(scenario)), gone]);
        if (next === null) continue;
        if (wanted.current === scenario) wanted.current = null;
        if (latest.current === null) break;
        // Drawn in slices, so that the hand that drags is never held up; what did not change is not drawn again.
        startTransition(() => {
          setShown((before) => ({ scenario, view: before ? replaceEqualDeep(before.view, next) : next }));
          setFault(null);
        });
      }
    } catch (error) {
      wanted.current = null;
      setFault(error instanceof Error ? error.message : "The season cannot be planned.");
    } finally {
      running.current = false;
      setBusy(false);
    }
  };
  return {
    scenario: shown?.scenario ?? null,
    view: shown?.view ?? null,
    busy,
    fault,
    facts,
    latest: () => latest.current,
    attempt: (s) => {
      latest.current = s;
      wanted.current = s;
      void run();
    },
    discard: () => {
      latest.current = null;
      wanted.current = null;
      setShown(null);
      setFault(null);
    },
  };
}
