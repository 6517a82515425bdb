/** What this browser keeps of an athlete, let go once the athlete is erased. */
import { forgetTags } from "./tags";

const listeners = new Set<(id: string) => void>();

/** @param on is told whose data is to be let go @returns a function that ends it */
export function onForget(on: (id: string) => void): () => void {
  listeners.add(on);
  return () => listeners.delete(on);
}

/** Athletes of whom something is kept in this browser: logs not sent, drafts. */
export function keptAthletes(): string[] {
  const ids = Object.keys(localStorage).flatMap((key) => /^field-anchor:(?:log|intake):([^:]+):/.exec(key)?.[1] ?? []);
  return [...new Set(ids)].filter((id) => id !== "new");
}

/** Logs not sent, drafts, what was read: nothing of the athlete stays in this browser. */
export function forgetAthlete(id: string): void {
  for (const storage of [localStorage, sessionStorage])
    for (const key of Object.keys(storage))
      if (key.includes(id) || storage.getItem(key) === id) storage.removeItem(key);
  forgetTags(`athletes/${id}/`);
  for (const l of listeners) l(id);
}
