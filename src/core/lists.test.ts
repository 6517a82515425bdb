/** Lists against the language's own. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { flatMap } from "./lists";

it("flatMap makes what the language's own makes, told where each element stands", () => {
  fc.assert(
    fc.property(fc.array(fc.array(fc.integer(), { maxLength: 3 }), { maxLength: 6 }), (lists) => {
      const of = (list: readonly number[], at: number) => [at, ...list];
      expect(flatMap(lists, of)).toEqual(lists.flatMap(of));
      expect(flatMap(lists, (list) => list)).toEqual(lists.flat());
    }),
    { numRuns: 50, seed: 3 },
  );
});
