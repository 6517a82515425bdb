/** The coach on a phone, with a thumb alone: the morning look, a session moved and swapped, the week placed anew, cards. */
import { expect, type Page, test } from "../support/journey";
import { fits, idOf, nextDay } from "../support/views";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

/** Every button and link that is seen can be hit with a thumb. */
async function expectThumbs(page: Page): Promise<void> {
  const small = await page.evaluate(() =>
    [...document.querySelectorAll("main button, main li a, nav[aria-label=Main] a")].flatMap((e) => {
      const b = e.getBoundingClientRect();
      return b.width > 0 && b.height > 0 && b.height < 24 ? [`${e.textContent} ${Math.round(b.height)}`] : [];
    }),
  );
  expect(small).toEqual([]);
  expect(await fits(page)).toBe(true);
}

test("Monday morning: who needs a look and why, one tap from the week, every view one or two taps away", async ({
  page,
}) => {
  await page.goto("/");
  const cards = page.getByRole("main").getByRole("listitem");
  await expect(cards).toHaveCount(8);
  await expect(cards.first()).toContainText("tomorrow: nothing but mobility");
  await expectThumbs(page);
  await cards.filter({ hasText: "Maren Tolvaj" }).getByRole("link").tap();
  await expect(page.getByRole("heading", { name: "Week 10" })).toBeVisible();
  await expect(page.getByText("Nothing planned here").first()).toBeVisible();
  await expectThumbs(page);
  await page.getByRole("navigation", { name: "Main" }).getByRole("button", { name: "More" }).tap();
  await page.getByRole("dialog").getByRole("link", { name: "Season" }).tap();
  await expect(page.getByRole("heading", { name: "Season", exact: true })).toBeVisible();
  await page.getByRole("button", { name: /^Athlete: Maren Tolvaj/ }).tap();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /^Teodor Vance/ })
    .tap();
  await expect(page.getByRole("button", { name: /^Athlete: Teodor Vance/ })).toBeVisible();
  await expect(page).toHaveURL(/season$/);
});

test("a session is moved to another day and back, locked, and the week is placed anew", async ({ page }) => {
  const id = await idOf(page, "Bryn");
  await page.goto(`/a/${id}/week/2026-03-09`);
  const line = page.getByRole("main").getByRole("button", { name: /^Slow strength A/ });
  await line.tap();
  await page.getByRole("button", { name: "Move…" }).tap();
  const sheet = page.getByRole("dialog", { name: /^Move/ });
  const other = sheet
    .getByRole("button", { disabled: false })
    .filter({ hasText: /point|no more/ })
    .first();
  const to = (await other.locator("b").first().textContent())!;
  await other.tap();
  await expect(page.getByText(/^A moved to/)).toBeVisible();
  await expect(sheet).toBeHidden();
  const day = page
    .getByRole("main")
    .getByRole("listitem")
    .filter({ hasText: to.split(/\s/)[0]! });
  await expect(day.getByRole("button", { name: /^Slow strength A/ })).toBeVisible();
  await page.getByRole("button", { name: "Re-plan week" }).tap();
  await expect(page.getByText(/^Sessions placed: disturbance \d+/)).toBeVisible();
  await line.tap();
  await page.getByRole("button", { name: "Lock here" }).tap();
  await expect(page.getByText(/^Session A stays on/)).toBeVisible();
  await page.getByRole("button", { name: "Unlock" }).tap();
  await expect(page.getByText("Session A unlocked.")).toBeVisible();
});

test("an exercise is swapped on its card and given back, and the session's card is printed", async ({ page }) => {
  const id = await idOf(page, "Bryn");
  await page.goto(`/a/${id}/session/${await nextDay(page, id, "A")}/A`);
  const card = page.getByRole("main").getByRole("listitem").nth(1);
  const name = (await card.locator("b").first().textContent())!;
  await card.getByRole("button", { name: /^Swap/ }).tap();
  const choice = page.getByRole("dialog").locator("ol li button:enabled").first();
  await choice.tap();
  await expect(page.getByText("stands instead.")).toBeVisible();
  await expect(card.locator("b").first()).not.toHaveText(name);
  await page.getByRole("button", { name: "Undo", exact: true }).tap();
  await expect(card.locator("b").first()).toHaveText(name);
  await expectThumbs(page);
  await page.getByRole("button", { name: "More for this session" }).tap();
  await page.getByRole("menuitem", { name: "Card" }).tap();
  await expect(page.getByTestId("card-row").first()).toBeVisible();
  await expect.poll(() => fits(page)).toBe(true);
});
