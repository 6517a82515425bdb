/** Passkeys beside the password: a key of the device, asked for by a challenge that holds once and for five minutes. */
import { randomBytes } from "node:crypto";
import {
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from "@simplewebauthn/server";
import type { PasskeyOptionsView } from "../../api/accountViews";
import type { Account, AccountStore } from "../store/accounts";

const CHALLENGE_MS = 300_000;
const NAME = "Field Anchor";

/** Where a browser asks from: what it says of itself, checked against the host names this server answers to. */
export interface Where {
  /** "https://club.example" */
  origin: string;
}

const hostOf = (origin: string): string => new URL(origin).hostname;

export class Passkeys {
  constructor(private readonly accounts: AccountStore) {}

  /** Kept with the accounts: another server may be asked for the answer. */
  private async begin(challenge: string, account: string | null): Promise<string> {
    const key = randomBytes(16).toString("base64url");
    await this.accounts.keepChallenge(key, { challenge, account, until: Date.now() + CHALLENGE_MS });
    return key;
  }

  /** A challenge holds once. @returns null where there is none, or it is somebody else's */
  private async take(key: string, account: string | null): Promise<string | null> {
    const found = await this.accounts.takeChallenge(key);
    return found && found.account === account && found.until >= Date.now() ? found.challenge : null;
  }

  async toAdd(account: Account, { origin }: Where): Promise<PasskeyOptionsView> {
    const known = await this.accounts.passkeys(account.id);
    const options = await generateRegistrationOptions({
      rpName: NAME,
      rpID: hostOf(origin),
      userName: account.name,
      userDisplayName: account.shown,
      attestationType: "none",
      excludeCredentials: known.map(({ id }) => ({ id })),
      authenticatorSelection: { residentKey: "required", userVerification: "required" },
    });
    return { key: await this.begin(options.challenge, account.id), options };
  }

  /** @returns false where it does not answer the challenge */
  async add(
    account: Account,
    { origin }: Where,
    { key, name, response }: { key: string; name: string; response: unknown },
  ): Promise<boolean> {
    const expectedChallenge = await this.take(key, account.id);
    if (expectedChallenge === null) return false;
    const checked = await verifyRegistrationResponse({
      response: response as RegistrationResponseJSON,
      expectedChallenge,
      expectedOrigin: origin,
      expectedRPID: hostOf(origin),
      requireUserVerification: true,
    }).catch(() => null);
    if (!checked?.verified || !checked.registrationInfo) return false;
    const { id, publicKey, counter, transports } = checked.registrationInfo.credential;
    await this.accounts.addPasskey({
      id,
      accountId: account.id,
      publicKey: Buffer.from(publicKey).toString("base64url"),
      counter,
      transports: JSON.stringify(transports ?? []),
      name,
    });
    return true;
  }

  /** For anybody: whose passkeys there are is told to nobody. */
  async toSignIn({ origin }: Where): Promise<PasskeyOptionsView> {
    const options = await generateAuthenticationOptions({ rpID: hostOf(origin), userVerification: "required" });
    return { key: await this.begin(options.challenge, null), options };
  }

  /** @returns whose passkey answered; null where none did */
  async signIn({ origin }: Where, { key, response }: { key: string; response: unknown }): Promise<Account | null> {
    const expectedChallenge = await this.take(key, null);
    const answer = response as AuthenticationResponseJSON;
    const known = expectedChallenge === null ? null : await this.accounts.passkey(String(answer.id));
    if (expectedChallenge === null || !known) return null;
    const checked = await verifyAuthenticationResponse({
      response: answer,
      expectedChallenge,
      expectedOrigin: origin,
      expectedRPID: hostOf(origin),
      requireUserVerification: true,
      credential: {
        id: known.id,
        publicKey: new Uint8Array(Buffer.from(known.publicKey, "base64url")),
        counter: known.counter,
        transports: JSON.parse(known.transports) as AuthenticatorTransport[],
      },
    }).catch(() => null);
    if (!checked?.verified) return null;
    await this.accounts.usedPasskey(known.id, checked.authenticationInfo.newCounter);
    const account = await this.accounts.get(known.accountId);
    return account && !account.closed ? account : null;
  }
}
