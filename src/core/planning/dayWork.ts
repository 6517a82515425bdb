/** What a day, its week and its place say of the work that stands there: block, hold, ladders, what keeps it from rising. */
import { type Athlete, isOn } from "../athlete";
import { makeableLoads } from "../dose";
import { type ChoiceContext, closedBecause, type Exercise, loadingToday } from "../exercise";
import type { LadderState } from "../progress";
import { numbers, type Why, why } from "../rulebook";
import { type BlockWeek, buildOf, type SeasonDay, type SeasonWeek } from "../season";

/** The block that a day's work stands in, or the one that ended right before its week: of the same work both. */
export function blockOn(
  day: SeasonDay,
  { block, closes, stepBack }: SeasonWeek,
): { block: BlockWeek | null; closes: BlockWeek | null; stepBack: boolean } {
  const builds = buildOf(day);
  const same = (b: BlockWeek | null) => (b !== null && b.builds === builds ? b : null);
  return { block: same(block), closes: builds !== null && stepBack ? closes : same(closes), stepBack };
}

/** Least and most hard sets of a session that holds, from its share of the last full build week's (rule taper.week). */
export function holdRange(buildSets: number): { least: number; most: number } {
  const { least, most } = numbers("taper.week");
  return { least: Math.ceil(buildSets * least), most: Math.max(2, Math.floor(buildSets * most)) };
}

/** What an exercise can become here (rule 5 of progress). */
export function ladderState(e: Exercise, choice: ChoiceContext): LadderState {
  const progression = e.ladder ? choice.progressions.get(e.ladder.id) : undefined;
  const at = progression?.steps.indexOf(e) ?? -1;
  const harder = at >= 0 ? progression?.steps[at + 1] : undefined;
  const closed = harder ? closedBecause(harder, choice) : null;
  const loading = loadingToday(e, choice);
  const loads = loading && loading !== "bodyweight" ? makeableLoads(e, loading, choice.place) : [];
  return {
    harder: harder && (!closed || closed.kind === "ladder") ? harder.name : null,
    easier: (at > 0 ? progression?.steps[at - 1]?.name : null) ?? null,
    lightestKg: loads[0] ?? null,
    tempo: e.tempo,
  };
}

/** Why nothing may go up in this week; null where it may. */
export function increaseCap(athlete: Athlete, day: SeasonDay, week: SeasonWeek): Why | null {
  if (!isOn(athlete, "progress.cap")) return null;
  if (day.phase === "race") return why("progress.cap", "race");
  if (week.stepBack) return why("progress.cap", "stepBack");
  if (week.mileage.factor < 1) return why("progress.cap", "mileage");
  return null;
}
