/** How a session's items are written, wherever they stand: on a sheet, a card, paper, or in a list of changes. */

import type { Emphasis } from "../athlete";
import type { Household } from "../dose";
import { type LoadKind, tempoOf } from "../exercise";
import type { Item } from "./types";

/** "4–6", "5", or "30 s". */
export const workText = (d: {
  reps?: number | null | undefined;
  repsLow?: number | null | undefined;
  seconds?: number | null | undefined;
}): string =>
  d.seconds != null
    ? `${d.seconds} s`
    : `${d.repsLow != null && d.repsLow !== d.reps ? `${d.repsLow}–` : ""}${d.reps ?? ""}`;

/** Repetitions in reserve as they are shown: "2", or "5 or more" above five (rule load.triple). */
export { reserveWords as reserveText } from "../rulebook";

/** The number of the group an item is alternated in: 1 of "1A" and "1B". */
export const groupOf = (i: { pair: string }): number => Number.parseInt(i.pair, 10);

/** Whether two items are alternated. */
export const together = (a: { pair: string } | undefined, b: { pair: string } | undefined): boolean =>
  a !== undefined && b !== undefined && groupOf(a) === groupOf(b);

interface Held {
  loading: LoadKind;
  loadKg: number | null;
  household: Household | null;
}

/** A load in both hands; what stands in for a pair of dumbbells is one rucksack of both. */
export const isInTwo = (i: Pick<Held, "loading" | "household">): boolean =>
  i.loading === "pair" && i.household !== "rucksack";

/** kg of each piece that is carried. */
export const carriedKg = (i: Held): number => (i.loadKg ?? 0) * (i.loading === "pair" && !isInTwo(i) ? 2 : 1);

/** How a load is held: "one in each hand", "rucksack, on the back"; empty where that goes without saying. */
export function heldText({ loading, loadKg, household }: Held): string {
  if (loadKg === null || (loading !== "pair" && loading !== "single")) return "";
  if (household === "rucksack") return loading === "pair" ? "rucksack, on the back" : "rucksack, held";
  if (household === "bottles") return loading === "pair" ? "a bottle in each hand" : "one bottle, held";
  return loading === "pair" ? "one in each hand" : "one, held";
}

/** What a session builds up, as it is called: maximal work that nothing here could load is slow strength. */
export const emphasisText = (s: { emphasis: Emphasis; slow: boolean }): string =>
  s.slow ? "slow strength" : s.emphasis;

/** "4 s down, 2 s at depth, one and a half in one"; empty where the tempo is the exercise's own. */
export function slowText({ slow, tempo }: Pick<Item, "slow" | "tempo">): string {
  if (!slow) return "";
  const { down, pause } = tempoOf(tempo);
  return [`${down} s down`, pause > 0 ? `${pause} s at depth` : "", slow.half ? "one and a half in one" : ""]
    .filter((t) => t !== "")
    .join(", ");
}
