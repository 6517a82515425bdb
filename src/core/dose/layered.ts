/** The layered approach: what each emphasis prescribes (handbook 8, first row; doses after section 7). */

import type { Gate } from "../athlete/gate";
import type { Emphasis, Label } from "../athlete/types";

/** Reps [lo, hi] or seconds, sets, RIR, rest of one kind of work. */
export interface Dose {
  sets: number;
  repsLow: number;
  reps: number;
  rir: number;
  restSeconds: number;
}

export interface EmphasisDose {
  /** Sessions a full week. */
  perWeek: number;
  main: Dose;
  single: Dose;
  assist: Dose;
  /** Seconds of a hold, and of moving work counted in time. */
  holdSeconds: number;
  /** Planned session RPE (handbook 11) [house]. */
  rpe: number;
  says: string;
}

export const SESSION_RPE: Record<Emphasis, number> = { prepare: 5, develop: 6, maximal: 7, hold: 6, restore: 3 };

const dose = (sets: number, repsLow: number, reps: number, rir: number, restSeconds: number): Dose => ({
  sets,
  repsLow,
  reps,
  rir,
  restSeconds,
});

const TABLE: Record<Emphasis, Omit<EmphasisDose, "rpe">> = {
  prepare: {
    perWeek: 2,
    main: dose(3, 10, 12, 3, 75),
    single: dose(3, 10, 12, 3, 60),
    assist: dose(2, 10, 12, 3, 45),
    holdSeconds: 20,
    says: "Prepare: 2 to 3 sets of 10 to 15, bodyweight to light, 3 to 4 in reserve",
  },
  develop: {
    perWeek: 2,
    main: dose(3, 6, 8, 3, 120),
    single: dose(3, 8, 10, 3, 90),
    assist: dose(2, 10, 12, 3, 45),
    holdSeconds: 25,
    says: "Develop: 3 sets of 6 to 10, 2 to 3 in reserve",
  },
  maximal: {
    perWeek: 2,
    main: dose(3, 4, 5, 2, 180),
    single: dose(3, 5, 6, 2, 120),
    assist: dose(2, 8, 10, 2, 45),
    holdSeconds: 30,
    says: "Maximal: 3 to 4 sets of 3 to 6, 1 to 2 in reserve, full rest",
  },
  hold: {
    perWeek: 1,
    main: dose(3, 4, 5, 2, 180),
    single: dose(3, 5, 6, 2, 120),
    assist: dose(2, 8, 10, 2, 45),
    holdSeconds: 30,
    says: "Hold: once a week, 3 sets of 3 to 5 at the same percent",
  },
  restore: {
    perWeek: 4,
    main: dose(2, 6, 8, 5, 60),
    single: dose(2, 6, 8, 5, 60),
    assist: dose(2, 6, 8, 5, 45),
    holdSeconds: 20,
    says: "Restore: short visits, no load, then bodyweight, then light loads",
  },
};

/** Percent of 1RM at most while restoring with light loads (handbook 8) [trade]. */
export const RESTORE_PERCENT = 55;

/**
 * @param emphasis of the day
 * @param holds what a hold keeps: the reps and percent of the build before it
 * @param gate lifts the RIR where the athlete's age asks for it; new lifters take the lower end of the sets
 */
export function layeredDose(
  emphasis: Emphasis,
  gate: Pick<Gate, "minRir" | "training">,
  holds: "develop" | "maximal" = "maximal",
): EmphasisDose {
  const { main, single, assist } = TABLE[emphasis === "hold" ? holds : emphasis];
  const row = { ...TABLE[emphasis], main, single, assist };
  const careful = (d: Dose): Dose => ({
    ...d,
    rir: Math.max(d.rir, gate.minRir),
    sets: gate.training === "new" && emphasis === "prepare" ? Math.min(d.sets, 2) : d.sets,
  });
  return {
    ...row,
    perWeek: emphasis === "prepare" && gate.training === "trained" ? 3 : row.perWeek,
    main: careful(row.main),
    single: careful(row.single),
    assist: careful(row.assist),
    rpe: SESSION_RPE[emphasis],
  };
}

/** Names of the session labels where a coach reads them. */
export const LABEL_WORDS: Record<Label, string> = { A: "Heavy A", B: "Single-leg B", C: "Control C", D: "Mobility D" };
