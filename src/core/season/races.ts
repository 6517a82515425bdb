/** Races: their class by duration, and the days around them on which strength work is limited. */
import type { CheckIn, EnduranceSession, Race } from "../athlete";
import { dayNumber } from "../dates";
import { onceFor } from "../once";
import { numbers, type RuleValues } from "../rulebook";

export const RACE_CLASSES = ["short", "middle", "long", "very long", "ultra", "day and night"] as const;
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
const { upTo, hardDay, daysUp, ...BY_CLASS } = numbers("race.class");
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

/** @returns minutes that it took, or that are expected, and whether they are assumed */
export function raceMinutes(r: Race): { minutes: number; assumed: boolean } {
  if (r.result?.minutes !== undefined) return { minutes: r.result.minutes, assumed: false };
  if (r.expectedMinutes !== undefined) return { minutes: r.expectedMinutes, assumed: false };
  const { speed, climb, minutes } = numbers("race.assumed");
  if (r.distanceKm === undefined) return { minutes, assumed: true };
  const hours = r.distanceKm / speed[r.sport] + (r.ascentM ?? 0) / climb[r.sport];
  return { minutes: Math.round(hours * 60), assumed: true };
}

/**
 * The class of a race by its duration (rule race.class); of several days by the mean hours a day, from three days on one class up.
 * Day and night stands for over 20 h, or for several days of over 8 h.
 */
export function raceClass(r: Race): RaceClass {
  const { minutes } = raceMinutes(r);
  const days = r.days ?? 1;
  const aDay = minutes / days;
  if (days > 1 && aDay > hardDay) return "day and night";
  const of = classOf(aDay);
  if (days < daysUp) return of;
  return RACE_CLASSES[Math.min(RACE_CLASSES.indexOf(of) + 1, RACE_CLASSES.indexOf("ultra"))] ?? of;
}

function classOf(minutes: number): RaceClass {
  if (minutes < upTo.short) return "short";
  if (minutes <= upTo.middle) return "middle";
  if (minutes <= upTo.long) return "long";
  if (minutes <= upTo["very long"]) return "very long";
  return minutes <= upTo.ultra ? "ultra" : "day and night";
}

/** Long enough that what comes after it is worth a coach's look. */
export const isBig = (r: Race): boolean => RACE_CLASSES.indexOf(raceClass(r)) >= RACE_CLASSES.indexOf("long");

export const classRule = (r: Race): ClassRule => CLASS_RULES[raceClass(r)];

/** Last days after a race, counted from its last day: without any load, with bodyweight only, with light loads. */
export interface Stages {
  unloaded: number;
  bodyweight: number;
  light: number;
}

/**
 * An A race by its class; a B race of over two hours in half the days of each stage, rounded up, a shorter one in its unloaded half alone;
 * a long C race keeps the legs unloaded for a while.
 */
export function stagesAfter(r: Race, own?: RuleValues): Stages {
  const c = classRule(r);
  if (r.priority === "A") return { unloaded: c.mobilityUntil, bodyweight: c.bodyweightUntil, light: c.recoveryDays };
  if (r.priority === "C") {
    const { longFrom, days } = numbers("race.c", own);
    const easy = raceMinutes(r).minutes > longFrom ? days : 0;
    return { unloaded: 0, bodyweight: easy, light: easy };
  }
  const { part, shortDays } = numbers("race.b", own);
  const half = (days: number) => Math.ceil(days * part);
  const unloaded = raceClass(r) === "short" ? shortDays : half(c.mobilityUntil);
  // After up to two hours the block goes on at once behind the easy days.
  if (!isBig(r)) return { unloaded, bodyweight: unloaded, light: unloaded };
  const bodyweight = unloaded + half(c.bodyweightUntil - c.mobilityUntil);
  return { unloaded, bodyweight, light: bodyweight + half(c.recoveryDays - c.bodyweightUntil) };
}

/** Where the way back after a race stands on a day. */
export interface StageOn {
  stage: keyof Stages;
  /** Days of the whole way. */
  of: number;
  /** The stage that opens next and the day after the race on which it does; null where ordinary work follows. */
  opens: { stage: "bodyweight" | "light" | null; on: number };
}

/** @param after the race's last day, from 1 @returns null once it is over */
export function stageOn(r: Race, after: number, own?: RuleValues): StageOn | null {
  return stageIn(stagesAfter(r, own), after);
}

/** The same of stages that are known. */
export function stageIn(s: Stages, after: number): StageOn | null {
  if (after < 1 || after > s.light) return null;
  if (after > s.bodyweight) return { stage: "light", of: s.light, opens: { stage: null, on: s.light + 1 } };
  const light = s.light > s.bodyweight ? ("light" as const) : null;
  if (after > s.unloaded) return { stage: "bodyweight", of: s.light, opens: { stage: light, on: s.bodyweight + 1 } };
  const next = s.bodyweight > s.unloaded ? ("bodyweight" as const) : light;
  return { stage: "unloaded", of: s.light, opens: { stage: next, on: s.unloaded + 1 } };
}

/** How sore the legs were said to be, by day after the race, from 1. */
export interface SoreAnswer {
  after: number;
  level: number;
}

/** What was said by race: every day after it asks the same. */
const saidOf = onceFor((_: readonly CheckIn[]) => new Map<Race, readonly SoreAnswer[]>());

/** Answers of a race's way back, in their order. @param until answers after this day number do not count */
export function soreAnswers(r: Race, checkIns: readonly CheckIn[], until: number): readonly SoreAnswer[] {
  const end = lastRaceDay(r);
  const known = saidOf(checkIns);
  const all =
    known.get(r) ??
    checkIns
      .flatMap((c) => (c.soreness === undefined ? [] : [{ after: dayNumber(c.date) - end, level: c.soreness }]))
      .filter((a) => a.after >= 1)
      .sort((a, b) => a.after - b.after);
  known.set(r, all);
  return (all.at(-1)?.after ?? 0) + end <= until ? all : all.filter((a) => a.after + end <= until);
}

/**
 * The day after the race that a day counts as: no stage is left with sore legs. An answer above the limit keeps the stage of the day before it,
 * until the next answer or for some days, as plans ahead assume that it goes well.
 */
export function restDay(
  s: Stages,
  after: number,
  answers: readonly SoreAnswer[],
): { counts: number; sore: number | null } {
  const { sore, soreDays } = numbers("restore.visits");
  const last = answers.findLast((a) => a.after <= after);
  if (!last || last.level <= sore || after > last.after + soreDays - 1) return { counts: after, sore: null };
  const before = restDay(s, last.after - 1, answers).counts;
  const end = [s.unloaded, s.bodyweight, s.light].find((e) => before <= e);
  // The way back was over: legs that are sore for another reason begin none again.
  if (end === undefined) return { counts: after, sore: null };
  return after > end ? { counts: end, sore: last.level } : { counts: after, sore: null };
}

/** Whether somebody has said how the legs are since the race. */
export const wasAsked = (answers: readonly SoreAnswer[], after: number): boolean =>
  answers.some((a) => a.after <= after);

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

/** What was found of races beside these sessions: every day after a race asks the same. */
const descentsKnown = onceFor((_: readonly EnduranceSession[]) => new Map<Race, boolean>());

/** Descent on foot far beyond what the six weeks before held: every stage takes a quarter more (rule race.descent). */
export function descendsFar(r: Race, endurance: readonly EnduranceSession[]): boolean {
  const { least } = numbers("race.descent");
  if ((r.sport !== "run" && r.sport !== "hike" && r.sport !== "triathlon") || (r.ascentM ?? 0) < least) return false;
  const known = descentsKnown(endurance);
  const far = known.get(r) ?? isBeyond(r, endurance);
  known.set(r, far);
  return far;
}

function isBeyond(r: Race, endurance: readonly EnduranceSession[]): boolean {
  const { over, days } = numbers("race.descent");
  const [from, to] = [raceDay(r) - days, raceDay(r)];
  const most = endurance.reduce((m, e) => {
    const n = dayNumber(e.date);
    return n >= from && n < to && !e.cancelled ? Math.max(m, e.descentM ?? e.ascentM ?? 0) : m;
  }, 0);
  return (r.ascentM ?? 0) > over * most;
}

/** Stages with a quarter more days each, rounded up. */
export function longer(s: Stages): Stages {
  const { more } = numbers("race.descent");
  const part = (days: number) => Math.ceil(days * more);
  const unloaded = part(s.unloaded);
  const bodyweight = unloaded + part(s.bodyweight - s.unloaded);
  return { unloaded, bodyweight, light: bodyweight + part(s.light - s.bodyweight) };
}
