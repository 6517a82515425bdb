/** The exercises of the library. Ours in wording; the choice and order of rungs follow handbook 5. */
import type { Area, ScreenTest, Sport } from "../athlete/types";
import type { Exercise, Loading, Muscle, Need, Pattern } from "./types";

interface Extra {
  uni?: boolean;
  bw?: boolean;
  needs?: Need[][];
  limits?: ("grip" | "trunk")[];
  unit?: "seconds";
  tempo?: string;
  main?: boolean;
  sports?: Partial<Record<Sport, number>>;
  ladder?: [string, number];
  notWith?: Area[];
  gates?: ScreenTest[];
  felt?: string;
}

const tempoSeconds = (tempo: string): number => tempo.split("-").reduce((sum, part) => sum + Number(part), 0);

function ex(
  id: string,
  name: string,
  pattern: Pattern,
  loading: Loading,
  rank: number,
  primary: Muscle[],
  secondary: Muscle[],
  cue: string,
  x: Extra = {},
): Exercise {
  const tempo = x.tempo ?? "2-0-1";
  return {
    id,
    name,
    pattern,
    loading,
    rank,
    primary,
    secondary,
    cue,
    unilateral: x.uni ?? false,
    bodyweightToo: x.bw ?? loading === "bodyweight",
    needs: x.needs ?? [[]],
    limits: x.limits ?? [],
    unit: x.unit ?? "reps",
    tempo,
    secondsPerRep: tempoSeconds(tempo) + 1,
    main: x.main ?? false,
    sports: x.sports ?? {},
    ...(x.ladder ? { ladder: { id: x.ladder[0], step: x.ladder[1] } } : {}),
    notWith: x.notWith ?? [],
    gates: x.gates ?? [],
    felt: x.felt ?? primary.join(" and "),
  };
}

const hand: Need[][] = [["dumbbell"], ["kettlebell"]];
const raised: Need[][] = [["step"], ["box"], ["bench"]];

const squat = [
  ex("wall-facing-squat", "Wall-facing squat", "squat", "bodyweight", 1, ["quadriceps", "gluteus maximus"], ["erector spinae"], "Toes a foot from the wall, chest tall, sit between the heels.", { ladder: ["squat", 1], tempo: "3-0-2" }),
  ex("heel-raised-squat", "Heel-raised squat", "squat", "bodyweight", 2, ["quadriceps", "gluteus maximus"], ["erector spinae"], "Heels on a thin plate or book, knees follow the second toe.", { ladder: ["squat", 2], tempo: "3-0-1", notWith: ["knee-front"] }),
  ex("box-squat", "Box squat", "squat", "bodyweight", 3, ["quadriceps", "gluteus maximus"], ["hamstrings"], "Reach back to the box, touch, stand up without rocking.", { ladder: ["squat", 3], needs: raised, tempo: "3-1-1" }),
  ex("goblet-squat", "Goblet squat", "squat", "single", 5, ["quadriceps", "gluteus maximus"], ["erector spinae", "rectus abdominis"], "Hold it against the breastbone, elbows inside the knees.", { ladder: ["squat", 4], needs: hand, main: true, limits: ["grip"] }),
  ex("leg-press", "Leg press", "squat", "machine", 4, ["quadriceps", "gluteus maximus"], ["adductors"], "About three seconds each way; the knees stay soft at the top; rack it in time.", { needs: [["machine:leg-press"]], main: true, tempo: "3-0-3" }),
  ex("front-squat", "Front squat", "squat", "bar", 8, ["quadriceps", "gluteus maximus"], ["erector spinae", "rectus abdominis"], "Elbows high; it ends when the trunk fails, not the legs.", { ladder: ["squat", 6], needs: [["straight-bar", "rack"]], main: true, limits: ["trunk"], sports: { row: 4, run: 1.5, ride: 1 }, notWith: ["shoulder"], gates: ["wall-squat"] }),
  ex("back-squat", "Back squat", "squat", "bar", 9, ["quadriceps", "gluteus maximus"], ["erector spinae", "adductors"], "Brace first, knees out over the toes, push the floor away.", { ladder: ["squat", 7], needs: [["straight-bar", "rack"]], main: true, limits: ["trunk"], notWith: ["low-back", "shoulder"], gates: ["wall-squat"] }),
  ex("safety-bar-squat", "Safety-bar squat", "squat", "bar", 7, ["quadriceps", "gluteus maximus"], ["erector spinae"], "Hands light on the handles, chest tall, brace first.", { needs: [["safety-bar", "rack"]], main: true, limits: ["trunk"], gates: ["wall-squat"] }),
];

const hinge = [
  ex("dowel-hinge", "Dowel hinge", "hinge", "bodyweight", 1, ["hamstrings", "gluteus maximus"], ["erector spinae"], "Stick on head, back and tailbone; the pelvis tips first.", { ladder: ["hinge", 1], tempo: "3-0-2" }),
  ex("single-leg-reach", "Single-leg reach", "hinge", "bodyweight", 2, ["hamstrings", "gluteus maximus"], ["gluteus medius"], "Hips level, reach long, the back leg is the counterweight.", { uni: true, ladder: ["hinge-single", 1], tempo: "3-0-1", sports: { run: 1 } }),
  ex("single-leg-deadlift", "Single-leg deadlift", "hinge", "single", 4.5, ["hamstrings", "gluteus maximus"], ["gluteus medius", "erector spinae"], "Hips level to the floor, slow down, stand tall.", { uni: true, bw: true, needs: hand, ladder: ["hinge-single", 2], limits: ["grip"], sports: { run: 1, triathlon: 1 }, tempo: "3-0-1" }),
  ex("kettlebell-deadlift", "Kettlebell deadlift", "hinge", "kettlebell", 4, ["hamstrings", "gluteus maximus"], ["erector spinae", "forearms"], "Bell between the ankles, shoulder blades above the handle.", { needs: [["kettlebell"]], main: true, limits: ["grip"], ladder: ["hinge", 4], gates: ["dowel-hinge"] }),
  ex("dumbbell-romanian-deadlift", "Romanian deadlift, dumbbells", "hinge", "pair", 5, ["hamstrings", "gluteus maximus"], ["erector spinae", "forearms"], "Weights slide down the thighs, stop where the back would round.", { needs: [["dumbbell-pair"]], main: true, limits: ["grip"], ladder: ["hinge", 3], tempo: "3-0-1" }),
  ex("romanian-deadlift", "Romanian deadlift", "hinge", "bar", 6.5, ["hamstrings", "gluteus maximus"], ["erector spinae", "forearms"], "Knees soft, hips back, bar close, stop at the knee or just below.", { needs: [["straight-bar"]], main: true, limits: ["grip", "trunk"], ladder: ["hinge", 3.5], tempo: "3-0-1" }),
  ex("trap-bar-deadlift", "Trap-bar deadlift", "hinge", "bar", 9, ["gluteus maximus", "hamstrings", "quadriceps"], ["erector spinae", "forearms"], "Push the floor away; the legs share the rise.", { needs: [["trap-bar"]], main: true, limits: ["grip", "trunk"], ladder: ["hinge", 6], notWith: ["low-back"], gates: ["dowel-hinge"] }),
  ex("deadlift", "Deadlift", "hinge", "bar", 7.5, ["gluteus maximus", "hamstrings"], ["erector spinae", "quadriceps", "forearms"], "Slack out of the bar first, push the floor away, arms only hold.", { needs: [["straight-bar"]], main: true, limits: ["grip", "trunk"], ladder: ["hinge", 7], notWith: ["low-back", "hamstring"], gates: ["dowel-hinge"], sports: { ride: 1 } }),
  ex("good-morning", "Good morning", "hinge", "bar", 3, ["hamstrings", "gluteus maximus"], ["erector spinae"], "Light bar, pelvis tips first, stop before the back rounds.", { needs: [["straight-bar", "rack"]], limits: ["trunk"], notWith: ["low-back", "shoulder", "hamstring"], gates: ["dowel-hinge"], tempo: "3-0-1" }),
  ex("kettlebell-swing", "Kettlebell swing", "hinge", "kettlebell", 2, ["gluteus maximus", "hamstrings"], ["erector spinae", "forearms"], "A hinge, not a squat; the bell floats to chest height.", { needs: [["kettlebell"]], limits: ["grip"], notWith: ["low-back", "hamstring"], gates: ["dowel-hinge"], tempo: "1-0-1" }),
];

const split = [
  ex("front-foot-elevated-split-squat", "Split squat, front foot raised", "split-squat", "pair", 4, ["quadriceps", "gluteus maximus"], ["gluteus medius", "adductors"], "Front foot on a low step, straight up and down.", { uni: true, bw: true, needs: [["step", "dumbbell-pair"], ["box", "dumbbell-pair"], ["step"]], ladder: ["split-squat", 2] }),
  ex("split-squat", "Split squat", "split-squat", "pair", 6, ["quadriceps", "gluteus maximus"], ["gluteus medius", "adductors"], "Upright shin, most of the weight on the front foot.", { uni: true, bw: true, needs: [["dumbbell-pair"]], ladder: ["split-squat", 3] }),
  ex("split-squat-rear-foot-low", "Split squat, rear foot on a low step", "split-squat", "pair", 5.5, ["quadriceps", "gluteus maximus"], ["gluteus medius", "adductors"], "Rear foot only steadies; the front leg does the work.", { uni: true, bw: true, needs: [["step", "dumbbell-pair"], ["step"]], ladder: ["split-squat", 4], notWith: ["knee-front"] }),
  ex("rear-foot-elevated-split-squat", "Rear-foot-elevated split squat", "split-squat", "pair", 6.5, ["quadriceps", "gluteus maximus"], ["gluteus medius", "adductors"], "Laces on the bench, hips square, down under control.", { uni: true, bw: true, needs: [["bench", "dumbbell-pair"], ["box", "dumbbell-pair"]], ladder: ["split-squat", 5], notWith: ["knee-front", "hip-flexor"], sports: { ride: 1.5 }, gates: ["single-leg-squat"] }),
  ex("reverse-lunge", "Reverse lunge", "split-squat", "pair", 5, ["quadriceps", "gluteus maximus"], ["gluteus medius", "hamstrings"], "Step back softly, front heel stays down, drive up tall.", { uni: true, bw: true, needs: [["dumbbell-pair"]], ladder: ["lunge", 1], notWith: ["knee-front"], sports: { run: 0.5 } }),
  ex("step-up", "Step-up", "split-squat", "pair", 5.2, ["quadriceps", "gluteus maximus"], ["gluteus medius", "soleus"], "Whole foot on the step, no push from the floor leg.", { uni: true, bw: true, needs: raised.map((r) => [...r, "dumbbell-pair"]), ladder: ["step", 3], sports: { hike: 3, ride: 0.5 } }),
  ex("step-down", "Step-down", "split-squat", "bodyweight", 4.8, ["quadriceps", "gluteus medius"], ["gluteus maximus"], "Pelvis level; stop where it first tilts; heel taps, takes no weight.", { uni: true, needs: [["step"], ["box"]], ladder: ["step", 1], tempo: "3-0-1", sports: { hike: 2, run: 0.3 } }),
  ex("supported-split-squat", "Supported split squat", "split-squat", "bodyweight", 2, ["quadriceps", "gluteus maximus"], ["gluteus medius"], "One hand on the wall, straight up and down.", { uni: true, ladder: ["split-squat", 1], tempo: "3-0-1" }),
];

const hip = [
  ex("bridge", "Bridge", "hip", "bodyweight", 4, ["gluteus maximus"], ["hamstrings"], "Ribs down, push through the heels, pause at the top.", { ladder: ["bridge", 1], tempo: "2-1-1" }),
  ex("single-leg-bridge", "Single-leg bridge", "hip", "bodyweight", 6, ["gluteus maximus", "hamstrings"], ["gluteus medius"], "Hips level, the free thigh beside the working one.", { uni: true, ladder: ["bridge", 2], tempo: "2-1-1", sports: { run: 1, triathlon: 1, ride: 1 } }),
  ex("single-leg-hip-thrust", "Single-leg hip thrust", "hip", "bodyweight", 5.5, ["gluteus maximus"], ["hamstrings"], "Shoulder blades on the bench, shin upright at the top.", { uni: true, needs: [["bench"]], ladder: ["bridge", 3], tempo: "2-1-1" }),
  ex("side-lying-raise", "Side-lying leg raise", "hip", "bodyweight", 3.5, ["gluteus medius"], ["obliques"], "Toe level, heel leads, the waist stays long.", { uni: true, tempo: "2-1-1" }),
  ex("clam", "Clam", "hip", "bodyweight", 3, ["gluteus medius"], [], "Feet together, pelvis still, open only as far as it stays still.", { uni: true, tempo: "2-1-1" }),
  ex("band-walk", "Band walk", "hip", "band", 5, ["gluteus medius"], ["gluteus maximus"], "Toes forward, small steps, keep the band tight.", { needs: [["band"]], unit: "seconds", sports: { run: 0.6 } }),
  ex("march-hold", "Band march hold", "hip", "band", 4.5, ["hip flexors"], ["rectus abdominis"], "Knee above the hip, pelvis still, ten quiet seconds.", { uni: true, needs: [["band"]], unit: "seconds", notWith: [] }),
  ex("hip-hike", "Hip hike", "hip", "bodyweight", 4.2, ["gluteus medius"], ["obliques"], "Standing knee straight, lift and lower the free side of the pelvis.", { uni: true, needs: [["step"], ["box"]], tempo: "2-1-1", sports: { hike: 1 } }),
  ex("toe-tap", "Toe tap behind with knee lift", "hip", "bodyweight", 4.1, ["gluteus medius"], ["quadriceps"], "The tapping toe takes no weight; tall, level, unhurried.", { uni: true, tempo: "2-0-1" }),
  ex("slider-curl", "Slider curl", "hip", "bodyweight", 4.4, ["hamstrings"], ["gluteus maximus"], "Hips stay up while the heels slide out; slow all the way.", { needs: [["sliders"]], tempo: "3-0-2", notWith: [], sports: { row: 0.5 } }),
];

const calf = [
  ex("calf-raise", "Single-leg calf raise", "calf", "single", 6, ["gastrocnemius"], ["soleus"], "Straight knee, through the big toe, pause at the top.", { uni: true, bw: true, needs: hand, ladder: ["calf", 2], tempo: "2-1-1", notWith: ["achilles", "calf"] }),
  ex("soleus-raise", "Bent-knee calf raise", "calf", "single", 5, ["soleus"], ["gastrocnemius"], "Knee stays bent the same amount; slow both ways.", { uni: true, bw: true, needs: hand, tempo: "2-1-1", sports: { run: 0.5 }, notWith: ["achilles", "calf"] }),
  ex("double-leg-calf-raise", "Calf raise, both legs", "calf", "bodyweight", 3, ["gastrocnemius"], ["soleus"], "A ball between the ankles helps; through the big toe.", { ladder: ["calf", 1], tempo: "2-1-2" }),
  ex("heel-walk", "Heel and toe walks", "calf", "bodyweight", 1, ["tibialis anterior"], ["gastrocnemius"], "Tall, short steps, toes high; then on the toes.", { unit: "seconds" }),
];

const trunk = [
  ex("side-plank", "Side plank", "trunk", "bodyweight", 6, ["obliques"], ["gluteus medius"], "Elbow under the shoulder, body in one line, breathe.", { uni: true, unit: "seconds", limits: ["trunk"], notWith: ["shoulder"] }),
  ex("dead-bug", "Dead bug", "trunk", "bodyweight", 5.5, ["rectus abdominis"], ["hip flexors"], "Lower back stays on the floor, braced lightly, still able to talk.", { uni: true, limits: ["trunk"], tempo: "2-0-2", sports: { row: 1 } }),
  ex("front-plank", "Front plank", "trunk", "bodyweight", 5, ["rectus abdominis"], ["obliques"], "Ribs and pelvis together, push the floor away.", { unit: "seconds", limits: ["trunk"], notWith: ["shoulder"] }),
  ex("bird-dog", "Bird dog", "trunk", "bodyweight", 4.5, ["erector spinae"], ["gluteus maximus"], "Long from heel to fist, back still as a table.", { uni: true, limits: ["trunk"], tempo: "2-2-1" }),
  ex("plank-pull-through", "Plank pull-through", "trunk", "single", 4, ["rectus abdominis", "obliques"], ["deltoids"], "Hands narrow, feet wide, hips do not turn.", { uni: true, needs: hand, limits: ["trunk"], notWith: ["shoulder", "low-back"], sports: { ride: 2 } }),
  ex("loaded-carry", "Loaded carry", "trunk", "pair", 3.5, ["obliques", "forearms"], ["erector spinae"], "Tall, quiet steps, weights still.", { needs: [["dumbbell-pair"]], unit: "seconds", limits: ["grip", "trunk"], sports: { hike: 2.5, row: 1 }, notWith: ["bone-stress"] }),
];

const upper = [
  ex("push-up", "Push-up", "push", "bodyweight", 5, ["pectorals", "triceps"], ["deltoids", "rectus abdominis"], "Body in one piece; hands on a bench where the floor is too low.", { notWith: ["shoulder"], tempo: "2-0-1" }),
  ex("incline-press", "Incline dumbbell press", "push", "pair", 4, ["pectorals", "deltoids"], ["triceps"], "Bench at about 30 degrees, shoulder blades down.", { needs: [["bench", "dumbbell-pair"]], limits: ["grip"], notWith: ["shoulder"] }),
  ex("one-arm-row", "One-arm row", "pull", "single", 6, ["latissimus dorsi", "rhomboids"], ["biceps", "forearms"], "Shoulder blade reaches down first, then the elbow leads.", { uni: true, needs: [["dumbbell", "bench"], ["dumbbell"], ["kettlebell"]], limits: ["grip"] }),
  ex("cable-row", "Cable row", "pull", "machine", 5, ["latissimus dorsi", "rhomboids"], ["biceps", "forearms"], "Reach long, chest still, elbow to the pocket.", { needs: [["machine:cable"]], limits: ["grip"] }),
  ex("band-row", "Band row", "pull", "band", 4, ["latissimus dorsi", "rhomboids"], ["biceps"], "Anchor at chest height, squeeze, slow back.", { needs: [["band"]] }),
];

const jump = [
  ex("ankle-hops", "Ankle hops", "jump", "bodyweight", 5, ["gastrocnemius", "soleus"], [], "Small and quick, stiff ankles, quiet landings.", { unit: "seconds", notWith: ["achilles", "calf", "shin", "foot", "bone-stress"], gates: ["calf-raise"] }),
];

const mobility = [
  ex("mobility-flow", "Mobility flow", "mobility", "bodyweight", 6, ["hip flexors"], ["hamstrings"], "Hips, hamstrings, ankles and back, easy and unhurried; note what is stiff today.", { unit: "seconds" }),
  ex("hip-flexor-stretch", "Half-kneeling hip-flexor stretch", "mobility", "bodyweight", 5, ["hip flexors"], [], "Tuck the tail first, then lean; thirty seconds.", { uni: true, unit: "seconds" }),
  ex("cat-cow", "Cat-cow", "mobility", "bodyweight", 4, ["erector spinae"], [], "Slow, with the breath, through the range that is easy.", { tempo: "3-0-3" }),
  ex("foot-rolling", "Sole and calf rolling", "mobility", "bodyweight", 3, ["soleus"], [], "A ball under the sole, then the lower calf; mild pressure.", { uni: true, unit: "seconds" }),
];

export const EXERCISES: readonly Exercise[] = [
  ...squat,
  ...hinge,
  ...split,
  ...hip,
  ...calf,
  ...trunk,
  ...upper,
  ...jump,
  ...mobility,
];

const byId = new Map(EXERCISES.map((e) => [e.id, e]));

/** @returns the exercise of an id, undefined when the library has none */
export const exerciseById = (id: string): Exercise | undefined => byId.get(id);
/** @returns the exercise's name, or the id where the library does not know it */
export const exerciseName = (id: string): string => byId.get(id)?.name ?? id;
