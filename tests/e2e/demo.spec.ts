/** The demo club as a coach finds it on Monday morning, by mouse and by keyboard. */
import { expect, test } from "../support/journey";

test("the squad shows who needs a look and why, and opens the first one's week in one action", async ({ page }) => {
  await page.goto("/");
  const rows = page.locator("tbody tr");
  await expect(rows).toHaveCount(8);
  await expect(rows.first()).toContainText("tomorrow: nothing but mobility");
  for (const text of [
    "Nothing lifted for",
    "above what the last ordinary weeks",
    "after Old Harbour Marathon",
    "weaker in the",
  ])
    await expect(page.getByText(text).first()).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/week$/);
});

test("who lifts today, filtered with one key, each with an hour and a length", async ({ page }) => {
  // Whoever has just lifted is told as before, said so, and asked for again until the row is there.
  let late = 2;
  await page.route("**/api/squad", async (route) => {
    const answer = await route.fetch({ headers: { ...route.request().headers(), "if-none-match": "" } });
    const { value, ...tags } = await answer.json();
    const behind = late-- > 0 ? [value.rows[0].id] : value.behind;
    const body = JSON.stringify({ ...tags, value: { ...value, behind, failed: [value.rows[1].id] } });
    await route.fulfill({ body, contentType: answer.headers()["content-type"] ?? "" });
  });
  await page.goto("/");
  await expect(page.locator("tbody tr").first()).toContainText("being worked out anew");
  await expect(page.getByRole("status").filter({ hasText: "1 row being worked out anew" })).toBeAttached();
  await expect(page.locator("tbody tr[aria-busy=true]")).toHaveCount(0);
  await expect(page.getByText("being worked out")).toHaveCount(0);
  expect(late).toBeLessThan(1);
  // A row that could not be made says so, and is not asked for all the time.
  await expect(page.locator("tbody tr").nth(1)).toContainText("could not be worked out");
  await page.keyboard.press("t");
  await expect(page.getByRole("button", { name: "Lifts today" })).toHaveAttribute("aria-pressed", "true");
  const rows = page.locator("tbody tr");
  const n = await rows.count();
  expect(n).toBeGreaterThan(0);
  for (let i = 0; i < n; i++) await expect(rows.nth(i).locator("td").nth(3)).toContainText(/\d\d:\d\d, \d+\smin/);
});

test("the season is walked with arrow keys and opens a week", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Maren Tolvaj, season" }).click();
  const inspector = page.getByRole("complementary", { name: "Week inspector" });
  await expect(inspector.getByRole("heading", { name: "Week 10" })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(inspector.getByRole("heading", { name: "Week 11" })).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await expect(inspector.getByRole("heading", { name: "Week 14" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/week\/2026-03-30/);
});

test("any figure gives its rule and its source in one action", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Maren Tolvaj", exact: true }).click();
  await page.getByRole("button", { name: "Next week" }).click();
  await page.getByRole("button", { name: /^Heavy A/ }).dblclick();
  await page
    .getByRole("button", { name: /\d+(\.\d+)?\skg$/ })
    .first()
    .click();
  const why = page.getByRole("dialog");
  await expect(why.getByRole("heading", { name: "Why" })).toBeVisible();
  await expect(why.getByText(/(Published|Common practice|Our assumption)/).first()).toBeVisible();
});

test("an alternative is previewed, taken and undone", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Teodor Vance", exact: true }).click();
  await page.getByRole("button", { name: "Next week" }).click();
  // Both weeks are proposed: what is taken belongs to the one that has come.
  await expect(page.getByRole("heading", { level: 1, name: "Week 11" })).toBeVisible();
  await expect(page.getByText(/proposed, best of/)).toBeVisible();
  await page.getByRole("button", { name: "Preview" }).first().click();
  await expect(page.getByRole("button", { name: "Back", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Apply" }).first().click();
  // What is over is written down before the week is planned anew: a busy machine is given its time.
  await expect(page.getByText(/fixed, best of/)).toBeVisible({ timeout: 60_000 });
  // The word of what was done goes by itself; the button stays.
  await page.getByRole("button", { name: /^Undo: Alternative applied/ }).click();
  await expect(page.getByText(/proposed, best of/)).toBeVisible();
});

test("the palette and the switcher reach athletes by keyboard", async ({ page }) => {
  await page.goto("/");
  await expect(page.locator("tbody tr").first()).toBeVisible();
  await page.keyboard.press("Control+k");
  await page.getByPlaceholder("Athlete, view or action").fill("bryn");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Athlete: Bryn Hallow/ })).toBeVisible();
  await page.keyboard.press("]");
  await expect(page.getByRole("button", { name: /^Athlete: Bryn Hallow/ })).toHaveCount(0);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys that work here" })).toBeVisible();
});

test("the guide is found from the search box, stands beside the view it speaks of, and leads there", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.locator("tbody tr").first()).toBeVisible();
  await page.keyboard.press("Control+k");
  await page.getByPlaceholder("Athlete, view or action").fill("less time");
  await page.keyboard.press("Enter");
  const guide = page.getByRole("complementary", { name: "Guide" });
  await expect(guide.getByRole("heading", { name: "Shorten a session" })).toBeVisible();
  await guide.getByRole("link", { name: "Open the view" }).click();
  await expect(page.getByRole("region", { name: "Time" })).toBeVisible();
  await expect(guide).toBeVisible();
  await guide.getByRole("button", { name: "All tasks" }).click();
  await guide.getByRole("button", { name: "Review four weeks" }).click();
  await page.reload();
  await expect(guide.getByRole("article", { name: "Review four weeks" })).toBeVisible();
  await guide.getByRole("button", { name: "Close the guide" }).click();
  await expect(guide).toHaveCount(0);
});

test("pounds and miles are shown where the athlete asks for them", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Pell Ashdown", exact: true }).click();
  await expect(page.getByText("mi · lb")).toBeVisible();
  await page.keyboard.press("4");
  await expect(
    page.getByRole("heading", { level: 1, name: /^(Heavy A|Single-leg B|Slow strength [AB])$/ }),
  ).toBeVisible();
  // On to the first session that is loaded: a bare place has nothing to weigh.
  await expect(async () => {
    const pounds = page.getByText(/\d\slb/).first();
    if (!(await pounds.isVisible())) await page.keyboard.press("ArrowRight");
    await expect(pounds).toBeVisible({ timeout: 3000 });
  }).toPass({ timeout: 20_000 });
  await expect(page.getByText(/\d\skg/)).toHaveCount(0);
});

test("the training log is pulled, says what came, and what came can be taken back", async ({ page }) => {
  const rows: { id: string; name: string }[] = (await (await page.request.get("/api/squad")).json()).rows;
  const pell = rows.find((r) => r.name.startsWith("Pell"))!;
  const done = async () => {
    const planning = await (await page.request.get(`/api/athletes/${pell.id}/planning`)).json();
    return (planning.athlete.endurance as { source?: string }[]).filter((e) => e.source?.startsWith("feed:")).length;
  };
  await page.goto(`/a/${pell.id}/import`);
  const aside = page.getByRole("complementary", { name: "Mapping and training log" });
  await expect(aside.getByText("pell-ashdown")).toBeVisible();
  await aside.getByRole("button", { name: "Pull now" }).click();
  await expect(page.getByText(/^Training log: /)).toBeVisible({ timeout: 30_000 });
  await expect(aside.getByText(/last asked/)).toBeVisible();
  const came = await done();
  if (came > 0) {
    await aside.getByRole("button", { name: /^Undo the import of Training log/ }).click();
    await expect(page.getByText("Training log taken back.")).toBeVisible();
    expect(await done()).toBe(0);
  }
  await aside.getByRole("button", { name: "End link" }).click();
  await expect(aside.getByLabel("Account at the training log")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(aside.getByText("pell-ashdown")).toBeVisible();
});

test("by keyboard alone a session of the week is chosen in two presses from the start", async ({ page }) => {
  await page.goto("/");
  await expect(page.locator("tbody tr").first()).toBeVisible();
  await page.keyboard.press("3");
  await expect(page.getByRole("heading", { name: /^Week/ })).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("button", { name: "Open session" })).toBeVisible();
});
