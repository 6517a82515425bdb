/** What the interface answers about accounts. */
import type { Role, Who } from "./roles";

export interface SessionStateView {
  /** open: nobody is asked who they are. first: there is no account yet. asked: whoever is not signed in is turned away. */
  mode: "open" | "first" | "asked";
  account: { name: string; shown: string; role: Role } | null;
  athletes: Who["athletes"];
  /** The first visitor may choose that nobody is asked. */
  mayStayOpen: boolean;
  /** Password of every account of a club to try; null in any other. */
  tryPassword: string | null;
}

/** Codes that stand for the password once each; shown this once. */
export interface CodesView {
  codes: string[];
}

export interface PasskeyView {
  id: string;
  name: string;
  madeAt: string;
  /** Null until it was used. */
  usedAt: string | null;
}

/** What a browser is asked, and the key under which its answer is expected. */
export interface PasskeyOptionsView {
  key: string;
  options: unknown;
}

export interface DeviceView {
  id: string;
  device: string;
  madeAt: string;
  seenAt: string;
  /** The one that asks. */
  now: boolean;
}

export interface AccountView {
  id: string;
  name: string;
  shown: string;
  role: Role;
  athletes: Who["athletes"];
  closed: boolean;
  /** Somebody has joined with it. */
  joined: boolean;
}
