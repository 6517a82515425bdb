/** Makes what is named be there: packages, chromium, built. */
import { ensureBuilt, ensureChromium, ensureInstalled } from "./lib.mjs";

const WHAT = { packages: ensureInstalled, chromium: ensureChromium, built: ensureBuilt };
for (const name of process.argv.slice(2)) WHAT[name]();
