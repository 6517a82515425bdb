/** `npm run torture [-- --short]`: what is promised on kill, power cut and full disk, tried until it would show. */
import { availableParallelism } from "node:os";
import {
  buildShim,
  clockJumps,
  fullDisks,
  inWords,
  kills,
  type Outcome,
  powerCuts,
  randomOf,
  type Size,
  twoProcesses,
} from "../tests/torture/campaigns";
import { feedLies } from "../tests/torture/feed";
import { fuzz } from "../tests/torture/fuzz";

const short = process.argv.includes("--short");
const SIZES = short
  ? { kill: 4, power: 6, disk: 2, two: 2, clock: 2, control: 40, fuzz: 300, feed: 1 }
  : { kill: 500, power: 200, disk: 50, two: 20, clock: 20, control: 60, fuzz: 15_000, feed: 10 };
/** Campaigns side by side: each is mostly one server waiting for its disk. */
const LANES = Math.max(2, availableParallelism());

let failed = false;
const fail = (text: string): void => {
  console.error(text);
  failed = true;
};

/** Runs a campaign in several lanes with seeds of their own and adds them up. */
async function run(campaign: (size: Size) => Promise<Outcome>, rounds: number, seed: number): Promise<void> {
  const lanes = Math.min(LANES, rounds);
  const parts = await Promise.all(
    Array.from({ length: lanes }, (_, i) =>
      campaign({ rounds: Math.floor(rounds / lanes) + (i < rounds % lanes ? 1 : 0), seed: seed + i }),
    ),
  );
  const sum = parts.reduce((a, b) => ({
    name: a.name,
    rounds: a.rounds + b.rounds,
    acknowledged: a.acknowledged + b.acknowledged,
    refused: a.refused + b.refused,
    lost: [...a.lost, ...b.lost],
    doubled: [...a.doubled, ...b.doubled],
    faults: [...a.faults, ...b.faults],
  }));
  console.log(inWords(sum));
  for (const text of [...sum.lost, ...sum.doubled, ...sum.faults].slice(0, 12)) fail(`  ${text}`);
  if (sum.acknowledged === 0) fail(`  ${sum.name}: nothing was acknowledged, so nothing was tried`);
}

/** A way of writing that is known to lose data: a campaign that reports nothing of it would be blind. */
async function control(campaign: () => Promise<Outcome>): Promise<void> {
  const out = await campaign();
  console.log(`${inWords(out)} (must lose)`);
  if (out.lost.length === 0) fail(`  ${out.name}: the control lost nothing, so the campaign would not notice`);
}

/** Requests from the list of routes, bent. */
async function bent(): Promise<void> {
  const { requests, statuses, faults, grownMb } = await fuzz(SIZES.fuzz, randomOf(seed + 800));
  const said = Object.entries(statuses).map(([s, n]) => `${s}: ${n}`);
  console.log(
    `${"fuzz".padEnd(34)} ${requests} requests; ${said.join(", ")}; ${faults.length} faults; memory ${grownMb === null ? "not measured" : `${grownMb >= 0 ? "+" : ""}${grownMb.toFixed(1)} MB`}`,
  );
  for (const text of faults.slice(0, 12)) fail(`  ${text}`);
  if (grownMb !== null && grownMb > 50) fail(`  memory grew by ${grownMb.toFixed(0)} MB, at most 50 expected`);
  const control = await fuzz(100, randomOf(seed + 900), true);
  console.log(
    `${"fuzz, control".padEnd(34)} ${control.requests} requests; ${control.faults.length} faults (must find some)`,
  );
  if (control.faults.length === 0) fail("  the fuzz would not notice a failure");
}

/** A training log that lies. */
async function lyingLog(): Promise<void> {
  for (let n = 0; n < SIZES.feed; n++) {
    const out = await feedLies(randomOf(seed + 1000 + n));
    console.log(
      `${"training log that lies".padEnd(34)} ${out.pulls} pulls, ${out.failed} failed; ${out.stored} of ${out.expected} activities; ${out.elsewhere} requests elsewhere`,
    );
    if (out.stored !== out.expected || out.elsewhere > 0) fail("  not exact");
  }
}

const begin = performance.now();
const seed = Number(process.env.TORTURE_SEED ?? 20);
const only = process.argv.find((a) => a.startsWith("--only="))?.slice(7);
const wanted = (name: string): boolean => only === undefined || only === name;
buildShim();
// The short run leaves these two to the unit tests, which have them.
if (wanted("fuzz") && !short) await bent();
if (wanted("feed") && !short) await lyingLog();
if (wanted("kill")) await run(kills, SIZES.kill, seed);
if (wanted("power")) await run(powerCuts, SIZES.power, seed + 100);
if (wanted("disk")) await run(fullDisks, SIZES.disk, seed + 200);
if (wanted("two")) await run(twoProcesses, SIZES.two, seed + 300);
if (wanted("clock")) await run(clockJumps, SIZES.clock, seed + 400);
if (wanted("control"))
  await Promise.all([
    control(() => kills({ rounds: 3, seed: seed + 500 }, true)),
    control(() => powerCuts({ rounds: SIZES.control, seed: seed + 600 }, "synchronous")),
    control(() => fullDisks({ rounds: SIZES.control, seed: seed + 700 }, "framework")),
  ]);
console.log(`${((performance.now() - begin) / 60_000).toFixed(1)} min`);
process.exit(failed ? 1 : 0);
