import { describe, expect, it } from "vitest";
import type { Race } from "../athlete/types";
import { clashesOf, type Racing } from "./clashes";

const race = (date: string, more: Partial<Race> = {}): Race => ({
  id: date,
  date,
  name: `Race of ${date}`,
  sport: "run",
  priority: "A",
  ...more,
});
const who = (id: string, races: Race[], away: Racing["away"] = []): Racing => ({ id, name: id, races, away });

describe("clashes of a club", () => {
  it("a coach's travel weekend with three athletes racing is one clash of each kind", () => {
    const club = [
      who("Ada", [race("2026-05-16")]),
      who("Ben", [race("2026-05-17", { priority: "C" })]),
      // Four days over the weekend.
      who("Cay", [race("2026-05-15", { days: 4, priority: "B" })]),
      who("Dov", [race("2026-05-24")]),
    ];
    const clashes = clashesOf(club, [{ start: "2026-05-15", end: "2026-05-17", what: "Wedding" }], "2026-01-01");
    expect(clashes.map((c) => [c.kind, c.athletes])).toEqual([
      ["coach-away", ["Ada", "Ben", "Cay"]],
      ["many-races", ["Ada", "Ben", "Cay"]],
    ]);
    expect(clashes[0]!.text).toBe("Wedding: 3 athletes race meanwhile, Ada (A), Ben (C), Cay (B).");
  });

  it("two on one weekend are none, nor is a race in the week", () => {
    expect(
      clashesOf(
        [who("Ada", [race("2026-05-16")]), who("Ben", [race("2026-05-17")]), who("Cay", [race("2026-05-13")])],
        [],
        "2026-01-01",
      ),
    ).toEqual([]);
  });

  it("an athlete away on the day of a race, unless for heat or height", () => {
    const away = (kind: "holiday" | "heat") => [{ start: "2026-05-10", end: "2026-05-20", kind }];
    expect(clashesOf([who("Ada", [race("2026-05-16")], away("holiday"))], [], "2026-01-01")[0]!.text).toContain(
      "away (holiday)",
    );
    expect(clashesOf([who("Ada", [race("2026-05-16")], away("heat"))], [], "2026-01-01")).toEqual([]);
  });

  it("leaves out what is past, in order of time", () => {
    const absences = [
      { start: "2026-06-01", end: "2026-06-30", what: "Camp" },
      { start: "2026-03-01", end: "2026-03-31", what: "Course" },
    ];
    const club = [who("Ada", [race("2026-06-14"), race("2026-03-15")])];
    expect(clashesOf(club, absences, "2026-03-20").map((c) => c.start)).toEqual(["2026-03-01", "2026-06-01"]);
    expect(clashesOf(club, absences, "2026-04-01").map((c) => c.start)).toEqual(["2026-06-01"]);
  });
});
