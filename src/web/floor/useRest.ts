/** The rest between sets: an instant at which it ends, so that a locked or sleeping phone loses nothing of it; kept over a reload. */
import { useEffect, useState } from "react";
import { signalRestOver } from "./signal";

export interface Resting {
  /** ms since 1970. */
  until: number;
  seconds: number;
}

const KEY = "field-anchor:rest";

/** Longer ago than this a rest that ended is not told any more, ms. */
const LATE_MS = 3_000;

function keptRest(): Resting | null {
  try {
    const rest = JSON.parse(sessionStorage.getItem(KEY) ?? "null") as Resting | null;
    return rest && rest.until > Date.now() ? rest : null;
  } catch {
    return null;
  }
}

export function useRest(): [Resting | null, (seconds: number) => void, () => void] {
  const [rest, setRest] = useState<Resting | null>(keptRest);
  useEffect(() => {
    if (rest) sessionStorage.setItem(KEY, JSON.stringify(rest));
    else sessionStorage.removeItem(KEY);
    if (!rest) return;
    const timer = setTimeout(
      () => {
        if (Date.now() - rest.until < LATE_MS) signalRestOver();
      },
      Math.max(0, rest.until - Date.now()),
    );
    return () => clearTimeout(timer);
  }, [rest]);
  return [rest, (seconds) => setRest({ until: Date.now() + seconds * 1000, seconds }), () => setRest(null)];
}

/** The screen stays on at the rack, where the browser allows it. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = async () => {
      if (gone || document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      lock = await navigator.wakeLock.request("screen").catch(() => null);
      if (gone) void lock?.release();
    };
    const again = () => void take();
    void take();
    document.addEventListener("visibilitychange", again);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
}
