/** The season: phases worked backwards from races, what stands around them, step-backs, journeys, heat. */
import { eg, HOUSE, many, num, pub, rule, TRADE, table } from "./rule";

const BOSQUET = pub(
  "Bosquet et al. 2007, Med Sci Sports Exerc 39(8):1358-1365, on endurance volume; Ronnestad, Hansen, Raastad 2010, Eur J Appl Physiol 110(6):1269-1282, for one weekly session",
);

const STAGE_WORDS = { unloaded: "no load", bodyweight: "bodyweight", light: "light loads" } as const;

export const SEASON = {
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
  "phase.day": rule({
    title: "Phases belong to days",
    kind: "dose",
    ...TRADE,
    says: {
      mixed: (v: { sessions: number; days: string }) =>
        `${many(v.sessions, "session")} this week: days ${v.days}, each with its share.`,
      one: (v: { sessions: number; emphasis: string; phase: string }) =>
        `${many(v.sessions, "session")} this week: ${v.emphasis}, ${v.phase} phase.`,
      fewerDays: (v: { asked: number; days: number }) =>
        `${v.asked} sessions would fit the phase; there are days for ${v.days}, the lower end.`,
      sets: (v: { asked: number; left: number }) => `${v.asked} hard sets become ${v.left}; the load is kept.`,
    },
  }),
  "phase.build": rule({
    title: "Weeks of build and base",
    kind: "dose",
    ...TRADE,
    parameters: {
      wanted: num(56, "days", TRADE, "of build before a race phase", { least: 42, most: 70 }),
      most: num(70, "days", TRADE, "of build at most"),
      least: num(28, "days", TRADE, "of build at the least"),
      shortestBase: num(7, "days", HOUSE, "under which a base joins the build beside it"),
      shortBase: num(28, "days", HOUSE, "under which a base between two A races is said to be short"),
      rollingBase: num(56, "days", HOUSE, "of base where no A race gives an end"),
      rollingBuild: num(42, "days", HOUSE, "of build there"),
    },
    examples: [
      eg({ daysToRacePhase: 63 }, [7, 56]),
      eg({ daysToRacePhase: 62 }, [0, 62]),
      eg({ daysToRacePhase: 90 }, [34, 56]),
    ],
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
  "emphasis.approach": rule({
    title: "Emphasis by the approach",
    kind: "dose",
    ...TRADE,
    says: {
      part: (v: { part: string; says: string; approach: string }) => `${v.part} ${v.says} (${v.approach}).`,
    },
  }),
  "emphasis.layered": rule({
    title: "Layered approach",
    kind: "dose",
    ...HOUSE,
    says: { dose: (v: { name: string; says: string; ends: string }) => `${v.name}. ${v.says}; ${v.ends}.` },
  }),
  "emphasis.early": rule({
    title: "Base, early and late",
    kind: "dose",
    ...HOUSE,
    parameters: {
      first: num(28, "days", HOUSE, "of prepare at the start of a base at most"),
      afterRecovery: num(14, "days", TRADE, "of prepare after a recovery at most"),
    },
    says: {
      part: (v: { part: string; says: string; approach: string }) => `${v.part} ${v.says} (${v.approach}).`,
    },
    examples: [
      eg({ baseDays: 90, day: 28 }, "base-early"),
      eg({ baseDays: 90, day: 29 }, "base-late"),
      eg({ baseDays: 20, day: 11 }, "base-late"),
    ],
  }),
  "hold.long": rule({
    title: "Holds of more than six weeks",
    kind: "caution",
    ...TRADE,
    parameters: {
      days: num(42, "days", TRADE, "of holding above which it is said", { least: 28, most: 91 }),
      block: num(14, "days", TRADE, "of the mini-block that is proposed"),
      before: num(14, "days", HOUSE, "of hold before it at least"),
    },
    switchable: "Says where strength is only held for more than six weeks, and proposes two weeks of two sessions",
    says: {
      long: (v: { weeks: number; proposal: string | null }) =>
        `Strength is only held for ${v.weeks} weeks: practice says about six, a published season held thirteen on one weekly session. ${
          v.proposal
            ? `Two weeks of two sessions ${v.proposal} would refresh it.`
            : "Two weeks of two sessions would refresh it, but the races leave no room for them."
        }`,
    },
    examples: [eg({ holdDays: 42 }, false), eg({ holdDays: 43 }, true)],
  }),
  "taper.light": rule({
    title: "Last light session",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: num(0.5, "of the sets", TRADE, "that the last light session keeps", { least: 0.3, most: 0.7 }),
    },
    switchable: "Only light work of half the sets between the last heavy day and an A race",
    says: {
      light: (v: { days: number; race: string }) =>
        `Last heavy session ${v.days} days before ${v.race}; only light work of half the sets here.`,
      ahead: (v: { race: string; days: number }) => `${v.race} in ${v.days} days.`,
    },
    examples: [
      eg({ minutes: 75, out: 7 }, "full"),
      eg({ minutes: 75, out: 6 }, "light"),
      eg({ minutes: 75, out: 4 }, "light"),
      eg({ minutes: 75, out: 3 }, "mobility"),
    ],
  }),
  "taper.week": rule({
    title: "Load held, volume cut in a race-phase week",
    kind: "dose",
    ...BOSQUET,
    parameters: {
      most: num(
        0.59,
        "of the last full build week's hard sets",
        HOUSE,
        "that a race-phase week keeps at most; carrying it to sets is our step",
      ),
      least: num(0.4, "of the last full build week's hard sets", HOUSE, "that it keeps at least"),
    },
    switchable: "Race-phase weeks keep 40 to 59% of the last full build week's hard sets",
    examples: [eg({ buildSets: 20 }, [8, 11]), eg({ buildSets: 10 }, [4, 5])],
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
  "block.weeks": rule({
    title: "Blocks of loading weeks",
    kind: "dose",
    ...TRADE,
    parameters: {
      most: num(5, "loading weeks", TRADE, "of a block at most, where that fits the phase better"),
      shorter: num(9, "times", HOUSE, "that the share missing of the usual length weighs, squared"),
      cutShort: num(
        10,
        "points",
        HOUSE,
        "that a block without its step-back weighs, beside the squared difference in weeks",
      ),
    },
    says: {
      week: (v: { week: number; of: number }) => `Week ${v.week} of ${v.of} of this block.`,
    },
    examples: [
      eg({ weeks: 8, closed: true }, [4, 3]),
      eg({ weeks: 7, closed: true }, [3, 3]),
      eg({ weeks: 4, closed: false }, [3]),
      eg({ weeks: 6, closed: false }, [5]),
      eg({ weeks: 7, closed: false }, [3, 2]),
    ],
  }),
  "stepback.every": rule({
    title: "Step-back week at the end of a block",
    kind: "dose",
    ...TRADE,
    parameters: {
      weeks: num(4, "weeks", TRADE, "of which the last steps back"),
      often: num(3, "weeks", TRADE, "of which it does for new lifters and from 50"),
      share: num(0.55, "of the sets", TRADE, "that stays", { least: 0.4, most: 0.8 }),
    },
    switchable: "A step-back week every 4th week (3rd for new lifters and from 50)",
    says: {
      every: (v: { loading: number }) =>
        `Step-back week: it ends a block of ${many(v.loading, "loading week")}; sets cut by 40 to 50%, load held.`,
    },
    examples: [
      eg({ birthYear: 1990, week: 3 }, false),
      eg({ birthYear: 1990, week: 4 }, true),
      eg({ birthYear: 1970, week: 3 }, true),
    ],
  }),
  "stepback.endurance": rule({
    title: "Step-back with the endurance",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: num(
        0.82,
        "of what was to be expected, and of the week before",
        HOUSE,
        "under which the endurance steps back",
        { least: 0.6, most: 0.9 },
      ),
    },
    switchable: "The strength steps back with the endurance",
    says: { with: () => "Step-back week: the endurance steps back, the strength sets with it; load held." },
    examples: [eg({ factor: 0.825 }, false), eg({ factor: 0.815 }, true)],
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
      mobility: (v: { day: number; race: string }) =>
        `Day ${v.day} after ${v.race}: rolling, mobility and bridges, no load.`,
      bodyweight: (v: { day: number; race: string }) => `Day ${v.day} after ${v.race}: bodyweight progressions.`,
      light: (v: { day: number; race: string }) => `Day ${v.day} after ${v.race}: light loads, 4 or more in reserve.`,
      sore: (v: { level: number; race: string }) =>
        `Legs sore at ${v.level} of 10 after ${v.race}: the stage stays until they are at 3 or less.`,
      ask: (v: { race: string }) =>
        `Light loads after ${v.race} open with the check-in: nobody has said yet how sore the legs are.`,
      short: (v: { asked: number; slots: number }) =>
        `${v.asked} short visits are wanted and there are free time slots for ${v.slots}; the rest needs no equipment and can be done at home.`,
      attention: (v: {
        day: number;
        race: string;
        at: { stage: "unloaded" | "bodyweight" | "light"; of: number; opens: { stage: "bodyweight" | "light" | null } };
        on: string;
      }) =>
        `Day ${v.day} of ${v.at.of} after ${v.race}: ${STAGE_WORDS[v.at.stage]}; ${v.at.opens.stage === null ? "ordinary work" : STAGE_WORDS[v.at.opens.stage]} from ${v.on}.`,
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
  "travel.legs": rule({
    title: "Long journeys",
    kind: "must",
    ...TRADE,
    parameters: {
      hours: num(4, "hours on the way", TRADE, "above which the legs rest on the day"),
      zones: num(3, "time zones", TRADE, "from which they rest after it, too"),
      days: num(2, "days", TRADE, "after either journey"),
    },
    switchable: "No heavy legs on a travel day of over 4 h, nor 48 h after three time zones",
    says: {
      after: (zones: number) => `No heavy legs in the 48 h after ${zones} time zones.`,
      day: (hours: number | undefined) => `No heavy legs on a travel day${hours ? ` of ${hours} h` : ""}.`,
    },
    examples: [
      eg({ hours: 4, daysAfter: 0 }, true),
      eg({ hours: 4.1, daysAfter: 0 }, false),
      eg({ zones: 3, daysAfter: 2 }, false),
      eg({ zones: 3, daysAfter: 3 }, true),
      eg({ zones: 2, daysAfter: 1 }, true),
    ],
  }),
  "heat.sets": rule({
    title: "First hot or high week",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: num(2 / 3, "of the sets", TRADE, "that stays", { least: 0.4, most: 1 }),
      days: num(7, "days", TRADE, "of heat or height that count as the first"),
    },
    switchable: "A third of the sets less in the first hot or high week",
    says: { first: (what: string) => `First week of ${what}: a third of the sets less, load kept.` },
    examples: [eg({ weeksIn: 0 }, 0.667), eg({ weeksIn: 1 }, 1)],
  }),
  "sport.row-hinge": rule({
    title: "Rowers: no heavy hinge before long rowing",
    kind: "must",
    ...TRADE,
    switchable: "Rowers: no heavy hinge the day before long rowing",
    says: {
      light: (v: { because: string; reserve: number }) => `Rowing: ${v.because}, ${v.reserve} or more in reserve.`,
    },
  }),
  "sport.pack": rule({
    title: "Packs and ascents ramp",
    kind: "caution",
    ...TRADE,
    parameters: {
      kg: num(2, "kg a week", TRADE, "that a pack rises at most"),
      ascentPct: num(10, "% a week", TRADE, "that the ascent rises while the pack does"),
      startLow: num(5, "% of body mass", TRADE, "that a first pack weighs at least"),
      startHigh: num(10, "% of body mass", TRADE, "that it weighs at most"),
      fullDays: num(14, "days", TRADE, "before a hike by which the full pack has been carried"),
      carriedDays: num(28, "days", HOUSE, "for which a pack counts as carried"),
      buildDays: num(42, "days", HOUSE, "before a hike in which the full pack is looked for"),
    },
    switchable:
      "Hikers: says where the pack begins too heavy, rises by more than 2 kg or together with the ascent, or is full too late",
    says: {
      first: (v: { now: string; low: string; high: string }) =>
        `The first pack weighs ${v.now}; ${v.low} to ${v.high} is usual, 5 to 10% of body mass.`,
      rises: (v: { by: string; most: number }) =>
        `The pack rises by ${v.by} this week; ${v.most} kg at a time is usual.`,
      both: (v: { by: string; pct: number }) =>
        `Pack and ascent both rise this week (${v.by}, ${v.pct}%): one at a time.`,
      late: (v: { days: number; race: string }) =>
        `The heaviest pack comes ${many(v.days, "day")} before ${v.race}; 2 to 3 weeks out is usual.`,
    },
    examples: [
      eg({ before: 6, now: 8 }, false),
      eg({ before: 6, now: 8.1 }, true),
      eg({ before: 0, now: 7 }, false),
      eg({ before: 0, now: 7.1 }, true),
    ],
  }),
};
