import { describe, expect, it } from "vitest";
import type { Away, EnduranceSession, Phase } from "../athlete/types";
import { addDays } from "../dates";
import { assumedEndurance, type Known, knownOf, UsualWeek } from "./assumed";

const MONDAY = "2026-03-02";
const on = (day: number, minutes = 50, more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date: addDays(MONDAY, day - 1),
  sport: "run",
  kind: "easy",
  minutes,
  rpe: 3,
  ...more,
});
/** The same days of another week, so many weeks on. */
const later = (weeks: number, sessions: readonly EnduranceSession[]): EnduranceSession[] =>
  sessions.map((s) => ({ ...s, date: addDays(s.date, 7 * weeks) }));

// Rule mileage.assumed, our own numbers.
describe("what is known of a week", () => {
  const usual = new Set([1, 3, 5, 7]);
  const known = (days: number[], asOf?: string, of: ReadonlySet<number> = usual): Known =>
    knownOf(
      MONDAY,
      days.map((d) => on(d)),
      of,
      asOf,
    );

  it("is none without a session, and a part under half of the usual days", () => {
    expect(known([])).toBe("none");
    expect(known([1])).toBe("part");
    expect(known([1, 1])).toBe("part");
    expect(known([1, 2])).toBe("all");
    expect(known([1], undefined, new Set())).toBe("all");
    expect(known([1], undefined, new Set([1, 3, 5]))).toBe("part");
  });
  it("is all of a week that is over, whatever was done", () => {
    expect(known([1], addDays(MONDAY, 7))).toBe("all");
    expect(known([1], addDays(MONDAY, 6))).toBe("part");
    expect(known([], addDays(MONDAY, 7))).toBe("none");
  });
  it("is a part from today on, where nothing is planned and two usual days are left", () => {
    const thursday = addDays(MONDAY, 3);
    expect(known([1, 3], thursday)).toBe("part");
    expect(known([1, 3], addDays(MONDAY, 4))).toBe("part");
    // Saturday: one usual day is left.
    expect(known([1, 3], addDays(MONDAY, 5))).toBe("all");
    expect(known([1, 4], thursday)).toBe("all");
    expect(known([1, 3], MONDAY)).toBe("all");
  });
});

describe("the usual week", () => {
  const told = (weeks: number[], away: Away[] = []) => {
    const usual = new UsualWeek({ away });
    weeks.forEach((minutes, i) => {
      if (minutes > 0) usual.tell(addDays(MONDAY, 7 * i), later(i, [on(2, minutes)]));
      else usual.tell(addDays(MONDAY, 7 * i), []);
    });
    return usual.sessions().map((s) => s.minutes);
  };
  it("is the last one within a quarter of the median, of two at least", () => {
    expect(told([])).toEqual([]);
    expect(told([100])).toEqual([]);
    expect(told([100, 100])).toEqual([100]);
    expect(told([100, 0, 101])).toEqual([101]);
    // Median 100: 125 is within a quarter, 126 and 74 are not.
    expect(told([100, 100, 125])).toEqual([125]);
    expect(told([100, 100, 126])).toEqual([100]);
    expect(told([100, 98, 100, 74])).toEqual([100]);
  });
  it("forgets what lies more than six weeks back", () => {
    expect(told([50, 50, 50, 50, 100, 100, 100, 100, 100])).toEqual([100]);
    // Six of 50 and then one of 100: the median stays 50.
    expect(told([50, 50, 50, 50, 50, 50, 100])).toEqual([50]);
  });
  it("is no race week, and none with days away", () => {
    const usual = new UsualWeek({ away: [{ start: addDays(MONDAY, 15), end: addDays(MONDAY, 16), kind: "travel" }] });
    usual.tell(MONDAY, [on(2, 40), on(7, 100)]);
    usual.tell(addDays(MONDAY, 7), later(1, [on(2, 41), on(4, 100)]));
    usual.tell(addDays(MONDAY, 14), later(2, [on(2, 42), on(5, 100)]));
    usual.tell(addDays(MONDAY, 21), later(3, [on(2, 43), on(6, 100, { kind: "race" })]));
    expect([...usual.days()]).toEqual([2, 4]);
  });
});

describe("what stands in", () => {
  const week = [
    on(2, 50, { done: true, averageHeartRate: 140, source: "log/1" }),
    on(6, 120, { kind: "long", distanceKm: 20 }),
  ];
  const endurance = [...week, ...later(1, week)];
  const at = (n: number, phase: Phase = "base", known: Known = "none") => ({
    start: addDays(MONDAY, 7 * n),
    phase,
    known,
  });
  const assumed = (
    weeks: Parameters<typeof assumedEndurance>[1],
    more: Partial<Parameters<typeof assumedEndurance>[0]> = {},
    from = MONDAY,
  ) => assumedEndurance({ endurance, away: [], ...more }, weeks, from);

  it("is the last usual week on its days, with nothing that was recorded of it", () => {
    expect(assumed([at(2)])).toEqual([
      { ...on(2), date: addDays(MONDAY, 15), standsIn: true },
      { ...on(6, 120, { kind: "long", distanceKm: 20 }), date: addDays(MONDAY, 19), standsIn: true },
    ]);
    expect(assumed([])).toEqual([]);
  });
  it("stands on no day before the first that counts, and on none that has a session", () => {
    expect(assumed([at(2)], {}, addDays(MONDAY, 15)).map((s) => s.minutes)).toEqual([50, 120]);
    expect(assumed([at(2)], {}, addDays(MONDAY, 16)).map((s) => s.minutes)).toEqual([120]);
    const own = { endurance: [...endurance, on(20, 30)] };
    expect(assumed([at(2, "base", "part")], own).map((s) => s.minutes)).toEqual([50]);
  });
  it("stands in base and build, never around races or in a week away", () => {
    expect(assumed([at(2, "build")])).toHaveLength(2);
    expect(assumed([at(2, "race")])).toEqual([]);
    expect(assumed([at(2, "recovery")])).toEqual([]);
    const away: Away[] = [{ start: addDays(MONDAY, 14), end: addDays(MONDAY, 15), kind: "holiday" }];
    expect(assumed([at(2)], { away })).toEqual([]);
  });
  it("is not needed in a week that is known, which becomes the usual one in base and build alone", () => {
    const long = later(2, [on(3, 55), on(7, 115)]);
    const days = (phase: Phase) =>
      assumed([at(2, phase, "all"), at(3)], { endurance: [...endurance, ...long] }).map((s) => s.date);
    expect(days("base")).toEqual([addDays(MONDAY, 23), addDays(MONDAY, 27)]);
    expect(days("race")).toEqual([addDays(MONDAY, 22), addDays(MONDAY, 26)]);
  });
});
