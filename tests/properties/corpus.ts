/**
 * Generated seasons that every property of a plan is checked on: planned once a run, 150 in `npm test`, 1,000 in `npm run properties`.
 * The season is planned from its first day with what was lifted before it, and once more from its sixth week, when tests and clearances have come in.
 */
import fc from "fast-check";
import { APPROACHES, type Athlete } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { type Plan, type PlanSession, type PlanWeek, plan } from "../../src/core/plan";
import { gym } from "../support/athlete";
import { athletes, SEASON_START, screenedAthletes } from "../support/generate";
import { type Person, person } from "../support/people";

export const SEASONS = Number(process.env.FIELD_ANCHOR_SEASONS ?? 150);

export interface Season {
  athlete: Athlete;
  plan: Plan;
}

export interface Stood {
  athlete: Athlete;
  week: PlanWeek;
  session: PlanSession;
}

let known: Season[] | null = null;

/**
 * Seasons of the long campaign, by their number, in which something that is promised was not kept once: a block without its step-back, the set
 * before the hinge, work of findings. They are planned in every run.
 */
const REMEMBERED: readonly number[] = [172, 196, 388, 477, 874];

/** Every approach and every setting that coaches differ in comes in turn. */
export function seasons(): readonly Season[] {
  const most = Math.max(SEASONS, ...REMEMBERED.map((n) => n + 1));
  known ??= fc.sample(screenedAthletes(), { numRuns: most, seed: 20260303 }).flatMap((a, n): Season[] => {
    if (n >= SEASONS && !REMEMBERED.includes(n)) return [];
    const athlete: Athlete = {
      ...a,
      settings: {
        ...a.settings,
        approach: APPROACHES[n % APPROACHES.length] ?? "layered",
        splitSquatStyle: n % 3 === 0 ? "knee-forward" : "upright",
        squatDepth: n % 2 === 0 ? "full" : "thigh-level",
      },
    };
    const from = n % 2 === 0 ? SEASON_START : addDays(SEASON_START, 35);
    return [{ athlete, plan: plan(athlete, { from, weeks: "season" }) }];
  });
  return known;
}

export const sessions = (): Stood[] => sessionsOf(seasons());

let lifting: Season[] | null = null;

/**
 * Athletes whose log says their lifts, most of them trained and in a full gym: every fifth is under 18, every seventh cleared for moderate
 * effort alone, every third new or a novice.
 */
export function lifters(): readonly Season[] {
  lifting ??= fc.sample(athletes, { numRuns: Math.ceil(SEASONS / 3), seed: 20260304 }).map((a, n): Season => {
    const clearance: Athlete["health"]["clearance"] = {
      date: addDays(SEASON_START, -1),
      by: "Physician",
      limits: "",
      rules: ["moderate-effort"],
    };
    const athlete: Athlete = {
      ...a,
      athlete: {
        ...a.athlete,
        birthYear: n % 5 === 2 ? 2010 : a.athlete.birthYear,
        strengthTrainingMonths: n % 3 === 0 ? a.athlete.strengthTrainingMonths : 36,
      },
      health: n % 7 === 3 ? { ...a.health, clearanceNeeded: true, clearance } : a.health,
      places: a.places.map((p, i) => (i === 0 && n % 2 === 0 ? { ...gym, id: p.id } : p)),
      settings: { ...a.settings, approach: APPROACHES[n % 3] ?? "layered" },
    };
    return { athlete, plan: plan(athlete, { from: SEASON_START, weeks: "season" }) };
  });
  return lifting;
}

/** As many of the people made on purpose are planned as there are kinds of them, in a long run with every training age, age and approach. */
const PEOPLE = SEASONS < 300 ? 60 : 300;

let made: (Person & Season)[] | null = null;

/** Every sport in every kind of place with every length of free time. */
export function people(): readonly (Person & Season)[] {
  made ??= Array.from({ length: PEOPLE }, (_, n) => {
    const p = person(n);
    return { ...p, plan: plan(p.athlete, { weeks: "season" }) };
  });
  return made;
}

export const sessionsOf = (of: readonly Season[]): Stood[] =>
  of.flatMap(({ athlete, plan: p }) =>
    p.weeks.flatMap((week) => week.sessions.map((session) => ({ athlete, week, session }))),
  );
