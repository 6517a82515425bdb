/** What `npm run check` runs: format and lint, types, arrows, and what is written from the code: published schemas and the handbook. The longest first. */
import { tool } from "./lib.mjs";

export const CHECKS = [
  [tool("tsc"), ["--noEmit", "-p", "."]],
  [tool("tsx"), ["scripts/arrows.ts"]],
  [tool("biome"), ["check", "--error-on-warnings", "."]],
  [tool("tsx"), ["scripts/schemas.ts", "--check"]],
  [tool("tsx"), ["scripts/handbook.ts", "--check"]],
  [tool("tsx"), ["scripts/guide.ts", "--check"]],
  [tool("tsx"), ["scripts/literals.ts"]],
  [tool("tsx"), ["scripts/lengths.ts"]],
  [tool("tsx"), ["scripts/tokens.ts"]],
];
