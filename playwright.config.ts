import { defineConfig } from "@playwright/test";
import { browserOptions } from "./tests/support/browser";
import { portOf, WORKERS } from "./tests/support/journey";

/** The day on which the journeys happen; tests/support/*.json are made around it. */
const TODAY = "2026-03-03";
const server = (port: number, entry: string, data: string) => ({
  command: `rm -rf ${data} && node dist/server/${entry}.js`,
  url: `http://127.0.0.1:${port}/api/health`,
  env: {
    FIELD_ANCHOR_ACCOUNTS: "open",
    PORT: String(port),
    FIELD_ANCHOR_TODAY: TODAY,
    FIELD_ANCHOR_DATA: data,
    LOG_LEVEL: "warn",
  },
  reuseExistingServer: false,
  timeout: 120_000,
});

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  workers: WORKERS,
  // A busy machine takes its time; what passes does not wait.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [["list"]],
  // A trace costs a sixth of the time: ask for one with --trace retain-on-failure.
  // No hand is quicker than some hundredths of a second; what quick hands need is asked for by journeys of its own.
  use: { viewport: { width: 1280, height: 800 }, launchOptions: { ...browserOptions, slowMo: 20 } },
  projects: [
    {
      name: "coach",
      testMatch:
        /(journey|records|errors|intake|season|week|dose|safety|mileage|health|accounts|athlete|club)\.spec\.ts/,
    },
    { name: "demo", testMatch: /(demo|access|library|rules|phone)\.spec\.ts/ },
  ],
  webServer: Array.from({ length: WORKERS }, (_, i) => [
    server(portOf("coach", i), "main", `.tmp/e2e-coach-${i}`),
    server(portOf("demo", i), "demo", `.tmp/e2e-demo-${i}`),
  ]).flat(),
});
