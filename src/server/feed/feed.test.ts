import type { Server } from "node:http";
import { afterEach, describe, expect, it } from "vitest";
import { CLUB_DAY, memberOn } from "../../../tests/support/demo";
import { type TestServer, testServer } from "../../../tests/support/server";
import type { FeedView, ImportCounts } from "../../api/views";
import { addDays } from "../../core/dates";
import { accountName, demoAccounts } from "../../demo/feed/accounts";
import { type Faults, feedServer, NO_FAULTS } from "../../demo/feed/server";
import { type Activity, logOf } from "../../demo/feed/world";
import { PROFILES } from "../../demo/profiles";
import { FeedError } from "./client";

const MADE = CLUB_DAY;
/** Long enough for a slow machine; the hanging answers take longer still. */
const PATIENCE = { timeoutMs: 1500, waits: [1, 2, 4] };
let open: { close: () => Promise<unknown> }[] = [];
afterEach(async () => {
  for (const o of open.reverse()) await o.close();
  open = [];
});

/** The stand-in and an application that pulls from it; the log's day is set by the test. */
async function world(faults: Faults, seed = 5) {
  let today = MADE;
  const { accounts, from } = demoAccounts(MADE);
  const log = feedServer({ accounts, from, today: () => today, faults, seed });
  await new Promise<void>((done) => log.listen(0, "127.0.0.1", done));
  open.push({ close: () => closed(log) });
  const at = log.address();
  const base = `http://127.0.0.1:${typeof at === "object" && at ? at.port : 0}`;
  const app = await testServer({ base, ...PATIENCE });
  open.push(app);
  const link = async (n: number): Promise<string> => {
    const id = await app.store.athletes.add(memberOn(n));
    await app.call("PUT", `/athletes/${id}/feed`, { account: accountName(PROFILES[n]!.facts.name) });
    return id;
  };
  return { app, accounts, from, link, go: (day: string) => (today = day) };
}

const closed = (server: Server) =>
  new Promise((done) => {
    server.closeAllConnections();
    server.close(done);
  });

/** The last word of each activity. */
function truth(entries: { activity: Activity }[]): Map<string, Activity> {
  const last = new Map<string, Activity>();
  for (const { activity } of entries)
    if ((last.get(activity.id)?.revision ?? 0) <= activity.revision) last.set(activity.id, activity);
  return last;
}

const stored = async (app: TestServer, id: string) => (await app.store.athletes.get(id))!.athlete.endurance;

describe("the training log", () => {
  it("with all its faults leaves exact totals after 60 days", async () => {
    const w = await world({ error: 0.17, busy: 0.12, cut: 0.12, hang: 0.02, hangMs: 60_000 });
    const ids = [await w.link(0), await w.link(2)];
    const before = await Promise.all(ids.map((id) => stored(w.app, id)));
    let failed = 0;
    for (let day = 0; day <= 60; day++) {
      w.go(addDays(MADE, day));
      for (const id of ids)
        await w.app.feed.pull(id).catch((error: unknown) => {
          if (!(error instanceof FeedError)) throw error;
          failed++;
        });
    }
    // The last days' faults may have stopped a pull; it goes on where it stood.
    for (const id of ids)
      for (let n = 0; n < 20; n++)
        if (
          await w.app.feed.pull(id).then(
            () => true,
            () => false,
          )
        )
          break;
    const last = addDays(MADE, 60);
    for (const [i, id] of ids.entries()) {
      const account = w.accounts[[0, 2][i]!]!;
      const entries = logOf(account, w.from, last);
      const told = truth(entries);
      // There is something to survive: repeats, edits, and days on which nothing came through.
      expect(entries.length).toBeGreaterThan(told.size);
      expect([...told.values()].some((a) => a.revision > 1)).toBe(true);
      const rows = (await stored(w.app, id)).filter((e) => e.source !== undefined);
      const fresh = [...told.values()].filter((a) => a.startedAt.slice(0, 10) >= MADE);
      expect(rows.length).toBe(fresh.length);
      const seconds = rows.reduce((a, e) => a + Math.round(e.minutes * 60), 0);
      expect(seconds).toBe(fresh.reduce((a, e) => a + e.seconds, 0));
      const metres = rows.reduce((a, e) => a + Math.round((e.distanceKm ?? 0) * 1000), 0);
      expect(metres).toBe(fresh.reduce((a, e) => a + (e.metres ?? 0), 0));
      // What was done before is as it was, and what was planned is done or still planned, never both.
      const now = await stored(w.app, id);
      const old = (list: typeof now) => list.filter((e) => e.date < MADE);
      expect(old(now)).toEqual(old(before[i]!));
      const extra = rows.filter((e) => e.planned === undefined).length;
      expect(now.length).toBe(before[i]!.length + extra);
      expect(rows.filter((e) => e.planned).length).toBeGreaterThan(rows.length * 0.8);
    }
    expect(failed).toBeGreaterThan(0);
  }, 120_000);

  it("is pulled on demand, says what came, and a second pull brings nothing", async () => {
    const w = await world(NO_FAULTS);
    const id = await w.link(0);
    w.go(addDays(MADE, 7));
    const first = await w.app.call<ImportCounts>("POST", `/athletes/${id}/feed/pull`);
    expect(first.status).toBe(200);
    expect(first.body.done).toBeGreaterThan(2);
    const view = (await w.app.call<FeedView>("GET", `/athletes/${id}/feed`)).body;
    expect(view).toMatchObject({ there: true, account: accountName(PROFILES[0]!.facts.name), fault: null });
    expect(view.imports[0]!.counts).toEqual(first.body);
    expect(view.imports[0]!.lines.some((l) => l.fate === "done" && l.date >= MADE)).toBe(true);
    const second = await w.app.call<ImportCounts>("POST", `/athletes/${id}/feed/pull`);
    expect(second.body).toEqual({ added: 0, changed: 0, done: 0, known: 0 });
    expect((await w.app.call<FeedView>("GET", `/athletes/${id}/feed`)).body.imports).toHaveLength(1);
  });

  it("that fails for good says so, and keeps its place", async () => {
    const w = await world({ ...NO_FAULTS, error: 1 });
    const id = await w.link(0);
    const answer = await w.app.call<{ detail: string }>("POST", `/athletes/${id}/feed/pull`);
    expect(answer.status).toBe(502);
    expect(answer.body.detail).toContain("answered 500");
    expect((await w.app.call<FeedView>("GET", `/athletes/${id}/feed`)).body.fault).toContain("answered 500");
    await w.app.call("PUT", `/athletes/${id}/feed`, { account: "nobody" });
    const none = await w.app.call<{ detail: string }>("POST", `/athletes/${id}/feed/pull`);
    expect(none.body.detail).toContain('no account "nobody"');
    await w.app.call("PUT", `/athletes/${id}/feed`, { account: null });
    expect((await w.app.call("POST", `/athletes/${id}/feed/pull`)).status).toBe(502);
  });

  it("pulls all linked athletes, and two calls at once pull once", async () => {
    const w = await world(NO_FAULTS);
    const ids = [await w.link(0), await w.link(3)];
    w.go(addDays(MADE, 5));
    await w.app.feed.pullAll();
    for (const id of ids) expect((await stored(w.app, id)).some((e) => e.source?.startsWith("feed:"))).toBe(true);
    w.go(addDays(MADE, 9));
    const [a, b] = await Promise.all([w.app.feed.pull(ids[0]!), w.app.feed.pull(ids[0]!)]);
    expect(a).toEqual(b);
  });
});
