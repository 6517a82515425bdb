/** A real server in a process of its own, and a coach's and athletes' work on it whose every acknowledged write is remembered. */
import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { addDays } from "../../src/core/dates";

export const TODAY = "2026-03-04";
const ROOT = join(import.meta.dirname, "../..");
const FILE = readFileSync(join(ROOT, "tests/support/hike.json"), "utf8");

export interface Started {
  child: ChildProcess;
  base: string;
  /** What it wrote to its error output. */
  said: () => string;
  /** Resolves with the exit code. */
  gone: Promise<number | null>;
}

/** What the last process said that ended before it answered. */
let lastWords = "";
export const whyNot = (): string => lastWords.trim().slice(0, 300);

/** @returns null where the process ended before it answered; `whyNot` says what it said */
export async function startClub(
  data: string,
  env: NodeJS.ProcessEnv = {},
  patienceMs = 60_000,
): Promise<Started | null> {
  const child = spawn(process.execPath, [join(ROOT, "dist/server/main.js")], {
    env: {
      ...process.env,
      // Any free port: it says which.
      PORT: "0",
      FIELD_ANCHOR_DATA: data,
      FIELD_ANCHOR_TODAY: TODAY,
      FIELD_ANCHOR_ACCOUNTS: "open",
      LOG_LEVEL: "silent",
      FIELD_ANCHOR_WORKERS: "1",
      ...env,
    },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let text = "";
  child.stderr?.on("data", (d) => {
    text += String(d);
  });
  const gone = new Promise<number | null>((done) => child.once("exit", (code) => done(code)));
  const address = new Promise<string | null>((done) => {
    let out = "";
    child.stdout?.on("data", (d) => {
      out += String(d);
      const found = /Field Anchor: (http:\S+)\n/.exec(out)?.[1];
      if (found) done(found);
    });
    void gone.then(() => done(null));
    setTimeout(() => done(null), patienceMs).unref();
  });
  const found = await address;
  if (found === null) {
    child.kill("SIGKILL");
    lastWords = text || "no answer in time";
    return null;
  }
  return { child, base: `${found}/api`, said: () => text, gone };
}

export async function kill(s: Started): Promise<void> {
  s.child.kill("SIGKILL");
  await s.gone;
}

export async function stop(s: Started): Promise<number | null> {
  s.child.kill("SIGTERM");
  return s.gone;
}

interface Answer {
  status: number;
  body: unknown;
}

/** @returns null where no answer came */
export async function call(
  base: string,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer | null> {
  try {
    const response = await fetch(base + path, {
      method,
      headers: { ...headers, ...(body === undefined ? {} : { "Content-Type": "application/json" }) },
      ...(body === undefined ? {} : { body: typeof body === "string" ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(20_000),
    });
    const text = await response.text();
    return { status: response.status, body: text === "" ? null : (JSON.parse(text) as unknown) };
  } catch {
    return null;
  }
}

/** What has been acknowledged, and what may or may not be there since no answer came. */
export class Ledger {
  athletes: string[] = [];
  acknowledged = 0;
  refused = 0;
  private readonly sessions = new Map<string, { athlete: string; sure: boolean; body: unknown }>();
  private readonly sets = new Map<string, { athlete: string }>();
  private readonly notes = new Map<string, { athlete: string; monday: string; said: string[] }>();
  private readonly templates = new Map<string, boolean>();
  private readonly gyms = new Map<string, number[]>();
  private n = 0;
  /** Things being written at the moment: two at once would leave open which came last. */
  private readonly busy = new Set<string>();

  private async alone(
    key: string,
    write: () => Promise<number | null>,
    base: string,
    athlete: string,
  ): Promise<number | null> {
    if (this.busy.has(key)) return this.session(base, athlete);
    this.busy.add(key);
    try {
      return await write();
    } finally {
      this.busy.delete(key);
    }
  }

  /** Takes an athlete in. */
  async begin(base: string): Promise<void> {
    const key = randomUUID();
    const answer = await call(base, "POST", "/athletes", FILE, { "Idempotency-Key": key });
    if (answer?.status !== 201) return;
    this.athletes.push((answer.body as { id: string }).id);
    this.acknowledged++;
  }

  /** One write of a random kind. @returns its status, null where no answer came */
  async write(base: string, random: () => number): Promise<number | null> {
    const athlete = this.athletes[Math.floor(random() * this.athletes.length)];
    if (athlete === undefined) return null;
    const kinds = [this.session, this.set, this.note, this.template, this.gym];
    const kind = kinds[Math.floor(random() * kinds.length)] ?? this.session;
    const status = await kind.call(this, base, athlete, random);
    if (status !== null && status < 300) this.acknowledged++;
    else if (status !== null) this.refused++;
    return status;
  }

  private async session(base: string, athlete: string): Promise<number | null> {
    const source = `torture:${randomUUID()}`;
    const body = { date: addDays(TODAY, -(this.n++ % 30)), sport: "hike", kind: "easy", minutes: 41, source };
    const answer = await call(base, "POST", `/athletes/${athlete}/endurance`, body, { "Idempotency-Key": source });
    if (answer?.status === 201) this.sessions.set(source, { athlete, sure: true, body });
    else if (answer === null) this.sessions.set(source, { athlete, sure: false, body });
    return answer?.status ?? null;
  }

  private async set(base: string, athlete: string): Promise<number | null> {
    const at = new Date(Date.UTC(2026, 2, 4) + this.n++).toISOString();
    const mark = `${at}/${randomUUID().slice(0, 8)}`;
    const log = {
      date: TODAY,
      label: "C",
      items: [{ exercise: "bridge", sets: [{ reps: 8, side: "both", at: mark }] }],
    };
    const answer = await call(base, "POST", `/athletes/${athlete}/logs/${TODAY}/C/merge`, { base: null, log });
    if (answer?.status === 200) this.sets.set(mark, { athlete });
    return answer?.status ?? null;
  }

  private async note(base: string, athlete: string, random: () => number): Promise<number | null> {
    const monday = addDays("2026-03-02", 7 * Math.floor(random() * 6));
    const key = `${athlete}/${monday}`;
    const put = async () => {
      const text = `word ${this.n++}`;
      const answer = await call(base, "PUT", `/athletes/${athlete}/notes/${monday}`, { text });
      const known = this.notes.get(key)?.said ?? [];
      if (answer?.status === 204) this.notes.set(key, { athlete, monday, said: [text] });
      // It may have arrived all the same: then this word stands there.
      else if (answer === null)
        this.notes.set(key, { athlete, monday, said: [...(known.length > 0 ? known : [""]), text] });
      return answer?.status ?? null;
    };
    return this.alone(key, put, base, athlete);
  }

  private async template(base: string): Promise<number | null> {
    const name = `t ${randomUUID()}`;
    const items = [{ exercise: "bridge", group: 1, sets: 2, reps: 10 }];
    const answer = await call(
      base,
      "POST",
      "/templates",
      { name, items },
      { "Idempotency-Key": name.replace(" ", "-") },
    );
    if (answer?.status === 201) this.templates.set(name, true);
    else if (answer === null) this.templates.set(name, false);
    return answer?.status ?? null;
  }

  private async gym(base: string, athlete: string): Promise<number | null> {
    const place = `hall-${Math.floor(this.n++ % 5)}`;
    const put = async () => {
      const athletes = 1 + (this.n++ % 190);
      const answer = await call(base, "PUT", `/gym/places/${place}`, { racks: 2, athletes });
      const known = this.gyms.get(place) ?? [];
      if (answer?.status === 204) this.gyms.set(place, [athletes]);
      else if (answer === null) this.gyms.set(place, [...(known.length > 0 ? known : [6]), athletes]);
      return answer?.status ?? null;
    };
    return this.alone(place, put, base, athlete);
  }

  /** Sends again what no answer came to, with the same key. */
  async sendAgain(base: string): Promise<void> {
    for (const [source, s] of this.sessions) {
      if (s.sure) continue;
      const answer = await call(base, "POST", `/athletes/${s.athlete}/endurance`, s.body, {
        "Idempotency-Key": source,
      });
      if (answer?.status === 201) s.sure = true;
    }
    for (const [name, sure] of this.templates) {
      if (sure) continue;
      const items = [{ exercise: "bridge", group: 1, sets: 2, reps: 10 }];
      const answer = await call(
        base,
        "POST",
        "/templates",
        { name, items },
        { "Idempotency-Key": name.replace(" ", "-") },
      );
      if (answer?.status === 201) this.templates.set(name, true);
    }
  }

  /** Compares what is there with what was acknowledged. @returns what is lost or doubled, in words */
  async check(base: string): Promise<{ lost: string[]; doubled: string[] }> {
    const lost: string[] = [];
    const doubled: string[] = [];
    const count = (of: string, n: number) => {
      if (n === 0) lost.push(of);
      if (n > 1) doubled.push(of);
    };
    for (const athlete of this.athletes) {
      const file = await call(base, "GET", `/athletes/${athlete}/file`);
      const planning = await call(base, "GET", `/athletes/${athlete}/planning`);
      if (file?.status !== 200 || planning?.status !== 200) {
        lost.push(`athlete ${athlete} (${file?.status}, ${planning?.status})`);
        continue;
      }
      const a = file.body as {
        endurance: { source?: string }[];
        strengthLog: { label: string; items: { sets: { at?: string }[] }[] }[];
      };
      const sources = tally(a.endurance.map((e) => e.source ?? ""));
      const sets = tally(a.strengthLog.flatMap((l) => l.items.flatMap((i) => i.sets.map((x) => x.at ?? ""))));
      const { notes } = planning.body as { notes: Record<string, string> };
      for (const [source, s] of this.sessions)
        if (s.athlete === athlete && s.sure) count(`session ${source}`, sources.get(source) ?? 0);
      for (const [mark, s] of this.sets) if (s.athlete === athlete) count(`set ${mark}`, sets.get(mark) ?? 0);
      for (const n of this.notes.values())
        if (n.athlete === athlete && !n.said.includes(notes[n.monday] ?? ""))
          lost.push(`note ${n.monday}: ${n.said.join("|")}`);
    }
    const templates = tally(
      (((await call(base, "GET", "/templates"))?.body ?? []) as { name: string }[]).map((t) => t.name),
    );
    for (const [name, sure] of this.templates) if (sure) count(`template ${name}`, templates.get(name) ?? 0);
    for (const [place, said] of this.gyms) {
      const view = (await call(base, "GET", `/gym/${TODAY}?place=${place}`))?.body as
        | { limits: { athletes: number } }
        | undefined;
      if (!view || !said.includes(view.limits.athletes))
        lost.push(`gym ${place}: ${said.join("|")}, found ${view?.limits.athletes}`);
    }
    return { lost, doubled };
  }
}

function tally(values: readonly string[]): Map<string, number> {
  const out = new Map<string, number>();
  for (const v of values) out.set(v, (out.get(v) ?? 0) + 1);
  return out;
}

/** Several writers at once until they are told to stop. */
export async function work(
  ledger: Ledger,
  base: string,
  random: () => number,
  writers: number,
  until: () => boolean,
): Promise<(number | null)[]> {
  const statuses: (number | null)[] = [];
  await Promise.all(
    Array.from({ length: writers }, async () => {
      while (!until()) {
        const status = await ledger.write(base, random);
        statuses.push(status);
        if (status === null) return;
      }
    }),
  );
  return statuses;
}
