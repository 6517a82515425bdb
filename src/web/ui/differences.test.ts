import { describe, expect, it } from "vitest";
import { bothOf, differences, inWords, labelOf, thingName } from "./differences";

describe("two versions side by side", () => {
  it("shows what differs and nothing else, in words with units", () => {
    const mine = { name: "Beacon Round", date: "2026-06-20", expectedMinutes: 240, priority: "C", days: 1 };
    const theirs = { name: "Beacon Round", date: "2026-06-27", expectedMinutes: 200, priority: "C", days: 1 };
    expect(differences(mine, theirs)).toEqual([
      { label: "Date", mine: "Sat 20 Jun", theirs: "Sat 27 Jun" },
      { label: "Expected (min)", mine: "240", theirs: "200" },
    ]);
    expect(differences(mine, { ...mine })).toEqual([]);
  });

  it("goes into what is nested, and shows of lists what only one has", () => {
    expect(differences({ a: { loadKg: 60, reps: 5 } }, { a: { loadKg: 62.5, reps: 5 } })).toEqual([
      { label: "A: load (kg)", mine: "60", theirs: "62.5" },
    ]);
    const slot = (day: number) => ({ day, start: "18:00" });
    expect(differences({ windows: [slot(1), slot(2)] }, { windows: [slot(2), slot(3)] })).toEqual([
      { label: "Windows", mine: "day 1, start 18:00", theirs: "day 3, start 18:00" },
    ]);
  });

  it("says where one of them is not there any more", () => {
    expect(differences({ text: "a" }, null)).toEqual([{ label: "All", mine: "text a", theirs: "nothing" }]);
    expect(differences(null, { text: "a" })).toEqual([{ label: "All", mine: "nothing", theirs: "text a" }]);
  });

  it.each([
    ["expectedMinutes", "Expected (min)"],
    ["distanceKm", "Distance (km)"],
    ["loadKg", "Load (kg)"],
    ["ascentM", "Ascent (m)"],
    ["minutes", "Minutes"],
    ["approachByPhase", "Approach by phase"],
  ])("calls %s %s", (key, label) => expect(labelOf(key)).toBe(label));

  it.each([
    [true, "yes"],
    [null, "nothing"],
    [[], "none"],
    ["2026-03-03", "Tue 3 Mar"],
    [0, "0"],
  ])("says %j as %s", (value, words) => expect(inWords(value)).toBe(words));

  it("keeps both where that makes sense, and nothing of either is lost", () => {
    expect(bothOf({ text: "mine" }, { text: "theirs" })).toEqual({ text: "theirs\n\nmine" });
    expect(bothOf({ windows: [1, 2] }, { windows: [2, 3] })).toEqual({ windows: [2, 3, 1] });
    expect(bothOf({ name: "a" }, { name: "b" })).toBeNull();
    expect(bothOf(null, { text: "theirs" })).toBeNull();
  });

  it.each([
    ["athletes/1/races/r", "race"],
    ["athletes/1/notes/2026-03-02", "note of the week"],
    ["approaches/own-a", "approach"],
    ["approaches/rules", "rules of all athletes"],
    ["club/weights", "points of the rules for all athletes"],
  ])("names %s a %s", (thing, name) => expect(thingName(thing)).toBe(name));
});
