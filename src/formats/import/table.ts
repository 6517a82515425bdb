/** A CSV file (RFC 4180, and what spreadsheets make of it) as headings and rows. */
import Papa from "papaparse";
import type { Read } from "../athlete-file";

export interface Table {
  headings: string[];
  rows: { line: number; cells: string[] }[];
  delimiter: string;
}

/** Limits of what is taken for a table of sessions. */
export const TABLE_LIMITS = { columns: 200, rows: 100_000, cell: 5000 };

const refuse = (expected: string): Read<Table> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/**
 * @param text of the file
 * @param progress called now and then with the share that is read; false stops
 */
export function readTable(text: string, progress?: (share: number) => boolean): Read<Table> {
  let headings: string[] | null = null;
  let delimiter = ",";
  let fault: string | null = null;
  const rows: Table["rows"] = [];
  // A first line "sep=;" is a spreadsheet's note to itself.
  const note = /^\uFEFF?sep=.\r?\n/i.exec(text)?.[0] ?? "";
  let line = note ? 1 : 0;
  let unclosed = false;
  const body = text.slice(note.length).replace(/^\uFEFF/, "");
  // Blank lines would speak against every sign, so the guess is made without them.
  const guess = Papa.parse(body.slice(0, 20_000), {
    preview: 30,
    skipEmptyLines: "greedy",
    delimitersToGuess: [",", ";", "\t", "|"],
  });
  Papa.parse<string[]>(body, {
    skipEmptyLines: false,
    delimiter: guess.meta.delimiter,
    step: (result, parser) => {
      const cells = result.data;
      // Line numbers are the file's own: a quoted cell may run over several.
      const at = line + 1;
      line += 1 + cells.reduce((a, c) => a + (c.match(/\r\n|\n|\r/g)?.length ?? 0), 0);
      unclosed ||= result.errors.some((e) => e.code === "MissingQuotes" || e.code === "InvalidQuotes");
      delimiter = result.meta.delimiter;
      if (cells.every((c) => c.trim() === "")) return;
      if (cells.length > TABLE_LIMITS.columns)
        fault = `At most ${TABLE_LIMITS.columns} columns expected, line ${at} has ${cells.length}.`;
      else if (cells.some((c) => c.length > TABLE_LIMITS.cell))
        fault = `Cells of at most ${TABLE_LIMITS.cell} characters expected, line ${at} has a longer one. A quotation mark may be missing.`;
      else if (rows.length >= TABLE_LIMITS.rows)
        fault = `At most ${TABLE_LIMITS.rows} rows expected. Export a shorter span of time.`;
      else if (!headings) headings = cells.map((c) => c.trim());
      else rows.push({ line: at, cells });
      const stop =
        fault !== null || (rows.length % 500 === 0 && progress?.(result.meta.cursor / text.length) === false);
      if (stop) parser.abort();
    },
  });
  if (fault) return refuse(fault);
  const found = headings as string[] | null;
  if (unclosed && rows.length < 2)
    return refuse("A table expected; a quotation mark is not closed, and the file may be cut off.");
  if (!found || found.filter((h) => h !== "").length < 2)
    return refuse("A table expected: a first line of at least two headings, parted by comma, semicolon or tab.");
  if (rows.length === 0) return refuse("Rows below the headings expected; there are none.");
  return { ok: true, value: { headings: found, rows, delimiter } };
}
