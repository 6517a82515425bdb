/** How a session's items are written, wherever they stand: on a sheet, a card, paper, or in a list of changes. */

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
