/** What races, journeys and illness take from a day of the season. */
import { type Athlete, awayOn, type CheckIn, isOn, type Race } from "../athlete";
import { dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { spikeNear } from "../endurance";
import { numbers, why } from "../rulebook";
import { limitTo, type SeasonDay } from "./day";
import {
  classRule,
  descendsFar,
  inOrder,
  isBig,
  lastRaceDay,
  longer,
  raceDay,
  raceMinutes,
  restDay,
  type SoreAnswer,
  type StageOn,
  type Stages,
  soreAnswers,
  stageIn,
  stagesAfter,
  wasAsked,
} from "./races";

/** No heavy legs on a long journey, nor after many time zones. */
export function limitByTravel(athlete: Athlete, day: SeasonDay, n: number): void {
  if (!isOn(athlete, "travel.legs")) return;
  const rest = numbers("travel.legs");
  for (const a of athlete.away) {
    if (a.kind !== "travel") continue;
    const [first, last] = [dayNumber(a.start), dayNumber(a.end)];
    const long = (a.hours ?? 0) > rest.hours && (n === first || n === last);
    const zones = a.zones ?? 0;
    const after = [first, last].some((d) => n > d && n <= d + rest.days);
    if (!long && !(zones >= rest.zones && (after || n === first || n === last))) continue;
    day.heavyOk = false;
    day.why.push(
      after && zones >= rest.zones ? why("travel.legs", "after", zones) : why("travel.legs", "day", a.hours),
    );
    return;
  }
}

/** No heavy legs in the 48 h around a session far longer than any of the month before. */
export function limitBySpike(athlete: Athlete, day: SeasonDay, n: number): void {
  if (!isOn(athlete, "session.spike")) return;
  const near = spikeNear(athlete.endurance).get(n);
  if (!near) return;
  day.heavyOk = false;
  const { session: s, pct } = near;
  day.why.push(
    why("session.spike", "keepAway", {
      what: s.kind === "long" ? `long ${s.sport}` : s.sport,
      on: dayLabel(s.date),
      pct: Math.round(pct),
    }),
  );
}

/**
 * What a race takes from the days around it.
 * @param asOf today: without an answer how sore the legs are, load does not open on it
 */
export function limitByRace(athlete: Athlete, day: SeasonDay, n: number, race: Race, asOf?: IsoDate): void {
  const out = raceDay(race) - n;
  const after = n - lastRaceDay(race);
  const rule = classRule(race);
  const own = athlete.settings?.ruleValues;
  const bRace = numbers("race.b", own);
  if (out <= 0 && after <= 0) {
    limitTo(day, "mobility", why("M2", "raceDay", race.name));
    day.counts = false;
  } else if (race.priority === "A") {
    if (out > 0 && out < rule.lastLight) {
      limitTo(day, "mobility", why("M2", "before", { days: out, race: race.name }));
      day.counts = false;
    } else if (out > 0 && out < rule.lastHeavy && isOn(athlete, "taper.light")) {
      limitTo(day, "light", why("taper.light", "light", { days: rule.lastHeavy, race: race.name }));
      day.taperFor = race.id;
      day.counts = false;
    } else if (after > 0 && restoring(athlete, day, race, after, asOf)) {
      // Longer than the recovery phase that the calendar gave it.
      if (after > stagesAfter(race).light) [day.emphasis, day.stage] = ["restore", "recovery"];
    }
  } else if (race.priority === "B") {
    if (out === 1) {
      limitTo(day, "mobility", why("race.b", "dayBefore", race.name));
      day.counts = false;
    } else if (after > 0) {
      // After a longer one short visits stand, as after an A race; a few easy days have no session of their own.
      if (restoring(athlete, day, race, after, asOf)) {
        if (isBig(race)) [day.emphasis, day.stage] = ["restore", "recovery"];
        else day.counts = false;
      }
    } else if (out > 0 && out < bRace.lastHeavy && isOn(athlete, "race.b")) {
      day.heavyOk = false;
      day.why.push(why("race.b", "lastHeavy", { days: bRace.lastHeavy, race: race.name }));
    }
  } else {
    if (out === 1) {
      limitTo(day, "mobility", why("race.c", "dayBefore", { race: race.name, on: dayLabel(race.date) }));
      day.counts = false;
    }
    if (out === 2 || after === 1) day.softRaces.push(race.name);
    if (after > 0 && after <= stagesAfter(race, own).bodyweight)
      limitTo(day, "bodyweight", why("race.c", "after", { day: after, race: race.name }));
  }
}

/** A race's stages, a quarter longer after a descent far beyond the weeks before. */
export function stagesOf(athlete: Pick<Athlete, "settings" | "endurance">, race: Race): Stages {
  const stages = stagesAfter(race, athlete.settings?.ruleValues);
  return isBig(race) && descendsFar(race, athlete.endurance) ? longer(stages) : stages;
}

/** A day of the way back after a race: the stage it counts as, what opens next on which day, and how sore the legs are where that keeps it. */
export interface WayAfter {
  day: number;
  race: string;
  at: StageOn;
  on: string;
  sore: number | null;
  stages: Stages;
  answers: readonly SoreAnswer[];
}

const NOTHING_SAID: readonly CheckIn[] = [];

/** @param n day number @returns null on a day before it or once it is over */
export function wayAfter(athlete: Athlete, race: Race, n: number): WayAfter | null {
  const day = n - lastRaceDay(race);
  if (day < 1) return null;
  const stages = stagesOf(athlete, race);
  const answers = soreAnswers(race, athlete.checkIns ?? NOTHING_SAID, n);
  const { counts, sore } = restDay(stages, day, answers);
  const at = stageIn(stages, counts);
  if (!at) return null;
  // Where sore legs keep a stage, the next opens by as much later.
  const on = dayLabel(dateOf(lastRaceDay(race) + at.opens.on + (day - counts)));
  return { day, race: race.name, at, on, sore, stages, answers };
}

/** What a day of restoring takes. @param after the race's last day, from 1 @returns whether it is one */
function restoring(athlete: Athlete, day: SeasonDay, race: Race, after: number, asOf?: IsoDate): boolean {
  const way = wayAfter(athlete, race, dayNumber(day.date));
  if (!way) return false;
  const { stages, answers, sore, ...v } = way;
  if (v.at.stage === "unloaded") limitTo(day, "mobility", why("restore.visits", "mobility", v));
  else if (v.at.stage === "bodyweight") limitTo(day, "bodyweight", why("restore.visits", "bodyweight", v));
  else if (day.date === asOf && isBig(race) && !wasAsked(answers, after))
    limitTo(day, "bodyweight", why("restore.visits", "ask", { race: race.name }));
  else limitTo(day, "restore", why("restore.visits", "light", v));
  if (stages.light > stagesAfter(race, athlete.settings?.ruleValues).light)
    day.why.push(why("race.descent", "longer", race.name));
  if (sore !== null) day.why.push(why("restore.visits", "sore", { level: sore, race: race.name }));
  return true;
}

/** Consecutive A races so near that one taper serves both. */
export function nearPairs(races: readonly Race[]): [Race, Race][] {
  const a = inOrder(races).filter((r) => r.priority === "A");
  return a.flatMap((second, i): [Race, Race][] => {
    const first = a[i - 1];
    return first && raceDay(second) - lastRaceDay(first) <= numbers("race.one-taper").days ? [[first, second]] : [];
  });
}

/** Between two such races at most one light session, 4 to 5 days before the second; none after a first of over 2 h. */
export function betweenNearRaces(day: SeasonDay, n: number, near: readonly [Race, Race][]): void {
  const between = numbers("race.one-taper");
  for (const [first, second] of near) {
    const out = raceDay(second) - n;
    if (n <= lastRaceDay(first) || out <= 0) continue;
    const open = out <= between.first && out >= between.last && raceMinutes(first).minutes <= between.longestFirst;
    if (open) {
      limitTo(day, "light", why("race.one-taper", "between", { first: first.name, second: second.name }));
      if (day.loading === "light") day.taperFor = second.id;
      day.counts = false;
    } else {
      limitTo(day, "mobility", why("race.one-taper", "shared", { first: first.name, second: second.name }));
      day.taperFor = null;
      if (day.emphasis !== "restore") day.counts = false;
    }
  }
}

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
    const days = Math.min(numbers("illness.back").most, lost);
    const nth = n - dayNumber(a.end);
    if (nth >= 1 && nth <= days && !awayOn(athlete, date)) return { lost, days, nth };
  }
  return null;
}
