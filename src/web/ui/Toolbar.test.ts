/** Widths in pixels, the gap between two buttons 8, the button that holds the rest 60: counted by hand. */
import { describe, expect, it } from "vitest";
import { roomFor } from "./toolbarRoom";

describe("a toolbar", () => {
  it("shows all of its buttons where they fit, to the pixel", () => {
    expect(roomFor([100, 100], 216, 0, 60, false)).toBe(2);
    expect(roomFor([100, 100], 215, 0, 60, false)).toBe(1);
  });
  it("keeps room for what stands in any case, and for the button that holds the rest", () => {
    // 50 kept, 108 for the first, 68 for the rest.
    expect(roomFor([100, 100], 226, 50, 60, false)).toBe(1);
    expect(roomFor([100, 100], 225, 50, 60, false)).toBe(0);
  });
  it("has the button that holds the rest from the start where something always stands under it", () => {
    expect(roomFor([100], 176, 0, 60, true)).toBe(1);
    expect(roomFor([100], 175, 0, 60, true)).toBe(0);
    expect(roomFor([100], 175, 0, 60, false)).toBe(1);
  });
  it("shows none where there is no room at all", () => {
    expect(roomFor([40, 40, 40], 0, 0, 60, false)).toBe(0);
    expect(roomFor([], 0, 0, 60, false)).toBe(0);
  });
});
