/** What stands last in a session is done with more in reserve: who is tired does not grind (rule session.last). */
import { numbers, why } from "../rulebook";
import { withChanges } from "./item";
import { groupsOf } from "./time";
import type { Filled, Item, SessionRequest } from "./types";

const { reserve: LIGHT_RESERVE } = numbers("load.light");
const { more: MORE, groups: LEAST } = numbers("session.last");

/** Assistance that is counted in repetitions, near enough to failure to be told. */
const isWork = (i: Item): boolean =>
  i.slot.kind === "assist" &&
  !["mobility", "jump"].includes(i.exercise.pattern) &&
  i.reps !== null &&
  i.slow === null &&
  // What is left in reserve beyond that makes it light work.
  i.rirAsked + MORE < LIGHT_RESERVE;

/** @returns the items with the last group of work eased; null where nothing is: few groups, or a day that eases all of them */
export function lastEased(items: readonly Item[], again: Filled["again"], r: SessionRequest): Item[] | null {
  if (r.edit || r.routine || r.loading !== "full" || (r.emphasis !== "develop" && r.emphasis !== "maximal"))
    return null;
  const groups = groupsOf(items).filter((g) => g.some((i) => i.exercise.pattern !== "mobility"));
  const last = groups.length >= LEAST ? (groups.at(-1) ?? []) : [];
  const eased = new Map<Item, Item>();
  for (const i of last) {
    const made = isWork(i) && again?.get(i.exercise)?.(i.slot.sets ?? i.sets, i.rirAsked + MORE);
    const { sets, pair } = i;
    if (made) eased.set(i, withChanges(made, { sets, pair, why: [...made.why, why("session.last", "last", MORE)] }));
  }
  return eased.size === 0 ? null : items.map((i) => eased.get(i) ?? i);
}
