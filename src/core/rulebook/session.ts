/** Building a session: slots, pairs, time, what goes first when time is short, sheets before and after. */
import { eg, HOUSE, many, num, rule, TRADE } from "./rule";

export const SESSION = {
  "session.slots": rule({
    title: "Sets beside the leading lifts",
    kind: "dose",
    ...HOUSE,
    parameters: {
      assist: num(2, "sets", HOUSE, "of an assistance exercise"),
      most: num(4, "sets", HOUSE, "of one exercise at most"),
      bodyweightLow: num(8, "repetitions", HOUSE, "of bodyweight work in a slot of few repetitions at least"),
      bodyweightHigh: num(10, "repetitions", HOUSE, "of it at most"),
      mobilitySeconds: num(60, "seconds", HOUSE, "of mobility without a length of its own"),
      hopSeconds: num(10, "seconds", TRADE, "of hops"),
      mobilityMinutes: num(30, "minutes", TRADE, "of a mobility visit at most"),
    },
    examples: [eg({ sets: 2, asked: 3 }, 3), eg({ sets: 2, asked: 4 }, 4), eg({ sets: 2, asked: 5 }, 4)],
  }),
  "session.last": rule({
    title: "The last of a session",
    kind: "dose",
    ...TRADE,
    parameters: {
      more: num(1, "repetition", TRADE, "more in reserve for what stands last"),
      groups: num(3, "pairs or trios", HOUSE, "of work from which the last one is told apart"),
    },
    says: { last: (more: number) => `Last of the session: ${more} more in reserve.` },
    examples: [eg({ pairs: 3 }, 3), eg({ pairs: 2 }, 2)],
  }),
  "pair.rest": rule({
    title: "Paired work",
    kind: "choice",
    ...TRADE,
    says: { sameMuscles: (other: string) => `works the same muscles as the ${other}` },
  }),
  "time.parts": rule({
    title: "How long a session takes",
    kind: "figure",
    ...TRADE,
    parameters: {
      opening: num(300, "seconds", TRADE, "of opening"),
      change: num(75, "seconds", TRADE, "of set-up at each exercise"),
      floor: num(12, "seconds", HOUSE, "of it in a routine or a restoring visit, one thing after the other on a mat"),
      rampLead: num(
        3,
        "sets",
        HOUSE,
        "that find a lead's unknown load at most; those after them are working sets already",
      ),
      rampBeside: num(1, "set", HOUSE, "that finds an unknown load beside the leads"),
    },
    examples: [eg({ exercises: 1, sets: 1, reps: 10, secondsPerRep: 3, rest: 60 }, 465)],
  }),
  "time.drop": rule({
    title: "Dropped to fit the time",
    kind: "dose",
    ...TRADE,
    says: {
      cuts: (v: { cuts: number; minutes: number }) => `${many(v.cuts, "cut")} to stay inside ${v.minutes} min.`,
    },
  }),
  "floor.today": rule({
    title: "Easier today",
    kind: "dose",
    ...TRADE,
    parameters: {
      lessPct: num(
        5,
        "% less load today",
        TRADE,
        "where the last warm-up set left two repetitions less than it should",
      ),
    },
    examples: [eg({ load: 100, loads: [90, 95, 96] }, 95), eg({ load: 95, loads: [90, 95, 96] }, 90)],
  }),
  "sheet.activation": rule({
    title: "Activation and after-care",
    kind: "dose",
    ...TRADE,
    parameters: {
      most: num(10, "repetitions a side", TRADE, "of each item at most"),
      least: num(5, "repetitions a side", TRADE, "of each item at least"),
      seconds: num(20, "seconds", HOUSE, "of a timed item"),
      change: num(15, "seconds", HOUSE, "between items"),
      minutes: num(8, "minutes", TRADE, "of an activation at most"),
      hold: num(30, "seconds", TRADE, "of a stretch"),
    },
    says: { item: (text: string) => text },
    examples: [eg({ fixed: 80, aRep: 40 }, 10), eg({ fixed: 81, aRep: 40 }, 9), eg({ fixed: 400, aRep: 40 }, 5)],
  }),
};
