import { describe, expect, it } from "vitest";
import { RULES } from "../rulebook";
import { weighs } from "./weigh";

const of = { sex: "male" as const, bodyMassKg: 70, restingHeartRate: 50, maxHeartRate: 190 };

describe("what a session weighs", () => {
  it("says load and leg share of any session, and marks an assumed effort", () => {
    const w = weighs({ date: "2026-03-03", sport: "ride", kind: "easy", minutes: 100 }, of);
    expect(w.map((x) => x.rule)).toEqual(["load.session", "load.legs"]);
    expect(w[0]!.text).toBe("Load 300 AU: effort 3 (assumed) x 100 min.");
    expect(w[1]!.text).toBe("The legs carry 0.5 of it, 150 AU.");
  });

  it("adds impulse, flat distance, hiking times and the pack where they are known", () => {
    const hike = {
      date: "2026-03-03",
      sport: "hike" as const,
      kind: "long" as const,
      minutes: 180,
      distanceKm: 10,
      ascentM: 600,
      packKg: 20,
      averageHeartRate: 120,
      rpe: 5,
    };
    const w = weighs(hike, of);
    expect(w.map((x) => x.rule)).toEqual([
      "load.session",
      "load.legs",
      "load.impulse",
      "hills.flat",
      "hike.time",
      "hike.pack",
    ]);
    // Naismith 1892: 10 km with 600 m up take 3 h.
    expect(w[4]!.text).toContain("asks 3 h 00 by distance and climb");
    expect(w[5]!.text).toMatch(/With 20 kg .* about \d+ W, \d+ W of it for the pack/);
    for (const x of w) expect(RULES[x.rule]).toBeDefined();
  });
});
