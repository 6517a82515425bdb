/**
 * Many clubs on one address: which one a request is for is told by the name it was sent to, and each has an application of its own, made when it is
 * first asked for.
 */
import { join } from "node:path";
import express, { type Express, type RequestHandler } from "express";
import { LRUCache } from "lru-cache";
import type { Logger } from "pino";
import type { App } from "./app";
import { HttpProblem, loggable, problemHandler } from "./errors";
import { hostName } from "./http/door";
import type { ClubOfWork } from "./jobs/messages";
import { hiddenImports, sweepHidden } from "./store/imports";
import type { ClubFacts, DatabaseServer } from "./store/postgres/server";
import { Store } from "./store/store";

/** Clubs whose application is kept at most, and how long it is remembered which club a name stands for, ms. */
const APPS = 300;
const NAMES = 5000;
const NAME_MS = 30_000;

export interface ClubsOptions {
  server: DatabaseServer;
  /** Folder in which each club has one for its copies. */
  data: string;
  log: Logger;
  /** The application of one club. */
  appOf: (store: Store, club: ClubFacts) => App;
}

export class Clubs {
  private readonly names = new LRUCache<string, { club: ClubOfWork | null }>({ max: NAMES, ttl: NAME_MS });
  private readonly apps = new LRUCache<string, Promise<App>>({
    max: APPS,
    dispose: (app) => void app.then((a) => a.close()).catch(() => undefined),
  });
  private readonly stores = new LRUCache<string, Promise<Store>>({ max: APPS });
  readonly express: Express;

  constructor(private readonly o: ClubsOptions) {
    this.express = express();
    this.express.disable("x-powered-by");
    this.express.get("/api/ready", this.ready);
    this.express.use(this.dispatch);
    this.express.use(problemHandler(o.log));
  }

  /** Whether it is of use to send requests here: the database answers. Asked for a name (?domain=), whether it is a club's. */
  private readonly ready: RequestHandler = (req, res) => {
    const { domain } = req.query;
    this.o.server.clubAt(typeof domain === "string" ? domain.toLowerCase() : "").then(
      (club) =>
        club || domain === undefined
          ? res.json({ status: "ready" })
          : res.status(404).json({ status: "not ready", why: "No club has that name." }),
      () => res.status(503).json({ status: "not ready", why: "The database server cannot be reached." }),
    );
  };

  private readonly dispatch: RequestHandler = (req, res, next) => {
    this.at(hostName(req.headers.host)).then((app) => {
      if (app) app.express(req, res, next);
      // Whoever spreads the requests asks by the machine's own name.
      else if (req.path === "/api/health") res.json({ status: "ok" });
      else next(unknown());
    }, next);
  };

  /** @returns the application of the club of that name; null where there is none */
  async at(host: string): Promise<App | null> {
    let known = this.names.get(host);
    if (!known) {
      known = { club: await this.o.server.clubAt(host) };
      this.names.set(host, known);
    }
    return known.club ? this.appOf({ ...known.club, host }) : null;
  }

  private async appOf(club: ClubFacts): Promise<App> {
    // Another name than before: the application answers to the new one.
    const key = `${club.id} ${club.host}`;
    const known = this.apps.get(key);
    if (known) return known;
    const app = this.storeOf(club).then((store) => this.o.appOf(store, club));
    this.apps.set(key, app);
    app.catch(() => this.apps.delete(key));
    return app;
  }

  storeOf({ id }: Pick<ClubOfWork, "id">): Promise<Store> {
    const known = this.stores.get(id);
    if (known) return known;
    const store = Store.onServer(this.o.server, id, join(this.o.data, "backups", id));
    this.stores.set(id, store);
    store.catch(() => this.stores.delete(id));
    return store;
  }

  /** The same for every club, one after the other; what goes wrong in one does not keep it from the next. */
  each(work: (app: App) => Promise<void>): Promise<void> {
    return this.eachClub((club) => this.appOf(club).then(work));
  }

  private async eachClub(work: (club: ClubFacts) => Promise<void>): Promise<void> {
    for (const club of await this.o.server.clubs())
      await work(club).catch((error) => this.o.log.error({ error: loggable(error), club: club.id }, "by the clock"));
  }

  /**
   * Removes what broken-off imports left behind: what is hidden now and still is after a while that no import takes. Another server may be
   * storing one meanwhile.
   * @param aWhile ends once it is over
   */
  async sweep(aWhile: () => Promise<unknown>): Promise<void> {
    const seen: [Store, string[]][] = [];
    await this.eachClub(async (club) => {
      const store = await this.storeOf(club);
      const batches = await hiddenImports(store);
      if (batches.length > 0) seen.push([store, batches]);
    });
    if (seen.length === 0) return;
    await aWhile();
    for (const [store, batches] of seen) await sweepHidden(store, batches);
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
