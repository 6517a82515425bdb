/** A large club: its views with everything warm, and one change tried for fifty, made and taken back. */
import { spawn } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";
import type { ManyAnswer, ManyPreview } from "../src/api/many";
import { addDays, mondayOf } from "../src/core/dates";
import { demoAthlete } from "../src/demo/club";
import { PROFILES } from "../src/demo/profiles";
import { Store } from "../src/server/store/store";
import { longHistory } from "./bench-history";

export const CLUB = 200;
const CHANGED = 50;
/** Requests that a browser has open at once. */
const AT_ONCE = 6;
const ASKED = 60;
const PORT = 4189;
const address = `http://127.0.0.1:${PORT}/api`;
const JSON_TYPE = { "Content-Type": "application/json" };

const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const begin = performance.now();
  await work();
  return performance.now() - begin;
};
const p95 = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0;
const read = (path: string) => async () => (await fetch(`${address}${path}`)).arrayBuffer();
const post = async <T>(path: string, body: unknown): Promise<T> =>
  (await (
    await fetch(`${address}${path}`, { method: "POST", headers: JSON_TYPE, body: JSON.stringify(body) })
  ).json()) as T;

async function fill(data: string, today: string): Promise<string[]> {
  rmSync(data, { recursive: true, force: true });
  const store = await Store.open(join(data, "field-anchor.sqlite"));
  const made = PROFILES.map((p) => demoAthlete(p, today));
  const ids: string[] = [];
  for (let n = 0; n < CLUB; n++) {
    const a = made[n % made.length];
    if (a) ids.push(await store.athletes.add(longHistory(a, `${a.athlete.name} ${n}`)));
  }
  await store.close();
  return ids;
}

export interface ClubFigures {
  /** Squad, calendar, club week: 95th percentile, ms. */
  views: number[];
  /** The same, read for the first time. */
  first: number[];
  previews: number;
  made: number;
  undone: number;
}

export async function clubOf200(data: string, today: string): Promise<ClubFigures> {
  const ids = await fill(data, today);
  const child = spawn(process.execPath, ["dist/server/main.js"], {
    env: {
      ...process.env,
      PORT: String(PORT),
      FIELD_ANCHOR_DATA: data,
      FIELD_ANCHOR_TODAY: today,
      FIELD_ANCHOR_ACCOUNTS: "open",
      LOG_LEVEL: "error",
    },
    stdio: ["ignore", "ignore", "inherit"],
  });
  try {
    for (let up = false; !up; ) {
      up = await fetch(`${address}/health`).then(
        (r) => r.ok,
        () => false,
      );
      if (!up) await new Promise((r) => setTimeout(r, 50));
    }
    const [first, views]: [number[], number[]] = [[], []];
    for (const path of ["/squad", "/calendar", `/club/week/${mondayOf(today)}`]) {
      first.push(await timed(read(path)));
      const times: number[] = [];
      for (let n = 0; n < ASKED; n++) times.push(await timed(read(path)));
      views.push(p95(times));
    }
    const some = ids.slice(0, CHANGED);
    const [start, end] = [addDays(mondayOf(today), 7), addDays(mondayOf(today), 20)];
    const change = { kind: "closed", place: "club-gym", start, end, instead: null };
    const found: ManyPreview[] = [];
    const line = [...some];
    const previews = await timed(() =>
      Promise.all(
        Array.from({ length: AT_ONCE }, async () => {
          for (let id = line.shift(); id; id = line.shift()) found.push(await post(`/athletes/${id}/many`, { change }));
        }),
      ),
    );
    const athletes = found.filter((p) => p.fault === null).map(({ id, revision }) => ({ id, revision }));
    let batch: string | null = null;
    const made = await timed(async () => {
      batch = (await post<ManyAnswer>("/many", { change, athletes })).batch;
    });
    const undone = await timed(() => post(`/many/${batch}/undo`, {}));
    return { views, first, previews, made, undone };
  } finally {
    child.kill();
    await new Promise((done) => child.once("exit", done));
    rmSync(data, { recursive: true, force: true });
  }
}
