import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START } from "../../../tests/support/athlete";
import { phasePlace } from "../../api/make/season";
import type { Athlete } from "../athlete/types";
import { addDays } from "../dates";
import { plan } from "../plan";
import { withPastKept } from "./past";
import { phaseOn } from "./phase";
import { planPhases } from "./phases";

// A race that moves takes its taper along; what is past stays.
describe("a race that is moved", () => {
  const race = raceOn(addDays(START, 20 * 7 + 6), "A", 75);
  const before = athleteWith({ races: [race] });
  const build = planPhases(before).phases.find((p) => p.phase === "build")!;
  // The fourth week of eight.
  const today = addDays(build.start, 24);
  const moved = (days: number): Athlete =>
    withPastKept(before, { ...before, races: [{ ...race, date: addDays(race.date, days) }] }, today);
  const place = (a: Athlete, date: string) => {
    const p = plan(a, { from: date, weeks: 1 });
    return phasePlace(p.phases, p.weeks[0]!.season);
  };

  it("leaves the days that were trained in the phases they had", () => {
    const past = (a: Athlete) =>
      Array.from({ length: 24 }, (_, i) => phaseOn(planPhases(a).phases, addDays(build.start, i))?.phase);
    expect(past(before)).toEqual(new Array(24).fill("build"));
    for (const days of [14, 28, -14]) expect(past(moved(days)), `${days} days`).toEqual(past(before));
  });

  it("counts on: the fourth week of eight becomes the fourth of ten", () => {
    expect(place(before, today)).toMatchObject({ phaseWeeks: 8 });
    const { phaseWeek } = place(before, today);
    expect(place(moved(14), today)).toEqual({ phaseWeek, phaseWeeks: 10 });
  });

  it("takes its race phase along, and gives what lies ahead back to the plan", () => {
    const after = moved(42);
    const { phases } = planPhases(after);
    expect(phaseOn(phases, addDays(race.date, 42 - 10))?.phase).toBe("race");
    expect(phaseOn(phases, addDays(race.date, -3))?.phase).toBe("build");
    expect(phaseOn(phases, today)?.phase).toBe("base");
    expect(phaseOn(phases, addDays(today, -1))).toMatchObject({ phase: "build", fixed: false });
    expect(phaseOn(phases, addDays(today, -1))?.why).toContainEqual(expect.stringContaining("leaves the past alone"));
  });

  it("keeps the past through a second move, and keeps nothing where nothing differs", () => {
    const again = { ...moved(14), races: [{ ...race, date: addDays(race.date, 70) }] };
    const twice = withPastKept(moved(14), again, addDays(today, 7));
    for (let i = 0; i < 31; i++)
      expect(phaseOn(planPhases(twice).phases, addDays(build.start, i))?.phase, `day ${i}`).toBe("build");
    expect(moved(0).pastPhases).toBeUndefined();
    const renamed = { ...before, races: [{ ...race, name: "Another name" }] };
    expect(withPastKept(before, renamed, today)).toBe(renamed);
    expect(withPastKept(before, { ...before, races: [] }, before.season.start).pastPhases).toBeUndefined();
  });

  it("gives way where the coach sets a phase by hand", () => {
    const span = { phase: "base" as const, start: build.start, end: addDays(build.start, 6) };
    expect(phaseOn(planPhases({ ...moved(14), phases: [span] }).phases, build.start)).toMatchObject({
      phase: "base",
      fixed: true,
    });
  });
});
