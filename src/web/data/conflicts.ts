/** Changes that met somebody else's: each waits until the coach has looked at both versions. */
import { useSyncExternalStore } from "react";
import type { Conflict } from "../../api/problem";

export type Choice = "mine" | "theirs" | { both: unknown };

export interface OpenConflict extends Conflict {
  /** The thing, such as "athletes/1/notes/2026-03-02". */
  thing: string;
  choose: (choice: Choice) => void;
}

let open: readonly OpenConflict[] = [];
const listeners = new Set<() => void>();
const set = (next: readonly OpenConflict[]): void => {
  open = next;
  for (const l of listeners) l();
};

/** Shows both versions. @returns what was chosen */
export function askAbout(thing: string, conflict: Conflict): Promise<Choice> {
  return new Promise((done) => {
    const asked: OpenConflict = {
      ...conflict,
      thing,
      choose: (choice) => {
        set(open.filter((c) => c !== asked));
        done(choice);
      },
    };
    set([...open, asked]);
  });
}

export const useConflict = (): OpenConflict | null =>
  useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => open[0] ?? null,
  );
