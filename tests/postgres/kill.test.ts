/** Built servers on one database, killed in the middle of writes: what was acknowledged is there, once, by whichever server one asks. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { addClub } from "../../src/server/store/postgres/owner";
import { ON_SERVER } from "../support/clubs";
import { randomOf } from "../torture/campaigns";
import { kill, Ledger, type Started, startClub, stop } from "../torture/club";

/** The club of this name; the tests of two servers have others. */
const HOST = "localhost";
const ROUNDS = 4;
const WRITERS = 4;
const WORK_MS = 700;

describe.runIf(ON_SERVER)("kill -9 of one of two servers", () => {
  it("loses nothing that was acknowledged, and doubles nothing that is sent again", async () => {
    await addClub(process.env.FIELD_ANCHOR_TEST_OWNER ?? "", { name: "Killed", host: HOST });
    const folder = mkdtempSync(join(tmpdir(), "field-anchor-killed-"));
    const start = async (n: number): Promise<Started> => {
      const started = await startClub(join(folder, String(n)), {
        FIELD_ANCHOR_DATABASE: process.env.FIELD_ANCHOR_TEST_APP,
        FIELD_ANCHOR_PLANS: "elsewhere",
      });
      if (!started) throw new Error("the server did not start");
      return { ...started, base: started.base.replace("127.0.0.1", HOST) };
    };
    const servers = [await start(0), await start(1)] as [Started, Started];
    const random = randomOf(20);
    const ledger = new Ledger();
    const found: string[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      const at = (round % 2) as 0 | 1;
      const other = servers[1 - at] as Started;
      await ledger.sendAgain(other.base);
      while (ledger.athletes.length < 2) await ledger.begin(other.base);
      let going = true;
      const writing = Array.from({ length: WRITERS }, async () => {
        while (going) await ledger.write((random() < 0.5 ? servers[0] : servers[1]).base, random);
      });
      await new Promise((r) => setTimeout(r, WORK_MS));
      await kill(servers[at]);
      await new Promise((r) => setTimeout(r, WORK_MS / 2));
      going = false;
      await Promise.all(writing);
      servers[at] = await start(at);
      await ledger.sendAgain(other.base);
      for (const { base } of servers) {
        const { lost, doubled } = await ledger.check(base);
        found.push(...lost.map((l) => `lost ${l}`), ...doubled.map((d) => `doubled ${d}`));
      }
    }
    for (const s of servers) expect(await stop(s)).toBe(0);
    rmSync(folder, { recursive: true, force: true });
    expect(found).toEqual([]);
    expect(ledger.acknowledged).toBeGreaterThan(60);
    // A busy machine takes its time to start eight servers.
  }, 400_000);
});
