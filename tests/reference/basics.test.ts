import fc from "fast-check";
import { mean, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { addDays, daysBetween, isDate, isoWeek, mondayOf, weekday } from "../../src/core/dates";
import { monotony, sampleDeviation, weekFigures, weightedMeans } from "../../src/core/endurance/figures";
import { rpeOf, sessionLoad } from "../../src/core/endurance/load";
import { KG_PER_LB, KM_PER_MILE, kgToLb, kmToMi, lbToKg, miToKm } from "../../src/core/units";

describe("units (international agreement of 1959)", () => {
  it("converts exactly", () => {
    expect(KG_PER_LB).toBe(0.45359237);
    expect(KM_PER_MILE).toBe(1.609344);
    expect(lbToKg(45)).toBeCloseTo(20.41165665, 10);
    expect(miToKm(26.2188)).toBeCloseTo(42.195, 3);
  });
  it("comes back", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1000, noNaN: true }), (x) => {
        expect(kgToLb(lbToKg(x))).toBeCloseTo(x, 9);
        expect(kmToMi(miToKm(x))).toBeCloseTo(x, 9);
      }),
    );
  });
});

describe("ISO 8601 weeks", () => {
  // ISO 8601 week dates; the first two are known dates, the others follow from the rule that week 1 holds 4 January.
  it.each([
    ["2026-12-31", 2026, 53, 4],
    ["2027-01-03", 2026, 53, 7],
    ["2027-01-04", 2027, 1, 1],
    ["2024-12-30", 2025, 1, 1],
    ["2020-12-31", 2020, 53, 4],
    ["2026-03-04", 2026, 10, 3],
  ])("%s is %d-W%d-%d", (date, year, week, day) => {
    expect(isoWeek(date)).toEqual({ year, week });
    expect(weekday(date)).toBe(day);
  });

  it("agrees with the platform's calendar over forty years", () => {
    for (
      let d = new Date(Date.UTC(2005, 0, 1));
      d.getUTCFullYear() < 2045;
      d = new Date(d.getTime() + 86_400_000 * 13)
    ) {
      const text = d.toISOString().slice(0, 10);
      expect(weekday(text)).toBe(d.getUTCDay() === 0 ? 7 : d.getUTCDay());
      const thursday = new Date(d.getTime() + (4 - weekday(text)) * 86_400_000);
      const first = Date.UTC(thursday.getUTCFullYear(), 0, 1);
      expect(isoWeek(text)).toEqual({
        year: thursday.getUTCFullYear(),
        week: Math.floor((thursday.getTime() - first) / (7 * 86_400_000)) + 1,
      });
      expect(weekday(mondayOf(text))).toBe(1);
    }
  });

  it("knows what is no date", () => {
    for (const bad of ["2026-02-29", "2026-13-01", "2026-00-10", "26-01-01", "2026-1-1", ""])
      expect(isDate(bad)).toBe(false);
    expect(isDate("2028-02-29")).toBe(true);
    expect(addDays("2026-02-28", 1)).toBe("2026-03-01");
    expect(daysBetween("2026-03-29", "2026-10-25")).toBe(210);
  });
});

describe("session load", () => {
  // Foster et al. 2001, J Strength Cond Res 15(1):109-115: session RPE x minutes. Value worked by hand.
  it("is RPE x minutes", () => {
    expect(sessionLoad({ date: "2026-03-03", sport: "run", kind: "intervals", minutes: 62, rpe: 8 })).toBe(496);
  });
  // Rules load.session and load.legs, our own values.
  it("takes the kind's effort where none is given", () => {
    const kinds = { easy: 3, technique: 3, long: 4, steady: 4, tempo: 6, threshold: 7, intervals: 8, race: 9 } as const;
    for (const [kind, rpe] of Object.entries(kinds) as [keyof typeof kinds, number][])
      expect(rpeOf({ date: "2026-03-03", sport: "run", kind, minutes: 10 })).toBe(rpe);
  });

  // Foster 1998, Med Sci Sports Exerc 30(7):1164-1168: monotony = mean / sd, strain = load x monotony; sd by simple-statistics.
  it("gives monotony and strain as a statistics package does", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 7, maxLength: 7 }), (days) => {
        expect(sampleDeviation(days)).toBeCloseTo(sampleStandardDeviation(days), 9);
        const m = monotony(days);
        if (sampleStandardDeviation(days) < 1e-9) expect(m).toBeNull();
        else expect(m).toBeCloseTo(mean(days) / sampleStandardDeviation(days), 9);
        const week = weekFigures(
          "2026-03-02",
          days.map((load, i) => ({
            date: addDays("2026-03-02", i),
            sport: "run" as const,
            kind: "easy" as const,
            minutes: load,
            rpe: 1,
          })),
        );
        expect(week.load).toBe(days.reduce((a, b) => a + b, 0));
        if (m !== null) expect(week.strain).toBeCloseTo(week.load * m, 6);
      }),
    );
  });

  // Williams et al. 2017, Br J Sports Med 51:209-210: lambda 0.25 for 7 days, 0.0690 for 28; value from memory.
  it("weights days with lambda = 2 / (N + 1)", () => {
    expect(2 / (7 + 1)).toBe(0.25);
    expect(2 / (28 + 1)).toBeCloseTo(0.069, 4);
    expect(weightedMeans([100, 0], 7)[1]).toBeCloseTo(75, 9);
    expect(weightedMeans([0, 100], 28)[1]).toBeCloseTo(6.8966, 4);
  });
});
