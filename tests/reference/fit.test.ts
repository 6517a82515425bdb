import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fitWeek } from "../../src/core/week/fit";
import { anyContext, contextOf, distinct, endurance, sum, totalOf, weekOf } from "../support/weekfit";
import { breaksMust, byHighs } from "./weekModel";

/** 2,000 in `npm run properties`; fewer of them where each change of the code is tried (npm run mutate). */
const WEEKS = Number(process.env.FIELD_ANCHOR_WEEKS ?? 1000);

describe("the week fit against general methods", () => {
  it("agrees with a mixed-integer solver (HiGHS) on the least cost of every week: 1 to 4 sessions, 4 to 20 windows", async () => {
    let [placed, left] = [0, 0];
    const charged = new Set<string>();
    await fc.assert(
      fc.asyncProperty(weekOf(20), anyContext, async (demands, c) => {
        const fit = fitWeek(demands, c);
        placed += fit.placed.length;
        left += fit.unplaced.length;
        for (const cost of fit.costs) charged.add(cost.rule);
        expect(breaksMust(fit.placed, c)).toBe(false);
        expect(sum(fit.costs)).toBe(fit.cost);
        expect(totalOf(demands, c)).toBe(await byHighs(demands, c));
      }),
      { numRuns: WEEKS, seed: 12 },
    );
    // Both kinds are among them: weeks with room for all, and weeks where the solver agrees that something must stay out.
    expect(placed).toBeGreaterThan(WEEKS / 2);
    expect(left).toBeGreaterThan(WEEKS / 40);
    // Every rule that should hold was broken somewhere, so that none agrees by silence.
    if (WEEKS < 1000) return;
    for (let n = 1; n <= 12; n++) expect(charged).toContain(`S${n}`);
    expect(charged).toContain("S14");
  });

  it("gives the same answer whether every placement is walked or most are ruled out", () => {
    fc.assert(
      fc.property(weekOf(9), anyContext, (demands, c) => {
        const [walked, searched] = [fitWeek(demands, c, Number.POSITIVE_INFINITY), fitWeek(demands, c, 0)];
        expect(searched.placed).toEqual(walked.placed);
        expect(searched.costs).toEqual(walked.costs);
        expect(searched.unplaced).toEqual(walked.unplaced);
        expect(searched.alternatives).toEqual(walked.alternatives);
        expect(walked.histogram.reduce((a, [, n]) => a + n, 0)).toBeLessThanOrEqual(walked.weighed);
      }),
      { numRuns: WEEKS / 5, seed: 3 },
    );
  });

  it("adds its cost up from the rules it names, and alternatives never cost less", () => {
    fc.assert(
      fc.property(distinct("A"), distinct("B"), endurance, (a, b, sessions) => {
        const fit = fitWeek(
          [
            { label: "A", options: a, none: "" },
            { label: "B", options: b, none: "" },
          ],
          contextOf(sessions, "stack"),
        );
        expect(sum(fit.costs)).toBe(fit.cost);
        const days = (list: readonly { date: string; label: string }[]) =>
          list.map((s) => `${s.label}${s.date}`).join();
        const seen = new Set([days(fit.placed)]);
        for (const alt of fit.alternatives) {
          expect(alt.cost).toBeGreaterThanOrEqual(fit.cost);
          expect(seen.has(days(alt.sessions))).toBe(false);
          seen.add(days(alt.sessions));
        }
      }),
    );
  });
});
