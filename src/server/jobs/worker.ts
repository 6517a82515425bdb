/** A worker thread: reads with a connection of its own and answers what the server asks. */
import { parentPort, workerData } from "node:worker_threads";
import { LRUCache } from "lru-cache";
import { HttpProblem } from "../errors";
import { Planner } from "../planner";
import { readRoutes } from "../routes/all";
import { DatabaseServer } from "../store/postgres/server";
import { Store } from "../store/store";
import { todayFrom } from "../today";
import { type Ask, answering } from "./jobs";
import { KeptAnswers } from "./kept";
import { type ClubOfWork, type Reply, THERE, type WorkerSetup } from "./messages";
import { practise } from "./practice";
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
const today = () => todayFrom(setup.fixedToday);
type Answering = (work: Ask) => Promise<unknown>;

/** Everything one answer is made from is read as of one moment. */
function answersOf(store: Store, clubName: string, kept: KeptAnswers | null): Answering {
  const ctx = { store, planner: new Planner(store, today), clubName, today };
  const answer = answering(ctx, readRoutes(ctx), tasksOf(ctx, kept));
  return (work) =>
    work.kind === "task" && OF_FILES.has(work.task) ? answer(work) : store.request("view", () => answer(work));
}

/** Clubs of a database server whose plans a thread keeps; the least lately used goes first. */
const CLUBS_KEPT = 30;

async function begin(): Promise<(work: Ask, club?: ClubOfWork) => Promise<unknown>> {
  const { source } = setup;
  if ("file" in source) {
    const kept = setup.kept && KeptAnswers.open(setup.kept.file, setup.kept.program);
    return answersOf(await Store.reading(source.file), source.clubName, kept);
  }
  const server = await DatabaseServer.connect(source.server, { readers: 2, writers: 0 });
  const clubs = new LRUCache<string, Promise<Answering>>({ max: CLUBS_KEPT });
  const open = async ({ id, name }: ClubOfWork) => answersOf(await Store.onServer(server, id, ""), name, null);
  return async (work, club) => {
    if (!club) throw new Error("Work of which club?");
    let known = clubs.get(club.id);
    if (!known) {
      known = open(club);
      clubs.set(club.id, known);
      known.catch(() => clubs.delete(club.id));
    }
    return (await known)(work);
  };
}

/** A file is opened with the first piece of work: the thread is started while the server still looks at it. A database server is there already. */
let ready: ReturnType<typeof begin> | null = null;
if (setup.practiseMs) {
  practise(today(), setup.practiseMs);
  ready = begin();
  await ready;
}
parentPort?.postMessage({ id: THERE, ok: true, value: null } satisfies Reply);

let line: Promise<unknown> = Promise.resolve();
parentPort?.on("message", ({ id, work, club }: { id: number; work: Ask; club?: ClubOfWork }) => {
  line = line
    .catch(() => undefined)
    .then(async () => {
      ready ??= begin();
      return (await ready)(work, club);
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
