import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { safetyGate, trainingAge } from "../athlete/gate";
import { type Area, SPORTS } from "../athlete/types";
import { overlappingWindows, windowsOfWeek } from "../athlete/windows";
import { passes, weakerSide } from "../screening/marks";
import { type ChoiceContext, closedBecause, rankFor } from "./choose";
import { hasNeed, loadingAt } from "./equipment";
import { EXERCISES, exerciseById, exerciseName } from "./library";
import { HEART_PATTERNS, PATTERNS } from "./types";
import { validateLibrary } from "./validate";

const context = (more: Partial<ChoiceContext> = {}): ChoiceContext => ({
  athlete: athleteWith(),
  place: gym,
  on: "2026-03-03",
  areas: [],
  unloaded: false,
  stopped: new Map(),
  recent: new Map(),
  ...more,
});

/** Ids that the athlete file's description promises. */
const PROMISED =
  "back-squat front-squat goblet-squat leg-press romanian-deadlift trap-bar-deadlift deadlift good-morning single-leg-deadlift kettlebell-deadlift kettlebell-swing split-squat rear-foot-elevated-split-squat front-foot-elevated-split-squat reverse-lunge step-up step-down bridge single-leg-bridge band-walk hip-hike side-plank dead-bug calf-raise soleus-raise ankle-hops one-arm-row".split(
    " ",
  );

describe("the library", () => {
  it("is sound", () => {
    expect(validateLibrary(EXERCISES)).toEqual([]);
  });
  it("names the entry and the field of every fault", () => {
    const bad = { ...EXERCISES[0]!, id: "Bad Id", tempo: "slow", primary: [] };
    expect(validateLibrary([...EXERCISES, EXERCISES[1]!, bad])).toEqual(
      expect.arrayContaining([
        expect.stringContaining("Bad Id.id"),
        expect.stringContaining("Bad Id.tempo"),
        expect.stringContaining("Bad Id.primary"),
        `${EXERCISES[1]!.id}.id: stands twice`,
      ]),
    );
  });
  it("holds every promised id and every pattern, about forty exercises or more", () => {
    for (const id of PROMISED) expect(exerciseById(id), id).toBeDefined();
    for (const p of PATTERNS)
      expect(
        EXERCISES.some((e) => e.pattern === p),
        p,
      ).toBe(true);
    expect(EXERCISES.length).toBeGreaterThanOrEqual(40);
    expect(exerciseName("unknown-thing")).toBe("unknown-thing");
  });
  it("has the bent knee load the soleus and the straight knee the gastrocnemius", () => {
    expect(exerciseById("soleus-raise")!.primary).toEqual(["soleus"]);
    expect(exerciseById("calf-raise")!.primary).toEqual(["gastrocnemius"]);
  });
});

describe("choice", () => {
  it("always finds the heart patterns, in a gym and in an empty room", () => {
    for (const sport of SPORTS)
      for (const place of [gym, home])
        for (const pattern of HEART_PATTERNS)
          expect(
            rankFor(pattern, context({ athlete: athleteWith({}, { sport }), place }), false).length,
            `${sport} ${pattern}`,
          ).toBeGreaterThan(0);
  });
  it("prefers the front squat for rowers", () => {
    expect(rankFor("squat", context({ athlete: athleteWith({}, { sport: "row" }) }), true)[0]!.exercise.id).toBe(
      "front-squat",
    );
    expect(
      rankFor("split-squat", context({ athlete: athleteWith({}, { sport: "hike" }) }), false)[0]!.exercise.id,
    ).toBe("step-up");
  });
  // Handbook section 3, trouble areas (common practice, no source).
  it.each([
    ["low-back", ["back-squat", "deadlift", "good-morning", "kettlebell-swing"]],
    ["knee-front", ["rear-foot-elevated-split-squat", "reverse-lunge"]],
    ["achilles", ["ankle-hops", "calf-raise"]],
    ["hamstring", ["kettlebell-swing", "good-morning"]],
    ["shoulder", ["back-squat", "front-squat"]],
  ] as [Area, string[]][])("closes what the %s forbids", (area, ids) => {
    for (const id of ids)
      expect(closedBecause(exerciseById(id)!, context({ areas: [area] })), id).toContain("in trouble");
    for (const p of HEART_PATTERNS) expect(rankFor(p, context({ areas: [area] }), false).length).toBeGreaterThan(0);
  });
  it("closes what a failed test gates, and leaves it open where nothing was tested", () => {
    const failed = athleteWith({ screening: [{ test: "dowel-hinge", date: "2026-02-01", value: 50 }] });
    expect(closedBecause(exerciseById("deadlift")!, context({ athlete: failed }))).toContain("dowel hinge");
    expect(closedBecause(exerciseById("deadlift")!, context())).toBeNull();
  });
  it("keeps to the lifts of the log and the athlete's rung", () => {
    expect(rankFor("hinge", context({ recent: new Map([["romanian-deadlift", 6]]) }), true)[0]!.exercise.id).toBe(
      "romanian-deadlift",
    );
    const rung = athleteWith({ rungs: [{ ladder: "split-squat", exercise: "supported-split-squat" }] });
    expect(rankFor("split-squat", context({ athlete: rung }), false)[0]!.exercise.id).toBe("supported-split-squat");
  });
  it("knows what a place offers", () => {
    expect(hasNeed(gym, "trap-bar")).toBe(true);
    expect(hasNeed(gym, "safety-bar")).toBe(false);
    expect(hasNeed(gym, "machine:leg-press")).toBe(true);
    expect(hasNeed(home, "dumbbell-pair")).toBe(false);
    expect(loadingAt(exerciseById("split-squat")!, home, true)).toBe("bodyweight");
    expect(loadingAt(exerciseById("split-squat")!, gym, false)).toBe("bodyweight");
    expect(loadingAt(exerciseById("back-squat")!, home, true)).toBeNull();
  });
});

describe("screening and the safety gate", () => {
  it("looks at the latest result and the weaker side", () => {
    const a = athleteWith({
      screening: [
        { test: "single-leg-squat", date: "2026-01-10", left: 10, right: 10 },
        { test: "single-leg-squat", date: "2026-02-10", left: 8, right: 10 },
      ],
    });
    expect(passes(a, "single-leg-squat", "2026-03-01")).toBe(false);
    expect(passes(a, "single-leg-squat", "2026-01-31")).toBe(true);
    expect(passes(a, "calf-raise", "2026-03-01")).toBeNull();
    expect(weakerSide(a, "single-leg-squat", "2026-03-01")).toBe("left");
  });
  it("takes the careful reading of an age that the birth year leaves open", () => {
    expect(safetyGate(athleteWith({}, { birthYear: 2008 }), "2026-03-03")).toMatchObject({ minor: true, minRir: 2 });
    expect(safetyGate(athleteWith({}, { birthYear: 2007 }), "2026-03-03").minor).toBe(false);
    expect(safetyGate(athleteWith({}, { birthYear: 1976 }), "2026-03-03").stepBackEvery).toBe(3);
    expect(safetyGate(athleteWith({}, { birthYear: 1977 }), "2026-03-03").stepBackEvery).toBe(4);
  });
  it("tells training ages apart", () => {
    expect([2.9, 3, 12, 12.1].map(trainingAge)).toEqual(["new", "novice", "novice", "trained"]);
  });
});

describe("windows", () => {
  it("close on days away, or move to the place named", () => {
    const away = { start: "2026-03-03", end: "2026-03-04" };
    const of = (kind: "travel" | "illness" | "heat", place?: string) =>
      windowsOfWeek(athleteWith({ away: [{ ...away, kind, ...(place ? { place } : {}) }] }), "2026-03-02").map(
        (w) => `${w.date} ${w.place}`,
      );
    expect(of("travel")).toEqual(["2026-03-05 gym"]);
    expect(of("travel", "home")).toEqual(["2026-03-03 home", "2026-03-05 gym"]);
    expect(of("illness", "home")).toEqual(["2026-03-05 gym"]);
    expect(of("heat")).toEqual(["2026-03-03 gym", "2026-03-05 gym"]);
  });
  it("are found to overlap only on the same day", () => {
    const w = (day: number, start: string, minutes: number) => ({ day, start, minutes, place: "gym" });
    expect(overlappingWindows([w(1, "18:00", 60), w(1, "18:59", 30), w(2, "18:00", 60), w(1, "19:29", 30)])).toEqual([
      [0, 1],
    ]);
  });
});
