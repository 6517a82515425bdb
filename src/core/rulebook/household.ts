/** Little equipment: slow strength, the order in which work grows without load, and loads of a hiker's pack. */
import { reserveWords } from "./reserve";
import { eg, HOUSE, num, rule, TRADE, table } from "./rule";

export const HOUSEHOLD = {
  "slow.strength": rule({
    title: "Slow strength, where nothing can be loaded",
    kind: "dose",
    ...HOUSE,
    parameters: {
      sets: table({ "1": 3, "2": 3, "3": 3, "4": 4, "5": 4 }, "sets", HOUSE, "by loading week of a block"),
      reps: table({ "1": 6, "2": 8, "3": 6, "4": 6, "5": 8 }, "repetitions", TRADE, "by loading week"),
      down: table({ "1": 3, "2": 3, "3": 4, "4": 4, "5": 4 }, "seconds", TRADE, "of lowering"),
      pause: table({ "1": 0, "2": 0, "3": 2, "4": 2, "5": 2 }, "seconds", TRADE, "of pause at depth"),
      reserve: table({ "1": 2, "2": 2, "3": 2, "4": 1, "5": 1 }, "repetitions", TRADE, "in reserve"),
      twoLegs: num(4, "repetitions", HOUSE, "more on two legs, which carry more"),
    },
    says: {
      item: (v: { down: number; pause: number; reserve: number }) =>
        `Slow strength: ${v.down} s down${v.pause > 0 ? `, ${v.pause} s at depth` : ""}, ${reserveWords(v.reserve)} in reserve. Nothing here loads a heavy set.`,
      session: () => "Slow strength in place of maximal: this place has nothing heavy enough.",
    },
    examples: [
      eg({ week: 1 }, [3, 6, 3, 0]),
      eg({ week: 2 }, [3, 8, 3, 0]),
      eg({ week: 3 }, [3, 6, 4, 2]),
      eg({ week: 4 }, [4, 6, 4, 2]),
    ],
  }),
  "heavy.room": rule({
    title: "Too light for heavy work",
    kind: "dose",
    ...HOUSE,
    parameters: {
      share: num(
        0.5,
        "of body mass",
        HOUSE,
        "that the heaviest in the hands comes to at least, for few repetitions on two legs",
      ),
      known: num(
        10,
        "repetitions",
        HOUSE,
        "to failure with it by the log, from which it is too light whatever it weighs",
      ),
    },
    says: {
      light: (v: { kg: number; least: number }) =>
        `The heaviest here comes to ${v.kg} kg, and few repetitions are hard from about ${v.least} kg: more repetitions, slower.`,
      logged: (v: { kg: number; reps: number }) =>
        `The heaviest here, ${v.kg} kg, goes up ${v.reps} times and more: more repetitions, slower.`,
    },
    examples: [
      eg({ loading: "pair", kg: 10, bodyMassKg: 80 }, "light"),
      eg({ loading: "pair", kg: 19.5, bodyMassKg: 80 }, "light"),
      eg({ loading: "pair", kg: 20, bodyMassKg: 80 }, null),
      eg({ loading: "single", kg: 39, bodyMassKg: 80 }, "light"),
      eg({ loading: "single", kg: 40, bodyMassKg: 80 }, null),
      eg({ loading: "pair", kg: 10, bodyMassKg: 80, oneLeg: true }, null),
      eg({ loading: "pair", kg: 10, bodyMassKg: 80, oneLeg: true, reps: 8, reserve: 2 }, "logged"),
      eg({ loading: "pair", kg: 10, bodyMassKg: 80, reps: 6, reserve: 3 }, null),
      eg({ loading: "pair", kg: 30, bodyMassKg: 80, reps: 6, reserve: 4 }, "logged"),
    ],
  }),
  "grow.unloaded": rule({
    title: "Harder without load",
    kind: "dose",
    ...TRADE,
    parameters: {
      first: num(3, "seconds", TRADE, "of lowering, the first step"),
      second: num(4, "seconds", TRADE, "of lowering, the second"),
      pause: num(2, "seconds", TRADE, "of pause at depth, the third"),
      half: num(1.5, "repetitions", TRADE, "in one, the fourth: down, half up, down, up"),
      steps: table(
        { prepare: 1, develop: 3, maximal: 4, hold: 4, restore: 0 },
        "steps",
        HOUSE,
        "that an emphasis takes at most",
      ),
      heavyWeeks: num(2, "weeks", TRADE, "in which new slow lowering is placed like heavy work"),
      share: num(0.5, "of the sets", TRADE, "in the first week of slow lowering"),
    },
    says: {
      slower: (v: { down: number; pause: number }) =>
        `Nothing here is heavier: ${v.down} s down${v.pause > 0 ? `, ${v.pause} s at depth` : ""}.`,
      half: () => "Nothing here is heavier: one and a half repetitions in one, down, half up, down, up.",
      first: (v: { sets: number; of: number }) =>
        `${v.sets} of ${v.of} sets in the first week of slow lowering: it makes sore.`,
    },
    examples: [
      eg({ tempo: "2-0-1", step: 0 }, "2-0-1"),
      eg({ tempo: "2-0-1", step: 1 }, "3-0-1"),
      eg({ tempo: "2-0-1", step: 2 }, "4-0-1"),
      eg({ tempo: "2-0-1", step: 3 }, "4-2-1"),
      eg({ tempo: "3-0-1", step: 1 }, "4-0-1"),
      eg({ tempo: "2-1-1", step: 1 }, "3-1-1"),
    ],
  }),
  "pack.load": rule({
    title: "Carries and step-ups with the pack",
    kind: "dose",
    ...HOUSE,
    parameters: {
      days: num(14, "days", HOUSE, "in which the pack was carried on a hike"),
      more: num(2, "kg", HOUSE, "over what was carried then at most"),
    },
    says: {
      planned: (v: { kg: number }) => `The pack of this week's hikes: ${v.kg} kg.`,
      most: (v: { kg: number; hiked: number; more: number }) =>
        `${v.kg} kg: ${v.hiked} kg were carried in the last two weeks, ${v.more} kg more at most.`,
    },
    examples: [
      eg({ planned: 12, hiked: 10 }, 12),
      eg({ planned: 13, hiked: 10 }, 12),
      eg({ planned: 8, hiked: 10 }, 8),
    ],
  }),
};
