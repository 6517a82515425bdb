/** Errors over HTTP are problem details (RFC 9457) with the path of each fault. */
import type { Fault } from "../formats/fault";

/** What two people changed at once: shown side by side before anything is overwritten. */
export interface Conflict {
  /** What was sent, and what stands there now; null where there is nothing any more. */
  yours: unknown;
  theirs: unknown;
  /** Names the state that stands there now, for sending again. */
  tag: string;
}

export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  faults: Fault[];
  /** With 412 alone. */
  conflict?: Conflict;
}

export const PROBLEM_TYPE = "application/problem+json";
