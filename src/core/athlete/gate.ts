/** The safety gate of the handbook, section 3: who may do what at all. It never diagnoses; it defers to licensed practice. */
import { daysBetween, type IsoDate } from "../dates";
import { type Why, why } from "../why";
import type { Area, Athlete } from "./types";

export type Training = "new" | "novice" | "trained";

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
  /** Weeks between step-back weeks: 4, or 3 for new lifters and from 50. */
  stepBackEvery: 3 | 4;
  training: Training;
  why: Why[];
}

/**
 * @param athlete the whole record
 * @param on the day asked about; months of training count on from the season's start [house]; where the birth year leaves an age open, the careful reading is taken
 */
export function safetyGate(athlete: Athlete, on: IsoDate): Gate {
  const { birthYear, strengthTrainingMonths } = athlete.athlete;
  const sinceStart = Math.max(0, daysBetween(athlete.season.start, on)) / 30.44;
  const year = Number(on.slice(0, 4));
  const youngest = year - birthYear - 1;
  const oldest = year - birthYear;
  const minor = youngest < 18;
  const training = trainingAge(strengthTrainingMonths + sinceStart);
  const { clearanceNeeded, clearance } = athlete.health;
  const restricted = clearanceNeeded && (!clearance || daysBetween(clearance.date, on) < 0);
  const reasons: Why[] = [];
  if (restricted)
    reasons.push(
      why(
        "gate.clearance",
        "Restore and mobility only until someone licensed has cleared the athlete and it is recorded.",
      ),
    );
  if (minor)
    reasons.push(
      why(
        "gate.minor",
        "Under 18: two reps or more in reserve, no 1RM test; qualified supervision and consent are needed.",
      ),
    );
  const often = oldest >= 50 || training === "new";
  return { restricted, minRir: minor ? 2 : 0, minor, stepBackEvery: often ? 3 : 4, training, why: reasons };
}

/** Trouble areas that remove exercises today: current ones, and recent ones (under 12 weeks). */
export function activeAreas(athlete: Athlete): Area[] {
  return [...new Set(athlete.health.areas.filter((a) => a.status !== "past").map((a) => a.area))];
}
