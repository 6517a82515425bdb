/** The demo club of the handbook, section 21: invented people and races, generated from a seed and a day. */
import type { Athlete } from "../core/athlete/types";
import { addDays, type IsoDate, mondayOf, weekday } from "../core/dates";
import { enduranceYear } from "./endurance";
import { PROFILES, type Profile } from "./profiles";
import { random } from "./random";
import { strengthHalfYear } from "./strength";

export const CLUB_NAME = "Saltmarsh Endurance";
/** Weeks of the season behind and ahead of today. */
const SEASON = { behind: 26, ahead: 25 };

/** @returns the club's athletes as whole athlete files, dates around `today` */
export const demoClub = (today: IsoDate): Athlete[] => PROFILES.map((p) => demoAthlete(p, today));

/** Races fall on a Sunday, but for those that the scenario ties to today. */
function raceDate(today: IsoDate, inDays: number): IsoDate {
  const date = addDays(today, inDays);
  return Math.abs(inDays) < 10 ? date : addDays(date, 7 - weekday(date));
}

/** One athlete of the club. */
export function demoAthlete(p: Profile, today: IsoDate): Athlete {
  const r = random(p.seed * 7919);
  const races = p.races.map(({ inDays, ...race }) => ({ ...race, date: raceDate(today, inDays) }));
  const screened = addDays(today, -40);
  const athlete: Athlete = {
    format: "field-anchor/athlete",
    version: 1,
    athlete: p.facts,
    settings: p.settings,
    season: {
      start: addDays(mondayOf(today), -7 * SEASON.behind),
      end: addDays(mondayOf(today), 7 * SEASON.ahead + 6),
    },
    health: p.health,
    places: p.places,
    availability: p.availability,
    away: p.away.map(({ from, to, ...a }) => ({ ...a, start: addDays(today, from), end: addDays(today, to) })),
    screening: p.screening.map((s) => ({ ...s, date: screened })),
    seen: p.seen.map((s) => ({ ...s, date: screened })),
    races,
    endurance: enduranceYear(p, races, today, r),
    strengthLog: [],
  };
  return { ...athlete, strengthLog: strengthHalfYear(athlete, p, today, SEASON.behind, r) };
}
