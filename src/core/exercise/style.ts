/** How an exercise is done where coaches differ: depth, split-squat style, hand of the load, as the athlete's settings say. */
import type { Area, Settings } from "../athlete";
import { SHORT_SQUATS } from "../pathway";
import type { Exercise, LoadKind } from "./types";

const DEPTH: Record<NonNullable<Settings["squatDepth"]>, string> = {
  "45": "to 45 degrees",
  "90": "to 90 degrees",
  "thigh-level": "to thigh level",
  full: "full depth, as far as it is controlled",
};
const SPLIT: Record<NonNullable<Settings["splitSquatStyle"]>, string> = {
  upright: "upright shin",
  lean: "slight forward lean of the trunk",
  "knee-forward": "knee forward, heel down",
};
/** A squat where the ankle is too stiff for the depth that the settings ask for. */
const HEELS_DOWN = "as deep as the heels stay down";

/**
 * @param areas active trouble areas; they go before the settings
 * @param stiffAnkle the knee-to-wall test was not passed: no knee forward, and no deeper than the heels allow
 * @returns the style in words, null where there is nothing to choose
 */
export function styleFor(
  e: Exercise,
  loading: LoadKind,
  settings: Settings | undefined,
  areas: readonly Area[],
  stiffAnkle: boolean,
): string | null {
  const careful = areas.some((a) => SHORT_SQUATS.includes(a));
  if (e.pattern === "squat" && e.unit === "reps" && e.loading !== "machine")
    return careful ? "pain-free range" : stiffAnkle ? HEELS_DOWN : DEPTH[settings?.squatDepth ?? "thigh-level"];
  if (e.pattern === "split-squat" && e.variants.includes("upright shin"))
    return careful
      ? "upright shin, shorter range"
      : SPLIT[stiffAnkle ? "upright" : (settings?.splitSquatStyle ?? "upright")];
  if (e.hand === "opposite" && loading !== "bodyweight")
    return settings?.singleLegLoad === "same"
      ? "load in the hand of the working side"
      : "load in the hand opposite to the working leg";
  return null;
}
