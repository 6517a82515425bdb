/** The athlete as the core knows them: the plain value behind an athlete file (see docs/formats). Always metric, local dates. */
import type { ClockTime, IsoDate } from "../dates";
import type { RuleValues } from "../rulebook";
import type { Approach } from "./approach";

export { APPROACHES, type ApproachId, EMPHASES, type Emphasis } from "./approach";

export const SPORTS = ["run", "triathlon", "ride", "row", "hike"] as const;
export type Sport = (typeof SPORTS)[number];
export const SESSION_SPORTS = [...SPORTS, "swim", "other"] as const;
export type SessionSport = (typeof SESSION_SPORTS)[number];
export const SESSION_KINDS = [
  "easy",
  "long",
  "steady",
  "tempo",
  "threshold",
  "intervals",
  "race",
  "technique",
  "other",
] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];
export const PHASES = ["base", "build", "race", "recovery"] as const;
export type Phase = (typeof PHASES)[number];
export const PRIORITIES = ["A", "B", "C"] as const;
export type Priority = (typeof PRIORITIES)[number];
/** A to D are fitted into the week; E to K are the routines that follow the runs of Monday to Sunday. */
export const LABELS = ["A", "B", "C", "D", "E", "F", "G", "H", "I", "J", "K"] as const;
export type Label = (typeof LABELS)[number];
export const FITTED_LABELS = ["A", "B", "C", "D"] as const satisfies readonly Label[];
/** The routine of a weekday, Monday 1. */
export const routineLabel = (weekday: number): Label => LABELS[3 + weekday] ?? "K";
export const isRoutine = (label: Label): boolean => LABELS.indexOf(label) >= FITTED_LABELS.length;
export const AREAS = [
  "knee-front",
  "knee-outside",
  "low-back",
  "achilles",
  "calf",
  "shin",
  "foot",
  "hamstring",
  "groin",
  "hip-flexor",
  "hip",
  "shoulder",
  "bone-stress",
] as const;
export type Area = (typeof AREAS)[number];
export const SCREEN_TESTS = [
  "dowel-hinge",
  "wall-squat",
  "wall-squat-overhead",
  "single-leg-squat",
  "step-down",
  "side-hold",
  "calf-raise",
  "single-leg-bridge",
  "knee-to-wall",
  "march-hold",
  "front-plank",
] as const;
export type ScreenTest = (typeof SCREEN_TESTS)[number];
export const SEEN = [
  "hip-drop",
  "crossover",
  "pelvis-tilt",
  "knee-in",
  "hip-flexor-fatigue",
  "rounded-catch",
  "rocking-pelvis",
] as const;
export type Seen = (typeof SEEN)[number];

/** What may set trouble off again, in the words that the planner looks for. */
export const SET_OFF = [
  "weekly distance",
  "double days",
  "added speed",
  "new stiff shoes",
  "new high-rebound shoes",
] as const;

/** Limits that a clearance may set and the planner keeps. */
export const CLEARANCE_RULES = ["moderate-effort", "no-supine", "no-impact"] as const;
export type ClearanceRule = (typeof CLEARANCE_RULES)[number];

export const ONE_REP_MAX_FORMULAS = [
  "default",
  "epley",
  "brzycki",
  "lombardi",
  "mayhew",
  "wathan",
  "oconner",
  "lander",
  /** The published percent table instead of a formula. */
  "nsca",
] as const;
export type OneRepMaxFormula = (typeof ONE_REP_MAX_FORMULAS)[number];
export const BAR_KINDS = ["straight", "trap", "safety"] as const;
export type BarKind = (typeof BAR_KINDS)[number];
export const AWAY_KINDS = ["travel", "illness", "holiday", "heat", "height"] as const;
export const SIDES = ["left", "right", "both"] as const;
export type Side = (typeof SIDES)[number];
export const FELT = ["hamstrings", "glutes", "quads", "calves", "trunk", "low-back"] as const;

export interface AthleteFacts {
  name: string;
  sport: Sport;
  birthYear: number;
  sex?: "female" | "male" | "unspecified";
  bodyMassKg: number;
  strengthTrainingMonths: number;
  massUnit?: "kg" | "lb";
  distanceUnit?: "km" | "mi";
  timeZone?: string;
  restingHeartRate?: number;
  maxHeartRate?: number;
}

export interface Settings {
  /** A shipped approach, or the id of one of the coach's copies ("own-..."). */
  approach?: string;
  approachByPhase?: Partial<Record<Phase, string>>;
  /** Rules of the phases that are switched off for this athlete, by id (see SWITCHES). */
  rulesOff?: string[];
  placement?: "stack" | "spread";
  maxMinutesPerDay?: number;
  squatDepth?: "45" | "90" | "thigh-level" | "full";
  splitSquatStyle?: "upright" | "lean" | "knee-forward";
  singleLegLoad?: "opposite" | "same";
  strictPain?: boolean;
  quietExercises?: boolean;
  oneRepMax?: OneRepMaxFormula;
  ruleWeights?: Record<string, number>;
  /** The coach's own numbers of rules, by rule and parameter (see rulebook). */
  ruleValues?: RuleValues;
  /** Weekdays on which the coach would have strength work, Monday 1. */
  preferredDays?: number[];
  /** A block of deliberate weight loss: nothing maximal stands in it. */
  weightLoss?: { start: IsoDate; end: IsoDate };
  /** While time is short every session is the five exercises that matter most. */
  shortTime?: "essential-five" | "essential-five-swim";
}

export interface TroubleArea {
  area: Area;
  side: Side;
  status: "current" | "recent" | "past";
  since?: IsoDate;
  setOffBy?: string;
}

export interface Health {
  clearanceNeeded: boolean;
  clearance?: { date: IsoDate; by: string; limits: string; rules?: ClearanceRule[] };
  areas: TroubleArea[];
}

export interface Place {
  id: string;
  bars: { id: string; kind: BarKind; massKg: number }[];
  plates: { massKg: number; pairs: number }[];
  dumbbellsKg: { massKg: number; count: number }[];
  kettlebellsKg: { massKg: number; count: number }[];
  bands: string[];
  boxesCm: number[];
  machines: { kind: string; fromKg: number; toKg: number; stepKg: number }[];
  other: string[];
}

/** A weekly window in which strength work may stand. day 1 = Monday. */
export interface Window {
  day: number;
  start: ClockTime;
  minutes: number;
  place: string;
}

export interface Away {
  start: IsoDate;
  end: IsoDate;
  kind: (typeof AWAY_KINDS)[number];
  place?: string;
  /** Hours on the way, and time zones crossed, of travel. */
  hours?: number;
  zones?: number;
}

/** What the coach changed of a week or of some days, beside the weekly pattern. `week` is a Monday. */
export type WeekChange =
  | { kind: "skip"; week: IsoDate; label: Label; reason: string }
  | { kind: "shorten"; week: IsoDate; label: Label; minutes: number }
  | { kind: "missed"; date: IsoDate; label: Label }
  /** A place that is closed for a while; its windows are at another place, or gone. */
  | { kind: "closed"; place: string; start: IsoDate; end: IsoDate; instead?: string }
  /** A window of that day alone; it takes the place of those it overlaps. */
  | { kind: "window"; date: IsoDate; start: ClockTime; minutes: number; place: string };

export interface LockedSession {
  date: IsoDate;
  start: ClockTime;
  place: string;
  label: Label;
}

export interface Race {
  id: string;
  date: IsoDate;
  start?: ClockTime;
  days?: number;
  rounds?: number;
  name: string;
  sport: SessionSport;
  distanceKm?: number;
  ascentM?: number;
  expectedMinutes?: number;
  priority: Priority;
}

export interface PhaseSpan {
  phase: Phase;
  start: IsoDate;
  end: IsoDate;
}

export interface EnduranceSession {
  date: IsoDate;
  start?: ClockTime;
  sport: SessionSport;
  kind: SessionKind;
  minutes: number;
  distanceKm?: number;
  ascentM?: number;
  descentM?: number;
  packKg?: number;
  rpe?: number;
  key?: boolean;
  done?: boolean;
  averageHeartRate?: number;
  /** What was planned, of a session that is done. */
  planned?: PlannedEndurance;
  /** Where a record came from and its name there, such as "feed:a1b2"; tells a later edit from a new session. */
  source?: string;
  /** Stands in where nothing is planned (see endurance/assumed); never stored. */
  standsIn?: true;
}

export interface PlannedEndurance {
  date: IsoDate;
  kind: SessionKind;
  minutes: number;
  distanceKm?: number;
  ascentM?: number;
  rpe?: number;
}

export interface LoggedSet {
  reps?: number;
  seconds?: number;
  loadKg?: number;
  rir?: number;
  side: Side;
  clean?: number;
  /** When it was logged, ISO 8601 with milliseconds; tells two equal sets apart. */
  at?: string;
}

export interface Prescribed {
  sets: number;
  reps?: number;
  repsLow?: number;
  seconds?: number;
  rir?: number;
  loadKg?: number;
}

export interface LoggedItem {
  exercise: string;
  prescribed?: Prescribed;
  sets: LoggedSet[];
  pain?: number;
  nextDayPain?: number;
  felt?: (typeof FELT)[number];
}

export interface StrengthLog {
  date: IsoDate;
  start?: ClockTime;
  minutes?: number;
  rpe?: number;
  label: Label;
  items: LoggedItem[];
}

export interface Screening {
  test: ScreenTest;
  date: IsoDate;
  left?: number;
  right?: number;
  value?: number;
}

/** One exercise of a session made by hand. What is left out is worked out as for any other session. */
export interface EditItem {
  exercise: string;
  /** Items of the same number stand in one pair or trio. */
  group: number;
  sets: number;
  repsLow?: number;
  reps?: number;
  seconds?: number;
  rir?: number;
  restSeconds?: number;
  /** Set by hand; otherwise the load rules say. */
  loadKg?: number;
  note?: string;
}

/** A session of a week as the coach made it; it stays so wherever in the week it stands. */
export interface SessionEdit {
  week: IsoDate;
  label: Label;
  items: EditItem[];
  note?: string;
}

export const DECISIONS = [
  "up-load",
  "up-reps",
  "up-seconds",
  "up-sets",
  "next-rung",
  "slower",
  "same",
  "fewer-reps",
  "down-load",
  "back-rung",
  "stop",
] as const;
export type DecisionKind = (typeof DECISIONS)[number];

/** What the coach decided after a log instead of the rules; it holds until the exercise is logged again. */
export interface Overrule {
  /** Day of the log that was decided on. */
  date: IsoDate;
  exercise: string;
  kind: DecisionKind;
  loadKg?: number;
  reps?: number;
  seconds?: number;
  sets?: number;
  reason?: string;
}

/** The whole athlete, as in an athlete file version 1. */
export interface Athlete {
  format: "field-anchor/athlete";
  version: 1;
  athlete: AthleteFacts;
  settings?: Settings;
  season: { start: IsoDate; end: IsoDate };
  health: Health;
  places: Place[];
  availability: Window[];
  away: Away[];
  changes?: WeekChange[];
  locked?: LockedSession[];
  screening: Screening[];
  seen: { what: Seen; date: IsoDate; side?: Side }[];
  races: Race[];
  phases?: PhaseSpan[];
  /** Phases of weeks that are past, as they were before a race or a boundary was changed later. */
  pastPhases?: PhaseSpan[];
  endurance: EnduranceSession[];
  strengthLog: StrengthLog[];
  rungs?: { ladder: string; exercise: string }[];
  /** The coach's copies of approaches that the settings name. */
  approaches?: Approach[];
  /** Sessions made by hand. */
  edits?: SessionEdit[];
  /** Decisions of the coach against the progress rules. */
  overrules?: Overrule[];
}
