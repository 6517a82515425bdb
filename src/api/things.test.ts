import { describe, expect, it } from "vitest";
import { joinedTag, partsOfThing, thingOf } from "./things";

describe("the thing a change is about", () => {
  it.each([
    ["/athletes/1/races/race-2", {}, "athletes/1/races/race-2"],
    ["/athletes/1/weeks/2026-03-04/held", {}, "athletes/1/held/2026-03-02"],
    ["/athletes/1/notes/2026-03-04", {}, "athletes/1/notes/2026-03-02"],
    ["/athletes/1/locks", { date: "2026-03-04", label: "B" }, "athletes/1/locks/2026-03-02/B"],
    ["/athletes/1/locks/2026-03-05/B", undefined, "athletes/1/locks/2026-03-02/B"],
    ["/athletes/1/sessions/2026-03-10/A/edit", {}, "athletes/1/edits/2026-03-09/A"],
    ["/athletes/1/intake", { season: {}, facts: {} }, "athletes/1/intake/facts+season"],
    ["/athletes/1/endurance/row/place", {}, "athletes/1/endurance/row"],
    ["/athletes/1/swaps/2026-03-10/A", { from: "bridge", to: null }, "athletes/1/swaps/2026-03-10/A/bridge"],
    ["/athletes/1/weights", {}, "athletes/1/weights"],
    ["/athletes/1/weights/club", {}, "club/weights"],
    ["/approaches/own-a", {}, "approaches/own-a"],
    ["/approaches/rules", {}, "approaches/rules"],
    ["/exercises/clam/hidden", {}, "exercises/clam/hidden"],
    ["/gym/places/hall", {}, "gyms/hall"],
    ["/calendar/absences/x", undefined, "absences/x"],
    ["/templates/t", undefined, "templates/t"],
  ])("of %s is named by what is changed, not by how", (path, body, thing) => expect(thingOf(path, body)).toBe(thing));

  it("is nobody else's where logs merge, next day's pain is told, or the athlete goes", () => {
    for (const path of [
      "/athletes/1/logs/2026-03-03/A",
      "/athletes/1/next-day",
      "/athletes/1",
      "/athletes/1/import/batch",
    ])
      expect(thingOf(path, {})).toBeNull();
  });

  it("of several parts has a tag for each", () => {
    expect(partsOfThing("athletes/1/intake/facts+season")).toEqual([
      "athletes/1/intake/facts",
      "athletes/1/intake/season",
    ]);
    expect(partsOfThing("athletes/1/races/a+b")).toEqual(["athletes/1/races/a+b"]);
    expect(joinedTag(["x", "y"])).toBe("x.y");
  });
});
