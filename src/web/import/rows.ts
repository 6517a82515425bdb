/** All rows of all files in one list, with what becomes of each. Pure. */
import type { ImportAnswer } from "../../api/views";
import type { ImportRow } from "../../formats/import/rows";
import type { ForeignEntry } from "./useFiles";

export const FATES = ["new", "done", "changed", "moved", "same", "twice", "fault", "left"] as const;
export type RowFate = (typeof FATES)[number];

export interface ListedRow {
  key: string;
  file: string;
  row: ImportRow;
  fate: RowFate | null;
}

export const FATE_WORDS: Record<RowFate, string> = {
  new: "new",
  done: "does a planned session",
  changed: "replaces what was imported before",
  moved: "moves the race",
  same: "known already",
  twice: "told twice",
  fault: "cannot be taken",
  left: "left out",
};

/** Key of a row among all files. */
export const rowKey = (file: number, at: number): string => `${file}/${at}`;
/** The file of a row's key. */
export const fileOf = (key: string): number => Number(key.split("/")[0]);

/** What is asked of the server: the rows that are left in, in the order of the list. */
export function askedOf(files: readonly ForeignEntry[], left: ReadonlySet<string>) {
  const rows = files.flatMap((f) =>
    f.rows.flatMap((r, i) => (r.fault !== undefined || left.has(rowKey(f.key, i)) ? [] : [r])),
  );
  return {
    incoming: rows.flatMap((r) => (r.incoming ? [r.incoming] : [])),
    races: rows.flatMap((r) => (r.race ? [r.race] : [])),
  };
}

/** @param answer of the server to exactly these files and choices; null while it is awaited */
export function listRows(
  files: readonly ForeignEntry[],
  left: ReadonlySet<string>,
  answer: ImportAnswer | null,
): ListedRow[] {
  let [session, race] = [0, 0];
  return files.flatMap((f) =>
    f.rows.map((row, i): ListedRow => {
      const key = rowKey(f.key, i);
      const listed = (fate: RowFate | null): ListedRow => ({ key, file: f.name, row, fate });
      if (row.fault !== undefined) return listed("fault");
      if (left.has(key)) return listed("left");
      if (row.incoming) return listed(answer?.fates[session++]?.kind ?? null);
      return listed(answer?.raceFates[race++]?.kind ?? null);
    }),
  );
}

export function countFates(rows: readonly ListedRow[]): Record<RowFate, number> {
  const out = Object.fromEntries(FATES.map((f) => [f, 0])) as Record<RowFate, number>;
  for (const r of rows) if (r.fate) out[r.fate]++;
  return out;
}
