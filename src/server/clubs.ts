/** Many clubs on one address: which one a request is for is told by the name it was sent to, and each has an application of its own, made when it is first asked for. */
import { join } from "node:path";
import express, { type Express, type RequestHandler } from "express";
import { LRUCache } from "lru-cache";
import type { Logger } from "pino";
import type { App } from "./app";
import { HttpProblem, problemHandler } from "./errors";
import { hostName } from "./http/door";
import type { DatabaseServer } from "./store/postgres/server";
import { Store } from "./store/store";

/** Applications kept at most, and how long it is remembered which club a name stands for, ms. */
const APPS = 300;
const NAMES = 5000;
const NAME_MS = 30_000;

interface Club {
  id: string;
  name: string;
}

export interface ClubsOptions {
  server: DatabaseServer;
  /** Folder in which each club has one for its copies. */
  data: string;
  log: Logger;
  /** The application of one club. @param host the name that it answers to */
  appOf: (store: Store, club: Club, host: string) => App;
}

export class Clubs {
  private readonly names = new LRUCache<string, { club: Club | null }>({ max: NAMES, ttl: NAME_MS });
  private readonly apps = new LRUCache<string, Promise<App>>({
    max: APPS,
    dispose: (app) => void app.then((a) => a.close()).catch(() => undefined),
  });
  readonly express: Express;

  constructor(private readonly o: ClubsOptions) {
    this.express = express();
    this.express.disable("x-powered-by");
    this.express.get("/api/health", (_req, res) => void res.json({ status: "ok" }));
    this.express.get("/api/ready", this.ready);
    this.express.use(this.dispatch);
    this.express.use(problemHandler(o.log));
  }

  /** Whether it is of use to send requests here: the database answers. */
  private readonly ready: RequestHandler = (_req, res) => {
    this.o.server.readers.query("SELECT 1").then(
      () => res.json({ status: "ready" }),
      () => res.status(503).json({ status: "not ready", why: "The database server cannot be reached." }),
    );
  };

  private readonly dispatch: RequestHandler = (req, res, next) => {
    this.at(hostName(req.headers.host)).then((app) => (app ? app.express(req, res, next) : next(unknown())), next);
  };

  /** @returns the application of the club of that name; null where there is none */
  async at(host: string): Promise<App | null> {
    const known = this.names.get(host) ?? { club: await this.o.server.clubAt(host) };
    this.names.set(host, known);
    const { club } = known;
    if (!club) return null;
    const app = this.apps.get(host) ?? this.open(club, host);
    this.apps.set(host, app);
    app.catch(() => this.apps.delete(host));
    return app;
  }

  private async open(club: Club, host: string): Promise<App> {
    const store = await Store.onServer(this.o.server, club.id, join(this.o.data, "backups", club.id));
    return this.o.appOf(store, club, host);
  }

  async close(): Promise<void> {
    this.apps.clear();
    await this.o.server.close();
  }
}

const unknown = () =>
  new HttpProblem(421, "Not here", "Nothing was done: no club has that name.", [
    { path: "Host", expected: "the name of a club expected" },
  ]);
