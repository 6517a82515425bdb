import { describe, expect, it } from "vitest";
import { lifted } from "../../../tests/support/athlete";
import type { LoggedItem } from "../athlete/types";
import { addDays } from "../dates";
import type { History } from "./history";
import { type PlaceInput, placeOnLine } from "./place";

const MONDAY = "2026-03-02";
/** What was lifted in week n of the block, on a Tuesday; 5 repetitions with 2 in reserve are asked for. */
const week = (n: number, more: Partial<LoggedItem> = {}, { reps = [5, 5, 5], rir = 2 } = {}): History => ({
  date: addDays(MONDAY, 7 * n + 1),
  item: { ...lifted("back-squat", 80, reps, rir, { sets: 3, reps: 5, repsLow: 5, rir: 2 }), ...more },
});
/** The place in week n, from 0, after those logs. */
const at = (n: number, logs: History[], more: Partial<PlaceInput> & { held?: number[] } = {}) => {
  const { held = [], ...rest } = more;
  const monday = addDays(MONDAY, 7 * n);
  return placeOnLine({
    block: { start: MONDAY, from: MONDAY, weeks: 4, held: held.map((k) => addDays(MONDAY, 7 * k)) },
    monday,
    history: [...logs].sort((a, b) => (a.date < b.date ? 1 : -1)),
    asOf: monday,
    ...rest,
  });
};
const said = (p: ReturnType<typeof at>) => p.why.map((w) => w.text).join(" ");

describe("a lift's place on its line (rule block.place, common practice)", () => {
  it("begins at the first point, and moves on by one for each week done", () => {
    expect(at(0, [])).toEqual({ point: 0, why: [] });
    expect(at(1, [week(0)])).toEqual({ point: 1, why: [] });
    expect(at(2, [week(0), week(1)]).point).toBe(2);
    expect(at(3, [week(0), week(1), week(2)]).point).toBe(3);
    // Never past the end of the line.
    expect(at(4, [week(0), week(1), week(2), week(3)]).point).toBe(3);
  });
  it("moves by one a calendar week however often it is lifted, by the heaviest of a week's exposures", () => {
    const second: History = { ...week(0), date: addDays(MONDAY, 4) };
    expect(at(1, [week(0), second]).point).toBe(1);
    const light: History = {
      date: addDays(MONDAY, 4),
      item: { ...week(0).item, sets: [{ reps: 2, loadKg: 60, side: "both" }] },
    };
    expect(at(1, [week(0), light]).point).toBe(1);
    const failed = week(0, {
      sets: [
        { reps: 2, loadKg: 90, side: "both" },
        { reps: 2, loadKg: 90, side: "both" },
      ],
    });
    expect(at(1, [week(0), { ...failed, date: addDays(MONDAY, 4) }]).point).toBe(0);
  });
  it("is the same point again where a set, a repetition or more than one in reserve was missing", () => {
    expect(at(1, [week(0, {}, { reps: [5, 5] })])).toMatchObject({ point: 0 });
    expect(at(1, [week(0, {}, { reps: [5, 5, 4] })]).point).toBe(0);
    expect(at(1, [week(0, {}, { rir: 1 })]).point).toBe(1);
    expect(at(1, [week(0, {}, { rir: 0 })]).point).toBe(0);
    expect(said(at(1, [week(0, {}, { rir: 0 })]))).toBe("Point 1 again: not done as asked last time.");
    // A set without its reserve told is taken by its repetitions.
    const quiet = week(0);
    expect(
      at(1, [{ ...quiet, item: { ...quiet.item, sets: quiet.item.sets.map(({ rir: _, ...s }) => s) } }]).point,
    ).toBe(1);
  });
  it("goes a point back where two sets fell short by more than a repetition, and no further than the first", () => {
    expect(at(2, [week(0), week(1, {}, { reps: [5, 4, 4] })]).point).toBe(1);
    expect(at(2, [week(0), week(1, {}, { reps: [5, 5, 3] })]).point).toBe(1);
    const back = at(2, [week(0), week(1, {}, { reps: [5, 3, 3] })]);
    expect(back.point).toBe(0);
    expect(said(back)).toBe("A point back, to 1: too few repetitions last time.");
    expect(at(1, [week(0, {}, { reps: [3, 3, 3] })]).point).toBe(0);
  });
  it("does not move with pain of 3 of 10 and more", () => {
    expect(at(1, [week(0, { pain: 2 })]).point).toBe(1);
    expect(at(1, [week(0, { pain: 3 })]).point).toBe(0);
  });
  it("is held in a week in which nothing may go up, and goes on after it", () => {
    const held = at(1, [week(0)], { held: [1] });
    expect(held.point).toBe(0);
    expect(said(held)).toBe("Held at point 1 this week.");
    expect(at(2, [week(0), week(1)], { held: [1] }).point).toBe(1);
  });
  it("waits through weeks that were not logged, and begins anew after three", () => {
    const waited = at(2, [week(0)]);
    expect(waited.point).toBe(1);
    expect(said(waited)).toBe("Point 2 again: not logged last time.");
    // 21 days after the log the place is still known; after 22 it is not.
    const known = { monday: addDays(MONDAY, 21) };
    expect(at(3, [week(0), week(1)], { ...known, asOf: addDays(MONDAY, 8 + 21) }).point).toBe(2);
    const anew = at(3, [week(0), week(1)], { ...known, asOf: addDays(MONDAY, 8 + 22) });
    expect(anew.point).toBe(0);
    expect(said(anew)).toBe("The line begins anew after three weeks or more without the lift.");
  });
  it("counts nothing of the block before, nor of other work before its first day", () => {
    const before: History = { ...week(0), date: addDays(MONDAY, -6) };
    expect(at(0, [before])).toEqual({ point: 0, why: [] });
    const block = { start: MONDAY, from: addDays(MONDAY, 2), weeks: 4, held: [] };
    expect(at(1, [week(0)], { block })).toEqual({ point: 0, why: [] });
  });
  it("goes on from the plan of the weeks before, as if they will be done, unless it is held", () => {
    const planned = { block: MONDAY, point: 1 };
    const on = at(2, [week(0, {}, { reps: [2, 2, 2] })], { planned });
    expect(on.point).toBe(2);
    expect(said(on)).toBe("Planned as if the weeks before it are done as asked.");
    const held = at(2, [], { planned, held: [2] });
    expect([held.point, said(held)]).toEqual([1, "Held at point 2 this week."]);
    expect(at(2, [], { planned: { block: MONDAY, point: 3 } }).point).toBe(3);
    // What was planned in another block says nothing.
    expect(at(1, [week(0)], { planned: { block: "2026-01-05", point: 2 } }).point).toBe(1);
  });
});
