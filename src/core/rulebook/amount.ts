/** The endurance plan: weekly amounts, tapers and ways back, what a week's sessions are, and what is warned of. */
import { eg, HOUSE, many, num, pub, rule, TRADE, table } from "./rule";

const BOSQUET = pub("Bosquet et al. 2007, Med Sci Sports Exerc 39(8):1358-1365: 41 to 60% less over about 14 days");

export const AMOUNT = {
  "amount.rise": rule({
    title: "Weekly amounts by rule",
    kind: "figure",
    ...TRADE,
    parameters: {
      risePct: num(5, "% a loading week", HOUSE, "that a rule rises where none is said", { least: 0, most: 10 }),
      riseMost: num(10, "% a loading week", HOUSE, "that a rule may rise at most"),
      every: num(4, "weeks", TRADE, "of which the last steps back where none is said", { least: 3, most: 4 }),
      backLeast: num(0.7, "of the last loading week", TRADE, "in a week that steps back, at least"),
      backTo: num(0.75, "of the last loading week", TRADE, "in a week that steps back where none is said"),
      backMost: num(0.8, "of the last loading week", TRADE, "in a week that steps back, at most"),
    },
    says: {
      typed: (amount: string) => `${amount} planned for this week.`,
      first: (v: { amount: string }) => `${amount(v)}: the rule begins here.`,
      same: (v: { amount: string }) => `${amount(v)}: as much as the last loading week.`,
      loading: (v: { amount: string; pct: number }) => `${amount(v)}: ${v.pct}% above the last loading week.`,
      back: (v: { amount: string; share: number }) =>
        `${amount(v)}: a step-back week, ${Math.round(v.share * 100)}% of the last loading week.`,
    },
    examples: [
      eg(
        { start: 50, top: 80, risePct: 10, stepBackEvery: 4, stepBackTo: 0.75, weeks: 6 },
        [50, 55, 60.5, 45.4, 66.6, 73.2],
      ),
      eg({ start: 50, top: 60, risePct: 10, stepBackEvery: 0, stepBackTo: 0.75, weeks: 4 }, [50, 55, 60, 60]),
    ],
  }),
  "amount.taper": rule({
    title: "Taper of the endurance",
    kind: "dose",
    ...BOSQUET,
    parameters: {
      days: num(7, "days", BOSQUET, "that each step of a taper takes"),
      short: num(0.6, "of the usual", HOUSE, "in the last 7 days before a short race"),
      last: num(0.4, "of the usual", HOUSE, "in the last 7 days before another race; the race is not counted"),
      before: num(0.65, "of the usual", HOUSE, "in the 7 days before those"),
      longest: num(0.8, "of the usual", HOUSE, "in the 7 days before those, where the race goes through day and night"),
    },
    says: {
      taper: (v: { amount: string; race: string }) => `${amount(v)}: the taper before ${v.race}.`,
    },
    examples: [
      eg({ raceClass: "short", daysOut: 7 }, 0.6),
      eg({ raceClass: "short", daysOut: 8 }, 1),
      eg({ raceClass: "long", daysOut: 7 }, 0.4),
      eg({ raceClass: "long", daysOut: 8 }, 0.65),
      eg({ raceClass: "long", daysOut: 15 }, 1),
      eg({ raceClass: "day and night", daysOut: 15 }, 0.8),
      eg({ raceClass: "day and night", daysOut: 22 }, 1),
    ],
  }),
  "amount.restart": rule({
    title: "Way back after a race",
    kind: "dose",
    ...HOUSE,
    parameters: {
      short: table({ 1: 80, 2: 100 }, "% of the usual", HOUSE, "by week after a race under 30 min"),
      middle: table({ 1: 60, 2: 90, 3: 100 }, "% of the usual", HOUSE, "by week after a race of 30 min to 2 h"),
      long: table({ 1: 30, 2: 60, 3: 80, 4: 100 }, "% of the usual", HOUSE, "by week after a race of 2 to 5 h"),
      veryLong: table(
        { 1: 20, 2: 40, 3: 60, 4: 80, 5: 100 },
        "% of the usual",
        HOUSE,
        "by week after a race of 5 to 10 h",
      ),
      ultra: table(
        { 1: 10, 2: 25, 3: 50, 4: 70, 5: 85, 6: 100 },
        "% of the usual",
        HOUSE,
        "by week after a race of 10 to 20 h",
      ),
      dayAndNight: table(
        { 1: 0, 2: 15, 3: 30, 4: 50, 5: 70, 6: 85, 7: 100 },
        "% of the usual",
        HOUSE,
        "by week after a race of over 20 h, or of several days of over 8 h",
      ),
    },
    says: {
      back: (v: { amount: string; week: number; race: string }) =>
        `${amount(v)}: week ${v.week} of the way back after ${v.race}. Key sessions are easy ones until it is over.`,
    },
    examples: [
      eg({ raceClass: "short", daysAfter: 7 }, 0.8),
      eg({ raceClass: "short", daysAfter: 8 }, 1),
      eg({ raceClass: "long", daysAfter: 1 }, 0.3),
      eg({ raceClass: "long", daysAfter: 21 }, 0.8),
      eg({ raceClass: "ultra", daysAfter: 8 }, 0.25),
      eg({ raceClass: "day and night", daysAfter: 7 }, 0),
    ],
  }),
  "amount.long": rule({
    title: "The long session of a planned week",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: table(
        { 3: 50, 4: 45, 5: 40, 6: 35 },
        "% of the week",
        HOUSE,
        "at most, by sessions a week; six stands for six and more",
      ),
      ride: num(50, "% of the week", HOUSE, "at most on the bike"),
      over: num(1.1, "times the longest", HOUSE, "training session of the last 30 days at most; races do not count"),
      days: num(30, "days", HOUSE, "looked back over"),
    },
    says: {
      share: (v: { what: string; pct: number }) => `The long session is held to ${v.pct}% of the week: ${v.what}.`,
      longest: (v: { what: string; longest: string }) =>
        `The long session is held to a tenth more than the longest of the last 30 days (${v.longest}): ${v.what}.`,
    },
    examples: [
      eg({ sessions: 3, share: 0.6, longest: 100, amount: 40 }, 20),
      eg({ sessions: 6, share: 0.3, longest: 100, amount: 40 }, 12),
      eg({ sessions: 6, share: 0.4, longest: 100, amount: 40 }, 14),
      eg({ sessions: 6, share: 0.3, longest: 10, amount: 40 }, 11),
    ],
  }),
  "amount.sessions": rule({
    title: "What a planned week is made of",
    kind: "figure",
    ...HOUSE,
    parameters: {
      easyLeast: num(20, "minutes", HOUSE, "under which an easy session is dropped"),
      key: num(
        2 / 3,
        "of the usual size",
        HOUSE,
        "to which a key session shrinks at most; on a way back it is an easy one",
      ),
      shrink: num(0.5, "of the planned size", HOUSE, "to which sessions shrink at most where others took their part"),
      grow: num(1.25, "times the planned size", HOUSE, "to which easy sessions grow at most where others give less"),
      gridKm: num(0.5, "km", HOUSE, "that distances are rounded to"),
      gridMinutes: num(5, "minutes", HOUSE, "that durations are rounded to"),
      shares: num(0.001, "of the week", HOUSE, "by which the shares of a usual week may miss one"),
    },
    says: {
      short: (v: { short: string; because: string }) => `${v.short} less than planned: ${v.because}.`,
      over: (over: string) =>
        `${over} more than planned: what stands already is too much, and the rest shrinks to half at most.`,
    },
    examples: [
      // A usual week of 20, 60 and 20% of 50 km; what stands takes the easy run's place.
      eg({ amount: 50, stands: 10 }, 50),
      eg({ amount: 50, stands: 30 }, 50),
      eg({ amount: 50, stands: 45 }, 65),
    ],
  }),
  "amount.speed": rule({
    title: "Speed of planned sessions",
    kind: "figure",
    ...HOUSE,
    parameters: {
      run: table(
        {
          easy: 10,
          long: 10,
          steady: 11,
          tempo: 12,
          threshold: 12.5,
          intervals: 11,
          race: 12,
          technique: 9,
          other: 10,
        },
        "km/h",
        HOUSE,
        "of a run where no record says another",
      ),
      others: table(
        { ride: 25, row: 11, hike: 5, swim: 2.5, triathlon: 12, other: 8 },
        "km/h",
        HOUSE,
        "of other sports where no record says another; hikes take an hour more for every 600 m up",
      ),
      climb: num(600, "m an hour", HOUSE, "of ascent on a hike that take as long as 5 km on the flat"),
      records: num(5, "sessions", HOUSE, "done with a distance from which the athlete's own speed is taken"),
    },
    examples: [
      eg({ sport: "run", kind: "easy", km: 10 }, 60),
      eg({ sport: "hike", kind: "long", km: 10, ascentM: 300 }, 240),
    ],
  }),
  "amount.usual": rule({
    title: "A usual week read from records",
    kind: "figure",
    ...HOUSE,
    parameters: {
      weeks: num(4, "weeks", HOUSE, "of records that are read, the last whole ones"),
      least: num(2, "weeks", HOUSE, "that a day's session must stand in, or half of them where there are more"),
    },
    examples: [eg({ weeks: 4, stands: 2 }, true), eg({ weeks: 4, stands: 1 }, false)],
  }),
  "amount.warning": rule({
    title: "What the endurance plan is warned of",
    kind: "caution",
    ...TRADE,
    parameters: {
      taper: num(0.75, "of the usual", HOUSE, "in the last 7 days before an A race above which no taper is seen"),
      after: num(0.2, "of the usual", HOUSE, "above the way back's own part from which a week after a race is full"),
      far: num(0.2, "of what is planned", HOUSE, "by which three weeks must all miss it to the same side"),
      weeks: num(3, "weeks", HOUSE, "that planned and done are compared over"),
    },
    says: {
      taper: (race: string) =>
        `No taper before ${race}: the last 7 days before it are planned almost as full as usual.`,
      after: (v: { race: string; pct: number }) =>
        `A full week after ${v.race}: ${v.pct}% of the usual is what the first days after it take.`,
      rise: (v: { pct: number; most: number }) =>
        `${v.pct}% more than the last loading week; the rule is ${v.most}% at most.`,
      keys: (v: { one: string; other: string }) => `Key sessions on days in a row: ${v.one} and ${v.other}.`,
      far: (v: { done: string; planned: string; weeks: number }) =>
        `${many(v.weeks, "week")} in a row far from the plan: ${v.done} a week done, ${v.planned} planned.`,
    },
    examples: [
      eg({ last: 50, next: 55 }, []),
      eg({ last: 50, next: 56 }, ["rise"]),
      eg({ taper: true }, []),
      eg({ taper: false }, ["no-taper"]),
    ],
  }),
};

const amount = (v: { amount: string }): string => v.amount;
