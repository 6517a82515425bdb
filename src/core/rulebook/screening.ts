/** Movement tests, what is seen in the sport, sides. */
import { eg, HOUSE, listWords, many, num, pub, rule, TRADE, table } from "./rule";

const LUNSFORD = pub("Lunsford, Perry 1995, Phys Ther 75:694-698: 25 a side for young adults");
const HEBERT = pub("Hebert-Losier et al. 2017, Physiotherapy 103:446-452: medians by decade; values from memory");
const FRECKLETON = pub("Freckleton, Cook, Pizzari 2014, Br J Sports Med 48:713-717: 20 low, 25 fair, 30 good");
const BISHOP = pub("Bishop et al. 2018, Strength Cond J 40(4):1-6: (stronger - weaker) / stronger x 100");

export const SCREENING = {
  "screen.marks": rule({
    title: "Pass marks of the movement tests",
    kind: "must",
    ...TRADE,
    parameters: {
      marks: table(
        {
          "dowel-hinge": 60,
          "wall-squat": 1,
          "wall-squat-overhead": 1,
          "single-leg-squat": 10,
          "step-down": 20,
          "knee-to-wall": 10,
          "march-hold": 10,
          "front-plank": 60,
        },
        "in the test's own unit",
        TRADE,
        "that passes",
      ),
      sideHold: num(30, "seconds", TRADE, "of the side hold a side, to train on"),
      calf: num(25, "repetitions", LUNSFORD, "of the calf raise a side"),
      bridge: num(20, "repetitions", FRECKLETON, "of the single-leg bridge a side"),
    },
    examples: [eg({ test: "dowel-hinge", value: 60 }, true), eg({ test: "dowel-hinge", value: 59.9 }, false)],
  }),
  "screen.age": rule({
    title: "Marks by age",
    kind: "must",
    ...TRADE,
    parameters: {
      calfMen: table(
        { 20: 37, 30: 32, 40: 28, 50: 23, 60: 19, 70: 14, 80: 10 },
        "repetitions",
        HEBERT,
        "of the calf raise, men, from an age on; never more than 25",
      ),
      calfWomen: table(
        { 20: 30, 30: 27, 40: 24, 50: 21, 60: 19, 70: 16, 80: 13 },
        "repetitions",
        HEBERT,
        "of the calf raise, women, from an age on; never more than 25",
      ),
      bridge: table({ 50: 18, 65: 15 }, "repetitions", HOUSE, "of the single-leg bridge from an age on"),
    },
    examples: [
      eg({ test: "calf-raise", age: 49, sex: "male" }, 25),
      eg({ test: "calf-raise", age: 50, sex: "male" }, 23),
      eg({ test: "calf-raise", age: 39, sex: "female" }, 25),
      eg({ test: "calf-raise", age: 40, sex: "female" }, 24),
      eg({ test: "calf-raise", age: 82, sex: "female" }, 13),
      eg({ test: "calf-raise", age: 82, sex: "unspecified" }, 10),
      eg({ test: "single-leg-bridge", age: 49, sex: "male" }, 20),
      eg({ test: "single-leg-bridge", age: 50, sex: "male" }, 18),
    ],
  }),
  "finding.test": rule({
    title: "What the screening found",
    kind: "must",
    ...TRADE,
    says: { asks: (title: string) => `asked for by the screening: ${title.toLowerCase()}` },
  }),
  "finding.seen": rule({
    title: "What was seen in the sport",
    kind: "must",
    ...TRADE,
    parameters: {
      catchDays: num(14, "days", TRADE, "for which hinges stop at the knee although the dowel hinge was passed"),
      reserve: num(3, "repetitions", TRADE, "in reserve in the hinges that are left", {
        least: 3,
        most: 6,
        tighter: "higher",
      }),
      mostAdded: num(3, "findings", HOUSE, "that add work to one session; the others wait for the next"),
      sets: num(1, "set", HOUSE, "of added work a session, where the week's ledger does not give more of its pattern"),
    },
    says: {
      added: (title: string) => `Added by the screening: ${title.toLowerCase()}.`,
      toTheKnee: (v: { reserve: number; until: string }) =>
        `The back rounds: to the knee alone, ${v.reserve} or more in reserve, ${v.until}.`,
      asks: (title: string) => `asked for by the screening: ${title.toLowerCase()}`,
    },
    examples: [
      eg({ passedBefore: true, daysSince: 13 }, true),
      eg({ passedBefore: true, daysSince: 14 }, false),
      eg({ passedBefore: false, daysSince: 200 }, true),
    ],
  }),
  "finding.end": rule({
    title: "Work for a finding ends",
    kind: "dose",
    ...TRADE,
    parameters: {
      days: num(56, "days", TRADE, "for which a finding adds work after it was last looked at", {
        least: 28,
        most: 84,
      }),
      halfDays: num(14, "days", TRADE, "at the end of them with half the sets"),
      lookDays: num(28, "days", TRADE, "after which a finding is to be looked at again"),
      staleDays: num(84, "days", TRADE, "after which a test is too old"),
      marchLeast: num(5, "holds", TRADE, "of the march at first"),
      marchMost: num(10, "holds", TRADE, "of the march at most, one more a week"),
      bugLeast: num(4, "repetitions a side", HOUSE, "of the dead bug at first, some 30 s"),
      bugMost: num(8, "repetitions a side", HOUSE, "of the dead bug at most, some 60 s, one more a week"),
    },
    says: {
      full: (v: { until: string }) => `Until ${v.until}, then half of it for a fortnight.`,
      half: (v: { until: string }) => `Half the sets until ${v.until}, then the ordinary share.`,
      over: (v: { since: string }) => `Nothing added any more: last looked at on ${v.since}. Look again.`,
      look: (v: { what: readonly string[] }) => `Look again: ${listWords(v.what)}.`,
      ago: (v: { what: string; days: number }) => `${v.what.toLowerCase()} (${many(v.days, "day")} ago)`,
      overdue: (v: { what: string; weeks: number }) =>
        `${v.what}: not passed after ${many(v.weeks, "week")}. Go on, change the work, or refer.`,
      capped: (v: { reps: number; test: string }) =>
        `At most ${many(v.reps, "repetition")}: so many were clean in the ${v.test.toLowerCase()} test.`,
    },
    examples: [
      eg({ days: 0 }, "work"),
      eg({ days: 41 }, "work"),
      eg({ days: 42 }, "half"),
      eg({ days: 55 }, "half"),
      eg({ days: 56 }, "over"),
    ],
  }),
  "finding.house": rule({
    title: "What was seen, our own reading",
    kind: "choice",
    ...HOUSE,
    says: {
      added: (title: string) => `Added by the screening: ${title.toLowerCase()}.`,
      asks: (title: string) => `asked for by the screening: ${title.toLowerCase()}`,
    },
  }),
  "side.first": rule({
    title: "Weaker side first",
    kind: "choice",
    ...TRADE,
    parameters: {
      pct: num(10, "%", TRADE, "between the sides of a test from which one counts as weaker"),
      least: num(2, "repetitions or cm", TRADE, "that the difference must come to"),
    },
    says: {
      test: (v: { side: string; test: string; weak: number | undefined; strong: number | undefined }) =>
        `Start with the ${v.side} side, the weaker in the ${v.test.toLowerCase()} (${v.weak} against ${v.strong}), and match its reps; an extra set on it is open.`,
      finding: (v: { side: string; pct: number }) =>
        `Work on one side starts with the ${v.side} and the other side matches its repetitions (${v.pct}% apart).`,
    },
    examples: [
      eg({ test: "calf-raise", left: 22, right: 24 }, null),
      eg({ test: "calf-raise", left: 21, right: 24 }, "left"),
      eg({ test: "single-leg-squat", left: 9, right: 10 }, null),
    ],
  }),
  "side.match": rule({
    title: "Sides",
    kind: "dose",
    ...BISHOP,
    parameters: {
      watch: num(10, "%", TRADE, "between the sides from which it is watched"),
      act: num(15, "%", TRADE, "from which the weaker side takes a set more"),
      least: num(2, "repetitions", TRADE, "that the difference must come to"),
      sessions: num(3, "sessions", HOUSE, "looked at"),
    },
    says: {
      log: (v: { side: string; pct: number; sessions: number; weak: number; strong: number; acted: boolean }) =>
        `The ${v.side} side did ${v.pct}% less over the last ${many(v.sessions, "session")} (${v.weak} against ${v.strong}): it begins, the other matches its reps${v.acted ? ", and it takes a set more" : "; watched"}.`,
      attention: (v: { side: string; pct: number; name: string; weak: number; strong: number }) =>
        `${v.side} side ${v.pct}% weaker in the ${v.name} (${v.weak} against ${v.strong}).`,
    },
    examples: [
      eg({ left: 91, right: 100 }, "even"),
      eg({ left: 90, right: 100 }, "watch"),
      eg({ left: 86, right: 100 }, "watch"),
      eg({ left: 85, right: 100 }, "act"),
      eg({ left: 5, right: 6 }, "even"),
    ],
  }),
};
