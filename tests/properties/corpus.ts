/**
 * Generated seasons that every property of a plan is checked on: planned once a run, 150 in `npm test`, 1,000 in `npm run properties`.
 * The season is planned from its first day with what was lifted before it, and once more from its sixth week, when tests and clearances have come in.
 */
import fc from "fast-check";
import { APPROACHES, type Athlete } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { type Plan, type PlanSession, type PlanWeek, plan } from "../../src/core/plan";
import { SEASON_START, screenedAthletes } from "../support/generate";

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

/** Every approach and every setting that coaches differ in comes in turn. */
export function seasons(): readonly Season[] {
  known ??= fc.sample(screenedAthletes(), { numRuns: SEASONS, seed: 20260303 }).map((a, n): Season => {
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
    return { athlete, plan: plan(athlete, { from, weeks: "season" }) };
  });
  return known;
}

export const sessions = (): Stood[] =>
  seasons().flatMap(({ athlete, plan: p }) =>
    p.weeks.flatMap((week) => week.sessions.map((session) => ({ athlete, week, session }))),
  );
