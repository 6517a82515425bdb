import type { Build, DecisionKind, Emphasis, Label, Place, SessionEdit } from "../athlete";
import type { Household, RampSet, SessionDose, WarmUpSet } from "../dose";
import type { ChoiceContext, Exercise, LoadKind } from "../exercise";
import type { JumpAsk } from "../jumps";
import type { Leads, LedgerPattern, Unit } from "../ledger";
import type { Why } from "../rulebook";
import type { DayLoading } from "../season";
import type { RoutineStage, Slot } from "./slots";

/** What stands in a set of an exercise: chosen by the load rules, asked for by the builder. */
export interface LoadAnswer {
  loadKg: number | null;
  perSideKg: number[];
  barKg: number | null;
  percent1rm: number | null;
  /** Repetitions, where progress asks for others than the dose's top. */
  reps?: number;
  /** Sets and seconds, where progress asks for others than the dose's. */
  sets?: number;
  seconds?: number;
  /** Sets taken off after missed weeks. */
  setsLess?: number;
  /** Slower lowering, where progress asks for it. */
  tempo?: string;
  /** Sets that find the load on the floor, where nothing says it. */
  ramp?: RampSet[];
  /** What was decided after the last log, and whether the coach did; null before there is one. */
  decision?: ItemDecision;
  /** What was aimed at, before the room's steps. */
  aim?: LoadAim;
  /** Nothing may go up: neither load nor repetitions. */
  capped?: boolean;
  why: Why[];
}

/** A load before it is made of what the room has. */
export interface LoadAim {
  kg: number;
  /** Percent of 1RM that was asked for; null where nothing says it. */
  percent: number | null;
  /** Something kept it from being more. */
  capped: boolean;
}

export interface ItemDecision {
  kind: DecisionKind;
  /** Day of the log it rests on. */
  after: string;
  byCoach: boolean;
}

export interface LoadQuestion {
  exercise: Exercise;
  loading: LoadKind;
  place: Place;
  sets: number;
  repsLow: number;
  reps: number;
  /** Seconds of a hold or of timed work; null where repetitions count. */
  seconds: number | null;
  secondsMost?: number;
  /** Top of the range, at which work without load takes its next step. */
  repsMost?: number;
  rir: number;
  /** Percent of 1RM where the dose speaks in percent; null goes by reps and RIR. */
  percent: number | null;
  /** Light loads at most this percent (restore); null where the dose decides. */
  capPercent: number | null;
}

/** A lift's point on its block's line, from 0, with what put it there. */
export interface LinePlaceOf {
  point: number;
  why: Why[];
}

export interface SessionRequest {
  label: Label;
  emphasis: Emphasis;
  loading: DayLoading;
  heavyOk: boolean;
  dose: SessionDose;
  place: Place;
  /** Minutes there are. */
  minutes: number;
  choice: ChoiceContext;
  /** Exercises the coach took instead of the first choice, by the first choice's id. */
  swaps?: ReadonlyMap<string, string>;
  /** What sessions of the approach are made of. */
  build: Build;
  /** Jumps or swings that come before everything else; null where the day has none. */
  jumps?: JumpAsk | null;
  /** The version of the routine that follows a run; null for a session of its own. */
  routine: "short" | "long" | null;
  /** What a routine is made of; the first where nothing is said. */
  routineStage?: RoutineStage;
  /** Made by hand: it takes the place of slots and choice. */
  edit?: SessionEdit;
  /** What the week's ledger gives it beside its leads. */
  units?: readonly Unit[];
  /** The leads take fewer sets and mobility goes, so that no pattern stays out a second week. */
  lean?: boolean;
  /** The lead of a short session where it is another than the label's first; null leaves it. */
  shortLead?: LedgerPattern | null;
  /** Why it has one lead, however many minutes there are; null where they decide. */
  oneLead?: Why | null;
  /** Its leading lifts with their sets; of all sessions together, and sets beside them (rule work.lost). */
  leads?: Leads;
  weekLeads?: number;
  weekUnits?: number;
  /** Share of the hard sets that stays. */
  setFactor: number;
  /** Least and most hard sets of the four primary patterns in this session; null is free. */
  primaryRange: { least: number; most: number } | null;
  /** Stress at which assistance gives way; null is free. */
  stressCap: number | null;
  loadFor: (q: LoadQuestion) => LoadAnswer;
  /** Where an exercise stands on the block's line; the first point where nothing is said. */
  placeFor: (exercise: string) => LinePlaceOf;
  /** Step of slower work without load that an exercise stands at, from 0. */
  slowerFor: (exercise: string) => number;
  /** Why nothing heavy can be done with what the place has for it; null where it can. */
  tooLightFor: (exercise: Exercise, loading: LoadKind) => Why | null;
  /** What filled this label's slots on this day at this place before, whole and halved: minutes and cuts come after. */
  filled?: { whole?: Filled; short?: Filled };
  /** The same of another filling on this day at this place, which may begin alike. */
  before?: { whole?: Filled; short?: Filled } | undefined;
}

export interface Item {
  pair: string;
  exercise: Exercise;
  loading: LoadKind;
  main: boolean;
  /** The finding that asked for it, null where none did. */
  added: string | null;
  /** The slot it fills. */
  slot: Slot;
  /** How it is done, where coaches differ; null where there is nothing to choose. */
  style: string | null;
  /** The side that begins, where the screening found one weaker. */
  firstSide: "left" | "right" | null;
  /** The side that takes a set more; null where the sides are even enough. */
  extraSide: "left" | "right" | null;
  sets: number;
  repsLow: number | null;
  reps: number | null;
  /** Top of the range, at which work without load takes its next step; null where load is what goes up. */
  repsMost: number | null;
  seconds: number | null;
  eachSide: boolean;
  loadKg: number | null;
  perSideKg: number[];
  barKg: number | null;
  /** What of a household makes the load; null where it is none of it. */
  household: Household | null;
  percent1rm: number | null;
  rir: number;
  /** In reserve as the dose asks for it, before what its load really leaves. */
  rirAsked: number;
  /** What was aimed at, before the room's steps; null for work without load. */
  aim: LoadAim | null;
  /** Its point on the block's line, from 0, and how many there are; null outside of blocks. */
  line: { point: number; of: number } | null;
  restSeconds: number;
  /** Lowering-pause-lifting in seconds. */
  tempo: string;
  /** Slower than its own tempo, because nothing heavier is at hand; null where it is not. */
  slow: SlowWork | null;
  /** Sets that find the load on the floor; empty where it is known. */
  ramp: RampSet[];
  decision: ItemDecision | null;
  /** The coach's words on it. */
  note: string | null;
  why: Why[];
}

export interface SlowWork {
  /** Step of slower work, from 0. */
  step: number;
  /** One and a half repetitions in one. */
  half: boolean;
  /** Slow strength: it stands in for maximal work. */
  strength: boolean;
  /** New slow lowering: placed like heavy work. */
  isNew: boolean;
}

export interface Dropped {
  exercise: string;
  why: string;
}

/** What safety took out of a primary pattern, and what stands in its place. */
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

/** Slots with their exercises, before minutes and cuts. */
export interface Filled {
  items: readonly Item[];
  dropped: readonly Dropped[];
  left: readonly LeftOut[];
  /** The same exercise with another number of sets, its reasons with it; none where it was made by hand. */
  again?: ReadonlyMap<Exercise, (sets: number, reserve?: number) => Item> | undefined;
  /** Slot by slot; none where it was made by hand. */
  slots?: readonly FilledSlot[] | undefined;
}

/** A slot with what stands in it; nothing where no exercise is open, or it stands already. */
export interface FilledSlot {
  slot: Slot;
  item: Item | null;
  again: ((sets: number, reserve?: number) => Item) | null;
  left: readonly LeftOut[];
  dropped: Dropped | null;
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
  /** Maximal work that nothing here could load: slow strength. */
  slow: boolean;
  /** Slow lowering that is new stands here: placed like heavy work. */
  newlySlow: boolean;
  /** Planned session RPE x minutes, AU. */
  stress: number;
  rpe: number;
  /** What the week loses by having it here: leads without load or time, 1 for all the loaded lead work of a maximal week (rule work.lost). */
  lostShare: number;
  /** The same in words. */
  lostWords: string;
  /** Made by hand. */
  byHand: boolean;
  /** Fewer hard sets than a race-phase week is to keep: the window has no time for them. */
  belowMinimumHold: boolean;
  why: Why[];
}
