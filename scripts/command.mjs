/** `npm run backup -- FILE`, `npm run restore -- FILE`: the whole club to a file and back; `npm run clubs`, `move`, `migrate`: clubs on a server. */
import { ensureBuilt, ensureInstalled, follow } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
const [name, ...args] = process.argv.slice(2);
follow(process.execPath, [`dist/server/${name}.js`, ...args]);
