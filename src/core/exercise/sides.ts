/** Left against right in what was lifted: a trend over sessions, not a single day. */

import { amountOf, type LoggedItem, type StrengthLog } from "../athlete";
import type { IsoDate } from "../dates";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { asymmetry } from "../screening";

/** Percent from which a difference is watched and acted on, repetitions it must come to, sessions looked at (rule side.match). */
export const SIDE_MARKS = numbers("side.match");

export interface SideGap {
  weaker: "left" | "right";
  weak: number;
  strong: number;
  /** (stronger - weaker) / stronger x 100 (Bishop et al. 2018). */
  pct: number;
  sessions: number;
  action: "even" | "watch" | "act";
}

/** What the difference asks for; in repetitions only from two on. */
export function sideAction(left: number, right: number, reps: boolean): SideGap["action"] {
  const pct = asymmetry(left, right);
  if (reps && Math.abs(left - right) < SIDE_MARKS.least) return "even";
  return pct >= SIDE_MARKS.act ? "act" : pct >= SIDE_MARKS.watch ? "watch" : "even";
}

/** Clean repetitions or seconds of each side, at the load of that side where loads differ; null where it was not logged by side. */
export function sideSums(item: LoggedItem): { left: number; right: number; reps: boolean } | null {
  const of = (side: "left" | "right") => item.sets.filter((s) => s.side === side);
  const [left, right] = [of("left"), of("right")];
  // An extra set on one side is no difference of strength: sets are compared as far as both have them.
  const n = Math.min(left.length, right.length);
  if (n === 0) return null;
  const sum = (sets: LoggedItem["sets"]) => sets.slice(0, n).reduce((a, s) => a + amountOf(s), 0);
  return { left: sum(left), right: sum(right), reps: left.some((s) => s.reps !== undefined) };
}

/** The last sessions' difference of each exercise logged by side. */
export const sideGaps = onceFor((log: readonly StrengthLog[]): ReadonlyMap<string, SideGap> => {
  const sums = new Map<string, { date: IsoDate; left: number; right: number; reps: boolean }[]>();
  for (const s of log)
    for (const i of s.items) {
      const of = sideSums(i);
      if (of) sums.set(i.exercise, [...(sums.get(i.exercise) ?? []), { date: s.date, ...of }]);
    }
  const gaps = new Map<string, SideGap>();
  for (const [id, all] of sums) {
    const last = all.sort((a, b) => (a.date < b.date ? 1 : -1)).slice(0, SIDE_MARKS.sessions);
    const [left, right] = [last.reduce((a, x) => a + x.left, 0), last.reduce((a, x) => a + x.right, 0)];
    if (left === right) continue;
    gaps.set(id, {
      weaker: left < right ? "left" : "right",
      weak: Math.min(left, right),
      strong: Math.max(left, right),
      pct: asymmetry(left, right),
      sessions: last.length,
      action: sideAction(
        left,
        right,
        last.some((x) => x.reps),
      ),
    });
  }
  return gaps;
});
