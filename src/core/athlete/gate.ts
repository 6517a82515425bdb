/** The safety gate: who may do what at all. It never diagnoses; it defers to licensed practice. */
import { DAYS_A_MONTH, daysBetween, type IsoDate } from "../dates";
import { numbers, type Why, why } from "../rulebook";
import { isBackFrom, pathwayOf } from "./pathway";
import type { Area, Athlete, ClearanceRule, TroubleArea } from "./types";

export type Training = "new" | "novice" | "trained";
/** Level of exercises that a training age may begin with. */
export const TRAINING_LEVEL: Readonly<Record<Training, number>> = { new: 1, novice: 2, trained: 3 };

/** Training age in the gym: under 3 months new, 3 to 12 novice, over 12 trained. */
export function trainingAge(months: number): Training {
  const { newMonths, noviceMonths } = numbers("gate.new");
  if (months < newMonths) return "new";
  return months <= noviceMonths ? "novice" : "trained";
}

export interface Gate {
  /** Restore and mobility only until a clearance is recorded. */
  restricted: boolean;
  /** Lowest RIR that may be prescribed. */
  minRir: number;
  minor: boolean;
  /** New and novice lifters, and from 50: less than the whole line (rule block.line). */
  easier: boolean;
  /** Cleared for moderate effort alone. */
  moderate: boolean;
  /** 65 and over: increases wait for one session more. */
  slower: boolean;
  /** Weeks between step-back weeks: 4, or 3 for new lifters and from 50. */
  stepBackEvery: number;
  training: Training;
  /** Limits that came with the clearance. */
  rules: readonly ClearanceRule[];
  why: Why[];
}

/** @returns the youngest and oldest age that the birth year leaves open on a day */
export function ageRange(birthYear: number, on: IsoDate): { youngest: number; oldest: number } {
  const year = Number(on.slice(0, 4));
  return { youngest: year - birthYear - 1, oldest: year - birthYear };
}

/**
 * @param athlete the whole record
 * @param on the day asked about; months of training count on from the season's start [house]; where the birth year leaves an age open, the careful reading is taken
 */
export function safetyGate(athlete: Athlete, on: IsoDate): Gate {
  const { birthYear, strengthTrainingMonths } = athlete.athlete;
  const sinceStart = Math.max(0, daysBetween(athlete.season.start, on)) / DAYS_A_MONTH;
  const { youngest, oldest } = ageRange(birthYear, on);
  const own = athlete.settings?.ruleValues;
  const young = numbers("gate.minor", own);
  const masters = numbers("gate.masters");
  const moderate = numbers("gate.limits", own).reserve;
  const minor = youngest < young.age;
  const slower = oldest >= masters.slowerFrom;
  const training = trainingAge(strengthTrainingMonths + sinceStart);
  const { clearanceNeeded, clearance } = athlete.health;
  const cleared = clearance !== undefined && daysBetween(clearance.date, on) >= 0;
  const bone = athlete.health.areas.some(
    (a) => a.area === "bone-stress" && isActive(athlete, a, on) && !(cleared && isFor(clearance.date, a, on)),
  );
  const restricted = (clearanceNeeded && !cleared) || bone;
  const rules = cleared ? (clearance.rules ?? []) : [];
  const reasons: Why[] = [];
  if (restricted)
    reasons.push(why("gate.clearance", clearanceNeeded && !cleared ? "needed" : cleared ? "boneAfter" : "bone"));
  if (minor) reasons.push(why("gate.minor", "minor", { reserve: young.reserve }));
  if (slower) reasons.push(why("gate.masters", "slower"));
  else if (oldest >= masters.from) reasons.push(why("gate.masters", "masters"));
  if (rules.includes("moderate-effort")) reasons.push(why("gate.limits", "moderate", { reserve: moderate }));
  if (rules.includes("no-supine")) reasons.push(why("gate.limits", "back"));
  if (rules.includes("no-impact")) reasons.push(why("gate.limits", "impact"));
  const often = oldest >= masters.from || training === "new";
  const every = numbers("stepback.every");
  return {
    restricted,
    minRir: Math.max(minor ? young.reserve : 0, rules.includes("moderate-effort") ? moderate : 0),
    minor,
    easier: training !== "trained" || oldest >= masters.from,
    moderate: rules.includes("moderate-effort"),
    slower,
    stepBackEvery: often ? every.often : every.weeks,
    training,
    rules,
    why: reasons,
  };
}

/**
 * Whether a clearance was given for a complaint: it opens nothing that began after it. Of a complaint without a day the careful reading is
 * taken: only a clearance that is itself recent can have been given for it.
 */
function isFor(cleared: IsoDate, a: TroubleArea, on: IsoDate): boolean {
  return a.since === undefined
    ? daysBetween(cleared, on) < numbers("gate.clearance").recentDays
    : daysBetween(a.since, cleared) >= 0;
}

/** Current, or recent and not yet 12 weeks old. A way back that was begun ends where the coach says so, and not by its age. */
function isActive(athlete: Athlete, a: TroubleArea, on: IsoDate): boolean {
  if (a.status === "past") return false;
  const pathway = pathwayOf(athlete, a);
  if (pathway && pathway.since <= on) return !isBackFrom(athlete, a, on);
  return a.status === "current" || a.since === undefined || daysBetween(a.since, on) < numbers("gate.recent").days;
}

/** Trouble that counts on a day: current, and recent (under 12 weeks; without a date, all), until its way back is over. */
export const activeTrouble = (athlete: Athlete, on: IsoDate): TroubleArea[] =>
  athlete.health.areas.filter((a) => isActive(athlete, a, on));

/** Its areas, each once. */
export function activeAreas(athlete: Athlete, on: IsoDate): Area[] {
  return [...new Set(activeTrouble(athlete, on).map((a) => a.area))];
}

/** Trouble areas that are over: what they had removed is open again. */
export function pastAreas(athlete: Athlete, on: IsoDate): Area[] {
  const active = activeAreas(athlete, on);
  return [...new Set(athlete.health.areas.map((a) => a.area))].filter((a) => !active.includes(a));
}

/** The area as a coach says it. */
export const AREA_WORDS: Record<Area, string> = {
  "knee-front": "front of the knee",
  "knee-outside": "outside of the knee or hip",
  "low-back": "low back",
  achilles: "Achilles tendon",
  calf: "calf",
  shin: "shin",
  foot: "foot",
  hamstring: "hamstring",
  groin: "groin",
  "hip-flexor": "hip flexor",
  hip: "hip",
  shoulder: "shoulder",
  "bone-stress": "bone stress",
};
