/** iCalendar against general libraries: what we write is read back by node-ical, what ical-generator writes is read by us. */
import ical, { ICalCalendarMethod } from "ical-generator";
import nodeIcal, { type VEvent } from "node-ical";
import { describe, expect, it } from "vitest";
import { addDays, mondayOf } from "../../src/core/dates";
import { readCalendar } from "../../src/formats/import/calendar";
import { type CalendarSession, uidOf, writeStrengthCalendar } from "../../src/formats/strength-calendar";
import { transitions } from "../../src/formats/vtimezone";
import { instantOf, offsetMinutes, wallClock } from "../../src/formats/zone";

const session = (date: string, start: string, label: string, more: Partial<CalendarSession> = {}): CalendarSession => ({
  date,
  start,
  minutes: 55,
  label,
  title: `Strength: ${label}`,
  place: "club-gym",
  lines: [],
  ...more,
});
const calendarOf = (zone: string, sessions: CalendarSession[], revision = 3) =>
  writeStrengthCalendar(
    { athleteId: "a1", name: "Ada", zone, sessions, stamp: "2026-03-03T00:00:00Z", revision },
    mondayOf,
  );
const eventsOf = (text: string): VEvent[] =>
  Object.values(nodeIcal.sync.parseICS(text)).filter((x): x is VEvent => x?.type === "VEVENT");

describe("time zones (tz database through the platform; 2026 rules of the European Union and the USA)", () => {
  it("know the changes to and from summer time", () => {
    expect(transitions("Europe/Berlin", "2026-01-01", "2026-12-31").map((t) => new Date(t.at).toISOString())).toEqual([
      "2026-03-29T01:00:00.000Z",
      "2026-10-25T01:00:00.000Z",
    ]);
    expect(
      transitions("America/New_York", "2026-01-01", "2026-12-31").map((t) => new Date(t.at).toISOString()),
    ).toEqual(["2026-03-08T07:00:00.000Z", "2026-11-01T06:00:00.000Z"]);
    expect(transitions("Asia/Tokyo", "2026-01-01", "2026-12-31")).toEqual([]);
  });

  it("go there and back, but for the hour that is skipped", () => {
    for (const zone of ["Europe/Lisbon", "America/St_Johns", "Asia/Kathmandu", "Australia/Lord_Howe", "UTC"])
      for (let d = 0; d < 365; d += 9) {
        const date = addDays("2026-01-01", d);
        expect(wallClock(zone, instantOf(zone, date, "18:30"))).toEqual({ date, time: "18:30" });
      }
    expect(offsetMinutes("Asia/Kathmandu", 0)).toBe(330);
    expect(wallClock("Europe/Berlin", instantOf("Europe/Berlin", "2026-03-29", "02:30")).time).toBe("03:30");
  });
});

describe("the calendar of strength sessions, read back by node-ical", () => {
  // The clocks change on Sunday 29 March 2026, inside this week of sessions.
  const week = [
    session("2026-03-24", "18:00", "A"),
    session("2026-03-28", "07:30", "B", {
      title: `Strength: Übungen, nachmittags; ${"ß".repeat(70)}`,
      lines: ["1A Front squat: 3 x 5, 72.5 kg", "1B Dead bug: 3 x 30 s"],
    }),
    session("2026-03-29", "23:30", "C"),
    session("2026-03-31", "18:00", "A"),
  ];
  const text = calendarOf("Europe/Berlin", week);

  it("has the right instants on either side of the change", () => {
    const events = eventsOf(text);
    expect(events.map((e) => new Date(e.start).toISOString())).toEqual([
      "2026-03-24T17:00:00.000Z",
      "2026-03-28T06:30:00.000Z",
      "2026-03-29T21:30:00.000Z",
      "2026-03-31T16:00:00.000Z",
    ]);
    expect(events.map((e) => (Number(e.end) - Number(e.start)) / 60_000)).toEqual([55, 55, 55, 55]);
    expect(events[1]!.summary).toBe(week[1]!.title.trim());
    expect(events[1]!.description).toBe(week[1]!.lines.join("\n"));
    expect(events[0]!.location).toBe("club-gym");
  });

  it("folds lines at 75 octets, ends them by CR LF, stamps in UTC, and carries its zone", () => {
    const lines = text.split("\r\n");
    expect(text.replaceAll("\r\n", "")).not.toContain("\n");
    for (const line of lines) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(text).toContain("DTSTAMP:20260303T000000Z");
    expect(text).toContain("DTSTART;TZID=Europe/Berlin:20260324T180000");
    expect(text).toContain("BEGIN:VTIMEZONE");
    expect(text).toContain("BEGIN:DAYLIGHT\r\nDTSTART:20260329T020000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0200");
  });

  it("keeps a UID for a week and label, wherever the session moves in it", () => {
    const moved = calendarOf("Europe/Berlin", [session("2026-03-26", "12:00", "A"), ...week.slice(1)], 4);
    expect(eventsOf(moved).map((e) => e.uid)).toEqual(eventsOf(text).map((e) => e.uid));
    expect(new Set(eventsOf(text).map((e) => e.uid)).size).toBe(4);
    expect(eventsOf(text)[0]!.uid).toBe(uidOf("a1", "2026-03-23", "A"));
    expect(calendarOf("Europe/Berlin", week)).toBe(text);
  });

  it("writes UTC where the athlete names no zone, and runs over midnight", () => {
    const plain = calendarOf("UTC", [session("2026-03-24", "23:30", "A")]);
    expect(plain).not.toContain("VTIMEZONE");
    expect(new Date(eventsOf(plain)[0]!.end!).toISOString()).toBe("2026-03-25T00:25:00.000Z");
    expect(eventsOf(calendarOf("Mars/Olympus", [session("2026-03-24", "23:30", "A")]))).toHaveLength(1);
    expect(calendarOf("Europe/Berlin", [])).toContain("END:VCALENDAR");
  });
});

describe("a calendar that ical-generator wrote", () => {
  it("is read with its races, sessions and times", () => {
    const made = ical({ name: "Club", method: ICalCalendarMethod.PUBLISH });
    made.createEvent({
      id: "r",
      start: new Date("2026-05-09T00:00:00Z"),
      end: new Date("2026-05-11T00:00:00Z"),
      allDay: true,
      timezone: "UTC",
      summary: "A race: Dyke stages",
    });
    made.createEvent({
      id: "s",
      start: new Date("2026-03-31T16:30:00Z"),
      end: new Date("2026-03-31T17:30:00Z"),
      summary: "Track intervals; 8 x 400, easy jog between",
    });
    const read = readCalendar(made.toString(), {
      zone: "Europe/Berlin",
      sport: "run",
      from: "2025-09-01",
      until: "2026-12-31",
    });
    expect(read.ok).toBe(true);
    const rows = read.ok ? read.value : [];
    expect(rows[0]!.race).toMatchObject({ date: "2026-05-09", days: 2, priority: "A", name: "A race: Dyke stages" });
    expect(rows[1]!.incoming!.session).toMatchObject({
      date: "2026-03-31",
      start: "18:30",
      minutes: 60,
      kind: "intervals",
    });
  });
});
