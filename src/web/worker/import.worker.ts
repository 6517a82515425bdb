/** Reads one foreign file away from the main thread; the table stays here, so that another mapping needs no second reading. */
import { expose } from "comlink";
import type { Mapping } from "../../formats/import/mapping";
import { type ForeignFile, type ReadOptions, readAny, STRENGTH } from "../../formats/import/read";
import type { ImportRow } from "../../formats/import/rows";
import { readSessions } from "../../formats/import/sessions";
import { readSplits, type Splits } from "../../formats/import/splits";
import type { Table } from "../../formats/import/table";

export interface TableFacts {
  headings: string[];
  /** A few values of each column. */
  samples: string[][];
  mapping: Mapping;
}

export type FileAnswer =
  | { ok: true; kind: ForeignFile["kind"]; table: TableFacts | null; rows: ImportRow[] }
  | {
      ok: false;
      fault: string;
      /** Another view reads it: strength work or test results. */
      strength: boolean;
    };

let table: Table | null = null;
let options: ReadOptions | null = null;

const api = {
  async read(name: string, bytes: Uint8Array, o: ReadOptions, progress: (share: number) => void): Promise<FileAnswer> {
    options = o;
    const read = await readAny(name, bytes, o, (share) => {
      progress(share);
      return true;
    });
    if (!read.ok) {
      const [first] = read.faults;
      return { ok: false, fault: first?.expected ?? "It cannot be read.", strength: first?.path === STRENGTH };
    }
    const { value } = read;
    if (value.kind !== "table") return { ok: true, kind: value.kind, table: null, rows: value.rows };
    table = value.table;
    const samples = table.headings.map((_, i) =>
      (table?.rows ?? [])
        .map((r) => r.cells[i]?.trim() ?? "")
        .filter((c) => c !== "")
        .slice(0, 3),
    );
    return {
      ok: true,
      kind: "table",
      table: { headings: table.headings, samples, mapping: value.mapping },
      rows: value.rows,
    };
  },
  /** Splits of a race from its recording. */
  async splits(name: string, bytes: Uint8Array): Promise<{ ok: true; splits: Splits } | { ok: false; fault: string }> {
    const read = await readSplits(name, bytes);
    return read.ok
      ? { ok: true, splits: read.value }
      : { ok: false, fault: read.faults[0]?.expected ?? "It cannot be read." };
  },
  remap(mapping: Mapping): ImportRow[] {
    return table && options ? readSessions(table, mapping, options) : [];
  },
};

export type ImportWorker = typeof api;
expose(api);
