/** Kinds of work inside a pattern: one alone never stands for it. */
import type { Exercise } from "../exercise";
import type { LedgerPattern } from "./shares";

/** Kinds that must come in turn, by pattern; what the leading lifts mostly are stands last. */
export const KINDS: Readonly<Partial<Record<LedgerPattern, readonly string[]>>> = {
  hinge: ["hinge on one leg", "hinge on two legs"],
  hip: ["hip abduction", "hip flexion", "hip extension"],
  calf: ["calf work with a straight knee", "calf work with a bent knee"],
  trunk: ["trunk work in front", "trunk work at the side", "rotation of the trunk"],
};

const HIP: Readonly<Record<string, string>> = {
  "gluteus medius": "hip abduction",
  "hip rotators": "hip abduction",
  "hip flexors": "hip flexion",
  "gluteus maximus": "hip extension",
  hamstrings: "hip extension",
};
const TRUNK: Readonly<Record<Exercise["plane"], string>> = {
  sagittal: "trunk work in front",
  frontal: "trunk work at the side",
  transverse: "rotation of the trunk",
};

/** @returns the kind of an exercise; null where its pattern has none, or it is none of them */
export function kindOf(e: Pick<Exercise, "pattern" | "unilateral" | "plane" | "primary">): string | null {
  switch (e.pattern) {
    case "hinge":
      return e.unilateral ? "hinge on one leg" : "hinge on two legs";
    case "hip":
      return HIP[e.primary[0] ?? ""] ?? null;
    case "calf":
      if (e.primary[0] === "soleus") return "calf work with a bent knee";
      return e.primary.includes("gastrocnemius") ? "calf work with a straight knee" : null;
    case "trunk":
      return TRUNK[e.plane];
    default:
      return null;
  }
}
