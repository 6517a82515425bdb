/** What a race takes of the endurance before it and after it (rules amount.taper, amount.restart). */
import type { Race } from "../athlete";
import { numbers } from "../rulebook";
import { lastRaceDay, type RaceClass, raceClass, raceDay } from "../season";

const TAPER = numbers("amount.taper");
const BACK = numbers("amount.restart");
const WAYS_BACK: Readonly<Record<RaceClass, Readonly<Record<number, number>>>> = {
  short: BACK.short,
  middle: BACK.middle,
  long: BACK.long,
  "very long": BACK.veryLong,
  ultra: BACK.ultra,
  "day and night": BACK.dayAndNight,
};

/** @param daysOut before the race's first day, from 1 @returns share of the usual amount that a day takes */
export function taperShare(of: RaceClass, daysOut: number): number {
  const step = Math.ceil(daysOut / TAPER.days);
  if (step < 1) return 1;
  if (of === "short") return step === 1 ? TAPER.short : 1;
  if (step === 1) return TAPER.last;
  if (step === 2) return TAPER.before;
  return step === 3 && of === "day and night" ? TAPER.longest : 1;
}

/** @param daysAfter the race's last day, from 1 @returns share of the usual amount that a day takes, and the week of the way back; null once it is over */
export function restartShare(of: RaceClass, daysAfter: number): { share: number; week: number } | null {
  const week = Math.ceil(daysAfter / TAPER.days);
  const pct = week < 1 ? undefined : WAYS_BACK[of][week];
  return pct === undefined ? null : { share: pct / 100, week };
}

/** What races make of a day. */
export interface RaceDayShare {
  share: number;
  /** The race it tapers for, or comes back from; null on ordinary days. */
  race: Race | null;
  kind: "taper" | "back" | "race" | null;
  /** Week of the way back. */
  week: number;
}

/**
 * @param day number @param races of the season
 * @returns what the nearest A races leave of the day: the least of their shares; nothing on any race's own days
 */
export function raceShare(
  day: number,
  races: readonly Race[],
  { taper, restart }: { taper: boolean; restart: boolean },
): RaceDayShare {
  let found: RaceDayShare = { share: 1, race: null, kind: null, week: 0 };
  const take = (next: RaceDayShare) => {
    if (found.kind === null || next.share < found.share) found = next;
  };
  for (const race of races) {
    const out = raceDay(race) - day;
    const after = day - lastRaceDay(race);
    if (out <= 0 && after <= 0) return { share: 0, race, kind: "race", week: 0 };
    if (race.priority !== "A") continue;
    const of = raceClass(race);
    if (out > 0 && taper) {
      const share = taperShare(of, out);
      if (share < 1) take({ share, race, kind: "taper", week: 0 });
    }
    const back = after > 0 && restart ? restartShare(of, after) : null;
    if (back) take({ share: back.share, race, kind: "back", week: back.week });
  }
  return found;
}
