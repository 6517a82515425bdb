/** The next season: what it takes along and what stays behind. Dates counted by hand on a calendar. */
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { starterWeek } from "../mileage";
import { nextSeason, raceAgain } from "./next";

const race = (id: string, date: string) =>
  ({ id, date, name: id, sport: "run", priority: "A", result: { minutes: 200, place: 4 } }) as const;

describe("a race a year later", () => {
  it("stands on the same weekday, without a result, under an id of its own", () => {
    // Sunday 3 May 2026; 52 weeks later it is Sunday 2 May 2027.
    expect(raceAgain(race("spring-run", "2026-05-03"))).toEqual({
      id: "spring-run-2027",
      date: "2027-05-02",
      name: "spring-run",
      sport: "run",
      priority: "A",
    });
    expect(raceAgain(race("spring-run-2027", "2027-05-02")).id).toBe("spring-run-2028");
  });
});

describe("the next season", () => {
  const before = athleteWith({
    season: { start: "2025-09-01", end: "2026-08-30" },
    races: [race("spring", "2026-05-03"), race("late", "2026-08-30"), race("first-of-next", "2026-08-31")],
    phases: [{ phase: "base", start: "2026-01-05", end: "2026-02-01" }],
    locked: [{ date: "2026-03-03", start: "18:00", place: "club-gym", label: "A" }],
    endurancePlan: {
      unit: "km",
      usualWeeks: [{ phase: null, sessions: starterWeek("run", 4) }],
      weeks: [
        { week: "2026-08-24", amount: 40 },
        { week: "2026-08-31", amount: 30 },
      ],
      rule: {
        ...{ from: "2026-01-05", start: 30, top: 60, risePct: 10, stepBackEvery: 4, stepBackTo: 70 },
        ...{ taper: true, restart: true },
      },
    },
  });
  const after = nextSeason(before, { start: "2026-08-31", end: "2027-08-29", races: ["spring"] });

  it("keeps races of the old season among the past ones with their results, and takes the chosen ones along", () => {
    expect(after.pastRaces?.map((r) => [r.id, r.result?.place])).toEqual([
      ["spring", 4],
      ["late", 4],
    ]);
    // The last day before the season is past; its first day is not.
    expect(after.races.map((r) => [r.id, r.date])).toEqual([
      ["first-of-next", "2026-08-31"],
      ["spring-2027", "2027-05-02"],
    ]);
    expect(nextSeason(after, { start: "2027-08-30", end: "2028-08-27", races: [] }).pastRaces).toHaveLength(4);
  });

  it("keeps places, free time and usual weeks, and lets go of boundaries, locks and amounts before it", () => {
    expect(after.places).toEqual(before.places);
    expect(after.availability).toEqual(before.availability);
    expect(after.settings).toEqual(before.settings);
    expect(after.strengthLog).toEqual(before.strengthLog);
    expect(after.phases).toBeUndefined();
    expect(after.locked).toBeUndefined();
    expect(after.endurancePlan).toEqual({
      unit: "km",
      usualWeeks: before.endurancePlan?.usualWeeks,
      weeks: [{ week: "2026-08-31", amount: 30 }],
    });
  });
});
