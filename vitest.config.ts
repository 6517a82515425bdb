import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: [
      "src/**/*.test.ts",
      "tests/reference/**/*.test.ts",
      "tests/simulation/**/*.test.ts",
      "tests/torture/**/*.test.ts",
      "tests/properties/**/*.test.ts",
      "tests/rulebook/**/*.test.ts",
    ],
    testTimeout: 120_000,
    environment: "node",
    maxWorkers: "100%",
  },
});
