/** The spreadsheet that is open: read in a worker, which is ended with the view or with another file. */
import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { LiftMapping } from "../../formats/import/lifts/columns";
import type { SheetFacts, SheetWorker } from "../worker/sheet.worker";

export type SheetState =
  | { state: "none" }
  | { state: "reading"; name: string }
  | { state: "refused"; name: string; fault: string }
  | { state: "read"; name: string; sheet: SheetFacts };

export function useSheet(o: { massUnit: "kg" | "lb"; today: string }) {
  const [state, setState] = useState<SheetState>({ state: "none" });
  const open = useRef<{ worker: Worker; remote: Remote<SheetWorker> } | null>(null);
  const end = () => {
    open.current?.worker.terminate();
    open.current = null;
  };
  useEffect(() => end, []);
  const read = async (file: File) => {
    end();
    setState({ state: "reading", name: file.name });
    const worker = new Worker(new URL("../worker/sheet.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<SheetWorker>(worker);
    open.current = { worker, remote };
    try {
      const answer = await remote.read(new Uint8Array(await file.arrayBuffer()), o);
      if (open.current?.worker !== worker) return;
      setState(
        answer.ok
          ? { state: "read", name: file.name, sheet: answer.sheet }
          : { state: "refused", name: file.name, fault: answer.fault },
      );
    } catch (error) {
      if (open.current?.worker !== worker) return;
      const why = error instanceof Error ? error.message : "unknown fault";
      setState({ state: "refused", name: file.name, fault: `The file cannot be read: ${why}.` });
    }
  };
  return {
    state,
    read,
    remap: async (mapping: LiftMapping) => {
      const rows = await open.current?.remote.remap(mapping, o.today);
      if (rows) setState((s) => (s.state === "read" ? { ...s, sheet: { ...s.sheet, mapping, rows } } : s));
    },
    /** Gives the file up, read or being read. */
    close: () => {
      end();
      setState({ state: "none" });
    },
  };
}
