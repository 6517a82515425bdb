/** The ledger: the sets a week owes each pattern, what is carried from week to week, and how its sessions are filled. */
import { eg, HOUSE, num, rule, TRADE, table } from "./rule";

const sets = (n: number): string => `${Math.round(n * 10) / 10}`;

export const LEDGER = {
  "ledger.owed": rule({
    title: "Sets owed to a pattern",
    kind: "dose",
    ...HOUSE,
    parameters: {
      factor: table(
        { prepare: 1.1, develop: 1.3, maximal: 1.1, hold: 0.55, control: 1.5, restore: 0 },
        "times the sport's share",
        HOUSE,
        "working sets a week by emphasis; control is the work on harder versions in base and build",
      ),
      upperLeast: num(1, "set", HOUSE, "a week of pushing, and of pulling, at least"),
      runAscent: num(500, "m", HOUSE, "of ascent in a week above which calf and split squat take a share more"),
      hikeAscent: num(1000, "m", HOUSE, "of it for hikers"),
      packPct: num(10, "% of body mass", HOUSE, "in the pack above which they do"),
      shareMost: num(5, "of 5", HOUSE, "of the share with that"),
      weeksBack: num(8, "weeks", HOUSE, "of the log that are read for what is carried"),
      carryMost: num(1, "week's sets", HOUSE, "carried to the next week at most, either way"),
    },
    says: {
      here: (v: { pattern: string; owed: number; weekly: number }) =>
        `This week owes ${v.pattern} ${sets(v.owed)} sets: ${sets(v.weekly)} a week, and what earlier weeks left.`,
      due: (v: { kind: string; weeks: number }) => `No ${v.kind} for ${v.weeks} weeks: it comes again.`,
      noneOpen: (v: { kind: string; weeks: number }) =>
        `No ${v.kind} for ${v.weeks} weeks, and none of it is open here: this stands in.`,
      dry: (pattern: string) => `Last week went without ${pattern}: two sets at least this week.`,
      line: (v: { share: number; factor: number; weekly: number; carry: number; owed: number }) =>
        `Share ${sets(v.share)} of 5 x ${Math.round(v.factor * 100) / 100} = ${sets(v.weekly)} sets a week, ${v.carry === 0 ? "nothing carried" : `${v.carry > 0 ? "+" : "-"}${sets(Math.abs(v.carry))} carried`}: ${sets(v.owed)} owed.`,
    },
    examples: [
      eg({ sport: "run", emphasis: "maximal" }, [3.3, 3.3, 4.4, 4.4, 3.3, 3.3, 1, 1]),
      eg({ sport: "row", emphasis: "hold" }, [2.2, 2.75, 1.1, 1.1, 0.55, 2.2, 1.1, 1.1]),
      eg({ sport: "run", emphasis: "maximal", ascentM: 501 }, [3.3, 3.3, 5.5, 4.4, 4.4, 3.3, 1, 1]),
      eg({ sport: "run", emphasis: "maximal", ascentM: 500 }, [3.3, 3.3, 4.4, 4.4, 3.3, 3.3, 1, 1]),
    ],
  }),
  "ledger.fill": rule({
    title: "Filling sessions from the ledger",
    kind: "dose",
    ...HOUSE,
    parameters: {
      least: num(
        2,
        "sets",
        HOUSE,
        "of an exercise at least; one in hold, in a week that steps back and in short sessions",
      ),
      gather: num(
        1.5,
        "sets",
        HOUSE,
        "owed from which a pattern gets an exercise, and a further one beside the least sets of those it has",
      ),
      most: num(3, "sets", HOUSE, "of an exercise beside the leads at most"),
      due: num(3, "weeks", HOUSE, "after which a kind of work that did not come is given whatever is owed", {
        least: 1,
        most: 3,
      }),
      leadWeight: num(1.5, "exercises", HOUSE, "that a leading lift counts when work is shared out evenly"),
      dry: num(1, "ordinary week", HOUSE, "without a pattern after which it is given whatever is owed"),
      dryWorth: num(
        300,
        "squares of sets",
        HOUSE,
        "that a pattern left out the week before is worth, more than all the others",
      ),
      leanSets: num(2, "sets", HOUSE, "of a lead, where a pattern would stay out a second week otherwise"),
      more: num(1.2, "times a week's sets", HOUSE, "owed to a trained athlete whose free time slots leave moreMinutes"),
      moreMinutes: num(20, "min", HOUSE, "that a session leaves of its free time slot, above which that is so"),
      shortSets: num(3, "sets", TRADE, "of the lead of a short session at most"),
      reserve: num(3, "repetitions", TRADE, "in reserve of split squats beside the leads, which are never heavy"),
    },
    says: {
      planned: (list: string) => (list === "" ? "Nothing of it is planned this week." : `Planned: ${list}.`),
      lean: () => "Fewer sets of the leads, so that no pattern stays out a second week.",
      more: (v: { minutes: number; times: number }) =>
        `Trained, and more than ${v.minutes} min of a free time slot are left: the week owes ${v.times} times its sets.`,
      short: (v: { minutes: number; lead: string }) =>
        `${v.minutes} min take a short session: one lead (${v.lead}), the rest from what the week owes.`,
    },
    examples: [
      eg({ owed: 1.4 }, 0),
      eg({ owed: 1.5 }, 2),
      eg({ owed: 3.3 }, 3),
      eg({ owed: 3.5 }, 4),
      eg({ owed: 2 }, 2),
      eg({ owed: 3.4, exercises: true }, 1),
      eg({ owed: 3.5, exercises: true }, 2),
      eg({ free: 20, trained: true }, 1),
      eg({ free: 21, trained: true }, 1.2),
      eg({ free: 21, trained: false }, 1),
    ],
  }),
};
