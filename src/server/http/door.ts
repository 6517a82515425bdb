/** What every request is asked before anything is done with it: for whom it is meant, where it comes from, what it carries. */
import type { NextFunction, Request, RequestHandler, Response } from "express";
import { HttpProblem } from "../errors";

const refuse = (status: number, title: string, detail: string, path: string, expected: string): HttpProblem =>
  new HttpProblem(status, title, `Nothing was done: ${detail}`, [{ path, expected }]);

/** Name of a host without its port; "" where it makes no sense. */
export function hostName(header: string | undefined): string {
  if (!header) return "";
  const bracketed = /^(\[[0-9a-f:.]+\])(?::\d{1,5})?$/i.exec(header);
  if (bracketed) return (bracketed[1] ?? "").toLowerCase();
  return (/^([a-z0-9._-]+)(?::\d{1,5})?$/i.exec(header)?.[1] ?? "").toLowerCase();
}

/** Only names from a list are answered to, so that no other site's name can be pointed here (DNS rebinding). */
export const knownHost =
  (hosts: readonly string[]): RequestHandler =>
  (req, _res, next) => {
    if (hosts.includes(hostName(req.headers.host))) next();
    else
      next(
        refuse(
          421,
          "Not here",
          "this server does not answer to that name. FIELD_ANCHOR_HOSTS lists the names it answers to.",
          "Host",
          `one of ${hosts.join(", ")} expected`,
        ),
      );
  };

const CHANGING = new Set(["POST", "PUT", "PATCH", "DELETE"]);

/** A page of another site may not change anything, nor ask for work. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  if (!CHANGING.has(req.method)) return next();
  const site = req.headers["sec-fetch-site"];
  const { origin } = req.headers;
  const foreign =
    (site !== undefined && site !== "same-origin" && site !== "none") ||
    (origin !== undefined && !originIs(origin, req));
  next(
    foreign
      ? refuse(
          403,
          "From another site",
          "it was asked for by a page of another site.",
          "Origin",
          "a page of this application expected",
        )
      : undefined,
  );
};

function originIs(origin: string, req: Request): boolean {
  try {
    return new URL(origin).host.toLowerCase() === (req.headers.host ?? "").toLowerCase();
  } catch {
    return false;
  }
}

/** Bodies are JSON and nothing else: a plain form of another site can send none. */
export const jsonOnly: RequestHandler = (req, _res, next) => {
  if (!CHANGING.has(req.method)) return next();
  const type = req.headers["content-type"];
  const carries = Number(req.headers["content-length"] ?? 0) > 0 || req.headers["transfer-encoding"] !== undefined;
  const isJson = type !== undefined && /^application\/json\s*(;|$)/i.test(type);
  next(
    (carries || type !== undefined) && !isJson
      ? refuse(
          415,
          "Not JSON",
          "only JSON is taken.",
          "Content-Type",
          `application/json expected${type ? `, found "${type.slice(0, 60)}"` : ""}`,
        )
      : undefined,
  );
};

export const noStore = (_req: Request, res: Response, next: NextFunction): void => {
  res.setHeader("Cache-Control", "no-store");
  next();
};

/** Brackets inside one another that a body may have; the deepest that is asked for has eight. */
export const DEEPEST = 64;

/** @returns whether a text of JSON nests deeper than any body may */
export function tooDeep(text: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 91 || c === 123) {
      if (++depth > DEEPEST) return true;
    } else if (c === 93 || c === 125) depth--;
  }
  return false;
}

/** A body's JSON as a value. @throws HttpProblem where it is none, or nests too deep */
export function readBody(text: string): unknown {
  if (text.trim() === "") return {};
  if (tooDeep(text))
    throw refuse(
      400,
      "Bad request",
      "it nests too deep.",
      "(body)",
      `at most ${DEEPEST} lists and objects inside one another expected`,
    );
  try {
    return JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message.replace(/[^ -~]/g, "?").slice(0, 80) : "";
    throw new HttpProblem(400, "Bad request", `Nothing was stored: it is no JSON (${why}).`, [
      { path: "(body)", expected: "JSON expected" },
    ]);
  }
}
