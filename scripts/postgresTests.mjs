/** `npm run postgres [-- FILES]`: the server's tests, and those of many clubs, on a PostgreSQL server of their own. */
import { ensureBuilt, ensureInstalled, must, tool } from "./lib.mjs";
import { ensurePostgres } from "./postgres.mjs";

ensureInstalled();
ensureBuilt();
ensurePostgres();
const files = process.argv.slice(2);
must(
  tool("vitest"),
  [
    "run",
    ...(files.length > 0 ? files : ["src/server", "tests/postgres", "tests/properties/phone.test.ts", "tests/torture"]),
  ],
  {
    env: { ...process.env, FIELD_ANCHOR_TEST_POSTGRES: "1" },
  },
);
