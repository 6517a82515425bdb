/**
 * A PostgreSQL server of its own in a temporary folder, from Debian's packages, for tests and measuring; it goes when it is stopped. It is run as an
 * ordinary user, since it refuses to be run as root.
 */
import { execFileSync, spawn } from "node:child_process";
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensurePackage } from "./lib.mjs";

const PROGRAMS = "/usr/lib/postgresql";
/** Roles: the owner of the tables, and the application's, which sees one club at a time. */
const OWNER = "field_anchor_owner";
const APP = "field_anchor";

/** Folder of the newest version's programs; null where there is none. */
export function postgresPrograms() {
  if (!existsSync(PROGRAMS)) return null;
  const newest = readdirSync(PROGRAMS)
    .filter((v) => existsSync(join(PROGRAMS, v, "bin/initdb")))
    .sort((a, b) => Number(b) - Number(a))[0];
  return newest ? join(PROGRAMS, newest, "bin") : null;
}

/** Debian's package. */
export function ensurePostgres() {
  if (!postgresPrograms())
    ensurePackage("postgresql", "PostgreSQL is needed for these tests. Install it (apt-get install postgresql).");
}

/** Root lends the server another user's name. */
function ordinaryUser() {
  if (process.getuid?.() !== 0) return {};
  const id = (flag) => Number(execFileSync("id", [flag, "postgres"], { encoding: "utf8" }));
  return { uid: id("-u"), gid: id("-g") };
}

const freePort = () =>
  new Promise((done) => {
    const s = createServer().listen(0, "127.0.0.1", () => {
      const { port } = s.address();
      s.close(() => done(port));
    });
  });

/**
 * @param durable as in production; else nothing is waited for on the disk
 * @returns addresses of the owner's role and of the application's, and how it is stopped
 */
export async function startPostgres({ durable = false } = {}) {
  ensurePostgres();
  const bin = postgresPrograms();
  const user = ordinaryUser();
  const folder = mkdtempSync(join(tmpdir(), "field-anchor-postgres-"));
  if (user.uid !== undefined) chownSync(folder, user.uid, user.gid);
  const data = join(folder, "data");
  const run = (program, args) =>
    execFileSync(join(bin, program), args, { ...user, cwd: folder, stdio: "pipe", env: { PATH: process.env.PATH } });
  run("initdb", ["-D", data, "-U", "postgres", "--auth=trust", "--no-sync", "-E", "UTF8", "--locale=C"]);
  const port = await freePort();
  const off = durable ? "" : "fsync = off\nsynchronous_commit = off\nfull_page_writes = off\n";
  writeFileSync(
    join(data, "postgresql.auto.conf"),
    `listen_addresses = '127.0.0.1'\nport = ${port}\nunix_socket_directories = '${folder}'\nmax_connections = 200\n${off}`,
  );
  const psql = (database, sql) =>
    run("psql", [
      "-h",
      "127.0.0.1",
      "-p",
      String(port),
      "-U",
      "postgres",
      "-q",
      "-v",
      "ON_ERROR_STOP=1",
      "-d",
      database,
      "-c",
      sql,
    ]);
  const begin = async () => {
    const started = spawn(join(bin, "postgres"), ["-D", data], { ...user, cwd: folder, stdio: "ignore" });
    for (let n = 0; ; n++)
      try {
        run("pg_isready", ["-h", "127.0.0.1", "-p", String(port)]);
        return started;
      } catch (error) {
        if (n > 200) throw error;
        await new Promise((r) => setTimeout(r, 100));
      }
  };
  let server = await begin();
  // At once, as when it falls.
  const halt = async () => {
    const gone = new Promise((done) => server.once("exit", done));
    server.kill("SIGQUIT");
    await gone;
  };
  psql("postgres", `CREATE ROLE ${OWNER} LOGIN`);
  psql("postgres", `CREATE ROLE ${APP} LOGIN`);
  psql("postgres", `CREATE DATABASE field_anchor OWNER ${OWNER}`);
  psql("field_anchor", `ALTER SCHEMA public OWNER TO ${OWNER}`);
  const address = (role) => `postgres://${role}@127.0.0.1:${port}/field_anchor`;
  return {
    owner: address(OWNER),
    app: address(APP),
    role: APP,
    superuser: `postgres://postgres@127.0.0.1:${port}/field_anchor`,
    halt,
    again: async () => {
      server = await begin();
    },
    stop: async () => {
      await halt();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
