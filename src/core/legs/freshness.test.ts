import { describe, expect, it } from "vitest";
import { dayNumber } from "../dates";
import { enduranceLegEvent, loggedLegEvent, strengthParts } from "./events";
import { fatigueAt, freshness, freshnessCurve, HALF_LIFE, leftOf, meanDailyLoad, TIRED, tiredFrom } from "./freshness";

const legEvent = (end: number, load: number, halfLife = 20) => ({ end, parts: [{ load, halfLife }] });

describe("leg freshness", () => {
  it("halves what a session left with each half-life, and knows nothing before its end", () => {
    const b = legEvent(600, 320, 20);
    expect(leftOf(b, 599)).toBe(0);
    expect(leftOf(b, 600)).toBe(320);
    expect(leftOf(b, 600 + 20 * 60)).toBeCloseTo(160, 9);
    expect(leftOf(b, 600 + 60 * 60)).toBeCloseTo(40, 9);
    expect(fatigueAt([b, legEvent(600, 100, 36)], 600 + 36 * 60)).toBeCloseTo(320 * 2 ** -1.8 + 50, 9);
  });
  it("is 100 exp(-0.5 sum / mean), the mean at least 20 AU", () => {
    expect(freshness(0, 150)).toBe(100);
    expect(freshness(150, 150)).toBeCloseTo(60.653, 3);
    expect(freshness(20, 0)).toBeCloseTo(60.653, 3);
    expect(freshness(tiredFrom(173), 173)).toBeCloseTo(TIRED, 9);
    expect(freshness(tiredFrom(3), 3)).toBeCloseTo(TIRED, 9);
  });
  it("takes the mean of 28 days, those before and after left out", () => {
    const at = 40 * 1440;
    expect(
      meanDailyLoad(
        [legEvent(at, 280), legEvent(at - 27 * 1440, 280), legEvent(at - 28 * 1440, 999), legEvent(at + 1, 999)],
        at,
      ),
    ).toBe(20);
  });
  it("draws the fall at the end of a session", () => {
    const curve = freshnessCurve([legEvent(300, 200)], 100, { from: 0, to: 600, step: 300 });
    expect(curve.map(([m]) => m)).toEqual([0, 299, 300, 600]);
    expect(curve[1]![1]).toBe(100);
    expect(curve[2]![1]).toBeCloseTo(100 * Math.exp(-1), 9);
    expect(curve[3]![1]).toBeGreaterThan(curve[2]![1]);
  });
});

describe("what a session puts on the legs", () => {
  const set = (pattern: "squat" | "hip" | "trunk" | "push" | "jump", more = {}) => ({
    exercise: { pattern, slow: false },
    loading: "bar" as const,
    reps: 5,
    sets: 3,
    unfamiliar: false,
    ...more,
  });
  it("is its stress by the share of its sets: loaded 1, bodyweight 0.4, trunk 0.1, arms nothing", () => {
    const load = (...sets: ReturnType<typeof set>[]) => strengthParts(sets, 300).reduce((a, p) => a + p.load, 0);
    expect(load(set("squat"))).toBe(300);
    expect(load(set("hip", { loading: "bodyweight" }))).toBeCloseTo(120, 9);
    expect(load(set("trunk", { loading: "bodyweight" }))).toBeCloseTo(30, 9);
    expect(load(set("push"))).toBe(0);
    expect(load(set("squat"), set("trunk"), set("push", { sets: 6 }))).toBeCloseTo(300 * (3 / 12) * 1.1, 9);
  });
  it("lasts by what it is: heavy 24 h; many repetitions, slow lowering and new work 36 h; jumps 30 h", () => {
    const last = (more: object, pattern: "squat" | "jump" = "squat") =>
      strengthParts([set(pattern, more)], 100)[0]!.halfLife;
    expect(last({})).toBe(HALF_LIFE.heavy);
    expect(last({ reps: 9 })).toBe(HALF_LIFE.heavy);
    expect(last({ reps: 10 })).toBe(HALF_LIFE.fatiguing);
    expect(last({ exercise: { pattern: "squat", slow: true } })).toBe(HALF_LIFE.fatiguing);
    expect(last({ unfamiliar: true })).toBe(HALF_LIFE.fatiguing);
    expect(last({}, "jump")).toBe(HALF_LIFE.jumps);
  });
  it("reads endurance by sport and a log by its loads", () => {
    const ride = enduranceLegEvent({ date: "2026-03-03", start: "07:00", sport: "ride", kind: "easy", minutes: 60 });
    expect(ride).toEqual({ end: dayNumber("2026-03-03") * 1440 + 480, parts: [{ load: 90, halfLife: 20 }] });
    const log = loggedLegEvent(
      {
        date: "2026-03-03",
        start: "18:00",
        minutes: 50,
        rpe: 7,
        label: "A",
        items: [{ exercise: "gone", sets: [{ reps: 5, loadKg: 60, side: "both" }] }],
      },
      () => undefined,
    );
    expect(log).toEqual({ end: dayNumber("2026-03-03") * 1440 + 1130, parts: [{ load: 350, halfLife: 24 }] });
  });
});
