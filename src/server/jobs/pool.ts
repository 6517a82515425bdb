/**
 * A few worker threads. Whatever is asked about one athlete goes to the same thread while that is free, since it may still know the plan; else to
 * any that is. Small enough to be our own: the pools in the registry know no such preference.
 */
import { Worker } from "node:worker_threads";
import { HttpProblem } from "../errors";
import type { Ask, JobOptions, Jobs } from "./jobs";
import type { ClubOfWork, Reply, WorkerSetup } from "./messages";

interface Waiting {
  id: number;
  work: Ask;
  about: string | null;
  club: ClubOfWork | undefined;
  /** When a thread began with it, ms. */
  begun: number;
  signal: AbortSignal | undefined;
  done: (value: unknown) => void;
  fail: (error: unknown) => void;
}

interface Thread {
  worker: Worker;
  running: Waiting | null;
}

/** Whom a piece of work is about. */
export function aboutWhom(work: Ask): string | null {
  if (work.kind === "task") return (work.args as { id?: string }).id ?? null;
  return work.call.params.id ?? null;
}

const hashed = (text: string): number => [...text].reduce((a, c) => (a * 31 + c.charCodeAt(0)) >>> 0, 7);

export class Pool implements Jobs {
  private threads: Thread[] = [];
  private readonly waiting: { now: Waiting[]; later: Waiting[] } = { now: [], later: [] };
  private next = 1;
  private closed = false;

  /** @param entry file of the worker's code */
  constructor(
    private readonly size: number,
    private readonly entry: string,
    private readonly setup: WorkerSetup,
    private readonly onCrash: (error: unknown) => void,
    /** Told of each piece of work and its time, s. */
    private readonly onDone: (work: Ask, seconds: number) => void = () => undefined,
  ) {}

  /** Work that waits for a thread. */
  get line(): { now: number; later: number } {
    return { now: this.waiting.now.length, later: this.waiting.later.length };
  }

  ask(work: Ask, { background = false, signal, club }: JobOptions = {}): Promise<unknown> {
    if (this.closed) return Promise.reject(new Error("The server is stopping."));
    return new Promise((done, fail) => {
      const w: Waiting = { id: this.next++, work, about: aboutWhom(work), club, begun: 0, signal, done, fail };
      (background ? this.waiting.later : this.waiting.now).push(w);
      this.deal();
    });
  }

  /** Starts the threads ahead of the first work: their code takes most of a second to load. @returns once each is there, or has fallen */
  async start(): Promise<void> {
    const there = (i: number) => {
      const { worker } = this.thread(i);
      // The first that a thread says is that it is there.
      return new Promise<void>((done) => {
        worker.once("message", () => done());
        worker.once("exit", () => done());
      });
    };
    await Promise.all(Array.from({ length: this.size }, (_, i) => there(i)));
  }

  private thread(i: number): Thread {
    const known = this.threads[i];
    if (known) return known;
    const worker = new Worker(this.entry, { workerData: this.setup });
    const thread: Thread = { worker, running: null };
    worker.on("message", (reply: Reply) => this.replied(thread, reply));
    worker.on("error", (error) => this.fell(thread, error));
    worker.on("exit", () => this.fell(thread, new Error("A worker thread ended.")));
    this.threads[i] = thread;
    return thread;
  }

  /** Gives waiting work to free threads. */
  private deal(): void {
    for (const list of [this.waiting.now, this.waiting.later])
      for (let i = 0; i < list.length; ) {
        const w = list[i];
        if (!w) break;
        if (w.signal?.aborted) {
          list.splice(i, 1);
          w.fail(new Error("Nobody waits for it any more."));
          continue;
        }
        const at = this.freeFor(w.about);
        if (at === null) return;
        list.splice(i, 1);
        const thread = this.thread(at);
        thread.running = w;
        w.begun = performance.now();
        thread.worker.postMessage({ id: w.id, work: w.work, club: w.club });
      }
  }

  /** The thread that knows the athlete where it is free, else any free one. */
  private freeFor(about: string | null): number | null {
    const own = about === null ? 0 : hashed(about) % this.size;
    for (let n = 0; n < this.size; n++) {
      const i = (own + n) % this.size;
      if (!this.threads[i]?.running) return i;
    }
    return null;
  }

  private replied(thread: Thread, reply: Reply): void {
    const w = thread.running;
    if (!w || w.id !== reply.id) return;
    thread.running = null;
    this.onDone(w.work, (performance.now() - w.begun) / 1000);
    if (reply.ok) w.done(reply.value);
    else if (reply.problem) w.fail(HttpProblem.from(reply.problem));
    else w.fail(Object.assign(new Error(reply.message), { stack: reply.stack, code: reply.code }));
    this.deal();
  }

  private fell(thread: Thread, error: unknown): void {
    const i = this.threads.indexOf(thread);
    if (i < 0) return;
    delete this.threads[i];
    thread.running?.fail(error);
    thread.running = null;
    if (!this.closed) {
      this.onCrash(error);
      this.deal();
    }
  }

  async settled(id: string): Promise<void> {
    const about = (w: Waiting | null): boolean => w?.about === id || w?.about === null;
    while (this.threads.some((t) => t && about(t.running))) await new Promise((r) => setTimeout(r, 5));
  }

  async restart(): Promise<void> {
    while (this.threads.some((t) => t?.running)) await new Promise((r) => setTimeout(r, 5));
    const old = this.threads;
    this.threads = [];
    await Promise.all(old.map((t) => t?.worker.terminate()));
    this.deal();
  }

  async close(): Promise<void> {
    this.closed = true;
    for (const list of [this.waiting.now, this.waiting.later])
      for (const w of list.splice(0)) w.fail(new Error("The server is stopping."));
    const old = this.threads;
    this.threads = [];
    await Promise.all(old.map((t) => t?.worker.terminate()));
  }
}
