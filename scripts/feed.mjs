/** `npm run feed`: the simulated training log alone, on http://127.0.0.1:4174; FEED_PORT changes it. */
import { ensureBuilt, ensureInstalled, follow } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
follow(process.execPath, ["dist/server/feed.js"]);
