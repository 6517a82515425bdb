import { describe, expect, it } from "vitest";
import { home } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import { type Place, placeFrom } from "../athlete";
import { householdOf, makeableLoads } from "../dose";
import { hasNeed, loadingAt } from "./equipment";
import { growsSlower, slowerAt, slowerStepOf } from "./slower";
import { tempoText } from "./tempo";

const bare: Place = { ...home, other: [] };
const rucksack = { emptyKg: 1, maxKg: 7, stepKg: 2 };

describe("what a household has", () => {
  it("stairs and a low wall are steps, a chair is a bench, a low wall a box too", () => {
    expect(hasNeed(bare, "step")).toBe(false);
    expect(hasNeed({ ...bare, stairsCm: 18 }, "step")).toBe(true);
    expect(hasNeed({ ...bare, other: ["low-wall"] }, "step")).toBe(true);
    expect(hasNeed({ ...bare, other: ["chair"] }, "bench")).toBe(true);
    expect(hasNeed({ ...bare, other: ["chair"] }, "box")).toBe(false);
    expect(hasNeed({ ...bare, other: ["low-wall"] }, "box")).toBe(true);
    expect(hasNeed({ ...bare, other: ["towel"] }, "door-anchor")).toBe(false);
  });

  it("a rucksack makes loads from empty to full by its step: held as one, on the back as half in each hand", () => {
    const place = { ...bare, rucksack };
    expect(makeableLoads(exercise("goblet-squat"), "single", place)).toEqual([1, 3, 5, 7]);
    expect(makeableLoads(exercise("split-squat"), "pair", place)).toEqual([0.5, 1.5, 2.5, 3.5]);
    expect(loadingAt(exercise("split-squat"), place)).toBe("pair");
    expect(householdOf("pair", place, 3.5)).toBe("rucksack");
    expect(householdOf("single", place, 7)).toBe("rucksack");
  });

  it("bottles are held: two of one mass make a pair", () => {
    const place = { ...bare, bottlesKg: [1.5, 1, 1.5] };
    expect(makeableLoads(exercise("split-squat"), "pair", place)).toEqual([1.5]);
    expect(makeableLoads(exercise("goblet-squat"), "single", place)).toEqual([1, 1.5]);
    expect(householdOf("pair", place, 1.5)).toBe("bottles");
    expect(loadingAt(exercise("split-squat"), { ...bare, bottlesKg: [1, 1.5] })).toBe("bodyweight");
  });

  it("dumbbells of the same mass go before them", () => {
    const place = { ...bare, rucksack, dumbbellsKg: [{ massKg: 7, count: 1 }] };
    expect(householdOf("single", place, 7)).toBeNull();
    expect(householdOf("single", place, 5)).toBe("rucksack");
  });

  it("no rucksack for what the hands must hold, no chair for a press on a bench; no swings with a rucksack", () => {
    const place: Place = { ...bare, rucksack, bottlesKg: [1.5, 1.5], other: ["chair"] };
    expect(loadingAt(exercise("incline-press"), place)).toBeNull();
    expect(makeableLoads(exercise("overhead-lunge"), "single", place)).toEqual([1.5]);
    expect(loadingAt(exercise("kettlebell-swing"), place)).toBeNull();
  });

  it("the presets of homes", () => {
    expect(placeFrom("bare-home", "home")).toMatchObject({
      stairsCm: 18,
      other: expect.arrayContaining(["chair", "wall"]),
    });
    const filled = placeFrom("home-rucksack", "home");
    expect(makeableLoads(exercise("goblet-squat"), "single", filled)).toEqual([
      1, 1.5, 2.5, 4, 5.5, 7, 8.5, 10, 11.5, 13, 14.5, 16,
    ]);
  });
});

describe("harder without load", () => {
  const steps = (tempo: string) =>
    [0, 1, 2, 3, 4, 5].map((s) => `${tempoText(slowerAt(tempo, s))}${slowerAt(tempo, s).half ? " and a half" : ""}`);

  it("3 s down, 4 s down, a pause of 2 s, one and a half in one; what is slow already leaves steps out", () => {
    expect(steps("2-0-1")).toEqual(["2-0-1", "3-0-1", "4-0-1", "4-2-1", "4-2-1 and a half", "4-2-1 and a half"]);
    expect(steps("3-1-1").slice(0, 4)).toEqual(["3-1-1", "4-1-1", "4-2-1", "4-2-1 and a half"]);
  });

  it("a logged tempo says the step", () => {
    expect(slowerStepOf("2-0-1", "2-0-1", false)).toBe(0);
    expect(slowerStepOf("2-0-1", "3-0-1", false)).toBe(1);
    expect(slowerStepOf("2-0-1", "4-2-1", false)).toBe(3);
    expect(slowerStepOf("2-0-1", "4-2-1", true)).toBe(4);
  });

  it("is for leading patterns that nothing here loads, where no bar and no machine stands", () => {
    expect(growsSlower(exercise("split-squat"), "bodyweight", bare)).toBe(true);
    expect(growsSlower(exercise("split-squat"), "pair", bare)).toBe(false);
    expect(growsSlower(exercise("side-plank"), "bodyweight", bare)).toBe(false);
    expect(growsSlower(exercise("clam"), "bodyweight", bare)).toBe(false);
    const gymnasium = { ...bare, bars: [{ id: "b", kind: "straight" as const, massKg: 20 }] };
    expect(growsSlower(exercise("split-squat"), "bodyweight", gymnasium)).toBe(false);
  });
});
