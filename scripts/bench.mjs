import { ensureBuilt, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
must(tool("tsx"), ["scripts/bench.ts", ...process.argv.slice(2)]);
