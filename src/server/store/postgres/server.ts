/** A database server with many clubs: its connections, and which clubs there are. */
import pg from "pg";
import { DataSource, type DataSourceOptions } from "typeorm";
import type { PostgresDriver } from "typeorm/driver/postgres/PostgresDriver.js";
import { ENTITIES } from "../entities";
import { Unusable } from "../faults";
import { SERVER_MIGRATIONS } from "./migrations";
import { useServerRunners } from "./runner";

export interface ClubFacts {
  id: string;
  name: string;
  /** The name under which browsers find it, such as "harriers.example.org". */
  host: string;
}

export interface Sizes {
  /** Connections that read, and that write, at once; a thread that only reads has none that write. */
  readers: number;
  writers: number;
}
const SIZES: Sizes = { readers: 10, writers: 5 };
/** A connection is waited for so long, which on a busy evening is also the line for one that is free; a statement may take so long, ms. */
const CONNECT_MS = 15_000;
const STATEMENT_MS = 60_000;

// Counts come as numbers, as from a file.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);

const LATEST = new (SERVER_MIGRATIONS.at(-1) as (typeof SERVER_MIGRATIONS)[number])().name;

const options = (url: string, size: number): DataSourceOptions => ({
  type: "postgres",
  url,
  entities: ENTITIES,
  migrations: SERVER_MIGRATIONS,
  migrationsRun: false,
  synchronize: false,
  installExtensions: false,
  poolSize: size,
  connectTimeoutMS: CONNECT_MS,
  applicationName: "field-anchor",
  extra: { statement_timeout: STATEMENT_MS, connectionTimeoutMillis: CONNECT_MS },
});

/** Rows that an edit changes, written down by triggers: of one connection, and gone with the transaction. */
const ROW_CHANGE =
  'CREATE TEMP TABLE IF NOT EXISTS row_change (seq bigint GENERATED ALWAYS AS IDENTITY, tbl text, "before" text, "after" text) ON COMMIT DELETE ROWS';

interface Client {
  query(sql: string): Promise<unknown>;
}
interface ClientPool {
  on(event: "connect", told: (client: Client) => void): void;
}
const poolOf = (source: DataSource): ClientPool => (source.driver as PostgresDriver).master as ClientPool;

async function connected(url: string, size: number): Promise<DataSource> {
  const source = new DataSource(options(url, size));
  await source.initialize();
  useServerRunners(source);
  return source;
}

export class DatabaseServer {
  private constructor(
    readonly readers: DataSource,
    readonly writers: DataSource,
  ) {}

  /**
   * @param url of the application's role, such as "postgres://field_anchor@db/field_anchor"
   * @throws Unusable where the tables are missing or of another version, or the role sees more than one club
   */
  static async connect(url: string, sizes: Sizes = SIZES): Promise<DatabaseServer> {
    const readers = await connected(url, sizes.readers);
    try {
      await lookAtServer(readers);
      if (sizes.writers === 0) return new DatabaseServer(readers, readers);
      const writers = await connected(url, sizes.writers);
      poolOf(writers).on("connect", (client) => void client.query(ROW_CHANGE).catch(() => undefined));
      // The connection that is there already.
      await writers.query(ROW_CHANGE);
      return new DatabaseServer(readers, writers);
    } catch (error) {
      await readers.destroy();
      throw error;
    }
  }

  /** @returns the club of an address; null where there is none */
  async clubAt(host: string): Promise<Omit<ClubFacts, "host"> | null> {
    const [club] = (await this.readers.query("SELECT id, name FROM club_at(?)", [host])) as Omit<ClubFacts, "host">[];
    return club ?? null;
  }

  clubs(): Promise<ClubFacts[]> {
    return this.readers.query("SELECT id, name, host FROM all_clubs()");
  }

  async close(): Promise<void> {
    await this.readers.destroy();
    if (this.writers !== this.readers) await this.writers.destroy();
  }
}

async function lookAtServer(source: DataSource): Promise<void> {
  const made = (await source.query("SELECT to_regclass('public.migrations') IS NOT NULL AS made")) as [
    { made: boolean },
  ];
  const names = made[0].made
    ? ((await source.query("SELECT name FROM migrations ORDER BY timestamp")) as { name: string }[]).map((m) => m.name)
    : [];
  if (names.at(-1) !== LATEST)
    throw new Unusable(
      `The tables on the database server are ${names.length === 0 ? "not made yet" : "of another version of Field Anchor"}: run npm run migrate with the owner's address.`,
    );
  const [role] = (await source.query(
    "SELECT current_user AS name, rolsuper OR rolbypassrls AS exempt, pg_has_role(current_user, (SELECT relowner FROM pg_class WHERE oid = 'public.athlete'::regclass), 'MEMBER') AS owner FROM pg_roles WHERE rolname = current_user",
  )) as [{ name: string; exempt: boolean; owner: boolean }];
  if (role.exempt || role.owner)
    throw new Unusable(
      `The role ${role.name} may see every club: the application's role is expected to be no superuser, without BYPASSRLS, and not the owner of the tables.`,
    );
}
