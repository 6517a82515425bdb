/** The store of a club: one file, opened once, with what is kept in it by subject. */
import { dirname, join } from "node:path";
import { AccountStore } from "./accounts";
import { ApproachStore } from "./approaches";
import { WeekArchive } from "./archive";
import { AthleteStore } from "./athletes";
import { copyBeforeMigration } from "./backup";
import { ClubStore } from "./club";
import { Database } from "./database";
import { ExerciseStore } from "./exercises";
import { GroupStore } from "./groups";
import { LogStore } from "./logs";
import { ManyStore } from "./many";
import { ensureFile, type Lock, lockFile, makeFolder } from "./open";
import { PhoneStore } from "./phone";
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
      const store = new Store(await Database.open(file), lock);
      await store.refresh();
      return store;
    } catch (error) {
      lock.release();
      throw error;
    }
  }

  /** For a worker thread of the process that has it open: reads only. */
  static async reading(file: string): Promise<Store> {
    const store = new Store(await Database.open(file, true), null);
    await store.refresh();
    return store;
  }

  /** Where the copies of the club stand. */
  get backups(): string {
    return join(dirname(this.db.file), "backups");
  }

  /** Rises with every write of this process that changed something. */
  get version(): number {
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
    const now = String(this.db.readerRaw.pragma("data_version", { simple: true }));
    if (now === this.seen) return;
    this.seen = now;
    await this.refresh();
  }

  async close(): Promise<void> {
    await this.db.close();
    this.lock?.release();
  }
}
