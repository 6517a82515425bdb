/** What the store asks of a database, whichever it is: a file of the club's own, or one of many clubs on a database server. */
import type { EntityManager } from "typeorm";
import type { StorageFault } from "./faults";

/** Called inside the transaction of a write, before the work and after it. */
export interface WriteHook {
  before: (m: EntityManager) => Promise<void>;
  /** Not called where the work changed no row. */
  after: (m: EntityManager) => Promise<void>;
}

export interface Database {
  /** Reads what is committed. */
  readonly reader: EntityManager;
  /** Differs with every write that changed a row. */
  readonly version: number | string;
  /** Why nothing can be saved at the moment; null while all is well. */
  readonly fault: StorageFault | null;
  /** @param hook what is asked for the request that a write belongs to */
  hookWrites(hook: () => WriteHook | null): void;
  /**
   * All that one request reads. A view is read as of one moment; a change reads what is committed, its own writes, too.
   */
  reading<T>(kind: "view" | "change", work: () => Promise<T>): Promise<T>;
  /**
   * One transaction; the writes of a club stand in one line.
   * @returns what `work` returns, once it is on the disk
   * @throws NotSaved where it did not get there; nothing of it is stored then
   */
  write<T>(work: (m: EntityManager) => Promise<T>): Promise<T>;
  /** The same for what a request writes beside its own change: nothing that the request says of itself is asked of it. */
  writeAside<T>(work: (m: EntityManager) => Promise<T>): Promise<T>;
  /** Has the rows that an edit changes written down, inside the transaction of a write, for `remember`. */
  watched<T>(m: EntityManager, work: () => Promise<T>): Promise<T>;
  /** Differs once anybody has changed what is kept in memory of the club: its rules, library and approaches. */
  seen(): Promise<string>;
  /** Tries the disk again where it failed, so that health turns well again without a change by anybody. */
  probe(): Promise<StorageFault | null>;
  /** @param told of each write and how it ended */
  onWrite(told: (outcome: "stored" | "not saved") => void): void;
  /** Moves what is committed to where it is kept for good, as far as nobody reads it. */
  checkpoint(): void;
  close(): Promise<void>;
}
