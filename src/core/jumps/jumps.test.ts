import { describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, raceOn, START } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import type { Athlete, LoggedItem } from "../athlete";
import { addDays } from "../dates";
import { SHIPPED_LIBRARY } from "../exercise";
import { type Plan, plan } from "../plan";
import { contactSets, hopSets, jumpsLogged, jumpsOpen, NO_JUMPS, stepFor } from "./amount";
import { jumpRight } from "./gate";
import { type JumpWeek, jumpsAfter } from "./week";

const calf = { test: "calf-raise" as const, date: START, left: 30, right: 30 };
const single = (n: number) => ({ test: "single-leg-squat" as const, date: START, left: n, right: n });
const SLOTS: Athlete["availability"] = [
  { day: 1, start: "18:00", minutes: 75, place: "gym" },
  { day: 3, start: "18:00", minutes: 75, place: "gym" },
  { day: 5, start: "18:00", minutes: 75, place: "gym" },
];
const ready = (change: Partial<Athlete> = {}, facts: Partial<Athlete["athlete"]> = {}): Athlete =>
  athleteWith({ screening: [calf, single(8)], availability: SLOTS, ...change }, facts);
const right = (a: Athlete, on = START) => jumpRight(a, on, { library: SHIPPED_LIBRARY, asOf: on });
const withJumps = (a: Athlete, jumps: "on" | "off"): Athlete => ({ ...a, settings: { ...a.settings, jumps } });

describe("who may jump", () => {
  it("runners and triathletes who pass the tests: all of it; hikers step off alone; riders swing; rowers do none", () => {
    expect(right(ready())).toMatchObject({ kind: "jumps", why: { rule: "jumps.gate" } });
    expect(right(ready({}, { sport: "triathlon" })).kind).toBe("jumps");
    expect(right(ready({}, { sport: "hike" })).kind).toBe("step-off");
    expect(right(ready({}, { sport: "ride" })).kind).toBe("swings");
    expect(right(ready({}, { sport: "row" })).kind).toBeNull();
    expect(right(withJumps(ready({}, { sport: "row" }), "on")).kind).toBe("jumps");
  });

  it("the calf raise is asked for whoever switches jumps on", () => {
    const untested = ready({ screening: [single(8)] });
    expect(right(untested).why.text).toBe("No jumps yet: they open once the calf raise test is done and passed.");
    expect(right(withJumps(untested, "on")).kind).toBeNull();
    expect(right(ready({ screening: [{ ...calf, left: 10 }, single(8)] })).kind).toBeNull();
  });

  it("strength: a squat of body mass, or five clean single-leg squats a side", () => {
    const squat = (kg: number) =>
      // One repetition to failure is its own estimate.
      ready({ screening: [calf], strengthLog: [logOf(addDays(START, -6), [lifted("back-squat", kg, [1], 0)])] });
    expect(right(squat(65)).kind).toBe("jumps");
    expect(right(squat(64)).why.text).toContain("98% of body mass");
    expect(right(ready({ screening: [calf] })).why.text).toContain("not known");
    expect(right(ready({ screening: [calf, single(5)] })).kind).toBe("jumps");
    expect(right(ready({ screening: [calf, { ...single(5), left: 4 }] })).kind).toBeNull();
    expect(right(withJumps(ready({ screening: [calf] }), "on")).kind).toBe("jumps");
  });

  it("eight weeks of strength work, and from fifty hops alone, unless the coach says otherwise", () => {
    expect(right(ready({}, { strengthTrainingMonths: 1 })).why.text).toContain("4 weeks of strength work behind");
    expect(right(ready({}, { strengthTrainingMonths: 1 }), addDays(START, 28)).kind).toBe("jumps");
    expect(right(ready({}, { strengthTrainingMonths: 1 }), addDays(START, 24)).kind).toBeNull();
    // The birth year leaves the age open: the older reading is taken.
    expect(right(ready({}, { birthYear: 1977 })).kind).toBe("jumps");
    expect(right(ready({}, { birthYear: 1976 })).kind).toBe("hops");
    expect(right(withJumps(ready({}, { birthYear: 1976 }), "on")).kind).toBe("jumps");
  });

  it.each(["calf", "achilles", "shin", "foot", "bone-stress"] as const)(
    "none with trouble of the %s, switched on or not",
    (area) => {
      const a = ready({
        health: {
          clearanceNeeded: false,
          areas: [{ area, side: "left", status: "current", since: addDays(START, -400) }],
        },
      });
      expect(right(a).kind).toBeNull();
      expect(right(withJumps(a, "on")).kind).toBeNull();
    },
  );

  it("none for a year after a bone stress, without clearance, without impact, or while losing weight", () => {
    const bone = (since?: string) =>
      ready({
        health: {
          clearanceNeeded: false,
          areas: [{ area: "bone-stress", side: "left", status: "past", ...(since ? { since } : {}) }],
        },
      });
    expect(right(bone(addDays(START, -365))).kind).toBe("jumps");
    expect(right(bone(addDays(START, -364))).kind).toBeNull();
    expect(right(bone()).why.text).toContain("Enter when it began");
    expect(right(ready({ health: { clearanceNeeded: true, areas: [] } })).kind).toBeNull();
    const clearance = { date: START, by: "Dr. Example", limits: "", rules: ["no-impact" as const] };
    expect(right(ready({ health: { clearanceNeeded: true, clearance, areas: [] } })).kind).toBeNull();
    const lean = ready({ settings: { weightLoss: { start: START, end: addDays(START, 10) } } });
    expect(right(lean, addDays(START, 10)).kind).toBeNull();
    expect(right(lean, addDays(START, 11)).kind).toBe("jumps");
    expect(right(withJumps(ready(), "off"))).toMatchObject({
      kind: null,
      why: { text: expect.stringContaining("switched off") },
    });
  });
});

describe("how much", () => {
  it("hops from 2 x 10 s to 5 x 20 s by seven steps", () => {
    expect([0, 1, 2, 3, 4, 5, 6, 7].map(hopSets)).toEqual(
      [
        [2, 10],
        [3, 10],
        [4, 10],
        [5, 10],
        [3, 20],
        [4, 20],
        [5, 20],
        [5, 20],
      ].map(([sets, seconds]) => ({ sets, seconds })),
    );
  });

  it("contacts as equal sets of six at most, sixty contacts at most", () => {
    expect([20, 24, 28, 32, 36, 40, 61].map(contactSets)).toEqual(
      [
        [4, 5],
        [4, 6],
        [7, 4],
        [8, 4],
        [6, 6],
        [8, 5],
        [10, 6],
      ].map(([sets, reps]) => ({ sets, reps })),
    );
  });

  const hop = (seconds: number[], more: Partial<LoggedItem> = {}): LoggedItem => ({
    exercise: "ankle-hops",
    sets: seconds.map((s) => ({ seconds: s, side: "both" })),
    ...more,
  });
  const MONDAY = addDays(START, 35);

  it("the best session of six weeks says how far it has come, the last one how it went", () => {
    const log = [
      logOf(addDays(MONDAY, -12), [hop([20, 20, 20])]),
      logOf(addDays(MONDAY, -5), [hop([10, 10], { nextDayPain: 1 })]),
      logOf(addDays(MONDAY, -43), [hop([20, 20, 20, 20, 20])]),
    ];
    const { hops, jumps } = jumpsLogged(log, SHIPPED_LIBRARY, MONDAY);
    expect(hops).toEqual({ step: 4, week: addDays(MONDAY, -7), hurt: true });
    expect(jumps).toBeNull();
    expect(stepFor(hops, 7, MONDAY, null)).toMatchObject({ step: 3, why: { rule: "jumps.amount" } });
  });

  it("a bound lands on one leg and counts twice", () => {
    const bounds = {
      exercise: "bounds",
      sets: [
        { reps: 6, side: "both" as const },
        { reps: 6, side: "both" as const },
      ],
    };
    const { jumps, last } = jumpsLogged([logOf(addDays(MONDAY, -5), [bounds])], SHIPPED_LIBRARY, MONDAY);
    expect(jumps?.step).toBe(1);
    expect(last?.lands).toBe(true);
  });

  it("a step a week; the same where nothing may go up; back after more than two weeks without", () => {
    const at = (weeks: number, more = {}) => ({ step: 4, week: addDays(MONDAY, -7 * weeks), hurt: false, ...more });
    expect(stepFor(null, 7, MONDAY, null).step).toBe(0);
    expect(stepFor(at(1), 7, MONDAY, null).step).toBe(5);
    expect(stepFor(at(0), 7, MONDAY, null).step).toBe(4);
    expect(stepFor(at(1, { step: 6 }), 7, MONDAY, null).step).toBe(6);
    expect(stepFor(at(1), 7, MONDAY, "a step-back week")).toMatchObject({ step: 4, why: { rule: "jumps.amount" } });
    expect(stepFor(at(3), 7, MONDAY, null).step).toBe(5);
    expect(stepFor(at(4), 7, MONDAY, null).step).toBe(3);
    expect(stepFor(at(20), 7, MONDAY, null).step).toBe(0);
  });

  it("sixty seconds without pain, in an earlier week, open the jumps", () => {
    const hops = { step: 4, week: addDays(MONDAY, -7), hurt: false };
    expect(jumpsOpen({ ...NO_JUMPS, hops }, MONDAY)).toBe(true);
    expect(jumpsOpen({ ...NO_JUMPS, hops: { ...hops, step: 3 } }, MONDAY)).toBe(false);
    expect(jumpsOpen({ ...NO_JUMPS, hops: { ...hops, hurt: true } }, MONDAY)).toBe(false);
    expect(jumpsOpen({ ...NO_JUMPS, hops: { ...hops, week: MONDAY } }, MONDAY)).toBe(false);
  });
});

/** Landings of a week's sessions: exercise, sets, repetitions or seconds. */
const landings = (p: Plan, week: number) =>
  (p.weeks[week]?.sessions ?? []).flatMap((s) =>
    s.items.flatMap((i) =>
      i.exercise.pattern === "jump" ? [`${i.exercise.id} ${i.sets} x ${i.seconds ?? i.reps}`] : [],
    ),
  );

describe("jumps in a season", () => {
  // Base of 14 weeks, build of 11, two of race: no endurance, so that no session stands too near to it.
  const race = raceOn(addDays(START, 26 * 7 - 2), "A", 200);
  const season = (a: Athlete) => plan({ ...a, races: [race] }, { weeks: "season" });
  const whole = season(ready());
  const phaseOf = (n: number) => whole.weeks[n]?.season.phase;

  it("begin in the second half of base, grow a step a week, and become jumps after sixty seconds", () => {
    const base = whole.weeks.findIndex((w) => w.season.phase !== "base");
    const first = whole.weeks.findIndex((_, n) => landings(whole, n).length > 0);
    expect(first).toBeGreaterThanOrEqual(Math.floor(base / 2));
    expect(new Set(landings(whole, first))).toEqual(new Set(["ankle-hops 2 x 10"]));
    const weeks = whole.weeks.flatMap((w, n) => (w.season.stepBack || n < first || phaseOf(n) === "race" ? [] : [n]));
    const seconds = weeks.map((n) => landings(whole, n)[0]);
    expect(seconds.slice(0, 5)).toEqual(
      ["2 x 10", "3 x 10", "4 x 10", "5 x 10", "3 x 20"].map((t) => `ankle-hops ${t}`),
    );
    const contacts = weeks.slice(5).map((n) => {
      const session = whole.weeks[n]?.sessions.find((s) => s.items.some((i) => i.exercise.id === "step-off-stick"));
      return (session?.items ?? []).reduce(
        (a, i) => a + (i.exercise.pattern === "jump" ? i.sets * (i.reps ?? 0) : 0),
        0,
      );
    });
    expect(contacts.slice(0, 6)).toEqual([20, 24, 28, 32, 36, 40].slice(0, contacts.length));
    expect(contacts.length).toBeGreaterThan(2);
  });

  it("stand first in their session, with nothing in their rests", () => {
    const sessions = whole.weeks
      .flatMap((w) => w.sessions)
      .filter((s) => s.items.some((i) => i.exercise.pattern === "jump"));
    expect(sessions.length).toBeGreaterThan(10);
    for (const s of sessions) {
      const n = s.items.filter((i) => i.exercise.pattern === "jump").length;
      expect(s.items.slice(0, n).map((i) => i.exercise.pattern)).toEqual(new Array(n).fill("jump"));
      expect(s.items.slice(0, n).map((i) => i.pair)).toEqual(Array.from({ length: n }, (_, k) => `${k + 1}`));
    }
  });

  it("one short set in the race phase, none in the last five days", () => {
    const near = whole.weeks.flatMap((w) =>
      w.sessions.filter((s) => w.season.days.some((d) => d.date === s.date && d.phase === "race")),
    );
    const jumping = near.filter((s) => s.items.some((i) => i.exercise.pattern === "jump"));
    expect(jumping.length).toBeGreaterThan(0);
    for (const s of jumping) {
      expect(s.items.filter((i) => i.exercise.pattern === "jump").map((i) => i.sets)).toEqual([1]);
      expect(s.date < addDays(race.date, -5)).toBe(true);
    }
  });

  it("riders swing once a week in build; fifty and over keep to hops; hikers step off", () => {
    const rider = season(ready({}, { sport: "ride" }));
    const swings = rider.weeks.map((w) => [
      w.season.phase,
      w.sessions.flatMap((s) => s.items).filter((i) => i.exercise.id === "kettlebell-swing" && i.slot.alone).length,
    ]);
    expect(swings.filter(([p]) => p === "build").length).toBeGreaterThan(4);
    for (const [phase, n] of swings) expect(n).toBe(phase === "build" ? 1 : 0);
    const old = season(ready({}, { birthYear: 1966 }));
    expect(new Set(old.weeks.flatMap((_, n) => landings(old, n).map((t) => t.split(" ")[0])))).toEqual(
      new Set(["ankle-hops"]),
    );
    const hiker = season(ready({}, { sport: "hike" }));
    expect(new Set(hiker.weeks.flatMap((_, n) => landings(hiker, n).map((t) => t.split(" ")[0])))).toEqual(
      new Set(["step-off-stick"]),
    );
  });

  it("a season says from when, or why not; so do the week and the session", () => {
    expect(whole.jumps.map((w) => w.rule)).toEqual(["jumps.gate", "jumps.phase"]);
    expect(whole.jumps[1]?.text).toMatch(/^Ankle hops from Mon .*, jumps from Mon /);
    const rower = season(ready({}, { sport: "row" }));
    expect(rower.jumps[0]?.text).toContain("rowing asks for none");
    expect(rower.weeks[3]?.why.some((w) => w.text.includes("rowing asks for none"))).toBe(true);
  });

  it("a session too soon after hard work holds none, says so and keeps its lifts", () => {
    const hard = Array.from({ length: 27 }, (_, w) =>
      [0, 2, 4].map((d) => ({
        date: addDays(START, w * 7 + d),
        start: "06:30",
        sport: "run" as const,
        kind: "intervals" as const,
        minutes: 60,
        distanceKm: 11,
      })),
    ).flat();
    const p = season(ready({ endurance: hard }));
    const asked = p.weeks.filter((w) => w.jumps.asks.size > 0 && w.season.phase === "build");
    expect(asked.length).toBeGreaterThan(3);
    for (const s of asked.flatMap((w) => w.sessions)) {
      expect(s.items.some((i) => i.exercise.pattern === "jump")).toBe(false);
      expect(s.items.some((i) => i.slot.kind !== "assist")).toBe(true);
      expect(s.why.some((w) => w.rule === "jumps.amount" && w.text.includes("after intervals"))).toBe(true);
    }
    expect(p.jumps[1]?.text).toContain("on fresh legs");
  });
});

describe("what a week leaves to the next", () => {
  const week = (hops: number) => ({ steps: { hops, jumps: 0 } }) as unknown as JumpWeek;
  const held = (sets: number, seconds: number) => [
    { date: "2026-06-17", start: 1080, items: [{ exercise: exercise("ankle-hops"), sets, reps: null, seconds }] },
  ];
  const before = { hops: { step: 3, week: "2026-06-08", hurt: false }, jumps: null, last: null };
  const after = (asked: number, sets: number, seconds: number) =>
    jumpsAfter(before, week(asked), "2026-06-15", held(sets, seconds)).hops?.step;

  it("is the step that was done: one for which the session had no room is not reached", () => {
    // Steps of hops: 20, 30, 40, 50, 60, 80, 100 s (rule jumps.amount). Step 4 is 60 s.
    expect(after(4, 3, 20)).toBe(4);
    expect(after(4, 2, 20)).toBe(3);
  });
  it("keeps what was built where a week takes less of it on purpose", () => {
    // A step-back or a race week asks for the same step and takes a part.
    expect(after(3, 2, 10)).toBe(3);
  });
});
