/** Who may do what at all: clearance, age, training age, trouble, illness, layoffs. */
import { eg, HOUSE, listWords, many, num, pub, rule, TRADE } from "./rule";

const ACOG = pub("ACOG Committee Opinion 804, 2020: moderate effort, no long work on the back in pregnancy");

export const SAFETY = {
  "gate.clearance": rule({
    title: "Clearance first",
    kind: "must",
    ...TRADE,
    parameters: {
      recentDays: num(
        84,
        "days",
        HOUSE,
        "for which a clearance can have been given for bone stress whose first day is not said",
      ),
    },
    says: {
      needed: () => "Restore and mobility only until someone licensed has cleared the athlete and it is recorded.",
      boneAfter: () =>
        "Bone stress that began after the clearance: restore and mobility only until a clinician has cleared this, too.",
      bone: () =>
        "Bone stress: restore and mobility only until a clinician has cleared the athlete and it is recorded.",
    },
    examples: [
      eg({ clearedDaysAgo: 83, stressSince: null }, "open"),
      eg({ clearedDaysAgo: 84, stressSince: null }, "restricted"),
      eg({ clearedDaysAgo: 10, stressSince: 10 }, "open"),
      eg({ clearedDaysAgo: 10, stressSince: 9 }, "restricted"),
    ],
  }),
  "gate.recent": rule({
    title: "Recent trouble counts for twelve weeks",
    kind: "must",
    ...TRADE,
    parameters: { days: num(84, "days", TRADE, "for which recent trouble still counts") },
    examples: [
      eg({ status: "recent", days: 83 }, true),
      eg({ status: "recent", days: 84 }, false),
      eg({ status: "past", days: 1 }, false),
    ],
  }),
  "gate.minor": rule({
    title: "Under 18",
    kind: "must",
    ...TRADE,
    parameters: {
      age: num(18, "years", TRADE, "under which the careful rules hold"),
      reserve: num(2, "repetitions", TRADE, "in reserve at least", { least: 2, most: 5, tighter: "higher" }),
    },
    says: {
      minor: (v: { reserve: number }) =>
        `Under 18: ${many(v.reserve, "rep")} or more in reserve, no 1RM test; qualified supervision and consent are needed.`,
    },
    examples: [eg({ birthYear: 2008, on: "2026-12-31" }, 2), eg({ birthYear: 2007, on: "2026-01-01" }, 0)],
  }),
  "gate.new": rule({
    title: "New lifters start unloaded",
    kind: "dose",
    ...TRADE,
    parameters: {
      newMonths: num(3, "months", TRADE, "in the gym under which a lifter is new"),
      noviceMonths: num(12, "months", TRADE, "in the gym up to which a lifter is a novice"),
      days: num(21, "days", TRADE, "of bodyweight before any load", { least: 14, most: 42 }),
    },
    switchable: "New lifters begin with three weeks of bodyweight",
    says: {
      bodyweight: (v: { weeks: number }) =>
        `New to the gym: bodyweight for the first ${many(v.weeks, "week")} before any load.`,
      develop: () => "Under three months in the gym: develop instead of maximal.",
    },
    examples: [
      eg({ months: 2.9 }, "new"),
      eg({ months: 3 }, "novice"),
      eg({ months: 12 }, "novice"),
      eg({ months: 12.1 }, "trained"),
      eg({ dayOfSeason: 21, months: 0 }, "bodyweight"),
      eg({ dayOfSeason: 22, months: 0 }, "full"),
    ],
  }),
  "gate.returning": rule({
    title: "Returning lifters start unloaded",
    kind: "dose",
    ...TRADE,
    parameters: {
      weeks: num(13, "weeks", HOUSE, "without lifting after which somebody counts as returning", {
        least: 8,
        most: 26,
      }),
      days: num(14, "days", TRADE, "of bodyweight then", { least: 7, most: 28 }),
    },
    switchable: "After three months and more without lifting, two weeks of bodyweight before load",
    says: {
      back: (v: { away: number; days: number }) =>
        `Back after ${many(v.away, "week")} without lifting: bodyweight for ${many(v.days, "day")} before any load.`,
    },
    examples: [eg({ weeksOff: 12 }, "full"), eg({ weeksOff: 13 }, "bodyweight")],
  }),
  "gate.masters": rule({
    title: "50 and over",
    kind: "dose",
    ...TRADE,
    parameters: {
      from: num(50, "years", TRADE, "from which step-backs come every third week"),
      slowerFrom: num(65, "years", TRADE, "from which every increase waits for one session more"),
    },
    says: {
      masters: () => "50 and over: step-back every third week, sets cut before load.",
      slower: () => "65 and over: every increase waits for one session more.",
      onceMore: () => "65 and over: once more before it goes up.",
    },
    examples: [
      eg({ birthYear: 1977, on: "2026-06-01" }, { stepBackEvery: 4, slower: false }),
      eg({ birthYear: 1976, on: "2026-06-01" }, { stepBackEvery: 3, slower: false }),
      eg({ birthYear: 1962, on: "2026-06-01" }, { stepBackEvery: 3, slower: false }),
      eg({ birthYear: 1961, on: "2026-06-01" }, { stepBackEvery: 3, slower: true }),
    ],
  }),
  "gate.limits": rule({
    title: "Limits of the clearance",
    kind: "must",
    ...ACOG,
    parameters: {
      reserve: num(4, "repetitions", HOUSE, "in reserve at least where effort is to be moderate", {
        least: 4,
        most: 8,
        tighter: "higher",
      }),
    },
    says: {
      moderate: (v: { reserve: number }) =>
        `Cleared for moderate effort: ${v.reserve} or more in reserve, no breath-holding.`,
      back: () => "Cleared without long work on the back.",
      impact: () => "Cleared without impact.",
    },
    examples: [eg({ rules: ["moderate-effort"] }, 4), eg({ rules: [] }, 0)],
  }),
  "gate.set-off": rule({
    title: "Near what set it off",
    kind: "caution",
    ...TRADE,
    parameters: { speedMore: num(0.5, "sessions a week", HOUSE, "more speed work than in the three weeks before") },
    says: {
      near: (v: { area: string; what: string; text: string }) =>
        `Near what set the ${v.area} off before (${v.what}): ${v.text} this week.`,
    },
    examples: [eg({ speedSessions: 1, usual: 1 }, false), eg({ speedSessions: 2, usual: 1 }, true)],
  }),
  "layoff.prepare": rule({
    title: "Back to prepare after more than four weeks",
    kind: "dose",
    ...TRADE,
    parameters: {
      from: num(5, "weeks", TRADE, "without lifting from which it goes back to prepare", { least: 3, most: 8 }),
      most: num(4, "weeks", TRADE, "of prepare at most"),
    },
    switchable: "After more than four weeks off, back to prepare for as many weeks, up to four",
    says: {
      back: (v: { away: number; on: string; weeks: number }) =>
        `${many(v.away, "week")} without lifting before ${v.on}: back to prepare for ${many(v.weeks, "week")}.`,
    },
    examples: [eg({ weeksOff: 4 }, 0), eg({ weeksOff: 5 }, 4)],
  }),
  "illness.back": rule({
    title: "Back from illness",
    kind: "dose",
    ...TRADE,
    parameters: {
      most: num(14, "days", TRADE, "of restore at most, else as many as were lost"),
      minutes: num(30, "minutes", TRADE, "of a session at most", { least: 15, most: 45 }),
      endurancePct: num(80, "% of its planned amount", HOUSE, "suggested for the first endurance week after it", {
        least: 40,
        most: 100,
      }),
    },
    says: {
      restore: (v: { days: number; lost: number; minutes: number }) =>
        `Back from illness: restore for ${many(v.days, "day")} after ${v.lost} lost, at most ${v.minutes} min, the first half without load.`,
    },
    examples: [
      eg({ lost: 14, day: 14 }, true),
      eg({ lost: 14, day: 15 }, false),
      eg({ lost: 15, day: 15 }, false),
      eg({ lost: 3, day: 3 }, true),
      eg({ lost: 3, day: 4 }, false),
    ],
  }),
  "weight.develop": rule({
    title: "Nothing maximal while weight is lost on purpose",
    kind: "dose",
    ...TRADE,
    switchable: "Develop instead of maximal in a block of deliberate weight loss",
    says: { until: (end: string) => `Weight is lost on purpose until ${end}: develop instead of maximal.` },
  }),
  "choice.trouble": rule({
    title: "Choice for a trouble area",
    kind: "must",
    ...TRADE,
    parameters: {
      hamstringReps: num(
        15,
        "repetitions",
        TRADE,
        "of loaded hamstring work at least while the hamstring is in trouble",
      ),
    },
    says: {
      hamstring: () => "Trouble at the hamstring: light loads of 15 or more repetitions in the first weeks.",
      care: (v: { area: string; how: string }) => `Care at the ${v.area}: ${v.how}.`,
      suits: (area: string) => `suits trouble at the ${area}`,
      with: (area: string) => `with care at the ${area}`,
      noted: (areas: readonly string[]) =>
        `Trouble noted (${listWords(areas)}): pain-free range only; above 5 of 10 the exercise stops.`,
    },
    examples: [eg({ area: "hamstring", dose: 6 }, 15), eg({ area: null, dose: 6 }, 6)],
  }),
};
