/** The library as the planner and the screens use it: what ships, what the coach added, what the coach has hidden. */
import { SHIPPED } from "./entries/all";
import type { Exercise, Pattern } from "./types";

export interface Library {
  /** Everything known, hidden ones too. */
  all: readonly Exercise[];
  hidden: ReadonlySet<string>;
  byId: (id: string) => Exercise | undefined;
  /** @returns the exercise's name, or the id where the library does not know it */
  name: (id: string) => string;
  /** What may be chosen of a pattern. */
  pattern: (p: Pattern) => readonly Exercise[];
  /** Steps of a ladder, easiest first. */
  ladder: (id: string) => readonly Exercise[];
  ladders: readonly string[];
}

/** Follows the steps from the lowest; what hangs on nothing is left out (validateLibrary names it). */
function stepsOf(ladder: string, all: readonly Exercise[]): Exercise[] {
  const on = all.filter((e) => e.ladder?.id === ladder);
  const steps: Exercise[] = [];
  let at = on.find((e) => e.ladder?.before === null);
  while (at && !steps.includes(at)) {
    steps.push(at);
    const before = at.id;
    at = on.find((e) => e.ladder?.before === before);
  }
  return steps;
}

/**
 * @param own exercises the coach added
 * @param hidden ids the planner leaves out
 */
export function makeLibrary(own: readonly Exercise[] = [], hidden: readonly string[] = []): Library {
  const all = [...SHIPPED, ...own];
  const out = new Set(hidden);
  const ids = new Map(all.map((e) => [e.id, e]));
  const patterns = new Map<Pattern, Exercise[]>();
  for (const e of all) if (!out.has(e.id)) patterns.set(e.pattern, [...(patterns.get(e.pattern) ?? []), e]);
  const ladders = [...new Set(all.flatMap((e) => (e.ladder ? [e.ladder.id] : [])))];
  const steps = new Map(ladders.map((id) => [id, stepsOf(id, all)]));
  return {
    all,
    hidden: out,
    byId: (id) => ids.get(id),
    name: (id) => ids.get(id)?.name ?? id,
    pattern: (p) => patterns.get(p) ?? [],
    ladder: (id) => steps.get(id) ?? [],
    ladders,
  };
}

/** The library as it ships. */
export const SHIPPED_LIBRARY = makeLibrary();
