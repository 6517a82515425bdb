/** Which sessions of which athletes a change would alter: asked one athlete after the other, with progress, and stopped when wished. */
import { useRef, useState } from "react";
import type { PreviewBody } from "../../api/requests";
import type { ChangesView } from "../../api/views";
import { previewFor } from "../data/dose";

export interface Changes {
  of: ChangesView[];
  /** Athletes asked and athletes to ask; null while nothing runs. */
  running: { done: number; all: number } | null;
  fault: string | null;
}

export function useChanges() {
  const [state, setState] = useState<Changes | null>(null);
  const turn = useRef(0);
  const ask = async (ids: readonly string[], body: PreviewBody) => {
    const mine = ++turn.current;
    const of: ChangesView[] = [];
    setState({ of, running: { done: 0, all: ids.length }, fault: null });
    for (const [n, id] of ids.entries()) {
      try {
        of.push(await previewFor(id, body));
      } catch (e) {
        if (turn.current === mine)
          setState({ of: [...of], running: null, fault: e instanceof Error ? e.message : "failed" });
        return;
      }
      if (turn.current !== mine) return;
      setState({ of: [...of], running: { done: n + 1, all: ids.length }, fault: null });
    }
    setState({ of, running: null, fault: null });
  };
  const stop = () => {
    turn.current++;
    setState(null);
  };
  return { state, ask, stop };
}
