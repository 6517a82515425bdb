/** `npm run check`: format and lint, types, arrows, and the published schemas against the code. */
import { ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
must(tool("biome"), ["check", "--error-on-warnings", "."]);
must(tool("tsc"), ["--noEmit", "-p", "."]);
must(tool("tsx"), ["scripts/arrows.ts"]);
must(tool("tsx"), ["scripts/schemas.ts", "--check"]);
