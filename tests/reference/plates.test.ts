import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { barLoads, loadBar } from "../../src/core/dose/plates";
import { lbToKg } from "../../src/core/units";

interface Plate {
  massKg: number;
  pairs: number;
}

/** Every load, by trying every number of pairs of every plate. */
function bruteForce(barKg: number, plates: readonly Plate[]): number[] {
  let sides = [0];
  for (const p of plates) sides = sides.flatMap((s) => Array.from({ length: p.pairs + 1 }, (_, k) => s + k * p.massKg));
  return [...new Set(sides.map((s) => Math.round((barKg + 2 * s) * 1e6) / 1e6))].sort((a, b) => a - b);
}

const plates = fc.uniqueArray(
  fc.record({
    massKg: fc.constantFrom(25, 20, 15, 11.34, 10, 7.5, 5, 2.5, 1.25, 0.5),
    pairs: fc.integer({ min: 0, max: 3 }),
  }),
  { selector: (p) => p.massKg, maxLength: 6 },
);

describe("plates against brute force", () => {
  it("makes every sum that exists and no other", () => {
    fc.assert(
      fc.property(fc.constantFrom(20, 15, 10, 20.41165665), plates, (bar, list) => {
        const made = barLoads(bar, list).map((l) => Math.round(l * 1e6) / 1e6);
        expect([...new Set(made)]).toEqual(bruteForce(bar, list));
      }),
    );
  });

  it("takes the nearest load at or below the target", () => {
    fc.assert(
      fc.property(fc.constantFrom(20, 15), plates, fc.integer({ min: 10, max: 250 }), (bar, list, target) => {
        const best =
          bruteForce(bar, list)
            .filter((l) => l <= target + 1e-9)
            .at(-1) ?? bar;
        const { loadKg, perSideKg } = loadBar(bar, list, target);
        expect(loadKg).toBeCloseTo(best, 6);
        expect(bar + 2 * perSideKg.reduce((a, b) => a + b, 0)).toBeCloseTo(loadKg, 6);
        expect([...perSideKg].sort((a, b) => b - a)).toEqual(perSideKg);
        for (const p of list) expect(perSideKg.filter((x) => x === p.massKg).length).toBeLessThanOrEqual(p.pairs);
      }),
    );
  });

  it("finds sums that taking the largest first misses", () => {
    // A pair each of 20, 15 and 15: 30 a side is 15 + 15, though 20 fits first.
    const list = [
      { massKg: 20, pairs: 1 },
      { massKg: 15, pairs: 2 },
    ];
    expect(loadBar(20, list, 80)).toEqual({ loadKg: 80, perSideKg: [15, 15] });
  });

  it("knows pounds exactly", () => {
    const list = [{ massKg: lbToKg(45), pairs: 1 }];
    expect(loadBar(lbToKg(45), list, lbToKg(135)).loadKg).toBeCloseTo(lbToKg(135), 9);
  });

  it("leaves the bare bar where the target is lighter", () => {
    expect(loadBar(20, [{ massKg: 5, pairs: 2 }], 12)).toEqual({ loadKg: 20, perSideKg: [] });
  });
});
