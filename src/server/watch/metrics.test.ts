import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { type TestServer, testServer } from "../../../tests/support/server";
import { Metrics } from "./metrics";

/** Any port that is free in tests. */
const ADDRESS = "127.0.0.1:9763";

describe("what is measured", () => {
  const line = { now: 2, later: 7 };
  const metrics = new Metrics(() => line);
  let server: TestServer;
  let close: () => Promise<void>;
  let id = "";
  beforeAll(async () => {
    close = await metrics.serve(ADDRESS);
    server = await testServer(undefined, { metrics });
    id = await server.store.athletes.add(athleteWith({}, { name: "Quillon Farthingdale" }));
  });
  afterAll(async () => {
    await server.close();
    await close();
  });
  const read = async () => (await fetch(`http://${ADDRESS}/metrics`)).text();
  const value = (text: string, name: string): number =>
    Number(
      text
        .split("\n")
        .find((l) => l.startsWith(`${name} `))
        ?.split(" ")
        .at(-1) ?? Number.NaN,
    );

  it("counts requests by route, refusals by status, and writes; no address and no name of anybody is in it", async () => {
    const before = value(await read(), 'field_anchor_writes_total{outcome="stored"}') || 0;
    await server.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text: "a sore knee" });
    await server.call("GET", "/athletes/nobody/edits");
    await server.call("GET", "/athletes/nobody/edits");
    const text = await read();
    expect(
      value(text, 'field_anchor_request_seconds_count{route="PUT /athletes/:id/notes/:monday",status="204"}'),
    ).toBe(1);
    expect(value(text, 'field_anchor_refused_total{status="404"}')).toBe(2);
    expect(value(text, 'field_anchor_writes_total{outcome="stored"}')).toBeGreaterThan(before);
    for (const word of [id, "Quillon", "knee"]) expect(text).not.toContain(word);
  });

  it("says what waits and how long plans took", async () => {
    metrics.plan("squadRow", 0.25);
    metrics.plan("squadRow", 0.5);
    const text = await read();
    expect(value(text, 'field_anchor_waiting{line="now"}')).toBe(2);
    expect(value(text, 'field_anchor_waiting{line="later"}')).toBe(7);
    expect(value(text, 'field_anchor_plan_seconds_sum{kind="squadRow"}')).toBe(0.75);
    expect(value(text, 'field_anchor_plan_seconds_bucket{le="0.3",kind="squadRow"}')).toBe(1);
  });

  it("is served under its own address and nowhere else, and a wrong address is said", async () => {
    expect((await fetch(`http://${ADDRESS}/`)).status).toBe(404);
    expect((await server.raw("GET", "/metrics")).status).toBe(404);
    await expect(metrics.serve("9763")).rejects.toThrow('FIELD_ANCHOR_METRICS: an address such as "127.0.0.1:9464"');
  });

  it("tells the rest while the database is away, and says whether it is alive and can work", async () => {
    let away = false;
    const own = new Metrics(() => line);
    const at = "127.0.0.1:9764";
    const database = async () => {
      if (away) throw new Error("Connection terminated");
      return 3;
    };
    own.watchQueue(database);
    const end = await own.serve(at, database);
    const get = async (path: string) => {
      const answer = await fetch(`http://${at}${path}`);
      return { status: answer.status, text: await answer.text() };
    };
    try {
      expect(value((await get("/metrics")).text, "field_anchor_queue")).toBe(3);
      expect(await get("/ready")).toEqual({ status: 200, text: "ready\n" });
      away = true;
      const told = await get("/metrics");
      expect([told.status, value(told.text, "field_anchor_queue")]).toEqual([200, Number.NaN]);
      expect(value(told.text, 'field_anchor_waiting{line="now"}')).toBe(2);
      expect((await get("/ready")).status).toBe(503);
      expect(await get("/health")).toEqual({ status: 200, text: "alive\n" });
    } finally {
      await end();
    }
  });

  it("gives each request a name, or takes over the proxy's where it is a plain one", async () => {
    const own = await server.raw("GET", "/club");
    expect(String(own.headers["x-request-id"])).toMatch(/^[\w-]{36}$/);
    const given = await server.raw("GET", "/club", { "X-Request-Id": "proxy-12345678" });
    expect(given.headers["x-request-id"]).toBe("proxy-12345678");
    const odd = await server.raw("GET", "/club", { "X-Request-Id": "a b\tc" });
    expect(String(odd.headers["x-request-id"])).toMatch(/^[\w-]{36}$/);
  });
});
