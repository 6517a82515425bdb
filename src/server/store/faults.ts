/** What the disk may say, and what is told to whoever waits for a write. */

/** A write that did not reach the disk. */
export class NotSaved extends Error {
  /**
   * @param status 507 where the disk is full, 503 for every other fault of the disk
   * @param code SQLite's or the operating system's name of the fault, such as "SQLITE_FULL"
   */
  constructor(
    readonly status: 503 | 507,
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** What keeps the club from being saved, for health and screens. */
export interface StorageFault {
  code: string;
  /** One sentence for the coach. */
  text: string;
  /** Since when, ISO 8601. */
  since: string;
}

const FULL = new Set(["SQLITE_FULL", "ENOSPC", "EDQUOT", "53100"]);
const OF_THE_DISK = /^(SQLITE_(IOERR|CANTOPEN|READONLY|CORRUPT|NOTADB|BUSY|LOCKED|NOMEM|PROTOCOL)|EIO$|EROFS$|EACCES$)/;

/** A database server that cannot be reached, stops, or has no room for another connection. */
const OF_THE_SERVER = /^(08|53|57P|58|25006$|40P01$|ECONN|EPIPE$|ETIMEDOUT$|EHOSTUNREACH$|ENOTFOUND$)/;
/** What the driver says without a code where a connection ends. */
const ENDED =
  /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error)/;

const codeOf = (error: unknown): string => {
  if (typeof error !== "object" || error === null) return "";
  const e = error as { code?: unknown; driverError?: unknown };
  if (typeof e.code === "string") return e.code;
  return e.driverError === undefined ? "" : codeOf(e.driverError);
};

/** @returns the fault of the disk that an error stands for; null where it is none */
export function notSavedOf(error: unknown): NotSaved | null {
  if (error instanceof NotSaved) return error;
  const code = codeOf(error);
  if (FULL.has(code))
    return new NotSaved(507, code, "Not saved: the disk is full. Free some space; what you entered is kept here.");
  if (OF_THE_DISK.test(code))
    return new NotSaved(
      503,
      code,
      `Not saved: the disk cannot be read or written (${code}). What you entered is kept here.`,
    );
  if (OF_THE_SERVER.test(code) || (code === "" && error instanceof Error && ENDED.test(error.message)))
    return new NotSaved(
      503,
      code || "ENDED",
      "Not saved: the database server cannot be reached. What you entered is kept here.",
    );
  return null;
}

/** A database that cannot be opened, with what to do about it. */
export class Unusable extends Error {}
