/** The log while it is being lifted: kept on this device at once, sent to the server after every set, sent again until it arrives. */
import { useEffect, useRef, useState } from "react";
import type { StrengthLog } from "../../core/athlete/types";
import { ProblemError } from "../data/api";
import { usePutLog } from "../data/hooks";

const keyOf = (id: string, date: string, label: string) => `field-anchor:log:${id}:${date}:${label}`;
const RETRY_MS = 8_000;

export type Sent = "sent" | "sending" | "kept";

/** A log that this device has and the server has not. */
function unsent(key: string): StrengthLog | null {
  try {
    const text = localStorage.getItem(key);
    return text ? (JSON.parse(text) as StrengthLog) : null;
  } catch {
    return null;
  }
}

export function useLog(id: string, initial: StrengthLog, stored: StrengthLog | null) {
  const key = keyOf(id, initial.date, initial.label);
  const put = usePutLog(id);
  const [log, setLog] = useState<StrengthLog>(() => unsent(key) ?? stored ?? initial);
  const [sent, setSent] = useState<Sent>(() => (unsent(key) ? "kept" : "sent"));
  const [refused, setRefused] = useState<string | null>(null);
  const latest = useRef(log);
  const write = put.mutateAsync;

  const inFlight = useRef(false);

  /** One request at a time, so that an older log never arrives after a newer one; what changed meanwhile follows at once. */
  const send = async () => {
    if (inFlight.current) return;
    inFlight.current = true;
    setSent("sending");
    try {
      for (let value: StrengthLog | null = latest.current; value; ) {
        await write(value);
        value = latest.current === value ? null : latest.current;
      }
      localStorage.removeItem(key);
      setSent("sent");
      setRefused(null);
    } catch (error) {
      setSent("kept");
      const status = error instanceof ProblemError ? error.problem.status : 0;
      setRefused(status >= 400 && status < 500 && error instanceof Error ? error.message : null);
    } finally {
      inFlight.current = false;
    }
  };
  const sendRef = useRef(send);
  sendRef.current = send;

  const change = (next: StrengthLog) => {
    latest.current = next;
    localStorage.setItem(key, JSON.stringify(next));
    setLog(next);
    void send();
  };

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
