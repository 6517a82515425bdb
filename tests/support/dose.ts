/** The dose of a day for a test: a row of an approach, for a trained lifter unless it says otherwise. */
import type { Stage } from "../../src/core/athlete/approach";
import type { Emphasis, Phase } from "../../src/core/athlete/types";
import { type DoseDay, type DoseFor, type SessionDose, sessionDose } from "../../src/core/dose/dose";

export const PHASE_OF: Record<Stage, Phase> = {
  "base-early": "base",
  "base-late": "base",
  build: "build",
  race: "race",
  recovery: "recovery",
};
type Whom = Partial<DoseFor["gate"]>;
export const TRAINED: DoseFor["gate"] = {
  minRir: 0,
  training: "trained",
  minor: false,
  easier: false,
  moderate: false,
};

const STAGE_OF: Record<Emphasis, Stage> = {
  prepare: "base-early",
  develop: "base-late",
  maximal: "build",
  hold: "race",
  restore: "recovery",
};

export function doseAt(
  stage: Stage,
  gate: Whom = TRAINED,
  approach = "layered",
  more: Partial<DoseFor> & Partial<Pick<DoseDay, "holds" | "held" | "block" | "closes" | "stepBack">> = {},
): SessionDose {
  const { holds = "build", held, block = null, closes = null, stepBack = false, ...rest } = more;
  const athlete = { settings: { approach } };
  const emphasis = (Object.keys(STAGE_OF) as Emphasis[]).find((e) => STAGE_OF[e] === stage) ?? "develop";
  const easier = (gate.training ?? "trained") !== "trained";
  return sessionDose(
    athlete,
    { phase: PHASE_OF[stage], stage, emphasis, holds, held, block, closes, stepBack },
    { gate: { ...TRAINED, easier, ...gate }, ...rest },
  );
}

/** The layered approach's dose of an emphasis. */
export const layeredAt = (emphasis: Emphasis, gate: Whom = TRAINED): SessionDose => doseAt(STAGE_OF[emphasis], gate);

/** A loading week of a first block. */
export const blockWeek = (week: number, weeks: number) => ({ week, weeks, nth: 1, before: 0 });

/** A dose whose columns are all the same. */
export const inEveryColumn = (dose: SessionDose, cell: Partial<SessionDose["cells"]["squat"]>): SessionDose => ({
  ...dose,
  cells: Object.fromEntries(
    Object.entries(dose.cells).map(([c, was]) => [c, { ...was, ...cell }]),
  ) as SessionDose["cells"],
});
