/** The tests as they are done: in words, with what is counted and what the number means (rule screen.marks). */
import { SCREEN_TESTS, type ScreenTest } from "../athlete";

export interface TestSheet {
  test: ScreenTest;
  name: string;
  how: readonly string[];
  look: readonly string[];
  unit: "degrees" | "reps" | "cm" | "s" | "yes-no";
  sides: boolean;
  /** What helps to measure it. */
  tool: "stopwatch" | "counter" | "number" | "yes-no";
  /** Highest value that is asked for; null where it is open. */
  upTo: number | null;
  /** Where the mark comes from. */
  source: string;
  trust: "pub" | "trade";
}

const TRADE = "Common practice, no published source";

const SHEETS: Record<ScreenTest, Omit<TestSheet, "test">> = {
  "dowel-hinge": {
    name: "Dowel hinge",
    how: [
      "A stick along the back touches head, upper back and tailbone; knees soft.",
      "Tip slowly from the hips. Read the angle of the trunk from upright where a contact is first lost.",
    ],
    look: ["The low back: where does it first round?", "Weight stays on the middle of the foot"],
    unit: "degrees",
    sides: false,
    tool: "number",
    upTo: 120,
    source: TRADE,
    trust: "trade",
  },
  "wall-squat": {
    name: "Wall-facing squat",
    how: [
      "Toes about 30 cm from a wall, facing it, arms hanging; the same distance every time.",
      "Squat to thigh level. It passes when nothing touches the wall and the heels stay down.",
    ],
    look: ["Forehead and knees clear of the wall", "Heels down"],
    unit: "yes-no",
    sides: false,
    tool: "yes-no",
    upTo: 1,
    source: TRADE,
    trust: "trade",
  },
  "wall-squat-overhead": {
    name: "Wall-facing squat, arms overhead",
    how: ["The same with both arms straight overhead.", "It passes when the hands do not touch the wall."],
    look: ["Arms stay beside the ears", "Heels down, ribs down"],
    unit: "yes-no",
    sides: false,
    tool: "yes-no",
    upTo: 1,
    source: TRADE,
    trust: "trade",
  },
  "single-leg-squat": {
    name: "Single-leg squat to a bench",
    how: [
      "Stand on one leg in front of a bench at knee height, the other foot forward.",
      "Touch the bench and stand up. Count clean repetitions, up to 10.",
    ],
    look: ["Knee over the second toe", "Pelvis level", "Touching, not dropping"],
    unit: "reps",
    sides: true,
    tool: "counter",
    upTo: 10,
    source: TRADE,
    trust: "trade",
  },
  "step-down": {
    name: "Step-down with level pelvis",
    how: [
      "Hands on the hips, one foot over the edge of a step; tap the heel and come back.",
      "Raise the step. Write the highest one, in cm, with the pelvis still level.",
    ],
    look: ["The belt line: where does it first tilt?", "Knee over the second toe"],
    unit: "cm",
    sides: true,
    tool: "number",
    upTo: 60,
    source: TRADE,
    trust: "trade",
  },
  "side-hold": {
    name: "Side hold",
    how: [
      "Side plank on the elbow, legs long, upper foot in front.",
      "Stop the watch when the hips leave the line and do not come back.",
    ],
    look: ["Body in one line", "Breathing"],
    unit: "s",
    sides: true,
    tool: "stopwatch",
    upTo: 300,
    source:
      "30 s to train on is common practice; healthy young adults hold 72 to 97 s (McGill, Childs, Liebenson 1999, Arch Phys Med Rehabil 80:941-944)",
    trust: "pub",
  },
  "calf-raise": {
    name: "Single-leg calf raise",
    how: [
      "One leg, knee straight, fingertips on a wall, one raise every two seconds.",
      "Count until the height drops or the knee bends.",
    ],
    look: ["Same height every time", "Straight knee, through the big toe"],
    unit: "reps",
    sides: true,
    tool: "counter",
    upTo: 100,
    source:
      "25 in young adults (Lunsford, Perry 1995, Phys Ther 75:694-698), fewer by age (Hebert-Losier et al. 2017, Physiotherapy 103:446-452)",
    trust: "pub",
  },
  "single-leg-bridge": {
    name: "Single-leg bridge, heel on a box",
    how: [
      "On the back, one heel on a 60 cm box, knee about 20 degrees bent, arms crossed.",
      "Lift the hips to a straight line and touch down. Count until the line is lost.",
    ],
    look: ["Hips level", "Full height"],
    unit: "reps",
    sides: true,
    tool: "counter",
    upTo: 100,
    source: "20 low, 25 fair, 30 good (Freckleton, Cook, Pizzari 2014, Br J Sports Med 48:713-717)",
    trust: "pub",
  },
  "knee-to-wall": {
    name: "Knee to wall",
    how: [
      "Foot square to a wall, knee touches it, heel heavy.",
      "Move back until it only just touches. Measure toe to wall in cm.",
    ],
    look: ["Heel stays down", "Arch does not collapse"],
    unit: "cm",
    sides: true,
    tool: "number",
    upTo: 30,
    source: "Common practice, after Bennell et al. 1998, Aust J Physiother 44:175-180",
    trust: "trade",
  },
  "march-hold": {
    name: "Band march hold",
    how: [
      "Light band round both feet, one knee above the hip, standing tall.",
      "Seconds until the knee sinks, up to 10.",
    ],
    look: ["Knee above the hip", "Standing tall, pelvis still"],
    unit: "s",
    sides: true,
    tool: "stopwatch",
    upTo: 10,
    source: TRADE,
    trust: "trade",
  },
  "front-plank": {
    name: "Front plank",
    how: ["Elbows under the shoulders, legs long.", "Stop the watch when the back sags or the hips rise for good."],
    look: ["Ribs and pelvis together", "Breathing"],
    unit: "s",
    sides: false,
    tool: "stopwatch",
    upTo: 600,
    source: TRADE,
    trust: "trade",
  },
};

/** In the order they are done: nothing that tires comes before what it would spoil. */
export const TEST_SHEETS: readonly TestSheet[] = SCREEN_TESTS.map((test) => ({ test, ...SHEETS[test] }));
export const testName = (test: ScreenTest): string => SHEETS[test].name;
