/** One week: what stands in it, what could, and the points of its rules. */
import type {
  Away,
  Emphasis,
  EndurancePlan,
  EnduranceSession,
  LockedSession,
  Phase,
  SessionKind,
  SessionSport,
  WeekChange,
} from "../core/athlete";
import type { Known } from "../core/endurance";
import type { LedgerPattern } from "../core/ledger";
import type { EnduranceWarning } from "../core/mileage";
import type { Why } from "../core/rulebook";
import type { BlockWeek } from "../core/season";
import type { Alternative, Cost, Placed, Unplaced } from "../core/week";
import type { RaceFlag, WeekAmountView, WeekSession } from "./seasonViews";

export interface EnduranceView extends EnduranceSession {
  id: string;
  load: number;
  isKey: boolean;
  startMinutes: number;
  assumed: string[];
  /** Distance on the flat that costs as much, on foot in hills; null elsewhere. */
  flatKm: number | null;
  /** What it weighs, figure by figure. */
  weighs: Why[];
}

export interface PlannedSessionView extends WeekSession {
  place: string;
  warning: string | null;
}

/** A pattern's account of one week, in sets. */
export interface LedgerRowView {
  pattern: LedgerPattern;
  name: string;
  /** To a tenth of a set. */
  owed: number;
  planned: number;
  done: number;
  why: Why[];
}

export interface WeekView {
  /** What the week owes each pattern; empty in weeks that restore and in weeks that are past. */
  ledger: LedgerRowView[];
  id: string;
  today: string;
  monday: string;
  isoWeek: number;
  phase: Phase;
  emphasis: Emphasis;
  phaseWeek: number;
  phaseWeeks: number;
  stepBack: boolean;
  block: BlockWeek | null;
  /** The days before it, for the carry-over column: Sunday before. */
  endurance: EnduranceView[];
  /** How much of its endurance is planned or recorded, and what stands in for the rest. */
  known: Known;
  standsIn: { date: string; start: number; sport: SessionSport; kind: SessionKind; minutes: number }[];
  sessions: PlannedSessionView[];
  dayLimits: number[];
  loadLimit: number;
  dayPhases: Phase[];
  windows: { date: string; start: number; minutes: number; place: string }[];
  fit: {
    cost: number;
    weighed: number;
    costs: Cost[];
    alternatives: Alternative[];
    histogram: [number, number][];
    unplaced: Unplaced[];
    freeRules: number;
  };
  /** The coach has taken a fit of this week over. */
  held: LockedSession[] | null;
  /** The least-cost placement differs from what is held. */
  stale: boolean;
  races: RaceFlag[];
  /** Leg freshness: [minutes from Monday, 0 to 100]. */
  freshness: { curve: [number, number][]; meanDaily: number; tired: number };
  /** What the coach changed of this week. */
  changes: WeekChange[];
  away: Away[];
  places: string[];
  why: Why[];
  editable: boolean;
  /** The endurance plan, what it gives this week, and the amount of the last planned week before it. */
  mileage: {
    plan: EndurancePlan | null;
    amount: WeekAmountView | null;
    before: number | null;
    warnings: EnduranceWarning[];
  };
}

/** What undo and redo would act on next. */
export interface EditsView {
  undo: { what: string; at: string } | null;
  redo: { what: string; at: string } | null;
}

/** What was changed of an athlete, newest first. `at` is an instant, ISO 8601. */
export type HistoryView = { seq: number; what: string; at: string; undone: boolean }[];

/** A change that makes room for a session, and how the web makes it. */
export interface RoomView {
  text: string;
  cost: number;
  placed: Placed;
  fix: { kind: "change"; change: WeekChange } | { kind: "endurance"; row: string; date: string; start: string };
}

/** Points of the rules: as they ship, as the coach has set them for all, as they are set for one athlete. */
export interface RuleWeightsView {
  shipped: Record<string, number>;
  club: Record<string, number>;
  athlete: Record<string, number>;
  preferredDays: number[];
  maxMinutesPerDay: number | null;
}
