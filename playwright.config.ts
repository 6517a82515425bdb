import { defineConfig } from "@playwright/test";
import { browserOptions } from "./tests/support/browser";
import { portOf, WORKERS } from "./tests/support/journey";

/** The day on which the journeys happen; tests/support/*.json are made around it. */
const TODAY = "2026-03-03";
const demoData = (i: number): string => `.tmp/e2e-demo-${i}`;
/** The servers are started one after the other: the first one's club is made, and copied for the others. */
const makeDemo = [
  ...Array.from({ length: WORKERS }, (_, i) => `rm -rf ${demoData(i)}`),
  "node dist/server/demo.js --make",
  ...Array.from({ length: WORKERS - 1 }, (_, i) => `cp -r ${demoData(0)} ${demoData(i + 1)}`),
].join(" && ");
const server = (port: number, command: string, data: string) => ({
  command,
  url: `http://127.0.0.1:${port}/api/health`,
  env: {
    FIELD_ANCHOR_ACCOUNTS: "open",
    PORT: String(port),
    FIELD_ANCHOR_TODAY: TODAY,
    FIELD_ANCHOR_DATA: data,
    LOG_LEVEL: "warn",
    // One thread plans for one journey: two browsers and their servers have the machine.
    FIELD_ANCHOR_WORKERS: "1",
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
    server(portOf("coach", i), `rm -rf .tmp/e2e-coach-${i} && node dist/server/main.js`, `.tmp/e2e-coach-${i}`),
    server(portOf("demo", i), `${i === 0 ? `${makeDemo} && ` : ""}node dist/server/demo.js`, demoData(i)),
  ]).flat(),
});
