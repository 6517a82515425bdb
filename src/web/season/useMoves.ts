/** What hands ask of the season: races and boundaries elsewhere, another endurance plan. All of it is tried, and stored only when it is applied. */
import { useEffect, useRef } from "react";
import { applyScenario } from "../../api/make/scenario";
import type { ScenarioBody } from "../../api/requests";
import type { SeasonView } from "../../api/views";
import type { EndurancePlan, PhaseSpan, Race } from "../../core/athlete";
import { addDays, laterOf } from "../../core/dates";
import { withAmounts } from "../../core/mileage";
import { type Boundary, boundaryIn, moveBoundary, planPhases } from "../../core/season";
import { useChanging } from "../data/hooks";
import type { Trial } from "../data/trial";

/** A race or a boundary to another day, to a date or by so many days; another endurance plan; or a drag's end. */
export type Move =
  | { of: "race"; race: string; to: string | number }
  | { of: "boundary"; boundary: Boundary; to: string | number }
  | { of: "plan"; change: (plan: EndurancePlan | null) => EndurancePlan | null }
  | { of: "end" };

/** @param stored the season as it is stored @param view as it is tried */
export function useMoves(id: string, trial: Trial, stored: SeasonView, view: SeasonView) {
  const athlete = trial.facts?.athlete;
  const attempt = (change: ScenarioBody) => trial.attempt({ ...trial.latest(), ...change });
  /** The athlete with everything asked for so far, planned already or not. */
  const tried = () => athlete && applyScenario(athlete, trial.latest() ?? {});
  const moveRace = (raceId: string, to: string | number) => {
    const races = tried()?.races;
    const moved = races?.find((r) => r.id === raceId);
    if (!races || !moved) return;
    const last = addDays(stored.season.end, 1 - (moved.days ?? 1));
    const wanted = typeof to === "number" ? addDays(moved.date, to) : to;
    // The past is as it was.
    const date = wanted > last ? last : laterOf(wanted, view.today);
    attempt({ races: races.map((r) => (r.id === raceId ? { ...r, date } : r)) });
  };
  // A drag is counted from where it began, so that it leaves one boundary and not one for each step.
  const grip = useRef<{
    phases: readonly PhaseSpan[];
    own: readonly PhaseSpan[];
    races: readonly Race[];
    index: number;
  } | null>(null);
  const moveEdge = (boundary: Boundary, to: string | number) => {
    const now = tried();
    if (!now) return;
    if (!grip.current) {
      const { phases } = planPhases(now);
      const index = boundaryIn(phases, boundary);
      if (index === null) return;
      grip.current = { phases, own: now.phases ?? [], races: now.races, index };
    }
    const from = grip.current;
    const date = typeof to === "number" ? addDays(from.phases[from.index + 1]?.start ?? view.today, to) : to;
    const ahead = laterOf(date, addDays(view.today, 1));
    attempt({ phases: moveBoundary(from.phases, from.races, from.own, from.index, ahead) });
  };
  // What is asked for while a change is being stored waits for the facts that follow it.
  const changing = useChanging(id);
  const waiting = useRef<Move[]>([]);
  const move = (m: Move) => {
    if (changing() || waiting.current.length > 0) waiting.current.push(m);
    else if (m.of === "race") moveRace(m.race, m.to);
    else if (m.of === "boundary") moveEdge(m.boundary, m.to);
    else if (m.of === "plan") {
      const next = m.change(tried()?.endurancePlan ?? null);
      if (next) attempt({ endurancePlan: next });
    } else grip.current = null;
  };
  useEffect(() => {
    if (!changing()) for (const m of waiting.current.splice(0)) move(m);
  });
  return {
    athlete,
    attempt,
    move,
    /** Phases that the coach has set. */
    own: trial.scenario?.phases ?? athlete?.phases ?? [],
    plan: trial.latest()?.endurancePlan ?? athlete?.endurancePlan ?? null,
    attemptPlan: (next: EndurancePlan) => move({ of: "plan", change: () => next }),
    attemptAmounts: (amounts: ReadonlyMap<string, number>) =>
      move({ of: "plan", change: (now) => now && withAmounts(now, amounts) }),
  };
}
export type Moves = ReturnType<typeof useMoves>;
