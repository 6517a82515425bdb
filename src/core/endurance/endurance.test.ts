import { describe, expect, it } from "vitest";
import type { EnduranceSession } from "../athlete/types";
import { addDays } from "../dates";
import { backgrounds, changeAgainstOrdinary, expected, weekFigures, weeklyFigures, weightedMeans } from "./figures";
import { isKey, isLegHeavy, legLoad, legShare, startOf, trainingImpulse } from "./load";
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
  // Rules load.session and load.legs, our own values.
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
    expect(isLegHeavy(run({ sport: "swim", kind: "intervals", minutes: 90 }))).toBe(false);
    expect(isLegHeavy(run({ sport: "hike", minutes: 61 }))).toBe(true);
    expect(isLegHeavy(run({ kind: "long", key: false }))).toBe(true);
    expect(isLegHeavy(run({ key: true, minutes: 20 }))).toBe(true);
  });
  // Banister 1991, value from memory: minutes x x x 0.64 e^(1.92 x) for men, 0.86 e^(1.67 x) for women.
  it("weighs by heart rate where it is known, between rest and most", () => {
    const of = (averageHeartRate: number | undefined, more: object = {}) =>
      trainingImpulse(
        { minutes: 100, ...(averageHeartRate === undefined ? {} : { averageHeartRate }) },
        { sex: "male", restingHeartRate: 50, maxHeartRate: 190, ...more },
      );
    const [man, woman] = [100 * 0.5 * 0.64 * Math.exp(0.96), 100 * 0.5 * 0.86 * Math.exp(0.835)];
    expect(of(120)).toBeCloseTo(man, 9);
    expect(of(120, { sex: "female" })).toBeCloseTo(woman, 9);
    expect(of(120, { sex: undefined })).toBeCloseTo((man + woman) / 2, 9);
    expect(of(40)).toBe(0);
    expect(of(220)).toBeCloseTo(64 * Math.exp(1.92), 9);
    expect(of(undefined)).toBeNull();
    expect(of(120, { restingHeartRate: undefined })).toBeNull();
    expect(of(120, { maxHeartRate: undefined })).toBeNull();
    expect(of(120, { maxHeartRate: 50 })).toBeNull();
    expect(of(120, { maxHeartRate: 51 })).not.toBeNull();
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
  const change = (km: number[], at = km.length - 1, ordinary: (i: number) => boolean = all) =>
    changeAgainstOrdinary(weeks(km), at, ordinary);
  // Rule mileage.expected, its worked example: after 100, 110, 121 it is 121.6, so the 10% passes at 133.
  it("expect what the last three ordinary weeks lead to", () => {
    const before = [100, 110, 121].map((value, index) => ({ index, value }));
    expect(expected(before, 3)!.value).toBeCloseTo(121.6, 1);
    expect(change([100, 110, 121, 133]).distancePct).toBeLessThan(10);
    expect(change([100, 110, 121, 134]).distancePct).toBeGreaterThan(10);
    expect(change([100, 110, 121, 133]).against).toEqual([0, 1, 2].map((i) => addDays(MONDAY, 7 * i)));
  });
  it("take growth between none and 5% of the mean a week", () => {
    // Hand count: a fall expects the mean, 100; a rise of 3% the line itself, 106.
    expect(
      expected(
        [104, 100, 96].map((value, index) => ({ index, value })),
        3,
      )!.value,
    ).toBeCloseTo(100, 9);
    expect(
      expected(
        [97, 100, 103].map((value, index) => ({ index, value })),
        3,
      )!.value,
    ).toBeCloseTo(100 * 1.03 ** 2, 9);
    // Weeks apart: the middle of 0, 1 and 5 is week 2, four weeks before week 6.
    const apart = [100, 100, 105].map((value, i) => ({ index: [0, 1, 5][i]!, value }));
    const slope = (-2 * -5 + -1 * -5 + 3 * 10) / 3 / 14;
    expect(expected(apart, 6)!.value).toBeCloseTo((305 / 3) * (1 + slope / (305 / 3)) ** 4, 9);
  });
  it("take the mean of two weeks, and say nothing of one", () => {
    expect(change([40, 44, 44]).distancePct).toBeCloseTo((44 / 42 - 1) * 100, 9);
    expect(change([44, 60])).toEqual({ distancePct: null, legLoadPct: null, against: [] });
    expect(change([44]).distancePct).toBeNull();
    // A week without anything known is not a week of 0 km.
    expect(change([40, 0, 40, 44]).distancePct).toBeCloseTo(10, 9);
    expect(change([40, 40, 40, 0])).toEqual({ distancePct: null, legLoadPct: null, against: [] });
  });
  it("leave out what is not ordinary, then what is over a quarter off the median of the last six", () => {
    expect(change([40, 40, 20, 44], 3, (i) => i !== 2).distancePct).toBeCloseTo(10, 9);
    // 30 and 50 are just a quarter off 40 and count; 29 and 51 are not.
    expect(change([40, 40, 40, 30, 44]).against).toContain(addDays(MONDAY, 21));
    expect(change([40, 40, 40, 29, 44]).against).not.toContain(addDays(MONDAY, 21));
    expect(change([40, 40, 40, 50, 44]).against).toContain(addDays(MONDAY, 21));
    expect(change([40, 40, 40, 51, 44]).against).not.toContain(addDays(MONDAY, 21));
  });
  it("compare a partly planned week by its planned days alone", () => {
    const usual = (w: number) =>
      weekFigures(addDays(MONDAY, 7 * w), [
        run({ date: addDays(MONDAY, 7 * w), distanceKm: 10 }),
        run({ date: addDays(MONDAY, 7 * w + 5), distanceKm: 30 }),
      ]);
    const part = weekFigures(addDays(MONDAY, 14), [run({ date: addDays(MONDAY, 14), distanceKm: 11 })]);
    const list = [usual(0), usual(1), part];
    expect(changeAgainstOrdinary(list, 2, all, true).distancePct).toBeCloseTo(10, 9);
    expect(changeAgainstOrdinary(list, 2, all, false).distancePct).toBeCloseTo((11 / 40 - 1) * 100, 9);
  });
  it("call no steady rise a jump: of 5% a week, or of 9% once three weeks are known", () => {
    for (const [rise, first] of [
      [1.05, 0],
      [1.09, 3],
    ] as const) {
      const km = Array.from({ length: 20 }, (_, i) => 30 * rise ** i);
      const jumps = km.slice(first).flatMap((_, k) => {
        const i = k + first;
        const pct = change(km, i).distancePct;
        return pct !== null && pct > 10 ? [i] : [];
      });
      expect(jumps, String(rise)).toEqual([]);
    }
  });
  // Rules mileage.increase, mileage.spike, mileage.room (common practice; the numbers are our assumption).
  it.each([
    [10, 1, false, null],
    [10.1, 2 / 3, false, "mileage.increase"],
    [30, 2 / 3, false, "mileage.increase"],
    [30.1, 0.5, true, "mileage.spike"],
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
