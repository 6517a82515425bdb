/**
 * Planning ahead of whoever will ask, in a line on the database: every server puts work in, whoever is free takes it out, and the
 * answer is kept for all. A piece of work that is lost with its worker is done by whoever asked for it.
 */

import pg from "pg";
import PgBoss from "pg-boss";
import type { Logger } from "pino";
import { loggable } from "../errors";
import type { ClubOfWork } from "../jobs/messages";
import type { DatabaseServer } from "../store/postgres/server";
import type { Store } from "../store/store";
import { keepAnswer, keyOf, keyOfDay, nameOfAnswer, type Question, readAnswer } from "./answers";
import { Listener } from "./listener";

export interface PlanJob extends Question {
  club: ClubOfWork;
}

const PLANS = "plans";
/** Channels: there is work; an answer is there. */
const WORK = "field_anchor_work";
const ANSWERS = "field_anchor_answers";
/** A piece of work that takes longer is given to another worker, s; and is done by whoever asked after so long, ms. */
const EXPIRES_S = 60;
const PATIENCE_MS = 60_000;
/** Without a word of new work it is looked for so often, s. */
const LOOK_S = 2;

interface Options {
  url: string;
  server: DatabaseServer;
  log: Logger;
  today: () => string;
  /** Names the version of the code: answers of another are not taken. */
  program: string;
}

/** What takes work out of the line. */
export interface Taker {
  /** Pieces at once. */
  size: number;
  storeOf: (club: ClubOfWork) => Promise<Store>;
  /** @returns the answer as JSON */
  work: (job: PlanJob) => Promise<string>;
}

export class PlanQueue {
  private readonly waiting = new Map<string, Set<() => void>>();
  private workers: string[] = [];

  private constructor(
    private readonly boss: PgBoss,
    private readonly o: Options,
  ) {}

  private listener: Listener | null = null;

  static async open(o: Options): Promise<PlanQueue> {
    const boss = new PgBoss({
      connectionString: o.url,
      schema: "pgboss",
      application_name: "field-anchor-queue",
      max: 4,
    });
    boss.on("error", (error) => o.log.error({ error: loggable(error) }, "queue"));
    await oneByOne(o.url, async () => {
      await boss.start();
      await boss.createQueue(PLANS, {
        name: PLANS,
        policy: "short",
        retryLimit: 2,
        retryDelay: 1,
        expireInSeconds: EXPIRES_S,
        retentionMinutes: 60,
      });
    });
    const queue = new PlanQueue(boss, o);
    queue.listener = await Listener.open(
      o.url,
      new Map([
        [WORK, () => queue.look()],
        [ANSWERS, (what: string) => queue.tell(what)],
      ]),
      () => {
        queue.look();
        for (const what of queue.waiting.keys()) queue.tell(what);
      },
    );
    return queue;
  }

  /** The answer, worked out by whoever is free, once for all who ask. @param here works it out on the spot, where nobody else does */
  async ask(store: Store, job: PlanJob, here: () => Promise<unknown>): Promise<unknown> {
    const { key, known } = await this.stateOf(store, job);
    if (key === null) return null;
    if (known?.key === key) return JSON.parse(known.body);
    const told = this.toldOf(job);
    await this.put(job);
    if (!(await told)) return here();
    // The facts may have changed since; what was made from older ones than stand now is no answer.
    return store.request("change", async () => {
      const { key: now, known: made } = await this.stateOf(store, job);
      return made && (made.key === key || made.key === now) ? JSON.parse(made.body) : here();
    });
  }

  /** The answer of today that was last kept, whatever has changed since; null where there is none. */
  async last(store: Store, q: Question): Promise<unknown> {
    const known = await readAnswer(store, q);
    return known?.key.startsWith(keyOfDay(this.o.today(), this.o.program)) ? JSON.parse(known.body) : null;
  }

  /** What the answer would be kept under, null without the athlete; and the one that is kept. */
  private async stateOf(store: Store, q: Question) {
    return { key: await keyOf(store, q, this.o.today(), this.o.program), known: await readAnswer(store, q) };
  }

  /** Puts work in the line, where the same does not wait there already. */
  async put(job: PlanJob): Promise<void> {
    await this.boss.send(PLANS, job, { singletonKey: `${job.club.id}/${job.args.id}/${nameOfAnswer(job)}` });
    await this.say(WORK, "");
  }

  /** @returns false where nobody has answered in time */
  private toldOf(job: PlanJob): Promise<boolean> {
    const what = wordOf(job);
    const all = this.waiting.get(what) ?? new Set();
    this.waiting.set(what, all);
    return new Promise((done) => {
      const end = (answered: boolean) => {
        clearTimeout(timer);
        all.delete(heard);
        if (all.size === 0) this.waiting.delete(what);
        done(answered);
      };
      const heard = () => end(true);
      const timer = setTimeout(() => end(false), PATIENCE_MS);
      all.add(heard);
    });
  }

  private tell(what: string): void {
    for (const heard of [...(this.waiting.get(what) ?? [])]) heard();
  }

  private say(channel: string, word: string): Promise<unknown> {
    return this.o.server.readers.query("SELECT pg_notify(?, ?)", [channel, word]);
  }

  private look(): void {
    for (const id of this.workers) this.boss.notifyWorker(id);
  }

  /** Takes work out of the line from now on. */
  async take({ size, storeOf, work }: Taker): Promise<void> {
    const done = async (job: PlanJob): Promise<void> => {
      const store = await storeOf(job.club);
      const { key, known } = await store.request("change", () => this.stateOf(store, job));
      // Of an athlete who is gone there is nothing to keep, and whoever asked is told all the same.
      if (key !== null && known?.key !== key) await keepAnswer(store, job, key, await work(job));
      await this.say(ANSWERS, wordOf(job));
    };
    for (let n = 0; n < size; n++) {
      let own = "";
      own = await this.boss.work<PlanJob>(PLANS, { pollingIntervalSeconds: LOOK_S, batchSize: 1 }, async ([job]) => {
        // More may wait: it is looked for at once, not at the next turn.
        this.boss.notifyWorker(own);
        if (job) await done(job.data);
      });
      this.workers.push(own);
    }
  }

  /** What is to be done by the clock is done once, by one of those that take work. @param cron in UTC */
  async every(name: string, cron: string, work: () => Promise<void>): Promise<void> {
    await oneByOne(this.o.url, async () => {
      await this.boss.createQueue(name, { name, policy: "singleton", expireInSeconds: 3600, retryLimit: 0 });
      await this.boss.schedule(name, cron);
    });
    await this.boss.work(name, { pollingIntervalSeconds: 30 }, work);
  }

  /** Pieces of work that wait. */
  size(): Promise<number> {
    return this.boss.getQueueSize(PLANS, { before: "active" });
  }

  async close(): Promise<void> {
    await this.listener?.close();
    await this.boss.stop({ graceful: true, timeout: 5000, wait: true });
  }
}

/** Lines are made by one server at a time: two that are made at once wait for each other's tables for ever. */
async function oneByOne(url: string, work: () => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url, application_name: "field-anchor-queue" });
  await client.connect();
  try {
    await client.query("SELECT pg_advisory_lock(hashtext('field_anchor_queue'))");
    await work();
  } finally {
    // The lock goes with its connection.
    await client.end();
  }
}

const wordOf = ({ club, ...q }: PlanJob): string => `${club.id} ${q.args.id} ${nameOfAnswer(q)}`;
