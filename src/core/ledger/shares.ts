/** What a week of each emphasis holds by pattern. */
import type { Column, Emphasis, Sport } from "../athlete";
import { PATTERNS, type Pattern } from "../exercise";
import { numbers } from "../rulebook";

/** The patterns whose sets are kept account of: contacts of jumps and minutes of mobility are no sets. */
export type LedgerPattern = Exclude<Pattern, "jump" | "mobility">;
export const isLedgerPattern = (p: Pattern): p is LedgerPattern => p !== "jump" && p !== "mobility";
export const LEDGER_PATTERNS: readonly LedgerPattern[] = PATTERNS.filter(isLedgerPattern);

export const noSets = (): Record<LedgerPattern, number> => ({
  squat: 0,
  hinge: 0,
  "split-squat": 0,
  hip: 0,
  calf: 0,
  trunk: 0,
  push: 0,
  pull: 0,
});

/** Weekly share of hard sets on a scale of 0 to 5 [house]. */
export const SPORT_SHARE: Record<Sport, Record<Exclude<Column, "assist">, number>> = {
  run: { squat: 3, hinge: 3, "split-squat": 4, hip: 4, calf: 3, trunk: 3, upper: 1 },
  triathlon: { squat: 3, hinge: 3, "split-squat": 4, hip: 4, calf: 3, trunk: 3, upper: 2 },
  ride: { squat: 4, hinge: 3, "split-squat": 4, hip: 2, calf: 1, trunk: 3, upper: 1 },
  row: { squat: 4, hinge: 5, "split-squat": 2, hip: 2, calf: 1, trunk: 4, upper: 4 },
  hike: { squat: 4, hinge: 3, "split-squat": 5, hip: 3, calf: 3, trunk: 2, upper: 1 },
};

/** A week as its sets are reckoned. */
export interface LedgerWeek {
  sport: Sport;
  emphasis: Emphasis;
  /** Ladders before load, in base and build. */
  control: boolean;
  /** Metres of ascent, and the heaviest pack in percent of body mass. */
  ascentM: number;
  packPct: number;
  /** Share of the sets that stays, or how many times they are owed. */
  scale: number;
}

/** Patterns that long climbs and packs ask more of. */
const CLIMBING: readonly LedgerPattern[] = ["calf", "split-squat"];

/** The share of a pattern in a week, 0 to 5; pushing and pulling have half of theirs each. */
export function shareOf(p: LedgerPattern, { sport, ascentM, packPct }: LedgerWeek): number {
  const rule = numbers("ledger.owed");
  const table = SPORT_SHARE[sport];
  if (p === "push" || p === "pull") return table.upper / 2;
  const onFoot = sport === "run" || sport === "triathlon" || sport === "hike";
  const climbs = ascentM > (sport === "hike" ? rule.hikeAscent : rule.runAscent) || packPct > rule.packPct;
  const more = onFoot && climbs && CLIMBING.includes(p) ? 1 : 0;
  return Math.min(rule.shareMost, table[p] + more);
}

export const factorOf = ({ emphasis, control, scale }: LedgerWeek): number => {
  const { factor } = numbers("ledger.owed");
  return (control && emphasis !== "hold" ? factor.control : factor[emphasis]) * scale;
};

/** @returns working sets a week by pattern (rule ledger.owed) */
export function weeklySets(week: LedgerWeek): Record<LedgerPattern, number> {
  const factor = factorOf(week);
  const { upperLeast } = numbers("ledger.owed");
  const least = (p: LedgerPattern) => (p === "push" || p === "pull" ? upperLeast : 0);
  const sets = noSets();
  if (factor > 0) for (const p of LEDGER_PATTERNS) sets[p] = Math.max(least(p) * week.scale, shareOf(p, week) * factor);
  return sets;
}
