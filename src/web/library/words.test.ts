import { describe, expect, it } from "vitest";
import { SHIPPED } from "../../core/exercise/entries/all";
import { SHIPPED_LIBRARY } from "../../core/exercise/library";
import { HAND_NAMES, LOADING_NAMES, ladderName, needName, needsText, PATTERN_NAMES } from "./words";

describe("the words of the library", () => {
  it("are there for everything that ships", () => {
    for (const e of SHIPPED) {
      expect(PATTERN_NAMES[e.pattern], e.id).toBeDefined();
      expect(LOADING_NAMES[e.loading], e.id).toBeDefined();
      expect(HAND_NAMES[e.hand], e.id).toBeDefined();
      expect(needsText(e), e.id).not.toMatch(/[:-]/);
    }
  });
  it("say equipment as people do", () => {
    expect(needName("machine:leg-press")).toBe("leg press");
    expect(needName("dumbbell-pair")).toBe("dumbbell pair");
    expect(needsText({ needs: [[]] })).toBe("nothing");
    expect(
      needsText({
        needs: [
          ["step", "band"],
          ["box", "band"],
        ],
      }),
    ).toBe("step and band, or box and band");
  });
  it("name every ladder", () => {
    for (const l of SHIPPED_LIBRARY.ladders) expect(ladderName(l)).toMatch(/^[A-Z][a-z -]+$/);
    expect(ladderName("squat")).toBe("Squat");
  });
});
