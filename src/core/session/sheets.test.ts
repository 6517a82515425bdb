import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { screenedAthletes } from "../../../tests/support/generate";
import type { Area, Athlete, Seen } from "../athlete/types";
import { closedBecause } from "../exercise/choose";
import { makeLibrary } from "../exercise/library";
import { RULES } from "../rulebook";
import { activationFor, lightSeconds, sheetsFor } from "./sheets";

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
  it("takes the seconds of its repetitions, both sides, and 15 s to change", () => {
    const at = (minutes: number, hidden: string[] = [], areas: Area[] = []) =>
      activationFor(choiceFor(with_(areas), { place: home, library: makeLibrary([], hidden) }), minutes);
    const seconds = (s: ReturnType<typeof at>) => s.lines.map((l) => `${l.dose} ${l.seconds}`);
    // Nine of 5, 5, 5 and 4 s on each side and of 6 s on both legs: 3 x (90 + 15) + 72 + 15 + 54 + 15 = 471 of 480 s; ten would take 515 s.
    expect(seconds(at(8))).toEqual(["9 a side 105", "9 a side 105", "9 a side 105", "9 a side 87", "9 69"]);
    expect(at(8).minutes).toBe(8);
    // Eight minutes are the most, whatever there is.
    expect(seconds(at(9))).toEqual(seconds(at(8)));
    // Six take 339 of 360 s, seven 383 s; five is the least.
    expect(at(6).lines[0]?.dose).toBe("6 a side");
    expect(at(6).minutes).toBe(6);
    expect(at(3).lines[0]?.dose).toBe("5 a side");
    // The heels walk for 20 s on both legs.
    expect(seconds(at(8, [], ["achilles"]))[4]).toBe("20 s 35");
    expect(lightSeconds(exercise("side-plank-knees"), 10, 20)).toBe(40);
    // Two items of 115 s: two rounds end within eight minutes. Three, of 305 s, are done once.
    const standing = ["single-leg-reach", "toe-tap", "march-hold-unloaded", "reverse-lunge"];
    const walls = ["wall-knee-press", "wall-pressed-squat", "wall-sit"];
    const calves = ["double-leg-calf-raise", "heel-walk", "calf-isometric", "short-foot"];
    expect(at(8, [...standing, ...walls, ...calves])).toMatchObject({ rounds: 2, minutes: 8 });
    expect(at(8, [...standing, ...walls])).toMatchObject({ rounds: 1, minutes: 6 });
  });
  it("follows the findings, and says which", () => {
    const s = sheetOf(with_([], ["hip-drop"]), "activation");
    const tap = s.lines.find((l) => l.exercise.id === "toe-tap")!;
    expect(tap.why).toMatchObject({ rule: "finding.seen" });
    expect(tap.why.text).toContain("hip drops to the free side");
    expect(ids(with_([], ["hip-flexor-fatigue"]))).toContain("march-hold-unloaded");
    // Of two that ask for the same place the first has it; where its exercise is gone, the other.
    const both = with_([], ["hip-drop", "hip-flexor-fatigue"]);
    const third = (hidden: string[]) => sheetsFor(choiceFor(both, { library: makeLibrary([], hidden) }))[0]?.lines[2];
    expect(third([])?.exercise.id).toBe("toe-tap");
    expect(third(["toe-tap"])?.exercise.id).toBe("march-hold-unloaded");
    expect(third(["toe-tap"])?.why).toMatchObject({
      rule: "finding.seen",
      text: "one single-leg balance or hinge, for: hip flexors tire or feel tight early",
    });
    // The other four of it are asked for by nothing.
    expect(s.lines.filter((l) => l.why.rule === "finding.seen")).toHaveLength(1);
  });
  it("replaces what trouble closes, and says why", () => {
    expect(ids(athleteWith())).toContain("reverse-lunge");
    const sore = sheetOf(with_(["knee-front"]), "activation");
    expect(sore.lines.map((l) => l.exercise.id)).toContain("wall-knee-press");
    expect(sore.lines.map((l) => l.why.text).join()).toContain("the front of the knee is at the stage");
    expect(sore.lines.map((l) => l.why.rule)).toEqual([
      "sheet.activation",
      "sheet.activation",
      "sheet.activation",
      "choice.swap",
      "sheet.activation",
    ]);
    expect(sore.lines[3]?.why.text).toContain("instead of reverse lunge");
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
    // Each side for its own 30 or 60 s, or its own 10 swings of 4 s, and 15 s to change: 515 s in all.
    expect(s.lines.map((l) => `${l.dose} ${l.seconds}`)).toEqual([
      "30 s a side 75",
      "30 s a side 75",
      "60 s a side 135",
      "10 a side 95",
      "60 s a side 135",
    ]);
    expect(s).toMatchObject({ rounds: 1, minutes: 9 });
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
