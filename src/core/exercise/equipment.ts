/** What a place can offer an exercise. */
import type { Place } from "../athlete";
import { onceFor } from "../once";
import type { Exercise, LoadKind, Need } from "./types";

/** @returns whether the place holds what the word asks for */
export function hasNeed(place: Place, need: Need): boolean {
  if (need.startsWith("machine:")) return place.machines.some((m) => m.kind === need.slice(8));
  if (need.endsWith("-bar")) return place.bars.some((b) => `${b.kind}-bar` === need);
  switch (need) {
    case "dumbbell":
      return place.dumbbellsKg.some((d) => d.count > 0);
    case "dumbbell-pair":
      return place.dumbbellsKg.some((d) => d.count > 1);
    case "kettlebell":
      return place.kettlebellsKg.some((k) => k.count > 0);
    case "band":
      return place.bands.length > 0;
    case "box":
      return place.boxesCm.length > 0 || place.other.includes("box");
    default:
      return place.other.includes(need);
  }
}

const IN_HAND: readonly Need[] = ["dumbbell", "dumbbell-pair", "kettlebell"];

/** Answers by place and exercise: a plan asks the same ones thousands of times. */
const asked = onceFor((_place: Place) => ({
  loaded: new Map<Exercise, LoadKind | null>(),
  bare: new Map<Exercise, LoadKind | null>(),
}));

/**
 * How the exercise can be done here.
 * @param loaded false asks for the form with nothing in the hands
 * @returns the loading it would have, or null when the place cannot offer it
 */
export function loadingAt(exercise: Exercise, place: Place, loaded: boolean): LoadKind | null {
  const known = asked(place)[loaded ? "loaded" : "bare"];
  const before = known.get(exercise);
  if (before !== undefined) return before;
  const answer = workedOut(exercise, place, loaded);
  known.set(exercise, answer);
  return answer;
}

function workedOut(exercise: Exercise, place: Place, loaded: boolean): LoadKind | null {
  const full = exercise.needs.some((set) => set.every((n) => hasNeed(place, n)));
  if (loaded && full && exercise.loading !== "bodyweight") {
    const heldHere = exercise.needs.some(
      (set) => set.some((n) => IN_HAND.includes(n)) && set.every((n) => hasNeed(place, n)),
    );
    if (exercise.loading === "pair" || exercise.loading === "single") {
      if (heldHere) return exercise.loading;
    } else return exercise.loading;
  }
  if (!exercise.bodyweightToo && exercise.loading !== "band") return null;
  if (exercise.loading === "band") return full ? "band" : null;
  const bare = exercise.needs.some((set) => set.filter((n) => !IN_HAND.includes(n)).every((n) => hasNeed(place, n)));
  return bare ? "bodyweight" : null;
}
