/** Hills against published values. All values from memory of the papers named. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  carriageWatts,
  flatEquivalent,
  naismithHours,
  runningCost,
  toblerSpeed,
  walkingCost,
} from "../../src/core/endurance/hills";
import { trainingImpulse } from "../../src/core/endurance/load";

describe("gradient cost (Minetti et al. 2002, J Appl Physiol 93:1039-1046)", () => {
  it.each([
    [0, 3.6],
    [0.1, 5.968],
    [-0.1, 2.152],
  ])("running at %d: %d J/kg/m", (gradient, cost) => {
    expect(runningCost(gradient)).toBeCloseTo(cost, 3);
  });
  it("walking on the level: 2.5 J/kg/m", () => {
    expect(walkingCost(0)).toBe(2.5);
  });
  it("is cheapest a little downhill, and is not read beyond the slopes that were measured", () => {
    const at = (f: (i: number) => number) =>
      Array.from({ length: 91 }, (_, n) => (n - 45) / 100).reduce((best, i) => (f(i) < f(best) ? i : best));
    // The paper finds the minimum of both near a slope of -0.10 to -0.20.
    for (const f of [runningCost, walkingCost]) {
      expect(at(f)).toBeLessThanOrEqual(-0.1);
      expect(at(f)).toBeGreaterThanOrEqual(-0.2);
      expect(f(0.9)).toBe(f(0.45));
      expect(f(-0.9)).toBe(f(-0.45));
    }
  });
  it("gives the flat-equivalent distance, and says what it assumed", () => {
    // 10 km with 500 m up and nothing known of the descent: 5 km at +10% and 5 km at -10%.
    const half = flatEquivalent({ sport: "run", distanceKm: 10, ascentM: 500 })!;
    expect(half.assumed).toBe(true);
    expect(half.km).toBeCloseTo((5 * 5.968 + 5 * 2.152) / 3.6, 3);
    // All the way up at 10%.
    const up = flatEquivalent({ sport: "run", distanceKm: 5, ascentM: 500, descentM: 0 })!;
    expect(up).toMatchObject({ assumed: false });
    expect(up.km).toBeCloseTo((5 * 5.968) / 3.6, 3);
    expect(flatEquivalent({ sport: "ride", distanceKm: 50, ascentM: 500 })).toBeNull();
    expect(flatEquivalent({ sport: "run", distanceKm: 10 })).toBeNull();
  });
  it("never makes a hilly run shorter than half of it, nor longer than the steepest slope would", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 1, max: 4000, noNaN: true }),
        fc.option(fc.double({ min: 0, max: 4000, noNaN: true }), { nil: undefined }),
        (distanceKm, ascentM, descentM) => {
          const flat = flatEquivalent({
            sport: "run",
            distanceKm,
            ascentM,
            ...(descentM === undefined ? {} : { descentM }),
          })!;
          expect(flat.km).toBeGreaterThan(distanceKm * 0.4);
          expect(flat.km).toBeLessThanOrEqual((distanceKm * runningCost(0.45)) / 3.6 + 1e-9);
        },
      ),
    );
  });
});

describe("walking in hills (values from memory of the papers named)", () => {
  it("Naismith 1892: 10 km with 600 m up take 3 h", () => {
    expect(naismithHours(10, 600)).toBe(3);
  });
  it("Tobler 1993: 5.04 km/h on the flat, 6.00 at -5%", () => {
    expect(toblerSpeed(0)).toBeCloseTo(5.04, 2);
    expect(toblerSpeed(-0.05)).toBe(6);
    expect(toblerSpeed(0.1)).toBeLessThan(toblerSpeed(-0.1));
  });
  it("Pandolf et al. 1977, J Appl Physiol 43(4):577-581: 70 kg with 20 kg at 4.824 km/h on the level need 362 W", () => {
    const walk = { bodyKg: 70, packKg: 20, speed: 4.824 / 3.6, gradientPct: 0 };
    expect(carriageWatts(walk)).toBeCloseTo(362, 0);
    expect(carriageWatts({ ...walk, gradientPct: 10 })).toBeGreaterThan(700);
    expect(carriageWatts({ ...walk, gradientPct: -1 })).toBeNull();
  });
});

describe("training impulse (Banister 1991; value from memory)", () => {
  const of = { sex: "male" as const, restingHeartRate: 50, maxHeartRate: 190 };
  it("weighs minutes by the heart rate reserve", () => {
    // x = 0.75: 60 x 0.75 x 0.64 e^1.44 and 60 x 0.75 x 0.86 e^1.2525, worked by hand.
    expect(trainingImpulse({ minutes: 60, averageHeartRate: 155 }, of)).toBeCloseTo(121.56, 1);
    expect(trainingImpulse({ minutes: 60, averageHeartRate: 155 }, { ...of, sex: "female" })).toBeCloseTo(135.42, 1);
  });
  it("is none where a rate is missing or the two contradict each other", () => {
    expect(trainingImpulse({ minutes: 60 }, of)).toBeNull();
    expect(trainingImpulse({ minutes: 60, averageHeartRate: 155 }, { sex: "male" })).toBeNull();
    expect(trainingImpulse({ minutes: 60, averageHeartRate: 155 }, { ...of, maxHeartRate: 40 })).toBeNull();
  });
});
