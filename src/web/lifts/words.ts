/** Decisions as they are said. */
import type { DecisionKind } from "../../core/athlete";

export const DECISION_WORDS: Record<DecisionKind, string> = {
  "up-load": "heavier",
  "up-reps": "more reps",
  "up-seconds": "longer",
  "up-sets": "a set more",
  "next-rung": "next rung",
  slower: "slower lowering",
  same: "the same again",
  "fewer-reps": "fewer reps",
  "down-load": "lighter",
  "back-rung": "back a rung",
  stop: "stop and ask",
};
