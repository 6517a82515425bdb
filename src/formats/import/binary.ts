/** Binary recordings of watches (FIT), and zipped folders of recordings and tables. */
import { Gunzip, Unzip, UnzipInflate } from "fflate";
import FitParser from "fit-file-parser";
import type { Read } from "../athlete-file";
import { MOST_BYTES } from "./decode";
import { type RecordedPoint, type RecordingOptions, recordedRow } from "./recordings";
import { checkedRow, type ImportRow } from "./rows";
import { joined, pieces, TooLarge } from "./unpack";

const refuse = (expected: string): Read<ImportRow[]> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/** ".FIT" stands behind the first eight bytes of its head. */
export const isFit = (b: Uint8Array): boolean =>
  b.length > 12 && b[8] === 0x2e && b[9] === 0x46 && b[10] === 0x49 && b[11] === 0x54;

interface FitRecord {
  timestamp?: Date | string;
  position_lat?: number;
  position_long?: number;
  altitude?: number;
  enhanced_altitude?: number;
  distance?: number;
  heart_rate?: number;
}
interface FitSession {
  start_time?: Date | string;
  timestamp?: Date | string;
  sport?: string;
  total_timer_time?: number;
  total_elapsed_time?: number;
  total_distance?: number;
  total_ascent?: number;
  total_descent?: number;
  avg_heart_rate?: number;
}

const msOf = (t: Date | string | undefined): number => (t === undefined ? Number.NaN : new Date(t).getTime());

const pointOf = (r: FitRecord): RecordedPoint => ({
  time: msOf(r.timestamp),
  lat: r.position_lat,
  lon: r.position_long,
  elevation: r.enhanced_altitude ?? r.altitude,
  distanceM: r.distance,
  heartRate: r.heart_rate,
});

/** Never throws. @returns a row for each session of the file */
export async function readFit(name: string, bytes: Uint8Array, o: RecordingOptions): Promise<Read<ImportRow[]>> {
  if (bytes.length > MOST_BYTES) return refuse(`A recording of at most ${MOST_BYTES / 1024 / 1024} MB expected.`);
  try {
    const data = await new FitParser({ mode: "list", force: false }).parseAsync(bytes.slice().buffer);
    const sessions = (data.sessions ?? []) as FitSession[];
    const records = ((data.records ?? []) as FitRecord[]).map(pointOf);
    if (sessions.length === 0 && records.length === 0)
      return refuse("A recorded activity expected: the file holds settings, a course or a workout only.");
    const parts = sessions.length > 0 ? sessions : [{}];
    const rows = parts.map((s, i) => {
      const [from, until] = [msOf(s.start_time), msOf(s.timestamp)];
      const own = parts.length === 1 ? records : records.filter((r) => r.time >= from && r.time <= until);
      const seconds = s.total_timer_time ?? s.total_elapsed_time;
      return recordedRow(parts.length === 1 ? name : `${name}, part ${i + 1}`, own, o, {
        words: s.sport ?? "",
        source: "fit",
        start: from,
        minutes: seconds === undefined ? undefined : seconds / 60,
        distanceKm: s.total_distance === undefined ? undefined : s.total_distance / 1000,
        ascentM: s.total_ascent,
        descentM: s.total_descent,
        heartRate: s.avg_heart_rate,
      });
    });
    return { ok: true, value: rows.map(checkedRow) };
  } catch {
    return refuse("A FIT recording that can be read expected; this one is damaged or cut off.");
  }
}

/** Points of all sessions of a FIT recording. */
export async function fitPoints(bytes: Uint8Array): Promise<Read<RecordedPoint[]>> {
  const data = await new FitParser({ mode: "list", force: false }).parseAsync(bytes.slice().buffer);
  return { ok: true, value: ((data.records ?? []) as FitRecord[]).map(pointOf) };
}

/** What a zipped folder may hold: files, bytes of all of them together. */
export const FOLDER_LIMITS = { files: 5000, unpacked: 1_000_000_000, packed: 300_000_000 };

/** One file of a folder, unpacked. */
interface Part {
  name: string;
  bytes: Uint8Array;
}

/** @throws TooLarge where more comes out than a recording has */
function unpacked({ name, bytes }: Part): Part {
  if (!/\.gz$/i.test(name)) return { name, bytes };
  const chunks: Uint8Array[] = [];
  let total = 0;
  const gunzip = new Gunzip((data) => {
    total += data.length;
    if (total > MOST_BYTES) throw new TooLarge();
    chunks.push(data);
  });
  for (const { piece, last } of pieces(bytes)) gunzip.push(piece, last);
  return { name: name.replace(/\.gz$/i, ""), bytes: joined(chunks) };
}

const WANTED = /\.(fit|gpx|tcx|csv|ics)(\.gz)?$/i;

/**
 * Reads every recording and table of a zipped folder, one after the other. Never throws.
 * @param read of one file
 * @param progress share of the folder that is read; false stops
 * @returns all rows, each with its file before its place; a file that cannot be read is a row that says so
 */
export async function readFolder(
  bytes: Uint8Array,
  read: (part: Part) => Promise<Read<ImportRow[]>>,
  progress?: (share: number) => boolean,
): Promise<Read<ImportRow[]>> {
  if (bytes.length > FOLDER_LIMITS.packed)
    return refuse(`A folder of at most ${FOLDER_LIMITS.packed / 1e6} MB expected.`);
  const rows: ImportRow[] = [];
  const ready: Part[] = [];
  let [files, total] = [0, 0];
  const unzip = new Unzip((file) => {
    if (!WANTED.test(file.name)) return;
    files += 1;
    if (files > FOLDER_LIMITS.files) throw new TooLarge();
    const chunks: Uint8Array[] = [];
    let own = 0;
    file.ondata = (error, data, last) => {
      if (error) throw error;
      own += data.length;
      total += data.length;
      if (own > MOST_BYTES || total > FOLDER_LIMITS.unpacked) throw new TooLarge();
      chunks.push(data);
      if (last) ready.push({ name: file.name.split("/").at(-1) ?? file.name, bytes: joined(chunks) });
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const take = async () => {
    for (let part = ready.shift(); part; part = ready.shift()) {
      const plain = unpacked(part);
      const found = await read(plain);
      if (found.ok) for (const r of found.value) rows.push({ ...r, where: `${part.name}, ${r.where}` });
      else
        rows.push({
          where: part.name,
          label: part.name,
          notes: [],
          fault: found.faults[0]?.expected ?? "It cannot be read.",
        });
    }
  };
  try {
    for (const { piece, last, share } of pieces(bytes)) {
      unzip.push(piece, last);
      await take();
      if (progress?.(share) === false) break;
    }
  } catch (error) {
    return refuse(
      error instanceof TooLarge
        ? `A folder of at most ${FOLDER_LIMITS.files} files expected, each of at most ${MOST_BYTES / 1024 / 1024} MB.`
        : "A zipped folder that can be read expected; this one is damaged or cut off.",
    );
  }
  if (rows.length === 0)
    return refuse("Recordings (FIT, GPX, TCX), tables (CSV) or calendars in the folder expected; there are none.");
  return { ok: true, value: rows };
}
