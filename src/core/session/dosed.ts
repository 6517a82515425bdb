/** What an exercise is given: its point on the block's line, and one consistent triple of percent, repetitions and reserve. */
import type { Column } from "../athlete";
import { type Dose, onOneLeg, percentFor, wholeReps } from "../dose";
import type { Exercise } from "../exercise";
import { numbers, say, type Why, why } from "../rulebook";
import { roundTo, TOLERANCE } from "../units";
import type { LoadAnswer, SessionRequest } from "./types";

export type DoseAt = ReturnType<typeof doseAt>;

/** The dose of an exercise, at its point of the block's line where there is one. */
export function doseAt(exercise: Exercise, column: Column, external: boolean, r: SessionRequest) {
  const { kind, loaded, unloaded } = r.dose.cells[column];
  const doses = external ? loaded : unloaded;
  const place = kind === "line" ? r.placeFor(exercise.id) : { point: 0, why: [] };
  const point = Math.min(place.point, doses.length - 1);
  const dose = doses[point] as Dose;
  const builds = kind === "line" || kind === "step-back";
  return {
    kind,
    dose: external && exercise.unilateral && builds ? onOneLeg(dose) : dose,
    line: kind === "line" ? { point, of: doses.length } : null,
    why: place.why,
  };
}

/** What an item's repetitions, reserve and percent are in the end: one thing (rule load.triple). */
interface Triple {
  reps: number | null;
  rir: number;
  percent1rm: number | null;
  why: Why[];
}

/**
 * @param reps asked for by the dose or the log
 * @param most repetitions that its row ends at
 * @returns a reserve of six where more than five are left: they are not told apart
 */
export function consistent(reps: number | null, rir: number, most: number, a: LoadAnswer, r: SessionRequest): Triple {
  const made = tripleOf(reps, rir, most, a, r);
  made.rir = Math.min(made.rir, numbers("load.triple").shownUpTo + 1);
  return made;
}

function tripleOf(reps: number | null, rir: number, most: number, a: LoadAnswer, r: SessionRequest): Triple {
  const { percent1rm: is, loadKg } = a;
  if (reps === null || is === null || loadKg === null) return { reps, rir, percent1rm: is, why: [] };
  const { sameWithin } = numbers("load.triple");
  const formula = r.choice.athlete.settings?.oneRepMax ?? "default";
  const can = wholeReps(is, formula);
  const told = (n: number, left: number): Triple => ({
    reps: n,
    rir: left,
    percent1rm: is,
    why: [why("load.triple", "left", { kg: roundTo(loadKg, 2), percent: is, reps: n, reserve: left })],
  });
  // What the room's steps alone take off the load, repetitions give back.
  const aimed = a.aim ? (is * a.aim.kg) / loadKg : is;
  const more = a.capped ? 0 : Math.min(most, can - rir);
  if (more > reps && a.aim?.percent != null && aimed >= a.aim.percent - sameWithin) return told(more, can - more);
  if (can - reps > rir) return told(reps, can - reps);
  if (can - reps === rir) return { reps, rir, percent1rm: is, why: [] };
  // The lightest load there is asks for fewer; one that the log has earned is the percent asked for of what is lifted by now.
  if (loadKg > (a.aim?.kg ?? loadKg) + TOLERANCE) {
    const fewer = Math.max(1, Math.min(reps, can - rir));
    return told(fewer, Math.max(0, can - fewer));
  }
  const asks = percentFor(reps + rir, formula);
  return { reps, rir, percent1rm: asks === null ? is : roundTo(Math.min(is, asks), 1), why: [] };
}

const AHEAD = say("block.place", "ahead");

/** What the line, a hold or a step-back says of an item; that it is planned ahead is said of the leading lifts alone. */
export function lineWhy(at: DoseAt, v: Parameters<typeof say<"stepback.line", "first">>[2], leads: boolean): Why[] {
  const placed = leads ? at.why : at.why.filter((w) => w.text !== AHEAD);
  const { sets, amount, percent, reserve } = v;
  const { line } = at;
  if (line)
    return [
      why("block.line", "point", { sets, amount, percent, reserve, point: line.point + 1, of: line.of }),
      ...placed,
    ];
  if (at.kind === "step-back") return [why("stepback.line", "first", v)];
  return at.kind === "hold" ? [why("hold.line", "keeps", v)] : [];
}
