/** The campaigns of `npm run torture`. Each prints what it did and returns what was lost; each can be run so that it must report losses. */
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import BetterSqlite3 from "better-sqlite3";
import { call, kill, Ledger, startClub, stop, whyNot, work } from "./club";
import { cutPower, photograph, type Random } from "./disk";

export interface Outcome {
  name: string;
  rounds: number;
  acknowledged: number;
  refused: number;
  lost: string[];
  doubled: string[];
  /** Whatever else is not as promised. */
  faults: string[];
}

const outcome = (name: string): Outcome => ({
  name,
  rounds: 0,
  acknowledged: 0,
  refused: 0,
  lost: [],
  doubled: [],
  faults: [],
});

/** A small, seeded generator (mulberry32). */
export function randomOf(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export const SHIM = resolve(".tmp/torture/shim.so");

/** Builds the shim with g++. */
export function buildShim(): void {
  mkdirSync(".tmp/torture", { recursive: true });
  const made = spawnSync(
    "g++",
    ["-O2", "-Wall", "-shared", "-fPIC", "-o", SHIM, join(import.meta.dirname, "shim.cpp"), "-ldl", "-pthread"],
    { stdio: "inherit" },
  );
  if (made.status !== 0) throw new Error("g++ did not build the shim");
}

const folderOf = (name: string): string => {
  const folder = resolve(".tmp/torture", name);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  return folder;
};

/** Every page of the file and every table sound, looked at in a process of its own. */
function integrity(data: string, faults: string[]): void {
  const file = join(data, "field-anchor.sqlite");
  if (!existsSync(file)) {
    faults.push("the club's file is gone");
    return;
  }
  const db = new BetterSqlite3(file);
  const found = db.pragma("integrity_check(3)", { simple: true });
  const orphans = db.pragma("foreign_key_check") as unknown[];
  db.close();
  if (found !== "ok" || orphans.length > 0) faults.push(`integrity: ${String(found)}, ${orphans.length} orphans`);
}

export interface Size {
  rounds: number;
  seed: number;
  /** Rounds after which a new club is begun. */
  fresh?: number;
}

/** Milliseconds of work between a start and its end. */
const workMs = (random: Random): number => 60 + random() * 340;
const WRITERS = 4;

/** kill -9 in the middle of writes. With `tamper` one acknowledged write is taken out of the file: it must be reported. */
export async function kills({ rounds, seed, fresh = 60 }: Size, tamper = false): Promise<Outcome> {
  const out = outcome("kill -9");
  const random = randomOf(seed);
  const data = folderOf(`kill-${seed}`);
  let ledger = new Ledger();
  for (; out.rounds < rounds; out.rounds++) {
    if (out.rounds % fresh === 0) {
      add(out, ledger);
      ledger = new Ledger();
      rmSync(data, { recursive: true, force: true });
    }
    const club = await startClub(data);
    if (!club) {
      out.faults.push(`did not start again: ${whyNot()}`);
      break;
    }
    await ledger.sendAgain(club.base);
    if (ledger.athletes.length < 2) await ledger.begin(club.base);
    report(out, await ledger.check(club.base));
    const until = performance.now() + workMs(random);
    const working = work(ledger, club.base, random, WRITERS, () => performance.now() > until + 2000);
    await new Promise((r) => setTimeout(r, until - performance.now()));
    await kill(club);
    await working;
    if (tamper && out.rounds === 1) removeOne(data);
    if (out.rounds % 10 === 9) integrity(data, out.faults);
  }
  await last(data, ledger, out);
  return out;
}

function removeOne(data: string): void {
  const db = new BetterSqlite3(join(data, "field-anchor.sqlite"));
  db.exec(
    "DELETE FROM endurance_session WHERE data LIKE '%torture:%' AND rowid = (SELECT min(rowid) FROM endurance_session WHERE data LIKE '%torture:%')",
  );
  db.exec("DELETE FROM idempotency");
  db.close();
}

const add = (out: Outcome, ledger: Ledger): void => {
  out.acknowledged += ledger.acknowledged;
  out.refused += ledger.refused;
};
const report = (out: Outcome, found: { lost: string[]; doubled: string[] }): void => {
  out.lost.push(...found.lost);
  out.doubled.push(...found.doubled);
};

async function last(data: string, ledger: Ledger, out: Outcome, env: NodeJS.ProcessEnv = {}): Promise<void> {
  add(out, ledger);
  const club = await startClub(data, env);
  if (!club) {
    out.faults.push(`did not start at the end: ${whyNot()}`);
    return;
  }
  await ledger.sendAgain(club.base);
  report(out, await ledger.check(club.base));
  const code = await stop(club);
  if (code !== 0) out.faults.push(`ended with ${code}`);
  integrity(data, out.faults);
}

/** The power goes: what was not synced is lost or torn. */
export async function powerCuts({ rounds, seed, fresh = 4 }: Size, control = ""): Promise<Outcome> {
  const out = outcome(control ? `power cut, control ${control}` : "power cut");
  const random = randomOf(seed);
  const data = folderOf(`power-${seed}${control}`);
  const log = `${data}.log`;
  let ledger = new Ledger();
  for (; out.rounds < rounds; out.rounds++) {
    if (out.rounds % fresh === 0) {
      add(out, ledger);
      ledger = new Ledger();
      rmSync(data, { recursive: true, force: true });
    }
    rmSync(log, { force: true });
    const before = photograph(data);
    const club = await startClub(data, {
      LD_PRELOAD: SHIM,
      FA_SHIM_DIR: data,
      FA_SHIM_LOG: log,
      FIELD_ANCHOR_TORTURE_CONTROL: control,
    });
    if (!club) {
      out.faults.push(`did not start after a power cut: ${whyNot()}`);
      rmSync(data, { recursive: true, force: true });
      ledger = new Ledger();
      continue;
    }
    await ledger.sendAgain(club.base);
    report(out, await ledger.check(club.base));
    if (out.lost.length > 0 && control) {
      await kill(club);
      break;
    }
    if (ledger.athletes.length < 2) await ledger.begin(club.base);
    const until = performance.now() + workMs(random);
    const working = work(ledger, club.base, random, WRITERS, () => performance.now() > until + 2000);
    await new Promise((r) => setTimeout(r, until - performance.now()));
    await kill(club);
    await working;
    cutPower(data, before, log, random);
  }
  await last(data, ledger, out);
  return out;
}

/** The disk is full for a while, with refused and faulty requests in between. */
export async function fullDisks({ rounds, seed }: Size, control = ""): Promise<Outcome> {
  const out = outcome(control ? `full disk, control ${control}` : "full disk");
  const random = randomOf(seed);
  for (; out.rounds < rounds; out.rounds++) {
    const data = folderOf(`disk-${seed}${control}`);
    const full = `${data}.full`;
    rmSync(full, { force: true });
    const club = await startClub(data, {
      LD_PRELOAD: SHIM,
      FA_SHIM_DIR: data,
      FA_SHIM_FULL: full,
      FIELD_ANCHOR_TORTURE_CONTROL: control,
    });
    if (!club) {
      out.faults.push(`did not start: ${whyNot()}`);
      continue;
    }
    const ledger = new Ledger();
    await ledger.begin(club.base);
    const some = async (n: number) => {
      let left = n;
      return work(ledger, club.base, random, WRITERS, () => left-- <= 0);
    };
    await some(10);
    writeFileSync(full, String(Math.floor(random() * 150_000)));
    // Until the disk says no; then a faulty request, and on.
    let said = 0;
    for (let n = 0; n < 60 && said === 0; n++) said = (await some(8)).filter((s) => s === 507).length;
    if (said === 0 && !control) out.faults.push("the full disk was never said (507)");
    const faulty = await call(club.base, "PUT", `/athletes/${ledger.athletes[0]}/windows`, { windows: "none" });
    if (faulty?.status !== 422) out.faults.push(`a faulty request was answered ${faulty?.status}`);
    await some(12);
    const red = await call(club.base, "GET", "/health");
    if (!control && red?.status !== 503) out.faults.push(`health said ${red?.status} with a full disk`);
    rmSync(full, { force: true });
    for (let n = 0; n < 100; n++) {
      if ((await call(club.base, "GET", "/health"))?.status === 200) break;
      await new Promise((r) => setTimeout(r, 100));
    }
    const after = await some(30);
    if (!control && after.some((s) => s === null || s >= 500)) out.faults.push("not well again once there was room");
    await kill(club);
    await last(data, ledger, out);
    if (control && out.lost.length > 0) break;
  }
  return out;
}

/** Two processes on one folder: the second is turned away in words, the first goes on. */
export async function twoProcesses({ rounds, seed }: Size): Promise<Outcome> {
  const out = outcome("two processes");
  const random = randomOf(seed);
  const data = folderOf(`two-${seed}`);
  const ledger = new Ledger();
  for (; out.rounds < rounds; out.rounds++) {
    const both = await Promise.all([startClub(data), startClub(data)]);
    const up = both.filter((c) => c !== null);
    if (up.length !== 1) out.faults.push(`${up.length} of two started`);
    const [club] = up;
    if (!club) break;
    if (ledger.athletes.length === 0) await ledger.begin(club.base);
    await ledger.sendAgain(club.base);
    let left = 12;
    await work(ledger, club.base, random, WRITERS, () => left-- <= 0);
    for (const c of up) await (random() < 0.5 ? kill(c) : stop(c));
  }
  await last(data, ledger, out);
  return out;
}

/** The clock jumps back and forth between starts: nothing depends on it. */
export async function clockJumps({ rounds, seed }: Size): Promise<Outcome> {
  const out = outcome("clock jumps");
  const random = randomOf(seed);
  const data = folderOf(`clock-${seed}`);
  const ledger = new Ledger();
  const shift = join(import.meta.dirname, "clock.cjs");
  for (; out.rounds < rounds; out.rounds++) {
    const days = Math.round((random() - 0.5) * 4000);
    const club = await startClub(data, { NODE_OPTIONS: `--require ${shift}`, FA_CLOCK_DAYS: String(days) });
    if (!club) {
      out.faults.push(`did not start ${days} days off: ${whyNot()}`);
      continue;
    }
    if (ledger.athletes.length === 0) await ledger.begin(club.base);
    report(out, await ledger.check(club.base));
    let left = 20;
    await work(ledger, club.base, random, WRITERS, () => left-- <= 0);
    await stop(club);
    const backups = existsSync(join(data, "backups"))
      ? readdirSync(join(data, "backups")).filter((n) => n.endsWith(".sqlite"))
      : [];
    if (backups.length > 14) out.faults.push(`${backups.length} backups`);
    if (out.rounds > 1 && backups.length === 0) out.faults.push("no backup left");
  }
  await last(data, ledger, out);
  return out;
}

/** In one line. */
export const inWords = (o: Outcome): string =>
  `${o.name.padEnd(34)} ${String(o.rounds).padStart(4)} rounds ${String(o.acknowledged).padStart(6)} acknowledged ${String(o.refused).padStart(5)} refused ${String(o.lost.length).padStart(4)} lost ${String(o.doubled.length).padStart(3)} doubled ${o.faults.length} faults`;
