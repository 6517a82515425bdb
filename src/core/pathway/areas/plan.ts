/** What the plan of an area's way back is made of. */
import type { PathwayStage, ScreenTest } from "../../athlete";
import type { AddedWork } from "../../screening";

export interface StagePlan {
  /** Open from this stage on, with nothing in the hands before the stage of loads. */
  opens: readonly string[];
  /** Open from this stage on, with whatever load its dose asks for. */
  loaded?: readonly string[];
  /** What stands in every session of the stage; the second half of its least days may ask for other work than the first. */
  work: readonly AddedWork[];
  later?: readonly AddedWork[];
  /** What is open, in one sentence. */
  says: string;
}

export interface AreaPlan {
  /** What to look for, besides the pain itself. */
  watch: string;
  /** The test whose sides must be even before hops; null where none measures this area. */
  sides: ScreenTest | null;
  /** Every step needs a licensed practitioner's name. */
  clinician?: true;
  stages: Readonly<Record<Exclude<PathwayStage, "back">, StagePlan>>;
}

export const HOPS = ["ankle-hops", "step-off-stick", "squat-jump", "burpee-jump", "bounds"];
export const SPRING = "Hops and jumps by their own gates, where the sport needs them; loads go on.";

/** Work of a stage: the first of the exercises that is open, in so many sets. @param reps where they are not the exercise's own */
export const work = (
  pattern: AddedWork["pattern"],
  exercises: readonly string[],
  sets: number,
  reps?: number,
): AddedWork => ({
  pattern,
  exercises,
  sets,
  ...(reps === undefined ? {} : { reps }),
});
