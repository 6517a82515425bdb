/** What facts of an athlete are made of: the closed lists of the file format. */

export const SPORTS = ["run", "triathlon", "ride", "row", "hike"] as const;
export type Sport = (typeof SPORTS)[number];
export const SESSION_SPORTS = [...SPORTS, "swim", "other"] as const;
export type SessionSport = (typeof SESSION_SPORTS)[number];
export const SESSION_KINDS = [
  "easy",
  "long",
  "steady",
  "tempo",
  "threshold",
  "intervals",
  "race",
  "technique",
  "other",
] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];
export const PHASES = ["base", "build", "race", "recovery"] as const;
export type Phase = (typeof PHASES)[number];
export const PRIORITIES = ["A", "B", "C"] as const;
export type Priority = (typeof PRIORITIES)[number];
/** A to D are fitted into the week; E to K are the routines that follow the runs of Monday to Sunday. */
export const LABELS = ["A", "B", "C", "D", "E", "F", "G", "H", "I", "J", "K"] as const;
export type Label = (typeof LABELS)[number];

/** Names of the session labels where a coach reads them. */
export const LABEL_WORDS: Record<Label, string> = {
  A: "Heavy A",
  B: "Single-leg B",
  C: "Control C",
  D: "Mobility D",
  E: "Monday routine",
  F: "Tuesday routine",
  G: "Wednesday routine",
  H: "Thursday routine",
  I: "Friday routine",
  J: "Saturday routine",
  K: "Sunday routine",
};

export const FITTED_LABELS = ["A", "B", "C", "D"] as const satisfies readonly Label[];
/** The routine of a weekday, Monday 1. */
export const routineLabel = (weekday: number): Label => LABELS[3 + weekday] ?? "K";
export const isRoutine = (label: Label): boolean => LABELS.indexOf(label) >= FITTED_LABELS.length;
export const AREAS = [
  "knee-front",
  "knee-outside",
  "low-back",
  "achilles",
  "calf",
  "shin",
  "foot",
  "hamstring",
  "groin",
  "hip-flexor",
  "hip",
  "shoulder",
  "bone-stress",
] as const;
export type Area = (typeof AREAS)[number];
export const SCREEN_TESTS = [
  "dowel-hinge",
  "wall-squat",
  "wall-squat-overhead",
  "single-leg-squat",
  "step-down",
  "side-hold",
  "calf-raise",
  "single-leg-bridge",
  "knee-to-wall",
  "march-hold",
  "front-plank",
] as const;
export type ScreenTest = (typeof SCREEN_TESTS)[number];
export const SEEN = [
  "hip-drop",
  "crossover",
  "pelvis-tilt",
  "knee-in",
  "hip-flexor-fatigue",
  "rounded-catch",
  "rocking-pelvis",
] as const;
export type Seen = (typeof SEEN)[number];
/** What may set trouble off again, in the words that the planner looks for. */
export const SET_OFF = [
  "weekly distance",
  "double days",
  "added speed",
  "new stiff shoes",
  "new high-rebound shoes",
] as const;
/** Limits that a clearance may set and the planner keeps. */
export const CLEARANCE_RULES = ["moderate-effort", "no-supine", "no-impact"] as const;
export type ClearanceRule = (typeof CLEARANCE_RULES)[number];
export const ONE_REP_MAX_FORMULAS = [
  "default",
  "epley",
  "brzycki",
  "lombardi",
  "mayhew",
  "wathan",
  "oconner",
  "lander",
  /** The published percent table instead of a formula. */
  "nsca",
] as const;
export type OneRepMaxFormula = (typeof ONE_REP_MAX_FORMULAS)[number];
export const BAR_KINDS = ["straight", "trap", "safety"] as const;
export type BarKind = (typeof BAR_KINDS)[number];
export const AWAY_KINDS = ["travel", "illness", "holiday", "heat", "height"] as const;
export const SIDES = ["left", "right", "both"] as const;
export type Side = (typeof SIDES)[number];
export const FELT = ["hamstrings", "glutes", "quads", "calves", "trunk", "low-back"] as const;
/** Stages of the way back from trouble, in their order. */
export const PATHWAY_STAGES = ["settle", "move", "load", "spring", "back"] as const;
export type PathwayStage = (typeof PATHWAY_STAGES)[number];
/** Those with limits and work of their own: all but the last. */
export const WORKING_STAGES = ["settle", "move", "load", "spring"] as const satisfies readonly PathwayStage[];
