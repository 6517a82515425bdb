/** Choosing exercises: what moves one up or down among those that are open. */
import { eg, HOUSE, num, rule, TRADE, table } from "./rule";

export const CHOICE = {
  "choice.points": rule({
    title: "Points of a choice",
    kind: "choice",
    ...HOUSE,
    parameters: {
      points: table(
        {
          finding: 2.5,
          good: 3,
          back: 3,
          care: -4,
          step: 12,
          earned: 3,
          load: 3,
          held: -3,
          recent: 1.5,
          recentMost: 4,
          thisBlock: 3,
          lastBlock: -3,
          earlierBlock: -1.5,
          below: -3,
          quiet: -8,
          notNow: -20,
          newToBar: -4,
          ladderFirst: 4,
          sameMuscle: -1.5,
          unmoved: -12,
        },
        "points",
        HOUSE,
        "that move an exercise up or down, and how often a recent one counts at most",
      ),
      recentDays: num(56, "days", HOUSE, "back in which a logged lift counts as one the athlete is on"),
    },
    examples: [eg({ days: 56 }, true), eg({ days: 57 }, false)],
  }),
  "choice.unmoved": rule({
    title: "A lift that stands still",
    kind: "choice",
    ...TRADE,
    parameters: {
      exposures: num(
        3,
        "loading exposures",
        TRADE,
        "without more, after which a sister lift takes its place at the block's end",
      ),
      withinPct: num(1, "%", HOUSE, "of load up to which nothing has moved"),
    },
    says: {
      still: (exposures: number) => `has not moved for ${exposures} sessions`,
      instead: (v: { name: string; exposures: number }) =>
        `In place of ${v.name}, which has not moved for ${v.exposures} sessions.`,
    },
    examples: [
      eg({ kg: [100, 100, 100], reps: [5, 5, 5] }, true),
      eg({ kg: [102, 100, 100], reps: [5, 5, 5] }, false),
      eg({ kg: [101, 101, 100], reps: [5, 5, 5] }, true),
      eg({ kg: [100, 100, 100], reps: [6, 5, 5] }, false),
      eg({ kg: [100, 100], reps: [5, 5] }, false),
    ],
  }),
  "choice.sport": rule({
    title: "Choice for the sport",
    kind: "choice",
    ...HOUSE,
    says: { matters: (sport: string) => `matters for this sport (${sport})` },
  }),
  "choice.swap": rule({
    title: "Replaced",
    kind: "choice",
    ...TRADE,
    says: {
      instead: (v: { name: string; because: string }) => `Instead of ${v.name}: ${v.because}.`,
      sheet: (v: { what: string; name: string; because: string }) => `${v.what}; instead of ${v.name}: ${v.because}`,
    },
  }),
  "choice.back": rule({
    title: "Back in its progression",
    kind: "choice",
    ...TRADE,
    parameters: { sessions: num(2, "sessions", HOUSE, "after which it is no longer said") },
    says: {
      back: (v: { area: string; name: string; step: number; of: number }) =>
        `The ${v.area} is clear: ${v.name} is back${v.step > 0 ? `, step ${v.step} of ${v.of} of its progression` : ""}. Introduce it slowly.`,
      open: (area: string) => `open again: the ${area} is clear`,
    },
    examples: [eg({ times: 1 }, true), eg({ times: 2 }, false)],
  }),
  "choice.ladder": rule({
    title: "Harder versions before load",
    kind: "choice",
    ...TRADE,
    says: { climbs: () => "the approach takes harder versions before it adds load" },
  }),
  "choice.load": rule({
    title: "Load in a strength phase",
    kind: "choice",
    ...HOUSE,
    says: {
      loads: () => "takes load, and the phase asks for strength",
      held: () => "a hold, where the phase asks for strength through the range",
    },
  }),
  "choice.rank": rule({
    title: "Order of the library",
    kind: "choice",
    ...HOUSE,
    says: {
      only: (pattern: string) => `The only ${pattern} exercise open here.`,
      assist: (v: { of: number; pattern: string }) =>
        `First of ${v.of} ${v.pattern} exercises open here; what works the same muscles as its partners, or was done in the last blocks, stands back.`,
      first: (v: { of: number; pattern: string }) =>
        `First of ${v.of} ${v.pattern} exercises open here, in the library's order.`,
    },
  }),
  "choice.step": rule({
    title: "Step of the progression",
    kind: "choice",
    ...TRADE,
    says: {
      earned: () => "the step that was earned in its progression",
      back: () => "a step back in its progression",
      current: () => "the current step of the athlete",
      below: (harder: string) => `a step below ${harder}, which was done`,
    },
  }),
  "choice.block": rule({
    title: "Main lifts stay, assistance changes",
    kind: "choice",
    ...TRADE,
    parameters: {
      weeks: num(4, "weeks", HOUSE, "after which assistance changes where no block ends", { least: 3, most: 6 }),
    },
    says: {
      recent: () => "in the log of the last weeks; lifts stay 3 to 6 weeks",
      thisBlock: () => "already in this block",
      lastBlock: () => "done last block",
      earlierBlock: () => "done the block before last",
    },
    examples: [eg({ day: 28 }, 0), eg({ day: 29 }, 1)],
  }),
  "choice.quiet": rule({
    title: "Quiet exercises",
    kind: "choice",
    ...TRADE,
    says: { looks: () => "conspicuous in a public gym" },
  }),
  "choice.simple": rule({
    title: "Simple first",
    kind: "choice",
    ...TRADE,
    says: { bar: () => "simpler than a bar for somebody new" },
  }),
  "choice.coach": rule({
    title: "The coach's choice",
    kind: "choice",
    ...HOUSE,
    says: { instead: (name: string) => `Chosen by the coach instead of ${name}.` },
  }),
  "choice.five": rule({
    title: "The essential five",
    kind: "choice",
    ...HOUSE,
    says: {
      one: (name: string) => `One of the essential five: ${name}.`,
      short: () => "Time is short: the essential five of the sport and nothing else.",
    },
  }),
};
