/** `npm run postgres [-- FILES]`: the server's tests, and those of many clubs, on a PostgreSQL server of their own. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, must, ROOT, tool } from "./lib.mjs";
import { ensurePostgres } from "./postgres.mjs";

/** Tests of the server that have a store: what has none is the same on every database. */
const onStore = () =>
  readdirSync(join(ROOT, "src/server"), { recursive: true })
    .filter((name) => name.endsWith(".test.ts"))
    .map((name) => `src/server/${name}`)
    .filter((name) => /tests\/support\/(server|clubs)"/.test(readFileSync(join(ROOT, name), "utf8")));

ensureInstalled();
ensureBuilt();
ensurePostgres();
const files = process.argv.slice(2);
must(
  tool("vitest"),
  [
    "run",
    ...(files.length > 0 ? files : [...onStore(), "tests/postgres", "tests/properties/phone.test.ts", "tests/torture"]),
  ],
  { env: { ...process.env, FIELD_ANCHOR_TEST_POSTGRES: "1" } },
);
