/** Work without load where nothing heavier is at hand: slower by the block, slow strength in place of maximal (rules slow.strength, grow.unloaded). */
import type { Emphasis } from "../athlete";
import type { Dose } from "../dose";
import { type Candidate, EXTERNAL, growsSlower, slowerAt, tempoText } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import type { DoseAt } from "./dosed";
import type { Slot } from "./slots";
import type { SessionRequest, SlowWork } from "./types";

export interface Slowed {
  dose: Dose;
  tempo: string;
  work: SlowWork;
  why: Why[];
}

/** Emphases whose lines come to few repetitions. */
const FEW_REPS: readonly Emphasis[] = ["develop", "maximal", "hold"];

/** Steps of slower work that an emphasis takes at most. */
const { steps: MOST_STEPS } = numbers("grow.unloaded");

/** Sets, repetitions, lowering, pause and reserve of a loading week. @param week from 1 */
export function slowRow(week: number) {
  const { sets, reps, down, pause, reserve } = numbers("slow.strength");
  const at = `${Math.max(1, Math.min(week, Object.keys(sets).length))}` as keyof typeof sets;
  return { sets: sets[at], reps: reps[at], down: down[at], pause: pause[at], reserve: reserve[at] };
}

/** Why a lift that the day would have heavy is not, for want of weight; null where it may be, or the day asks for nothing heavy. */
export function lightHere({ exercise, loading }: Candidate, slot: Slot, r: SessionRequest): Why | null {
  if (r.edit || r.routine || slot.added || !FEW_REPS.includes(r.emphasis)) return null;
  return EXTERNAL.includes(loading) ? r.tooLightFor(exercise, loading) : null;
}

/**
 * How an exercise is done slower here; null where something loads it, or nothing builds up.
 * @param light what loads it here is too light for few repetitions
 */
export function slowed(
  at: DoseAt,
  { exercise, loading }: Candidate,
  slot: Slot,
  r: SessionRequest,
  light: boolean,
): Slowed | null {
  if (at.kind !== "line" && at.kind !== "step-back") return null;
  // What a finding asked for has a dose of its own.
  if (r.loading !== "full" || r.edit || r.routine || slot.added) return null;
  if (!light && !growsSlower(exercise, loading, r.place)) return null;
  const step = Math.min(r.slowerFor(exercise.id), MOST_STEPS[r.emphasis]);
  const tempo = slowerAt(exercise.tempo, step);
  const point = at.line?.point ?? 0;
  const strength = r.emphasis === "maximal" && slot.kind !== "assist" && !r.choice.laddersFirst;
  const { heavyWeeks } = numbers("grow.unloaded");
  const lowers = exercise.pattern !== "hip";
  const isNew = lowers && step === (strength ? 0 : 1) && point < heavyWeeks && at.line !== null;
  if (!strength) {
    if (step === 0 || light) return null;
    const says = tempo.half ? why("grow.unloaded", "half") : why("grow.unloaded", "slower", tempo);
    return { dose: at.dose, tempo: tempoText(tempo), work: { step, half: tempo.half, strength, isNew }, why: [says] };
  }
  const row = slowRow(point + 1);
  const down = Math.max(tempo.down, row.down);
  const pause = Math.max(tempo.pause, row.pause);
  const { gate } = r.choice;
  const rir = Math.max(gate.minRir, row.reserve + (gate.easier ? 1 : 0));
  const reps = row.reps + (exercise.unilateral ? 0 : numbers("slow.strength").twoLegs);
  const sets = at.kind === "line" ? row.sets : at.dose.sets;
  return {
    dose: { ...at.dose, sets, repsLow: reps, reps, repsMost: reps, rir, percent: null },
    tempo: tempoText({ down, pause, lift: tempo.lift }),
    work: { step, half: tempo.half, strength, isNew },
    why: [
      why("slow.strength", "item", { down, pause, reserve: rir }),
      ...(tempo.half ? [why("grow.unloaded", "half")] : []),
    ],
  };
}
