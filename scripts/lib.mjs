/** What the scripts share. Node's own modules only: these run before anything is installed. */
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const CHROMIUM = process.env.CHROMIUM_PATH ?? "/usr/bin/chromium";

/** Runs a command to its end; a failure ends this process with its code. */
export function must(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: "inherit", ...options });
  if (done.error) {
    console.error(`${command}: ${done.error.message}`);
    process.exit(1);
  }
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/**
 * One command to its end. What it says comes when it is over, so that several do not talk at once; of what takes minutes as it is said.
 * @returns its exit code
 */
const told = (command, args, { live = false } = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: live ? "inherit" : ["ignore", "pipe", "pipe"] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (part) => said.push(part));
    child.on("error", (e) => {
      console.error(`${command}: ${e.message}`);
      resolve(1);
    });
    child.on("close", (code) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code ?? 1);
    });
  });

/** Runs commands that do not wait for one another, as many at once as there are processors; a failure of any ends this process with its code. */
export async function mustAll(commands) {
  const waiting = [...commands];
  let failed = 0;
  const next = async () => {
    for (let at = waiting.shift(); at && !failed; at = waiting.shift()) {
      const code = await told(...at);
      // Only now: another may have failed while this one ran.
      failed ||= code;
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() }, next));
  if (failed) process.exit(failed);
}

/** Says what takes a while before it begins, and how long it took after it. */
export function timed(words, work) {
  const began = Date.now();
  console.log(`${words} ...`);
  work();
  const seconds = Math.round((Date.now() - began) / 1000);
  console.log(`  done in ${seconds < 100 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`}`);
}

/** A tool of node_modules. */
export const tool = (name) => join(ROOT, "node_modules", ".bin", name);

/** npm ci, where node_modules is absent or older than the lock file. */
export function ensureInstalled() {
  const marker = join(ROOT, "node_modules", ".package-lock.json");
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync(join(ROOT, "package-lock.json")).mtimeMs - 1000)
    return;
  timed("Installing packages (npm ci): once, a few minutes; SQLite is compiled where no ready build of it fits", () =>
    // The compiler takes as many files at once as there are processors.
    must("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], { env: { ...process.env, JOBS: "max" } }),
  );
}

function newest(path) {
  const s = statSync(path);
  if (!s.isDirectory()) return s.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds web and server where a source is newer than the last build. */
export function ensureBuilt() {
  const stamp = join(ROOT, "dist", "built");
  const sources = [
    "src",
    "public",
    "index.html",
    "phone.html",
    "vite.config.ts",
    "vite.phone.config.ts",
    "package-lock.json",
  ].map((p) => newest(join(ROOT, p)));
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= Math.max(...sources)) return;
  timed("Building the application: once for each version", () => {
    must(tool("vite"), ["build", "--logLevel", "warn"]);
    must(tool("vite"), ["build", "-c", "vite.phone.config.ts", "--logLevel", "warn"]);
    must(tool("vite"), ["build", "--ssr", "--logLevel", "warn"]);
  });
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, new Date().toISOString());
}

/** Installs a package of Debian's where the user may; else says what it is needed for and ends. */
export function ensurePackage(name, why) {
  const root = typeof process.getuid === "function" && process.getuid() === 0;
  const sudo = !root && spawnSync("sudo", ["-n", "true"]).status === 0;
  if (!root && !sudo) {
    console.error(why);
    process.exit(1);
  }
  console.log(`Installing ${name} (apt-get) ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const apt = (args) => must(root ? "apt-get" : "sudo", root ? args : ["-n", "apt-get", ...args], { env });
  apt(["update", "-qq"]);
  apt(["install", "-y", "-qq", "--no-install-recommends", name]);
}

/** Debian's Chromium for the journeys. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  ensurePackage(
    "chromium",
    `Chromium is needed for the journeys and is not at ${CHROMIUM}. Install it (apt-get install chromium), or set CHROMIUM_PATH.`,
  );
}

/** Starts a long-running child and passes signals on. */
export function follow(command, args, env = process.env) {
  const child = spawn(command, args, { cwd: ROOT, stdio: "inherit", env });
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  child.on("exit", (code, signal) => process.exit(code ?? (signal ? 0 : 1)));
  return child;
}
