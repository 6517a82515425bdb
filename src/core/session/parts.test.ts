/**
 * The parts of a session by hand: seconds of alternated work, what gives way first, what is lost, which side begins, slow strength, the most
 * that minutes hold (rules time.parts, trim.order, work.lost, side.first, slow.strength, ledger.fill; common practice and our assumptions).
 */
import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { TRAINED } from "../../../tests/support/dose";
import { built, request, timeOfSession, unit } from "../../../tests/support/session";
import type { Athlete } from "../athlete";
import type { Dose } from "../dose";
import type { Candidate, ChoiceContext } from "../exercise";
import type { SideGap } from "../exercise/sides";
import type { Finding } from "../screening";
import type { DoseAt } from "./dosed";
import { sideFirst } from "./firstSide";
import { isHeavy, isLoadedLower } from "./heavy";
import { lostBy } from "./lost";
import { prescribedOf } from "./prescribed";
import { carriedKg, emphasisText, heldText, isInTwo, slowText } from "./said";
import { lightHere, slowed, slowRow } from "./slow";
import { competes, groupsOf, labelGroups, primerFirst, rampSeconds, setSeconds, totalSeconds } from "./time";
import { keptSets, nextDrop, primarySets, scaleSets, trimPrimary } from "./trim";
import type { Item } from "./types";
import { type Draft, fullest, levelsOf, mostWorth, worthOf } from "./worth";

/** Sets of so many seconds and a rest, on both legs at once. */
const timed = (pair: string, sets: number, seconds: number, restSeconds: number, more: Partial<Item> = {}) =>
  built("push-up", sets, { pair, seconds, restSeconds, ...more });
const parts = (...items: Item[]) => timeOfSession(items, [], 0, 75);
const slot = (pattern: Item["slot"]["pattern"], more: Partial<Item["slot"]> = {}): Item["slot"] => ({
  pattern,
  kind: "assist",
  ...more,
});
const wayBack = { rule: "pathway.stage" } as Finding;

describe("seconds of a session", () => {
  it("alone: each set, its rest, and the set-up", () => {
    expect(parts(timed("1", 2, 30, 60))).toEqual({
      opening: 0,
      warmUp: 0,
      work: 60,
      filledRest: 0,
      emptyRest: 120,
      change: 75,
    });
    expect(timeOfSession([timed("1", 1, 30, 60)], []).opening).toBe(300);
    expect(totalSeconds(timeOfSession([timed("1", 2, 30, 60)], []))).toBe(300 + 60 + 120 + 75);
  });
  it("two alternated: what the partner does is rest filled once", () => {
    // 0-30 A, 30-50 B, A waits for 90, 90-120 A, 120-140 B, A is rested at 180.
    expect(parts(timed("1A", 2, 30, 60), timed("1B", 2, 20, 30))).toMatchObject({
      work: 100,
      emptyRest: 80,
      filledRest: 40,
      change: 150,
    });
    // B rests longest: 0-30 A, 30-50 B, A at 60-90, B waits 20 to 110-130 and rests to 190.
    expect(parts(timed("1A", 2, 30, 30), timed("1B", 2, 20, 60))).toMatchObject({
      work: 100,
      emptyRest: 90,
      filledRest: 40,
    });
  });
  it("unequal sets: the one that is left goes on alone", () => {
    expect(parts(timed("1A", 3, 30, 60), timed("1B", 1, 20, 30))).toMatchObject({
      work: 110,
      emptyRest: 160,
      filledRest: 20,
    });
    expect(parts(timed("1A", 1, 20, 30), timed("1B", 3, 30, 60)).work).toBe(110);
  });
  it("three in turn leave no rest empty between them where they take as long as it", () => {
    const three = parts(timed("1A", 2, 30, 60), timed("1B", 2, 30, 60), timed("1C", 2, 30, 60));
    // 0-30, 30-60, 60-90, again 90-180; the last rests to 240.
    expect(three).toMatchObject({ work: 180, emptyRest: 60, filledRest: 120, change: 225 });
  });
  it("both sides, slower repetitions, one and a half in one", () => {
    const lunge = built("reverse-lunge", 1, { reps: 8 });
    const own = lunge.exercise.secondsPerRep;
    const [down] = lunge.exercise.tempo.split("-").map(Number);
    const slow = { step: 1, half: false, strength: false, isNew: false };
    const tempo = (seconds: number) => lunge.exercise.tempo.replace(/^\d+/, `${seconds}`);
    expect(setSeconds(lunge)).toBe(8 * own * 2);
    expect(setSeconds({ ...lunge, tempo: tempo((down ?? 0) + 2) })).toBe(8 * own * 2);
    expect(setSeconds({ ...lunge, slow, tempo: tempo((down ?? 0) + 2) })).toBe(8 * (own + 2) * 2);
    expect(setSeconds({ ...lunge, slow: { ...slow, half: true }, tempo: tempo((down ?? 0) + 2) })).toBe(
      8 * (own + 2) * 1.5 * 2,
    );
    expect(setSeconds({ ...lunge, slow, tempo: tempo(0) })).toBe(8 * own * 2);
    expect(setSeconds({ ...lunge, reps: null })).toBe(0);
  });
  it("sets that find a load: three of a lead's count, one beside the leads", () => {
    const ramp = (n: number) => Array.from({ length: n }, () => ({ loadKg: 20, perSideKg: [], barKg: 20, reps: 5 }));
    const of = (n: number, kind: "main" | "assist") => rampSeconds({ ramp: ramp(n), slot: slot("squat", { kind }) });
    // 90 seconds each (rule load.warm-up).
    expect([0, 2, 3, 5].map((n) => of(n, "main"))).toEqual([0, 180, 270, 270]);
    expect([0, 1, 5].map((n) => of(n, "assist"))).toEqual([0, 90, 90]);
    const found = timed("1", 1, 30, 60, { ramp: ramp(2), slot: slot("push", { kind: "main" }) });
    const warm = { exercise: "push-up", reps: 5, loadKg: 20, perSideKg: [], barKg: 20 };
    expect(timeOfSession([found], [warm, warm]).warmUp).toBe(360);
  });
});

describe("groups", () => {
  it("are told by their number, and labelled by letters where there are two or three", () => {
    const items = ["1A", "1B", "2", "10A", "10B", "10C"].map((pair) => ({ pair }));
    expect(groupsOf(items).map((g) => g.length)).toEqual([2, 1, 3]);
    expect(labelGroups(groupsOf(items)).map((i) => i.pair)).toEqual(["1A", "1B", "2", "3A", "3B", "3C"]);
    expect(groupsOf([])).toEqual([]);
  });
  it("the set that readies the hamstrings goes before the hinge, and stays where it does already", () => {
    const squat = built("front-squat", 2, { pair: "1" });
    const hinge = built("deadlift", 2, { pair: "2" });
    const primer = built("bridge", 1, { pair: "3A", slot: slot("hip", { primer: true }) });
    const calf = built("calf-raise", 2, { pair: "3B" });
    const order = (...items: Item[]) =>
      labelGroups(primerFirst(groupsOf(items))).map((i) => `${i.pair} ${i.exercise.id}`);
    expect(order(squat, hinge, primer, calf)).toEqual(["1 front-squat", "2A bridge", "2B calf-raise", "3 deadlift"]);
    const before = [
      { ...primer, pair: "1" },
      { ...hinge, pair: "2" },
    ];
    expect(order(...before)).toEqual(["1 bridge", "2 deadlift"]);
    expect(order(squat, { ...primer, pair: "2" })).toEqual(["1 front-squat", "2 bridge"]);
    expect(order(squat, hinge)).toEqual(["1 front-squat", "2 deadlift"]);
  });
  it("say why two compete", () => {
    const of = (a: string, b: string) => competes(built(a, 1), built(b, 1));
    expect(of("split-squat", "front-squat")).toBe("both work the quadriceps");
    expect(of("deadlift", "one-arm-row")).toContain("both tire the");
    expect(of("front-squat", "calf-raise")).toBeNull();
    // A bar and a machine are two stations; a machine and the floor are not.
    const machine = { exercise: exercise("push-up"), loading: "machine" as const };
    expect(competes({ ...built("calf-raise", 1), loading: "bar" }, machine)).toBe("both stand at a station");
    expect(competes(built("calf-raise", 1), machine)).toBeNull();
  });
});

describe("what gives way", () => {
  const squat = built("front-squat", 2, { main: true });
  const told = (...items: Item[]) => {
    const step = nextDrop(items);
    return (
      step && [`${step.dropped.exercise}: ${step.dropped.why}`, step.items.map((i) => `${i.exercise.id} ${i.sets}`)]
    );
  };
  it("mobility: what nobody asked for before what a finding did", () => {
    const [rocks, cat] = [built("ankle-rock", 1, { added: "Ankles" }), built("cat-cow", 1)];
    for (const list of [
      [squat, rocks, cat],
      [squat, cat, rocks],
    ])
      expect(told(...list)).toEqual([
        "cat-cow: mobility goes first when time is short",
        ["front-squat 2", "ankle-rock 1"],
      ]);
    expect(told(squat, rocks)?.[0]).toBe("ankle-rock: mobility goes first when time is short");
    expect(told(rocks, cat)?.[0]).toBe("cat-cow: mobility goes first when time is short");
  });
  it("a second hip exercise, unless a finding asked for it or it readies the hamstrings", () => {
    const [bridge, clam] = [built("bridge", 2), built("clam", 2)];
    expect(told(squat, bridge, clam)).toEqual([
      "clam: the second hip exercise goes when time is short",
      ["front-squat 2", "bridge 2"],
    ]);
    expect(told(squat, bridge, { ...clam, added: "Hips drop" })?.[0]).toBe(
      "bridge: one set fewer, assistance gives way to the main work",
    );
    const primer = built("slider-curl", 1, { slot: slot("hip", { primer: true }) });
    const hinge = built("deadlift", 2, { main: true });
    expect(told(hinge, bridge, primer)?.[0]).toBe("bridge: one set fewer, assistance gives way to the main work");
    expect(told(squat, bridge, primer)?.[0]).toBe("slider-curl: the second hip exercise goes when time is short");
  });
  it("calf, trunk to one set, assistance set by set and the later first, then leads to two", () => {
    const [calf, bug, push] = [built("calf-raise", 2), built("dead-bug", 2), built("push-up", 2)];
    expect(told(squat, calf, bug, push)?.[0]).toBe("calf-raise: calf work goes when time is short");
    expect(told(squat, push, bug)?.[0]).toBe("dead-bug: one set fewer, trunk keeps one set when time is short");
    expect(told(squat, { ...bug, sets: 1 }, push)).toEqual([
      "push-up: one set fewer, assistance gives way to the main work",
      ["front-squat 2", "dead-bug 1", "push-up 1"],
    ]);
    expect(told(squat, { ...push, added: "A finding" }, { ...bug, sets: 1 })?.[0]).toBe(
      "dead-bug: assistance gives way to the main work",
    );
    expect(told({ ...squat, sets: 3 })).toEqual([
      "front-squat: one set fewer, the main lift keeps two sets",
      ["front-squat 2"],
    ]);
    expect(told(squat)).toBeNull();
    // The first squat, hinge or split squat stays though it is no main lift.
    expect(told(built("reverse-lunge", 2))).toBeNull();
    expect(told(calf)?.[0]).toBe("calf-raise: one set fewer, assistance gives way to the main work");
  });
  it("the work of a way back behind all of it, and never the last there is", () => {
    const back = built("calf-raise", 2, { slot: slot("calf", { added: wayBack }) });
    const trunk = built("dead-bug", 2, { slot: slot("trunk", { added: wayBack }) });
    expect(told({ ...squat, sets: 3 }, back)?.[0]).toBe("front-squat: one set fewer, the main lift keeps two sets");
    expect(told(squat, back, trunk)).toEqual([
      "dead-bug: one set fewer, even the work of the way back gives a set where time is this short",
      ["front-squat 2", "calf-raise 2", "dead-bug 1"],
    ]);
    expect(told(squat, { ...back, sets: 1 })).toEqual([
      "calf-raise: even the work of the way back gives a set where time is this short",
      ["front-squat 2"],
    ]);
    expect(told(back)).toBeNull();
  });
  it("the set that readies the hamstrings last of all", () => {
    const primer = built("bridge", 1, { slot: slot("hip", { primer: true }) });
    const hinge = built("deadlift", 2, { main: true });
    expect(told(hinge, primer)).toEqual(["bridge: the set that readies the hamstrings goes last", ["deadlift 2"]]);
    expect(told(hinge, { ...primer, sets: 2 })?.[0]).toBe(
      "bridge: one set fewer, assistance gives way to the main work",
    );
  });
  it("a share takes primary work together and the rest each, never below one", () => {
    const list = [squat, built("push-up", 3), built("calf-raise", 1), built("cat-cow", 2)];
    expect(scaleSets(list, 0.55).map((i) => `${i.exercise.id} ${i.sets}`)).toEqual([
      "front-squat 2",
      "push-up 2",
      "calf-raise 1",
      "cat-cow 2",
    ]);
    expect(scaleSets(list, 1)).toEqual(list);
    expect(scaleSets(list, 1.2)).toEqual(list);
    expect([keptSets(3, 0.1), keptSets(3, 0.5), keptSets(4, 0.6)]).toEqual([1, 2, 2]);
    expect(primarySets(list)).toBe(2);
  });
  it("a primer keeps its set for as long as its hinge stands", () => {
    const primer = built("bridge", 1, { slot: slot("hip", { primer: true }) });
    const hinge = built("deadlift", 3, { main: true });
    const left = (most: number, ...items: Item[]) => trimPrimary(items, most).map((i) => `${i.exercise.id} ${i.sets}`);
    expect(left(3, hinge, primer, built("clam", 1))).toEqual(["deadlift 2", "bridge 1"]);
    expect(left(2, hinge, primer)).toEqual(["deadlift 2", "bridge 1"]);
    expect(left(2, squat, primer)).toEqual(["front-squat 2"]);
  });
});

describe("what a week loses by having a session here", () => {
  const lead = (id: string, sets: number, loading: Item["loading"], kind: "main" | "single" = "main") =>
    built(id, sets, { loading, slot: slot(exercise(id).pattern, { kind }) });
  const given = (id: string, sets: number) =>
    built(id, sets, { slot: slot(exercise(id).pattern, { unit: unit("hip") }) });
  const all = [given("bridge", 2), given("calf-raise", 2), given("dead-bug", 2)];

  it("nothing, where leads are loaded and all of it fits", () => {
    expect(lostBy([lead("front-squat", 3, "bar"), lead("deadlift", 3, "bar"), ...all], request())).toEqual({
      share: 0,
      words: "",
    });
    expect(lostBy([lead("leg-press", 3, "machine"), lead("deadlift", 3, "bar"), ...all], request()).share).toBe(0);
  });
  it("the sets that found no time, and two points for all the work beside", () => {
    const lost = lostBy([lead("front-squat", 3, "bar"), lead("deadlift", 2, "bar"), given("bridge", 2)], request());
    // One of six leads at 12 of 12 points, and four of six others at 2 of 12.
    expect(lost.share).toBeCloseTo(1 / 6 + (2 / 12) * (4 / 6), 9);
    expect(lost.words).toBe("no time for 1 of the week's 6 leading sets and no time for 4 sets of accessory work");
    const week = request({ weekLeads: 12, weekUnits: 12 });
    expect(lostBy([lead("front-squat", 3, "bar"), lead("deadlift", 2, "bar"), given("bridge", 5)], week)).toEqual({
      share: 1 / 12 + (2 / 12) * (1 / 12),
      words: "no time for 1 of the week's 12 leading sets and no time for 1 set of accessory work",
    });
  });
  it("a squat or hinge of a maximal week twice where nothing heavy stands; work on one leg once", () => {
    const bare = lostBy([lead("front-squat", 3, "bodyweight"), lead("deadlift", 3, "pair"), ...all], request());
    expect(bare.share).toBe(2);
    expect(bare.words).toBe("no load for 6 of the week's 6 leading sets");
    const split = request({ leads: [{ pattern: "split-squat", sets: 3 }], weekLeads: 6 });
    expect(lostBy([lead("split-squat", 3, "bodyweight", "single"), ...all], split).share).toBe(0.5);
    expect(lostBy([lead("split-squat", 3, "pair", "single"), ...all], split).share).toBe(0);
  });
  it("less in weeks whose leads are worth less, where a pair of dumbbells is a load", () => {
    const items = [lead("front-squat", 3, "bodyweight"), lead("deadlift", 3, "pair"), ...all];
    // Three of six at 9 of 12 points; 2 of 12; none.
    expect(lostBy(items, request({ emphasis: "develop" })).share).toBeCloseTo(0.5 * 0.75, 9);
    expect(lostBy(items, request({ emphasis: "prepare" })).share).toBeCloseTo(0.5 * (2 / 12), 9);
    expect(lostBy(items, request({ emphasis: "restore" }))).toEqual({ share: 0, words: "" });
    const ladders = request({ choice: choiceFor(athleteWith(), { laddersFirst: true }) });
    expect(lostBy(items, ladders).share).toBe(0);
  });
  it("nothing of a routine, of a session by hand, or of a day without loads", () => {
    for (const more of [
      { loading: "restore" },
      { loading: "bodyweight" },
      { loading: "mobility" },
      { routine: "short" },
      { edit: {} },
    ])
      expect(lostBy([], request(more as Parameters<typeof request>[0]))).toEqual({ share: 0, words: "" });
    expect(lostBy([], request({ loading: "light" })).share).toBeGreaterThan(0);
    // Assistance is no lead, whatever its load.
    expect(lostBy([built("front-squat", 6, { loading: "bar" }), ...all], request()).share).toBe(1);
    expect(lostBy([], request({ leads: [{ pattern: "hip", sets: 3 }], weekLeads: 0, units: [] })).share).toBe(0);
  });
});

describe("the side that begins", () => {
  const screened = (...screening: Athlete["screening"]) => choiceFor(athleteWith({ screening }));
  const test = (name: string, left: number, right: number) =>
    ({ test: name, date: "2026-02-01", left, right }) as Athlete["screening"][number];
  const of = (id: string, c: ChoiceContext) => {
    const found = sideFirst(exercise(id), c);
    return found && `${found.side}${found.extra ? ", a set more" : ""} ${found.why.rule}`;
  };

  it("is the weaker one of the first test that tells its pattern's sides", () => {
    const single = test("single-leg-squat", 10, 14);
    expect(of("split-squat", screened(single))).toBe("left side.first");
    expect(of("split-squat", screened(test("step-down", 14, 10)))).toBe("right side.first");
    expect(of("split-squat", screened(test("step-down", 14, 10), single))).toBe("left side.first");
    expect(of("split-squat", screened(test("single-leg-squat", 14, 14), test("step-down", 14, 10)))).toBe(
      "right side.first",
    );
    expect(of("single-leg-deadlift", screened(test("single-leg-bridge", 10, 20)))).toBe("left side.first");
    expect(of("single-leg-bridge", screened(test("side-hold", 60, 30)))).toBe("right side.first");
    expect(of("calf-raise", screened(test("calf-raise", 15, 25)))).toBe("left side.first");
    expect(of("side-plank", screened(test("side-hold", 30, 60)))).toBe("left side.first");
    expect(of("one-arm-row", screened(single))).toBeNull();
    expect(of("split-squat", screened(test("calf-raise", 15, 25)))).toBeNull();
    // Hip flexors have a test of their own, and no other says anything of them.
    expect(of("march-hold", screened(test("march-hold", 20, 50)))).toBe("left side.first");
    expect(of("march-hold", screened(test("single-leg-bridge", 10, 20)))).toBeNull();
  });
  it("tells both results, the weaker first", () => {
    const found = sideFirst(exercise("split-squat"), screened(test("single-leg-squat", 14, 10)));
    expect(found?.why.text).toContain("10");
    expect(found?.why.text.indexOf("10")).toBeLessThan(found?.why.text.indexOf("14") ?? -1);
  });
  it("is the log's where its sides differ, with a set more where they differ much", () => {
    const gap = (action: SideGap["action"]) =>
      choiceFor(athleteWith({ screening: [test("single-leg-squat", 10, 14)] }), {
        sides: new Map([["split-squat", { weaker: "right", weak: 20, strong: 24, pct: 16.7, sessions: 3, action }]]),
      });
    expect(of("split-squat", gap("act"))).toBe("right, a set more side.match");
    expect(of("split-squat", gap("watch"))).toBe("right side.match");
    expect(of("split-squat", gap("even"))).toBe("left side.first");
    expect(of("reverse-lunge", gap("act"))).toBe("left side.first");
  });
});

describe("slow strength", () => {
  const dose: Dose = {
    sets: 2,
    repsLow: 5,
    reps: 5,
    repsMost: 6,
    rir: 2,
    percent: 80,
    seconds: 20,
    secondsMost: 40,
    restSeconds: 60,
    tempo: null,
  };
  const at = (point: number, kind: DoseAt["kind"] = "line"): DoseAt => ({
    kind,
    dose,
    line: kind === "line" ? { point, of: 5 } : null,
    why: [],
  });
  const candidate = (id: string): Candidate => ({ exercise: exercise(id), loading: "bodyweight", score: 0, parts: [] });
  const bare = candidate("split-squat");
  const two = candidate("box-squat");
  const main = slot("split-squat", { kind: "main" });
  const of = (
    a: DoseAt,
    more: Parameters<typeof request>[0] = {},
    { who = bare, where = main, light = false }: { who?: Candidate; where?: Item["slot"]; light?: boolean } = {},
  ) => slowed(a, who, where, request({ place: home, ...more }, athleteWith(), home), light);

  it("has a row for each loading week, the first before them and the last after", () => {
    // Sets, repetitions, lowering, pause, reserve: rule slow.strength.
    expect([0, 1, 2, 3, 4, 5, 6].map((w) => Object.values(slowRow(w)))).toEqual([
      [3, 6, 3, 0, 2],
      [3, 6, 3, 0, 2],
      [3, 8, 3, 0, 2],
      [3, 6, 4, 2, 2],
      [4, 6, 4, 2, 1],
      [4, 8, 4, 2, 1],
      [4, 8, 4, 2, 1],
    ]);
  });
  it("takes the place of maximal work: sets, repetitions and reserve of its week, four more on two legs", () => {
    expect(of(at(0))?.dose).toMatchObject({ sets: 3, repsLow: 6, reps: 6, repsMost: 6, rir: 2, percent: null });
    expect(of(at(3))?.dose).toMatchObject({ sets: 4, reps: 6, rir: 1 });
    expect(of(at(3))?.tempo).toMatch(/^4-2-/);
    expect(of(at(0), {}, { who: two })?.dose.reps).toBe(10);
    expect(of(at(0, "step-back"))?.dose).toMatchObject({ sets: 2, reps: 6 });
    const easier = { choice: choiceFor(athleteWith(), { gate: { ...choiceFor().gate, ...TRAINED, easier: true } }) };
    expect(of(at(0), easier)?.dose.rir).toBe(3);
    const careful = { choice: choiceFor(athleteWith(), { gate: { ...choiceFor().gate, ...TRAINED, minRir: 4 } }) };
    expect(of(at(0), careful)?.dose.rir).toBe(4);
  });
  it("is new in its first two weeks, and placed like heavy work", () => {
    expect([0, 1, 2].map((p) => of(at(p))?.work.isNew)).toEqual([true, true, false]);
    expect(of(at(0), { slowerFor: () => 1 })?.work).toMatchObject({ step: 1, isNew: false, strength: true });
    expect(of(at(0, "step-back"))?.work.isNew).toBe(false);
    const hip = candidate("single-leg-bridge");
    expect(of(at(0), {}, { who: hip, where: slot("hip", { kind: "single" }) })?.work.isNew).toBe(false);
  });
  it("outside of maximal weeks is the same dose, slower from the first step on", () => {
    const develop = (step: number, point = 0) => of(at(point), { emphasis: "develop", slowerFor: () => step });
    expect(develop(0)).toBeNull();
    expect(develop(1)?.dose).toBe(dose);
    expect(develop(1)?.work).toEqual({ step: 1, half: false, strength: false, isNew: true });
    expect(develop(2)?.work.isNew).toBe(false);
    expect(develop(1, 2)?.work.isNew).toBe(false);
    // Three steps at most in develop, one in prepare.
    expect(develop(9)?.work.step).toBe(3);
    expect(of(at(0), { emphasis: "prepare", slowerFor: () => 9 })?.work.step).toBe(1);
    expect(of(at(0), { slowerFor: () => 9 })?.work).toMatchObject({ step: 4, half: true });
    expect(of(at(0), { slowerFor: () => 9 })?.why.map((w) => w.rule)).toEqual(["slow.strength", "grow.unloaded"]);
    // Assistance of a maximal week, and ladders that come first, are no slow strength.
    expect(of(at(0), { slowerFor: () => 1 }, { where: slot("split-squat") })?.work.strength).toBe(false);
    const ladders = { choice: choiceFor(athleteWith(), { laddersFirst: true }), slowerFor: () => 1 };
    expect(of(at(0), ladders)?.work.strength).toBe(false);
  });
  it("stands where nothing loads the lift, or what does is too light, and nowhere else", () => {
    expect(slowed(at(0), bare, main, request({}, athleteWith(), gym), false)).toBeNull();
    expect(slowed(at(0), bare, main, request({}, athleteWith(), gym), true)?.work.strength).toBe(true);
    expect(of(at(1), { emphasis: "develop", slowerFor: () => 1 }, { light: true })).toBeNull();
    expect(of(at(0, "row"))).toBeNull();
    expect(of(at(0, "hold"))).toBeNull();
    expect(of(at(0), { loading: "light" })).toBeNull();
    expect(of(at(0), { routine: "long" })).toBeNull();
    expect(of(at(0), { edit: {} as never })).toBeNull();
    expect(of(at(0), {}, { where: { ...main, added: wayBack } })).toBeNull();
  });
  it("asks whether the room is too light for few repetitions alone", () => {
    const said = { rule: "heavy.room", text: "too light" } as never;
    const asks = (more: Parameters<typeof request>[0] = {}, where = main, loading: "pair" | "bodyweight" = "pair") =>
      lightHere({ ...bare, loading }, where, request({ tooLightFor: () => said, ...more }));
    for (const emphasis of ["develop", "maximal", "hold"] as const) expect(asks({ emphasis })).toBe(said);
    expect(asks({ emphasis: "prepare" })).toBeNull();
    expect(asks({}, main, "bodyweight")).toBeNull();
    expect(asks({ routine: "long" })).toBeNull();
    expect(asks({ edit: {} as never })).toBeNull();
    expect(asks({}, { ...main, added: wayBack })).toBeNull();
    expect(asks({ tooLightFor: () => null })).toBeNull();
  });
});

describe("heavy", () => {
  const bar = (reps: number, rir: number, percent1rm: number | null = null) =>
    isHeavy(built("back-squat", 1, { loading: "bar", reps, rir, percent1rm }));
  it("is 80% and three in reserve on two legs, eight repetitions and two in reserve on one", () => {
    expect([bar(5, 3, 80), bar(5, 3, 79.9), bar(5, 4, 85)]).toEqual([true, false, false]);
    // Without a 1RM: eight to failure are 80.6%, nine 77.8%.
    expect([bar(5, 3), bar(6, 3)]).toEqual([true, false]);
    const one = (reps: number, rir: number) =>
      isHeavy(built("split-squat", 1, { loading: "pair", reps, rir, percent1rm: null }));
    expect([one(8, 2), one(9, 2), one(8, 3)]).toEqual([true, false, false]);
    expect(isHeavy(built("back-squat", 1, { loading: "bar", reps: null, rir: 1, percent1rm: 90 }))).toBe(false);
    expect(isHeavy(built("one-arm-row", 1, { loading: "single", reps: 5, rir: 1, percent1rm: 90 }))).toBe(false);
    expect(isLoadedLower(built("back-squat", 1, { loading: "bodyweight" }))).toBe(false);
    expect(isLoadedLower(built("deadlift", 1, { loading: "bar" }))).toBe(true);
  });
});

describe("the most that minutes hold", () => {
  const offer = (rest: number, weekly: number, levels: number[] = [2, 1, 0]) => ({
    item: built("push-up", 2, { slot: slot("push", { unit: unit("push", { rest, weekly }) }) }),
    levels,
  });
  const within = (limit: number, ...offers: Draft["offers"]): Draft => ({
    offers,
    limit,
    secondsOf: (sets) => sets.reduce((a, n) => a + 10 * n, 0),
  });
  it("a set is worth what it takes off what is owed, squared over the week's", () => {
    const of = (sets: number) => worthOf(unit("push", { rest: 2, weekly: 3 }), sets);
    expect(of(1)).toBeCloseTo(1, 9);
    expect(of(2)).toBeCloseTo(4 / 3, 9);
    expect(of(3)).toBeCloseTo(4 / 3, 9);
    expect(of(0)).toBe(0);
  });
  it("sets from the most down to the least, none last; a finding's keeps one", () => {
    expect(levelsOf({ sets: 3, added: null }, 2)).toEqual([3, 2, 0]);
    expect(levelsOf({ sets: 3, added: null }, 5)).toEqual([3, 0]);
    expect(levelsOf({ sets: 3, added: "A finding" }, 2)).toEqual([3, 2, 1]);
    expect(levelsOf({ sets: 1, added: null }, 0)).toEqual([1, 0]);
  });
  it("by worth, then the fewer exercises, then the earlier", () => {
    // One set of the first is worth 1.5, two 2; of the second 0.75 and 1.
    const two = (limit: number) => mostWorth(within(limit, offer(2, 2), offer(2, 4)));
    expect([40, 30, 20, 10, 0].map(two)).toEqual([
      [2, 2],
      [2, 1],
      [1, 1],
      [1, 0],
      [0, 0],
    ]);
    expect(two(-1)).toBeNull();
    // Two sets of one are worth as much as one set of each of two.
    const single = offer(1, 1, [1, 0]);
    expect(mostWorth(within(20, single, single, offer(2, 2, [2, 0])))).toEqual([0, 0, 2]);
    expect(mostWorth(within(20, offer(2, 2, [2, 0]), offer(2, 2, [2, 0])))).toEqual([2, 0]);
    // What has no account is worth nothing, and stands where it may not go.
    expect(mostWorth(within(20, { item: built("push-up", 1), levels: [1] }, single))).toEqual([1, 1]);
    expect(mostWorth(within(10, { item: built("push-up", 1), levels: [1] }, single))).toEqual([1, 0]);
    expect(mostWorth(within(9, { item: built("push-up", 1), levels: [1] }, single))).toBeNull();
  });
  it("choices none of which is less than another in everything", () => {
    const two = (limit: number) => fullest(within(limit, offer(2, 2), offer(2, 2)));
    expect(two(40)).toEqual([[2, 2]]);
    expect(two(30)).toEqual([
      [2, 1],
      [1, 2],
    ]);
    expect(two(10)).toEqual([
      [1, 0],
      [0, 1],
    ]);
    expect(two(0)).toEqual([[0, 0]]);
    expect(two(-1)).toEqual([]);
  });
});

describe("what is kept and said of an item", () => {
  it("what was asked for, as the floor tells it", () => {
    expect(prescribedOf(built("back-squat", 3, { reps: 5, repsLow: 4, repsMost: 6, rir: 7, loadKg: 60 }))).toEqual({
      sets: 3,
      reps: 5,
      repsLow: 4,
      most: 6,
      rir: 5,
      loadKg: 60,
    });
    expect(prescribedOf(built("side-plank", 2, { reps: null, repsLow: null, repsMost: 5, seconds: 30 }))).toEqual({
      sets: 2,
      most: 5,
      seconds: 30,
      rir: 2,
    });
    const slow = { step: 4, half: true, strength: true, isNew: false };
    expect(prescribedOf(built("split-squat", 3, { repsMost: 5, tempo: "4-2-1", slow }))).toEqual({
      sets: 3,
      reps: 5,
      repsLow: 5,
      rir: 2,
      tempo: "4-2-1",
      half: true,
    });
    expect(prescribedOf(built("split-squat", 3, { slow: { ...slow, half: false } }))).not.toHaveProperty("half");
  });
  it("how a load is held, and what each piece of it weighs", () => {
    const held = (loading: Item["loading"], household: Item["household"] = null, loadKg: number | null = 12) => ({
      loading,
      household,
      loadKg,
    });
    expect([held("pair"), held("pair", "bottles"), held("pair", "rucksack")].map(heldText)).toEqual([
      "one in each hand",
      "a bottle in each hand",
      "rucksack, on the back",
    ]);
    expect([held("single"), held("single", "bottles"), held("single", "rucksack")].map(heldText)).toEqual([
      "one, held",
      "one bottle, held",
      "rucksack, held",
    ]);
    expect([held("bar"), held("pair", null, null)].map(heldText)).toEqual(["", ""]);
    expect([held("pair"), held("pair", "rucksack"), held("single", "rucksack")].map(carriedKg)).toEqual([12, 24, 12]);
    expect(carriedKg(held("bar", null, null))).toBe(0);
    expect([held("pair"), held("pair", "bottles"), held("pair", "rucksack"), held("single")].map(isInTwo)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
  it("slow strength by its name, and slower work by its seconds", () => {
    expect(emphasisText({ emphasis: "maximal", slow: true })).toBe("slow strength");
    expect(emphasisText({ emphasis: "maximal", slow: false })).toBe("maximal");
    const slow = { step: 1, half: false, strength: false, isNew: false };
    expect(slowText({ slow: null, tempo: "4-2-1" })).toBe("");
    expect(slowText({ slow, tempo: "4-0-1" })).toBe("4 s down");
    expect(slowText({ slow: { ...slow, half: true }, tempo: "4-2-1" })).toBe(
      "4 s down, 2 s at depth, one and a half in one",
    );
  });
});
