/** What a day's row of the approach prescribes to one athlete: ranges become numbers. */
import { approachFor, rowFor, sessionsAWeek } from "../approach";
import type {
  Athlete,
  Column,
  DoseCell,
  DoseRow,
  Emphasis,
  Gate,
  Label,
  OneRepMaxFormula,
  Phase,
  Range,
  Stage,
} from "../athlete";
import { numbers, type Why, why } from "../rulebook";
import { percentFor, repsAt } from "./oneRepMax";

/** One kind of work: sets, reps [low, high], RIR, rest. */
export interface Dose {
  sets: number;
  repsLow: number;
  reps: number;
  rir: number;
  /** Percent of 1RM where the approach speaks in percent, or holds the percent of the build; null goes by reps and RIR. */
  percent: number | null;
  /** Seconds of a hold. */
  seconds: number;
  secondsMost: number;
  restSeconds: number;
  tempo: string | null;
}

export interface SessionDose {
  approach: string;
  emphasis: Emphasis;
  cells: Readonly<Record<Column, Dose>>;
  /** Planned effort of the session (rule session.rpe). */
  rpe: number;
  says: string;
  why: Why[];
}

/** Who the numbers are for. */
export interface DoseFor {
  gate: Pick<Gate, "minRir" | "training">;
  formula?: OneRepMaxFormula;
  /** The mileage leaves room for progress this week. */
  room?: boolean;
}

/** Which end of a range: trained lifters with room take the high one, everybody else the low one [trade]. */
const setsOf = (sets: Range, f: DoseFor): number => (f.gate.training === "trained" && f.room ? sets[1] : sets[0]);

/** Trained lifters work to the low end of the reserve, others keep the high one; never under what age or clearance asks for. */
const rirOf = (rir: Range, f: DoseFor): number =>
  Math.max(f.gate.training === "trained" ? rir[0] : rir[1], f.gate.minRir);

/**
 * A cell for one athlete.
 * @param held percent of 1RM that a hold keeps; null where the cell has its own effort
 */
export function doseOf(cell: DoseCell, f: DoseFor, held: number | null = null): Dose {
  const [repsLow, reps] = cell.reps;
  const percent = held ?? cell.percent;
  // With a percent the reserve follows from it, never below what the athlete's age or clearance asks for.
  const left = percent === null ? null : Math.max(0, Math.floor((repsAt(percent, f.formula) ?? reps) - reps + 1e-6));
  const rir = left === null ? rirOf(cell.rir ?? [2, 2], f) : Math.max(left, f.gate.minRir);
  return {
    sets: setsOf(cell.sets, f),
    repsLow,
    reps,
    rir,
    // An age that asks for more in reserve than the percent leaves goes by the reserve.
    percent: left !== null && rir > left ? null : percent,
    seconds: cell.seconds[0],
    secondsMost: cell.seconds[1],
    restSeconds: cell.restSeconds,
    tempo: cell.tempo,
  };
}

/** Percent of 1RM of a dose's top set, by the athlete's formula; null where nothing says it. */
export const percentOf = (d: Dose, formula?: OneRepMaxFormula): number | null =>
  d.percent ?? percentFor(d.reps + d.rir, formula);

/**
 * What a session of a day takes.
 * @param day its stage, emphasis, phase, and what a hold day holds
 */
export function sessionDose(
  athlete: Pick<Athlete, "settings" | "approaches">,
  day: { phase: Phase; stage: Stage; emphasis: Emphasis; holds: Stage },
  f: DoseFor,
): SessionDose {
  const approach = approachFor(athlete, day.phase);
  const row = approach.rows[day.stage];
  const formula = f.formula ?? athlete.settings?.oneRepMax ?? "default";
  const who = { ...f, formula };
  const build = row.samePercent ? approachFor(athlete, "build").rows[day.holds] : null;
  const cells = Object.fromEntries(
    (Object.keys(row.cells) as Column[]).map((c) => {
      const held = build && (c === "squat" || c === "hinge") ? percentOf(doseOf(build.cells[c], who), formula) : null;
      return [c, doseOf(row.cells[c], who, held)];
    }),
  ) as Record<Column, Dose>;
  const ends =
    f.gate.training === "trained" && f.room
      ? "the upper end of the ranges: trained, and the mileage leaves room"
      : `the lower end of the ranges${f.gate.training === "new" ? " for a new lifter" : ""}`;
  const version = approach.version > 1 ? `, version ${approach.version}` : "";
  return {
    approach: approach.id,
    emphasis: day.emphasis,
    cells,
    rpe: numbers("session.rpe").rpe[day.emphasis],
    says: row.says,
    why: [
      approach.id === "layered"
        ? why("emphasis.layered", "dose", { name: `${approach.name}${version}`, says: row.says, ends })
        : why("approach.dose", "dose", { name: `${approach.name}${version}`, says: row.says, ends }),
    ],
  };
}

/**
 * Sessions of a full week at a day's row. A race phase that goes back to prepare keeps its own number.
 * @returns a number that need not be whole, such as 1.6 in a row that slides
 */
export function perWeek(
  athlete: Pick<Athlete, "settings" | "approaches">,
  day: { phase: Phase; stage: Stage; through: number },
  training: Gate["training"],
): number {
  const of = (row: DoseRow) => sessionsAWeek(row, training === "trained", day.through);
  const own = of(rowFor(athlete, day.phase, day.stage));
  return day.phase === "race" && day.stage !== "race" ? Math.min(own, of(rowFor(athlete, "race", "race"))) : own;
}

/** Names of the session labels where a coach reads them. */
export const LABEL_WORDS: Record<Label, string> = {
  A: "Heavy A",
  B: "Single-leg B",
  C: "Control C",
  D: "Mobility D",
  E: "Monday routine",
  F: "Tuesday routine",
  G: "Wednesday routine",
  H: "Thursday routine",
  I: "Friday routine",
  J: "Saturday routine",
  K: "Sunday routine",
};
