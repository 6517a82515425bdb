/** The side that begins, and takes a set more where they differ enough. */
import type { ScreenTest } from "../athlete";
import type { ChoiceContext, Exercise, Pattern } from "../exercise";
import { type Why, why } from "../rulebook";
import { latestScreening, testName, weakerSide } from "../screening";

/** Tests whose sides say which side begins, by pattern. */
const SIDE_TESTS: Partial<Record<Pattern, readonly ScreenTest[]>> = {
  "split-squat": ["single-leg-squat", "step-down"],
  hinge: ["single-leg-bridge", "single-leg-squat"],
  hip: ["single-leg-bridge", "single-leg-squat", "side-hold"],
  calf: ["calf-raise"],
  trunk: ["side-hold"],
};

interface SideFirst {
  side: "left" | "right";
  /** A set more for the weaker side. */
  extra: boolean;
  why: Why;
}

/** The side that begins: by the log of the exercise where its sides differ, else by the screening. */
export function sideFirst(e: Exercise, c: ChoiceContext): SideFirst | null {
  const gap = c.sides.get(e.id);
  if (gap && gap.action !== "even") {
    const acted = gap.action === "act";
    return {
      side: gap.weaker,
      extra: acted,
      why: why("side.match", "log", { ...gap, side: gap.weaker, pct: Math.round(gap.pct), acted }),
    };
  }
  const tests = e.primary.includes("hip flexors") ? (["march-hold"] as const) : (SIDE_TESTS[e.pattern] ?? []);
  for (const test of tests) {
    const side = weakerSide(c.athlete, test, c.on);
    const s = latestScreening(c.athlete, test, c.on);
    if (!side || !s) continue;
    const [weak, strong] = side === "left" ? [s.left, s.right] : [s.right, s.left];
    return {
      side,
      extra: false,
      why: why("side.first", "test", { side, test: testName(test), weak, strong }),
    };
  }
  return null;
}
