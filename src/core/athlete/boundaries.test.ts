/** Both sides of the boundaries of the gate, of windows and absences, of presets, and of one log on two devices. */
import { describe, expect, it } from "vitest";
import { athleteWith, START } from "../../../tests/support/athlete";
import { addDays } from "../dates";
import { safetyGate } from "./gate";
import { isRoutine, routineLabel } from "./kinds";
import { cleanReps, lengthOf, setsOnce, topLoad } from "./logged";
import { mergeLogs } from "./mergeLogs";
import { placeFrom } from "./presets";
import { isOn } from "./switches";
import type { Athlete, ClearanceRule, LoggedSet, StrengthLog } from "./types";
import { awayOn, hasAbsence, overlappingWindows, placeById, windowsOfWeek } from "./windows";

const MONDAY = "2026-03-02";

describe("the gate's reasons", () => {
  const rulesOf = (a: Athlete) => safetyGate(a, MONDAY).why.map((w) => w.rule);
  const limits = (...rules: ClearanceRule[]) =>
    athleteWith({
      health: { clearanceNeeded: true, clearance: { date: START, by: "Dr. Example", limits: "", rules }, areas: [] },
    });
  it("are none for a healthy athlete of 35, one for each thing that holds", () => {
    expect(rulesOf(athleteWith())).toEqual([]);
    expect(rulesOf(athleteWith({}, { birthYear: 2010 }))).toEqual(["gate.minor"]);
    expect(rulesOf(athleteWith({}, { birthYear: 1976 }))).toEqual(["gate.masters"]);
    expect(rulesOf(athleteWith({}, { birthYear: 1977 }))).toEqual([]);
    expect(rulesOf(athleteWith({}, { birthYear: 1950 }))).toEqual(["gate.masters"]);
    expect(rulesOf(athleteWith({ health: { clearanceNeeded: true, areas: [] } }))).toEqual(["gate.clearance"]);
    expect(rulesOf(limits())).toEqual([]);
    expect(rulesOf(limits("moderate-effort"))).toEqual(["gate.limits"]);
    expect(rulesOf(limits("no-supine", "no-impact"))).toEqual(["gate.limits", "gate.limits"]);
  });
  it("say different things of 50 and 65, of what is needed and what bone stress asks, and name the reserve", () => {
    const text = (a: Athlete) => safetyGate(a, MONDAY).why[0]!.text;
    expect(text(athleteWith({}, { birthYear: 1950 }))).not.toBe(text(athleteWith({}, { birthYear: 1970 })));
    const bone = { area: "bone-stress" as const, side: "left" as const, status: "current" as const };
    const needed = text(athleteWith({ health: { clearanceNeeded: true, areas: [] } }));
    expect(text(athleteWith({ health: { clearanceNeeded: false, areas: [bone] } }))).not.toBe(needed);
    expect(text(athleteWith({ health: { clearanceNeeded: true, areas: [bone] } }))).toBe(needed);
    expect(text(athleteWith({}, { birthYear: 2010 }))).toContain("2");
    expect(text(limits("moderate-effort"))).toContain("4");
    expect(text(limits("no-supine"))).not.toBe(text(limits("no-impact")));
  });
  it("count training on from the season's start, never back, and step back every third week for new lifters", () => {
    const at = (months: number, on: string) => safetyGate(athleteWith({}, { strengthTrainingMonths: months }), on);
    expect(at(2, START).training).toBe("new");
    // A month of the calendar's mean length later: three months.
    expect(at(2, addDays(START, 30)).training).toBe("new");
    expect(at(2, addDays(START, 31)).training).toBe("novice");
    expect(at(3, addDays(START, -60)).training).toBe("novice");
    expect(at(0, START).stepBackEvery).toBe(3);
    expect(at(3, START).stepBackEvery).toBe(4);
  });
});

describe("windows of a week", () => {
  const change = (...changes: NonNullable<Athlete["changes"]>) => athleteWith({ changes });
  const of = (a: Athlete) => windowsOfWeek(a, MONDAY).map((w) => `${w.date} ${w.start} ${w.minutes} ${w.place}`);
  const usual = ["2026-03-03 1050 90 gym", "2026-03-05 1080 75 gym"];
  const window = (date: string, start: string, minutes = 60, place = "gym") =>
    ({ kind: "window", date, start, minutes, place }) as const;
  const closed = (place: string, start: string, end: string, instead?: string) =>
    ({ kind: "closed", place, start, end, ...(instead ? { instead } : {}) }) as const;

  it("are the usual ones, with those of one date from Monday to Sunday, in order of time", () => {
    expect(of(athleteWith())).toEqual(usual);
    expect(of(change(window(MONDAY, "07:00"), window("2026-03-08", "09:00")))).toEqual([
      "2026-03-02 420 60 gym",
      ...usual,
      "2026-03-08 540 60 gym",
    ]);
    expect(of(change(window("2026-03-01", "07:00"), window("2026-03-09", "07:00")))).toEqual(usual);
    expect(of(change(window("2026-03-03", "07:00")))).toEqual(["2026-03-03 420 60 gym", ...usual]);
    expect(of(change(window("2026-03-04", "07:00", 60, "cellar")))).toEqual(usual);
  });
  it("of one date take the place of usual ones they overlap, and a later one that of an earlier", () => {
    // The usual one is 17:30 to 19:00: what ends or begins with it does not overlap.
    expect(of(change(window("2026-03-03", "16:30")))).toEqual(["2026-03-03 990 60 gym", ...usual]);
    expect(of(change(window("2026-03-03", "16:31")))).toEqual(["2026-03-03 991 60 gym", usual[1]]);
    expect(of(change(window("2026-03-03", "19:00")))).toEqual([usual[0], "2026-03-03 1140 60 gym", usual[1]]);
    expect(of(change(window("2026-03-03", "18:59")))).toEqual(["2026-03-03 1139 60 gym", usual[1]]);
    expect(of(change(window("2026-03-04", "17:30")))).toEqual([usual[0], "2026-03-04 1050 60 gym", usual[1]]);
    expect(of(change(window("2026-03-04", "10:00"), window("2026-03-04", "10:30")))).toEqual([
      usual[0],
      "2026-03-04 630 60 gym",
      usual[1],
    ]);
  });
  it("at a closed place are gone from the first day to the last, or are at the other place", () => {
    expect(of(change(closed("gym", "2026-03-03", "2026-03-03")))).toEqual([usual[1]]);
    expect(of(change(closed("gym", "2026-03-04", "2026-03-04")))).toEqual(usual);
    expect(of(change(closed("gym", "2026-03-01", "2026-03-05")))).toEqual([]);
    expect(of(change(closed("home", "2026-03-01", "2026-03-09")))).toEqual(usual);
    expect(of(change(closed("gym", "2026-03-05", "2026-03-09", "home")))).toEqual([
      usual[0],
      "2026-03-05 1080 75 home",
    ]);
  });
  it("are gone at a place that is not listed", () => {
    const nowhere = { day: 3, start: "18:00", minutes: 60, place: "old-gym" };
    expect(of(athleteWith({ availability: [nowhere] }))).toEqual([]);
  });
  it("stay in heat and at height without a place, and go with a holiday", () => {
    const away = (kind: "heat" | "height" | "holiday") =>
      of(
        athleteWith({
          away: [
            { start: MONDAY, end: MONDAY, kind },
            { start: "2026-03-03", end: "2026-03-03", kind },
          ],
        }),
      );
    expect(away("heat")).toEqual(usual);
    expect(away("height")).toEqual(usual);
    expect(away("holiday")).toEqual([usual[1]]);
  });
  it("overlap by a minute, not where one ends as the other begins", () => {
    const w = (start: string, minutes: number, day = 1) => ({ day, start, minutes, place: "gym" });
    expect(overlappingWindows([w("18:00", 60), w("19:00", 60)])).toEqual([]);
    expect(overlappingWindows([w("19:00", 60), w("18:00", 60)])).toEqual([]);
    expect(overlappingWindows([w("18:00", 60), w("10:00", 30), w("18:59", 60)])).toEqual([[0, 2]]);
    expect(overlappingWindows([w("18:59", 60), w("18:00", 60), w("07:00", 60, 2), w("07:30", 60, 2)])).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });
});

describe("absences and places", () => {
  it("cover their first and last day", () => {
    const a = { away: [{ start: "2026-03-03", end: "2026-03-05", kind: "travel" as const }] };
    const on = (day: number) => awayOn(a, `2026-03-0${day}`) !== undefined;
    expect([2, 3, 5, 6].map(on)).toEqual([false, true, true, false]);
  });
  it("make a week unlike others on any of its seven days, where they are illness, travel or holiday", () => {
    const has = (date: string, kind: "illness" | "travel" | "holiday" | "heat" | "height") =>
      hasAbsence({ away: [{ start: date, end: date, kind }] }, MONDAY);
    for (const kind of ["illness", "travel", "holiday"] as const) expect(has("2026-03-04", kind), kind).toBe(true);
    for (const kind of ["heat", "height"] as const) expect(has("2026-03-04", kind), kind).toBe(false);
    expect([has(MONDAY, "illness"), has("2026-03-08", "illness")]).toEqual([true, true]);
    expect([has("2026-03-01", "illness"), has("2026-03-09", "illness")]).toEqual([false, false]);
    expect(hasAbsence({ away: [] }, MONDAY)).toBe(false);
  });
  it("are found by their id", () => {
    expect(placeById(athleteWith(), "home")?.id).toBe("home");
    expect(placeById(athleteWith(), "cellar")).toBeUndefined();
  });
});

describe("what the presets hold (our assumption, counted by hand)", () => {
  const LB = 0.45359237;
  const pairsOf = (masses: number[], unit = 1) => masses.map((m) => ({ massKg: m * unit, count: 2 }));
  const plates = (list: [number, number][], unit = 1) => list.map(([m, pairs]) => ({ massKg: m * unit, pairs }));
  it("stairs, a chair, a wall and a towel in the door at a bare home; a rucksack and bottles beside them", () => {
    const { id: _, ...bare } = placeFrom("bare-home", "x");
    expect(bare).toEqual({
      bars: [],
      plates: [],
      dumbbellsKg: [],
      kettlebellsKg: [],
      bands: [],
      boxesCm: [],
      machines: [],
      other: ["step", "wall", "chair", "towel", "door-anchor"],
      stairsCm: 18,
    });
    expect(placeFrom("home-rucksack", "x")).toEqual({
      id: "x",
      ...bare,
      rucksack: { emptyKg: 1, maxKg: 16, stepKg: 1.5 },
      bottlesKg: [1.5, 1.5],
    });
    expect(placeFrom("bare-home", "x", "lb")).toEqual(placeFrom("bare-home", "x"));
  });
  it("three pairs and a bell at home", () => {
    expect(placeFrom("home-weights", "x")).toMatchObject({
      dumbbellsKg: pairsOf([5, 8, 12]),
      kettlebellsKg: [{ massKg: 12, count: 1 }],
      bands: ["light", "medium"],
      other: ["step", "sliders"],
      bars: [],
      machines: [],
    });
    expect(placeFrom("home-weights", "x", "lb")).toMatchObject({
      dumbbellsKg: pairsOf([10, 15, 25], LB),
      kettlebellsKg: [{ massKg: 25 * LB, count: 1 }],
    });
  });
  it("bars, plates, bells and machines at a club", () => {
    expect(placeFrom("club-gym", "x")).toEqual({
      id: "x",
      bars: [
        { id: "bar-20", kind: "straight", massKg: 20 },
        { id: "bar-15", kind: "straight", massKg: 15 },
        { id: "trap-bar", kind: "trap", massKg: 25 },
      ],
      plates: plates([
        [20, 3],
        [15, 1],
        [10, 2],
        [5, 2],
        [2.5, 2],
        [1.25, 1],
      ]),
      dumbbellsKg: pairsOf([4, 6, 8, 10, 12, 14, 16, 18, 20, 22]),
      kettlebellsKg: [8, 12, 16, 20, 24].map((massKg) => ({ massKg, count: 1 })),
      bands: ["light", "medium", "strong"],
      boxesCm: [20, 40, 60],
      machines: [
        { kind: "leg-press", fromKg: 20, toKg: 240, stepKg: 10 },
        { kind: "cable", fromKg: 5, toKg: 90, stepKg: 5 },
      ],
      other: ["bench", "rack", "step", "sliders", "ball"],
    });
    expect(placeFrom("club-gym", "x", "lb")).toMatchObject({
      bars: [45, 35, 45].map((m) => ({ massKg: m * LB })),
      plates: plates(
        [
          [45, 3],
          [25, 2],
          [10, 2],
          [5, 2],
          [2.5, 1],
        ],
        LB,
      ),
      dumbbellsKg: pairsOf([10, 15, 20, 25, 30, 35, 40, 50], LB),
      kettlebellsKg: [18, 26, 35, 44, 53].map((m) => ({ massKg: m * LB, count: 1 })),
      machines: [
        { kind: "leg-press", fromKg: 20 * LB, toKg: 500 * LB, stepKg: 20 * LB },
        { kind: "cable", fromKg: 5 * LB, toKg: 200 * LB, stepKg: 10 * LB },
      ],
    });
  });
});

describe("labels, switches and what a log says", () => {
  it("D is no session that is fitted, E to K are the routines of Monday to Sunday", () => {
    expect([1, 2, 3, 4, 5, 6, 7].map(routineLabel)).toEqual(["E", "F", "G", "H", "I", "J", "K"]);
    expect((["A", "B", "C", "D", "E", "K"] as const).map(isRoutine)).toEqual([false, false, false, false, true, true]);
  });
  it("a rule is on unless the athlete's settings have it off, also by an older name", () => {
    const off = (...rulesOff: string[]) => ({ settings: { rulesOff } });
    expect(isOn({}, "stepback.every")).toBe(true);
    expect(isOn(off(), "stepback.every")).toBe(true);
    expect(isOn(off("race.b"), "stepback.every")).toBe(true);
    expect(isOn(off("race.b", "stepback.every"), "stepback.every")).toBe(false);
    expect(isOn(off("mileage.jump"), "mileage.increase")).toBe(false);
  });
  it("what a log leaves out is taken as usual, what it says is taken", () => {
    // Rule log.unsaid: 18:00, 50 minutes, effort 6 (our assumption).
    expect(lengthOf({})).toEqual({ start: 18 * 60, minutes: 50, stress: 300 });
    expect(lengthOf({ start: "07:15", minutes: 40, rpe: 7 })).toEqual({ start: 435, minutes: 40, stress: 280 });
  });
  it("counts sides once, and the heaviest load", () => {
    const s = (side: LoggedSet["side"], loadKg?: number): LoggedSet => ({
      reps: 5,
      side,
      ...(loadKg === undefined ? {} : { loadKg }),
    });
    expect(setsOnce({ sets: [s("left"), s("right"), s("left"), s("right")] })).toHaveLength(2);
    expect(setsOnce({ sets: [s("both"), s("both")] })).toHaveLength(2);
    expect(topLoad({ sets: [s("both", 40), s("both", 60), s("both"), s("both", 50)] })).toBe(60);
    expect(topLoad({ sets: [s("both")] })).toBeNull();
    expect([{ reps: 5 }, { reps: 5, clean: 3 }, { seconds: 20 }].map((x) => cleanReps({ side: "both", ...x }))).toEqual(
      [5, 3, 0],
    );
  });
});

describe("one log on two devices, set by set", () => {
  const at = (second: number | null, reps: number, more: Partial<LoggedSet> = {}): LoggedSet => ({
    reps,
    side: "both",
    ...(second === null ? {} : { at: `2026-03-03T18:00:0${second}.000Z` }),
    ...more,
  });
  const log = (...sets: LoggedSet[]): StrengthLog => ({
    date: "2026-03-03",
    label: "A",
    items: [{ exercise: "back-squat", sets }],
  });
  const empty: StrengthLog = { date: "2026-03-03", label: "A", items: [] };
  const sets = (base: StrengthLog | null, mine: StrengthLog, theirs: StrengthLog | null) =>
    mergeLogs(base, mine, theirs).items[0]?.sets ?? [];

  it("one moment is one set, as this device has it now", () => {
    expect(sets(log(at(1, 5)), log(at(1, 6)), log(at(1, 5)))).toEqual([at(1, 6)]);
    expect(sets(null, log(at(1, 6)), log(at(1, 5)))).toEqual([at(1, 6)]);
    expect(sets(null, log(at(1, 5)), log(at(2, 5)))).toEqual([at(1, 5), at(2, 5)]);
    // One of them has no moment: they are two.
    expect(sets(null, log(at(null, 5)), log(at(2, 5)))).toHaveLength(2);
    expect(sets(null, log(at(1, 5)), log(at(null, 5)))).toHaveLength(2);
  });
  it("two equal sets without a moment are paired one to one", () => {
    expect(sets(null, log(at(null, 5), at(null, 5)), log(at(null, 5)))).toHaveLength(2);
    expect(sets(null, log(at(null, 5)), log(at(null, 5), at(null, 5)))).toHaveLength(2);
  });
  it("sets stand in the order of their moments, or as they came where one has none", () => {
    expect(sets(null, log(at(1, 1)), log(at(2, 2), at(3, 3))).map((s) => s.reps)).toEqual([1, 2, 3]);
    expect(sets(null, log(at(3, 3), at(1, 1)), log(at(2, 2))).map((s) => s.reps)).toEqual([1, 2, 3]);
    expect(sets(null, log(at(1, 1)), log(at(2, 2), at(null, 9))).map((s) => s.reps)).toEqual([2, 9, 1]);
  });
  it("what is on one side alone comes over, and what was gone before stays gone", () => {
    expect(mergeLogs(null, log(at(1, 5)), null).items).toEqual(log(at(1, 5)).items);
    expect(mergeLogs(null, empty, log(at(1, 5))).items).toEqual(log(at(1, 5)).items);
    expect(mergeLogs(null, log(at(1, 5)), empty).items).toEqual(log(at(1, 5)).items);
    expect(mergeLogs(empty, log(at(1, 5)), empty).items).toEqual(log(at(1, 5)).items);
    expect(mergeLogs(log(at(1, 5)), log(at(1, 5)), empty).items).toEqual([]);
  });
  it("pain is what was said, by whoever said it, and the worse of two", () => {
    const hurt = (pain?: number): StrengthLog => ({
      ...log(at(1, 5)),
      items: [{ exercise: "back-squat", sets: [at(1, 5)], ...(pain === undefined ? {} : { pain }) }],
    });
    const pain = (base?: number, mine?: number, theirs?: number) =>
      mergeLogs(hurt(base), hurt(mine), hurt(theirs)).items[0]!.pain;
    expect(pain(1, 1, 4)).toBe(4);
    expect(pain(1, 4, 1)).toBe(4);
    expect(pain(1, 2, 4)).toBe(4);
    expect(pain(1, 4, 2)).toBe(4);
    expect(pain(1, 0, undefined)).toBe(0);
    expect(pain(1, undefined, 3)).toBe(3);
    expect(pain(undefined, undefined, undefined)).toBeUndefined();
  });
});
