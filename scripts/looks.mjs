import { ensureBuilt, ensureChromium, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureChromium();
ensureBuilt();
must(tool("tsx"), ["scripts/looks.ts", ...process.argv.slice(2)]);
