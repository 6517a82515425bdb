import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { activeAreas, pastAreas, safetyGate, trainingAge } from "./gate";
import { PLACE_PRESETS, placeFrom } from "./presets";
import { overlappingWindows, windowsOfWeek } from "./windows";

describe("the safety gate", () => {
  it("takes the careful reading of an age that the birth year leaves open", () => {
    expect(safetyGate(athleteWith({}, { birthYear: 2008 }), "2026-03-03")).toMatchObject({ minor: true, minRir: 2 });
    expect(safetyGate(athleteWith({}, { birthYear: 2007 }), "2026-03-03").minor).toBe(false);
    expect(safetyGate(athleteWith({}, { birthYear: 1976 }), "2026-03-03").stepBackEvery).toBe(3);
    expect(safetyGate(athleteWith({}, { birthYear: 1977 }), "2026-03-03").stepBackEvery).toBe(4);
    expect(safetyGate(athleteWith({}, { birthYear: 1961 }), "2026-03-03").slower).toBe(true);
    expect(safetyGate(athleteWith({}, { birthYear: 1962 }), "2026-03-03").slower).toBe(false);
  });
  it("tells training ages apart", () => {
    expect([2.9, 3, 12, 12.1].map(trainingAge)).toEqual(["new", "novice", "novice", "trained"]);
  });
  it("opens from the day of the clearance, and keeps its limits", () => {
    const cleared = athleteWith({
      health: {
        clearanceNeeded: true,
        clearance: { date: "2026-02-01", by: "Dr. Example", limits: "", rules: ["moderate-effort", "no-impact"] },
        areas: [],
      },
    });
    expect(safetyGate(cleared, "2026-01-31")).toMatchObject({ restricted: true, minRir: 0, rules: [] });
    const gate = safetyGate(cleared, "2026-02-01");
    expect(gate).toMatchObject({ restricted: false, minRir: 4 });
    expect(gate.why.map((w) => w.text).join(" ")).toContain("moderate effort");
  });
  it("asks for a clearance with bone stress, whatever the questions said", () => {
    const bone = athleteWith({
      health: { clearanceNeeded: false, areas: [{ area: "bone-stress", side: "left", status: "current" }] },
    });
    expect(safetyGate(bone, "2026-03-03").restricted).toBe(true);
    bone.health.clearance = { date: "2026-03-01", by: "Dr. Example", limits: "" };
    expect(safetyGate(bone, "2026-03-03").restricted).toBe(false);
  });
  it("opens only what it was given for: bone stress that began after a clearance stays restricted", () => {
    const since = (day: string | undefined, cleared: string) =>
      safetyGate(
        athleteWith({
          health: {
            clearanceNeeded: true,
            clearance: { date: cleared, by: "Dr. Example", limits: "" },
            areas: [{ area: "bone-stress", side: "left", status: "current", ...(day ? { since: day } : {}) }],
          },
        }),
        "2026-03-03",
      );
    // A letter of two years before; one of the very day; one of the day before.
    expect(since("2026-02-10", "2024-03-01").restricted).toBe(true);
    expect(since("2026-02-10", "2024-03-01").why[0]?.text).toContain("began after the clearance");
    expect(since("2026-02-10", "2026-02-10").restricted).toBe(false);
    expect(since("2026-02-10", "2026-02-09").restricted).toBe(true);
    // Without a day: a clearance of the last twelve weeks (84 days) can have been given for it.
    expect(since(undefined, "2025-12-10").restricted).toBe(false);
    expect(since(undefined, "2025-12-09").restricted).toBe(true);
  });
});

describe("trouble areas", () => {
  const areas = athleteWith({
    health: {
      clearanceNeeded: false,
      areas: [
        { area: "calf", side: "left", status: "current", since: "2025-01-01" },
        { area: "groin", side: "left", status: "recent", since: "2025-12-10" },
        { area: "hip", side: "left", status: "recent" },
        { area: "shin", side: "left", status: "past" },
      ],
    },
  });
  it("count while current, and for twelve weeks when recent", () => {
    expect(activeAreas(areas, "2026-03-03")).toEqual(["calf", "groin", "hip"]);
    expect(activeAreas(areas, "2026-03-04")).toEqual(["calf", "hip"]);
    expect(pastAreas(areas, "2026-03-04")).toEqual(["groin", "shin"]);
  });
});

describe("place presets", () => {
  it("have their own id, and pounds are exact", () => {
    for (const preset of PLACE_PRESETS) expect(placeFrom(preset, "cellar").id).toBe("cellar");
    const gym = placeFrom("club-gym", "gym", "lb");
    // 1 lb = 0.45359237 kg exactly (1959 agreement).
    expect(gym.plates.find((p) => p.massKg === 2.5 * 0.45359237)).toBeDefined();
    expect(gym.bars.some((b) => b.massKg === 45 * 0.45359237)).toBe(true);
  });
});

describe("windows", () => {
  it("close on days away, or move to the place named", () => {
    const away = { start: "2026-03-03", end: "2026-03-04" };
    const of = (kind: "travel" | "illness" | "heat", place?: string) =>
      windowsOfWeek(athleteWith({ away: [{ ...away, kind, ...(place ? { place } : {}) }] }), "2026-03-02").map(
        (w) => `${w.date} ${w.place}`,
      );
    expect(of("travel")).toEqual(["2026-03-05 gym"]);
    expect(of("travel", "home")).toEqual(["2026-03-03 home", "2026-03-05 gym"]);
    expect(of("illness", "home")).toEqual(["2026-03-05 gym"]);
    expect(of("heat")).toEqual(["2026-03-03 gym", "2026-03-05 gym"]);
  });
  it("are found to overlap only on the same day", () => {
    const w = (day: number, start: string, minutes: number) => ({ day, start, minutes, place: "gym" });
    expect(overlappingWindows([w(1, "18:00", 60), w(1, "18:59", 30), w(2, "18:00", 60), w(1, "19:29", 30)])).toEqual([
      [0, 1],
    ]);
  });
});
