import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { screenedAthletes } from "../../../tests/support/generate";
import type { Area, Athlete, Seen } from "../athlete/types";
import { closedBecause } from "../exercise/choose";
import { makeLibrary } from "../exercise/library";
import { RULES } from "../rulebook";
import { sheetsFor } from "./sheets";

const sheetOf = (athlete: Athlete, id: "activation" | "before-lifting" | "after") =>
  sheetsFor(choiceFor(athlete, { place: home })).find((s) => s.id === id)!;
const ids = (athlete: Athlete, id: "activation" | "before-lifting" | "after" = "activation") =>
  sheetOf(athlete, id).lines.map((l) => l.exercise.id);
const with_ = (areas: Area[], seen: Seen[] = []) =>
  athleteWith({
    health: { clearanceNeeded: false, areas: areas.map((area) => ({ area, side: "left", status: "current" })) },
    seen: seen.map((what) => ({ what, date: "2026-02-01" })),
  });

describe("activation (rule sheet.activation; common practice, no source)", () => {
  it("is one bridge, one trunk, one single-leg, one lunge or wall press, one calf item", () => {
    const lines = sheetOf(athleteWith(), "activation").lines;
    expect(lines.map((l) => l.exercise.pattern)).toEqual(["hip", "trunk", "hinge", "split-squat", "calf"]);
    for (const l of lines) expect(l.exercise.needs.some((n) => n.length === 0) || l.exercise.bodyweightToo).toBe(true);
  });
  it("takes 6 to 8 minutes, 5 to 10 a side, one round at least", () => {
    const s = sheetOf(athleteWith(), "activation");
    expect(s.minutes).toBeGreaterThanOrEqual(6);
    expect(s.minutes).toBeLessThanOrEqual(8);
    expect(s.rounds).toBeGreaterThanOrEqual(1);
    for (const l of s.lines) {
      const [n] = /^\d+/.exec(l.dose) ?? ["0"];
      if (!/\d s/.test(l.dose)) {
        expect(Number(n)).toBeGreaterThanOrEqual(5);
        expect(Number(n)).toBeLessThanOrEqual(10);
      }
      expect(l.dose.endsWith("a side")).toBe(l.exercise.unilateral);
    }
  });
  it("follows the findings, and says which", () => {
    const s = sheetOf(with_([], ["hip-drop"]), "activation");
    const tap = s.lines.find((l) => l.exercise.id === "toe-tap")!;
    expect(tap.why).toMatchObject({ rule: "finding.seen" });
    expect(tap.why.text).toContain("hip drops to the free side");
    expect(ids(with_([], ["hip-flexor-fatigue"]))).toContain("march-hold-unloaded");
  });
  it("replaces what trouble closes, and says why", () => {
    expect(ids(athleteWith())).toContain("reverse-lunge");
    const sore = sheetOf(with_(["knee-front"]), "activation");
    expect(sore.lines.map((l) => l.exercise.id)).toContain("wall-knee-press");
    expect(sore.lines.map((l) => l.why.text).join()).toContain("the front of the knee is at the stage");
  });
  it("never takes an exercise twice, nor a hidden one", () => {
    for (const seen of [["hip-drop"], ["hip-flexor-fatigue"], ["pelvis-tilt", "hip-drop"]] as Seen[][]) {
      const list = ids(with_(["knee-front"], seen));
      expect(new Set(list).size).toBe(list.length);
    }
    const hidden = sheetsFor(choiceFor(athleteWith(), { library: makeLibrary([], ["single-leg-bridge"]) }));
    expect(hidden[0]!.lines[0]!.exercise.id).toBe("bridge");
  });
  it("is named after the sport", () => {
    const title = (sport: Athlete["athlete"]["sport"]) => sheetOf(athleteWith({}, { sport }), "activation").title;
    expect([title("run"), title("row"), title("ride"), title("hike")]).toEqual([
      "Before the run",
      "Before rowing",
      "Before the ride",
      "Before the walk",
    ]);
  });
});

describe("before lifting and after", () => {
  it("are a light ball chop, a squat and a lunge, 10 each", () => {
    const s = sheetOf(athleteWith(), "before-lifting");
    expect(s.lines.map((l) => l.name)).toEqual(["Light ball chop", "Wall-facing squat", "Reverse lunge"]);
    expect(s.lines.every((l) => l.dose.startsWith("10"))).toBe(true);
    expect(ids(with_(["low-back"]), "before-lifting")).not.toContain("half-kneeling-chop");
    expect(ids(with_(["knee-front"]), "before-lifting")).toEqual([
      "half-kneeling-chop",
      "wall-facing-squat",
      "supported-split-squat",
    ]);
  });
  it("are stretches held for 30 s or more", () => {
    const s = sheetOf(athleteWith(), "after");
    expect(s.lines.length).toBeGreaterThanOrEqual(4);
    for (const l of s.lines.filter((x) => /\d s/.test(x.dose)))
      expect(Number(/^\d+/.exec(l.dose)?.[0])).toBeGreaterThanOrEqual(30);
    expect(s.lines.every((l) => l.exercise.pattern === "mobility")).toBe(true);
  });
});

describe("any athlete's sheets", () => {
  it("hold nothing that is closed to them, and only rules that are registered", () => {
    fc.assert(
      fc.property(screenedAthletes(), (a) => {
        const c = choiceFor(a, { place: { ...home, other: [] }, unloaded: true });
        for (const s of sheetsFor(c))
          for (const l of s.lines) {
            if (l.exercise !== exercise("half-kneeling-chop"))
              expect(closedBecause(l.exercise, c), l.exercise.id).toBeNull();
            expect(RULES[l.why.rule], l.why.rule).toBeDefined();
          }
      }),
      { numRuns: 60 },
    );
  });
});
