/** The list of routes as Express answers it: one way in for all of them. */
import { createHash } from "node:crypto";
import express, { type Express, type Request, type RequestHandler, type Response } from "express";
import { ipKeyGenerator, rateLimit } from "express-rate-limit";
import { NEED_OF } from "../../api/needs";
import type { Who } from "../../api/roles";
import { TAGS_HEADER, thingOf } from "../../api/things";
import type { Audit } from "../accounts/audit";
import { type Access, admit, fromOf, OPEN, visitorOf } from "../accounts/door";
import type { Context } from "../context";
import { faulty, gone, HttpProblem, notFound, parse } from "../errors";
import type { Jobs } from "../jobs/jobs";
import { loginName } from "../store/accounts";
import { IdempotencyEntity, type IdempotencyRow } from "../store/entities";
import type { Metrics } from "../watch/metrics";
import { bulkOf } from "./bulk";
import { readBody } from "./door";
import { type Answer, type Call, type Method, nameOf, type Params, type Route } from "./route";
import { keepAfterwards, Replayed, type Scope, sameRequest, sameState, within } from "./scope";
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
        new HttpProblem(
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
  access?: Access;
  /** Writes down who looked at whom. */
  audit?: Audit;
  guesses?: readonly RequestHandler[];
  metrics?: Metrics | null;
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

/** The character U+0000 as JSON writes it. */
const NUL = /(?<!\\)(?:\\\\)*\\u0000/;

const addressOf = (req: Request): string => req.originalUrl.replace(/^\/api(\/phone(?=\/))?/, "").split("?")[0] ?? "";

/** Tries of a password or a code that one address, or one name, has in a quarter of an hour; those that succeed are not counted. */
const TRIES = { address: 30, name: 10 };
const TRIED_MS = 900_000;
const GUESSED: readonly string[] = [
  "POST /session",
  "POST /session/recover",
  "POST /session/phone",
  "POST /session/passkey",
  "PUT /session/password",
];

const nameIn = (req: Request): string => {
  try {
    return loginName(
      String((readBody(Buffer.isBuffer(req.body) ? req.body.toString("utf8") : "") as { name?: unknown }).name ?? ""),
    );
  } catch {
    return "";
  }
};

/** Whoever guesses passwords is turned away for a while: by address and by name. */
export const guessLimits = (most = TRIES): RequestHandler[] =>
  (["address", "name"] as const).map((by) =>
    rateLimit({
      windowMs: TRIED_MS,
      limit: most[by],
      standardHeaders: "draft-8",
      legacyHeaders: false,
      skipSuccessfulRequests: true,
      // A code or a passkey names nobody: tries with them are counted by address alone, or one guesser shuts out all.
      skip: (req) => by === "name" && nameIn(req) === "",
      keyGenerator: (req) => (by === "name" ? nameIn(req) : ipKeyGenerator(req.ip ?? "")),
      handler: (_req, _res, next) =>
        next(
          new HttpProblem(429, "Too many tries", "Nothing was done: too many tries. Wait a quarter of an hour.", [
            { path: "(request)", expected: "fewer tries expected" },
          ]),
        ),
    }),
  );

/** Under which key the answer of a request that creates is kept. */
function idempotencyOf(route: Route, req: Request, raw: Buffer, account: string | null): Scope["idempotency"] {
  const key = req.headers["idempotency-key"];
  if (route.method !== "POST" || key === undefined) return null;
  if (typeof key !== "string" || !KEY.test(key))
    throw new HttpProblem(400, "Bad request", "Nothing was stored: the Idempotency-Key cannot be used.", [
      { path: "Idempotency-Key", expected: "8 to 128 plain characters without spaces expected" },
    ]);
  const request = createHash("sha256")
    // Nobody is given another's answer.
    .update(`POST ${addressOf(req)}\n${account ? `${account}\n` : ""}`)
    .update(raw)
    .digest("hex");
  return { key, request };
}

/** What a change is about and from which state it was made. @param body as the thing's own state would be said */
function thingIn(route: Route, req: Request, body: unknown): Scope["thing"] {
  if (route.method !== "PUT" && route.method !== "DELETE") return null;
  const key = thingOf(addressOf(req), body);
  return key === null ? null : { key, seen: req.headers["if-match"]?.replace(/^(W\/)?"|"$/g, "") ?? null };
}

const replay = (row: IdempotencyRow): Answer => ({
  status: row.status,
  headers: { "Idempotency-Replayed": "true" },
  ...(row.answer === "" ? {} : { type: "application/json", body: row.answer }),
});

/** What the handler is told. @throws HttpProblem where whoever asks may not, the body is not as expected, or the athlete was erased */
async function callOf(mounted: Mounted, route: Route, req: Request, raw: Buffer): Promise<Call<unknown>> {
  const { ctx } = mounted;
  const params = { ...(req.params as unknown as Params) };
  // A character that no name has, and that a database server takes nowhere.
  if (Object.values({ ...params, ...queryOf(req) }).some((v) => v.includes("\0"))) throw notFound("address");
  const from = fromOf(req);
  const visitor = await visitorOf(ctx.store, mounted.access ?? OPEN, from);
  const athlete = route.path.startsWith("/athletes/:id") ? params.id : null;
  // A phone lost its account with its athlete: it is told, so that it lets go of what it has.
  if (from.phone && !visitor.who && athlete !== null) {
    const at = await ctx.store.athletes.erasedAt(athlete);
    if (at !== null) throw gone(at);
  }
  admit(route, visitor, athlete);
  await mounted.audit?.note(NEED_OF.get(nameOf(route)), visitor, athlete, route.changes);
  const asks = {
    who: plainWho(visitor.who),
    account: visitor.account?.id ?? null,
    ...(/^\/session|\/phone\/devices/.test(route.path) ? { from: { ...from, visitor } } : {}),
  };
  if (route.path.startsWith("/athletes/:id")) {
    const at = await ctx.store.athletes.erasedAt(params.id);
    if (at !== null) throw gone(at);
  }
  const text = raw.toString("utf8");
  // What is read in bulk is parsed elsewhere; else a schema may say better where it stands.
  const body = route.bulk || route.method === "GET" ? undefined : readBody(text);
  const known = route.body && !route.bulk ? parse(route.body.schema, body, route.body.what) : undefined;
  if (NUL.test(text))
    throw faulty([{ path: "(body)", expected: "text without the character U+0000 expected" }], "What was sent");
  return { params, query: queryOf(req), body: route.bulk ? text : known, ...asks };
}

/** Role and athletes alone, as they go to worker threads. */
const plainWho = (who: Who | null): Who =>
  who ? { role: who.role, athletes: who.athletes } : { role: "athlete", athletes: [] };

/** A change: made once for its key, from the state that was seen. */
async function changed(
  mounted: Mounted,
  route: Route,
  req: Request,
  raw: Buffer,
  call: Call<unknown>,
): Promise<Answer> {
  const { ctx, jobs } = mounted;
  // Answers that hold a code are kept nowhere.
  const idempotency = /^\/(session|accounts)|\/(invitations|calendar-address)$/.test(route.path)
    ? null
    : idempotencyOf(route, req, raw, call.account);
  if (idempotency) {
    const row = await ctx.store.db.reader.findOneBy(IdempotencyEntity, { key: idempotency.key });
    if (row) return replay(sameRequest(row, idempotency.request));
  }
  // Once asked for, a change is made, whether or not whoever asked still waits.
  const prepared = route.prepare ? await jobs.ask({ kind: "prepare", route: nameOf(route), call }) : undefined;
  // A body in bulk is known once it is parsed.
  const body = route.bulk ? prepared : call.body;
  await noteBulk(mounted, route, req, call, body);
  const scope: Scope = {
    thing: thingIn(route, req, body),
    body: route.method === "DELETE" ? null : body,
    idempotency,
    answer: null,
    tag: null,
    kept: false,
  };
  // Told before anything is begun; the transaction of the change asks once more.
  await sameState(ctx.store.db.reader, ctx.store, scope);
  try {
    const answer = await within(scope, async () => route.handle(call, prepared));
    await keepAfterwards(ctx.store, scope, answer, route.path.startsWith("/athletes/:id") ? call.params.id : null);
    return scope.tag === null ? answer : { ...answer, headers: { ...answer.headers, ETag: `"${scope.tag}"` } };
  } catch (error) {
    if (error instanceof Replayed) return replay(error.row);
    throw error;
  }
}

/** A view; given up where nobody waits for it any more. */
async function read(
  { ctx, jobs }: Mounted,
  route: Route,
  req: Request,
  res: Response,
  call: Call<unknown>,
): Promise<Answer> {
  const leaving = new AbortController();
  res.on("close", () => leaving.abort());
  const { signal } = leaving;
  const tagged = req.headers[TAGS_HEADER] !== undefined;
  if (route.inPool)
    return (await jobs.ask({ kind: "handle", route: nameOf(route), call, tagged }, { signal })) as Answer;
  const prepared = route.prepare
    ? await jobs.ask({ kind: "prepare", route: nameOf(route), call }, { signal })
    : undefined;
  const answer = await route.handle(call, prepared);
  return tagged ? withTags(ctx, route, call, answer) : answer;
}

/** Each athlete of a request for many is noted as in a request of their own. */
async function noteBulk(
  { audit, ctx, access }: Mounted,
  route: Route,
  req: Request,
  { params, who }: Call<unknown>,
  body: unknown,
): Promise<void> {
  if (!audit) return;
  const { need, ids } = await bulkOf(route, { params, who, body }, ctx.store);
  if (ids.length === 0) return;
  const visitor = await visitorOf(ctx.store, access ?? OPEN, fromOf(req));
  for (const id of ids) await audit.note(need, visitor, id, route.changes);
}

const runner =
  (mounted: Mounted, route: Route) =>
  async (req: Request, res: Response): Promise<void> => {
    const raw: Buffer = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
    // What a worker thread answers it reads itself, as of its own moment; and nobody holds a connection while others work.
    const kind = route.changes || route.inPool || route.prepare || route.waits ? "change" : "view";
    const answer = await mounted.ctx.store.request(kind, async () => {
      const call = await callOf(mounted, route, req, raw);
      if (route.changes) return changed(mounted, route, req, raw, call);
      await noteBulk(mounted, route, req, call, undefined);
      return read(mounted, route, req, res, call);
    });
    send(res, answer);
  };

const measured =
  (metrics: Metrics | null, route: string): RequestHandler =>
  (_req, res, next) => {
    const begin = performance.now();
    if (metrics) res.on("finish", () => metrics.request(route, res.statusCode, (performance.now() - begin) / 1000));
    next();
  };

/** Puts every route of the list under /api; any other method of a known address is told which ones there are. */
export function mount(app: Express, mounted: Mounted): void {
  const limit = mounted.limit ?? limiter();
  const guesses = mounted.guesses ?? guessLimits();
  const byPath = grouped(mounted.routes);
  for (const [path, routes] of byPath) {
    const at = app.route(`/api${path}`);
    for (const route of routes) {
      const run = runner(mounted, route);
      const raw = express.raw({ type: () => true, limit: route.limit ?? USUAL_LIMIT });
      const steps: RequestHandler[] = [
        measured(mounted.metrics ?? null, nameOf(route)),
        ...(route.expensive ? [limit] : []),
        ...(route.method === "GET" ? [] : [raw]),
        ...(GUESSED.includes(nameOf(route)) ? guesses : []),
        (req, res, next) => void run(req, res).catch((error) => (res.destroyed ? undefined : next(error))),
      ];
      at[route.method.toLowerCase() as Lowercase<Method>](...steps);
    }
    const allowed = routes.map((r) => r.method).join(", ");
    at.all((_req, res, next) => {
      res.setHeader("Allow", allowed);
      next(
        new HttpProblem(405, "Not that way", `Nothing was done: this address takes ${allowed}.`, [
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
