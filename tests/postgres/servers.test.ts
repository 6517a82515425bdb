/** Two servers behind one address, one database: what one does the other knows, planning goes through one line, nothing is lost and nothing doubled. */
import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pino from "pino";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { SquadView } from "../../src/api/views";
import type { Athlete } from "../../src/core/athlete";
import { addDays } from "../../src/core/dates";
import { Clubs } from "../../src/server/clubs";
import { configFromEnvironment } from "../../src/server/config";
import { PlanQueue } from "../../src/server/queue/queue";
import { type Running, run } from "../../src/server/run";

import { hiddenImports } from "../../src/server/store/imports";
import { addClub } from "../../src/server/store/postgres/owner";
import { inTransaction } from "../../src/server/store/postgres/runner";
import type { DatabaseServer } from "../../src/server/store/postgres/server";
import { athleteWith } from "../support/athlete";
import { ON_SERVER, testDatabaseServer } from "../support/clubs";
import { TODAY } from "../support/server";

interface Said<T> {
  status: number;
  body: T;
}

/** A request to one server for one club, whose name is no name of this machine. */
function ask<T>(
  server: Running,
  host: string,
  method: string,
  path: string,
  body?: unknown,
  key?: string,
): Promise<Said<T>> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((done, fail) => {
    const sent = request(
      `${server.address}/api${path}`,
      {
        method,
        headers: {
          Host: host,
          ...(text ? { "Content-Type": "application/json", "Content-Length": Buffer.byteLength(text) } : {}),
          ...(key ? { "Idempotency-Key": key } : {}),
        },
      },
      (answer) => {
        let all = "";
        answer.on("data", (d) => {
          all += d;
        });
        answer.on("end", () => {
          done({
            status: answer.statusCode ?? 0,
            body: (all.startsWith("{") || all.startsWith("[") ? JSON.parse(all) : all) as T,
          });
        });
      },
    );
    sent.on("error", fail);
    sent.end(text);
  });
}

const SILENT = pino({ level: "silent" });

describe.runIf(ON_SERVER)("two servers on one database", () => {
  let folder = "";
  let planning: Running;
  let answering: Running;
  const host = `two-${process.pid}.example`;
  let club = "";
  beforeAll(async () => {
    process.env.LOG_LEVEL = "silent";
    folder = mkdtempSync(join(tmpdir(), "field-anchor-servers-"));
    club = await addClub(process.env.FIELD_ANCHOR_TEST_OWNER ?? "", { name: "Two servers", host });
    const config = (name: string, plans: "here" | "elsewhere") => ({
      ...configFromEnvironment({
        FIELD_ANCHOR_ACCOUNTS: "open",
        FIELD_ANCHOR_TODAY: TODAY,
        FIELD_ANCHOR_DATABASE: process.env.FIELD_ANCHOR_TEST_APP,
        FIELD_ANCHOR_DATA: join(folder, name),
        FIELD_ANCHOR_PLANS: plans,
      }),
      port: 0,
      workers: 1,
    });
    planning = await run(config("a", "here"), { clubName: "" });
    answering = await run(config("b", "elsewhere"), { clubName: "" });
  });
  afterAll(async () => {
    await answering.close();
    await planning.close();
    rmSync(folder, { recursive: true, force: true });
  });
  const both = () => [planning, answering] as const;
  const clubsOn = (server: DatabaseServer) =>
    new Clubs({
      server,
      data: folder,
      log: SILENT,
      appOf: () => {
        throw new Error("nobody asks");
      },
    });
  const queueOn = (server: DatabaseServer, today: string, program: string) =>
    PlanQueue.open({
      url: process.env.FIELD_ANCHOR_TEST_APP ?? "",
      server,
      log: SILENT,
      today: () => today,
      program,
    });
  /** Asked for again for as long as a row tells an older state, as the application does. */
  const wholeSquad = async (server: Running): Promise<SquadView> => {
    for (let n = 0; ; n++) {
      const { body } = await ask<SquadView>(server, host, "GET", "/squad");
      if (body.behind.length === 0 || n === 100) return body;
      await new Promise((r) => setTimeout(r, 100));
    }
  };

  it("answer for a club under its name and for nobody under another", async () => {
    for (const server of both()) {
      expect((await ask<{ name: string }>(server, host, "GET", "/club")).body).toEqual({
        name: "Two servers",
        today: TODAY,
      });
      expect((await ask(server, "nobody.example", "GET", "/club")).status).toBe(421);
      expect((await ask(server, "127.0.0.1", "GET", "/health")).body).toEqual({ status: "ok" });
      expect((await ask(server, "127.0.0.1", "GET", "/ready")).body).toEqual({ status: "ready" });
      expect((await ask(server, "127.0.0.1", "GET", `/ready?domain=${host}`)).status).toBe(200);
      expect((await ask(server, "127.0.0.1", "GET", "/ready?domain=nobody.example")).status).toBe(404);
      expect((await ask<{ athletes: number }>(server, host, "GET", "/health")).body.athletes).toBe(0);
    }
  });

  it("remove at night what a broken-off import left behind, and nothing that was made whole meanwhile", async () => {
    // This club alone: those of other tests store imports meanwhile.
    const server = Object.create(await testDatabaseServer(), {
      clubs: { value: async () => [{ id: club, name: "Two servers", host }] },
    });
    const clubs = clubsOn(server);
    const store = await clubs.storeOf({ id: club });
    const id = await store.athletes.add(athleteWith({}, { name: "Swept" }));
    const leave = (batch: string) =>
      store.db.writeAside(async (m) => {
        await m.query("INSERT INTO hidden_batch VALUES (?)", [batch]);
        await m.query(
          "INSERT INTO endurance_session (id, athlete_id, seq, date, data, batch) VALUES (?, ?, 1, ?, '{}', ?)",
          [`row-${batch}`, id, TODAY, batch],
        );
      });
    await leave("broken-off");
    await leave("made-whole");
    await clubs.sweep(async () => {
      await store.db.writeAside((m) => m.query("DELETE FROM hidden_batch WHERE batch = 'made-whole'"));
      await leave("just-begun");
    });
    const rows = (await store.db.reader.query("SELECT id FROM endurance_session WHERE athlete_id = ? ORDER BY id", [
      id,
    ])) as { id: string }[];
    expect(rows.map((r) => r.id)).toEqual(["row-just-begun", "row-made-whole"]);
    expect(await hiddenImports(store)).toEqual(["just-begun"]);
    await store.athletes.erase(id);
  });

  it("know at once what the other has changed, of an athlete and of the club's rules", async () => {
    const { id } = (await ask<{ id: string }>(planning, host, "POST", "/athletes", athleteWith())).body;
    for (let n = 0; n < 4; n++) {
      const [writes, reads] = n % 2 === 0 ? [planning, answering] : [answering, planning];
      await ask(writes, host, "PUT", `/athletes/${id}/notes/2026-03-02`, { text: `word ${n}` });
      const season = await ask<{ weeks: { start: string; note: string }[] }>(
        reads,
        host,
        "GET",
        `/athletes/${id}/season`,
      );
      expect(season.body.weeks.find((w) => w.start === "2026-03-02")?.note).toBe(`word ${n}`);
      await ask(writes, host, "PUT", "/exercises/clam/hidden", { hidden: n % 2 === 0 });
      const library = await ask<{ exercises: { id: string; hidden: boolean }[] }>(reads, host, "GET", "/exercises");
      expect(library.body.exercises.find((e) => e.id === "clam")?.hidden).toBe(n % 2 === 0);
    }
  });

  it("share what one has worked out: a row is planned once, by whoever takes work, and is the same on both", async () => {
    const { readers } = await testDatabaseServer();
    const kept = (): Promise<{ n: number }[]> =>
      inTransaction(readers, { club, begin: "READ ONLY" }, (r) =>
        r.query("SELECT count(*) AS n FROM kept_answer WHERE what = 'squadRow'"),
      );
    expect(await kept()).toEqual([{ n: 0 }]);
    // The server that takes no work asks first.
    const there = await wholeSquad(answering);
    const here = await wholeSquad(planning);
    expect(there.rows.length).toBeGreaterThan(0);
    expect(here).toEqual(there);
    expect(await kept()).toEqual([{ n: there.rows.length }]);
  });

  it("tell of a row that is late what was known of it today, and nothing of another day or another version", async () => {
    const server = await testDatabaseServer();
    const [row] = (await wholeSquad(planning)).rows;
    const known = { club: { id: club, name: "Two servers" }, task: "squadRow" as const, args: { id: row?.id ?? "" } };
    const clubs = clubsOn(server);
    const store = await clubs.storeOf({ id: club });
    const last = async (today: string, program: string) => {
      const queue = await queueOn(server, today, program);
      const said = await store.request("view", () => queue.last(store, known));
      await queue.close();
      return said;
    };
    // Stored anew: the row that is kept is not what would be worked out now.
    await ask(planning, host, "PUT", `/athletes/${row?.id}/notes/2026-03-02`, { text: "later" });
    expect(await last(TODAY, "source")).toEqual(row);
    expect(await last(addDays(TODAY, 1), "source")).toBeNull();
    expect(await last(TODAY, "another")).toBeNull();
    // Nobody need ask twice for long: it is worked out meanwhile.
    expect((await wholeSquad(answering)).behind).toEqual([]);
  });

  it("may all be started at one moment", async () => {
    const server = await testDatabaseServer();
    const queues = await Promise.all(Array.from({ length: 4 }, () => queueOn(server, TODAY, "source")));
    // Work by the clock has a line of its own, which each of them makes where it is not there.
    const yearly = "0 0 1 1 *";
    for (let n = 0; n < 5; n++)
      await Promise.all(queues.map((q, i) => q.every(`test-${randomUUID()}-${i}`, yearly, async () => undefined)));
    await Promise.all(queues.map((q) => q.close()));
  });

  it("make once what is sent to both under one key", async () => {
    const key = randomUUID();
    const body = athleteWith({}, { name: "Once Only" });
    const said = await Promise.all(both().map((s) => ask<{ id: string }>(s, host, "POST", "/athletes", body, key)));
    expect(said.map((s) => s.status)).toEqual([201, 201]);
    expect(said[0]?.body.id).toBe(said[1]?.body.id);
    const squad = await ask<SquadView>(planning, host, "GET", "/squad");
    expect(squad.body.rows.filter((r) => r.name === "Once Only")).toHaveLength(1);
  });

  it("keep every set of many that are logged at once through both", async () => {
    const { id } = (
      await ask<{ id: string }>(planning, host, "POST", "/athletes", athleteWith({}, { name: "Both Racks" }))
    ).body;
    const log = (n: number) => ({
      base: null,
      log: {
        date: TODAY,
        label: "A",
        items: [{ exercise: "back-squat", sets: [{ reps: 5, loadKg: 60 + n, side: "both" }] }],
      },
    });
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, n) =>
        ask(both()[n % 2] ?? planning, host, "POST", `/athletes/${id}/logs/${TODAY}/A/merge`, log(n), `set-${id}-${n}`),
      ),
    );
    expect(answers.map((a) => a.status)).toEqual(Array.from({ length: 12 }, () => 200));
    const file = (await ask<Athlete>(answering, host, "GET", `/athletes/${id}/file`)).body;
    const loads = file.strengthLog.flatMap((l) => l.items.flatMap((i) => i.sets.map((s) => s.loadKg)));
    expect(loads.sort()).toEqual(Array.from({ length: 12 }, (_, n) => 60 + n));
  });
});
