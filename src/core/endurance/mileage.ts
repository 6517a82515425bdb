/** Mileage rules for strength (handbook 10) [trade, numbers house]: what a jump in distance or leg load takes from the sets. */
import { type Why, why } from "../why";
import type { Change } from "./figures";

export interface MileageRule {
  /** Share of the sets that is kept: 1, two thirds, or one half (hold dose). */
  factor: number;
  holdOnly: boolean;
  roomForProgress: boolean;
  why: Why[];
}

/** Percent above what the last ordinary weeks led to expect at which sets are cut, and at which only the hold dose stays [house]. */
export const JUMP_PCT = 10;
export const LEAP_PCT = 30;

/** Where the rule says nothing. */
export const NO_MILEAGE_RULE: MileageRule = { factor: 1, holdOnly: false, roomForProgress: false, why: [] };

/**
 * @param change of the week against what was to be expected
 * @param ordinary whether this is itself an ordinary week (no step-back, taper, recovery, absence)
 * @param on which of the rules act
 */
export function mileageRule(
  change: Change,
  ordinary: boolean,
  on: (rule: string) => boolean = () => true,
): MileageRule {
  const both = [
    { what: "distance", pct: change.distancePct },
    { what: "leg load", pct: change.legLoadPct },
  ].filter((c): c is { what: string; pct: number } => c.pct !== null);
  const top = both.reduce<{ what: string; pct: number } | null>((m, c) => (!m || c.pct > m.pct ? c : m), null);
  if (!top) return NO_MILEAGE_RULE;
  const rounded = Math.round(top.pct);
  if (top.pct > LEAP_PCT && on("mileage.leap"))
    return {
      factor: 0.5,
      holdOnly: true,
      roomForProgress: false,
      why: [
        why(
          "mileage.leap",
          `Hold dose only: ${top.what} is ${rounded}% above what the last ordinary weeks led to expect.`,
        ),
      ],
    };
  if (top.pct > JUMP_PCT && on("mileage.jump"))
    return {
      factor: 2 / 3,
      holdOnly: false,
      roomForProgress: false,
      why: [
        why(
          "mileage.jump",
          `Sets trimmed by a third, load kept: ${top.what} is ${rounded}% above what the last ordinary weeks led to expect.`,
        ),
      ],
    };
  if (on("mileage.room") && ordinary && both.every((c) => c.pct < -15))
    return {
      ...NO_MILEAGE_RULE,
      roomForProgress: true,
      why: [
        why(
          "mileage.room",
          `Room for progress: ${top.what} is ${-rounded}% below what the last ordinary weeks led to expect.`,
        ),
      ],
    };
  return NO_MILEAGE_RULE;
}
