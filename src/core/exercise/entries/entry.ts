/** How an entry of the library is written: what is usual is filled in, so that each entry shows what is its own. */
import { defaultDoses, type WorkKind } from "../doses";
import type { Exercise, LoadKind, Muscle, Need, Pattern } from "../types";

type Told = Pick<Exercise, "setup" | "cues" | "mistakes" | "felt">;
type Usual = Omit<
  Exercise,
  "id" | "name" | "pattern" | "loading" | "rank" | "primary" | "secondary" | "dose" | "ladder" | "own" | keyof Told
>;
export interface EntryFields extends Told, Partial<Usual> {
  kind?: WorkKind;
  /** Ladder and the step before; null is the lowest. */
  ladder?: readonly [string, string | null];
}

/** One dumbbell or kettlebell. */
export const HAND: readonly (readonly Need[])[] = [["dumbbell"], ["kettlebell"]];
/** Something rigid to step on or sit down to. */
export const RAISED: readonly (readonly Need[])[] = [["step"], ["box"], ["bench"]];
/** A low step. */
export const STEP: readonly (readonly Need[])[] = [["step"], ["box"]];
export const PAIR: readonly (readonly Need[])[] = [["dumbbell-pair"]];
/** Each set of equipment together with a pair of dumbbells. */
export const withPair = (sets: readonly (readonly Need[])[]): Need[][] => sets.map((s) => [...s, "dumbbell-pair"]);

/** Sights that come back. */
export const SEE = {
  hips: "hips level",
  knee: "knee over the second toe",
  heel: "heel down",
  spine: "spine neutral",
} as const;

const HELD: Partial<Record<LoadKind, Exercise["hand"]>> = {
  bar: "both",
  pair: "both",
  kettlebell: "both",
  single: "either",
};
const tempoSeconds = (tempo: string): number => tempo.split("-").reduce((sum, part) => sum + Number(part), 0);

/** @returns a whole entry; see Exercise for units */
export function ex(
  id: string,
  name: string,
  pattern: Pattern,
  loading: LoadKind,
  rank: number,
  primary: Muscle[],
  secondary: Muscle[],
  { kind, ladder, ...own }: EntryFields,
): Exercise {
  const timed = own.unit === "seconds";
  const usual: Usual = {
    alsoCalled: [],
    plane: "sagittal",
    position: "standing",
    unilateral: false,
    hand: HELD[loading] ?? "none",
    variants: [],
    bodyweightToo: loading === "bodyweight",
    needs: [[]],
    limits: [],
    unit: "reps",
    ownReps: null,
    ownSeconds: null,
    tempo: "2-0-1",
    secondsPerRep: 0,
    slow: false,
    main: false,
    look: [],
    seeWith: ["mirror"],
    cautions: [],
    level: 1,
    sports: {},
    notWith: [],
    careWith: [],
    goodWith: [],
    gates: [],
    mustPass: [],
    after: [],
    places: ["home", "gym"],
    conspicuous: false,
    standIn: null,
  };
  const whole = { ...usual, ...own };
  const work = kind ?? (timed ? "hold" : whole.main ? "main" : pattern === "split-squat" ? "single" : "control");
  return {
    id,
    name,
    pattern,
    loading,
    rank,
    primary,
    secondary,
    ...whole,
    secondsPerRep: tempoSeconds(whole.tempo) + 1,
    dose: defaultDoses(work, whole.ownReps, whole.ownSeconds),
    ladder: ladder && { id: ladder[0], before: ladder[1] },
    own: false,
  };
}
