/**
 * What each stage of an area's way back opens, the work it asks for, and what to watch [trade; the exercises chosen are house]. An exercise that
 * an area touches and that stands in no stage opens with its own rule (see opens.ts).
 */
import type { Area, PathwayStage, ScreenTest } from "../athlete";
import type { AddedWork } from "../screening";

export interface StagePlan {
  /** Open from this stage on, with nothing in the hands before the stage of loads. */
  opens: readonly string[];
  /** Open from this stage on, with whatever load its dose asks for. */
  loaded?: readonly string[];
  /** What stands in every session of the stage; the second half of its least days may ask for other work than the first. */
  work: readonly AddedWork[];
  later?: readonly AddedWork[];
  /** What is open, in one sentence. */
  says: string;
}

export interface AreaPlan {
  /** What to look for, besides the pain itself. */
  watch: string;
  /** The test whose sides must be even before hops; null where none measures this area. */
  sides: ScreenTest | null;
  /** Every step needs a licensed practitioner's name. */
  clinician?: true;
  stages: Readonly<Record<Exclude<PathwayStage, "back">, StagePlan>>;
}

const HOPS = ["ankle-hops", "step-off-stick", "squat-jump", "burpee-jump", "bounds"];
const SPRING = "Hops and jumps by their own gates, where the sport needs them; loads go on.";
const calf = (exercises: readonly string[], sets: number, reps?: number): AddedWork => ({
  pattern: "calf",
  exercises,
  sets,
  ...(reps === undefined ? {} : { reps }),
});
const work = (pattern: AddedWork["pattern"], exercises: readonly string[], sets: number, reps?: number): AddedWork => ({
  pattern,
  exercises,
  sets,
  ...(reps === undefined ? {} : { reps }),
});

/** Achilles and calf take the same way: the dose is handbook 24's example. */
const LOWER_LEG_TENDON = {
  settle: {
    opens: ["long-calf-hold", "calf-isometric"],
    loaded: ["leg-press-calf-hold"],
    work: [calf(["long-calf-hold"], 5)],
    says: "Holds alone: 5 x 45 s on both legs. No raises, no hops.",
  },
  move: {
    opens: ["double-leg-calf-raise", "calf-raise", "soleus-raise"],
    work: [calf(["double-leg-calf-raise"], 3, 15)],
    later: [calf(["calf-raise"], 3, 12)],
    says: "Slow raises without load: both legs 3 x 15, then one leg 3 x 12. No hops.",
  },
  load: {
    opens: ["slow-calf-raise"],
    loaded: ["calf-raise", "soleus-raise"],
    work: [calf(["calf-raise"], 3, 12)],
    says: "Single-leg raises with load, 3 x 12, and slow lowering. No hops.",
  },
  spring: {
    opens: HOPS,
    work: [calf(["calf-raise", "slow-calf-raise"], 3, 12)],
    says: SPRING,
  },
} satisfies AreaPlan["stages"];

/** Shin and foot begin with walks and holds. */
const lowerLeg = (first: string): AreaPlan["stages"] => ({
  settle: {
    opens: ["heel-walk", "short-foot", "calf-isometric"],
    work: [calf([first], 3)],
    says: "Heel and toe walks, foot work and calf holds. No hops.",
  },
  move: {
    opens: ["double-leg-calf-raise", "calf-raise", "soleus-raise"],
    work: [calf(["double-leg-calf-raise"], 3, 15)],
    later: [calf(["calf-raise"], 3, 12)],
    says: "Slow raises without load, both legs, then one. No hops.",
  },
  load: {
    opens: ["slow-calf-raise"],
    loaded: ["calf-raise", "soleus-raise", "loaded-carry"],
    work: [calf(["calf-raise"], 3, 12)],
    says: "Raises with load and carries. No hops.",
  },
  spring: { opens: HOPS, work: [calf(["calf-raise"], 3, 12)], says: SPRING },
});

export const AREA_PLANS: Readonly<Record<Area, AreaPlan>> = {
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
  "knee-front": {
    watch: "The knee drifting in; pain on stairs or after long sitting next morning.",
    sides: "single-leg-squat",
    stages: {
      settle: {
        opens: ["wall-sit", "box-squat", "terminal-knee-extension", "supported-split-squat"],
        work: [work("squat", ["wall-sit"], 3)],
        says: "Wall holds and hip work; squats in the pain-free range. No lunges, no single-leg squats, no jumps.",
      },
      move: {
        opens: [
          "step-down",
          "step-down-band",
          "terminal-knee-extension-step-down",
          "step-up-low",
          "wall-pressed-squat",
          "shallow-single-leg-squat-band",
          "split-squat",
        ],
        work: [work("split-squat", ["step-down"], 3, 10)],
        says: "Step-downs in the controlled range without load. No lunges, no deep or knee-forward work, no jumps.",
      },
      load: {
        opens: ["reverse-lunge", "slider-lunge", "reverse-lunge-high-knee", "single-leg-squat-bench"],
        loaded: ["split-squat", "front-foot-elevated-split-squat", "step-down-loaded", "step-up", "reverse-lunge"],
        work: [work("split-squat", ["split-squat", "step-up"], 3, 8)],
        says: "Split squats with an upright shin and step-ups with load, then lunges backwards. No knee-forward work, no jumps.",
      },
      spring: {
        opens: [...HOPS, "forward-lunge", "slow-lunge"],
        loaded: ["forward-lunge"],
        work: [work("split-squat", ["forward-lunge", "reverse-lunge"], 3, 8)],
        says: `Lunges forwards. ${SPRING} No deep knee-forward work yet.`,
      },
    },
  },
  "knee-outside": {
    watch: "Pain that comes after the same minutes of every run; the hip dropping to the free side.",
    sides: "single-leg-squat",
    stages: {
      settle: {
        opens: ["abduction-hold", "side-lying-raise", "side-plank-knees"],
        work: [work("hip", ["abduction-hold", "side-lying-raise"], 3)],
        says: "Abduction holds and side planks from the knees. No hops.",
      },
      move: {
        opens: ["toe-tap", "hip-hike", "band-walk", "wall-pressed-squat"],
        work: [work("hip", ["hip-hike", "toe-tap"], 3, 12)],
        says: "Hip hikes, toe taps behind and band walks. No hops.",
      },
      load: {
        opens: ["step-down"],
        loaded: ["step-down-loaded"],
        work: [work("hip", ["hip-hike", "band-walk"], 3, 12)],
        says: "Level step-downs, then with load. No hops.",
      },
      spring: { opens: HOPS, work: [work("hip", ["hip-hike"], 3, 12)], says: SPRING },
    },
  },
  "low-back": {
    watch: "Numbness, weakness, or a change of bladder or bowel: no work, refer at once.",
    sides: null,
    stages: {
      settle: {
        opens: ["bridge", "dead-bug-legs", "dead-bug", "bird-dog", "cat-cow", "heel-walk-out", "dowel-hinge"],
        work: [work("trunk", ["dead-bug", "dead-bug-legs"], 3), work("hip", ["bridge"], 3, 10)],
        says: "Bridges, dead bugs and bird dogs; the dowel hinge as far as it is free of pain. No bar on a squat, no loaded hinge, no crawls or swings.",
      },
      move: {
        opens: ["goblet-squat", "dowel-good-morning", "single-leg-reach"],
        work: [work("hinge", ["dowel-hinge"], 3, 10)],
        says: "The dowel hinge and squats without load, slowly through the range. No loaded hinge.",
      },
      load: {
        opens: [],
        loaded: [
          "goblet-squat",
          "front-squat",
          "safety-bar-squat",
          "rdl-to-knee",
          "kettlebell-deadlift",
          "supported-back-extension",
        ],
        work: [work("hinge", ["rdl-to-knee", "kettlebell-deadlift"], 3, 8)],
        says: "Goblet squats, Romanian deadlifts to the knee, deadlifts from a raised start. Nothing from the floor.",
      },
      spring: {
        opens: HOPS,
        loaded: ["trap-bar-deadlift", "dumbbell-romanian-deadlift", "single-leg-deadlift", "staggered-deadlift"],
        work: [work("hinge", ["rdl-to-knee", "kettlebell-deadlift"], 3, 8)],
        says: `Hinges through their range, none from the floor but the trap bar. ${SPRING}`,
      },
    },
  },
  hamstring: {
    watch: "A sudden pop or bruising: no work, refer at once. Tightness in the first strides.",
    sides: "single-leg-bridge",
    stages: {
      settle: {
        opens: ["bridge"],
        work: [work("hip", ["bridge"], 3, 10)],
        says: "Bridges held at the top. No hinge with load, no swings, no jumps.",
      },
      move: {
        opens: ["slider-curl", "heel-walk-out", "long-lever-bridge", "lying-hamstring-curl"],
        work: [work("hip", ["slider-curl", "heel-walk-out"], 3, 8)],
        later: [work("hip", ["long-lever-bridge"], 3, 10)],
        says: "Slider curls, then bridges with a long lever. No hinge with load, no swings, no jumps.",
      },
      load: {
        opens: ["single-leg-bridge"],
        loaded: [
          "rdl-to-knee",
          "kettlebell-deadlift",
          "floor-deadlift-kettlebell",
          "dumbbell-romanian-deadlift",
          "romanian-deadlift",
          "loaded-bridge",
        ],
        work: [work("hip", ["single-leg-bridge", "long-lever-bridge"], 3, 10)],
        says: "Romanian deadlifts, light and of 15 at first, then by the block's line. No swings, no jumps.",
      },
      spring: {
        opens: HOPS,
        loaded: ["trap-bar-deadlift", "single-leg-deadlift", "kettlebell-swing", "supported-back-extension"],
        work: [work("hip", ["single-leg-bridge", "long-lever-bridge"], 3, 10)],
        says: `Single-leg and trap-bar deadlifts, swings. ${SPRING}`,
      },
    },
  },
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
        says: "Abduction is held, not moved; squats in the pain-free range. No deep knee-forward work, no jumps.",
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
  shoulder: {
    watch: "Numbness down the arm, or pain at night: no work, refer at once.",
    sides: null,
    stages: {
      settle: {
        opens: ["band-row", "band-rotation"],
        work: [],
        says: "Legs go on with goblet or safety-bar holds; band rows. Nothing overhead, no bar on the back or front, no weight on the arms.",
      },
      move: {
        opens: [
          "side-plank-knees",
          "front-plank",
          "dowel-front-squat",
          "dowel-good-morning",
          "push-up",
          "half-kneeling-lift",
        ],
        work: [work("pull", ["band-row", "staggered-row"], 2, 12)],
        says: "Planks and push-ups in the pain-free range. No bar on the back or front, nothing overhead.",
      },
      load: {
        opens: ["side-plank", "shoulder-tap", "plank-pull-through", "adductor-plank-bent-knee", "side-hold-knee-lift"],
        loaded: ["front-squat", "incline-press", "half-kneeling-lift", "band-pulldown", "staggered-row", "one-arm-row"],
        work: [work("pull", ["staggered-row", "one-arm-row", "band-row"], 2, 12)],
        says: "The bar in front, presses with dumbbells. No bar on the back, nothing overhead.",
      },
      spring: {
        opens: ["overhead-wall-squat", "side-plank-star", "side-plank-to-front", "adductor-side-plank"],
        loaded: ["back-squat", "good-morning", "pull-up"],
        work: [],
        says: "The bar on the back, pull-ups. Nothing heavy overhead yet.",
      },
    },
  },
  "bone-stress": {
    watch: "Any pain at the place, at work, in walking or at night: stop, refer at once.",
    sides: null,
    clinician: true,
    stages: {
      settle: {
        opens: [],
        work: [],
        says: "What the clinician allows, without impact; no loaded carries or pulls on the part.",
      },
      move: { opens: ["band-row"], work: [], says: "Work without load through the range. No impact." },
      load: {
        opens: ["plank-pull-through", "running-arm-pull"],
        loaded: [
          "loaded-carry",
          "suitcase-carry",
          "one-arm-row",
          "staggered-row",
          "cable-row",
          "pull-up",
          "band-pulldown",
          "towel-row",
        ],
        work: [],
        says: "Carries and pulls with load. No impact.",
      },
      spring: { opens: HOPS, work: [], says: SPRING },
    },
  },
};
