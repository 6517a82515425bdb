/** GPX 1.1 and TCX recordings: each track or activity becomes one done session. */
import type { EnduranceSession, SessionSport } from "../../core/athlete";
import type { Read } from "../athlete-file";
import { wallClock } from "../zone";
import type { ImportRow } from "./rows";
import { type Point, type TrackFigures, trackFigures } from "./track";
import { assumedKind, kindOf, sportOf } from "./words";
import { all, childAt, numberOf, readXml, textOf } from "./xml";

export interface RecordingOptions {
  /** The athlete's own time zone: a recording's instants become wall clock times. */
  zone: string;
  /** Sport of a recording that does not name one. */
  sport: SessionSport;
}

const timeOf = (text: string | undefined): number => (text === undefined ? Number.NaN : Date.parse(text));

/** Means of transport by speed, where neither the file nor the athlete says; km/h [house]. */
const WALKING = 6.5;

/** @returns a row for each track */
export function readGpx(text: string, o: RecordingOptions): Read<ImportRow[]> {
  const xml = readXml(text);
  if (!xml.ok) return xml;
  const gpx = childAt(xml.value, "gpx");
  if (gpx === undefined) return none("A GPX file expected: there is no gpx element.");
  const tracks = all(gpx, "trk");
  if (tracks.length === 0)
    return none(
      "A recorded track expected: the file holds only routes or waypoints, which say nothing of what was done.",
    );
  return {
    ok: true,
    value: tracks.map((trk, i) => {
      const segments = all(trk, "trkseg").map((s) => all(s, "trkpt").map(gpxPoint));
      const name = textOf(childAt(trk, "name")) ?? "";
      const words = `${textOf(childAt(trk, "type")) ?? ""} ${name}`;
      return rowOf({ where: `track ${i + 1}`, name, words, source: "gpx" }, trackFigures(segments), o);
    }),
  };
}

/** Points of all tracks of a GPX file. */
export function gpxPoints(text: string): Read<RecordedPoint[]> {
  const xml = readXml(text);
  if (!xml.ok) return xml;
  const tracks = all(childAt(xml.value, "gpx"), "trk");
  return { ok: true, value: tracks.flatMap((t) => all(t, "trkseg").flatMap((s) => all(s, "trkpt").map(gpxPoint))) };
}

/** Points of all activities of a TCX file. */
export function tcxPoints(text: string): Read<RecordedPoint[]> {
  const xml = readXml(text);
  if (!xml.ok) return xml;
  const activities = all(childAt(xml.value, "TrainingCenterDatabase", "Activities"), "Activity");
  const laps = activities.flatMap((a) => all(a, "Lap"));
  return { ok: true, value: laps.flatMap((l) => all(l, "Track").flatMap((t) => all(t, "Trackpoint").map(tcxPoint))) };
}

function gpxPoint(node: unknown): Point {
  const extensions = childAt(node, "extensions");
  const heartRate = numberOf(childAt(extensions, "TrackPointExtension", "hr")) ?? numberOf(childAt(extensions, "hr"));
  return point({
    time: timeOf(textOf(childAt(node, "time"))),
    lat: numberOf(childAt(node, "@lat")),
    lon: numberOf(childAt(node, "@lon")),
    elevation: numberOf(childAt(node, "ele")),
    heartRate,
  });
}

/** @returns a row for each activity */
export function readTcx(text: string, o: RecordingOptions): Read<ImportRow[]> {
  const xml = readXml(text);
  if (!xml.ok) return xml;
  const root = childAt(xml.value, "TrainingCenterDatabase");
  if (root === undefined) return none("A TCX file expected: there is no TrainingCenterDatabase element.");
  const activities = all(childAt(root, "Activities"), "Activity");
  if (activities.length === 0) return none("A recorded activity expected: the file holds courses or workouts only.");
  return {
    ok: true,
    value: activities.map((activity, i) => {
      const laps = all(activity, "Lap");
      const segments = laps.flatMap((lap) => all(lap, "Track").map((t) => all(t, "Trackpoint").map(tcxPoint)));
      const name = textOf(childAt(activity, "Notes")) ?? "";
      const words = `${textOf(childAt(activity, "@Sport")) ?? ""} ${name}`;
      return rowOf({ where: `activity ${i + 1}`, name, words, source: "tcx" }, tcxFigures(activity, laps, segments), o);
    }),
  };
}

/** The laps' own totals go before what the points add up to: a device leaves pauses out of them. */
function tcxFigures(activity: unknown, laps: readonly unknown[], segments: readonly Point[][]): TrackFigures | null {
  const sum = (name: string): number | undefined => {
    const values = laps.map((lap) => numberOf(childAt(lap, name)));
    return values.length > 0 && values.every((v) => v !== undefined && v >= 0)
      ? values.reduce<number>((a, v) => a + (v ?? 0), 0)
      : undefined;
  };
  const seconds = sum("TotalTimeSeconds");
  const metres = sum("DistanceMeters");
  const start = timeOf(textOf(childAt(activity, "Id")) ?? textOf(childAt(laps[0], "@StartTime")));
  const track = trackFigures(segments);
  const weighed = laps.map((lap) => [
    numberOf(childAt(lap, "AverageHeartRateBpm", "Value")),
    numberOf(childAt(lap, "TotalTimeSeconds")) ?? 0,
  ]);
  const rated = weighed.filter((w) => w[0] !== undefined);
  const rateSeconds = rated.reduce((a, w) => a + (w[1] ?? 0), 0);
  const rate =
    rateSeconds > 0 ? Math.round(rated.reduce((a, w) => a + (w[0] ?? 0) * (w[1] ?? 0), 0) / rateSeconds) : undefined;
  if (track)
    return {
      ...track,
      start: Number.isFinite(start) ? start : track.start,
      minutes: seconds === undefined ? track.minutes : seconds / 60,
      distanceKm: metres === undefined ? track.distanceKm : metres / 1000,
      heartRate: rate ?? track.heartRate,
    };
  if (!Number.isFinite(start) || seconds === undefined) return null;
  return {
    start,
    minutes: seconds / 60,
    distanceKm: (metres ?? 0) / 1000,
    ascentM: undefined,
    descentM: undefined,
    heartRate: rate,
  };
}

const tcxPoint = (node: unknown): Point =>
  point({
    time: timeOf(textOf(childAt(node, "Time"))),
    lat: numberOf(childAt(node, "Position", "LatitudeDegrees")),
    lon: numberOf(childAt(node, "Position", "LongitudeDegrees")),
    elevation: numberOf(childAt(node, "AltitudeMeters")),
    distanceM: numberOf(childAt(node, "DistanceMeters")),
    heartRate: numberOf(childAt(node, "HeartRateBpm", "Value")),
  });

/** A point as a device or a table gives it; what cannot be is left out. */
export type RecordedPoint = Raw;
type Raw = { time: number } & { [K in Exclude<keyof Point, "time">]?: number | undefined };

/** Leaves out what is not there, and what cannot be. */
function point(p: Raw): Point {
  const within = (v: number | undefined, lo: number, hi: number) =>
    v !== undefined && v >= lo && v <= hi ? v : undefined;
  const out: Point = { time: p.time };
  const lat = within(p.lat, -90, 90);
  const lon = within(p.lon, -180, 180);
  if (lat !== undefined && lon !== undefined) Object.assign(out, { lat, lon });
  const elevation = within(p.elevation, -500, 9000);
  if (elevation !== undefined) out.elevation = elevation;
  if (p.distanceM !== undefined) out.distanceM = p.distanceM;
  const heartRate = within(p.heartRate, 20, 250);
  if (heartRate !== undefined) out.heartRate = heartRate;
  return out;
}

interface Recorded {
  where: string;
  name: string;
  /** What may say the sport. */
  words: string;
  source: "gpx" | "tcx" | "fit" | "points";
}

function rowOf({ where, name, words, source }: Recorded, f: TrackFigures | null, o: RecordingOptions): ImportRow {
  const label = name.slice(0, 120) || where;
  if (!f)
    return { where, label, notes: [], fault: "Two points with a time expected; without times there is no duration." };
  if (!(f.minutes > 0))
    return { where, label, notes: [], fault: "A duration above 0 expected: the times do not go on." };
  const notes: string[] = [];
  const speed = f.distanceKm / (f.minutes / 60);
  const named = sportOf(words);
  const sport = named ?? (o.sport === "run" && f.distanceKm > 0.5 && speed < WALKING ? "hike" : o.sport);
  if (!named) notes.push(`sport not named, taken as ${sport}`);
  const kind = kindOf(name);
  const { date, time } = wallClock(o.zone, f.start);
  const session: EnduranceSession = {
    date,
    start: time,
    sport,
    kind: kind ?? assumedKind(sport, f.minutes),
    minutes: Math.max(1, Math.round(f.minutes)),
    ...(f.distanceKm > 0.01 ? { distanceKm: Math.round(f.distanceKm * 1000) / 1000 } : {}),
    ...(f.ascentM === undefined ? {} : { ascentM: f.ascentM }),
    ...(f.descentM === undefined ? {} : { descentM: f.descentM }),
    ...(f.heartRate === undefined ? {} : { averageHeartRate: f.heartRate }),
    done: true,
    source: `${source}:${new Date(f.start).toISOString()}`,
  };
  if (!kind) notes.push(`kind not named, taken as ${session.kind}`);
  return { where, label, notes, incoming: { session, kindGuessed: !kind } };
}

/** What a device counted itself; it goes before what the points add up to. */
interface Counted {
  words: string;
  source: Recorded["source"];
  /** ms since 1970; NaN where it is not said. */
  start: number;
  minutes?: number | undefined;
  distanceKm?: number | undefined;
  ascentM?: number | undefined;
  descentM?: number | undefined;
  heartRate?: number | undefined;
}

/** One recording as a row. */
export function recordedRow(
  name: string,
  points: readonly RecordedPoint[],
  o: RecordingOptions,
  c: Counted = { words: "", source: "points", start: Number.NaN },
): ImportRow {
  const track = trackFigures([points.map(point)]);
  const start = Number.isFinite(c.start) ? c.start : track?.start;
  const minutes = c.minutes ?? track?.minutes;
  const figures: TrackFigures | null =
    start === undefined || minutes === undefined
      ? null
      : {
          start,
          minutes,
          distanceKm: c.distanceKm ?? track?.distanceKm ?? 0,
          ascentM: c.ascentM ?? track?.ascentM,
          descentM: c.descentM ?? track?.descentM,
          heartRate: c.heartRate ?? track?.heartRate,
        };
  return rowOf({ where: "recording", name, words: `${c.words} ${name}`, source: c.source }, figures, o);
}

const none = (expected: string): Read<ImportRow[]> => ({ ok: false, faults: [{ path: "(file)", expected }] });
