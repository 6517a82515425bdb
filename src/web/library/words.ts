/** Words of the library where a coach reads them. */
import type { Exercise, Pattern } from "../../core/exercise";

export const PATTERN_NAMES: Record<Pattern, string> = {
  squat: "Squat",
  hinge: "Hinge",
  "split-squat": "Split squat",
  hip: "Hip",
  calf: "Calf and foot",
  trunk: "Trunk",
  push: "Push",
  pull: "Pull",
  jump: "Jump",
  mobility: "Mobility",
};

const LADDERS: Record<string, string> = {
  "hinge-single": "Single-leg hinge",
  "split-squat": "Split squat",
  "step-down": "Step-down",
  "step-up": "Step-up",
  "single-leg-squat": "Single-leg squat",
  "hamstring-floor": "Hamstring on the floor",
  "side-lying-raise": "Side-lying raise",
  "band-walk": "Band walk",
  "hip-flexor": "Hip flexor",
  "dead-bug": "Dead bug",
  "side-plank": "Side plank",
};
export const ladderName = (id: string): string => LADDERS[id] ?? `${id.charAt(0).toUpperCase()}${id.slice(1)}`;

export const LOADING_NAMES: Record<Exercise["loading"], string> = {
  bar: "bar",
  pair: "pair of dumbbells",
  single: "one weight",
  kettlebell: "kettlebell",
  machine: "machine",
  band: "band",
  bodyweight: "bodyweight",
};

/** "machine:leg-press" as "leg press". */
export const needName = (need: string): string => need.replace(/^machine:/, "").replaceAll("-", " ");

/** "step and band, or box and band"; "nothing" */
export function needsText(e: Pick<Exercise, "needs">): string {
  const sets = e.needs.map((s) => s.map(needName).join(" and "));
  return sets.some((s) => s === "") ? "nothing" : sets.join(", or ");
}

export const HAND_NAMES: Record<Exercise["hand"], string> = {
  none: "nothing held",
  both: "both hands",
  either: "either hand",
  same: "hand of the working side",
  opposite: "hand opposite to the working leg",
};
