/**
 * The planner's own functions behind the rules, by id: each takes a worked example's `given` and answers in the example's words. What an
 * example gives was worked out by hand from the rule's sentence; nothing here computes it a second time.
 */
import { approachFor } from "../../src/core/approach/pick";
import { shippedApproach } from "../../src/core/approach/shipped";
import { activeAreas, safetyGate, trainingAge } from "../../src/core/athlete/gate";
import { lengthOf } from "../../src/core/athlete/logged";
import type {
  AmountRule,
  Athlete,
  Emphasis,
  EnduranceSession,
  LoggedItem,
  Race,
  ScreenTest,
  SessionKind,
  UsualSession,
} from "../../src/core/athlete/types";
import { addDays, dayNumber } from "../../src/core/dates";
import { cellFaults, impossiblePair } from "../../src/core/dose/check";
import { decayShare } from "../../src/core/dose/current";
import { holdAt, limited, lineFor, onOneLeg, wholeReps } from "../../src/core/dose/line";
import { NSCA_PERCENT, percentFor } from "../../src/core/dose/oneRepMax";
import { nextRamp } from "../../src/core/dose/ramp";
import { stepUp } from "../../src/core/dose/steps";
import { warmUpSets } from "../../src/core/dose/warmup";
import { knownOf } from "../../src/core/endurance/assumed";
import { backgrounds, expected, monotony, weightedMeans } from "../../src/core/endurance/figures";
import { carriageWatts, naismithHours, runningCost } from "../../src/core/endurance/hills";
import { isTwin } from "../../src/core/endurance/incoming";
import { legShare, sessionLoad } from "../../src/core/endurance/load";
import { mileageRule } from "../../src/core/endurance/mileage";
import { spikesOf } from "../../src/core/endurance/spikes";
import { SHIPPED_LIBRARY } from "../../src/core/exercise/library";
import { sideAction } from "../../src/core/exercise/sides";
import { slowerAt } from "../../src/core/exercise/slower";
import { tempoText } from "../../src/core/exercise/tempo";
import { fitGym } from "../../src/core/gym/fit";
import { fitted } from "../../src/core/homework/homework";
import { contactSets, hopSets, jumpsLogged, jumpsOpen, NO_JUMPS, stepFor } from "../../src/core/jumps/amount";
import { jumpRight } from "../../src/core/jumps/gate";
import { jumpWeek, takes } from "../../src/core/jumps/week";
import { worthGiving } from "../../src/core/ledger/deal";
import { weeklySets } from "../../src/core/ledger/shares";
import { HALF_LIFE, leftOf } from "../../src/core/legs/freshness";
import { starterWeek } from "../../src/core/mileage";
import { weekAmounts } from "../../src/core/mileage/amounts";
import { restartShare, taperShare } from "../../src/core/mileage/races";
import { usualFromRecords } from "../../src/core/mileage/records";
import { speedsFrom } from "../../src/core/mileage/speed";
import { plannedWeek } from "../../src/core/mileage/week";
import { proposalFor, stagesOn } from "../../src/core/pathway";
import { plan } from "../../src/core/plan";
import { blockUse } from "../../src/core/planning/chain";
import { choiceContexts } from "../../src/core/planning/contexts";
import { holdRange } from "../../src/core/planning/dayWork";
import { descentWork } from "../../src/core/planning/descents";
import { nearestChanges } from "../../src/core/planning/nearest";
import { exercisesFor } from "../../src/core/planning/redeal";
import { missedWeeks } from "../../src/core/progress/basis";
import { decide } from "../../src/core/progress/decide";
import type { DecisionInput } from "../../src/core/progress/decision";
import { nextLoad } from "../../src/core/progress/next";
import { packFor } from "../../src/core/progress/pack";
import { placeOnLine } from "../../src/core/progress/place";
import { tooLight } from "../../src/core/progress/room";
import { standsStill } from "../../src/core/progress/unmoved";
import { readinessOf } from "../../src/core/readiness";
import { numbers, type RuleId } from "../../src/core/rulebook";
import { findingStage } from "../../src/core/screening";
import { passMark, weakerOf } from "../../src/core/screening/marks";
import { hingeStopsAtKnee } from "../../src/core/screening/rounding";
import { loadingWeeks } from "../../src/core/season/blocks";
import { clashesOf } from "../../src/core/season/clashes";
import { seasonDays } from "../../src/core/season/days";
import { holdInVisits } from "../../src/core/season/hold";
import { stagesOf } from "../../src/core/season/limits";
import { planPhases } from "../../src/core/season/phases";
import { raceClass, raceMinutes, raceSeries } from "../../src/core/season/races";
import { buildSession } from "../../src/core/session/build";
import { isHeavy } from "../../src/core/session/heavy";
import { lightReps } from "../../src/core/session/sheets";
import { ROUTINE_MINUTES } from "../../src/core/session/slots";
import { slowRow } from "../../src/core/session/slow";
import { totalSeconds } from "../../src/core/session/time";
import { raisePrimary } from "../../src/core/session/trim";
import { tallyOf } from "../../src/core/story/tally";
import { roundTo } from "../../src/core/units";
import { ownCosts, pairCosts } from "../../src/core/week/costs";
import { groupOf } from "../../src/core/week/group";
import { blockedByEndurance, blockedByJumps, blockedByOther } from "../../src/core/week/rules";
import type { Option, WeekContext } from "../../src/core/week/types";
import { lighterBy } from "../../src/web/floor/progress";
import { athleteWith, gym, home, lifted, logOf, raceOn, START, weeksOf } from "../support/athlete";
import { exercise } from "../support/choice";
import { layeredAt, TRAINED } from "../support/dose";
import { contextOf, optionOn } from "../support/place";
import { built, request, timeOfSession, unit } from "../support/session";

// biome-ignore lint/suspicious/noExplicitAny: an example's facts are of every kind
type Given = any;
export type Binding = (given: Given) => unknown;

const to = (digits: number, v: number): number => Math.round(v * 10 ** digits) / 10 ** digits;
const steady = weeksOf(new Array(34).fill(1));
const base = (change: Partial<Athlete> = {}, facts: Partial<Athlete["athlete"]> = {}) =>
  athleteWith({ endurance: steady, ...change }, facts);
const dayOf = (a: Athlete, date: string, asOf?: string) => seasonDays(a, planPhases(a).phases, date, date, asOf)[0]!;
const RACE_DAY = addDays(START, 120);
const run = (more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date: START,
  start: "07:00",
  sport: "run",
  kind: "easy",
  minutes: 50,
  ...more,
});

/** Days from a race: before it positive, after it negative. */
const around = (out: number, more: Partial<Race>) => {
  const race = { ...raceOn(RACE_DAY, "A", 75), ...more };
  return dayOf(base({ races: [race] }), addDays(RACE_DAY, -out));
};

const MONDAY = addDays(START, 9 * 7);
const DAY = dayNumber(MONDAY) + 1;
const option = (more: Partial<Option> = {}) => optionOn(addDays(MONDAY, 1), 18 * 60, more);
const context = (endurance: EnduranceSession[] = [], more: Partial<WeekContext> = {}) =>
  contextOf(MONDAY, endurance, { perWeek: 2, legs: { legEvents: [], meanDaily: 100 }, ...more });
const charged = (rule: string, o: Option, c: WeekContext): number =>
  ownCosts(o, c)
    .filter((x) => x.rule === rule)
    .reduce((a, x) => a + x.points, 0);
/** An endurance session so many hours from the option of Tuesday at 18:00, ahead positive. */
const hoursFrom = (hours: number, kind: SessionKind = "intervals", more: Partial<EnduranceSession> = {}) => {
  const at = DAY * 1440 + 18 * 60 + Math.round(hours * 60);
  const day = Math.floor(at / 1440);
  const minute = at - day * 1440;
  const start = `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
  return run({ date: addDays(MONDAY, day - dayNumber(MONDAY)), start, kind, ...more });
};

/** A week of the endurance plan from Monday on. */
const plannedOf = (
  usual: readonly UsualSession[],
  amount: number,
  { rows = [], longest = null }: { rows?: EnduranceSession[]; longest?: number | null },
) =>
  plannedWeek({
    amount: {
      week: MONDAY,
      kind: "typed",
      base: amount,
      usual: amount,
      risePct: 0,
      days: Array.from({ length: 7 }, () => ({ share: 1, race: null, kind: null, week: 0 })),
    },
    usual,
    unit: "km",
    rows,
    instead: new Map(),
    longestBefore: () => longest,
    speedOf: () => 10,
  });

const squat = exercise("back-squat");
/** The decision after logs of the back squat, the newest first. */
const after = (items: LoggedItem[], more: Partial<DecisionInput> = {}, daysApart = 7) =>
  decide({
    history: items.map((item, i) => ({ date: addDays(MONDAY, -7 - i * daysApart), item })) as never,
    on: MONDAY,
    repsLow: 4,
    reps: 5,
    rir: 2,
    loads: Array.from({ length: 200 }, (_, i) => i + 1),
    stepUp: (from) => from + 2,
    cap: null,
    strictPain: false,
    ...more,
  });
const set = (reps: number[], rir: number, load = 100, more: Partial<LoggedItem> = {}): LoggedItem => ({
  ...lifted("back-squat", load, reps, rir),
  ...more,
});
/** What a week loses by a session of its two leads at the gym, or with nothing to load. */
const lostAt = (emphasis: Emphasis | undefined, at: string): number =>
  emphasis === undefined
    ? 0
    : (buildSession(request({ emphasis, units: [] }, athleteWith(), at === "home" ? home : gym))?.lostShare ?? 0);
/** A load answer of a lift with a log. */
const answered = (id: string, item: LoggedItem, daysAgo: number, more: object = {}) => {
  const log = [logOf(addDays(MONDAY, -daysAgo), [item])];
  return nextLoad(
    {
      exercise: exercise(id),
      loading: exercise(id).loading,
      place: { ...gym, dumbbellsKg: Array.from({ length: 60 }, (_, i) => ({ massKg: i + 1, count: 2 })) },
      sets: 3,
      repsLow: 4,
      reps: 5,
      seconds: null,
      rir: 2,
      percent: null,
      capPercent: null,
      ...more,
    },
    {
      athlete: athleteWith({ strengthLog: log }),
      log,
      on: MONDAY,
      asOf: MONDAY,
      blockStart: addDays(MONDAY, -60),
      cap: null,
      planned: new Map(),
    },
  );
};
const weeksOff = (weeks: number) => {
  const today = addDays(START, 7 * 20);
  const a = base({ strengthLog: [logOf(addDays(today, -7 * weeks - 1), [set([5, 5, 5], 2)])] });
  return { a, today };
};
const planned = (a: Athlete, from = MONDAY) => plan(a, { from, weeks: 1 }).weeks[0]!;
const seasonOf = (a: Athlete, from?: string) => plan(a, { ...(from ? { from } : {}), weeks: 1 }).season;
const weekWith = (factor: number) => seasonOf(base({ endurance: weeksOf([...new Array(12).fill(1), factor, 1]) }))[11]!;

export const BINDINGS: Partial<Record<RuleId, Binding>> = {
  "gate.clearance": ({ clearedDaysAgo, stressSince }) => {
    const on = MONDAY;
    const since = stressSince === null ? {} : { since: addDays(on, -stressSince) };
    const a = base({
      health: {
        clearanceNeeded: false,
        clearance: { date: addDays(on, -clearedDaysAgo), by: "Dr. Example", limits: "" },
        areas: [{ area: "bone-stress", side: "left", status: "current", ...since }],
      },
    });
    return safetyGate(a, on).restricted ? "restricted" : "open";
  },
  "gate.recent": ({ status, days }) =>
    activeAreas(
      base({
        health: {
          clearanceNeeded: false,
          areas: [{ area: "calf", side: "left", status, since: addDays(MONDAY, -days) }],
        },
      }),
      MONDAY,
    ).includes("calf"),
  "gate.minor": ({ birthYear, on }) => safetyGate(base({}, { birthYear }), on).minRir,
  "gate.new": ({ months, dayOfSeason }) =>
    dayOfSeason === undefined
      ? trainingAge(months)
      : dayOf(base({}, { strengthTrainingMonths: months }), addDays(START, dayOfSeason - 1)).loading,
  "gate.returning": ({ weeksOff: weeks }) => {
    const { a, today } = weeksOff(weeks);
    return dayOf(a, today, today).loading;
  },
  "gate.masters": ({ birthYear, on }) => {
    const { stepBackEvery, slower } = safetyGate(base({}, { birthYear }), on);
    return { stepBackEvery, slower };
  },
  "gate.limits": ({ rules }) =>
    safetyGate(
      base({
        health: { clearanceNeeded: true, clearance: { date: START, by: "Dr. Example", limits: "", rules }, areas: [] },
      }),
      MONDAY,
    ).minRir,
  "gate.set-off": ({ speedSessions, usual }) => {
    const speed = (week: number, n: number) =>
      Array.from({ length: n }, (_, i) => run({ date: addDays(MONDAY, week * 7 + i * 2), kind: "intervals" }));
    const a = athleteWith({
      endurance: [-3, -2, -1].flatMap((w) => speed(w, usual)).concat(speed(0, speedSessions)),
      health: {
        clearanceNeeded: false,
        areas: [{ area: "calf", side: "left", status: "past", setOffBy: "added speed" }],
      },
    });
    return planned(a).why.some((w) => w.rule === "gate.set-off");
  },
  "layoff.prepare": ({ weeksOff: weeks }) => {
    const { a, today } = weeksOff(weeks);
    let n = 0;
    while (n < 10 && dayOf(a, addDays(today, n * 7), today).why.some((w) => w.rule === "layoff.prepare")) n++;
    return n;
  },
  "illness.back": ({ lost, day }) => {
    const a = base({ away: [{ kind: "illness", start: addDays(MONDAY, 1 - lost), end: MONDAY }] });
    return dayOf(a, addDays(MONDAY, day)).why.some((w) => w.rule === "illness.back");
  },
  "finding.end": ({ days }) => findingStage(MONDAY, addDays(MONDAY, days)),
  "readiness.day": (given) => readinessOf({ date: MONDAY, ...given }).session,
  "pathway.stage": ({ stage, days, pains, sides }) => {
    const at = (n: number) => addDays(MONDAY, n);
    const trouble = { area: "achilles", side: "left" } as const;
    const steps = stage === "settle" ? [] : [{ stage, date: MONDAY, by: "Coach" }];
    const a = base({
      health: {
        clearanceNeeded: false,
        areas: [{ ...trouble, status: "current", since: MONDAY }],
        pathways: [{ ...trouble, since: MONDAY, steps }],
      },
      strengthLog: (pains as number[]).map((pain, i) => ({
        date: at(i),
        label: "A",
        items: [{ exercise: "calf-raise", sets: [{ reps: 12, side: "both" }], pain, nextDayPain: pain }],
      })),
      screening: sides ? [{ test: "calf-raise", date: at(1), left: sides[0], right: sides[1] }] : [],
    });
    const [now] = stagesOn(a, at(days));
    return now ? proposalFor(a, now, at(days))?.ready : undefined;
  },
  "choice.trouble": ({ area, dose }) => {
    const a = base({
      health: {
        clearanceNeeded: false,
        areas: area ? [{ area, side: "left", status: "current", since: MONDAY }] : [],
        ...(area
          ? { pathways: [{ area, side: "left", since: MONDAY, steps: [{ stage: "load", date: MONDAY, by: "Coach" }] }] }
          : {}),
      },
      edits: [
        {
          week: MONDAY,
          label: "A",
          items: [{ exercise: "kettlebell-deadlift", group: 0, sets: 3, ...(area ? {} : { reps: dose }) }],
        },
      ],
    });
    return planned(a).sessions.find((s) => s.label === "A")?.items[0]?.reps;
  },
  "screen.marks": ({ test, value }) => value >= passMark(base(), test as ScreenTest, MONDAY),
  "screen.age": ({ test, age, sex }) =>
    passMark(base({}, { birthYear: Number(MONDAY.slice(0, 4)) - age, sex }), test, MONDAY),
  "finding.seen": ({ passedBefore, daysSince }) => {
    const seen = addDays(MONDAY, -daysSince);
    const screening = passedBefore ? [{ test: "dowel-hinge" as const, date: addDays(seen, -5), value: 70 }] : [];
    return hingeStopsAtKnee(base({ seen: [{ what: "rounded-catch", date: seen }], screening }), MONDAY) !== null;
  },
  "side.first": ({ test, left, right }) => weakerOf(test, { left, right }),
  "side.match": ({ left, right }) => sideAction(left, right, true),
  "load.session": ({ kind, minutes, rpe }) => sessionLoad(run({ kind, minutes, ...(rpe ? { rpe } : {}) })),
  "load.legs": (given) => to(9, legShare(run(given))),
  "hills.flat": ({ gradient }) => to(2, runningCost(gradient)),
  "hike.time": ({ km, ascentM }) => naismithHours(km, ascentM),
  "hike.pack": ({ bodyKg, packKg, speed }) =>
    Math.round(carriageWatts({ bodyKg, packKg, speed, gradientPct: 0, terrain: 1 }) ?? 0),
  "figures.monotony": ({ days }) => {
    const m = monotony(days);
    return m === null ? null : to(1, m);
  },
  "figures.means": ({ days, daily }) => to(1, weightedMeans(daily, days).at(-1) ?? 0),
  "figures.longest": ({ daysBefore }) =>
    backgrounds([run({ date: addDays(MONDAY, -daysBefore) })], [{ start: MONDAY }])[0]?.longestBefore !== null,
  "mileage.expected": ({ weeks }) => {
    const known = (weeks as number[]).map((value, index) => ({ index, value }));
    const e = expected(known, known.length);
    return e === null ? null : to(1, e.value);
  },
  "mileage.increase": ({ pct }) => to(3, mileageRule({ distancePct: pct, legLoadPct: pct, against: [] }, true).factor),
  "mileage.spike": ({ pct }) => mileageRule({ distancePct: pct, legLoadPct: pct, against: [] }, true).holdOnly,
  "mileage.room": ({ pct }) => mileageRule({ distancePct: pct, legLoadPct: pct, against: [] }, true).roomForProgress,
  "session.longer": ({ km, longest }) => Math.round(spikesOf(monthOf(longest, km))[0]?.pct ?? 0),
  "session.spike": ({ km, longest, daysAway }) =>
    dayOf(athleteWith({ endurance: monthOf(longest, km) }), addDays(MONDAY, daysAway)).heavyOk,
  "amount.rise": ({ weeks, ...of }) =>
    weekAmounts(
      { weeks: [], rule: { ...of, from: MONDAY, taper: false, restart: false } as AmountRule },
      { races: [], season: { start: MONDAY, end: addDays(MONDAY, 7 * weeks - 1) } },
    ).map((w) => roundTo(w.base, 1)),
  "amount.taper": ({ raceClass: of, daysOut }) => taperShare(of, daysOut),
  "amount.restart": ({ raceClass: of, daysAfter }) => restartShare(of, daysAfter)?.share ?? 1,
  "amount.long": ({ sessions, share, longest, amount }) =>
    plannedOf(
      [
        { id: "sun", day: 7, sport: "run", kind: "long", share },
        ...Array.from({ length: sessions - 1 }, (_, i) => ({
          id: `d${i}`,
          day: i + 1,
          sport: "run" as const,
          kind: "easy" as const,
          share: (1 - share) / (sessions - 1),
        })),
      ],
      amount,
      { longest },
    ).sessions.find((s) => s.kind === "long")?.distanceKm,
  "amount.sessions": ({ amount, stands }) =>
    plannedOf(
      [
        { id: "tue", day: 2, sport: "run", kind: "easy", share: 0.2 },
        { id: "thu", day: 4, sport: "run", kind: "steady", share: 0.6 },
        { id: "sat", day: 6, sport: "run", kind: "easy", share: 0.2 },
      ],
      amount,
      { rows: [run({ date: addDays(MONDAY, 1), distanceKm: stands })] },
    ).planned,
  "amount.speed": ({ sport, kind, km, ascentM }) =>
    Math.round((km / speedsFrom([], MONDAY)({ sport, kind, ...(ascentM ? { ascentM } : {}) })) * 60),
  "amount.usual": ({ weeks, stands }) =>
    usualFromRecords(
      Array.from({ length: weeks }, (_, w) => [
        run({ date: addDays(MONDAY, 7 * w + 1), distanceKm: 8, done: true }),
        ...(w < stands ? [run({ date: addDays(MONDAY, 7 * w + 3), distanceKm: 8, done: true })] : []),
      ]).flat(),
      "run",
      addDays(MONDAY, 7 * weeks),
    )?.sessions.some((s) => s.day === 4) ?? false,
  "amount.warning": ({ last, next, taper = true }) => {
    const race = {
      id: "r",
      name: "Race",
      date: addDays(MONDAY, 6 * 7 + 6),
      sport: "run",
      priority: "A",
      expectedMinutes: 200,
    };
    const athlete = athleteWith({
      season: { start: MONDAY, end: addDays(MONDAY, 70) },
      races: last === undefined ? [race as Race] : [],
      endurancePlan: {
        unit: "km",
        usualWeeks: [{ phase: null, sessions: starterWeek("run", 5) }],
        weeks: last === undefined ? [] : [last, next].map((amount, i) => ({ week: addDays(MONDAY, 7 * i), amount })),
        ...(last === undefined
          ? {
              rule: {
                from: MONDAY,
                start: 50,
                top: 50,
                risePct: 0,
                stepBackEvery: 0,
                stepBackTo: 0.75,
                taper,
                restart: true,
              },
            }
          : {}),
      },
    });
    return plan(athlete).enduranceWarnings.map((w) => w.code);
  },
  "mileage.assumed": ({ planned: n, usual }) =>
    knownOf(
      MONDAY,
      Array.from({ length: n }, (_, i) => run({ date: addDays(MONDAY, i) })),
      new Set(Array.from({ length: usual }, (_, i) => i + 1)),
      undefined,
    ),
  "import.twin": ({ startsApart }) => isTwin(run(), run({ start: `07:0${startsApart}` })),
  "race.class": ({ minutes, days }) => raceClass(raceOn(RACE_DAY, "A", minutes, days ? { days } : {})),
  "race.assumed": ({ sport, km, ascentM }) => {
    const { expectedMinutes: _, ...race } = raceOn(RACE_DAY, "A", 1, { sport });
    return raceMinutes({ ...race, ...(km ? { distanceKm: km } : {}), ...(ascentM ? { ascentM } : {}) }).minutes;
  },
  "phase.build": ({ daysToRacePhase }) => {
    const { phases } = planPhases(base({ races: [raceOn(addDays(START, daysToRacePhase + 10), "A", 75)] }));
    const days = (phase: string) =>
      phases
        .slice(0, 2)
        .filter((p) => p.phase === phase)
        .reduce((a, p) => a + dayNumber(p.end) - dayNumber(p.start) + 1, 0);
    return [days("base"), days("build")];
  },
  "race.one-taper": ({ gap, out, firstMinutes }) => {
    const first = raceOn(addDays(RACE_DAY, -gap), "A", firstMinutes);
    return dayOf(base({ races: [first, raceOn(RACE_DAY, "A", 25)] }), addDays(RACE_DAY, -out)).loading;
  },
  "emphasis.early": ({ baseDays, day }) => {
    const a = base({ races: [raceOn(addDays(START, baseDays + 56 + 10), "A", 75)] });
    return dayOf(a, addDays(START, day - 1)).stage;
  },
  "hold.long": ({ holdDays }) =>
    planPhases(base({ phases: [{ phase: "race", start: START, end: addDays(START, holdDays - 1) }] })).warnings.some(
      (w) => w.code === "long-hold",
    ),
  "taper.light": ({ minutes, out }) => around(out, { expectedMinutes: minutes }).loading,
  "taper.week": ({ buildSets }) => {
    const { least, most } = holdRange(buildSets);
    return [least, most];
  },
  "race.b": ({ out, minutes }) => {
    const { loading, heavyOk } = around(out, { priority: "B", ...(minutes ? { expectedMinutes: minutes } : {}) });
    return { loading, heavyOk };
  },
  "race.c": ({ out, minutes }) =>
    around(out, { priority: "C", ...(minutes ? { expectedMinutes: minutes } : {}) }).loading,
  "race.close": ({ priority, out, heavy }) => {
    const today = addDays(MONDAY, 2);
    const race = raceOn(addDays(MONDAY, 1 + out), priority, 75);
    const log = logOf(addDays(MONDAY, 1), [lifted("back-squat", 80, [5, 5], heavy ? 2 : 5)]);
    return planned(base({ races: [race], strengthLog: [log] }), today).why.some((w) => w.rule === "race.close");
  },
  "race.series": ({ gaps }) => {
    const days = [0];
    for (const g of gaps as number[]) days.push((days.at(-1) ?? 0) + g);
    return raceSeries(days.map((d) => raceOn(addDays(RACE_DAY, d), "B", 20))).length;
  },
  "block.line": ({ line, weeks, training, sets, reps, rir, goes = "load" }) => {
    const gate = training ? { training } : {};
    const own = sets ? { ...shippedApproach("layered"), id: "own-line", lines: {} } : shippedApproach("layered");
    const cell = { ...own.rows.build.cells.squat, ...(sets ? { sets, reps, rir } : {}) };
    const rows = { ...own.rows, build: { ...own.rows.build, cells: { ...own.rows.build.cells, squat: cell } } };
    if (line !== undefined && own.rows.build.emphasis !== line) return "no such line";
    const over = { weeks, nth: 1, before: 0 };
    const asked = { approach: { ...own, rows }, stage: "build", column: "squat", direction: goes, over } as const;
    const points = lineFor(asked, { gate: { ...TRAINED, easier: training === "novice", ...gate } });
    return points.map((p) => `${p.sets} x ${p.reps}, ${p.rir}`);
  },
  "block.place": ({ weeks }) => {
    const history = (weeks as { short: number; by?: number; under: number }[]).map(({ short, by = 1, under }, i) => {
      const done = [5, 5, 5].map((r, k) => (k < short ? r - by : r));
      const item = lifted("back-squat", 80, done, 2 - under, { sets: 3, reps: 5, rir: 2 });
      return { date: addDays(MONDAY, 7 * i + 1), item };
    });
    const block = { start: MONDAY, from: MONDAY, weeks: 4, held: [] };
    const monday = addDays(MONDAY, 7 * history.length);
    return placeOnLine({ block, monday, history: history.reverse(), asOf: monday }).point;
  },
  "hold.line": ({ percent }) => {
    const d = holdAt(percent, 5, { gate: TRAINED });
    return `${d.reps}, ${d.rir} at ${d.percent}%`;
  },
  "hold.visits": ({ age, minutes }) => {
    const athlete = base({}, { birthYear: Number(RACE_DAY.slice(0, 4)) - age });
    const days = [1, 4].map((day) => ({ day, start: "18:00", minutes, place: athlete.places[0]!.id }));
    const race = { date: RACE_DAY, phase: "race", emphasis: "hold", loading: "full" } as const;
    return holdInVisits({ ...athlete, availability: days }, race) ? 2 : 1;
  },
  "load.triple": ({ percent, reps }) => wholeReps(percent) - reps,
  "line.limits": ({ reps, rir, minor, moderate, singleLeg }) => {
    const gate = { ...TRAINED, minor: minor ?? false, moderate: moderate ?? false, minRir: minor ? 2 : 0 };
    const d = singleLeg ? onOneLeg({ reps, rir }) : limited({ reps, rir }, { gate });
    return `${d.reps}, ${d.rir}`;
  },
  "block.weeks": ({ weeks, closed }) => loadingWeeks({ weeks, usual: 3, mayGrow: true, closed }),
  "stepback.every": ({ birthYear, week }) => seasonOf(base({}, { birthYear }))[week - 1]!.stepBack,
  "stepback.endurance": ({ factor }) => weekWith(factor).enduranceStepBack,
  "restore.visits": ({ minutes, after: days }) => around(-days, { expectedMinutes: minutes }).loading,
  "race.descent": ({ ascentM, before }) => {
    const race = raceOn(RACE_DAY, "A", 200, { ascentM });
    const endurance = [
      { date: addDays(RACE_DAY, -42), sport: "run" as const, kind: "long" as const, minutes: 180, descentM: before },
      { date: addDays(RACE_DAY, -43), sport: "run" as const, kind: "long" as const, minutes: 180, descentM: 5000 },
    ];
    return stagesOf(base({ races: [race], endurance }), race).light;
  },
  "descent.prep": ({ ascentM, km, out }) => {
    const race = raceOn(RACE_DAY, "A", 75, { ascentM, ...(km ? { distanceKm: km } : {}) });
    const work = descentWork({ races: [race] }, addDays(RACE_DAY, -out))?.adds[0];
    return work ? `${work.sets}x${work.reps}` : null;
  },
  "travel.legs": ({ hours, zones, daysAfter }) => {
    const away = { kind: "travel" as const, start: MONDAY, end: MONDAY, place: "gym" };
    const a = base({ away: [{ ...away, ...(hours ? { hours } : {}), ...(zones ? { zones } : {}) }] });
    return dayOf(a, addDays(MONDAY, daysAfter)).heavyOk;
  },
  "heat.sets": ({ weeksIn }) => {
    const a = base({ away: [{ kind: "heat", start: MONDAY, end: addDays(MONDAY, 27) }] });
    return to(3, seasonOf(a).find((w) => w.start === addDays(MONDAY, 7 * weeksIn))!.setFactor);
  },
  "sport.pack": ({ before, now }) => {
    const hike = (week: number, packKg: number) =>
      run({ date: addDays(MONDAY, week * 7 + 5), sport: "hike", minutes: 180, ascentM: 300, packKg });
    const a = athleteWith(
      { endurance: [...(before ? [hike(-1, before)] : [hike(-1, 0)]), hike(0, now)] },
      { sport: "hike", bodyMassKg: 70 },
    );
    return planned(a).why.some((w) => w.rule === "sport.pack");
  },
  "approach.routine": ({ version }) => ROUTINE_MINUTES[version as "short" | "long"],
  "approach.limits": ({ reps, percent, sets }) => {
    if (reps !== undefined) return impossiblePair(reps, percent) === null;
    const cell = approachFor(base(), "build").rows.build.cells.squat;
    return cellFaults({ ...cell, sets: [sets, sets] }, "cell").length === 0;
  },
  "session.rpe": ({ emphasis, share }) => {
    const a = base({
      ...(share < 0.6 ? {} : {}),
      away: share === 0.667 ? [{ kind: "heat", start: addDays(START, 16 * 7), end: addDays(START, 17 * 7 - 1) }] : [],
      races: [raceOn(addDays(START, 22 * 7), "A", 75)],
      settings: { rulesOff: share === 0.55 ? [] : ["stepback.every"] },
    });
    const weeks = plan(a, { from: addDays(START, 13 * 7), weeks: 8 }).weeks;
    const found = weeks.flatMap((w) =>
      to(3, w.season.setFactor) === to(3, share) ? w.sessions.filter((s) => s.emphasis === emphasis) : [],
    );
    return found[0]?.rpe;
  },
  "log.unsaid": (given) => lengthOf(given),
  "load.percent": ({ days }) => to(9, decayShare(days)),
  "load.heavy": ({ reps, rir, singleLeg }) =>
    isHeavy({
      loading: singleLeg ? "pair" : "bar",
      percent1rm: null,
      rir,
      reps,
      exercise: exercise(singleLeg ? "split-squat" : "back-squat"),
    }),
  "load.progress": ({ daysSince }) => {
    const rule = answered("back-squat", set([5, 5, 5], 2), daysSince).why.map((w) => w.rule);
    return rule.includes("load.percent") ? "e1RM" : "log";
  },
  "load.rir": ({ lastReps, reps }) => {
    const item = { ...lifted("split-squat", 10, [lastReps], 2), prescribed: { sets: 1, reps: lastReps, rir: 2 } };
    const log = [logOf(addDays(MONDAY, -20), [item])];
    return nextLoad(
      {
        exercise: exercise("split-squat"),
        loading: "pair",
        place: { ...gym, dumbbellsKg: Array.from({ length: 60 }, (_, i) => ({ massKg: i + 1, count: 2 })) },
        sets: 3,
        repsLow: reps,
        reps,
        seconds: null,
        rir: 2,
        percent: null,
        capPercent: null,
      },
      {
        athlete: athleteWith({ strengthLog: log }),
        log,
        on: MONDAY,
        asOf: MONDAY,
        blockStart: addDays(MONDAY, -3),
        cap: null,
        planned: new Map(),
      },
    ).loadKg;
  },
  "load.light": ({ max, last }) =>
    max
      ? answered("back-squat", set([1], 0, max, { prescribed: { sets: 1, reps: 1, rir: 0 } }), 7, { capPercent: 55 })
          .loadKg
      : answered("goblet-squat", lifted("goblet-squat", last, [8], 2), 7, { capPercent: 55 }).loadKg,
  "load.makeable": ({ from, loads }) => stepUp(squat, "bar", loads, from),
  "load.unknown": ({ tried, reps, rir }) =>
    nextRamp(
      { loadKg: tried, reps, rir },
      { reps: 5, rir: 2 },
      Array.from({ length: 400 }, (_, i) => (i + 1) / 2),
    ).loadKg,
  "load.warm-up": ({ percent }) =>
    warmUpSets(squat, "bar", gym, { workKg: 100, percent1rm: percent, light: false }).length,
  "load.table": ({ reps }) => to(1, NSCA_PERCENT[reps] ?? percentFor(reps, "nsca") ?? 0),
  "first.time": ({ sets, known }) => {
    const a = base({ strengthLog: [logOf(addDays(MONDAY, -7), [set([5], 2)])] });
    if (known) a.strengthLog.push(logOf(addDays(MONDAY, -5), [lifted("goblet-squat", 10, [8], 3)], "B"));
    const w = planned({
      ...a,
      settings: { rulesOff: ["stepback.every"] },
      edits: [{ week: MONDAY, label: "A", items: [{ exercise: "goblet-squat", group: 0, sets, reps: 8 }] }],
    });
    const item = w.sessions.find((s) => s.label === "A")?.items[0];
    // A session by hand keeps its sets; the sentence tells what the rule gives.
    const said = item?.why.find((x) => x.rule === "first.time")?.text.match(/\((\d+) of/)?.[1];
    return said ? Number(said) : item?.sets;
  },
  "missed.weeks": ({ days }) => {
    const m = missedWeeks(days);
    return m && [m.factor, m.setsLess];
  },
  "legs.freshness": ({ load, hours, kind }) =>
    to(6, leftOf({ end: 0, parts: [{ load, halfLife: HALF_LIFE[kind as keyof typeof HALF_LIFE] }] }, hours * 60)),
  M1: ({ minutes }) => {
    const a = base({ availability: [{ day: 2, start: "17:30", minutes, place: "gym" }] });
    const s = planned(a).sessions.find((x) => x.label === "A");
    if (!s) return null;
    return s.why.some((w) => w.rule === "ledger.fill") ? "short" : "whole";
  },
  M2: ({ out }) => around(out, {}).loading,
  M3: ({ hours }) => blockedByOther(option(), later(hours), context()) !== null,
  M4: ({ hoursAfter, minutesOnFoot }) =>
    blockedByEndurance(
      option(),
      context([
        hoursFrom(-hoursAfter - (minutesOnFoot ?? 60) / 60, minutesOnFoot ? "easy" : "intervals", {
          minutes: minutesOnFoot ?? 60,
        }),
      ]),
    ) !== null,
  M7: ({ hoursAfter }) =>
    blockedByJumps(option({ jumps: true }), context([hoursFrom(-hoursAfter - 1, "intervals", { minutes: 60 })])) !==
    null,
  S1: ({ hours }) =>
    pairCosts(option(), later(hours), context())
      .filter((c) => c.rule === "S1")
      .reduce((a, c) => a + c.points, 0),
  S2: ({ hours, kind }) => charged("S2", option(), context([hoursFrom(hours, kind)])),
  S3: ({ key, before }) => charged("S3", option(), context([hoursFrom(before ? 3 : -8, key ? "intervals" : "easy")])),
  S4: ({ hours }) => charged("S4", option(), context([hoursFrom(-hours, "intervals")])),
  S5: ({ placement, onKeyDay }) => charged("S5", option(), context([hoursFrom(onKeyDay ? -10 : 48)], { placement })),
  S6: ({ freeDays }) => {
    const keys = [0, 2, 3, 4, 5, 6].slice(freeDays).map((d) => run({ date: addDays(MONDAY, d), kind: "intervals" }));
    return groupOf(context(keys))
      .costs([option({ lowerLoaded: false, stress: 50 })])
      .filter((c) => c.rule === "S6")
      .reduce((sum, c) => sum + c.points, 0);
  },
  S7: ({ preferred }) => charged("S7", option(), context([], { preferredDays: new Set([preferred ? 2 : 4]) })),
  S8: ({ same }) => charged("S8", option(), context([], { lastDays: new Map([["A", same ? 2 : 4]]) })),
  S9: ({ daysApart, perWeek }) =>
    pairCosts(
      option({ heavy: false, lowerLoaded: false }),
      option({ label: "B", day: DAY + daysApart, heavy: false, lowerLoaded: false }),
      context([], { perWeek }),
    )
      .filter((c) => c.rule === "S9")
      .reduce((a, c) => a + c.points, 0),
  S10: ({ over }) => charged("S10", option(), context([], { dailyMinutes: 60 - over })),
  S11: ({ days }) => {
    const c = context();
    const placed = Array.from({ length: days }, (_, i) =>
      option({ label: (["A", "B", "C"] as const)[i] ?? "D", day: DAY + i }),
    );
    return groupOf(c)
      .costs(placed)
      .filter((x) => x.rule === "S11")
      .reduce((a, x) => a + x.points, 0);
  },
  S12: ({ tired }) => {
    const c = context([hoursFrom(14)]);
    return groupOf(c)
      .costs([option({ legs: [{ load: tired ? 900 : 1, halfLife: 24 }] })])
      .filter((x) => x.rule === "S12")
      .reduce((a, x) => a + x.points, 0);
  },
  S13: ({ heavy, nearRace }) => charged("S13", option({ heavy, softRaces: nearRace ? ["Tern Hill"] : [] }), context()),
  S14: ({ hours }) => charged("S14", option(), context([hoursFrom(-hours, "easy")])),
  "hold.minimum": ({ enough }) => charged("hold.minimum", option({ belowMinimumHold: !enough }), context()),
  "work.lost": ({ lostShare, emphasis, at }) =>
    charged("work.lost", option({ lostShare: lostShare ?? lostAt(emphasis, at) }), context()),
  "ledger.owed": ({ sport, emphasis, ascentM }) =>
    Object.values(weeklySets({ sport, emphasis, ascentM: ascentM ?? 0, control: false, packPct: 0, scale: 1 })).map(
      (n) => to(2, n),
    ),
  "session.last": ({ pairs }) => {
    const patterns = pairs === 3 ? (["hip", "calf", "pull"] as const) : (["calf"] as const);
    const items = buildSession(request({ units: patterns.map((p) => unit(p)) }))?.items ?? [];
    return items.at(-1)?.pair.startsWith(String(pairs)) ? items.findLast((i) => i.slot.unit)?.rirAsked : undefined;
  },
  "session.slots": ({ sets, asked }) => raisePrimary([built("back-squat", sets)], asked)[0]?.sets,
  "ledger.fill": ({ owed, exercises, free, trained }) =>
    free === undefined ? (exercises ? exercisesFor(owed, 2) : worthGiving(owed)) : timesOwed(free, trained),
  "week.most": ({ stepBack, pct }) => {
    const a = base({ endurance: weeksOf([...new Array(11).fill(1), 1 + (pct ?? 0) / 100, 1]) });
    const settings = { rulesOff: stepBack ? [] : ["stepback.every"] };
    const w = plan({ ...a, settings }, { weeks: "season" }).weeks.find((x) =>
      pct ? x.season.start === addDays(START, 70) : x.season.stepBack === stepBack && x.season.mileage.factor === 1,
    )!;
    const full = Number(w.loadLimitWhy.text.match(/weighs (\d+) AU/)?.[1]);
    return to(3, Math.round((w.loadLimit / full) * 1000) / 1000) === 1 ? 1 : nearOf(w.loadLimit / full);
  },
  "nearest.change": ({ minutesShort }) => {
    const a = base({ availability: [{ day: 2, start: "17:30", minutes: 20 - minutesShort, place: "gym" }] });
    const w = planned(a);
    return nearestChanges(w.input, "A").find((c) => c.text.includes("longer"))?.size;
  },
  "floor.today": ({ load, loads }) => lighterBy(loads, load, numbers("floor.today").lessPct),
  "time.parts": ({ exercises, sets, reps, secondsPerRep, rest }) => {
    const e = { ...exercise("goblet-squat"), secondsPerRep };
    const items = Array.from({ length: exercises }, (_, i) => ({
      pair: String(i + 1),
      exercise: e,
      sets,
      reps,
      seconds: null,
      eachSide: false,
      extraSide: null,
      restSeconds: rest,
      ramp: [],
      slot: { kind: "assist" },
    }));
    return totalSeconds(timeOfSession(items as never, []));
  },
  "homework.day": ({ seconds }: { seconds: number[] }) =>
    fitted(
      seconds.map((s, i) => ({
        id: String(i),
        kind: "finding",
        name: "",
        dose: "",
        cue: "",
        seconds: s,
        why: { rule: "homework.day", text: "" },
      })),
      numbers("homework.day").minutes * 60,
    ).items.map((i) => i.seconds),
  "sheet.activation": ({ fixed, aRep }) => lightReps((reps) => fixed + aRep * reps),
  "choice.points": ({ days }) => {
    const a = base({ strengthLog: [logOf(addDays(MONDAY, -days), [lifted("front-squat", 40, [5], 2)])] });
    const { input, season } = planned(a);
    return choiceContexts(input)(season.days[1]!, gym).recent.has("front-squat");
  },
  "choice.back": ({ times }) => backSaid(times),
  "choice.block": ({ day }) => {
    const a = base();
    const use = blockUse(a, []);
    use.add(START, "A", ["front-squat"]);
    return use.at(addDays(START, day - 1)).before.has("front-squat") ? 1 : 0;
  },
  "progress.pain": ({ pain }) => after([set([5, 5, 5], 2, 100, { pain })]).kind,
  "progress.rising": ({ pains }) =>
    after((pains as number[]).map((pain) => set([5, 5, 5], 2, 100, { pain })).reverse()).kind,
  "progress.tendon": ({ pain, nextDay }) =>
    after([set([5, 5, 5], 2, 100, { pain, nextDayPain: nextDay })], { tendon: true }).kind,
  "progress.felt": ({ felt }) =>
    after((felt as NonNullable<LoggedItem["felt"]>[]).map((f) => set([5, 5, 5], 2, 100, { felt: f })).reverse(), {
      hinge: true,
    }).kind,
  "progress.form": ({ clean }) =>
    after(
      (clean as number[]).map((c) =>
        set([5, 5, 5], 2, 100, {
          sets: [5, 5, c].map((x) => ({ reps: 5, clean: x, loadKg: 100, rir: 2, side: "both" as const })),
        }),
      ),
    ).kind,
  "progress.spare": ({ over }) => after((over as number[]).map((o) => set([4, 4, 5 + o], 2)).reverse()).kind,
  "progress.range": ({ reps, rir }) => after([set(reps, rir)]).kind,
  "progress.effort": ({ rir, target }) => {
    const d = after([set([4, 5, 4], rir, 100)], { rir: target });
    return to(3, ((d.loadKg ?? 100) / 100 - 1) * 100);
  },
  "progress.step": ({ weeksAtLoad, next }) =>
    after(
      Array.from({ length: weeksAtLoad }, () => set([5, 5, 5], 2)),
      { stepUp: () => next, on: MONDAY },
    ).kind,
  "progress.ladder": ({ sets, twice }) => {
    const item: LoggedItem = {
      exercise: "reverse-lunge",
      prescribed: { sets, reps: 12, repsLow: 8, rir: 3 },
      sets: Array.from({ length: sets }, () => ({ reps: 12, rir: 3, side: "both" as const })),
    };
    return after(twice ? [item, item] : [item], {
      reps: 12,
      repsLow: 8,
      rir: 3,
      ladder: () => ({ harder: "Forward lunge", easier: null, lightestKg: null, tempo: "2-0-1" }),
    }).kind;
  },
  "gym.fit": ({ heavyTogetherMinutes }) => {
    const one = (id: string, start: number) => ({
      id,
      rack: { from: 0, to: 45, heavy: true },
      hours: [{ start, minutes: 60, cost: 0 }],
    });
    return fitGym([one("a", 1080), one("b", heavyTogetherMinutes ? 1080 : 1140)], { racks: 2, athletes: 6 }).together;
  },
  "choice.unmoved": ({ kg, reps }) => standsStill(kg.map((v: number, i: number) => ({ kg: v, reps: reps[i] }))),
  "slow.strength": ({ week }) => {
    const { sets, reps, down, pause } = slowRow(week);
    return [sets, reps, down, pause];
  },
  "heavy.room": ({ loading, kg, bodyMassKg, oneLeg, reps, reserve }) => {
    const exercise = SHIPPED_LIBRARY.byId(
      oneLeg ? "split-squat" : loading === "pair" ? "dumbbell-romanian-deadlift" : "goblet-squat",
    )!;
    const place = { ...home, kettlebellsKg: [], dumbbellsKg: [{ massKg: kg, count: 2 }] };
    const history = reps
      ? [
          {
            date: "2026-02-26",
            item: { exercise: exercise.id, sets: [{ reps, rir: reserve, loadKg: kg, side: "both" as const }] },
          },
        ]
      : [];
    const said = tooLight({ exercise, loading, place, bodyMassKg, history })?.text;
    return said === undefined ? null : said.includes("goes up") ? "logged" : "light";
  },
  "grow.unloaded": ({ tempo, step }) => tempoText(slowerAt(tempo, step)),
  "pack.load": ({ planned: plan_, hiked }) => packFor(plan_, hiked).kg,
  "jumps.gate": (g) =>
    jumpRight(jumper(g), g.behind === undefined ? START : addDays(START, g.behind * 7), {
      library: SHIPPED_LIBRARY,
      asOf: START,
    }).kind === "jumps",
  "jumps.phase": ({ phase, through, daysBeforeA }) => {
    const day = {
      ...dayOf(base(), MONDAY),
      phase: phase ?? "build",
      through: through ?? 0.5,
      loading: "full" as const,
    };
    const races = daysBeforeA === undefined ? [] : [raceOn(addDays(MONDAY, daysBeforeA), "A", 75)];
    return takes(day, base({ races })) === "all";
  },
  "jumps.amount": ({ step, contacts, hopsReached, morning, weeksWithout }) => {
    if (step !== undefined) return Object.values(hopSets(step - 1));
    if (contacts !== undefined) return Object.values(contactSets(contacts));
    if (weeksWithout !== undefined) {
      const week = addDays(MONDAY, -7 * (weeksWithout + 1));
      return stepFor({ step: 4, week, hurt: false }, 7, MONDAY, "nothing goes up").step;
    }
    const item = {
      exercise: "ankle-hops",
      sets: [{ seconds: hopsReached, side: "both" as const }],
      ...(morning ? { nextDayPain: morning } : {}),
    };
    const { hops } = jumpsLogged([logOf(addDays(MONDAY, -5), [item])], SHIPPED_LIBRARY, MONDAY);
    return jumpsOpen({ ...NO_JUMPS, hops }, MONDAY) ? "jumps" : "hops";
  },
  "jumps.swings": ({ phase, minutes }) => {
    const a = base({}, { sport: "ride" });
    if (minutes !== undefined) {
      const jumps = { kind: "swings" as const, sets: 3, why: [] };
      const light = { units: [], emphasis: "hold" as const, dose: layeredAt("hold") };
      const rider = base({}, { sport: "ride", strengthTrainingMonths: 36 });
      const swings = buildSession(request({ ...light, jumps, minutes }, rider));
      return swings?.items.find((i) => i.exercise.id === "kettlebell-swing")?.sets;
    }
    const week = planned(a).season;
    const days = week.days.map((d) => ({ ...d, phase, loading: "full" as const }));
    const { asks } = jumpWeek({
      athlete: a,
      library: SHIPPED_LIBRARY,
      week: { ...week, phase, days },
      state: NO_JUMPS,
      asOf: START,
      labels: ["A", "B"],
    });
    return [[...asks.values()].reduce((n, x) => n + (x.kind === "swings" ? x.sets : 0), 0), asks.size];
  },
  "review.hard": ({ rir }) => {
    const session = planned(base()).sessions[0]!;
    const item = session.items.find((i) => i.exercise.pattern !== "mobility")!;
    return tallyOf([{ ...session, items: [{ ...item, rir }] }]).hardSets > 0;
  },
  "club.racing": ({ athletes }) => {
    const saturday = "2026-03-07";
    return clashesOf(
      Array.from({ length: athletes }, (_, i) => ({
        id: String(i),
        name: `Runner ${i}`,
        races: [{ date: saturday, name: "Race", priority: "B" as const }],
        away: [],
      })),
      [],
      "2026-03-01",
    ).some((c) => c.kind === "many-races");
  },
};

/** A runner whom nothing keeps from jumping but what is given. */
function jumper({ behind, squat, single, boneAgo, age }: Given): Athlete {
  const clean = single ?? (squat === undefined ? 8 : 0);
  return base(
    {
      screening: [
        { test: "calf-raise", date: START, left: 30, right: 30 },
        { test: "single-leg-squat", date: START, left: clean, right: clean },
      ],
      strengthLog: squat === undefined ? [] : [logOf(addDays(START, -6), [lifted("back-squat", squat, [1], 0)])],
      health: {
        clearanceNeeded: false,
        areas:
          boneAgo === undefined
            ? []
            : [{ area: "bone-stress", side: "left", status: "past", since: addDays(START, -boneAgo) }],
      },
    },
    {
      bodyMassKg: 70,
      birthYear: Number(START.slice(0, 4)) - (age ?? 30),
      strengthTrainingMonths: behind === undefined ? 24 : 0,
    },
  );
}

/** A month of a sport whose longest is known, and a session on Monday. */
function monthOf(longest: number, km: number): EnduranceSession[] {
  return [
    ...[5, 12, 19, 26].map((ago) => run({ date: addDays(MONDAY, -ago), distanceKm: longest })),
    run({ date: MONDAY, kind: "long", distanceKm: km }),
  ];
}

const later = (hours: number): Option => {
  const at = DAY * 1440 + 18 * 60 + Math.round(hours * 60);
  return option({ label: "B", day: Math.floor(at / 1440), start: at % 1440 });
};

/** How many times its sets a week owes squats, where its one session leaves so much of its free time slot once it holds the usual. */
function timesOwed(free: number, trained: boolean): number {
  const weekIn = (minutes: number) => {
    const availability = [{ day: 2, start: "17:00", minutes, place: "gym" }] as const;
    return planned(base({ availability: [...availability] }, { strengthTrainingMonths: trained ? 36 : 4 }));
  };
  const owed = (minutes: number) => weekIn(minutes).ledger.lines.find((l) => l.pattern === "squat")?.weekly ?? 0;
  for (let minutes = 50; minutes < 150; minutes++)
    if (minutes - (weekIn(minutes).sessions[0]?.minutes ?? 0) === 20)
      return to(2, owed(minutes + free - 20) / owed(minutes));
  return Number.NaN;
}

/** Whole minutes make a share of a session's load a little off its factor. */
const nearOf = (share: number): number => [0.5, 0.55, 0.667, 1].find((f) => Math.abs(f - share) < 0.004) ?? share;

/** Whether it is said that an exercise is back, once it stands in the log so often. */
function backSaid(times: number): boolean {
  const strengthLog = Array.from({ length: times }, (_, i) =>
    logOf(addDays(MONDAY, -7 - i), [lifted("reverse-lunge", 10, [8], 3)], "B"),
  );
  const area = { area: "knee-front" as const, side: "left" as const, status: "past" as const };
  const a = base({
    health: { clearanceNeeded: false, areas: [area] },
    strengthLog,
    rungs: [{ ladder: "lunge", exercise: "reverse-lunge" }],
  });
  const items = planned(a)
    .sessions.flatMap((s) => s.items)
    .filter((i) => i.exercise.id === "reverse-lunge");
  if (items.length === 0) throw new Error("The exercise does not stand in the week: nothing is looked at.");
  return items.some((i) => i.why.some((w) => w.rule === "choice.back"));
}
