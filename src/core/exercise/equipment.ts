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
const loadedHere = onceFor((_place: Place) => new Map<Exercise, LoadKind | null>());
const bareHere = onceFor((_place: Place) => new Map<Exercise, LoadKind | null>());

function remembered(known: Map<Exercise, LoadKind | null>, e: Exercise, ask: () => LoadKind | null): LoadKind | null {
  const before = known.get(e);
  if (before !== undefined) return before;
  const answer = ask();
  known.set(e, answer);
  return answer;
}

/** @returns the loading that the exercise would have here, or null when the place cannot offer it */
export const loadingAt = (e: Exercise, place: Place): LoadKind | null =>
  remembered(loadedHere(place), e, () => loadedAt(e, place) ?? unloadedAt(e, place));

/** @returns how it is done here with nothing in the hands and no bar, or null when it is not */
export const bareLoadingAt = (e: Exercise, place: Place): LoadKind | null =>
  remembered(bareHere(place), e, () => unloadedAt(e, place));

const isFull = (e: Exercise, place: Place): boolean => e.needs.some((set) => set.every((n) => hasNeed(place, n)));

function loadedAt(e: Exercise, place: Place): LoadKind | null {
  if (e.loading === "bodyweight" || !isFull(e, place)) return null;
  if (e.loading !== "pair" && e.loading !== "single") return e.loading;
  const held = e.needs.some((set) => set.some((n) => IN_HAND.includes(n)) && set.every((n) => hasNeed(place, n)));
  return held ? e.loading : null;
}

function unloadedAt(e: Exercise, place: Place): LoadKind | null {
  if (e.loading === "band") return isFull(e, place) ? "band" : null;
  if (!e.bodyweightToo) return null;
  const bare = e.needs.some((set) => set.filter((n) => !IN_HAND.includes(n)).every((n) => hasNeed(place, n)));
  return bare ? "bodyweight" : null;
}
