/** The season after this one: what it takes along, and what stays behind as past. */
import type { Athlete, Race } from "../athlete";
import { addDays, DAYS_IN_52_WEEKS, type IsoDate, mondayOf, yearOf } from "../dates";

export interface NextSeason {
  start: IsoDate;
  end: IsoDate;
  /** Ids of races that are run again a year later. */
  races: readonly string[];
}

/** The race a year later, on the same weekday, not run yet. */
export function raceAgain(race: Race): Race {
  const { result: _, ...kept } = race;
  const date = addDays(race.date, DAYS_IN_52_WEEKS);
  return { ...kept, id: `${race.id.replace(/-\d{4}$/, "")}-${yearOf(date)}`, date };
}

const without = <T extends object, K extends keyof T>(x: T, key: K): Omit<T, K> => {
  const { [key]: _, ...rest } = x;
  return rest;
};

/**
 * Places, free time, approach, usual weeks, health, screening and everything that was done stay. Races before the new season stand among the past
 * ones with their results; boundaries, locks and weekly amounts before it go.
 */
export function nextSeason(a: Athlete, { start, end, races }: NextSeason): Athlete {
  const inside = (date: IsoDate) => date >= start && date <= end;
  const again = a.races.filter((r) => races.includes(r.id)).map(raceAgain);
  const past = a.races.filter((r) => r.date < start);
  const ahead = a.races.filter((r) => r.date >= start);
  const plan = a.endurancePlan;
  const weeks = plan?.weeks.filter((w) => w.week >= mondayOf(start)) ?? [];
  const { phases: _p, pastPhases: _pp, locked: _l, endurancePlan: _e, ...rest } = a;
  const phases = (a.phases ?? []).filter((p) => inside(p.start) && inside(p.end));
  const locked = (a.locked ?? []).filter((l) => inside(l.date));
  return {
    ...rest,
    season: { start, end },
    races: [...ahead, ...again].sort((x, y) => (x.date < y.date ? -1 : x.date > y.date ? 1 : 0)),
    ...(past.length + (a.pastRaces?.length ?? 0) > 0 ? { pastRaces: [...(a.pastRaces ?? []), ...past] } : {}),
    ...(phases.length > 0 ? { phases } : {}),
    ...(locked.length > 0 ? { locked } : {}),
    ...(plan
      ? { endurancePlan: { ...(plan.rule && plan.rule.from < start ? without(plan, "rule") : plan), weeks } }
      : {}),
  };
}
