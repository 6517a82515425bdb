/** New clubs for tests: in a file, or on the database server that the tests were started with. */
import { dirname, join } from "node:path";
import type { ClubOfWork, WorkerSetup } from "../../src/server/jobs/messages";
import { ClubDatabase } from "../../src/server/store/postgres/database";
import { addClub } from "../../src/server/store/postgres/owner";
import { DatabaseServer } from "../../src/server/store/postgres/server";
import { Store } from "../../src/server/store/store";

const { FIELD_ANCHOR_TEST_OWNER: owner, FIELD_ANCHOR_TEST_APP: app } = process.env;

/** Tests about a club's own file have no place on a database server. */
export const ON_SERVER = owner !== undefined && app !== undefined;

let server: Promise<DatabaseServer> | null = null;
export const testDatabaseServer = (): Promise<DatabaseServer> => {
  server ??= DatabaseServer.connect(app ?? "", { readers: 8, writers: 4 });
  return server;
};

let made = 0;
/** @returns the id of a new club */
export const newClub = (): Promise<string> =>
  addClub(owner ?? "", { name: "Test club", host: `club-${process.pid}-${++made}.example` });

/** A second store of the same club, as a worker thread has it. */
export const readingStore = async (store: Store, file: string): Promise<Store> =>
  store.db instanceof ClubDatabase
    ? Store.onServer(await testDatabaseServer(), store.db.club, store.backups)
    : Store.reading(file);

/** Worker threads of one club. */
export function poolSource(
  store: Store,
  file: string,
  name: string,
): { source: WorkerSetup["source"]; club: ClubOfWork | null } {
  return store.db instanceof ClubDatabase
    ? { source: { server: app ?? "" }, club: { id: store.db.club, name } }
    : { source: { file, clubName: name }, club: null };
}

/** @param file of the club; on a database server, beside which its copies stand */
export async function newStore(file: string): Promise<Store> {
  return ON_SERVER
    ? Store.onServer(await testDatabaseServer(), await newClub(), join(dirname(file), "backups"))
    : Store.open(file);
}
