/**
 * The log while it is being lifted: kept on this device at once, sent to the server after every set, sent again until it arrives. What other
 * devices logged of the same session comes back with each answer.
 */

import { useEffect, useRef, useState } from "react";
import { mergeLogs, type StrengthLog } from "../../core/athlete";
import { ProblemError } from "../data/api";
import { useMergeLog } from "../data/hooks";
import { useLatest } from "../ui/latest";

const keyOf = (id: string, date: string, label: string) => `field-anchor:log:${id}:${date}:${label}`;
const RETRY_MS = 8_000;

export type Sent = "sent" | "sending" | "kept";

/** What this device has and the server has not, with what the server had when it was last heard. */
interface Unsent {
  log: StrengthLog;
  base: StrengthLog | null;
}

function unsent(key: string): Unsent | null {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? "null");
    if (value === null || typeof value !== "object") return null;
    // Kept by a version that sent whole logs: everything in it is this device's own.
    return "log" in value ? (value as Unsent) : { log: value as StrengthLog, base: null };
  } catch {
    return null;
  }
}

const same = (a: StrengthLog | null, b: StrengthLog | null): boolean => JSON.stringify(a) === JSON.stringify(b);

export function useLog(id: string, initial: StrengthLog, stored: StrengthLog | null) {
  const key = keyOf(id, initial.date, initial.label);
  const merge = useMergeLog(id);
  const [first] = useState(() => unsent(key));
  const [log, setLog] = useState<StrengthLog>(() =>
    first ? mergeLogs(first.base, first.log, stored) : (stored ?? initial),
  );
  const [sent, setSent] = useState<Sent>(first ? "kept" : "sent");
  const [refused, setRefused] = useState<string | null>(null);
  const latest = useRef(log);
  /** The log as the server last had it. */
  const base = useRef(first ? first.base : stored);
  const write = merge.mutateAsync;
  const inFlight = useRef(false);

  const keep = (next: StrengthLog) => {
    latest.current = next;
    localStorage.setItem(key, JSON.stringify({ log: next, base: base.current } satisfies Unsent));
    setLog(next);
  };

  /** One request at a time, so that an older log never arrives after a newer one; what changed meanwhile follows at once. */
  const send = async () => {
    if (inFlight.current) return;
    inFlight.current = true;
    setSent("sending");
    try {
      for (let open = true; open; ) {
        const asked = latest.current;
        const merged = (await write({ base: base.current, log: asked })) ?? asked;
        const next = latest.current === asked ? merged : mergeLogs(asked, latest.current, merged);
        base.current = merged;
        open = !same(next, merged);
        if (open || !same(next, latest.current)) keep(next);
        latest.current = next;
      }
      localStorage.removeItem(key);
      setSent("sent");
      setRefused(null);
    } catch (error) {
      setSent("kept");
      const status = error instanceof ProblemError ? error.problem.status : 0;
      setRefused(status >= 400 && error instanceof Error ? error.message : null);
    } finally {
      inFlight.current = false;
    }
  };
  const sendRef = useLatest(send);

  const change = (next: StrengthLog) => {
    keep(next);
    void send();
  };

  // What another device has logged since, while nothing of this one waits.
  useEffect(() => {
    if (!stored || inFlight.current || !same(latest.current, base.current ?? initial) || same(stored, base.current))
      return;
    base.current = stored;
    latest.current = stored;
    setLog(stored);
  }, [stored, initial]);

  useEffect(() => {
    if (sent !== "kept") return;
    const again = () => void sendRef.current();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [sent]);

  return { log, change, sent, refused };
}
