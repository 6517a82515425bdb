import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { athleteWith, logOf } from "../../tests/support/athlete";
import { ON_SERVER } from "../../tests/support/clubs";
import { everything, fullClub, MONDAY } from "../../tests/support/fullClub";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { ClubDataView, ErasedView, RestorePreviewView, RestoreView } from "../api/views";
import { addDays } from "../core/dates";
import {
  backupsWith,
  checkCopy,
  KEPT_BACKUPS,
  KEPT_DAYS,
  listBackups,
  pruneBackups,
  takeBackup,
  takeOwnBackup,
} from "./store/backup";
import { restoreFrom } from "./store/restore";
import { Store } from "./store/store";

const SUPPORT = join(import.meta.dirname, "../../tests/support");

let server: TestServer;
let folder = "";
beforeEach(async () => {
  server = await testServer();
  folder = mkdtempSync(join(tmpdir(), "field-anchor-backup-"));
});
afterEach(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

describe.skipIf(ON_SERVER)("a backup", () => {
  it("taken under load and restored in an empty folder is the same club, to the byte", async () => {
    const ids = await fullClub(server);
    const file = join(folder, "club.sqlite");
    // Somebody writes all the while; the writes after the copy are not in it.
    let going = true;
    let last = 0;
    const writing = (async () => {
      for (let n = 1; going; n++) {
        await server.store.weeks.putNote(ids[1] ?? "", MONDAY, `word ${n}`);
        last = n;
        await new Promise((r) => setImmediate(r));
      }
    })();
    await new Promise((r) => setTimeout(r, 60));
    const before = last;
    const manifest = await takeBackup(server.store.sqlite, file, "asked");
    const after = last;
    going = false;
    await writing;
    expect(before).toBeGreaterThan(0);
    // Every table holds something, so that each would be missed; accounts are this machine's own and not restored.
    const own = ["account", "account_session", "access", "access_log", "passkey"];
    expect(
      Object.entries(manifest.counts).filter(
        ([t, n]) => n === 0 && !["hidden_batch", "erasure", "locked_session", ...own].includes(t),
      ),
    ).toEqual([]);
    expect(checkCopy(file)).toEqual(manifest);
    expect(statSync(file).mode & 0o777).toBeLessThanOrEqual(0o644);

    const other = await testServer();
    const done = await restoreFrom(other.store.sqlite, file);
    await other.store.refresh();
    expect(done).toEqual({ safety: null, erasedAgain: 0 });
    const note = (await other.store.athletes.get(ids[1] ?? ""))?.notes[MONDAY];
    const word = Number(note?.split(" ")[1]);
    expect(word).toBeGreaterThanOrEqual(before);
    expect(word).toBeLessThanOrEqual(after + 1);
    await server.store.weeks.putNote(ids[1] ?? "", MONDAY, note ?? "");
    const [here, there] = [await everything(server, ids), await everything(other, ids)];
    expect(Object.keys(here).length).toBeGreaterThan(30);
    for (const path of Object.keys(here)) {
      // The one note was written more often here: only its count in the history and the revision differ.
      const plain = (text = "") => text.replace(/"revision":\d+,?/g, "").replace(/"at":"[^"]*"/g, "");
      expect(plain(there[path]), path).toBe(plain(here[path]));
      if (path.endsWith("/file")) expect(there[path]).toBe(here[path]);
    }
    await other.close();
  });

  it("of a club with the first version's tables alone is restored by this version", async () => {
    const file = join(SUPPORT, "first-tables.sqlite");
    const bytes = readFileSync(file);
    await restoreFrom(server.store.sqlite, file);
    expect((await server.store.athletes.list()).map((a) => a.name)).toHaveLength(2);
    const hike = JSON.parse(readFileSync(join(SUPPORT, "hike.json"), "utf8"));
    hike.endurance = hike.endurance.slice(0, 100);
    expect((await server.raw("GET", "/athletes/hike/file")).text).toBe(`${JSON.stringify(hike, null, 2)}\n`);
    expect((await server.call("GET", "/athletes/ride/season")).status).toBe(200);
    // The file itself is as it was.
    expect(readFileSync(file).equals(bytes)).toBe(true);
  });

  it("that is damaged, cut off, empty, foreign or of a newer version is refused, and nothing is changed", async () => {
    await fullClub(server);
    const good = join(folder, "good.sqlite");
    await takeBackup(server.store.sqlite, good, "asked");
    const whole = readFileSync(good);
    const spoiled = (name: string, change: (path: string) => void): string => {
      const path = join(folder, name);
      copyFileSync(good, path);
      change(path);
      return path;
    };
    const edit = (sql: string) => (path: string) => {
      const db = new BetterSqlite3(path);
      db.exec(sql);
      db.close();
    };
    const files: [string, RegExp][] = [
      [spoiled("cut.sqlite", (p) => writeFileSync(p, whole.subarray(0, whole.length / 2))), /damaged/],
      [spoiled("empty.sqlite", (p) => writeFileSync(p, "")), /empty/],
      [spoiled("text.sqlite", (p) => writeFileSync(p, "not a club at all ".repeat(400))), /damaged/],
      [
        spoiled("edited.sqlite", edit("UPDATE athlete SET name = 'Somebody else'")),
        /changed or damaged after it was made/,
      ],
      [
        spoiled("fewer.sqlite", edit("DELETE FROM strength_log WHERE rowid = 1")),
        /changed or damaged after it was made/,
      ],
      [
        spoiled(
          "newer.sqlite",
          edit("INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'Later9999999999999')"),
        ),
        /newer version/,
      ],
      [join(folder, "absent.sqlite"), /no such file/],
    ];
    const version = server.store.version;
    for (const [file, says] of files) await expect(restoreFrom(server.store.sqlite, file), file).rejects.toThrow(says);
    expect(server.store.version).toBe(version);
    expect(readdirSync(join(server.file, "..")).filter((n) => n.includes("restore"))).toEqual([]);
  });

  it("counts everything of an athlete as theirs: a message, a week given out, a place in a group", async () => {
    const ids = await fullClub(server);
    const [id = "", other = ""] = ids;
    const fates = async (backup: string) =>
      (await server.call<RestorePreviewView>("POST", "/club/restore/preview", { backup })).body.athletes.map(
        (a) => a.fate,
      );
    const copy = async () => (await server.call<{ name: string }>("POST", "/club/backups", {})).body.name;
    const same = ids.map(() => "same");
    let name = await copy();
    expect(await fates(name)).toEqual(same);
    for (const change of [
      () =>
        server.call("POST", `/athletes/${other}/messages`, { id: "0".repeat(32), text: "How was it?", about: null }),
      () => server.call("PUT", `/athletes/${other}/published/${addDays(MONDAY, 28)}`, { note: "" }),
      () => server.call("POST", "/groups", { name: "Late shift", members: [other], hour: null }),
    ]) {
      expect((await change()).status).toBeLessThan(300);
      expect(await fates(name)).toEqual(ids.map((a) => (a === id ? "same" : "changed")));
      name = await copy();
      expect(await fates(name)).toEqual(same);
    }
  });

  it("shows before a restore what it changes, keeps what was there, and can be taken back", async () => {
    const [id = "", other = ""] = await fullClub(server);
    const { name } = (await server.call<{ name: string }>("POST", "/club/backups", {})).body;
    await server.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: "changed since" });
    const later = await server.store.athletes.add(athleteWith({}, { name: "Came Later" }));
    const preview = (await server.call<RestorePreviewView>("POST", "/club/restore/preview", { backup: name })).body;
    expect(Object.fromEntries(preview.athletes.map((a) => [a.id, a.fate]))).toEqual({
      [id]: "changed",
      [other]: "same",
      [later]: "goes",
    });
    // Looking at reviews writes past weeks down; the season's view knows them from the next change on.
    await everything(server, [id, other, later]);
    for (const a of [id, other, later])
      await server.call("PUT", `/athletes/${a}/notes/2026-02-23`, { text: "looked at" });
    const before = await everything(server, [id, other, later]);
    const done = (await server.call<RestoreView>("POST", "/club/restore", { backup: name })).body;
    expect((await server.call("GET", `/athletes/${later}`)).status).toBe(404);
    expect((await server.store.athletes.get(id))?.notes[MONDAY]).toBe("camp\nthen rest");
    await server.call("POST", "/club/restore", { backup: done.safety });
    const again = await everything(server, [id, other, later]);
    for (const path of Object.keys(before)) expect(again[path], path).toBe(before[path]);
  });

  it("brings no accounts along and takes none away: who may sign in is this machine's own", async () => {
    await fullClub(server);
    const { accounts } = server.store;
    await accounts.invite("before", "Before", "coach", "all");
    const { name } = (await server.call<{ name: string }>("POST", "/club/backups", {})).body;
    const [old] = await accounts.list();
    await accounts.remove(old?.id ?? "");
    await accounts.invite("since", "Since", "assistant", "all");
    expect((await server.call("POST", "/club/restore", { backup: name })).status).toBe(200);
    expect((await accounts.list()).map((a) => a.name)).toEqual(["since"]);
  });

  it("has a name from the club's own list, and no other file can be named", async () => {
    await fullClub(server);
    for (const backup of ["../field-anchor.sqlite", "..", "club.sqlite/..", "none.sqlite", "%2e%2e%2fclub.sqlite"])
      expect((await server.call("POST", "/club/restore", { backup })).status, backup).toBe(404);
    expect((await server.raw("GET", "/club/backups/..%2Fclub.sqlite")).status).toBe(404);
  });

  it("is kept fourteen times, the newest always", async () => {
    await server.store.athletes.add(athleteWith());
    for (let n = 0; n < KEPT_BACKUPS + 3; n++) {
      await takeBackup(
        server.store.sqlite,
        join(server.store.backups, `club-${String(n).padStart(2, "0")}.sqlite`),
        "daily",
      );
      await new Promise((r) => setTimeout(r, 3));
    }
    const gone = pruneBackups(server.store.backups, [], TODAY);
    expect(gone.sort()).toEqual(["club-00.sqlite", "club-01.sqlite", "club-02.sqlite"]);
    expect(listBackups(server.store.backups)).toHaveLength(KEPT_BACKUPS);
    expect((await server.call<ClubDataView>("GET", "/club/data")).body.backups[0]?.name).toBe("club-16.sqlite");
  });

  it("is taken before an older file is brought up to date", async () => {
    const data = join(folder, "old");
    mkdirSync(data);
    copyFileSync(join(SUPPORT, "first-tables.sqlite"), join(data, "field-anchor.sqlite"));
    const store = await Store.open(join(data, "field-anchor.sqlite"));
    expect(listBackups(store.backups).map((b) => [b.kind, b.athletes])).toEqual([["before-migration", 2]]);
    const [backup] = listBackups(store.backups);
    await store.close();
    const again = await Store.open(join(data, "field-anchor.sqlite"));
    expect(listBackups(again.backups)).toEqual([backup]);
    await again.close();
  });
});

/** Files of a folder in which a text can be read. */
function filesWith(root: string, texts: readonly string[]): string[] {
  return readdirSync(root, { withFileTypes: true }).flatMap((e) => {
    const path = join(root, e.name);
    if (e.isDirectory()) return e.name === "backups" ? [] : filesWith(path, texts);
    return e.isFile() && texts.some((t) => readFileSync(path).includes(t)) ? [path] : [];
  });
}

describe.skipIf(ON_SERVER)("an athlete who is erased", () => {
  const NAME = "Quillon Farthingdale-Ashworth";
  const PAIN = "a stabbing pain under the left kneecap";

  async function withTraces(): Promise<string> {
    const { store, call } = server;
    const other = await store.athletes.add(athleteWith());
    const id = (
      await call<{ id: string }>(
        "POST",
        "/athletes",
        athleteWith(
          { health: { clearanceNeeded: true, clearance: { by: NAME, date: "2026-02-01", limits: PAIN }, areas: [] } },
          { name: NAME },
        ),
      )
    ).body.id;
    for (let n = 0; n < 40; n++)
      await call("PUT", `/athletes/${id}/notes/${addDays(MONDAY, 7 * (n % 5))}`, {
        text: `${PAIN} ${"x".repeat(n * 40)}`,
      });
    await store.logs.put(id, TODAY, "A", logOf(TODAY, [{ exercise: "back-squat", sets: [{ reps: 5, side: "both" }] }]));
    await server.raw(
      "POST",
      `/athletes/${id}/races`,
      { "Content-Type": "application/json", "Idempotency-Key": "of-the-erased" },
      JSON.stringify({ date: "2026-05-10", name: NAME, sport: "run", priority: "C", expectedMinutes: 40 }),
    );
    const about = { date: TODAY, label: "A" } as const;
    const text = `${NAME}: the knee was quiet`;
    await store.phone.say(id, { id: "b".repeat(32), by: "athlete", who: NAME, text, about: null }, null);
    await store.phone.arrived(id, [{ thing: "message/b", kind: "message", about, text, urgent: false }]);
    const looked = { athleteId: id, day: TODAY, account: NAME, what: "health.read", changed: false, who: NAME };
    await store.phone.looked(looked, 1);
    // An older version wrote into others' history whom a session was copied from.
    await store.athletes.edit(other, `Session A copied from ${NAME}`, async (m) => {
      await store.athletes.touch(m, other);
      await m.query("UPDATE athlete SET record = replace(record, 'Test Runner', 'Test Runner ') WHERE id = ?", [other]);
    });
    return id;
  }

  it("leaves nothing that can be read in the folder, and the receipt says which backups still hold them", async () => {
    const id = await withTraces();
    const root = join(server.file, "..");
    expect(filesWith(root, [NAME]).length).toBeGreaterThan(0);
    const name = await takeOwnBackup(server.store.sqlite, "asked");
    const receipt = await server.call<ErasedView>("DELETE", `/athletes/${id}`);
    expect(receipt.status).toBe(200);
    expect(receipt.body.backups).toEqual([
      { name, lastDay: addDays(new Date().toISOString().slice(0, 10), KEPT_DAYS) },
    ]);
    expect(filesWith(root, [NAME, PAIN])).toEqual([]);
    expect((await server.call("GET", `/athletes/${id}`)).status).toBe(410);
    expect((await server.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: "x" })).status).toBe(410);
    expect((await server.call("DELETE", `/athletes/${id}`)).status).toBe(410);
    expect((await server.call("DELETE", "/athletes/nobody")).status).toBe(404);
    expect(existsSync(join(server.store.backups, name))).toBe(true);
  });

  it("leaves nothing after a stop either", async () => {
    const file = join(folder, "own", "field-anchor.sqlite");
    const store = await Store.open(file);
    const own = await testServer(undefined, { store });
    const id = (await own.call<{ id: string }>("POST", "/athletes", athleteWith({}, { name: NAME }))).body.id;
    for (let n = 0; n < 20; n++)
      await own.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: `${PAIN} ${"x".repeat(n * 60)}` });
    expect((await own.call("DELETE", `/athletes/${id}`)).status).toBe(200);
    await own.close();
    await store.close();
    expect(readdirSync(join(folder, "own")).length).toBeGreaterThan(0);
    expect(filesWith(join(folder, "own"), [NAME, PAIN])).toEqual([]);
  });

  it("leaves nothing either where the process was killed right after the erasing", async () => {
    const id = await withTraces();
    const root = join(server.file, "..");
    await server.store.athletes.erase(id);
    expect(filesWith(root, [NAME, PAIN]).length).toBeGreaterThan(0);
    // The next start goes on with it.
    await server.warm();
    expect(filesWith(root, [NAME, PAIN])).toEqual([]);
    expect(await server.store.club.setting("scrub")).toBeNull();
  });

  it("is erased again by a restore, here and from the folder of the backups elsewhere", async () => {
    const id = await withTraces();
    const name = await takeOwnBackup(server.store.sqlite, "asked");
    await server.call("DELETE", `/athletes/${id}`);
    const preview = (await server.call<RestorePreviewView>("POST", "/club/restore/preview", { backup: name })).body;
    expect(preview.athletes.find((a) => a.id === id)?.fate).toBe("stays erased");
    const done = (await server.call<RestoreView>("POST", "/club/restore", { backup: name })).body;
    expect(done.erasedAgain).toBe(1);
    expect((await server.call("GET", `/athletes/${id}`)).status).toBe(410);
    expect(filesWith(join(server.file, ".."), [NAME, PAIN])).toEqual([]);
    // Another machine that was given the folder of backups.
    const there = await testServer();
    expect((await restoreFrom(there.store.sqlite, join(server.store.backups, name))).erasedAgain).toBe(1);
    expect(await there.store.athletes.get(id)).toBeNull();
    expect(await there.store.athletes.erasedAt(id)).not.toBeNull();
    await there.close();
  });

  it("is in no backup after the last day that the receipt named", async () => {
    const id = await withTraces();
    const { backups } = server.store;
    const old = await takeOwnBackup(server.store.sqlite, "asked");
    await server.call("DELETE", `/athletes/${id}`);
    await new Promise((r) => setTimeout(r, 1100));
    const fresh = await takeOwnBackup(server.store.sqlite, "daily");
    const [held] = backupsWith(backups, id);
    expect(held?.name).toBe(old);
    expect(pruneBackups(backups, [id], held?.lastDay ?? "")).toEqual([]);
    expect(pruneBackups(backups, [id], addDays(held?.lastDay ?? "", 1))).toEqual([old]);
    expect(listBackups(backups).map((b) => b.name)).toEqual([fresh]);
  });
});
