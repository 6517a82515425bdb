/** Exercises that the coach adds: a few facts are asked for, the rest is filled in as for any entry. */
import type { Area, ScreenTest } from "../athlete";
import { ex } from "./entries/entry";
import { type Library, makeLibrary } from "./library";
import type { Exercise, LoadKind, Muscle, Pattern } from "./types";

export interface OwnExercise {
  name: string;
  pattern: Pattern;
  loading: LoadKind;
  unilateral: boolean;
  unit: "reps" | "seconds";
  needs: string[][];
  primary: Muscle[];
  secondary: Muscle[];
  setup: string[];
  cues: string[];
  mistakes: string[];
  felt: string;
  level: 1 | 2 | 3;
  notWith: Area[];
  gates: ScreenTest[];
}

/** Rank of what a coach adds: high enough to be seen in the lists, below the main lifts [house]. */
const OWN_RANK = 5;

/** @param id unique in the library */
export function ownExercise(id: string, o: OwnExercise): Exercise {
  return {
    ...ex(id, o.name, o.pattern, o.loading, OWN_RANK, o.primary, o.secondary, {
      unilateral: o.unilateral,
      unit: o.unit,
      needs: o.needs,
      setup: o.setup,
      cues: o.cues,
      mistakes: o.mistakes,
      felt: o.felt,
      level: o.level,
      notWith: o.notWith,
      gates: o.gates,
      bodyweightToo: o.loading === "bodyweight",
    }),
    own: true,
  };
}

/** The library with what the coach has added and hidden. */
export const libraryWith = (
  own: readonly { id: string; exercise: OwnExercise }[],
  hidden: readonly string[],
): Library =>
  makeLibrary(
    own.map((o) => ownExercise(o.id, o.exercise)),
    hidden,
  );
