import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START } from "../../../tests/support/athlete";
import { addDays, daysBetween } from "../dates";
import { phaseOn, planPhases } from "./phases";
import { CLASS_RULES, raceClass, raceMinutes } from "./races";

const lengths = (a: ReturnType<typeof athleteWith>) =>
  planPhases(a).phases.map((p) => [p.phase, daysBetween(p.start, p.end) + 1] as const);

describe("race classes", () => {
  // Rule race.class: short under 30 min, middle to 2 h, long to 5 h, very long above (common practice, no source).
  it.each([
    [29, "short"],
    [30, "middle"],
    [120, "middle"],
    [121, "long"],
    [300, "long"],
    [301, "very long"],
  ] as const)("%d minutes is %s", (minutes, name) => {
    expect(raceClass(raceOn("2026-05-17", "A", minutes))).toBe(name);
  });

  it("estimates a missing duration from distance, ascent and sport, and says so", () => {
    const r = { ...raceOn("2026-05-17", "A", 1), distanceKm: 21, ascentM: 900 };
    const { expectedMinutes: _, ...open } = r;
    expect(raceMinutes(open)).toEqual({ minutes: 180, assumed: true });
    expect(raceMinutes(r)).toEqual({ minutes: 1, assumed: false });
  });
});

describe("phases from races", () => {
  // Rule race.class (common practice, no source).
  it.each([
    [25, 7, 5],
    [75, 10, 10],
    [200, 14, 18],
    [380, 18, 28],
  ])("a race of %d min takes %d days before and %d after", (minutes, before, after) => {
    const race = raceOn(addDays(START, 120), "A", minutes);
    const { phases } = planPhases(athleteWith({ races: [race] }));
    const at = phases.findIndex((p) => p.phase === "race");
    expect(daysBetween(phases[at]!.start, race.date)).toBe(before);
    expect(phases[at]!.end).toBe(race.date);
    expect(phases[at + 1]!.phase).toBe("recovery");
    expect(daysBetween(phases[at + 1]!.start, phases[at + 1]!.end) + 1).toBe(after);
    expect(phases[at - 1]!.phase).toBe("build");
    expect(daysBetween(phases[at - 1]!.start, phases[at - 1]!.end) + 1).toBe(56);
    expect(phases[0]!.phase).toBe("base");
  });

  it("counts recovery from the last day of a race of several days", () => {
    const race = raceOn(addDays(START, 120), "A", 400, { days: 4 });
    const { phases } = planPhases(athleteWith({ races: [race] }));
    expect(phases.find((p) => p.phase === "recovery")!.start).toBe(addDays(race.date, 4));
  });

  it("lets base give way first, then build, and says what it costs", () => {
    const { phases, warnings } = planPhases(athleteWith({ races: [raceOn(addDays(START, 34), "A", 75)] }));
    expect(phases[0]!.phase).toBe("build");
    expect(daysBetween(phases[0]!.start, phases[0]!.end) + 1).toBe(24);
    expect(warnings.map((w) => w.code)).toEqual(expect.arrayContaining(["no-room-for-base", "short-build"]));
  });

  // 40, 48, 60, 74 days by class: recovery + 4 weeks of build + race phase.
  it.each([
    [25, 40],
    [75, 48],
    [200, 60],
    [380, 74],
  ])("two A races of %d min form one racing period when fewer than %d days lie between", (minutes, needed) => {
    const first = raceOn(addDays(START, 70), "A", minutes);
    const near = raceOn(addDays(first.date, needed), "A", minutes);
    const far = raceOn(addDays(first.date, needed + 1), "A", minutes);
    const codes = (r: typeof near) => planPhases(athleteWith({ races: [first, r] })).warnings.map((w) => w.code);
    expect(codes(near)).toContain("one-racing-period");
    expect(codes(far)).not.toContain("one-racing-period");
  });

  it("keeps the coach's own boundaries and lets the rest give way", () => {
    const own = { phase: "base" as const, start: addDays(START, 60), end: addDays(START, 80) };
    const a = athleteWith({ races: [raceOn(addDays(START, 120), "A", 75)], phases: [own] });
    const { phases } = planPhases(a);
    expect(phases.find((p) => p.fixed)).toMatchObject(own);
    expect(phaseOn(phases, addDays(own.end, 1))!.phase).toBe("build");
  });

  it("warns where a race falls in a phase that the coach has set to something else", () => {
    const race = raceOn(addDays(START, 70), "A", 75);
    const a = athleteWith({
      races: [race],
      phases: [{ phase: "base", start: addDays(START, 65), end: addDays(START, 75) }],
    });
    expect(planPhases(a).warnings).toContainEqual(
      expect.objectContaining({ code: "race-outside-race-phase", date: race.date }),
    );
  });

  it("rolls base and build where there is no A race", () => {
    expect(lengths(athleteWith())).toEqual([
      ["base", 56],
      ["build", 42],
      ["base", 56],
      ["build", 35],
    ]);
  });

  it("notes a hold of over six weeks, and the runners' rule beside our recovery", () => {
    const long = athleteWith({ phases: [{ phase: "race", start: addDays(START, 20), end: addDays(START, 70) }] });
    expect(planPhases(long).warnings.map((w) => w.code)).toContain("long-hold");
    const marathon = { ...raceOn(addDays(START, 90), "A", 210), distanceKm: 42.195 };
    const { phases } = planPhases(athleteWith({ races: [marathon] }));
    expect(phases.find((p) => p.phase === "recovery")!.why[0]).toContain("one easy day a mile raced would say 26");
  });

  it("leaves B and C races out of the phases", () => {
    const bc = [raceOn(addDays(START, 40), "B", 75), raceOn(addDays(START, 90), "C", 75)];
    expect(lengths(athleteWith({ races: bc }))).toEqual(lengths(athleteWith()));
  });

  it("never lets recovery run past the next race", () => {
    const a = raceOn(addDays(START, 60), "A", 400);
    const b = raceOn(addDays(START, 70), "A", 75);
    const { phases, warnings } = planPhases(athleteWith({ races: [a, b] }));
    expect(phaseOn(phases, b.date)!.phase).toBe("race");
    expect(warnings.map((w) => w.code)).toContain("recovery-cut");
    expect(CLASS_RULES["very long"].recoveryDays).toBe(28);
  });
});
