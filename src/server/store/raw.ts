/** What is used of the driver's own connection. */
export interface RawDatabase {
  readonly inTransaction: boolean;
  exec(sql: string): unknown;
  function(name: string, work: () => number): unknown;
  pragma(sql: string, options?: { simple: boolean }): unknown;
  prepare(sql: string): {
    run(...values: unknown[]): { changes: number };
    get(...values: unknown[]): unknown;
    all(...values: unknown[]): unknown[];
  };
  backup(file: string, options?: { progress: (p: { remainingPages: number }) => number }): Promise<unknown>;
  close(): unknown;
}
