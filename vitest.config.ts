import { defineConfig } from "vitest/config";
import { LongestFirst } from "./tests/support/longestFirst";

export default defineConfig({
  test: {
    include: [
      "src/**/*.test.ts",
      "tests/reference/**/*.test.ts",
      "tests/simulation/**/*.test.ts",
      "tests/torture/**/*.test.ts",
      "tests/properties/**/*.test.ts",
      "tests/rulebook/**/*.test.ts",
      "tests/postgres/**/*.test.ts",
    ],
    globalSetup: "tests/support/postgres.ts",
    testTimeout: 120_000,
    hookTimeout: 60_000,
    environment: "node",
    maxWorkers: "100%",
    // Files of one worker share what they import: the core is read in once, not a hundred times. No test changes what another sees.
    isolate: false,
    sequence: { sequencer: LongestFirst },
  },
});
