/** A table of the points of one recording: told by its places, so that no point is taken for a session. */
import type { RecordedPoint } from "./recordings";
import type { Table } from "./table";
import { momentFrom, numberFrom } from "./values";
import { plain } from "./words";

const NAMES = {
  lat: /^lat/,
  lon: /^(lon|lng)/,
  time: /time|date|zeit|stamp|temps/,
  elevation: /ele|alt|hohe/,
  heartRate: /heart|\bhr\b|puls|bpm/,
} as const;

/** ms since 1970 of an instant, a moment without a zone (taken as UTC), or seconds since 1970. */
function timeOf(text: string): number {
  if (/^\d{9,11}(\.\d+)?$/.test(text)) return Number(text) * 1000;
  if (/^\d{13}$/.test(text)) return Number(text);
  const m = momentFrom(text, "ymd");
  if (m?.instant !== undefined) return m.instant;
  const seconds = /:\d{2}:(\d{2}(?:\.\d+)?)/.exec(text)?.[1];
  return m?.time === undefined ? Number.NaN : Date.parse(`${m.date}T${m.time}:${(seconds ?? "00").padStart(2, "0")}Z`);
}

/** @returns null where the table holds no places */
export function pointsIn(table: Table): RecordedPoint[] | null {
  const headings = table.headings.map(plain);
  const at = (words: RegExp) => headings.findIndex((h) => words.test(h));
  const [lat, lon, time] = [at(NAMES.lat), at(NAMES.lon), at(NAMES.time)];
  if (lat < 0 || lon < 0 || time < 0) return null;
  const [elevation, heartRate] = [at(NAMES.elevation), at(NAMES.heartRate)];
  return table.rows.map(({ cells }) => {
    const number = (i: number) => (i < 0 ? undefined : (numberFrom(cells[i] ?? "", ".") ?? undefined));
    return {
      time: timeOf((cells[time] ?? "").trim()),
      lat: number(lat),
      lon: number(lon),
      elevation: number(elevation),
      heartRate: number(heartRate),
    };
  });
}
