/** What a placed week tells: in which order its costs stand, why a session found no place, how many placements were weighed. Expected by hand. */
import { describe, expect, it } from "vitest";
import { contextOf, optionOn, runOn as run } from "../../../tests/support/place";
import type { EnduranceSession } from "../athlete";
import { addDays, dayNumber } from "../dates";
import { costsOf, fitWeek } from "./fit";
import { inTurn, keyOf, leftOutPrice, levelOf, type Weighed } from "./found";
import { asLocked } from "./placed";
import type { Demand, Option, WeekContext } from "./types";

const MON = "2026-03-02";
const [TUE, WED, THU] = [addDays(MON, 1), addDays(MON, 2), addDays(MON, 3)];
const at = (hour: number, more: Partial<Option> = {}, date = TUE) => optionOn(date, hour * 60, more);
const week = (endurance: EnduranceSession[] = [], more: Partial<WeekContext> = {}) => contextOf(MON, endurance, more);
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
  const placed = [at(18, { label: "B", heavy: false }, THU), at(18, {}, MON)];
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
      [demand("A", at(9, { locked: true }, WED)), demand("B", at(9, {}, TUE), at(12, {}, WED))],
      week([run(TUE, "08:30", "easy", 90)]),
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
    const fit = fitWeek([demand("A", at(18, {}, MON), at(18, {}, TUE), at(18, {}, WED)), demand("B")], week());
    expect(fit.placed.map((o) => o.date)).toEqual([MON]);
    expect(fit.alternatives.map((a) => a.sessions.map((s) => `${s.label} ${s.date}`))).toEqual([
      [`A ${TUE}`],
      [`A ${WED}`],
    ]);
  });
});

describe("how a week was placed", () => {
  const two = [demand("A", at(18, {}, MON), at(18, {}, TUE))];
  it("counts each placement, that without the session among them", () => {
    expect(fitWeek(two, week()).weighed).toBe(3);
    expect(fitWeek([...two, demand("B", at(18, {}, THU))], week()).weighed).toBe(6);
  });
  it("walks up to so many placements as are asked for, and searches one more", () => {
    expect(fitWeek(two, week(), 3).histogram).toEqual([[0, 2]]);
    expect(fitWeek(two, week(), 2)).toMatchObject({ histogram: [], weighed: 3 });
  });
});

describe("what is found", () => {
  it("leaving out weighs by the label, a locked one a hundred times", () => {
    expect(leftOutPrice(undefined)).toBe(0);
    expect(leftOutPrice(demand("A", at(18)))).toBe(1_000_000);
    expect(leftOutPrice(demand("B", at(18)))).toBe(900_000);
    expect(leftOutPrice(demand("A", at(18), at(19, { locked: true })))).toBe(100_000_000);
    expect([levelOf(99_999), levelOf(100_000)]).toEqual([0, 1]);
  });
  it("equals fall to the earlier option of A, then of B; one that is placed before one that is not", () => {
    const w = (index: number) => ({ index, option: at(18) }) as Weighed;
    const found = (total: number, ...pick: (number | null)[]) => ({
      total,
      cost: 0,
      pick: pick.map((i) => (i === null ? null : w(i))),
    });
    expect(inTurn(found(1, 5), found(2, 0))).toBeLessThan(0);
    expect(inTurn(found(1, 1, 0), found(1, 0, 9))).toBeGreaterThan(0);
    expect(inTurn(found(1, 0, 2), found(1, 0, 3))).toBeLessThan(0);
    expect(inTurn(found(1, 0, 2), found(1, 0, null))).toBeLessThan(0);
    expect(inTurn(found(1, 0, null), found(1, 0, null))).toBe(0);
    expect(keyOf([w(0), null])).toBe(`${dayNumber(TUE)}/-`);
  });
  it("walked or searched, a week is placed alike; the alternatives stand on other days, three at most", () => {
    const days = [0, 1, 2, 3, 4, 5, 6].map((d) => addDays(MON, d));
    const c = week([run(TUE, "07:00", "intervals"), run(addDays(MON, 5), "09:00", "long", 120)], {
      perWeek: 2,
      preferredDays: new Set([2, 4]),
    });
    const demands = [
      demand("A", ...days.flatMap((d) => [at(12, {}, d), at(18, {}, d)])),
      demand("B", ...days.map((d) => at(18, { heavy: false, stress: 200 }, d))),
    ];
    const walked = fitWeek(demands, c, 10_000);
    const searched = fitWeek(demands, c, 1);
    expect(searched.placed).toEqual(walked.placed);
    expect(searched.cost).toBe(walked.cost);
    expect(searched.alternatives.map((a) => a.cost)).toEqual(walked.alternatives.map((a) => a.cost));
    expect(walked.alternatives.length).toBe(3);
    expect(walked.histogram.reduce((n, [, count]) => n + count, 0)).toBeGreaterThan(20);
    expect(searched.histogram).toEqual([]);
    expect(walked.cost).toBe(walked.costs.reduce((n, x) => n + x.points, 0));
    expect(walked.histogram[0]?.[0]).toBe(walked.cost);
  });
  it("of one hour in two places the first by name, and the reason of the first closed slot is told", () => {
    const two = fitWeek([demand("A", at(18, { place: "gym" }), at(18, { place: "barn" }))], week());
    expect(two.placed.map((o) => o.place)).toEqual(["barn"]);
    const closed = fitWeek(
      [demand("A", at(9, {}, WED), at(9))],
      week([run(TUE, "08:30", "easy", 90), run(WED, "08:30", "easy", 90)]),
    );
    expect(closed.unplaced[0]?.why).toBe(
      "No free time slot is open. Tue 3 Mar 09:00: it would overlap with easy (Tue 08:30) (M4). Move that, or add a free time slot on another day.",
    );
  });
  it("is stored with its time of day", () => {
    expect(asLocked(at(18.5))).toEqual({ label: "A", date: TUE, start: "18:30", place: "gym" });
  });
});
