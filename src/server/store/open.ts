/**
 * Looks at a club's file before anything is done with it: nobody else has it, it is whole, it is not from a newer version. A file that is
 * none of these is left as it is, and what to do is said; it never becomes a new club.
 */
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { basename, dirname, join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { Unusable } from "./faults";
import { MIGRATIONS } from "./migrations";
import { connect } from "./sqlite";

/** Where the copies of a club stand, beside its file. */
export const backupFolder = (file: string): string => join(dirname(file), "backups");

const KNOWN: ReadonlySet<string> = new Set(MIGRATIONS.map((m) => new m().name));
export const LATEST_MIGRATION = new (
  MIGRATIONS.at(-1) ??
  MIGRATIONS[0] ??
  class {
    name = "";
  }
)().name;

/** Makes what was renamed, made or removed in a folder outlive a power cut. */
export function syncFolder(folder: string): void {
  const fd = openSync(folder, "r");
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

export function syncFile(file: string): void {
  const fd = openSync(file, "r+");
  try {
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
}

/** Held while a process has the club's file. */
export interface Lock {
  release: () => void;
}

/**
 * Keeps every other process from the file. The lock is the operating system's own, so that it ends with the process however that ends.
 * @throws Unusable where another process has it
 */
export function lockFile(file: string): Lock {
  const path = `${file}.lock`;
  const who = `${path}.json`;
  let db: BetterSqlite3.Database;
  try {
    db = new BetterSqlite3(path, { timeout: 0 });
    db.pragma("journal_mode = MEMORY");
    db.exec("BEGIN EXCLUSIVE");
  } catch (error) {
    if ((error as { code?: string }).code !== "SQLITE_BUSY") throw error;
    let by = "";
    try {
      const { pid, since } = JSON.parse(readFileSync(who, "utf8")) as { pid: number; since: string };
      by = ` (process ${pid}, since ${since})`;
    } catch {
      // Who it is was not written down in time.
    }
    throw new Unusable(
      `Another Field Anchor already has this club${by}: ${file}. Stop it first, or name another folder with FIELD_ANCHOR_DATA.`,
    );
  }
  writeFileSync(who, JSON.stringify({ pid: process.pid, since: new Date().toISOString() }));
  return {
    release: () => {
      rmSync(who, { force: true });
      db.close();
    },
  };
}

const howToRestore = (file: string): string => {
  const folder = backupFolder(file);
  const newest = existsSync(folder)
    ? readdirSync(folder)
        .filter((n) => n.endsWith(".sqlite"))
        .sort()
        .at(-1)
    : undefined;
  return newest
    ? `Move it aside and restore the last backup: npm run restore -- ${join(folder, newest)}`
    : "Move it aside and restore a backup: npm run restore -- FILE";
};

export interface Looked {
  /** Names of the migrations it has had, in order. */
  migrations: string[];
}

/**
 * @returns what the file holds
 * @throws Unusable where it is empty, damaged, no club, or from a newer version
 */
export function lookAt(file: string, advice: (file: string) => string = howToRestore): Looked {
  if (statSync(file).size === 0) throw new Unusable(`The club's file is empty (0 bytes): ${file}. ${advice(file)}`);
  let db: BetterSqlite3.Database | null = null;
  try {
    db = new BetterSqlite3(file, { timeout: 4000, fileMustExist: true });
    const found = db.pragma("quick_check(1)", { simple: true });
    if (found !== "ok")
      throw new Unusable(`The club's file is damaged (${String(found).slice(0, 120)}): ${file}. ${advice(file)}`);
    const has = (table: string) =>
      db?.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?").get(table);
    if (!has("migrations") || !has("athlete"))
      throw new Unusable(`This file is no club of Field Anchor: ${file}. ${advice(file)}`);
    const migrations = (db.prepare("SELECT name FROM migrations ORDER BY timestamp").all() as { name: string }[]).map(
      (m) => m.name,
    );
    const newer = migrations.filter((m) => !KNOWN.has(m));
    if (newer.length > 0)
      throw new Unusable(
        `The club was last opened by a newer version of Field Anchor (${newer.join(", ")}): ${file}. Start that version, or restore a backup made with this one.`,
      );
    return { migrations };
  } catch (error) {
    if (error instanceof Unusable) throw error;
    const code = (error as { code?: string }).code ?? String(error);
    if (/NOTADB|CORRUPT/.test(code))
      throw new Unusable(`The club's file is damaged (${code}): ${file}. ${advice(file)}`);
    throw error;
  } finally {
    db?.close();
  }
}

/** A database file with everything that SQLite keeps beside it. */
export function removeDatabase(file: string): void {
  for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(file + end, { force: true });
}

/** A new club, whole or not at all: it is made beside its place and put there once it is on the disk. */
async function makeNew(file: string): Promise<void> {
  const made = `${file}.new`;
  removeDatabase(made);
  await (await connect(made, false)).destroy();
  syncFile(made);
  renameSync(made, file);
  syncFolder(dirname(file));
}

/** The folder, kept when the power goes. */
export function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder, { mode: 0o700 });
  syncFolder(dirname(folder));
}

/**
 * Makes sure that a sound file of this version or an older one stands there; a new club where nothing does.
 * @param beforeMigration copies the file before it is brought up to date
 */
export async function ensureFile(file: string, beforeMigration: (looked: Looked) => Promise<void>): Promise<void> {
  if (!existsSync(file)) {
    const left = [
      `${file}-wal`,
      ...(existsSync(backupFolder(file))
        ? readdirSync(backupFolder(file)).map((n) => join(backupFolder(file), n))
        : []),
    ].filter((p) => (p.endsWith("-wal") && existsSync(p) && statSync(p).size > 0) || p.endsWith(".sqlite"));
    if (left.length > 0)
      throw new Unusable(
        `The club's file is missing, but ${basename(left[0] ?? "")} is here: ${file}. Restore a backup (npm run restore -- FILE); for a new club, name an empty folder with FIELD_ANCHOR_DATA.`,
      );
    await makeNew(file);
    return;
  }
  const looked = lookAt(file);
  if (looked.migrations.length < MIGRATIONS.length) await beforeMigration(looked);
}
