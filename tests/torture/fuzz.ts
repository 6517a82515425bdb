/**
 * Requests made from the list of routes: bodies that the schemas describe, bent in ways that happen and in ways that do not. One process, so
 * that what a refused request leaves behind can be seen: no row, no revision, no memory.
 */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import type { Athlete } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { checkAthlete } from "../../src/formats/athlete-file";
import type { Route } from "../../src/server/http/route";
import { type RawAnswer, type TestServer, testServer } from "../support/server";
import type { Random } from "./disk";

interface Schema {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  pattern?: string;
  minimum?: number;
  maximum?: number;
  minLength?: number;
  maxLength?: number;
  $ref?: string;
  $defs?: Record<string, Schema>;
}

const DAYS = ["2026-03-02", "2026-03-03", "2026-03-10", "2026-04-01", "2026-02-30", "1999-01-01", "", "soon"];
const WORDS = [
  "a",
  "bridge",
  "back-squat",
  "own-x",
  "A",
  "18:00",
  "25:99",
  "Zoë",
  "x".repeat(500),
  "\u0000",
  "two\nlines",
  "\u2028",
  "'; DROP TABLE athlete; --",
  "../../etc/passwd",
  "{}",
  "%00",
  "__proto__",
  "constructor",
  "\ud800",
  "🏋",
  "0",
  "-1",
  "1e999",
  "null",
  "gym",
  "layered",
  "S1",
];
const ODD: unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -0.1,
  1.5,
  "",
  [],
  {},
  [[]],
  { a: { b: [] } },
  "2026-03-03",
  Number.MAX_SAFE_INTEGER,
];

const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

/** A value as a schema describes it, now and then not. */
function madeFrom(schema: Schema, root: Schema, random: Random, depth = 0): unknown {
  if (depth > 8 || random() < 0.03) return pick(random, ODD);
  if (schema.$ref) return madeFrom(root.$defs?.[schema.$ref.split("/").at(-1) ?? ""] ?? {}, root, random, depth + 1);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(random, schema.enum);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return madeFrom(pick(random, choices), root, random, depth + 1);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((s) => madeFrom(s, root, random, depth + 1)));
  const type = Array.isArray(schema.type) ? pick(random, schema.type) : schema.type;
  switch (type) {
    case "object": {
      const keys = Object.keys(schema.properties ?? {}).filter((k) =>
        (schema.required ?? []).includes(k) ? random() > 0.02 : random() < 0.5,
      );
      const out = Object.fromEntries(
        keys.map((k) => [k, madeFrom(schema.properties?.[k] ?? {}, root, random, depth + 1)]),
      );
      if (random() < 0.03) out[pick(random, WORDS)] = 1;
      return out;
    }
    case "array":
      return Array.from({ length: Math.floor(random() * (depth < 3 ? 4 : 2)) }, () =>
        madeFrom(schema.items ?? {}, root, random, depth + 1),
      );
    case "number":
    case "integer": {
      const [low, high] = [Math.max(schema.minimum ?? 0, -1000), Math.min(schema.maximum ?? 100, 10_000)];
      const n = low + random() * (high - low);
      return type === "integer" ? Math.round(n) : Math.round(n * 10) / 10;
    }
    case "boolean":
      return random() < 0.5;
    case "null":
      return null;
    case "string": {
      const fitting = [...DAYS, ...WORDS].filter((w) => !schema.pattern || matches(schema.pattern, w));
      return random() < 0.9 && fitting.length > 0 ? pick(random, fitting) : pick(random, [...DAYS, ...WORDS]);
    }
    default:
      return pick(random, ODD);
  }
}

function matches(pattern: string, text: string): boolean {
  try {
    return new RegExp(pattern, "u").test(text);
  } catch {
    return true;
  }
}

/** A small athlete, so that a plan takes little time. */
function smallAthlete(): Athlete {
  const a = JSON.parse(readFileSync(join(import.meta.dirname, "../support/hike.json"), "utf8")) as Athlete;
  const season = { start: "2026-02-16", end: addDays("2026-02-16", 8 * 7 - 1) };
  const inside = <T extends { date: string }>(list: readonly T[] = []) =>
    list.filter((x) => x.date >= season.start && x.date <= season.end);
  const { phases: _, ...rest } = a;
  return {
    ...rest,
    season,
    races: inside(a.races),
    endurance: inside(a.endurance),
    strengthLog: inside(a.strengthLog),
    locked: [],
  };
}

export interface FuzzOutcome {
  requests: number;
  statuses: Record<number, number>;
  /** Accepted changes after which the whole athlete was read again and found to be one. */
  sound: number;
  /** Requests whose refusal changed something, and answers that are not meant. */
  faults: string[];
  /** heapUsed + external after a forced collection, less the same before, MB; null where the collection cannot be forced. */
  grownMb: number | null;
}

const MEANT = new Set([502, 503, 507]);
const memory = (): number => {
  const { heapUsed, external } = process.memoryUsage();
  return (heapUsed + external) / 1e6;
};

/** @param break_ answers that are not meant are put in, to see that they would be noticed */
export async function fuzz(requests: number, random: Random, break_ = false): Promise<FuzzOutcome> {
  const server = await testServer();
  try {
    return await run(server, requests, random, break_);
  } finally {
    await server.close();
  }
}

async function run(server: TestServer, requests: number, random: Random, break_: boolean): Promise<FuzzOutcome> {
  const schemas = new Map(server.routes.map((r) => [r, schemaOf(r)]));
  const out: FuzzOutcome = { requests: 0, statuses: {}, sound: 0, faults: [], grownMb: null };
  const text = JSON.stringify(smallAthlete());
  let ids: string[] = [];
  const begin = async () => {
    while (ids.length < 3) ids.push((await server.call<{ id: string }>("POST", "/athletes", text)).body.id);
  };
  await begin();
  const collect = (globalThis as { gc?: () => void }).gc;
  /** Once the caches are full. */
  let before: number | null = null;
  const { store } = server;
  /** Differs with whatever is written. */
  const state = async () =>
    store.isFile
      ? [store.sqlite.readerRaw.pragma("data_version", { simple: true }), store.version]
      : store.db.reading("change", async () => [store.version]);
  while (out.requests < requests) {
    const route = pick(random, server.routes);
    // Erasing and restoring are slow and change everybody: now and then is enough.
    if (/^\/athletes\/:id$|restore|backups/.test(route.path) && route.changes && random() < 0.9) continue;
    const { path, headers, body } = requestFor(route, schemas.get(route) ?? null, ids, random);
    const stood = await state();
    const answer = await server
      .raw(route.method, path, headers, body)
      .catch((e: Error): RawAnswer => ({ status: 0, headers: {}, text: e.message }));
    out.requests++;
    const status = break_ && out.requests % 50 === 0 ? 500 : answer.status;
    out.statuses[status] = (out.statuses[status] ?? 0) + 1;
    const told = `${route.method} ${path.slice(0, 120)} ${(body ?? "").slice(0, 160)}`;
    if (status === 0 || (status >= 500 && !MEANT.has(status)))
      out.faults.push(`${status}: ${told} ${answer.text.slice(0, 120)}`);
    if (status >= 400 && JSON.stringify(await state()) !== JSON.stringify(stood))
      out.faults.push(`${status}, and something changed: ${told}`);
    if (status >= 400 && !String(answer.headers["content-type"]).includes("problem+json"))
      out.faults.push(`${status} without problem details: ${told}`);
    const id = /^\/athletes\/([^/]+)/.exec(path)?.[1];
    if (route.changes && status < 300 && id) {
      const kept = await server.store.athletes.get(id);
      const read = kept && checkAthlete(kept.record);
      if (read?.ok) out.sound++;
      else if (read)
        out.faults.push(`${status}, and no sound athlete: ${told} ${JSON.stringify(read.faults.slice(0, 2))}`);
    }
    if (out.requests % 20 === 0) {
      ids = (await server.store.athletes.list()).map((a) => a.id);
      await begin();
    }
    if (collect && before === null && out.requests >= Math.min(2000, requests / 4)) {
      collect();
      before = memory();
    }
  }
  if (collect && before !== null) {
    collect();
    out.grownMb = memory() - before;
  }
  return out;
}

function schemaOf(route: Route): Schema | null {
  if (!route.body) return null;
  try {
    return z.toJSONSchema(route.body.schema, { unrepresentable: "any", io: "input" }) as Schema;
  } catch {
    return null;
  }
}

function requestFor(route: Route, schema: Schema | null, ids: readonly string[], random: Random) {
  const param = (name: string): string => {
    if (random() < 0.08)
      return encodeURIComponent(
        pick(
          random,
          [...WORDS, ...DAYS].filter((w) => w !== "" && w !== "\ud800"),
        ),
      );
    if (name === "id") return pick(random, ids);
    if (name === "date" || name === "monday") return pick(random, DAYS.slice(0, 4));
    if (name === "label") return pick(random, ["A", "B", "C"]);
    return encodeURIComponent(pick(random, ["bridge", "back-squat", "gym", "race-1", "own-mine", "layered"]));
  };
  const query =
    random() < 0.3
      ? `?from=${pick(random, DAYS)}&to=${pick(random, DAYS)}&place=${encodeURIComponent("gym")}&per=${pick(random, ["1", "4", "x"])}`
      : "?from=2026-03-02&to=2026-03-08";
  const headers: Record<string, string> = {};
  let body: string | undefined;
  if (route.method !== "GET") {
    const value = schema ? madeFrom(schema, schema, random) : random() < 0.5 ? {} : pick(random, ODD);
    body = JSON.stringify(value) ?? "";
    if (random() < 0.04) body = body.slice(0, Math.floor(random() * body.length));
    if (random() < 0.01) body = "[".repeat(5000);
    headers["Content-Type"] =
      random() < 0.97 ? "application/json" : pick(random, ["text/plain", "application/xml", ""]);
    if (random() < 0.15) headers["If-Match"] = pick(random, ['"x"', "*", '"47DEQpj8HBSa-_TI"', ""]);
    if (route.method === "POST" && random() < 0.3)
      headers["Idempotency-Key"] = pick(random, ["the-same-key", "x", `key-${Math.floor(random() * 1e6)}-long`]);
  }
  return {
    path: `${route.path.replace(/:(\w+)/g, (_, name: string) => param(name))}${route.method === "GET" ? query : ""}`,
    headers,
    body,
  };
}
