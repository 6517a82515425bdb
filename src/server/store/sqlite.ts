/**
 * A club in a file of its own: two connections. One writes, in transactions of its own that stand in one line; another reads, and so never sees
 * what is not committed yet.
 */
import { DataSource, type DataSourceOptions, type EntityManager } from "typeorm";
import type { Database, WriteHook } from "./database";
import { ENTITIES } from "./entities";
import { NotSaved, notSavedOf, type StorageFault } from "./faults";
import { MIGRATIONS } from "./migrations";
import type { RawDatabase } from "./raw";
import { prepareJournal, watchedIn } from "./sqliteJournal";

/** Pages of the cache, kB; and how long a lock of another process is waited for, ms. */
const CACHE_KB = 8000;
const LOCK_MS = 4000;
/** While nothing can be saved, the disk is tried again this often, ms. */
const PROBE_MS = 2000;

/**
 * Only for `npm run torture`: the ways of writing that lose data, so that the campaign shows that it would notice. "synchronous" leaves the last
 * commits to chance, "framework" commits as the database library does.
 */
const CONTROL = process.env.FIELD_ANCHOR_TORTURE_CONTROL ?? "";

const options = (file: string, readonly: boolean): DataSourceOptions => ({
  type: "better-sqlite3",
  database: file,
  entities: ENTITIES,
  migrations: MIGRATIONS,
  migrationsRun: false,
  synchronize: false,
  readonly,
  fileMustExist: readonly,
  enableWAL: !readonly,
  prepareDatabase: (raw: RawDatabase) => {
    raw.pragma("foreign_keys = ON");
    raw.pragma(`busy_timeout = ${LOCK_MS}`);
    raw.pragma(`cache_size = -${CACHE_KB}`);
    raw.pragma("temp_store = MEMORY");
    if (readonly) return;
    // NORMAL would leave the last commits of a power cut behind; see docs/promises.md.
    raw.pragma(CONTROL === "synchronous" ? "synchronous = NORMAL" : "synchronous = FULL");
    raw.pragma("secure_delete = ON");
  },
});

export const rawOf = (db: DataSource): RawDatabase =>
  (db.driver as unknown as { databaseConnection: RawDatabase }).databaseConnection;

/** A connection that writes, brought up to the latest migration. The caller has looked at the file before (open.ts). */
export async function connect(file: string, readonly: boolean): Promise<DataSource> {
  const db = new DataSource(options(file, readonly));
  await db.initialize();
  if (!readonly) {
    await db.runMigrations({ transaction: "all" });
    prepareJournal(rawOf(db));
    rawOf(db).pragma("wal_checkpoint(TRUNCATE)");
  }
  return db;
}

export class SqliteDatabase implements Database {
  private line: Promise<unknown> = Promise.resolve();
  private written = 0;
  private broken: StorageFault | null = null;
  private lastProbe = 0;
  private hook: () => WriteHook | null = () => null;
  private told: (outcome: "stored" | "not saved") => void = () => undefined;

  private constructor(
    readonly file: string,
    private readonly writing: DataSource | null,
    private readingSource: DataSource,
    private readonly giveUp: (error: unknown) => never,
  ) {}

  /**
   * @param readonly for worker threads: writes are refused
   * @param giveUp ends the process where the connection cannot be brought back
   */
  static async open(file: string, readonly = false, giveUp = endProcess): Promise<SqliteDatabase> {
    const writing = readonly ? null : await connect(file, false);
    return new SqliteDatabase(file, writing, await connect(file, true), giveUp);
  }

  /** Reads what is committed. */
  get reader(): EntityManager {
    return this.readingSource.manager;
  }

  /** The connection that writes. @throws where this database is open for reading alone */
  get writer(): RawDatabase {
    return rawOf(this.writingSource());
  }

  get readerRaw(): RawDatabase {
    return rawOf(this.readingSource);
  }

  private writingSource(): DataSource {
    if (!this.writing) throw new Error("This connection reads only.");
    return this.writing;
  }

  /** Rises with every write that changed a row. */
  get version(): number {
    return this.written;
  }

  /** Rows were changed past `write`, by a restore. */
  changed(): void {
    this.written++;
  }

  /** Why nothing can be saved at the moment; null while all is well. */
  get fault(): StorageFault | null {
    return this.broken;
  }

  onWrite(told: (outcome: "stored" | "not saved") => void): void {
    this.told = told;
  }

  /** @param hook what is asked for the request that a write belongs to */
  hookWrites(hook: () => WriteHook | null): void {
    this.hook = hook;
  }

  /**
   * One transaction; writes stand in one line.
   * @returns what `work` returns, once it is on the disk
   * @throws NotSaved where it did not get there; nothing of it is stored then
   */
  write<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    const hook = this.hook();
    return this.inLine(() => this.transaction(work, hook));
  }

  /** The same for what a request writes beside its own change: nothing that the request says of itself is asked of it. */
  writeAside<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    return this.inLine(() => this.transaction(work, null));
  }

  /** A connection of its own reads as of one moment; the server's own thread has no turn in between where it matters. */
  async reading<T>(_kind: "view" | "change", work: () => Promise<T>): Promise<T> {
    if (this.writing) return work();
    const raw = this.readerRaw;
    raw.exec("BEGIN");
    try {
      return await work();
    } finally {
      if (raw.inTransaction) raw.exec("COMMIT");
    }
  }

  watched<T>(_m: EntityManager, work: () => Promise<T>): Promise<T> {
    return watchedIn(this.writer, work);
  }

  /** Differs once another connection has written. */
  async seen(): Promise<string> {
    return String(this.readerRaw.pragma("data_version", { simple: true }));
  }

  /** Holds the line without a transaction, for a copy of the whole file or its rewriting. */
  inLine<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.line.then(work);
    this.line = turn.catch(() => undefined);
    return turn;
  }

  private async transaction<T>(work: (m: EntityManager) => Promise<T>, hook: WriteHook | null): Promise<T> {
    const { manager } = this.writingSource();
    if (CONTROL === "framework")
      return this.writingSource()
        .transaction(work)
        .finally(() => this.written++);
    if (this.writer.inTransaction) await this.reopen("a transaction was left open");
    const changesBefore = this.changes();
    try {
      this.writer.exec("BEGIN IMMEDIATE");
      await hook?.before(manager);
      const result = await work(manager);
      if (this.changes() !== changesBefore) await hook?.after(manager);
      // SQLite rolls a transaction back by itself where the disk is full: what is not open any more cannot be committed.
      if (!this.writer.inTransaction) throw new NotSaved(503, "SQLITE_ABORT", "Not saved: the change was broken off.");
      this.writer.exec("COMMIT");
      this.broken = null;
      this.told("stored");
      if (this.changes() !== changesBefore) this.written++;
      return result;
    } catch (error) {
      await this.rollBack();
      const fault = notSavedOf(error);
      if (!fault) throw error;
      this.told("not saved");
      this.broken = { code: fault.code, text: fault.message, since: this.broken?.since ?? new Date().toISOString() };
      throw fault;
    }
  }

  private changes(): number {
    return (this.writer.prepare("SELECT total_changes() AS n").get() as { n: number }).n;
  }

  private async rollBack(): Promise<void> {
    try {
      if (this.writer.inTransaction) this.writer.exec("ROLLBACK");
      if (!this.writer.inTransaction) return;
    } catch {
      // The connection is of no more use.
    }
    await this.reopen("a change could not be taken back");
  }

  private async reopen(reason: string): Promise<void> {
    const db = this.writingSource();
    try {
      await db.destroy();
      await db.initialize();
      prepareJournal(rawOf(db));
      if (rawOf(db).inTransaction) throw new Error(reason);
    } catch (error) {
      this.giveUp(new Error(`The database could not be opened again after ${reason}: ${String(error)}`));
    }
  }

  /** Tries the disk again where it failed, so that health turns well again without a change by anybody. */
  async probe(): Promise<StorageFault | null> {
    if (this.broken && Date.now() - this.lastProbe > PROBE_MS) {
      this.lastProbe = Date.now();
      await this.writeAside((m) =>
        m.query(
          "INSERT INTO club_setting (name, data) VALUES ('probe', ?) ON CONFLICT DO UPDATE SET data = excluded.data",
          [JSON.stringify({ at: new Date().toISOString(), filler: "0".repeat(8000) })],
        ),
      ).catch(() => undefined);
      if (!this.broken)
        await this.writeAside((m) => m.query("DELETE FROM club_setting WHERE name = 'probe'")).catch(() => undefined);
    }
    return this.broken;
  }

  /** Moves what is committed from the log into the file itself, as far as nobody reads it. */
  checkpoint(): void {
    this.writer.pragma("wal_checkpoint(TRUNCATE)");
  }

  async close(): Promise<void> {
    await this.line;
    await this.readingSource.destroy();
    await this.writing?.destroy();
  }
}

function endProcess(error: unknown): never {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(70);
}
