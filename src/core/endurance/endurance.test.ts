import { describe, expect, it } from "vitest";
import type { EnduranceSession } from "../athlete/types";
import { addDays } from "../dates";
import { backgrounds, changeAgainstOrdinary, weekFigures, weeklyFigures, weightedMeans } from "./figures";
import { isKey, isLegHeavy, legLoad, legShare, startOf } from "./load";
import { mileageRule } from "./mileage";

const MONDAY = "2026-03-02";
const run = (more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date: MONDAY,
  sport: "run",
  kind: "easy",
  minutes: 50,
  ...more,
});

describe("what stands in for what is missing", () => {
  // Handbook section 10, house values.
  it("takes seven in the morning, and a key flag by kind", () => {
    expect(startOf(run())).toBe(420);
    expect(startOf(run({ start: "18:30" }))).toBe(1110);
    expect(
      ["tempo", "threshold", "intervals", "race", "long"].every((kind) =>
        isKey(run({ kind: kind as EnduranceSession["kind"] })),
      ),
    ).toBe(true);
    expect(
      ["easy", "steady", "technique", "other"].some((kind) => isKey(run({ kind: kind as EnduranceSession["kind"] }))),
    ).toBe(false);
    expect(isKey(run({ kind: "intervals", key: false }))).toBe(false);
  });
  it("weighs sports by how much falls on the legs", () => {
    const loads = (["run", "hike", "row", "ride", "swim"] as const).map((sport) =>
      legLoad(run({ sport, rpe: 10, minutes: 100 })),
    );
    expect(loads).toEqual([1000, 800, 600, 500, 150]);
  });
  it("lets pack and descent raise a hike's share, up to a ceiling", () => {
    const hike = (more: Partial<EnduranceSession>) => legShare(run({ sport: "hike", ...more }));
    expect(hike({ packKg: 10 })).toBeCloseTo(0.9, 9);
    expect(hike({ descentM: 1500 })).toBeCloseTo(0.95, 9);
    // Only the ascent known: as much down as up.
    expect(hike({ ascentM: 1000, packKg: 10 })).toBeCloseTo(1, 9);
    expect(hike({ descentM: 5000, packKg: 30 })).toBe(1.2);
  });
  it("knows leg-heavy work", () => {
    expect(isLegHeavy(run({ minutes: 61 }))).toBe(true);
    expect(isLegHeavy(run({ minutes: 60 }))).toBe(false);
    expect(isLegHeavy(run({ sport: "ride", minutes: 200 }))).toBe(false);
    expect(isLegHeavy(run({ sport: "ride", kind: "long" }))).toBe(true);
  });
});

describe("weekly figures", () => {
  it("add up distance, ascent, minutes and the longest session", () => {
    const w = weekFigures(MONDAY, [
      run({ distanceKm: 8.1, ascentM: 90 }),
      run({ date: addDays(MONDAY, 5), kind: "long", minutes: 140, distanceKm: 22.4, ascentM: 820, rpe: 5 }),
    ]);
    expect(w).toMatchObject({ minutes: 190, ascentM: 910, longestMinutes: 140, sessions: 2, load: 850 });
    expect(w.distanceKm).toBeCloseTo(30.5, 9);
  });
  it("are even where every day is the same, and done when all of it is", () => {
    const days = Array.from({ length: 7 }, (_, i) => run({ date: addDays(MONDAY, i), done: true }));
    expect(weekFigures(MONDAY, days)).toMatchObject({ monotony: null, strain: null, done: true });
    expect(weekFigures(MONDAY, [run({ done: true }), run()]).done).toBe(false);
  });
  it("include empty weeks between", () => {
    expect(
      weeklyFigures({ endurance: [run(), run({ date: addDays(MONDAY, 15) })] }, MONDAY, addDays(MONDAY, 14)).map(
        (w) => w.sessions,
      ),
    ).toEqual([1, 0, 1]);
  });
});

describe("what lies behind a week", () => {
  it("gives weighted means at its end and the longest session of the 30 days before", () => {
    const sessions = [
      run({ date: addDays(MONDAY, -31), minutes: 200 }),
      run({ date: addDays(MONDAY, -30), minutes: 150 }),
      run({ date: addDays(MONDAY, 3), minutes: 180 }),
    ];
    const [first, second] = backgrounds(sessions, [{ start: MONDAY }, { start: addDays(MONDAY, 7) }]);
    expect(first!.longestBefore).toBe(150);
    expect(second!.longestBefore).toBe(180);
    const daily = new Array(63).fill(0);
    daily[56 - 31] = 600;
    daily[56 - 30] = 450;
    daily[56 + 3] = 540;
    expect(first!.shortMean).toBeCloseTo(weightedMeans(daily, 7).at(-1)!, 9);
    expect(first!.longMean).toBeCloseTo(weightedMeans(daily, 28).at(-1)!, 9);
  });
  it("is empty where there is nothing", () => {
    expect(backgrounds([], [])).toEqual([]);
    expect(backgrounds([], [{ start: MONDAY }])).toEqual([{ shortMean: 0, longMean: 0, longestBefore: null }]);
  });
});

describe("change and mileage rules", () => {
  const weeks = (km: number[]) =>
    km.map((k, i) =>
      weekFigures(
        addDays(MONDAY, i * 7),
        k ? [run({ date: addDays(MONDAY, i * 7), distanceKm: k, minutes: k * 6 })] : [],
      ),
    );
  const all = () => true;
  it("compare with the mean of the last three ordinary weeks", () => {
    const change = changeAgainstOrdinary(weeks([30, 40, 50, 44]), 3, all);
    expect(change.distancePct).toBeCloseTo(10, 9);
    expect(change.against).toHaveLength(3);
    expect(changeAgainstOrdinary(weeks([30, 40, 20, 44]), 3, (i) => i !== 2).distancePct).toBeCloseTo(
      (44 / 35 - 1) * 100,
      9,
    );
    expect(changeAgainstOrdinary(weeks([44]), 0, all).distancePct).toBeNull();
    expect(changeAgainstOrdinary(weeks([40, 0, 44]), 2, all).against).toHaveLength(1);
  });
  // Handbook section 10 (common practice; the numbers are our assumption).
  it.each([
    [10, 1, false, null],
    [10.1, 2 / 3, false, "mileage.jump"],
    [30, 2 / 3, false, "mileage.jump"],
    [30.1, 0.5, true, "mileage.leap"],
    [-15, 1, false, null],
    [-15.1, 1, false, "mileage.room"],
  ] as const)("%d%%: share %d, hold only %s", (pct, factor, holdOnly, rule) => {
    const r = mileageRule({ distancePct: pct, legLoadPct: pct, against: [] }, true);
    expect(r).toMatchObject({ factor, holdOnly });
    expect(r.why[0]?.rule ?? null).toBe(rule);
  });
  it("take the higher of distance and leg load, and see no room in a week that is not ordinary", () => {
    expect(mileageRule({ distancePct: 0, legLoadPct: 20, against: [] }, true).why[0]!.text).toContain(
      "leg load is 20%",
    );
    expect(mileageRule({ distancePct: -30, legLoadPct: -30, against: [] }, false).why).toEqual([]);
    expect(mileageRule({ distancePct: null, legLoadPct: null, against: [] }, true).factor).toBe(1);
  });
});
