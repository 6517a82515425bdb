/** Which free time slots of an ordinary week could still take a heavy session beside a usual week: what a coach asks while drawing one. */
import type { Athlete, EnduranceSession, Window } from "../athlete";
import { addDays, dayNumber, type IsoDate, minutesOf, mondayOf } from "../dates";
import { isKey, sessionLoad } from "../endurance";
import { blockedHere, type Option, type WeekContext, weekNumbers } from "../week";
import { GRID } from "./weekProblem";

export interface SlotRoom {
  window: Window;
  /** Why no heavy session may stand in it, in the words of the rule; null where one may. */
  blocked: string | null;
}

/** Minutes of a heavy session that is asked about. */
const HEAVY_MINUTES = 45;

/**
 * @param week sessions of the usual week, on the dates of any one week; the weeks before and after it are taken to be the same
 * @returns the weekly slots in their order
 */
export function heavyRoom(
  { availability, settings }: Pick<Athlete, "availability" | "settings">,
  week: readonly EnduranceSession[],
  on: IsoDate,
): SlotRoom[] {
  const monday = mondayOf(on);
  const endurance = [-7, 0, 7].flatMap((by) => week.map((s) => ({ ...s, date: addDays(s.date, by) })));
  const keyDays = new Set(endurance.filter(isKey).map((e) => dayNumber(e.date)));
  const context: WeekContext = {
    monday: dayNumber(monday),
    endurance,
    existing: [],
    placement: settings?.placement ?? "stack",
    weights: {},
    numbers: weekNumbers(settings?.ruleValues),
    keyDays,
    hasKey: week.some((e) => isKey(e) && sessionLoad(e) > 0),
    preferredDays: new Set(),
    lastDays: new Map(),
    dailyMinutes: settings?.maxMinutesPerDay ?? null,
    perWeek: 2,
    legs: { legEvents: [], meanDaily: 0 },
  };
  return availability.map((window): SlotRoom => {
    const date = addDays(monday, window.day - 1);
    const from = minutesOf(window.start);
    const minutes = Math.min(HEAVY_MINUTES, window.minutes);
    let blocked: string | null = null;
    for (let start = from; start + minutes <= from + window.minutes; start += GRID) {
      const block = blockedHere(heavyAt(date, start, minutes, window.place), context);
      if (!block) return { window, blocked: null };
      blocked ??= block.text;
    }
    return { window, blocked };
  });
}

const heavyAt = (date: IsoDate, start: number, minutes: number, place: string): Option => ({
  label: "A",
  date,
  day: dayNumber(date),
  start,
  minutes,
  place,
  lowerLoaded: true,
  heavy: true,
  mobility: false,
  stress: 0,
  legs: [],
  jumps: false,
  mayJump: false,
  lostShare: 0,
  lostWords: "",
  belowMinimumHold: false,
  softRaces: [],
  locked: false,
});
