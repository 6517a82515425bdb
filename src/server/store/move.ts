/** Takes a whole club from one database to another, a file or a server, and reads it again there. */
import { createHash } from "node:crypto";
import type { EntityManager } from "typeorm";
import { Unusable } from "./faults";
import { ROWS_AT_ONCE } from "./lists";
import { TABLES, type Table } from "./postgres/tables";
import type { Store } from "./store";

/** What of a club is moved. */
export type Movable = Pick<Store, "db" | "isFile">;

type Value = string | number | boolean | null;
export interface Moved {
  /** Rows by table. */
  counts: Record<string, number>;
  /** SHA-256 over all rows of all tables, whichever database they are in. */
  sha256: string;
}

const quoted = (names: readonly string[]): string => names.map((n) => `"${n}"`).join(", ");

/** Rows of one table in the order of its key, their values as JSON has them. */
async function* rowsOf(m: EntityManager, { name, columns, key }: Table): AsyncGenerator<Value[][]> {
  const names = Object.keys(columns);
  for (let from = 0; ; from += PAGE) {
    const rows: Record<string, Value>[] = await m.query(
      `SELECT ${quoted(names)} FROM ${name} ORDER BY ${quoted(key)} LIMIT ${PAGE} OFFSET ${from}`,
    );
    yield rows.map((r) => names.map((n) => plain(r[n] ?? null, columns[n] ?? "")));
    if (rows.length < PAGE) return;
  }
}

/** Rows read at once. */
const PAGE = 2000;

const plain = (value: Value, type: string): Value =>
  value !== null && type.startsWith("boolean") ? Boolean(value) : value;

/** What a club holds. */
export async function contentOf(store: Movable): Promise<Moved> {
  return store.db.reading("view", async () => {
    const hash = createHash("sha256");
    const counts: Record<string, number> = {};
    for (const table of TABLES) {
      hash.update(`\u001e${table.name}\n`);
      counts[table.name] = 0;
      for await (const rows of rowsOf(store.db.reader, table)) {
        counts[table.name] = (counts[table.name] ?? 0) + rows.length;
        for (const row of rows) hash.update(`${JSON.stringify(row)}\n`);
      }
    }
    return { counts, sha256: hash.digest("hex") };
  });
}

async function insert(m: EntityManager, { name, columns }: Table, rows: readonly Value[][], onFile: boolean) {
  const names = Object.keys(columns);
  const one = `(${names.map(() => "?").join(", ")})`;
  // A file has no type for true and false.
  const stored = (v: Value): Value => (onFile && typeof v === "boolean" ? Number(v) : v);
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) {
    const some = rows.slice(i, i + ROWS_AT_ONCE);
    await m.query(
      `INSERT INTO ${name} (${quoted(names)}) VALUES ${some.map(() => one).join(", ")}`,
      some.flatMap((row) => row.map(stored)),
    );
  }
}

/**
 * Copies a club; nothing of it is stored where anything goes wrong on the way. What stood in the place of its going is untouched.
 * @param told how many rows of how many are there
 * @throws Unusable where the other club holds anybody already, or does not hold afterwards what this one holds
 */
export async function moveClub(
  from: Movable,
  to: Movable,
  told: (table: string) => void = () => undefined,
): Promise<Moved> {
  await from.db.reading("view", () =>
    to.db.writeAside(async (m) => {
      for (const table of TABLES) {
        const [{ n }] = (await m.query(`SELECT count(*) AS n FROM ${table.name}`)) as [{ n: number | string }];
        if (Number(n) > 0)
          throw new Unusable(
            `The other club is not empty (${table.name}): a club is moved into a new one. Nothing was changed.`,
          );
      }
      for (const table of TABLES) {
        told(table.name);
        for await (const rows of rowsOf(from.db.reader, table)) await insert(m, table, rows, to.isFile);
      }
    }),
  );
  const [here, there] = [await contentOf(from), await contentOf(to)];
  if (here.sha256 !== there.sha256)
    throw new Unusable(
      "The other club does not hold what this one holds: it was changed meanwhile. Stop the server of this club, empty the other one and move again.",
    );
  return there;
}
