/** After a logged exercise: pain first, then form, spare repetitions, the range, effort; what caps all of it. */
import { eg, HOUSE, many, num, pub, rule, TRADE } from "./rule";

const THOMEE = pub("After Thomee 1997, Phys Ther 77:1690-1703: 0 to 2 go on, 3 to 5 no increase, above 5 stop");
const SILBERNAGEL = pub("Silbernagel et al. 2007, Am J Sports Med 35:897-906: back to its usual level next morning");
const NSCA_22 = pub("NSCA Essentials, 4th ed.: two past the top in two consecutive sessions");

export const PROGRESS = {
  "progress.pain": rule({
    title: "Pain first",
    kind: "must",
    ...THOMEE,
    parameters: {
      stop: num(5, "of 10", THOMEE, "above which the exercise stops", { least: 2, most: 5, tighter: "lower" }),
      noIncrease: num(3, "of 10", THOMEE, "from which nothing goes up", { least: 1, most: 3, tighter: "lower" }),
      stoppedDays: num(
        14,
        "days",
        HOUSE,
        "for which a stopped exercise stays out unless it is logged again without pain",
      ),
      shownDays: num(7, "days", HOUSE, "for which reported pain is shown"),
    },
    says: {
      stopped: (pain: number) =>
        `Pain ${pain} of 10 last time: stopped. See a physiotherapist if it lasts beyond 24 h or returns.`,
      strict: (pain: number) => `Pain ${pain} of 10 last time, strict setting: the easier step.`,
      noIncrease: (v: { pain: number; easier: string }) =>
        `Pain ${v.pain} of 10 last time: no increase; ${v.easier} or a shorter range is open.`,
      attention: (v: { pain: number; exercise: string; on: string }) =>
        `Pain ${v.pain} of 10 in the ${v.exercise} on ${v.on}.`,
    },
    examples: [eg({ pain: 2 }, "up-load"), eg({ pain: 3 }, "same"), eg({ pain: 5 }, "same"), eg({ pain: 6 }, "stop")],
  }),
  "progress.rising": rule({
    title: "Pain that rises over three sessions",
    kind: "must",
    ...TRADE,
    says: {
      rose: (pains: readonly number[]) =>
        `Pain rose over three sessions (${pains.join(", ")} of 10): no increase, and the coach is told.`,
      attention: (v: { exercise: string; pains: readonly number[] }) =>
        `Pain rises in the ${v.exercise}: ${v.pains.join(", ")} of 10 in three sessions.`,
    },
    examples: [eg({ pains: [0, 1, 2] }, "same"), eg({ pains: [1, 1, 2] }, "up-load")],
  }),
  "progress.tendon": rule({
    title: "Pain in a tendon",
    kind: "must",
    ...SILBERNAGEL,
    parameters: {
      settled: num(2, "of 10", HOUSE, "next morning that counts as back to its usual level"),
      share: num(0.9, "of the load", HOUSE, "that stays where it has not settled"),
    },
    says: {
      sore: (v: { pain: number; what: "the easier step" | "10% off" }) =>
        `The tendon was still at ${v.pain} of 10 the morning after: ${v.what}.`,
    },
    examples: [
      eg({ pain: 4, nextDay: 2 }, "up-load"),
      eg({ pain: 4, nextDay: 3 }, "down-load"),
      eg({ pain: 0, nextDay: 3 }, "up-load"),
    ],
  }),
  "progress.felt": rule({
    title: "Where the hinge is felt",
    kind: "must",
    ...TRADE,
    says: {
      once: () => "Felt in the low back: the same again; feel the hamstrings first, stop at the knee.",
      twice: () =>
        "Felt in the low back twice: back to the Romanian deadlift to the knee, weight on the heels, a light bridge or slider set first.",
      primer: () => "A light bridge or slider set before the hinge, so that the hamstrings are felt.",
    },
    examples: [
      eg({ felt: ["low-back"] }, "same"),
      eg({ felt: ["low-back", "low-back"] }, "back-rung"),
      eg({ felt: ["low-back", "hamstrings"] }, "up-load"),
    ],
  }),
  "progress.form": rule({
    title: "Only clean reps count",
    kind: "dose",
    ...TRADE,
    parameters: {
      share: num(0.9, "of the load", TRADE, "after fewer clean reps than asked for twice", { least: 0.8, most: 0.95 }),
    },
    says: {
      once: (least: number) => `Only ${least} reps were clean: that many next time.`,
      twiceStep: (easier: string) => `Fewer clean reps than asked for twice: back to ${easier}.`,
      twiceLoad: () => "Fewer clean reps than asked for twice: 10% off.",
    },
    examples: [eg({ clean: [4] }, "same"), eg({ clean: [3] }, "fewer-reps"), eg({ clean: [3, 3] }, "down-load")],
  }),
  "progress.spare": rule({
    title: "Spare reps",
    kind: "dose",
    ...NSCA_22,
    parameters: {
      once: num(3, "repetitions", TRADE, "past the top in the last set that earn an increase"),
      twice: num(2, "repetitions", NSCA_22, "past the top in two sessions running that do"),
    },
    says: {
      ready: (because: string) => because,
    },
    examples: [
      eg({ over: [2] }, "same"),
      eg({ over: [3] }, "up-load"),
      eg({ over: [2, 2] }, "up-load"),
      eg({ over: [2, 1] }, "same"),
    ],
  }),
  "progress.range": rule({
    title: "Inside the rep range",
    kind: "dose",
    ...TRADE,
    parameters: {
      within: num(1, "repetition", HOUSE, "under a number that is no range which still counts as inside it"),
      sets: num(2, "sets", TRADE, "under the range that ask for less"),
      downPct: num(7.5, "%", TRADE, "off then", { least: 5, most: 10 }),
    },
    says: {
      ready: (because: string) => because,
      fewer: (v: { sets: number; low: number; least: number }) =>
        `${v.sets} sets stayed under ${v.low} reps: ${v.least} next time.`,
      off: (v: { sets: number; low: number; pct: number }) =>
        `${v.sets} sets stayed under ${v.low} reps: ${v.pct}% off.`,
      oneShort: (v: { least: number; low: number; nearer: number; off: number }) =>
        `One set stopped at ${v.least} of ${v.low} reps${v.off > 0 ? `, ${v.nearer} nearer the limit than meant` : ""}: ${v.off > 0 ? `${v.off}% off` : "the same load again"}.`,
      holds: (v: { sets: number; asked: number; next: number }) =>
        `${v.sets} holds ended before ${v.asked} s: ${v.next} s next time.`,
    },
    examples: [
      eg({ reps: [5, 5, 3], rir: 2 }, "same"),
      eg({ reps: [5, 3, 3], rir: 2 }, "down-load"),
      eg({ reps: [5, 5, 5], rir: 2 }, "up-load"),
      eg({ reps: [5, 5, 4], rir: 2 }, "same"),
    ],
  }),
  "progress.effort": rule({
    title: "Effort against target",
    kind: "dose",
    ...HOUSE,
    parameters: { pctPerRir: num(2.5, "% a repetition in reserve", HOUSE, "off the target", { least: 1, most: 5 }) },
    says: {
      ready: (because: string) => because,
      under: (v: { shown: number; target: number; pct: number }) =>
        `${v.shown} in reserve against ${v.target}: ${v.pct}% off.`,
    },
    examples: [eg({ rir: 2, target: 2 }, 0), eg({ rir: 1, target: 2 }, -2.5), eg({ rir: 0, target: 2 }, -5)],
  }),
  "progress.cap": rule({
    title: "No increase now",
    kind: "must",
    ...TRADE,
    switchable: "No increase in the race phase, in a step-back week, or with a mileage increase",
    says: {
      race: () => "No increase in the race phase: strength is held.",
      stepBack: () => "No increase in a step-back week.",
      mileage: () => "No increase with a mileage increase.",
    },
  }),
  "progress.step": rule({
    title: "10% at once, 5% a week",
    kind: "must",
    ...TRADE,
    parameters: {
      atOnce: num(10, "%", TRADE, "at once at most", { least: 2.5, most: 10, tighter: "lower" }),
      perWeek: num(5, "% a week", TRADE, "at most", { least: 1, most: 5, tighter: "lower" }),
      extra: num(2, "repetitions", TRADE, "added at a time where the smallest step is too large"),
      extraMost: num(4, "repetitions", TRADE, "added in all before the step is taken"),
    },
    says: {
      first: (v: { kg: string; pct: number; extra: number; most: number }) =>
        `The next load, ${v.kg}, is ${v.pct}% more: first ${v.extra} to ${v.most} reps more.`,
    },
    examples: [
      eg({ weeksAtLoad: 1, next: 105 }, "up-load"),
      eg({ weeksAtLoad: 1, next: 106 }, "up-reps"),
      eg({ weeksAtLoad: 2, next: 110 }, "up-load"),
      eg({ weeksAtLoad: 3, next: 111 }, "up-reps"),
    ],
  }),
  "progress.ladder": rule({
    title: "Progression: reps, sets, position, load, slower",
    kind: "dose",
    ...TRADE,
    parameters: {
      sets: num(3, "sets", HOUSE, "that work without load takes before its next step"),
      seconds: num(5, "seconds", HOUSE, "added to a hold at a time"),
      slowest: num(4, "seconds", HOUSE, "of lowering at most"),
      easyPain: num(2, "of 10", TRADE, "of pain up to which a step is earned"),
    },
    says: { told: (text: string) => text },
    examples: [
      eg({ sets: 2, twice: true }, "up-sets"),
      eg({ sets: 3, twice: true }, "next-rung"),
      eg({ sets: 3, twice: false }, "same"),
    ],
  }),
  "progress.overrule": rule({
    title: "Decided by the coach",
    kind: "figure",
    ...HOUSE,
    says: {
      page: (reason: string | undefined) => `Decided by the coach${reason ? `: ${reason}` : ""}.`,
      after: (v: { on: string; reason: string | undefined }) =>
        `The coach decided after ${v.on}${v.reason ? `: ${v.reason}` : ""}.`,
    },
  }),
  "progress.same": rule({
    title: "Same again",
    kind: "dose",
    ...TRADE,
    says: {
      fewerSets: (v: { done: number; asked: number | undefined }) =>
        `${v.done} of ${v.asked} sets were done: the same again.`,
      inside: (v: { kg: string | null; reps: readonly number[] }) =>
        `Last time ${v.kg === null ? "" : `${v.kg}, `}${v.reps.join(", ")} reps inside the range: the same again.`,
      held: (seconds: readonly number[]) => `Held ${seconds.join(", ")} s: the same again.`,
      nothingHarder: (v: { times: number }) => `${many(v.times, "time")} the same.`,
    },
  }),
};
