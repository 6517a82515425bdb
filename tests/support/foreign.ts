/** Foreign files for the tests: tables as spreadsheets abroad write them, recordings, and files that are broken in many ways. */
import { addDays, dayNumber, mondayOf } from "../../src/core/dates";

/** A small repeatable stream of numbers in [0, 1). */
export function stream(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

export interface ForeignTable {
  text: string;
  /** Line and words of each bad row. */
  bad: { line: number; expects: string }[];
  /** By Monday: sessions, minutes in seconds, metres; added up in whole numbers while writing. */
  weeks: Map<string, { sessions: number; seconds: number; metres: number; rpeSeconds: number }>;
  good: number;
}

const comma = (n: number, digits: number): string => n.toFixed(digits).replace(".", ",");
const two = (n: number): string => String(n).padStart(2, "0");

/** What makes a row bad, and a word of the message it must get. */
const SPOILED: [(cells: string[]) => string[], string][] = [
  [(c) => ["31.02.2024", ...c.slice(1)], "Datum"],
  [(c) => ["gestern", ...c.slice(1)], "Datum"],
  [(c) => ["", ...c.slice(1)], "Datum"],
  [(c) => c.with(3, "viel"), "Dauer"],
  [(c) => c.with(3, ""), "Dauer"],
  [(c) => c.with(3, "00:00:00"), "Dauer"],
  [(c) => c.with(4, "zehn"), "Strecke"],
  [(c) => c.with(4, "12.5.1"), "Strecke"],
  [(c) => c.with(5, "--"), "Höhenmeter"],
  [(c) => c.with(6, "11"), "RPE"],
  [(c) => c.with(7, "999"), "Puls"],
  [(c) => c.slice(0, 2), "cells"],
];

/**
 * Three years of a runner who also rides: German headings, decimal commas, day first, hours:minutes:seconds, semicolons.
 * @param count of good rows
 */
export function germanTable(count: number, until: string, seed = 7): ForeignTable {
  const next = stream(seed);
  const headings = [
    "Datum",
    "Startzeit",
    "Sportart",
    "Dauer",
    "Strecke (km)",
    "Höhenmeter",
    "RPE",
    "Puls",
    "Bezeichnung",
  ];
  const lines = [headings.join(";")];
  const weeks: ForeignTable["weeks"] = new Map();
  const bad: ForeignTable["bad"] = [];
  const span = 3 * 365;
  let spoiled = 0;
  for (let i = 0; i < count; i++) {
    const date = addDays(until, -span + Math.floor((i * span) / count));
    const ride = next() < 0.25;
    const seconds = 60 * (25 + Math.floor(next() * 120));
    const metres = Math.round((seconds / 3600) * (ride ? 27_500 : 10_800) * (0.85 + next() * 0.3));
    const rpe = 2 + Math.floor(next() * 7);
    const cells = [
      `${date.slice(8)}.${date.slice(5, 7)}.${date.slice(0, 4)}`,
      // Two sessions of one day never share an hour.
      `${two(5 + (i % 15))}:${two(Math.floor(next() * 60))}`,
      ride ? "Radfahren" : "Laufen",
      `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:00`,
      comma(metres / 1000, 3),
      String(Math.floor(next() * 400)),
      String(rpe),
      String(120 + Math.floor(next() * 50)),
      `"Runde ${i}; ""am Deich"""`,
    ];
    if (i % Math.ceil(count / SPOILED.length) === 5 && spoiled < SPOILED.length) {
      const [spoil, expects] = SPOILED[spoiled++]!;
      lines.push(spoil(cells).join(";"));
      bad.push({ line: lines.length, expects });
    }
    lines.push(cells.join(";"));
    const monday = mondayOf(date);
    const week = weeks.get(monday) ?? { sessions: 0, seconds: 0, metres: 0, rpeSeconds: 0 };
    week.sessions++;
    week.seconds += seconds;
    week.metres += metres;
    week.rpeSeconds += rpe * seconds;
    weeks.set(monday, week);
  }
  return { text: `\uFEFF${lines.join("\r\n")}\r\n`, bad, weeks, good: count };
}

/** A GPX 1.1 track due north: one point every `every` seconds over `km`, up to `up` m and down again, with a receiver's noise. */
export function gpxOf(o: {
  start: string;
  minutes: number;
  km: number;
  up: number;
  type?: string;
  noise?: number;
}): string {
  const next = stream(dayNumber(o.start.slice(0, 10)));
  const n = o.minutes * 6;
  const begin = Date.parse(o.start);
  const points = Array.from({ length: n + 1 }, (_, i) => {
    const share = i / n;
    // One degree of latitude is 111.195 km on a sphere of the mean radius.
    const lat = 50 + (share * o.km) / 111.19493;
    const ele = 100 + o.up * (1 - Math.abs(2 * share - 1)) + (next() - 0.5) * (o.noise ?? 0);
    const time = new Date(begin + share * o.minutes * 60_000).toISOString();
    return `<trkpt lat="${lat.toFixed(7)}" lon="8"><ele>${ele.toFixed(1)}</ele><time>${time}</time><extensions><x:TrackPointExtension xmlns:x="urn:x"><x:hr>${140 + (i % 3)}</x:hr></x:TrackPointExtension></extensions></trkpt>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="test" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Marsh &amp; dyke</name>${o.type ? `<type>${o.type}</type>` : ""}<trkseg>${points.join("\n")}</trkseg></trk></gpx>\n`;
}

/** A TCX activity of equal laps. */
export function tcxOf(o: {
  start: string;
  lapMinutes: number;
  laps: number;
  lapMetres: number;
  sport: string;
}): string {
  const begin = Date.parse(o.start);
  const laps = Array.from({ length: o.laps }, (_, i) => {
    const at = begin + i * o.lapMinutes * 60_000;
    const point = (share: number) =>
      `<Trackpoint><Time>${new Date(at + share * o.lapMinutes * 60_000).toISOString()}</Time><AltitudeMeters>${10 + share * 20}</AltitudeMeters><DistanceMeters>${(i + share) * o.lapMetres}</DistanceMeters><HeartRateBpm><Value>150</Value></HeartRateBpm></Trackpoint>`;
    return `<Lap StartTime="${new Date(at).toISOString()}"><TotalTimeSeconds>${o.lapMinutes * 60}</TotalTimeSeconds><DistanceMeters>${o.lapMetres}</DistanceMeters><AverageHeartRateBpm><Value>${150 + i}</Value></AverageHeartRateBpm><Track>${[0, 0.25, 0.5, 0.75, 1].map(point).join("")}</Track></Lap>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?><TrainingCenterDatabase><Activities><Activity Sport="${o.sport}"><Id>${new Date(begin).toISOString()}</Id>${laps.join("")}</Activity></Activities></TrainingCenterDatabase>`;
}

export interface Broken {
  name: string;
  bytes: Uint8Array;
}

const encode = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Whole files of each kind, to be broken. */
export const wholeFiles = (): { name: string; text: string }[] => [
  { name: "table.csv", text: germanTable(60, "2026-03-02").text },
  { name: "run.gpx", text: gpxOf({ start: "2026-03-01T08:00:00Z", minutes: 20, km: 4, up: 30 }) },
  {
    name: "ride.tcx",
    text: tcxOf({ start: "2026-03-01T08:00:00Z", lapMinutes: 10, laps: 3, lapMetres: 4000, sport: "Biking" }),
  },
  {
    name: "club.ics",
    text: `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//y//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART:20260401T163000Z\r\nDTEND:20260401T173000Z\r\nSUMMARY:Club run\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`,
  },
];

/** 200 files of which nothing may be taken: cut off, in a wrong encoding, bombs, too large, of a wrong kind, or noise. */
export function brokenFiles(): Broken[] {
  const next = stream(42);
  const out: Broken[] = [];
  const files = wholeFiles();
  const add = (name: string, data: string | Uint8Array) =>
    out.push({ name, bytes: typeof data === "string" ? encode(data) : data });
  const [table, gpx, tcx, ics] = files as [Entry, Entry, Entry, Entry];
  // Cut off at any place. A table that is cut off between rows is a shorter table, so it is not among them.
  for (let i = 0; i < 20; i++)
    for (const f of [gpx, tcx, ics]) add(f.name, f.text.slice(0, 20 + Math.floor(next() * (f.text.length - 40))));
  // Encodings: UTF-16 without its mark, with a mark and cut, Latin letters inside XML.
  for (const f of files) {
    const wide = new Uint8Array(f.text.length * 2);
    for (let i = 0; i < f.text.length; i++) wide[i * 2] = f.text.charCodeAt(i);
    add(f.name, wide);
    add(f.name, new Uint8Array([0xff, 0xfe, 0x00, 0xd8, 0x41]));
    add(
      f.name,
      encode(f.text).map((b, i) => (i % 40 === 0 ? 0 : b)),
    );
  }
  for (const f of [gpx, tcx, ics])
    add(f.name, Uint8Array.from([...encode(f.text.slice(0, 200)), 0xe9, 0xff, ...encode(f.text.slice(200))]));
  // Entity bombs, outside entities, and depth.
  const bomb = `<!DOCTYPE x [<!ENTITY a "ha">${Array.from({ length: 12 }, (_, i) => `<!ENTITY ${String.fromCharCode(98 + i)} "${`&${String.fromCharCode(97 + i)};`.repeat(10)}">`).join("")}]>`;
  for (let i = 0; i < 8; i++) {
    add(`bomb${i}.gpx`, `<?xml version="1.0"?>${bomb}<gpx><trk><name>&m;</name></trk></gpx>`);
    add(`bomb${i}.tcx`, `${bomb}<TrainingCenterDatabase><Activities>&m;</Activities></TrainingCenterDatabase>`);
    add(
      `outside${i}.gpx`,
      `<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><gpx><trk><name>&a;</name></trk></gpx>`,
    );
  }
  for (const depth of [5_000, 200_000]) add("deep.gpx", `<gpx>${"<trk>".repeat(depth)}`);
  // Too large: 50 MB of rows, of points, of one cell.
  const fifty = 50 * 1024 * 1024;
  add("large.csv", new Uint8Array(fifty).fill(97));
  add("large.gpx", new Uint8Array(fifty).fill(32));
  add("cell.csv", `date,minutes\n"${"x".repeat(2_000_000)}`);
  add("columns.csv", `${"a,".repeat(5000)}\n1,2\n`);
  // Wrong kinds under right names.
  const wrong = [
    "",
    " \n ",
    "{}",
    "[]",
    '{"format":"field-anchor/athlete"}',
    "<html><body>Sign in</body></html>",
    "%PDF-1.7",
    "date\n2026-01-01\n",
    "PK\u0003\u0004",
    "BEGIN:VCARD\nEND:VCARD\n",
  ];
  for (const w of wrong) for (const name of ["a.csv", "a.gpx", "a.tcx", "a.ics"]) add(name, w);
  // A file of one kind under the ending of another is read as what it is, unless it is none at all.
  add("table.gpx", table.text);
  add("table.tcx", table.text);
  add("table.ics", table.text);
  add("empty.ics", "BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n");
  add("course.tcx", "<TrainingCenterDatabase><Courses/></TrainingCenterDatabase>");
  add("route.gpx", "<gpx><rte><rtept lat='1' lon='1'/></rte></gpx>");
  while (out.length < 200) {
    const length = 1 + Math.floor(next() * 3000);
    const name = ["n.csv", "n.gpx", "n.tcx", "n.ics", "n"][out.length % 5] ?? "n";
    add(
      name,
      Uint8Array.from({ length }, () => Math.floor(next() * 256)),
    );
  }
  return out;
}

type Entry = { name: string; text: string };
