/** The line between what is kept on a phone and the server: commands go one by one, in order; then comes what is new. */

import type { PhoneFacts } from "../api/phoneViews";
import type { Problem } from "../api/problem";
import { skewOf } from "./clock";
import type { Command } from "./commands";
import type { PhoneDb } from "./db";

/** @throws where there is no network */
export type Ask = (path: string, init?: RequestInit) => Promise<Response>;

/**
 * done: everything that waited has been answered. later: the server cannot now. out: it does not know this phone any more. erased: the athlete
 * was erased.
 */
export type Drained = "done" | "later" | "out" | "erased";

const ENDS: Readonly<Record<number, Drained>> = { 401: "out", 410: "erased" };

const LATER: readonly number[] = [408, 429];

async function sendOne(db: PhoneDb, command: Command, ask: Ask): Promise<Drained> {
  const headers: Record<string, string> = { "Content-Type": "application/json" };
  if (command.method === "POST") headers["Idempotency-Key"] = command.id;
  const init: RequestInit = { method: command.method, headers };
  if (command.body !== undefined) init.body = JSON.stringify(command.body);
  const response = await ask(command.path, init);
  if (response.ok) {
    await db.markTaken(command);
    return "done";
  }
  const end = ENDS[response.status];
  if (end) return end;
  if (response.status >= 500 || LATER.includes(response.status)) return "later";
  const said = (await response.json().catch(() => null)) as Problem | null;
  const why = [said?.detail, ...(said?.faults ?? []).map((f) => f.expected)].filter(Boolean).join(" ");
  await db.markRefused(command, why);
  return "done";
}

/** What the server has that is not here. */
async function fetchFacts(db: PhoneDb, athlete: string, ask: Ask): Promise<Drained> {
  const held = (await db.queueHere()).filter((c) => c.taken).map((c) => c.seq);
  const kept = await db.keptHere();
  const have = kept && held.length === 0 ? `?have=${encodeURIComponent(kept.tag)}` : "";
  const response = await ask(`/athletes/${athlete}/phone${have}`);
  if (!response.ok) return ENDS[response.status] ?? "later";
  if (response.status === 204) return "done";
  const facts = (await response.json()) as PhoneFacts;
  await db.keepFacts({ facts, tag: facts.tag, skew: skewOf(facts.at, facts.today, Date.now()) }, held);
  return "done";
}

/** Sends what waits, then asks what is new. @throws where there is no network */
export async function drain(db: PhoneDb, athlete: string, ask: Ask): Promise<Drained> {
  for (let next = await db.nextToSend(); next; next = await db.nextToSend()) {
    const sent = await sendOne(db, next, ask);
    if (sent !== "done") return sent;
  }
  return fetchFacts(db, athlete, ask);
}
