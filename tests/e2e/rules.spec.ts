/** Rules: every reason leads to its rule and the trust of its numbers; the coach's own values; the terms. */

import type { SquadView } from "../../src/api/views";
import { RULES, type RuleId, TRUST_WORDS } from "../../src/core/rulebook";
import { expect, type Page, test } from "../support/journey";

const squad = async (page: Page): Promise<SquadView["rows"]> =>
  ((await (await page.request.get("/api/squad")).json()) as SquadView).rows;

/** The address of the next session of an athlete after this week. */
async function sheetOf(page: Page, id: string): Promise<string> {
  const { sessions } = await (await page.request.get(`/api/athletes/${id}`)).json();
  const next = (sessions as { date: string; label: string }[]).find((s) => s.date > "2026-03-08");
  expect(next, "a session to look at").toBeDefined();
  return `/a/${id}/session/${next?.date}/${next?.label}`;
}

/** The rule on screen is the one the link names, and each of its numbers says its own trust. */
async function expectRule(page: Page, href: string): Promise<void> {
  const id = href.replace("/rules/", "").replace("/", ".") as RuleId;
  await expect(page.getByTestId("rule-id")).toHaveText(id);
  for (const [name, p] of Object.entries(RULES[id].parameters))
    await expect(page.locator(`[data-parameter="${name}"]`)).toContainText(TRUST_WORDS[p.trust]);
}

/** Rules that are opened from a sheet. */
const EACH = 5;

test("every why of a sheet of each sport leads in one click to its rule, with the trust of its numbers", async ({
  page,
}) => {
  test.slow();
  const rows = await squad(page);
  const seen = new Set<string>();
  for (const sport of ["run", "triathlon", "ride", "row", "hike"]) {
    const athlete = rows.find((r) => r.sport === sport);
    expect(athlete, `somebody of the sport ${sport}`).toBeDefined();
    const sheet = await sheetOf(page, athlete?.id ?? "");
    await page.goto(sheet);
    const asked = page.locator("main [data-why]:visible");
    await asked.first().waitFor();
    const hrefs = (within: string) =>
      page
        .locator(`${within} a[href^="/rules/"]`)
        .evaluateAll((all) => [...new Set(all.map((a) => a.getAttribute("href") ?? ""))]);
    const open = new Map<string, number | null>();
    for (const href of await hrefs("main")) open.set(href, null);
    for (let i = 0; i < (await asked.count()); i++) {
      await asked.nth(i).click();
      const said = page.getByRole("dialog", { name: "Why" });
      await said.waitFor();
      expect(await said.getByRole("listitem").count(), "reasons").toBe(
        await said.locator('li a[href^="/rules/"]').count(),
      );
      for (const href of await hrefs("[role=dialog]")) if (!open.has(href)) open.set(href, i);
      await page.keyboard.press("Escape");
      await said.waitFor({ state: "detached" });
    }
    expect(open.size, `rules behind the sheet of the sport ${sport}`).toBeGreaterThan(2);
    let opened = 0;
    for (const [href, from] of open) {
      if (seen.has(href)) continue;
      // Every reason has its link; some of each sport are followed.
      if (++opened > EACH) break;
      seen.add(href);
      if (from !== null) await asked.nth(from).click();
      await page
        .locator(`${from === null ? "main" : "[role=dialog]"} a[href="${href}"]`)
        .first()
        .click();
      await expectRule(page, href);
      await page.goBack();
      await asked.first().waitFor();
    }
  }
  expect(seen.size, "rules that were opened").toBeGreaterThanOrEqual(15);
});

test("rules and terms by keyboard alone: opened, searched, walked, and from the command palette", async ({ page }) => {
  const athlete = (await squad(page))[0];
  await page.goto(`/a/${athlete?.id}/season`);
  await page.getByRole("navigation", { name: "Views" }).waitFor();
  await page.keyboard.press("y");
  await page.getByRole("heading", { name: "Rules", exact: true }).waitFor();
  await page.keyboard.press("/");
  await page.keyboard.type("48 h");
  const found = page.getByRole("navigation", { name: "Rules by chapter" }).getByRole("listitem");
  await expect.poll(() => found.count()).toBeLessThan(Object.keys(RULES).length);
  await page.keyboard.press("Tab");
  const shown = page.getByTestId("rule-id");
  const first = (await shown.textContent()) ?? "";
  await page.keyboard.press("ArrowDown");
  await expect(shown).not.toHaveText(first);
  await page.keyboard.press("ArrowUp");
  await expect(shown).toHaveText(first);
  await page.keyboard.press("t");
  await expect(page.getByRole("heading", { name: "Terms" })).toBeVisible();
  await page.keyboard.press("ControlOrMeta+k");
  await expect(page.getByPlaceholder("Athlete, view or action")).toBeFocused();
  await page.keyboard.type("arbitrary units");
  await page.getByRole("option", { name: /AU/, selected: true }).waitFor();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Unit of training load")).toBeVisible();
});

test("a must-hold is not loosened, tightened for one athlete and given back", async ({ page }) => {
  const athlete = (await squad(page)).find((r) => r.name.startsWith("Maren"));
  const saved = async () => (await (await page.request.get(`/api/athletes/${athlete?.id}/rules`)).json()).values;
  await page.goto(`/a/${athlete?.id}/season`);
  await page.locator("svg[aria-label^='Season, ']").first().waitFor();
  await page.keyboard.press("y");
  await page.getByLabel("Search the rules and terms").fill("M3");
  await page.locator('[data-rule="M3"]').click();
  await expect(page.getByTestId("rule-id")).toHaveText("M3");
  const form = page.locator("form").filter({ has: page.getByRole("heading", { name: "Maren" }) });
  const [hours, save] = [form.getByRole("textbox"), form.getByRole("button")];
  await hours.fill("20");
  await save.click();
  await expect(form.getByRole("alert")).toContainText('found "20"');
  expect(await saved()).toEqual({});
  await hours.fill("30");
  await save.click();
  await expect(page.getByText("Saved. What lies ahead is planned with it.")).toBeVisible();
  expect(await saved()).toEqual({ M3: { hours: 30 } });
  await page.reload();
  await expect(hours).toHaveValue("30");
  await hours.fill("");
  await save.click();
  await expect.poll(saved).toEqual({});
});
