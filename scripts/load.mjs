import { ensureBuilt, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
must(tool("tsx"), ["scripts/load.ts", ...process.argv.slice(2)]);
