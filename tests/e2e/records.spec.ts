/** Races, endurance sessions and windows through the real forms; the file in and out. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, mayBeRefused, type Page, test } from "../support/journey";

const FILE = join(import.meta.dirname, "../support/hike.json");

async function openRecords(page: Page): Promise<string> {
  const { id } = await (
    await page.request.post("/api/athletes", {
      data: readFileSync(FILE, "utf8"),
      headers: { "Content-Type": "application/json" },
    })
  ).json();
  await page.goto(`/a/${id}/records`);
  await expect(page.getByRole("heading", { name: "Records" })).toBeVisible();
  return id;
}

test("a race is added, refused where it does not fit, changed, removed and brought back", async ({ page }) => {
  mayBeRefused();
  await openRecords(page);
  await page.keyboard.press("r");
  const form = page.getByRole("dialog");
  await form.getByRole("button", { name: "Add race" }).click();
  await expect(form.locator("#race-name-error")).toBeVisible();
  await form.getByLabel("Name").fill("Beacon Round");
  await form.getByLabel("Date").fill("2031-06-20");
  await form.getByLabel("Expected duration").fill("four hours");
  await form.getByRole("button", { name: "Add race" }).click();
  await expect(form.getByText(/a number expected/)).toBeVisible();
  await form.getByLabel("Expected duration").fill("200");
  await form.getByRole("button", { name: "Add race" }).click();
  await expect(form.getByText(/inside the season/)).toBeVisible();
  // A race after the season's end can take the season along; this one is moved into it instead.
  await expect(form.getByRole("button", { name: "Lengthen the season" })).toBeVisible();
  await form.getByLabel("Date").fill("20.6.2026");
  await expect(form.getByRole("button", { name: "Lengthen the season" })).toHaveCount(0);
  await form.getByLabel("Distance").fill("12,5");
  await form.getByRole("button", { name: "Add race" }).click();
  const row = page.getByRole("row").filter({ hasText: "Beacon Round" });
  await expect(row).toContainText("12.5");

  await row.getByRole("button").click();
  await page.getByRole("dialog").getByLabel("Importance").selectOption("C");
  await page.getByRole("dialog").getByRole("button", { name: "Save race" }).click();
  await expect(row.locator("td").first()).toHaveText("C");

  await row.getByRole("button").click();
  await page.getByRole("dialog").getByRole("button", { name: "Remove" }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(row).toHaveCount(1);

  // An hour later, from another view: the change of its importance is found by its name and taken back.
  await page.keyboard.press("3");
  await expect(page.getByRole("heading", { name: /^Week/ })).toBeVisible();
  await page.getByRole("button", { name: "Changes" }).click();
  // The week's own toolbar has an undo of the same name.
  const changes = page.getByRole("dialog");
  await changes.getByRole("button", { name: /^Undo: Race changed: Beacon Round/ }).click();
  await expect(changes.getByRole("button", { name: /^Do again: Race changed: Beacon Round/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Records" }).click();
  await expect(row.locator("td").first()).not.toHaveText("C");
});

test("a race after the season's end takes the season along, four weeks past it", async ({ page }) => {
  const id = await openRecords(page);
  const seasonOf = async () => (await (await page.request.get(`/api/athletes/${id}`)).json()).season;
  const { end } = await seasonOf();
  const date = new Date(Date.parse(`${end}T12:00:00Z`) + 10 * 86_400_000).toISOString().slice(0, 10);
  await page.keyboard.press("r");
  const form = page.getByRole("dialog");
  await form.getByLabel("Name").fill("Late Traverse");
  await form.getByLabel("Date").fill(date);
  await form.getByRole("button", { name: "Lengthen the season" }).click();
  await expect(page.getByText(/^The season goes on until/)).toBeVisible();
  await form.getByRole("button", { name: "Add race" }).click();
  await expect(page.getByRole("row", { name: /Late Traverse/ })).toBeVisible();
  const after = new Date(Date.parse(`${date}T12:00:00Z`) + 28 * 86_400_000).toISOString().slice(0, 10);
  expect((await seasonOf()).end).toBe(after);
});

test("an endurance session is added and the week shows it", async ({ page }) => {
  const id = await openRecords(page);
  await page.goto(`/a/${id}/week/2026-03-09`);
  await page.getByRole("button", { name: "Endurance", exact: true }).click();
  const form = page.getByRole("dialog");
  await form.getByLabel("Date").fill("2026-03-11");
  await form.getByLabel("Start").fill("07:15");
  await form.getByLabel("Kind").selectOption("intervals");
  await form.getByLabel("Duration").fill("45");
  await form.getByRole("button", { name: "Add session" }).click();
  const added = page.getByRole("button", { name: /2026-03-11 07:15 hike intervals/ });
  await expect(added).toBeAttached();
  await expect(added).toHaveAccessibleName(/load 360, key session/);
  await added.press("Enter");
  await expect(page.getByRole("dialog")).toContainText("RPE 8 assumed for intervals");
  await page.getByRole("dialog").getByLabel("Effort").fill("6");
  await page.getByRole("dialog").getByRole("button", { name: "Save session" }).click();
  await expect(added).toHaveAccessibleName(/load 270/);
});

test("windows that overlap are refused with their reason; a good one is kept", async ({ page }) => {
  mayBeRefused();
  await openRecords(page);
  await page.keyboard.press("w");
  const form = page.getByRole("dialog");
  await form.getByLabel("Day").selectOption("1");
  await form.getByLabel("From").fill("19:30");
  await form.getByRole("button", { name: "Add slot" }).click();
  await expect(form.getByText(/no overlap with availability\[0\]/)).toBeVisible();
  await form.getByLabel("Day").selectOption("6");
  await form.getByLabel("From").fill("15:00");
  await form.getByLabel("Length").fill("50");
  await form.getByRole("button", { name: "Add slot" }).click();
  await expect(page.getByRole("row").filter({ hasText: "Saturday" }).filter({ hasText: "15:00" })).toBeVisible();
});

test("the file goes out as it came in; erasing asks first, gives a receipt and leaves nothing in any browser", async ({
  page,
  browser,
}) => {
  mayBeRefused();
  await openRecords(page);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export file" }).click();
  const file = await (await download).path();
  expect(readFileSync(file, "utf8")).toBe(readFileSync(FILE, "utf8"));
  const id = page.url().match(/\/a\/([^/]+)/)?.[1] ?? "";
  await page.evaluate(
    (key) => localStorage.setItem(key, "a log that was not sent"),
    `field-anchor:log:${id}:2026-03-03:A`,
  );
  await page.request.post("/api/club/backups", { data: {} });
  await page.getByRole("button", { name: "Erase athlete" }).click();
  const asked = page.getByRole("dialog", { name: "Erase Dagny Wray?" });
  await asked.getByRole("button", { name: "Keep" }).click();
  await expect(asked).toBeHidden();
  await page.getByRole("button", { name: "Erase athlete" }).click();
  await asked.getByRole("button", { name: "Erase for good" }).click();
  const receipt = page.getByRole("dialog", { name: "Dagny Wray is erased" });
  await expect(receipt).toContainText(/backups? still holds? Dagny Wray/);
  await expect(receipt.getByRole("row").nth(1)).toContainText(/club-\d{4}-.*\.sqlite/);
  await receipt.getByRole("button", { name: "Done" }).click();
  await expect(page.getByRole("heading", { name: "Squad" })).toBeVisible();
  expect(await page.evaluate((of) => Object.keys(localStorage).filter((k) => k.includes(of)), id)).toEqual([]);
  expect((await page.request.get(`/api/athletes/${id}/season`)).status()).toBe(410);
  // Another device that has a log of theirs, at its next contact.
  const phone = await (await browser.newContext()).newPage();
  await phone.goto("/mark.svg");
  await phone.evaluate(
    (of) => localStorage.setItem(`field-anchor:log:${of}:2026-03-03:A`, "a log that was not sent"),
    id,
  );
  await phone.goto("/");
  await expect(phone.getByRole("heading", { name: "Squad" })).toBeVisible();
  await expect
    .poll(() => phone.evaluate((of) => Object.keys(localStorage).filter((k) => k.includes(of)).length, id))
    .toBe(0);
  await phone.context().close();
  await page.goto(`/a/${id}/season`);
  await expect(page.getByText(/This athlete was erased on/)).toBeVisible();
});
