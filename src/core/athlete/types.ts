/** The athlete as the core knows them: the plain value behind an athlete file (see docs/formats). Always metric, local dates. */
import type { IsoDate } from "../dates";
import type { RuleValues } from "../rulebook";
import type { Approach } from "./approach";
import type { Area, ClearanceRule, OneRepMaxFormula, PathwayStage, Phase, Seen, Side, Sport } from "./kinds";
import type { CheckIn, HomeworkTick, Overrule, Screening, SessionEdit, StrengthLog } from "./record";
import type {
  Away,
  EndurancePlan,
  EnduranceSession,
  LockedSession,
  PhaseSpan,
  Place,
  Race,
  WeekChange,
  Window,
} from "./schedule";

export { APPROACHES, type ApproachId, buildsUp, EMPHASES, type Emphasis } from "./approach";
export * from "./kinds";
export * from "./record";
export * from "./schedule";

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
  /** Jumps by the gates, switched on where practice alone would close them, or off. Default: by-gate. */
  jumps?: "by-gate" | "on" | "off";
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

/** A stage that the coach confirmed; it holds from its date on. */
export interface PathwayStep {
  stage: PathwayStage;
  date: IsoDate;
  /** Who confirmed it. */
  by: string;
  /** A licensed practitioner who agreed; bone stress goes nowhere without one. */
  clinician?: string;
  limits?: string;
}

/** The way back of one trouble area: it begins at settle. */
export interface Pathway {
  area: Area;
  side: Side;
  since: IsoDate;
  steps: PathwayStep[];
}

export interface Health {
  clearanceNeeded: boolean;
  clearance?: { date: IsoDate; by: string; limits: string; rules?: ClearanceRule[] };
  areas: TroubleArea[];
  pathways?: Pathway[];
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
  /** Races of seasons that are over, with how they went. */
  pastRaces?: Race[];
  phases?: PhaseSpan[];
  /** Phases of weeks that are past, as they were before a race or a boundary was changed later. */
  pastPhases?: PhaseSpan[];
  endurance: EnduranceSession[];
  /** What of the endurance is planned by week; its sessions are made from it (see mileage). */
  endurancePlan?: EndurancePlan;
  /** Rows that leave a planned session out, set aside where the plan's sessions stand among the endurance (see mileage); never stored. */
  leftOut?: EnduranceSession[];
  strengthLog: StrengthLog[];
  rungs?: { ladder: string; exercise: string }[];
  /** The coach's copies of approaches that the settings name. */
  approaches?: Approach[];
  /** Sessions made by hand. */
  edits?: SessionEdit[];
  /** Decisions of the coach against the progress rules. */
  overrules?: Overrule[];
  /** One a day at most. */
  checkIns?: CheckIn[];
  /** What of the daily list was ticked. */
  homework?: HomeworkTick[];
}
