/** How statements written for a club's own file are said to a database server. */
import type { DataSource, ReplicationMode } from "typeorm";
import type { PostgresDriver } from "typeorm/driver/postgres/PostgresDriver.js";
import { PostgresQueryRunner } from "typeorm/driver/postgres/PostgresQueryRunner.js";
import { CLUB } from "./tables";

/**
 * Places of values have numbers, and every key begins with its club.
 * @example forServer("DELETE FROM race WHERE id = ? AND date = ?") // "DELETE FROM race WHERE id = $1 AND date = $2"
 */
export function forServer(sql: string): string {
  let n = 0;
  // What stands in quotes is a value or a name.
  return sql
    .replace(/'(?:[^']|'')*'|\?/g, (found) => (found === "?" ? `$${++n}` : found))
    .replace(/\bON CONFLICT \(\s*/, "ON CONFLICT (club_id, ");
}

/** The runner of one connection, which takes one statement after the other. */
export class ServerRunner extends PostgresQueryRunner {
  private line: Promise<unknown> = Promise.resolve();

  override query<T>(sql: string, values?: unknown[], structured = false): Promise<T> {
    const turn = this.line.then(() => super.query(forServer(sql), values, structured));
    this.line = turn.catch(() => undefined);
    return turn;
  }
}

/** Without a transaction of its own, each statement has one that sets its club and ends with it. */
export class ClubRunner extends PostgresQueryRunner {
  constructor(
    private readonly source: DataSource,
    private readonly club: string,
  ) {
    super(source.driver as PostgresDriver, "master");
  }

  override query<T>(sql: string, values?: unknown[], structured = false): Promise<T> {
    return inTransaction(this.source, { club: this.club, begin: "READ ONLY" }, (r) => r.query(sql, values, structured));
  }
}

export function useServerRunners(source: DataSource): void {
  const driver = source.driver as PostgresDriver;
  driver.createQueryRunner = (mode: ReplicationMode) => new ServerRunner(driver, mode);
}

interface Transaction {
  club: string;
  /** Mode of the transaction, such as "ISOLATION LEVEL REPEATABLE READ READ ONLY". */
  begin: string;
}

/** One transaction of a club, on a connection of its own. */
export async function inTransaction<T>(
  source: DataSource,
  { club, begin }: Transaction,
  work: (r: ServerRunner) => Promise<T>,
): Promise<T> {
  const r = source.createQueryRunner() as ServerRunner;
  await r.connect();
  let broken = true;
  try {
    // Said at once: each way to the server and back counts.
    await r.query(`BEGIN ${begin}; SELECT set_config('${CLUB}', '${club.replaceAll("'", "''")}', true)`);
    const out = await work(r);
    await r.query("COMMIT");
    broken = false;
    return out;
  } finally {
    // A connection that cannot go back is not used again: the server ends what was under way on it.
    if (broken) await r.query("ROLLBACK").catch(() => undefined);
    await r.release();
  }
}
