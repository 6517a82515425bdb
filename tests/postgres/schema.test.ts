/** Both databases have the same tables: a club's own file by its migrations, a database server by its own. */

import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { describe, expect, it } from "vitest";
import { TABLES } from "../../src/server/store/postgres/tables";
import { Store } from "../../src/server/store/store";
import { ON_SERVER, testDatabaseServer } from "../support/clubs";

interface Column {
  name: string;
  type: string;
  notNull: boolean;
  key: number;
  fallback: string | null;
}
interface Shape {
  columns: Column[];
  refs: string[];
  indexes: string[];
  unique: string[];
}

/** What SQLite itself says of the file's tables. */
async function shapesOfFile(): Promise<Map<string, Shape>> {
  const folder = mkdtempSync(join(tmpdir(), "field-anchor-schema-"));
  const file = join(folder, "club.sqlite");
  await (await Store.open(file)).close();
  const db = new BetterSqlite3(file, { readonly: true });
  const all = <T>(sql: string) => db.prepare(sql).all() as T[];
  const shapes = new Map<string, Shape>();
  for (const { name } of all<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> 'migrations'",
  )) {
    const columns = all<{ name: string; type: string; notnull: number; pk: number; dflt_value: string | null }>(
      `SELECT * FROM pragma_table_info('${name}')`,
    ).map((c) => ({
      name: c.name,
      type: c.type.toLowerCase(),
      notNull: c.notnull === 1,
      key: c.pk,
      fallback: c.dflt_value,
    }));
    const refs = all<{ table: string; from: string; to: string; on_delete: string }>(
      `SELECT * FROM pragma_foreign_key_list('${name}')`,
    ).map((r) => `${r.from} ${r.table}.${r.to} ${r.on_delete}`);
    const lists = all<{ name: string; origin: string; partial: number }>(`SELECT * FROM pragma_index_list('${name}')`);
    const columnsOf = (index: string) =>
      all<{ name: string }>(`SELECT name FROM pragma_index_info('${index}') ORDER BY seqno`)
        .map((c) => c.name)
        .join(" ");
    shapes.set(name, {
      columns,
      refs: refs.sort(),
      indexes: lists
        .filter((i) => i.origin === "c")
        .map((i) => `${i.name}: ${columnsOf(i.name)}${i.partial ? " partial" : ""}`)
        .sort(),
      unique: lists.filter((i) => i.origin === "u").map((i) => columnsOf(i.name)),
    });
  }
  db.close();
  rmSync(folder, { recursive: true, force: true });
  return shapes;
}

/** What the server's catalogue says, without the column of the club. */
async function shapesOfServer(): Promise<Map<string, Shape>> {
  const { readers } = await testDatabaseServer();
  const all = <T>(sql: string, values: unknown[] = []): Promise<T[]> => readers.query(sql, values);
  const shapes = new Map<string, Shape>();
  const tables = await all<{ name: string }>(
    "SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND relname NOT IN ('migrations', 'club', 'kept_answer')",
  );
  for (const { name } of tables) {
    const columns = await all<Omit<Column, "key"> & { position: number }>(
      `SELECT a.attname AS name, format_type(a.atttypid, NULL) AS type, a.attnotnull AS "notNull", pg_get_expr(d.adbin, d.adrelid) AS fallback, a.attnum AS position
       FROM pg_attribute a LEFT JOIN pg_attrdef d ON d.adrelid = a.attrelid AND d.adnum = a.attnum
       WHERE a.attrelid = ?::regclass AND a.attnum > 0 AND NOT a.attisdropped AND a.attname <> 'club_id' ORDER BY a.attnum`,
      [name],
    );
    const constraints = await all<{
      type: string;
      columns: string[];
      table: string | null;
      to: string[] | null;
      on_delete: string;
    }>(
      `SELECT c.contype AS type, c.confdeltype AS on_delete, c.confrelid::regclass::text AS table,
        ARRAY(SELECT attname::text FROM unnest(c.conkey) WITH ORDINALITY k(n, i) JOIN pg_attribute ON attrelid = c.conrelid AND attnum = n ORDER BY i) AS columns,
        ARRAY(SELECT attname::text FROM unnest(c.confkey) WITH ORDINALITY k(n, i) JOIN pg_attribute ON attrelid = c.confrelid AND attnum = n ORDER BY i) AS to
       FROM pg_constraint c WHERE c.conrelid = ?::regclass`,
      [name],
    );
    // Every key, and everything that refers to one, begins with the club.
    for (const c of constraints) expect(c.columns[0], `${name} ${c.type}`).toBe("club_id");
    const rest = (names: readonly string[] | null) => (names ?? []).slice(1).join(" ");
    const key = constraints.find((c) => c.type === "p")?.columns.slice(1) ?? [];
    const indexes = await all<{ name: string; columns: string[]; partial: boolean }>(
      `SELECT x.indexrelid::regclass::text AS name, x.indpred IS NOT NULL AS partial,
        ARRAY(SELECT attname::text FROM unnest(x.indkey) WITH ORDINALITY k(n, i) JOIN pg_attribute ON attrelid = x.indrelid AND attnum = n ORDER BY i) AS columns
       FROM pg_index x WHERE x.indrelid = ?::regclass AND NOT EXISTS (SELECT 1 FROM pg_constraint c WHERE c.conindid = x.indexrelid AND c.contype IN ('p', 'u'))`,
      [name],
    );
    shapes.set(name, {
      columns: columns.map(({ position: _, ...c }) => ({
        ...c,
        fallback: c.fallback?.replace("::text", "") ?? null,
        key: key.indexOf(c.name) + 1,
      })),
      refs: constraints
        .filter((c) => c.type === "f" && c.table !== "club")
        .map((c) => `${rest(c.columns)} ${c.table}.${rest(c.to)} ${c.on_delete === "c" ? "CASCADE" : c.on_delete}`)
        .sort(),
      indexes: indexes.map((i) => `${i.name}: ${rest(i.columns)}${i.partial ? " partial" : ""}`).sort(),
      unique: constraints.filter((c) => c.type === "u").map((c) => rest(c.columns)),
    });
  }
  return shapes;
}

const sorted = (shapes: Map<string, Shape>) => Object.fromEntries([...shapes].sort(([a], [b]) => (a < b ? -1 : 1)));

describe.runIf(ON_SERVER)("the tables of a database server", () => {
  it("are those of a club's own file, behind the column that names the club", async () => {
    const [file, server] = [await shapesOfFile(), await shapesOfServer()];
    expect(file.size).toBeGreaterThan(30);
    expect(sorted(server)).toEqual(sorted(file));
    expect(TABLES.map((t) => t.name).sort()).toEqual([...file.keys()].sort());
  });

  it("are closed to whoever has set no club, row by row and by force", async () => {
    const { readers } = await testDatabaseServer();
    const open: { relname: string }[] = await readers.query(
      "SELECT relname FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND relname NOT IN ('migrations', 'club') AND NOT (relrowsecurity AND relforcerowsecurity)",
    );
    expect(open).toEqual([]);
  });
});
