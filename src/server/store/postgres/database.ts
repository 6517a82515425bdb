/**
 * One club on a database server. Whatever is read or written is in a transaction that has set the club; the writes of one club stand in one line
 * over all servers, by a lock of the database.
 */
import { AsyncLocalStorage } from "node:async_hooks";
import { EntityManager } from "typeorm";
import type { Database, WriteHook } from "../database";
import { notSavedOf, type StorageFault } from "../faults";
import { ClubRunner, inTransaction } from "./runner";
import type { DatabaseServer } from "./server";
import { JOURNAL } from "./tables";

/** What one request reads. */
interface Reading {
  club: string;
  /** Of the transaction of a view; null where each statement has its own. */
  manager: EntityManager | null;
  version: string;
  memory: string;
}
const readings = new AsyncLocalStorage<Reading>();

/** While nothing can be saved, the server is tried again this often, ms. */
const PROBE_MS = 2000;
const STATE = "SELECT version::text AS version, memory::text AS memory FROM club WHERE id = ?";
type State = Pick<Reading, "version" | "memory">;

export class ClubDatabase implements Database {
  private line: Promise<unknown> = Promise.resolve();
  private broken: StorageFault | null = null;
  private lastProbe = 0;
  private hook: () => WriteHook | null = () => null;
  private told: (outcome: "stored" | "not saved") => void = () => undefined;
  private known: State = { version: "0", memory: "0" };
  private readonly single: EntityManager;

  constructor(
    private readonly server: DatabaseServer,
    readonly club: string,
  ) {
    const { readers } = server;
    this.single = new EntityManager(readers, new ClubRunner(readers, club));
  }

  private get current(): Reading | null {
    const reading = readings.getStore();
    return reading?.club === this.club ? reading : null;
  }

  get reader(): EntityManager {
    return this.current?.manager ?? this.single;
  }

  get version(): string {
    return (this.current ?? this.known).version;
  }

  get fault(): StorageFault | null {
    return this.broken;
  }

  onWrite(told: (outcome: "stored" | "not saved") => void): void {
    this.told = told;
  }

  hookWrites(hook: () => WriteHook | null): void {
    this.hook = hook;
  }

  async seen(): Promise<string> {
    return (this.current ?? (await this.state(this.single))).memory;
  }

  private async state(m: EntityManager): Promise<State> {
    const [row] = (await m.query(STATE, [this.club])) as State[];
    if (!row) throw new Error(`There is no club ${this.club}.`);
    this.known = row;
    return row;
  }

  async reading<T>(kind: "view" | "change", work: () => Promise<T>): Promise<T> {
    if (kind === "change") {
      const state = await this.state(this.single);
      return readings.run({ club: this.club, manager: null, ...state }, work);
    }
    const begin = "ISOLATION LEVEL REPEATABLE READ READ ONLY";
    return inTransaction(this.server.readers, { club: this.club, begin }, async ({ manager }) =>
      readings.run({ club: this.club, manager, ...(await this.state(manager)) }, work),
    );
  }

  write<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    const hook = this.hook();
    return this.inLine(() => this.transaction(work, hook));
  }

  writeAside<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    return this.inLine(() => this.transaction(work, null));
  }

  /** Keeps what was worked out: nobody's change, so it stands in no line and the club stays the same. */
  keep(work: (m: EntityManager) => Promise<unknown>): Promise<void> {
    return inTransaction(this.server.writers, { club: this.club, begin: "" }, async ({ manager }) => {
      await work(manager);
    });
  }

  /** Of this process only one waits at the database for the club's turn. */
  private inLine<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.line.then(work);
    this.line = turn.catch(() => undefined);
    return turn;
  }

  private async transaction<T>(work: (m: EntityManager) => Promise<T>, hook: WriteHook | null): Promise<T> {
    try {
      const done = await inTransaction(this.server.writers, { club: this.club, begin: "" }, async ({ manager: m }) => {
        await m.query("SELECT pg_advisory_xact_lock(hashtextextended(?, 0))", [this.club]);
        await hook?.before(m);
        const result = await work(m);
        const changed = await hasChanged(m);
        if (changed) {
          await hook?.after(m);
          await this.rise(m);
        }
        return result;
      });
      this.broken = null;
      this.told("stored");
      return done;
    } catch (error) {
      const fault = notSavedOf(error);
      if (!fault) throw error;
      this.told("not saved");
      this.broken = { code: fault.code, text: fault.message, since: this.broken?.since ?? new Date().toISOString() };
      throw fault;
    }
  }

  /** The club's next version: what other servers have kept of it is kept no longer. */
  private async rise(m: EntityManager): Promise<void> {
    await m.query("UPDATE club SET version = version + 1 WHERE id = ?", [this.club]);
    const state = await this.state(m);
    const { current } = this;
    if (current && !current.manager) Object.assign(current, state);
  }

  async watched<T>(m: EntityManager, work: () => Promise<T>): Promise<T> {
    const journal = (on: string) => m.query(`SELECT set_config('${JOURNAL}', ?, true)`, [on]);
    await m.query("DELETE FROM row_change");
    await journal("on");
    const done = await work();
    await journal("off");
    return done;
  }

  async probe(): Promise<StorageFault | null> {
    if (this.broken && Date.now() - this.lastProbe > PROBE_MS) {
      this.lastProbe = Date.now();
      await this.writeAside((m) => m.query("UPDATE club SET version = version WHERE id = ?", [this.club])).catch(
        () => undefined,
      );
    }
    return this.broken;
  }

  checkpoint(): void {
    // The database server does that when it sees fit.
  }

  async close(): Promise<void> {
    await this.line;
  }
}

/** Whether the transaction under way has written anything: only then has it a number. */
async function hasChanged(m: EntityManager): Promise<boolean> {
  const [row] = (await m.query("SELECT pg_current_xact_id_if_assigned() IS NOT NULL AS changed")) as [
    { changed: boolean },
  ];
  return row.changed;
}
