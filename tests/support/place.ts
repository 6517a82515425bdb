/** One session at one place of a week, and the week around it, for the rules of placing. */
import type { EnduranceSession } from "../../src/core/athlete";
import { dayNumber } from "../../src/core/dates";
import { weekNumbers } from "../../src/core/week/numbers";
import type { Option, WeekContext } from "../../src/core/week/types";

/** A heavy session of an hour in the gym. */
export const optionOn = (date: string, start: number, more: Partial<Option> = {}): Option => ({
  label: "A",
  date,
  day: dayNumber(date),
  start,
  minutes: 60,
  place: "gym",
  lowerLoaded: true,
  heavy: true,
  mobility: false,
  stress: 300,
  legs: [],
  jumps: false,
  mayJump: false,
  lostShare: 0,
  lostWords: "",
  belowMinimumHold: false,
  softRaces: [],
  locked: false,
  ...more,
});

export const runOn = (
  date: string,
  start: string,
  kind: EnduranceSession["kind"],
  minutes = 40,
  more: Partial<EnduranceSession> = {},
): EnduranceSession => ({ date, start, sport: "run", kind, minutes, ...more });

/** A week in which everything but easy endurance is key. */
export function contextOf(
  monday: string,
  endurance: readonly EnduranceSession[],
  more: Partial<WeekContext> = {},
): WeekContext {
  const keyDays = new Set(endurance.filter((e) => e.kind !== "easy").map((e) => dayNumber(e.date)));
  return {
    monday: dayNumber(monday),
    endurance,
    existing: [],
    placement: "stack",
    weights: {},
    numbers: weekNumbers(),
    keyDays,
    hasKey: keyDays.size > 0,
    preferredDays: new Set(),
    lastDays: new Map(),
    dailyMinutes: null,
    perWeek: 1,
    legs: { legEvents: [], meanDaily: 150 },
    ...more,
  };
}
