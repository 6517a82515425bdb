/** Tables as one workbook (XLSX): texts are texts and numbers numbers; a text is never run as a formula. */
import writeWorkbook from "write-excel-file/node";
import type { PlainTable } from "../../formats/export/tables";

/** Width of a column, in letters. */
const WIDE = 16;

export const workbookOf = (tables: readonly PlainTable[]): Promise<Uint8Array> =>
  writeWorkbook(
    tables.map(({ name, headings, rows }) => ({
      sheet: name,
      columns: headings.map(() => ({ width: WIDE })),
      stickyRowsCount: 1,
      data: [
        headings.map((value) => ({ value, type: String, fontWeight: "bold" as const })),
        ...rows.map((r) =>
          r.map((value) =>
            value === null ? null : typeof value === "number" ? { value, type: Number } : { value, type: String },
          ),
        ),
      ],
    })),
  ).toBuffer();
