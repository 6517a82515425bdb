/** What a decision about the next time is made from, and what it says. */
import type { DecisionKind } from "../athlete";
import type { IsoDate } from "../dates";
import type { RuleValues, Why } from "../rulebook";
import { roundTo } from "../units";
import type { History } from "./history";

export interface Decision {
  kind: DecisionKind;
  /** Load aimed at, kg, before rounding to what the place can make; null where there is none. */
  loadKg: number | null;
  /** Top of the repetitions next time. */
  reps: number;
  /** Sets and seconds next time, where they change. */
  sets?: number;
  seconds?: number;
  /** Slower lowering next time. */
  tempo?: string;
  /** The coach decided it. */
  byCoach?: boolean;
  why: Why[];
}

/** What an exercise can become once its repetitions are done (rule 5). */
export interface LadderState {
  /** The next step that is open to the athlete here; null at the top, or where it is closed. */
  harder: string | null;
  /** The step before; null at the lowest. */
  easier: string | null;
  /** The lightest load the exercise takes here, kg; null where it takes none. */
  lightestKg: number | null;
  /** The tempo as it is done now, such as "2-0-1". */
  tempo: string;
}

export interface DecisionInput {
  /** Logs of this exercise, newest first; at least one. */
  history: readonly [History, ...History[]];
  /** The day it would be lifted next. */
  on: IsoDate;
  repsLow: number;
  reps: number;
  rir: number;
  /** Top of the range, at which work without load takes its next step; the repetitions of the dose where it is left out. */
  repsMost?: number;
  /** Times the last load that the line's point asks for at equal effort, where it is another point than the last; 1 without a line. */
  line?: number;
  /** Sets of the dose. */
  sets?: number;
  /** Seconds of the dose, and at most; only for holds and timed work. */
  seconds?: number | null;
  secondsMost?: number;
  /** Where it stands on its ladder, worked out for the few decisions that ask; null for exercises that stand on none. */
  ladder?: () => LadderState | null;
  /** Achilles or patellar tendon in trouble: some pain is allowed. */
  tendon?: boolean;
  /** A hinge: where it is felt counts. */
  hinge?: boolean;
  /** Why nothing may go up now; null where it may. */
  cap: Why | null;
  strictPain: boolean;
  /** 65 and over: the same load must have been lifted twice before it goes up. */
  slower?: boolean;
  /** Every load the place can make, kg, rising. */
  loads: readonly number[];
  /** The coach's own numbers. */
  own?: RuleValues | undefined;
  /** The next load worth a step; default: the next the place can make. */
  stepUp?: (fromKg: number) => number | undefined;
}

/** A load in a sentence. */
export const kg = (v: number): string => `${roundTo(v, 2)} kg`;
