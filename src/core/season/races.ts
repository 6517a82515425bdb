/** Races: their class by duration, and the days around them on which strength work is limited (handbook 8, 9). */
import type { Race } from "../athlete/types";
import { dayNumber } from "../dates";

export const RACE_CLASSES = ["short", "middle", "long", "very long"] as const;
export type RaceClass = (typeof RACE_CLASSES)[number];

export interface ClassRule {
  /** Days before an A race at which the race phase begins. */
  raceDays: number;
  /** Days of recovery after it. */
  recoveryDays: number;
  /** Days out of the last heavy and of the last light session. */
  lastHeavy: number;
  lastLight: number;
  /** Last day after the race without any load in hand, and last day with bodyweight only. */
  mobilityUntil: number;
  bodyweightUntil: number;
}

/** By class [trade; days house]. */
export const CLASS_RULES: Record<RaceClass, ClassRule> = {
  short: { raceDays: 7, recoveryDays: 5, lastHeavy: 5, lastLight: 3, mobilityUntil: 2, bodyweightUntil: 4 },
  middle: { raceDays: 10, recoveryDays: 10, lastHeavy: 7, lastLight: 4, mobilityUntil: 4, bodyweightUntil: 7 },
  long: { raceDays: 14, recoveryDays: 18, lastHeavy: 9, lastLight: 4, mobilityUntil: 6, bodyweightUntil: 12 },
  "very long": { raceDays: 18, recoveryDays: 28, lastHeavy: 11, lastLight: 5, mobilityUntil: 9, bodyweightUntil: 18 },
};

/** Flat speeds in km/h and metres of climb an hour, for a race without a duration [house]. */
const PACE: Record<string, [number, number]> = {
  run: [10.5, 900],
  hike: [5, 600],
  ride: [28, 900],
  row: [13, 900],
  triathlon: [17, 900],
  swim: [3, 900],
  other: [10, 900],
};

/** Minutes taken where neither duration nor distance is known [house]. */
const UNKNOWN_MINUTES = 75;

/** @returns expected minutes, and whether they are assumed */
export function raceMinutes(r: Race): { minutes: number; assumed: boolean } {
  if (r.expectedMinutes !== undefined) return { minutes: r.expectedMinutes, assumed: false };
  if (r.distanceKm === undefined) return { minutes: UNKNOWN_MINUTES, assumed: true };
  const [speed, climb] = PACE[r.sport] ?? [10, 900];
  return { minutes: Math.round((r.distanceKm / speed + (r.ascentM ?? 0) / climb) * 60), assumed: true };
}

/** short under 30 min, middle to 2 h, long to 5 h, very long above [trade]. */
export function raceClass(r: Race): RaceClass {
  const { minutes } = raceMinutes(r);
  if (minutes < 30) return "short";
  if (minutes <= 120) return "middle";
  return minutes <= 300 ? "long" : "very long";
}

export const classRule = (r: Race): ClassRule => CLASS_RULES[raceClass(r)];

/** Days out of the last heavy session before a B race, and days after it without load [trade]. */
export const B_RACE = { lastHeavy: 4, easyDays: 2 };

/** Days before a race on which the last heavy and the last loaded lower-body session may stand. */
export function nearestBefore(r: Race): { lastHeavy: number; lastLoaded: number } {
  if (r.priority === "A") return { lastHeavy: classRule(r).lastHeavy, lastLoaded: classRule(r).lastLight };
  return r.priority === "B" ? { lastHeavy: B_RACE.lastHeavy, lastLoaded: 2 } : { lastHeavy: 2, lastLoaded: 2 };
}

/** First day number of a race. */
export const raceDay = (r: Race): number => dayNumber(r.date);
/** Last day number of a race; recovery counts from it. */
export const lastRaceDay = (r: Race): number => dayNumber(r.date) + (r.days ?? 1) - 1;

/** Races in order of date, then priority, then id. */
export const inOrder = (races: readonly Race[]): Race[] =>
  [...races].sort(
    (a, b) =>
      raceDay(a) - raceDay(b) || (a.priority < b.priority ? -1 : a.priority > b.priority ? 1 : a.id < b.id ? -1 : 1),
  );

/** Weekly races or a regatta series: so many B and C races, at most so many days apart; one hold of so many minutes, 72 to 96 h before [trade]. */
export const SERIES = { races: 3, gapDays: 9, minutes: 25, before: [3, 4] } as const;

/** Runs of weekly races, as day numbers of the races. A races have their own taper and belong to none. */
export function raceSeries(races: readonly Race[]): number[][] {
  const days = [
    ...new Set(
      inOrder(races)
        .filter((r) => r.priority !== "A")
        .map(raceDay),
    ),
  ].sort((a, b) => a - b);
  const runs: number[][] = [];
  for (const day of days) {
    const run = runs.at(-1);
    if (run && day - (run.at(-1) ?? day) <= SERIES.gapDays) run.push(day);
    else runs.push([day]);
  }
  return runs.filter((r) => r.length >= SERIES.races);
}
