/** What a season says of jumps: from when, in how many weeks, or why there are none. */
import { dayLabel } from "../dates";
import { holdsLandings } from "../jumps";
import { type Why, why } from "../rulebook";
import type { PlanWeek } from "./planWeek";

const itemsOf = (w: PlanWeek) => w.sessions.flatMap((s) => s.items);
const anyJump = (w: PlanWeek): boolean => itemsOf(w).some((i) => i.exercise.pattern === "jump");

/** @param weeks as planned, in order */
export function seasonJumps(weeks: readonly PlanWeek[]): Why[] {
  const asked = weeks.filter((w) => w.jumps.asks.size > 0);
  const first = asked[0] ?? weeks[0];
  if (!first) return [];
  if (asked.length === 0 || first.jumps.right.kind === "swings") return first.jumps.why;
  const held = asked.filter(anyJump);
  const when = (w: PlanWeek | undefined): string | null => (w ? dayLabel(w.season.start) : null);
  const hops = held.find((w) => itemsOf(w).some((i) => i.exercise.pattern === "jump" && i.exercise.unit === "seconds"));
  const jumps = held.find((w) => holdsLandings(itemsOf(w)));
  const now =
    held.length === 0
      ? why("jumps.phase", "noFreshSlot", asked.length)
      : why("jumps.phase", "season", {
          hops: when(hops),
          jumps: when(jumps),
          held: held.length,
          asked: asked.length,
        });
  return [first.jumps.right.why, now];
}
