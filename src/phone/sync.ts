/**
 * The phone's other end: everything is answered here, from what is kept; what was done goes to the server in order, once the network is
 * there, and what has changed there comes back.
 */

import { wrap } from "comlink";
import type { HowTo, PhoneFacts, PhonePlaces, PhoneScreen } from "../api/phoneViews";
import type { Problem } from "../api/problem";
import type { SessionStateView, SquadRow, SquadView } from "../api/views";
import type { Label } from "../core/athlete";
import { newId } from "../web/data/newId";
import { NO_SKEW, todayWith } from "./clock";
import { type Command, logWith, type Refused, waitingText } from "./commands";
import { type Kept, PhoneDb } from "./db";
import { drain } from "./line";
import type { LocalWorker } from "./local.worker";
import { unitsOf } from "./units";

export interface PhoneState {
  /** starting: what is kept is being read. new: this phone is nobody's yet. out: the coach has signed it out; what waits is kept. */
  mode: "starting" | "new" | "out" | "here";
  online: boolean;
  /** What has not reached the server, in words; empty where all has. */
  waiting: string;
  refused: readonly Refused[];
  screen: PhoneScreen | null;
  messages: PhoneFacts["messages"];
  /** What could not be kept on this phone, in words. */
  fault: string | null;
}

const AGAIN_MS = 20_000;
const LOCK = "field-anchor-sync";

let state: PhoneState = {
  mode: "starting",
  online: navigator.onLine,
  waiting: "",
  refused: [],
  screen: null,
  messages: [],
  fault: null,
};
const listeners = new Set<() => void>();
export const subscribe = (on: () => void): (() => void) => {
  listeners.add(on);
  return () => listeners.delete(on);
};
export const current = (): PhoneState => state;
function set(next: Partial<PhoneState>): void {
  state = { ...state, ...next };
  for (const on of listeners) on();
}

const db = new PhoneDb();
let athlete = "";
let kept: Kept | null = null;
let queue: Command[] = [];

const worker = wrap<LocalWorker>(new Worker(new URL("./local.worker.ts", import.meta.url), { type: "module" }));
const told = new BroadcastChannel("field-anchor-phone");
told.onmessage = () => void reread();

export const today = (): string => todayWith(kept?.skew ?? NO_SKEW, Date.now());

/** What the views stand on: the facts, what waits, the day. */
const standing = (): string => JSON.stringify([kept?.tag, queue.map((c) => [c.seq, c.taken]), today()]);
let shown = "";

/** What is kept, with what waits on top, into the planner; the views follow. */
let loading: Promise<void> = Promise.resolve();
function reload(): Promise<void> {
  loading = loading.then(async () => {
    if (!kept) return;
    shown = standing();
    const messages = await worker.load(kept.facts, queue, today());
    set({ messages, waiting: waitingText(queue) });
    const screen = await worker.screen();
    set({ screen });
    await db.keepScreen(screen);
  });
  // What cannot be planned here is said; what was kept before stays on the screen, and nothing that waits is lost by it.
  loading = loading.catch(() =>
    set({ fault: "This phone could not make your plan anew. What you enter is kept all the same." }),
  );
  return loading;
}

/** Another window of this phone has changed something. */
async function reread(): Promise<void> {
  kept = await db.keptHere();
  queue = await db.queueHere();
  set({ refused: await db.refusedHere(), waiting: waitingText(queue) });
  await reload();
  changed();
}

/** Told after anything has changed, so that what is shown is read anew. */
const onChange = new Set<() => void>();
export const afterChange = (on: () => void): void => void onChange.add(on);
const changed = (): void => {
  for (const on of onChange) on();
};

const answer = (json: string, status = 200): Response =>
  new Response(status === 204 ? null : json, { status, headers: { "Content-Type": "application/json" } });
const problem = (status: number, title: string, detail: string): Response =>
  new Response(JSON.stringify({ type: "about:blank", title, status, detail, faults: [] } satisfies Problem), {
    status,
  });

/** Keeps what was done, and sends it when it can. @throws where the phone cannot keep it */
export async function act(method: Command["method"], path: string, body: unknown, id = newId()): Promise<void> {
  try {
    await db.enqueue({ id, method, path: `/athletes/${athlete}/${path}`, body });
  } catch (error) {
    set({ fault: "This phone could not keep what you entered: its storage is full or closed. Nothing was saved." });
    throw error;
  }
  queue = await db.queueHere();
  set({ fault: null, waiting: waitingText(queue) });
  told.postMessage("");
  void reload();
  void sync();
}

/** In the place of the network for all that is shown: reads are answered here, changes are kept here. */
export async function transport(path: string, init: RequestInit): Promise<Response> {
  const method = init.method ?? "GET";
  if (path === "/session") return answer(JSON.stringify(sessionHere()));
  if (path === "/squad") return answer(JSON.stringify(squadHere()));
  const body: unknown = typeof init.body === "string" ? JSON.parse(init.body) : undefined;
  await loading;
  if (method === "GET" || path.endsWith("/preview")) {
    const found = await worker.answer(method, path, body);
    return found === null ? problem(404, "Not found", "This does not stand in your plan any more.") : answer(found);
  }
  const key = (init.headers as Record<string, string> | undefined)?.["Idempotency-Key"];
  await act(method as Command["method"], path.replace(`/athletes/${athlete}/`, ""), body, key);
  const merge = /\/logs\/([^/]+)\/([^/]+)\/merge$/.exec(path);
  if (!merge || !kept) return answer("", 204);
  return answer(JSON.stringify(logWith(kept.facts, queue, merge[1] ?? "", merge[2] ?? "")));
}

const sessionHere = (): SessionStateView => ({
  mode: "asked",
  account: { name: athlete, shown: "", role: "athlete" },
  athletes: [athlete],
  mayStayOpen: false,
  tryPassword: null,
});

type SquadHere = Omit<SquadView, "today" | "rows"> & {
  rows: Pick<SquadRow, "id" | "name" | "massUnit" | "distanceUnit">[];
};
/** The floor asks the squad for a name and for units. */
const squadHere = (): SquadHere => ({
  rows: state.screen ? [{ id: athlete, name: state.screen.name, ...unitsOf(state.screen) }] : [],
  behind: [],
  failed: [],
});

export const howTo = async (exercise: string): Promise<HowTo | null> => {
  await loading;
  return worker.howTo(exercise);
};

export const places = async (date: string, label: Label): Promise<PhonePlaces> => {
  await loading;
  return worker.places(date, label);
};

const ask = (path: string, init: RequestInit = {}): Promise<Response> =>
  fetch(`/api/phone${path}`, { credentials: "same-origin", ...init });

let syncing = false;
let again = false;
/** Sends what waits, then asks what is new. One window at a time; failing, it tries again by itself. */
export async function sync(): Promise<void> {
  if (athlete === "") return;
  if (syncing) {
    again = true;
    return;
  }
  syncing = true;
  try {
    await navigator.locks.request(LOCK, async () => {
      do {
        again = false;
        const drained = await drain(db, athlete, ask);
        if (drained === "out") set({ mode: "out" });
        // Erased in the club: nothing stays here either.
        if (drained === "erased") await letGo();
      } while (again);
    });
    set({ online: true });
  } catch {
    set({ online: false });
  } finally {
    syncing = false;
  }
  kept = await db.keptHere();
  queue = await db.queueHere();
  set({ refused: await db.refusedHere(), waiting: waitingText(queue) });
  if (standing() === shown) return;
  await reload();
  changed();
}

async function letGo(): Promise<void> {
  await db.forgetAll();
  location.assign("/p/");
}

export async function dismiss(id: string): Promise<void> {
  await db.dismissRefused(id);
  set({ refused: await db.refusedHere() });
}

/** Takes an invitation. @returns null, or why not */
export async function join(code: string, device: string): Promise<string | null> {
  const response = await ask("/session/phone", {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ code, device }),
  }).catch(() => null);
  if (!response) return "There is no network. Try again where there is some.";
  if (!response.ok)
    return ((await response.json().catch(() => null)) as Problem | null)?.detail ?? "That did not work.";
  try {
    return (await enter()) ? null : "That did not work.";
  } catch (error) {
    return error instanceof Error ? error.message : "That did not work.";
  }
}

const OTHERS =
  "This phone still holds what another athlete has not sent. Send that first, or take their plan off this phone; then ask for a new invitation.";

/** Asks the server whose phone this is. @returns whether it is somebody's */
async function enter(): Promise<boolean> {
  const response = await ask("/session");
  const session = (await response.json()) as SessionStateView;
  const own = session.athletes === "all" ? undefined : session.athletes[0];
  if (!session.account || own === undefined) return false;
  if (!(await db.begin(own))) {
    await ask("/session", { method: "DELETE" });
    throw new Error(OTHERS);
  }
  athlete = own;
  // What is kept for an athlete outlives a full disk where the browser allows it.
  void navigator.storage?.persist?.();
  await sync();
  set({ mode: kept ? "here" : "starting" });
  return kept !== null;
}

/** Takes everything off this phone, and tells the server. */
export async function leave(): Promise<void> {
  await ask("/session", { method: "DELETE" }).catch(() => undefined);
  await letGo();
}

/** Begins with what is kept here, so that it is there without network; then asks the server. */
export async function start(): Promise<void> {
  const known = await db.athleteHere();
  if (known !== null) {
    athlete = known;
    const [screen, k, q, refused] = await Promise.all([
      db.screenHere(),
      db.keptHere(),
      db.queueHere(),
      db.refusedHere(),
    ]);
    kept = k;
    queue = q;
    // Begun before anything is shown: what the views ask waits for it.
    const ready = reload();
    if (kept)
      set({
        mode: "here",
        screen,
        refused,
        waiting: waitingText(queue),
        messages: kept.facts.messages,
      });
    await ready;
    void sync();
  } else if (!(await enter().catch(() => false))) set({ mode: "new" });
  setInterval(() => document.visibilityState === "visible" && void sync(), AGAIN_MS);
  window.addEventListener("online", () => void sync());
  window.addEventListener("offline", () => set({ online: false }));
  document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && void sync());
}

export const athleteId = (): string => athlete;
export { ask };
