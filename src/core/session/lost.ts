/** What a week loses by having a session here: leading work without load or time, and what stands beside it (rule work.lost). */
import { EXTERNAL, type Pattern } from "../exercise";
import { listWords, many, numbers } from "../rulebook";
import type { Item, SessionRequest } from "./types";

/** Leading patterns whose work is loaded; hip work is done on the floor. */
const LOADED: readonly Pattern[] = ["squat", "hinge", "split-squat"];
const TWO_LEGS: readonly Pattern[] = ["squat", "hinge"];
const isLead = (i: Item): boolean => i.slot.kind !== "assist" && LOADED.includes(i.exercise.pattern);

/** A lead has what its emphasis asks for: a load, in maximal work on two legs one that can be heavy. */
function hasLoad(i: Item, r: SessionRequest): boolean {
  if (r.choice.laddersFirst) return true;
  if (!EXTERNAL.includes(i.loading)) return false;
  if (r.emphasis !== "maximal" || !TWO_LEGS.includes(i.exercise.pattern)) return true;
  return i.loading === "bar" || i.loading === "machine";
}

export interface Lost {
  /** From 0; 1 is all the loaded lead work of a maximal week, what stands beside it comes on top. */
  share: number;
  words: string;
}

const count = (items: readonly Item[]): number => items.reduce((a, i) => a + i.sets, 0);

/** @param done what the session holds */
export function lostBy(done: readonly Item[], r: SessionRequest): Lost {
  if (r.edit || r.routine || (r.loading !== "full" && r.loading !== "light")) return { share: 0, words: "" };
  const beside = (r.units ?? []).reduce((a, u) => a + u.sets, 0);
  const worth = numbers("work.lost", r.choice.athlete.settings?.ruleValues);
  const lead = worth.worth[r.emphasis] / worth.points;
  const leads = done.filter(isLead);
  const asked = (r.leads ?? []).reduce((a, l) => a + (LOADED.includes(l.pattern) ? l.sets : 0), 0);
  const bare = leads.filter((i) => !hasLoad(i, r));
  const unloaded = count(bare);
  // The heavy day goes to the room with the bar: without one its squat and hinge lose what the week is for.
  const heavy = r.emphasis === "maximal" ? count(bare.filter((i) => TWO_LEGS.includes(i.exercise.pattern))) : 0;
  const noTime = Math.max(0, asked - count(leads));
  const week = Math.max(r.weekLeads ?? asked, asked, 1);
  const other = Math.max(0, beside - count(done.filter((i) => i.slot.unit)));
  const weekOther = Math.max(r.weekUnits ?? beside, beside, 1);
  const leading = Math.min(1, (unloaded + noTime) / week) + ((worth.heavy - 1) * heavy) / week;
  const share = lead * leading + (worth.beside / worth.points) * (other / weekOther);
  const words = listWords([
    ...(unloaded > 0 && lead > 0 ? [`no load for ${unloaded}`] : []),
    ...(noTime > 0 && lead > 0 ? [`no time for ${noTime}`] : []),
  ]);
  const missing = words === "" ? [] : [`${words} of the week's ${week} leading sets`];
  if (other > 0) missing.push(`no time for ${many(other, "set")} of accessory work`);
  return { share, words: listWords(missing) };
}
