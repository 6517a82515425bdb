/**
 * An exercise with its dose, by hand: what its load is asked for, what a day keeps back, how many sets are taken (rules load.light, first.time,
 * choice.trouble, finding.seen, sport.row-hinge, session.slots). Light work keeps four in reserve; a hamstring in trouble does 15 repetitions.
 */
import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { layeredAt } from "../../../tests/support/dose";
import { request } from "../../../tests/support/session";
import type { Dose, SessionDose } from "../dose";
import type { ChoiceContext } from "../exercise";
import { itemFor } from "./fill";
import type { Slot } from "./slots";
import type { Item, LoadAnswer, LoadQuestion, SessionRequest } from "./types";

const base = layeredAt("maximal");
const LOADED = { ...(base.cells.squat.loaded[0] as Dose), repsLow: 3, reps: 6, repsMost: 6, rir: 1, percent: 85 };
const UNLOADED: Dose = { ...LOADED, repsLow: 8, reps: 12, repsMost: 12, percent: null };
const doseOf = (loaded: Dose = LOADED, unloaded: Dose = UNLOADED, kind: "row" | "line" = "row"): SessionDose => {
  const cell = { kind, loaded: [loaded, loaded], unloaded: [unloaded, unloaded] };
  const columns = Object.keys(base.cells).map((c) => [c, { ...base.cells.squat, ...cell }]);
  return { ...base, cells: Object.fromEntries(columns) };
};
interface Asked {
  slot?: Partial<Slot>;
  more?: Partial<SessionRequest>;
  choice?: Partial<ChoiceContext>;
  answer?: Partial<LoadAnswer>;
  hand?: Parameters<typeof itemFor>[4];
  loading?: Item["loading"];
}

/** What was asked of the load rules, and what came of it. */
function made(id: string, { slot = {}, more = {}, choice = {}, answer = {}, hand, loading }: Asked = {}) {
  const e = exercise(id);
  let q: LoadQuestion | undefined;
  const r = request({
    dose: doseOf(),
    choice: choiceFor(athleteWith(), choice),
    ...more,
    loadFor: (question) => {
      q = question;
      return { loadKg: null, perSideKg: [], barKg: null, percent1rm: null, why: [], ...answer };
    },
  });
  const item = itemFor(
    { exercise: e, loading: loading ?? e.loading, score: 0, parts: [] },
    { pattern: e.pattern, kind: e.main ? "main" : "assist", ...slot },
    r,
    { left: [], swappedFrom: null, of: 5 },
    hand,
  );
  if (!q) throw new Error("nothing was asked");
  return { q, item, rules: item.why.map((w) => w.rule) };
}
const asked = (id: string, a?: Asked) => made(id, a).q;

describe("what a load is asked for", () => {
  it("the dose: sets, the range, its reserve, its percent, the longest hold", () => {
    const q = asked("back-squat");
    expect(q).toMatchObject({ sets: 3, repsLow: 3, reps: 6, rir: 1, percent: 85, seconds: null, capPercent: null });
    expect(q).not.toHaveProperty("repsMost");
    expect(q.secondsMost).toBe(LOADED.secondsMost);
    expect(q.place.id).toBe("gym");
    expect(asked("wall-sit")).not.toHaveProperty("secondsMost");
  });
  it("what its slot says goes before: sets, repetitions, a least reserve", () => {
    expect(asked("back-squat", { slot: { sets: 5 } }).sets).toBe(5);
    expect(asked("back-squat", { slot: { reps: 15 } })).toMatchObject({ repsLow: 15, reps: 15 });
    expect(asked("split-squat", { slot: { reserve: 3 } }).rir).toBe(3);
    expect(asked("split-squat", { slot: { reserve: 0 } }).rir).toBe(1);
  });
  it("work without load has a top of its range, which the row or its own repetitions give", () => {
    expect(asked("push-up")).toMatchObject({ repsLow: 8, reps: 12, repsMost: 12 });
    const wide = doseOf(LOADED, { ...UNLOADED, repsMost: 20 });
    expect(asked("push-up", { more: { dose: wide } }).repsMost).toBe(20);
    // Its own repetitions are five, in assistance alone; for somebody who restores, up to the dose's or eight.
    expect(asked("march-hold", { loading: "bodyweight", more: { dose: wide } })).toMatchObject({
      repsLow: 5,
      reps: 5,
      repsMost: 5,
    });
    expect(asked("march-hold", { loading: "bodyweight", slot: { kind: "main" } })).toMatchObject({
      repsLow: 8,
      reps: 12,
    });
    expect(asked("cat-cow")).toMatchObject({ repsLow: 8, reps: 10 });
    const few = doseOf(LOADED, { ...UNLOADED, repsLow: 4, reps: 6 });
    expect(asked("cat-cow", { more: { emphasis: "restore", dose: few } })).toMatchObject({ repsLow: 8, reps: 8 });
    const many = doseOf(LOADED, { ...UNLOADED, reps: 20 });
    expect(asked("cat-cow", { more: { emphasis: "restore", dose: many } })).toMatchObject({ repsLow: 8, reps: 10 });
  });
  it("few repetitions are eight to ten where nothing loads them", () => {
    const of = (reps: number, loading?: Item["loading"]) =>
      asked("split-squat", {
        more: { dose: doseOf({ ...LOADED, reps }, { ...UNLOADED, repsLow: 3, reps }) },
        loading: loading ?? "bodyweight",
      });
    expect(of(7)).toMatchObject({ repsLow: 8, reps: 10 });
    expect(of(8)).toMatchObject({ repsLow: 3, reps: 8 });
    expect(of(6, "pair")).toMatchObject({ repsLow: 3, reps: 6 });
  });
  it("holds and stretches for seconds: their own, the pattern's, or the dose's", () => {
    expect(asked("wall-sit").seconds).toBe(30);
    expect(asked("side-plank").seconds).toBe(UNLOADED.seconds);
    expect(asked("ankle-hops").seconds).toBe(10);
    expect(asked("back-squat").seconds).toBeNull();
    expect(made("side-plank").item).toMatchObject({
      reps: null,
      repsLow: null,
      seconds: UNLOADED.seconds,
      eachSide: true,
    });
    expect(made("side-plank", { answer: { seconds: 35 } }).item.seconds).toBe(35);
    const long = exercise("foam-rolling");
    expect(asked("foam-rolling").seconds).toBe(long.ownSeconds ?? 60);
  });
  it("a lead that is held for its own seconds grows along its line", () => {
    const along = (point: number, slot: Partial<Slot> = { kind: "single" }) =>
      asked("wall-sit", {
        slot,
        more: { dose: doseOf(LOADED, UNLOADED, "line"), placeFor: () => ({ point, why: [] }) },
      }).seconds;
    expect(along(0)).toBe(30);
    // Five seconds a point (rule progress.ladder).
    expect(along(1)).toBe(35);
    expect(along(1, {})).toBe(30);
    expect(
      asked("side-plank", {
        slot: { kind: "single" },
        more: { dose: doseOf(LOADED, UNLOADED, "line"), placeFor: () => ({ point: 1, why: [] }) },
      }).seconds,
    ).toBe(UNLOADED.seconds);
  });
  it("by hand before all of it", () => {
    const q = asked("back-squat", { hand: { sets: 2, reps: [4, 9], rir: 0 } });
    expect(q).toMatchObject({ repsLow: 4, reps: 9, rir: 0, percent: null });
    expect(asked("back-squat", { hand: { rir: 1 } }).percent).toBeNull();
    expect(asked("back-squat", { hand: { reps: [6, 6] } }).percent).toBeNull();
    expect(asked("back-squat", { hand: { sets: 2 } }).percent).toBe(85);
    expect(asked("side-plank", { hand: { seconds: 12 } }).seconds).toBe(12);
  });
});

describe("what a day keeps back", () => {
  it("on a light day, and where nothing heavy may stand, four stay in reserve and no percent is asked", () => {
    expect(asked("back-squat", { more: { loading: "light" } })).toMatchObject({ rir: 4, percent: null, reps: 6 });
    expect(asked("back-squat", { more: { heavyOk: false } })).toMatchObject({ rir: 4, percent: null });
    expect(asked("back-squat", { more: { loading: "bodyweight", heavyOk: false } })).toMatchObject({ rir: 1 });
    const easy = doseOf({ ...LOADED, rir: 5 });
    expect(asked("back-squat", { more: { loading: "light", dose: easy } }).rir).toBe(5);
  });
  it("while restoring, loads are light: six to ten repetitions at 55% at most", () => {
    expect(asked("back-squat", { more: { loading: "restore" } })).toMatchObject({
      repsLow: 6,
      reps: 10,
      capPercent: 55,
    });
    expect(asked("push-up", { more: { loading: "restore" } })).toMatchObject({ repsLow: 8, reps: 12 });
  });
  it("a hinge the day before long rowing; no other lift", () => {
    const choice = { lightHinge: "long rowing tomorrow: the hinge stays light" };
    const hinge = made("romanian-deadlift", { choice });
    expect(hinge.q).toMatchObject({ rir: 4, percent: null });
    expect(hinge.rules).toContain("sport.row-hinge");
    const squat = made("back-squat", { choice });
    expect(squat.q).toMatchObject({ rir: 1, percent: 85 });
    expect(squat.rules).not.toContain("sport.row-hinge");
    expect(made("single-leg-deadlift", { choice, loading: "bodyweight" }).rules).not.toContain("sport.row-hinge");
  });
  it("a loaded hinge that stops at the knee keeps three in reserve, and says until when", () => {
    const choice = { kneeHinge: "until the dowel hinge passes" };
    const hinge = made("rdl-to-knee", { choice });
    expect(hinge.q).toMatchObject({ rir: 3, percent: null });
    expect(hinge.item.why.find((w) => w.rule === "finding.seen")?.text).toContain("until the dowel hinge passes");
    expect(asked("back-squat", { choice })).toMatchObject({ rir: 1, percent: 85 });
    const bare = made("single-leg-deadlift", { choice, loading: "bodyweight" });
    expect(bare.q.rir).toBe(1);
    expect(bare.rules).not.toContain("finding.seen");
  });
  it("a hamstring in trouble does 15 light repetitions where it is loaded, as no other muscle does", () => {
    const choice = { sparedHamstring: true };
    const hinge = made("romanian-deadlift", { choice });
    expect(hinge.q).toMatchObject({ repsLow: 15, reps: 15, rir: 4, percent: null });
    expect(hinge.rules).toContain("choice.trouble");
    expect(asked("back-squat", { choice })).toMatchObject({ reps: 6, rir: 1, percent: 85 });
    const bare = made("romanian-deadlift", { choice, loading: "bodyweight" });
    expect(bare.q.reps).toBe(12);
    expect(bare.rules).not.toContain("choice.trouble");
  });
});

describe("what is taken of it", () => {
  const known = { known: new Set(["back-squat"]) };

  it("what the log asks for, less what missed weeks took, one set at least, and a short session's most", () => {
    const sets = (answer: Partial<LoadAnswer>, slot: Partial<Slot> = {}) =>
      made("back-squat", { answer, slot }).item.sets;
    expect(sets({})).toBe(3);
    expect(sets({ sets: 5 })).toBe(5);
    expect(sets({ sets: 5, setsLess: 1 })).toBe(4);
    expect(sets({ setsLess: 1 })).toBe(2);
    expect(sets({ setsLess: 9 })).toBe(1);
    expect(sets({}, { most: 2 })).toBe(2);
    expect(sets({}, { most: 4 })).toBe(3);
  });
  it("the first time half of them, rounded up, and it says so", () => {
    const first = (id: string, more: Partial<SessionRequest> = {}, slot: Partial<Slot> = {}) => {
      const { item, rules } = made(id, { choice: known, more, slot });
      return [item.sets, rules.includes("first.time")];
    };
    expect(first("front-squat")).toEqual([2, true]);
    expect(first("front-squat", {}, { sets: 4 })).toEqual([2, true]);
    expect(first("front-squat", {}, { sets: 2 })).toEqual([1, true]);
    expect(first("front-squat", {}, { sets: 1 })).toEqual([1, false]);
    expect(first("back-squat")).toEqual([3, false]);
    expect(first("cat-cow")).toEqual([3, false]);
    expect(first("front-squat", { loading: "light" })).toEqual([3, false]);
    expect(made("front-squat", { choice: { known: null } }).item.sets).toBe(3);
    const off = choiceFor(athleteWith({ settings: { rulesOff: ["first.time"] } }), known);
    expect(made("front-squat", { more: { choice: off } }).item.sets).toBe(3);
  });
  it("slow lowering that is new takes half of its sets in the first week of a block", () => {
    const slow = (point: number, step: number) => {
      const { item, rules } = made("split-squat", {
        loading: "bodyweight",
        slot: { kind: "single", sets: 4 },
        more: {
          emphasis: "develop",
          place: home,
          dose: doseOf(LOADED, UNLOADED, "line"),
          placeFor: () => ({ point, why: [] }),
          slowerFor: () => step,
        },
      });
      return [item.sets, rules.includes("grow.unloaded"), item.tempo === exercise("split-squat").tempo];
    };
    expect(slow(0, 0)).toEqual([4, false, true]);
    expect(slow(0, 1)).toEqual([2, true, false]);
    expect(slow(1, 1)).toEqual([4, true, false]);
  });
  it("its repetitions, seconds, rest and tempo as the answer and the dose have them", () => {
    const item = made("back-squat", {
      answer: {
        loadKg: 80,
        perSideKg: [30],
        barKg: 20,
        reps: 4,
        ramp: [{ loadKg: 40, perSideKg: [10], barKg: 20, reps: 5 }],
      },
    }).item;
    expect(item).toMatchObject({
      repsLow: 3,
      reps: 4,
      rir: 1,
      rirAsked: 1,
      loadKg: 80,
      barKg: 20,
      perSideKg: [30],
      restSeconds: LOADED.restSeconds,
      main: true,
      household: null,
      aim: null,
      line: null,
      slow: null,
      decision: null,
      note: null,
      pair: "",
    });
    expect(item.ramp).toHaveLength(1);
    expect(made("back-squat", { answer: { reps: 2 } }).item).toMatchObject({ repsLow: 2, reps: 2 });
    expect(made("back-squat", { answer: { tempo: "5-0-1" } }).item.tempo).toBe("5-0-1");
    expect(made("back-squat").item.tempo).toBe(exercise("back-squat").tempo);
    const slow = doseOf({ ...LOADED, tempo: "3-1-1" });
    expect(made("back-squat", { more: { dose: slow } }).item.tempo).toBe("3-1-1");
  });
  it("says who asked for it and whose sides begin", () => {
    const added = { rule: "finding.seen", title: "Hips drop" } as Slot["added"];
    expect(made("clam", { slot: added ? { added } : {} }).item.added).toBe("Hips drop");
    expect(made("clam").item).toMatchObject({ added: null, firstSide: null, extraSide: null });
    const uneven = athleteWith({ screening: [{ test: "single-leg-squat", date: "2026-02-01", left: 10, right: 14 }] });
    const one = made("split-squat", { more: { choice: choiceFor(uneven) } });
    expect(one.item).toMatchObject({ firstSide: "left", extraSide: null });
    expect(one.rules).toContain("side.first");
    expect(made("back-squat", { more: { choice: choiceFor(uneven) } }).item.firstSide).toBeNull();
  });
});
