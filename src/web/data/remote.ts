/** A worker that is loaded with facts and given up for another when they change. */
import { type Remote, wrap } from "comlink";

export interface Started<W> {
  remote: Remote<W>;
  /** The facts are loaded. */
  ready: Promise<unknown>;
  /** Ends with null when this worker is given up for another. */
  gone: Promise<null>;
  /** Gives the worker up. */
  end: () => void;
}

/** @param load what the worker is told first */
export function startWorker<W>(made: Worker, load: (remote: Remote<W>) => Promise<unknown>): Started<W> {
  const remote = wrap<W>(made);
  let leave: (gone: null) => void = () => undefined;
  const gone = new Promise<null>((done) => {
    leave = done;
  });
  return {
    remote,
    ready: load(remote),
    gone,
    end: () => {
      made.terminate();
      leave(null);
    },
  };
}
