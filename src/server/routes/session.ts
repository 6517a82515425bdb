/** Signing in and out, the first account, one's own browsers, and the accounts of the club. */
import {
  accountBody,
  changeAccountBody,
  deviceNameBody,
  joinBody,
  newPasswordBody,
  ownerBody,
  phoneCodeBody,
  signInBody,
} from "../../api/requests";
import type { AccountView, CodesView, DeviceView, SessionStateView } from "../../api/views";
import { cookieOf, deviceView } from "../accounts/door";
import { sha256 } from "../accounts/secrets";
import { faulty, HttpProblem, notFound } from "../errors";
import { type Answer, type Call, done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import type { Account } from "../store/accounts";

const WRONG = "Name and password do not belong together.";
const refused = (detail: string): HttpProblem =>
  new HttpProblem(401, "Not signed in", detail, [{ path: "password", expected: "the password of this name expected" }]);

const lastOwner = (): HttpProblem =>
  new HttpProblem(409, "The last owner", "Nothing was changed: one open account of an owner must stay.");

/** Whoever is signed in; where nobody is asked there is no account to speak of. */
export function ownId({ account }: Pick<Call<unknown>, "account">): string {
  if (account === null)
    throw new HttpProblem(409, "No account", "Nothing was done: nobody is signed in here, since nobody is asked.");
  return account;
}

type SignedIn = (call: Call<unknown>, account: Account, body?: CodesView) => Promise<Answer>;

/** A new token whenever somebody signs in: one that was there before is void. */
export const signer =
  ({ store, access }: ServerContext): SignedIn =>
  async ({ from }, account, body) => {
    if (from?.token) await store.accounts.signOut(sha256(from.token));
    const token = await store.accounts.signIn(account.id, from?.device ?? "");
    const answer = body ? json(body) : done();
    return { ...answer, headers: { "Set-Cookie": cookieOf(token, access) } };
  };

export function sessionRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/session");
  signRoutes(r, ctx);
  joinRoutes(r, ctx);
  phoneRoute(r, ctx);
  hereRoute(r, ctx);
  ownRoutes(r, ctx);
  return [...r.all, ...accountRoutes(ctx)];
}

/** Who is signed in, in and out. */
function signRoutes(r: RouteList, ctx: ServerContext): void {
  const { accounts } = ctx.store;
  const { access } = ctx;
  const signedIn = signer(ctx);

  r.peek("", async ({ from }) => {
    if (!from) throw notFound("session");
    const { visitor: v } = from;
    const view: SessionStateView = {
      mode: v.mode,
      account: v.account && { name: v.account.name, shown: v.account.shown, role: v.account.role },
      athletes: v.who ? v.who.athletes : [],
      mayStayOpen: v.mode === "first" && access.loopback,
      tryPassword: ctx.tryPassword,
    };
    return json(view);
  });

  r.change("POST", "", { body: { schema: signInBody, what: "The sign-in" } }, async (call) => {
    const account = await accounts.byPassword(call.body.name, call.body.password);
    if (!account) throw refused(WRONG);
    return signedIn(call, account);
  });

  r.change("DELETE", "", {}, async ({ from }) => {
    if (from?.token) await accounts.signOut(sha256(from.token));
    return { ...done(), headers: { "Set-Cookie": cookieOf(null, access, from?.phone) } };
  });
}

/** The first account, and codes in place of a password. */
function joinRoutes(r: RouteList, ctx: ServerContext): void {
  const { accounts } = ctx.store;
  const { access } = ctx;
  const signedIn = signer(ctx);

  /** The first visitor, on this machine, makes the owner or says that nobody is to be asked. */
  r.change("POST", "/owner", { body: { schema: ownerBody, what: "The first account" } }, async (call) => {
    if (!call.from?.here || call.from.visitor.mode === "asked" || (access.mode === "open" && !("name" in call.body)))
      throw new HttpProblem(
        409,
        "Not now",
        "Nothing was stored: the first account is made once, on the server's own machine.",
      );
    if (!("name" in call.body)) {
      if (!access.loopback)
        throw faulty(
          [{ path: "signIn", expected: "an account expected: other machines reach this server" }],
          "The choice",
        );
      await accounts.chooseNoSignIn();
      return done();
    }
    const { name, shown, password } = call.body;
    const made = await accounts.addOwner(name, shown, password);
    const account = made && (await accounts.get(made.id));
    if (!account) throw new HttpProblem(409, "Not now", "Nothing was stored: there is an account already.");
    return signedIn(call, account, { codes: made.codes });
  });

  r.change("POST", "/recover", { body: { schema: joinBody, what: "The code" } }, async (call) => {
    const found = await accounts.byCode(call.body.name, call.body.code, call.body.password);
    if (!found)
      throw new HttpProblem(
        401,
        "Not signed in",
        "Name and code do not belong together, or the code was used or is too old.",
        [{ path: "code", expected: "an unused code of this name expected" }],
      );
    return signedIn(call, found.account, { codes: found.codes });
  });
}

/** A phone joins by its invitation: no name, no password. */
function phoneRoute(r: RouteList, { store, access }: ServerContext): void {
  r.change("POST", "/phone", { body: { schema: phoneCodeBody, what: "The code" } }, async ({ body }) => {
    const token = await store.accounts.joinPhone(body.code, body.device);
    if (token === null)
      throw new HttpProblem(
        401,
        "Not joined",
        "This invitation was used, or is too old. Ask your coach for another one.",
        [{ path: "code", expected: "the code of an invitation that is open expected" }],
      );
    return { ...done(), headers: { "Set-Cookie": cookieOf(token, access, true) } };
  });
}

/** An athlete who signed in with a password goes on in the athlete's application, in this browser. */
function hereRoute(r: RouteList, { store, access }: ServerContext): void {
  r.change("POST", "/here", { body: { schema: deviceNameBody, what: "The name" } }, async (call) => {
    if (call.who.role !== "athlete")
      throw new HttpProblem(403, "Not allowed", "Nothing was done: the athlete's application is an athlete's.", [
        { path: "(role)", expected: "an account of the role athlete expected" },
      ]);
    const token = await store.accounts.hereAsPhone(ownId(call), call.body.device);
    return { ...done(), headers: { "Set-Cookie": cookieOf(token, access, true) } };
  });
}

/** One's own password and browsers. */
function ownRoutes(r: RouteList, ctx: ServerContext): void {
  const { accounts } = ctx.store;
  const signedIn = signer(ctx);

  r.change("PUT", "/password", { body: { schema: newPasswordBody, what: "The password" } }, async (call) => {
    const id = ownId(call);
    if (!(await accounts.setPassword(id, call.body.before, call.body.password)))
      throw refused("The password of today is wrong.");
    const account = await accounts.get(id);
    if (!account) throw notFound("account");
    return signedIn(call, account);
  });

  r.peek("/devices", async (call) => {
    const view: DeviceView[] = (await accounts.devices(ownId(call))).map((d) => deviceView(d, call.from?.token));
    return json(view);
  });

  r.change("DELETE", "/devices/:row", {}, async (call) => {
    if (!(await accounts.signOutDevice(ownId(call), call.params.row))) throw notFound("browser of this account");
    return done();
  });
}

/** The accounts of the club: invited, changed, closed. */
function accountRoutes({ store }: ServerContext): Route[] {
  const r = new RouteList("/accounts");
  const { accounts } = store;

  const known = async (athletes: "all" | readonly string[]): Promise<void> => {
    if (athletes === "all") return;
    const there = new Set((await store.athletes.list()).map((a) => a.id));
    const odd = athletes.findIndex((a) => !there.has(a));
    if (odd >= 0)
      throw faulty(
        [{ path: `athletes[${odd}]`, expected: "the id of an athlete of this club expected" }],
        "The account",
      );
  };

  r.peek("", async () => {
    const view: AccountView[] = (await accounts.list()).map(({ id, name, shown, role, athletes, closed, joined }) => ({
      id,
      name,
      shown,
      role,
      athletes,
      closed,
      joined,
    }));
    return json(view);
  });

  r.change("POST", "", { body: { schema: accountBody, what: "The account" } }, async ({ body }) => {
    await known(body.athletes);
    const made = await accounts.invite(body.name, body.shown, body.role, body.athletes);
    if (!made) throw faulty([{ path: "name", expected: "a name that no other account has expected" }], "The account");
    return json(made, 201);
  });

  r.change("PUT", "/:row", { body: { schema: changeAccountBody, what: "The account" } }, async ({ params, body }) => {
    await known(body.athletes);
    const answer = await accounts.change(params.row, body.role, body.athletes, body.closed);
    if (answer === "none") throw notFound("account");
    if (answer === "last") throw lastOwner();
    return done();
  });

  r.change("POST", "/:row/recovery", {}, async ({ params }) => {
    const code = await accounts.newInvitation(params.row);
    if (code === null) throw notFound("account");
    return json({ code }, 201);
  });

  r.change("DELETE", "/:row", {}, async ({ params }) => {
    const answer = await accounts.remove(params.row);
    if (answer === "none") throw notFound("account");
    if (answer === "last") throw lastOwner();
    return done();
  });
  return r.all;
}
