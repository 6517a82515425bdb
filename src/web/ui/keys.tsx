/** Keys: each view says which work here; the status bar and the `?` sheet show them. */

import { createContext, type ReactNode, useContext, useEffect, useLayoutEffect, useMemo, useState } from "react";
import { useLatest } from "./latest";

export interface KeyAction {
  /** As in KeyboardEvent.key; "ctrl+k" with the control or command key. */
  key: string;
  label: string;
  run: () => void;
  /** Shown in the status bar too. */
  bar?: boolean;
}

interface Registry {
  actions: KeyAction[];
  set: (owner: string, list: KeyAction[]) => void;
}

const Context = createContext<Registry>({ actions: [], set: () => undefined });

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName) ||
    target.closest("[role=dialog],[role=menu],[role=listbox]") !== null);

const nameOf = (e: KeyboardEvent): string =>
  `${e.ctrlKey || e.metaKey ? `ctrl+${e.shiftKey ? "shift+" : ""}` : ""}${e.key.length === 1 ? e.key.toLowerCase() : e.key}`;

export function KeysProvider({ children }: { children: ReactNode }) {
  const [owners, setOwners] = useState<Record<string, KeyAction[]>>({});
  // Where the frame and a view use one key, the view's own meaning holds.
  const actions = useMemo(() => {
    const { view = [], ...rest } = owners;
    const own = new Set(view.map((a) => a.key));
    return [
      ...Object.values(rest)
        .flat()
        .filter((a) => !own.has(a.key)),
      ...view,
    ];
  }, [owners]);
  const latest = useLatest(actions);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const name = nameOf(e);
      if (e.altKey || (typing(e.target) && name !== "ctrl+k")) return;
      const action = latest.current.findLast((a) => a.key === name || a.key.toLowerCase() === name);
      if (!action) return;
      // Enter and Space stay with whatever control has the focus.
      if (
        (name === "Enter" || name === " ") &&
        e.target instanceof Element &&
        e.target !== document.body &&
        e.target.closest("button,a,[role=button],summary")
      )
        return;
      e.preventDefault();
      action.run();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const set = useMemo(() => (owner: string, list: KeyAction[]) => setOwners((o) => ({ ...o, [owner]: list })), []);
  return <Context.Provider value={useMemo(() => ({ actions, set }), [actions, set])}>{children}</Context.Provider>;
}

export const useKeyList = (): KeyAction[] => useContext(Context).actions;

/** Registers a view's keys for as long as it stands. Handlers may change freely; the list of keys should not. */
export function useKeys(owner: string, list: KeyAction[]): void {
  const { set } = useContext(Context);
  const latest = useLatest(list);
  const shape = list.map((a) => `${a.key}:${a.label}:${a.bar ? 1 : 0}`).join("|");
  // Before it is painted: a key pressed the moment a view is seen already counts.
  useLayoutEffect(() => {
    set(
      owner,
      latest.current.map((a, i) => ({ ...a, run: () => latest.current[i]?.run() })),
    );
    return () => set(owner, []);
  }, [owner, shape, set]);
}

const SHOWN: Record<string, string> = {
  ArrowLeft: "←",
  ArrowRight: "→",
  ArrowUp: "↑",
  ArrowDown: "↓",
  "ctrl+k": "Ctrl K",
  "ctrl+z": "Ctrl Z",
  "ctrl+shift+z": "Ctrl Shift Z",
  Escape: "Esc",
  " ": "Space",
};
export const keyName = (key: string): string => SHOWN[key] ?? (key.length === 1 ? key.toUpperCase() : key);
