/** Opens the store, listens, shuts down cleanly. Configuration comes from the environment, here and nowhere else. */
import { readFileSync } from "node:fs";
import type { Server } from "node:http";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import pino from "pino";
import { isDate } from "../core/dates";
import { SHIPPED } from "../core/exercise/entries/all";
import { validateLibrary } from "../core/exercise/validate";
import { buildApp } from "./app";
import { Store } from "./store/store";

export interface Config {
  host: string;
  port: number;
  /** Folder of the database. */
  data: string;
  /** A fixed day, for demo, tests and pictures; null is the clock's. */
  fixedToday: string | null;
  root: string;
  /** Address of the training log; null where there is none. */
  feed: string | null;
  /** Minutes between two pulls from it. */
  feedMinutes: number;
}

/** The project's root, from the source as from the built bundle. */
function rootFolder(): string {
  let at = dirname(fileURLToPath(import.meta.url));
  for (let i = 0; i < 5; i++, at = dirname(at)) {
    try {
      readFileSync(join(at, "package.json"));
      return at;
    } catch {
      // Not here: one folder up.
    }
  }
  return resolve(".");
}

export function configFromEnvironment(env: NodeJS.ProcessEnv): Config {
  const port = Number(env.PORT ?? 4173);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT: a number from 0 to 65535 expected, found "${env.PORT}"`);
  const fixedToday = env.FIELD_ANCHOR_TODAY ?? null;
  if (fixedToday !== null && !isDate(fixedToday))
    throw new Error(`FIELD_ANCHOR_TODAY: a real date such as "2026-03-04" expected, found "${fixedToday}"`);
  const feedMinutes = Number(env.FIELD_ANCHOR_FEED_MINUTES ?? 15);
  if (!(feedMinutes > 0))
    throw new Error(`FIELD_ANCHOR_FEED_MINUTES: a number above 0 expected, found "${env.FIELD_ANCHOR_FEED_MINUTES}"`);
  const root = rootFolder();
  return {
    host: env.HOST ?? "127.0.0.1",
    port,
    data: resolve(root, env.FIELD_ANCHOR_DATA ?? "var/club"),
    fixedToday,
    root,
    feed: env.FIELD_ANCHOR_FEED ?? null,
    feedMinutes,
  };
}

/** How long a request to the training log may take, and the waits between tries, ms. */
const FEED_PATIENCE = { timeoutMs: 4000, waits: [300, 1200, 3000] };

/**
 * How long a connection may stay idle, ms. Longer than a proxy or a browser keeps its own, so that the client is the one to close it:
 * Node's five seconds close some just as the next request is written, which the client then sees as a reset.
 */
const IDLE_MS = 75_000;

/** Today on this machine's calendar, or the fixed day. */
export const todayOf = (c: Config): string => {
  if (c.fixedToday) return c.fixedToday;
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
};

export interface Running {
  address: string;
  close: () => Promise<void>;
}

/**
 * @param prepare runs on the open store before anything is served
 */
export async function run(
  config: Config,
  clubName: string,
  prepare?: (store: Store) => Promise<void>,
): Promise<Running> {
  const unsound = validateLibrary(SHIPPED);
  if (unsound.length > 0) throw new Error(`The exercise library is not sound: ${unsound.join("; ")}`);
  const log = pino({ level: process.env.LOG_LEVEL ?? "info", base: null }, pino.destination({ dest: 2, sync: false }));
  const store = await Store.open(join(config.data, "field-anchor.sqlite"));
  await prepare?.(store);
  const version: string = JSON.parse(readFileSync(join(config.root, "package.json"), "utf8")).version;
  const app = buildApp({
    store,
    today: () => todayOf(config),
    clubName,
    version,
    log,
    web: join(config.root, "dist/web"),
    ...(config.feed ? { feed: { base: config.feed, ...FEED_PATIENCE } } : {}),
  });
  app.feed.start(config.feedMinutes);
  const server = await new Promise<Server>((done, fail) => {
    const s = app.express.listen(config.port, config.host, (error?: Error) => (error ? fail(error) : done(s)));
    s.keepAliveTimeout = IDLE_MS;
    s.once("error", fail);
  });
  const bound = server.address();
  const port = typeof bound === "object" && bound ? bound.port : config.port;
  const address = `http://${config.host}:${port}`;
  log.info({ address, data: config.data }, "listening");
  setImmediate(() => app.warm().catch((err) => log.error({ err }, "rows not made")));
  let closing: Promise<void> | null = null;
  const close = (): Promise<void> => {
    closing ??= (async () => {
      await new Promise<void>((done) => {
        server.close(() => done());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 2000).unref();
      });
      await app.feed.stop();
      await store.close();
      log.info("stopped");
    })();
    return closing;
  };
  for (const signal of ["SIGINT", "SIGTERM"] as const)
    process.once(signal, () => void close().then(() => process.exit(0)));
  return { address, close };
}
