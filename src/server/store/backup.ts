/**
 * Copies of the whole club. A copy is one SQLite file that holds everything, and a table that says what it holds; it is read again, counted and
 * hashed before it gets its name.
 */
import { createHash } from "node:crypto";
import {
  copyFileSync,
  existsSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { addDays, type IsoDate } from "../../core/dates";
import { SCRUB, UNNAME } from "./athletes";
import { Unusable } from "./faults";
import { backupFolder, LATEST_MIGRATION, lookAt, makeFolder, removeDatabase, syncFile, syncFolder } from "./open";
import { connect, type SqliteDatabase } from "./sqlite";

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

type Raw = BetterSqlite3.Database;

const MANIFEST = "backup_manifest";
const tablesOf = (db: Pick<Raw, "prepare">): string[] =>
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

/** What a restore would change, by athlete. */
export interface RestorePreview {
  made: string | null;
  kind: BackupKind | null;
  migration: string;
  athletes: { id: string; name: string; fate: "same" | "changed" | "comes back" | "goes" | "stays erased" }[];
}

export interface Staged {
  path: string;
  manifest: Manifest | null;
  migration: string;
}

const stagedPath = (clubFile: string): string => `${clubFile}.restore`;

/**
 * A copy of a backup, checked and brought up to this version, beside the club's file.
 * @throws Unusable where it cannot be restored; no copy is left then
 */
export async function stageRestore(clubFile: string, file: string): Promise<Staged> {
  const path = stagedPath(clubFile);
  dropStaged(clubFile);
  try {
    if (!existsSync(file)) throw new Unusable(`There is no such file: ${file}`);
    copyFileSync(file, path);
    // A club's file that was copied by hand may have its log beside it.
    if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${path}-wal`);
    const manifest = checkCopy(path);
    const { migrations } = lookAt(path);
    await (await connect(path, false)).destroy();
    const raw = new BetterSqlite3(path);
    raw.pragma("journal_mode = DELETE");
    raw.exec(`DROP TABLE IF EXISTS ${MANIFEST}`);
    raw.close();
    return { path, manifest, migration: migrations.at(-1) ?? LATEST_MIGRATION };
  } catch (error) {
    dropStaged(clubFile);
    throw error;
  }
}

export function dropStaged(clubFile: string): void {
  removeDatabase(stagedPath(clubFile));
}

const PERSONAL = [
  "race",
  "endurance_session",
  "strength_log",
  "locked_session",
  "held_week",
  "session_swap",
  "week_note",
  "block_review",
  "week_plan",
  "import_batch",
  "feed_link",
  "edit",
];

/** A hash of everything of each athlete. */
function fingerprints(db: Raw): Map<string, { name: string; mark: string }> {
  const out = new Map<string, { name: string; mark: string }>();
  const athletes = db.prepare("SELECT id, name, record FROM athlete ORDER BY position").all() as {
    id: string;
    name: string;
    record: string;
  }[];
  for (const a of athletes) {
    const hash = createHash("sha256").update(a.record);
    for (const table of PERSONAL)
      for (const row of db.prepare(`SELECT * FROM "${table}" WHERE athlete_id = ? ORDER BY rowid`).iterate(a.id))
        hash.update(JSON.stringify(row));
    out.set(a.id, { name: a.name, mark: hash.digest("hex") });
  }
  return out;
}

/** @throws Unusable where the file cannot be restored */
export async function previewRestore(clubFile: string, file: string): Promise<RestorePreview> {
  const { path, manifest, migration } = await stageRestore(clubFile, file);
  const [copy, club] = [new BetterSqlite3(path, { readonly: true }), new BetterSqlite3(clubFile, { readonly: true })];
  try {
    const [then, now] = [fingerprints(copy), fingerprints(club)];
    const erased = erasedIn(club, file, clubFile);
    const fateOf = (id: string): RestorePreview["athletes"][number]["fate"] => {
      const [a, b] = [now.get(id), then.get(id)];
      if (erased.has(id)) return "stays erased";
      if (!a) return "comes back";
      if (!b) return "goes";
      return a.mark === b.mark ? "same" : "changed";
    };
    return {
      made: manifest?.made ?? null,
      kind: manifest?.kind ?? null,
      migration,
      athletes: [...new Set([...now.keys(), ...then.keys()])].map((id) => ({
        id,
        name: (now.get(id) ?? then.get(id))?.name ?? "",
        fate: fateOf(id),
      })),
    };
  } finally {
    copy.close();
    club.close();
    dropStaged(clubFile);
  }
}

/** When whom this club, or the list beside a backup, knows as erased was erased. */
const erasedIn = (raw: Pick<Raw, "prepare">, file: string, clubFile: string): Map<string, string> =>
  new Map([
    ...Object.entries(readErased(dirname(file))),
    ...Object.entries(readErased(backupFolder(clubFile))),
    ...(raw.prepare("SELECT athlete_id AS id, at FROM erasure").all() as { id: string; at: string }[]).map(
      (e): [string, string] => [e.id, e.at],
    ),
  ]);

/** Tables that are this club's own and not taken from a backup. */
const OWN = new Set([
  "migrations",
  "erasure",
  "typeorm_metadata",
  "account",
  "account_session",
  "access",
  "access_log",
  "passkey",
]);

/** All rows of a staged copy in the place of all rows here, in one transaction. @returns how many athletes were erased again */
async function putInPlace(db: SqliteDatabase, path: string, erased: ReadonlyMap<string, string>): Promise<number> {
  return db.inLine(async () => {
    const raw = db.writer as unknown as Raw;
    raw.prepare("ATTACH ? AS incoming").run(path);
    try {
      return raw.transaction(() => {
        raw.pragma("defer_foreign_keys = ON");
        const tables = tablesOf(raw).filter((t) => !OWN.has(t));
        for (const t of tables) raw.exec(`DELETE FROM main."${t}"`);
        for (const t of tables) {
          const names = raw.prepare(`SELECT name FROM pragma_table_info('${t}')`).all() as { name: string }[];
          const columns = names.map((c) => `"${c.name}"`).join(", ");
          raw.exec(`INSERT INTO main."${t}" (${columns}) SELECT ${columns} FROM incoming."${t}" ORDER BY rowid`);
        }
        raw.exec("INSERT OR IGNORE INTO main.erasure SELECT * FROM incoming.erasure");
        for (const [id, at] of erased) raw.prepare("INSERT OR IGNORE INTO main.erasure VALUES (?, ?)").run(id, at);
        const gone = raw
          .prepare("SELECT name FROM main.athlete WHERE id IN (SELECT athlete_id FROM main.erasure)")
          .all() as { name: string }[];
        raw.exec("DELETE FROM main.athlete WHERE id IN (SELECT athlete_id FROM main.erasure)");
        for (const { name } of gone) raw.prepare(UNNAME).run(name, name);
        if (gone.length > 0) raw.prepare("INSERT OR REPLACE INTO main.club_setting VALUES (?, 'true')").run(SCRUB);
        return gone.length;
      })();
    } finally {
      raw.exec("DETACH incoming");
    }
  });
}

/** How a backup is checked and brought up to date beside the club: in a worker thread where there is one. */
export type StageFile = (clubFile: string, file: string) => Promise<Staged>;

/**
 * Puts everything of a backup in the place of everything here; before that, what is here is copied into the backup folder. Athletes erased
 * here or beside the backup are erased again.
 * @returns name of the safety copy, null where there was nothing to copy; and how many were erased again
 * @throws Unusable where the file cannot be restored; nothing is changed then
 */
export async function restoreFrom(
  db: SqliteDatabase,
  file: string,
  seal?: Seal,
  stage: StageFile = stageRestore,
): Promise<{ safety: string | null; erasedAgain: number }> {
  try {
    const { path } = await stage(db.file, file);
    const raw = db.writer as unknown as Raw;
    const empty = (raw.prepare("SELECT count(*) AS n FROM athlete").get() as { n: number }).n === 0;
    const safety = empty ? null : await takeOwnBackup(db, "before-restore", seal);
    const erasedAgain = await putInPlace(db, path, erasedIn(raw, file, db.file));
    db.changed();
    db.checkpoint();
    return { safety, erasedAgain };
  } finally {
    dropStaged(db.file);
  }
}
