/** What the status bar says of saving: when a write last reached the server, and whether something on the page still waits. */
import { useEffect, useSyncExternalStore } from "react";

export interface Saved {
  /** When the last write reached the server; null before the first. */
  at: Date | null;
  /** Something entered here is not with the server yet. */
  waiting: boolean;
  /** Why the server's disk takes nothing at the moment; null while it does. */
  fault: string | null;
}

let state: Saved = { at: null, waiting: false, fault: null };
const holders = new Set<object>();
const listeners = new Set<() => void>();
function set(next: Saved): void {
  state = next;
  for (const l of listeners) l();
}

export const markSaved = (): void => set({ ...state, at: new Date() });

/** @param text what the server said of its disk; null once something was saved again */
export const setStorageFault = (text: string | null): void => {
  if (text !== state.fault) set({ ...state, fault: text });
};

/** For as long as `on` is true the status bar says that something waits. */
export function useWaiting(on: boolean): void {
  useEffect(() => {
    if (!on) return;
    const holder = {};
    holders.add(holder);
    set({ ...state, waiting: true });
    return () => {
      holders.delete(holder);
      set({ ...state, waiting: holders.size > 0 });
    };
  }, [on]);
}

export const useSaved = (): Saved =>
  useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => state,
  );
