/** Points, hours and marks that a week is placed by, from the rulebook. */
import { numbers, type RuleId, type RuleValues } from "../rulebook";

/** Rules that should hold: each has points at full severity, which the coach may change. */
export const COST_RULES = [
  "S1",
  "S2",
  "S3",
  "S4",
  "S5",
  "S6",
  "S7",
  "S8",
  "S9",
  "S10",
  "S11",
  "S12",
  "S13",
  "S14",
  "work.lost",
  "hold.minimum",
] as const satisfies readonly RuleId[];
export type CostRule = (typeof COST_RULES)[number];

/** Points at full severity as they ship. */
export const DEFAULT_WEIGHTS = Object.fromEntries(COST_RULES.map((id) => [id, numbers(id).points])) as Readonly<
  Record<CostRule, number>
>;

/** The hours and marks that the week is held to, with the coach's own values where there are any. */
export interface WeekNumbers {
  betweenLoaded: number;
  legHeavyGap: number;
  heavyTarget: number;
  beforeKey: number;
  beforeLong: number;
  sameDay: number;
  fromOther: number;
  jumpsAfterHard: number;
}

export const weekNumbers = (own?: RuleValues): WeekNumbers => {
  const { beforeKey, beforeLong } = numbers("S2", own);
  return {
    betweenLoaded: numbers("M3", own).hours,
    legHeavyGap: numbers("M4", own).hours,
    heavyTarget: numbers("S1", own).hours,
    beforeKey,
    beforeLong,
    sameDay: numbers("S4", own).hours,
    fromOther: numbers("S14", own).hours,
    jumpsAfterHard: numbers("M7", own).hours,
  };
};
