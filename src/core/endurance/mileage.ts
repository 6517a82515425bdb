/** Mileage rules for strength: what an increase or a spike of distance or leg load takes from the sets. */
import { numbers, type RuleId, type RuleValues, type Why, why } from "../rulebook";
import type { MileageChange } from "./figures";

export interface MileageRule {
  /** Share of the sets that is kept: 1, two thirds, or one half (hold dose). */
  factor: number;
  holdOnly: boolean;
  roomForProgress: boolean;
  why: Why[];
}

/** Where the rule says nothing. */
export const NO_MILEAGE_RULE: MileageRule = { factor: 1, holdOnly: false, roomForProgress: false, why: [] };

/**
 * @param change of the week against what was to be expected
 * @param ordinary whether this is itself an ordinary week (no step-back, taper, recovery, absence)
 * @param on which of the rules act
 * @param own the coach's own numbers
 */
export function mileageRule(
  change: MileageChange,
  ordinary: boolean,
  on: (rule: RuleId) => boolean = () => true,
  own?: RuleValues,
): MileageRule {
  const both = [
    { what: "distance", pct: change.distancePct },
    { what: "leg load", pct: change.legLoadPct },
  ].filter((c): c is { what: string; pct: number } => c.pct !== null);
  const top = both.reduce<{ what: string; pct: number } | null>((m, c) => (!m || c.pct > m.pct ? c : m), null);
  if (!top) return NO_MILEAGE_RULE;
  const { what } = top;
  const pct = Math.round(top.pct);
  const [increase, spike] = [numbers("mileage.increase", own), numbers("mileage.spike", own)];
  if (top.pct > spike.pct && on("mileage.spike"))
    return {
      factor: spike.share,
      holdOnly: true,
      roomForProgress: false,
      why: [why("mileage.spike", "hold", { what, pct })],
    };
  if (top.pct > increase.pct && on("mileage.increase"))
    return {
      factor: increase.share,
      holdOnly: false,
      roomForProgress: false,
      why: [why("mileage.increase", "cut", { what, pct })],
    };
  const room = numbers("mileage.room", own).pct;
  if (on("mileage.room") && ordinary && both.every((c) => c.pct < room))
    return { ...NO_MILEAGE_RULE, roomForProgress: true, why: [why("mileage.room", "room", { what, pct: -pct })] };
  return NO_MILEAGE_RULE;
}
