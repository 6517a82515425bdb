/** Who asks: told from the browser's token, or from how the server was started. */
import { parseCookie, stringifySetCookie } from "cookie";
import type { Request, RequestHandler } from "express";
import type { DeviceView } from "../../api/accountViews";
import { NEED_OF, NEED_WORDS } from "../../api/needs";
import { may, NOBODY_ASKED } from "../../api/roles";
import { ROLE_WORDS } from "../../api/roleWords";
import { HttpProblem, notFound } from "../errors";
import { type From, nameOf, type Route, type Visitor } from "../http/route";
import type { AccountSessionRow } from "../store/entities";
import type { Store } from "../store/store";
import { sha256 } from "./secrets";

/** How the server was started: nobody is asked, or everybody is, but for a club whose first visitor chose otherwise. */
export interface Access {
  mode: "open" | "asked";
  /** Only this machine reaches the server. */
  loopback: boolean;
  /** Over TLS, its own or a proxy's: cookies go over nothing else. */
  secure: boolean;
}

export const OPEN: Access = { mode: "open", loopback: true, secure: false };

const COOKIE = "field-anchor-session";
/** A phone's own: it goes with its requests alone, so that a browser that shows both stays signed in as whoever sits there. */
const PHONE = { cookie: "field-anchor-phone", path: "/api/phone", days: 400 };

const phones = new WeakSet<object>();

/** Requests of phones stand under an address of their own and are answered as all others. */
export const phoneRequests: RequestHandler = (req, _res, next) => {
  if (req.url.startsWith(`${PHONE.path}/`)) {
    phones.add(req);
    req.url = `/api${req.url.slice(PHONE.path.length)}`;
  }
  next();
};
const HERE = new Set(["127.0.0.1", "::1", "::ffff:127.0.0.1"]);

export const fromOf = (req: Request): Omit<From, "visitor"> => ({
  token: parseCookie(req.headers.cookie ?? "")[phones.has(req) ? PHONE.cookie : COOKIE] ?? null,
  phone: phones.has(req),
  origin: req.headers.origin ?? null,
  device: deviceOf(req.headers["user-agent"] ?? ""),
  here: HERE.has(req.socket.remoteAddress ?? "") && req.headers["x-forwarded-for"] === undefined,
});

/** A few words of what a browser says of itself. */
export function deviceOf(agent: string): string {
  const system = /iPhone|iPad|Android|Windows|Macintosh|Linux/.exec(agent)?.[0] ?? "unknown device";
  const browser = /Firefox|Edg|Chrome|Safari/.exec(agent)?.[0] ?? "";
  return browser ? `${browser === "Edg" ? "Edge" : browser}, ${system}` : system;
}

/** A browser or a phone as it is listed. @param token of whoever asks, so that they find themselves */
export const deviceView = (
  { id, device, madeAt, seenAt }: AccountSessionRow,
  token: string | null | undefined,
): DeviceView => ({ id, device, madeAt, seenAt, now: token ? id === sha256(token) : false });

/** @param token null takes it back @param phone a phone's: it outlives the closing of the browser */
export const cookieOf = (token: string | null, { secure }: Access, phone = false): string =>
  stringifySetCookie({
    name: phone ? PHONE.cookie : COOKIE,
    value: token ?? "",
    httpOnly: true,
    sameSite: "strict",
    secure,
    path: phone ? PHONE.path : "/",
    ...(token === null ? { maxAge: 0 } : phone ? { maxAge: PHONE.days * 86_400 } : {}),
  });

export async function visitorOf(
  store: Store,
  access: Access,
  { token, phone }: Pick<From, "token" | "phone">,
): Promise<Visitor> {
  // Whoever has signed in is who they are, also where nobody is asked.
  const known = token === null ? null : await store.accounts.byToken(token);
  const open = access.mode === "open" || (access.loopback && (await store.accounts.noSignIn()));
  if (known) return { who: known, account: known, mode: open ? "open" : "asked" };
  // A phone is somebody's or nobody's, also where nobody else is asked.
  if (phone) return { who: null, account: null, mode: "asked" };
  if (open) return { who: NOBODY_ASKED, account: null, mode: "open" };
  return { who: null, account: null, mode: (await store.accounts.count()) === 0 ? "first" : "asked" };
}

/**
 * @param athlete whom the route is about; null where it is about the club
 * @throws HttpProblem 401 where nobody is signed in, 403 where the role may not, 404 where the athlete is none of theirs
 */
export function admit(route: Pick<Route, "method" | "path">, { who }: Visitor, athlete: string | null): void {
  const need = NEED_OF.get(nameOf(route));
  if (need === "anyone") return;
  if (!who)
    throw new HttpProblem(401, "Sign in", "Nothing was done: sign in first.", [
      { path: "(session)", expected: "a signed-in account expected" },
    ]);
  if (need !== undefined && may(who, need, athlete)) return;
  // Whoever may do it with athletes of their own is not told which others there are.
  if (need !== undefined && athlete !== null && may({ role: who.role, athletes: "all" }, need))
    throw notFound("athlete");
  throw new HttpProblem(
    403,
    "Not allowed",
    `Nothing was done: an account of the role ${ROLE_WORDS[who.role].toLowerCase()} may not do this${need ? ` (${NEED_WORDS[need]})` : ""}.`,
    [{ path: "(role)", expected: "an account that may do this expected" }],
  );
}
