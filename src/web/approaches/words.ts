/** How approaches are said. */
import type { Column, DoseCell, Range, Stage } from "../../core/athlete";

export const STAGE_WORDS: Record<Stage, string> = {
  "base-early": "Base, early",
  "base-late": "Base, late",
  build: "Build",
  race: "Race",
  recovery: "Recovery",
};
export const COLUMN_WORDS: Record<Column, string> = {
  squat: "Squat",
  hinge: "Hinge",
  "split-squat": "Split squat",
  hip: "Hip",
  assist: "Accessory work",
  calf: "Calf and foot",
  trunk: "Trunk",
  upper: "Push and pull",
};

/** "3–4", or "3" where both ends are the same. */
export const rangeText = ([lo, hi]: Range): string => (lo === hi ? `${lo}` : `${lo}–${hi}`);
/** For a narrow cell: "RIR 2–3", "85%", "same %". */
export const shortEffort = (c: DoseCell, samePercent: boolean): string =>
  samePercent ? "build's %" : c.percent !== null ? `${c.percent}%` : `RIR ${rangeText(c.rir ?? [0, 0])}`;
export const effortText = (c: DoseCell, samePercent: boolean): string =>
  samePercent
    ? "percent of the build"
    : c.percent !== null
      ? `${c.percent}% of 1RM`
      : `${rangeText(c.rir ?? [0, 0])} in reserve`;
