import type { ErrorRequestHandler } from "express";
import type { Logger } from "pino";
import type { z } from "zod";
import { type Conflict, PROBLEM_TYPE, type Problem } from "../api/problem";
import { type Fault, faultsOf } from "../formats/fault";
import { notSavedOf } from "./store/faults";

/** An error the caller can act on: becomes problem details. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly faults: Fault[] = [],
    readonly conflict?: Conflict,
  ) {
    super(detail);
  }

  get problem(): Problem {
    return {
      type: "about:blank",
      title: this.title,
      status: this.status,
      detail: this.message,
      faults: this.faults,
      ...(this.conflict ? { conflict: this.conflict } : {}),
    };
  }

  /** @param value a problem that came from another thread */
  static from(value: unknown): HttpProblem {
    const p = value as Problem;
    return new HttpProblem(p.status, p.title, p.detail, p.faults, p.conflict);
  }
}

export const notFound = (what: string): HttpProblem => new HttpProblem(404, "Not found", `There is no such ${what}.`);

/** Of an athlete who was erased: whoever still has something of them is to let it go. */
export const gone = (at: string): HttpProblem =>
  new HttpProblem(410, "Erased", `This athlete was erased on ${at.slice(0, 10)}.`);

export const faulty = (faults: Fault[], what: string): HttpProblem =>
  new HttpProblem(
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

const TITLES: Record<number, string> = { 503: "Not saved", 507: "Disk full" };

export function problemOf(error: unknown): Problem {
  if (error instanceof HttpProblem) return error.problem;
  const notSaved = notSavedOf(error);
  if (notSaved)
    return {
      type: "about:blank",
      title: TITLES[notSaved.status] ?? "Not saved",
      status: notSaved.status,
      detail: notSaved.message,
      faults: [],
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

/**
 * What of an error may stand in a log: its kind, its code and where it was thrown. What was asked for and stored may hold a name or a
 * complaint and stays out.
 */
export function loggable(error: unknown): { kind: string; code?: string; at: string[] } {
  if (!(error instanceof Error)) return { kind: typeof error, at: [] };
  const { code } = error as { code?: unknown };
  return {
    kind: error.name,
    ...(typeof code === "string" ? { code } : {}),
    at: (error.stack ?? "")
      .split("\n")
      .filter((l) => /^\s+at /.test(l))
      .slice(0, 12)
      .map((l) => l.trim()),
  };
}

/** Last handler: everything thrown becomes problem details, and only the unexpected is logged as an error. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, req, res, _next) => {
    const problem = problemOf(error);
    if (problem.status >= 500)
      log.error({ error: loggable(error), path: req.path, id: res.locals.requestId }, "request failed");
    if (!res.headersSent) res.status(problem.status).type(PROBLEM_TYPE).send(JSON.stringify(problem));
  };
