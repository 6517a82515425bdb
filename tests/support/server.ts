/** A whole server on a real SQLite file in a folder of its own, with a way to call it. */
import { mkdtempSync, rmSync } from "node:fs";
import { type IncomingHttpHeaders, request, type Server } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pino from "pino";
import { type AppOptions, buildApp } from "../../src/server/app";
import type { FeedClientOptions } from "../../src/server/feed/client";
import type { Feed } from "../../src/server/feed/feed";
import type { Route } from "../../src/server/http/route";
import type { Store } from "../../src/server/store/store";
import { newStore } from "./clubs";

export const TODAY = "2026-03-03";

export interface Answer<T> {
  status: number;
  /** Content type. */
  type: string;
  body: T;
}

export interface TestServer {
  store: Store;
  /** The database; its folder may hold others and goes with it. */
  file: string;
  /** Address of the interface. */
  base: string;
  feed: Feed;
  routes: readonly Route[];
  /** What is done once after a start. */
  warm: () => Promise<void>;
  /** A request with headers of its own, also such as no browser would send. */
  raw: (method: string, path: string, headers?: Record<string, string>, body?: string) => Promise<RawAnswer>;
  call: <T>(method: string, path: string, body?: unknown) => Promise<Answer<T>>;
  close: () => Promise<void>;
}

export interface RawAnswer {
  status: number;
  headers: IncomingHttpHeaders;
  text: string;
}

/** @param more what the application is built with beside the usual */
export async function testServer(feed?: FeedClientOptions, more: Partial<AppOptions> = {}): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), "field-anchor-"));
  const file = join(folder, "club.sqlite");
  // An application may be built on the store of another one.
  const store = more.store ?? (await newStore(file));
  const log = pino({ level: "silent" });
  const app = buildApp({
    store,
    today: () => TODAY,
    clubName: "Test club",
    version: "0",
    log,
    ...(feed ? { feed } : {}),
    ...more,
  });
  const server = await new Promise<Server>((done) => {
    const s = app.express.listen(0, "127.0.0.1", () => done(s));
    // As the product's own: a connection that rests for a while on a busy machine is not ended under the next request.
    s.keepAliveTimeout = 75_000;
  });
  const at = server.address();
  const base = `http://127.0.0.1:${typeof at === "object" && at ? at.port : 0}/api`;
  return {
    store,
    file,
    base,
    feed: app.feed,
    routes: app.routes,
    warm: app.warm,
    raw: (method, path, headers = {}, body) =>
      new Promise((done, fail) => {
        // A length of its own: with some methods Node sends a body that nobody can tell from the next request.
        const length = body === undefined ? {} : { "Content-Length": String(Buffer.byteLength(body)) };
        const ask = request(`${base}${path}`, { method, headers: { ...length, ...headers } }, (answer) => {
          let text = "";
          answer.setEncoding("utf8");
          answer.on("data", (d) => {
            text += d;
          });
          answer.on("end", () => done({ status: answer.statusCode ?? 0, headers: answer.headers, text }));
        });
        ask.on("error", fail);
        ask.end(body);
      }),
    call: async <T>(method: string, path: string, body?: unknown) => {
      const init: RequestInit = { method };
      if (body !== undefined) {
        init.body = typeof body === "string" ? body : JSON.stringify(body);
        init.headers = { "Content-Type": "application/json" };
      }
      const response = await fetch(base + path, init);
      const text = await response.text();
      return {
        status: response.status,
        type: response.headers.get("content-type") ?? "",
        body: (text ? JSON.parse(text) : null) as T,
      };
    },
    close: async () => {
      await new Promise((done) => server.close(done));
      await app.close();
      if (!more.store) await store.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
