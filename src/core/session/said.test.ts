import { describe, expect, it } from "vitest";
import { clock, weeksIn } from "../dates";
import { massIn } from "../units";
import { groupOf, together, workText } from "./said";

describe("what is written of an item", () => {
  it("is a range of reps, one number, or seconds", () => {
    expect(workText({ repsLow: 4, reps: 6, seconds: null })).toBe("4–6");
    expect(workText({ repsLow: 6, reps: 6, seconds: null })).toBe("6");
    expect(workText({ reps: 8 })).toBe("8");
    expect(workText({ repsLow: null, reps: null, seconds: 30 })).toBe("30 s");
  });

  it("says who is alternated with whom, past the ninth group too", () => {
    expect(groupOf({ pair: "12B" })).toBe(12);
    expect(together({ pair: "1A" }, { pair: "1B" })).toBe(true);
    expect(together({ pair: "1A" }, { pair: "11A" })).toBe(false);
    expect(together({ pair: "1" }, undefined)).toBe(false);
  });

  it("is rounded as it is shown, and never counts sixty seconds", () => {
    expect([massIn(52.126, "kg"), massIn(20, "lb"), massIn(20, undefined)]).toEqual([52.13, 44.1, 20]);
    expect([clock(180), clock(119.7), clock(45)]).toEqual(["3:00", "2:00", "0:45"]);
  });

  it("counts both days of a span into its weeks", () => {
    expect([
      weeksIn("2026-03-02", "2026-03-08"),
      weeksIn("2026-03-02", "2026-03-12"),
      weeksIn("2026-03-02", "2026-03-03"),
    ]).toEqual([1, 2, 1]);
  });
});
