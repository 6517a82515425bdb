/** The way back of a trouble area, stage by stage. */
import { eg, HOUSE, many, num, pub, rule, TRADE, table } from "./rule";

const SILBERNAGEL = pub(
  "Silbernagel et al. 2007, Am J Sports Med 35:897-906: pain up to 5 of 10 in the work where it is usual again next morning",
);
const LEAST = { settle: 7, move: 14, load: 28, spring: 28 };

export const PATHWAY = {
  "pathway.stage": rule({
    title: "Stages of the way back",
    kind: "must",
    ...TRADE,
    parameters: {
      leastDays: table(LEAST, "days", TRADE, "of a stage at least"),
      askAfter: num(14, "days", HOUSE, "beyond the least days after which the coach is asked, weekly"),
      watchedDays: num(84, "days", TRADE, "for which an area is watched once it is back"),
      quiet: num(2, "of 10", TRADE, "of pain at most in a session that counts as quiet"),
      quietTendon: num(5, "of 10", SILBERNAGEL, "of pain at most in a tendon, where it is usual again next morning"),
      sessions: num(3, "sessions", TRADE, "that must be quiet, at the full dose of the stage"),
      sides: num(10, "%", TRADE, "between the sides from which the stage of loads is not done"),
      hopSets: num(5, "sets", TRADE, "of hops that end the stage of springs"),
      hopSeconds: num(20, "seconds", TRADE, "of hops in each of them"),
      lightDays: num(14, "days", HOUSE, "of light loads of 15 at the start of the stage of loads, at the hamstring"),
    },
    says: {
      closed: (v: { area: string; stage: string; opens: string }) =>
        `the ${v.area} is at the stage "${v.stage}"; this opens with "${v.opens}"`,
      work: (title: string) =>
        `Work of this stage, which stands until the next is confirmed: ${title.charAt(0).toLowerCase()}${title.slice(1)}.`,
      bare: (v: { area: string; stage: string }) => `the ${v.area} is at the stage "${v.stage}", nothing in the hands`,
      lowered: (v: { area: string; pains: readonly number[]; from: string; to: string }) =>
        `Pain at the ${v.area} rose over three sessions (${v.pains.join(", ")} of 10): back from ${v.from} to ${v.to} until the coach confirms again.`,
      bone: (v: { pain: number }) => `Pain ${v.pain} of 10 with bone stress: back to settle, and refer.`,
      days: (v: { days: number; least: number; stage: string }) =>
        `${many(v.least - v.days, "day")} of ${v.stage} to go (at least ${v.least})`,
      quiet: (v: { done: number; asked: number; most: number }) =>
        `${v.done} of ${many(v.asked, "session")} in a row with pain ${v.most} or less at the full dose`,
      sidesMissing: (v: { test: string }) => `${v.test} on both sides, done in this stage`,
      sidesApart: (v: { test: string; pct: number; most: number }) =>
        `sides ${v.pct}% apart in the ${v.test.toLowerCase()}; under ${v.most}% expected`,
      hops: (v: { sets: number; seconds: number }) => `${v.sets} x ${v.seconds} s of hops in one session`,
      mornings: (v: { done: number; asked: number }) => `${v.done} of ${many(v.asked, "quiet morning")}`,
      overdue: (v: { area: string; days: number; stage: string }) =>
        `The ${v.area} has been at ${v.stage} for ${many(v.days, "day")}: look at it, and go on, stay or refer.`,
      ready: (v: { area: string; stage: string; next: string }) =>
        `The ${v.area} has done the stage ${v.stage}: ${v.next} can be confirmed.`,
    },
    examples: [
      eg({ stage: "settle", days: 6, pains: [0, 0, 0] }, false),
      eg({ stage: "settle", days: 7, pains: [0, 0, 0] }, true),
      eg({ stage: "settle", days: 7, pains: [0, 2, 2] }, true),
      eg({ stage: "settle", days: 7, pains: [0, 2, 3] }, false),
      eg({ stage: "settle", days: 7, pains: [0, 0] }, false),
      eg({ stage: "move", days: 13, pains: [0, 0, 0] }, false),
      eg({ stage: "move", days: 14, pains: [0, 0, 0] }, true),
      eg({ stage: "load", days: 27, pains: [0, 0, 0], sides: [24, 25] }, false),
      eg({ stage: "load", days: 28, pains: [0, 0, 0], sides: [24, 25] }, true),
      eg({ stage: "load", days: 28, pains: [0, 0, 0], sides: [18, 20] }, false),
      eg({ stage: "load", days: 28, pains: [0, 0, 0] }, false),
    ],
  }),
};
