import { describe, expect, it } from "vitest";
import { RULES } from "../rulebook";
import { weighs } from "./weigh";

const of = { sex: "male" as const, bodyMassKg: 70, restingHeartRate: 50, maxHeartRate: 190 };

const hike = {
  date: "2026-03-03",
  sport: "hike" as const,
  kind: "long" as const,
  minutes: 180,
  distanceKm: 10,
  ascentM: 600,
  averageHeartRate: 120,
  rpe: 5,
};

describe("what a session weighs", () => {
  it("says load and leg share of any session, and marks an assumed effort", () => {
    const w = weighs({ date: "2026-03-03", sport: "ride", kind: "easy", minutes: 100 }, of);
    expect(w.map((x) => x.rule)).toEqual(["load.session", "load.legs"]);
    expect(w[0]!.text).toBe("Load 300 AU: effort 3 (assumed) x 100 min.");
    expect(w[1]!.text).toBe("The legs carry 0.5 of it, 150 AU.");
  });

  it("adds impulse, flat distance, hiking times and the pack where they are known", () => {
    const w = weighs({ ...hike, packKg: 20 }, of);
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

  it("counts each figure as by hand", () => {
    const text = (more: object, rule: string) => weighs({ ...hike, ...more }, of).find((x) => x.rule === rule)?.text;
    expect(text({}, "load.session")).toBe("Load 900 AU: effort 5 x 180 min.");
    // 0.8 for hiking, 0.01 a kg of 20, 0.1 a km of 0.6 down (as much as up).
    expect(text({ packKg: 20 }, "load.legs")).toBe("The legs carry 1.06 of it, 954 AU, more for pack and descent.");
    expect(text({ ascentM: undefined }, "load.legs")).toBe("The legs carry 0.8 of it, 720 AU.");
    // Half the reserve: 180 x 0.5 x 0.64 x e^0.96.
    expect(text({}, "load.impulse")).toContain("impulse 150 from a mean heart rate of 120 between 50 and 190");
    expect(text({ averageHeartRate: undefined }, "load.impulse")).toBeUndefined();
    // Up 0.12 at 3.31 km/h and down at 4.70, 5 km each; on the level 10 km at 5.04.
    expect(text({}, "hike.time")).toContain("asks 3 h 00 by distance and climb, 2 h 35 by slope");
    expect(text({ ascentM: undefined }, "hike.time")).toContain("asks 2 h 00 by distance and climb, 1 h 59 by slope");
    expect(text({ distanceKm: 5.4, ascentM: undefined }, "hike.time")).toContain("asks 1 h 05 by distance");
    expect(text({ distanceKm: undefined }, "hike.time")).toBeUndefined();
    expect(text({ sport: "run" }, "hike.time")).toBeUndefined();
    // 0.926 m/s, 70 kg: 105 + 2 x 90 x (20/70)^2 + 90 x 1.5 x 0.857 = 235 W, against 195 W with nothing.
    expect(text({ packKg: 20 }, "hike.pack")).toMatch(/With 20 kg .* about 235 W, 40 W of it/);
    expect(text({}, "hike.pack")).toBeUndefined();
    expect(text({ packKg: 0 }, "hike.pack")).toBeUndefined();
    expect(text({ sport: "run", packKg: 20 }, "hike.pack")).toBeUndefined();
    expect(text({ sport: "ride" }, "hills.flat")).toBeUndefined();
    expect(text({ descentM: 200 }, "hills.flat")).not.toContain("taking as much");
    expect(text({}, "hills.flat")).toContain("12.9 km on the flat, taking as much down as up");
  });
});
