/** A session as the coach made it: its own exercises, order, pairs and doses, with loads worked out where none is set by hand. */

import { AREA_WORDS, type EditItem, type SessionEdit } from "../athlete";
import { makeLoad } from "../dose";
import { closedBecause, EXTERNAL, loadingAt, loadingToday } from "../exercise";
import { type Why, why } from "../rulebook";
import { TOLERANCE } from "../units";
import { itemFor } from "./fill";
import { slotKindOf } from "./slots";
import { labelGroups } from "./time";
import type { Dropped, Filled, Item, SessionRequest } from "./types";

/** Kinds of day that take no load from outside. */
const UNLOADED = ["mobility", "bodyweight"];

/**
 * @returns the items of the edit that may be done on this day here, the others as dropped with the reason; null where the place lacks
 * the equipment for one of them (M1), or nothing of it may be done on this day, so that the session cannot stand here
 */
export function fillEdit(edit: SessionEdit, r: SessionRequest): Filled | null {
  const dropped: Dropped[] = [];
  const groups = new Map<number, Item[]>();
  for (const e of edit.items) {
    const made = itemOf(e, r);
    if (made === null) return null;
    if ("left" in made) dropped.push({ exercise: e.exercise, why: made.left });
    else groups.set(e.group, [...(groups.get(e.group) ?? []), made]);
  }
  if (groups.size === 0) return null;
  return { items: labelGroups([...groups.values()]), dropped, left: [] };
}

/** Why an exercise may not be done on this day. */
interface Left {
  left: string;
}

function itemOf(e: EditItem, r: SessionRequest): Item | Left | null {
  const exercise = r.choice.library.byId(e.exercise);
  if (!exercise) return { left: "is no longer in the library" };
  const closed = closedBecause(exercise, r.choice);
  // The coach may take a step early; what safety closes stays closed.
  const early = closed?.kind === "ladder" && exercise.pattern !== "jump";
  if (closed && !early && closed.kind !== "equipment") return { left: closed.text };
  if (loadingAt(exercise, r.place) === null) return null;
  const loading = loadingToday(exercise, r.choice);
  if (loading === null || (UNLOADED.includes(r.loading) && EXTERNAL.includes(loading)))
    return { left: "needs load, and no loaded work is allowed that day" };
  if (r.loading === "mobility" && exercise.pattern !== "mobility" && !["hip", "calf"].includes(exercise.pattern))
    return { left: "only mobility is allowed that day" };
  const main = slotKindOf(exercise) === "main";
  const base = itemFor(
    { exercise, loading, score: 0, parts: [] },
    { pattern: exercise.pattern, kind: slotKindOf(exercise), sets: e.sets },
    r,
    { left: [], swappedFrom: null, of: 1 },
    {
      sets: e.sets,
      ...(e.reps === undefined ? {} : { reps: [e.repsLow ?? e.reps, e.reps] as const }),
      ...(e.seconds === undefined ? {} : { seconds: e.seconds }),
      ...(e.rir === undefined ? {} : { rir: Math.max(e.rir, r.choice.gate.minRir) }),
    },
  );
  const reasons: Why[] = [why("edit.hand", "item"), ...base.why.filter((w) => !w.rule.startsWith("choice."))];
  let item: Item = { ...base, main, sets: e.sets, note: e.note ?? null, why: reasons };
  if (e.restSeconds !== undefined) item = { ...item, restSeconds: e.restSeconds };
  if (e.loadKg !== undefined && EXTERNAL.includes(loading)) {
    // While restoring, light loads stay light whoever asks.
    const most = r.loading === "restore" ? Math.min(e.loadKg, base.loadKg ?? 0) : e.loadKg;
    const made = most > 0 ? makeLoad(exercise, loading, r.place, most) : null;
    if (made && made.loadKg <= most + TOLERANCE) {
      const share = base.loadKg && base.percent1rm ? base.percent1rm / base.loadKg : null;
      item = {
        ...item,
        ...made,
        ramp: [],
        percent1rm: share === null ? null : Math.round(made.loadKg * share * 10) / 10,
        why: [why("edit.hand", "load", { asked: e.loadKg, made: made.loadKg }), ...reasons],
      };
    }
  }
  const care = r.choice.areas.find((a) => exercise.careWith.includes(a));
  return care
    ? { ...item, why: [...item.why, why("choice.trouble", "care", { area: AREA_WORDS[care], how: "pain-free range" })] }
    : item;
}
