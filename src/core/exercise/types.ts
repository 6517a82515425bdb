import type { Area, Emphasis, ScreenTest, Sport } from "../athlete";

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
export const PRIMARY_PATTERNS: readonly Pattern[] = ["squat", "hinge", "split-squat", "hip"];

export const LOADINGS = ["bar", "pair", "single", "kettlebell", "machine", "band", "bodyweight"] as const;
export type LoadKind = (typeof LOADINGS)[number];
/** Loads from outside the body that are known in kg. */
export const EXTERNAL: readonly LoadKind[] = ["bar", "pair", "single", "kettlebell", "machine"];

export const MUSCLES = [
  "quadriceps",
  "gluteus maximus",
  "gluteus medius",
  "hip rotators",
  "hamstrings",
  "adductors",
  "hip flexors",
  "gastrocnemius",
  "soleus",
  "tibialis anterior",
  "foot muscles",
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

/** What lifts for strength are for. */
export const STRONG: readonly Muscle[] = ["quadriceps", "gluteus maximus", "hamstrings"];

export const PLANES = ["sagittal", "frontal", "transverse"] as const;
export const POSITIONS = [
  "standing",
  "seated",
  "kneeling",
  "hands-and-knees",
  "supine",
  "prone",
  "side-lying",
  "half-kneeling",
] as const;
/** Which hand holds the load, seen from the working leg; "both" is a bar, a bell held in two hands, or a pair. */
export const HANDS = ["none", "both", "either", "same", "opposite"] as const;
export const VIEWS = ["mirror", "phone from the front", "phone from the side"] as const;
export const PLACE_KINDS = ["home", "gym", "outdoors"] as const;

/** What a place must hold; "straight-bar", "trap-bar", "machine:leg-press" and the words of the athlete file's `other`. */
export type Need = string;

/** What the exercise is given when nothing else decides. */
export interface DefaultDose {
  sets: number;
  reps?: number;
  seconds?: number;
}

export interface Exercise {
  id: string;
  name: string;
  alsoCalled: readonly string[];
  pattern: Pattern;
  plane: (typeof PLANES)[number];
  position: (typeof POSITIONS)[number];
  unilateral: boolean;
  hand: (typeof HANDS)[number];
  /** Styles it can be done in. */
  variants: readonly string[];
  loading: LoadKind;
  /** May be done with nothing in the hands. */
  bodyweightToo: boolean;
  /** Any one of these sets of equipment will do; an empty set is nothing at all. */
  needs: readonly (readonly Need[])[];
  primary: readonly Muscle[];
  secondary: readonly Muscle[];
  /** What it tires besides its muscles, so that partners do not share it. */
  limits: readonly ("grip" | "trunk")[];
  unit: "reps" | "seconds";
  /** Repetitions that belong to it whatever the emphasis says, low and high. */
  ownReps: readonly [number, number] | null;
  /** Seconds that belong to it whatever the emphasis says. */
  ownSeconds: number | null;
  /** Seconds a repetition takes at the written tempo. */
  secondsPerRep: number;
  /** Lowering-pause-lifting in seconds. */
  tempo: string;
  /** Slow lowering, which the first time takes half the sets. */
  slow: boolean;
  /** May stand as the session's main lift. */
  main: boolean;
  dose: Record<Emphasis, DefaultDose>;
  /** Two to four steps. */
  setup: readonly string[];
  /** Two to four; the first stands on the session. */
  cues: readonly string[];
  mistakes: readonly string[];
  /** What to look at. */
  look: readonly string[];
  seeWith: readonly (typeof VIEWS)[number][];
  felt: string;
  /** Cautions besides those of the trouble areas. */
  cautions: readonly string[];
  /** Higher is chosen first where everything else is equal. */
  rank: number;
  /** Who may start here: 1 new lifters, 2 from 3 months, 3 from 12 months, 4 only those who have earned the step before. */
  level: 1 | 2 | 3 | 4;
  /** Sports it matters to, with what that adds to the rank. */
  sports: Partial<Record<Sport, number>>;
  /** The ladder it stands on and the step before it; null is the lowest step. */
  ladder?: { id: string; before: string | null };
  /** Trouble areas in which it is left out while they are current or recent. */
  notWith: readonly Area[];
  /** Trouble areas in which it stays with care. */
  careWith: readonly Area[];
  /** Trouble areas in which it is preferred. */
  goodWith: readonly Area[];
  /** Screening tests that close it once failed. */
  gates: readonly ScreenTest[];
  /** Screening tests that must have been passed before it opens. */
  mustPass: readonly ScreenTest[];
  /** Exercises that must stand in the log before it opens. */
  after: readonly string[];
  places: readonly (typeof PLACE_KINDS)[number][];
  /** Draws looks in a public gym. */
  conspicuous: boolean;
  /** What a household has instead of the equipment. */
  standIn: string | null;
  /** Added by the coach. */
  own: boolean;
}
