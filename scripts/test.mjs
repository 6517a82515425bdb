/** `npm test`: everything, on a fresh clone too. What does not wait for one another stands side by side. */
import { CHECKS } from "./checks.mjs";
import { must, mustAll, tool } from "./lib.mjs";

const ensure = (what) => [process.execPath, ["scripts/ensure.mjs", what], { live: true }];

await mustAll([ensure("packages"), ensure("chromium")]);
await mustAll([ensure("built"), ...CHECKS]);
must(tool("vitest"), ["run"]);
must(process.execPath, ["--expose-gc", "--import", "tsx", "scripts/torture.ts", "--short"]);
must(tool("playwright"), ["test"]);
console.log("Everything passed.");
