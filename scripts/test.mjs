/** `npm test`: everything, on a fresh clone too. */
import { ensureBuilt, ensureChromium, ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
ensureChromium();
must(process.execPath, ["scripts/check.mjs"]);
must(tool("vitest"), ["run"]);
ensureBuilt();
must(process.execPath, ["--expose-gc", "--import", "tsx", "scripts/torture.ts", "--short"]);
must(tool("playwright"), ["test"]);
console.log("Everything passed.");
