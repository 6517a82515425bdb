/** `npm test`: everything, on a fresh clone too. */
import { ensureBuilt, ensureChromium, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureChromium();
must(process.execPath, ["scripts/check.mjs"]);
must(tool("vitest"), ["run"]);
ensureBuilt();
must(tool("playwright"), ["test"]);
console.log("Everything passed.");
