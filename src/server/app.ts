/** Builds the application: API under /api, the built web beside it. */
import { existsSync } from "node:fs";
import { join } from "node:path";
import express, { type Express } from "express";
import helmet from "helmet";
import type { Logger } from "pino";
import type { HealthView } from "../api/views";
import type { IsoDate } from "../core/dates";
import { notFound, problemHandler } from "./errors";
import { FeedClient, type FeedClientOptions } from "./feed/client";
import { Feed } from "./feed/feed";
import { Planner } from "./planner";
import { approachRoutes } from "./routes/approaches";
import { athleteRoutes } from "./routes/athletes";
import { calendarRoutes } from "./routes/calendar";
import { exerciseRoutes } from "./routes/exercises";
import { gymRoutes } from "./routes/gym";
import { templateRoutes } from "./routes/templates";
import type { Store } from "./store/store";
import { Squad } from "./views/squad";

export interface AppOptions {
  store: Store;
  today: () => IsoDate;
  clubName: string;
  version: string;
  log: Logger;
  /** Where the training log answers; none is set up without it. */
  feed?: FeedClientOptions;
  /** Folder of the built web; the API alone without it. */
  web?: string;
}

export interface App {
  express: Express;
  feed: Feed;
  /** Makes the squad's rows ahead of the first request. */
  warm: () => Promise<void>;
}

export function buildApp(o: AppOptions): App {
  const startedAt = performance.now();
  const planner = new Planner(o.store, o.today);
  const squad = new Squad(o.store, planner);
  const feed = new Feed(o.store, o.feed ? new FeedClient(o.feed) : null, o.log);
  const app = express();
  app.disable("x-powered-by");
  app.set("query parser", "simple");
  // The application is served over plain HTTP on this machine, so nothing may be upgraded to HTTPS.
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: { "upgrade-insecure-requests": null, "style-src": ["'self'", "'unsafe-inline'"] },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use((req, res, next) => {
    const begin = performance.now();
    res.on("finish", () => {
      if (req.originalUrl.startsWith("/api"))
        o.log.info(
          {
            method: req.method,
            path: req.originalUrl,
            status: res.statusCode,
            ms: Math.round((performance.now() - begin) * 10) / 10,
          },
          "request",
        );
    });
    next();
  });

  app.get("/api/health", async (_req, res) => {
    const view: HealthView = {
      status: "ok",
      version: o.version,
      today: o.today(),
      athletes: await o.store.count(),
      startedMsAgo: Math.round(performance.now() - startedAt),
    };
    res.json(view);
  });
  app.get("/api/club", (_req, res) => {
    res.json({ name: o.clubName, today: o.today() });
  });
  app.get("/api/squad", async (_req, res) => {
    const { key, json } = await squad.json();
    res.setHeader("ETag", `"${key}"`);
    res.type("json").send(json);
  });
  app.use("/api/calendar", calendarRoutes(o.store, o.today));
  app.use("/api/gym", gymRoutes(o.store, planner));
  app.use("/api/exercises", exerciseRoutes(o.store));
  app.use("/api/approaches", approachRoutes(o.store, planner));
  app.use("/api/templates", templateRoutes(o.store));
  app.use("/api/athletes", athleteRoutes(o.store, planner, feed, o.clubName));
  app.use("/api", () => {
    throw notFound("address under /api");
  });

  const web = o.web;
  if (web && existsSync(join(web, "index.html"))) {
    app.use("/assets", express.static(join(web, "assets"), { immutable: true, maxAge: "365d" }));
    app.use(express.static(web, { index: false, maxAge: 0 }));
    app.get(/^\/(?!api\/).*/, (_req, res) => {
      res.setHeader("Cache-Control", "no-cache");
      res.sendFile(join(web, "index.html"));
    });
  }
  app.use(problemHandler(o.log));
  return { express: app, feed, warm: async () => void (await squad.json()) };
}
