/** What is past stays: a race that is moved changes what lies ahead, never the phases of days that were trained. */
import type { Athlete, PhaseSpan } from "../athlete";
import { addDays, type IsoDate } from "../dates";
import { phaseOn } from "./phase";
import { planPhases } from "./phases";

/**
 * An athlete after a change, with the phases of the days before today as they were before it, where the change would rewrite them.
 * @param after with other races, phases or season; returned as it is where nothing of the past differs
 */
export function withPastKept(before: Athlete, after: Athlete, today: IsoDate): Athlete {
  const same = (["races", "phases", "season", "settings"] as const).every((k) => before[k] === after[k]);
  if (same || today <= before.season.start) return after;
  const was = planPhases(before).phases.flatMap(({ phase, start, end }): PhaseSpan[] =>
    start < today ? [{ phase, start, end: end < today ? end : addDays(today, -1) }] : [],
  );
  const now = planPhases(after).phases;
  const differs = was.some((s) => {
    for (let date = s.start; date <= s.end; date = addDays(date, 1))
      if (date >= after.season.start && date <= after.season.end && phaseOn(now, date)?.phase !== s.phase) return true;
    return false;
  });
  return differs ? { ...after, pastPhases: was } : after;
}
