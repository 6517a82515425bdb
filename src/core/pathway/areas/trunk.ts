/** Ways back of the low back, the shoulder, and bones. */
import type { Area } from "../../athlete";
import { type AreaPlan, HOPS, SPRING, work } from "./plan";

export const TRUNK = {
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
} satisfies Partial<Record<Area, AreaPlan>>;
