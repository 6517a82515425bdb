/** The database server falls and comes back: what could not be saved is said not to be, and the next change that is said to be saved is. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { type Postgres, startPostgres } from "../../scripts/postgres.mjs";
import type { Problem } from "../../src/api/problem";
import { addClub, migrateServer } from "../../src/server/store/postgres/owner";
import { DatabaseServer } from "../../src/server/store/postgres/server";
import { Store } from "../../src/server/store/store";
import { athleteWith } from "../support/athlete";
import { ON_SERVER } from "../support/clubs";
import { type TestServer, testServer } from "../support/server";

const MONDAY = "2026-03-02";

describe.runIf(ON_SERVER)("a database server that falls", () => {
  it("refuses in words, loses nothing that was saved, and goes on once it is back", async () => {
    // One of its own: the others' goes on.
    const postgres: Postgres = await startPostgres({ durable: true });
    const folder = mkdtempSync(join(tmpdir(), "field-anchor-outage-"));
    try {
      await migrateServer(postgres.owner, postgres.role);
      const club = await addClub(postgres.owner, { name: "Fallen", host: "fallen.example" });
      const database = await DatabaseServer.connect(postgres.app, { readers: 4, writers: 2 });
      const store = await Store.onServer(database, club, folder);
      const server: TestServer = await testServer(undefined, { store });
      const id = await store.athletes.add(athleteWith());
      const note = (text: string) => server.call<Problem>("PUT", `/athletes/${id}/notes/${MONDAY}`, { text });
      expect((await note("before")).status).toBe(204);

      await postgres.halt();
      for (let n = 0; n < 5; n++) {
        const { status, body } = await note(`while it is away ${n}`);
        expect([status, body.title]).toEqual([503, "Not saved"]);
        expect(body.detail).toBe("Not saved: the database server cannot be reached. What you entered is kept here.");
      }
      expect((await server.raw("GET", `/athletes/${id}/file`)).status).toBe(503);

      await postgres.again();
      const back = async () => (await note("after")).status;
      await expect.poll(back, { timeout: 20_000 }).toBe(204);
      expect((await store.athletes.get(id))?.notes[MONDAY]).toBe("after");
      // The history knows what was saved and nothing else.
      const history = (await store.athletes.history(id)) ?? [];
      expect(history.map((h) => h.what)).toEqual(["Note of the week", "Note of the week"]);
      expect(store.db.fault).toBeNull();
      await server.close();
      await database.close();
    } finally {
      await postgres.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
