/** `npm run torture`: kill, power cut, full disk, two processes, clock jumps, bent requests on the built application; `-- --short` a few of each. */
import { ensureBuilt, ensureInstalled, must } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
// The collection of memory is forced, to see what stays.
must(process.execPath, ["--expose-gc", "--import", "tsx", "scripts/torture.ts", ...process.argv.slice(2)]);
