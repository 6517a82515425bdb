/** VTIMEZONE components (RFC 5545, 3.6.5) from the platform's time zone data. */
import ICAL from "ical.js";
import { dayNumber, type IsoDate } from "../core/dates";
import { offsetMinutes } from "./zone";

const DAY = 86_400_000;

/** "+0130" */
function offsetText(minutes: number): string {
  const m = Math.abs(minutes);
  return `${minutes < 0 ? "-" : "+"}${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
}

export interface Transition {
  /** First instant of the new offset, ms since 1970. */
  at: number;
  before: number;
  after: number;
}

/** Changes of a zone's offset between two dates, found by halving to the minute. */
export function transitions(zone: string, from: IsoDate, to: IsoDate): Transition[] {
  const out: Transition[] = [];
  const end = (dayNumber(to) + 1) * DAY;
  for (let day = dayNumber(from) * DAY; day < end; day += DAY) {
    const before = offsetMinutes(zone, day);
    const after = offsetMinutes(zone, day + DAY);
    if (before === after) continue;
    let [lo, hi] = [day, day + DAY];
    while (hi - lo > 60_000) {
      const middle = lo + Math.floor((hi - lo) / 120_000) * 60_000;
      if (offsetMinutes(zone, middle) === before) lo = middle;
      else hi = middle;
    }
    out.push({ at: hi, before, after });
  }
  return out;
}

function observance(name: "standard" | "daylight", wall: string, from: number, to: number): ICAL.Component {
  const part = new ICAL.Component(name);
  part.addPropertyWithValue("dtstart", ICAL.Time.fromDateTimeString(wall));
  part.addPropertyWithValue("tzoffsetfrom", ICAL.UtcOffset.fromString(offsetText(from)));
  part.addPropertyWithValue("tzoffsetto", ICAL.UtcOffset.fromString(offsetText(to)));
  return part;
}

/**
 * The zone's rules as they hold between two dates: one observance from before the first date, one for each change.
 * @param zone a name the platform knows
 */
export function vtimezone(zone: string, from: IsoDate, to: IsoDate): ICAL.Component {
  const component = new ICAL.Component("vtimezone");
  component.addPropertyWithValue("tzid", zone);
  const first = offsetMinutes(zone, dayNumber(from) * DAY);
  const changes = transitions(zone, from, to);
  // Winter time is the smaller offset of the two, also where summer comes at the turn of the year.
  const standard = Math.min(first, ...changes.map((c) => c.after));
  const kind = (offset: number) => (offset > standard ? "daylight" : "standard");
  component.addSubcomponent(observance(kind(first), `${from}T00:00:00`, first, first));
  for (const c of changes) {
    // The start of an observance is told on the clock that was running until then.
    const wall = new Date(c.at + c.before * 60_000).toISOString().slice(0, 19);
    component.addSubcomponent(observance(kind(c.after), wall, c.before, c.after));
  }
  return component;
}
