/** The HTTP interface as the web calls it. A failure is a ProblemError with the faults and their paths. */
import type { Problem } from "../../api/problem";
import { TAGGED_TYPE, TAGS_HEADER, type Tagged, thingOf } from "../../api/things";
import { askAbout } from "./conflicts";
import { forgetAthlete } from "./forget";
import { newId } from "./newId";
import { setStorageFault } from "./saved";
import { learnTags, seenTag, setTag } from "./tags";

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const signedOut = new Set<() => void>();
/** @param on is told that the server asks who is there @returns a function that ends it */
export function onSignedOut(on: () => void): () => void {
  signedOut.add(on);
  return () => signedOut.delete(on);
}

function tellSignedOut(): void {
  for (const on of signedOut) on();
}
const isSignedOut = (response: Response, path: string): boolean =>
  response.status === 401 && !path.startsWith("/session");

/** Reads that wait until somebody has signed in again: what stands on the screen stays meanwhile. */
let waiting: (() => void)[] = [];
export function readOn(): void {
  const all = waiting;
  waiting = [];
  for (const go of all) go();
}

const offline = (): Problem => ({
  type: "about:blank",
  title: "No connection",
  status: 0,
  detail: "The server cannot be reached: not saved yet. What you entered is still here; try again.",
  faults: [],
});

/** What a change answers where somebody else's version was kept instead. */
export const THEIRS = { kept: "theirs" } as const;

/** What is said after a change: that it was made, or that the other version was kept. */
export const saidOf = (answer: unknown, made: string): string =>
  answer === THEIRS ? "The other version is kept; yours was not stored." : made;

/** How a request leaves: over the network, or, on a phone, through what is kept there. */
export type Transport = (path: string, init: RequestInit) => Promise<Response>;
let transport: Transport = (path, init) => fetch(`/api${path}`, init);
export const setTransport = (way: Transport): void => {
  transport = way;
};

interface Sent {
  method: string;
  path: string;
  body?: string | undefined;
  headers?: Record<string, string>;
  signal?: AbortSignal | undefined;
}

async function send({ method, path, body, headers, signal }: Sent): Promise<Response> {
  const init: RequestInit = { method, headers: { ...headers }, ...(signal ? { signal } : {}) };
  if (body !== undefined) {
    init.headers = { ...headers, "Content-Type": "application/json" };
    init.body = body;
  }
  try {
    return await transport(path, init);
  } catch {
    throw new ProblemError(offline());
  }
}

/** The answer's value. @throws ProblemError where it is a problem */
async function answerIn(response: Response, path: string): Promise<unknown> {
  if (response.ok) {
    if (response.status === 204) return null;
    const value: unknown = await response.json();
    if (!response.headers.get("content-type")?.startsWith(TAGGED_TYPE)) return value;
    const tagged = value as Tagged;
    learnTags(tagged);
    return tagged.value;
  }
  const problem = (await response.json().catch(() => null)) as Problem | null;
  // Erased elsewhere: this browser lets go of what it has, too.
  const athlete = /^\/athletes\/([^/?]+)/.exec(path)?.[1];
  if (response.status === 410 && athlete) forgetAthlete(athlete);
  if (isSignedOut(response, path)) tellSignedOut();
  throw new ProblemError(
    problem?.title
      ? problem
      : {
          ...offline(),
          title: "Server error",
          status: response.status,
          detail: `The server answered ${response.status}.`,
        },
  );
}

/** Changes of one thing go one after the other, each from the state the one before left. */
const lines = new Map<string, Promise<unknown>>();
function inLine<T>(key: string, work: () => Promise<T>): Promise<T> {
  const turn = (lines.get(key) ?? Promise.resolve()).then(work, work);
  const settled = turn.catch(() => undefined);
  lines.set(key, settled);
  void settled.then(() => lines.get(key) === settled && lines.delete(key));
  return turn;
}

/** A fault of the server's disk is said wherever one looks, until a change is saved again. */
async function noting<T>(work: () => Promise<T>): Promise<T> {
  try {
    const value = await work();
    setStorageFault(null);
    return value;
  } catch (error) {
    const status = error instanceof ProblemError ? error.problem.status : -1;
    if (status === 503 || status === 507) setStorageFault((error as ProblemError).problem.detail);
    throw error;
  }
}

async function change(method: string, path: string, body: unknown): Promise<unknown> {
  const thing = thingOf(path, body);
  if (thing === null) return noting(async () => answerIn(await send({ method, path, body: text(body) }), path));
  return inLine(thing, async () => {
    for (let sent = body; ; ) {
      const seen = seenTag(thing);
      const headers: Record<string, string> = seen === null ? {} : { "If-Match": `"${seen}"` };
      const response = await send({ method, path, body: text(sent), headers });
      const tag = response.headers.get("etag")?.replace(/^(W\/)?"|"$/g, "");
      if (response.ok && tag) setTag(thing, tag);
      if (response.status !== 412) return noting(() => answerIn(response, path));
      const { conflict } = (await response.json()) as Problem;
      if (!conflict) throw new ProblemError(offline());
      const choice = await askAbout(thing, conflict);
      setTag(thing, conflict.tag);
      if (choice === "theirs") return THEIRS;
      if (choice !== "mine") sent = choice.both;
    }
  });
}

const text = (body: unknown): string | undefined => (body === undefined ? undefined : JSON.stringify(body));

/** Keys of requests that may have arrived although no answer came: the same request again uses the same one, and nothing is created twice. */
const unanswered = new Map<string, string>();

async function create(path: string, body: string): Promise<unknown> {
  const what = `${path}\n${body}`;
  const key = unanswered.get(what) ?? newId();
  unanswered.set(what, key);
  return noting(async () => {
    const response = await send({ method: "POST", path, body, headers: { "Idempotency-Key": key } });
    if (response.status < 500) unanswered.delete(what);
    return answerIn(response, path);
  });
}

/** The answer's shape is the server's: both sides share src/api/views.ts. */
export async function get<T>(path: string): Promise<T> {
  for (;;) {
    const response = await send({ method: "GET", path, headers: { [TAGS_HEADER]: "1" } });
    if (!isSignedOut(response, path)) return (await answerIn(response, path)) as T;
    tellSignedOut();
    await new Promise<void>((go) => waiting.push(go));
  }
}
export const post = <T>(path: string, body?: unknown): Promise<T> =>
  create(path, JSON.stringify(body ?? {})) as Promise<T>;
/** Asks for something that is stored nowhere. @param signal gives the asking up */
export const ask = async <T>(path: string, body: unknown, signal?: AbortSignal): Promise<T> =>
  (await answerIn(await send({ method: "POST", path, body: JSON.stringify(body), signal }), path)) as T;
export const postText = <T>(path: string, body: string): Promise<T> => create(path, body) as Promise<T>;
export const put = (path: string, body: unknown): Promise<unknown> => change("PUT", path, body);
export const del = (path: string): Promise<unknown> => change("DELETE", path, undefined);
