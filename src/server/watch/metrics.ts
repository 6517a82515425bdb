/**
 * What is measured of a running server, for Prometheus: requests, plans, the line of waiting work, writes, refusals, the training log. Served on an
 * address of its own, which is not the browsers'.
 */
import { createServer, type Server } from "node:http";
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";

/** Upper ends of the times that are counted apart, s. */
const REQUEST_S = [0.005, 0.02, 0.05, 0.1, 0.3, 1, 3, 10];
const PLAN_S = [0.02, 0.1, 0.3, 1, 3, 10, 30];

/** How many pieces of work wait: what somebody waits for, and what is made ahead. */
export interface Waiting {
  now: number;
  later: number;
}

const PLAIN = "text/plain; charset=utf-8";

export class Metrics {
  readonly registry = new Registry();
  private readonly requests = new Histogram({
    name: "field_anchor_request_seconds",
    help: "Time to answer, by route and status.",
    labelNames: ["route", "status"],
    buckets: REQUEST_S,
    registers: [this.registry],
  });
  private readonly refusals = new Counter({
    name: "field_anchor_refused_total",
    help: "Requests that were refused, by status.",
    labelNames: ["status"],
    registers: [this.registry],
  });
  private readonly plans = new Histogram({
    name: "field_anchor_plan_seconds",
    help: "Time of work in a planning thread, by its kind.",
    labelNames: ["kind"],
    buckets: PLAN_S,
    registers: [this.registry],
  });
  private readonly writes = new Counter({
    name: "field_anchor_writes_total",
    help: "Transactions of changes, by how they ended.",
    labelNames: ["outcome"],
    registers: [this.registry],
  });
  private readonly pulls = new Gauge({
    name: "field_anchor_training_log_checked_seconds",
    help: "When the training log was last read, Unix time.",
    registers: [this.registry],
  });

  /** @param waiting asked each time that the numbers are read */
  constructor(waiting: () => Waiting) {
    collectDefaultMetrics({ register: this.registry });
    const line = new Gauge({
      name: "field_anchor_waiting",
      help: "Work that waits for a planning thread.",
      labelNames: ["line"],
      registers: [this.registry],
      collect: () => {
        const { now, later } = waiting();
        line.set({ line: "now" }, now);
        line.set({ line: "later" }, later);
      },
    });
  }

  /** @param route name of the route, never the address: that may hold an id */
  request(route: string, status: number, seconds: number): void {
    this.requests.observe({ route, status: String(status) }, seconds);
    if (status >= 400) this.refusals.inc({ status: String(status) });
  }

  plan(kind: string, seconds: number): void {
    this.plans.observe({ kind }, seconds);
  }

  write(outcome: "stored" | "not saved"): void {
    this.writes.inc({ outcome });
  }

  pulled(): void {
    this.pulls.setToCurrentTime();
  }

  /** @param size pieces of work that wait for any server or worker */
  watchQueue(size: () => Promise<number>): void {
    const queue = new Gauge({
      name: "field_anchor_queue",
      help: "Planning that waits for any server or worker.",
      registers: [this.registry],
      // While the database is away nobody knows how long the line is; the other numbers are told all the same.
      collect: async () => {
        queue.set(await size().catch(() => Number.NaN));
      },
    });
  }

  /**
   * The numbers at /metrics; /health answers while the process is alive, /ready while it can work, for those that have no address for browsers.
   * @param address such as "127.0.0.1:9464"
   * @returns how it is closed
   */
  async serve(address: string, ready: () => Promise<unknown> = async () => undefined): Promise<() => Promise<void>> {
    const [, host = "", port = ""] = /^(.*):(\d+)$/.exec(address) ?? [];
    if (host === "")
      throw new Error(`FIELD_ANCHOR_METRICS: an address such as "127.0.0.1:9464" expected, found "${address}"`);
    const answers: Readonly<Record<string, () => Promise<{ type: string; text: string }>>> = {
      "/metrics": async () => ({ type: this.registry.contentType, text: await this.registry.metrics() }),
      "/health": async () => ({ type: PLAIN, text: "alive\n" }),
      "/ready": async () => {
        await ready();
        return { type: PLAIN, text: "ready\n" };
      },
    };
    const server = createServer((req, res) => {
      const answer = answers[req.url ?? ""];
      if (!answer) {
        res.writeHead(404).end();
        return;
      }
      answer().then(
        ({ type, text }) => res.writeHead(200, { "Content-Type": type }).end(text),
        () => res.writeHead(503, { "Content-Type": PLAIN }).end("The database cannot be reached.\n"),
      );
    });
    await new Promise<Server>((done, fail) => {
      server.once("error", fail);
      server.listen(Number(port), host, () => done(server));
    });
    return () => new Promise((done) => server.close(() => done()));
  }
}
