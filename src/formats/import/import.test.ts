import { describe, expect, it } from "vitest";
import { germanTable, gpxOf, tcxOf } from "../../../tests/support/foreign";
import { mondayOf } from "../../core/dates";
import { weekFigures } from "../../core/endurance/figures";
import { fatesOf } from "../../core/endurance/incoming";
import { raceFate } from "./calendar";
import { guessMapping, orderIsSure } from "./mapping";
import { readForeign } from "./read";
import { readSessions } from "./sessions";
import { readTable } from "./table";
import { climb, groundMetres } from "./track";
import { minutesFrom, momentFrom, numberFrom, timeFrom } from "./values";
import { kindOf, speaksOfRace, sportOf } from "./words";

const O = {
  zone: "Europe/Berlin",
  sport: "run" as const,
  from: "2025-09-01",
  until: "2026-12-31",
  distanceUnit: "km" as const,
  massUnit: "kg" as const,
};
const bytes = (text: string) => new TextEncoder().encode(text);
const read = (name: string, text: string) => {
  const r = readForeign(name, bytes(text), O);
  if (!r.ok) throw new Error(r.faults[0]!.expected);
  return r.value;
};
const fault = (name: string, data: string | Uint8Array): string => {
  const r = readForeign(name, typeof data === "string" ? bytes(data) : data, O);
  return r.ok ? "" : r.faults[0]!.expected;
};

describe("numbers, dates and durations", () => {
  it.each([
    ["12,5", ",", 12.5],
    ["1.234,5", ",", 1234.5],
    ["1 234,5", ",", 1234.5],
    ["12.5", ",", null],
    ["12.5", ".", 12.5],
    ["1,234.5", ".", 1234.5],
    ["12,5", ".", null],
    ["", ".", null],
    ["1e3", ".", null],
  ] as const)("%s with a decimal %s is %s", (text, decimal, value) => {
    expect(numberFrom(text, decimal)).toBe(value);
  });
  it.each([
    ["3.4.2026", "dmy", { date: "2026-04-03" }],
    ["3/4/2026", "mdy", { date: "2026-03-04" }],
    ["03.04.26 6:05", "dmy", { date: "2026-04-03", time: "06:05" }],
    ["2026-04-03T18:30:00", "dmy", { date: "2026-04-03", time: "18:30" }],
    ["2026-04-03T22:30:00Z", "ymd", { date: "2026-04-03", instant: Date.UTC(2026, 3, 3, 22, 30) }],
    ["4. März 2026 06:30", "dmy", { date: "2026-03-04", time: "06:30" }],
    ["Mar 4, 2026", "mdy", { date: "2026-03-04" }],
    ["12 août 2025", "dmy", { date: "2025-08-12" }],
    ["3 de junio de 2025", "dmy", { date: "2025-06-03" }],
    ["4 Foo 2026", "dmy", null],
    ["30.02.2026", "dmy", null],
    ["13/13/2026", "mdy", null],
    ["soon", "dmy", null],
  ] as const)("%s read %s", (text, order, moment) => {
    expect(momentFrom(text, order)).toEqual(moment);
  });
  it.each([
    ["1:02:30", "h:mm", 62.5],
    ["62:30", "mm:ss", 62.5],
    ["1:02", "h:mm", 62],
    ["1h 05min", "minutes", 65],
    ["45", "minutes", 45],
    ["3750", "seconds", 62.5],
    ["1,5", "hours", 90],
    ["long", "minutes", null],
  ] as const)("%s as %s", (text, form, minutes) => {
    expect(minutesFrom(text, form, ",")).toBe(minutes);
  });
  it("reads times of day", () => {
    expect(["6:30", "06:30:15", "6:30 pm", "12:00 am", "24:10", "noon"].map(timeFrom)).toEqual([
      "06:30",
      "06:30",
      "18:30",
      "00:00",
      null,
      null,
    ]);
  });
});

describe("words", () => {
  it("know sports and kinds in several languages", () => {
    expect(["Laufen", "Vélo de route", "Schwimmen", "Wanderung", "Rudern", "Corsa", "Turnen"].map(sportOf)).toEqual([
      "run",
      "ride",
      "swim",
      "hike",
      "row",
      "run",
      undefined,
    ]);
    expect(["Intervalle 6x800", "Sortie longue", "locker", "Wettkampf", "xyz"].map(kindOf)).toEqual([
      "intervals",
      "long",
      "easy",
      "race",
      undefined,
    ]);
    expect(["Dyke Half Marathon", "Club race, 5 km", "Regatta"].map((t) => speaksOfRace(t, false))).toEqual([
      true,
      true,
      true,
    ]);
    expect(
      ["Easy run", "Marathon pace 3 x 5 km", "Long run before the marathon", "Run 10 km", "Triathlon training"].map(
        (t) => speaksOfRace(t, true),
      ),
    ).toEqual([false, false, false, false, false]);
    expect([speaksOfRace("Saltmarsh 10K", true), speaksOfRace("Saltmarsh 10K", false)]).toEqual([true, false]);
  });
});

describe("a table from abroad", () => {
  const made = germanTable(1500, "2026-03-02");
  const table = readTable(made.text);
  if (!table.ok) throw new Error("table");
  const mapping = guessMapping(table.value, O);
  const rows = readSessions(table.value, mapping, O);

  it("is understood without a word from the coach", () => {
    expect(mapping).toMatchObject({
      decimal: ",",
      dateOrder: "dmy",
      duration: "mm:ss",
      distanceUnit: "km",
      heightUnit: "m",
    });
    expect(table.value.headings.map((_, i) => Object.entries(mapping.columns).find(([, at]) => at === i)?.[0])).toEqual(
      ["date", "start", "sport", "minutes", "distance", "ascent", "rpe", "heartRate", "name"],
    );
    expect(orderIsSure(table.value, mapping)).toBe(true);
  });

  it("names each of its 12 bad rows with line and heading, and takes the others", () => {
    const bad = rows.filter((r) => r.fault);
    expect(bad.map((r) => r.where)).toEqual(made.bad.map((b) => `line ${b.line}`));
    for (const [i, r] of bad.entries()) expect(r.fault).toContain(made.bad[i]!.expects);
    expect(rows.filter((r) => r.incoming)).toHaveLength(1500);
  });

  it("gives week figures equal to sums made in whole seconds and metres", () => {
    const sessions = rows.flatMap((r) => (r.incoming ? [r.incoming.session] : []));
    for (const [monday, sum] of made.weeks) {
      const week = weekFigures(
        monday,
        sessions.filter((s) => mondayOf(s.date) === monday),
      );
      expect(week.sessions).toBe(sum.sessions);
      expect(week.minutes).toBeCloseTo(sum.seconds / 60, 6);
      expect(week.distanceKm).toBeCloseTo(sum.metres / 1000, 6);
      expect(week.load).toBeCloseTo(sum.rpeSeconds / 60, 6);
    }
  });

  it("adds nothing the second time", () => {
    const incoming = rows.flatMap((r) => (r.incoming ? [r.incoming] : []));
    expect(new Set(fatesOf([], incoming).map((f) => f.kind))).toEqual(new Set(["new"]));
    const known = incoming.map((i, n) => ({ id: String(n), session: i.session }));
    expect(new Set(fatesOf(known, incoming).map((f) => f.kind))).toEqual(new Set(["same"]));
  });

  it("may be in another encoding, with other units and other signs between cells", () => {
    const text =
      "Date,Activity,Time (s),Distance (mi),Elevation (ft),Notes\n2/28/2026,Running,3000,6.2,328,Höhe\n3/1/2026,Café ride,3600,20,0,\n";
    const latin = Uint8Array.from([...text].map((c) => c.charCodeAt(0)));
    const r = readForeign("a.csv", latin, O);
    expect(r.ok && r.value.kind === "table" && r.value.mapping).toMatchObject({
      dateOrder: "mdy",
      duration: "seconds",
      distanceUnit: "mi",
      heightUnit: "ft",
      decimal: ".",
    });
    expect(guessMapping({ headings: ["Date", "Time", "Duration"], rows: [], delimiter: "," }, O).columns).toEqual({
      date: 0,
      start: 1,
      minutes: 2,
    });
    const first = r.ok ? r.value.rows[0]!.incoming!.session : null;
    expect(first).toMatchObject({ date: "2026-02-28", minutes: 50, sport: "run" });
    expect(first!.distanceKm).toBeCloseTo(9.9779, 4);
    expect(first!.ascentM).toBeCloseTo(99.97, 2);
  });

  it("says where a quotation mark is missing, and what is no table", () => {
    expect(fault("a.csv", "just words")).toContain("at least two headings");
    expect(fault("a.csv", "a,b\n")).toContain("Rows below the headings");
    expect(fault("a.csv", `date,minutes\n"2026-01-01,30\n${"x".repeat(6000)}`)).toContain("quotation mark");
  });

  it("passes over a spreadsheet's note of its sign, and counts lines from the file's first", () => {
    const r = readTable("sep=;\r\nDatum;Dauer\r\n1.2.2026;30\r\n");
    expect(r.ok && r.value).toMatchObject({
      headings: ["Datum", "Dauer"],
      rows: [{ line: 3, cells: ["1.2.2026", "30"] }],
    });
  });

  it("does not take a pace or a speed for a distance, nor a peak for a mean", () => {
    const headings = ["Datum", "Pace (min/km)", "Km/h", "Max HR", "Strecke km", "Avg HR", "Dauer"];
    expect(guessMapping({ headings, rows: [], delimiter: ";" }, O).columns).toEqual({
      date: 0,
      distance: 4,
      heartRate: 5,
      minutes: 6,
    });
  });

  it("stops when it is told to", () => {
    let calls = 0;
    readTable(made.text, () => ++calls < 2);
    expect(calls).toBe(2);
  });
});

describe("recordings", () => {
  it("haversine: a degree of latitude is 111.195 km on the mean radius", () => {
    expect(groundMetres({ time: 0, lat: 50, lon: 8 }, { time: 0, lat: 51, lon: 8 })).toBeCloseTo(111_194.9, 0);
  });

  it("climb: noise is not a mountain, and a hill keeps its height", () => {
    const along = Array.from({ length: 2001 }, (_, i) => i * 5);
    const noise = (i: number) => Math.sin(i * 12.9898) * 1.5;
    expect(
      climb(
        along,
        along.map((_, i) => 50 + noise(i)),
      ),
    ).toEqual({ up: 0, down: 0 });
    const hill = climb(
      along,
      along.map((_, i) => 200 * (1 - Math.abs(i - 1000) / 1000) + noise(i)),
    );
    expect(hill.up).toBeGreaterThan(192);
    expect(hill.up).toBeLessThan(204);
    expect(hill.down).toBeCloseTo(hill.up, -1);
    expect(climb([0, 100], [10, 12]).up).toBe(0);
  });

  it("GPX: start on the athlete's clock, duration, distance, ascent, heart rate", () => {
    const file = read(
      "x.gpx",
      gpxOf({ start: "2026-03-29T05:30:00Z", minutes: 60, km: 12, up: 150, type: "running", noise: 2 }),
    );
    const { session } = file.rows[0]!.incoming!;
    // Summer time had begun in the night: UTC + 2.
    expect(session).toMatchObject({
      date: "2026-03-29",
      start: "07:30",
      sport: "run",
      minutes: 60,
      averageHeartRate: 141,
      done: true,
    });
    expect(session.distanceKm).toBeCloseTo(12, 2);
    expect(session.ascentM).toBeGreaterThan(143);
    expect(session.ascentM).toBeLessThan(153);
    expect(file.rows[0]!.label).toBe("Marsh & dyke");
  });

  it("GPX: a sport it does not name is told by the speed, and said", () => {
    const file = read("x.gpx", gpxOf({ start: "2026-03-01T08:00:00Z", minutes: 120, km: 9, up: 300 }));
    expect(file.rows[0]!.incoming!.session.sport).toBe("hike");
    expect(file.rows[0]!.notes.join()).toContain("taken as hike");
  });

  it("TCX: the laps' own totals", () => {
    const file = read(
      "x.tcx",
      tcxOf({ start: "2026-01-10T17:00:00Z", lapMinutes: 12.5, laps: 4, lapMetres: 6000, sport: "Biking" }),
    );
    expect(file.rows[0]!.incoming!.session).toMatchObject({
      date: "2026-01-10",
      start: "18:00",
      sport: "ride",
      minutes: 50,
      distanceKm: 24,
      averageHeartRate: 152,
    });
  });

  it("say what is missing", () => {
    expect(fault("x.gpx", "<gpx><wpt/></gpx>")).toContain("only routes or waypoints");
    expect(read("x.gpx", `<gpx><trk><trkseg><trkpt lat="1" lon="1"/></trkseg></trk></gpx>`).rows[0]!.fault).toContain(
      "Two points with a time",
    );
    expect(fault("x.gpx", gpxOf({ start: "2026-03-29T05:30:00Z", minutes: 5, km: 1, up: 0 }).slice(0, 900))).toContain(
      "cut off",
    );
    expect(
      fault("x.gpx", `<!DOCTYPE gpx [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><gpx><trk>&b;</trk></gpx>`),
    ).toContain("entities of their own");
  });
});

describe("calendars", () => {
  const calendar = (body: string) => `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${body}END:VCALENDAR\r\n`;
  const event = (lines: string[]) =>
    ["BEGIN:VEVENT", "DTSTAMP:20260101T000000Z", ...lines, "END:VEVENT", ""].join("\r\n");

  it("tell races from sessions, on the athlete's clock", () => {
    const file = read(
      "club.ics",
      calendar(
        event(["UID:1", "SUMMARY:Saltmarsh Marathon", "DTSTART;VALUE=DATE:20260510", "DTEND;VALUE=DATE:20260511"]) +
          event(["UID:2", "SUMMARY:Intervals 8 x 400", "DTSTART:20260401T163000Z", "DTEND:20260401T174500Z"]) +
          event([
            "UID:3",
            "SUMMARY:A race: Dyke stages 60 km",
            "DTSTART;VALUE=DATE:20260605",
            "DTEND;VALUE=DATE:20260608",
          ]) +
          event(["UID:4", "SUMMARY:Off", "STATUS:CANCELLED", "DTSTART:20260401T163000Z"]),
      ),
    );
    expect(file.rows[0]!.race).toEqual({ date: "2026-05-10", name: "Saltmarsh Marathon", sport: "run", priority: "C" });
    expect(file.rows[1]!.incoming!.session).toMatchObject({
      date: "2026-04-01",
      start: "18:30",
      minutes: 75,
      kind: "intervals",
      source: "ics:2",
    });
    expect(file.rows[1]!.incoming!.session.done).toBeUndefined();
    expect(file.rows[2]!.race).toMatchObject({ days: 3, distanceKm: 60, priority: "A" });
    expect(file.rows[3]!.fault).toContain("called off");
    const far = read("far.ics", calendar(event(["UID:9", "SUMMARY:City Marathon", "DTSTART;VALUE=DATE:20290510"])));
    expect(far.rows[0]!.fault).toContain("inside the season (2025-09-01 to 2026-12-31)");
  });

  it("follow repeats over a change to summer time, leaving out what was changed", () => {
    const zone = "TZID=Europe/Berlin:";
    const file = read(
      "club.ics",
      calendar(
        event([
          "UID:w",
          "SUMMARY:Club run",
          `DTSTART;${zone}20260324T183000`,
          `DTEND;${zone}20260324T193000`,
          "RRULE:FREQ=WEEKLY;COUNT=3",
        ]) +
          event([
            "UID:w",
            "SUMMARY:Club run, later",
            `RECURRENCE-ID;${zone}20260331T183000`,
            `DTSTART;${zone}20260331T193000`,
            `DTEND;${zone}20260331T203000`,
          ]),
      ),
    );
    expect(file.rows.map((r) => [r.incoming!.session.date, r.incoming!.session.start])).toEqual([
      ["2026-03-24", "18:30"],
      ["2026-04-07", "18:30"],
      ["2026-03-31", "19:30"],
    ]);
  });

  it("know a race again, and one that moved", () => {
    const known = [
      { id: "r", date: "2026-05-10", name: "Saltmarsh Marathon", sport: "run" as const, priority: "A" as const },
    ];
    const race = { ...known[0]!, name: " saltmarsh marathon" };
    expect(raceFate(known, race)).toEqual({ kind: "same", id: "r" });
    expect(raceFate(known, { ...race, date: "2026-05-17" })).toEqual({ kind: "moved", id: "r" });
    expect(raceFate(known, { ...race, date: "2027-05-17" })).toEqual({ kind: "new" });
  });
});

describe("a calendar made to keep the reader busy", () => {
  const options = {
    zone: "Europe/Berlin",
    sport: "run",
    from: "2026-01-01",
    until: "2026-12-31",
    distanceUnit: "km",
    massUnit: "kg",
  } as const;
  const file = (rule: string, events: number) =>
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\n${Array.from({ length: events }, (_, i) =>
      [
        "BEGIN:VEVENT",
        `UID:${i}`,
        "DTSTAMP:20260101T000000Z",
        "SUMMARY:Easy run",
        "DTSTART:20260105T170000Z",
        "DTEND:20260105T180000Z",
        `RRULE:${rule}`,
        "END:VEVENT",
        "",
      ].join("\r\n"),
    ).join("")}END:VCALENDAR\r\n`;
  const rowsOf = (rule: string, events: number) => {
    const read = readForeign("a.ics", new TextEncoder().encode(file(rule, events)), options);
    if (!read.ok) throw new Error(read.faults[0]?.expected);
    return read.value.rows;
  };

  it.each([
    "FREQ=MINUTELY",
    "FREQ=SECONDLY",
    "FREQ=HOURLY;INTERVAL=2",
    "FREQ=DAILY;BYHOUR=1,2,3,4,5",
    "FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30",
  ])("with %s five hundred times is refused event by event, at once", (rule) => {
    const begin = performance.now();
    const rows = rowsOf(rule, 500);
    expect(rows).toHaveLength(500);
    expect(rows.every((r) => r.fault?.startsWith("RRULE: "))).toBe(true);
    // Fifteen seconds and more before; no speed is promised here, only an end.
    expect(performance.now() - begin).toBeLessThan(10_000);
  });

  it("follows ordinary repeats, and all of a file together up to a bound", () => {
    expect(rowsOf("FREQ=DAILY;COUNT=10", 1).filter((r) => r.incoming)).toHaveLength(10);
    expect(rowsOf("FREQ=DAILY;BYHOUR=7,18;COUNT=6", 1).filter((r) => r.incoming)).toHaveLength(6);
    expect(rowsOf("FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=28", 1).some((r) => r.fault?.startsWith("RRULE"))).toBe(false);
    const rows = rowsOf("FREQ=DAILY", 70);
    expect(rows.filter((r) => r.incoming).length).toBeLessThanOrEqual(20_000);
    expect(rows.some((r) => r.fault === "At most 20000 repeats in one file are followed.")).toBe(true);
  });
});
