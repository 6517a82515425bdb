/** `npm run check`: what the code is held to without being run. */
import { CHECKS } from "./checks.mjs";
import { ensureInstalled, mustAll } from "./lib.mjs";

ensureInstalled();
await mustAll(CHECKS);
