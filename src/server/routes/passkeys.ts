/** Passkeys: one's own, and signing in with one. */
import { whyNoPasskeys } from "../../api/passkeys";
import { passkeyAddBody, passkeySignInBody } from "../../api/requests";
import type { PasskeyView } from "../../api/views";
import { Passkeys, type Where } from "../accounts/passkeys";
import { HttpProblem, notFound } from "../errors";
import { type Call, done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import type { Account } from "../store/accounts";
import { ownId, signer } from "./session";

/** Where the browser asks from. @throws where passkeys cannot be used there */
function whereOf({ from }: Pick<Call<unknown>, "from">): Where {
  const origin = from?.origin ?? "";
  const why = origin === "" ? "Passkeys need a browser." : whyNoPasskeys(new URL(origin));
  if (why) throw new HttpProblem(409, "No passkeys here", `Nothing was done. ${why}`);
  return { origin };
}

export function passkeyRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/session");
  const { accounts } = ctx.store;
  const passkeys = new Passkeys(accounts);
  const signedIn = signer(ctx);

  const own = async (call: Pick<Call<unknown>, "account">): Promise<Account> => {
    const found = await accounts.get(ownId(call));
    if (!found) throw notFound("account");
    return found;
  };

  r.peek("/passkeys", async (call) => {
    const view: PasskeyView[] = (await accounts.passkeys(ownId(call))).map(({ id, name, madeAt, usedAt }) => ({
      id,
      name,
      madeAt,
      usedAt,
    }));
    return json(view);
  });

  r.change("POST", "/passkeys/options", {}, async (call) => json(await passkeys.toAdd(await own(call), whereOf(call))));

  const adding = { body: { schema: passkeyAddBody, what: "The passkey" } };
  r.change("POST", "/passkeys", adding, async (call) => {
    if (!(await passkeys.add(await own(call), whereOf(call), call.body)))
      throw new HttpProblem(422, "Not accepted", "The passkey was not stored: its answer is none to this challenge.", [
        { path: "response", expected: "the answer to a challenge of the last five minutes expected" },
      ]);
    return done();
  });

  r.change("DELETE", "/passkeys/:row", {}, async (call) => {
    if (!(await accounts.removePasskey(ownId(call), call.params.row))) throw notFound("passkey of this account");
    return done();
  });

  r.change("POST", "/passkey/options", {}, async (call) => json(await passkeys.toSignIn(whereOf(call))));

  const signing = { body: { schema: passkeySignInBody, what: "The passkey" } };
  r.change("POST", "/passkey", signing, async (call) => {
    const account = await passkeys.signIn(whereOf(call), call.body);
    if (!account)
      throw new HttpProblem(401, "Not signed in", "This passkey opens no account here.", [
        { path: "response", expected: "a passkey of an open account expected" },
      ]);
    return signedIn(call, account);
  });
  return r.all;
}
