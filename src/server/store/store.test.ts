import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { athleteWith, logOf } from "../../../tests/support/athlete";
import { ON_SERVER } from "../../../tests/support/clubs";
import { NotSaved, Unusable } from "./faults";
import { SqliteDatabase } from "./sqlite";
import { Store } from "./store";

let folder = "";
let file = "";
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "field-anchor-store-"));
  file = join(folder, "field-anchor.sqlite");
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const MONDAY = "2026-03-02";
const pages = (store: Store) => Number(store.sqlite.writer.pragma("page_count", { simple: true }));
const room = (store: Store, n: number) => store.sqlite.writer.pragma(`max_page_count = ${n}`);
const long = "x".repeat(60_000);

describe.skipIf(ON_SERVER)("a write", () => {
  it("after a full disk says so, and everything said to be saved afterwards is", async () => {
    const store = await Store.open(file);
    const id = await store.athletes.add(athleteWith());
    room(store, pages(store));
    const refused = store.db.write((m) =>
      m.query("INSERT INTO club_setting VALUES ('big', ?)", [JSON.stringify(long)]),
    );
    await expect(refused).rejects.toMatchObject({ status: 507, code: "SQLITE_FULL" });
    expect(store.db.fault?.code).toBe("SQLITE_FULL");
    // A change that is refused for its own sake, as an ordinary 422 is.
    const check = () => {
      throw new Error("no");
    };
    await expect(store.athletes.change(id, (a) => a, check)).rejects.toThrow("no");
    room(store, 1_000_000);
    for (let i = 0; i < 50; i++) expect(await store.weeks.putNote(id, MONDAY, `note ${i}`)).toBe(true);
    expect(store.db.fault).toBeNull();
    // As a kill would leave it: nothing of this process is asked any more.
    const other = new BetterSqlite3(file, { readonly: true });
    expect(other.prepare("SELECT text FROM week_note").all()).toEqual([{ text: "note 49" }]);
    expect(other.prepare("SELECT count(*) AS n FROM club_setting").get()).toEqual({ n: 0 });
    other.close();
    await store.close();
  });

  it("turns well again by itself once there is room", async () => {
    const store = await Store.open(file);
    room(store, pages(store));
    await expect(
      store.db.write((m) => m.query("INSERT INTO club_setting VALUES ('big', ?)", [JSON.stringify(long)])),
    ).rejects.toBeInstanceOf(NotSaved);
    expect(await store.db.probe()).not.toBeNull();
    room(store, 1_000_000);
    await new Promise((r) => setTimeout(r, 2100));
    expect(await store.db.probe()).toBeNull();
    expect(await store.club.setting("probe")).toBeNull();
    await store.close();
  });

  it("whose commit fails is not stored, and the next one is", async () => {
    const store = await Store.open(file);
    const { writer } = store.sqlite;
    const exec = writer.exec.bind(writer);
    writer.exec = (sql: string) => {
      if (sql === "COMMIT") throw Object.assign(new Error("disk I/O error"), { code: "SQLITE_IOERR_FSYNC" });
      return exec(sql);
    };
    await expect(store.club.set("a", () => 1)).rejects.toMatchObject({ status: 503, code: "SQLITE_IOERR_FSYNC" });
    writer.exec = exec;
    expect(await store.club.setting("a")).toBeNull();
    await store.club.set("b", () => 2);
    expect(await store.club.setting("b")).toBe(2);
    await store.close();
  });

  it("whose taking back fails has the connection opened anew", async () => {
    const store = await Store.open(file);
    const before = store.sqlite.writer;
    const exec = before.exec.bind(before);
    before.exec = (sql: string) => {
      if (sql === "ROLLBACK") throw Object.assign(new Error("disk I/O error"), { code: "SQLITE_IOERR" });
      return exec(sql);
    };
    await expect(
      store.db.write(async (m) => {
        await m.query("INSERT INTO club_setting VALUES ('half', '1')");
        throw new Error("no");
      }),
    ).rejects.toThrow("no");
    expect(store.sqlite.writer).not.toBe(before);
    expect(await store.club.setting("half")).toBeNull();
    const id = await store.athletes.add(athleteWith());
    // Undo still works: what it needs of the connection was made anew with it.
    await store.weeks.putNote(id, MONDAY, "kept");
    expect(await store.athletes.step(id, "undo")).toBe("Note of the week");
    await store.close();
  });

  it("ends the process where the connection cannot be opened again", async () => {
    await (await Store.open(file)).close();
    const ended: unknown[] = [];
    const db = await SqliteDatabase.open(file, false, (error) => {
      ended.push(error);
      throw error;
    });
    const { writer } = db;
    const exec = writer.exec.bind(writer);
    writer.exec = (sql: string) => {
      if (sql !== "ROLLBACK") return exec(sql);
      db.file.length; // The file is gone at the same moment.
      rmSync(folder, { recursive: true, force: true });
      throw Object.assign(new Error("disk I/O error"), { code: "SQLITE_IOERR" });
    };
    await expect(
      db.write(async () => {
        throw new Error("no");
      }),
    ).rejects.toThrow("could not be opened again");
    expect(ended).toHaveLength(1);
  });

  it("is never seen by a reader before it is stored", async () => {
    const store = await Store.open(file);
    const seen: unknown[] = [];
    await store.db
      .write(async (m) => {
        await m.query("INSERT INTO club_setting VALUES ('half', '1')");
        seen.push(await store.club.setting("half"));
        throw new Error("no");
      })
      .catch(() => undefined);
    expect(seen).toEqual([null]);
    await store.close();
  });

  it("that finds nothing to change raises no revision", async () => {
    const store = await Store.open(file);
    const id = await store.athletes.add(athleteWith());
    const [revision, version] = [await store.athletes.revision(id), store.version];
    expect(await store.athletes.putEndurance(id, null, "none")).toBeNull();
    expect(
      await store.athletes.putEndurance(id, { date: MONDAY, sport: "run", kind: "easy", minutes: 30 }, "none"),
    ).toBeNull();
    expect(await store.logs.put(id, MONDAY, "A", null)).toBe(false);
    expect(await store.logs.nextDay(id, MONDAY, "back-squat", 2)).toBe(false);
    await store.athletes.moveEndurance(
      id,
      "none",
      { date: MONDAY, sport: "run", kind: "easy", minutes: 30 },
      [],
      "Move",
    );
    expect(await store.weeks.putNote("nobody", MONDAY, "x")).toBe(false);
    expect([await store.athletes.revision(id), store.version]).toEqual([revision, version]);
    await store.close();
  });

  it("keeps what a change of one row cost, whatever else the athlete has", async () => {
    const store = await Store.open(file);
    const endurance = Array.from({ length: 300 }, () => ({
      date: MONDAY,
      sport: "run" as const,
      kind: "easy" as const,
      minutes: 30,
    }));
    const id = await store.athletes.add(athleteWith({ endurance }));
    await store.weeks.putNote(id, MONDAY, "one");
    await store.weeks.putNote(id, MONDAY, "two");
    const [edit] = await store.db.reader.query("SELECT changes FROM edit ORDER BY seq DESC LIMIT 1");
    expect(JSON.parse(edit.changes)).toEqual([
      {
        table: "week_note",
        before: { athlete_id: id, monday: MONDAY, text: "one" },
        after: { athlete_id: id, monday: MONDAY, text: "two" },
      },
    ]);
    await store.close();
  });

  it("of a log is one change to undo, however many sets it came in", async () => {
    const store = await Store.open(file);
    const id = await store.athletes.add(athleteWith());
    for (let n = 1; n <= 3; n++) {
      const sets = Array.from({ length: n }, (_, i) => ({
        reps: 5,
        side: "both" as const,
        at: `2026-03-02T18:0${i}:00.000Z`,
      }));
      await store.logs.merge(id, null, logOf(MONDAY, [{ exercise: "back-squat", sets }]));
    }
    expect((await store.athletes.get(id))?.athlete.strengthLog[0]?.items[0]?.sets).toHaveLength(3);
    expect(await store.athletes.step(id, "undo")).toMatch(/^Log of session A/);
    expect((await store.athletes.get(id))?.athlete.strengthLog).toEqual([]);
    expect(await store.athletes.step(id, "redo")).toMatch(/^Log of session A/);
    expect((await store.athletes.get(id))?.athlete.strengthLog[0]?.items[0]?.sets).toHaveLength(3);
    await store.close();
  });

  it("syncs every commit and wipes what is deleted", async () => {
    const store = await Store.open(file);
    // FULL is 2 (SQLite's documentation of the pragma).
    expect(store.sqlite.writer.pragma("synchronous", { simple: true })).toBe(2);
    expect(store.sqlite.writer.pragma("secure_delete", { simple: true })).toBe(1);
    await store.close();
  });
});

describe.skipIf(ON_SERVER)("a club's file", () => {
  const whole = async (): Promise<void> => {
    const store = await Store.open(file);
    await store.athletes.add(athleteWith());
    await store.close();
  };

  it("belongs to one process, and another is told which", async () => {
    const store = await Store.open(file);
    await expect(Store.open(file)).rejects.toThrow(
      new RegExp(`already has this club \\(process ${process.pid}, since`),
    );
    await store.close();
    await (await Store.open(file)).close();
  });

  it.each([
    ["is empty", () => truncateSync(file, 0), /is empty \(0 bytes\)/],
    ["is no database", () => writeFileSync(file, "a note about the club ".repeat(500)), /is damaged/],
    [
      "is damaged inside",
      () => {
        const bytes = readFileSync(file);
        bytes.fill(0x5a, 8192, 40_960);
        writeFileSync(file, bytes);
      },
      /is damaged/,
    ],
    [
      "is no club",
      () => {
        rmSync(file);
        const other = new BetterSqlite3(file);
        other.exec("CREATE TABLE recipe (name TEXT)");
        other.close();
      },
      /is no club of Field Anchor/,
    ],
    [
      "is of a newer version",
      () => {
        const db = new BetterSqlite3(file);
        db.exec("INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'TablesOfTomorrow9999999999999')");
        db.close();
      },
      /newer version of Field Anchor \(TablesOfTomorrow/,
    ],
  ])("that %s is left as it is, and what to do is said", async (_what, spoil, says) => {
    await whole();
    spoil();
    const before = readFileSync(file);
    await expect(Store.open(file)).rejects.toThrow(says);
    await expect(Store.open(file)).rejects.toBeInstanceOf(Unusable);
    expect(readFileSync(file).equals(before)).toBe(true);
  });

  it("that is missing beside its backups never becomes a new club", async () => {
    await whole();
    const store = await Store.open(file);
    const { takeOwnBackup } = await import("./backup");
    const name = await takeOwnBackup(store.sqlite, "asked");
    await store.close();
    rmSync(file);
    await expect(Store.open(file)).rejects.toThrow(new RegExp(`file is missing, but ${name} is here`));
  });
});
