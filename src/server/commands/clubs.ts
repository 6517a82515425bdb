/**
 * Clubs on a database server, from the command line:
 * `npm run migrate`, `npm run clubs -- list`, `npm run clubs -- add NAME HOST`, `npm run move -- FROM TO`.
 */
import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { Unusable } from "../store/faults";
import { moveClub } from "../store/move";
import { addClub, migrateServer } from "../store/postgres/owner";
import { DatabaseServer } from "../store/postgres/server";
import { Store } from "../store/store";

const say = (line: string): void => void process.stdout.write(`${line}\n`);

function addressIn(name: "FIELD_ANCHOR_DATABASE" | "FIELD_ANCHOR_DATABASE_OWNER"): string {
  const address = process.env[name];
  if (!address)
    throw new Unusable(
      `${name}: the address of the ${name.endsWith("OWNER") ? "tables' owner" : "application's role"} expected, such as "postgres://role@db.example/field_anchor"`,
    );
  return address;
}

/** Role in an address. */
const roleIn = (address: string): string => decodeURIComponent(new URL(address).username);

async function migrate(): Promise<void> {
  const done = await migrateServer(
    addressIn("FIELD_ANCHOR_DATABASE_OWNER"),
    roleIn(addressIn("FIELD_ANCHOR_DATABASE")),
  );
  say(done.length === 0 ? "The tables are up to date." : `Done: ${done.join(", ")}.`);
}

async function add([name, host]: readonly string[]): Promise<void> {
  if (!name || !host) throw new Unusable("Name and address of the club expected: npm run clubs -- add NAME HOST");
  const id = await addClub(addressIn("FIELD_ANCHOR_DATABASE_OWNER"), { name, host });
  say(`${name} is at ${host} (${id}).`);
}

async function withServer<T>(work: (server: DatabaseServer) => Promise<T>): Promise<T> {
  const server = await DatabaseServer.connect(addressIn("FIELD_ANCHOR_DATABASE"));
  try {
    return await work(server);
  } finally {
    await server.close();
  }
}

const list = (): Promise<void> =>
  withServer(async (server) => {
    for (const { name, host, id } of await server.clubs()) say(`${host}\t${name}\t${id}`);
  });

const CLUB = "club:";

/** A club by its file, or by its address on the database server. */
async function opened(name: string, server: () => Promise<DatabaseServer>, isNew: boolean): Promise<Store> {
  if (name.startsWith(CLUB)) {
    const s = await server();
    const club = await s.clubAt(name.slice(CLUB.length));
    if (!club) throw new Unusable(`No club has the address ${name.slice(CLUB.length)}: npm run clubs -- add NAME HOST`);
    return Store.onServer(s, club.id, "");
  }
  const file = resolve(name);
  if (isNew && existsSync(file)) throw new Unusable(`There is a file already: ${file}`);
  if (!isNew && !existsSync(file)) throw new Unusable(`There is no such file: ${file}`);
  return Store.open(file);
}

async function move([from, to]: readonly string[]): Promise<void> {
  if (!from || !to)
    throw new Unusable("From where and to where expected, each a club's file or club:HOST: npm run move -- FROM TO");
  const servers: DatabaseServer[] = [];
  const connect = async () => {
    const server = servers[0] ?? (await DatabaseServer.connect(addressIn("FIELD_ANCHOR_DATABASE")));
    servers[0] = server;
    return server;
  };
  const stores: Store[] = [];
  try {
    for (const [name, isNew] of [
      [from, false],
      [to, true],
    ] as const)
      stores.push(await opened(name, connect, isNew));
    const [source, target] = stores as [Store, Store];
    const moved = await moveClub(source, target, (table) => say(`  ${table}`));
    const rows = Object.values(moved.counts).reduce((a, n) => a + n, 0);
    say(`Moved and read again: ${moved.counts.athlete ?? 0} athletes, ${rows} rows, SHA-256 ${moved.sha256}.`);
  } finally {
    for (const s of stores) await s.close();
    await servers[0]?.close();
  }
}

const COMMANDS: Readonly<Record<string, (args: readonly string[]) => Promise<void>>> = { migrate, add, list, move };

const [name = "list", ...args] = process.argv.slice(2);
const command = COMMANDS[name];
(command
  ? command(args)
  : Promise.reject(new Unusable(`One of ${Object.keys(COMMANDS).join(", ")} expected, found "${name}"`))
)
  .then(() => process.exit(0))
  .catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
