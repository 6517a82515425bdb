/** Bad files through the import form, and what views say when something is missing. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, mayBeRefused, type Page, test } from "../support/journey";

const GOOD = readFileSync(join(import.meta.dirname, "../support/row.json"), "utf8");

const giveFile = (page: Page, text: string) =>
  page
    .getByLabel("Athlete file", { exact: true })
    .setInputFiles({ name: "athlete.json", mimeType: "application/json", buffer: Buffer.from(text) });
const count = async (page: Page): Promise<number> => (await (await page.request.get("/api/squad")).json()).rows.length;

const CASES: [string, string, RegExp][] = [
  [
    "a wrong type",
    GOOD.replace(/"bodyMassKg": [\d.]+/, '"bodyMassKg": "heavy"'),
    /athlete\.bodyMassKg: a number expected, found "heavy"/,
  ],
  ["an unknown field", GOOD.replace('"season": {', '"shoes": 1,\n  "season": {'), /shoes: no such field here/],
  [
    "a race outside the season",
    GOOD.replace(/("id": "winter-head",[\s\S]*?"date": )"[^"]+"/, '$1"2031-01-01"'),
    /races\[\d\]\.date: a date inside the season/,
  ],
  [
    "an end before a start",
    GOOD.replace(/("season": \{\s*"start": "[^"]+",\s*"end": )"[^"]+"/, '$1"2020-01-01"'),
    /season\.end: a date on or after/,
  ],
  [
    "two windows that overlap",
    GOOD.replace('"day": 3,', '"day": 1,'),
    /availability\[1\]\.start: no overlap with availability\[0\]/,
  ],
  [
    "a negative load",
    GOOD.replace(/("loadKg": )(\d)/, "$1-$2"),
    /strengthLog\[0\]\.items\[\d+\]\S*loadKg: at least 0 expected, found -/,
  ],
  ["400 kB of nonsense", "%$#@!".repeat(80_000), /\(file\): JSON expected\. It stops making sense at line 1, column 1/],
  ["truncated JSON", GOOD.slice(0, 20_000), /\(file\): JSON expected\..*cut off/],
];

test("the import form refuses file after file, names the path, stores nothing", async ({ page }) => {
  mayBeRefused();
  await page.goto("/?import=1");
  const before = await count(page);
  for (const [name, text, message] of CASES)
    await test.step(name, async () => {
      expect(text).not.toBe(GOOD);
      await giveFile(page, text);
      await expect(page.getByRole("alert")).toHaveText(message);
      expect(await count(page)).toBe(before);
      await expect(page).toHaveURL(/import=1/);
    });
});

test("an address that names nothing says so and leads back", async ({ page }) => {
  mayBeRefused();
  await page.goto("/a/none/week");
  await expect(page.getByRole("alert")).toContainText("no such athlete");
  await page.goto("/somewhere");
  await expect(page.getByRole("heading", { name: "There is no such view" })).toBeVisible();
  await page.getByRole("link", { name: "To the squad", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Squad" })).toBeVisible();
});

test("a session that no longer stands offers its week", async ({ page }) => {
  mayBeRefused();
  const { id } = await (
    await page.request.post("/api/athletes", { data: GOOD, headers: { "Content-Type": "application/json" } })
  ).json();
  await page.goto(`/a/${id}/session/2026-03-08/C`);
  await expect(page.getByRole("heading", { name: "There is no session here any more" })).toBeVisible();
  await page.getByRole("link", { name: "Open this week" }).click();
  await expect(page.getByRole("heading", { name: "Week 10" })).toBeVisible();
});
