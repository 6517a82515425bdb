/** What gyms call exercises: the entry that it is, or, where the library holds none, the ones that stand nearest. */

/** Common names of entries, beside those that the entries bear themselves. */
export const SAME: Readonly<Record<string, readonly string[]>> = {
  "rear-foot-elevated-split-squat": ["bulgarian", "bulgarian split squat", "rfess"],
  "trap-bar-deadlift": ["hex bar", "hex-bar deadlift"],
  deadlift: ["conventional deadlift"],
  "romanian-deadlift": ["rdl"],
  "dumbbell-romanian-deadlift": ["dumbbell rdl"],
  "single-leg-deadlift": ["single-leg rdl", "one-leg rdl", "slrdl"],
  "staggered-deadlift": ["b-stance deadlift", "kickstand deadlift", "kickstand rdl"],
  "kettlebell-swing": ["kb swing", "russian swing"],
  "supported-back-extension": ["hyperextension", "back raise"],
  "terminal-knee-extension": ["tke"],
  "step-down": ["heel tap", "lateral step-down"],
  "single-leg-hip-thrust": ["hip thrust"],
  "loaded-bridge": ["barbell bridge", "weighted glute bridge"],
  bridge: ["glute bridge"],
  "single-leg-bridge": ["single-leg glute bridge"],
  clam: ["clamshell"],
  "reverse-clam": ["reverse clamshell"],
  "band-walk": ["monster walk", "lateral band walk", "crab walk", "x-band walk"],
  hydrant: ["fire hydrant"],
  "quadruped-kick": ["donkey kick"],
  "adductor-side-plank": ["copenhagen", "copenhagen plank"],
  "adductor-squeeze": ["ball squeeze", "groin squeeze"],
  "hip-hike": ["pelvic drop"],
  "march-hold": ["psoas march", "banded march"],
  "lateral-squat-step": ["lateral lunge", "side lunge"],
  "heel-walk": ["toe walk"],
  "soleus-raise": ["seated calf raise", "bent-knee heel raise"],
  "calf-raise": ["heel raise", "single-leg heel raise"],
  "short-foot": ["toe yoga", "foot doming"],
  "band-rotation": ["pallof", "pallof press", "anti-rotation press"],
  "half-kneeling-chop": ["woodchop", "wood chopper", "cable chop"],
  "loaded-carry": ["farmer", "farmer's walk", "farmers carry"],
  "suitcase-carry": ["one-sided carry", "suitcase walk"],
  "push-up": ["press-up"],
  "one-arm-row": ["dumbbell row", "bent-over row"],
  "front-plank": ["plank", "elbow plank"],
  "side-plank-star": ["star plank"],
  "plank-knee-tuck": ["swiss ball tuck", "stir"],
  "ankle-hops": ["pogo", "pogo jump", "pogos"],
  "burpee-jump": ["burpee"],
  bounds: ["bounding"],
  "hip-flexor-stretch": ["lunge stretch"],
  "active-quad-stretch": ["couch stretch"],
  "outer-hip-stretch": ["pigeon", "figure four"],
  "foam-rolling": ["foam roll"],
  "ankle-rock": ["ankle mobilisation", "knee to wall"],
};

/** Names of work that the library does not hold, with what comes nearest to it, the nearest first. */
export const NEAREST: Readonly<Record<string, readonly string[]>> = {
  pistol: ["single-leg-squat-bench", "single-leg-squat-loaded"],
  "pistol squat": ["single-leg-squat-bench", "single-leg-squat-loaded"],
  nordic: ["slider-curl", "heel-walk-out"],
  "nordic curl": ["slider-curl", "heel-walk-out"],
  "leg curl": ["slider-curl", "heel-walk-out"],
  "hamstring curl": ["slider-curl", "heel-walk-out"],
  "glute-ham raise": ["slider-curl", "supported-back-extension"],
  "reverse hyper": ["supported-back-extension", "quadruped-kick"],
  "air squat": ["wall-facing-squat", "box-squat"],
  "bodyweight squat": ["wall-facing-squat", "box-squat"],
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
  "pull-up": ["one-arm-row", "cable-row", "towel-row"],
  "chin-up": ["one-arm-row", "cable-row", "towel-row"],
  pulldown: ["cable-row", "band-row", "prone-pull"],
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

/** An entry's common names, in one text that is searched. */
export const namesOf = (id: string): string => (SAME[id] ?? []).join(" ");

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
