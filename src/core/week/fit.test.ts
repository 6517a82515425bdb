/** What a placed week tells: in which order its costs stand, why a session found no place, how many placements were weighed. Expected by hand. */
import { describe, expect, it } from "vitest";
import { contextOf, optionOn } from "../../../tests/support/place";
import type { EnduranceSession } from "../athlete";
import { addDays } from "../dates";
import { costsOf, fitWeek } from "./fit";
import type { Demand, Option, WeekContext } from "./types";

const MON = "2026-03-02";
const [TUE, WED, THU] = [addDays(MON, 1), addDays(MON, 2), addDays(MON, 3)];
const on = (date: string, hour: number, more: Partial<Option> = {}) => optionOn(date, hour * 60, more);
const week = (endurance: EnduranceSession[] = [], more: Partial<WeekContext> = {}) => contextOf(MON, endurance, more);
const easy = (date: string, start: string): EnduranceSession => ({
  date,
  start,
  sport: "run",
  kind: "easy",
  minutes: 90,
});
const demand = (label: Option["label"], ...options: Option[]): Demand => ({
  label,
  options: options.map((o) => ({ ...o, label })),
  none: `no slot for ${label}`,
});

describe("costs of a week", () => {
  const wrongDays = (weights: WeekContext["weights"]) =>
    week([], {
      preferredDays: new Set([7]),
      lastDays: new Map([
        ["A", 7],
        ["B", 7],
      ]),
      weights,
    });
  const placed = [on(THU, 18, { label: "B", heavy: false }), on(MON, 18)];
  it("of equal points stand by rule, those of one rule by their words, whatever the order of the sessions", () => {
    const texts = (order: Option[]) => costsOf(order, wrongDays({ S7: 4, S8: 4 })).map((c) => c.text);
    const expected = [
      "Heavy A is on Mon; preferred are Sun.",
      "Single-leg B is on Thu; preferred are Sun.",
      "Heavy A is on Mon; last week it was on Sun.",
      "Single-leg B is on Thu; last week it was on Sun.",
    ];
    expect(texts(placed)).toEqual(expected);
    expect(texts([...placed].reverse())).toEqual(expected);
  });
  it("stand dearest first whatever their rule", () => {
    const rules = (weights: WeekContext["weights"]) =>
      costsOf(placed, wrongDays(weights)).map((c) => `${c.rule} ${c.points}`);
    expect(rules({ S7: 2, S8: 3 })).toEqual(["S8 3", "S8 3", "S7 2", "S7 2"]);
    expect(rules({ S7: 3, S8: 2 })).toEqual(["S7 3", "S7 3", "S8 2", "S8 2"]);
  });
});

describe("a session without a place", () => {
  it("says that others have taken what is open, also where one of its slots was closed", () => {
    const fit = fitWeek(
      [demand("A", on(WED, 9, { locked: true })), demand("B", on(TUE, 9), on(WED, 12))],
      week([easy(TUE, "08:30")]),
    );
    expect(fit.placed.map((o) => o.label)).toEqual(["A"]);
    expect(fit.unplaced).toEqual([
      {
        label: "B",
        why: "The open free time slots are taken by the sessions before it, or lie within 24 h of them. Add one on another day.",
      },
    ]);
  });
  it("says in its own words where it has no slot at all", () => {
    expect(fitWeek([demand("A")], week()).unplaced).toEqual([{ label: "A", why: "no slot for A" }]);
  });
  it("leaves the others their alternatives, each on another day", () => {
    const fit = fitWeek([demand("A", on(MON, 18), on(TUE, 18), on(WED, 18)), demand("B")], week());
    expect(fit.placed.map((o) => o.date)).toEqual([MON]);
    expect(fit.alternatives.map((a) => a.sessions.map((s) => `${s.label} ${s.date}`))).toEqual([
      [`A ${TUE}`],
      [`A ${WED}`],
    ]);
  });
});

describe("how a week was placed", () => {
  const two = [demand("A", on(MON, 18), on(TUE, 18))];
  it("counts each placement, that without the session among them", () => {
    expect(fitWeek(two, week()).weighed).toBe(3);
    expect(fitWeek([...two, demand("B", on(THU, 18))], week()).weighed).toBe(6);
  });
  it("walks up to so many placements as are asked for, and searches one more", () => {
    expect(fitWeek(two, week(), 3).histogram).toEqual([[0, 2]]);
    expect(fitWeek(two, week(), 2)).toMatchObject({ histogram: [], weighed: 3 });
  });
});
