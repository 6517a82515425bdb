/** A rule that no plan can speak is a fault of the rulebook or of the planner. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import type { Athlete, Away, LoggedItem } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { starterWeek } from "../../src/core/mileage";
import { type Plan, plan } from "../../src/core/plan";
import { RULE_IDS, RULES, type RuleId } from "../../src/core/rulebook";
import { athleteWith, home, lifted, logOf, raceOn, START, weeksOf } from "../support/athlete";
import { clubOn, memberSeason } from "../support/demo";
import { seasons } from "./corpus";

const ROOT = join(import.meta.dirname, "../../src");
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory()
      ? f.name === "rulebook"
        ? []
        : sources(join(folder, f.name))
      : /\.tsx?$/.test(f.name) && !f.name.includes(".test.")
        ? [readFileSync(join(folder, f.name), "utf8")]
        : [],
  );

/** Every rule that a plan's reasons and costs name. */
function spokenIn(p: Plan): Set<RuleId> {
  const out = new Set<RuleId>();
  for (const w of p.weeks) {
    for (const r of [...w.why, w.loadLimitWhy, ...w.season.days.flatMap((d) => d.why), ...w.fit.costs]) out.add(r.rule);
    for (const s of w.sessions) for (const r of [...s.why, ...s.items.flatMap((i) => i.why)]) out.add(r.rule);
  }
  return out;
}

/** Said on screens of figures, records, lifts, gym and sheets, or where the coach has done something, which no plain season holds. */
const ELSEWHERE: readonly RuleId[] = [
  "load.session",
  "load.legs",
  "load.impulse",
  "hills.flat",
  "hike.time",
  "hike.pack",
  "figures.monotony",
  "figures.means",
  "figures.longest",
  "legs.freshness",
  "gym.fit",
  "past.log",
  "edit.hand",
  "sheet.activation",
  "homework.day",
  "choice.coach",
  "week.skip",
  "progress.overrule",
  // Points that move an exercise down: the list of what else could stand there says them.
  "pair.rest",
  "choice.quiet",
  "choice.simple",
  // Sentences of warnings, not of weeks.
  "hold.long",
  "amount.warning",
];

const MONDAY = addDays(START, 63);
const base = (more: Partial<Athlete>): Athlete => athleteWith({ endurance: weeksOf(new Array(30).fill(1)), ...more });
const logged = (...logs: Partial<LoggedItem>[]): Athlete =>
  base({
    settings: { rulesOff: ["stepback.every"] },
    strengthLog: logs.map((more, i) =>
      logOf(addDays(MONDAY, -6 - 3 * i), [{ ...lifted("trap-bar-deadlift", 80, [5, 5, 5], 2), ...more }]),
    ),
  });
const away = (kind: Away["kind"], more: Partial<Away> = {}): Athlete =>
  base({ away: [{ kind, start: MONDAY, end: addDays(MONDAY, 1), place: "gym", ...more }] });
const tendon = (nextDayPain: number): Athlete => ({
  ...base({
    strengthLog: [
      logOf(addDays(MONDAY, -6), [{ ...lifted("step-down-loaded", 10, [6, 6], 2), pain: 4, nextDayPain }], "B"),
    ],
    health: {
      clearanceNeeded: false,
      areas: [{ area: "knee-front", side: "left", status: "current", since: START }],
      pathways: [
        { area: "knee-front", side: "left", since: START, steps: [{ stage: "load", date: START, by: "Coach" }] },
      ],
    },
    rungs: [{ ladder: "step-down", exercise: "step-down-loaded" }],
    screening: [{ test: "step-down", date: START, left: 30, right: 30 }],
  }),
});

/** By the endurance plan. */
const planned = (more: Partial<Athlete>, amount = 40): Athlete =>
  athleteWith({
    endurancePlan: {
      unit: "km",
      usualWeeks: [{ phase: null, sessions: starterWeek("run", 5) }],
      weeks: [{ week: addDays(MONDAY, 7), amount }],
      rule: {
        from: START,
        start: 40,
        top: 60,
        risePct: 5,
        stepBackEvery: 4,
        stepBackTo: 0.75,
        taper: true,
        restart: true,
      },
    },
    ...more,
  });

/** Athletes whose week in the build speaks what few seasons do. */
const SPEAKERS: Partial<Record<RuleId, Athlete>> = {
  "gate.returning": base({ strengthLog: [logOf(addDays(MONDAY, -100), [lifted("back-squat", 60, [5], 2)])] }),
  "gate.set-off": base({
    endurance: [...weeksOf(new Array(30).fill(1)), ...weeksOf(new Array(30).fill(1))],
    health: {
      clearanceNeeded: false,
      areas: [{ area: "calf", side: "left", status: "past", setOffBy: "double days" }],
    },
  }),
  "weight.develop": base({ settings: { weightLoss: { start: START, end: addDays(MONDAY, 60) } } }),
  "mileage.assumed": athleteWith(),
  "amount.rise": planned({}),
  "amount.taper": planned({ races: [raceOn(addDays(MONDAY, 6), "A", 200)] }),
  "amount.restart": planned({ races: [raceOn(addDays(MONDAY, -1), "A", 200)] }),
  "amount.long": planned({}, 200),
  "amount.sessions": planned({}, 200),
  "race.close": base({
    races: [raceOn(addDays(MONDAY, 3), "B", 75)],
    strengthLog: [logOf(MONDAY, [lifted("back-squat", 80, [5, 5], 2)])],
  }),
  "travel.legs": away("travel", { hours: 9 }),
  "heat.sets": away("heat"),
  "sport.pack": athleteWith(
    {
      endurance: [
        { date: addDays(MONDAY, -5), sport: "hike", kind: "long", minutes: 180, packKg: 5 },
        { date: addDays(MONDAY, 5), sport: "hike", kind: "long", minutes: 180, packKg: 12 },
      ],
    },
    { sport: "hike" },
  ),
  "pack.load": athleteWith(
    {
      endurance: Array.from({ length: 30 }, (_, w) => ({
        date: addDays(START, w * 7 + 5),
        sport: "hike" as const,
        kind: "long" as const,
        minutes: 180,
        packKg: 6,
      })),
      places: [{ ...home, boxesCm: [30], rucksack: { emptyKg: 1, maxKg: 15, stepKg: 1 } }],
      availability: [2, 4].map((day) => ({ day, start: "18:00", minutes: 75, place: "home" })),
    },
    { sport: "hike" },
  ),
  "choice.unmoved": base({
    strengthLog: [47, 45, 43].map((ago) =>
      logOf(addDays(MONDAY, -ago), [lifted("back-squat", 60, [5, 5, 5], 2), lifted("front-squat", 50, [5, 5, 5], 2)]),
    ),
  }),
  "progress.pain": logged({ pain: 4 }),
  "progress.rising": logged({ pain: 3 }, { pain: 2 }, { pain: 1 }),
  "progress.tendon": tendon(4),
  "progress.effort": logged({
    sets: [5, 5, 5].map((reps) => ({ reps, loadKg: 80, rir: 1, side: "both" as const })),
    prescribed: { sets: 3, reps: 5, rir: 2 },
  }),
  "choice.step": base({ rungs: [{ ladder: "split-squat", exercise: "split-squat-rear-foot-low" }] }),
  "progress.felt": logged({ felt: "low-back" }),
  "progress.form": logged({
    sets: [5, 5, 5].map((reps) => ({ reps, clean: 3, loadKg: 80, rir: 2, side: "both" as const })),
  }),
  "race.descent": base({
    races: [{ ...raceOn(addDays(MONDAY, -3), "A", 200), ascentM: 2000 }],
  }),
  "readiness.day": base({
    checkIns: [
      { date: MONDAY, sleepH: 4, taken: true },
      { date: addDays(MONDAY, 1), sleepH: 4, taken: true },
    ],
  }),
  "progress.spare": logged({ sets: [5, 5, 8].map((reps) => ({ reps, loadKg: 80, rir: 2, side: "both" as const })) }),
};

describe("every rule with a sentence", () => {
  it("is named where something is said, and is spoken by a season of the demo club or of the generated athletes", () => {
    const text = sources(ROOT).join("\n");
    const speaking = RULE_IDS.filter((id) => Object.keys(RULES[id].says).length > 0);
    expect(speaking.filter((id) => !text.includes(`"${id}"`))).toEqual([]);
    const spoken = new Set<RuleId>();
    for (const { plan: p } of seasons()) for (const r of spokenIn(p)) spoken.add(r);
    for (const n of clubOn().keys()) for (const r of spokenIn(memberSeason(n))) spoken.add(r);
    const silent = Object.entries(SPEAKERS).filter(([id, a]) => {
      const from = id === "race.close" ? addDays(MONDAY, 1) : MONDAY;
      const said = spokenIn(plan(a, { from, weeks: 2 }));
      for (const r of said) spoken.add(r);
      return !said.has(id as RuleId);
    });
    expect(silent.map(([id]) => id)).toEqual([]);
    expect(speaking.filter((id) => !spoken.has(id) && !ELSEWHERE.includes(id))).toEqual([]);
  });
});
