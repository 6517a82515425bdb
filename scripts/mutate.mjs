/**
 * `npm run mutate [-- ROOM ...]`: changes the code of the core's rooms on purpose, one place at a time, and counts what the tests notice.
 * A room takes minutes, some an hour; what survives is listed file by file, and lies as data in .tmp/mutants: a run that was broken off goes
 * on where it was.
 */
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
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

/** The files of a room that are changed on purpose. */
const filesOf = (room) =>
  readdirSync(join(ROOT, "src/core", room), { recursive: true })
    .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"))
    .map((f) => `src/core/${room}/${f}`)
    .sort();

/** One file after the other, so that what was found stays found where a long run is broken off. @returns how a room's changes ended */
function mutate(room) {
  const files = filesOf(room);
  for (const file of files) {
    const done = spawnSync(tool("stryker"), ["run", "scripts/mutate/stryker.config.mjs", "--mutate", file], {
      cwd: ROOT,
      stdio: "inherit",
      env: { ...process.env, FIELD_ANCHOR_ROOM: room },
    });
    if (done.status !== 0) process.exit(done.status || 1);
  }
  const counts = { Killed: 0, Timeout: 0, Survived: 0, NoCoverage: 0 };
  const kept = JSON.parse(readFileSync(join(ROOT, ".tmp/mutants", `${room}.kept.json`), "utf8"));
  for (const file of files)
    for (const { status } of kept.files[file]?.mutants ?? []) if (status in counts) counts[status] += 1;
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
