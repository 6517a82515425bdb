/** The test of a journey: each worker has a server of each kind for itself, so that journeys of two files never meet in one club. */
import { expect as expecting, test as plain } from "@playwright/test";

export { expect, type Locator, type Page } from "@playwright/test";

/** Workers that run at once. */
export const WORKERS = 2;
const FIRST: Readonly<Record<string, number>> = { coach: 4181, demo: 4191 };
/** Port of a worker's server; the one after it is its training log's. */
export const portOf = (project: string, worker: number): number => (FIRST[project] ?? 0) + 2 * worker;

const REFUSED = "refused";
/** Said by a journey in which the server is to refuse something: else no refusal may show in the browser's console. */
export const mayBeRefused = (): void => {
  plain.info().annotations.push({ type: REFUSED });
};

export const test = plain.extend({
  // biome-ignore lint/correctness/noEmptyPattern: the first argument of a fixture has to be destructured
  baseURL: async ({}, use, { project, parallelIndex }) => {
    await use(`http://127.0.0.1:${portOf(project.name, parallelIndex)}`);
  },
  page: async ({ page }, use, info) => {
    const refused: string[] = [];
    page.on("console", (m) => {
      if (m.type() === "error" && / 4\d\d /.test(m.text())) refused.push(`${m.text()} ${m.location().url}`);
    });
    await use(page);
    if (!info.annotations.some((a) => a.type === REFUSED)) expecting(refused).toEqual([]);
  },
});
