/** The demo club of a day, made once for all tests of a worker: half a year of training is planned for each of them. Nobody changes it. */
import type { Athlete } from "../../src/core/athlete/types";
import { demoClub } from "../../src/demo/club";

const made = new Map<string, readonly Athlete[]>();

export function clubOn(today = "2026-03-03"): readonly Athlete[] {
  const club = made.get(today) ?? demoClub(today);
  made.set(today, club);
  return club;
}
