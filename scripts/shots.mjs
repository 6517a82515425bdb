import { ensureBuilt, ensureChromium, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureChromium();
ensureBuilt();
must(tool("tsx"), ["scripts/shots.ts"]);
