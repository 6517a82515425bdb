/** The list of routes as Express answers it: one way in for all of them. */
import { createHash } from "node:crypto";
import express, { type Express, type Request, type RequestHandler, type Response } from "express";
import { rateLimit } from "express-rate-limit";
import { TAGS_HEADER, thingOf } from "../../api/things";
import type { Context } from "../context";
import { gone, ProblemError, parse } from "../errors";
import type { Jobs } from "../jobs/jobs";
import { IdempotencyEntity } from "../store/entities";
import { readBody } from "./door";
import { type Answer, type Call, type Method, nameOf, type Params, type Route } from "./route";
import { Replayed, type Scope, sameRequest, within } from "./scope";
import { withTags } from "./tagged";

const USUAL_LIMIT = 2_000_000;
/** Requests for long work that one address of the network may send a minute. */
const EXPENSIVE_A_MINUTE = 120;

const LOOPBACK = new Set(["127.0.0.1", "::1", "::ffff:127.0.0.1"]);

/** Too many requests for long work from one address are turned away for a while; this machine's own are not counted. */
export const limiter = (most = EXPENSIVE_A_MINUTE, isOwn = (ip: string) => LOOPBACK.has(ip)): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: most,
    standardHeaders: "draft-8",
    legacyHeaders: false,
    skip: (req) => isOwn(req.ip ?? ""),
    handler: (_req, _res, next) =>
      next(
        new ProblemError(
          429,
          "Too many requests",
          "Nothing was done: too much was asked for within a minute. Try again shortly.",
          [{ path: "(request)", expected: `at most ${most} requests of this kind a minute expected` }],
        ),
      ),
  });

const queryOf = (req: Request): Record<string, string> =>
  Object.fromEntries(Object.entries(req.query).flatMap(([k, v]) => (typeof v === "string" ? [[k, v]] : [])));

export interface Mounted {
  ctx: Context;
  jobs: Jobs;
  routes: readonly Route[];
  limit?: RequestHandler;
}

function send(res: Response, answer: Answer): void {
  for (const [name, value] of Object.entries(answer.headers ?? {})) res.setHeader(name, value);
  res.status(answer.status);
  if (answer.body === undefined) {
    res.end();
    return;
  }
  if (answer.type)
    res.setHeader("Content-Type", answer.type.includes("json") ? `${answer.type}; charset=utf-8` : answer.type);
  res.end(
    typeof answer.body === "string"
      ? answer.body
      : Buffer.from(answer.body.buffer, answer.body.byteOffset, answer.body.byteLength),
  );
}

const KEY = /^[\x21-\x7e]{8,128}$/;

function scopeOf(route: Route, req: Request, raw: Buffer, call: Call<unknown>): Scope {
  const path = req.originalUrl.replace(/^\/api/, "").split("?")[0] ?? "";
  const key = req.headers["idempotency-key"];
  if (route.method === "POST" && key !== undefined && !(typeof key === "string" && KEY.test(key)))
    throw new ProblemError(400, "Bad request", "Nothing was stored: the Idempotency-Key cannot be used.", [
      { path: "Idempotency-Key", expected: "8 to 128 plain characters without spaces expected" },
    ]);
  const seen = req.headers["if-match"]?.replace(/^"|"$/g, "") ?? null;
  const name = route.method === "PUT" || route.method === "DELETE" ? thingOf(path, call.body) : null;
  return {
    thing: name === null ? null : { key: name, seen },
    body: route.method === "DELETE" ? null : call.body,
    idempotency:
      route.method === "POST" && typeof key === "string"
        ? { key, request: createHash("sha256").update(`${route.method} ${path}\n`).update(raw).digest("hex") }
        : null,
    answer: null,
    tag: null,
    written: false,
  };
}

const replay = ({ row }: Replayed): Answer => ({
  status: row.status,
  headers: { "Idempotency-Replayed": "true" },
  ...(row.answer === "" ? {} : { type: "application/json", body: row.answer }),
});

function runner({ ctx, jobs }: Mounted, route: Route) {
  const name = nameOf(route);
  return async (req: Request, res: Response): Promise<void> => {
    const raw: Buffer = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
    const call: Call<unknown> = {
      params: { ...(req.params as unknown as Params) },
      query: queryOf(req),
      body: undefined,
    };
    const { id } = call.params;
    if (route.path.startsWith("/athletes/:id") && id !== undefined) {
      const at = await ctx.store.athletes.erasedAt(id);
      if (at !== null) throw gone(at);
    }
    if (route.bulk) call.body = raw.toString("utf8");
    else if (route.method !== "GET") {
      const body = readBody(raw.toString("utf8"));
      if (route.body) call.body = parse(route.body.schema, body, route.body.what);
    }
    const leaving = new AbortController();
    res.on("close", () => {
      if (!res.writableEnded) leaving.abort();
    });
    const tagged = req.headers[TAGS_HEADER] !== undefined;
    if (route.inPool) {
      send(res, (await jobs.ask({ kind: "handle", route: name, call, tagged }, { signal: leaving.signal })) as Answer);
      return;
    }
    const scope = scopeOf(route, req, raw, call);
    if (scope.idempotency) {
      const row = await ctx.store.db.reader.findOneBy(IdempotencyEntity, { key: scope.idempotency.key });
      if (row) return send(res, replay(new Replayed(sameRequest(row, scope.idempotency.request))));
    }
    const prepared = route.prepare
      ? await jobs.ask({ kind: "prepare", route: name, call }, { signal: leaving.signal })
      : undefined;
    // A body in bulk is known once it is parsed.
    if (route.bulk && scope.thing === null) {
      const key = route.method === "PUT" ? thingOf(req.originalUrl.replace(/^\/api/, ""), prepared) : null;
      if (key) {
        scope.thing = { key, seen: req.headers["if-match"]?.replace(/^"|"$/g, "") ?? null };
        scope.body = prepared;
      }
    }
    try {
      const answer = await within(scope, async () => route.handle(call, prepared));
      if (scope.tag !== null) res.setHeader("ETag", `"${scope.tag}"`);
      send(res, tagged && !route.changes ? await withTags(ctx, route, call, answer) : answer);
    } catch (error) {
      if (!(error instanceof Replayed)) throw error;
      send(res, replay(error));
    }
  };
}

/** Puts every route of the list under /api; any other method of a known address is told which ones there are. */
export function mount(app: Express, mounted: Mounted): void {
  const limit = mounted.limit ?? limiter();
  const byPath = grouped(mounted.routes);
  for (const [path, routes] of byPath) {
    const at = app.route(`/api${path}`);
    for (const route of routes) {
      const raw = express.raw({ type: () => true, limit: route.limit ?? USUAL_LIMIT });
      const steps: RequestHandler[] = [
        ...(route.expensive ? [limit] : []),
        ...(route.method === "GET" ? [] : [raw]),
        (req, res, next) => void runner(mounted, route)(req, res).catch(next),
      ];
      at[route.method.toLowerCase() as Lowercase<Method>](...steps);
    }
    const allowed = routes.map((r) => r.method).join(", ");
    at.all((_req, res, next) => {
      res.setHeader("Allow", allowed);
      next(
        new ProblemError(405, "Not that way", `Nothing was done: this address takes ${allowed}.`, [
          { path: "(method)", expected: `${allowed} expected` },
        ]),
      );
    });
  }
}

function grouped(routes: readonly Route[]): Map<string, Route[]> {
  const out = new Map<string, Route[]>();
  for (const r of routes) out.set(r.path, [...(out.get(r.path) ?? []), r]);
  return out;
}
