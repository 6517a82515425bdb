/** The clearance questions and what each trouble area changes, in the coach's words (rules gate.clearance, choice.trouble). */
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

/** What the planner does while the area is current or recent. */
export const AREA_EFFECT: Record<Area, string> = {
  shoulder: "No overhead squat and no bar on the back or front; goblet or safety-bar holds instead.",
  "low-back":
    "Hinges start raised and stop at the knee; front-loaded squats and leg press instead of back squat; bridges before deadlifts; no trunk swings or crawls.",
  hip: "Squats and split squats in the pain-free range, no deep knee-forward work; abduction is held, not moved.",
  "hip-flexor": "March holds before loaded raises; rear foot stays off the bench.",
  groin: "Short squeezes of 4 to 5 s, building to 15 s; lateral work stays narrow.",
  hamstring: "Bridges and slider curls before long-range hinges, no swings, lighter loads of 15 or more repetitions.",
  "knee-front":
    "Step-downs, hip work and knee extensions come first; lunges and knee-forward work stay out, split squats with an upright shin and a shorter range.",
  "knee-outside": "Hip abduction and lateral trunk first: band walks, toe taps behind, hip hikes.",
  calf: "No hops or jumps; isometric holds, then both legs, then one.",
  achilles: "No hops or jumps; isometric holds, then both legs, then one, then slow lowering.",
  shin: "Calf and heel walks, foot work, no hops.",
  foot: "Calf and heel walks, foot work, no hops.",
  "bone-stress": "A clinician's clearance first; no impact, no loaded carries or pulls until walking is free of pain.",
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
