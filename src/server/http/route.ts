/**
 * Routes as values: one list says of each its method, address, body, whether it changes anything and where it runs. Express, the worker
 * threads, the checks at the door and the tests are all fed from it.
 */
import type { z } from "zod";
import type { Who } from "../../api/roles";
import type { Account } from "../store/accounts";

export type Method = "GET" | "POST" | "PUT" | "DELETE";

/** Names that stand in addresses; those of a route's own path are there. */
export type Params = Record<
  | "id"
  | "date"
  | "until"
  | "label"
  | "monday"
  | "item"
  | "race"
  | "row"
  | "exercise"
  | "batch"
  | "approach"
  | "template"
  | "place"
  | "group"
  | "absence"
  | "backup"
  | "minutes",
  string
>;

/** Whoever asks. */
export interface Visitor {
  who: Who | null;
  account: Account | null;
  /** open: nobody is asked. first: there is no account yet. asked: whoever is not signed in is turned away. */
  mode: "open" | "first" | "asked";
}

/** What a request about signing in is told of where it comes from. */
export interface From {
  token: string | null;
  /** The name that the browser gives itself, shortened. */
  device: string;
  /** It comes from this machine. */
  here: boolean;
  /** A phone asks. */
  phone: boolean;
  /** The page that asks, such as "https://club.example"; null where no browser says. */
  origin: string | null;
  visitor: Visitor;
}

/** What a handler is told. */
export interface Call<B = undefined> {
  params: Params;
  query: Record<string, string>;
  body: B;
  /** Who asks. */
  who: Who;
  /** Their account; null where nobody is asked. */
  account: string | null;
  /** Where it comes from: told of signing in alone. */
  from?: From;
}

/** What a handler says back. */
export interface Answer {
  status: number;
  type?: string;
  headers?: Record<string, string>;
  /** Bytes or text as they go out; none with 204. */
  body?: string | Uint8Array;
}

export const json = (value: unknown, status = 200): Answer => ({
  status,
  type: "application/json",
  body: JSON.stringify(value),
});
export const done = (): Answer => ({ status: 204 });
export const file = (body: string | Uint8Array, type: string, name: string, inline = false): Answer => ({
  status: 200,
  type,
  headers: { "Content-Disposition": `${inline ? "inline" : "attachment"}; filename="${name}"` },
  body,
});

export interface BodySpec<B> {
  schema: z.ZodType<B>;
  /** What it is in words, for refusals: "The race". */
  what: string;
}

interface Common {
  method: Method;
  /** Under /api, such as "/athletes/:id/races". */
  path: string;
  /** Takes long to answer: called too often by one address of the network, it is refused for a while. */
  expensive?: boolean;
  /** Bytes a body may have. */
  limit?: number;
}

/** A route as it stands in the list; its types are checked where it is written (`routes`). */
export interface Route extends Common {
  changes: boolean;
  body: BodySpec<unknown> | null;
  /** The body is a text that the handler reads itself, in a worker thread. */
  bulk: boolean;
  /** Runs in a worker thread, on what is stored. */
  inPool: boolean;
  /** Waits for work of others on the way: no connection is held meanwhile. */
  waits: boolean;
  /** Runs in a worker thread before `handle`, which is told what it found. */
  prepare: ((call: Call<unknown>) => Promise<unknown>) | null;
  handle: (call: Call<unknown>, prepared: unknown) => Promise<Answer> | Answer;
}

interface Options<B> extends Omit<Common, "method" | "path"> {
  body?: BodySpec<B>;
}

type Handle<B, P = undefined> = (call: Call<B>, prepared: P) => Promise<Answer> | Answer;

export const nameOf = (r: Pick<Route, "method" | "path">): string => `${r.method} ${r.path}`;

/** Collects routes under one address. */
export class RouteList {
  readonly all: Route[] = [];

  constructor(private readonly base: string) {}

  /** Answers from what is stored, in a worker thread. */
  read(path: string, handle: Handle<undefined>, more: Omit<Common, "method" | "path"> = {}): void {
    this.push("GET", path, { ...more }, { changes: false, inPool: true }, handle as Route["handle"]);
  }

  /** Answers from memory or with a short read, on the spot. */
  peek(path: string, handle: Handle<undefined>): void {
    this.push("GET", path, {}, { changes: false }, handle as Route["handle"]);
  }

  /** Answers once rows are there that others may still be making. */
  gathered(path: string, handle: Handle<undefined>): void {
    this.push("GET", path, {}, { changes: false, waits: true }, handle as Route["handle"]);
  }

  /** Tries something in a worker thread and stores nothing. */
  try<B>(path: string, o: Options<B>, handle: Handle<B>): void {
    this.push("POST", path, o, { changes: false, inPool: true }, handle as Route["handle"]);
  }

  /** Tries what is sent in bulk; the handler parses the text itself, in a worker thread. */
  tryBulk(path: string, limit: number, handle: Handle<string>): void {
    this.push("POST", path, { limit }, { changes: false, inPool: true, bulk: true }, handle as Route["handle"]);
  }

  change<B = undefined>(method: "POST" | "PUT" | "DELETE", path: string, o: Options<B>, handle: Handle<B>): void {
    this.push(method, path, o, { changes: true }, handle as Route["handle"]);
  }

  /** A change that asks the plan first: `prepare` runs in a worker thread. */
  planned<B, P>(
    method: "GET" | "POST" | "PUT" | "DELETE",
    path: string,
    o: Options<B>,
    prepare: (call: Call<B>) => Promise<P>,
    handle: Handle<B, P>,
  ): void {
    this.push(
      method,
      path,
      o,
      { changes: method !== "GET", prepare: prepare as Route["prepare"] },
      handle as Route["handle"],
    );
  }

  /** A change sent in bulk: `prepare` parses and checks the text in a worker thread. */
  bulk<P>(
    method: "POST" | "PUT",
    path: string,
    o: { limit: number; expensive?: boolean },
    prepare: (call: Call<string>) => Promise<P>,
    handle: Handle<string, P>,
  ): void {
    this.push(
      method,
      path,
      o,
      { changes: true, bulk: true, prepare: prepare as Route["prepare"] },
      handle as Route["handle"],
    );
  }

  private push(
    method: Method,
    path: string,
    { body, ...o }: Omit<Common, "method" | "path"> & { body?: unknown },
    how: Partial<Route>,
    handle: Route["handle"],
  ): void {
    this.all.push({
      method,
      path: `${this.base}${path}`,
      ...o,
      body: (body ?? null) as Route["body"],
      changes: false,
      bulk: false,
      inPool: false,
      waits: false,
      prepare: null,
      ...how,
      handle,
    });
  }
}
