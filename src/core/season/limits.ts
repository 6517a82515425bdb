/** What races, journeys and illness take from a day of the season (handbook 8, 9) [trade]. */
import { isOn } from "../athlete/switches";
import type { Athlete, Race } from "../athlete/types";
import { awayOn } from "../athlete/windows";
import { dayLabel, dayNumber, type IsoDate } from "../dates";
import { SPIKE, spikesOf } from "../endurance/spikes";
import { why } from "../why";
import { limitTo, type SeasonDay } from "./day";
import { B_RACE, classRule, inOrder, lastRaceDay, raceDay, raceMinutes } from "./races";

/** Hours on the way from which the legs rest, zones crossed, and days they then rest for (handbook 9) [trade]. */
export const TRAVEL = { hours: 4, zones: 3, days: 2 };

/** No heavy legs on a long journey, nor after many time zones. */
export function limitByTravel(athlete: Athlete, day: SeasonDay, n: number): void {
  if (!isOn(athlete, "travel.legs")) return;
  for (const a of athlete.away) {
    if (a.kind !== "travel") continue;
    const [first, last] = [dayNumber(a.start), dayNumber(a.end)];
    const long = (a.hours ?? 0) > TRAVEL.hours && (n === first || n === last);
    const zones = a.zones ?? 0;
    const after = [first, last].some((d) => n > d && n <= d + TRAVEL.days);
    if (!long && !(zones >= TRAVEL.zones && (after || n === first || n === last))) continue;
    day.heavyOk = false;
    day.why.push(
      why(
        "travel.legs",
        after && zones >= TRAVEL.zones
          ? `No heavy legs in the 48 h after ${zones} time zones.`
          : `No heavy legs on a travel day${a.hours ? ` of ${a.hours} h` : ""}.`,
      ),
    );
    return;
  }
}

/** No heavy legs in the 48 h around a session far longer than any of the month before: by days, the careful reading. */
export function limitBySpike(athlete: Athlete, day: SeasonDay, n: number): void {
  if (!isOn(athlete, "mileage.spike")) return;
  const near = spikesOf(athlete.endurance).find(
    ({ session, blocks }) => blocks && Math.abs(dayNumber(session.date) - n) <= SPIKE.blockDays,
  );
  if (!near) return;
  day.heavyOk = false;
  const { session: s, pct } = near;
  day.why.push(
    why(
      "mileage.spike",
      `No heavy legs in the 48 h around the ${s.kind === "long" ? `long ${s.sport}` : s.sport} of ${dayLabel(s.date)}: ${Math.round(pct)}% longer than the longest of the 30 days before.`,
    ),
  );
}

/** What a race takes from the days around it. */
export function limitByRace(athlete: Athlete, day: SeasonDay, n: number, race: Race): void {
  const out = raceDay(race) - n;
  const after = n - lastRaceDay(race);
  const rule = classRule(race);
  if (out <= 0 && after <= 0) {
    limitTo(day, "mobility", why("M2", `${race.name}: nothing but mobility on a race day.`));
    day.counts = false;
  } else if (race.priority === "A") {
    if (out > 0 && out < rule.lastLight) {
      limitTo(
        day,
        "mobility",
        why(
          "M2",
          `${out === 1 ? "The day" : `${out} days`} before ${race.name}: nothing loaded after the last light session.`,
        ),
      );
      day.counts = false;
    } else if (out > 0 && out < rule.lastHeavy && isOn(athlete, "taper.light")) {
      limitTo(
        day,
        "light",
        why(
          "taper.light",
          `Last heavy session ${rule.lastHeavy} days before ${race.name}; only light work of half the sets here.`,
        ),
      );
      day.taperFor = race.id;
      day.counts = false;
    } else if (after > 0 && after <= rule.mobilityUntil)
      limitTo(
        day,
        "mobility",
        why("restore.visits", `Day ${after} after ${race.name}: rolling, mobility and bridges, no load.`),
      );
    else if (after > 0 && after <= rule.bodyweightUntil)
      limitTo(day, "bodyweight", why("restore.visits", `Day ${after} after ${race.name}: bodyweight ladders.`));
    else if (after > 0 && after <= rule.recoveryDays)
      limitTo(
        day,
        "restore",
        why("restore.visits", `Day ${after} after ${race.name}: light loads, 4 or more in reserve.`),
      );
  } else if (race.priority === "B") {
    if (out === 1 || (after > 0 && after <= B_RACE.easyDays)) {
      limitTo(
        day,
        "mobility",
        why("race.b", out === 1 ? `The day before ${race.name}: no loaded work.` : `Two easy days after ${race.name}.`),
      );
      day.counts = false;
    } else if (out > 0 && out < B_RACE.lastHeavy && isOn(athlete, "race.b")) {
      day.heavyOk = false;
      day.why.push(why("race.b", `Last heavy session ${B_RACE.lastHeavy} days before ${race.name}.`));
    }
  } else {
    if (out === 1) {
      limitTo(
        day,
        "mobility",
        why("race.c", `The day before ${race.name} (${dayLabel(race.date)}): no loaded lower-body work.`),
      );
      day.counts = false;
    }
    if (out === 2 || after === 1) day.softRaces.push(race.name);
  }
}

/** A races within this many days of each other share one taper (handbook 9). */
const ONE_TAPER_DAYS = 14;
/** Days before the second of them on which the one session between may stand, and the longest first race that allows it, minutes. */
const BETWEEN = { first: 5, last: 4, longestFirst: 120 };

/** Consecutive A races so near that one taper serves both. */
export function nearPairs(races: readonly Race[]): [Race, Race][] {
  const a = inOrder(races).filter((r) => r.priority === "A");
  return a.flatMap((second, i): [Race, Race][] => {
    const first = a[i - 1];
    return first && raceDay(second) - lastRaceDay(first) <= ONE_TAPER_DAYS ? [[first, second]] : [];
  });
}

/** Between two such races at most one light session, 4 to 5 days before the second; none after a first of over 2 h. */
export function betweenNearRaces(day: SeasonDay, n: number, near: readonly [Race, Race][]): void {
  for (const [first, second] of near) {
    const out = raceDay(second) - n;
    if (n <= lastRaceDay(first) || out <= 0) continue;
    const open = out <= BETWEEN.first && out >= BETWEEN.last && raceMinutes(first).minutes <= BETWEEN.longestFirst;
    if (open) {
      limitTo(
        day,
        "light",
        why(
          "taper.light",
          `One light session between ${first.name} and ${second.name}, 4 to 5 days before the second.`,
        ),
      );
      if (day.loading === "light") day.taperFor = second.id;
      day.counts = false;
    } else {
      limitTo(
        day,
        "mobility",
        why(
          "taper.light",
          `${first.name} and ${second.name} share one taper: nothing loaded between them but one light session.`,
        ),
      );
      day.taperFor = null;
      if (day.emphasis !== "restore") day.counts = false;
    }
  }
}

/** Days of restore after an illness at most, and minutes of a session in them [trade]. */
export const AFTER_ILLNESS = { days: 14, minutes: 30 };

export interface AfterIllness {
  /** Days that were lost. */
  lost: number;
  /** Days of restore that follow. */
  days: number;
  /** Which of them this is, from 1. */
  nth: number;
}

/** Where a day stands after an illness: restore for as many days as were lost; null where it is over or there was none. */
export function afterIllness(athlete: Athlete, date: IsoDate): AfterIllness | null {
  const n = dayNumber(date);
  for (const a of athlete.away) {
    if (a.kind !== "illness") continue;
    const lost = dayNumber(a.end) - dayNumber(a.start) + 1;
    const days = Math.min(AFTER_ILLNESS.days, lost);
    const nth = n - dayNumber(a.end);
    if (nth >= 1 && nth <= days && !awayOn(athlete, date)) return { lost, days, nth };
  }
  return null;
}
