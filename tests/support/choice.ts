/** What a test chooses exercises by: the shipped library, the gym, a spring day, and what the athlete's record says. */
import { activeAreas, pastAreas, safetyGate } from "../../src/core/athlete/gate";
import type { Athlete } from "../../src/core/athlete/types";
import { type ChoiceContext, nothingFound } from "../../src/core/exercise/choose";
import { SHIPPED_LIBRARY } from "../../src/core/exercise/library";
import { progressionsOf } from "../../src/core/exercise/progression";
import { stagesOn } from "../../src/core/pathway";
import { findingsOf } from "../../src/core/screening/findings";
import { athleteWith, gym } from "./athlete";

export const exercise = (id: string) => {
  const found = SHIPPED_LIBRARY.byId(id);
  if (!found) throw new Error(`no exercise ${id}`);
  return found;
};

export function choiceFor(athlete: Athlete = athleteWith(), more: Partial<ChoiceContext> = {}): ChoiceContext {
  const on = more.on ?? "2026-03-03";
  const gate = safetyGate(athlete, on);
  const areas = more.areas ?? activeAreas(athlete, on);
  return {
    athlete,
    library: SHIPPED_LIBRARY,
    place: gym,
    on,
    gate,
    areas,
    past: pastAreas(athlete, on),
    stages: more.areas
      ? areas.map((area) => ({ area, side: "left", stage: "settle", since: on, begun: false, lowered: null }))
      : stagesOn(athlete, on),
    out: [],
    sparedHamstring: areas.includes("hamstring"),
    findings: findingsOf(athlete, on),
    progressions: progressionsOf(SHIPPED_LIBRARY, athlete, gate.training, athlete.strengthLog),
    unloaded: false,
    forStrength: false,
    laddersFirst: false,
    sides: new Map(),
    stopped: new Map(),
    recent: new Map(),
    unmoved: new Set(),
    known: null,
    block: { now: new Map(), before: new Set(), earlier: new Set() },
    nothingNew: null,
    nothingSlow: null,
    slowOut: null,
    lightHinge: null,
    kneeHinge: null,
    memo: new Map(),
    anywhere: nothingFound(),
    ...more,
  };
}
