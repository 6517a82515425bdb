/** The simulated training log as a small HTTP server of its own, with the faults of a real one: slow, busy, broken, cut off. */
import { createServer, type Server, type ServerResponse } from "node:http";
import type { IsoDate } from "../../core/dates";
import { random } from "../random";
import { type Account, logOf } from "./world";

/** Shares of requests that go wrong, and how long one hangs, ms. */
export interface Faults {
  error: number;
  busy: number;
  cut: number;
  hang: number;
  hangMs: number;
}

export const USUAL_FAULTS: Faults = { error: 0.06, busy: 0.03, cut: 0.03, hang: 0.03, hangMs: 8000 };
export const NO_FAULTS: Faults = { error: 0, busy: 0, cut: 0, hang: 0, hangMs: 0 };
const PAGE = 20;

export interface FeedOptions {
  accounts: readonly Account[];
  /** First simulated day. */
  from: IsoDate;
  /** The log's own day. */
  today: () => IsoDate;
  faults: Faults;
  seed: number;
}

/** GET /accounts; GET /accounts/NAME/activities?after=CURSOR answers { items, next, more }. */
export function feedServer(o: FeedOptions): Server {
  const chance = random(o.seed);
  const json = (res: ServerResponse, status: number, body: unknown) => {
    res.writeHead(status, { "Content-Type": "application/json" });
    res.end(JSON.stringify(body));
  };
  return createServer((req, res) => {
    const url = new URL(req.url ?? "/", "http://feed");
    if (url.pathname === "/accounts") return json(res, 200, { accounts: o.accounts.map((a) => a.account) });
    const name = /^\/accounts\/([^/]+)\/activities$/.exec(url.pathname)?.[1];
    const account = o.accounts.find((a) => a.account === decodeURIComponent(name ?? ""));
    if (!account) return json(res, 404, { error: "There is no such account." });
    const after = Number(url.searchParams.get("after") ?? 0);
    if (!Number.isInteger(after) || after < 0) return json(res, 400, { error: "after: a whole number expected" });

    const roll = chance.next();
    const { error, busy, cut, hang } = o.faults;
    if (roll < error) return json(res, 500, { error: "The log is not itself today." });
    if (roll < error + busy) {
      res.setHeader("Retry-After", "1");
      return json(res, 429, { error: "Too many requests." });
    }
    const log = logOf(account, o.from, o.today());
    const items = log.slice(after, after + PAGE).map((e) => e.activity);
    const next = after + items.length;
    const body = JSON.stringify({ items, next, more: next < log.length });
    if (roll < error + busy + cut) {
      res.writeHead(200, { "Content-Type": "application/json" });
      return res.end(body.slice(0, Math.floor(body.length * 0.6)));
    }
    const send = () => {
      if (res.destroyed) return;
      res.writeHead(200, { "Content-Type": "application/json" });
      res.end(body);
    };
    if (roll < error + busy + cut + hang) setTimeout(send, o.faults.hangMs).unref();
    else send();
  });
}
