import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ONE_REP_MAX_FORMULAS } from "../../src/core/athlete/types";
import { estimate, FORMULAS, multiplier, NSCA_PERCENT, percentFor } from "../../src/core/dose/oneRepMax";

describe("rep-max formulas, 100 kg x 5", () => {
  // Values from memory of the sources named.
  it.each([
    ["epley", 116.67, "Epley 1985"],
    ["brzycki", 112.5, "Brzycki 1993, JOPERD 64(1):88-90"],
    ["lombardi", 117.46, "Lombardi 1989"],
    ["mayhew", 119.01, "Mayhew et al. 1992"],
    ["wathan", 116.58, "Wathan 1994"],
    ["oconner", 112.5, "O'Conner et al. 1989"],
    ["lander", 113.71, "Lander 1985"],
  ] as const)("%s gives %d (%s)", (name, kg, _source) => {
    expect(100 * FORMULAS[name](5)).toBeCloseTo(kg, 2);
    expect(estimate(100, 5, 0, name)).toBeCloseTo(kg, 2);
    expect(estimate(100, 3, 2, name)).toBeCloseTo(kg, 2);
  });

  it("takes a true single as it is, whatever the formula", () => {
    for (const f of ONE_REP_MAX_FORMULAS) expect(estimate(140, 1, 0, f)).toBe(140);
  });

  it("says nothing above 20 repetitions to failure", () => {
    for (const f of ONE_REP_MAX_FORMULAS) {
      expect(estimate(60, 18, 3, f)).toBeNull();
      expect(estimate(60, 18, 2, f)).not.toBeNull();
    }
  });

  it("joins the default formula without a jump at 10", () => {
    const at = (n: number) => multiplier(n) ?? 0;
    expect(at(10 + 1e-9) - at(10)).toBeLessThan(1e-6);
    for (let n = 1; n < 20; n++) expect(at(n + 1)).toBeGreaterThan(at(n));
  });

  it("goes up and down again to the same load", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.integer({ min: 1, max: 15 }),
        fc.integer({ min: 0, max: 5 }),
        fc.constantFrom(...ONE_REP_MAX_FORMULAS),
        (load, reps, rir, f) => {
          const max = estimate(load, reps, rir, f);
          const percent = percentFor(reps + rir, f);
          if (max === null || percent === null) throw new Error("an estimate is expected up to 20");
          expect((max * percent) / 100).toBeCloseTo(load, 9);
        },
      ),
    );
  });
});

describe("percent of 1RM by repetitions to failure", () => {
  // NSCA Essentials of Strength Training and Conditioning, 4th ed., ch. 17; values from memory.
  const TABLE: [number, number][] = [
    [1, 100],
    [2, 95],
    [3, 93],
    [4, 90],
    [5, 87],
    [6, 85],
    [7, 83],
    [8, 80],
    [9, 77],
    [10, 75],
    [11, 70],
    [12, 67],
    [15, 65],
  ];
  it.each(TABLE)("%d reps: %d%%", (reps, percent) => {
    expect(NSCA_PERCENT[reps]).toBe(percent);
  });

  it("is selectable: the same percent up and down, straight lines between, and no jump where it ends", () => {
    for (const [reps, percent] of TABLE) expect(percentFor(reps, "nsca")).toBeCloseTo(percent, 9);
    expect(percentFor(13.5, "nsca")).toBeCloseTo(66, 9);
    expect(percentFor(15 + 1e-9, "nsca")).toBeCloseTo(65, 6);
    for (let n = 1; n < 20; n++) expect(percentFor(n + 1, "nsca")!).toBeLessThan(percentFor(n, "nsca")!);
  });

  it("lies within four points of the default formula up to 10, within five to 12", () => {
    for (const [reps, percent] of TABLE) {
      const off = Math.abs((percentFor(reps) ?? 0) - percent);
      if (reps <= 10) expect(off).toBeLessThan(4);
      else if (reps <= 12) expect(off).toBeLessThan(5);
    }
  });
});
