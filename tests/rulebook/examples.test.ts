/** Every worked example of the rulebook, executed against the planner's own functions. */
import { describe, expect, it } from "vitest";
import { RULE_IDS, RULES } from "../../src/core/rulebook";
import { BINDINGS } from "./bindings";

const withNumbers = RULE_IDS.filter((id) => Object.keys(RULES[id].parameters).length > 0);

describe("worked examples", () => {
  it("stand on both sides of a boundary, and have a function behind them, for every rule with numbers", () => {
    expect(withNumbers.length).toBeGreaterThan(60);
    expect(withNumbers.filter((id) => RULES[id].examples.length < 1)).toEqual([]);
    expect(withNumbers.filter((id) => !BINDINGS[id])).toEqual([]);
    expect(Object.keys(BINDINGS).filter((id) => !RULE_IDS.includes(id as never))).toEqual([]);
    // What is given differs where the answer does: an example alone shows no boundary.
    const oneSided = withNumbers.filter(
      (id) => RULES[id].kind !== "figure" && new Set(RULES[id].examples.map((e) => JSON.stringify(e.gives))).size < 2,
    );
    expect(oneSided).toEqual([]);
  });

  describe.each(RULE_IDS.filter((id) => RULES[id].examples.length > 0))("%s", (id) => {
    it.each(RULES[id].examples.map((e) => [JSON.stringify(e.given), e] as const))("%s", (_, e) => {
      expect(BINDINGS[id]?.(e.given)).toEqual(e.gives);
    });
  });
});
