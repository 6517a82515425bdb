import { describe, expect, it } from "vitest";
import type { EnduranceSession } from "../athlete/types";
import { scaled } from "./scale";

const run = (date: string, more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date,
  sport: "run",
  kind: "easy",
  minutes: 50,
  ...more,
});

describe("more or fewer planned miles", () => {
  const hilly = run("2026-03-04", { distanceKm: 10, ascentM: 200, descentM: 100, rpe: 4, start: "07:00" });
  it("take minutes, distance, ascent and descent in proportion; effort, kind and hour stay", () => {
    expect(scaled([hilly], { from: "2026-03-04", percent: 120 })).toEqual([
      { ...hilly, minutes: 60, distanceKm: 12, ascentM: 240, descentM: 120 },
    ]);
    expect(scaled([run("2026-03-04")], { from: "2026-03-03", percent: 50 })).toEqual([
      run("2026-03-04", { minutes: 25 }),
    ]);
  });
  it("leave what is done and what lies before, and never come to nothing", () => {
    const rest = [run("2026-03-03"), run("2026-03-05", { done: true })];
    expect(scaled(rest, { from: "2026-03-04", percent: 50 })).toEqual(rest);
    expect(scaled([run("2026-03-04", { done: false })], { from: "2026-03-04", percent: 50 })[0]?.minutes).toBe(25);
    expect(scaled([hilly], { from: "2026-03-04", percent: 0 })[0]?.minutes).toBe(1);
    expect(scaled([hilly], { from: "2026-03-04", percent: 100 })).toEqual([hilly]);
  });
});
