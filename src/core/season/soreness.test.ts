/** No stage after a race is left with sore legs (rule restore.visits). */
import { describe, expect, it } from "vitest";
import { athleteWith, raceOn } from "../../../tests/support/athlete";
import type { CheckIn } from "../athlete";
import { addDays } from "../dates";
import { seasonDays } from "./days";
import { planPhases } from "./phases";
import { restDay, type SoreAnswer, type Stages } from "./races";

/** A race of 2 to 5 h: unloaded 1 to 6, bodyweight 7 to 12, light 13 to 18 (rule race.class). */
const LONG: Stages = { unloaded: 6, bodyweight: 12, light: 18 };
const on = (after: number, ...answers: [number, number][]) =>
  restDay(
    LONG,
    after,
    answers.map(([a, level]): SoreAnswer => ({ after: a, level })),
  );

describe("the day that a day after a race counts as", () => {
  it("is the calendar's without an answer, and with one of 3 or less", () => {
    expect(on(7)).toEqual({ counts: 7, sore: null });
    expect(on(7, [7, 3])).toEqual({ counts: 7, sore: null });
  });
  it("stays in the stage of the day before where the legs are sore at 4 or more", () => {
    expect(on(7, [7, 4])).toEqual({ counts: 6, sore: 4 });
    expect(on(13, [13, 4])).toEqual({ counts: 12, sore: 4 });
    // In the middle of a stage nothing changes.
    expect(on(9, [9, 8])).toEqual({ counts: 9, sore: null });
  });
  it("goes on with the next good answer, and after three days without any", () => {
    expect(on(8, [7, 6], [8, 3])).toEqual({ counts: 8, sore: null });
    expect(on(9, [7, 6])).toEqual({ counts: 6, sore: 6 });
    expect(on(10, [7, 6])).toEqual({ counts: 10, sore: null });
  });
  it("is over once the last stage is left: legs that are sore later begin no way back again", () => {
    expect(on(19, [19, 5])).toEqual({ counts: 18, sore: 5 });
    expect(on(20, [20, 5])).toEqual({ counts: 20, sore: null });
    expect(on(60, [60, 9])).toEqual({ counts: 60, sore: null });
  });
  it("stays for as long as every answer is sore", () => {
    expect(on(10, [7, 6], [8, 6], [9, 5], [10, 4])).toEqual({ counts: 6, sore: 4 });
  });
});

describe("the plan of a season", () => {
  const race = raceOn("2026-03-01", "A", 200);
  const loadingOn = (after: number, checkIns: CheckIn[], asOf?: string) => {
    const a = athleteWith({ races: [race], checkIns });
    const { phases } = planPhases(a);
    const date = addDays("2026-03-01", after);
    return seasonDays(a, phases, date, date, asOf)[0]?.loading;
  };
  const said = (after: number, soreness: number): CheckIn => ({ date: addDays("2026-03-01", after), soreness });

  it("opens bodyweight by the calendar, and keeps it shut for sore legs", () => {
    expect(loadingOn(7, [])).toBe("bodyweight");
    expect(loadingOn(7, [said(7, 5)])).toBe("mobility");
  });
  it("takes nothing from a day long after the race, however sore the legs are", () => {
    expect(loadingOn(60, [said(60, 9)])).toBe(loadingOn(60, []));
  });
  it("opens load today only with an answer; plans ahead assume that it goes well", () => {
    const today = addDays("2026-03-01", 13);
    expect(loadingOn(13, [], today)).toBe("bodyweight");
    expect(loadingOn(14, [], today)).toBe("restore");
    expect(loadingOn(13, [said(11, 2)], today)).toBe("restore");
  });
});
