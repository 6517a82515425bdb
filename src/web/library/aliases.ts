/** What gyms call exercises: the entry that it is, or, where the library holds none, the ones that stand nearest. */

/** Names of work that the library does not hold, with what comes nearest to it, the nearest first. */
export const NEAREST: Readonly<Record<string, readonly string[]>> = {
  pistol: ["single-leg-squat-bench", "single-leg-squat-loaded"],
  "pistol squat": ["single-leg-squat-bench", "single-leg-squat-loaded"],
  nordic: ["slider-curl", "lying-hamstring-curl"],
  "nordic curl": ["slider-curl", "lying-hamstring-curl"],
  "glute-ham raise": ["slider-curl", "supported-back-extension"],
  "air squat": ["wall-facing-squat", "box-squat"],
  "bodyweight squat": ["wall-facing-squat", "box-squat"],
  "reverse hyper": ["supported-back-extension", "quadruped-kick"],
  zercher: ["front-squat", "goblet-squat"],
  "hack squat": ["leg-press", "heel-raised-squat"],
  "sissy squat": ["knee-forward-split-squat", "active-quad-stretch"],
  "spanish squat": ["wall-sit", "terminal-knee-extension"],
  cossack: ["lateral-squat-step", "lateral-squat-narrow"],
  "curtsy lunge": ["reverse-lunge", "toe-tap"],
  "walking lunge": ["forward-lunge", "reverse-lunge"],
  "poliquin step-up": ["step-down", "terminal-knee-extension-step-down"],
  "leg extension": ["terminal-knee-extension", "wall-sit"],
  "sumo deadlift": ["deadlift", "kettlebell-deadlift"],
  "inverted row": ["towel-row", "one-arm-row"],
  "face pull": ["band-row", "prone-pull"],
  "pull-apart": ["prone-pull", "band-row"],
  "bench press": ["incline-press", "push-up"],
  "overhead press": ["incline-press", "half-kneeling-lift"],
  dip: ["push-up", "incline-press"],
  superman: ["bird-dog", "prone-pull"],
  "hollow hold": ["dead-bug-long", "front-plank"],
  "mountain climber": ["plank-knee-tuck", "shoulder-tap"],
  "sit-up": ["dead-bug", "front-plank"],
  crunch: ["dead-bug", "front-plank"],
  "russian twist": ["half-kneeling-chop", "band-rotation"],
  "sled push": ["step-up", "loaded-carry"],
  "overhead carry": ["loaded-carry", "suitcase-carry"],
  "tibialis raise": ["heel-walk", "short-foot"],
  "tib raise": ["heel-walk", "short-foot"],
  "hip airplane": ["single-leg-reach", "hip-hike"],
  "box jump": ["squat-jump", "step-off-stick"],
  "depth jump": ["step-off-stick", "squat-jump"],
  "drop jump": ["step-off-stick", "squat-jump"],
  "broad jump": ["squat-jump", "bounds"],
  "jump rope": ["ankle-hops"],
  skipping: ["ankle-hops", "bounds"],
  "hip abduction machine": ["side-lying-raise", "band-walk"],
  "hip adduction machine": ["adductor-squeeze", "adductor-side-plank"],
  hotel: ["split-squat", "single-leg-bridge", "push-up", "side-plank", "calf-raise"],
  travel: ["split-squat", "single-leg-bridge", "push-up", "side-plank", "calf-raise"],
};

/** In lower case, without hyphens, apostrophes and a plural's last letter. */
const plain = (text: string): string =>
  text.toLowerCase().replace(/[-'’]/g, " ").replace(/\s+/g, " ").trim().replace(/s$/, "");

/**
 * What stands nearest to something that the library does not hold.
 * @returns ids, the nearest first; null for a text that names nothing of the kind
 */
export function nearestTo(text: string): readonly string[] | null {
  const typed = plain(text);
  if (typed.length < 3) return null;
  const name = Object.keys(NEAREST).find((n) => plain(n) === typed);
  return name ? (NEAREST[name] ?? null) : null;
}
