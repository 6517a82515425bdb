import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { type TestServer, testServer } from "../../../tests/support/server";
import type { Problem } from "../../api/problem";
import { configFromEnvironment } from "../config";
import { DEEPEST, hostName, tooDeep } from "./door";
import { guessLimits, limiter } from "./mount";

let server: TestServer;
let id = "";
beforeAll(async () => {
  server = await testServer(undefined, { guesses: guessLimits({ address: 1000, name: 1000 }) });
  id = await server.store.athletes.add(athleteWith());
});
afterAll(() => server.close());

const VALUES: Record<string, string> = { date: "2026-03-03", monday: "2026-03-02", label: "A" };
/** An address of a route, its parameters filled in. */
const addressOf = (path: string): string =>
  path.replace(/:(\w+)/g, (_, name: string) => (name === "id" ? id : (VALUES[name] ?? "x")));
const state = async () => ({
  version: server.store.version,
  revision: await server.store.athletes.revision(id),
});
const problem = (text: string) => JSON.parse(text) as Problem;

describe("the door, over every route there is", () => {
  it("has a list that is worth trying", () => {
    expect(server.routes.length).toBeGreaterThan(80);
    expect(server.routes.filter((r) => r.changes).length).toBeGreaterThan(40);
    // A GET changes nothing that is the coach's.
    expect(server.routes.filter((r) => r.method === "GET" && r.changes)).toEqual([]);
    expect(new Set(server.routes.map((r) => `${r.method} ${r.path}`)).size).toBe(server.routes.length);
  });

  it("answers to no name that is not listed (421)", async () => {
    for (const r of server.routes) {
      const headers = { Host: "club.example:80", "Content-Type": "application/json" };
      const answer = await server.raw(r.method, addressOf(r.path), headers, r.method === "GET" ? undefined : "{}");
      expect(answer.status, `${r.method} ${r.path}`).toBe(421);
      expect(problem(answer.text).faults[0]?.path).toBe("Host");
    }
  });

  it.each([
    ["another origin", { Origin: "http://evil.example" }],
    ["another port of this machine", { Origin: "http://127.0.0.1:1" }],
    ["an origin without a name", { Origin: "null" }],
    ["another site by its own word", { "Sec-Fetch-Site": "cross-site" }],
    ["a neighbouring site", { "Sec-Fetch-Site": "same-site" }],
  ])("lets a page of %s change nothing (403)", async (_what, foreign) => {
    const before = await state();
    const changing = server.routes.filter((r) => r.method !== "GET");
    for (const r of changing)
      for (const body of ["{}", undefined]) {
        const headers = { ...foreign, ...(body ? { "Content-Type": "application/json" } : {}) };
        const answer = await server.raw(r.method, addressOf(r.path), headers as Record<string, string>, body);
        expect(answer.status, `${r.method} ${r.path}`).toBe(403);
      }
    expect(await state()).toEqual(before);
  });

  it("takes no character U+0000, in no address and no body; the six letters that name it are words like others", async () => {
    const json = { "Content-Type": "application/json" };
    for (const r of server.routes.filter((x) => x.path.startsWith("/athletes/:id"))) {
      const path = r.path.replace(/:(\w+)/g, (_, name: string) => (name === "id" ? "%00" : (VALUES[name] ?? "x")));
      const answer = await server.raw(r.method, path, json, r.method === "GET" ? undefined : "{}");
      expect(answer.status, `${r.method} ${path}`).toBe(404);
    }
    const note = (text: string) => server.raw("PUT", `/athletes/${id}/notes/2026-03-02`, json, text);
    for (const text of ['{"text":"a\\u0000b"}', '{"text":"\\u0000"}', '{"text":"\\\\\\u0000"}']) {
      const refused = await note(text);
      expect(refused.status).toBe(422);
    }
    // Where no schema reads it, it is refused as a whole.
    const bulk = await server.raw("POST", `/athletes/${id}/import`, json, '{"name":"\\u0000"}');
    expect([bulk.status, problem(bulk.text).faults[0]?.expected]).toEqual([
      422,
      "text without the character U+0000 expected",
    ]);
    expect((await note('{"text":"\\\\u0000"}')).status).toBe(204);
    expect((await server.store.athletes.get(id))?.notes["2026-03-02"]).toBe("\\u0000");
    await note('{"text":""}');
  });

  it("takes no body that is not JSON (415)", async () => {
    const before = await state();
    for (const r of server.routes.filter((x) => x.method !== "GET"))
      for (const type of [
        "text/plain",
        "application/x-www-form-urlencoded",
        "multipart/form-data; boundary=x",
        "application/jsonp",
      ]) {
        const answer = await server.raw(r.method, addressOf(r.path), { "Content-Type": type }, '{"x":1}');
        expect(answer.status, `${r.method} ${r.path} ${type}`).toBe(415);
      }
    for (const r of server.routes.filter((x) => x.method !== "GET")) {
      const answer = await server.raw(r.method, addressOf(r.path), {}, '{"x":1}');
      expect(answer.status, `${r.method} ${r.path} without a type`).toBe(415);
    }
    expect(await state()).toEqual(before);
  });

  it("names the methods an address takes (405)", async () => {
    for (const path of new Set(server.routes.map((r) => r.path))) {
      const own = server.routes.filter((r) => r.path === path).map((r) => r.method);
      const answer = await server.raw("PATCH", addressOf(path), { "Content-Type": "application/json" }, "{}");
      expect(answer.status, path).toBe(405);
      expect(answer.headers.allow?.split(", ").sort()).toEqual([...own].sort());
    }
  });

  it("refuses JSON that is none or nests too deep (400)", async () => {
    const before = await state();
    const nested = `${"[".repeat(20_000)}${"]".repeat(20_000)}`;
    for (const r of server.routes.filter((x) => x.method !== "GET" && !x.bulk))
      for (const body of ["{oops", nested, `{"a":${nested}}`]) {
        const answer = await server.raw(r.method, addressOf(r.path), { "Content-Type": "application/json" }, body);
        expect(answer.status, `${r.method} ${r.path}`).toBe(400);
        expect(answer.headers["content-type"]).toContain("application/problem+json");
      }
    for (const r of server.routes.filter((x) => x.bulk)) {
      const answer = await server.raw(r.method, addressOf(r.path), { "Content-Type": "application/json" }, nested);
      expect([400, 422], `${r.method} ${r.path}`).toContain(answer.status);
    }
    expect(await state()).toEqual(before);
  });

  it("lets nothing be kept by browsers and proxies", async () => {
    for (const r of server.routes.filter((x) => x.method === "GET")) {
      const answer = await server.raw("GET", addressOf(r.path));
      expect(answer.headers["cache-control"], r.path).toBe("no-store");
    }
  });
});

describe("the door, case by case", () => {
  it("lets its own page and a script in", async () => {
    const origin = server.base.replace("/api", "");
    for (const headers of [
      {},
      { Origin: origin },
      { Origin: origin, "Sec-Fetch-Site": "same-origin" },
      { "Sec-Fetch-Site": "none" },
    ]) {
      const answer = await server.raw(
        "PUT",
        `/athletes/${id}/notes/2026-03-02`,
        { ...(headers as Record<string, string>), "Content-Type": "application/json; charset=utf-8" },
        JSON.stringify({ text: `from ${Object.keys(headers).length}` }),
      );
      expect(answer.status).toBe(204);
    }
  });

  it.each([
    ["localhost", "localhost"],
    ["LOCALHOST:4173", "localhost"],
    ["127.0.0.1:80", "127.0.0.1"],
    ["[::1]:4173", "[::1]"],
    ["localhost.evil.example", "localhost.evil.example"],
    ["localhost:4173@evil.example", ""],
    ["evil.example/localhost", ""],
    ["", ""],
    [undefined, ""],
  ])("reads the host %s as %s", (header, name) => expect(hostName(header)).toBe(name));

  it("counts brackets outside of words alone, up to the boundary", () => {
    expect(tooDeep(`${"[".repeat(DEEPEST)}${"]".repeat(DEEPEST)}`)).toBe(false);
    expect(tooDeep(`${"[".repeat(DEEPEST + 1)}${"]".repeat(DEEPEST + 1)}`)).toBe(true);
    expect(tooDeep(JSON.stringify({ text: '[{"'.repeat(200) }))).toBe(false);
    expect(tooDeep(`[${"[],".repeat(500)}[]]`)).toBe(false);
  });

  it.each([
    ["a line break in a name", { name: "Ada\nQuist" }, 422],
    ["a null in a name", { name: "Ada\u0000" }, 422],
    ["a line separator in a name", { name: "Ada\u2028Quist" }, 422],
    ["an escape in a name", { name: "Ada\u001b[31m" }, 422],
    ["letters of any language", { name: "Zoë Åström-Ñandú 李" }, 204],
  ])("answers %s with %s", async (_what, change, status) => {
    const facts = { ...athleteWith().athlete, ...change };
    const answer = await server.call<Problem>("PUT", `/athletes/${id}/intake`, { facts });
    expect(answer.status).toBe(status);
    if (status === 422) expect(answer.body.faults[0]?.path).toBe("facts.name");
  });

  it("takes line breaks in notes, and no other control characters", async () => {
    const put = async (text: string) => (await server.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text })).status;
    expect(await put("camp\nthen rest\ttwo days")).toBe(204);
    expect(await put("camp\u0007")).toBe(422);
  });

  it("writes a name with a line break of old into the calendar on one line", async () => {
    const old = await server.store.athletes.add(athleteWith({}, { name: "Ada\r\nSUMMARY:Quist" }));
    const text = (await server.raw("GET", `/athletes/${old}/strength.ics`)).text;
    expect(text).toContain("BEGIN:VCALENDAR");
    expect(text.split("\r\n").some((l) => l.startsWith("SUMMARY:Quist"))).toBe(false);
    expect(text).toMatch(/X-WR-CALNAME:Ada SUMMARY:Quist: strength/);
    await server.store.athletes.erase(old);
  });

  it("turns away who asks too often for long work, but never this machine", async () => {
    const strict = await testServer(undefined, { limit: limiter(3, () => false) });
    const own = await testServer(undefined, { limit: limiter(3) });
    const statuses = async (s: TestServer) => {
      const athlete = await s.store.athletes.add(athleteWith());
      const out: number[] = [];
      for (let i = 0; i < 5; i++) out.push((await s.raw("GET", `/athletes/${athlete}/season`)).status);
      return out;
    };
    expect(await statuses(strict)).toEqual([200, 200, 200, 429, 429]);
    expect(await statuses(own)).toEqual([200, 200, 200, 200, 200]);
    await strict.close();
    await own.close();
  });

  it("does not listen beyond this machine unless it is asked to in so many words", () => {
    const out = (more: Record<string, string>) => configFromEnvironment({ HOST: "0.0.0.0", ...more });
    expect(() => out({})).toThrow(/FIELD_ANCHOR_TLS_CERT/);
    expect(() => configFromEnvironment({ HOST: "192.168.1.4" })).toThrow(/HOST/);
    expect(() => out({ FIELD_ANCHOR_TLS_CERT: "cert.pem" })).toThrow(/both files/);
    expect(out({ FIELD_ANCHOR_TLS_CERT: "cert.pem", FIELD_ANCHOR_TLS_KEY: "key.pem" })).toMatchObject({
      accounts: "asked",
      tls: { cert: "cert.pem", key: "key.pem" },
    });
    expect(out({ FIELD_ANCHOR_BEHIND_PROXY: "1" })).toMatchObject({ accounts: "asked", behindProxy: true, tls: null });
    // Nobody is left unasked where others can come in.
    const open = { FIELD_ANCHOR_ACCOUNTS: "open" };
    expect(() => out({ ...open, FIELD_ANCHOR_BEHIND_PROXY: "1" })).toThrow(/FIELD_ANCHOR_ACCOUNTS/);
    expect(() => configFromEnvironment({ ...open, FIELD_ANCHOR_BEHIND_PROXY: "1" })).toThrow(/FIELD_ANCHOR_ACCOUNTS/);
    expect(configFromEnvironment(open)).toMatchObject({ accounts: "open" });
    expect(() => configFromEnvironment({ FIELD_ANCHOR_ACCOUNTS: "yes" })).toThrow(/FIELD_ANCHOR_ACCOUNTS/);
    expect(configFromEnvironment({ HOST: "localhost" })).toMatchObject({
      accounts: "asked",
      hosts: ["localhost", "127.0.0.1", "[::1]"],
    });
    expect(configFromEnvironment({ FIELD_ANCHOR_HOSTS: "anchor.club, LOCALHOST" }).hosts).toEqual([
      "anchor.club",
      "localhost",
    ]);
    expect(() => configFromEnvironment({ FIELD_ANCHOR_HOSTS: " ," })).toThrow(/FIELD_ANCHOR_HOSTS/);
  });
});
