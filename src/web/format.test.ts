import { describe, expect, it } from "vitest";
import {
  clock,
  distance,
  duration,
  inDays,
  loadText,
  mass,
  masses,
  sessionName,
  setsByReps,
  signed,
  span,
  textIn,
} from "./format";
import { bandSets } from "./section/patterns";
import { compact, distanceFrom, distanceText, massFrom, massText, numberFrom } from "./ui/form";

const plain = (s: string) => s.replaceAll("\u00A0", " ");
const METRIC = { massUnit: "kg", distanceUnit: "km" } as const;
const IMPERIAL = { massUnit: "lb", distanceUnit: "mi" } as const;

describe("sentences", () => {
  it("speak in the athlete's unit", () => {
    const text = "e1RM 67.2 kg x 83.3% = 56 kg; from 52.5 kg to 55 kg.";
    expect(textIn(text, METRIC)).toBe(text);
    expect(textIn(text, IMPERIAL)).toBe("e1RM 148.2 lb x 83.3% = 123.5 lb; from 115.7 lb to 121.3 lb.");
    expect(textIn("as much as 16.1 km on the flat at 5 km/h", IMPERIAL)).toBe(
      "as much as 10 mi on the flat at 3.1 mi/h",
    );
    expect(textIn("8 km", { massUnit: "lb", distanceUnit: "km" })).toBe("8 km");
    // A plate of 2.5 lb is 1.13398 kg.
    expect(textIn("the smallest step, 1.13 kg", IMPERIAL)).toBe("the smallest step, 2.5 lb");
  });
});

describe("numbers as people read them", () => {
  it("shows the athlete's units and never breaks before them", () => {
    expect(mass(72.5, METRIC)).toBe("72.5\u00A0kg");
    expect(plain(mass(20.41165665, IMPERIAL))).toBe("45 lb");
    expect(plain(masses([4.535923700000001, 6.80388555, 11.33980925], IMPERIAL))).toBe("10, 15, 25 lb");
    expect(plain(masses([20, 27.5], METRIC))).toBe("20, 27.5 kg");
    expect(plain(distance(42.195, METRIC, 1))).toBe("42.2 km");
    expect(plain(distance(42.195, IMPERIAL, 1))).toBe("26.2 mi");
  });
  it("writes times of a session, a rest, a span of days", () => {
    expect(plain(duration(48))).toBe("48 min");
    expect(plain(duration(140))).toBe("2 h 20");
    expect(plain(duration(125))).toBe("2 h 05");
    expect(plain(duration(120))).toBe("2 h");
    expect(clock(180)).toBe("3:00");
    expect(clock(-5)).toBe("0:00");
    expect(plain(span("2026-05-18", "2026-05-24"))).toBe("18 – 24 May");
    expect(plain(span("2026-03-30", "2026-04-05"))).toBe("30 Mar – 5 Apr");
    expect([0, 1, 34, -8].map(inDays)).toEqual(["today", "tomorrow", "34 days", "8 days ago"]);
    expect([8.4, -15, 0].map(signed)).toEqual(["+8%", "−15%", "0%"]);
  });
  it("says how a load is held", () => {
    const of = (loading: string, loadKg: number | null) => plain(loadText({ loading, loadKg }, METRIC));
    expect([of("bar", 72.5), of("pair", 12), of("single", 16), of("bodyweight", null), of("bar", null)]).toEqual([
      "72.5 kg",
      "2 × 12 kg",
      "16 kg",
      "bodyweight",
      "find it",
    ]);
    expect(plain(setsByReps({ sets: 3, reps: 5, seconds: null }))).toBe("3 × 5");
    expect(plain(setsByReps({ sets: 2, reps: null, seconds: 30 }))).toBe("2 × 30 s");
    expect(sessionName("A", "restore")).toBe("Restore A");
    expect(sessionName("A", "maximal")).toBe("Heavy A");
  });
});

describe("forms", () => {
  it("read optional numbers, decimal commas, and give the rest on to be refused", () => {
    expect(["", " 12,5 ", "7", "ten"].map(numberFrom)).toEqual([undefined, 12.5, 7, "ten"]);
  });
  it("keep the exact distance that was stored, in either unit", () => {
    const marathon = 42.195;
    expect(distanceText(marathon, "mi")).toBe("26.219");
    expect(distanceFrom("26.219", "mi", marathon)).toBe(marathon);
    expect(distanceFrom("10", "mi", marathon)).toBeCloseTo(16.09344, 9);
    expect(distanceFrom("12,5", "km", undefined)).toBe(12.5);
    expect(distanceFrom("", "km", marathon)).toBeUndefined();
    expect(distanceFrom("far", "mi", undefined)).toBe("far");
  });
  it("leave empty fields out of the file", () => {
    expect(compact({ a: "", b: undefined, c: 0, d: false })).toEqual({ c: 0, d: false });
  });
});

describe("bands", () => {
  it("stand in one order, push and pull together", () => {
    expect(
      bandSets([
        { pattern: "pull", sets: 1 },
        { pattern: "trunk", sets: 2 },
        { pattern: "squat", sets: 3 },
        { pattern: "push", sets: 2 },
      ]),
    ).toEqual([
      ["S", 3],
      ["T", 2],
      ["U", 3],
    ]);
  });
});

describe("masses in a form", () => {
  it("keep what was stored while nothing is changed, and are exact when typed in pounds", () => {
    // 1 lb = 0.45359237 kg exactly (1959 agreement).
    expect(massText(2.5 * 0.45359237, "lb")).toBe("2.5");
    expect(massFrom("2.5", "lb", 1.13)).toBe(2.5 * 0.45359237);
    expect(massFrom(massText(1.13, "lb"), "lb", 1.13)).toBe(1.13);
    expect(massFrom("61,5", "kg", undefined)).toBe(61.5);
    expect(massFrom("heavy", "kg", 60)).toBe("heavy");
    expect(massFrom("", "kg", 60)).toBeUndefined();
    expect(massText(undefined, "kg")).toBe("");
  });
});
