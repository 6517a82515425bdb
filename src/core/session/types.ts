import type { Emphasis, Label, Place } from "../athlete/types";
import type { EmphasisDose } from "../dose/layered";
import type { WarmUpSet } from "../dose/warmup";
import type { ChoiceContext } from "../exercise/choose";
import type { Exercise, Loading } from "../exercise/types";
import type { Loading as DayLoading } from "../season/days";
import type { Why } from "../why";
import type { Slot } from "./slots";

/** What stands in a set of an exercise: chosen by the load rules, asked for by the builder. */
export interface LoadAnswer {
  loadKg: number | null;
  perSideKg: number[];
  barKg: number | null;
  percent1rm: number | null;
  /** Repetitions, where progress asks for others than the dose's top. */
  reps?: number;
  /** Sets taken off after missed weeks. */
  setsLess?: number;
  why: Why[];
}

export interface LoadQuestion {
  exercise: Exercise;
  loading: Loading;
  place: Place;
  repsLow: number;
  reps: number;
  rir: number;
  /** Light loads at most this percent (restore); null where the dose decides. */
  capPercent: number | null;
}

export interface SessionRequest {
  label: Label;
  emphasis: Emphasis;
  loading: DayLoading;
  heavyOk: boolean;
  dose: EmphasisDose;
  place: Place;
  /** Minutes there are. */
  minutes: number;
  choice: ChoiceContext;
  /** Exercises the coach took instead of the first choice, by the first choice's id. */
  swaps?: ReadonlyMap<string, string>;
  /** Share of the hard sets that stays. */
  setFactor: number;
  /** Least and most hard sets of the four heart patterns in this session; null is free. */
  heartRange: { least: number; most: number } | null;
  /** Stress at which assistance gives way; null is free. */
  stressCap: number | null;
  loadFor: (q: LoadQuestion) => LoadAnswer;
}

export interface Item {
  pair: string;
  exercise: Exercise;
  loading: Loading;
  main: boolean;
  /** The finding that asked for it, null where none did. */
  added: string | null;
  /** The slot it fills. */
  slot: Slot;
  /** How it is done, where coaches differ; null where there is nothing to choose. */
  style: string | null;
  /** The side that begins, where the screening found one weaker. */
  firstSide: "left" | "right" | null;
  sets: number;
  repsLow: number | null;
  reps: number | null;
  seconds: number | null;
  eachSide: boolean;
  loadKg: number | null;
  perSideKg: number[];
  barKg: number | null;
  percent1rm: number | null;
  rir: number;
  restSeconds: number;
  why: Why[];
}

export interface Dropped {
  exercise: string;
  why: string;
}

/** What safety took out of a heart pattern, and what stands in its place. */
export interface LeftOut {
  exercise: string;
  name: string;
  why: string;
  instead: string;
}

/** Seconds of a session by kind; they add up to its length. */
export interface TimeParts {
  opening: number;
  warmUp: number;
  work: number;
  filledRest: number;
  emptyRest: number;
  change: number;
}

export interface BuiltSession {
  label: Label;
  emphasis: Emphasis;
  loading: DayLoading;
  items: Item[];
  warmUp: WarmUpSet[];
  dropped: Dropped[];
  left: LeftOut[];
  cautions: string[];
  /** Whole minutes, rounded up. */
  minutes: number;
  time: TimeParts;
  lowerLoaded: boolean;
  heavy: boolean;
  /** Planned session RPE x minutes, AU. */
  stress: number;
  rpe: number;
  /** Share of the asked sets that found no time. */
  lostShare: number;
  /** A loaded dose is asked for and the place has nothing to load with. */
  unloaded: boolean;
  /** Fewer hard sets than a race-phase week is to keep: the window has no time for them. */
  thin: boolean;
  why: Why[];
}
