import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, START } from "../../../tests/support/athlete";
import { ON_SERVER, poolSource } from "../../../tests/support/clubs";
import { type TestServer, TODAY, testServer } from "../../../tests/support/server";
import type { Problem } from "../../api/problem";
import { importBody } from "../../api/requests";
import type { SeasonView } from "../../api/views";
import { addDays } from "../../core/dates";
import { takeImport } from "../store/imports";
import { type Jobs, jobsOfClub } from "./jobs";
import { KeptAnswers } from "./kept";
import { Pool } from "./pool";

const ENTRY = join(import.meta.dirname, "worker.source.mjs");
const crashes: unknown[] = [];
let inline: TestServer;
let pooled: TestServer;
let pool: Pool;
let jobs: Jobs;
const ids: string[] = [];

beforeAll(async () => {
  inline = await testServer();
  const { source, club } = poolSource(inline.store, inline.file, "Test club");
  pool = new Pool(2, ENTRY, { source, fixedToday: TODAY, kept: null }, (e) => crashes.push(e));
  jobs = club ? jobsOfClub(pool, club) : pool;
  // Short: every view is made twice.
  const season = { start: START, end: addDays(START, 13 * 7 - 1) };
  for (let n = 0; n < 3; n++)
    ids.push(await inline.store.athletes.add(athleteWith({ season }, { name: `Runner ${n}` })));
  // A second application on the same store, whose long work is done in threads.
  pooled = await testServer(undefined, { store: inline.store, jobs });
});
afterAll(async () => {
  await pool.close();
  expect(crashes).toEqual([]);
  await inline.close();
  await pooled.close().catch(() => undefined);
});

describe("worker threads", () => {
  it("answer every view as the server's own thread would, to the byte", async () => {
    const [id = ""] = ids;
    const paths = [
      "",
      "/season",
      "/weeks/2026-03-02",
      "/intake",
      "/planning",
      "/lifts",
      "/screening",
      "/sheets",
      "/season.csv",
      "/strength.ics",
      "/block.pdf?from=2026-03-02",
      "/weights",
    ];
    for (const p of [
      ...paths.map((x) => `/athletes/${id}${x}`),
      "/squad",
      "/calendar",
      "/exercises",
      "/approaches",
      `/gym/${TODAY}`,
    ]) {
      const [a, b] = [await inline.raw("GET", p), await pooled.raw("GET", p)];
      expect([b.status, b.headers["content-type"]], p).toEqual([200, a.headers["content-type"]]);
      if (!p.includes("pdf")) expect(b.text, p).toBe(a.text);
    }
  });

  it("see what was stored the moment before, and say what is not as expected", async () => {
    const [id = ""] = ids;
    for (let n = 0; n < 4; n++) {
      await pooled.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text: `word ${n}` });
      const view = (await pooled.call<SeasonView>("GET", `/athletes/${id}/season`)).body;
      expect(view.weeks.find((w) => w.start === "2026-03-02")).toMatchObject({ note: `word ${n}` });
    }
    await pooled.call("PUT", "/exercises/clam/hidden", { hidden: true });
    expect((await pooled.raw("GET", "/exercises")).text).toBe((await inline.raw("GET", "/exercises")).text);
    await pooled.call("PUT", "/exercises/clam/hidden", { hidden: false });
    const wrong = await pooled.call<Problem>("GET", `/athletes/${id}/weeks/soon`);
    expect([wrong.status, wrong.body.faults[0]?.path]).toEqual([422, "date"]);
    expect((await pooled.call("GET", "/athletes/none/season")).status).toBe(404);
  });

  it("that fall are replaced, and only what they worked on is lost", async () => {
    const folder = mkdtempSync(join(tmpdir(), "field-anchor-pool-"));
    const entry = join(folder, "worker.mjs");
    // Answers all but "hang", which it never ends: no answer can overtake the end of the thread.
    writeFileSync(
      entry,
      `import { parentPort } from "node:worker_threads";
       parentPort.on("message", ({ id, work }) => {
         if (work.route !== "hang") parentPort.postMessage({ id, ok: true, value: work.route });
       });`,
    );
    const ended: unknown[] = [];
    const own = new Pool(1, entry, {} as never, (e) => ended.push(e));
    const work = (route: string) => ({ kind: "handle", route, call: { params: {}, query: {} } }) as never;
    const lost = own.ask(work("hang"));
    const next = own.ask(work("next"));
    const [thread] = (own as unknown as { threads: { worker: { terminate: () => Promise<number> } }[] }).threads;
    await Promise.all([expect(lost).rejects.toThrow("ended"), thread?.worker.terminate()]);
    expect(ended).toHaveLength(1);
    expect(await next).toBe("next");
    await own.close();
    rmSync(folder, { recursive: true });
  });

  it("do not begin what nobody waits for any more", async () => {
    const [id = ""] = ids;
    const work = (name: string) =>
      ({ kind: "handle", route: name, call: { params: { id }, query: {}, body: undefined } }) as never;
    const busy = [1, 2].map(() => jobs.ask(work("GET /athletes/:id/season")));
    const leaving = new AbortController();
    const given = jobs.ask(work("GET /athletes/:id/planning"), { signal: leaving.signal });
    leaving.abort();
    await expect(given).rejects.toThrow("Nobody waits");
    await Promise.all(busy);
  });
});

describe("an import of many rows", () => {
  const rows = (n: number) => ({
    name: "a.csv",
    incoming: Array.from({ length: n }, (_, i) => ({
      session: {
        date: addDays("2020-01-01", i % 2000),
        start: `0${i % 10}:15`,
        sport: "run",
        kind: "easy",
        minutes: 20 + (i % 200),
        distanceKm: 1 + i / 1000,
        done: true,
      },
      kindGuessed: false,
    })),
    races: [],
  });

  it("is seen whole or not at all, and others write and read meanwhile", async () => {
    const id = await inline.store.athletes.add(athleteWith());
    const { call, store } = pooled;
    const seen = new Set<number>();
    const waits: number[] = [];
    let going = true;
    const watching = (async () => {
      while (going) {
        const begin = performance.now();
        await call("GET", "/health");
        waits.push(performance.now() - begin);
        seen.add((await store.athletes.get(id))?.athlete.endurance.length ?? -1);
        await store.weeks.putNote(ids[1] ?? "", "2026-03-02", `word ${seen.size}`);
      }
    })();
    const taken = await call<{ batch: string; counts: { added: number } }>(
      "POST",
      `/athletes/${id}/import`,
      rows(9000),
    );
    going = false;
    await watching;
    expect([taken.status, taken.body.counts.added]).toEqual([201, 9000]);
    expect((await store.athletes.get(id))?.athlete.endurance).toHaveLength(9000);
    expect([...seen].every((n) => n === 0 || n === 9000)).toBe(true);
    expect(waits.length).toBeGreaterThan(1);
    expect((await call("DELETE", `/athletes/${id}/import/${taken.body.batch}`)).status).toBe(204);
    const [left] = await store.db.reader.query("SELECT count(*) AS n FROM endurance_session WHERE athlete_id = ?", [
      id,
    ]);
    expect(left.n).toBe(0);
  });

  it("is compared again where somebody wrote meanwhile, and nothing comes twice", async () => {
    const { store, run } = {
      store: inline.store,
      run: (id: string) =>
        import("../store/imports").then((m) => m.comparedRows(store, id, importBody.parse(rows(40)))),
    };
    const id = await store.athletes.add(athleteWith());
    const old = await run(id);
    // The very rows come in by another way before the first are stored.
    const fresh = await run(id);
    if (!old || !fresh) throw new Error("no such athlete");
    expect(await takeImport(store, id, fresh, "first", { again: () => run(id) })).toMatchObject({
      compared: { counts: { added: 40 } },
    });
    const second = await takeImport(store, id, old, "second", { again: () => run(id) });
    expect(second?.compared.counts).toEqual({ added: 0, changed: 0, done: 0, known: 40 });
    expect((await store.athletes.get(id))?.athlete.endurance).toHaveLength(40);
    const [hidden] = await store.db.reader.query("SELECT count(*) AS n FROM hidden_batch");
    expect(hidden.n).toBe(0);
  });
});

describe.skipIf(ON_SERVER)("kept answers", () => {
  it("are found again by what they were made from, and go with their athlete", async () => {
    const folder = mkdtempSync(join(tmpdir(), "field-anchor-kept-"));
    const file = join(folder, "plans.sqlite");
    const ctx = { store: inline.store, today: () => TODAY } as never;
    const [id = "", other = ""] = ids;
    let made = 0;
    const make = async () => `answer ${++made}`;
    const through = async (program: string, who = id) => {
      const kept = KeptAnswers.open(file, program);
      const text = await kept?.through(ctx, who, "row", make);
      kept?.close();
      return text;
    };
    expect(await through("v1")).toBe("answer 1");
    expect(await through("v1")).toBe("answer 1");
    // Another version of the code, another athlete, another fact: made anew.
    expect(await through("v2")).toBe("answer 2");
    expect(await through("v1", other)).toBe("answer 3");
    await inline.store.weeks.putNote(id, "2026-03-02", `a new word ${Date.now()}`);
    expect(await through("v1")).toBe("answer 4");
    const kept = KeptAnswers.open(file, "v1");
    kept?.erase(id);
    kept?.close();
    expect(await through("v1", other)).toBe("answer 3");
    expect(await through("v1")).toBe("answer 5");
    rmSync(folder, { recursive: true });
  });
});
