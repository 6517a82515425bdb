/** What stands in routines after runs, by stage, and in visits that restore (rules approach.routine, restore.visits). */
import type { Label } from "../athlete";
import { type ChoiceContext, closedBecause } from "../exercise";
import { onceFor } from "../once";
import { type Why, why } from "../rulebook";
import type { RoutineStage, Slot } from "./slots";
import type { Item } from "./types";

/**
 * Our own choice: holds of the trunk, control of the hip, moving range, in an order that changes what works. Where one is closed the next
 * stands in; a walk on hands and feet, and swings of the trunk, are open only to backs that allow them.
 */
const STAGES: Readonly<Record<RoutineStage, readonly (readonly string[])[]>> = {
  1: [
    ["front-plank"],
    ["clam"],
    ["cat-cow"],
    ["side-plank-knees"],
    ["bridge"],
    ["leg-swings-back"],
    ["bird-dog"],
    ["side-lying-raise-toe-in"],
    ["ankle-rock"],
    ["dead-bug-legs"],
    ["quadruped-kick"],
    ["groiners"],
    ["wall-knee-press"],
    ["heel-walk"],
    ["hip-flexor-stretch"],
    ["outer-hip-stretch"],
  ],
  2: [
    ["side-plank", "side-plank-knees"],
    ["reverse-clam"],
    ["groiners"],
    ["dead-bug", "dead-bug-legs"],
    ["single-leg-bridge", "bridge"],
    ["leg-swings-back"],
    ["front-plank"],
    ["side-lying-raise"],
    ["ankle-rock"],
    ["bird-dog"],
    ["hydrant"],
    ["cat-cow"],
    ["toe-tap"],
    ["lateral-squat-step"],
    ["hip-flexor-stretch"],
    ["outer-hip-stretch"],
  ],
  3: [
    ["side-plank-star", "side-plank-to-front", "side-plank"],
    ["reverse-clam-raised", "reverse-clam"],
    ["groiners"],
    ["dead-bug-long", "dead-bug"],
    ["long-lever-bridge", "bridge"],
    ["leg-swings-back"],
    ["shoulder-tap", "front-plank"],
    ["side-lying-raise-toe-out", "side-lying-raise"],
    ["hand-foot-walk", "cat-cow"],
    ["side-hold-knee-lift", "side-plank-to-front", "bird-dog"],
    ["quadruped-circle"],
    ["ankle-rock"],
    ["hip-hike", "toe-tap"],
    ["backward-walk"],
    ["active-quad-stretch", "hip-flexor-stretch"],
    ["outer-hip-stretch"],
  ],
};

/** A visit that restores: rolling, the flow with its movements, heel walks and bridges, what is stiff last. Every second one is another. */
const VISIT: readonly (readonly string[])[] = [
  ["foot-rolling"],
  ["foam-rolling"],
  ["cat-cow"],
  ["bridge", "clam"],
  ["leg-swings-back"],
  ["heel-walk", "short-foot"],
  ["groiners"],
  ["side-lying-raise"],
  ["ankle-rock"],
  ["clam", "bridge"],
  ["hip-flexor-stretch"],
  ["outer-hip-stretch"],
  ["active-quad-stretch"],
  ["mobility-flow"],
];

const OTHER_VISIT: readonly (readonly string[])[] = [
  ["foam-rolling"],
  ["mobility-flow"],
  ["foot-rolling"],
  ["short-foot", "heel-walk"],
  ["bridge", "clam"],
  ["groiners"],
  ["heel-walk"],
  ["side-lying-raise"],
  ["leg-swings-back"],
  ["active-quad-stretch"],
  ["ankle-rock"],
  ["outer-hip-stretch"],
  ["hip-flexor-stretch"],
  ["clam"],
  ["cat-cow"],
];

/** Planks of the first stage come once: 60 to 90 seconds of them in all. */
const ONCE: readonly string[] = ["front-plank", "side-plank-knees"];

/** @param part what every exercise of the list says of itself; one that stands in says for which, and why */
function slotsOf(
  stations: readonly (readonly string[])[],
  setsOf: (id: string) => number,
  part: Why,
  c: ChoiceContext,
): Slot[] {
  const taken = new Set<string>();
  return stations.flatMap((ids): Slot[] => {
    const says: Why[] = [];
    for (const id of ids) {
      const e = c.library.byId(id);
      if (!e || taken.has(id)) continue;
      const closed = closedBecause(e, c);
      if (closed) {
        says.push(why("choice.swap", "instead", { name: e.name.toLowerCase(), because: closed.text }));
        continue;
      }
      taken.add(id);
      return [{ pattern: e.pattern, kind: "assist", only: [id], sets: setsOf(id), says: [part, ...says] }];
    }
    return [];
  });
}

const stages = onceFor((_: ChoiceContext) => new Map<RoutineStage, Slot[]>());

/** Two rounds of a stage; what the minutes do not hold goes from the end. */
export function stageSlots(stage: RoutineStage, c: ChoiceContext): Slot[] {
  const known = stages(c).get(stage);
  if (known) return known;
  const made = slotsOf(
    STAGES[stage],
    (id) => (stage === 1 && ONCE.includes(id) ? 1 : 2),
    why("approach.routine", "part", stage),
    c,
  );
  stages(c).set(stage, made);
  return made;
}

const visits = onceFor((c: ChoiceContext) => {
  const part = why("restore.visits", "part");
  return { odd: slotsOf(VISIT, () => 2, part, c), even: slotsOf(OTHER_VISIT, () => 2, part, c) };
});

export const visitSlots = (label: Label, c: ChoiceContext): Slot[] => visits(c)[label === "B" ? "even" : "odd"];

/** One thing less: the second round from its end, then exercises from the end; null where one is left. */
export function shorterRoutine(items: readonly Item[]): readonly Item[] | null {
  const twice = items.findLastIndex((i) => i.sets > 1);
  if (twice >= 0) return items.map((i, k) => (k === twice ? { ...i, sets: i.sets - 1 } : i));
  return items.length > 1 ? items.slice(0, -1) : null;
}

/** The first of ever shorter routines that fits; the shortest where none does. */
export function longestThatFits(items: readonly Item[], fits: (items: readonly Item[]) => boolean): readonly Item[] {
  const all: (readonly Item[])[] = [items];
  for (let less = shorterRoutine(items); less; less = shorterRoutine(less)) all.push(less);
  let [long, short] = [0, all.length - 1];
  while (long < short) {
    const middle = Math.floor((long + short) / 2);
    if (fits(all[middle] ?? items)) short = middle;
    else long = middle + 1;
  }
  return all[short] ?? items;
}
