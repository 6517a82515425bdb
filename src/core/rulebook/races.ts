/** Races: their classes, what stands around them, the way back after them, descents. */
import { eg, HOUSE, many, num, rule, TRADE, table } from "./rule";

const STAGE_WORDS = { unloaded: "no load", bodyweight: "bodyweight", light: "light loads" } as const;

/** A day of a way back after a race: its stage, and what opens next on which day. */
interface DayAfter {
  day: number;
  race: string;
  at: { stage: keyof typeof STAGE_WORDS; of: number; opens: { stage: "bodyweight" | "light" | null } };
  on: string;
}
const dayAfter = (v: DayAfter): string => `Day ${v.day} of ${v.at.of} after ${v.race}`;
const opensAfter = ({ at, on }: DayAfter): string =>
  `${at.opens.stage === null ? "ordinary work" : STAGE_WORDS[at.opens.stage]} from ${on}`;

export const RACES = {
  "race.class": rule({
    title: "Classes of races",
    kind: "dose",
    ...TRADE,
    parameters: {
      upTo: table(
        { short: 30, middle: 120, long: 300, "very long": 600, ultra: 1200 },
        "minutes",
        TRADE,
        "of a race up to which it is of the class; short is under it, and what is above all is day and night",
      ),
      hardDay: num(480, "minutes a day", HOUSE, "above which several days are as long as day and night"),
      daysUp: num(3, "days", HOUSE, "from which a race of several days counts one class up, by its mean day"),
      raceDays: table(
        { short: 7, middle: 10, long: 14, "very long": 18, ultra: 18, "day and night": 21 },
        "days",
        TRADE,
        "before an A race at which the race phase begins",
      ),
      recoveryDays: table(
        { short: 5, middle: 10, long: 18, "very long": 28, ultra: 35, "day and night": 45 },
        "days",
        TRADE,
        "of recovery after it",
      ),
      lastHeavy: table(
        { short: 5, middle: 7, long: 9, "very long": 11, ultra: 12, "day and night": 14 },
        "days out",
        HOUSE,
        "of the last heavy session",
      ),
      lastLight: table(
        { short: 3, middle: 4, long: 4, "very long": 5, ultra: 5, "day and night": 6 },
        "days out",
        HOUSE,
        "of the last light session",
      ),
      mobilityUntil: table(
        { short: 2, middle: 4, long: 6, "very long": 9, ultra: 12, "day and night": 14 },
        "days after",
        TRADE,
        "without any load",
      ),
      bodyweightUntil: table(
        { short: 4, middle: 7, long: 12, "very long": 18, ultra: 22, "day and night": 28 },
        "days after",
        TRADE,
        "with bodyweight at most",
      ),
    },
    examples: [
      eg({ minutes: 29 }, "short"),
      eg({ minutes: 30 }, "middle"),
      eg({ minutes: 120 }, "middle"),
      eg({ minutes: 121 }, "long"),
      eg({ minutes: 300 }, "long"),
      eg({ minutes: 301 }, "very long"),
      eg({ minutes: 600 }, "very long"),
      eg({ minutes: 601 }, "ultra"),
      eg({ minutes: 1200 }, "ultra"),
      eg({ minutes: 1201 }, "day and night"),
      eg({ minutes: 960, days: 2 }, "very long"),
      eg({ minutes: 962, days: 2 }, "day and night"),
      eg({ minutes: 720, days: 3 }, "very long"),
    ],
  }),
  "race.assumed": rule({
    title: "A race without a duration",
    kind: "figure",
    ...HOUSE,
    parameters: {
      speed: table(
        { run: 10.5, hike: 5, ride: 28, row: 13, triathlon: 17, swim: 3, other: 10 },
        "km/h",
        HOUSE,
        "taken on the flat",
      ),
      climb: table(
        { run: 900, hike: 600, ride: 900, row: 900, triathlon: 900, swim: 900, other: 900 },
        "m/h",
        HOUSE,
        "taken uphill",
      ),
      minutes: num(75, "minutes", HOUSE, "taken where the distance is not known either"),
    },
    examples: [eg({ sport: "run", km: 21, ascentM: 900 }, 180), eg({ sport: "run" }, 75)],
  }),
  "race.one-taper": rule({
    title: "Two A races near each other",
    kind: "must",
    ...TRADE,
    parameters: {
      days: num(14, "days", TRADE, "apart at most that share one taper"),
      first: num(5, "days", TRADE, "before the second from which the one session between may stand"),
      last: num(4, "days", TRADE, "before the second up to which it may"),
      longestFirst: num(120, "minutes", TRADE, "of the first race above which there is none"),
    },
    says: {
      between: (v: { first: string; second: string }) =>
        `One light session between ${v.first} and ${v.second}, 4 to 5 days before the second.`,
      shared: (v: { first: string; second: string }) =>
        `${v.first} and ${v.second} share one taper: nothing loaded between them but one light session.`,
    },
    examples: [
      eg({ gap: 14, out: 5, firstMinutes: 25 }, "light"),
      eg({ gap: 14, out: 6, firstMinutes: 25 }, "mobility"),
      eg({ gap: 14, out: 5, firstMinutes: 121 }, "mobility"),
      eg({ gap: 15, out: 9, firstMinutes: 25 }, "full"),
    ],
  }),
  "race.b": rule({
    title: "B race",
    kind: "dose",
    ...TRADE,
    parameters: {
      lastHeavy: num(4, "days out", TRADE, "of the last heavy session", { least: 3, most: 7 }),
      part: num(
        0.5,
        "of the days",
        HOUSE,
        "that each stage of restoring takes after an A race of its class, rounded up",
      ),
      shortDays: num(1, "days", HOUSE, "without load after one of under 30 min"),
      share: num(0.5, "of the sets", TRADE, "that stay in the week of the race", { least: 0.3, most: 1 }),
    },
    switchable: "Sets halved in the week of a B race, last heavy session 4 days before",
    says: {
      dayBefore: (race: string) => `The day before ${race}: no loaded work.`,
      lastHeavy: (v: { days: number; race: string }) => `Last heavy session ${v.days} days before ${v.race}.`,
      halved: (race: string) => `Sets halved in the week of ${race}, load kept.`,
    },
    examples: [
      eg({ out: 4 }, { loading: "full", heavyOk: true }),
      eg({ out: 3 }, { loading: "full", heavyOk: false }),
      eg({ out: 1 }, { loading: "mobility", heavyOk: false }),
      eg({ out: -2 }, { loading: "mobility", heavyOk: false }),
      eg({ out: -3 }, { loading: "full", heavyOk: true }),
      eg({ out: -3, minutes: 121 }, { loading: "mobility", heavyOk: false }),
      eg({ out: -4, minutes: 121 }, { loading: "bodyweight", heavyOk: false }),
      eg({ out: -9, minutes: 121 }, { loading: "restore", heavyOk: false }),
      eg({ out: -10, minutes: 121 }, { loading: "full", heavyOk: true }),
    ],
  }),
  "race.c": rule({
    title: "C race",
    kind: "must",
    ...TRADE,
    parameters: {
      longFrom: num(180, "minutes", HOUSE, "above which its legs rest after it"),
      days: num(3, "days", HOUSE, "without loaded legs after such a race"),
    },
    says: {
      dayBefore: (v: { race: string; on: string }) => `The day before ${v.race} (${v.on}): no loaded lower-body work.`,
      after: (v: { day: number; race: string }) => `Day ${v.day} after ${v.race}: no loaded legs yet.`,
    },
    examples: [
      eg({ out: 1 }, "mobility"),
      eg({ out: 2 }, "full"),
      eg({ out: -1 }, "full"),
      eg({ out: -1, minutes: 180 }, "full"),
      eg({ out: -3, minutes: 181 }, "bodyweight"),
      eg({ out: -4, minutes: 181 }, "full"),
    ],
  }),
  "race.close": rule({
    title: "Lifted close to a race",
    kind: "caution",
    ...TRADE,
    parameters: {
      days: num(14, "days", HOUSE, "back that are looked at"),
      lastLoaded: num(2, "days out", TRADE, "of the last loaded lower-body session before a B or C race"),
    },
    says: {
      close: (v: { session: string; on: string; what: "heavy" | "loaded"; out: number; race: string; meant: number }) =>
        `${v.session} of ${v.on} was ${v.what} ${many(v.out, "day")} before ${v.race}; ${many(v.meant, "day")} are meant. Nothing more is added to the legs until then.`,
    },
    examples: [eg({ priority: "B", out: 3, heavy: true }, true), eg({ priority: "B", out: 4, heavy: true }, false)],
  }),
  "race.series": rule({
    title: "Weekly races",
    kind: "dose",
    ...TRADE,
    parameters: {
      races: num(3, "races", HOUSE, "in a row that make a series"),
      gap: num(9, "days", HOUSE, "between them at most"),
      minutes: num(25, "minutes", TRADE, "of the one hold a week", { least: 20, most: 45 }),
      first: num(3, "days", TRADE, "before each race up to which the hold stands"),
      last: num(4, "days", TRADE, "before each race from which it stands"),
    },
    switchable: "Weekly races or a regatta series: one hold of about 25 min, 72 to 96 h before each race",
    says: {
      hold: (minutes: number) => `Racing week by week: one hold of about ${minutes} min, 72 to 96 h before each race.`,
    },
    examples: [eg({ gaps: [7, 7] }, 1), eg({ gaps: [7] }, 0), eg({ gaps: [9, 9] }, 1), eg({ gaps: [9, 10] }, 0)],
  }),
  "restore.visits": rule({
    title: "Restore after a race",
    kind: "must",
    ...TRADE,
    parameters: {
      sore: num(3, "of 10", TRADE, "of soreness of the legs above which a stage stays"),
      soreDays: num(3, "days", HOUSE, "for which such an answer holds, where no other follows"),
    },
    says: {
      mobility: (v: DayAfter) => `${dayAfter(v)}: rolling, mobility and bridges, no load; ${opensAfter(v)}.`,
      part: () => "Belongs to the visits that restore: rolling, easy movement, no load.",
      bodyweight: (v: DayAfter) => `${dayAfter(v)}: bodyweight progressions; ${opensAfter(v)}.`,
      light: (v: DayAfter) => `${dayAfter(v)}: light loads, 4 or more in reserve; ${opensAfter(v)}.`,
      sore: (v: { level: number; race: string }) =>
        `Legs sore at ${v.level} of 10 after ${v.race}: the stage stays until they are at 3 or less.`,
      ask: (v: { race: string }) =>
        `Light loads after ${v.race} open with the check-in: nobody has said yet how sore the legs are.`,
      short: (v: { asked: number; slots: number }) =>
        `${v.asked} short visits are wanted and there are free time slots for ${v.slots}; the rest needs no equipment and can be done at home.`,
      attention: (v: DayAfter) => `${dayAfter(v)}: ${STAGE_WORDS[v.at.stage]}; ${opensAfter(v)}.`,
    },
    examples: [
      eg({ minutes: 75, after: 4 }, "mobility"),
      eg({ minutes: 75, after: 5 }, "bodyweight"),
      eg({ minutes: 75, after: 8 }, "restore"),
      eg({ minutes: 75, after: 11 }, "full"),
    ],
  }),
  "race.descent": rule({
    title: "A long descent takes a quarter longer",
    kind: "must",
    ...HOUSE,
    parameters: {
      least: num(
        1500,
        "m of descent",
        HOUSE,
        "of a race on foot from which it counts; as much as it climbs, where nothing else is said",
      ),
      over: num(1.5, "times", HOUSE, "the largest descent of the weeks before that it must go beyond"),
      days: num(42, "days", HOUSE, "before the race that are looked at"),
      more: num(1.25, "of its days", HOUSE, "that every stage takes"),
    },
    says: {
      longer: (race: string) => `${race} descends far beyond the weeks before it: every stage takes a quarter longer.`,
      slow: (race: string) => `slow lowering stays out until the light days after ${race} are over`,
    },
    examples: [
      eg({ ascentM: 1500, before: 999 }, 24),
      eg({ ascentM: 1499, before: 0 }, 18),
      eg({ ascentM: 1500, before: 1000 }, 18),
    ],
  }),
  "descent.prep": rule({
    title: "Ready for descents",
    kind: "dose",
    ...TRADE,
    parameters: {
      perKm: num(20, "m of descent a km", HOUSE, "from which a race on foot has long descents"),
      inAll: num(800, "m of descent", HOUSE, "in all from which it does"),
      from: num(42, "days out", TRADE, "from which the work stands"),
      until: num(8, "days out", TRADE, "of the last one"),
      sets: table({ "6": 2, "5": 2, "4": 3, "3": 3 }, "sets", TRADE, "by weeks before the race"),
      reps: table({ "6": 6, "5": 8, "4": 8, "3": 10 }, "repetitions", TRADE, "by weeks before the race"),
    },
    switchable: "Slow lowering work in the weeks before a race with long descents",
    says: {
      slow: (v: { sets: number; reps: number; weeks: number; race: string }) =>
        `Slow lowering, ${v.sets} x ${v.reps} ${v.weeks} weeks before ${v.race}; the last one 7 to 10 days out.`,
    },
    examples: [
      eg({ ascentM: 800, out: 42 }, "2x6"),
      eg({ ascentM: 800, out: 43 }, null),
      eg({ ascentM: 799, km: 100, out: 42 }, null),
      eg({ ascentM: 400, km: 20, out: 28 }, "3x8"),
      eg({ ascentM: 800, out: 7 }, null),
    ],
  }),
};
