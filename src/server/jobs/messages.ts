/** What the server and its worker threads send each other. */
export interface WorkerSetup {
  /** The club's own file, or the address of a database server with many clubs. */
  source: { file: string; clubName: string } | { server: string };
  fixedToday: string | null;
  /** File of the kept answers and the exact version of the code; null where none are kept. */
  kept: { file: string; program: string } | null;
  /** A thread plans for nobody so long before it answers, ms; see `practise`. */
  practiseMs?: number;
}

/** The number of the first reply of a thread, to nothing that was asked: it is there. */
export const THERE = 0;

/** Which club a piece of work is about, where there are many. */
export interface ClubOfWork {
  id: string;
  name: string;
}

export type Reply =
  | { id: number; ok: true; value: unknown }
  | { id: number; ok: false; problem: unknown; message: string; stack: string | undefined; code: string | undefined };
