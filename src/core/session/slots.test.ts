/** The slots of a session before anything is chosen, by hand (rules session.slots, ledger.fill, finding.seen, choice.five). */
import { describe, expect, it } from "vitest";
import { exercise } from "../../../tests/support/choice";
import { unit } from "../../../tests/support/session";
import { why } from "../rulebook";
import type { Finding } from "../screening";
import { essentialSlots, leadSlots, type Slot, shortSlots, slotKindOf, slotsFor, withFindings } from "./slots";

const words = (slots: readonly Slot[]) => slots.map((s) => `${s.pattern} ${s.kind}`);
const UNITS = [unit("calf", { sets: 3 }), unit("split-squat")];

describe("what a session is made of", () => {
  it("leads by label, as main lifts on two legs alone; where ladders come first none is", () => {
    expect(words(leadSlots("A", "lifts"))).toEqual(["squat main", "hinge main"]);
    expect(words(leadSlots("B", "lifts"))).toEqual(["split-squat single", "hip single"]);
    expect(words(leadSlots("A", "ladders"))).toEqual(["squat single", "hinge single"]);
    expect(leadSlots("C", "lifts")).toEqual([]);
    expect(leadSlots("C", "full-range")).toEqual([]);
  });
  it("full range: deep single-leg work with a squat, hip flexors and a stretch on both days", () => {
    const says = [why("approach.dose", "part")];
    const stretch = { pattern: "mobility", kind: "assist", sets: 1, only: ["active-quad-stretch"], says };
    const flexors = (first: string) => ({
      pattern: "hip",
      kind: "assist",
      sets: 2,
      prefer: [first],
      only: [first, "march-hold", "march-hold-unloaded"],
      orElse: true,
      says,
    });
    const deep = [
      "split-squat-both-feet-raised",
      "rear-foot-elevated-split-squat",
      "knee-forward-split-squat",
      "front-foot-elevated-split-squat",
    ];
    expect(leadSlots("A", "full-range")).toEqual([
      { pattern: "squat", kind: "main" },
      { pattern: "split-squat", kind: "single", prefer: deep },
      flexors("straight-leg-hold"),
      stretch,
    ]);
    expect(leadSlots("B", "full-range")).toEqual([
      { pattern: "hinge", kind: "main" },
      flexors("loaded-hip-flexor-raise"),
      stretch,
    ]);
  });
  it("then what the ledger gives, mobility last; single-leg work beside the leads is never near failure", () => {
    expect(words(slotsFor("A", "full", "lifts", UNITS))).toEqual([
      "squat main",
      "hinge main",
      "calf assist",
      "split-squat assist",
    ]);
    const [, , calf, split] = slotsFor("A", "light", "lifts", UNITS);
    expect(calf).toEqual({ pattern: "calf", kind: "assist", sets: 3, unit: UNITS[0] });
    expect(split).toEqual({ pattern: "split-squat", kind: "assist", sets: 2, unit: UNITS[1], reserve: 3 });
    expect(words(slotsFor("B", "full", "full-range", UNITS))).toEqual([
      "hinge main",
      "hip assist",
      "calf assist",
      "split-squat assist",
      "mobility assist",
    ]);
    expect(slotsFor("A", "full")).toHaveLength(2);
  });
  it("without load the same in every approach, and nothing of the ledger", () => {
    const bare = ["squat single", "hinge single", "split-squat single", "hip assist", "calf assist", "trunk assist"];
    for (const loading of ["bodyweight", "restore", "mobility"] as const)
      expect(words(slotsFor("B", loading, "full-range", UNITS))).toEqual(bare);
  });
});

describe("a short session", () => {
  const whole = slotsFor("A", "full", "lifts", [unit("calf"), unit("squat"), unit("hinge")]);
  it("has one lead of three sets at most, its own first or the one that is named, and none of its pattern beside it", () => {
    expect(shortSlots(whole, null, "lifts").map((s) => `${s.pattern} ${s.kind} ${s.most ?? ""}`)).toEqual([
      "squat main 3",
      "calf assist ",
      "hinge assist ",
    ]);
    expect(words(shortSlots(whole, "hinge", "lifts"))).toEqual(["hinge main", "calf assist", "squat assist"]);
    // A lead of another session's.
    expect(words(shortSlots(whole, "split-squat", "lifts"))).toEqual([
      "split-squat single",
      "calf assist",
      "squat assist",
      "hinge assist",
    ]);
    expect(words(shortSlots(whole, "split-squat", "ladders"))[0]).toBe("split-squat single");
  });
  it("has no mobility, and what stands there beside leads stays", () => {
    const full = slotsFor("A", "full", "full-range", [unit("calf")]);
    expect(words(shortSlots(full, null, "full-range"))).toEqual(["squat main", "hip assist", "calf assist"]);
    expect(words(shortSlots([{ pattern: "calf", kind: "assist" }], null, "lifts"))).toEqual(["calf assist"]);
    expect(shortSlots([], null, "lifts")).toEqual([]);
  });
});

describe("the kind of work", () => {
  it("of an exercise on its own: main lifts, single-leg work, the rest", () => {
    const of = (id: string) => slotKindOf(exercise(id));
    expect(["back-squat", "deadlift"].map(of)).toEqual(["main", "main"]);
    expect(["split-squat", "single-leg-deadlift", "single-leg-bridge"].map(of)).toEqual(["single", "single", "single"]);
    // Two legs, or one arm, or one foot, are assistance.
    expect(["bridge", "calf-raise", "one-arm-row", "push-up", "goblet-squat"].map(of)).toEqual(
      ["bridge", "calf-raise", "one-arm-row", "push-up", "goblet-squat"].map((id) =>
        exercise(id).main ? "main" : "assist",
      ),
    );
    const kind = (pattern: Slot["pattern"], unilateral: boolean) => slotKindOf({ main: false, pattern, unilateral });
    expect([kind("hinge", true), kind("hinge", false), kind("hip", true), kind("hip", false)]).toEqual([
      "single",
      "assist",
      "single",
      "assist",
    ]);
    expect([kind("split-squat", false), kind("calf", true), kind("squat", true)]).toEqual([
      "single",
      "assist",
      "assist",
    ]);
  });
  it("of the essential five", () => {
    const five = essentialSlots(
      (["squat", "hinge", "trunk", "calf", "pull", "hip"] as const).map((pattern, i) => ({
        name: `Number ${i}`,
        pattern,
        main: pattern === "squat",
        exercises: [pattern],
      })) as unknown as Parameters<typeof essentialSlots>[0],
    );
    expect(words(five)).toEqual([
      "squat main",
      "hinge single",
      "trunk assist",
      "calf assist",
      "pull assist",
      "hip single",
    ]);
    expect(five[1]).toMatchObject({ prefer: ["hinge"], essential: "Number 1" });
  });
});

describe("what findings ask for", () => {
  type Add = Finding["adds"][number];
  const finding = (rule: string, adds: readonly Partial<Add>[], more: Partial<Finding> = {}) =>
    ({ id: rule, rule, title: rule, more: null, prefers: [], adds, ...more }) as unknown as Finding;
  const add = (pattern: Add["pattern"], exercises: string[], more: Partial<Add> = {}) => ({
    pattern,
    exercises,
    ...more,
  });
  const base: readonly Slot[] = [
    { pattern: "squat", kind: "main" },
    { pattern: "hip", kind: "single" },
    { pattern: "calf", kind: "assist", sets: 2 },
    { pattern: "trunk", kind: "assist", sets: 2 },
    { pattern: "mobility", kind: "assist", sets: 1 },
  ];
  const at = (slots: readonly Slot[], f: Finding) => slots.findIndex((s) => s.added === f);

  it("takes a place of its pattern beside the leads, with its own exercises in turn by session", () => {
    const f = finding("finding.seen", [add("calf", ["x", "y", "z"])]);
    const prefer = (label: "A" | "B" | "C") => withFindings(base, [f], label)[2]?.prefer;
    expect([prefer("A"), prefer("B"), prefer("C")]).toEqual([
      ["x", "y", "z"],
      ["y", "z", "x"],
      ["z", "x", "y"],
    ]);
    expect(withFindings(base, [f], "A")).toHaveLength(5);
    expect(withFindings(base, [f], "A")[2]).toEqual({
      pattern: "calf",
      kind: "assist",
      sets: 2,
      prefer: ["x", "y", "z"],
      added: f,
    });
    expect(base[2]).toEqual({ pattern: "calf", kind: "assist", sets: 2 });
  });
  it("has its own sets and repetitions where it says any, and a place behind its pattern where none is free", () => {
    const own = withFindings(base, [finding("finding.seen", [add("calf", ["x"], { sets: 4, reps: 15 })])], "A")[2];
    expect(own).toMatchObject({ sets: 4, reps: 15 });
    const hip = finding("finding.seen", [add("hip", ["x"], { reps: 12 })]);
    const slots = withFindings(base, [hip], "A");
    // Behind the lead of its pattern, which it never takes.
    expect(at(slots, hip)).toBe(2);
    expect(slots[2]).toEqual({ pattern: "hip", kind: "assist", sets: 1, prefer: ["x"], added: hip, reps: 12 });
    expect(slots[1]).toEqual({ pattern: "hip", kind: "single" });
    const noReps = withFindings(base, [finding("finding.seen", [add("hip", ["x"])])], "A")[2];
    expect(noReps?.reps).toBeUndefined();
    // Behind the first of all, too.
    const squat = finding("finding.seen", [add("squat", ["x"])]);
    expect(at(withFindings(base, [squat], "A"), squat)).toBe(1);
  });
  it("of a new pattern stands before trunk and mobility, mobility at the end", () => {
    const pull = finding("finding.seen", [add("pull", ["x"])]);
    expect(at(withFindings(base, [pull], "A"), pull)).toBe(3);
    const noTrunk = base.filter((s) => s.pattern !== "trunk");
    expect(at(withFindings(noTrunk, [pull], "A"), pull)).toBe(3);
    const bare = base.slice(0, 3);
    expect(at(withFindings(bare, [pull], "A"), pull)).toBe(3);
    const first: Slot[] = [{ pattern: "trunk", kind: "assist" }, ...base.slice(0, 1)];
    expect(at(withFindings(first, [pull], "A"), pull)).toBe(0);
    const rolls = finding("finding.seen", [add("mobility", ["x"])]);
    expect(at(withFindings(base.slice(0, 4), [rolls], "A"), rolls)).toBe(4);
  });
  it("three add work, a fourth waits; a way back always comes, and what it takes is its own alone", () => {
    const of = (n: number) => finding("finding.seen", [add("pull", [`p${n}`])], { id: `f${n}` });
    const four = [1, 2, 3, 4].map(of);
    const back = finding("pathway.stage", [add("hip", ["h1", "h2"], { sets: 3 })]);
    const slots = withFindings(base, [...four, back], "B");
    expect(four.map((f) => slots.some((s) => s.added === f))).toEqual([true, true, true, false]);
    expect(slots.find((s) => s.added === back)).toMatchObject({ only: ["h1", "h2"], prefer: ["h1", "h2"], sets: 3 });
    // A finding that asks for nothing is none of the three; a way back neither.
    const nothing = finding("finding.test", []);
    const after = withFindings(base, [back, nothing, ...four.slice(0, 3)], "A");
    expect(four.slice(0, 3).map((f) => after.some((s) => s.added === f))).toEqual([true, true, true]);
    const taken = withFindings(base, [finding("pathway.stage", [add("calf", ["c1"])])], "A")[2];
    expect(taken).toMatchObject({ only: ["c1"], prefer: ["c1"] });
    expect(withFindings(base, [finding("finding.seen", [add("calf", ["c1"])])], "A")[2]?.only).toBeUndefined();
  });
  it("descents come in their order of preference, not in turns", () => {
    const descent = finding("descent.prep", [add("calf", ["x", "y"])]);
    expect(withFindings(base, [descent], "B")[2]?.prefer).toEqual(["x", "y"]);
  });
  it("one set more of what stands there, but never of a lead or a way back's", () => {
    const more = (pattern: Slot["pattern"]) => finding("finding.test", [], { more: pattern as Finding["more"] });
    expect(withFindings(base, [more("calf")], "A")[2]?.sets).toBe(3);
    expect(withFindings([{ pattern: "pull", kind: "assist" }], [more("pull")], "A")[0]?.sets).toBe(2);
    expect(withFindings(base, [more("hip")], "A")).toEqual(base);
    const back = finding("pathway.stage", [add("calf", ["c1"], { sets: 2 })]);
    expect(withFindings(base, [back, more("calf")], "A")[2]?.sets).toBe(2);
    expect(withFindings(base, [finding("finding.test", [])], "A")).toEqual(base);
  });
  it("a light set before the hinge: in the place of hip work that stands there anyway, or its own; one alone", () => {
    const ready = finding("progress.felt", [add("hip", ["bridge"], { first: true })], { id: "ready" });
    const hinge: Slot = { pattern: "hinge", kind: "main" };
    expect(withFindings([hinge], [ready], "A")).toEqual([
      { pattern: "hip", kind: "assist", sets: 1, prefer: ["bridge"], added: ready, primer: true },
      hinge,
    ]);
    const hip: Slot = { pattern: "hip", kind: "single" };
    expect(withFindings([hip, hinge], [ready], "A")[0]).toEqual({ ...hip, prefer: ["bridge"], primer: true });
    // Behind the hinge it readies nothing; a place of something else's own neither.
    expect(words(withFindings([hinge, hip], [ready], "A"))).toEqual(["hip assist", "hinge main", "hip single"]);
    expect(withFindings([{ ...hip, only: ["x"] }, hinge], [ready], "A")).toHaveLength(3);
    expect(withFindings([hip], [ready], "A")).toEqual([hip]);
    const again = { ...ready, id: "again" } as Finding;
    expect(withFindings([hinge], [ready, again], "A")).toHaveLength(2);
    // It is no added work: three others come besides.
    const pulls = [1, 2, 3].map((n) => finding("finding.seen", [add("pull", [`p${n}`])]));
    expect(withFindings([hinge], [ready, ...pulls], "A")).toHaveLength(5);
  });
});
