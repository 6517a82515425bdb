/** What a session is made of, before exercises are chosen: the slots of each label and kind of day (handbook 5, 12, 17). */
import type { Label, Sport } from "../athlete/types";
import type { Pattern } from "../exercise/types";
import type { Loading as DayLoading } from "../season/days";

export interface Slot {
  pattern: Pattern;
  kind: "main" | "single" | "assist";
  sets?: number;
  /** Asks for single-leg work. */
  singleLeg?: boolean;
}

/** Weekly share of hard sets on a scale of 0 to 5 [house]. */
export const SPORT_SHARE: Record<Sport, Record<"calf" | "trunk" | "upper", number>> = {
  run: { calf: 3, trunk: 3, upper: 1 },
  triathlon: { calf: 3, trunk: 3, upper: 2 },
  ride: { calf: 1, trunk: 3, upper: 1 },
  row: { calf: 1, trunk: 4, upper: 4 },
  hike: { calf: 3, trunk: 2, upper: 1 },
};

/** Sets that a share asks of one session: none at 1, one at 2, two above. */
const setsFor = (share: number): number => (share <= 1 ? 0 : share === 2 ? 1 : 2);

/** @returns slots in order of work: main lifts, single-leg, assistance, trunk, mobility */
export function slotsFor(label: Label, loading: DayLoading, sport: Sport): Slot[] {
  const share = SPORT_SHARE[sport];
  const assist = (pattern: Pattern, sets: number): Slot[] => (sets > 0 ? [{ pattern, kind: "assist", sets }] : []);
  if (loading === "mobility")
    return [
      { pattern: "mobility", kind: "assist", sets: 2 },
      { pattern: "hip", kind: "assist", sets: 2 },
      { pattern: "calf", kind: "assist", sets: 1 },
      { pattern: "mobility", kind: "assist", sets: 2 },
    ];
  if (loading === "bodyweight" || loading === "restore")
    return [
      { pattern: "squat", kind: "single" },
      { pattern: "hinge", kind: "single" },
      { pattern: "split-squat", kind: "single" },
      { pattern: "hip", kind: "assist" },
      { pattern: "calf", kind: "assist" },
      { pattern: "trunk", kind: "assist" },
    ];
  if (label === "A")
    return [
      { pattern: "squat", kind: "main" },
      { pattern: "hinge", kind: "main" },
      { pattern: "hip", kind: "assist", sets: 2 },
      ...assist("pull", setsFor(share.upper)),
      ...assist("calf", setsFor(share.calf)),
      ...assist("trunk", setsFor(share.trunk)),
    ];
  if (label === "B")
    return [
      { pattern: "split-squat", kind: "single" },
      { pattern: "hip", kind: "single" },
      { pattern: "hinge", kind: "assist", sets: 2, singleLeg: true },
      ...assist("push", setsFor(share.upper)),
      ...assist("calf", setsFor(share.calf)),
      ...assist("trunk", setsFor(share.trunk)),
    ];
  return [
    { pattern: "split-squat", kind: "assist", sets: 2, singleLeg: true },
    { pattern: "hip", kind: "assist", sets: 2 },
    { pattern: "trunk", kind: "assist", sets: 2 },
    { pattern: "mobility", kind: "assist", sets: 1 },
  ];
}

/** One main lift, one hip and one trunk exercise, for windows of 20 to 35 minutes (rule M1). */
export function halfSession(slots: readonly Slot[]): Slot[] {
  const first = slots.find((s) => s.kind !== "assist") ?? slots[0];
  const rest = (["hip", "trunk"] as const).flatMap((p) => {
    const s = slots.find((x) => x.pattern === p && x !== first);
    return s ? [s] : [];
  });
  return first ? [first, ...rest] : [];
}

/** Windows up to this long take the half session, minutes. */
export const HALF_SESSION_MINUTES = 35;
