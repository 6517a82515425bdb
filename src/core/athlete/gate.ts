/** The safety gate of the handbook, section 3: who may do what at all. It never diagnoses; it defers to licensed practice. */
import { daysBetween, type IsoDate } from "../dates";
import { type Why, why } from "../why";
import type { Area, Athlete, ClearanceRule, TroubleArea } from "./types";

export type Training = "new" | "novice" | "trained";
/** Level of exercises that a training age may begin with. */
export const TRAINING_LEVEL: Readonly<Record<Training, number>> = { new: 1, novice: 2, trained: 3 };

/** Training age in the gym: under 3 months new, 3 to 12 novice, over 12 trained. */
export function trainingAge(months: number): Training {
  if (months < 3) return "new";
  return months <= 12 ? "novice" : "trained";
}

export interface Gate {
  /** Restore and mobility only until a clearance is recorded. */
  restricted: boolean;
  /** Lowest RIR that may be prescribed. */
  minRir: number;
  minor: boolean;
  /** 65 and over: increases wait for one session more. */
  slower: boolean;
  /** Weeks between step-back weeks: 4, or 3 for new lifters and from 50. */
  stepBackEvery: 3 | 4;
  training: Training;
  /** Limits that came with the clearance. */
  rules: readonly ClearanceRule[];
  why: Why[];
}

/** RIR at least where the clearance asks for moderate effort (ACOG Committee Opinion 804 asks for moderate; the number is ours). */
const MODERATE_RIR = 4;
/** Ages from which the masters' rules hold; the oldest reading of the birth year counts. */
export const MASTERS = { from: 50, slowerFrom: 65 };
/** Days for which a recent trouble area still counts. */
export const RECENT_DAYS = 84;

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
  const sinceStart = Math.max(0, daysBetween(athlete.season.start, on)) / 30.44;
  const { youngest, oldest } = ageRange(birthYear, on);
  const minor = youngest < 18;
  const slower = oldest >= MASTERS.slowerFrom;
  const training = trainingAge(strengthTrainingMonths + sinceStart);
  const { clearanceNeeded, clearance } = athlete.health;
  const cleared = clearance !== undefined && daysBetween(clearance.date, on) >= 0;
  const bone = athlete.health.areas.some(
    (a) => a.area === "bone-stress" && isActive(a, on) && !(cleared && isFor(clearance.date, a, on)),
  );
  const restricted = (clearanceNeeded && !cleared) || bone;
  const rules = cleared ? (clearance.rules ?? []) : [];
  const reasons: Why[] = [];
  if (restricted)
    reasons.push(
      why(
        "gate.clearance",
        clearanceNeeded && !cleared
          ? "Restore and mobility only until someone licensed has cleared the athlete and it is recorded."
          : cleared
            ? "Bone stress that began after the clearance: restore and mobility only until a clinician has cleared this, too."
            : "Bone stress: restore and mobility only until a clinician has cleared the athlete and it is recorded.",
      ),
    );
  if (minor)
    reasons.push(
      why(
        "gate.minor",
        "Under 18: two reps or more in reserve, no 1RM test; qualified supervision and consent are needed.",
      ),
    );
  if (slower) reasons.push(why("gate.masters", "65 and over: every increase waits for one session more."));
  else if (oldest >= MASTERS.from)
    reasons.push(why("gate.masters", "50 and over: step-back every third week, sets cut before load."));
  if (rules.includes("moderate-effort"))
    reasons.push(
      why("gate.limits", `Cleared for moderate effort: ${MODERATE_RIR} or more in reserve, no breath-holding.`),
    );
  if (rules.includes("no-supine")) reasons.push(why("gate.limits", "Cleared without long work on the back."));
  if (rules.includes("no-impact")) reasons.push(why("gate.limits", "Cleared without impact."));
  const often = oldest >= MASTERS.from || training === "new";
  return {
    restricted,
    minRir: Math.max(minor ? 2 : 0, rules.includes("moderate-effort") ? MODERATE_RIR : 0),
    minor,
    slower,
    stepBackEvery: often ? 3 : 4,
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
  return a.since === undefined ? daysBetween(cleared, on) < RECENT_DAYS : daysBetween(a.since, cleared) >= 0;
}

/** Current, or recent and not yet 12 weeks old. */
function isActive(a: TroubleArea, on: IsoDate): boolean {
  if (a.status === "past") return false;
  return a.status === "current" || a.since === undefined || daysBetween(a.since, on) < RECENT_DAYS;
}

/** Trouble areas that remove exercises on a day: current ones, and recent ones (under 12 weeks; without a date, all). */
export function activeAreas(athlete: Athlete, on: IsoDate): Area[] {
  return [...new Set(athlete.health.areas.filter((a) => isActive(a, on)).map((a) => a.area))];
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
