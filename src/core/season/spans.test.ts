/** Spans of days to the day: where a boundary may go, what is cut from the coach's own, what of the past stays, and when clashes are ones. */
import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START } from "../../../tests/support/athlete";
import type { Away, Phase, PhaseSpan } from "../athlete";
import { addDays } from "../dates";
import { backToComputed, boundaryRange, moveBoundary, withSpan } from "./boundaries";
import { clashesOf, type RaceDays, type Racing } from "./clashes";
import { withPastKept } from "./past";
import { phaseOn } from "./phase";
import { planPhases } from "./phases";

const day = (n: number) => addDays(START, n);
const span = (phase: Phase, from: number, to: number): PhaseSpan => ({ phase, start: day(from), end: day(to) });

describe("where a boundary may go", () => {
  const phases = [span("base", 0, 9), span("build", 10, 19), span("race", 20, 29), span("recovery", 30, 39)];
  const range = (index: number, races: Parameters<typeof boundaryRange>[1] = []) => boundaryRange(phases, races, index);
  it("leaves either phase one day", () => {
    expect(range(0)).toEqual({ first: day(1), last: day(19) });
    expect(range(3)).toBeNull();
    expect(range(-1)).toBeNull();
    const two = [span("base", 0, 0), span("build", 1, 1)];
    expect(boundaryRange(two, [], 0)).toEqual({ first: day(1), last: day(1) });
  });
  it("keeps an A race and all its days in its race phase, on either side, and heeds no other race", () => {
    const race = raceOn(day(25), "A", 75, { days: 3 });
    expect(range(1, [race])).toEqual({ first: day(11), last: day(25) });
    expect(range(2, [race])).toEqual({ first: day(28), last: day(39) });
    for (const n of [20, 29]) expect(range(1, [raceOn(day(n), "A", 75)])!.last).toBe(day(n));
    expect(range(1, [raceOn(day(19), "A", 75)])!.last).toBe(day(29));
    expect(range(1, [raceOn(day(30), "A", 75)])!.last).toBe(day(29));
    expect(range(1, [{ ...race, priority: "B" }])!.last).toBe(day(29));
    expect(range(2, [{ ...race, priority: "C" }])!.first).toBe(day(21));
    // A race in a base phase of the coach's own binds nothing.
    expect(range(0, [raceOn(day(5), "A", 75)])).toEqual({ first: day(1), last: day(19) });
    // Two races: the last one before, the first one after.
    expect(range(2, [raceOn(day(22), "A", 75), raceOn(day(27), "A", 75)])!.first).toBe(day(28));
    expect(range(1, [raceOn(day(27), "A", 75), raceOn(day(22), "A", 75)])!.last).toBe(day(22));
  });
  it("makes the phase that grew the coach's own, and is taken to the nearest allowed day", () => {
    const move = (to: number, own: PhaseSpan[] = []) => moveBoundary(phases, [], own, 0, day(to));
    expect(move(12)).toEqual([span("base", 0, 11)]);
    expect(move(8)).toEqual([span("build", 8, 19)]);
    expect(move(-5)).toEqual([span("build", 1, 19)]);
    expect(move(99)).toEqual([span("base", 0, 18)]);
    expect(move(10)).toEqual([]);
    const own = [span("race", 20, 29), span("build", 5, 14)];
    expect(move(10, own)).toEqual(own);
    // What lies under the one that grew is cut away.
    expect(move(12, own)).toEqual([span("base", 0, 11), span("build", 12, 14), span("race", 20, 29)]);
    expect(moveBoundary(phases, [], own, 3, day(35))).toEqual(own);
  });
});

describe("the coach's own spans", () => {
  const own = [span("base", 0, 9), span("build", 20, 29)];
  it("give way to another to the day, left and right of it", () => {
    expect(withSpan(own, span("race", 5, 24))).toEqual([
      span("base", 0, 4),
      span("race", 5, 24),
      span("build", 25, 29),
    ]);
    expect(withSpan(own, span("race", 3, 5))).toEqual([
      span("base", 0, 2),
      span("race", 3, 5),
      span("base", 6, 9),
      span("build", 20, 29),
    ]);
    expect(withSpan(own, span("race", 0, 9))).toEqual([span("race", 0, 9), span("build", 20, 29)]);
    expect(withSpan(own, span("race", 10, 19))).toEqual([
      span("base", 0, 9),
      span("race", 10, 19),
      span("build", 20, 29),
    ]);
  });
  it("go back to computed where a phase is given back, and stay beside it", () => {
    expect(backToComputed(own, span("race", 9, 20))).toEqual([span("base", 0, 8), span("build", 21, 29)]);
    expect(backToComputed(own, span("race", 10, 19))).toEqual(own);
    expect(backToComputed([...own].reverse(), span("race", 40, 41))).toEqual(own);
  });
});

describe("the past", () => {
  const race = raceOn(day(120), "A", 75);
  const before = athleteWith({ races: [race] });
  const moved = athleteWith({ races: [raceOn(day(134), "A", 75)] });
  const phaseAt = (a: typeof before, n: number) => phaseOn(planPhases(a).phases, day(n))?.phase;
  it("is kept up to the day before today, where a change would rewrite it", () => {
    // Build began on day 54; two weeks later it would begin on day 68.
    expect([phaseAt(before, 53), phaseAt(before, 54), phaseAt(moved, 67)]).toEqual(["base", "build", "base"]);
    const after = withPastKept(before, moved, day(60));
    expect(after.pastPhases).toEqual([span("base", 0, 53), span("build", 54, 59)]);
    expect([phaseAt(after, 59), phaseAt(after, 54), phaseAt(after, 53)]).toEqual(["build", "build", "base"]);
  });
  it("is not written down where nothing of it changes, nor before the season", () => {
    expect(withPastKept(before, moved, day(54))).toBe(moved);
    expect(withPastKept(before, moved, day(55)).pastPhases).toEqual([span("base", 0, 53), span("build", 54, 54)]);
    expect(withPastKept(before, moved, START)).toBe(moved);
    expect(withPastKept(before, before, day(60))).toBe(before);
    const renamed = { ...before, athlete: { ...before.athlete, name: "Other" } };
    expect(withPastKept(before, renamed, day(60))).toBe(renamed);
  });
  it("of a season that begins later is not asked of the days before it", () => {
    const later = { ...moved, season: { start: day(60), end: before.season.end } };
    expect(withPastKept(before, later, day(60))).toBe(later);
  });
});

describe("clashes, to the day", () => {
  const race = (date: string, more: Partial<RaceDays> = {}): RaceDays => ({
    date,
    name: `Race of ${date}`,
    priority: "A",
    ...more,
  });
  const who = (id: string, races: RaceDays[], away: Away[] = []): Racing => ({ id, name: id, races, away });
  const kinds = (club: Racing[], absences: Parameters<typeof clashesOf>[1] = [], from = "2026-01-01") =>
    clashesOf(club, absences, from).map((c) => c.kind);
  it("an absence meets a race on its first and last day, and on any day of a race of several", () => {
    const away = { start: "2026-05-13", end: "2026-05-15", what: "Course" };
    const met = (date: string, days = 1) => kinds([who("Ada", [race(date, { days })])], [away]).length;
    expect(["2026-05-12", "2026-05-13", "2026-05-15", "2026-05-16"].map((d) => met(d))).toEqual([0, 1, 1, 0]);
    expect([met("2026-05-11", 2), met("2026-05-11", 3)]).toEqual([0, 1]);
    expect(clashesOf([who("Ada", [race("2026-05-14")])], [away], "2026-01-01")[0]!.text).toBe(
      "Course: 1 athlete races meanwhile, Ada (A).",
    );
    // Two races of one athlete are one who races.
    const twice = clashesOf([who("Ada", [race("2026-05-13"), race("2026-05-15")])], [away], "2026-01-01")[0]!;
    expect(twice.athletes).toEqual(["Ada"]);
  });
  it("a weekend is Saturday and Sunday, also of a race that only ends there", () => {
    const three = (...dates: [string, number][]) =>
      clashesOf(
        dates.map(([d, days], i) => who(`P${i}`, [race(d, { days })])),
        [],
        "2026-01-01",
      );
    // 16 May 2026 is a Saturday.
    expect(three(["2026-05-16", 1], ["2026-05-17", 1], ["2026-05-14", 3])[0]).toMatchObject({
      kind: "many-races",
      start: "2026-05-16",
      end: "2026-05-17",
      athletes: ["P0", "P1", "P2"],
    });
    expect(three(["2026-05-16", 1], ["2026-05-17", 1], ["2026-05-14", 2])).toEqual([]);
    expect(three(["2026-05-16", 1], ["2026-05-17", 1], ["2026-05-18", 1])).toEqual([]);
    expect(three(["2026-05-16", 1], ["2026-05-17", 1], ["2026-05-23", 1])).toEqual([]);
    // One athlete with two races on it is one athlete.
    expect(kinds([who("Ada", [race("2026-05-16"), race("2026-05-17")]), who("Ben", [race("2026-05-16")])])).toEqual([]);
  });
  it("an athlete's own absence is one on the days of the race alone, not for heat or height", () => {
    const own = (kind: Away["kind"], start = "2026-05-10", end = "2026-05-12") =>
      kinds([who("Ada", [race("2026-05-13", { days: 2 })], [{ kind, start, end }])]);
    expect(own("travel")).toEqual([]);
    expect(own("travel", "2026-05-10", "2026-05-13")).toEqual(["athlete-away"]);
    expect(own("illness", "2026-05-14", "2026-05-20")).toEqual(["athlete-away"]);
    expect(own("travel", "2026-05-15", "2026-05-20")).toEqual([]);
    expect(own("height", "2026-05-10", "2026-05-13")).toEqual([]);
    expect(own("heat", "2026-05-10", "2026-05-13")).toEqual([]);
  });
  it("stand in order of their first day, then of their kind, and are past the day after their last", () => {
    const away = { start: "2026-05-13", end: "2026-05-13", what: "Course" };
    const ada = who("Ada", [race("2026-05-13")], [{ kind: "travel", start: "2026-05-13", end: "2026-05-13" }]);
    const early = who("Ben", [race("2026-04-01")], [{ kind: "travel", start: "2026-04-01", end: "2026-04-01" }]);
    expect(kinds([ada, early], [away])).toEqual(["athlete-away", "athlete-away", "coach-away"]);
    expect(clashesOf([ada, early], [away], "2026-01-01").map((c) => c.start)).toEqual([
      "2026-04-01",
      "2026-05-13",
      "2026-05-13",
    ]);
    expect(kinds([ada], [away], "2026-05-13")).toHaveLength(2);
    expect(kinds([ada], [away], "2026-05-14")).toEqual([]);
  });
});
