/** What is done on a phone and waits to be sent: pure, so that a lost network can be tried without one. */
import type { PhoneFacts } from "../api/phoneViews";
import { mergeLogs, type StrengthLog } from "../core/athlete";

export interface Command {
  /** In the order in which it was done; given by the phone's own store. */
  seq: number;
  /** Made on the phone: the server answers it once, however often it is sent. */
  id: string;
  method: "POST" | "PUT" | "DELETE";
  /** Under /api, such as "/athletes/1/homework/2026-03-03/activation". */
  path: string;
  body: unknown;
  /** It may have left: nothing is put into it any more. */
  left: boolean;
  /** The server has taken it; it stays until the facts that hold it are here. */
  taken: boolean;
}

/** A command that the server would not take, with why. */
export interface Refused {
  id: string;
  path: string;
  body: unknown;
  why: string;
}

const isMerge = (c: Pick<Command, "method" | "path">): boolean =>
  c.method === "POST" && /\/logs\/[^/]+\/[^/]+\/merge$/.test(c.path);

interface MergeBody {
  base: unknown;
  log: unknown;
}

/**
 * The queue with one command more. Sets of one session that still wait go together: the first one's start, the last one's end.
 * @returns the new queue, and which of its commands is to be stored
 */
export function withCommand(
  queue: readonly Command[],
  next: Omit<Command, "left" | "taken">,
): { queue: Command[]; stored: Command } {
  const fresh: Command = { ...next, left: false, taken: false };
  const last = queue.findLast((c) => c.path === next.path && c.method === next.method);
  if (last && !last.left && isMerge(next)) {
    const stored: Command = {
      ...last,
      body: { base: (last.body as MergeBody).base, log: (next.body as MergeBody).log },
    };
    return { queue: queue.map((c) => (c === last ? stored : c)), stored };
  }
  return { queue: [...queue, fresh], stored: fresh };
}

/** A log as it will be once everything that waits has arrived; null where nothing of it is there. */
export function logWith(facts: PhoneFacts, queue: readonly Command[], date: string, label: string): StrengthLog | null {
  const known = facts.planning.athlete.strengthLog.find((l) => l.date === date && l.label === label) ?? null;
  return queue
    .filter((c) => isMerge(c) && c.path.endsWith(`/logs/${date}/${label}/merge`))
    .reduce((now: StrengthLog | null, c) => {
      const { base, log } = c.body as { base: StrengthLog | null; log: StrengthLog };
      return now ? mergeLogs(base, log, now) : log;
    }, known);
}

interface SetsOf {
  items: { sets: unknown[] }[];
}

/** "3 sets, 1 message": what has not reached the server; empty where nothing waits. */
export function waitingText(queue: readonly Command[]): string {
  const open = queue.filter((c) => !c.taken);
  const count = (log: unknown): number => ((log as SetsOf | null)?.items ?? []).reduce((n, i) => n + i.sets.length, 0);
  const sets = open.filter(isMerge).reduce((n, c) => {
    const { base, log } = c.body as MergeBody;
    return n + Math.max(1, count(log) - count(base));
  }, 0);
  const messages = open.filter((c) => /\/(messages|troubles)$/.test(c.path)).length;
  const others = open.length - open.filter(isMerge).length - messages;
  const part = (n: number, one: string, more: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : more}`]);
  return [
    ...part(sets, "set", "sets"),
    ...part(messages, "message", "messages"),
    ...part(others, "change", "changes"),
  ].join(", ");
}
