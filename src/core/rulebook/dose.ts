/** Loads: estimated 1RM, percents, what sets the load, what the room can make, warm-up sets, finding an unknown load. */
import { reserveWords } from "./reserve";
import { eg, HOUSE, many, num, pub, rule, TRADE, table } from "./rule";

const NSCA = pub("NSCA Essentials, 4th ed., ch. 17");

/** An approach's row as a day takes it. @param v.ends which part of its ranges; null where it has none */
export const rowSentence = (v: { name: string; says: string; ends: string | null }): string =>
  `${v.name}. ${v.says}${v.ends === null ? "" : `; ${v.ends}`}.`;

export const DOSE = {
  "approach.dose": rule({
    title: "Dose of the approach",
    kind: "dose",
    ...TRADE,
    says: {
      dose: rowSentence,
      part: () => "Belongs to this approach, whatever else the week asks for.",
    },
  }),
  "approach.routine": rule({
    title: "Routine after a run",
    kind: "dose",
    ...TRADE,
    parameters: {
      minutes: table({ short: 15, long: 25 }, "minutes", TRADE, "of a routine after an easy and after a hard run"),
    },
    says: {
      follows: (version: "short" | "long") =>
        `The ${version} routine, straight after the ${version === "long" ? "hard" : "easy"} run: no gap is asked of it.`,
      part: (stage: 1 | 2 | 3) => `Belongs to the routine, stage ${stage} of 3.`,
    },
    examples: [eg({ version: "short" }, 15), eg({ version: "long" }, 25)],
  }),
  "approach.limits": rule({
    title: "What a coach may write into an approach",
    kind: "must",
    ...HOUSE,
    parameters: {
      least: table(
        { sets: 1, reps: 1, rir: 0, percent: 30, seconds: 5, rest: 0, perWeek: 0 },
        "as named",
        HOUSE,
        "at least",
      ),
      most: table(
        { sets: 10, reps: 30, rir: 6, percent: 100, seconds: 120, rest: 600, perWeek: 7 },
        "as named",
        HOUSE,
        "at most",
      ),
      letPass: num(
        0.5,
        "repetitions",
        HOUSE,
        "more than the formula gives that are let pass, since formulas differ by as much",
      ),
    },
    examples: [
      eg({ reps: 4, percent: 100 }, false),
      eg({ reps: 4, percent: 90 }, true),
      eg({ sets: 10 }, true),
      eg({ sets: 11 }, false),
    ],
  }),
  "session.rpe": rule({
    title: "Planned effort of a strength session",
    kind: "figure",
    ...HOUSE,
    parameters: {
      rpe: table({ prepare: 5, develop: 6, maximal: 7, hold: 6, restore: 3 }, "of 10", HOUSE, "by emphasis"),
      unloaded: num(3, "of 10", HOUSE, "of unloaded and restoring work at most"),
      halved: num(0.6, "of the sets", HOUSE, "up to which a session counts two less, above it one less"),
    },
    examples: [
      eg({ emphasis: "maximal", share: 1 }, 7),
      eg({ emphasis: "maximal", share: 0.667 }, 6),
      eg({ emphasis: "maximal", share: 0.55 }, 5),
    ],
  }),
  "log.unsaid": rule({
    title: "A log that does not say",
    kind: "figure",
    ...HOUSE,
    parameters: {
      rpe: num(6, "of 10", HOUSE, "taken for a session without effort"),
      minutes: num(50, "minutes", HOUSE, "taken for a session without length"),
      start: num(1080, "minutes after midnight", HOUSE, "taken for a session without a start"),
      reserve: num(2, "repetitions", HOUSE, "taken for a set without reserve"),
      reps: num(8, "repetitions", HOUSE, "taken for a log that asked for none, outside the season"),
      seconds: num(20, "seconds", HOUSE, "taken for a hold that asked for none, outside the season"),
    },
    examples: [
      eg({}, { start: 1080, minutes: 50, stress: 300 }),
      eg({ minutes: 40, rpe: 7 }, { start: 1080, minutes: 40, stress: 280 }),
    ],
  }),
  "load.percent": rule({
    title: "Load from the estimated 1RM",
    kind: "dose",
    ...HOUSE,
    parameters: {
      mostReps: num(20, "repetitions to failure", HOUSE, "above which nothing is estimated"),
      join: num(
        10,
        "repetitions to failure",
        HOUSE,
        "up to which Brzycki holds, above it the mean of Mayhew and Wathan, joined there",
      ),
      unsure: num(0.5, "% a repetition", HOUSE, "by which an estimate is less sure, and 1% for each in reserve"),
      fullDays: num(42, "days", TRADE, "for which an estimate counts in full"),
      decayPct: num(1.5, "% a week", HOUSE, "that it loses after that", { least: 0.5, most: 3 }),
      floor: num(0.8, "of it", HOUSE, "that stays at least"),
    },
    says: {
      product: (v: { max: number; unsure: number; share: string; less: string; kg: number }) =>
        `e1RM ${v.max} kg (give or take ${v.unsure}%) x ${v.share}${v.less} = ${v.kg} kg.`,
    },
    examples: [
      eg({ days: 42 }, 1),
      eg({ days: 43 }, 0.985),
      eg({ days: 49 }, 0.985),
      eg({ days: 50 }, 0.97),
      eg({ days: 400 }, 0.8),
    ],
  }),
  "load.heavy": rule({
    title: "What counts as heavy",
    kind: "figure",
    ...TRADE,
    parameters: {
      percent: num(80, "% of 1RM", TRADE, "from which a lower-body lift is heavy"),
      reserve: num(3, "repetitions", HOUSE, "in reserve at most"),
      singleLegReps: num(8, "repetitions", HOUSE, "of a loaded single-leg lift at most"),
      singleLegReserve: num(2, "repetitions", HOUSE, "in its reserve at most"),
    },
    examples: [
      eg({ reps: 5, rir: 3 }, true),
      eg({ reps: 6, rir: 3 }, false),
      eg({ reps: 4, rir: 4 }, false),
      eg({ reps: 8, rir: 2, singleLeg: true }, true),
      eg({ reps: 9, rir: 2, singleLeg: true }, false),
      eg({ reps: 8, rir: 3, singleLeg: true }, false),
    ],
  }),
  "load.progress": rule({
    title: "Load from the last log",
    kind: "dose",
    ...TRADE,
    parameters: {
      nearPct: num(7.5, "%", HOUSE, "of e1RM x percent within which a load stays", { least: 2.5, most: 15 }),
      layoffDays: num(28, "days", TRADE, "after which a log no longer sets the load"),
      awayDays: num(
        84,
        "days",
        HOUSE,
        "for which an exercise that has changed places with others still knows its load",
      ),
      unlike: num(2, "repetitions", HOUSE, "between two reserves from which it is other work"),
    },
    says: {
      near: (v: { pct: number; kg: number }) => `Kept within ${v.pct}% of e1RM x percent (${v.kg} kg).`,
      raised: (v: { pct: number; kg: number; most: number }) =>
        `Raised towards within ${v.pct}% of e1RM x percent (${v.kg} kg), ${v.most}% at most now.`,
      weeksBefore: () => "The load of the weeks before is kept.",
      kept: (v: { kg: number; planned: boolean }) =>
        `${v.kg} kg, as ${v.planned ? "planned before" : "lifted last"}, is kept.`,
    },
    examples: [eg({ daysSince: 28 }, "log"), eg({ daysSince: 29 }, "e1RM")],
  }),
  "load.rir": rule({
    title: "By repetitions and reserve",
    kind: "dose",
    ...TRADE,
    parameters: {
      away: num(0.9, "of the last load", HOUSE, "after a long time without the lift"),
      light: num(0.85, "of the last load", HOUSE, "on a light day"),
      moreReps: num(0.9, "of the last load", HOUSE, "in a block of more repetitions"),
    },
    says: {
      away: (v: { days: number; kg: number }) =>
        `Last lifted ${v.days} days ago: start below ${v.kg} kg and go by the reserve.`,
      light: (v: { kg: number; reserve: number }) =>
        `Light today: below the ${v.kg} kg of last time, ${v.reserve} in reserve.`,
      moreReps: (kg: number) => `New block with more reps: start below the ${kg} kg of last time.`,
      start: (kg: number) => `New block: start from the ${kg} kg of last time and go by the reserve.`,
    },
    examples: [eg({ lastReps: 6, reps: 6 }, 10), eg({ lastReps: 6, reps: 7 }, 9)],
  }),
  "load.light": rule({
    title: "Light load while restoring",
    kind: "must",
    ...TRADE,
    parameters: {
      percent: num(55, "% of 1RM", TRADE, "at most", { least: 40, most: 55, tighter: "lower" }),
      ofLast: num(0.6, "of the last load", HOUSE, "where no 1RM is known"),
      repsLow: num(6, "repetitions", TRADE, "at least"),
      reps: num(10, "repetitions", TRADE, "at most"),
      reserve: num(
        4,
        "repetitions",
        TRADE,
        "in reserve from which work counts as light, and on days where nothing heavy stands",
      ),
      leastReps: num(8, "repetitions", HOUSE, "of an exercise with a range of its own"),
    },
    says: {
      unknown: () => "Light: a load that leaves 5 or more in reserve.",
      empty: () => "The lightest load here is too heavy for this week: empty hands.",
      most: (percent: number) => `At most ${percent}% of 1RM, 4 or more in reserve, while restoring.`,
    },
    examples: [eg({ max: 100 }, 55), eg({ last: 50 }, 30)],
  }),
  "load.makeable": rule({
    title: "What the room can make",
    kind: "dose",
    ...TRADE,
    parameters: {
      step: num(2.5, "kg", TRADE, "of the smallest step on a bar"),
      small: num(1, "kg", TRADE, "of it where small plates exist"),
      half: num(0.5, "of it", TRADE, "for upper body and single-leg"),
    },
    says: {
      below: (kg: number) => `${kg} kg is the nearest load at or below it here.`,
      lightest: (kg: number) => `${kg} kg is the lightest there is here.`,
    },
    examples: [eg({ from: 50, loads: [50, 51, 52.5, 55] }, 51), eg({ from: 50, loads: [50, 52.5, 55] }, 52.5)],
  }),
  "load.unknown": rule({
    title: "Find the load on the floor",
    kind: "dose",
    ...TRADE,
    parameters: {
      rise: num(1.2, "times the last set", HOUSE, "that the next one weighs at least"),
      tooLight: num(1.25, "times the last set", HOUSE, "tried where the reserve says only that it was too light"),
      most: num(1.4, "times the last set", HOUSE, "that a found load weighs at most"),
      sets: num(5, "sets", TRADE, "at most"),
      reps: num(5, "repetitions", TRADE, "of each at most"),
      tellsUpTo: num(4, "repetitions", HOUSE, "in reserve up to which it tells a load"),
    },
    says: {
      ramp: (reserve: number) =>
        `No log yet: rise in sets until ${reserveWords(reserve)} stay${reserve === 1 ? "s" : ""} in reserve, then that load is kept.`,
    },
    examples: [eg({ tried: 50, reps: 5, rir: 5 }, 62.5), eg({ tried: 50, reps: 5, rir: 2 }, 50)],
  }),
  "load.warm-up": rule({
    title: "Warm-up sets",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: table(
        { first: 0.5, second: 0.7, last: 0.85 },
        "of the working load",
        TRADE,
        "of each set, after the empty bar",
      ),
      reps: table({ bar: 8, first: 5, second: 3, last: 2 }, "repetitions", TRADE, "of each set"),
      heavyFrom: num(80, "% of 1RM", TRADE, "from which the last one comes"),
      lightSets: num(2, "sets", TRADE, "before light work"),
      seconds: num(90, "seconds", HOUSE, "that a warm-up set takes"),
    },
    examples: [eg({ percent: 80 }, 4), eg({ percent: 79.9 }, 3), eg({ percent: null }, 3)],
  }),
  "load.table": rule({
    title: "Percent of 1RM by repetitions",
    kind: "figure",
    ...NSCA,
    parameters: {
      percent: table(
        { 1: 100, 2: 95, 3: 93, 4: 90, 5: 87, 6: 85, 7: 83, 8: 80, 9: 77, 10: 75, 11: 70, 12: 67, 15: 65 },
        "% of 1RM",
        NSCA,
        "by repetitions to failure",
      ),
      ends: num(15, "repetitions", NSCA, "at which the table ends; what lies beyond is ours"),
    },
    examples: [eg({ reps: 5 }, 87), eg({ reps: 13 }, 66.3), eg({ reps: 15 }, 65)],
  }),
  "first.time": rule({
    title: "New work starts with half",
    kind: "dose",
    trust: "trade",
    source: "Common practice, after McHugh 2003, Scand J Med Sci Sports 13:88-97 on first exposure",
    parameters: {
      share: num(0.5, "of the sets", TRADE, "the first time, rounded up"),
      beforeRace: num(14, "days", TRADE, "before an A race without anything new", {
        least: 7,
        most: 28,
        tighter: "higher",
      }),
      beforeKey: num(4, "days", TRADE, "after slow lowering for the first time without a key session"),
    },
    switchable: "New work begins with half the sets",
    says: {
      half: (v: { sets: number; of: number }) => `New work: half the sets the first time (${v.sets} of ${v.of}).`,
    },
    examples: [eg({ sets: 3, known: false }, 2), eg({ sets: 3, known: true }, 3), eg({ sets: 1, known: false }, 1)],
  }),
  "past.log": rule({
    title: "Logged as it was",
    kind: "figure",
    ...TRADE,
    says: {
      item: () => "As it was prescribed and logged that day; the past is not worked out again.",
      session: () => "A session of the past, from its log.",
    },
  }),
  "edit.hand": rule({
    title: "Made by hand",
    kind: "figure",
    ...HOUSE,
    says: {
      session: () => "Made by hand: it stays as it is when the week is planned again.",
      item: () => "Chosen by hand.",
      load: (v: { asked: number; made: number }) =>
        `Load set by hand: ${v.asked} kg${v.made === v.asked ? "" : `, ${v.made} kg can be made here`}.`,
    },
  }),
  "missed.weeks": rule({
    title: "Missed weeks",
    kind: "dose",
    ...TRADE,
    parameters: {
      oneSetLess: num(2, "weeks", TRADE, "from which a set goes"),
      lighter: num(3, "weeks", TRADE, "from which the load goes down"),
      share: num(0.9, "of the load", TRADE, "that stays then"),
      after: num(14, "days", HOUSE, "without lifting from which it is said"),
    },
    says: {
      because: (v: { days: number; text: "repeat" | "the same load, one set fewer" | "10% off and one set fewer" }) =>
        `Nothing of this lift for ${v.days} days: ${v.text}.`,
      attention: (v: { days: number; last: string }) => `Nothing lifted for ${many(v.days, "day")}; last on ${v.last}.`,
    },
    examples: [
      eg({ days: 7 }, null),
      eg({ days: 8 }, [1, 0]),
      eg({ days: 14 }, [1, 0]),
      eg({ days: 15 }, [1, 1]),
      eg({ days: 21 }, [1, 1]),
      eg({ days: 22 }, [0.9, 1]),
    ],
  }),
};
