/** What the phone keeps: the facts, what waits to be sent, what was refused. Nothing is said to be saved before it is on the disk. */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { PhoneFacts, PhoneScreen } from "../api/phoneViews";
import type { Skew } from "./clock";
import { type Command, type Refused, withCommand } from "./commands";

export interface Kept {
  facts: PhoneFacts;
  skew: Skew;
  /** Tells the server which facts are here. */
  tag: string;
}

interface Schema extends DBSchema {
  state: { key: "kept" | "screen" | "athlete"; value: Kept | PhoneScreen | string };
  outbox: { key: number; value: Command };
  refused: { key: string; value: Refused };
}

const NAME = "field-anchor-phone";
/** Written through to the disk before it is answered, where the browser can say so. */
const STRICT = { durability: "strict" } as const;

let opened: Promise<IDBPDatabase<Schema>> | null = null;
function db(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(NAME, 1, {
    upgrade(d) {
      d.createObjectStore("state");
      d.createObjectStore("outbox", { keyPath: "seq", autoIncrement: true });
      d.createObjectStore("refused", { keyPath: "id" });
    },
  });
  return opened;
}

export async function athleteHere(): Promise<string | null> {
  return ((await (await db()).get("state", "athlete")) as string | undefined) ?? null;
}

export async function keptHere(): Promise<Kept | null> {
  return ((await (await db()).get("state", "kept")) as Kept | undefined) ?? null;
}

export async function screenHere(): Promise<PhoneScreen | null> {
  return ((await (await db()).get("state", "screen")) as PhoneScreen | undefined) ?? null;
}

export async function keepScreen(screen: PhoneScreen): Promise<void> {
  await (await db()).put("state", screen, "screen");
}

export async function queueHere(): Promise<Command[]> {
  return (await db()).getAll("outbox");
}

export async function refusedHere(): Promise<Refused[]> {
  return (await db()).getAll("refused");
}

/** Another athlete's phone from now on: nothing of the one before stays. */
export async function begin(athlete: string): Promise<void> {
  const tx = (await db()).transaction(["state", "outbox", "refused"], "readwrite", STRICT);
  if ((await tx.objectStore("state").get("athlete")) !== athlete) {
    await Promise.all([
      tx.objectStore("state").clear(),
      tx.objectStore("outbox").clear(),
      tx.objectStore("refused").clear(),
    ]);
  }
  await tx.objectStore("state").put(athlete, "athlete");
  await tx.done;
}

/** Nothing stays on this phone. */
export async function forgetAll(): Promise<void> {
  const tx = (await db()).transaction(["state", "outbox", "refused"], "readwrite", STRICT);
  await Promise.all([
    tx.objectStore("state").clear(),
    tx.objectStore("outbox").clear(),
    tx.objectStore("refused").clear(),
  ]);
  await tx.done;
}

/** Puts a command at the end of the line. It is kept once this resolves. */
export async function enqueue(next: Pick<Command, "id" | "method" | "path" | "body">): Promise<void> {
  const tx = (await db()).transaction("outbox", "readwrite", STRICT);
  const queue = await tx.store.getAll();
  // The next number is the store's to give.
  const { stored } = withCommand(queue, { ...next, seq: Number.NaN });
  if (Number.isNaN(stored.seq)) {
    const { seq: _, ...fresh } = stored;
    await tx.store.add(fresh as Command);
  } else await tx.store.put(stored);
  await tx.done;
}

/** The next command that has not arrived, marked as leaving. */
export async function nextToSend(): Promise<Command | null> {
  const tx = (await db()).transaction("outbox", "readwrite", STRICT);
  const next = (await tx.store.getAll()).find((c) => !c.taken) ?? null;
  if (next && !next.left) await tx.store.put({ ...next, left: true });
  await tx.done;
  return next && { ...next, left: true };
}

export async function markTaken(command: Command): Promise<void> {
  await (await db()).put("outbox", { ...command, taken: true });
}

/** The server would not take it: it leaves the line and is shown with why. */
export async function markRefused(command: Command, why: string): Promise<void> {
  const tx = (await db()).transaction(["outbox", "refused"], "readwrite", STRICT);
  await tx.objectStore("outbox").delete(command.seq);
  await tx.objectStore("refused").put({ id: command.id, path: command.path, body: command.body, why });
  await tx.done;
}

export async function dismissRefused(id: string): Promise<void> {
  await (await db()).delete("refused", id);
}

/** New facts, which hold the commands that were taken before they were asked for. */
export async function keepFacts(kept: Kept, held: readonly number[]): Promise<void> {
  const tx = (await db()).transaction(["state", "outbox"], "readwrite", STRICT);
  await tx.objectStore("state").put(kept, "kept");
  for (const seq of held) await tx.objectStore("outbox").delete(seq);
  await tx.done;
}
