/** What work without load becomes where nothing heavier is at hand: slower, with a pause, one and a half in one (rule grow.unloaded). */
import type { Place } from "../athlete";
import { onceForText } from "../once";
import { numbers } from "../rulebook";
import { type Tempo, tempoOf } from "./tempo";
import { EXTERNAL, type Exercise, type LoadKind, PRIMARY_PATTERNS, STRONG } from "./types";

export interface Slower extends Tempo {
  /** One and a half repetitions in one. */
  half: boolean;
}

/** The steps that an exercise can take, its own tempo first. */
const stepsOf = onceForText((tempo): readonly Slower[] => {
  const { first, second, pause } = numbers("grow.unloaded");
  const own = tempoOf(tempo);
  const steps: Slower[] = [{ ...own, half: false }];
  const add = (next: Tempo, half: boolean) => {
    const last = steps[steps.length - 1] as Slower;
    if (next.down > last.down || next.pause > last.pause || half) steps.push({ ...next, half });
  };
  add({ ...own, down: Math.max(own.down, first) }, false);
  add({ ...own, down: Math.max(own.down, second) }, false);
  const slowest = { ...own, down: Math.max(own.down, second), pause: Math.max(own.pause, pause) };
  add(slowest, false);
  add(slowest, true);
  return steps;
});

/** How an exercise is done at a step, from 0; the last where there are fewer. */
export function slowerAt(tempo: string, step: number): Slower {
  const steps = stepsOf(tempo);
  return steps[Math.max(0, Math.min(step, steps.length - 1))] as Slower;
}

/** The step that a tempo was done at. */
export function slowerStepOf(own: string, done: string, half: boolean): number {
  const { down, pause } = tempoOf(done);
  const at = stepsOf(own).findLastIndex((s) => s.down <= down && s.pause <= pause && (half || !s.half));
  return Math.max(0, at);
}

/** Longest pause of work that moves: what is longer is a hold. */
const { pause: LONGEST_PAUSE } = numbers("grow.unloaded");

/**
 * Whether an exercise grows this way here: leading patterns without load, where no bar and no machine would load another. Control of the hip
 * grows by its repetitions and its ladder.
 */
export const growsSlower = (e: Exercise, loading: LoadKind, place: Place): boolean =>
  !EXTERNAL.includes(loading) &&
  PRIMARY_PATTERNS.includes(e.pattern) &&
  e.primary.some((m) => STRONG.includes(m)) &&
  e.unit === "reps" &&
  tempoOf(e.tempo).pause <= LONGEST_PAUSE &&
  place.bars.length === 0 &&
  place.machines.length === 0;
