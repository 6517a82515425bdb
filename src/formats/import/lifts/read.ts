/** A spreadsheet of strength work or test results, CSV or XLSX: the sheet that holds it, with its columns guessed. */
import type { IsoDate } from "../../../core/dates";
import type { Read } from "../../athlete-file";
import { decodeText } from "../decode";
import { readTable, type Table } from "../table";
import { isZip } from "../unpack";
import { guessLifts, type LiftMapping } from "./columns";
import { type SheetRow, sheetRows } from "./rows";
import { readTables } from "./workbook";

export interface Spreadsheet {
  table: Table;
  mapping: LiftMapping;
  rows: SheetRow[];
}

const refuse = (expected: string): Read<Spreadsheet> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/** @returns every table of the file */
async function tablesIn(bytes: Uint8Array): Promise<Read<Table[]>> {
  if (isZip(bytes)) return readTables(bytes);
  const text = decodeText(bytes, true);
  if (!text.ok) return text;
  const table = readTable(text.value);
  return table.ok ? { ok: true, value: [table.value] } : table;
}

/**
 * Never throws: a file that cannot be read says why.
 * @param today rows of days to come are refused
 */
export async function readSpreadsheet(
  bytes: Uint8Array,
  o: { massUnit: "kg" | "lb"; today: IsoDate },
): Promise<Read<Spreadsheet>> {
  try {
    const read = await tablesIn(bytes);
    if (!read.ok) return read;
    for (const table of read.value) {
      const mapping = guessLifts(table, o);
      if (mapping) return { ok: true, value: { table, mapping, rows: sheetRows(table, mapping, o.today) } };
    }
    return refuse(
      "A table of strength work (a column of exercises, one of repetitions or of work) or of test results (test, left, right, value) expected.",
    );
  } catch (error) {
    return refuse(`A file that can be read expected: ${error instanceof Error ? error.message : "unknown fault"}.`);
  }
}
