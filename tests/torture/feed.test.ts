import { createServer } from "node:http";
import { describe, expect, it } from "vitest";
import { athleteWith } from "../support/athlete";
import { testServer } from "../support/server";
import { randomOf } from "./campaigns";
import { feedLies } from "./feed";

describe("a training log that lies", () => {
  it("leaves each activity once, is never followed elsewhere, and never holds a pull for ever", async () => {
    const out = await feedLies(randomOf(3), 40, 60);
    expect(out.stored).toBe(out.expected);
    expect(out.elsewhere).toBe(0);
    expect(out.failed).toBeGreaterThan(10);
    for (const lie of ["circle", "still", "large", "cut", "elsewhere", "garbage", "hang", "wrong"] as const)
      expect(out.told[lie] ?? 0, lie).toBeGreaterThan(0);
  });

  it("is let go of when the server stops", async () => {
    const log = createServer(() => undefined);
    await new Promise<void>((done) => log.listen(0, "127.0.0.1", done));
    const base = `http://127.0.0.1:${(log.address() as { port: number }).port}`;
    const server = await testServer({ base, timeoutMs: 60_000, waits: [60_000] });
    const id = await server.store.athletes.add(athleteWith());
    await server.feed.link(id, "somebody");
    const pulled = server.feed.pull(id).catch((e: Error) => e.message);
    await new Promise((r) => setTimeout(r, 50));
    const begin = performance.now();
    await server.feed.stop();
    expect(performance.now() - begin).toBeLessThan(5000);
    expect(await pulled).toBe("The server is stopping.");
    await server.close();
    log.closeAllConnections();
    log.close();
  });
});
