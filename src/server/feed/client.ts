/** Reads an athlete's activities from the training log, page by page, and outlives what can go wrong on the way. */
import { z } from "zod";
import type { EnduranceSession } from "../../core/athlete";
import type { Incoming } from "../../core/endurance";
import { assumedKind, kindOf, sportOf } from "../../formats/import/words";
import { wallClock } from "../../formats/zone";

const activity = z.object({
  id: z.string().min(1).max(150),
  revision: z.number().int().min(1),
  startedAt: z.iso.datetime(),
  sport: z.string().max(100),
  title: z.string().max(500),
  seconds: z
    .number()
    .positive()
    .max(4320 * 60),
  metres: z.number().min(0).max(2_000_000).nullable(),
  climbMetres: z.number().min(0).max(50_000).nullable(),
  heartRate: z.number().min(20).max(250).nullable(),
  effort: z.number().min(0).max(10).nullable(),
});
type Activity = z.infer<typeof activity>;

const page = z.object({ items: z.array(z.unknown()).max(1000), next: z.number().int().min(0), more: z.boolean() });

export interface FeedPage {
  incoming: Incoming[];
  /** Entries that are no activity, with the field and what was expected. */
  faults: string[];
  next: string;
  more: boolean;
}

export interface FeedClientOptions {
  base: string;
  /** A request is given up after this, ms. */
  timeoutMs: number;
  /** Waits before each further try, ms. */
  waits: readonly number[];
  /** Bytes a page may have. */
  mostBytes?: number;
}

/** A page of a thousand activities has some 300 kB. */
const MOST_BYTES = 4_000_000;

export class FeedError extends Error {}

/** Ends early once it is given up. */
const sleep = (ms: number, signal: AbortSignal) =>
  new Promise<void>((done) => {
    const end = () => {
      clearTimeout(timer);
      signal.removeEventListener("abort", end);
      done();
    };
    const timer = setTimeout(end, signal.aborted ? 0 : ms);
    signal.addEventListener("abort", end);
  });

/** The body's text. @throws FeedError where it is larger than a page may be */
async function textOf(response: Response, most: number): Promise<string> {
  const decoder = new TextDecoder();
  let text = "";
  let bytes = 0;
  for await (const chunk of response.body ?? []) {
    bytes += (chunk as Uint8Array).byteLength;
    if (bytes > most) throw new FeedError(`The training log sent a page of more than ${Math.round(most / 1e6)} MB.`);
    text += decoder.decode(chunk as Uint8Array, { stream: true });
  }
  return text + decoder.decode();
}

export class FeedClient {
  private readonly stopping = new AbortController();

  constructor(private readonly o: FeedClientOptions) {}

  /** Gives up what is asked at the moment, and asks nothing more. */
  stop(): void {
    this.stopping.abort();
  }

  /**
   * One page of an account, tried again where that may help.
   * @throws FeedError with what went wrong, in the coach's words
   */
  async page(account: string, after: string | null, zone: string): Promise<FeedPage> {
    let last = "";
    for (const wait of [0, ...this.o.waits]) {
      if (wait > 0) await sleep(wait, this.stopping.signal);
      if (this.stopping.signal.aborted) throw new FeedError("The server is stopping.");
      const got = await this.once(account, after ?? "0");
      if ("body" in got) return pageOf(got.body, zone);
      last = got.fault;
      if (!got.again) break;
    }
    throw new FeedError(last);
  }

  private async once(
    account: string,
    after: string,
  ): Promise<{ body: z.infer<typeof page> } | { fault: string; again: boolean }> {
    const url = `${this.o.base}/accounts/${encodeURIComponent(account)}/activities?after=${encodeURIComponent(after)}`;
    // Not AbortSignal.any: with Node 20 what it joins may be collected before it is heard.
    const giving = new AbortController();
    let slow = false;
    const timer = setTimeout(() => {
      slow = true;
      giving.abort();
    }, this.o.timeoutMs);
    const stop = () => giving.abort();
    this.stopping.signal.addEventListener("abort", stop);
    try {
      // A log that sends elsewhere is not followed: what is asked for would reach a place that nobody chose.
      const response = await fetch(url, { signal: giving.signal, redirect: "manual" });
      if (response.status >= 300 && response.status < 400)
        return { fault: "The training log sends on to another place, which is not followed.", again: false };
      if (response.status === 404) return { fault: `The training log knows no account "${account}".`, again: false };
      if (!response.ok)
        return {
          fault: `The training log answered ${response.status}.`,
          again: response.status >= 500 || response.status === 429,
        };
      const parsed = page.safeParse(JSON.parse(await textOf(response, this.o.mostBytes ?? MOST_BYTES)));
      return parsed.success
        ? { body: parsed.data }
        : { fault: "The training log sent something that is no page of activities.", again: true };
    } catch (error) {
      if (error instanceof FeedError) return { fault: error.message, again: false };
      const cut = error instanceof SyntaxError;
      return {
        fault: slow
          ? `The training log did not answer within ${Math.round(this.o.timeoutMs / 1000)} s.`
          : cut
            ? "The training log's answer was cut off."
            : "The training log cannot be reached.",
        again: true,
      };
    } finally {
      clearTimeout(timer);
      this.stopping.signal.removeEventListener("abort", stop);
    }
  }
}

function pageOf(body: z.infer<typeof page>, zone: string): FeedPage {
  const faults: string[] = [];
  const incoming = body.items.flatMap((item): Incoming[] => {
    const parsed = activity.safeParse(item);
    if (parsed.success) return [incomingOf(parsed.data, zone)];
    const issue = parsed.error.issues[0];
    faults.push(`${issue?.path.join(".") || "activity"}: ${issue?.message ?? "not as expected"}`);
    return [];
  });
  return { incoming, faults, next: String(body.next), more: body.more };
}

function incomingOf(a: Activity, zone: string): Incoming {
  const { date, time } = wallClock(zone, Date.parse(a.startedAt));
  const sport = sportOf(a.sport) ?? "other";
  const minutes = a.seconds / 60;
  const kind = kindOf(a.title);
  const session: EnduranceSession = {
    date,
    start: time,
    sport,
    kind: kind ?? assumedKind(sport, minutes),
    minutes,
    ...(a.metres === null ? {} : { distanceKm: a.metres / 1000 }),
    ...(a.climbMetres === null ? {} : { ascentM: a.climbMetres }),
    ...(a.effort === null ? {} : { rpe: a.effort }),
    ...(a.heartRate === null ? {} : { averageHeartRate: a.heartRate }),
    done: true,
    source: `feed:${a.id}`,
  };
  return { session, kindGuessed: kind === undefined };
}
