/** Loads, estimates, ramps and the words of a dose at their edges; expected values by hand, or from the rule that is named. */
import { describe, expect, it } from "vitest";
import { gym, home, lifted } from "../../../tests/support/athlete";
import { exercise as ex } from "../../../tests/support/choice";
import { blockWeek, doseAt, TRAINED } from "../../../tests/support/dose";
import { findApproach } from "../approach";
import type { Approach, Place } from "../athlete";
import { approachFaults, impossiblePair } from "./check";
import { bestOf, currentMax, decayShare } from "./current";
import { sessionDose } from "./dose";
import { householdOf, makeableLoads, makeLoad } from "./loads";
import { estimate, percentFor, repsAt, uncertaintyPct } from "./oneRepMax";
import { barLoads, loadBar } from "./plates";
import { nextRamp, rampSets } from "./ramp";

const SHIPPED = findApproach("layered") as Approach;
const room = (more: Partial<Place>): Place => ({ ...home, ...more });
const bells = (...list: (readonly [massKg: number, count: number])[]) =>
  list.map(([massKg, count]) => ({ massKg, count }));

describe("what a place can make", () => {
  it("a pair takes two of a kind, one hand takes any, none takes what is not there; rising and each once", () => {
    const at = room({ dumbbellsKg: bells([16, 2], [6, 1], [10, 2], [8, 0]), kettlebellsKg: bells([16, 1], [12, 0]) });
    expect(makeableLoads(ex("dumbbell-romanian-deadlift"), "pair", at)).toEqual([10, 16]);
    expect(makeableLoads(ex("one-arm-row"), "single", at)).toEqual([6, 10, 16]);
    expect(makeableLoads(ex("kettlebell-swing"), "kettlebell", at)).toEqual([16]);
    expect(makeableLoads(ex("back-squat"), "bodyweight", gym)).toEqual([]);
  });

  it("no bar, no bar load; of two bars of its kind the heavier; a machine by its steps", () => {
    expect(makeableLoads(ex("back-squat"), "bar", home)).toEqual([]);
    expect(makeLoad(ex("back-squat"), "bar", home, 60)).toBeNull();
    const two = room({
      bars: [
        { id: "light", kind: "straight", massKg: 15 },
        { id: "heavy", kind: "straight", massKg: 20 },
        { id: "hex", kind: "trap", massKg: 25 },
      ],
    });
    expect(makeLoad(ex("back-squat"), "bar", two, 60)).toEqual({ loadKg: 20, perSideKg: [], barKg: 20 });
    expect(makeableLoads(ex("leg-press"), "machine", gym).slice(0, 3)).toEqual([20, 25, 30]);
    expect(makeableLoads(ex("leg-press"), "machine", home)).toEqual([]);
  });

  it("takes the target itself, else the nearest below, else the lightest; nothing where there is nothing", () => {
    const at = room({ dumbbellsKg: bells([6, 2], [10, 2]) });
    const made = (kg: number) => makeLoad(ex("dumbbell-romanian-deadlift"), "pair", at, kg)?.loadKg;
    expect([made(10), made(9.9), made(6), made(3)]).toEqual([10, 6, 6, 6]);
    expect(makeLoad(ex("dumbbell-romanian-deadlift"), "pair", home, 10)).toBeNull();
  });

  it("a load of the household is told from one of the rack", () => {
    const at = room({
      bottlesKg: [1.5, 1.5, 2],
      rucksack: { emptyKg: 1, maxKg: 5, stepKg: 1 },
      dumbbellsKg: bells([2, 1]),
    });
    expect(householdOf("single", at, 1.5)).toBe("bottles");
    expect(householdOf("single", at, 2)).toBeNull();
    expect(householdOf("single", at, 4)).toBe("rucksack");
    expect(householdOf("pair", at, 1.5)).toBe("bottles");
    expect(householdOf("pair", at, 2.5)).toBe("rucksack");
    expect(householdOf("bar", at, 4)).toBeNull();
  });
});

describe("plates on a bar", () => {
  const side = (plates: Place["plates"], targetKg: number) => loadBar(20, plates, targetKg).perSideKg;
  const pairs = (...list: (readonly [massKg: number, pairs: number])[]): Place["plates"] =>
    list.map(([massKg, n]) => ({ massKg, pairs: n }));

  it("are the fewest that make the load, heaviest first; of as many the ones found first", () => {
    // 27 a side: three of 9, or 18 and 9.
    expect(side(pairs([9, 3], [18, 1]), 74)).toEqual([18, 9]);
    expect(side(pairs([10, 2], [20, 1]), 60)).toEqual([20]);
    expect(side(pairs([20, 1], [15, 2], [10, 1]), 80)).toEqual([15, 15]);
  });
  it("are those that are there: none of which there is no pair, none without mass, and no more than there are", () => {
    expect(side(pairs([20, 0], [10, 1]), 200)).toEqual([10]);
    expect(side(pairs([0, 3], [5, 1]), 200)).toEqual([5]);
    expect(barLoads(20, pairs([5, 1], [10, 1]))).toEqual([20, 30, 40, 50]);
    expect(barLoads(20, [])).toEqual([20]);
    expect(loadBar(20, pairs([10, 1]), 15)).toEqual({ loadKg: 20, perSideKg: [] });
    expect(loadBar(20, pairs([10, 1]), 40).loadKg).toBe(40);
    expect(loadBar(20, pairs([10, 1]), 39.99).loadKg).toBe(20);
  });
});

describe("a load of the household", () => {
  it("in one hand is a bottle, in two a rucksack on the back where there is one bottle alone", () => {
    const at = room({ bottlesKg: [1.5, 1.5, 2], rucksack: { emptyKg: 1, maxKg: 5, stepKg: 1 } });
    expect(householdOf("single", at, 2)).toBe("bottles");
    expect(householdOf("pair", at, 2)).toBe("rucksack");
    expect(householdOf("single", at, 1.25)).toBeNull();
    expect(householdOf("single", room({}), 2)).toBeNull();
    const two = room({ ...at, dumbbellsKg: bells([1.5, 2], [2, 1]) });
    expect(householdOf("pair", two, 1.5)).toBeNull();
    expect(householdOf("pair", two, 2)).toBe("rucksack");
    expect(householdOf("single", { ...two, kettlebellsKg: bells([4, 1]) }, 4)).toBeNull();
  });
});

describe("estimates at their edges", () => {
  it("count in full for 42 days, then lose 1.5% for each week that begins", () => {
    expect([42, 43, 49, 50].map((d) => decayShare(d))).toEqual([1, 0.985, 0.985, 0.97]);
  });

  it("come from the best set: clean repetitions, reserve as told, else as asked; sets without load or repetitions say nothing", () => {
    const item = lifted("back-squat", 100, [5, 3], 2);
    expect(
      bestOf(
        {
          ...item,
          sets: [
            { seconds: 30, side: "both" },
            { reps: 5, side: "both" },
          ],
        },
        "default",
      ),
    ).toBeNull();
    expect(bestOf({ ...item, sets: [{ loadKg: 50, side: "both" }] }, "default")).toBeNull();
    // Seven to failure: 36 / 30.
    expect(bestOf(item, "default")).toEqual({ kg: 120, unsurePct: 1 + 0.5 * 6 + 2, toFailure: 7 });
    const asked = { ...item, sets: [{ loadKg: 100, reps: 5, side: "both" as const }] };
    expect(bestOf(asked, "default")?.kg).toBe(120);
    const sloppy = { ...item, sets: [{ loadKg: 100, reps: 5, clean: 3, rir: 0, side: "both" as const }] };
    expect(bestOf(sloppy, "default")?.kg).toBeCloseTo((100 * 36) / 34, 6);
    expect(uncertaintyPct(1, 0)).toBe(1);
    expect(uncertaintyPct(5, 2)).toBe(6);
  });

  it("are those of the days before; of equal ones the later", () => {
    const on = (date: string, kg: number) => ({ date, item: lifted("back-squat", kg, [5], 2) });
    const best = (...list: ReturnType<typeof on>[]) => currentMax(list, "default", "2026-03-10");
    expect(best(on("2026-03-10", 100))).toBeNull();
    expect(best(on("2026-03-09", 100))?.kg).toBe(120);
    expect(best(on("2026-03-02", 100), on("2026-03-05", 100))?.date).toBe("2026-03-05");
    expect(best(on("2026-03-05", 100), on("2026-03-02", 100))?.date).toBe("2026-03-05");
    expect(best(on("2026-03-05", 90), on("2026-03-02", 100))?.date).toBe("2026-03-02");
    expect(best(on("2026-03-02", 100), on("2026-03-05", 90))?.date).toBe("2026-03-02");
  });

  it("say nothing of no load, no repetition, more than twenty; a single is itself", () => {
    expect(estimate(0, 5, 2)).toBeNull();
    expect(estimate(100, 0, 5)).toBeNull();
    expect(estimate(100, 1, 0)).toBe(100);
    expect(estimate(100, 20, 0)).not.toBeNull();
    expect(estimate(100, 20, 1)).toBeNull();
    expect([percentFor(0), percentFor(21), repsAt(0), repsAt(100.1)]).toEqual([null, null, null, null]);
    expect(repsAt(100)).toBeCloseTo(1, 6);
    expect(repsAt(1)).toBe(20);
  });

  it("by the table: an entry is itself, between two a straight line", () => {
    // NSCA: 5 repetitions 87%, 6 repetitions 85%.
    expect(percentFor(5, "nsca")).toBeCloseTo(87, 9);
    expect(percentFor(6, "nsca")).toBeCloseTo(85, 9);
    expect(percentFor(5.5, "nsca")).toBeCloseTo(86, 9);
    // NSCA: 12 repetitions 67%, 15 65%; above them the default's way down from there.
    expect(percentFor(12, "nsca")).toBeCloseTo(67, 9);
    expect(percentFor(14, "nsca")).toBeCloseTo(65 + 2 / 3, 9);
    expect(percentFor(15, "nsca")).toBeCloseTo(65, 9);
    expect(percentFor(17, "nsca")).toBeCloseTo((65 * (percentFor(17) ?? 0)) / (percentFor(15) ?? 1), 9);
    expect(percentFor(17, "nsca")).toBeLessThan(65);
    // Brzycki up to ten, from memory: 27 / 36.
    expect(percentFor(10)).toBeCloseTo(75, 9);
  });
});

describe("finding a load", () => {
  it("the lightest first, a fifth more each time, five sets at most, five repetitions at most", () => {
    const at = room({ dumbbellsKg: bells([5, 2], [6, 2], [7, 2], [8, 2], [10, 2], [12, 2], [15, 2], [20, 2]) });
    const sets = rampSets(ex("dumbbell-romanian-deadlift"), "pair", at, 8);
    expect(sets.map((s) => s.loadKg)).toEqual([5, 6, 8, 10, 12]);
    expect(sets.map((s) => s.reps)).toEqual([5, 5, 5, 5, 5]);
    expect(rampSets(ex("dumbbell-romanian-deadlift"), "pair", at, 3).map((s) => s.reps)).toEqual([3, 3, 3, 3, 3]);
    expect(rampSets(ex("dumbbell-romanian-deadlift"), "pair", home, 5)).toEqual([]);
  });

  it("goes on until the reserve is as meant, by a quarter at most, and never past what is there", () => {
    const loads = [20, 22.5, 25, 30, 40, 60];
    const after = (loadKg: number, reps: number, rir: number) =>
      nextRamp({ loadKg, reps, rir }, { reps: 5, rir: 2 }, loads);
    // Five with two left is what is meant: found.
    expect(after(40, 5, 2)).toEqual({ loadKg: 40, found: true });
    // Five with four left: 40 x 36 / 28 x 30 / 36 is 42.9, and nothing lies between: found.
    expect(after(40, 5, 4)).toEqual({ loadKg: 40, found: true });
    // Five with none left: 40 x 36 / 32 x 30 / 36 is 37.5: the one below.
    expect(after(40, 5, 0)).toEqual({ loadKg: 30, found: true });
    // More left than is told apart: a quarter more at most, the next there is.
    expect(after(20, 5, 6)).toEqual({ loadKg: 25, found: false });
    expect(after(60, 5, 6)).toEqual({ loadKg: 60, found: true });
    // Ten with four left are 69%: a single would be 28.9 kg, two fifths more are 28, and nothing lies between: the next there is.
    expect(nextRamp({ loadKg: 20, reps: 10, rir: 4 }, { reps: 1, rir: 0 }, [20, 28.5, 40])).toEqual({
      loadKg: 28.5,
      found: false,
    });
    // Within two fifths the heaviest that is not too much.
    expect(nextRamp({ loadKg: 20, reps: 10, rir: 4 }, { reps: 1, rir: 0 }, [20, 24, 28, 40])).toEqual({
      loadKg: 28,
      found: false,
    });
    // Nothing is known of what the room makes: what was tried stays.
    expect(nextRamp({ loadKg: 20, reps: 5, rir: 2 }, { reps: 5, rir: 2 }, [])).toEqual({ loadKg: 20, found: true });
  });
});

describe("what is written into a cell", () => {
  it("half a repetition more than a percent carries passes, one more does not", () => {
    const can = repsAt(86) ?? 0;
    expect(impossiblePair(Math.floor(can), 86)).toBeNull();
    expect(impossiblePair(Math.ceil(can) + 1, 86)).toContain("cannot be done");
    expect(impossiblePair(5, 101)).toBeNull();
  });

  it("each figure is held to its limits, with its place", () => {
    const copy = SHIPPED;
    const cell = copy.rows.build.cells.squat;
    const faults = (change: object) =>
      approachFaults({
        ...copy,
        lines: {},
        rows: {
          ...copy.rows,
          build: { ...copy.rows.build, cells: { ...copy.rows.build.cells, squat: { ...cell, ...change } } },
        },
      }).map((f) => f.path.split(".").at(-1));
    expect(faults({})).toEqual([]);
    expect(faults({ restSeconds: 601 })).toEqual(["restSeconds"]);
    expect(faults({ rir: [0, 11] })).toEqual(["rir"]);
    expect(faults({ rir: null, percent: 101 })).toEqual(["percent"]);
    expect(faults({ rir: null, percent: null })).toEqual(["rir"]);
    expect(faults({ rir: [1, 2], percent: 80 })).toEqual(["rir"]);
    expect(faults({ reps: [6, 3] })).toEqual(["reps"]);
  });
});

describe("what a dose says", () => {
  const said = (
    more: Parameters<typeof doseAt>[3] = {},
    gate: Parameters<typeof doseAt>[1] = TRAINED,
    approach = "layered",
  ) =>
    doseAt("base-late", gate, approach, more)
      .why.map((w) => `${w.rule}: ${w.text}`)
      .join();

  it("which week of the block, or which end of the ranges", () => {
    expect(said({ block: blockWeek(2, 3) })).toContain("week 2 of 3 of this block");
    expect(said({ closes: blockWeek(3, 3), stepBack: true })).toContain("the step-back week of its block");
    expect(said({ room: true })).toContain("the upper end of the ranges: trained");
    expect(said({ room: false })).toContain("the lower end of the ranges");
    expect(said({ room: true }, { ...TRAINED, training: "novice" })).toContain("the lower end of the ranges");
    expect(said({}, { ...TRAINED, training: "novice" })).not.toContain("new lifter");
    expect(said({}, { ...TRAINED, training: "new" })).toContain("for a new lifter");
    // What restores has no range to take an end of.
    const restores = (approach: string) => doseAt("recovery", TRAINED, approach).why[0]?.text;
    expect(restores("layered")).toBe("Layered. Restore: short visits, no load, then bodyweight, then light loads.");
    expect(restores("paired-routines")).toBe("Paired routines. Restore: the short routine only.");
  });

  it("the approach, and a copy's version from the second on", () => {
    expect(said()).toContain("emphasis.layered: Layered");
    expect(said({}, TRAINED, "steady")).toContain("approach.dose: Steady");
    const words = (version: number) =>
      sessionDose(
        { settings: { approach: "own-x" }, approaches: [{ ...SHIPPED, id: "own-x", name: "Ours", version }] },
        { phase: "build", stage: "build", emphasis: "maximal", holds: "build" },
        { gate: TRAINED },
      ).why[0]?.text ?? "";
    expect(words(1)).toContain("Ours.");
    expect(words(2)).toContain("Ours, version 2.");
  });
});
