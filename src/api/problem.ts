/** Errors over HTTP are problem details (RFC 9457) with the path of each fault. */
import type { Fault } from "../formats/fault";

export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  faults: Fault[];
}

export const PROBLEM_TYPE = "application/problem+json";
