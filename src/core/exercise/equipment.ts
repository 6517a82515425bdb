/** What a place can offer an exercise. */
import type { Place } from "../athlete";
import { onceFor } from "../once";
import { massesBetween } from "../units";
import type { Exercise, LoadKind, Need } from "./types";

/** @returns whether the place holds what the word asks for */
export function hasNeed(place: Place, need: Need): boolean {
  if (need.startsWith("machine:")) return place.machines.some((m) => m.kind === need.slice(8));
  // A bar to hang from is no bar to load.
  if (need.endsWith("-bar") && need !== "pull-up-bar") return place.bars.some((b) => `${b.kind}-bar` === need);
  switch (need) {
    case "dumbbell":
      return place.dumbbellsKg.some((d) => d.count > 0) || (place.bottlesKg ?? []).length > 0 || !!place.rucksack;
    case "dumbbell-pair":
      return place.dumbbellsKg.some((d) => d.count > 1) || bottlePairs(place).length > 0 || !!place.rucksack;
    case "step":
      return place.other.includes("step") || place.stairsCm !== undefined || place.other.includes("low-wall");
    case "bench":
      return place.other.some((o) => o === "bench" || o === "chair" || o === "low-wall");
    case "kettlebell":
      return place.kettlebellsKg.some((k) => k.count > 0);
    case "band":
      return place.bands.length > 0;
    case "box":
      return place.boxesCm.length > 0 || place.other.some((o) => o === "box" || o === "low-wall");
    default:
      return place.other.includes(need);
  }
}

/** Masses of bottles that there are two of. */
export const bottlePairs = ({ bottlesKg = [] }: Place): number[] =>
  bottlesKg.filter((kg, i) => bottlesKg.indexOf(kg) < i);

/** Every mass that a rucksack can be filled to, kg, rising. */
export const rucksackLoads = ({ rucksack: r }: Place): number[] =>
  r ? massesBetween(r.emptyKg, r.maxKg, r.stepKg) : [];

/** Work that nothing but a weight in the hand, on a real bench, serves. */
const HANDS_ONLY: ReadonlySet<string> = new Set(["incline-press", "overhead-lunge"]);
/** What of a place serves it. */
const handsOnly = onceFor((place: Place): Place => {
  const { rucksack: _, stairsCm: __, ...rest } = place;
  return { ...rest, other: place.other.filter((o) => o !== "chair" && o !== "low-wall") };
});
/** The place as an exercise may use it: no rucksack where the hands must hold the load. */
export const usedBy = (e: Pick<Exercise, "id">, place: Place): Place =>
  HANDS_ONLY.has(e.id) ? handsOnly(place) : place;

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
  remembered(loadedHere(place), e, () => loadedAt(e, usedBy(e, place)) ?? unloadedAt(e, usedBy(e, place)));

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
