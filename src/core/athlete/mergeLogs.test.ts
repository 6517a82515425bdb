import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mergeLogs } from "./mergeLogs";
import type { LoggedItem, LoggedSet, StrengthLog } from "./types";

const set = (at: number | null, reps: number): LoggedSet => ({
  reps,
  side: "both",
  ...(at === null ? {} : { at: `2026-03-03T18:00:0${at}.000Z` }),
});
const log = (items: LoggedItem[], more: Partial<StrengthLog> = {}): StrengthLog => ({
  date: "2026-03-03",
  label: "A",
  items,
  ...more,
});
const squat = (...sets: LoggedSet[]): LoggedItem => ({ exercise: "back-squat", sets });
const hinge = (...sets: LoggedSet[]): LoggedItem => ({ exercise: "hinge", sets });

describe("one session on two devices", () => {
  it("keeps the sets of both, of one exercise and of two", () => {
    const base = log([squat(set(1, 5))]);
    const mine = log([squat(set(1, 5), set(3, 4))]);
    const theirs = log([squat(set(1, 5), set(2, 5)), hinge(set(4, 8))]);
    expect(mergeLogs(base, mine, theirs).items).toEqual([squat(set(1, 5), set(2, 5), set(3, 4)), hinge(set(4, 8))]);
  });

  it("counts two equal sets logged at two moments as two, and one sent twice as one", () => {
    expect(mergeLogs(null, log([squat(set(1, 5))]), log([squat(set(2, 5))])).items[0]?.sets).toHaveLength(2);
    expect(mergeLogs(null, log([squat(set(1, 5))]), log([squat(set(1, 5))])).items[0]?.sets).toHaveLength(1);
    // Sets of an older version have no moment: equal ones are taken for one.
    expect(mergeLogs(null, log([squat(set(null, 5))]), log([squat(set(null, 5))])).items[0]?.sets).toHaveLength(1);
    expect(mergeLogs(null, log([squat(set(null, 5))]), log([squat(set(null, 4))])).items[0]?.sets).toHaveLength(2);
  });

  it("takes away what this device took away, and not what it never heard of", () => {
    const base = log([squat(set(1, 5), set(2, 5))]);
    const merged = mergeLogs(base, log([squat(set(1, 5))]), log([squat(set(1, 5), set(2, 5), set(3, 3))]));
    expect(merged.items).toEqual([squat(set(1, 5), set(3, 3))]);
  });

  it("leaves gone what the other device took away", () => {
    const base = log([squat(set(1, 5), set(2, 5))]);
    expect(mergeLogs(base, base, log([squat(set(1, 5))])).items).toEqual([squat(set(1, 5))]);
    expect(mergeLogs(log([squat(set(1, 5))]), log([squat(set(1, 5))]), log([])).items).toEqual([]);
  });

  it("keeps what was logged since of an exercise that the other side took away as a whole", () => {
    const base = log([squat(set(1, 5))]);
    expect(mergeLogs(base, log([]), log([squat(set(1, 5), set(2, 4))])).items).toEqual([squat(set(2, 4))]);
    expect(mergeLogs(base, log([squat(set(1, 5), set(2, 4))]), log([])).items).toEqual([squat(set(2, 4))]);
    expect(mergeLogs(base, log([]), base).items).toEqual([]);
  });

  it("takes the worse of two pains said at once, and the new one where only one spoke", () => {
    const pain = (p?: number, next?: number) =>
      log([
        {
          ...squat(set(1, 5)),
          ...(p === undefined ? {} : { pain: p }),
          ...(next === undefined ? {} : { nextDayPain: next }),
        },
      ]);
    expect(mergeLogs(pain(), pain(3), pain(5)).items[0]?.pain).toBe(5);
    expect(mergeLogs(pain(), pain(6), pain(5)).items[0]?.pain).toBe(6);
    expect(mergeLogs(pain(4), pain(2), pain(4)).items[0]?.pain).toBe(2);
    expect(mergeLogs(pain(4), pain(4), pain(1)).items[0]?.pain).toBe(1);
    expect(mergeLogs(pain(), pain(undefined, 4), pain(2, 1)).items[0]).toMatchObject({ pain: 2, nextDayPain: 4 });
  });

  it("takes minutes and effort from whoever changed them", () => {
    const base = log([], { minutes: 40, rpe: 6 });
    expect(mergeLogs(base, log([], { minutes: 45, rpe: 6 }), log([], { minutes: 40, rpe: 7 }))).toMatchObject({
      minutes: 45,
      rpe: 7,
    });
  });

  it("loses no set of either device, doubles none, and changes nothing when it is sent again", () => {
    const moments = fc.uniqueArray(fc.integer({ min: 0, max: 9 }), { maxLength: 6 });
    const sets = (list: readonly number[]) => list.map((m) => set(m, 5 + m));
    fc.assert(
      fc.property(moments, moments, moments, (known, mineNew, theirNew) => {
        const base = log([squat(...sets(known))]);
        const mine = log([squat(...sets([...new Set([...known, ...mineNew])]))]);
        const theirs = log([squat(...sets([...new Set([...known, ...theirNew])]))]);
        const merged = mergeLogs(base, mine, theirs);
        const times = merged.items.flatMap((i) => i.sets.map((s) => s.at));
        const all = new Set([...known, ...mineNew, ...theirNew].map((m) => set(m, 0).at));
        expect(new Set(times)).toEqual(all);
        expect(times).toHaveLength(all.size);
        expect(mergeLogs(base, mine, merged)).toEqual(merged);
        // The other device comes to the same.
        expect(mergeLogs(base, theirs, merged)).toEqual(merged);
      }),
      { numRuns: 300 },
    );
  });
});
