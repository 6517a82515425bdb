/** `npm start`: the built application on a real database. FIELD_ANCHOR_DATA names its folder, PORT and HOST its address. */
import { ensureBuilt, ensureInstalled, follow } from "./lib.mjs";

ensureInstalled();
ensureBuilt();
follow(process.execPath, ["dist/server/main.js"]);
