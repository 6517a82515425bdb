/**
 * An exercise with its dose, by hand: what its load is asked for, what a day keeps back, how many sets are taken (rules load.light, first.time,
 * choice.trouble, finding.seen, sport.row-hinge, session.slots). Light work keeps four in reserve; a hamstring in trouble does 15 repetitions.
 */
import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { inEveryColumn, layeredAt } from "../../../tests/support/dose";
import { request } from "../../../tests/support/session";
import type { Dose, SessionDose } from "../dose";
import type { ChoiceContext } from "../exercise";
import { say } from "../rulebook";
import { fillSlots, itemFor } from "./fill";
import type { Slot } from "./slots";
import type { Item, LoadAnswer, LoadQuestion, SessionRequest } from "./types";

const base = layeredAt("maximal");
const LOADED = { ...(base.cells.squat.loaded[0] as Dose), repsLow: 3, reps: 6, repsMost: 6, rir: 1, percent: 85 };
const UNLOADED: Dose = { ...LOADED, repsLow: 8, reps: 12, repsMost: 12, percent: null };
const doseOf = (loaded: Dose = LOADED, unloaded: Dose = UNLOADED, kind: "row" | "line" = "row"): SessionDose =>
  inEveryColumn(base, { kind, loaded: [loaded, loaded], unloaded: [unloaded, unloaded] });
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
    expect(q.repsMost).toBeUndefined();
    expect(q.secondsMost).toBe(LOADED.secondsMost);
    expect(q.place.id).toBe("gym");
    expect(asked("wall-sit").secondsMost).toBeUndefined();
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

describe("no more than was clean in a test", () => {
  const tested = (left: number, right: number) =>
    choiceFor(athleteWith({ screening: [{ test: "calf-raise", date: "2026-02-01", left, right }] }));
  const of = (left: number, right: number, a: Asked = {}) =>
    made("calf-raise", { ...a, loading: "bodyweight", more: { ...a.more, choice: tested(left, right) } });
  const capped = (m: ReturnType<typeof made>) => m.item.why.some((w) => w.text.includes("clean"));

  it("repetitions of the same movement end at the weaker side's, and it is said where they do", () => {
    expect(of(9, 14).q).toMatchObject({ repsLow: 8, reps: 9, repsMost: 9 });
    expect(of(5, 14).q).toMatchObject({ repsLow: 5, reps: 5, repsMost: 5 });
    expect(of(12, 14).q).toMatchObject({ repsLow: 8, reps: 12, repsMost: 12 });
    expect(of(11, 14).q).toMatchObject({ reps: 11, repsMost: 11 });
    expect([of(9, 14), of(12, 14), of(13, 14)].map(capped)).toEqual([true, true, false]);
    // The log may ask for more, never beyond what was clean.
    expect(of(9, 14, { answer: { reps: 11 } }).item.reps).toBe(9);
    expect(of(9, 14, { answer: { reps: 7 } }).item.reps).toBe(7);
    expect(capped(of(9, 14, { answer: { reps: 7 } }))).toBe(false);
    expect(made("push-up", { more: { choice: tested(2, 2) } }).q.reps).toBe(12);
  });
  it("has no top of a range where a load has none, and is the coach's own affair by hand", () => {
    const loaded = made("calf-raise", { more: { choice: tested(4, 9) } });
    expect(loaded.q).toMatchObject({ repsLow: 3, reps: 4 });
    expect(loaded.q.repsMost).toBeUndefined();
    const hand = of(5, 9, { hand: { reps: [10, 10] } });
    expect(hand.q.reps).toBe(10);
    expect(hand.item.reps).toBe(10);
    expect(capped(hand)).toBe(false);
  });
});

describe("a lift that is too light here", () => {
  const tooLight = { rule: "heavy.room", text: "Too light for few repetitions." } as const;
  it("takes the dose of work without load, says so, and is slow strength in a maximal week", () => {
    const of = (more: Partial<SessionRequest>) =>
      made("goblet-squat", { slot: { kind: "single" }, more: { tooLightFor: () => tooLight, ...more } });
    const row = of({});
    expect(row.q).toMatchObject({ repsLow: 8, reps: 12 });
    expect(row.item.why).toContain(tooLight);
    expect(row.item.slow).toBeNull();
    const line = doseOf(LOADED, UNLOADED, "line");
    const slow = of({ dose: line });
    // Six repetitions and four more on two legs (rule slow.strength).
    expect(slow.q).toMatchObject({ repsLow: 10, reps: 10, rir: 2, percent: null });
    expect(slow.item.slow).toMatchObject({ strength: true, isNew: true });
    expect(slow.rules).toContain("slow.strength");
    // New slow lowering takes half of its three sets in the first week.
    expect(slow.item.sets).toBe(2);
    expect(
      slow.item.why
        .filter((w) => w.rule === "grow.unloaded")
        .map((w) => w.text)
        .join(),
    ).toMatch(/2.*3/);
    const later = of({ dose: line, placeFor: () => ({ point: 1, why: [] }) });
    expect(later.item.sets).toBeGreaterThan(2);
    expect(made("goblet-squat").item.why).not.toContain(tooLight);
  });
});

describe("what else is told of an item", () => {
  it("the line with its figures, that it is planned ahead of main lifts alone", () => {
    const placed = [{ rule: "block.place", text: say("block.place", "ahead") } as const];
    const of = (slot: Partial<Slot>, answer: Partial<LoadAnswer> = {}, id = "back-squat") =>
      made(id, {
        slot,
        answer,
        more: { dose: doseOf(LOADED, UNLOADED, "line"), placeFor: () => ({ point: 1, why: [...placed] }) },
      });
    expect(of({ kind: "main" }).rules).toContain("block.place");
    expect(of({ kind: "single" }).rules).not.toContain("block.place");
    const line = (m: ReturnType<typeof made>) => m.item.why.find((w) => w.rule === "block.line")?.text;
    expect(line(of({ kind: "main" }))).toMatch(/\b3 x 6\b/);
    expect(line(of({}, { seconds: 33 }, "side-plank"))).toContain("33 s");
    expect(line(of({}, {}, "side-plank"))).toContain(`${UNLOADED.seconds} s`);
    expect(of({ kind: "main" }).item.line).toEqual({ point: 1, of: 2 });
  });
  it("a hinge the day before long rowing says what it keeps", () => {
    const hinge = made("romanian-deadlift", { choice: { lightHinge: "long rowing tomorrow: the hinge stays light" } });
    const said = hinge.item.why.find((w) => w.rule === "sport.row-hinge")?.text ?? "";
    expect(said.toLowerCase()).toContain("long rowing tomorrow");
    expect(said).toContain("4");
  });
  it("heels stay down where ankles are stiff; what of a household makes the load", () => {
    const stiff = athleteWith({ screening: [{ test: "knee-to-wall", date: "2026-02-01", left: 3, right: 3 }] });
    const style = (a = athleteWith()) => made("back-squat", { more: { choice: choiceFor(a) } }).item.style;
    expect(style(stiff)).not.toBe(style());
    expect(style(stiff)).toContain("heels");
    const rucksack = { ...home, rucksack: { emptyKg: 1, maxKg: 21, stepKg: 1 } };
    const held = (loadKg: number | null) =>
      made("split-squat", { answer: { loadKg }, more: { place: rucksack } }).item.household;
    expect(held(6)).toBe("rucksack");
    expect(held(null)).toBeNull();
    expect(made("push-up").item.repsMost).toBe(12);
    expect(made("back-squat").item.repsMost).toBeNull();
  });
});

describe("slots that are filled", () => {
  const slot = (pattern: Slot["pattern"], more: Partial<Slot> = {}): Slot => ({ pattern, kind: "assist", ...more });
  const fill = (slots: readonly Slot[], choice: Partial<ChoiceContext> = {}, more: Partial<SessionRequest> = {}) =>
    fillSlots(slots, request({ choice: choiceFor(athleteWith(), choice), ...more }));
  const stopped = (...ids: string[]) => ({ stopped: new Map(ids.map((id) => [id, `${id}: pain`])) });

  it("one after the other, nothing twice; what nothing is open for is told with its commonest reasons, two at most", () => {
    const made = fill([slot("calf"), slot("calf")]);
    expect(new Set(made.items.map((i) => i.exercise.id)).size).toBe(2);
    expect(made).toMatchObject({ dropped: [], left: [] });
    const none = (s: Slot, choice: Partial<ChoiceContext> = {}) => fill([s], choice).dropped;
    expect(none(slot("calf", { only: ["calf-raise"] }), stopped("calf-raise"))).toEqual([
      { exercise: "calf", why: "no calf exercise is open here: calf-raise: pain" },
    ]);
    const two = ["calf-raise", "double-leg-calf-raise"];
    expect(none(slot("calf", { only: two }), stopped(...two))[0]?.why).toBe(
      "no calf exercise is open here: double-leg-calf-raise: pain; calf-raise: pain",
    );
    const three = [...two, "heel-walk"];
    expect(none(slot("calf", { only: three }), stopped(...three))[0]?.why.split("; ")).toHaveLength(2);
    const same = { stopped: new Map(two.map((id) => [id, "the same pain"])) };
    expect(none(slot("calf", { only: two }), same)[0]?.why).toBe("no calf exercise is open here: the same pain");
    expect(none(slot("calf", { only: ["back-squat"] }))[0]?.why).toBe(
      "no calf exercise is open here: nothing left for this slot",
    );
  });
  it("what it is for stands there already: nothing is missing", () => {
    const once = slot("calf", { only: ["calf-raise"] });
    expect(fill([once, once])).toMatchObject({ dropped: [] });
    expect(fill([once, once]).items).toHaveLength(1);
    const other = slot("calf", { only: ["calf-raise", "heel-walk"] });
    expect(fill([once, slot("calf", { only: ["heel-walk"] }), other]).dropped).toEqual([]);
    const gone = slot("calf", { only: ["heel-walk"] });
    expect(fill([once, gone], stopped("heel-walk")).dropped).toHaveLength(1);
  });
  it("the coach's choice stands in the first one's place, where it is open", () => {
    const [first, second] = fill([slot("calf"), slot("calf")]).items.map((i) => i.exercise.id) as [string, string];
    const swaps = (to: string) => new Map([[first, to]]);
    const of = (to: string, choice: Partial<ChoiceContext> = {}) => fill([slot("calf")], choice, { swaps: swaps(to) });
    expect(of(second).items[0]?.exercise.id).toBe(second);
    expect(of(second).items[0]?.why[0]?.rule).toBe("choice.coach");
    expect(of(second, stopped(second)).items[0]?.exercise.id).toBe(first);
    expect(of(second, stopped(second)).items[0]?.why.map((w) => w.rule)).not.toContain("choice.coach");
    expect(of("back-squat").items[0]?.exercise.id).toBe(first);
    expect(fill([slot("calf")]).items[0]?.why.map((w) => w.rule)).not.toContain("choice.coach");
  });
  it("what safety took out of a leading pattern is named once, the two that would have gone before it", () => {
    const main = (pattern: Slot["pattern"]) => slot(pattern, { kind: "main" });
    const open = fill([main("squat")]).items[0]?.exercise.id as string;
    const left = fill([main("squat"), slot("squat")], stopped(open)).left;
    expect(left.map((l) => l.exercise)).toEqual([open]);
    expect(left[0]).toMatchObject({ why: `${open}: pain`, instead: expect.any(String), name: exercise(open).name });
    // Assistance patterns name nothing, nor does what would have come after.
    const calf = fill([slot("calf")]).items[0]?.exercise.id as string;
    expect(fill([slot("calf")], stopped(calf)).left).toEqual([]);
    const all = [
      "back-squat",
      "front-squat",
      "safety-bar-squat",
      "box-squat",
      "goblet-squat",
      "leg-press",
      "overhead-squat",
    ];
    expect(fill([main("squat")], stopped(...all)).left.length).toBeLessThanOrEqual(2);
    expect(fill([main("squat")], stopped("wall-facing-squat")).left).toEqual([]);
  });
  it("an exercise with other sets or another reserve is said anew; jumps are not", () => {
    const made = fill([slot("calf"), slot("trunk")]);
    const e = made.items[0]?.exercise;
    if (!e) throw new Error("nothing was filled");
    expect(made.again?.get(e)?.(3)).toMatchObject({ sets: 3, rirAsked: made.items[0]?.rirAsked });
    expect(made.again?.get(e)?.(1, 4)).toMatchObject({ sets: 1, rirAsked: 4 });
    expect(made.again?.size).toBe(2);
    const jump = { sets: 2, reps: null, seconds: 10, rest: 40, says: [] };
    const passed = athleteWith({ screening: [{ test: "calf-raise", date: "2026-02-01", left: 30, right: 30 }] });
    const hops = fillSlots([slot("jump", { only: ["ankle-hops"], jump })], request({ choice: choiceFor(passed) }));
    expect(hops.items).toHaveLength(1);
    expect(hops.again?.size).toBe(0);
  });
});
