/** Keeps copies of the club: one a day, one when asked, fourteen in all; and puts one back. */
import { existsSync } from "node:fs";
import { join } from "node:path";
import type { Logger } from "pino";
import type { RestoreView } from "../api/views";
import { HttpProblem, loggable, notFound } from "./errors";
import type { OrUnusable, RunTask } from "./jobs/tasks";
import {
  type BackupFacts,
  type BackupKind,
  listBackups,
  type Manifest,
  pruneBackups,
  readErased,
  type Seal,
  takeBackup,
  takeOwnBackup,
} from "./store/backup";
import { takeClubCopy, takeOwnClubCopy } from "./store/postgres/backup";
import { restoreFrom, type StageFile } from "./store/restore";
import type { Store } from "./store/store";

const HOUR_MS = 3_600_000;
/** Answers to requests are kept for so many days, for the same request sent again. */
const ANSWERS_DAYS = 30;

export class BackupKeeper {
  private timer: NodeJS.Timeout | null = null;
  private looking: Promise<void> = Promise.resolve();
  /** What went wrong with the last backup; null where it is good. */
  fault: string | null = null;

  constructor(
    private readonly store: Store,
    /** Runs what takes long in a worker thread. */
    private readonly run: RunTask,
    private readonly log: Logger,
    /** Called once another club stands in this one's place. */
    private readonly forget: () => Promise<void>,
  ) {}

  private readonly seal: Seal = (file, kind, counts) => this.run("seal", { file, kind, counts });

  list(): BackupFacts[] {
    return listBackups(this.store.backups);
  }

  /** Takes a copy into the club's own folder. @returns its name */
  async take(kind: BackupKind): Promise<string> {
    try {
      const name = this.store.isFile
        ? await takeOwnBackup(this.store.sqlite, kind, this.seal)
        : await takeOwnClubCopy(this.store, kind, this.seal);
      // By the clock, as backups are dated: a fixed day is for plans.
      pruneBackups(
        this.store.backups,
        Object.keys(readErased(this.store.backups)),
        new Date().toISOString().slice(0, 10),
      );
      this.fault = null;
      return name;
    } catch (error) {
      this.fault = error instanceof Error ? error.message : String(error);
      throw error;
    }
  }

  /** Takes a copy to a file anywhere on this machine. */
  takeTo(file: string): Promise<Manifest> {
    return this.store.isFile
      ? takeBackup(this.store.sqlite, file, "asked", this.seal)
      : takeClubCopy(this.store, file, "asked", this.seal);
  }

  /** A copy a day, and what is over goes. */
  async daily(): Promise<void> {
    const day = new Date().toISOString().slice(0, 10);
    try {
      if (
        (await this.store.athletes.count()) > 0 &&
        !this.list().some((b) => b.kind === "daily" && b.made.slice(0, 10) === day)
      )
        await this.take("daily");
      const over = new Date(Date.now() - ANSWERS_DAYS * 24 * HOUR_MS).toISOString();
      await this.store.db.writeAside((m) => m.query("DELETE FROM idempotency WHERE at < ?", [over]));
    } catch (error) {
      this.log.error({ error: loggable(error) }, "no backup was made");
    }
  }

  start(): void {
    const look = () => {
      this.looking = this.daily();
    };
    setImmediate(look);
    this.timer = setInterval(look, HOUR_MS);
    this.timer.unref();
  }

  /** Waits for a backup that is under way. */
  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    await this.looking;
  }

  /** Path of one of the club's own backups. @throws where there is none of that name */
  path(name: string): string {
    const path = join(this.store.backups, name);
    if (!/^[\w.-]+\.sqlite$/.test(name) || !existsSync(path)) throw notFound("backup");
    return path;
  }

  preview(file: string) {
    if (!this.store.isFile) throw notHere();
    return orUnusable(this.run("previewRestore", { clubFile: this.store.sqlite.file, file }));
  }

  /** Puts a copy in the club's place. @returns what was kept of what stood there */
  async restore(file: string): Promise<RestoreView> {
    if (!this.store.isFile) throw notHere();
    const stage: StageFile = (clubFile, of) => orUnusable(this.run("stage", { clubFile, file: of }));
    const done = await restoreFrom(this.store.sqlite, file, this.seal, stage);
    await this.store.refresh();
    await this.forget();
    return done;
  }
}

/** On a database server a club is put back beside the one that is there, by whoever runs the server. */
const notHere = () =>
  new HttpProblem(
    409,
    "Not put back here",
    "Nothing was changed. This club is on a database server: a backup is put back there, as a club of its own, by whoever runs it.",
  );

/** A file that cannot be restored is the caller's affair. */
async function orUnusable<T>(work: Promise<OrUnusable<T>>): Promise<T> {
  const done = await work;
  if (done.ok) return done.value;
  throw new HttpProblem(409, "Cannot be restored", `Nothing was changed. ${done.why}`);
}
