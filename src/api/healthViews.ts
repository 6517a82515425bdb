/** What the interface answers about an athlete's health: trouble areas with their way back. */

import type { Area, Athlete, PathwayStage, PathwayStep, SessionKind, SessionSport, TroubleArea } from "../core/athlete";
import type { Why } from "../core/rulebook";

export interface HealthAreaView {
  area: Area;
  side: TroubleArea["side"];
  name: string;
  status: TroubleArea["status"];
  since: string | null;
  /** Null where it is over. */
  way: WayBackView | null;
  /** Confirmed by the coach, oldest first. */
  steps: PathwayStep[];
  /** Day by day, oldest first, 0 to 10. */
  pain: { date: string; pain: number; nextDay: number | null }[];
}

export interface WayBackView {
  stage: PathwayStage;
  /** First day of the stage. */
  since: string;
  begun: boolean;
  /** Why it stands lower than it was confirmed. */
  lowered: string | null;
  /** Confirmed to be back, and watched. */
  watchedUntil: string | null;
  /** Days so far, and at least. */
  days: number;
  least: number;
  next: PathwayStage | null;
  missing: string[];
  ready: boolean;
  overdue: boolean;
  /** What is open, what opens next, what to watch. */
  says: string;
  opens: string;
  watch: string;
  clinician: boolean;
  /** What stands in each session. */
  work: string[];
  /** What the plan leaves out, and what it keeps without load, by name. */
  closed: string[];
  bare: string[];
}

/** What stands in the days of an absence, before it is entered. */
export interface AwayPreview {
  endurance: {
    row: string;
    date: string;
    sport: SessionSport;
    kind: SessionKind;
    minutes: number;
  }[];
  /** The first endurance week after it; null where no plan says its amount. */
  week: { monday: string; amount: number; unit: "km" | "minutes" } | null;
  /** Percent that is suggested for it after an illness. */
  lighterPct: number;
  places: string[];
}

/** One thing of a day's homework. */
export interface HomeworkItemView {
  item: string;
  name: string;
  /** "3 x 15 a side" */
  dose: string;
  cue: string;
  why: Why;
  done: boolean;
}

export interface HomeworkDayView {
  date: string;
  items: HomeworkItemView[];
  minutes: number;
  /** What the day's minutes do not hold. */
  left: { name: string; why: Why }[];
  /** It can be ticked: today, or not long ago. */
  open: boolean;
}

/** The week's homework, Monday first. */
export interface HomeworkView {
  id: string;
  name: string;
  today: string;
  days: HomeworkDayView[];
}

export interface AthleteHealthView {
  id: string;
  name: string;
  today: string;
  clearance: Athlete["health"]["clearance"] | null;
  /** Why nothing but restore and mobility stands. */
  restricted: string | null;
  areas: HealthAreaView[];
  stages: { stage: PathwayStage; says: string; least: number | null }[];
}
