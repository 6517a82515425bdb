/** What the owner of the tables does and the application cannot: making and changing tables, making clubs. */
import { randomUUID } from "node:crypto";
import { DataSource } from "typeorm";
import { SERVER_MIGRATIONS } from "./migrations";
import type { ClubFacts } from "./server";
import { grantsSql } from "./tables";

const PLAIN = /^[a-z_][a-z0-9_]*$/;

/** @param url of the owner's role */
async function asOwner<T>(url: string, work: (source: DataSource) => Promise<T>): Promise<T> {
  const source = new DataSource({
    type: "postgres",
    url,
    migrations: SERVER_MIGRATIONS,
    synchronize: false,
    installExtensions: false,
    poolSize: 1,
  });
  await source.initialize();
  try {
    return await work(source);
  } finally {
    await source.destroy();
  }
}

/**
 * Brings the tables up to this version, and lets the application's role use them.
 * @param role of the application
 * @returns names of the migrations that were run
 */
export function migrateServer(url: string, role: string): Promise<string[]> {
  if (!PLAIN.test(role)) throw new Error(`Role: small letters, digits and _ expected, found "${role}"`);
  return asOwner(url, async (source) => {
    const done = await source.runMigrations({ transaction: "all" });
    const [{ database }] = (await source.query("SELECT current_database() AS database")) as [{ database: string }];
    for (const sql of grantsSql(role, database)) await source.query(sql);
    return done.map((m) => m.name);
  });
}

/** @returns its id @throws where another club has the address */
export function addClub(
  url: string,
  { name, host, id = randomUUID() }: Omit<ClubFacts, "id"> & { id?: string },
): Promise<string> {
  return asOwner(url, async (source) => {
    const taken = await source.query("SELECT 1 FROM club WHERE host = $1", [host.toLowerCase()]);
    if (taken.length > 0) throw new Error(`Another club has the address ${host}.`);
    await source.query("INSERT INTO club (id, name, host) VALUES ($1, $2, $3)", [id, name, host.toLowerCase()]);
    return id;
  });
}
