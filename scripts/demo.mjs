/** `npm run demo`: installs what is missing, builds, makes the demo club, starts, prints the address. */
import { ensureBuilt, ensureInstalled, follow } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
follow(process.execPath, ["dist/server/demo.js", ...process.argv.slice(2)], { LOG_LEVEL: "warn", ...process.env });
