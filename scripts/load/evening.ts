/** Athletes who log and coaches who plan between five and eight, through whichever server answers. */
import { randomUUID } from "node:crypto";
import { Agent, request } from "node:http";
import type { SquadView } from "../../src/api/views";
import type { Random } from "../../src/demo/random";
import { type Cluster, ended, TODAY } from "./cluster";

export interface LoadClub {
  host: string;
  athletes: string[];
}

export interface Sample {
  kind: string;
  ms: number;
}
export interface Evening {
  samples: Sample[];
  /** How long coaches waited until every row of a squad told the latest state, ms. */
  wholeSquads: number[];
  /** What went wrong that no second try made good. */
  errors: string[];
  /** Requests that were sent again, to the other server. */
  again: number;
  kills: number;
  /** Loads of the sets that were acknowledged, by the club's address and the athlete. */
  acknowledged: Map<string, number[]>;
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 });
const TIMEOUT_MS = 20_000;
/** As the application does. */
const ASK_AGAIN_MS = 1000;

interface Sent {
  host: string;
  method: string;
  path: string;
  body?: unknown;
  key?: string;
}

function once(port: number, { host, method, path, body, key }: Sent): Promise<{ status: number; text: string }> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((done, fail) => {
    const headers = {
      Host: host,
      ...(text ? { "Content-Type": "application/json", "Content-Length": Buffer.byteLength(text) } : {}),
      ...(key ? { "Idempotency-Key": key } : {}),
    };
    const sent = request(
      { host: "127.0.0.1", port, path: `/api${path}`, method, headers, agent, timeout: TIMEOUT_MS },
      (answer) => {
        let all = "";
        answer.setEncoding("utf8");
        answer.on("data", (d) => {
          all += d;
        });
        answer.on("end", () => done({ status: answer.statusCode ?? 0, text: all }));
        answer.on("error", fail);
      },
    );
    sent.on("timeout", () => sent.destroy(new Error("no answer in time")));
    sent.on("error", fail);
    sent.end(text);
  });
}

/** Waits until a moment of its own, spread as in a Poisson stream. */
const wait = (ms: number): Promise<void> => new Promise((r) => setTimeout(r, ms));

export class Driver {
  readonly out: Evening = { samples: [], wholeSquads: [], errors: [], again: 0, kills: 0, acknowledged: new Map() };
  private going = true;

  constructor(
    private readonly cluster: Cluster,
    private readonly random: Random,
  ) {}

  /** A server that stands, at random, as a balancer would choose; one that does not answer is left for the other. */
  private async ask(kind: string, sent: Sent): Promise<string | null> {
    const begin = performance.now();
    let fault = "";
    const first = Math.floor(this.random.next() * 2);
    for (let n = 0; n < 6; n++) {
      const { port } = this.cluster.servers[(first + n) % 2] ?? { port: 0 };
      try {
        const { status, text } = await once(port, sent);
        if (status < 400) {
          this.out.samples.push({ kind, ms: performance.now() - begin });
          return text;
        }
        fault = `${status} ${text.slice(0, 160)}`;
        if (status !== 503) break;
      } catch (error) {
        fault = error instanceof Error ? error.message : String(error);
      }
      this.out.again += 1;
      await wait(100);
    }
    this.out.errors.push(`${kind} ${sent.method} ${sent.path}: ${fault}`);
    return null;
  }

  /** Logs the sets of a session, one after the other. @param rest between two sets, ms */
  async athlete(club: LoadClub, id: string, rest: () => number): Promise<void> {
    const { host } = club;
    // People come one after the other.
    await wait(rest());
    if (!this.going) return;
    await this.ask("phone", { host, method: "GET", path: `/athletes/${id}/phone` });
    const loads: number[] = [];
    this.out.acknowledged.set(`${host} ${id}`, loads);
    let base: unknown = null;
    const sets: object[] = [];
    for (let n = 0; this.going; n++) {
      await wait(rest());
      if (!this.going) return;
      const loadKg = 20 + n / 2;
      sets.push({ reps: 5, loadKg, side: "both" });
      const log = { date: TODAY, label: "A", items: [{ exercise: "back-squat", sets: [...sets] }] };
      const text = await this.ask("set", {
        host,
        method: "POST",
        path: `/athletes/${id}/logs/${TODAY}/A/merge`,
        body: { base, log },
        key: randomUUID(),
      });
      if (text === null) sets.pop();
      else {
        base = JSON.parse(text);
        loads.push(loadKg);
      }
    }
  }

  /** Looks and changes, again and again. @param rest between two acts, ms */
  async coach(club: LoadClub, rest: () => number): Promise<void> {
    const { host } = club;
    while (this.going) {
      await wait(rest());
      if (!this.going) return;
      const id = club.athletes[Math.floor(this.random.next() * club.athletes.length)] ?? "";
      const get = (kind: string, path: string) => this.ask(kind, { host, method: "GET", path });
      const act = this.random.next();
      if (act < 0.4) await get("week", `/athletes/${id}/weeks/2026-03-02`);
      else if (act < 0.6) {
        await this.ask("note", {
          host,
          method: "PUT",
          path: `/athletes/${id}/notes/2026-03-02`,
          body: { text: `seen ${act}` },
        });
        await get("week", `/athletes/${id}/weeks/2026-03-02`);
      } else if (act < 0.75) await get("calendar", "/calendar");
      else if (act < 0.9) await get("came in", "/came-in");
      else await this.squad(get);
    }
  }

  /** Asked for again for as long as a row tells an older state, as the application does. */
  private async squad(get: (kind: string, path: string) => Promise<string | null>): Promise<void> {
    const begin = performance.now();
    for (;;) {
      const text = await get("squad", "/squad");
      if (text === null) return;
      if ((JSON.parse(text) as SquadView).behind.length === 0) break;
      await wait(ASK_AGAIN_MS);
      if (!this.going) return;
    }
    this.out.wholeSquads.push(performance.now() - begin);
  }

  /** One server is killed every so often and started again. */
  async killer(every: number): Promise<void> {
    for (let n = 0; this.going; n++) {
      await wait(every);
      if (!this.going) return;
      const at = n % 2;
      const server = this.cluster.servers[at];
      if (!server) return;
      await ended(server.child, "SIGKILL");
      this.out.kills += 1;
      this.cluster.servers[at] = await this.cluster.server(server.name, server.port);
    }
  }

  stop(): void {
    this.going = false;
  }

  /** The sets that are stored of an athlete. */
  async stored(club: LoadClub, id: string): Promise<number[]> {
    const text = await this.ask("file", { host: club.host, method: "GET", path: `/athletes/${id}/file` });
    const file = JSON.parse(text ?? "{}") as {
      strengthLog?: { date: string; items: { exercise: string; sets: { loadKg?: number }[] }[] }[];
    };
    return (file.strengthLog ?? [])
      .filter((l) => l.date === TODAY)
      .flatMap((l) =>
        l.items.filter((i) => i.exercise === "back-squat").flatMap((i) => i.sets.map((s) => s.loadKg ?? 0)),
      );
  }
}
