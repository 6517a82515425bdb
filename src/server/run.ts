/** Opens the store, listens, shuts down cleanly. */
import { createHash } from "node:crypto";
import { chmodSync, existsSync, readdirSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { createServer as createSecureServer } from "node:https";
import { extname, join } from "node:path";
import { fileURLToPath } from "node:url";
import pino, { type Logger } from "pino";
import { SHIPPED, validateLibrary } from "../core/exercise";
import { type App, buildApp } from "./app";
import { Clubs } from "./clubs";
import { answerCommands } from "./commands/control";
import { accessOf, type Config, clubFile, todayOf } from "./config";
import { loggable } from "./errors";
import { jobsOfClub } from "./jobs/jobs";
import { KeptAnswers } from "./jobs/kept";
import type { WorkerSetup } from "./jobs/messages";
import { Pool } from "./jobs/pool";
import { queuedJobs } from "./queue/jobs";
import { PlanQueue } from "./queue/queue";
import { sweepAll } from "./store/imports";
import { DatabaseServer } from "./store/postgres/server";
import { Store } from "./store/store";
import { Metrics } from "./watch/metrics";

/** The worker threads' code: the built file beside this one, or its source. */
function workerEntry(root: string): { entry: string; program: string | null } {
  if (extname(fileURLToPath(import.meta.url)) !== ".js")
    return { entry: join(root, "src/server/jobs/worker.source.mjs"), program: null };
  const folder = join(root, "dist/server");
  const hash = createHash("sha256");
  const visit = (path: string): void => {
    for (const e of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1)))
      if (e.isDirectory()) visit(join(path, e.name));
      else hash.update(readFileSync(join(path, e.name)));
  };
  visit(folder);
  return { entry: join(folder, "worker.js"), program: hash.digest("hex") };
}

/** Files of the club are its owner's alone. */
function closeFolder(folder: string): void {
  process.umask(0o077);
  if (!existsSync(folder)) return;
  chmodSync(folder, 0o700);
  for (const e of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, e.name);
    if (e.isDirectory()) closeFolder(path);
    else if (e.isFile()) chmodSync(path, 0o600);
  }
}

/** How long a request to the training log may take, and the waits between tries, ms. */
const FEED_PATIENCE = { timeoutMs: 4000, waits: [300, 1200, 3000] };

/**
 * How long a connection may stay idle, ms. Longer than a proxy or a browser keeps its own, so that the client is the one to close it:
 * Node's five seconds close some just as the next request is written, which the client then sees as a reset.
 */
const IDLE_MS = 75_000;

/** @throws where the files of the certificate cannot be read */
function serverFor({ tls, behindProxy }: Config, app: App["express"]): Server {
  // One hop and no more: what stands before it in the list was written by whoever asks.
  if (behindProxy) app.set("trust proxy", 1);
  if (!tls) return createServer(app);
  return createSecureServer({ cert: readFileSync(tls.cert), key: readFileSync(tls.key), minVersion: "TLSv1.2" }, app);
}

export interface Running {
  address: string;
  close: () => Promise<void>;
}

/** What answers requests, whatever it is made of. */
interface Served {
  express: App["express"];
  metrics: Metrics;
  /** @throws where the database does not answer */
  ready: () => Promise<unknown>;
  /** Begins what is done by the clock. */
  begin: () => Promise<void>;
  close: () => Promise<void>;
}

const logOf = (): Logger =>
  pino({ level: process.env.LOG_LEVEL ?? "info", base: null }, pino.destination({ dest: 2, sync: false }));

const versionOf = (c: Config): string => JSON.parse(readFileSync(join(c.root, "package.json"), "utf8")).version;

/** What every application is built with here, whichever its club. */
const commonOf = (config: Config, log: Logger) => ({
  squadPatienceMs: SQUAD_PATIENCE_MS,
  today: () => todayOf(config),
  version: versionOf(config),
  log,
  web: join(config.root, "dist/web"),
  phone: join(config.root, "dist/phone"),
  access: accessOf(config),
});

/** A coach who looks at the squad waits so long for those who have just lifted, and sees them as they were until then, ms. */
const SQUAD_PATIENCE_MS = 150;
/** Rows that stand in the line of all servers take seconds on an evening: little is won by waiting. */
const QUEUED_PATIENCE_MS = 50;

/** Of several servers one may take its time before it answers: whoever asks first is answered as soon as the others, ms. */
const PRACTISE_MS = 2000;

/** The planning threads, and what is measured of them. */
function threads(config: Config, entry: string, setup: WorkerSetup, log: Logger) {
  const pool: Pool = new Pool(
    config.workers,
    entry,
    setup,
    (error) => log.error({ error: loggable(error) }, "worker"),
    (work, seconds) => metrics.plan(work.kind === "task" ? work.task : work.route, seconds),
  );
  const metrics = new Metrics(() => pool.line);
  return { pool, metrics, there: pool.start() };
}

/** A club in a file of its own. */
async function serveOne(
  config: Config,
  log: Logger,
  { clubName, prepare, tryPassword = null }: ClubToServe,
): Promise<Served> {
  const file = clubFile(config);
  const { entry, program } = workerEntry(config.root);
  const keptFile = join(config.data, "plans.sqlite");
  const setup = {
    source: { file, clubName },
    fixedToday: config.fixedToday,
    kept: program === null ? null : { file: keptFile, program },
  };
  const { pool, metrics } = threads(config, entry, setup, log);
  const store = await Store.open(file).catch(async (error: unknown) => {
    await pool.close();
    throw error;
  });
  await prepare?.(store);
  await sweepAll(store);
  const app = buildApp({
    ...commonOf(config, log),
    store,
    clubName,
    hosts: config.hosts,
    tryPassword,
    jobs: pool,
    metrics,
    ...(program === null ? {} : { keptAnswers: KeptAnswers.open(keptFile, program) }),
    ...(config.feed ? { feed: { base: config.feed, ...FEED_PATIENCE } } : {}),
  });
  app.feed.start(config.feedMinutes);
  let control: Awaited<ReturnType<typeof answerCommands>> | null = null;
  return {
    express: app.express,
    metrics,
    ready: () => store.db.reader.query("SELECT 1"),
    begin: async () => {
      control = await answerCommands(config.data, app.keeper, log);
      app.keeper.start();
      setImmediate(() => app.warm().catch((error) => log.error({ error: loggable(error) }, "rows not made")));
    },
    close: async () => {
      await control?.close();
      await app.keeper.stop();
      await app.feed.stop();
      await app.close();
      await store.close();
    },
  };
}

/** @returns how it is ended; nothing is served where no address is set */
const measuring = async ({ metrics: address }: Config, { metrics, ready }: Served): Promise<() => Promise<void>> =>
  address === null ? async () => undefined : metrics.serve(address, ready);

/** Copies are taken at night, by UTC, and what broken-off imports left behind is removed: no import takes so long, ms. */
const COPIES_AT = "17 3 * * *";
const SWEEP_AT = "47 2 * * *";
const NO_IMPORT_MS = 15 * 60_000;

/**
 * The clubs of a database server.
 * @param drains takes planning out of the line of all servers, and does what is due by the clock
 */
async function serveMany(config: Config, database: string, log: Logger, drains: boolean): Promise<Served> {
  const server = await DatabaseServer.connect(database);
  const { entry, program } = workerEntry(config.root);
  const practiseMs = program === null ? 0 : PRACTISE_MS;
  const setup = { source: { server: database }, fixedToday: config.fixedToday, kept: null, practiseMs };
  const { pool, metrics, there } = threads(config, entry, setup, log);
  const common = commonOf(config, log);
  const queue = await PlanQueue.open({ url: database, server, log, today: common.today, program: program ?? "source" });
  const clubs = new Clubs({
    server,
    data: config.data,
    log,
    appOf: (store, { id, name, host }) =>
      buildApp({
        ...common,
        squadPatienceMs: QUEUED_PATIENCE_MS,
        store,
        clubName: name,
        hosts: [host],
        jobs: queuedJobs(jobsOfClub(pool, { id, name }), queue, store, { id, name }),
        metrics,
        ...(config.feed ? { feed: { base: config.feed, ...FEED_PATIENCE } } : {}),
      }),
  });
  metrics.watchQueue(() => queue.size());
  await there;
  return {
    express: clubs.express,
    metrics,
    ready: () => server.readers.query("SELECT 1"),
    begin: async () => {
      if (!drains) return;
      await queue.take({
        size: config.workers,
        storeOf: (club) => clubs.storeOf(club),
        work: async ({ club, task, args }) =>
          JSON.stringify(await pool.ask({ kind: "task", task, args }, { background: true, club })),
      });
      const minutes = Math.max(1, Math.min(59, Math.round(config.feedMinutes)));
      if (config.feed)
        await queue.every("training-logs", `*/${minutes} * * * *`, () => clubs.each((a) => a.feed.pullAll()));
      await queue.every("sweep", SWEEP_AT, () => clubs.sweep(() => new Promise((r) => setTimeout(r, NO_IMPORT_MS))));
      await queue.every("copies", COPIES_AT, () => clubs.each((a) => a.keeper.daily()));
    },
    close: async () => {
      await queue.close();
      await pool.close();
      await clubs.close();
    },
  };
}

/** `npm run worker`: plans for the servers of a database, and answers no browser. */
export async function runWorker(config: Config): Promise<() => Promise<void>> {
  if (config.database === null) throw new Error("FIELD_ANCHOR_DATABASE: the address of a database server expected");
  const log = logOf();
  closeFolder(config.data);
  const served = await serveMany(config, config.database, log, true);
  await served.begin();
  const closeMetrics = await measuring(config, served);
  log.info("working");
  return async () => {
    await closeMetrics();
    await served.close();
    log.info("stopped");
  };
}

export interface ClubToServe {
  clubName: string;
  /** Runs on the open store before anything is served. */
  prepare?: (store: Store) => Promise<void>;
  /** Password of every account of a club to try, said where nobody is asked. */
  tryPassword?: string | null;
}

async function listening(config: Config, express: App["express"]): Promise<{ server: Server; address: string }> {
  const server = await new Promise<Server>((done, fail) => {
    const s = serverFor(config, express);
    s.keepAliveTimeout = IDLE_MS;
    s.once("error", fail);
    s.listen(config.port, config.host, () => done(s));
  });
  const bound = server.address();
  const port = typeof bound === "object" && bound ? bound.port : config.port;
  return { server, address: `${config.tls ? "https" : "http"}://${config.host}:${port}` };
}

export async function run(config: Config, club: ClubToServe): Promise<Running> {
  const unsound = validateLibrary(SHIPPED);
  if (unsound.length > 0) throw new Error(`The exercise library is not sound: ${unsound.join("; ")}`);
  const log = logOf();
  closeFolder(config.data);
  const served =
    config.database === null
      ? await serveOne(config, log, club)
      : await serveMany(config, config.database, log, config.plansHere);
  const { server, address } = await listening(config, served.express);
  log.info({ address, data: config.data }, "listening");
  await served.begin();
  const closeMetrics = await measuring(config, served);
  let closing: Promise<void> | null = null;
  const close = (): Promise<void> => {
    closing ??= (async () => {
      await new Promise<void>((done) => {
        server.close(() => done());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 2000).unref();
      });
      await closeMetrics();
      await served.close();
      log.info("stopped");
    })();
    return closing;
  };
  for (const signal of ["SIGINT", "SIGTERM"] as const)
    process.once(signal, () => void close().then(() => process.exit(0)));
  return { address, close };
}
