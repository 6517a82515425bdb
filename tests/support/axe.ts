/** What axe (WCAG 2.2 AA, and its good practice) finds on a page. */
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** What axe finds, each with the first place. No page here has frames, so axe runs in the page itself and needs no second one to gather its results. */
export async function violationsOn(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ["violations"] })
    .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa", "best-practice"])
    .analyze();
  return violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 420)}`);
}

export async function expectAccessible(page: Page): Promise<void> {
  expect(await violationsOn(page)).toEqual([]);
}
