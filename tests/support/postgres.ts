/** With FIELD_ANCHOR_TEST_POSTGRES=1 the clubs of the tests are on a database server, started once for all of them. */
import type { TestProject } from "vitest/node";
import { type Postgres, startPostgres } from "../../scripts/postgres.mjs";
import { migrateServer } from "../../src/server/store/postgres/owner";

export default async function setup(_project: TestProject): Promise<(() => Promise<void>) | undefined> {
  if (process.env.FIELD_ANCHOR_TEST_POSTGRES !== "1") return undefined;
  const server: Postgres = await startPostgres();
  await migrateServer(server.owner, server.role);
  process.env.FIELD_ANCHOR_TEST_OWNER = server.owner;
  process.env.FIELD_ANCHOR_TEST_APP = server.app;
  return () => server.stop();
}
