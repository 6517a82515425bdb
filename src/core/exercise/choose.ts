/** Which exercise takes a slot: everything the athlete may do here now, ranked, with the reasons of those that were left out. */
import type { Area, Athlete, Place } from "../athlete/types";
import type { IsoDate } from "../dates";
import { passes } from "../screening/marks";
import { loadingAt } from "./equipment";
import { EXERCISES } from "./library";
import type { Exercise, Loading, Pattern } from "./types";

export interface ChoiceContext {
  athlete: Athlete;
  place: Place;
  on: IsoDate;
  areas: readonly Area[];
  /** Nothing in the hands and no bar. */
  unloaded: boolean;
  /** Exercises stopped for pain, by id, with the reason. */
  stopped: ReadonlyMap<string, string>;
  /** Exercises in the log of the last eight weeks, by id, with how often. */
  recent: ReadonlyMap<string, number>;
}

export interface Candidate {
  exercise: Exercise;
  loading: Loading;
  score: number;
}

const AREA_WORDS: Record<Area, string> = {
  "knee-front": "front of the knee",
  "knee-outside": "outside of the knee",
  "low-back": "low back",
  achilles: "Achilles tendon",
  calf: "calf",
  shin: "shin",
  foot: "foot",
  hamstring: "hamstring",
  groin: "groin",
  "hip-flexor": "hip flexor",
  hip: "hip",
  shoulder: "shoulder",
  "bone-stress": "bone stress",
};

/** @returns why the exercise is closed to this athlete here today, or null when it is open */
export function closedBecause(e: Exercise, c: ChoiceContext): string | null {
  const stopped = c.stopped.get(e.id);
  if (stopped) return stopped;
  const area = e.notWith.find((a) => c.areas.includes(a));
  if (area) return `left out while the ${AREA_WORDS[area]} is in trouble`;
  const gate = e.gates.find((t) => passes(c.athlete, t, c.on) === false);
  if (gate) return `closed until the ${gate.replaceAll("-", " ")} test is passed`;
  if (loadingAt(e, c.place, !c.unloaded) === null) return `${c.place.id} has not the equipment`;
  return null;
}

/**
 * Open exercises of a pattern, best first; equal scores fall in the order of their ids.
 * Rungs the athlete stands on and lifts already in the log come first, since main lifts stay 3 to 6 weeks (handbook 13, rule 7).
 */
export function rankFor(pattern: Pattern, c: ChoiceContext, main: boolean): Candidate[] {
  const sport = c.athlete.athlete.sport;
  const rungs = new Set(c.athlete.rungs?.map((r) => r.exercise));
  const fresh = c.athlete.athlete.strengthTrainingMonths < 3;
  return EXERCISES.filter(
    (e) => e.pattern === pattern && (!main || e.main || c.unloaded) && closedBecause(e, c) === null,
  )
    .map((exercise): Candidate => {
      const loading = loadingAt(exercise, c.place, !c.unloaded) ?? "bodyweight";
      const times = Math.min(4, c.recent.get(exercise.id) ?? 0);
      const simple = fresh && exercise.loading === "bar" ? -4 : 0;
      const score =
        exercise.rank + (exercise.sports[sport] ?? 0) + times * 1.5 + (rungs.has(exercise.id) ? 12 : 0) + simple;
      return { exercise, loading, score };
    })
    .sort((a, b) => b.score - a.score || (a.exercise.id < b.exercise.id ? -1 : 1));
}
