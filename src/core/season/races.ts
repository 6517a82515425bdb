/** Races: their class by duration, and the days around them on which strength work is limited. */
import type { Race } from "../athlete";
import { dayNumber } from "../dates";
import { numbers, type RuleValues } from "../rulebook";

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
  /** Last day after the race without any load, and last day with bodyweight only. */
  mobilityUntil: number;
  bodyweightUntil: number;
}

/** By class (rule race.class). */
const { upTo, ...BY_CLASS } = numbers("race.class");
export const CLASS_RULES: Readonly<Record<RaceClass, ClassRule>> = Object.fromEntries(
  RACE_CLASSES.map((c) => [
    c,
    {
      raceDays: BY_CLASS.raceDays[c],
      recoveryDays: BY_CLASS.recoveryDays[c],
      lastHeavy: BY_CLASS.lastHeavy[c],
      lastLight: BY_CLASS.lastLight[c],
      mobilityUntil: BY_CLASS.mobilityUntil[c],
      bodyweightUntil: BY_CLASS.bodyweightUntil[c],
    },
  ]),
) as Record<RaceClass, ClassRule>;

/** @returns expected minutes, and whether they are assumed */
export function raceMinutes(r: Race): { minutes: number; assumed: boolean } {
  if (r.expectedMinutes !== undefined) return { minutes: r.expectedMinutes, assumed: false };
  const { speed, climb, minutes } = numbers("race.assumed");
  if (r.distanceKm === undefined) return { minutes, assumed: true };
  const hours = r.distanceKm / speed[r.sport] + (r.ascentM ?? 0) / climb[r.sport];
  return { minutes: Math.round(hours * 60), assumed: true };
}

/** short under 30 min, middle to 2 h, long to 5 h, very long above [trade]. */
export function raceClass(r: Race): RaceClass {
  const { minutes } = raceMinutes(r);
  if (minutes < upTo.short) return "short";
  if (minutes <= upTo.middle) return "middle";
  return minutes <= upTo.long ? "long" : "very long";
}

export const classRule = (r: Race): ClassRule => CLASS_RULES[raceClass(r)];

/** Days before a race on which the last heavy and the last loaded lower-body session may stand. */
export function nearestBefore(r: Race, own?: RuleValues): { lastHeavy: number; lastLoaded: number } {
  if (r.priority === "A") return { lastHeavy: classRule(r).lastHeavy, lastLoaded: classRule(r).lastLight };
  const { lastLoaded } = numbers("race.close");
  return { lastHeavy: r.priority === "B" ? numbers("race.b", own).lastHeavy : lastLoaded, lastLoaded };
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

/** Runs of weekly races, as day numbers of the races. A races have their own taper and belong to none. */
export function raceSeries(races: readonly Race[]): number[][] {
  const days = [
    ...new Set(
      inOrder(races)
        .filter((r) => r.priority !== "A")
        .map(raceDay),
    ),
  ].sort((a, b) => a - b);
  const { gap, races: least } = numbers("race.series");
  const runs: number[][] = [];
  for (const day of days) {
    const run = runs.at(-1);
    if (run && day - (run.at(-1) ?? day) <= gap) run.push(day);
    else runs.push([day]);
  }
  return runs.filter((r) => r.length >= least);
}
