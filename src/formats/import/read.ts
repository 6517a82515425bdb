/** One way in for any foreign file: what it is, told by its content, and what is in it. */
import type { IsoDate } from "../../core/dates";
import type { Read } from "../athlete-file";
import { isFit, readFit, readFolder } from "./binary";
import { readCalendar } from "./calendar";
import { decodeText } from "./decode";
import { guessLifts } from "./lifts/columns";
import { guessMapping, type Mapping } from "./mapping";
import { pointsIn } from "./points";
import { type RecordingOptions, readGpx, readTcx, recordedRow } from "./recordings";
import { checkedRow, type ImportRow } from "./rows";
import { readSessions } from "./sessions";
import { readTable, type Table } from "./table";
import { isZip } from "./unpack";

export interface ReadOptions extends RecordingOptions {
  /** The season. */
  from: IsoDate;
  until: IsoDate;
  distanceUnit: "km" | "mi";
  massUnit: "kg" | "lb";
}

export type ForeignFile =
  | { kind: "table"; table: Table; mapping: Mapping; rows: ImportRow[] }
  | { kind: RecordKind; rows: ImportRow[] };

/** What a file is that is no table of sessions. */
export type RecordKind = "gpx" | "tcx" | "calendar" | "track points" | "fit" | "folder";

/** Path of the fault of a file that another view reads. */
export const STRENGTH = "(strength)";
const STRENGTH_WORDS = "This is a table of strength work or test results: it opens under Spreadsheets.";

const refuse = (expected: string): Read<ForeignFile> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/**
 * Never throws: a file that cannot be read says why, and nothing of it is taken.
 * @param name of the file, for its ending
 * @param progress share of the file that is read; false stops
 */
export function readForeign(
  name: string,
  bytes: Uint8Array,
  o: ReadOptions,
  progress?: (share: number) => boolean,
): Read<ForeignFile> {
  try {
    const table = /\.(csv|tsv|txt)$/i.test(name);
    const decoded = decodeText(bytes, table);
    if (!decoded.ok) return decoded;
    const text = decoded.value;
    const head = text.slice(0, 2000).trimStart();
    if (/^BEGIN:VCALENDAR/i.test(head)) return rows("calendar", readCalendar(text, o));
    if (head.startsWith("<") || /\.(gpx|tcx|xml)$/i.test(name)) {
      if (/<(\w+:)?gpx[\s>]/i.test(head) || /\.gpx$/i.test(name)) return rows("gpx", readGpx(text, o));
      if (/<(\w+:)?TrainingCenterDatabase[\s>]/.test(head) || /\.tcx$/i.test(name))
        return rows("tcx", readTcx(text, o));
      return refuse("A GPX or TCX recording expected; this is another kind of XML or a web page.");
    }
    if (/\.ics$/i.test(name)) return rows("calendar", readCalendar(text, o));
    if (!table && /^[[{]/.test(head))
      return refuse(
        "CSV, GPX, TCX or iCalendar expected; this looks like JSON. Athlete files come in on the squad page.",
      );
    const read = readTable(text, progress);
    if (!read.ok) return read;
    // Neither is a list of sessions: a time of day would be read as a duration, and a set as a run.
    const points = pointsIn(read.value);
    if (points) return { ok: true, value: { kind: "track points", rows: [checkedRow(recordedRow(name, points, o))] } };
    if (guessLifts(read.value, o)) return { ok: false, faults: [{ path: STRENGTH, expected: STRENGTH_WORDS }] };
    const mapping = guessMapping(read.value, o);
    return {
      ok: true,
      value: { kind: "table", table: read.value, mapping, rows: readSessions(read.value, mapping, o) },
    };
  } catch (error) {
    return refuse(`A file that can be read expected: ${error instanceof Error ? error.message : "unknown fault"}.`);
  }
}

/**
 * The same for every kind of file, binary ones among them: recordings of watches (FIT), zipped folders, workbooks. Never throws.
 * @param progress share of the file that is read; false stops
 */
export async function readAny(
  name: string,
  bytes: Uint8Array,
  o: ReadOptions,
  progress?: (share: number) => boolean,
): Promise<Read<ForeignFile>> {
  if (isFit(bytes)) {
    const read = await readFit(name, bytes, o);
    return read.ok ? { ok: true, value: { kind: "fit", rows: read.value } } : read;
  }
  if (!isZip(bytes)) return readForeign(name, bytes, o, progress);
  if (/\.xlsx$/i.test(name)) return { ok: false, faults: [{ path: STRENGTH, expected: STRENGTH_WORDS }] };
  const read = await readFolder(
    bytes,
    async (part) => {
      if (isFit(part.bytes)) return readFit(part.name, part.bytes, o);
      const found = readForeign(part.name, part.bytes, o);
      return found.ok ? { ok: true, value: found.value.rows } : found;
    },
    progress,
  );
  return read.ok ? { ok: true, value: { kind: "folder", rows: read.value } } : read;
}

const rows = (kind: "gpx" | "tcx" | "calendar", read: Read<ImportRow[]>): Read<ForeignFile> =>
  read.ok ? { ok: true, value: { kind, rows: read.value.map(checkedRow) } } : read;
