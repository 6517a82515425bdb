/** Ways back below the knee: Achilles, calf, shin, foot. */
import type { Area } from "../../athlete";
import { type AreaPlan, HOPS, SPRING, work } from "./plan";

/** Achilles and calf take the same way (rule pathway.stage). */
const LOWER_LEG_TENDON = {
  settle: {
    opens: ["long-calf-hold", "calf-isometric"],
    loaded: ["leg-press-calf-hold"],
    work: [work("calf", ["long-calf-hold"], 5)],
    says: "Holds alone: 5 x 45 s on both legs. No raises, no hops.",
  },
  move: {
    opens: ["double-leg-calf-raise", "calf-raise", "soleus-raise"],
    work: [work("calf", ["double-leg-calf-raise"], 3, 15)],
    later: [work("calf", ["calf-raise"], 3, 12)],
    says: "Slow raises without load: both legs 3 x 15, then one leg 3 x 12. No hops.",
  },
  load: {
    opens: ["slow-calf-raise"],
    loaded: ["calf-raise", "soleus-raise"],
    work: [work("calf", ["calf-raise"], 3, 12)],
    says: "Single-leg raises with load, 3 x 12, and slow lowering. No hops.",
  },
  spring: {
    opens: HOPS,
    work: [work("calf", ["calf-raise", "slow-calf-raise"], 3, 12)],
    says: SPRING,
  },
} satisfies AreaPlan["stages"];

/** Shin and foot begin with walks and holds. */
const lowerLeg = (first: string): AreaPlan["stages"] => ({
  settle: {
    opens: ["heel-walk", "short-foot", "calf-isometric"],
    work: [work("calf", [first], 3)],
    says: "Heel and toe walks, foot work and calf holds. No hops.",
  },
  move: {
    opens: ["double-leg-calf-raise", "calf-raise", "soleus-raise"],
    work: [work("calf", ["double-leg-calf-raise"], 3, 15)],
    later: [work("calf", ["calf-raise"], 3, 12)],
    says: "Slow raises without load, both legs, then one. No hops.",
  },
  load: {
    opens: ["slow-calf-raise"],
    loaded: ["calf-raise", "soleus-raise", "loaded-carry"],
    work: [work("calf", ["calf-raise"], 3, 12)],
    says: "Raises with load and carries. No hops.",
  },
  spring: { opens: HOPS, work: [work("calf", ["calf-raise"], 3, 12)], says: SPRING },
});

export const LOWER_LEG = {
  achilles: {
    watch: "Stiffness in the first steps of the morning; pain at the heel bone when the heel drops below a step.",
    sides: "calf-raise",
    stages: LOWER_LEG_TENDON,
  },
  calf: {
    watch: "A cramp that does not let go, or a hot swollen calf: no work, refer at once.",
    sides: "calf-raise",
    stages: LOWER_LEG_TENDON,
  },
  shin: {
    watch: "Pain on one spot of the bone, or at night: no work, refer at once.",
    sides: "calf-raise",
    stages: lowerLeg("heel-walk"),
  },
  foot: {
    watch: "Pain on one spot of the bone, or at night: no work, refer at once.",
    sides: "calf-raise",
    stages: lowerLeg("short-foot"),
  },
} satisfies Partial<Record<Area, AreaPlan>>;
