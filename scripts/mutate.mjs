/**
 * `npm run mutate [-- ROOM ...]`: changes the code of the core's rooms on purpose, one place at a time, and counts what the tests notice.
 * A room takes minutes; what survives is listed, and lies as data in .tmp/mutants.
 */
import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ensureInstalled, ROOT, tool } from "./lib.mjs";

const ROOMS = [
  "athlete",
  "progress",
  "season",
  "mileage",
  "ledger",
  "jumps",
  "planning",
  "screening",
  "endurance",
  "legs",
  "rulebook",
  "dose",
  "session",
  "week",
];

const asked = process.argv.slice(2);
const unknown = asked.filter((room) => !ROOMS.includes(room));
if (unknown.length > 0) {
  console.error(`Unknown room "${unknown[0]}": one of ${ROOMS.join(", ")} expected.`);
  process.exit(1);
}
ensureInstalled();

/** @returns what came of a room's changes, by how they ended */
function mutate(room) {
  const report = join(ROOT, ".tmp/mutants", `${room}.json`);
  const done = spawnSync(tool("stryker"), ["run", "scripts/mutate/stryker.config.mjs"], {
    cwd: ROOT,
    stdio: "inherit",
    env: { ...process.env, FIELD_ANCHOR_ROOM: room },
  });
  if (done.status !== 0 || !existsSync(report)) process.exit(done.status || 1);
  const counts = { Killed: 0, Timeout: 0, Survived: 0, NoCoverage: 0 };
  for (const file of Object.values(JSON.parse(readFileSync(report, "utf8")).files))
    for (const { status } of file.mutants) if (status in counts) counts[status] += 1;
  return counts;
}

const rows = (asked.length > 0 ? asked : ROOMS).map((room) => {
  const { Killed, Timeout, Survived, NoCoverage } = mutate(room);
  const [noticed, all] = [Killed + Timeout, Killed + Timeout + Survived + NoCoverage];
  return {
    room,
    changes: all,
    noticed,
    survived: Survived,
    untested: NoCoverage,
    score: `${((100 * noticed) / all).toFixed(1)}%`,
  };
});
console.table(rows);
