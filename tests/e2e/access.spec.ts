/** Accessibility (axe, WCAG 2.2 AA), no clipped or overlapping drawing, and no request to anywhere else. */

import { expectAccessible } from "../support/axe";
import { expect, type Page, test } from "../support/journey";
import { cutText, fits, goInside, idOf, nextDay, rowsOf, VIEWS, wordsOf } from "../support/views";
import { riddlesIn } from "../support/words";

/** One page walks through all views: what it asks for is kept over all of them. */
let walker: Page;
let maren: string;
let day: string;
const elsewhere: string[] = [];

test.beforeAll(async ({ browser, baseURL }) => {
  walker = await browser.newPage({ baseURL: baseURL ?? "", viewport: { width: 1280, height: 800 } });
  walker.on("request", (r) => {
    if (!r.url().startsWith(baseURL ?? "") && !/^(data|blob):/.test(r.url())) elsewhere.push(r.url());
  });
  maren = await idOf(walker, "Maren");
  day = await nextDay(walker, maren, "A");
});
test.afterAll(() => walker.close());

VIEWS.forEach(([name, path, ready, onPhone = ready], n) => {
  // Both themes and both widths in turn; every view in all of them is `npm run looks`.
  const theme = n % 2 === 0 ? "light" : "dark";
  test(`${name}: axe finds nothing, nothing is cut off or wider than its screen, nothing leaves this machine`, async () => {
    await walker.setViewportSize({ width: 1280, height: 800 });
    await walker.emulateMedia({ colorScheme: theme });
    await goInside(walker, path(maren).replace("DAY", day));
    await walker.locator(ready).first().waitFor();
    if (n % 4 < 2) await expectAccessible(walker);
    expect(await cutText(walker)).toEqual([]);
    expect(riddlesIn(await wordsOf(walker))).toEqual([]);
    const small = await walker.evaluate(() =>
      [...document.querySelectorAll("svg text, p, td, span, button, a")]
        .filter((e) => e.textContent?.trim() && Number.parseFloat(getComputedStyle(e).fontSize) < 11)
        .map((e) => e.textContent),
    );
    expect(small).toEqual([]);
    for (const width of [1024, 820, 360]) {
      await walker.setViewportSize({ width, height: 800 });
      await walker
        .locator(width === 360 ? onPhone : ready)
        .first()
        .waitFor({ state: "attached" });
      await expect.poll(() => fits(walker), `at ${width} wide`).toBe(true);
    }
    if (n % 4 >= 2) await expectAccessible(walker);
    expect(elsewhere).toEqual([]);
  });
});

test("what opens over a view: the swap list, the form of an own exercise, reasons, and the last page of a screen", async ({
  page,
}) => {
  const bryn = (await rowsOf(page)).find((r) => r.name.startsWith("Bryn"))!;
  await page.goto(`/a/${bryn.id}/session/${await nextDay(page, bryn.id, "B")}/B`);
  await page.getByRole("button", { name: /^Swap/ }).first().click();
  await page.getByRole("heading", { name: "Not now" }).waitFor();
  await page.waitForTimeout(200);
  await expectAccessible(page);
  await page.keyboard.press("Escape");
  await page.getByRole("table").locator("td:nth-child(2) button").first().click();
  await page.getByRole("heading", { name: "Why" }).last().waitFor();
  await page.waitForTimeout(200);
  await expectAccessible(page);
  await page.goto("/library");
  await page.getByRole("button", { name: "Own exercise" }).click();
  await page.getByRole("dialog").waitFor();
  await page.waitForTimeout(200);
  await expectAccessible(page);
  await page.goto(`/a/${bryn.id}/screening/run`);
  await page.getByRole("button", { name: "Seen in the sport" }).click();
  await page.getByRole("checkbox", { name: /Hip drops/ }).check();
  await expectAccessible(page);
  await page.getByRole("button", { name: "What it changes" }).first().click();
  await page.getByRole("list", { name: "What each finding changes" }).waitFor();
  await expectAccessible(page);
});

test("what opens over a week: a session in hand, what came up, the weights of the rules", async ({ page }) => {
  const maren = (await rowsOf(page)).find((r) => r.name.startsWith("Maren"))!;
  await page.goto(`/a/${maren.id}/week/2026-03-09`);
  await page.locator(".cursor-grab").first().waitFor();
  await page.locator("[data-session=A]").focus();
  await page.keyboard.press("Space");
  await page.getByRole("status").filter({ hasText: "disturbance" }).waitFor();
  await expectAccessible(page);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Something came up…" }).click();
  await page.getByRole("dialog").waitFor();
  await page.waitForTimeout(200);
  await expectAccessible(page);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "More for this week" }).click();
  await page.getByRole("menuitem", { name: "Weights of the rules…" }).click();
  await page.getByLabel("Hard days hard, or spread (S5)").waitFor();
  await page.waitForTimeout(200);
  await expectAccessible(page);
});

test("floor at 390 x 844: axe finds nothing, every target is 44 px or more", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const row = (await rowsOf(page)).find((r) => r.today)!;
  await page.goto(`/a/${row.id}/floor/2026-03-03/${row.today!.label}`);
  await page.getByRole("button", { name: /Log set|Choose the load/ }).waitFor();
  await expectAccessible(page);
  const small = await page.evaluate(() =>
    [...document.querySelectorAll("button, a")].flatMap((e) => {
      const b = e.getBoundingClientRect();
      const narrow = e.getAttribute("aria-label")?.startsWith("Pain") ? 30 : 44;
      return b.width > 0 && (b.height < 44 || b.width < narrow)
        ? [`${e.textContent} ${Math.round(b.width)}x${Math.round(b.height)}`]
        : [];
    }),
  );
  expect(small).toEqual([]);
  expect(await fits(page)).toBe(true);
});

test("on a phone Today is who lifts, one tap from logging", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  await page.getByRole("navigation", { name: "Main" }).getByRole("link", { name: "Today" }).click();
  await expect(page.getByRole("heading", { name: /^Lifting today/ })).toBeVisible();
  expect(await fits(page)).toBe(true);
  const first = page.getByRole("listitem").getByRole("link").first();
  expect((await first.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await first.click();
  await expect(page.getByRole("button", { name: /Log set|Choose the load/ })).toBeVisible();
});
