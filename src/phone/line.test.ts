import "fake-indexeddb/auto";
import { describe, expect, it } from "vitest";
import { PhoneDb } from "./db";
import { type Ask, drain } from "./line";

let n = 0;
const fresh = async (): Promise<PhoneDb> => {
  const db = new PhoneDb(`line-${++n}`);
  expect(await db.begin("x")).toBe(true);
  return db;
};
const tick = (id: string) => ({
  id,
  method: "PUT" as const,
  path: "/athletes/x/homework/2026-03-03/activation",
  body: { done: true },
});
const facts = {
  at: "2026-03-03T10:00:00.000Z",
  today: "2026-03-03",
  tag: "t1",
  planning: {},
  published: [],
  messages: [],
};
/** Answers changes with one status, and reads with the facts. */
const server =
  (status: number, asked: string[] = []): Ask =>
  async (path, init) => {
    asked.push(`${init?.method ?? "GET"} ${path}`);
    if (init?.method) return new Response(status === 204 ? null : JSON.stringify({ detail: "Too late." }), { status });
    return new Response(JSON.stringify(facts), { status: 200 });
  };

describe("the line to the server", () => {
  it("sends what waits in order, then reads, and lets go of what the facts hold", async () => {
    const db = await fresh();
    await db.enqueue(tick("1"));
    await db.enqueue({ ...tick("2"), method: "POST", path: "/athletes/x/messages" });
    const asked: string[] = [];
    expect(await drain(db, "x", server(204, asked))).toBe("done");
    expect(asked).toEqual([`PUT ${tick("1").path}`, "POST /athletes/x/messages", "GET /athletes/x/phone"]);
    expect(await db.queueHere()).toEqual([]);
    // Asked again, it names what it has.
    const again: string[] = [];
    await drain(db, "x", server(204, again));
    expect(again).toEqual(["GET /athletes/x/phone?have=t1"]);
  });

  it("keeps what cannot be taken now, and shows with why what will not be", async () => {
    for (const status of [500, 503, 507, 429, 408]) {
      const db = await fresh();
      await db.enqueue(tick("1"));
      expect([status, await drain(db, "x", server(status))]).toEqual([status, "later"]);
      expect((await db.queueHere()).map((c) => [c.id, c.taken])).toEqual([["1", false]]);
    }
    for (const status of [400, 404, 409, 422]) {
      const db = await fresh();
      await db.enqueue(tick("1"));
      expect([status, await drain(db, "x", server(status))]).toEqual([status, "done"]);
      expect((await db.refusedHere()).map((r) => [r.id, r.why])).toEqual([["1", "Too late."]]);
      expect(await db.queueHere()).toEqual([]);
    }
  });

  it("stops where the phone is not known any more, and where the athlete was erased", async () => {
    for (const [status, end] of [
      [401, "out"],
      [410, "erased"],
    ] as const) {
      const db = await fresh();
      await db.enqueue(tick("1"));
      expect(await drain(db, "x", server(status))).toBe(end);
      expect(await db.queueHere()).toHaveLength(1);
    }
  });

  it("loses nothing where there is no network", async () => {
    const db = await fresh();
    await db.enqueue(tick("1"));
    await expect(drain(db, "x", () => Promise.reject(new Error("no network")))).rejects.toThrow("no network");
    expect(await db.queueHere()).toHaveLength(1);
  });

  it("is one athlete's: another's phone it becomes once nothing waits", async () => {
    const db = await fresh();
    await db.enqueue(tick("1"));
    expect(await db.begin("y")).toBe(false);
    expect(await db.queueHere()).toHaveLength(1);
    await drain(db, "x", server(204));
    expect(await db.begin("y")).toBe(true);
    expect(await db.keptHere()).toBeNull();
    await db.forgetAll();
    expect(await db.athleteHere()).toBeNull();
  });
});
