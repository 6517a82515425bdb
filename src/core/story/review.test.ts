/** Shares of hard sets by pattern against the sport's: runs share 3, 3, 4, 4, 3, 3 and 1 of 21 (rules review.hard, ledger.owed), counted by hand. */
import { describe, expect, it } from "vitest";
import { GROUPS, isFarFromShare, type PatternGroup, type Sums, sharesOf } from "./review";

const done = (groups: Partial<Record<PatternGroup, number>>) => ({ groups }) as Sums;
const far = (groups: Partial<Record<PatternGroup, number>>) =>
  sharesOf(done(groups), "run")
    .filter(isFarFromShare)
    .map((s) => `${s.group} ${Math.round(s.pct)} of ${Math.round(s.sportPct)}`);

describe("a pattern's share of the hard sets", () => {
  it("is what it had of all of them, beside what its sport gives it", () => {
    const all = sharesOf(done({ squat: 5, hip: 21, trunk: 14 }), "run");
    expect(all.map((s) => s.group)).toEqual(GROUPS);
    expect(all.map((s) => s.sets)).toEqual([5, 0, 0, 21, 0, 14, 0]);
    expect(all.map((s) => s.pct)).toEqual([12.5, 0, 0, 52.5, 0, 35, 0]);
    expect(all[0]?.sportPct).toBeCloseTo((3 / 21) * 100, 10);
    expect(sharesOf(done({}), "run").map((s) => s.pct)).toEqual([0, 0, 0, 0, 0, 0, 0]);
  });
  it("is said from eight points on, or under half of the sport's", () => {
    const is = (pct: number, sportPct: number) => isFarFromShare({ pct, sportPct });
    expect([is(17.9, 10), is(18, 10), is(22.1, 30), is(22, 30)]).toEqual([false, true, false, true]);
    expect([is(5, 10), is(4.9, 10), is(2.5, 5), is(2.4, 5)]).toEqual([false, true, false, true]);
    expect(is(0, 0)).toBe(false);
  });
  it("names a squat that had less than half of what its sport gives it, though that is fewer than eight points", () => {
    expect(far({ squat: 3, hinge: 3, "split-squat": 4, hip: 4, calf: 3, trunk: 3, upper: 1 })).toEqual([]);
    // 4 of 80 are 5%, 9.3 points under; 6 of 80 are 7.5%, 6.8 points under and more than half of 14.3.
    expect(far({ squat: 4, hinge: 13, "split-squat": 16, hip: 16, calf: 13, trunk: 13, upper: 5 })).toEqual([
      "squat 5 of 14",
    ]);
    expect(far({ squat: 6, hinge: 13, "split-squat": 15, hip: 16, calf: 13, trunk: 13, upper: 4 })).toEqual([]);
    expect(far({ squat: 5, hinge: 13, "split-squat": 15, hip: 16, calf: 13, trunk: 13, upper: 4 })).toEqual([
      "squat 6 of 14",
    ]);
  });
});
