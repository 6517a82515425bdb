/** Where and when: places, free time slots, days away, what came between, races, phases, endurance. */
import type { ClockTime, IsoDate } from "../dates";
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
