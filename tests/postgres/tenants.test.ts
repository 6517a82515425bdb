/** Two clubs on one database server: neither is there for the other, whatever is asked, by an address or by hand. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { contentOf } from "../../src/server/store/move";
import { DatabaseServer } from "../../src/server/store/postgres/server";
import { ANSWERS, TABLES } from "../../src/server/store/postgres/tables";
import { athleteWith } from "../support/athlete";
import { ON_SERVER, testDatabaseServer } from "../support/clubs";
import { fullClub, MONDAY } from "../support/fullClub";
import { type TestServer, TODAY, testServer } from "../support/server";

const OWN_NAME = "Runa Ownclub";

describe.runIf(ON_SERVER)("another club on the same server", () => {
  let theirs: TestServer;
  let ours: TestServer;
  let ids: string[] = [];
  /** Ids of everything the other club has, by the name of the address's part. */
  let known: Record<string, string[]> = {};
  beforeAll(async () => {
    theirs = await testServer();
    ours = await testServer();
    ids = await fullClub(theirs);
    await ours.store.athletes.add(athleteWith({}, { name: OWN_NAME }));
    const rows = async (sql: string): Promise<string[]> =>
      ((await theirs.store.db.reader.query(sql)) as { id: string }[]).map((r) => r.id);
    known = {
      id: ids,
      race: await rows("SELECT id FROM race"),
      row: await rows("SELECT id FROM endurance_session LIMIT 3"),
      batch: [...(await rows("SELECT id FROM import_batch")), ...(await rows("SELECT id FROM many_change"))],
      approach: await rows("SELECT id FROM approach"),
      template: await rows("SELECT id FROM session_template"),
      group: await rows("SELECT id FROM athlete_group"),
      exercise: await rows("SELECT id FROM own_exercise"),
      absence: await rows("SELECT id FROM coach_absence"),
      date: [TODAY],
      until: [TODAY],
      monday: [MONDAY],
      label: ["A"],
      place: ["strength-hall"],
      item: ["back-squat"],
      backup: ["x"],
      minutes: ["30"],
    };
  });
  afterAll(async () => {
    await theirs.close();
    await ours.close();
  });

  it("has something of everything that an address can name", () => {
    for (const [name, values] of Object.entries(known)) expect(values.length, name).toBeGreaterThan(0);
  });

  it("is not there by any address: nothing of it is told, nothing of it changes", async () => {
    const before = await contentOf(theirs.store);
    // What the other club calls its own, and this one does not.
    const named = ["race", "row", "batch", "template", "group"].flatMap((n) => known[n] ?? []);
    const secrets = [...ids, ...named].filter((secret) => secret.length > 8);
    expect(secrets.length).toBeGreaterThan(10);
    let [asked, found] = [0, 0];
    for (const route of ours.routes)
      for (let n = 0; n < 2; n++) {
        let named = false;
        const path = route.path.replace(/:(\w+)/g, (_, name: string) => {
          const values = known[name] ?? [];
          if (!["date", "until", "monday", "label", "minutes"].includes(name)) named = true;
          return encodeURIComponent(values[n % values.length] ?? "x");
        });
        const body = route.method === "GET" ? undefined : "{}";
        const answer = await ours.raw(route.method, path, { "Content-Type": "application/json" }, body);
        asked += 1;
        expect(answer.status, `${route.method} ${path}`).toBeLessThan(500);
        // An answer may say again what it was asked for; beyond that it holds no word of the other club.
        const said = answer.text.replaceAll(path, "");
        for (const secret of secrets)
          if (!path.includes(secret)) expect(said.includes(secret), `${route.method} ${path}`).toBe(false);
        for (const name of ["Maya", "Tuesday", "A good block.", "Easy does it."])
          expect(said.includes(name), `${route.method} ${path} says ${name}`).toBe(false);
        if (named && answer.status < 300) found += 1;
      }
    expect(asked).toBeGreaterThan(250);
    // Places and exercises have the same names in every club: their views answer, for this club.
    expect(found).toBeLessThan(30);
    expect(await contentOf(theirs.store)).toEqual(before);
  });

  it("is not there in lists of many: its ids in a body name nobody", async () => {
    const answer = await ours.call<{ changed: unknown[]; left: unknown[] }>("POST", "/many", {
      change: { kind: "note", week: "2026-06-01", text: "From another club." },
      athletes: ids.map((id) => ({ id, revision: 1 })),
    });
    expect(answer.body.changed ?? []).toEqual([]);
    const group = await ours.call("POST", "/groups", { name: "Theirs", members: ids, hour: null });
    expect(group.status).toBeGreaterThanOrEqual(400);
    expect((await ours.store.groups.all()).flatMap((g) => g.members)).toEqual([]);
  });

  it("a statement by hand under the application's role finds no row of any table without a club, and stores none", async () => {
    const { readers } = await testDatabaseServer();
    for (const { name } of [...TABLES, { name: "club" }, { name: ANSWERS }]) {
      const [row] = (await readers.query(`SELECT count(*)::int AS n FROM ${name}`)) as [{ n: number }];
      expect([name, row.n]).toEqual([name, 0]);
      // An empty name, as a setting leaves it behind, is no club either.
      const [, empty] = (await readers.query(
        `SELECT n FROM (SELECT set_config('field_anchor.club', '', true)) s, LATERAL (SELECT count(*)::int AS n FROM ${name}) c UNION ALL SELECT 0`,
      )) as [unknown, { n: number }];
      expect(empty.n).toBe(0);
    }
    await expect(readers.query("INSERT INTO hidden_exercise (id) VALUES ('clam')")).rejects.toThrow();
    await expect(readers.query("INSERT INTO hidden_exercise (id, club_id) VALUES ('clam', 'x')")).rejects.toThrow(
      /row-level security/,
    );
    await expect(readers.query("UPDATE athlete SET name = 'x'")).resolves.toEqual([[], 0]);
    await expect(readers.query("SET row_security = off; SELECT * FROM athlete")).rejects.toThrow(/row-level security/);
    await expect(readers.query("ALTER TABLE athlete DISABLE ROW LEVEL SECURITY")).rejects.toThrow(/owner/);
  });

  it("a row cannot be taken over into another club, nor one of another be named", async () => {
    const [theirsId = ""] = ids;
    await expect(ours.store.db.write((m) => m.query("UPDATE athlete SET club_id = 'x'"))).rejects.toThrow();
    await expect(
      ours.store.db.write((m) =>
        m.query("INSERT INTO week_note (athlete_id, monday, text) VALUES (?, ?, ?)", [theirsId, MONDAY, "x"]),
      ),
    ).rejects.toThrow(/foreign key/);
  });

  it("a role that would see more than one club is turned away at the start", async () => {
    const owner = process.env.FIELD_ANCHOR_TEST_OWNER ?? "";
    await expect(DatabaseServer.connect(owner)).rejects.toThrow(/may see every club/);
    const superuser = owner.replace(/\/\/[^@]+@/, "//postgres@");
    await expect(DatabaseServer.connect(superuser)).rejects.toThrow(/may see every club/);
  });
});
