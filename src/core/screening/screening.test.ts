import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import { AREAS, type Athlete, SCREEN_TESTS, type ScreenTest, SEEN, type Seen, SPORTS } from "../athlete/types";
import { RULES } from "../rulebook";
import { findingsOf, SEEN_BY_SPORT, SEEN_WORDS } from "./findings";
import { asymmetry, PASS_MARKS, passes, passMark, weakerOf, weakerSide } from "./marks";
import { TEST_SHEETS } from "./tests";

const ON = "2026-03-03";
const seen = (what: Seen, change: Partial<Athlete> = {}) =>
  athleteWith({ seen: [{ what, date: "2026-02-01", side: "left" }], ...change });

describe("results", () => {
  const a = athleteWith({
    screening: [
      { test: "single-leg-squat", date: "2026-01-10", left: 10, right: 10 },
      { test: "single-leg-squat", date: "2026-02-10", left: 8, right: 10 },
    ],
  });
  it("are read by the latest and the weaker side", () => {
    expect(passes(a, "single-leg-squat", "2026-03-01")).toBe(false);
    expect(passes(a, "single-leg-squat", "2026-01-31")).toBe(true);
    expect(passes(a, "calf-raise", "2026-03-01")).toBeNull();
    expect(weakerSide(a, "single-leg-squat", "2026-03-01")).toBe("left");
  });
  // Bishop et al. 2018, Strength Cond J 40(4):1-6: (stronger - weaker) / stronger x 100; value from memory.
  it("are compared side by side", () => {
    expect(asymmetry(8, 10)).toBe(20);
    expect(asymmetry(10, 8)).toBe(20);
    expect(asymmetry(0, 0)).toBe(0);
  });
  it("count a side as weaker from 10% on, and in repetitions from two on", () => {
    expect(weakerOf("calf-raise", { left: 24, right: 25 })).toBeNull();
    expect(weakerOf("calf-raise", { left: 23, right: 25 })).toBeNull();
    expect(weakerOf("calf-raise", { left: 22, right: 25 })).toBe("left");
    expect(weakerOf("single-leg-squat", { left: 9, right: 10 })).toBeNull();
    expect(weakerOf("side-hold", { left: 50, right: 45 })).toBe("right");
    expect(weakerOf("front-plank", {})).toBeNull();
  });
  // Hebert-Losier et al. 2017, Physiotherapy 103:446-452; values from memory.
  it("are marked by age where the trade has marks", () => {
    const mark = (birthYear: number, sex: "male" | "female") =>
      passMark(athleteWith({}, { birthYear, sex }), "calf-raise", ON);
    expect([
      mark(1990, "male"),
      mark(1976, "male"),
      mark(1976, "female"),
      mark(1960, "male"),
      mark(1950, "female"),
      mark(1944, "female"),
      mark(1944, "male"),
    ]).toEqual([25, 23, 21, 19, 16, 13, 10]);
    // From 40 on for women; the medians of the young lie above the 25 that is the mark, and age asks for no more.
    expect([mark(1987, "female"), mark(1985, "female"), mark(1985, "male"), mark(2004, "male")]).toEqual([
      25, 24, 25, 25,
    ]);
    const unsaid = athleteWith({}, { birthYear: 1950 });
    expect(passMark(unsaid, "calf-raise", ON)).toBe(14);
    expect(passMark(athleteWith({}, { birthYear: 1976 }), "single-leg-bridge", ON)).toBe(18);
    expect(passMark(athleteWith({}, { birthYear: 1990 }), "single-leg-bridge", ON)).toBe(
      PASS_MARKS["single-leg-bridge"],
    );
  });
});

describe("the tests", () => {
  it("are all described, in two or three sentences, with what to look at", () => {
    expect(TEST_SHEETS.map((t) => t.test)).toEqual([...SCREEN_TESTS]);
    for (const t of TEST_SHEETS) {
      expect(t.how.join(" ").split(/[.:]\s/).length, t.test).toBeGreaterThanOrEqual(2);
      expect(t.look.length, t.test).toBeGreaterThan(0);
      expect(t.upTo === null || t.upTo >= PASS_MARKS[t.test], t.test).toBe(true);
    }
  });
});

describe("findings", () => {
  // Rule finding.seen (common practice, no source).
  it.each([
    ["hip-drop", "hip", "toe-tap"],
    ["pelvis-tilt", "trunk", "dead-bug"],
    ["knee-in", "split-squat", "shallow-single-leg-squat-band"],
    ["hip-flexor-fatigue", "hip", "march-hold"],
    ["rounded-catch", "hip", "slider-curl"],
    ["rocking-pelvis", "trunk", "dead-bug"],
  ] as [Seen, string, string][])("%s adds %s work: %s", (what, pattern, id) => {
    const [f] = findingsOf(seen(what), ON);
    expect(f!.adds[0]).toMatchObject({ pattern });
    expect(f!.adds[0]!.exercises[0]).toBe(id);
    expect(f!.title).toContain("left");
  });
  it("let a crossing foot count only with trouble at the shin, sole or outside of the knee", () => {
    expect(findingsOf(seen("crossover"), ON)[0]!.adds).toEqual([]);
    for (const area of AREAS) {
      const a = seen("crossover", {
        health: { clearanceNeeded: false, areas: [{ area, side: "left", status: "current" }] },
      });
      expect(findingsOf(a, ON)[0]!.adds.length > 0, area).toBe(["shin", "foot", "knee-outside"].includes(area));
    }
  });
  it("name real exercises of the pattern they speak of, real rules, and say one sentence each", () => {
    const all = SCREEN_TESTS.map((test) => ({ test, date: "2026-02-01", left: 0, right: 0, value: 0 }));
    const a = athleteWith({ seen: SEEN.map((what) => ({ what, date: "2026-02-01" })), screening: all });
    const found = findingsOf(a, ON);
    expect(found.length).toBe(SEEN.length + SCREEN_TESTS.length);
    for (const f of found) {
      expect(RULES[f.rule], f.id).toBeDefined();
      expect(f.says.endsWith("."), f.id).toBe(true);
      for (const add of f.adds)
        for (const id of add.exercises) expect(exercise(id).pattern, `${f.id} ${id}`).toBe(add.pattern);
      for (const id of f.prefers) expect(exercise(id)).toBeDefined();
    }
  });
  it("say nothing where everything passes, and count nothing from later", () => {
    const fine = athleteWith({ screening: [{ test: "front-plank", date: "2026-02-01", value: 60 }] });
    expect(findingsOf(fine, ON)).toEqual([]);
    expect(findingsOf(seen("hip-drop"), "2026-01-31")).toEqual([]);
  });
  it("tell the weaker side of a test, with the difference", () => {
    const a = athleteWith({ screening: [{ test: "single-leg-squat", date: "2026-02-01", left: 6, right: 10 }] });
    const found = findingsOf(a, ON);
    expect(found.map((f) => f.kind)).toEqual(["test", "side"]);
    expect(found[1]!.says).toContain("starts with the left");
    expect(found[1]!.says).toContain("40% apart");
  });
  it("are titled by what was reached, the mark, and the side that did less", () => {
    const title = (test: ScreenTest, result: { left?: number; right?: number; value?: number }) =>
      findingsOf(athleteWith({ screening: [{ test, date: "2026-02-01", ...result }] }), ON)[0]!.title;
    expect(title("front-plank", { value: 44.26 })).toBe("Front plank: 44.3 of 60 s");
    expect(title("side-hold", { left: 29, right: 28 })).toBe("Side hold: 28 of 30 s, right");
    expect(title("side-hold", { left: 28, right: 29 })).toBe("Side hold: 28 of 30 s, left");
    expect(title("side-hold", { left: 28, right: 28 })).toBe("Side hold: 28 of 30 s");
    expect(title("side-hold", { right: 28 })).toBe("Side hold: 28 of 30 s");
    expect(title("side-hold", { left: 28 })).toBe("Side hold: 28 of 30 s");
    expect(title("wall-squat", { value: 0 })).toBe("Wall-facing squat: not passed");
    const sides = athleteWith({ screening: [{ test: "side-hold", date: "2026-02-01", left: 50, right: 40.55 }] });
    expect(findingsOf(sides, ON).map((f) => f.title)).toEqual(["Side hold: right side weaker, 50 left and 40.6 right"]);
  });
  it("name the sides on which something was seen, each once, from its day on", () => {
    const at = (side?: "left" | "right" | "both", date = ON) => ({
      what: "knee-in" as const,
      date,
      ...(side ? { side } : {}),
    });
    const title = (...list: ReturnType<typeof at>[]) => findingsOf(athleteWith({ seen: list }), ON)[0]?.title;
    expect(title(at())).toBe("Knee drifts in");
    expect(title(at("both"))).toBe("Knee drifts in");
    expect(title(at("left"), at("right"), at("left"))).toBe("Knee drifts in, left and right");
    expect(title(at("left"))).toBe("Knee drifts in, left");
    expect(title(at("left", "2026-03-04"))).toBeUndefined();
  });
  it("say by which rule, which exercises move up, and what takes a set more", () => {
    const all = SCREEN_TESTS.map((test) => ({ test, date: "2026-02-01", left: 0, right: 0, value: 0 }));
    const areas = [{ area: "shin" as const, side: "left" as const, status: "current" as const }];
    const a = athleteWith({
      seen: SEEN.map((what) => ({ what, date: "2026-02-01" })),
      screening: all,
      health: { clearanceNeeded: false, areas },
    });
    const found = findingsOf(a, ON);
    const of = (id: string) => found.find((f) => f.id === id)!;
    expect(found.filter((f) => f.kind === "test").map((f) => f.rule)).toEqual(SCREEN_TESTS.map(() => "finding.test"));
    expect(found.filter((f) => f.rule === "finding.house").map((f) => f.id)).toEqual(["rocking-pelvis"]);
    expect(found.filter((f) => f.rule === "finding.seen").length).toBe(SEEN.length - 1);
    // The weaker of the holds and raises: a set more of their pattern (rule finding.test).
    expect(found.flatMap((f) => (f.more ? [[f.id, f.more]] : []))).toEqual([
      ["side-hold", "trunk"],
      ["calf-raise", "calf"],
      ["single-leg-bridge", "hip"],
    ]);
    expect(of("hip-drop").prefers).toContain("step-down");
    expect(of("rounded-catch").prefers).toContain("rdl-to-knee");
    expect(of("rocking-pelvis").prefers).toContain("single-leg-bridge");
    expect(of("rounded-catch").adds.map((x) => x.first)).toEqual([true]);
    expect(of("dowel-hinge").adds.map((x) => x.first)).toEqual([true]);
    expect(of("knee-in").adds.map((x) => x.sets)).toEqual([3]);
    expect(of("crossover").adds).toMatchObject([{ pattern: "hip" }]);
    expect(of("crossover").adds[0]!.exercises[0]).toBe("band-walk");
    expect(of("pelvis-tilt").adds.map((x) => x.exercises[0])).toEqual(["dead-bug", "hip-flexor-stretch"]);
  });
  it("have words for everything that can be seen, and a list for each sport", () => {
    for (const what of SEEN) expect(SEEN_WORDS[what].name.length).toBeGreaterThan(5);
    for (const sport of SPORTS) expect(SEEN_BY_SPORT[sport].length).toBeGreaterThan(0);
  });
});
