/**
 * Copies of the whole club. A copy is one SQLite file that holds everything, and a table that says what it holds; it is read again, counted and
 * hashed before it gets its name.
 */
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { addDays, type IsoDate } from "../../core/dates";
import { Unusable } from "./faults";
import { backupFolder, lookAt, makeFolder, removeDatabase, syncFile, syncFolder } from "./open";
import type { SqliteDatabase } from "./sqlite";

/** Copies kept in the backup folder, and days after which one that holds an erased athlete goes. */
export const KEPT_BACKUPS = 14;
export const KEPT_DAYS = 14;

export type BackupKind = "daily" | "asked" | "before-migration" | "before-restore";

export interface Manifest {
  format: "field-anchor/backup";
  /** ISO 8601. */
  made: string;
  kind: BackupKind;
  /** The last migration the file has had. */
  migration: string;
  /** Rows by table. */
  counts: Record<string, number>;
  /** SHA-256 over all rows of all tables. */
  sha256: string;
}

export interface BackupFacts {
  name: string;
  made: string;
  kind: BackupKind;
  bytes: number;
  athletes: number;
}

export type Raw = BetterSqlite3.Database;

/** The table in a copy that says what it holds. */
export const MANIFEST = "backup_manifest";
export const tablesOf = (db: Pick<Raw, "prepare">): string[] =>
  (
    db
      .prepare(
        "SELECT name FROM main.sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> ? ORDER BY name",
      )
      .all(MANIFEST) as { name: string }[]
  ).map((t) => t.name);

const countsOf = (db: Pick<Raw, "prepare">, tables: readonly string[]): Record<string, number> =>
  Object.fromEntries(tables.map((t) => [t, (db.prepare(`SELECT count(*) AS n FROM "${t}"`).get() as { n: number }).n]));

function hashOf(db: Raw): string {
  const hash = createHash("sha256");
  for (const table of tablesOf(db)) {
    hash.update(`\u001e${table}\n`);
    for (const row of db.prepare(`SELECT * FROM "${table}" ORDER BY rowid`).raw().iterate())
      hash.update(`${JSON.stringify(row)}\n`);
  }
  return hash.digest("hex");
}

/**
 * Reads a fresh copy again and writes down in it what it holds.
 * @param counts what the club held at that moment
 * @throws Unusable where the copy holds anything else
 */
export function sealCopy(file: string, kind: BackupKind, counts: Record<string, number>): Manifest {
  const db = new BetterSqlite3(file);
  try {
    db.pragma("journal_mode = DELETE");
    const sound = db.pragma("integrity_check(1)", { simple: true });
    if (sound !== "ok") throw new Unusable(`The copy is not sound: ${String(sound).slice(0, 200)}`);
    const found = countsOf(db, tablesOf(db));
    if (JSON.stringify(found) !== JSON.stringify(counts))
      throw new Unusable("The copy does not hold what the club holds.");
    const migration = (
      db.prepare("SELECT name FROM migrations ORDER BY timestamp DESC LIMIT 1").get() as { name: string }
    ).name;
    const manifest: Manifest = {
      format: "field-anchor/backup",
      made: new Date().toISOString(),
      kind,
      migration,
      counts,
      sha256: hashOf(db),
    };
    db.exec(`CREATE TABLE ${MANIFEST} (data TEXT NOT NULL)`);
    db.prepare(`INSERT INTO ${MANIFEST} VALUES (?)`).run(JSON.stringify(manifest));
    return manifest;
  } finally {
    db.close();
  }
}

const manifestIn = (db: Raw): Manifest | null => {
  const there = db.prepare("SELECT 1 FROM sqlite_master WHERE name = ?").get(MANIFEST);
  const row = there ? (db.prepare(`SELECT data FROM ${MANIFEST}`).get() as { data: string } | undefined) : undefined;
  return row ? (JSON.parse(row.data) as Manifest) : null;
};

/**
 * Checks a copy from first byte to last.
 * @returns what it says of itself; null for a club's file without such words, which is sound but was never counted
 * @throws Unusable where it is damaged, no club, or of a newer version
 */
export function checkCopy(file: string): Manifest | null {
  if (!existsSync(file)) throw new Unusable(`There is no such file: ${file}`);
  lookAt(file, () => "Choose another backup.");
  const db = new BetterSqlite3(file, { readonly: true });
  try {
    const manifest = manifestIn(db);
    if (
      manifest &&
      (manifest.sha256 !== hashOf(db) || JSON.stringify(manifest.counts) !== JSON.stringify(countsOf(db, tablesOf(db))))
    )
      throw new Unusable(`The backup was changed or damaged after it was made: ${file}. Choose another backup.`);
    return manifest;
  } finally {
    db.close();
  }
}

/** Rows by table of a club's file. */
export function countsIn(file: string): Record<string, number> {
  const db = new BetterSqlite3(file, { readonly: true });
  try {
    return countsOf(db, tablesOf(db));
  } finally {
    db.close();
  }
}

/** How a copy is sealed: in a worker thread where there is one. */
export type Seal = (file: string, kind: BackupKind, counts: Record<string, number>) => Promise<Manifest>;
export const sealHere: Seal = async (file, kind, counts) => sealCopy(file, kind, counts);

/** A file that was written beside its place takes it, on the disk before anybody is told. */
function place(part: string, target: string): void {
  syncFile(part);
  renameSync(part, target);
  syncFolder(dirname(target));
}

/**
 * A copy that is written beside its place, sealed, and put there once it is sound; what stands there is replaced then.
 * @param write fills the file @returns rows by table that it is to hold
 */
export async function sealedCopy(
  target: string,
  kind: BackupKind,
  seal: Seal,
  write: (part: string) => Promise<Record<string, number>>,
): Promise<Manifest> {
  const part = `${target}.part`;
  makeFolder(dirname(target));
  try {
    removeDatabase(part);
    const manifest = await seal(part, kind, await write(part));
    place(part, target);
    return manifest;
  } catch (error) {
    removeDatabase(part);
    throw error;
  }
}

/**
 * A copy of the club as it is now. Writes wait for as long as the pages are copied; reading goes on.
 * @param target file to make
 */
export const takeBackup = (
  db: SqliteDatabase,
  target: string,
  kind: BackupKind,
  seal: Seal = sealHere,
): Promise<Manifest> =>
  sealedCopy(target, kind, seal, (part) =>
    db.inLine(async () => {
      await db.writer.backup(part, { progress: () => 400 });
      const raw = db.writer as unknown as Raw;
      return countsOf(raw, tablesOf(raw));
    }),
  );

export const stampOf = (kind: BackupKind): string =>
  `club-${new Date().toISOString().slice(0, 19).replaceAll(":", "").replace("T", "-")}-${kind}.sqlite`;

/** A copy in the club's own backup folder. @returns its name */
export async function takeOwnBackup(db: SqliteDatabase, kind: BackupKind, seal?: Seal): Promise<string> {
  const name = stampOf(kind);
  await takeBackup(db, join(backupFolder(db.file), name), kind, seal);
  return name;
}

/** The file as it is before it is brought up to a newer version. */
export async function copyBeforeMigration(file: string): Promise<void> {
  const target = join(backupFolder(file), stampOf("before-migration"));
  makeFolder(dirname(target));
  const part = `${target}.part`;
  const db = new BetterSqlite3(file);
  try {
    rmSync(part, { force: true });
    await db.backup(part);
    sealCopy(part, "before-migration", countsOf(db, tablesOf(db)));
  } finally {
    db.close();
  }
  place(part, target);
}

interface Opened extends BackupFacts {
  holds: (athlete: string) => boolean;
}

function eachBackup<T>(folder: string, read: (b: Opened) => T): T[] {
  if (!existsSync(folder)) return [];
  const names = readdirSync(folder).filter((n) => n.endsWith(".sqlite"));
  return names.flatMap((name): T[] => {
    let db: Raw | null = null;
    try {
      const path = join(folder, name);
      db = new BetterSqlite3(path, { readonly: true });
      const open = db;
      const m = manifestIn(open);
      if (!m) return [];
      const facts = { name, made: m.made, kind: m.kind, bytes: statSync(path).size, athletes: m.counts.athlete ?? 0 };
      return [
        read({ ...facts, holds: (id) => open.prepare("SELECT 1 FROM athlete WHERE id = ?").get(id) !== undefined }),
      ];
    } catch {
      return [];
    } finally {
      db?.close();
    }
  });
}

/** The club's own backups that are whole, newest first. */
export const listBackups = (folder: string): BackupFacts[] =>
  eachBackup(folder, ({ holds: _, ...facts }) => facts).sort((a, b) => (a.made < b.made ? 1 : -1));

/** Backups that still hold an athlete, each with the last day it is kept. */
export const backupsWith = (folder: string, athlete: string): { name: string; lastDay: IsoDate }[] =>
  eachBackup(folder, (b) =>
    b.holds(athlete) ? { name: b.name, lastDay: addDays(b.made.slice(0, 10), KEPT_DAYS) } : null,
  )
    .filter((b) => b !== null)
    .sort((a, b) => (a.lastDay < b.lastDay ? -1 : 1));

/**
 * Removes what is over: all but the newest fourteen, and what holds an erased athlete for more than fourteen days. The newest stays in any case.
 * @returns names of what was removed
 */
export function pruneBackups(folder: string, erased: readonly string[], today: IsoDate): string[] {
  const all = eachBackup(folder, (b) => ({
    name: b.name,
    made: b.made,
    over: addDays(b.made.slice(0, 10), KEPT_DAYS) < today && erased.some(b.holds),
  })).sort((a, b) => (a.made < b.made ? 1 : -1));
  const gone = all.filter((b, i) => i > 0 && (i >= KEPT_BACKUPS || b.over)).map((b) => b.name);
  for (const name of gone) rmSync(join(folder, name), { force: true });
  if (gone.length > 0) syncFolder(folder);
  return gone;
}

/** Ids of erased athletes, beside the backups: a restore on another machine erases them again too. */
const erasedFile = (folder: string): string => join(folder, "erased.json");
export function readErased(folder: string): Record<string, string> {
  try {
    return JSON.parse(readFileSync(erasedFile(folder), "utf8")) as Record<string, string>;
  } catch {
    return {};
  }
}
export function noteErased(folder: string, id: string, at: string): void {
  makeFolder(folder);
  const part = `${erasedFile(folder)}.part`;
  writeFileSync(part, JSON.stringify({ ...readErased(folder), [id]: at }, null, 1), { mode: 0o600 });
  place(part, erasedFile(folder));
}
