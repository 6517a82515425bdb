/** What a day and a week say, with their figures; and the days right at the edges of a race, an illness, a journey and a season. */
import { describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { Athlete, EnduranceSession } from "../athlete";
import { addDays } from "../dates";
import { perWeek } from "../dose/dose";
import { seasonDays } from "./days";
import { planPhases } from "./phases";
import { inWeek } from "./week";
import { seasonWeeks } from "./weeks";

const day = (n: number) => addDays(START, n);
const on = (a: Athlete, n: number, asOf?: string) => {
  const date = day(n);
  return seasonDays(a, planPhases(a).phases, a.season.start, a.season.end, asOf).find((d) => d.date === date)!;
};
const said = (a: Athlete, n: number, asOf?: string) => on(a, n, asOf).why.map((w) => w.text);
const named = (n: number, priority: "A" | "B" | "C", minutes = 75, more = {}) => ({
  ...raceOn(day(n), priority, minutes, more),
  name: "Cup",
});

describe("what a day says", () => {
  it("of an A race: free, light, unloaded, bodyweight, light loads", () => {
    const a = athleteWith({ races: [named(90, "A")] });
    expect(said(a, 90)).toContain("Cup: nothing but mobility on a race day.");
    expect(said(a, 89)).toContain("The day before Cup: nothing loaded after the last light session.");
    expect(said(a, 87)).toContain("3 days before Cup: nothing loaded after the last light session.");
    expect(said(a, 85).join(" ")).toMatch(/7 days.*Cup/);
    expect(said(a, 92).join(" ")).toMatch(/2.*Cup/);
    expect(said(a, 96)).toContain(
      // Of 75 min: no load to day 4, bodyweight to 7, light to 10. The race is on Sunday, 5 April.
      "Day 6 of 10 after Cup: bodyweight progressions; light loads from Mon 13 Apr.",
    );
    // A restoring day holds light loads by itself; after bodyweight nothing more is taken from it.
    expect(on(a, 99)).toMatchObject({ loading: "restore", heavyOk: false, emphasis: "restore" });
    expect(said(a, 99).join(" ")).not.toContain("bodyweight progressions");
  });
  it("of a B and a C race", () => {
    const b = athleteWith({ races: [named(60, "B")] });
    expect(said(b, 59)).toContain("The day before Cup: no loaded work.");
    expect(said(b, 61)).toContain(
      "Day 1 of 2 after Cup: rolling, mobility and bridges, no load; ordinary work from Mon 9 Mar.",
    );
    expect(said(b, 57)).toContain("Last heavy session 4 days before Cup.");
    expect(said(b, 56).join(" ")).not.toContain("Cup");
    const c = athleteWith({ races: [named(60, "C")] });
    // Day 60 from Monday, 5 January 2026 is Friday, 6 March.
    expect(said(c, 59)).toContain("The day before Cup (Fri 6 Mar): no loaded lower-body work.");
    expect(on(c, 59)).toMatchObject({ counts: false, loading: "mobility" });
    expect(on(c, 60)).toMatchObject({ counts: false, loading: "mobility" });
    expect(on(c, 61).counts).toBe(true);
  });
  it("of two near A races, by both their names", () => {
    const first = { ...named(90, "A", 25), name: "Heat" };
    const a = athleteWith({ races: [first, named(104, "A", 25)] });
    for (const n of [96, 99]) expect(said(a, n).join(" "), `${n}`).toMatch(/Heat.*Cup|Cup.*Heat/);
    expect(said(a, 90).join(" ")).not.toContain("Heat and Cup");
  });
  it("of a journey by its hours, of time zones by their number", () => {
    const trip = (more: object) =>
      athleteWith({ away: [{ start: day(60), end: day(66), kind: "travel", place: "gym", ...more }] });
    expect(said(trip({ hours: 6 }), 60)).toContain("No heavy legs on a travel day of 6 h.");
    expect(said(trip({ hours: 6 }), 66)).toContain("No heavy legs on a travel day of 6 h.");
    expect(on(trip({ hours: 6 }), 66).heavyOk).toBe(false);
    expect(said(trip({ zones: 5 }), 67)).toContain("No heavy legs in the 48 h after 5 time zones.");
    expect(said(trip({ zones: 5, hours: 6 }), 66)).toContain("No heavy legs on a travel day of 6 h.");
    expect(said(trip({ zones: 2, hours: 6 }), 67).join(" ")).not.toContain("heavy legs");
  });
  it("of a session far longer than any of the month before, and nothing where the rule is off", () => {
    const long = (n: number, km: number, kind: "long" | "easy"): EnduranceSession => ({
      date: day(n),
      start: "08:00",
      sport: "run",
      kind,
      minutes: km * 6,
      distanceKm: km,
    });
    const runs = (kind: "long" | "easy") => [...[30, 37, 44, 51].map((n) => long(n, 20, "long")), long(58, 40, kind)];
    const a = athleteWith({ endurance: runs("long") });
    expect(on(a, 58).heavyOk).toBe(false);
    expect(said(a, 58).join(" ")).toContain("around the long run of Wed 4 Mar: 100% longer");
    expect(said(athleteWith({ endurance: runs("easy") }), 58).join(" ")).toContain("around the run of Wed 4 Mar");
    expect(on({ ...a, settings: { rulesOff: ["session.spike"] } }, 58).heavyOk).toBe(true);
  });
  it("of illness, of weeks away, of a new lifter, of weight lost on purpose", () => {
    const ill = athleteWith({ away: [{ start: day(55), end: day(59), kind: "illness" }] });
    expect(said(ill, 60)).toContain(
      "Back from illness: restore for 5 days after 5 lost, at most 30 min, the first half without load.",
    );
    for (const n of [60, 64]) expect(said(ill, n).filter((t) => t.startsWith("Back from illness"))).toHaveLength(1);
    const log = (weeks: number, back: number) =>
      athleteWith({ strengthLog: [logOf(day(back - 7 * weeks - 1), [lifted("back-squat", 80, [5], 2)])] });
    expect(said(log(6, 70), 70, day(70))).toEqual([
      "6 weeks without lifting before Mon 16 Mar: back to prepare for 4 weeks.",
    ]);
    expect(said(log(14, 110), 110, day(110)).join(" ")).toContain(
      "Back after 14 weeks without lifting: bodyweight for 14 days before any load.",
    );
    expect(said(athleteWith({}, { strengthTrainingMonths: 0 }), 3)).toContain(
      "New to the gym: bodyweight for the first 3 weeks before any load.",
    );
    expect(said(athleteWith({ strengthLog: [] }, { strengthTrainingMonths: 5 }), 3).join(" ")).not.toContain(
      "New to the gym",
    );
    const block = { weightLoss: { start: day(58), end: day(70) } };
    expect(said(athleteWith({ settings: block }), 60).join(" ")).toContain(
      "Weight is lost on purpose until Mon 16 Mar",
    );
  });
  it("of its part of the season, by the approach's name", () => {
    const a = athleteWith({ races: [named(120, "A")] });
    expect(said(a, 3)).toEqual(["Early base (its first 27 days) prepares (layered)."]);
    expect(said(a, 40)[0]).toBe("Late base develops (layered).");
    expect(said(a, 60)[0]).toBe("Build takes the maximal emphasis (layered).");
    expect(said(a, 111)[0]).toBe("The race phase holds strength: load kept, volume cut (layered).");
    expect(said(a, 125)[0]).toContain("Recovery restores first");
  });
});

describe("days at the edges", () => {
  it("of a phase of one day, and of weeks that are no layoff since recovery fills them", () => {
    const one = athleteWith({ phases: [{ phase: "base", start: day(10), end: day(10) }] });
    expect(on(one, 10).through).toBe(0);
    const race = named(60, "A", 380);
    const log = [logOf(day(55), [lifted("back-squat", 80, [5], 2)])];
    // A very long race: 28 days of recovery, then eleven more until the log is asked.
    const a = athleteWith({ races: [race], strengthLog: log });
    expect(said(a, 99, day(99)).join(" ")).not.toContain("without lifting");
  });
  it("are restored as the phase says, with light loads and nothing heavy, and prepare is not prepared again", () => {
    const a = athleteWith({
      races: [named(60, "A", 25)],
      strengthLog: [logOf(day(1), [lifted("back-squat", 80, [5], 2)])],
    });
    expect(on(a, 65)).toMatchObject({ emphasis: "restore", heavyOk: false });
    const early = athleteWith({ strengthLog: [logOf(addDays(START, -60), [lifted("back-squat", 80, [5], 2)])] });
    expect(said(early, 2, day(2)).join(" ")).not.toContain("without lifting");
    expect(on(early, 2, day(2)).emphasis).toBe("prepare");
  });
  it("of a weekly series are counted to the next race, nine days at most", () => {
    const races = [60, 67, 74].map((n) => raceOn(day(n), "C", 40));
    const a = athleteWith({ races });
    const seriesIn = (n: number) => on(a, n).seriesIn;
    expect([50, 51, 59, 60, 66, 73, 74].map(seriesIn)).toEqual([null, 9, 1, 7, 1, 1, null]);
    expect([51, 60].map((n) => on(a, n).emphasis)).toEqual(["hold", "hold"]);
    expect(said(a, 55)).toEqual(["Racing week by week: one hold of about 25 min, 72 to 96 h before each race."]);
  });
});

describe("what a week is", () => {
  const weeks = (a: Athlete) => seasonWeeks(a, planPhases(a).phases, (d) => perWeek(a, d, "trained"));
  it("goes from Monday to Sunday", () => {
    const w = { start: START };
    expect([-1, 0, 6, 7].map((n) => inWeek(w, day(n)))).toEqual([false, true, true, false]);
  });
  it("has the phase and emphasis of most of its days, of the earlier one where they are even", () => {
    // The race phase of ten days begins on a Wednesday or a Thursday.
    const phase = (raceDay: number) => weeks(athleteWith({ races: [named(raceDay, "A")] }))[14]!.phase;
    expect(phase(14 * 7 + 3 + 10)).toBe("race");
    expect(phase(14 * 7 + 4 + 10)).toBe("build");
    const short = athleteWith({
      season: { start: day(14 * 7 + 1), end: day(40 * 7) },
      races: [named(14 * 7 + 4 + 10, "A")],
    });
    // Three days of build and three of race in the season's first week: the earlier counts.
    expect(weeks(short)[0]!.phase).toBe("build");
  });
  it("says its cuts and its place, with their figures", () => {
    const a = athleteWith({ races: [named(40, "B")], endurance: weeksOf(new Array(30).fill(1)) });
    expect(weeks(a)[5]!.why.map((w) => w.text)).toContain("Sets halved in the week of Cup, load kept.");
    expect(weeks(a)[3]!.why.map((w) => w.text)).toContain(
      "Step-back week: it ends a block of 3 loading weeks; sets cut by 40 to 50%, load held.",
    );
    expect(weeks(a)[2]!.why.map((w) => w.text)).toEqual(["Week 3 of 3 of this block."]);
  });
  it("is ordinary with endurance alone, and counts nothing of days outside the season", () => {
    const empty = weeks(athleteWith());
    expect(empty.every((w) => !w.ordinary && w.known === "none")).toBe(true);
    const away = athleteWith({
      endurance: weeksOf(new Array(30).fill(1)),
      away: [{ start: day(36), end: day(37), kind: "holiday" }],
    });
    expect(
      weeks(away)
        .slice(4, 7)
        .map((w) => w.ordinary),
    ).toEqual([true, false, true]);
    const raced = athleteWith({ endurance: weeksOf(new Array(30).fill(1)), races: [named(40, "A", 25)] });
    expect(weeks(raced)[5]!.ordinary).toBe(false);
  });
  it("in hold or without step-backs has no blocks that end", () => {
    const off = athleteWith({ settings: { rulesOff: ["stepback.every", "stepback.endurance"] } });
    expect(weeks(off).every((w) => !w.stepBack)).toBe(true);
    expect(
      weeks(off)
        .slice(0, 4)
        .map((w) => w.block),
    ).toEqual(
      [1, 2, 3, 4].map((week) => ({
        builds: "base/prepare",
        row: { phase: "base", stage: "base-early", emphasis: "prepare" },
        week,
        of: 4,
        start: START,
        from: START,
        nth: 1,
        before: 0,
        held: [],
      })),
    );
  });
});
