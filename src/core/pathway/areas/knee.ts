/** Ways back of the knee and the hamstring. */
import type { Area } from "../../athlete";
import { type AreaPlan, HOPS, SPRING, work } from "./plan";

export const KNEE = {
  "knee-front": {
    watch: "The knee drifting in; pain on stairs or after long sitting next morning.",
    sides: "single-leg-squat",
    stages: {
      settle: {
        opens: ["wall-sit", "box-squat", "terminal-knee-extension", "supported-split-squat"],
        work: [work("squat", ["wall-sit"], 3)],
        says: "Wall holds and hip work; squats in the pain-free range, nothing in the hands. No lunges, no single-leg squats, no jumps.",
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
        says: "Step-downs in the controlled range and squats, both without load. No lunges, no deep or knee-forward work, no jumps.",
      },
      load: {
        opens: ["reverse-lunge", "slider-lunge", "reverse-lunge-high-knee", "single-leg-squat-bench"],
        loaded: ["split-squat", "front-foot-elevated-split-squat", "step-down-loaded", "step-up", "reverse-lunge"],
        work: [work("split-squat", ["split-squat", "step-up"], 3, 8)],
        says: "Squats take load again, split squats with an upright shin and step-ups too, then lunges backwards. No knee-forward work, no jumps.",
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
} satisfies Partial<Record<Area, AreaPlan>>;
