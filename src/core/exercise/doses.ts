/** Default doses of each kind of work for each emphasis (common practice). */
import type { Emphasis } from "../athlete";
import type { DefaultDose } from "./types";

/** Kinds of work that share a default dose. */
export type WorkKind = "main" | "single" | "control" | "hold" | "hops" | "stretch" | "power" | "row";

type Row = Record<Emphasis, DefaultDose>;
const reps = (sets: number, n: number): DefaultDose => ({ sets, reps: n });
const hold = (sets: number, n: number): DefaultDose => ({ sets, seconds: n });
const always = (d: DefaultDose): Row => ({ prepare: d, develop: d, maximal: d, hold: d, restore: d });

const TABLE: Record<WorkKind, Row> = {
  main: { prepare: reps(3, 12), develop: reps(3, 8), maximal: reps(3, 5), hold: reps(3, 5), restore: reps(2, 8) },
  single: { prepare: reps(3, 12), develop: reps(3, 10), maximal: reps(3, 6), hold: reps(3, 6), restore: reps(2, 8) },
  control: { prepare: reps(2, 12), develop: reps(2, 12), maximal: reps(2, 10), hold: reps(2, 10), restore: reps(2, 8) },
  hold: { prepare: hold(3, 20), develop: hold(3, 25), maximal: hold(2, 30), hold: hold(2, 30), restore: hold(2, 20) },
  hops: { prepare: hold(2, 10), develop: hold(3, 15), maximal: hold(4, 20), hold: hold(3, 20), restore: hold(0, 0) },
  stretch: always(hold(2, 30)),
  power: { prepare: reps(3, 8), develop: reps(3, 10), maximal: reps(4, 8), hold: reps(3, 8), restore: reps(0, 0) },
  row: { prepare: reps(2, 15), develop: reps(3, 15), maximal: reps(3, 12), hold: reps(2, 12), restore: reps(2, 10) },
};

/**
 * @param ownReps repetitions that belong to the exercise whatever the emphasis says
 * @param ownSeconds seconds that belong to it
 * @returns sets with repetitions or seconds, for each emphasis
 */
export function defaultDoses(
  kind: WorkKind,
  ownReps: readonly [number, number] | null,
  ownSeconds: number | null,
): Row {
  const fit = (d: DefaultDose): DefaultDose => {
    if (ownSeconds !== null) return { sets: d.sets, seconds: ownSeconds };
    return ownReps === null ? d : { sets: d.sets, reps: ownReps[1] };
  };
  const row = TABLE[kind];
  return {
    prepare: fit(row.prepare),
    develop: fit(row.develop),
    maximal: fit(row.maximal),
    hold: fit(row.hold),
    restore: fit(row.restore),
  };
}
