/** The exercises that ship with the application: ours in wording; the choice and order of the steps follow the trade. */
import type { Exercise } from "../types";
import { CALF } from "./calf";
import { HINGE } from "./hinge";
import { HIP } from "./hip";
import { MOBILITY } from "./mobility";
import { SPLIT_SQUAT } from "./split";
import { SQUAT } from "./squat";
import { TRUNK } from "./trunk";
import { JUMP, UPPER } from "./upper";

export const SHIPPED: readonly Exercise[] = [
  ...SQUAT,
  ...HINGE,
  ...SPLIT_SQUAT,
  ...HIP,
  ...CALF,
  ...TRUNK,
  ...UPPER,
  ...JUMP,
  ...MOBILITY,
];
