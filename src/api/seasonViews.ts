/** Squad, season and club calendar. */
import type {
  Away,
  Emphasis,
  EndurancePlan,
  Label,
  Phase,
  PhaseSpan,
  Priority,
  SessionSport,
  Sport,
} from "../core/athlete";
import type { IsoDate } from "../core/dates";
import type { Known } from "../core/endurance";
import type { LoadKind, Pattern } from "../core/exercise";
import type { AmountKind, EnduranceWarning } from "../core/mileage";
import type { RuleId, Why } from "../core/rulebook";
import type { BlockWeek, SeasonWarning } from "../core/season";
import type { Unplaced } from "../core/week";

/** Hard sets of one group of patterns. */
export interface Band {
  pattern: Pattern;
  sets: number;
}

/** A strength session of a week, lifted or planned. */
export interface WeekSession {
  label: Label;
  date: string;
  /** Minutes after midnight. */
  start: number;
  minutes: number;
  stress: number;
  bands: Band[];
  done: boolean;
  locked: boolean;
  heavy: boolean;
  /** Slow strength, for want of load. */
  slow: boolean;
}

export interface WeekColumn {
  start: string;
  isoWeek: number;
  phase: Phase;
  emphasis: Emphasis;
  stepBack: boolean;
  /** Its place among the loading weeks of its block; null where nothing is built up. */
  block: BlockWeek | null;
  /** Every endurance session of the week is in the past. */
  done: boolean;
  minutes: number;
  distanceKm: number;
  ascentM: number;
  load: number;
  distancePct: number | null;
  loadPct: number | null;
  loadLimit: number;
  sessions: WeekSession[];
}

export interface RaceFlag {
  id: string;
  name: string;
  date: string;
  days: number;
  priority: Priority;
  minutes: number;
  assumed: boolean;
}

/** When something needs the coach. */
export type Urgency = "today" | "week" | "soon";

export interface AttentionView {
  rule: RuleId;
  text: string;
  /** Higher needs the coach sooner. */
  weight: number;
  urgency: Urgency;
  /** Names the same point from day to day, whatever its figures are by then. */
  key: string;
  /** The coach has seen it and wants it back on this day; null where it stands. */
  seenUntil: IsoDate | null;
}

export interface SquadRow {
  id: string;
  name: string;
  sport: Sport;
  massUnit: "kg" | "lb";
  distanceUnit: "km" | "mi";
  phase: Phase | null;
  emphasis: Emphasis | null;
  phaseWeek: number;
  phaseWeeks: number;
  nextRace: RaceFlag | null;
  weeks: WeekColumn[];
  /** This week's Monday. */
  monday: string;
  today: { label: Label; start: number; minutes: number; place: string; done: boolean } | null;
  attention: AttentionView[];
  /** Tests whose last result is too old, the oldest first. */
  testsDue: { name: string; date: string }[];
}

export interface SquadView {
  today: string;
  rows: SquadRow[];
  /** Athletes whose rows tell the state before their last change: the new ones are being worked out. */
  behind: string[];
  /** Those whose rows tell it because the new ones could not be worked out. */
  failed: string[];
}

export interface DoseLine {
  pattern: Pattern;
  exercise: string;
  sets: number;
  reps: number | null;
  seconds: number | null;
  eachSide: boolean;
  loadKg: number | null;
  loading: LoadKind;
  percent1rm: number | null;
  rir: number;
  label: Label;
}

/** A week's leading lifts on the line of its block. */
export interface LineView {
  /** Of 1RM, whole; null without load. */
  percent: number | null;
  /** "4×5", "3×30 s"; null where there is none. */
  main: string | null;
  single: string | null;
  /** "40 s" of hops, "20 c" contacts of jumps. */
  jumps: string | null;
  /** Nothing may go up. */
  held: boolean;
  /** Lifted. */
  done: boolean;
}

export interface SeasonWeekView extends WeekColumn {
  line: LineView;
  /** Null where the days are even, or there is no load. */
  monotony: number | null;
  strain: number | null;
  shortMean: number;
  longMean: number;
  longestMinutes: number;
  longestBefore: number | null;
  dose: DoseLine[];
  why: Why[];
  unplaced: Unplaced[];
  phaseWeek: number;
  phaseWeeks: number;
  /** What was planned of its endurance, missed or done since; kilometres and minutes. */
  planned: { minutes: number; distanceKm: number; sessions: number };
  /** Monday to Sunday. */
  days: { minutes: number; distanceKm: number; load: number; done: boolean }[];
  /** By sport, most load first. */
  sports: { sport: SessionSport; minutes: number; distanceKm: number; load: number }[];
  /** Days away: travel, illness, holiday, heat, height. */
  away: string[];
  /** The coach's own words. */
  note: string;
  /** How much of its endurance is planned or recorded. */
  known: Known;
  /** Its amount by the endurance plan; null where the plan says nothing of it. */
  amount: WeekAmountView | null;
}

/** A week of the endurance plan, km or minutes. */
export interface WeekAmountView {
  kind: AmountKind;
  amount: number;
  /** What its sessions make in the end. */
  planned: number;
  why: Why[];
}

/** The endurance plan with what it is warned of. */
export interface EndurancePlanView {
  plan: EndurancePlan | null;
  warnings: EnduranceWarning[];
}

export interface SeasonView {
  id: string;
  today: string;
  season: { start: string; end: string };
  phases: { phase: Phase; start: string; end: string; fixed: boolean; why: string[] }[];
  races: RaceFlag[];
  weeks: SeasonWeekView[];
  warnings: SeasonWarning[];
  /** The endurance plan itself, and what it is warned of. */
  endurance: EndurancePlanView;
  /** From when there are jumps, or why there are none. */
  jumps: Why[];
}

export interface CalendarAthlete {
  id: string;
  name: string;
  sport: Sport;
  phases: PhaseSpan[];
  races: RaceFlag[];
  away: Away[];
  /** Days on which tests are due, the first of them first. */
  tests: { due: string; names: string[] }[];
}

export interface CoachAbsence {
  id: string;
  start: string;
  end: string;
  what: string;
}

/** All athletes' races and phases on one sheet. */
export interface CalendarView {
  today: string;
  athletes: CalendarAthlete[];
  absences: CoachAbsence[];
}
