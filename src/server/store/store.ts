/** The store of a club: one file, opened once, with what is kept in it by subject. */
import { dirname, join } from "node:path";
import { AccountStore } from "./accounts";
import { ApproachStore } from "./approaches";
import { WeekArchive } from "./archive";
import { AthleteStore } from "./athletes";
import { copyBeforeMigration } from "./backup";
import { ClubStore } from "./club";
import type { Database } from "./database";
import { ExerciseStore } from "./exercises";
import { GroupStore } from "./groups";
import { LogStore } from "./logs";
import { ManyStore } from "./many";
import { ensureFile, type Lock, lockFile, makeFolder } from "./open";
import { PhoneStore } from "./phone";
import { ClubDatabase } from "./postgres/database";
import type { DatabaseServer } from "./postgres/server";
import { SqliteDatabase } from "./sqlite";
import { WeekStore } from "./weeks";

export type { Stored } from "./athletes";

export class Store {
  readonly accounts: AccountStore;
  readonly athletes: AthleteStore;
  readonly weeks: WeekStore;
  readonly logs: LogStore;
  readonly groups: GroupStore;
  /** Changes made for many athletes at once. */
  readonly many: ManyStore;
  /** Messages, published weeks, what came in. */
  readonly phone: PhoneStore;
  readonly club: ClubStore;
  /** The coach's exercises and the library they make. */
  readonly exercises: ExerciseStore;
  /** The coach's copies of approaches. */
  readonly approaches: ApproachStore;
  /** Past weeks as they were planned, and reviews. */
  readonly archive: WeekArchive;
  private seen = "";

  private constructor(
    readonly db: Database,
    private readonly lock: Lock | null,
    /** Where the copies of the club stand. */
    readonly backups: string,
  ) {
    this.accounts = new AccountStore(db);
    this.club = new ClubStore(db);
    this.exercises = new ExerciseStore(db);
    this.approaches = new ApproachStore(db);
    this.archive = new WeekArchive(db);
    this.athletes = new AthleteStore(db, this.club, this.approaches);
    this.weeks = new WeekStore(this.athletes);
    this.logs = new LogStore(this.athletes);
    this.phone = new PhoneStore(db);
    this.groups = new GroupStore(db);
    this.many = new ManyStore(db, this.athletes);
  }

  /**
   * Opens the file for this process alone, makes what is missing, brings it up to date.
   * @throws Unusable where another process has it, or it is damaged, empty or of a newer version
   */
  static async open(file: string): Promise<Store> {
    makeFolder(dirname(file));
    const lock = lockFile(file);
    try {
      await ensureFile(file, () => copyBeforeMigration(file));
      const store = new Store(await SqliteDatabase.open(file), lock, join(dirname(file), "backups"));
      await store.refresh();
      return store;
    } catch (error) {
      lock.release();
      throw error;
    }
  }

  /** One of the clubs of a database server. @param backups folder of its copies on this machine */
  static async onServer(server: DatabaseServer, club: string, backups: string): Promise<Store> {
    const store = new Store(new ClubDatabase(server, club), null, backups);
    await store.db.reading("view", () => store.refresh());
    return store;
  }

  /** For a worker thread of the process that has it open: reads only. */
  static async reading(file: string): Promise<Store> {
    const store = new Store(await SqliteDatabase.open(file, true), null, join(dirname(file), "backups"));
    await store.refresh();
    return store;
  }

  /**
   * All that one request reads and does. Where others write, too, what is kept in memory is brought up to date first.
   * @param kind a view is read as of one moment
   */
  request<T>(kind: "view" | "change", work: () => Promise<T>): Promise<T> {
    return this.db.reading(kind, async () => {
      if (!this.lock) await this.catchUp();
      return work();
    });
  }

  /** The club's own file. @throws where the club is on a database server */
  get sqlite(): SqliteDatabase {
    if (this.db instanceof SqliteDatabase) return this.db;
    throw new Error("This club is on a database server, not in a file.");
  }

  get isFile(): boolean {
    return this.db instanceof SqliteDatabase;
  }

  /** Rises with every write of this process that changed something. */
  get version(): number | string {
    return this.db.version;
  }

  /** Differs once the coach changes the points of the rules, switches one, saves an approach or changes the library. */
  get rules(): string {
    return JSON.stringify([
      this.club.weights,
      this.club.rulesOff,
      this.club.values,
      this.approaches.all.map((a) => [a.id, a.version]),
      this.exercises.fingerprint,
    ]);
  }

  /** Reads what is kept in memory anew. */
  async refresh(): Promise<void> {
    await this.exercises.read();
    await this.approaches.read();
    await this.club.read();
  }

  /** The same, where another connection has written since. For worker threads, before each task. */
  async catchUp(): Promise<void> {
    const now = await this.db.seen();
    if (now === this.seen) return;
    this.seen = now;
    await this.refresh();
  }

  async close(): Promise<void> {
    await this.db.close();
    this.lock?.release();
  }
}
