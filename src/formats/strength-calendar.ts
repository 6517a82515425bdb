/** Strength sessions as an iCalendar file or feed (RFC 5545): stable UIDs, the athlete's time zone, lines folded at 75 octets. */
import ICAL from "ical.js";
import { addDays, type ClockTime, type IsoDate, MINUTES_A_DAY, minutesOf, timeOf } from "../core/dates";
import { vtimezone } from "./vtimezone";
import { isZone } from "./zone";

export interface CalendarSession {
  date: IsoDate;
  start: ClockTime;
  minutes: number;
  label: string;
  title: string;
  place: string;
  /** Lines of the description. */
  lines: readonly string[];
}

export interface StrengthCalendar {
  /** Stays the same for one athlete; part of every UID. */
  athleteId: string;
  name: string;
  zone: string;
  sessions: readonly CalendarSession[];
  /** Instant of the facts behind it, ISO 8601 in UTC. */
  stamp: string;
  /** Rises with every change of the facts. */
  revision: number;
}

/** One UID a week and label: a session that is fitted anew on another day moves in the athlete's calendar, and is not doubled. */
export const uidOf = (athleteId: string, monday: IsoDate, label: string): string =>
  `${athleteId}-${monday}-${label.toLowerCase()}@field-anchor`;

/** @returns the calendar's text, lines ended by CR LF */
export function writeStrengthCalendar(c: StrengthCalendar, mondayOf: (date: IsoDate) => IsoDate): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", "-//Field Anchor//Strength sessions//EN");
  calendar.addPropertyWithValue("calscale", "GREGORIAN");
  calendar.addPropertyWithValue("method", "PUBLISH");
  // Of a property it does not know the library writes the value as it is, line breaks and all.
  calendar.addPropertyWithValue("x-wr-calname", `${c.name.replace(/[\p{Cc}\u2028\u2029]+/gu, " ")}: strength`);
  const zone = isZone(c.zone) && c.zone !== "UTC" ? c.zone : null;
  const dates = c.sessions.map((s) => s.date).sort();
  const [first, last] = [dates[0], dates.at(-1)];
  if (zone && first && last) calendar.addSubcomponent(vtimezone(zone, addDays(first, -1), addDays(last, 2)));
  for (const s of c.sessions) {
    const event = new ICAL.Component("vevent");
    event.addPropertyWithValue("uid", uidOf(c.athleteId, mondayOf(s.date), s.label));
    event.addPropertyWithValue("dtstamp", ICAL.Time.fromDateTimeString(`${c.stamp.slice(0, 19)}Z`));
    event.addPropertyWithValue("sequence", c.revision);
    const end = minutesOf(s.start) + s.minutes;
    moment(event, "dtstart", s.date, s.start, zone);
    moment(event, "dtend", addDays(s.date, Math.floor(end / MINUTES_A_DAY)), timeOf(end % MINUTES_A_DAY), zone);
    event.addPropertyWithValue("summary", s.title);
    event.addPropertyWithValue("location", s.place);
    if (s.lines.length > 0) event.addPropertyWithValue("description", s.lines.join("\n"));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

function moment(event: ICAL.Component, name: string, date: IsoDate, time: ClockTime, zone: string | null): void {
  const property = new ICAL.Property(name);
  property.setValue(ICAL.Time.fromDateTimeString(`${date}T${time}:00${zone ? "" : "Z"}`));
  if (zone) property.setParameter("tzid", zone);
  event.addProperty(property);
}
