import type { ErrorRequestHandler } from "express";
import type { Logger } from "pino";
import type { z } from "zod";
import { PROBLEM_TYPE, type Problem } from "../api/problem";
import { type Fault, faultsOf } from "../formats/fault";

/** An error the caller can act on: becomes problem details. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly faults: Fault[] = [],
  ) {
    super(detail);
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, "Not found", `There is no such ${what}.`);

export const faulty = (faults: Fault[], what: string): ProblemError =>
  new ProblemError(
    422,
    "Not accepted",
    `${what} was not stored: ${faults.length === 1 ? "one thing is" : `${faults.length} things are`} not as expected.`,
    faults,
  );

/** Parses a body, or throws with the path of each fault. */
export function parse<T>(schema: z.ZodType<T>, body: unknown, what: string): T {
  const result = schema.safeParse(body);
  if (!result.success) throw faulty(faultsOf(result.error, body), what);
  return result.data;
}

const hasStatus = (e: unknown): e is { status: number; message: string; type?: string } =>
  typeof e === "object" && e !== null && "status" in e;

function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError)
    return {
      type: "about:blank",
      title: error.title,
      status: error.status,
      detail: error.message,
      faults: error.faults,
    };
  if (hasStatus(error) && error.status === 413)
    return {
      type: "about:blank",
      title: "Too large",
      status: 413,
      detail: "Nothing was stored: what was sent is larger than the server takes at once.",
      faults: [],
    };
  if (hasStatus(error) && error.status >= 400 && error.status < 500)
    return {
      type: "about:blank",
      title: "Bad request",
      status: error.status,
      detail: `Nothing was stored: ${error.message}.`,
      faults: [{ path: "(body)", expected: "JSON expected" }],
    };
  return {
    type: "about:blank",
    title: "Server error",
    status: 500,
    detail: "Something went wrong on our side. Nothing was stored by this request.",
    faults: [],
  };
}

/** Last handler: everything thrown becomes problem details, and only the unexpected is logged as an error. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, req, res, _next) => {
    const problem = problemOf(error);
    if (problem.status >= 500) log.error({ err: error, path: req.path }, "request failed");
    res.status(problem.status).type(PROBLEM_TYPE).send(JSON.stringify(problem));
  };
