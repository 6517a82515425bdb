/** Accessibility (axe, WCAG 2.2 AA), no clipped or overlapping drawing, and no request to anywhere else. */

import { expectAccessible } from "../support/axe";
import { expect, type Page, test } from "../support/journey";

interface Row {
  id: string;
  name: string;
  today: { label: string } | null;
}
const rowsOf = async (page: Page): Promise<Row[]> => (await (await page.request.get("/api/squad")).json()).rows;

/** The day of an athlete's next session of a letter after this week: it is the planner's to choose. */
const nextDay = async (page: Page, id: string, label: string): Promise<string> => {
  const { sessions } = await (await page.request.get(`/api/athletes/${id}`)).json();
  return sessions.find((s: { date: string; label: string }) => s.label === label && s.date > "2026-03-08")?.date;
};

/** No view is wider than its window. */
const fits = (page: Page): Promise<boolean> =>
  page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth);

const VIEWS: [string, (id: string) => string, string][] = [
  ["squad", () => "/", "tbody tr"],
  ["season", (id) => `/a/${id}/season`, "svg[aria-label^='Season, ']"],
  ["week", (id) => `/a/${id}/week/2026-03-09`, "svg[aria-label^='Week section']"],
  ["session", (id) => `/a/${id}/session/DAY/A`, "tbody tr"],
  ["approaches", () => "/approaches", "table caption"],
  ["approaches compared", () => "/approaches?tab=compare", "table caption"],
  ["who follows what", () => "/approaches?tab=follow", "#follow-all"],
  ["session by hand", (id) => `/a/${id}/session/DAY/A/edit`, "[data-testid=edit-minutes]"],
  ["lift", (id) => `/a/${id}/lifts/trap-bar-deadlift`, "[data-testid=lift-entry]"],
  ["review", (id) => `/a/${id}/review`, "main svg text"],
  ["card", (id) => `/a/${id}/card/DAY/A`, "[data-testid=card-row]"],
  ["records", (id) => `/a/${id}/records`, "tbody tr"],
  ["import", (id) => `/a/${id}/import`, "aside h2"],
  ["what if", (id) => `/a/${id}/what-if`, "main svg"],
  ["season sheet", (id) => `/a/${id}/season-sheet`, "main svg"],
  ["rules", () => "/rules/week/full-dose", "main h3"],
  ["terms", () => "/rules?tab=terms", "dl dt"],
  ["gym", () => "/gym/2026-03-10", "main svg rect"],
  ["club calendar", () => "/calendar", "main svg"],
  ["club data", () => "/club-data", "table"],
  ["screening", (id) => `/a/${id}/screening`, "main svg text"],
  ["a test of the screen", (id) => `/a/${id}/screening/run`, "fieldset"],
  ["library", () => "/library/front-squat", "section svg"],
  ["sheets", (id) => `/a/${id}/sheets`, "main ol li"],
  ["new athlete", () => "/new", "#f-name"],
  ["intake: athlete", (id) => `/a/${id}/intake/athlete`, "#f-name"],
  ["intake: plan", (id) => `/a/${id}/intake/plan`, "#p-start"],
  ["intake: health", (id) => `/a/${id}/intake/health`, "main svg circle"],
  ["intake: places", (id) => `/a/${id}/intake/places`, "[role=tabpanel]"],
  ["intake: week", (id) => `/a/${id}/intake/week`, "main svg rect"],
  ["intake: endurance", (id) => `/a/${id}/intake/endurance`, "#m-sessions"],
  ["usual week", (id) => `/a/${id}/usual-week`, "[aria-label^='Usual week']"],
  ["endurance plan", (id) => `/a/${id}/season?plan`, "aside h2"],
  ["intake: start", (id) => `/a/${id}/intake/start`, "main select"],
];

for (const [name, path, ready] of VIEWS)
  test(`${name}: axe finds nothing, nothing is cut off, also at 1024 wide, nothing leaves this machine`, async ({
    page,
    baseURL,
  }) => {
    const elsewhere: string[] = [];
    page.on("request", (r) => {
      if (!r.url().startsWith(baseURL ?? "") && !r.url().startsWith("data:")) elsewhere.push(r.url());
    });
    const rows = await rowsOf(page);
    const maren = rows.find((r) => r.name.startsWith("Maren"))!;
    await page.goto(path(maren.id).replace("DAY", await nextDay(page, maren.id, "A")));
    await page.locator(ready).first().waitFor();
    await expectAccessible(page);
    expect(await fits(page)).toBe(true);
    const outside = await page.evaluate(() =>
      [...document.querySelectorAll("svg text")].flatMap((t) => {
        const [box, frame] = [t.getBoundingClientRect(), t.closest("svg")!.getBoundingClientRect()];
        const cut =
          box.width > 0 &&
          (box.left < frame.left - 1 ||
            box.right > frame.right + 1 ||
            box.top < frame.top - 2 ||
            box.bottom > frame.bottom + 2);
        return cut ? [t.textContent] : [];
      }),
    );
    expect(outside).toEqual([]);
    const small = await page.evaluate(() =>
      [...document.querySelectorAll("svg text, p, td, span, button, a")]
        .filter((e) => e.textContent?.trim() && Number.parseFloat(getComputedStyle(e).fontSize) < 11)
        .map((e) => e.textContent),
    );
    expect(small).toEqual([]);
    await page.setViewportSize({ width: 1024, height: 768 });
    await page.locator(ready).first().waitFor();
    await expect.poll(() => fits(page), "at 1024 wide").toBe(true);
    expect(elsewhere).toEqual([]);
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

test("what opens over a week: a session in hand, what came between, the weights of the rules", async ({ page }) => {
  const maren = (await rowsOf(page)).find((r) => r.name.startsWith("Maren"))!;
  await page.goto(`/a/${maren.id}/week/2026-03-09`);
  await page.locator(".cursor-grab").first().waitFor();
  await page.locator("[data-session=A]").focus();
  await page.keyboard.press("Space");
  await page.getByRole("status").filter({ hasText: "cost" }).waitFor();
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

test("on a phone the squad is who lifts today, one tap from the floor", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  await expect(page.getByRole("heading", { name: /^Lifting today/ })).toBeVisible();
  expect(await fits(page)).toBe(true);
  const first = page.getByRole("listitem").getByRole("link").first();
  expect((await first.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await first.click();
  await expect(page.getByRole("button", { name: /Log set|Choose the load/ })).toBeVisible();
});
