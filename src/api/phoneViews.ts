/** What a phone is told, and what its coach sees of it. */
import type { CheckIn, Emphasis, Label, SessionKind, SessionSport } from "../core/athlete";
import type { IsoDate } from "../core/dates";
import type { DeviceView } from "./accountViews";
import type { AthleteHealthView, HealthAreaView } from "./healthViews";
import type { PlanningView } from "./recordViews";
import type { Band } from "./seasonViews";

/** The session, and the exercise of it, that something is about. */
export interface About {
  date: IsoDate;
  label: Label;
  exercise?: string | undefined;
}

export interface MessageView {
  id: string;
  /** An instant, ISO 8601, of the server's clock. */
  at: string;
  by: "athlete" | "coach";
  who: string;
  text: string;
  about: About | null;
}

/** A session as it was published. */
export interface PublishedSession {
  label: Label;
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  place: string;
  minutes: number;
  items: { exercise: string; name: string; sets: number; work: string; loadKg: number | null }[];
}

export interface PublishedWeekView {
  monday: IsoDate;
  at: string;
  note: string;
  sessions: PublishedSession[];
}

/** Everything a phone needs to go on without network: it plans from the facts by itself. */
export interface PhoneFacts {
  /** The server's clock, ISO 8601, and the club's day: a phone's own clock is not trusted. */
  at: string;
  today: IsoDate;
  club: string;
  /** Stands for all of this: a phone that names it is told nothing where nothing has changed. */
  tag: string;
  planning: PlanningView;
  published: PublishedWeekView[];
  messages: MessageView[];
}

/** What a coach sees of an athlete's phones. */
export interface PhoneView {
  name: string;
  phones: DeviceView[];
  /** Until when an invitation is open. */
  openUntil: string | null;
  /** This week and the three after it: published or not, and whether it has changed since. */
  weeks: { monday: IsoDate; sessions: number; published: { at: string; note: string } | null; changed: string[] }[];
  messages: MessageView[];
}

export interface InvitationView {
  code: string;
  until: string;
}

export const ARRIVAL_KINDS = [
  "log",
  "pain",
  "check-in",
  "moved",
  "left-out",
  "missed",
  "message",
  "trouble",
  "swap",
] as const;
export type ArrivalKind = (typeof ARRIVAL_KINDS)[number];

export interface ArrivalView {
  athlete: string;
  name: string;
  thing: string;
  at: string;
  kind: ArrivalKind;
  about: About | null;
  text: string;
  urgent: boolean;
}

export interface CameInView {
  today: IsoDate;
  arrivals: ArrivalView[];
  /** Put off until a later day. */
  later: (ArrivalView & { until: IsoDate })[];
}

/** Who read and who changed what of an athlete, the latest first. */
export type AccessLogView = {
  day: IsoDate;
  who: string;
  what: string;
  changed: boolean;
  times: number;
  lastAt: string;
}[];

/** A place of the week to which a session may be moved. */
export interface PhonePlace {
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  place: string;
  /** Points more than where it stands. */
  more: number;
  /** What makes it dearer; empty where nothing does. */
  because: string;
}

/** Where a session may go, and why other days are closed. */
export interface PhonePlaces {
  places: PhonePlace[];
  closed: { date: IsoDate; because: string }[];
}

/** How an exercise is done. */
export interface HowTo {
  setup: string[];
  cues: string[];
  mistakes: string[];
}

export interface PhoneSession {
  label: Label;
  date: IsoDate;
  start: number;
  place: string;
  minutes: number;
  emphasis: Emphasis;
  slow: boolean;
  stress: number;
  bands: Band[];
  /** What stands in it, the heaviest first to read: "Front squat 4 × 5 at 60 kg". */
  lines: string[];
  why: string;
  /** Logged to its end, or begun. */
  state: "planned" | "begun" | "done";
  /** What is different from what was published. */
  changed: string[];
  /** The coach has fixed it where it stands. */
  locked: boolean;
}

export interface PhoneRun {
  start: number;
  sport: SessionSport;
  kind: SessionKind;
  minutes: number;
  distanceKm: number | null;
  key: boolean;
  done: boolean;
}

export interface PhoneDay {
  date: IsoDate;
  endurance: PhoneRun[];
  sessions: PhoneSession[];
  race: string | null;
}

export interface PhoneWeek {
  monday: IsoDate;
  /** "Build, week 3 of 8" */
  phase: string;
  /** Given out by the coach; what is not is not shown. */
  published: { note: string; at: string } | null;
  days: PhoneDay[];
  /** Sessions that were published and do not stand any more. */
  gone: string[];
}

export interface PhoneLift {
  exercise: string;
  name: string;
  /** Latest first: the day, "3 × 5 @ 52.5", pain. */
  times: { date: IsoDate; text: string; pain: number | null }[];
}

/** What the phone's views show, made on the phone. */
export interface PhoneScreen {
  id: string;
  name: string;
  club: string;
  today: IsoDate;
  massUnit: "kg" | "lb";
  distanceUnit: "km" | "mi";
  race: { name: string; date: IsoDate; days: number } | null;
  weeks: PhoneWeek[];
  /** Said before today's session; null where nothing was. */
  checkIn: CheckIn | null;
  lifts: PhoneLift[];
  /** Left and right of the latest test of each. */
  sides: { test: string; date: IsoDate; left: number; right: number; unit: string }[];
  areas: HealthAreaView[];
  stages: AthleteHealthView["stages"];
  /** Free time of the week: "Tue 18:00, 90 min, club gym". */
  free: string[];
  /** Exercises of yesterday whose next morning was not told yet. */
  nextDay: { date: IsoDate; exercise: string; name: string }[];
}
