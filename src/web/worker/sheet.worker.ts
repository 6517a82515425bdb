/** Reads a spreadsheet away from the main thread; the table stays here, so that another mapping needs no second reading. */
import { expose } from "comlink";
import type { LiftMapping } from "../../formats/import/lifts/columns";
import { readSpreadsheet } from "../../formats/import/lifts/read";
import { type SheetRow, sheetRows } from "../../formats/import/lifts/rows";
import type { Table } from "../../formats/import/table";

export interface SheetFacts {
  headings: string[];
  /** A value of each column. */
  samples: string[];
  mapping: LiftMapping;
  rows: SheetRow[];
}
export type SheetAnswer = { ok: true; sheet: SheetFacts } | { ok: false; fault: string };

let table: Table | null = null;

const api = {
  async read(bytes: Uint8Array, o: { massUnit: "kg" | "lb"; today: string }): Promise<SheetAnswer> {
    const read = await readSpreadsheet(bytes, o);
    if (!read.ok) return { ok: false, fault: read.faults[0]?.expected ?? "It cannot be read." };
    const found = read.value;
    table = found.table;
    const samples = table.headings.map(
      (_, i) => found.table.rows.find((r) => (r.cells[i]?.trim() ?? "") !== "")?.cells[i]?.trim() ?? "",
    );
    return { ok: true, sheet: { headings: table.headings, samples, mapping: found.mapping, rows: found.rows } };
  },
  remap(mapping: LiftMapping, today: string): SheetRow[] {
    return table ? sheetRows(table, mapping, today) : [];
  },
};

export type SheetWorker = typeof api;
expose(api);
