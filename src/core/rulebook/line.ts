/** The line of a block: how sets, repetitions and reserve go from its first loading week to its last, and where a lift stands on it. */
import { RESERVE_SHOWN_UP_TO, reserveWords } from "./reserve";
import { eg, HOUSE, num, rule, TRADE } from "./rule";

/** A dose in words: "4 x 5 at 86%, 1 in reserve". */
export interface LineWords {
  sets: number;
  /** Repetitions, or seconds of a hold. */
  amount: string;
  percent: number | null;
  reserve: number;
}

const doseWords = ({ sets, amount, percent, reserve }: LineWords): string =>
  `${sets} x ${amount}${percent === null ? "" : ` at ${Math.round(percent)}%`}, ${reserveWords(reserve)} in reserve`;

export const LINE = {
  "block.line": rule({
    title: "The line of a block",
    kind: "dose",
    ...HOUSE,
    parameters: {
      easier: num(
        1,
        "repetition",
        TRADE,
        "more in reserve for new and novice lifters and from 50, whose line ends a week earlier",
      ),
      weekPct: num(5, "%", TRADE, "that falling repetitions may add to a load in a week of a block", {
        least: 2.5,
        most: 5,
      }),
      blockPct: num(10, "%", TRADE, "that a load may rise from one block to the next", { least: 5, most: 10 }),
      goesOn: num(2, "loading weeks", HOUSE, "up to which a block goes on where the one before it in its phase ended"),
      manySets: num(
        5,
        "loading weeks",
        HOUSE,
        "from which the high number of sets stands two weeks before the last, and not one",
      ),
      oneStep: num(
        2,
        "loading weeks",
        HOUSE,
        "up to which work that grows without load grows in repetitions alone: its sets rise in longer blocks",
      ),
      keepPct: num(5, "%", HOUSE, "more than a line asks for that a load which goes by the reserve alone keeps"),
      highReps: num(
        10,
        "repetitions to failure",
        TRADE,
        "above which an estimate alone lifts no load by more than that",
      ),
    },
    says: {
      point: (v: LineWords & { point: number; of: number }) =>
        `Point ${v.point} of ${v.of} on this block's line: ${doseWords(v)}.`,
      next: (v: { from: number; was: number; is: number; kg: number }) =>
        `${v.from} kg at ${Math.round(v.was)}% before, ${Math.round(v.is)}% now: ${v.kg} kg.`,
      most: (v: { pct: number; kg: number }) => `At most ${v.pct}% more than before: ${v.kg} kg.`,
    },
    examples: [
      eg({ line: "maximal", weeks: 3 }, ["3 x 6, 2", "3 x 5, 2", "4 x 5, 1"]),
      eg({ line: "maximal", weeks: 5 }, ["3 x 6, 2", "3 x 5, 2", "4 x 5, 1", "4 x 4, 1", "3 x 3, 1"]),
      eg({ line: "maximal", weeks: 5, training: "novice" }, [
        "3 x 6, 3",
        "3 x 5, 3",
        "4 x 5, 2",
        "4 x 4, 2",
        "4 x 4, 2",
      ]),
      eg({ sets: [3, 4], reps: [4, 6], rir: [2, 2], weeks: 3 }, ["3 x 6, 2", "4 x 5, 2", "3 x 4, 2"]),
      eg({ goes: "control", sets: [2, 3], reps: [10, 15], rir: [3, 4], weeks: 2 }, ["2 x 10, 4", "2 x 15, 3"]),
      eg({ goes: "control", sets: [2, 3], reps: [10, 15], rir: [3, 4], weeks: 3 }, [
        "2 x 10, 4",
        "3 x 13, 3",
        "3 x 15, 3",
      ]),
    ],
  }),
  "block.place": rule({
    title: "A lift's place on the line",
    kind: "dose",
    ...TRADE,
    parameters: {
      under: num(1, "repetition", TRADE, "under the reserve asked for with which a week still counts as done"),
      shortSets: num(2, "sets", TRADE, "more than a repetition under that put the lift a point back"),
      missed: num(3, "weeks", TRADE, "without the lift after which its line begins anew"),
    },
    says: {
      again: (v: { point: number; because: "not logged" | "not done as asked" }) =>
        `Point ${v.point} again: ${v.because} last time.`,
      back: (point: number) => `A point back, to ${point}: too few repetitions last time.`,
      held: (point: number) => `Held at point ${point} this week.`,
      anew: () => "The line begins anew after three weeks or more without the lift.",
      ahead: () => "Planned as if the weeks before it are done as asked.",
    },
    examples: [
      eg({ weeks: [{ short: 0, under: 0 }] }, 1),
      eg({ weeks: [{ short: 0, under: 1 }] }, 1),
      eg({ weeks: [{ short: 0, under: 2 }] }, 0),
      eg({ weeks: [{ short: 1, under: 0 }] }, 0),
      eg(
        {
          weeks: [
            { short: 0, under: 0 },
            { short: 1, under: 0 },
          ],
        },
        1,
      ),
      eg(
        {
          weeks: [
            { short: 0, under: 0 },
            { short: 2, under: 0 },
          ],
        },
        1,
      ),
    ],
  }),
  "hold.line": rule({
    title: "What a hold keeps",
    kind: "dose",
    ...HOUSE,
    parameters: {
      percent: num(89, "% of 1RM", HOUSE, "at most", { least: 70, most: 89, tighter: "lower" }),
      reserve: num(2, "repetitions", HOUSE, "in reserve at least"),
      easier: num(3, "repetitions", HOUSE, "in reserve at least for new and novice lifters, from 50 and under 18"),
    },
    says: {
      keeps: (v: LineWords) => `Holds the percent of the build before it: ${doseWords(v)}.`,
    },
    examples: [
      eg({ percent: 92 }, "3, 2 at 89%"),
      eg({ percent: 89 }, "3, 2 at 89%"),
      eg({ percent: 86 }, "4, 2 at 86%"),
      eg({ percent: 83 }, "5, 2 at 83%"),
    ],
  }),
  "hold.visits": rule({
    title: "A hold in two visits",
    kind: "dose",
    switchable: "Two visits of one lead each in the race phase, from 50 or where every free time slot is short",
    ...HOUSE,
    parameters: {
      minutes: num(40, "min", HOUSE, "under which every free time slot is short for a hold of two leads"),
      visits: num(2, "visits", HOUSE, "a week in the place of one, with a lead each"),
      sets: num(2, "sets", HOUSE, "of each lead at least: a hold that keeps fewer stays one session"),
    },
    says: {
      masters: (v: { from: number; visits: number }) =>
        `From ${v.from} on a hold is ${v.visits} visits of one lead each, in the place of one with both.`,
      short: (v: { minutes: number; visits: number }) =>
        `Every free time slot is under ${v.minutes} min: the hold is ${v.visits} visits of one lead each.`,
    },
    examples: [
      eg({ age: 49, minutes: 60 }, 1),
      eg({ age: 50, minutes: 60 }, 2),
      eg({ age: 30, minutes: 39 }, 2),
      eg({ age: 30, minutes: 40 }, 1),
    ],
  }),
  "stepback.line": rule({
    title: "Load of a step-back week",
    kind: "dose",
    ...TRADE,
    says: {
      first: (v: LineWords) => `The load of this block's first week, the repetitions of its last: ${doseWords(v)}.`,
    },
  }),
  "load.triple": rule({
    title: "Percent, repetitions and reserve say one thing",
    kind: "must",
    ...HOUSE,
    parameters: {
      slack: num(0.05, "repetitions", HOUSE, "let pass before a repetition counts as possible"),
      sameWithin: num(0.15, "% of 1RM", HOUSE, "within which two percents are one, since they are shown to a tenth"),
      shownUpTo: num(RESERVE_SHOWN_UP_TO, "repetitions", HOUSE, "in reserve above which only that is said"),
    },
    says: {
      left: (v: { kg: number; percent: number; reps: number; reserve: number }) =>
        `${v.kg} kg is ${Math.round(v.percent)}% here: ${v.reps} repetitions leave ${reserveWords(v.reserve)} in reserve.`,
    },
    examples: [
      eg({ percent: 80.6, reps: 6 }, 2),
      eg({ percent: 86.2, reps: 5 }, 1),
      eg({ percent: 86.4, reps: 5 }, 0),
      eg({ percent: 75, reps: 5 }, 5),
    ],
  }),
  "line.limits": rule({
    title: "Who takes less than the line",
    kind: "must",
    ...TRADE,
    parameters: {
      minorPercent: num(85, "% of 1RM", TRADE, "at most under 18", { least: 60, most: 85, tighter: "lower" }),
      minorReps: num(5, "repetitions", TRADE, "at least under 18", { least: 5, most: 10, tighter: "higher" }),
      moderatePercent: num(75, "% of 1RM", TRADE, "at most where effort is to be moderate", {
        least: 50,
        most: 75,
        tighter: "lower",
      }),
      singleLegReps: num(5, "repetitions", TRADE, "a side of loaded single-leg work at least"),
      singleLegReserve: num(2, "repetitions", TRADE, "in its reserve at least"),
    },
    says: {
      moderate: () => "Cleared for moderate effort: no maximal block, it develops again.",
    },
    examples: [
      eg({ reps: 3, rir: 1, minor: true }, "5, 2"),
      eg({ reps: 5, rir: 1, minor: true }, "5, 2"),
      eg({ reps: 5, rir: 1, moderate: true }, "5, 5"),
      eg({ reps: 10, rir: 3, moderate: true }, "10, 3"),
      eg({ reps: 4, rir: 1, singleLeg: true }, "5, 2"),
    ],
  }),
};
