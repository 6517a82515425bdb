/** What a phone is told, and what its coach sees of it. */
import type { Label } from "../core/athlete";
import type { IsoDate } from "../core/dates";
import type { PlanningView } from "./recordViews";

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
  planning: PlanningView;
  published: PublishedWeekView[];
  messages: MessageView[];
}

export interface PhoneDeviceView {
  id: string;
  device: string;
  madeAt: string;
  seenAt: string;
  /** The one that asks. */
  now: boolean;
}

/** What a coach sees of an athlete's phones. */
export interface PhoneView {
  name: string;
  phones: PhoneDeviceView[];
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
