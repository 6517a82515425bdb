/** What safety takes out of a primary pattern where something else stands in its place. */
import {
  type ChoiceContext,
  type Closed,
  closedBecause,
  type Exercise,
  loadingAt,
  type Pattern,
  PRIMARY_PATTERNS,
} from "../exercise";
import { flatMap } from "../lists";
import { onceFor } from "../once";
import type { LeftOut } from "./types";

const REMOVED: readonly Closed["kind"][] = ["trouble", "pain", "clearance", "gate"];

/** What safety takes out of a pattern, what would be taken first in front. */
interface Removed {
  exercise: Exercise;
  base: number;
  why: string;
}

const removedKept = onceFor((_: ChoiceContext) => new Map<Pattern, Removed[]>());

/** What would be taken first if nothing but the sport were asked. */
const baseOf = (e: Exercise, { athlete }: ChoiceContext): number => e.rank + (e.sports[athlete.athlete.sport] ?? 0);

function removedFrom(pattern: Pattern, c: ChoiceContext): readonly Removed[] {
  const kept = removedKept(c);
  const before = kept.get(pattern);
  if (before) return before;
  const removed = flatMap(c.library.pattern(pattern), (exercise): Removed[] => {
    const closed = closedBecause(exercise, c);
    // What a stage keeps without load, and is nothing without one, is left out as well.
    return closed && REMOVED.includes(closed.kind) && loadingAt(exercise, c.place) !== null
      ? [{ exercise, base: baseOf(exercise, c), why: closed.text }]
      : [];
  }).sort((a, b) => b.base - a.base);
  kept.set(pattern, removed);
  return removed;
}

/** What a primary pattern would sooner have had and may not, for reasons of safety. */
export function leftOut(taken: Exercise, c: ChoiceContext): LeftOut[] {
  const removed = PRIMARY_PATTERNS.includes(taken.pattern) ? removedFrom(taken.pattern, c) : [];
  return removed
    .filter(({ base }) => base > baseOf(taken, c))
    .slice(0, 2)
    .map(({ exercise, why: because }) => ({
      exercise: exercise.id,
      name: exercise.name,
      why: because,
      instead: taken.name,
    }));
}
