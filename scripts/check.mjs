/** `npm run check`: format and lint, types, arrows, and what is written from the code: published schemas and the handbook. */
import { ensureInstalled, must, tool } from "./lib.mjs";

ensureInstalled();
must(tool("biome"), ["check", "--error-on-warnings", "."]);
must(tool("tsc"), ["--noEmit", "-p", "."]);
must(tool("tsx"), ["scripts/arrows.ts"]);
must(tool("tsx"), ["scripts/schemas.ts", "--check"]);
must(tool("tsx"), ["scripts/handbook.ts", "--check"]);
must(tool("tsx"), ["scripts/guide.ts", "--check"]);
must(tool("tsx"), ["scripts/literals.ts"]);
must(tool("tsx"), ["scripts/lengths.ts"]);
must(tool("tsx"), ["scripts/tokens.ts"]);
