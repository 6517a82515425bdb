import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { athletes } from "../../../tests/support/generate";
import type { Athlete, PhaseSpan } from "../athlete/types";
import { addDays, daysBetween } from "../dates";
import { backToComputed, boundaryIn, boundaryRange, moveBoundary, withSpan } from "./boundaries";
import { planPhases } from "./phases";

const season = { start: "2026-01-05", end: "2026-08-30" };
const race = {
  id: "r",
  date: "2026-06-14",
  name: "Long race",
  sport: "run" as const,
  expectedMinutes: 200,
  priority: "A" as const,
};
const athlete = athleteWith({ season, races: [race] });
const phasesOf = (a: Athlete, phases: PhaseSpan[]) => planPhases({ ...a, phases }).phases;

describe("a boundary as it was shown", () => {
  // Counted by hand: base, build, race, recovery, base, build, race; the second build begins on 1 July.
  const starts = ["2026-01-05", "2026-03-02", "2026-04-20", "2026-05-11", "2026-05-25", "2026-07-01", "2026-08-10"];
  const kinds = ["base", "build", "race", "recovery", "base", "build", "race"] as const;
  const phases = kinds.map((phase, i) => ({
    phase,
    start: starts[i]!,
    end: addDays(starts[i + 1] ?? "2026-08-31", -1),
  }));
  const shown = (start: string, before: (typeof kinds)[number] = "build", after: (typeof kinds)[number] = "race") =>
    boundaryIn(phases, { before, after, start });

  it("is the nearest one in time where the same two phases meet, whatever was counted before it", () => {
    expect(shown("2026-04-20")).toBe(1);
    expect(shown("2026-05-04")).toBe(1);
    // Halfway between 20 April and 10 August lies 15 June: the earlier one of two as near, the later one from there.
    expect(shown("2026-06-15")).toBe(1);
    expect(shown("2026-06-16")).toBe(5);
    expect(shown("2026-01-06", "race", "recovery")).toBe(2);
  });

  it("is nowhere where those two do not meet", () => {
    expect(shown("2026-04-20", "base", "race")).toBeNull();
    expect(boundaryIn([], { before: "build", after: "race", start: "2026-04-20" })).toBeNull();
  });
});

describe("a boundary moved by hand", () => {
  const { phases } = planPhases(athlete);
  const build = phases.findIndex((p) => p.phase === "build");

  it("stays where it is put, whichever way it goes", () => {
    for (const by of [-10, 12]) {
      const at = addDays(phases[build]!.start, by);
      const own = moveBoundary(phases, athlete.races, [], build - 1, at);
      expect(own).toHaveLength(1);
      const next = phasesOf(athlete, own);
      expect(next.find((p) => p.phase === "build")!.start).toBe(at);
      expect(next.find((p) => p.phase === "base")!.end).toBe(addDays(at, -1));
      // It stays when the race moves a week, and the rest gives way.
      const moved = phasesOf({ ...athlete, races: [{ ...race, date: addDays(race.date, 7) }] }, own);
      expect(
        by < 0
          ? moved.some((p) => p.phase === "build" && p.start === at)
          : moved.some((p) => p.phase === "base" && p.end === addDays(at, -1)),
      ).toBe(true);
    }
  });

  it("never takes the race out of its race phase, and leaves each phase a day", () => {
    const toRace = boundaryRange(phases, athlete.races, build)!;
    expect(toRace).toEqual({ first: addDays(phases[build]!.start, 1), last: race.date });
    const after = boundaryRange(phases, athlete.races, build + 1)!;
    expect(after.first).toBe(addDays(race.date, 1));
    const own = moveBoundary(phases, athlete.races, [], build, "2026-12-01");
    expect(phasesOf(athlete, own).find((p) => p.start <= race.date && p.end >= race.date)!.phase).toBe("race");
    expect(boundaryRange(phases, athlete.races, phases.length - 1)).toBeNull();
  });

  it("goes back to computed, one or all", () => {
    const first = moveBoundary(phases, athlete.races, [], build - 1, addDays(phases[build]!.start, -10));
    const both = moveBoundary(
      phasesOf(athlete, first),
      athlete.races,
      first,
      build,
      addDays(phases[build + 1]!.start, -4),
    );
    expect(both).toHaveLength(2);
    const one = phasesOf(athlete, both).find((p) => p.fixed && p.phase === "race")!;
    expect(backToComputed(both, one)).toEqual([
      { phase: "build", start: first[0]!.start, end: addDays(one.start, -1) },
    ]);
    expect(phasesOf(athlete, [])).toEqual(phases);
  });

  it("property: over any calendar the moved boundary is where it was put, nothing overlaps, and spans tile", () => {
    fc.assert(
      fc.property(athletes, fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), (a, pick, share) => {
        const before = planPhases(a).phases;
        const index = pick % Math.max(1, before.length - 1);
        const range = boundaryRange(before, a.races, index);
        if (!range) return;
        const at = addDays(range.first, Math.floor(share * daysBetween(range.first, range.last)));
        const own = moveBoundary(before, a.races, a.phases ?? [], index, at);
        own.forEach((s, i) => {
          expect(s.start <= s.end).toBe(true);
          if (i > 0) expect(own[i - 1]!.end < s.start).toBe(true);
        });
        const after = phasesOf(a, own);
        const on = (date: string) => after.find((p) => p.start <= date && date <= p.end)!.phase;
        expect(on(at)).toBe(before[index + 1]!.phase);
        expect(on(addDays(at, -1))).toBe(before[index]!.phase);
      }),
      { numRuns: 300, seed: 11 },
    );
  });
});

describe("a hold of more than six weeks", () => {
  const weekly = (n: number, priority: "A" | "B") =>
    Array.from({ length: n }, (_, i) => ({
      id: `s${i}`,
      date: addDays("2026-04-05", i * 7),
      name: `Round ${i + 1}`,
      sport: "run" as const,
      expectedMinutes: 40,
      priority,
    }));

  it("proposes two weeks of build clear of the races, and taking them over keeps them", () => {
    const a = athleteWith({
      season,
      races: [
        { ...race, id: "one", date: "2026-04-05", expectedMinutes: 25 },
        { ...race, id: "two", date: "2026-05-14", expectedMinutes: 25 },
        { ...race, id: "three", date: "2026-06-20", expectedMinutes: 25 },
      ],
    });
    // The coach's own race phase makes the hold long; computed ones hold recoveries.
    const held = { ...a, phases: [{ phase: "race" as const, start: "2026-04-06", end: "2026-06-20" }] };
    const warning = planPhases(held).warnings.find((w) => w.code === "long-hold")!;
    const block = warning.proposal!;
    expect(daysBetween(block.start, block.end)).toBe(13);
    for (const r of a.races) expect(block.end < addDays(r.date, -7) || block.start > addDays(r.date, 5)).toBe(true);
    const next = phasesOf(a, withSpan(held.phases, block));
    expect(next.find((p) => p.start === block.start)).toMatchObject({ phase: "build", end: block.end, fixed: true });
  });

  it("counts the recoveries of a racing period in, as nothing is raised in them", () => {
    const short = (id: string, date: string) => ({ ...race, id, date, name: `Round ${id}`, expectedMinutes: 25 });
    // Short races need 40 days for a build of their own; at 36 they are one racing period.
    const a = athleteWith({
      season,
      races: [short("1", "2026-05-03"), short("2", "2026-06-08"), short("3", "2026-07-14")],
    });
    const { phases, warnings } = planPhases(a);
    expect(phases.filter((p) => p.start > "2026-05-03" && p.end < "2026-07-14").map((p) => p.phase)).not.toContain(
      "build",
    );
    const { proposal } = warnings.find((w) => w.code === "long-hold")!;
    expect(daysBetween(proposal!.start, proposal!.end)).toBe(13);
    expect(proposal!.start > "2026-05-08" && proposal!.end < "2026-07-07").toBe(true);
    expect(planPhases({ ...a, races: a.races.slice(0, 1) }).warnings.map((w) => w.code)).not.toContain("long-hold");
  });

  it("says where the races leave no room", () => {
    const a = athleteWith({ season, races: weekly(10, "B") });
    const held = { ...a, phases: [{ phase: "race" as const, start: "2026-04-01", end: "2026-06-10" }] };
    const warning = planPhases(held).warnings.find((w) => w.code === "long-hold")!;
    expect(warning.proposal).toBeUndefined();
    expect(warning.text).toContain("no room");
  });
});
