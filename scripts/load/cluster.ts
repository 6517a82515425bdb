/** Two servers and two workers on a PostgreSQL server of this machine, as they would stand behind a balancer. */
import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { migrateServer } from "../../src/server/store/postgres/owner";
import { type Postgres, startPostgres } from "../postgres.mjs";

export const TODAY = "2026-03-03";
const READY_MS = 180_000;
const FIRST_METRICS = 9470;

export interface Proc {
  name: string;
  port: number;
  /** Where its numbers are served. */
  metrics: number;
  child: ChildProcess;
}

export class Cluster {
  readonly servers: Proc[] = [];
  readonly workers: Proc[] = [];
  private readonly names: string[] = [];

  private constructor(
    readonly postgres: Postgres,
    private readonly folder: string,
  ) {}

  /** The database alone. */
  static async open(): Promise<Cluster> {
    const postgres = await startPostgres({ durable: true });
    await migrateServer(postgres.owner, postgres.role);
    return new Cluster(postgres, mkdtempSync(join(tmpdir(), "field-anchor-load-")));
  }

  /** @param processor the only one it runs on; any where nothing is said */
  private spawn(name: string, entry: string, port: number, processor: number | null = null): Proc {
    if (!this.names.includes(name)) this.names.push(name);
    const metrics = FIRST_METRICS + this.names.indexOf(name);
    const command = [process.execPath, `dist/server/${entry}.js`];
    const [program = "", ...args] = processor === null ? command : ["taskset", "-c", `${processor}`, ...command];
    const child = spawn(program, args, {
      env: {
        ...process.env,
        PORT: String(port),
        FIELD_ANCHOR_DATABASE: this.postgres.app,
        FIELD_ANCHOR_DATA: join(this.folder, name),
        FIELD_ANCHOR_TODAY: TODAY,
        FIELD_ANCHOR_ACCOUNTS: "open",
        FIELD_ANCHOR_PLANS: "elsewhere",
        FIELD_ANCHOR_WORKERS: "1",
        FIELD_ANCHOR_METRICS: `127.0.0.1:${metrics}`,
        LOG_LEVEL: "error",
      },
      stdio: ["ignore", "ignore", "inherit"],
    });
    return { name, port, metrics, child };
  }

  async server(name: string, port: number): Promise<Proc> {
    const proc = this.spawn(name, "main", port);
    for (const until = Date.now() + READY_MS; Date.now() < until; )
      try {
        if ((await fetch(`http://127.0.0.1:${port}/api/ready`)).ok) return proc;
      } catch {
        await new Promise((r) => setTimeout(r, 50));
      }
    throw new Error(`${name} was not ready within three minutes`);
  }

  worker(name: string, processor: number | null = null): Proc {
    return this.spawn(name, "planner", 0, processor);
  }

  async close(): Promise<void> {
    for (const { child } of [...this.servers, ...this.workers]) await ended(child, "SIGTERM");
    await this.postgres.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

export const ended = (child: ChildProcess, signal: NodeJS.Signals): Promise<void> =>
  new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done();
    child.once("exit", () => done());
    child.kill(signal);
  });
