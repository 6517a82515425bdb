import { describe, expect, it } from "vitest";
import type { EndurancePlan } from "../../core/athlete";
import { ruleFrom } from "../../core/mileage";
import {
  amountFrom,
  amountNumber,
  copiedAmounts,
  pastedNumbers,
  shifted,
  shownAmounts,
  timesAmounts,
  withRule,
} from "./amounts";

const W = ["2026-01-05", "2026-01-12", "2026-01-19", "2026-01-26"] as const;
const plan: EndurancePlan = { unit: "km", usualWeeks: [], weeks: [] };
const now = new Map(W.map((w, i) => [w as string, 40 + i]));

describe("weekly amounts by hand", () => {
  it("are those a season shows, and what was typed since", () => {
    const shown = shownAmounts(
      [
        { start: W[0], amount: { amount: 40 } },
        { start: W[1], amount: null },
      ],
      { ...plan, weeks: [{ week: W[0], amount: 35 }] },
    );
    expect([...shown]).toEqual([[W[0], 35]]);
  });
  it("go up and down in percent, to a tenth", () => {
    expect([...timesAmounts(now, [W[1], "2026-03-02"], 0.8)]).toEqual([[W[1], 32.8]]);
  });
  it("are copied to later weeks", () => {
    expect([...copiedAmounts(now, W[0], 2, W[2])]).toEqual([
      [W[2], 40],
      [W[3], 41],
    ]);
  });
  it("are shifted: what opens repeats the week before, what lies before stays", () => {
    expect(shifted(plan, now, W[1], 1, W[3]).weeks.map((w) => w.amount)).toEqual([40, 41, 42]);
    expect(shifted(plan, now, W[1], -1, W[3]).weeks.map((w) => w.amount)).toEqual([42, 43]);
  });
  it("are pasted from a column or a row; words are refused", () => {
    expect(pastedNumbers("55\n57,5\n60")).toEqual([55, 57.5, 60]);
    expect(pastedNumbers("55\t60\r\n")).toEqual([55, 60]);
    expect(pastedNumbers("55\nkm")).toBeNull();
    expect(pastedNumbers("  ")).toBeNull();
  });
  it("are typed in the athlete's units and stored in km and minutes", () => {
    const mi = { massUnit: "kg", distanceUnit: "mi" } as const;
    expect(amountNumber(16.09344, "km", mi)).toBe(10);
    expect(amountFrom(10, "km", mi)).toBeCloseTo(16.09344, 9);
    expect(amountNumber(450, "minutes", mi)).toBe(7.5);
    expect(amountFrom(7.5, "minutes", mi)).toBe(450);
  });
  it("give way to a rule from its first week on", () => {
    const typed = { ...plan, weeks: W.map((week) => ({ week, amount: 30 })) };
    const ruled = withRule(typed, ruleFrom("2026-01-21", 50, 60));
    expect(ruled.weeks.map((w) => w.week)).toEqual([W[0], W[1]]);
    expect(ruled.rule?.from).toBe(W[2]);
  });
});
