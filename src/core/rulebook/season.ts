/** The season: phases worked backwards from races, what stands around them, step-backs, journeys, heat. */
import { rowSentence } from "./dose";
import { eg, HOUSE, many, num, pub, rule, TRADE } from "./rule";

const BOSQUET = pub(
  "Bosquet et al. 2007, Med Sci Sports Exerc 39(8):1358-1365, on endurance volume; Ronnestad, Hansen, Raastad 2010, Eur J Appl Physiol 110(6):1269-1282, for one weekly session",
);

export const SEASON = {
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
    says: { dose: rowSentence },
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
