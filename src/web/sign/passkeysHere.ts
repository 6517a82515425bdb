/** Whether this browser knows passkeys at this address. */
import { whyNoPasskeys } from "../../api/passkeys";

/** @returns why not; null where it does */
export const whyNoPasskeysHere = (): string | null =>
  "PublicKeyCredential" in window ? whyNoPasskeys(location) : "This browser knows no passkeys.";
