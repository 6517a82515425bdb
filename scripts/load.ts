/**
 * `npm run load [-- --clubs 50 --athletes 40 --minutes 20 --kill 120]`: simulated clubs against two servers, two workers and PostgreSQL on this machine:
 * how fast a line of planning is drained by one worker and by two, and an evening of logging and planning while a server is killed again and again.
 * Without minutes it is the line alone; with --bind 1 each worker of the line has a processor of its own and no other.
 */

import { readFileSync } from "node:fs";
import pg from "pg";
import pino from "pino";
import { demoAthlete } from "../src/demo/club";
import { PROFILES } from "../src/demo/profiles";
import { random } from "../src/demo/random";
import { PlanQueue } from "../src/server/queue/queue";
import { addClub } from "../src/server/store/postgres/owner";
import { inTransaction } from "../src/server/store/postgres/runner";
import { DatabaseServer } from "../src/server/store/postgres/server";
import { TABLES } from "../src/server/store/postgres/tables";
import { Store } from "../src/server/store/store";
import { Cluster, ended, TODAY } from "./load/cluster";
import { Driver, type Evening, type LoadClub, type Sample } from "./load/evening";
import { PlanShare, read } from "./load/share";

const given = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const SIZE = {
  clubs: given("clubs", 50),
  athletes: given("athletes", 40),
  minutes: given("minutes", 20),
  kill: given("kill", 120),
  jobs: given("jobs", 500),
  bind: given("bind", 0),
};
/** Of the athletes of a club, so many train in these minutes: three hours hold a session of an hour. */
const TRAINING = 1 / 3;
/** Between two sets, and between two acts of a coach, ms. */
const SET_REST_MS = 240_000;
const ACT_REST_MS = 60_000;

/** Plans of each worker before the time is taken: so many it takes until its code is compiled for good. */
const WARM_UP = 120;

const percentile = (values: readonly number[], p: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * p))] ?? 0;
const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** Clubs of the demo's athletes, each under a name of its own: one is stored, and its rows are copied for the others. */
async function fill(cluster: Cluster, clubs: number, athletes: number): Promise<LoadClub[]> {
  const server = await DatabaseServer.connect(cluster.postgres.app);
  const files = PROFILES.map((p) => demoAthlete(p, TODAY));
  const add = (c: number) => addClub(cluster.postgres.owner, { name: `Club ${c}`, host: hostOf(c) });
  const first = await add(0);
  const store = await Store.onServer(server, first, "");
  const ids: string[] = [];
  for (let n = 0; n < athletes; n++) {
    const file = files[n % files.length];
    if (file) ids.push(await store.athletes.add({ ...file, athlete: { ...file.athlete, name: `Athlete ${n}` } }));
  }
  await server.close();
  const copies: string[] = [];
  for (let c = 1; c < clubs; c++) copies.push(await add(c));
  // Past every policy, as no application can.
  const all = new pg.Client({ connectionString: cluster.postgres.superuser });
  await all.connect();
  for (const { name, columns } of TABLES) {
    const names = Object.keys(columns).map((n) => `"${n}"`);
    for (const club of copies)
      await all.query(
        `INSERT INTO ${name} (${[...names, "club_id"].join(", ")}) SELECT ${names.join(", ")}, $1 FROM ${name} WHERE club_id = $2`,
        [club, first],
      );
  }
  await all.query("ANALYZE");
  const [size] = (await all.query("SELECT pg_database_size(current_database()) AS bytes")).rows as { bytes: number }[];
  await all.end();
  say(`Database: ${Math.round(Number(size?.bytes) / 1e6)} MB.`);
  return Array.from({ length: clubs }, (_, c) => ({ host: hostOf(c), athletes: ids }));
}
const hostOf = (c: number): string => `club-${c}.example`;

interface Drained {
  seconds: number;
  /** Of the workers. */
  cpuS: number;
  stolenS: number;
}

/**
 * How long it takes until so many rows are planned by so many workers, nothing else running.
 * @param keeps leaves them kept, as a club is found in the evening
 */
async function drained(
  cluster: Cluster,
  clubs: readonly LoadClub[],
  jobs: number,
  workers: number,
  keeps = false,
): Promise<Drained> {
  const server = await DatabaseServer.connect(cluster.postgres.app);
  const queue = await PlanQueue.open({
    url: cluster.postgres.app,
    server,
    log: pino({ level: "silent" }),
    today: () => TODAY,
    program: "load",
  });
  const running = Array.from({ length: workers }, (_, n) => cluster.worker(`worker-${n}`, SIZE.bind > 0 ? n : null));
  const all = clubs.flatMap((c) => c.athletes.map((id) => ({ host: c.host, id }))).slice(0, jobs);
  const known = new Map<string, { id: string; name: string }>();
  for (const c of clubs) {
    const club = await server.clubAt(c.host);
    if (club) known.set(c.host, club);
  }
  const clear = () =>
    Promise.all(
      [...known.values()].map(({ id }) =>
        inTransaction(server.writers, { club: id, begin: "" }, (r) => r.query("DELETE FROM kept_answer")),
      ),
    );
  const put = async (some: typeof all) => {
    for (const { host, id } of some) {
      const club = known.get(host);
      if (club) await queue.put({ club, task: "squadRow", args: { id } });
    }
  };
  const kept = async () => {
    let n = 0;
    for (const { id } of known.values())
      n +=
        (
          (await inTransaction(server.readers, { club: id, begin: "READ ONLY" }, (r) =>
            r.query("SELECT count(*) AS n FROM kept_answer"),
          )) as { n: number }[]
        )[0]?.n ?? 0;
    return n;
  };
  const empty = async (n: number) => {
    // Looking costs too: the line is asked twice a second, and what is kept once it is empty.
    while ((await queue.size()) > 0) await new Promise((r) => setTimeout(r, 500));
    while ((await kept()) < n) await new Promise((r) => setTimeout(r, 100));
  };
  // Every worker has its code compiled and its clubs open before the time is taken.
  const first = Math.min(WARM_UP * workers, all.length);
  await put(all.slice(0, first));
  await empty(first);
  await clear();
  const cpuS = async () => {
    let sum = 0;
    for (const { metrics } of running) sum += (await read(metrics))?.cpuS ?? 0;
    return sum;
  };
  const [cpu, stolen, begin] = [await cpuS(), stolenS(), performance.now()];
  await put(all);
  await empty(all.length);
  const seconds = (performance.now() - begin) / 1000;
  const out = { seconds, cpuS: (await cpuS()) - cpu, stolenS: stolenS() - stolen };
  for (const { child } of running) await ended(child, "SIGTERM");
  if (!keeps) await clear();
  await queue.close();
  await server.close();
  return out;
}

/** What the machine gave to others since it was started, s: a virtual machine's processors are not always its own. 0 where it does not say. */
function stolenS(): number {
  try {
    return Number(readFileSync("/proc/stat", "utf8").split(/\s+/)[8]) / 100;
  } catch {
    return 0;
  }
}

const told = (d: Drained): string =>
  `${d.seconds.toFixed(1)} s (workers ${d.cpuS.toFixed(0)} s of processor time, ${d.stolenS.toFixed(0)} s taken by the machine's other guests)`;

function table(samples: readonly Sample[]): void {
  const kinds = [...new Set(samples.map((s) => s.kind))].sort();
  say(`${"kind".padEnd(12)}${"requests".padStart(9)}${"median".padStart(9)}${"p95".padStart(9)}${"p99".padStart(9)}`);
  for (const kind of [...kinds, "all"]) {
    const ms = samples.filter((s) => kind === "all" || s.kind === kind).map((s) => s.ms);
    say(
      `${kind.padEnd(12)}${String(ms.length).padStart(9)}${[0.5, 0.95, 0.99].map((p) => `${Math.round(percentile(ms, p))} ms`.padStart(9)).join("")}`,
    );
  }
}

/** @returns what was lost and what was doubled, by athlete */
async function compared(
  driver: Driver,
  clubs: readonly LoadClub[],
  out: Evening,
): Promise<{ lost: number; doubled: number; sets: number }> {
  let [lost, doubled, sets] = [0, 0, 0];
  for (const club of clubs)
    for (const id of club.athletes) {
      const loads = out.acknowledged.get(`${club.host} ${id}`);
      if (!loads) continue;
      const stored = await driver.stored(club, id);
      sets += loads.length;
      lost += loads.filter((l) => !stored.includes(l)).length;
      doubled += stored.length - new Set(stored).size;
    }
  return { lost, doubled, sets };
}

async function evening(cluster: Cluster, clubs: readonly LoadClub[], minutes: number, kill: number): Promise<boolean> {
  const rng = random(7);
  const driver = new Driver(cluster, rng);
  const spread = (mean: number) => () => Math.min(mean * 4, -Math.log(1 - rng.next()) * mean);
  const stolen = stolenS();
  const share = new PlanShare([...cluster.servers, ...cluster.workers].map((p) => p.metrics));
  share.start();
  const work: Promise<void>[] = clubs.flatMap((club) => [
    driver.coach(club, spread(ACT_REST_MS)),
    ...club.athletes
      .slice(0, Math.round(club.athletes.length * TRAINING))
      .map((id) => driver.athlete(club, id, spread(SET_REST_MS))),
  ]);
  if (kill > 0) work.push(driver.killer(kill * 1000));
  await new Promise((r) => setTimeout(r, minutes * 60_000));
  driver.stop();
  const planning = await share.stop();
  const taken = stolenS() - stolen;
  // Whoever rests between two sets need not be waited for.
  await Promise.race([Promise.all(work), new Promise((r) => setTimeout(r, 25_000))]);
  const { out } = driver;
  table(out.samples);
  const whole = out.wholeSquads;
  say(
    `A squad's rows all tell the latest state (${whole.length} looks): median ${Math.round(percentile(whole, 0.5))} ms, p95 ${Math.round(percentile(whole, 0.95))} ms.`,
  );
  const { lost, doubled, sets } = await compared(driver, clubs, out);
  const p95 = percentile(
    out.samples.map((s) => s.ms),
    0.95,
  );
  say(
    `${sets} sets acknowledged, ${lost} lost, ${doubled} doubled; ${out.errors.length} errors; ${out.again} requests sent again; ${out.kills} servers killed.`,
  );
  say(
    `Planning: ${planning.planS.toFixed(0)} s of ${planning.cpuS.toFixed(0)} s of processor time of servers and workers (${Math.round((100 * planning.planS) / planning.cpuS)}%). The machine's other guests took ${taken.toFixed(0)} s.`,
  );
  for (const e of out.errors.slice(0, 10)) say(`  ${e}`);
  return lost === 0 && doubled === 0 && out.errors.length === 0 && sets > 0 && p95 < 300;
}

/** Squads are known, as in the evening; a growing number of clubs is printed as a table; then the evening itself. */
async function wholeEvening(cluster: Cluster, clubs: readonly LoadClub[]): Promise<boolean> {
  const all = SIZE.clubs * SIZE.athletes;
  say(`${all} rows of squads kept in ${(await drained(cluster, clubs, all, 2, true)).seconds.toFixed(0)} s.`);
  cluster.servers.push(await cluster.server("server-0", 4471), await cluster.server("server-1", 4472));
  cluster.workers.push(cluster.worker("worker-0"), cluster.worker("worker-1"));
  say("clubs  requests/s  set p95  week p95");
  for (const n of [5, 15, 30, 50].filter((x) => x < SIZE.clubs)) {
    const driver = new Driver(cluster, random(n));
    const rng = random(n + 1);
    const spread = (mean: number) => () => -Math.log(1 - rng.next()) * mean;
    const work = clubs
      .slice(0, n)
      .flatMap((c) => [driver.coach(c, spread(20_000)), driver.athlete(c, c.athletes.at(-1) ?? "", spread(5000))]);
    const window = 45_000;
    await new Promise((r) => setTimeout(r, window));
    driver.stop();
    await Promise.race([Promise.all(work), new Promise((r) => setTimeout(r, 15_000))]);
    const of = (kind: string) => driver.out.samples.filter((s) => s.kind === kind).map((s) => s.ms);
    say(
      `${String(n).padStart(5)}${(driver.out.samples.length / (window / 1000)).toFixed(1).padStart(12)}${`${Math.round(percentile(of("set"), 0.95))} ms`.padStart(9)}${`${Math.round(percentile(of("week"), 0.95))} ms`.padStart(10)}`,
    );
  }
  return evening(cluster, clubs, SIZE.minutes, SIZE.kill);
}

const cluster = await Cluster.open();
let good = false;
try {
  const began = performance.now();
  const clubs = await fill(cluster, SIZE.clubs, SIZE.athletes);
  say(
    `${SIZE.clubs} clubs of ${SIZE.athletes} athletes stored in ${((performance.now() - began) / 1000).toFixed(0)} s.`,
  );
  if (SIZE.jobs > 0) {
    const one = await drained(cluster, clubs, SIZE.jobs, 1);
    const two = await drained(cluster, clubs, SIZE.jobs, 2);
    say(
      `${SIZE.jobs} plans with one worker: ${told(one)};\n  with two: ${told(two)}: ratio ${(one.seconds / two.seconds).toFixed(2)}.`,
    );
  }
  good = SIZE.minutes === 0 || (await wholeEvening(cluster, clubs));
} finally {
  await cluster.close();
}
say(good ? "As asked for." : "NOT as asked for.");
process.exit(good ? 0 : 1);
