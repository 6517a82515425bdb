/** The search of a week against the walk through all of it, which leaves nothing out unseen. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContext, weekOf } from "../../../tests/support/weekfit";
import { fitWeek } from "./fit";

describe("a week that is searched", () => {
  it("is placed as if each of its placements had been walked: one to four sessions, whatever they charge and keep apart", () => {
    fc.assert(
      fc.property(weekOf(6), anyContext, (demands, c) => {
        const [walked, searched] = [fitWeek(demands, c, Number.POSITIVE_INFINITY), fitWeek(demands, c, 0)];
        const { placed, costs, unplaced, alternatives } = walked;
        expect(searched).toMatchObject({ placed, costs, unplaced, alternatives, histogram: [] });
        // The walk counts each placement that leaves nothing out, and no other.
        const whole = walked.histogram.reduce((n, [, count]) => n + count, 0);
        expect(whole > 0).toBe(unplaced.length === 0);
      }),
      { numRuns: 200, seed: 31 },
    );
  });
});
