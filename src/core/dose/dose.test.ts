import { describe, expect, it } from "vitest";
import { gym, home, lifted } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import { addDays } from "../dates";
import { bestOf, currentMax, kept } from "./current";
import { layeredDose } from "./layered";
import { makeableLoads, makeLoad } from "./loads";
import { percentFor, uncertaintyPct } from "./oneRepMax";
import { warmUpSets } from "./warmup";

const ex = exercise;
const trained = { minRir: 0, training: "trained" as const };

describe("what a place can make", () => {
  it("takes the bar of the exercise's kind", () => {
    expect(makeLoad(ex("trap-bar-deadlift"), "bar", gym, 60)).toEqual({
      loadKg: 60,
      perSideKg: [10, 5, 2.5],
      barKg: 25,
    });
    expect(makeLoad(ex("back-squat"), "bar", gym, 71)).toMatchObject({ loadKg: 70, barKg: 20 });
    expect(makeLoad(ex("back-squat"), "bar", home, 71)).toBeNull();
  });
  it("takes pairs only of dumbbells there are two of", () => {
    const place = {
      ...gym,
      dumbbellsKg: [
        { massKg: 8, count: 2 },
        { massKg: 10, count: 1 },
      ],
    };
    expect(makeableLoads(ex("split-squat"), "pair", place)).toEqual([8]);
    expect(makeableLoads(ex("one-arm-row"), "single", place)).toEqual([8, 10, 16]);
  });
  it("steps through a machine's stack", () => {
    expect(makeLoad(ex("leg-press"), "machine", gym, 133)).toMatchObject({ loadKg: 130 });
  });
});

describe("warm-up sets", () => {
  // Handbook section 6 (common practice, no source): bar x 8; 0.5 W x 5; 0.7 W x 3; 0.85 W x 1 to 2 at 80% or more.
  it("climb from the bar, rounded to the plates", () => {
    const sets = warmUpSets(ex("back-squat"), "bar", gym, 100, 83, false);
    expect(sets.map((s) => [s.loadKg, s.reps])).toEqual([
      [20, 8],
      [50, 5],
      [70, 3],
      [85, 2],
    ]);
  });
  it("leave the last step out under 80%", () => {
    expect(warmUpSets(ex("back-squat"), "bar", gym, 100, 75, false).map((s) => s.loadKg)).toEqual([20, 50, 70]);
  });
  it("never repeat a load nor reach the working one", () => {
    for (let w = 20; w <= 180; w += 2.5) {
      const loads = warmUpSets(ex("back-squat"), "bar", gym, w, 85, false).map((s) => s.loadKg);
      expect(new Set(loads).size).toBe(loads.length);
      for (const l of loads) expect(l).toBeLessThan(w);
      expect([...loads].sort((a, b) => a - b)).toEqual(loads);
    }
  });
  it("are two in a light session", () => {
    expect(warmUpSets(ex("back-squat"), "bar", gym, 100, 60, true)).toHaveLength(2);
  });
});

describe("current e1RM", () => {
  const history = (date: string, kg: number) => ({ date, item: lifted("back-squat", kg, [5], 2) });
  it("takes the best of the last six weeks", () => {
    const max = currentMax([history("2026-02-10", 100), history("2026-02-20", 95)], "brzycki", "2026-03-10")!;
    expect(max.kg).toBeCloseTo(120, 9);
    expect(max.date).toBe("2026-02-10");
    expect(max.unsurePct).toBe(uncertaintyPct(5, 2));
  });
  it("lets older ones fade to a floor of 80%", () => {
    expect(kept(42)).toBe(1);
    expect(kept(49)).toBeCloseTo(0.985, 9);
    expect(kept(2000)).toBe(0.8);
    const max = currentMax([history("2025-06-01", 100)], "brzycki", "2026-03-10")!;
    expect(max.kg).toBeCloseTo(96, 9);
  });
  it("counts clean reps only, and nothing lifted on the day or later", () => {
    const sloppy = {
      ...lifted("back-squat", 100, [5], 2),
      sets: [{ reps: 5, clean: 3, loadKg: 100, rir: 2, side: "both" as const }],
    };
    expect(bestOf(sloppy, "brzycki")!.kg).toBeCloseTo(112.5, 9);
    expect(currentMax([history("2026-03-10", 100)], "brzycki", "2026-03-10")).toBeNull();
    expect(currentMax([history(addDays("2026-03-10", -1), 100)], "brzycki", "2026-03-10")).not.toBeNull();
  });
  it("is null where no set says anything", () => {
    expect(bestOf({ exercise: "side-plank", sets: [{ seconds: 30, side: "left" }] }, "default")).toBeNull();
    expect(bestOf(lifted("back-squat", 60, [18], 4), "default")).toBeNull();
  });
});

describe("the layered approach", () => {
  // Handbook section 8, first row; section 7 for heavy work (common practice and our assumption).
  it("holds the percent of build in the race phase", () => {
    const [build, race] = [layeredDose("maximal", trained), layeredDose("hold", trained)];
    expect(race.main).toEqual(build.main);
    expect(race.perWeek).toBe(1);
    expect(build.perWeek).toBe(2);
    const percent = percentFor(build.main.reps + build.main.rir)!;
    expect(percent).toBeGreaterThanOrEqual(80);
    expect(percent).toBeLessThanOrEqual(87);
    expect(layeredDose("hold", trained, "develop").main).toEqual(layeredDose("develop", trained).main);
  });
  it("keeps sets, reps and reserve inside the ranges it shows", () => {
    const ranges = {
      prepare: [2, 3, 10, 15, 3, 4],
      develop: [3, 3, 6, 10, 2, 3],
      maximal: [3, 4, 3, 6, 1, 2],
      hold: [3, 3, 3, 6, 1, 2],
    } as const;
    for (const [emphasis, [s0, s1, r0, r1, i0, i1]] of Object.entries(ranges)) {
      const { main } = layeredDose(emphasis as keyof typeof ranges, trained);
      expect(main.sets).toBeGreaterThanOrEqual(s0);
      expect(main.sets).toBeLessThanOrEqual(s1);
      expect(main.repsLow).toBeGreaterThanOrEqual(r0);
      expect(main.reps).toBeLessThanOrEqual(r1);
      expect(main.rir).toBeGreaterThanOrEqual(i0);
      expect(main.rir).toBeLessThanOrEqual(i1);
    }
  });
  it("gives minors two or more in reserve and new lifters the lower end", () => {
    expect(layeredDose("maximal", { minRir: 3, training: "novice" }).main.rir).toBe(3);
    expect(layeredDose("prepare", { minRir: 0, training: "new" }).main.sets).toBe(2);
    expect(layeredDose("prepare", trained).perWeek).toBe(3);
  });
});
