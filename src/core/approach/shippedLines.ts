/** Lines that ship written down, week by week; those of the other approaches follow from their ranges (rule block.line). */
import type { Line, LinePoint, Lines } from "../athlete";

/** Sets, repetitions and reserve of each loading week. */
const points = (...weeks: (readonly [sets: number, reps: number, rir: number])[]): LinePoint[] =>
  weeks.map(([sets, reps, rir]) => ({ sets, reps, rir }));

const PREPARE: Line = { points: points([2, 12, 4], [2, 12, 3], [3, 12, 3], [3, 10, 3], [3, 10, 3]) };
const DEVELOP: Line = { points: points([3, 10, 3], [3, 8, 3], [3, 8, 2], [3, 7, 2], [3, 6, 2]) };
const MAXIMAL: Line = {
  points: points([3, 6, 2], [3, 5, 2], [4, 5, 1], [4, 4, 1], [3, 3, 1]),
  later: points([3, 5, 2], [4, 4, 2], [4, 4, 1], [3, 3, 1], [3, 3, 1]),
};
const SINGLE: Line = { points: points([3, 8, 3], [3, 8, 2], [3, 6, 2], [4, 6, 2], [3, 5, 2]) };

/** The layered approach's lines for trained lifters: their shape is ours [house], the ends of their ranges the trade's. */
export const LAYERED_LINES: Lines = {
  "base-early": { squat: PREPARE, hinge: PREPARE, "split-squat": PREPARE, hip: PREPARE },
  "base-late": { squat: DEVELOP, hinge: DEVELOP },
  build: { squat: MAXIMAL, hinge: MAXIMAL, "split-squat": SINGLE, hip: SINGLE },
};
