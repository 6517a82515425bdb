import type { Area, ScreenTest, Sport } from "../athlete/types";

export const PATTERNS = [
  "squat",
  "hinge",
  "split-squat",
  "hip",
  "calf",
  "trunk",
  "push",
  "pull",
  "jump",
  "mobility",
] as const;
export type Pattern = (typeof PATTERNS)[number];

/** The four patterns whose hard sets the season counts. */
export const HEART_PATTERNS: readonly Pattern[] = ["squat", "hinge", "split-squat", "hip"];

export const LOADINGS = ["bar", "pair", "single", "kettlebell", "machine", "band", "bodyweight"] as const;
export type Loading = (typeof LOADINGS)[number];

export const MUSCLES = [
  "quadriceps",
  "gluteus maximus",
  "gluteus medius",
  "hamstrings",
  "adductors",
  "hip flexors",
  "gastrocnemius",
  "soleus",
  "tibialis anterior",
  "erector spinae",
  "rectus abdominis",
  "obliques",
  "pectorals",
  "deltoids",
  "triceps",
  "latissimus dorsi",
  "rhomboids",
  "biceps",
  "forearms",
] as const;
export type Muscle = (typeof MUSCLES)[number];

/** What a place must hold; "straight-bar", "trap-bar", "machine:leg-press" and the words of the athlete file's `other`. */
export type Need = string;

export interface Exercise {
  id: string;
  name: string;
  pattern: Pattern;
  unilateral: boolean;
  loading: Loading;
  /** May be done with nothing in the hands. */
  bodyweightToo: boolean;
  /** Any one of these sets of equipment will do; an empty set is nothing at all. */
  needs: readonly (readonly Need[])[];
  primary: readonly Muscle[];
  secondary: readonly Muscle[];
  /** What it tires besides its muscles, so that partners do not share it. */
  limits: readonly ("grip" | "trunk")[];
  unit: "reps" | "seconds";
  /** Seconds a repetition takes at the written tempo. */
  secondsPerRep: number;
  /** Lowering-pause-lifting in seconds. */
  tempo: string;
  /** May stand as the session's main lift. */
  main: boolean;
  /** Higher is chosen first where everything else is equal. */
  rank: number;
  /** Added to the rank for these sports. */
  sports: Partial<Record<Sport, number>>;
  ladder?: { id: string; step: number };
  /** Trouble areas in which it is left out while they are current or recent. */
  notWith: readonly Area[];
  /** Screening tests that, once failed, close it. */
  gates: readonly ScreenTest[];
  cue: string;
  felt: string;
}
