/** Where and when: places, free time slots, days away, what came between, races, phases, endurance. */
import { type ClockTime, type IsoDate, mondayOf } from "../dates";
import type { AWAY_KINDS, BarKind, Label, Phase, Priority, SessionKind, SessionSport } from "./kinds";

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
  /** Height of a stair, cm. */
  stairsCm?: number;
  /** Masses as carried: empty, filled to the most, and what it is filled by. */
  rucksack?: { emptyKg: number; maxKg: number; stepKg: number };
  /** Each bottle as it is filled. */
  bottlesKg?: number[];
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

/** A change of a session's week takes the place of the one of its kind that was there. */
export const withChanges = (changes: readonly WeekChange[], added: readonly WeekChange[]): WeekChange[] => [
  ...changes.filter(
    (c) =>
      !added.some((n) => n.kind === c.kind && "week" in n && "week" in c && n.week === c.week && n.label === c.label),
  ),
  ...added,
];

/** A lock takes the place of the one that its session had in that week; they stand by day, then by label. */
export const withLock = (locked: readonly LockedSession[], lock: LockedSession): LockedSession[] =>
  [...locked.filter((l) => l.label !== lock.label || mondayOf(l.date) !== mondayOf(lock.date)), lock].sort((x, y) =>
    x.date < y.date ? -1 : x.date > y.date ? 1 : x.label < y.label ? -1 : 1,
  );

export interface LockedSession {
  date: IsoDate;
  start: ClockTime;
  place: string;
  label: Label;
}

export interface RaceResult {
  minutes?: number;
  place?: number;
  /** 1 poor to 5 very good. */
  felt?: number;
  note?: string;
  /** From a recording: minutes of each stretch of `km`, the last of which may be shorter. */
  splits?: { km: number; minutes: number[]; halves: [number, number] };
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
  /** How it went, once it was run. */
  result?: RaceResult;
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
  /** The session of the endurance plan that it stands in the place of: its week's Monday and its id, such as "2026-01-05/tue". */
  insteadOf?: string;
  /** The session of the plan that it names is left out. */
  cancelled?: true;
  /** Made by the endurance plan, with the Monday and the id of its session there (see mileage); never stored. */
  slot?: string;
  /** Where a record came from and its name there, such as "feed:a1b2"; tells a later edit from a new session. */
  source?: string;
  /** Stands in where nothing is planned (see endurance/assumed); never stored. */
  standsIn?: true;
}

/** A session of a usual week: a share of the week's amount, or minutes of its own. */
export interface UsualSession {
  id: string;
  /** Weekday, Monday 1. */
  day: number;
  start?: ClockTime;
  sport: SessionSport;
  kind: SessionKind;
  share?: number;
  minutes?: number;
  rpe?: number;
  key?: boolean;
  /** Metres up an hour. */
  ascentM?: number;
  packKg?: number;
}

/** What an ordinary week looks like, of one phase or of all that have none of their own. */
export interface UsualWeekPlan {
  phase: Phase | null;
  sessions: UsualSession[];
}

/** How weekly amounts are drawn: from a first week on, rising to a top, with easier weeks. */
export interface AmountRule {
  /** A Monday. */
  from: IsoDate;
  start: number;
  top: number;
  /** Percent a loading week. */
  risePct: number;
  /** Every so many weeks one steps back; 0 for never. */
  stepBackEvery: number;
  /** Share of the last loading week. */
  stepBackTo: number;
  /** Less before A races, and a way back after them. */
  taper: boolean;
  restart: boolean;
}

/** The endurance plan: a usual week and a number for each week. */
export interface EndurancePlan {
  unit: "km" | "minutes";
  usualWeeks: UsualWeekPlan[];
  /** Amounts that were typed, by Monday; they go before the rule. */
  weeks: { week: IsoDate; amount: number }[];
  rule?: AmountRule;
}

export interface PlannedEndurance {
  date: IsoDate;
  kind: SessionKind;
  minutes: number;
  distanceKm?: number;
  ascentM?: number;
  rpe?: number;
}
