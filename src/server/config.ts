/** What a server is started with: read from the environment here and nowhere else. */
import { readFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { isDate } from "../core/dates";
import type { Access } from "./accounts/door";
import { todayFrom } from "./today";

export interface Config {
  host: string;
  port: number;
  /** Folder of the database, and of the copies. */
  data: string;
  /** Address of a database server with many clubs; null keeps one club in a file. */
  database: string | null;
  /** A fixed day, for demo, tests and pictures; null is the clock's. */
  fixedToday: string | null;
  root: string;
  /** Address of the training log; null where there is none. */
  feed: string | null;
  /** Minutes between two pulls from it. */
  feedMinutes: number;
  /** Names this server answers to. */
  hosts: string[];
  /** Files of the certificate and its key; null speaks plain HTTP. */
  tls: { cert: string; key: string } | null;
  /** One proxy in front speaks TLS. */
  behindProxy: boolean;
  /** Whether people are asked who they are. */
  accounts: Access["mode"];
  /** Worker threads for planning. */
  workers: number;
  /** This server takes planning out of the line of all servers, too; else workers alone do. */
  plansHere: boolean;
  /** Address at which numbers for Prometheus are served; null serves none. */
  metrics: string | null;
}

const LOOPBACK = ["127.0.0.1", "::1", "localhost"];
/** More threads than this bring little to one club. */
const MOST_WORKERS = 4;

type Door = Pick<Config, "host" | "hosts" | "tls" | "behindProxy" | "accounts">;

/**
 * Beyond this machine everybody signs in, and nothing goes in the clear.
 * @throws where that is not given
 */
function doorOf(env: NodeJS.ProcessEnv): Door {
  const host = env.HOST ?? "127.0.0.1";
  const loopback = LOOPBACK.includes(host);
  const { FIELD_ANCHOR_TLS_CERT: cert, FIELD_ANCHOR_TLS_KEY: key, FIELD_ANCHOR_ACCOUNTS: accounts = "asked" } = env;
  if ((cert === undefined) !== (key === undefined))
    throw new Error("FIELD_ANCHOR_TLS_CERT and FIELD_ANCHOR_TLS_KEY: both files expected, or neither");
  const behindProxy = env.FIELD_ANCHOR_BEHIND_PROXY === "1";
  if (!loopback && !cert && !behindProxy)
    throw new Error(
      `HOST: this machine's own address (127.0.0.1) expected, found "${host}". Other machines are let in over TLS alone: give the files FIELD_ANCHOR_TLS_CERT and FIELD_ANCHOR_TLS_KEY, or set FIELD_ANCHOR_BEHIND_PROXY=1 where one proxy in front speaks TLS, and list the names of this server in FIELD_ANCHOR_HOSTS.`,
    );
  if (accounts !== "asked" && accounts !== "open")
    throw new Error(`FIELD_ANCHOR_ACCOUNTS: "open" or nothing expected, found "${accounts}"`);
  if (accounts === "open" && (!loopback || behindProxy))
    throw new Error(
      `FIELD_ANCHOR_ACCOUNTS: "open" asks nobody who they are and is taken on this machine's own address (127.0.0.1) alone, found HOST "${host}"`,
    );
  const hosts = (env.FIELD_ANCHOR_HOSTS ?? "localhost,127.0.0.1,[::1]")
    .split(",")
    .map((h) => h.trim().toLowerCase())
    .filter((h) => h !== "");
  if (hosts.length === 0) throw new Error("FIELD_ANCHOR_HOSTS: one name or more expected, parted by commas");
  return { host, hosts, tls: cert && key ? { cert, key } : null, behindProxy, accounts };
}

/** The project's root, from the source as from the built bundle. */
function rootFolder(): string {
  let at = dirname(fileURLToPath(import.meta.url));
  for (let i = 0; i < 5; i++, at = dirname(at)) {
    try {
      readFileSync(join(at, "package.json"));
      return at;
    } catch {
      // Not here: one folder up.
    }
  }
  return resolve(".");
}

function plansHereOf({ FIELD_ANCHOR_PLANS: where = "here" }: NodeJS.ProcessEnv): boolean {
  if (where !== "here" && where !== "elsewhere")
    throw new Error(`FIELD_ANCHOR_PLANS: "here", or "elsewhere" where workers plan, expected, found "${where}"`);
  return where === "here";
}

function databaseOf({ FIELD_ANCHOR_DATABASE: address }: NodeJS.ProcessEnv): string | null {
  if (address === undefined || address === "") return null;
  if (!/^postgres(ql)?:\/\/[^/]+\/.+/.test(address))
    throw new Error(
      'FIELD_ANCHOR_DATABASE: an address such as "postgres://field_anchor@db.example/field_anchor" expected, or nothing for a club in a file',
    );
  return address;
}

export function configFromEnvironment(env: NodeJS.ProcessEnv): Config {
  const port = Number(env.PORT ?? 4173);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT: a number from 0 to 65535 expected, found "${env.PORT}"`);
  const fixedToday = env.FIELD_ANCHOR_TODAY ?? null;
  if (fixedToday !== null && !isDate(fixedToday))
    throw new Error(`FIELD_ANCHOR_TODAY: a real date such as "2026-03-04" expected, found "${fixedToday}"`);
  const feedMinutes = Number(env.FIELD_ANCHOR_FEED_MINUTES ?? 15);
  if (!(feedMinutes > 0))
    throw new Error(`FIELD_ANCHOR_FEED_MINUTES: a number above 0 expected, found "${env.FIELD_ANCHOR_FEED_MINUTES}"`);
  const root = rootFolder();
  return {
    ...doorOf(env),
    port,
    data: resolve(root, env.FIELD_ANCHOR_DATA ?? "var/club"),
    database: databaseOf(env),
    plansHere: plansHereOf(env),
    metrics: env.FIELD_ANCHOR_METRICS ?? null,
    fixedToday,
    root,
    feed: env.FIELD_ANCHOR_FEED ?? null,
    feedMinutes,
    // Two at least: a look at this week need not wait for a season.
    workers: Math.max(
      1,
      Math.min(MOST_WORKERS, Number(env.FIELD_ANCHOR_WORKERS) || Math.max(2, availableParallelism())),
    ),
  };
}

/** The club's database. */
export const clubFile = (c: Pick<Config, "data">): string => join(c.data, "field-anchor.sqlite");

/** Today on this machine's calendar, or the fixed day. */
export const todayOf = (c: Config): string => todayFrom(c.fixedToday);

/** How people are asked who they are at this door. */
export const accessOf = ({ host, tls, behindProxy, accounts }: Config): Access => ({
  mode: accounts,
  loopback: LOOPBACK.includes(host) && !behindProxy,
  secure: tls !== null || behindProxy,
});
