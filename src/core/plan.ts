/** The one way through: athlete -> plan. Pure; the same athlete and options always give the same plan. */

import { unknownApproaches } from "./approach";
import { type Approach, type Athlete, type EnduranceSession, type LockedSession, safetyGate } from "./athlete";
import { addDays, dayLabel, type IsoDate } from "./dates";
import { perWeek } from "./dose";
import { assumedEndurance, withoutMissed } from "./endurance";
import { type Library, SHIPPED_LIBRARY } from "./exercise";
import {
  type EnduranceWarning,
  enduranceWarnings,
  enduranceWeeks,
  type PlannedWeek,
  withEndurancePlan,
} from "./mileage";
import { type PlanWeek, type Swap, seasonJumps, WeekChain } from "./planning";
import { numbers, type RuleValues, type Why } from "./rulebook";
import {
  holdInVisits,
  planPhases,
  type SeasonDay,
  type SeasonPhase,
  type SeasonWarning,
  type SeasonWeek,
  seasonWeeks,
} from "./season";

export type { PlanSession, PlanWeek, Swap } from "./planning";

export interface PlanOptions {
  /** First day of the plan; what is logged before it is history. Default: the season's start. */
  from?: IsoDate;
  /** Weeks to plan, or every week to the season's end. Default 1. */
  weeks?: number | "season";
  /** Placements taken over without a lock; they stay while every must-hold rule allows it. */
  held?: readonly LockedSession[];
  /** Points of the rules for every athlete of the coach; the athlete's own settings go before them. */
  weights?: Readonly<Record<string, number>>;
  /** The coach's copies of approaches; those that came with the athlete are known too. */
  approaches?: readonly Approach[];
  /** The coach's own numbers of rules for every athlete; the athlete's own go before them, rule by rule. */
  values?: RuleValues;
  /** Rules of the phases that the coach has switched off for every athlete. */
  rulesOff?: readonly string[];
  /** Exercises to choose from. Default: the library as it ships. */
  library?: Library;
  /** Exercises the coach took instead of the first choice; one that is closed by then is passed over. */
  swaps?: readonly Swap[];
}

export interface Plan {
  from: IsoDate;
  phases: SeasonPhase[];
  /** Every week of the season, planned or not. */
  season: SeasonWeek[];
  weeks: PlanWeek[];
  /** Endurance that stands in where none is planned. */
  assumed: EnduranceSession[];
  warnings: SeasonWarning[];
  /** Weeks of the endurance plan, and what they are warned of. */
  endurance: PlannedWeek[];
  /** What its amounts are counted in; null without a plan. */
  enduranceUnit: "km" | "minutes" | null;
  enduranceWarnings: EnduranceWarning[];
  /** From when the planned weeks hold jumps, and in how many of them, or why there are none. */
  jumps: Why[];
}

/** A plan that is worked out week by week, only as far as somebody asks; what is worked out stays. */
export interface GrowingPlan {
  from: IsoDate;
  /** Every week of the season; none of them need be planned yet. */
  season: readonly SeasonWeek[];
  /** The plan with so many of its weeks: the same as `plan` with that many. */
  weeks: (count: number | "season") => Plan;
}

/** @param whole and options as of `plan`; its number of weeks is asked for later */
export function growPlan(whole: Athlete, options: Omit<PlanOptions, "weeks"> = {}): GrowingPlan {
  const from = options.from ?? whole.season.start;
  const club = withClub(whole, options);
  const endurance = enduranceWeeks(club);
  const all = withEndurancePlan(club, endurance);
  // A planned endurance session that was missed does not count.
  const athlete = { ...all, endurance: withoutMissed(all.endurance, from) };
  const library = options.library ?? SHIPPED_LIBRARY;
  const { phases, warnings } = planPhases(athlete);
  const amounts = new Map(endurance.map((w) => [w.week, w.why]));
  const season = seasonWeeks(athlete, phases, (day) => sessionsAWeek(athlete, day), from).map((w) => {
    const said = amounts.get(w.start);
    return said ? { ...w, why: [...said, ...w.why] } : w;
  });
  const assumed = assumedEndurance(athlete, season, from);
  const first = season.findIndex((w) => addDays(w.start, 6) >= from);
  const known: PlanWeek[] = [];
  const ahead = first < 0 ? [] : season.slice(first);
  let chain: WeekChain | null = null;
  const grown = (count: number): PlanWeek[] => {
    for (const week of ahead.slice(known.length, count)) {
      chain ??= new WeekChain({ athlete, assumed, library, season, first, from, options });
      known.push(chain.next(week));
    }
    return known.slice(0, count);
  };
  const said = [...warnings, ...approachWarning(athlete), ...unknownLifts(athlete, library)];
  const enduranceSaid = enduranceWarnings(all, endurance, from);
  return {
    from,
    season,
    weeks: (count) => {
      const weeks = grown(count === "season" ? ahead.length : Math.max(0, count));
      return {
        from,
        phases,
        season,
        weeks,
        assumed,
        endurance,
        enduranceUnit: all.endurancePlan?.unit ?? null,
        enduranceWarnings: enduranceSaid,
        jumps: seasonJumps(weeks),
        warnings: [...said, ...notPlaced(weeks)],
      };
    },
  };
}

/**
 * @param whole a checked athlete (see formats/athlete-file); a planned endurance session that was missed does not count
 * @throws never for a checked athlete; a `from` outside the season gives no weeks
 */
export const plan = (whole: Athlete, { weeks = 1, ...options }: PlanOptions = {}): Plan =>
  growPlan(whole, options).weeks(weeks);

/** Short visits while restoring, two where a hold is shared out; else what the day's row asks for. */
function sessionsAWeek(athlete: Athlete, day: SeasonDay): number {
  const sessions = perWeek(athlete, day, safetyGate(athlete, day.date).training);
  if (sessions > 0 && holdInVisits(athlete, day)) return Math.max(sessions, numbers("hold.visits").visits);
  return day.emphasis === "restore" && day.loading !== "mobility" ? 2 : sessions;
}

const notPlaced = (weeks: readonly PlanWeek[]): SeasonWarning[] =>
  weeks.flatMap((w) =>
    w.fit.unplaced.map(
      (u): SeasonWarning => ({
        code: "not-placed",
        text: `Session ${u.label} of the week of ${w.season.start}: ${u.why}`,
        date: w.season.start,
      }),
    ),
  );

/** The athlete with what the coach has set for all of them. */
function withClub(whole: Athlete, options: PlanOptions): Athlete {
  const { weights, rulesOff, approaches, values } = options;
  const settings = {
    ...whole.settings,
    ...(weights ? { ruleWeights: { ...weights, ...whole.settings?.ruleWeights } } : {}),
    ...(values ? { ruleValues: { ...values, ...whole.settings?.ruleValues } } : {}),
    ...(rulesOff?.length ? { rulesOff: [...rulesOff, ...(whole.settings?.rulesOff ?? [])] } : {}),
  };
  const own = [...(approaches ?? []), ...(whole.approaches ?? [])];
  return {
    ...whole,
    ...(weights || values || rulesOff?.length ? { settings } : {}),
    ...(own.length > 0 ? { approaches: own } : {}),
  };
}

/** Exercises of the log that the library does not know: each is named, with the day it last stands on. */
export function unknownLifts(athlete: Athlete, library: Library): SeasonWarning[] {
  const last = new Map<string, IsoDate>();
  for (const log of athlete.strengthLog)
    for (const { exercise } of log.items)
      if (!library.byId(exercise) && (last.get(exercise) ?? "") < log.date) last.set(exercise, log.date);
  return [...last].map(([id, date]) => ({
    code: "exercise-unknown",
    text: `The log of ${dayLabel(date)} names "${id}", which is not in the library: it counts as work of the legs, and no load is worked out from it.`,
    date,
  }));
}

function approachWarning(athlete: Athlete): SeasonWarning[] {
  return unknownApproaches(athlete).map((id) => ({
    code: "approach-unknown",
    text: `The approach "${id}" is not known here; doses follow the layered approach until another is chosen.`,
    date: athlete.season.start,
  }));
}
