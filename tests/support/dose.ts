/** The dose of a day for a test: a row of an approach, for a trained lifter unless it says otherwise. */
import type { Stage } from "../../src/core/athlete/approach";
import type { Gate } from "../../src/core/athlete/gate";
import type { Emphasis, Phase } from "../../src/core/athlete/types";
import { type DoseFor, type SessionDose, sessionDose } from "../../src/core/dose/dose";

export const PHASE_OF: Record<Stage, Phase> = {
  "base-early": "base",
  "base-late": "base",
  build: "build",
  race: "race",
  recovery: "recovery",
};
export const TRAINED: Pick<Gate, "minRir" | "training"> = { minRir: 0, training: "trained" };

const STAGE_OF: Record<Emphasis, Stage> = {
  prepare: "base-early",
  develop: "base-late",
  maximal: "build",
  hold: "race",
  restore: "recovery",
};

export function doseAt(
  stage: Stage,
  gate: Pick<Gate, "minRir" | "training"> = TRAINED,
  approach = "layered",
  more: Partial<DoseFor> & { holds?: Stage } = {},
): SessionDose {
  const { holds = "build", ...rest } = more;
  const athlete = { settings: { approach } };
  const emphasis = (Object.keys(STAGE_OF) as Emphasis[]).find((e) => STAGE_OF[e] === stage) ?? "develop";
  return sessionDose(athlete, { phase: PHASE_OF[stage], stage, emphasis, holds }, { gate, ...rest });
}

/** The layered approach's dose of an emphasis. */
export const layeredAt = (emphasis: Emphasis, gate: Pick<Gate, "minRir" | "training"> = TRAINED): SessionDose =>
  doseAt(STAGE_OF[emphasis], gate);
