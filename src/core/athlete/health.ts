/** The clearance questions in the coach's words (rule gate.clearance), and the areas in their order. */
import type { Area, ClearanceRule } from "./types";

/** Asked at intake; only the outcome is kept, never the answers. */
export const CLEARANCE_QUESTIONS = [
  "Do you get chest pain, or feel dizzy or faint, when you exert yourself?",
  "Has anyone told you that you have a heart or a blood pressure condition?",
  "Have you had surgery or a serious illness in the last three months?",
  "Are you pregnant, or have you given birth in the last year?",
  "Do you take a medicine that changes your heart rate or your balance?",
] as const;

export const CLEARANCE_RULE_WORDS: Record<ClearanceRule, string> = {
  "moderate-effort": "Moderate effort only, no breath-holding",
  "no-supine": "No long work on the back",
  "no-impact": "No running or jumps in the strength work",
};

/** From head to toe. */
export const AREAS_DOWN: readonly Area[] = [
  "shoulder",
  "low-back",
  "hip",
  "hip-flexor",
  "groin",
  "hamstring",
  "knee-front",
  "knee-outside",
  "calf",
  "achilles",
  "shin",
  "foot",
  "bone-stress",
];
