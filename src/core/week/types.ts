import type { EnduranceSession, Label } from "../athlete";
import type { IsoDate } from "../dates";
import type { LegLoadEvent, LegPart } from "../legs";
import type { CostRule, WeekNumbers } from "./numbers";

/** One way to place one session: what it would be on that day, in that window, at that hour. */
export interface Option {
  label: Label;
  date: IsoDate;
  /** Day number, and minutes after midnight. */
  day: number;
  start: number;
  minutes: number;
  place: string;
  lowerLoaded: boolean;
  heavy: boolean;
  /** Nothing but mobility: free of the spacing rules. */
  mobility: boolean;
  stress: number;
  /** What it puts on the legs. */
  legs: readonly LegPart[];
  /** It holds jumps by hand, which must not stand on tired legs (M7). */
  jumps: boolean;
  /** It holds planned jumps: they go where M7 would keep them out. */
  mayJump: boolean;
  /** What the week loses by having it here, from 0; 1 for all the loaded lead work of a maximal week (rule work.lost), and in words. */
  lostShare: number;
  lostWords: string;
  /** Fewer hard sets than a race-phase week is to keep: the window has no time for them. */
  belowMinimumHold: boolean;
  /** Races whose softer spacing a heavy session here breaks. */
  softRaces: readonly string[];
  locked: boolean;
}

/** A strength session that stands already: lifted, or placed in an earlier week. */
export type ExistingSession = Pick<Option, "day" | "start" | "minutes" | "lowerLoaded" | "heavy" | "stress">;

export interface Demand {
  label: Label;
  options: Option[];
  /** What to say when there is no option at all. */
  none: string;
}

export interface WeekContext {
  /** Day number of the Monday. */
  monday: number;
  /** Endurance of the week and two days either side. */
  endurance: readonly EnduranceSession[];
  existing: readonly ExistingSession[];
  placement: "stack" | "spread";
  weights: Readonly<Partial<Record<CostRule, number>>>;
  /** Hours that the rules hold to. */
  numbers: WeekNumbers;
  /** The week has a key session at all. */
  hasKey: boolean;
  /** Days that hold a key session. */
  keyDays: ReadonlySet<number>;
  /** Weekdays the coach prefers, Monday 1; empty where any will do. */
  preferredDays: ReadonlySet<number>;
  /** Weekday on which each session stood last week, Monday 1. */
  lastDays: ReadonlyMap<Label, number>;
  /** Minutes of training on one day that the athlete has at most; null is no limit. */
  dailyMinutes: number | null;
  /** Strength sessions that the week is to hold, for even spacing. */
  perWeek: number;
  legs: LegContext;
}

/** What the legs carry whatever the fit does. */
export interface LegContext {
  /** Endurance, and strength that stands already; of the days before too. */
  legEvents: readonly LegLoadEvent[];
  /** Mean daily leg load of the 28 days before the week, AU. */
  meanDaily: number;
}

export interface Cost {
  rule: CostRule;
  points: number;
  text: string;
}

export interface Placed {
  label: Label;
  date: IsoDate;
  start: number;
  place: string;
}

export interface Alternative {
  cost: number;
  sessions: Placed[];
}

export interface Unplaced {
  label: Label;
  why: string;
}

export interface FitResult {
  placed: Option[];
  unplaced: Unplaced[];
  cost: number;
  costs: Cost[];
  /** Complete placements that were compared. */
  weighed: number;
  alternatives: Alternative[];
  /** How many complete placements cost how much: [points, count], rising. Empty where most were ruled out without being walked. */
  histogram: [number, number][];
}
