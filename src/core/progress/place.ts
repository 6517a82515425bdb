/** Where a lift stands on its block's line (rule block.place): moved by what was done, held by what caps the week. */
import { cleanReps, setsOnce } from "../athlete";
import { addDays, daysBetween, type IsoDate } from "../dates";
import { numbers, type RuleValues, type Why, why } from "../rulebook";
import type { History } from "./history";

/** A block as its line needs it. */
export interface LineBlock {
  /** Monday of its first week. */
  start: IsoDate;
  /** Its first day: other work of that week stands on no line of it. */
  from: IsoDate;
  /** Loading weeks. */
  weeks: number;
  /** Mondays of its weeks in which nothing may go up. */
  held: readonly IsoDate[];
}

export interface LinePlace {
  /** Index of the point, from 0. */
  point: number;
  why: Why[];
}

export interface PlaceInput {
  block: LineBlock;
  /** Monday of the week asked about. */
  monday: IsoDate;
  /** Logs of the lift, newest first. */
  history: readonly History[];
  /** The day up to which the log is known. */
  asOf: IsoDate;
  /** Where the plan put it last, in a week before this one. */
  planned?: { block: IsoDate | null; point: number } | undefined;
  own?: RuleValues | undefined;
}

type Outcome = "done" | "again" | "back";

/** What a week's logs of a lift say: of several the heaviest counts. */
function outcomeOf(logs: readonly History[], own: RuleValues | undefined): Outcome {
  const { under, shortSets } = numbers("block.place", own);
  const topOf = (h: History) => Math.max(0, ...h.item.sets.map((s) => s.loadKg ?? 0));
  const heaviest = logs.reduce((best, h) => (topOf(h) > topOf(best) ? h : best));
  const { sets, prescribed: asked } = heaviest.item;
  if (logs.some((h) => (h.item.pain ?? 0) >= numbers("progress.pain", own).noIncrease)) return "again";
  if (!asked) return sets.length > 0 ? "done" : "again";
  const amount = asked.reps ?? 0;
  const { tellsUpTo } = numbers("load.unknown");
  const { within } = numbers("progress.range");
  const short = sets.filter((s) => cleanReps(s) < amount).length;
  const far = sets.filter((s) => cleanReps(s) < amount - within).length;
  if (asked.reps !== undefined && far >= shortSets) return "back";
  const reserve = sets.flatMap((s) => (s.rir === undefined ? [] : [s.rir]));
  const spent =
    asked.rir !== undefined && reserve.length > 0 && Math.min(...reserve) < Math.min(asked.rir, tellsUpTo) - under;
  const enough = setsOnce(heaviest.item).length >= asked.sets && (asked.reps === undefined || short === 0);
  return enough && !spent ? "done" : "again";
}

/**
 * A lift moves on by at most one point a calendar week, when its heaviest exposure was done: all sets, the repetitions, the reserve no more
 * than one under. What is ahead is planned as if each week will be done.
 */
export function placeOnLine({ block, monday, history, asOf, planned, own }: PlaceInput): LinePlace {
  const { missed } = numbers("block.place", own);
  const last = block.weeks - 1;
  const put = (point: number, reasons: Why[]): LinePlace => ({
    point: Math.max(0, Math.min(point, last)),
    why: reasons,
  });
  const held = (start: IsoDate) => block.held.includes(start);
  if (planned && planned.block === block.from) {
    const point = held(monday) ? planned.point : planned.point + 1;
    const reasons = held(monday)
      ? [why("block.place", "held", Math.min(point, last) + 1)]
      : [why("block.place", "ahead")];
    return put(point, reasons);
  }
  const inBlock = history.filter((h) => h.date >= block.from && h.date < monday);
  const latest = inBlock[0];
  if (!latest) return put(0, []);
  if (daysBetween(latest.date, asOf) > missed * 7) return put(0, [why("block.place", "anew")]);
  let point = -1;
  let outcome: Outcome = "again";
  for (let week = block.start; week <= latest.date; week = addDays(week, 7)) {
    const logs = inBlock.filter((h) => h.date >= week && h.date < addDays(week, 7));
    if (logs.length === 0) continue;
    if (point < 0) point = 0;
    else if (outcome === "done" && !held(week)) point += 1;
    outcome = outcomeOf(logs, own);
    if (outcome === "back") point = Math.max(0, point - 1);
  }
  // The week before this one was not logged: its point is still to be done.
  const skipped = daysBetween(latest.date, monday) > 7;
  if (held(monday)) return put(point, [why("block.place", "held", Math.min(point, last) + 1)]);
  if (outcome === "done")
    return put(
      point + 1,
      skipped ? [why("block.place", "again", { point: Math.min(point + 1, last) + 1, because: "not logged" })] : [],
    );
  return put(point, [
    outcome === "back"
      ? why("block.place", "back", point + 1)
      : why("block.place", "again", { point: point + 1, because: "not done as asked" }),
  ]);
}
