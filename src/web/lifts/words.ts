/** Decisions as they are said. */
import type { DecisionKind } from "../../core/athlete";

export const DECISION_WORDS: Record<DecisionKind, string> = {
  "up-load": "heavier",
  "up-reps": "more reps",
  "up-seconds": "longer",
  "up-sets": "one set more",
  "next-rung": "harder version",
  slower: "slower lowering",
  same: "the same again",
  "fewer-reps": "fewer reps",
  "down-load": "lighter",
  "back-rung": "easier version",
  stop: "stop and ask",
};
