/** The files of one import: each read in a worker of its own, so that one can be given up without the others. */
import { proxy, type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Mapping } from "../../formats/import/mapping";
import type { ReadOptions, RecordKind } from "../../formats/import/read";
import type { ImportRow } from "../../formats/import/rows";
import type { ImportWorker, TableFacts } from "../worker/import.worker";
import { recall, remember } from "./remember";

export interface ForeignEntry {
  key: number;
  name: string;
  state: "reading" | "read" | "refused";
  /** Share that is read, 0 to 1. */
  share: number;
  kind: "table" | RecordKind | null;
  fault: string | null;
  /** What another view reads, to be handed on. */
  strength: File | null;
  table: TableFacts | null;
  rows: ImportRow[];
}

/** Longest file that is handed to a worker at all, bytes; the reader's own limit is lower and says so better. */
const MOST_BYTES = 300 * 1024 * 1024;
/** Files that are read at the same time. */
const AT_ONCE = 2;
let nextKey = 1;

export function useFiles(options: ReadOptions) {
  const [files, setFiles] = useState<ForeignEntry[]>([]);
  const workers = useRef(new Map<number, { worker: Worker; remote: Remote<ImportWorker>; leave: () => void }>());
  useEffect(() => {
    const known = workers.current;
    return () => {
      for (const { worker } of known.values()) worker.terminate();
    };
  }, []);
  const waiting = useRef<{ key: number; file: File }[]>([]);
  const active = useRef(0);
  const put = (key: number, change: Partial<ForeignEntry>) =>
    setFiles((all) => all.map((f) => (f.key === key ? { ...f, ...change } : f)));

  const enter = (file: File) => {
    const key = nextKey++;
    const entry: ForeignEntry = {
      key,
      name: file.name,
      state: "reading",
      share: 0,
      kind: null,
      fault: null,
      strength: null,
      table: null,
      rows: [],
    };
    setFiles((all) => [...all, entry]);
    waiting.current.push({ key, file });
    next();
  };
  /** The next files in line, as many as are read at once. */
  const next = () => {
    while (active.current < AT_ONCE) {
      const job = waiting.current.shift();
      if (!job) return;
      active.current++;
      void read(job.key, job.file).finally(() => {
        active.current--;
        next();
      });
    }
  };
  const read = async (key: number, file: File) => {
    if (file.size > MOST_BYTES) {
      put(key, { state: "refused", fault: "The file is far too large. Export a shorter span of time." });
      return;
    }
    const worker = new Worker(new URL("../worker/import.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<ImportWorker>(worker);
    let leave = () => {};
    const gone = new Promise<null>((done) => {
      leave = () => done(null);
    });
    workers.current.set(key, { worker, remote, leave });
    try {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const answer = await Promise.race([
        remote.read(
          file.name,
          bytes,
          options,
          proxy((share: number) => put(key, { share })),
        ),
        gone,
      ]);
      if (answer === null) return;
      if (answer.ok) {
        const known = answer.table ? recall(answer.table.headings) : undefined;
        const table = answer.table && known ? { ...answer.table, mapping: known } : answer.table;
        const rows = known ? await remote.remap(known) : answer.rows;
        put(key, { state: "read", kind: answer.kind, table, rows, share: 1 });
      } else put(key, { state: "refused", fault: answer.fault, strength: answer.strength ? file : null });
      if (!answer.ok || !answer.table) stop(key);
    } catch (error) {
      put(key, {
        state: "refused",
        fault: `The file cannot be read: ${error instanceof Error ? error.message : "unknown fault"}.`,
      });
      stop(key);
    }
  };
  const stop = (key: number) => {
    waiting.current = waiting.current.filter((w) => w.key !== key);
    const known = workers.current.get(key);
    known?.worker.terminate();
    known?.leave();
    workers.current.delete(key);
  };
  return {
    files,
    add: (list: Iterable<File>) => {
      for (const file of list) enter(file);
    },
    /** Gives a file up, read or being read. */
    remove: (key: number) => {
      stop(key);
      setFiles((all) => all.filter((f) => f.key !== key));
    },
    remap: async (key: number, mapping: Mapping) => {
      const rows = await workers.current.get(key)?.remote.remap(mapping);
      const headings = files.find((f) => f.key === key)?.table?.headings;
      if (headings) remember(headings, mapping);
      setFiles((all) =>
        all.map((f) => (f.key === key && f.table && rows ? { ...f, table: { ...f.table, mapping }, rows } : f)),
      );
    },
    /** Lets the files go that were taken over; those that came in meanwhile stay. */
    clear: (keys: ReadonlySet<number>) => {
      for (const key of keys) stop(key);
      setFiles((all) => all.filter((f) => !keys.has(f.key)));
    },
  };
}
