/** A training log that lies: pages that go round in circles, are too large, are cut off, send elsewhere or never come. */
import { createServer, type ServerResponse } from "node:http";
import { addDays } from "../../src/core/dates";
import { FeedError } from "../../src/server/feed/client";
import { athleteWith } from "../support/athlete";
import { testServer } from "../support/server";
import type { Random } from "./disk";

const LIES = [
  "error",
  "circle",
  "still",
  "large",
  "cut",
  "elsewhere",
  "garbage",
  "hang",
  "wrong",
  "truth",
  "truth",
  "truth",
] as const;
type Lie = (typeof LIES)[number];
const PAGE = 5;

export interface FeedOutcome {
  pulls: number;
  failed: number;
  told: Partial<Record<Lie, number>>;
  expected: number;
  stored: number;
  /** Requests that reached a host the log sent to. */
  elsewhere: number;
}

const activity = (n: number) => ({
  id: `act-${n}`,
  revision: 1,
  startedAt: `${addDays("2026-02-01", n % 28)}T0${n % 10}:00:00Z`,
  sport: "running",
  title: "Easy run",
  seconds: 1800 + n,
  metres: 5000 + n,
  climbMetres: 10,
  heartRate: null,
  effort: null,
});

/** @param lying whether the log lies at all */
export async function feedLies(random: Random, activities = 40, pulls = 60, lying = true): Promise<FeedOutcome> {
  const out: FeedOutcome = { pulls: 0, failed: 0, told: {}, expected: activities, stored: 0, elsewhere: 0 };
  const other = createServer((_req, res) => {
    out.elsewhere++;
    res.end(JSON.stringify({ items: [activity(999)], next: 1000, more: false }));
  });
  await new Promise<void>((done) => other.listen(0, "127.0.0.1", done));
  const otherPort = (other.address() as { port: number }).port;
  let honest = !lying;
  const log = createServer((req, res) => {
    const after = Number(new URL(req.url ?? "", "http://x").searchParams.get("after"));
    const lie: Lie = honest ? "truth" : (LIES[Math.floor(random() * LIES.length)] ?? "truth");
    out.told[lie] = (out.told[lie] ?? 0) + 1;
    tell(res, lie, after, activities, otherPort);
  });
  await new Promise<void>((done) => log.listen(0, "127.0.0.1", done));
  const base = `http://127.0.0.1:${(log.address() as { port: number }).port}`;
  const server = await testServer({ base, timeoutMs: 120, waits: [1], mostBytes: 50_000 });
  const id = await server.store.athletes.add(athleteWith());
  await server.feed.link(id, "somebody");
  const pull = async () => {
    out.pulls++;
    await server.feed.pull(id).catch((error: unknown) => {
      if (!(error instanceof FeedError)) throw error;
      out.failed++;
    });
  };
  for (let n = 0; n < pulls; n++) await pull();
  honest = true;
  await pull();
  const endurance = (await server.store.athletes.get(id))?.athlete.endurance ?? [];
  out.stored = endurance.filter((e) => e.source?.startsWith("feed:act-")).length;
  await server.close();
  for (const s of [log, other]) {
    s.closeAllConnections();
    await new Promise((done) => s.close(done));
  }
  return out;
}

function tell(res: ServerResponse, lie: Lie, after: number, activities: number, elsewhere: number): void {
  const items = Array.from({ length: Math.max(0, Math.min(PAGE, activities - after)) }, (_, i) => activity(after + i));
  const next = after + items.length;
  const page = { items, next, more: next < activities };
  const send = (value: unknown) => res.end(JSON.stringify(value));
  switch (lie) {
    case "error":
      res.statusCode = 500;
      return void res.end("no");
    case "circle":
      return void send({ ...page, next: Math.max(0, after - PAGE), more: true });
    case "still":
      return void send({ ...page, next: after, more: true });
    case "large":
      return void send({ ...page, filler: "x".repeat(200_000) });
    case "cut":
      return void res.end(JSON.stringify(page).slice(0, 40));
    case "elsewhere":
      res.writeHead(302, { Location: `http://localhost:${elsewhere}/accounts/x/activities` });
      return void res.end();
    case "garbage":
      return void send([1, 2, 3]);
    case "hang":
      return void setTimeout(() => res.destroy(), 400);
    case "wrong":
      return void send({ ...page, items: items.map((i) => ({ ...i, seconds: -1 })), next: after, more: false });
    case "truth":
      return void send(page);
  }
}
