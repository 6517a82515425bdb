/** Builds the application: API under /api, the built web beside it. */
import { randomBytes, randomUUID } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { extname, join } from "node:path";
import express, { type Express, type RequestHandler } from "express";
import helmet from "helmet";
import type { Logger } from "pino";
import type { ClubWeekRow } from "../api/clubWeek";
import type { HealthView, SquadRow } from "../api/views";
import type { IsoDate } from "../core/dates";
import { Audit } from "./accounts/audit";
import { type Access, OPEN, phoneRequests } from "./accounts/door";
import { loggable, notFound, problemHandler } from "./errors";
import { FeedClient, type FeedClientOptions } from "./feed/client";
import { Feed } from "./feed/feed";
import { jsonOnly, knownHost, noStore, sameOrigin } from "./http/door";
import { mount } from "./http/mount";
import type { Route } from "./http/route";
import { scopeHook } from "./http/scope";
import { type Ask, inlineJobs, type Jobs } from "./jobs/jobs";
import type { KeptAnswers } from "./jobs/kept";
import { BackupKeeper } from "./keeper";
import { Planner } from "./planner";
import { allRoutes } from "./routes/all";
import type { ServerContext } from "./serverContext";
import { SCRUB } from "./store/athletes";
import type { Store } from "./store/store";
import { ClubWeeks } from "./views/clubWeek";
import { Squad } from "./views/squad";
import type { Metrics } from "./watch/metrics";

export interface AppOptions {
  store: Store;
  today: () => IsoDate;
  clubName: string;
  version: string;
  log: Logger;
  /** Names the server answers to. */
  hosts?: readonly string[];
  /** Who is asked who they are; nobody without it, as in tests. */
  access?: Access;
  /** Password of every account of a club to try, where nobody is asked. */
  tryPassword?: string | null;
  /** Turns away who tries too many passwords; the usual limits without it. */
  guesses?: readonly RequestHandler[];
  /** Where long work is done; on the spot without them. */
  jobs?: Jobs;
  /** Answers kept beside the database, to be erased with their athlete. */
  keptAnswers?: KeptAnswers | null;
  /** Counts what is asked and written. */
  metrics?: Metrics | null;
  /** Turns away who asks too often for long work. */
  limit?: RequestHandler;
  /** Where the training log answers; none is set up without it. */
  feed?: FeedClientOptions;
  /** Rows of the squad that take longer are told as they were before the last change, ms; without it they are waited for. */
  squadPatienceMs?: number;
  /** Folders of the built web and of the athlete's phone; the API alone without them. */
  web?: string;
  phone?: string;
}

export interface App {
  express: Express;
  feed: Feed;
  keeper: BackupKeeper;
  routes: readonly Route[];
  /** Makes the squad's rows ahead of the first request. */
  warm: () => Promise<void>;
  /** Ends the worker threads. */
  close: () => Promise<void>;
}

const HERE = ["localhost", "127.0.0.1", "[::1]"];

/** Everything the routes work with, wired together. */
function contextOf(o: AppOptions): { ctx: ServerContext; jobs: Jobs; routes: Route[] } {
  const startedAt = performance.now();
  const planner = new Planner(o.store, o.today);
  const base = { store: o.store, planner, clubName: o.clubName, today: o.today };
  let routes: Route[] = [];
  const jobs = o.jobs ?? inlineJobs(base, () => routes);
  const run: ServerContext["run"] = async (task, args) => jobs.ask({ kind: "task", task, args }) as never;
  const rowOf = (id: string): Ask => ({ kind: "task", task: "squadRow", args: { id } });
  const squad = new Squad(
    o.store,
    o.today,
    {
      make: (id) => jobs.ask(rowOf(id), { background: true }) as Promise<SquadRow | null>,
      last: async (id) => ((await jobs.last?.(rowOf(id))) ?? null) as SquadRow | null,
      failed: (athlete, error) => o.log.error({ athlete, error: loggable(error) }, "row of the squad not made"),
    },
    o.squadPatienceMs ?? Number.POSITIVE_INFINITY,
  );
  const weeks = new ClubWeeks(
    o.store,
    o.today,
    (id, monday) =>
      jobs.ask(
        { kind: "task", task: "clubWeekRow", args: { id, monday } },
        { background: true },
      ) as Promise<ClubWeekRow | null>,
  );
  const forget = async () => {
    planner.forget();
    squad.forget();
    weeks.forget();
    await jobs.restart();
    if (await o.store.club.setting(SCRUB)) await scrubFile(o.store, run);
  };
  const ctx: ServerContext = {
    ...base,
    run,
    forget,
    access: o.access ?? OPEN,
    tryPassword: (o.access ?? OPEN).mode === "open" ? (o.tryPassword ?? null) : null,
    feed: new Feed(
      o.store,
      o.feed ? new FeedClient(o.feed) : null,
      o.log,
      (id, rows) => run("compareRows", { id, rows }),
      () => o.metrics?.pulled(),
    ),
    keeper: new BackupKeeper(o.store, run, o.log, forget),
    ask: (route, call) => jobs.ask({ kind: "handle", route, call }) as never,
    squad: () => squad.json(),
    clubWeek: (monday) => weeks.json(monday),
    health: async (): Promise<HealthView> => {
      const fault = await o.store.db.probe();
      return {
        status: fault ? "not saving" : "ok",
        why: fault?.text ?? null,
        version: o.version,
        today: o.today(),
        athletes: await o.store.athletes.count(),
        startedMsAgo: Math.round(performance.now() - startedAt),
      };
    },
    scrub: async (id) => {
      await jobs.settled(id);
      o.keptAnswers?.erase(id);
      await scrubFile(o.store, run);
    },
  };
  routes = allRoutes(ctx);
  return { ctx, jobs, routes };
}

/**
 * Rewrites the file without its free pages and empties its log. Nobody writes meanwhile; whoever still reads an older state of it is waited for.
 * The mark of the erasure goes last, so that a start after a kill in between begins again.
 */
async function scrubFile(store: Store, run: ServerContext["run"]): Promise<void> {
  // Pages of a database server are its own affair; docs/operations.md says what is to be done there.
  const scrubbed = async (n: number) =>
    !store.isFile || store.sqlite.inLine(() => run("scrub", { file: store.sqlite.file, rewrite: n === 0 }));
  for (let n = 0; n < SCRUB_TRIES; n++) {
    if (await scrubbed(n)) {
      await store.db.writeAside((m) => m.query("DELETE FROM club_setting WHERE name = ?", [SCRUB]));
      return;
    }
    await new Promise((r) => setTimeout(r, SCRUB_WAIT_MS));
  }
}

/** How often an emptying of the log is tried, and the wait in between: a whole club's plans take half a minute. */
const SCRUB_TRIES = 120;
const SCRUB_WAIT_MS = 250;

/** Requests in the log: the address without its query, which may hold words. */
const logged =
  (log: Logger): RequestHandler =>
  (req, res, next) => {
    const begin = performance.now();
    res.on("finish", () => {
      if (req.originalUrl.startsWith("/api"))
        log.info(
          {
            method: req.method,
            path: req.originalUrl.split("?")[0],
            status: res.statusCode,
            ms: Math.round((performance.now() - begin) * 10) / 10,
            id: res.locals.requestId,
          },
          "request",
        );
    });
    next();
  };

const ID = /^[\w-]{8,64}$/;

/** A request is called the same in every log it passes: a proxy may have given it its name. */
export const requestId: RequestHandler = (req, res, next) => {
  const given = req.headers["x-request-id"];
  const id = typeof given === "string" && ID.test(given) ? given : randomUUID();
  res.locals.requestId = id;
  res.setHeader("X-Request-Id", id);
  next();
};

const NONCE = "__NONCE__";

/** The phone's page, its assets and its service worker, under /p/. */
function servePhone(app: Express, folder: string): void {
  const page = readFileSync(join(folder, "phone.html"), "utf8");
  app.use("/p/assets", express.static(join(folder, "assets"), { immutable: true, maxAge: "365d", fallthrough: false }));
  const send: RequestHandler = (_req, res) => {
    res.setHeader("Cache-Control", "no-cache");
    res.type("html").send(page.replaceAll(NONCE, String(res.locals.nonce)));
  };
  app.get("/p/phone.html", send);
  app.use("/p", express.static(folder, { index: false, maxAge: 0, redirect: false }));
  app.get(/^\/p(\/|$)/, (req, res, next) => (extname(req.path) === "" ? send(req, res, next) : next(notFound("file"))));
}

/** The page and its assets. Styles and scripts that do not come from here need the nonce of the page. */
function serveWeb(app: Express, web: string): void {
  const page = readFileSync(join(web, "index.html"), "utf8");
  app.use("/assets", express.static(join(web, "assets"), { immutable: true, maxAge: "365d", fallthrough: false }));
  app.use(express.static(web, { index: false, maxAge: 0 }));
  app.get(/^\/(?!api(\/|$)).*/, (req, res, next) => {
    if (extname(req.path) !== "") return next(notFound("file"));
    res.setHeader("Cache-Control", "no-cache");
    res.type("html").send(page.replaceAll(NONCE, String(res.locals.nonce)));
  });
}

export function buildApp(o: AppOptions): App {
  const { ctx, jobs, routes } = contextOf(o);
  o.store.db.hookWrites(scopeHook(o.store));
  o.store.db.onWrite((outcome) => o.metrics?.write(outcome));
  const app = express();
  app.disable("x-powered-by");
  app.set("query parser", "simple");
  app.set("etag", false);
  app.use(requestId);
  app.use((_req, res, next) => {
    res.locals.nonce = randomBytes(16).toString("base64");
    next();
  });
  // Over plain HTTP on this machine nothing may be upgraded to HTTPS.
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          "default-src": ["'self'"],
          "base-uri": ["'none'"],
          "form-action": ["'self'"],
          "frame-ancestors": ["'none'"],
          "object-src": ["'none'"],
          "script-src": ["'self'"],
          "script-src-attr": ["'none'"],
          "worker-src": ["'self'"],
          "connect-src": ["'self'"],
          "font-src": ["'self'"],
          "img-src": ["'self'", "data:", "blob:"],
          "style-src": [
            "'self'",
            (_req, res) => `'nonce-${(res as unknown as { locals: { nonce: string } }).locals.nonce}'`,
          ],
          // React and the drawings place elements by style attributes.
          "style-src-attr": ["'unsafe-inline'"],
        },
      },
      strictTransportSecurity: ctx.access.secure,
    }),
  );
  app.use(logged(o.log));
  app.use(knownHost(o.hosts ?? HERE));
  app.use(sameOrigin);
  app.use(phoneRequests);
  app.use("/api", noStore, jsonOnly);
  mount(app, {
    ctx,
    jobs,
    routes,
    access: ctx.access,
    metrics: o.metrics ?? null,
    audit: new Audit(o.store.phone, o.today),
    ...(o.limit ? { limit: o.limit } : {}),
    ...(o.guesses ? { guesses: o.guesses } : {}),
  });
  app.use("/api", (_req, _res, next) => next(notFound("address under /api")));
  if (o.phone && existsSync(join(o.phone, "phone.html"))) servePhone(app, o.phone);
  if (o.web && existsSync(join(o.web, "index.html"))) serveWeb(app, o.web);
  app.use((_req, _res, next) => next(notFound("address")));
  app.use(problemHandler(o.log));
  return {
    express: app,
    feed: ctx.feed,
    keeper: ctx.keeper,
    routes,
    warm: async () => {
      if (await o.store.club.setting(SCRUB)) await ctx.scrub("");
      await ctx.squad();
    },
    close: async () => {
      await jobs.close();
      o.keptAnswers?.close();
    },
  };
}
