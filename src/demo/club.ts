/** The demo club: invented people and races, generated from a seed and a day. */
import type { Athlete, CheckIn, HomeworkTick, StrengthLog, UsualSession } from "../core/athlete";
import { addDays, type IsoDate, mondayOf, weekday } from "../core/dates";
import { freeId, ruleFrom } from "../core/mileage";
import { plan } from "../core/plan";
import { weekHomework } from "../core/planning";
import { enduranceYear } from "./endurance";
import { PROFILES, type Profile } from "./profiles";
import { type Random, random } from "./random";
import { pastRacesOf } from "./results";
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

/** Sessions of late before which somebody was asked; a short night among them now and then. */
const ASKED = 6;

function checkInsBefore(log: readonly StrengthLog[], chance: Random): CheckIn[] {
  const days = [...new Set(log.slice(-ASKED).map((l) => l.date))];
  return days.map((date): CheckIn => {
    const short = chance.chance(0.12);
    const sleepH = short ? 4 : chance.whole(6, 8);
    return {
      date,
      sleepH,
      soreness: chance.whole(0, 3),
      feeling: chance.whole(3, 5),
      ...(short ? { taken: true } : {}),
    };
  });
}

/** Weeks of homework that were ticked, and the share of it that was done. */
const TICKED = { weeks: 3, share: 0.7 };

/** Homework as the weeks asked for it; most of it was done. */
function ticksBefore(athlete: Athlete, today: IsoDate, chance: Random): HomeworkTick[] {
  const from = addDays(mondayOf(today), -7 * TICKED.weeks);
  const known = { ...athlete, strengthLog: athlete.strengthLog.filter((l) => l.date < from) };
  return plan(known, { from, weeks: TICKED.weeks + 1 })
    .weeks.flatMap(weekHomework)
    .filter((d) => d.date < today)
    .flatMap(({ date, items }) =>
      items.filter(() => chance.chance(TICKED.share)).map((i): HomeworkTick => ({ date, item: i.id, done: true })),
    );
}

/** Days before today on which the club was screened, the last as the profile has it. */
const SCREENED = [208, 124, 40];

/** A result as it was some screens ago: a little less each time, the weaker side further behind. */
function screenOn(
  s: Profile["screening"][number],
  date: IsoDate,
  ago: number,
  r: Random,
): Athlete["screening"][number] {
  const less = (v: number, weak: boolean): number =>
    v <= 1 ? v : Math.max(1, Math.round(v * (1 - ago * (weak ? 0.09 : 0.04)) - r.whole(0, ago)));
  const { left, right, value } = s;
  return {
    test: s.test,
    date,
    ...(left === undefined ? {} : { left: less(left, left < (right ?? left)) }),
    ...(right === undefined ? {} : { right: less(right, right < (left ?? right)) }),
    ...(value === undefined ? {} : { value: less(value, false) }),
  };
}

/** The races and the endurance of one athlete, with the stream that the strength logs go on from. */
export function demoTraining(p: Profile, today: IsoDate): Pick<Athlete, "races" | "endurance"> & { rest: Random } {
  const rest = random(p.seed * 7919);
  const races = p.races.map(({ inDays, ...race }) => ({ ...race, date: raceDate(today, inDays) }));
  return { races, endurance: enduranceYear(p, races, today, rest), rest };
}

/** One athlete of the club. */
export function demoAthlete(p: Profile, today: IsoDate): Athlete {
  const { races, endurance, rest } = demoTraining(p, today);
  // A stream of its own, so that the training of the club stays as it is.
  const screens = random(p.seed * 104729);
  const screened = SCREENED.map((days) => addDays(today, -days - (p.screenedLate ?? 0)));
  const athlete: Athlete = {
    format: "field-anchor/athlete",
    version: 1,
    athlete: p.facts,
    settings: p.settings,
    season: {
      start: addDays(mondayOf(today), -7 * (p.begins ?? SEASON.behind)),
      end: addDays(mondayOf(today), 7 * SEASON.ahead + 6),
    },
    health: p.health,
    places: p.places,
    availability: p.availability,
    away: p.away.map(({ from, to, ...a }) => ({ ...a, start: addDays(today, from), end: addDays(today, to) })),
    screening: screened.flatMap((date, i) =>
      p.screening.map((s) => screenOn(s, date, SCREENED.length - 1 - i, screens)),
    ),
    seen: p.seen.map((s) => ({ ...s, date: screened.at(-1) ?? today })),
    races,
    endurance,
    strengthLog: [],
  };
  const strengthLog = strengthHalfYear(athlete, p, today, p.begins ?? SEASON.behind, rest);
  const checkIns = checkInsBefore(strengthLog, random(p.seed * 15485863));
  const whole = { ...athlete, strengthLog, checkIns, ...(p.weekly ? drawn(p, p.weekly, athlete, today) : {}) };
  const homework = ticksBefore(whole, today, random(p.seed * 32452843));
  const pastRaces = pastRacesOf(p, today);
  const told = pastRaces.length > 0 ? { ...whole, pastRaces } : whole;
  return homework.length > 0 ? { ...told, homework } : told;
}

/** What lies ahead of an athlete whose coach draws weekly amounts: the usual week and a rule, in place of sessions one by one. */
function drawn(
  { usual }: Profile,
  { start, top }: NonNullable<Profile["weekly"]>,
  { endurance }: Athlete,
  today: IsoDate,
): Pick<Athlete, "endurance" | "endurancePlan"> {
  const total = usual.reduce((a, u) => a + (u.km ?? 0), 0);
  const sessions = usual.map(
    (u): UsualSession => ({
      id: freeId([], u.day),
      day: u.day,
      start: u.start,
      sport: u.sport,
      kind: u.kind,
      share: Math.round(((u.km ?? 0) / total) * 10_000) / 10_000,
    }),
  );
  return {
    endurance: endurance.filter((e) => e.date < today),
    endurancePlan: {
      unit: "km",
      usualWeeks: [{ phase: null, sessions }],
      weeks: [],
      rule: ruleFrom(today, start, top),
    },
  };
}
