/** The test of a journey: each worker has a server of each kind for itself, so that journeys of two files never meet in one club. */
import { test as plain } from "@playwright/test";

export { expect, type Locator, type Page } from "@playwright/test";

/** Workers that run at once. */
export const WORKERS = 2;
/** Port of the first worker's server; the next ones follow. */
export const PORTS: Readonly<Record<string, number>> = { coach: 4181, demo: 4191 };

export const test = plain.extend({
  // biome-ignore lint/correctness/noEmptyPattern: the first argument of a fixture has to be destructured
  baseURL: async ({}, use, { project, parallelIndex }) => {
    await use(`http://127.0.0.1:${(PORTS[project.name] ?? 0) + parallelIndex}`);
  },
});
