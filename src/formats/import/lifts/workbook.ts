/** A workbook (XLSX) as tables: the sheets as cells of text, read within limits that no file can stretch. */
import { Unzip, UnzipInflate, zipSync } from "fflate";
import readWorkbook from "read-excel-file/universal";
import type { Read } from "../../athlete-file";
import { TABLE_LIMITS, type Table } from "../table";
import { joined, pieces, TooLarge } from "../unpack";

/** A packed file may grow to this many bytes in all, in so many entries: a workbook of 100,000 rows stays below. */
export const WORKBOOK_LIMITS = { packed: 40_000_000, unpacked: 100_000_000, entries: 1000 };

const refuse = (expected: string): Read<Table[]> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/**
 * Unpacks within the limits and packs the sheets again without compression: the reader would inflate large parts in workers of its own, which
 * the page's rules do not allow.
 * @throws TooLarge where more comes out than a workbook has @throws Error where it is cut off
 */
function stored(bytes: Uint8Array): Uint8Array {
  let [total, entries] = [0, 0];
  const parts: Record<string, Uint8Array> = {};
  const unzip = new Unzip((file) => {
    entries += 1;
    if (entries > WORKBOOK_LIMITS.entries) throw new TooLarge();
    const chunks: Uint8Array[] = [];
    const wanted = /\.(xml|rels)$/.test(file.name);
    file.ondata = (error, data, last) => {
      if (error) throw error;
      total += data.length;
      if (total > WORKBOOK_LIMITS.unpacked) throw new TooLarge();
      if (wanted) chunks.push(data);
      if (wanted && last) parts[file.name] = joined(chunks);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  for (const { piece, last } of pieces(bytes)) unzip.push(piece, last);
  return zipSync(parts, { level: 0 });
}

const two = (n: number): string => String(n).padStart(2, "0");

/** A cell as it would stand in a text: days and hours as ISO 8601, numbers with a point. */
function textOf(cell: unknown): string {
  if (cell === null || cell === undefined) return "";
  if (cell instanceof Date) {
    const date = `${cell.getUTCFullYear()}-${two(cell.getUTCMonth() + 1)}-${two(cell.getUTCDate())}`;
    const minutes = cell.getUTCHours() * 60 + cell.getUTCMinutes();
    return minutes === 0 ? date : `${date} ${two(cell.getUTCHours())}:${two(cell.getUTCMinutes())}`;
  }
  return typeof cell === "boolean" ? (cell ? "yes" : "no") : String(cell).trim();
}

function tableOf(data: readonly (readonly unknown[])[]): Table | null {
  const rows = data.map((cells, i) => ({ line: i + 1, cells: cells.map(textOf) }));
  const at = rows.findIndex((r) => r.cells.filter((c) => c !== "").length >= 2);
  const head = rows[at];
  if (!head || head.cells.length > TABLE_LIMITS.columns) return null;
  const body = rows.slice(at + 1).filter((r) => r.cells.some((c) => c !== ""));
  if (body.length === 0 || body.length > TABLE_LIMITS.rows) return null;
  if (body.some((r) => r.cells.some((c) => c.length > TABLE_LIMITS.cell))) return null;
  return { headings: head.cells, rows: body, delimiter: "\t" };
}

/**
 * Never throws: a workbook that cannot be read says why.
 * @returns the sheets that hold a table, in their order; formulas stand with the value they last had
 */
export async function readTables(bytes: Uint8Array): Promise<Read<Table[]>> {
  if (bytes.length > WORKBOOK_LIMITS.packed)
    return refuse(`A workbook of at most ${WORKBOOK_LIMITS.packed / 1e6} MB expected.`);
  try {
    const sheets = await readWorkbook(stored(bytes).slice().buffer);
    const tables = sheets.flatMap((s) => tableOf(s.data) ?? []);
    if (tables.length === 0)
      return refuse("A sheet with a line of headings and rows below it expected; there is none.");
    return { ok: true, value: tables };
  } catch (error) {
    if (error instanceof TooLarge)
      return refuse(
        `A workbook of at most ${WORKBOOK_LIMITS.unpacked / 1e6} MB unpacked and ${WORKBOOK_LIMITS.entries} parts expected.`,
      );
    return refuse("A workbook (XLSX) that can be read expected; this one is damaged, cut off or of another kind.");
  }
}
