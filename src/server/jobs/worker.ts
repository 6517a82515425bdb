/** A worker thread: reads the club's file with a connection of its own and answers what the server asks. */
import { parentPort, workerData } from "node:worker_threads";
import { HttpProblem } from "../errors";
import { Planner } from "../planner";
import { readRoutes } from "../routes/all";
import { Store } from "../store/store";
import { todayFrom } from "../today";
import { type Ask, answering } from "./jobs";
import { KeptAnswers } from "./kept";
import type { Reply, WorkerSetup } from "./messages";
import { tasksOf } from "./tasks";

/** Tasks about whole files, which open them themselves. */
const OF_FILES: ReadonlySet<string> = new Set(["scrub", "seal", "stage", "previewRestore"]);

/** Buffers that an answer holds, handed over instead of copied: the rows of a large import are tens of megabytes. */
function bytesIn(value: unknown, depth = 0): ArrayBuffer[] {
  if (value instanceof Uint8Array)
    return value.buffer instanceof ArrayBuffer && value.byteLength === value.buffer.byteLength ? [value.buffer] : [];
  if (depth > 2 || typeof value !== "object" || value === null) return [];
  const own: unknown[] = Array.isArray(value) ? value : Object.values(value);
  return own.flatMap((v) => bytesIn(v, depth + 1));
}

const setup = workerData as WorkerSetup;

async function begin(): Promise<(work: Ask) => Promise<unknown>> {
  const store = await Store.reading(setup.file);
  const today = () => todayFrom(setup.fixedToday);
  const ctx = { store, planner: new Planner(store, today), clubName: setup.clubName, today };
  const kept = setup.kept && KeptAnswers.open(setup.kept.file, setup.kept.program);
  const answer = answering(ctx, readRoutes(ctx), tasksOf(ctx, kept));
  // Everything one answer is made from is read as of one moment.
  return async (work) => {
    if (work.kind === "task" && OF_FILES.has(work.task)) return answer(work);
    store.db.readerRaw.exec("BEGIN");
    try {
      await store.catchUp();
      return await answer(work);
    } finally {
      if (store.db.readerRaw.inTransaction) store.db.readerRaw.exec("COMMIT");
    }
  };
}

/** Opened with the first piece of work: the thread is started while the server still looks at the file. */
let ready: Promise<(work: Ask) => Promise<unknown>> | null = null;
let line: Promise<unknown> = Promise.resolve();
parentPort?.on("message", ({ id, work }: { id: number; work: Ask }) => {
  line = line
    .catch(() => undefined)
    .then(async () => {
      ready ??= begin();
      return (await ready)(work);
    })
    .then(
      (value): Reply => ({ id, ok: true, value }),
      (error: unknown): Reply => ({
        id,
        ok: false,
        problem: error instanceof HttpProblem ? error.problem : null,
        message: error instanceof Error ? error.message : String(error),
        stack: error instanceof Error ? error.stack : undefined,
        code: (error as { code?: string }).code,
      }),
    )
    .then((reply) => parentPort?.postMessage(reply, reply.ok ? bytesIn(reply.value) : []));
});
