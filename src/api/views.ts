/** What the HTTP interface answers: plain views, made by the server from the stored facts and the plan. */
import type {
  Athlete,
  Away,
  Emphasis,
  EnduranceSession,
  Label,
  LockedSession,
  Phase,
  PhaseSpan,
  Place,
  Priority,
  Race,
  SessionEdit,
  SessionKind,
  SessionSport,
  Sport,
  StrengthLog,
  WeekChange,
  Window,
} from "../core/athlete";
import type { Known } from "../core/endurance";
import type { LoadKind, Pattern } from "../core/exercise";
import type { Occupied } from "../core/gym";
import type { RuleId, RuleValues, Why } from "../core/rulebook";
import type { SeasonWarning } from "../core/season";
import type { Item, LeftOut, TimeParts } from "../core/session";
import type { Alternative, Cost, Placed, Unplaced } from "../core/week";

export interface ClubView {
  name: string;
  today: string;
  /** Machines of the network may ask, and nobody is asked who they are. */
  open?: boolean;
}

export interface HealthView {
  /** "not saving" where the disk takes no changes; `why` says so. */
  status: "ok" | "not saving";
  why: string | null;
  version: string;
  today: string;
  athletes: number;
  startedMsAgo: number;
}

export interface BackupView {
  name: string;
  /** ISO 8601. */
  made: string;
  kind: "daily" | "asked" | "before-migration" | "before-restore";
  bytes: number;
  athletes: number;
}

/** What is kept of the club, and whether it can be saved now. */
export interface ClubDataView {
  /** Newest first; each was read again and counted after it was written. */
  backups: BackupView[];
  /** Why the last backup failed; null where it is good. */
  fault: string | null;
  storage: { code: string; text: string; since: string } | null;
  folder: string;
}

export interface RestorePreviewView {
  made: string | null;
  kind: BackupView["kind"] | null;
  migration: string;
  athletes: { id: string; name: string; fate: "same" | "changed" | "comes back" | "goes" | "stays erased" }[];
}

export interface RestoreView {
  /** The copy of what stood here before. */
  safety: string | null;
  erasedAgain: number;
}

/** Receipt of an erasure. */
/** What came of an athlete file. */
export interface ImportedView {
  id: string;
  name: string;
  /** What was taken in and can not be used in full. */
  warnings: string[];
}

export interface ErasedView {
  erasedAt: string;
  /** Backups that still hold the athlete, with the last day each is kept. */
  backups: { name: string; lastDay: string }[];
}

/** A band of an anchor: hard sets of one group of patterns. */
export interface Band {
  pattern: Pattern;
  sets: number;
}

export interface AnchorView {
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
}

export interface WeekColumn {
  start: string;
  isoWeek: number;
  phase: Phase;
  emphasis: Emphasis;
  stepBack: boolean;
  /** Every endurance session of the week is in the past. */
  done: boolean;
  minutes: number;
  distanceKm: number;
  ascentM: number;
  load: number;
  distancePct: number | null;
  loadPct: number | null;
  loadLimit: number;
  anchors: AnchorView[];
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

export interface AttentionView {
  rule: RuleId;
  text: string;
  /** Higher needs the coach sooner. */
  weight: number;
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
}

export interface SquadView {
  today: string;
  rows: SquadRow[];
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

export interface SeasonWeekView extends WeekColumn {
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
}

export interface SeasonView {
  id: string;
  today: string;
  season: { start: string; end: string };
  phases: { phase: Phase; start: string; end: string; fixed: boolean; why: string[] }[];
  races: RaceFlag[];
  weeks: SeasonWeekView[];
  warnings: SeasonWarning[];
}

export interface CalendarAthlete {
  id: string;
  name: string;
  sport: Sport;
  phases: PhaseSpan[];
  races: RaceFlag[];
  away: Away[];
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

export interface PlannedSessionView extends AnchorView {
  place: string;
  warning: string | null;
}

export interface WeekView {
  id: string;
  today: string;
  monday: string;
  isoWeek: number;
  phase: Phase;
  emphasis: Emphasis;
  phaseWeek: number;
  phaseWeeks: number;
  stepBack: boolean;
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
}

export interface WarmUpView {
  exercise: string;
  reps: number;
  loadKg: number;
  perSideKg: number[];
}

export interface ItemView extends Omit<Item, "exercise" | "main" | "slot"> {
  exercise: string;
  name: string;
  pattern: Pattern;
  tempo: string;
  cue: string;
  felt: string;
  warmUp: WarmUpView[];
  /** Loads this place can make, kg. */
  loads: number[];
  last: { date: string; text: string } | null;
}

export interface SessionView {
  id: string;
  today: string;
  date: string;
  start: number;
  place: string;
  label: Label;
  emphasis: Emphasis;
  phase: Phase;
  minutes: number;
  windowMinutes: number;
  stress: number;
  rpe: number;
  locked: boolean;
  loadLimit: number;
  items: ItemView[];
  dropped: { exercise: string; name: string; why: string }[];
  /** What safety took out of the primary patterns, and what stands in its place. */
  left: LeftOut[];
  cautions: string[];
  /** Seconds by kind; null for a session of the past. */
  time: TimeParts | null;
  why: Why[];
  log: StrengthLog | null;
  /** The session as made by hand; null where the planner made it. */
  edit: SessionEdit | null;
}

/** A session as it would be by hand. */
export interface EditPreview {
  session: SessionView | null;
  /** What the coach should know before it is kept. */
  warnings: string[];
  fault: string | null;
}

export interface AthleteView {
  id: string;
  revision: number;
  facts: Athlete["athlete"];
  season: { start: string; end: string };
  places: Place[];
  windows: Window[];
  races: Race[];
  endurance: EnduranceView[];
  phases: PhaseSpan[];
  locked: LockedSession[];
  logged: { date: string; label: Label; minutes: number | null; sets: number }[];
  sessions: { date: string; label: Label }[];
}

export type * from "./doseViews";
export type * from "./intakeViews";
export type * from "./recordViews";

/** What undo and redo would act on next. */
export interface EditsView {
  undo: { what: string; at: string } | null;
  redo: { what: string; at: string } | null;
}

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

/** One athlete in the gym on a day, as planned and as fitted together with the others. */
export interface GymRow {
  id: string;
  name: string;
  label: Label;
  emphasis: Emphasis;
  minutes: number;
  locked: boolean;
  rack: { from: number; to: number; heavy: boolean } | null;
  /** What is lifted with a load, in order. */
  lifts: {
    name: string;
    sets: number;
    reps: number | null;
    seconds: number | null;
    loadKg: number | null;
    loading: LoadKind;
  }[];
  massUnit: "kg" | "lb";
  now: { start: number; rack: number | null };
  /** Null where no hour is left. */
  next: { date: string; start: number; place: string; rack: number | null } | null;
  /** Points that the athlete's week costs more by it; null where no hour is left. */
  change: number | null;
}

export interface GymView {
  today: string;
  date: string;
  place: string;
  gyms: { place: string; athletes: number }[];
  limits: { racks: number; athletes: number };
  rows: GymRow[];
  before: Occupied[];
  after: Occupied[];
  /** `togetherNow`: points of heavy sets at the same time, all at their planned hours. */
  fit: { cost: number; weeks: number; together: number; togetherNow: number; proven: boolean; steps: number };
}

/** The coach's own numbers of rules, and rules switched off, for all athletes. */
export interface RulesView {
  values: RuleValues;
  rulesOff: string[];
}

export interface SpokenView {
  times: number;
  /** Its first sentences, with the Monday of their week. */
  first: { text: string; week: string }[];
}

/** The same for one athlete, and where each rule spoke in the season's plan. */
export interface AthleteRulesView extends RulesView {
  spoken: Partial<Record<RuleId, SpokenView>>;
}
