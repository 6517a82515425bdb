/** Ways back of the hip and the groin. */
import type { Area } from "../../athlete";
import { type AreaPlan, HOPS, SPRING, work } from "./plan";

export const HIP = {
  groin: {
    watch: "Pain when coughing or sneezing; a pull that comes back with the first change of direction.",
    sides: null,
    stages: {
      settle: {
        opens: ["adductor-squeeze", "lateral-squat-narrow"],
        work: [work("hip", ["adductor-squeeze", "lateral-squat-narrow"], 4)],
        says: "Squeezes of 4 to 5 s, building to 15 s. Lateral work stays out.",
      },
      move: {
        opens: ["adductor-plank-bent-knee", "lateral-squat-step"],
        work: [work("hip", ["adductor-plank-bent-knee", "adductor-squeeze"], 3)],
        says: "The adductor plank with bent knee, side steps in a narrow range. No wide or loaded lateral work.",
      },
      load: {
        opens: ["adductor-side-plank"],
        loaded: ["split-squat-both-feet-raised", "lateral-squat-step"],
        work: [work("hip", ["adductor-side-plank", "adductor-plank-bent-knee"], 3)],
        says: "The adductor side plank; split squats with load. No swings, no bounds.",
      },
      spring: {
        opens: [...HOPS, "groiners"],
        loaded: ["kettlebell-swing"],
        work: [work("hip", ["adductor-side-plank", "adductor-plank-bent-knee"], 3)],
        says: SPRING,
      },
    },
  },
  "hip-flexor": {
    watch: "A snap at the front of the hip that hurts; the back arching when the knee rises.",
    sides: "march-hold",
    stages: {
      settle: {
        opens: ["march-hold-unloaded", "hip-flexor-stretch"],
        work: [work("hip", ["march-hold-unloaded"], 3)],
        says: "March holds without a band, and the stretch. The rear foot stays off the bench.",
      },
      move: {
        opens: ["march-hold", "straight-leg-hold", "plank-knee-tuck"],
        work: [work("hip", ["march-hold", "straight-leg-hold"], 3)],
        says: "Band march holds and straight-leg holds. No loaded raise yet.",
      },
      load: {
        opens: [],
        loaded: ["loaded-hip-flexor-raise", "split-squat-rear-foot-low", "rear-foot-elevated-split-squat"],
        work: [work("hip", ["loaded-hip-flexor-raise", "march-hold"], 3, 10)],
        says: "Raises with load; the rear foot may go up.",
      },
      spring: {
        opens: HOPS,
        loaded: ["split-squat-both-feet-raised"],
        work: [work("hip", ["loaded-hip-flexor-raise", "march-hold"], 3, 10)],
        says: SPRING,
      },
    },
  },
  hip: {
    watch: "Pain in the groin when the knee comes up or turns in; a click that hurts.",
    sides: "single-leg-squat",
    stages: {
      settle: {
        opens: ["abduction-hold", "box-squat", "supported-split-squat", "wall-knee-press"],
        work: [work("hip", ["abduction-hold", "wall-knee-press"], 3)],
        says: "Abduction is held, not moved; squats in the pain-free range, nothing in the hands. No deep knee-forward work, no jumps.",
      },
      move: {
        opens: ["clam", "side-lying-raise-toe-in", "side-lying-raise", "band-walk", "quadruped-kick", "split-squat"],
        work: [work("hip", ["side-lying-raise-toe-in", "clam"], 3, 12)],
        says: "Abduction moves, slowly and without load. No deep knee-forward work, no jumps.",
      },
      load: {
        opens: [
          "reverse-clam",
          "reverse-clam-raised",
          "side-lying-raise-toe-out",
          "band-walk-below-knee",
          "band-walk-ankle",
          "quadruped-circle",
          "hydrant",
          "lateral-squat-step",
        ],
        loaded: ["split-squat", "step-up", "reverse-lunge", "front-foot-elevated-split-squat", "single-leg-hip-thrust"],
        work: [work("hip", ["band-walk-below-knee", "band-walk", "side-lying-raise"], 3)],
        says: "Split squats and step-ups with load, band walks. No deep knee-forward work, no jumps.",
      },
      spring: { opens: HOPS, work: [work("hip", ["band-walk-below-knee", "band-walk"], 3)], says: SPRING },
    },
  },
} satisfies Partial<Record<Area, AreaPlan>>;
