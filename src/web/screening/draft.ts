/** A screen in progress: kept in the browser until it is accepted, so that a tablet that goes dark loses nothing. */
import type { ScreenBody } from "../../api/requests";
import type { ScreenTestView } from "../../api/views";
import type { ScreenTest, Seen } from "../../core/athlete";

export interface Result {
  left?: number;
  right?: number;
  value?: number;
}

export interface ScreenDraft {
  date: string;
  /** Index of the page. */
  page: number;
  results: Partial<Record<ScreenTest, Result>>;
  seen: { what: Seen; side?: "left" | "right" | "both" }[];
  /** The list of what was seen was gone through. */
  looked: boolean;
}

export const draftKey = (id: string): string => `field-anchor:screen:${id}`;
export const newDraft = (date: string): ScreenDraft => ({ date, page: 0, results: {}, seen: [], looked: false });

/** Whether every value that a test asks for is there. */
export const isWhole = (t: Pick<ScreenTestView, "sides">, r: Result | undefined): boolean =>
  r !== undefined && (t.sides ? r.left !== undefined && r.right !== undefined : r.value !== undefined);

/** What is sent: tests without any value are left out; a side that was not done stays open. */
export function bodyOf(d: ScreenDraft): ScreenBody {
  const results = Object.entries(d.results).flatMap(([test, r]) =>
    r && (r.left !== undefined || r.right !== undefined || r.value !== undefined)
      ? [{ test: test as ScreenTest, ...r }]
      : [],
  );
  return { date: d.date, results, seen: d.looked ? d.seen : null };
}

export const UNIT_WORDS: Record<ScreenTestView["unit"], string> = {
  degrees: "°",
  reps: "reps",
  cm: "cm",
  s: "s",
  "yes-no": "",
};
/** "8 reps", "62 s", "passed" */
export const valueText = (t: Pick<ScreenTestView, "unit">, v: number | null | undefined): string =>
  v === null || v === undefined
    ? "–"
    : t.unit === "yes-no"
      ? v >= 1
        ? "passed"
        : "not passed"
      : t.unit === "degrees"
        ? `${v}°`
        : `${v}\u00A0${t.unit === "reps" && v === 1 ? "rep" : UNIT_WORDS[t.unit]}`;

/** One step of a counter in the test's unit. */
export const stepOf = (unit: ScreenTestView["unit"]): number => (unit === "degrees" ? 5 : unit === "s" ? 5 : 1);
