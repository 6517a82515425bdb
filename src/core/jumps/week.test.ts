/** The jumps that one week asks of its sessions, by hand from rules jumps.phase, jumps.amount and jumps.swings (common practice and our assumptions). */
import { describe, expect, it } from "vitest";
import { athleteWith, gym, lifted, logOf, raceOn, START } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import type { Athlete, Label, LoggedItem } from "../athlete";
import { addDays, dayNumber } from "../dates";
import { SHIPPED_LIBRARY } from "../exercise";
import { plan } from "../plan";
import type { SeasonDay, SeasonWeek } from "../season";
import { type JumpState, jumpsLogged, NO_JUMPS, type Reached, stepFor } from "./amount";
import { jumpRight } from "./gate";
import { jumpsAfter, jumpsOn, jumpWeek, takes } from "./week";

const MONDAY = addDays(START, 28);
const SCREENED: Athlete["screening"] = [
  { test: "calf-raise", date: START, left: 30, right: 30 },
  { test: "single-leg-squat", date: START, left: 8, right: 8 },
];
const ready = (change: Partial<Athlete> = {}, facts: Partial<Athlete["athlete"]> = {}): Athlete =>
  athleteWith({ screening: SCREENED, ...change }, facts);
const PLAIN = plan(ready(), { from: MONDAY, weeks: 1 }).weeks[0]!.season;
const DAY: Partial<SeasonDay> = { phase: "build", loading: "full", counts: true, through: 0.5 };
/** A week of build in which nothing is held, changed as a test says. */
const weekOf = (change: Partial<SeasonWeek> = {}, day: Partial<SeasonDay> = {}): SeasonWeek => ({
  ...PLAIN,
  phase: day.phase ?? "build",
  stepBack: false,
  mileage: { ...PLAIN.mileage, factor: 1 },
  days: PLAIN.days.map((d) => ({ ...d, ...DAY, ...day })),
  ...change,
});
const FOUR: readonly Label[] = ["A", "B", "C", "D"];
const asked = (week: SeasonWeek, state: JumpState = NO_JUMPS, athlete = ready(), labels = FOUR) => ({
  athlete,
  library: SHIPPED_LIBRARY,
  week,
  state,
  asOf: MONDAY,
  labels,
});
const lastWeek = (step: number, more: Partial<Reached> = {}): Reached => ({
  step,
  week: addDays(MONDAY, -7),
  hurt: false,
  ...more,
});
const texts = (why: readonly { text: string }[]) => why.map((w) => w.text);
const PASSED = "Calf raise and leg strength allow it: ankle hops first, then jumps.";

describe("a week of hops", () => {
  it("asks three of its sessions for 2 x 10 s, and says how far that is", () => {
    const w = jumpWeek(asked(weekOf()));
    expect([...w.asks.keys()]).toEqual(["A", "B", "C"]);
    for (const ask of w.asks.values()) expect(ask).toMatchObject({ kind: "hops", sets: 2, seconds: 10 });
    expect(texts([...w.asks.values()][0]!.why)).toEqual(["Ankle hops, 20 s in all: step 1 of 7."]);
    expect(texts(w.why)).toEqual([PASSED, "Ankle hops, 20 s in all: step 1 of 7."]);
    expect([w.short, w.steps, w.right.kind]).toEqual([false, { hops: 0, jumps: 0 }, "jumps"]);
  });
  it("goes up a step a week, and stays where a week holds it", () => {
    const state = { ...NO_JUMPS, hops: lastWeek(2) };
    expect(jumpWeek(asked(weekOf(), state)).asks.get("A")).toMatchObject({ sets: 5, seconds: 10 });
    const held = jumpWeek(asked(weekOf({ stepBack: true }), state));
    expect(held.asks.get("A")).toMatchObject({ sets: 4, seconds: 10 });
    expect(texts(held.why).slice(1)).toEqual([
      "Ankle hops, 40 s in all: step 3 of 7.",
      "The same as last time: a step-back week.",
    ]);
    expect(texts(held.asks.get("B")!.why)).toEqual(texts(held.why).slice(1));
  });
  it.each([
    ["a step-back week", weekOf({ stepBack: true })],
    ["the endurance goes up this week", weekOf({ mileage: { ...PLAIN.mileage, factor: 0.75 } })],
    ["what was built is kept", weekOf({}, { phase: "race" })],
  ])("is not begun where %s", (because, week) => {
    const w = jumpWeek(asked(week));
    expect(w.asks.size).toBe(0);
    expect(texts(w.why)).toEqual([PASSED, `No jumps begun this week: ${because}.`]);
    // What has begun is held, whichever of the two it was.
    expect(jumpWeek(asked(week, { ...NO_JUMPS, hops: lastWeek(0) })).asks.size).toBe(3);
    expect(jumpWeek(asked(week, { ...NO_JUMPS, jumps: lastWeek(0) })).asks.size).toBe(3);
  });
  it("asks nothing of a week without a right, and counts from nothing again", () => {
    const w = jumpWeek(asked(weekOf(), { ...NO_JUMPS, hops: lastWeek(3) }, ready({ screening: [] })));
    expect([w.asks.size, w.short, w.steps]).toEqual([0, false, { hops: 0, jumps: 0 }]);
    expect(texts(w.why)).toEqual(["No jumps yet: they open once the calf raise test is done and passed."]);
  });
  it("keeps what was reached through the first half of base, which takes none", () => {
    const early = weekOf({}, { phase: "base", through: 0.49 });
    const w = jumpWeek(asked(early, { hops: lastWeek(3), jumps: lastWeek(1), last: null }));
    expect([w.asks.size, w.short, w.steps]).toEqual([0, false, { hops: 3, jumps: 1 }]);
    expect(texts(w.why)).toEqual(["No jumps in the first half of base: strength first."]);
    expect(jumpWeek(asked(early)).steps).toEqual({ hops: 0, jumps: 0 });
  });
});

describe("a week of jumps", () => {
  const sixty = { ...NO_JUMPS, hops: lastWeek(4) };

  it("asks two sessions for twenty contacts once sixty seconds of hops went well, and a third for hops", () => {
    const w = jumpWeek(asked(weekOf(), sixty));
    expect([...w.asks.keys()]).toEqual(["A", "B", "C"]);
    for (const label of ["A", "B"] as const)
      expect(w.asks.get(label)).toMatchObject({
        kind: "jumps",
        contacts: 20,
        only: null,
        hops: { sets: 4, seconds: 20 },
      });
    expect(w.asks.get("C")).toMatchObject({ kind: "hops", sets: 4, seconds: 20 });
    expect(texts(w.why).slice(1)).toEqual(["20 contacts in all: step 1 of 6."]);
    expect(texts(w.asks.get("A")!.why)).toEqual(["20 contacts in all: step 1 of 6."]);
    expect(w.steps).toEqual({ hops: 5, jumps: 0 });
  });
  it("is not begun in a week that holds, and goes on in one at the same contacts", () => {
    const back = weekOf({ stepBack: true });
    expect([...jumpWeek(asked(back, sixty)).asks.values()].map((a) => a.kind)).toEqual(["hops", "hops", "hops"]);
    const w = jumpWeek(asked(back, { ...sixty, jumps: lastWeek(1) }));
    expect(w.asks.get("A")).toMatchObject({ kind: "jumps", contacts: 24 });
    expect(texts(w.asks.get("A")!.why)).toEqual([
      "24 contacts in all: step 2 of 6.",
      "The same as last time: a step-back week.",
    ]);
    expect(texts(w.why).slice(1)).toEqual(texts(w.asks.get("A")!.why));
  });
  it("goes on where hops stand lower than what opened it", () => {
    const w = jumpWeek(asked(weekOf(), { ...NO_JUMPS, hops: lastWeek(1), jumps: lastWeek(2) }));
    expect(w.asks.get("B")).toMatchObject({ kind: "jumps", contacts: 32 });
  });
  it("is hops alone from fifty on, whatever was jumped before", () => {
    const old = ready({}, { birthYear: 1966 });
    const w = jumpWeek(asked(weekOf(), { ...sixty, jumps: lastWeek(3) }, old));
    expect([...w.asks.values()].map((a) => a.kind)).toEqual(["hops", "hops", "hops"]);
  });
  it("is a step off and a landing for hikers, twice a week and no hops", () => {
    const w = jumpWeek(asked(weekOf(), NO_JUMPS, ready({}, { sport: "hike" })));
    expect([...w.asks]).toEqual([
      ["A", expect.objectContaining({ kind: "jumps", contacts: 20, only: ["step-off-stick"] })],
      ["B", expect.objectContaining({ kind: "jumps", contacts: 20, only: ["step-off-stick"] })],
    ]);
  });
});

describe("what a day takes", () => {
  const day = (more: Partial<SeasonDay>): SeasonDay => ({ ...PLAIN.days[0]!, ...DAY, ...more });
  const word = (d: SeasonDay, a: Athlete = ready()) => {
    const t = takes(d, a);
    return typeof t === "object" ? t.text : t;
  };

  it("is all in the second half of base and in build, and one short set of light days, races and recovery", () => {
    expect(word(day({ phase: "base", through: 0.5 }))).toBe("all");
    expect(word(day({ phase: "build", through: 0.1 }))).toBe("all");
    expect(word(day({ loading: "light" }))).toBe("short");
    expect(word(day({ phase: "race" }))).toBe("short");
    expect(word(day({ phase: "recovery" }))).toBe("short");
    expect(word(day({ phase: "recovery", loading: "light" }))).toBe("short");
  });
  it("is nothing on days of less than light loads", () => {
    for (const loading of ["restore", "bodyweight", "mobility"] as const) {
      expect(word(day({ loading }))).toBe("No jumps on days of light loads or none.");
      expect(word(day({ loading, phase: "recovery" }))).toBe("No jumps until the light stage of recovery.");
    }
  });
  it("is nothing from the fifth day before an A race to the race itself", () => {
    const race = (out: number, priority: "A" | "B" = "A") =>
      word(day({}), ready({ races: [raceOn(addDays(day({}).date, out), priority, 75)] }));
    expect(race(5)).toContain("No jumps in the last 5 days before Race of");
    expect(race(0)).toContain("No jumps in the last 5 days");
    expect(race(6)).toBe("all");
    expect(race(-1)).toBe("all");
    expect(race(3, "B")).toBe("all");
  });
  it("is asked of the first day of the week's own phase that takes sessions", () => {
    const mixed = (...first: Partial<SeasonDay>[]) => {
      const w = weekOf();
      return { ...w, days: w.days.map((d, i) => ({ ...d, ...first[i] })) };
    };
    const base = { phase: "base", through: 0.1 } as const;
    expect(jumpWeek(asked(mixed(base, base))).asks.size).toBe(3);
    const away = { loading: "restore", counts: false } as const;
    expect(jumpWeek(asked(mixed(away, base))).asks.size).toBe(3);
    expect(jumpWeek(asked(mixed({ loading: "restore" }))).asks.size).toBe(0);
    // No day takes sessions: the first of its phase says why.
    const none = weekOf({}, { counts: false, loading: "restore" });
    expect(texts(jumpWeek(asked(none)).why)).toEqual(["No jumps on days of light loads or none."]);
  });
});

describe("a session on its day", () => {
  const on = (week: SeasonWeek, label: Label, more: Partial<SeasonDay> = {}, state = NO_JUMPS, a = ready()) => {
    const input = asked(week, state, a);
    return jumpsOn(jumpWeek(input), label, { ...week.days[2]!, ...more }, input);
  };
  const sixty = { ...NO_JUMPS, hops: lastWeek(4) };

  it("is what the week asks of it", () => {
    expect(on(weekOf(), "C")).toMatchObject({ kind: "hops", sets: 2, seconds: 10 });
    expect(on(weekOf(), "D")).toBeNull();
  });
  it("is one set where the day or the week takes no more: hops, or six contacts with a set of hops beside them", () => {
    const five = { ...NO_JUMPS, hops: lastWeek(3) };
    const race = weekOf({}, { phase: "race" });
    expect(on(race, "A", {}, five)).toMatchObject({ kind: "hops", sets: 1, seconds: 10 });
    expect(texts(jumpWeek(asked(race, five)).why).slice(1)).toEqual([
      "One short set in the race phase: what was built stays.",
    ]);
    expect(jumpWeek(asked(race, five)).short).toBe(true);
    expect(on(weekOf(), "A", { loading: "light" }, sixty)).toMatchObject({
      kind: "jumps",
      contacts: 6,
      hops: { sets: 1, seconds: 20 },
    });
    // A day of build in a week that races takes the week's.
    expect(on(race, "A", { phase: "build" }, five)).toMatchObject({ sets: 1 });
  });
  it("is nothing on a day that takes none or on which another kind may be jumped", () => {
    expect(on(weekOf(), "A", { loading: "restore" })).toBeNull();
    const days = PLAIN.days.map((d) => d.date);
    const lean = ready({ settings: { weightLoss: { start: days[2]!, end: days[4]! } } });
    expect(on(weekOf(), "A", {}, NO_JUMPS, lean)).toBeNull();
    expect(on(weekOf(), "A", { date: days[1]! }, NO_JUMPS, lean)).not.toBeNull();
  });
});

describe("swings of a rider", () => {
  const rider = (change: Partial<Athlete> = {}) => ready(change, { sport: "ride" });
  const week = (w: SeasonWeek, a = rider(), labels = FOUR) => jumpWeek(asked(w, NO_JUMPS, a, labels));

  it("stand in session B once a week, in the first where there is no B", () => {
    expect([...week(weekOf()).asks]).toEqual([["B", expect.objectContaining({ kind: "swings", sets: 3 })]]);
    expect([...week(weekOf(), rider(), ["A", "C"]).asks.keys()]).toEqual(["A"]);
    expect(week(weekOf(), rider(), []).asks.size).toBe(0);
    const here = "3 sets of swings, once a week in build: riding trains no quick hip.";
    expect(texts(week(weekOf()).why)).toEqual(["Riders do no jumps: kettlebell swings in build, once a week.", here]);
    expect(texts(week(weekOf()).asks.get("B")!.why)).toEqual([here]);
    expect(week(weekOf()).steps).toEqual({ hops: 0, jumps: 0 });
    expect(week(weekOf()).short).toBe(false);
  });
  it("wait for build and for full loads, and for a kettlebell", () => {
    const base = week(weekOf({}, { phase: "base" }));
    expect([base.asks.size, base.why[1]?.text]).toEqual([0, "Swings come with the build phase."]);
    expect(week(weekOf({}, { loading: "light" })).asks.size).toBe(0);
    const bare = week(weekOf(), rider({ places: [{ ...gym, kettlebellsKg: [] }] }));
    expect([bare.asks.size, bare.why[1]?.text]).toEqual([
      0,
      "No swings: no place has a kettlebell, or they are not open yet.",
    ]);
    // One of the places is enough.
    expect(week(weekOf(), rider({ places: [{ ...gym, id: "other", kettlebellsKg: [] }, gym] })).asks.size).toBe(1);
  });
  it("stay on a day of build with full loads, and nowhere else", () => {
    const input = asked(weekOf(), NO_JUMPS, rider());
    const on = (more: Partial<SeasonDay>) => jumpsOn(jumpWeek(input), "B", { ...input.week.days[2]!, ...more }, input);
    expect(on({})).toMatchObject({ kind: "swings", sets: 3 });
    expect(on({ loading: "light" })).toBeNull();
    expect(on({ phase: "base" })).toBeNull();
  });
});

describe("what a log says of jumps", () => {
  const hops = (seconds: number, more: Partial<LoggedItem> = {}): LoggedItem => ({
    exercise: "ankle-hops",
    sets: [{ seconds, side: "both" }],
    ...more,
  });
  const jumps = (id: string, ...reps: number[]): LoggedItem => ({
    exercise: id,
    sets: reps.map((n) => ({ reps: n, side: "both" as const })),
  });
  const read = (...log: [number, LoggedItem[]][]) =>
    jumpsLogged(
      log.map(([ago, items]) => logOf(addDays(MONDAY, -ago), items)),
      SHIPPED_LIBRARY,
      MONDAY,
    );

  it("reads six weeks back and nothing of the day itself", () => {
    expect(read([42, [hops(60)]]).hops?.step).toBe(4);
    expect(read([43, [hops(60)]]).hops).toBeNull();
    expect(read([0, [hops(60)]])).toEqual(NO_JUMPS);
    expect(read([1, [hops(60)]]).hops?.week).toBe(addDays(MONDAY, -7));
  });
  it("takes hops and jumps apart, and adds up what one session held of each", () => {
    const both = read([3, [hops(30), hops(30), jumps("squat-jump", 6, 6), jumps("bounds", 6)]]);
    expect(both.hops?.step).toBe(4);
    // 6 + 6 landings and 6 bounds that count two: 24.
    expect(both.jumps?.step).toBe(1);
    expect(read([3, [{ exercise: "ankle-hops", sets: [] }]]).hops).toBeNull();
    expect(read([3, [lifted("back-squat", 60, [5], 2)]])).toEqual(NO_JUMPS);
    // Less than the first step stands at the first.
    expect(read([3, [hops(19)]]).hops?.step).toBe(0);
  });
  it("goes by the last session for the pain, whichever way the log is sorted", () => {
    expect(read([5, [hops(60, { pain: 1 })]], [3, [hops(20)]]).hops).toMatchObject({ step: 4, hurt: false });
    expect(read([3, [hops(20, { pain: 1 })]], [5, [hops(60)]]).hops).toMatchObject({ step: 4, hurt: true });
    expect(read([3, [hops(20, { pain: 0, nextDayPain: 0 })]]).hops?.hurt).toBe(false);
  });
  it("knows when the last of it was, and whether it landed", () => {
    const at = (ago: number) => dayNumber(addDays(MONDAY, -ago));
    const day = (minute: number) => Math.floor(minute / 1440);
    const last = (...log: [number, LoggedItem[]][]) => read(...log).last;
    expect(last()).toBeNull();
    expect(last([3, [hops(20)]])).toMatchObject({ lands: false });
    expect(day(last([5, [jumps("squat-jump", 6)]], [3, [hops(20)]])!.minute)).toBe(at(3));
    expect(last([3, [hops(20)]], [5, [jumps("squat-jump", 6)]])).toMatchObject({ lands: false });
    expect(last([3, [hops(20), jumps("squat-jump", 6)]])?.lands).toBe(true);
    expect(last([0, [hops(20)]])).toBeNull();
    // A planned session's own hour counts.
    const timed = [{ ...logOf(addDays(MONDAY, -3), [hops(20)]), start: "07:30" }];
    expect(jumpsLogged(timed, SHIPPED_LIBRARY, MONDAY).last?.minute).toBe(at(3) * 1440 + 450);
  });
  it("lets a step go for each week beyond two without", () => {
    const at = (weeks: number, more: Partial<Reached> = {}) =>
      stepFor(lastWeek(4, { week: addDays(MONDAY, -7 * weeks), ...more }), 7, MONDAY, null);
    expect(at(4).why?.text).toBe("Less than before: 3 weeks without jumps.");
    expect(at(5).step).toBe(2);
    expect(at(3).why).toBeNull();
    // A later week than the one asked about changes nothing, hurt or not.
    expect(at(-1, { hurt: true })).toEqual({ step: 4, why: null });
    expect(at(1, { hurt: true }).why?.text).toBe("A step back: the last jumps hurt, then or the morning after.");
    expect(at(1, { hurt: true, step: 0 }).step).toBe(0);
  });
});

describe("what a week leaves", () => {
  const put = (id: string, sets: number, of: { reps?: number; seconds?: number }) => ({
    exercise: exercise(id),
    sets,
    reps: of.reps ?? null,
    seconds: of.seconds ?? null,
  });
  const week = jumpWeek(asked(weekOf(), { ...NO_JUMPS, hops: lastWeek(4), jumps: lastWeek(0) }));

  it("is what its sessions held: steps, the week, and when the last was", () => {
    expect(week.steps).toEqual({ hops: 5, jumps: 1 });
    const after = jumpsAfter({ hops: lastWeek(4), jumps: lastWeek(0), last: null }, week, MONDAY, [
      { date: MONDAY, start: 600, items: [put("squat-jump", 4, { reps: 6 }), put("back-squat", 3, { reps: 5 })] },
      { date: addDays(MONDAY, 2), start: 1080, items: [put("ankle-hops", 4, { seconds: 20 })] },
      { date: addDays(MONDAY, 4), start: 1080, items: [put("back-squat", 3, { reps: 5 })] },
    ]);
    expect(after.jumps).toEqual({ step: 1, week: MONDAY, hurt: false });
    expect(after.hops).toEqual({ step: 5, week: MONDAY, hurt: false });
    expect(after.last).toEqual({ minute: dayNumber(addDays(MONDAY, 2)) * 1440 + 1080, lands: false });
  });
  it("is the step before where a session held less, bounds counted twice", () => {
    const before = { hops: null, jumps: lastWeek(0), last: null };
    const after = (id: string, sets: number) =>
      jumpsAfter(before, week, MONDAY, [{ date: MONDAY, start: 600, items: [put(id, sets, { reps: 6 })] }]).jumps?.step;
    expect(after("squat-jump", 3)).toBe(0);
    expect(after("bounds", 2)).toBe(1);
    // Nothing known before: the week's own step is reached.
    const first = jumpsAfter(NO_JUMPS, week, MONDAY, [
      { date: MONDAY, start: 600, items: [put("ankle-hops", 1, { seconds: 10 })] },
    ]);
    expect([first.hops?.step, first.jumps, first.last?.lands]).toEqual([5, null, false]);
  });
  it("changes nothing where none was held", () => {
    const before = { hops: lastWeek(2), jumps: null, last: { minute: 7, lands: false } };
    expect(jumpsAfter(before, week, MONDAY, [])).toEqual(before);
    const lifts = [{ date: MONDAY, start: 600, items: [put("back-squat", 3, { reps: 5 })] }];
    expect(jumpsAfter(before, week, MONDAY, lifts)).toEqual(before);
  });
});

describe("the gate on both sides", () => {
  const right = (a: Athlete, asOf = MONDAY) => jumpRight(a, MONDAY, { library: SHIPPED_LIBRARY, asOf });
  const at = (...steps: [string, number][]) =>
    ready({
      health: {
        clearanceNeeded: false,
        areas: [{ area: "achilles", side: "left", status: "current", since: addDays(MONDAY, -90) }],
        pathways: [
          {
            area: "achilles",
            side: "left",
            since: addDays(MONDAY, -80),
            steps: steps.map(([stage, ago]) => ({
              stage: stage as "load",
              date: addDays(MONDAY, -ago),
              by: "Sam Example",
            })),
          },
        ],
      },
    });

  it("an area that takes landings is closed until its springing stage", () => {
    expect(right(at(["move", 60], ["load", 30])).why.text).toContain("No jumps while the Achilles");
    expect(right(at(["move", 60], ["load", 30], ["spring", 10])).kind).toBe("jumps");
  });
  it("the coach's own values make it later", () => {
    const stricter = (ruleValues: Record<string, Record<string, number>>) =>
      right(ready({ settings: { ruleValues } } as Partial<Athlete>, { strengthTrainingMonths: 11 })).kind;
    // Eleven months before are 47.8 weeks, and four of the season: 51 whole ones.
    expect(stricter({ "jumps.gate": { strengthWeeks: 51 } })).toBe("jumps");
    expect(stricter({ "jumps.gate": { strengthWeeks: 52 } })).toBeNull();
    expect(stricter({ "jumps.gate": { cleanSquats: 8 } })).toBe("jumps");
    expect(stricter({ "jumps.gate": { cleanSquats: 9 } })).toBeNull();
  });
  it("strength is the best squat of what was known then", () => {
    const log = (ago: number, id: string, kg: number) => logOf(addDays(MONDAY, -ago), [lifted(id, kg, [1], 0)]);
    const squats = (...strengthLog: Athlete["strengthLog"]) =>
      right(ready({ screening: SCREENED.slice(0, 1), strengthLog }));
    expect(squats(log(6, "back-squat", 65)).kind).toBe("jumps");
    expect(squats(log(6, "trap-bar-deadlift", 120)).why.text).toContain("not known");
    expect(squats(log(6, "front-squat", 66), log(5, "back-squat", 40)).kind).toBe("jumps");
    expect(squats(log(-1, "back-squat", 80)).kind).toBeNull();
    // The best lift of several days.
    expect(squats(log(9, "back-squat", 66), log(2, "back-squat", 60)).kind).toBe("jumps");
  });
  it("weight loss closes from its first day to its last", () => {
    const lean = (from: number, to: number) =>
      right(ready({ settings: { weightLoss: { start: addDays(MONDAY, from), end: addDays(MONDAY, to) } } })).kind;
    expect(lean(0, 5)).toBeNull();
    expect(lean(-5, 0)).toBeNull();
    expect(lean(1, 5)).toBe("jumps");
    expect(lean(-5, -1)).toBe("jumps");
  });
  it("past trouble of other areas says nothing of bone stress", () => {
    const health = (area: "knee-front" | "bone-stress") => ({
      clearanceNeeded: false,
      areas: [{ area, side: "left" as const, status: "past" as const }],
    });
    expect(right(ready({ health: health("knee-front") })).kind).toBe("jumps");
    expect(right(ready({ health: health("bone-stress") })).kind).toBeNull();
  });
});
