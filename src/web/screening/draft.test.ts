import { describe, expect, it } from "vitest";
import { screenBody } from "../../api/requests";
import { TEST_SHEETS } from "../../core/screening/tests";
import { bodyOf, isWhole, newDraft, type ScreenDraft, stepOf, valueText } from "./draft";

const draft = (change: Partial<ScreenDraft>): ScreenDraft => ({ ...newDraft("2026-03-03"), ...change });

describe("a screen in progress", () => {
  it("is whole with both sides, or with its one value", () => {
    expect(isWhole({ sides: true }, undefined)).toBe(false);
    expect(isWhole({ sides: true }, { left: 3 })).toBe(false);
    expect(isWhole({ sides: true }, { left: 3, right: 0 })).toBe(true);
    expect(isWhole({ sides: false }, { value: 0 })).toBe(true);
  });
  it("sends what was done, leaves out what was not, and keeps what was seen before where nobody looked", () => {
    const body = bodyOf(
      draft({
        results: { "single-leg-squat": { left: 6, right: 10 }, "side-hold": { left: 20 }, "front-plank": {} },
        seen: [{ what: "hip-drop", side: "left" }],
      }),
    );
    expect(body).toEqual({
      date: "2026-03-03",
      results: [
        { test: "single-leg-squat", left: 6, right: 10 },
        { test: "side-hold", left: 20 },
      ],
      seen: null,
    });
    expect(screenBody.safeParse(body).success).toBe(true);
    expect(bodyOf(draft({ looked: true })).seen).toEqual([]);
    expect(bodyOf(draft({ looked: true, seen: [{ what: "knee-in" }] })).seen).toEqual([{ what: "knee-in" }]);
  });
});

describe("values of a test", () => {
  it("are written with their unit", () => {
    const nb = "\u00A0";
    expect(valueText({ unit: "reps" }, 1)).toBe(`1${nb}rep`);
    expect(valueText({ unit: "reps" }, 8)).toBe(`8${nb}reps`);
    expect(valueText({ unit: "s" }, 62)).toBe(`62${nb}s`);
    expect(valueText({ unit: "degrees" }, 68)).toBe("68°");
    expect(valueText({ unit: "yes-no" }, 1)).toBe("passed");
    expect(valueText({ unit: "yes-no" }, 0)).toBe("not passed");
    expect(valueText({ unit: "cm" }, null)).toBe("–");
    expect(valueText({ unit: "cm" }, undefined)).toBe("–");
  });
  it("are counted in steps that reach the highest value a test asks for", () => {
    for (const t of TEST_SHEETS) if (t.tool === "counter" && t.upTo !== null) expect(t.upTo % stepOf(t.unit)).toBe(0);
  });
});
