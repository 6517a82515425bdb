/** A week of the season, and what its days build up. */
import { buildsUp, type Emphasis, type Phase } from "../athlete";
import { addDays, type IsoDate } from "../dates";
import { type Known, type MileageChange, type MileageRule, mostFrequent, type WeekFigures } from "../endurance";
import type { Why } from "../rulebook";
import type { BlockWeek } from "./blocks";
import type { SeasonDay } from "./day";
import type { WantedRoutine, WantedSession } from "./wanted";

export interface SeasonWeek {
  start: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  days: SeasonDay[];
  /** How much of its endurance is planned or recorded; what is not known is no rest. */
  known: Known;
  /** Where it stands in its block; null in a step-back week and wherever nothing is built up. */
  block: BlockWeek | null;
  /** The last loading week of the block that ended right before this week, by a step-back or by what follows it. */
  closes: BlockWeek | null;
  stepBack: boolean;
  /** The endurance itself steps back this week. */
  enduranceStepBack: boolean;
  /** An ordinary week counts in comparisons: no step-back, race or recovery phase, absence. */
  ordinary: boolean;
  figures: WeekFigures;
  change: MileageChange;
  mileage: MileageRule;
  /** Share of the sets that stays, all rules together (the strictest one). */
  setFactor: number;
  wanted: WantedSession[];
  routines: WantedRoutine[];
  why: Why[];
}

/** Whether a day lies in a week. */
export const inWeek = (w: Pick<SeasonWeek, "start">, date: IsoDate): boolean =>
  date >= w.start && date <= addDays(w.start, 6);

/** What a day builds up, as phase and emphasis; null where it holds, restores or races. */
export function buildOf({ phase, emphasis }: Pick<SeasonDay, "phase" | "emphasis">): string | null {
  return (phase === "base" || phase === "build") && buildsUp(emphasis) ? `${phase}/${emphasis}` : null;
}

/** What days build up; null where most of them hold, restore or race. */
export function buildsIn(days: readonly SeasonDay[]): string | null {
  const phase = mostFrequent(days.map((d) => d.phase));
  const emphasis = mostFrequent(days.map((d) => d.emphasis));
  return phase && emphasis ? buildOf({ phase, emphasis }) : null;
}
