/**
 * Answers kept beside the database, by a hash of everything they were worked out from: the athlete's rows, the program, the library, the rules,
 * the day. A restart finds them again; nothing is lost where the file is.
 */
import { createHash } from "node:crypto";
import { rmSync } from "node:fs";
import BetterSqlite3 from "better-sqlite3";
import type { Context } from "../context";
import { WHOLE_IMPORTS } from "../store/lists";
import type { Store } from "../store/store";

/** Answers kept at most; the oldest go first. */
const KEPT = 3000;
/** The long lists: their rows are joined by SQLite itself, since this is done for every athlete of the club after a start. */
const LISTS = ["race", "endurance_session", "strength_log", "locked_session"];
/** What else a plan is made from, with the column that names the athlete. */
const OTHERS: readonly (readonly [string, string])[] = [
  ["athlete", "id"],
  ["held_week", "athlete_id"],
  ["session_swap", "athlete_id"],
  ["week_note", "athlete_id"],
  ["week_plan", "athlete_id"],
];

/** Hash of every stored row a plan of the athlete is made from. */
function inputHash(store: Store, id: string): string {
  const hash = createHash("sha256");
  const db = store.sqlite.readerRaw;
  for (const table of LISTS) {
    const hidden = table === "endurance_session" ? WHOLE_IMPORTS : "";
    const joined = `SELECT group_concat(x, char(30)) AS t FROM (SELECT id || char(31) || seq || char(31) || data AS x FROM ${table} WHERE athlete_id = ?${hidden} ORDER BY seq)`;
    hash.update(`\u001d${table}`).update((db.prepare(joined).get(id) as { t: string | null }).t ?? "");
  }
  for (const [table, column] of OTHERS) {
    const rows = db.prepare(`SELECT * FROM ${table} WHERE ${column} = ? ORDER BY rowid`).all(id);
    hash.update(`\u001d${table}`).update(JSON.stringify(rows));
  }
  return hash.digest("hex");
}

export class KeptAnswers {
  private constructor(
    private readonly db: BetterSqlite3.Database,
    private readonly program: string,
  ) {}

  /** @param program names the version of the code exactly @returns null where the file cannot be used */
  static open(file: string, program: string): KeptAnswers | null {
    for (let again = 0; again < 2; again++)
      try {
        const db = new BetterSqlite3(file, { timeout: 2000 });
        db.pragma("journal_mode = WAL");
        db.pragma("secure_delete = ON");
        db.exec(
          "CREATE TABLE IF NOT EXISTS kept (key TEXT PRIMARY KEY, athlete TEXT NOT NULL, at INTEGER NOT NULL, body TEXT NOT NULL) WITHOUT ROWID",
        );
        db.exec("CREATE INDEX IF NOT EXISTS kept_by_athlete ON kept (athlete)");
        return new KeptAnswers(db, program);
      } catch {
        // Nothing of worth is lost with it.
        for (const end of ["", "-wal", "-shm"]) rmSync(file + end, { force: true });
      }
    return null;
  }

  /** The kept answer, or a new one that is kept from now on. @param what kind and parameters of the answer */
  async through(ctx: Context, id: string, what: string, make: () => Promise<string>): Promise<string> {
    const key = createHash("sha256")
      .update(
        [
          what,
          inputHash(ctx.store, id),
          this.program,
          ctx.today(),
          ctx.store.rules,
          JSON.stringify(ctx.store.approaches.all),
        ].join("\u001f"),
      )
      .digest("hex");
    const known = this.read(key);
    if (known !== null) return known;
    const body = await make();
    this.keep(key, id, what, body);
    return body;
  }

  private read(key: string): string | null {
    try {
      return (
        (this.db.prepare("SELECT body FROM kept WHERE key = ?").get(key) as { body: string } | undefined)?.body ?? null
      );
    } catch {
      return null;
    }
  }

  private keep(key: string, id: string, what: string, body: string): void {
    try {
      this.db.transaction(() => {
        this.db.prepare("INSERT OR REPLACE INTO kept VALUES (?, ?, ?, ?)").run(key, id, Date.now(), body);
        if (what === "squad-row" && Math.random() < 0.05)
          this.db
            .prepare("DELETE FROM kept WHERE key IN (SELECT key FROM kept ORDER BY at DESC LIMIT -1 OFFSET ?)")
            .run(KEPT);
      })();
    } catch {
      // Kept answers save time and nothing else: a full disk only means that they are made again.
    }
  }

  /** Takes everything of an athlete out of the file, its free pages and its log. */
  erase(id: string): void {
    this.db.prepare("DELETE FROM kept WHERE athlete = ?").run(id);
    this.db.exec("VACUUM");
    this.db.pragma("wal_checkpoint(TRUNCATE)");
  }

  close(): void {
    this.db.close();
  }
}
