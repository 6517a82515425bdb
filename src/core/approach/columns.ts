import type { Column } from "../athlete";
import type { Pattern } from "../exercise";

/** The column that a pattern is dosed by; primary patterns beside the leading lifts go by "assist". */
export function columnOf(pattern: Pattern, leads: boolean): Column {
  switch (pattern) {
    case "squat":
    case "hinge":
    case "split-squat":
    case "hip":
      return leads ? pattern : "assist";
    case "calf":
    case "trunk":
      return pattern;
    case "push":
    case "pull":
      return "upper";
    default:
      return "assist";
  }
}
