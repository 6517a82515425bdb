/** How long others wait while the server works hard: health and a logged set while seasons are planned, a rule is saved, an import stored. */
import { type ChildProcess, spawn } from "node:child_process";
import { addDays } from "../src/core/dates";

const PORT = 4193;
const address = `http://127.0.0.1:${PORT}/api`;
const JSON_TYPE = { "Content-Type": "application/json" };

const percentile = (values: readonly number[], p: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * p))] ?? 0;

async function start(data: string, today: string, dist: string, env: NodeJS.ProcessEnv = {}): Promise<ChildProcess> {
  const child = spawn(process.execPath, [`${dist}/main.js`], {
    env: {
      ...process.env,
      PORT: String(PORT),
      FIELD_ANCHOR_DATA: data,
      FIELD_ANCHOR_TODAY: today,
      FIELD_ANCHOR_ACCOUNTS: "open",
      LOG_LEVEL: "error",
      ...env,
    },
    stdio: ["ignore", "ignore", "inherit"],
  });
  for (const until = performance.now() + 60_000; performance.now() < until; )
    try {
      if ((await fetch(`${address}/health`)).ok) return child;
    } catch {
      await new Promise((r) => setTimeout(r, 10));
    }
  throw new Error("the server did not answer within a minute");
}

const end = (child: ChildProcess): Promise<void> =>
  new Promise((done) => {
    child.once("exit", () => done());
    child.kill();
  });

const idsOf = async (): Promise<string[]> =>
  ((await (await fetch(`${address}/squad`)).json()) as { rows: { id: string }[] }).rows.map((r) => r.id);

const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const begin = performance.now();
  await work();
  return performance.now() - begin;
};
const put = (path: string, body: unknown) =>
  fetch(`${address}${path}`, { method: "PUT", headers: JSON_TYPE, body: JSON.stringify(body) });
const season = async (id: string) => (await fetch(`${address}/athletes/${id}/season`)).arrayBuffer();

/** About 24 MB of rows, as the web sends them. */
function bigImport(today: string): string {
  const incoming = Array.from({ length: 95_000 }, (_, i) => ({
    session: {
      date: addDays(today, -(i % 3000) - 1),
      start: `${String(6 + (i % 12)).padStart(2, "0")}:${String(i % 60).padStart(2, "0")}`,
      sport: "run",
      kind: "easy",
      minutes: 20 + (i % 211) / 2,
      distanceKm: 3 + (i % 977) / 50,
      ascentM: i % 400,
      rpe: 1 + (i % 9),
      averageHeartRate: 110 + (i % 60),
      done: true,
      source: `bench:${i}:${"x".repeat(60)}`,
    },
    kindGuessed: false,
  }));
  return JSON.stringify({ name: "big.csv", incoming, races: [] });
}

export interface LoadFigures {
  healthP99: number;
  healthMost: number;
  health: number;
  setMost: number;
  sets: number;
  importMb: number;
  seconds: number;
}

/** Five seasons planned anew, a rule saved for the whole club and a large import stored, all at once. */
export async function underLoad(data: string, today: string, dist = "dist/server"): Promise<LoadFigures> {
  const child = await start(data, today, dist);
  const ids = await idsOf();
  const body = bigImport(today);
  const health: number[] = [];
  const sets: number[] = [];
  let going = true;
  const [lifter = ""] = ids.slice(-1);
  const polling = (async () => {
    while (going) {
      health.push(await timed(async () => (await fetch(`${address}/health`)).arrayBuffer()));
      await new Promise((r) => setTimeout(r, 10));
    }
  })();
  const lifting = (async () => {
    for (let n = 1; going; n++) {
      const items = [
        { exercise: "back-squat", sets: Array.from({ length: n }, () => ({ reps: 5, loadKg: 60, side: "both" })) },
      ];
      sets.push(await timed(() => put(`/athletes/${lifter}/logs/${today}/A`, { date: today, label: "A", items })));
      await new Promise((r) => setTimeout(r, 100));
    }
  })();
  const seconds =
    (await timed(() =>
      Promise.all([
        ...ids.slice(0, 5).map(async (id) => {
          await put(`/athletes/${id}/notes/${today}`, { text: `replanned ${Date.now()}` });
          await season(id);
        }),
        put("/approaches/rules", { rulesOff: ["race.b"] }),
        fetch(`${address}/athletes/${ids[6]}/import`, { method: "POST", headers: JSON_TYPE, body }).then(async (r) => {
          if (r.status !== 201) throw new Error(`import: ${r.status} ${await r.text()}`);
          await r.arrayBuffer();
        }),
      ]),
    )) / 1000;
  going = false;
  await Promise.all([polling, lifting]);
  await end(child);
  return {
    healthP99: percentile(health, 0.99),
    healthMost: Math.max(...health),
    health: health.length,
    setMost: Math.max(...sets),
    sets: sets.length,
    importMb: body.length / 1e6,
    seconds,
  };
}

/** A club's seasons, one after the other on one thread and all at once on two. @returns the share over the ideal, and both times */
export async function clubAtOnce(
  data: string,
  today: string,
  dist = "dist/server",
): Promise<{ over: number; single: number; pool: number; workers: number }> {
  const run = async (workers: number, work: (ids: string[]) => Promise<unknown>): Promise<number> => {
    const child = await start(data, today, dist, { FIELD_ANCHOR_WORKERS: String(workers) });
    const ids = await idsOf();
    // The threads are up and their code is warm, as in a server that has planned the club before.
    await Promise.all(ids.map(season));
    for (const id of ids) await put(`/athletes/${id}/notes/${today}`, { text: `anew ${workers}` });
    const ms = await timed(() => work(ids));
    await end(child);
    return ms;
  };
  const single = await run(1, async (ids) => {
    for (const id of ids) await season(id);
  });
  const pool = await run(2, (ids) => Promise.all(ids.map(season)));
  return { over: pool / (single / 2), single, pool, workers: 2 };
}

/**
 * What two planners that share nothing take side by side for what one takes alone: 1 where the machine's cores are whole ones, more where they
 * share one. No pool can do better than this.
 */
export async function machineShare(today: string): Promise<number> {
  const one = (): Promise<number> =>
    new Promise((done, fail) => {
      const child = spawn(process.execPath, ["--import", "tsx", "scripts/bench-plan.ts", today], {
        stdio: ["ignore", "pipe", "inherit"],
      });
      let out = "";
      child.stdout.on("data", (d) => {
        out += String(d);
      });
      child.once("exit", (code) => (code === 0 ? done(Number(out)) : fail(new Error("bench-plan ended badly"))));
    });
  const alone = await one();
  const both = await Promise.all([one(), one()]);
  return Math.max(...both) / alone;
}
