/** How long a finding adds work, when it is to be looked at again, and which tests are due (rule finding.end). */
import type { Athlete, ScreenTest } from "../athlete";
import { addDays, dayLabel, daysBetween, type IsoDate } from "../dates";
import { numbers, type RuleValues, say, type Why, why } from "../rulebook";
import { gateValue, latestScreening, passMark } from "./marks";
import { TEST_SHEETS, testName } from "./tests";

/** Full work, half of it for the last fortnight, none. */
export type FindingStage = "work" | "half" | "over";

/** @param since the day on which it was last looked at */
export function findingStage(since: IsoDate, on: IsoDate, own?: RuleValues): FindingStage {
  const { days, halfDays } = numbers("finding.end", own);
  const nth = daysBetween(since, on);
  if (nth >= days) return "over";
  return nth >= days - halfDays ? "half" : "work";
}

/** When its work halves or ends, in words. */
export function endText(since: IsoDate, on: IsoDate, own?: RuleValues): string {
  const { days, halfDays } = numbers("finding.end", own);
  const stage = findingStage(since, on, own);
  if (stage === "over") return say("finding.end", "over", { since: dayLabel(since) });
  const until = dayLabel(addDays(since, stage === "work" ? days - halfDays - 1 : days - 1));
  return say("finding.end", stage === "work" ? "full" : "half", { until });
}

/** Repetitions that rise by one a week from a least to a most. */
export const rising = (since: IsoDate, on: IsoDate, least: number, most: number): number =>
  Math.min(most, least + Math.max(0, Math.floor(daysBetween(since, on) / 7)));

/** The test's results under its mark without one above between them: day of the first; null where the last passed. */
function failingSince(athlete: Athlete, test: ScreenTest, on: IsoDate): IsoDate | null {
  const results = athlete.screening
    .filter((s) => s.test === test && s.date <= on)
    .sort((a, b) => (a.date < b.date ? -1 : 1));
  let since: IsoDate | null = null;
  for (const s of results) since = gateValue(s) >= passMark(athlete, test, s.date) ? null : (since ?? s.date);
  return since;
}

/** What the coach is to look at again: findings after their weeks, tests that do not pass for longer than their work lasts. */
export function looksDue(athlete: Athlete, on: IsoDate, names: (what: string) => string): Why[] {
  const own = athlete.settings?.ruleValues;
  const { days, lookDays } = numbers("finding.end", own);
  const out: Why[] = [];
  const again: string[] = [];
  const look = (what: string, ago: number) => again.push(say("finding.end", "ago", { what, days: ago }));
  for (const { test } of TEST_SHEETS) {
    const since = failingSince(athlete, test, on);
    const last = latestScreening(athlete, test, on);
    if (!since || !last) continue;
    const ago = daysBetween(last.date, on);
    const long = daysBetween(since, on);
    if (long >= days) out.push(why("finding.end", "overdue", { what: testName(test), weeks: Math.floor(long / 7) }));
    else if (ago >= lookDays) look(testName(test), ago);
  }
  const seen = new Map(athlete.seen.filter((s) => s.date <= on).map((s) => [s.what, s.date]));
  for (const [what, date] of seen) {
    const ago = daysBetween(date, on);
    if (ago >= lookDays) look(names(what), ago);
  }
  return again.length > 0 ? [...out, why("finding.end", "look", { what: again })] : out;
}

export interface TestDate {
  test: ScreenTest;
  name: string;
  /** Day of the last result. */
  date: IsoDate;
  /** First day on which it is too old. */
  due: IsoDate;
}

/** Every test that was done, with the day on which it is due again, the oldest first. @param on results up to this day count */
export function testDates(athlete: Athlete, on: IsoDate): TestDate[] {
  const { staleDays } = numbers("finding.end", athlete.settings?.ruleValues);
  return TEST_SHEETS.flatMap(({ test }) => {
    const last = latestScreening(athlete, test, on);
    return last ? [{ test, name: testName(test), date: last.date, due: addDays(last.date, staleDays + 1) }] : [];
  }).sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** Tests whose last result is too old, the oldest first. */
export const testsDue = (athlete: Athlete, on: IsoDate): TestDate[] =>
  testDates(athlete, on).filter((t) => t.due <= on);

/** Exercises of the same movement as a test. */
const SAME_MOVEMENT: Readonly<Partial<Record<ScreenTest, readonly string[]>>> = {
  "single-leg-squat": [
    "single-leg-squat-bench",
    "single-leg-squat-loaded",
    "shallow-single-leg-squat-band",
    "wall-pressed-squat",
  ],
  "calf-raise": ["calf-raise", "slow-calf-raise"],
  "single-leg-bridge": ["single-leg-bridge"],
  "march-hold": ["march-hold", "march-hold-unloaded"],
};
const TEST_OF: ReadonlyMap<string, ScreenTest> = new Map(
  Object.entries(SAME_MOVEMENT).flatMap(([test, ids]) => ids.map((id) => [id, test as ScreenTest] as const)),
);

/** Clean repetitions of a failed test of the same movement: nobody is asked for more of it; null where nothing caps it. */
export function cleanCap(athlete: Athlete, exercise: string, on: IsoDate): { reps: number; why: Why } | null {
  const test = TEST_OF.get(exercise);
  const last = test && latestScreening(athlete, test, on);
  if (!test || !last) return null;
  const value = gateValue(last);
  if (value >= passMark(athlete, test, on)) return null;
  const reps = Math.max(1, Math.floor(value));
  return { reps, why: why("finding.end", "capped", { reps, test: testName(test) }) };
}
