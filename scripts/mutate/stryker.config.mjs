/** Small changes of one room's code, each of which its tests should notice. Run by `npm run mutate`. */
const room = process.env.FIELD_ANCHOR_ROOM;

export default {
  testRunner: "vitest",
  vitest: { configFile: "scripts/mutate/vitest.config.ts", related: false },
  coverageAnalysis: "perTest",
  mutate: [`src/core/${room}/**/*.ts`, "!src/core/**/*.test.ts"],
  // Words are held by the properties and the journeys.
  mutator: { excludedMutations: ["StringLiteral"] },
  // No type checker: the configuration of the compiler is not for it to read.
  tsconfigFile: "none.json",
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 6_000,
  tempDirName: ".tmp/mutate",
  ignorePatterns: [".tmp", "dist", "docs", "test-results", "tests/e2e", "var"],
  // What was noticed stays noticed while its code and its tests stay: another run weighs what is new.
  incremental: true,
  incrementalFile: `.tmp/mutants/${room}.kept.json`,
  reporters: ["clear-text", "progress-append-only"],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
};
