import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadingWeeks } from "./blocks";

const to = (weeks: number, more: Partial<Parameters<typeof loadingWeeks>[0]> = {}) =>
  loadingWeeks({ weeks, usual: 3, mayGrow: true, closed: false, ...more });

describe("blocks of loading weeks (rule block.weeks)", () => {
  it("are 3 + 1 by default, 4 + 1 or 5 + 1 where that fits the weeks better", () => {
    expect([4, 5, 6, 7, 8, 9, 12].map((n) => to(n))).toEqual([[3], [4], [5], [3, 2], [3, 3], [4, 3], [3, 3, 3]]);
  });
  it("have no step-back before a race phase: eight weeks are 4 + 1 + 3", () => {
    expect([1, 3, 4, 5, 6, 7, 8, 9].map((n) => to(n, { closed: true }))).toEqual([
      [1],
      [3],
      [4],
      [5],
      [3, 2],
      [3, 3],
      [4, 3],
      [4, 4],
    ]);
  });
  it("are 2 + 1 for new lifters and from 50, three only where the taper follows", () => {
    const careful = { usual: 2, mayGrow: false };
    expect([3, 6, 9].map((n) => to(n, careful))).toEqual([[2], [2, 2], [2, 2, 2]]);
    expect([2, 3, 4, 8].map((n) => to(n, { ...careful, closed: true }))).toEqual([[2], [3], [2, 1], [2, 2, 2]]);
  });
  it("take over what a phase's end cut short: a step-back comes as early as it would have", () => {
    // One loading week behind: 4 weeks are 3 + 1, as the block then has four.
    expect(to(4, { carried: 1 })).toEqual([3]);
    expect(to(3, { carried: 1 })).toEqual([2]);
    const careful = { usual: 2, mayGrow: false };
    expect(to(4, { ...careful, carried: 1 })).toEqual([1, 2]);
    expect(to(6, { ...careful, carried: 2 })[0]).toBe(0);
  });
  it("property: fill their weeks, and never load longer without a step-back than the rule has it", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.boolean(), fc.boolean(), fc.nat(5), (weeks, grow, closed, n) => {
        const usual = grow ? 3 : 2;
        const most = grow ? 5 : 2;
        const carried = Math.min(n, most);
        const blocks = loadingWeeks({ weeks, usual, mayGrow: grow, closed, carried });
        const loading = blocks.reduce((a, b) => a + b, 0);
        // Every block ends in a step-back but perhaps the last.
        expect([weeks - blocks.length, weeks - blocks.length + 1]).toContain(loading);
        if (closed) expect(loading).toBe(weeks - blocks.length + 1);
        blocks.forEach((b, i) => {
          const last = closed && i === blocks.length - 1;
          // A single week before the taper loads in any case: the taper itself is the step-back.
          if (closed && weeks === 1) return;
          expect(b + (i === 0 ? carried : 0)).toBeLessThanOrEqual(last ? Math.max(most, usual + 1) : most);
        });
      }),
      { numRuns: 500, seed: 14 },
    );
  });
});
