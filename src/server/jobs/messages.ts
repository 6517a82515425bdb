/** What the server and its worker threads send each other. */
export interface WorkerSetup {
  file: string;
  fixedToday: string | null;
  clubName: string;
  /** File of the kept answers and the exact version of the code; null where none are kept. */
  kept: { file: string; program: string } | null;
}

export type Reply =
  | { id: number; ok: true; value: unknown }
  | { id: number; ok: false; problem: unknown; message: string; stack: string | undefined; code: string | undefined };
