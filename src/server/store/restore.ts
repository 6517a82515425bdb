/** Puts a copy of the whole club in the place of what is here: checked, brought up to this version and compared before anything changes. */
import { createHash } from "node:crypto";
import { copyFileSync, existsSync } from "node:fs";
import { dirname } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { SCRUB, UNNAME } from "./athletes";
import {
  type BackupKind,
  checkCopy,
  MANIFEST,
  type Manifest,
  type Raw,
  readErased,
  type Seal,
  tablesOf,
  takeOwnBackup,
} from "./backup";
import { Unusable } from "./faults";
import { backupFolder, LATEST_MIGRATION, lookAt, removeDatabase } from "./open";
import { connect, type SqliteDatabase } from "./sqlite";

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

/** Answers that were given, which say nothing of anybody. */
const ANSWERS = "idempotency";

const columnsOf = (db: Raw, table: string): string[] =>
  (db.prepare(`SELECT name FROM pragma_table_info('${table}')`).all() as { name: string }[]).map((c) => c.name);

/** Tables that hold something of an athlete, in a column that names them. */
const personalTables = (db: Raw): string[] =>
  tablesOf(db).filter((t) => !OWN.has(t) && t !== ANSWERS && columnsOf(db, t).includes("athlete_id"));

/** A hash of everything of each athlete. */
function fingerprints(db: Raw): Map<string, { name: string; mark: string }> {
  const out = new Map<string, { name: string; mark: string }>();
  const rows = personalTables(db).map((t) => db.prepare(`SELECT * FROM "${t}" WHERE athlete_id = ? ORDER BY rowid`));
  const athletes = db.prepare("SELECT id, name, record FROM athlete ORDER BY position").all() as {
    id: string;
    name: string;
    record: string;
  }[];
  for (const a of athletes) {
    const hash = createHash("sha256").update(a.record);
    for (const of of rows) for (const row of of.iterate(a.id)) hash.update(JSON.stringify(row));
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
          const columns = columnsOf(raw, t)
            .map((c) => `"${c}"`)
            .join(", ");
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
