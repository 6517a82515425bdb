import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Writable } from "node:stream";
import pino from "pino";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { ON_SERVER } from "../../tests/support/clubs";
import { testServer } from "../../tests/support/server";
import type { HealthView } from "../api/views";
import { configFromEnvironment } from "./config";
import { run } from "./run";

let folder = "";
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "field-anchor-app-"));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe("the page", () => {
  const web = (): string => {
    mkdirSync(join(folder, "assets"));
    writeFileSync(join(folder, "index.html"), '<meta name="nonce" content="__NONCE__"><p>Field Anchor</p>');
    writeFileSync(join(folder, "assets/app-1.js"), "export {};");
    writeFileSync(join(folder, "mark.svg"), "<svg/>");
    return folder;
  };

  it("comes with a nonce of its own each time, which its policy names", async () => {
    const server = await testServer(undefined, { web: web() });
    const nonces = new Set<string>();
    for (const path of ["/", "/a/1/season", "/club-data"]) {
      const answer = await fetch(server.base.replace("/api", path));
      const policy = answer.headers.get("content-security-policy") ?? "";
      const nonce = /content="([^"]+)"/.exec(await answer.text())?.[1] ?? "";
      expect(policy).toContain(`style-src 'self' 'nonce-${nonce}'`);
      expect(policy).toContain("script-src 'self';");
      expect(policy).toContain("font-src 'self';");
      expect(policy.replace(/style-src-attr 'unsafe-inline'/, "")).not.toContain("unsafe");
      nonces.add(nonce);
    }
    expect(nonces.size).toBe(3);
    await server.close();
  });

  it("is no answer for an asset or a file that is not there", async () => {
    const server = await testServer(undefined, { web: web() });
    const status = async (path: string) => (await fetch(server.base.replace("/api", path))).status;
    expect(await status("/assets/app-1.js")).toBe(200);
    expect(await status("/mark.svg")).toBe(200);
    for (const path of ["/assets/app-2.js", "/assets/", "/favicon.ico", "/a/../../etc/passwd.txt"])
      expect(await status(path), path).toBe(404);
    expect(await status("/api/nowhere")).toBe(404);
    await server.close();
  });
});

describe("the log", () => {
  it.skipIf(ON_SERVER)("holds no word of what was asked for or stored", async () => {
    const lines: string[] = [];
    const sink = new Writable({
      write(chunk, _encoding, done) {
        lines.push(String(chunk));
        done();
      },
    });
    const server = await testServer(undefined, { log: pino({ level: "trace" }, sink) });
    const id = await server.store.athletes.add(athleteWith({}, { name: "Quillon Farthingdale" }));
    const pain = "a stabbing pain under the left kneecap";
    await server.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text: pain });
    await server.call("GET", `/athletes/${id}/exercises?place=${encodeURIComponent(pain)}`);
    await server.call("PUT", `/athletes/${id}/intake`, { facts: { name: pain } });
    // A fault of the server's own, with the words among its parameters.
    server.store.sqlite.writer.exec("ALTER TABLE week_note RENAME COLUMN text TO words");
    expect((await server.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text: `${pain} again` })).status).toBe(500);
    const log = lines.join("");
    expect(log).toContain('"status":500');
    expect(log).toContain('"kind":"QueryFailedError"');
    expect(log).toContain('"code":"SQLITE_ERROR"');
    for (const word of ["stabbing", "Quillon", "INSERT", "UPDATE"]) expect(log).not.toContain(word);
    await server.close();
  });
});

describe("a club's folder", () => {
  it("is its owner's alone, whatever it was before", async () => {
    const data = join(folder, "club");
    mkdirSync(join(data, "backups"), { recursive: true, mode: 0o755 });
    const before = process.umask();
    const config = {
      ...configFromEnvironment({ PORT: "0", FIELD_ANCHOR_DATA: data, LOG_LEVEL: "silent" }),
      workers: 1,
    };
    const running = await run(config, {
      clubName: "Own club",
      prepare: async (store) => void (await store.athletes.add(athleteWith())),
    });
    while (!existsSync(join(data, "backups")) || !readdirSync(join(data, "backups")).some((n) => n.endsWith(".sqlite")))
      await new Promise((r) => setTimeout(r, 20));
    process.umask(before);
    const health = (await (await fetch(`${running.address}/api/health`)).json()) as HealthView;
    expect(health).toMatchObject({ status: "ok", why: null, athletes: 1 });
    const modes = (of: string): [string, number][] =>
      readdirSync(of, { withFileTypes: true }).flatMap((e): [string, number][] => {
        const path = join(of, e.name);
        const mode = statSync(path).mode & 0o777;
        return e.isDirectory() ? [[e.name, mode], ...modes(path)] : [[e.name, mode]];
      });
    expect(statSync(data).mode & 0o777).toBe(0o700);
    const found = modes(data);
    expect(found.map(([n]) => n)).toContain("field-anchor.sqlite");
    expect(found.filter(([, mode]) => (mode & 0o077) !== 0)).toEqual([]);
    await running.close();
  });
});
