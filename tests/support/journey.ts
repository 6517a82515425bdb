/** The test of a journey: each worker has a server of each kind for itself, so that journeys of two files never meet in one club. */
import { test as plain } from "@playwright/test";

export { expect, type Locator, type Page } from "@playwright/test";

/** Workers that run at once. */
export const WORKERS = 2;
const FIRST: Readonly<Record<string, number>> = { coach: 4181, demo: 4191 };
/** Port of a worker's server; the one after it is its training log's. */
export const portOf = (project: string, worker: number): number => (FIRST[project] ?? 0) + 2 * worker;

export const test = plain.extend({
  // biome-ignore lint/correctness/noEmptyPattern: the first argument of a fixture has to be destructured
  baseURL: async ({}, use, { project, parallelIndex }) => {
    await use(`http://127.0.0.1:${portOf(project.name, parallelIndex)}`);
  },
});
