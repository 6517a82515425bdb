/**
 * The demo club of a day, and its planned seasons: made once for all tests of a worker, athlete by athlete, since half a year of training is
 * planned for each of them. Nobody changes what is given here.
 */
import type { Athlete } from "../../src/core/athlete/types";
import { type Plan, plan } from "../../src/core/plan";
import { demoAthlete } from "../../src/demo/club";
import { PROFILES } from "../../src/demo/profiles";

/** The day of the club in nearly every test. */
export const CLUB_DAY = "2026-03-03";

const members = new Map<string, Athlete>();
const seasons = new Map<string, Plan>();

/** @param n place in the club */
export function memberOn(n: number, today = CLUB_DAY): Athlete {
  const key = `${n}/${today}`;
  const profile = PROFILES[n];
  if (!profile) throw new Error(`The club has no athlete ${n}.`);
  const made = members.get(key) ?? demoAthlete(profile, today);
  members.set(key, made);
  return made;
}

export const clubOn = (today = CLUB_DAY): readonly Athlete[] => PROFILES.map((_, n) => memberOn(n, today));

/** @returns the whole season of an athlete of the club, planned from that day */
export function memberSeason(n: number, today = CLUB_DAY): Plan {
  const key = `${n}/${today}`;
  const made = seasons.get(key) ?? plan(memberOn(n, today), { from: today, weeks: "season" });
  seasons.set(key, made);
  return made;
}
