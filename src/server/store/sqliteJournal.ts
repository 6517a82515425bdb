/** How a file of the club's own writes down the rows that an edit changes. */
import { ATHLETE_COLUMNS, JOURNAL_TABLES } from "./journal";
import type { RawDatabase } from "./raw";

/** Connections on which an edit is under way. */
const watching = new WeakSet<RawDatabase>();

/**
 * Has SQLite itself write down each row that changes while an edit is under way (triggers of this connection alone), so that a change costs
 * what it changes and not what the athlete has.
 */
export function prepareJournal(raw: RawDatabase): void {
  raw.function("journal_on", () => (watching.has(raw) ? 1 : 0));
  raw.exec("CREATE TEMP TABLE IF NOT EXISTS row_change (seq INTEGER PRIMARY KEY, tbl TEXT, before TEXT, after TEXT)");
  for (const { table } of JOURNAL_TABLES) {
    const all = (raw.prepare(`SELECT name FROM pragma_table_info('${table}')`).all() as { name: string }[]).map(
      (c) => c.name,
    );
    const columns = table === "athlete" ? ATHLETE_COLUMNS : all;
    const json = (row: "old" | "new") => `json_object(${columns.map((c) => `'${c}', ${row}."${c}"`).join(", ")})`;
    for (const [event, before, after] of [
      ["INSERT", "NULL", json("new")],
      ["UPDATE", json("old"), json("new")],
      ["DELETE", json("old"), "NULL"],
    ] as const)
      raw.exec(`CREATE TEMP TRIGGER IF NOT EXISTS journal_${table}_${event} AFTER ${event} ON main.${table}
        WHEN journal_on()
        BEGIN INSERT INTO row_change (tbl, before, after) VALUES ('${table}', ${before}, ${after}); END`);
  }
}

/** Has the changes of rows written down while an edit does its work, inside its transaction. */
export async function watchedIn<T>(raw: RawDatabase, work: () => Promise<T>): Promise<T> {
  raw.exec("DELETE FROM temp.row_change");
  watching.add(raw);
  try {
    return await work();
  } finally {
    watching.delete(raw);
  }
}
