import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Window } from "../../core/athlete/types";
import { overlappingWindows } from "../../core/athlete/windows";
import { paint, placeAt } from "./paint";

const evening: Window = { day: 2, start: "18:00", minutes: 60, place: "gym" };

describe("painting windows", () => {
  it("adds, grows and joins stretches of one place", () => {
    expect(paint([], 2, 1080, 1140, "gym")).toEqual([evening]);
    expect(paint([evening], 2, 1140, 1170, "gym")).toEqual([{ ...evening, minutes: 90 }]);
    expect(paint([evening], 2, 1110, 1170, "gym")).toEqual([{ ...evening, minutes: 90 }]);
    expect(paint([evening, { ...evening, start: "20:00" }], 2, 1140, 1200, "gym")).toEqual([
      { ...evening, minutes: 180 },
    ]);
  });
  it("rubs out the middle, leaving both ends", () => {
    expect(paint([evening], 2, 1095, 1110, null)).toEqual([
      { ...evening, minutes: 15 },
      { ...evening, start: "18:30", minutes: 30 },
    ]);
  });
  it("gives one place's time to another, and keeps other days and odd minutes", () => {
    const odd: Window = { day: 3, start: "17:40", minutes: 50, place: "gym" };
    expect(paint([evening, odd], 2, 1110, 1140, "home")).toEqual([
      { ...evening, minutes: 30 },
      { day: 2, start: "18:30", minutes: 30, place: "home" },
      odd,
    ]);
    expect(paint([odd], 3, 1080, 1095, "gym")).toEqual([odd]);
  });
  it("drops what is too short to be a window", () => {
    expect(paint([{ ...evening, start: "17:55", minutes: 20 }], 2, 1080, 1095, null)).toEqual([]);
  });
  it("never overlaps, and shows what was painted last", () => {
    const stroke = fc.record({
      day: fc.integer({ min: 1, max: 7 }),
      from: fc.integer({ min: 20, max: 80 }).map((n) => n * 15),
      cells: fc.integer({ min: 1, max: 12 }),
      place: fc.constantFrom("gym", "home", null),
    });
    fc.assert(
      fc.property(fc.array(stroke, { maxLength: 25 }), (strokes) => {
        let windows: Window[] = [];
        for (const s of strokes) {
          windows = paint(windows, s.day, s.from, s.from + s.cells * 15, s.place);
          expect(overlappingWindows(windows)).toEqual([]);
          expect(placeAt(windows, s.day, s.from)).toBe(s.place);
        }
      }),
    );
  });
});
