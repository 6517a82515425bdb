/** The whole spine through the real interface: a file comes in, a week is fitted, a session is lifted, the next one answers. */
import { join } from "node:path";
import { expect, type Page, test } from "../support/journey";

const FILE = join(import.meta.dirname, "../support/run.json");

async function importFile(page: Page): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: "Import athlete" }).first().click();
  await page.getByLabel("Athlete file", { exact: true }).setInputFiles(FILE);
  await expect(page).toHaveURL(/\/season/);
}

const anchor = (page: Page, name: string) =>
  page.getByRole("button", { name: new RegExp(`^${name}, .*Enter opens it`) });

/** Logs what is on the screen and waits until the screen has moved on. */
async function logSet(page: Page): Promise<void> {
  const shown = async () =>
    `${await page.getByRole("heading", { level: 1 }).innerText()} ${await page.getByRole("button", { name: /^Log set/ }).innerText()}`;
  const before = await shown();
  await page.getByRole("button", { name: /^Log set/ }).click();
  await expect.poll(shown).not.toBe(before);
}

test("from an athlete file to a logged lift, and what it changes", async ({ page }) => {
  await importFile(page);

  // Season: phases and flags worked out from the races.
  await expect(page.getByRole("heading", { name: "Season", exact: true })).toBeVisible();
  const races = page.getByRole("list", { name: "Races" });
  await expect(races.getByText("A race Gullfoot Ridge 50K")).toBeAttached();
  const section = page.getByRole("group", { name: /^Season, / });
  for (const phase of ["Base", "Build", "Race", "Recovery"])
    await expect(section.getByText(phase, { exact: true }).first()).toBeVisible();
  await expect(section.getByText("Gullfoot Ridge 50K", { exact: true })).toBeVisible();
  await expect(page.getByRole("complementary", { name: "Week inspector" }).getByText("Why")).toBeVisible();

  // Next week: fit, lock B, fit again without moving it.
  await page.getByRole("link", { name: "Week", exact: true }).click();
  // The season has a button of that name too.
  await expect(page.getByRole("heading", { name: /^Week/, level: 1 })).toBeVisible();
  await page.getByRole("button", { name: "Next week" }).click();
  await expect(page.getByRole("heading", { name: "Week 11" })).toBeVisible();
  await page.getByRole("button", { name: "Re-plan week" }).click();
  await expect(page.getByText(/^Sessions placed: disturbance \d+, best of/)).toBeVisible();
  await expect(page.getByText(/fixed, best of/)).toBeVisible();
  await anchor(page, "Single-leg B").click();
  const stands = page.getByRole("complementary", { name: "Fit of the week" }).locator("p").first();
  await expect(stands).toHaveText(/club gym, \d+\smin$/);
  const where = await stands.innerText();
  await page.getByRole("button", { name: "Lock here" }).click();
  await expect(anchor(page, "Single-leg B")).toHaveAccessibleName(/locked/);
  await page.getByRole("button", { name: "Re-plan week" }).click();
  await expect(page.getByText(/^Sessions placed: disturbance/).last()).toBeVisible();
  await expect(anchor(page, "Single-leg B")).toHaveAccessibleName(/locked/);
  await anchor(page, "Single-leg B").click();
  await expect(stands).toHaveText(where);

  // What the first lift of next Tuesday's A stands at before anything is lifted today.
  await anchor(page, "Heavy A").dblclick();
  await expect(page.getByRole("heading", { name: "Heavy A" })).toBeVisible();
  const squatRow = page.getByRole("row").filter({ hasText: "1A" }).last();
  const lift = (await squatRow.getByRole("button").first().innerText()).trim();

  // Today's session, on the floor.
  await page.getByRole("link", { name: "Session", exact: true }).click();
  await expect(page.getByText(/Tue\s3\sMar/).first()).toBeVisible();
  const today = page.getByRole("row").filter({ hasText: lift }).last();
  const asked = await today.locator("td").nth(2).innerText();
  const loadToday = Number(
    /([\d.]+)\skg/.exec((await today.locator("td").nth(3).innerText()).replaceAll("\u00A0", " "))?.[1],
  );
  const [sets, low, top] = (/(\d+)\s×\s(?:(\d+)–)?(\d+)/.exec(asked.replaceAll("\u00A0", " ")) ?? [])
    .slice(1)
    .map(Number);
  // Under the range in the last set: by one, or by two where a single number was asked for.
  const fewer = low === undefined || Number.isNaN(low) ? 2 : (top ?? 0) - low + 1;
  await page.getByRole("link", { name: "Log session" }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole("heading", { name: lift })).toBeVisible();
  const down = page.getByRole("button", { name: "Reps down" });
  const reserve = page.getByRole("button", { name: "In reserve down" });
  for (let set = 1; set <= (sets ?? 0); set++) {
    // The partner's sets come in between; they are logged as prescribed.
    while (!(await page.getByRole("heading", { name: lift }).isVisible())) await logSet(page);
    if (set === sets) for (let i = 0; i < fewer; i++) await down.click();
    await expect(reserve).toBeVisible();
    await logSet(page);
    if (set === 1) await expect(page.getByRole("timer", { name: "Rest left" })).toBeVisible();
  }
  expect(top).toBeGreaterThan(2);
  await expect(page.getByText("· saved")).toBeVisible();

  // Close and come back: nothing is lost.
  await page.reload();
  await page.getByRole("button", { name: "Stop here: what is done counts" }).click();
  await page.getByRole("button", { name: "Finish session" }).click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByRole("columnheader", { name: "Lifted" })).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: lift }).last().locator("td").last()).toContainText(
    String((top ?? 0) - fewer),
  );

  // Next week's load stays or drops, with the reason.
  await page.goto(page.url().replace(/session\/.*/, "session/2026-03-10/A"));
  const next = page.getByRole("row").filter({ hasText: lift }).last().locator("td").nth(3);
  await expect(next).toBeVisible();
  const loadNext = Number(/([\d.]+)\skg/.exec((await next.innerText()).replaceAll("\u00A0", " "))?.[1]);
  expect(loadNext).toBeLessThanOrEqual(loadToday);
  await next.getByRole("button").click();
  await expect(page.getByRole("dialog").getByText(/One set stopped at/)).toBeVisible();
  await expect(
    page
      .getByRole("dialog")
      .getByText(/Common practice/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press("Escape");

  // Reload: all of it is still there.
  await page.reload();
  await expect(page.getByRole("row").filter({ hasText: lift }).last().locator("td").nth(3)).toContainText(
    String(loadNext),
  );
  await page.getByRole("link", { name: "Week", exact: true }).click();
  await expect(anchor(page, "Heavy A")).toHaveAccessibleName(/done/);
  await page.getByRole("button", { name: "Next week" }).click();
  await expect(anchor(page, "Single-leg B")).toHaveAccessibleName(/locked/);
});

test("pain above five stops the exercise and defers to a physiotherapist", async ({ page }) => {
  await importFile(page);
  const id = /\/a\/([^/]+)\//.exec(page.url())?.[1];
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/a/${id}/floor/2026-03-03/A`);
  const lift = (await page.getByRole("heading", { level: 1 }).innerText()).split("\n").at(-1) ?? "";
  await page.getByRole("button", { name: /^Log set 1/ }).click();
  if (!(await page.getByRole("heading", { name: lift }).isVisible()))
    await page.getByRole("button", { name: new RegExp(lift) }).click();
  await page.getByRole("button", { name: "Pain 7 of 10" }).click();
  await expect(page.getByRole("alert")).toContainText("physiotherapist");
  await expect(page.getByRole("button", { name: /^Log set/ })).toHaveCount(0);
  await page.getByRole("button", { name: /^Go on with/ }).click();
  await expect(page.getByRole("heading", { name: lift })).toHaveCount(0);
});

test("a set logged without a connection is kept and sent later", async ({ page, context }) => {
  await importFile(page);
  const id = /\/a\/([^/]+)\//.exec(page.url())?.[1];
  await page.goto(`/a/${id}/floor/2026-03-03/A`);
  await expect(page.getByRole("button", { name: /^Log set 1/ })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole("button", { name: /^Log set 1/ }).click();
  await expect(page.getByText("kept on this phone, not sent yet")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText("· saved")).toBeVisible({ timeout: 15_000 });
  const log = await (await page.request.get(`/api/athletes/${id}/sessions/2026-03-03/A`)).json();
  expect(log.log.items[0].sets).toHaveLength(1);
});
