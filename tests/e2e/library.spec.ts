/** The library, the sheets and the essential five, in the demo club. */
import { expect, type Page, test } from "../support/journey";
import { idOf } from "../support/views";

/** Makes an athlete the one at hand, as looking at them does. */
async function look(page: Page, id: string): Promise<void> {
  await page.goto(`/a/${id}/records`);
  await page.getByRole("heading", { name: "Records" }).waitFor();
}
const list = (page: Page) => page.getByRole("list", { name: "Exercises" });

test("search as you type, filters, what fits, and the ladder with the athlete on a step", async ({ page }) => {
  await page.goto(`/a/${await idOf(page, "Bryn")}/week`);
  await page.getByRole("link", { name: "Library" }).click();
  await expect(page.getByText("142 of 142")).toBeVisible();
  await page.keyboard.press("/");
  await page.keyboard.type("reverse lunge");
  await expect(list(page).getByRole("listitem")).toHaveCount(3);
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/library\/forward-lunge|\/library\/\w+-lunge/);
  await page.keyboard.press("f");
  await expect(list(page)).toContainText("Nothing by that name with these filters");
  await page.keyboard.press("f");
  await page.getByRole("button", { name: /Reverse lunge the front of the knee is at the stage/ }).click();
  const sheet = page.getByRole("region", { name: "Exercise sheet" });
  await expect(sheet.getByRole("heading", { name: "Reverse lunge", exact: true })).toBeVisible();
  await expect(sheet).toContainText(
    'Not for Bryn Hallow now: the front of the knee is at the stage "move"; this opens with "load".',
  );
  await expect(sheet.getByRole("img", { name: "Line figures of reverse lunge: start and end position" })).toBeVisible();
  for (const part of [
    "Set-up",
    "Cues",
    "Usual mistakes",
    "What to look at",
    "Where it should be felt",
    "Cautions",
    "Muscles",
  ])
    await expect(sheet.getByRole("heading", { name: part })).toBeVisible();
  await page.getByLabel("Search the library").fill("");
  await page.getByLabel("Pattern", { exact: true }).selectOption("squat");
  await page.getByLabel("Equipment", { exact: true }).selectOption("kettlebell");
  await expect(list(page)).toContainText("Goblet squat");
  await expect(list(page)).not.toContainText("Front squat");
  await list(page)
    .getByRole("button", { name: /Goblet squat/ })
    .click();
  await expect(sheet.getByRole("list", { name: "Steps of the progression, hardest first" })).toContainText(
    "current step",
  );
});

test("hiding an exercise changes the plan and can be undone; own exercises come in, are corrected, and go", async ({
  page,
}) => {
  await look(page, await idOf(page, "Maren"));
  await page.goto("/library/front-squat");
  await page.getByRole("button", { name: "Hide", exact: true }).click();
  // Before it is hidden, the weeks that are over are written down for everybody: on a busy machine that takes its time.
  await expect(page.getByText("Front squat is hidden from the planner.")).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole("button", { name: "Show again" })).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByRole("button", { name: "Hide", exact: true })).toBeVisible();

  await page.getByRole("button", { name: "Own exercise" }).click();
  const form = page.getByRole("dialog");
  await form.getByLabel("Name").fill("Sandbag hold");
  await form.getByLabel("Muscles first").fill("wings");
  await form.getByLabel("Where it should be felt").fill("Trunk");
  await form.getByRole("button", { name: "Add exercise" }).click();
  await expect(form.getByRole("alert").first()).toBeVisible();
  await form.getByLabel("Muscles first").fill("rectus abdominis");
  await form.getByLabel("Equipment").fill("sandbag");
  await form.getByRole("button", { name: "Add exercise" }).click();
  const sheet = page.getByRole("region", { name: "Exercise sheet" });
  await expect(sheet.getByRole("heading", { name: "Sandbag hold", exact: true })).toBeVisible({ timeout: 60_000 });
  await expect(sheet).toContainText("Your own exercise.");
  await expect(sheet).toContainText("no equipment for it at");
  await sheet.getByRole("button", { name: "Edit" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("Sandbag hold removed.")).toBeVisible();
  await expect(page.getByText("142 of 142")).toBeVisible();
});

test("the essential five become the plan in one tap, and the whole plan comes back in another", async ({ page }) => {
  const id = await idOf(page, "Maren");
  await look(page, id);
  await page.goto("/library");
  await page.getByRole("button", { name: "Use as Maren's plan" }).click();
  await expect(page.getByRole("button", { name: "Back to the whole plan" })).toBeVisible();
  const { sessions } = await (await page.request.get(`/api/athletes/${id}`)).json();
  const day = sessions.find((s: { date: string; label: string }) => s.label === "A" && s.date > "2026-03-08")?.date;
  await page.goto(`/a/${id}/session/${day}/A`);
  const names = page.getByRole("table").getByRole("row").locator("td:nth-child(2)");
  for (const name of ["Single-leg deadlift", "Side plank", "Split squat", "Single-leg bridge", "Single-leg calf raise"])
    await expect(names.filter({ hasText: name }).first()).toBeVisible();
  await expect(
    page.getByText("Time is short: the essential five of the sport and nothing else.").first(),
  ).toBeVisible();
  await page.goto("/library");
  await page.getByRole("button", { name: "Back to the whole plan" }).click();
  await expect(page.getByRole("button", { name: "Use as Maren's plan" })).toBeVisible();
});

test("putting an athlete on a step moves the plan, and the record decides again", async ({ page }) => {
  const id = await idOf(page, "Teodor");
  await look(page, id);
  await page.goto("/library/bridge");
  const ladder = page.getByRole("list", { name: "Steps of the progression, hardest first" });
  await page.getByRole("button", { name: "Set as current step" }).click();
  await expect(ladder.getByRole("listitem").filter({ hasText: "1. Bridge" })).toContainText("current step");
  await expect(ladder.getByRole("listitem").filter({ hasText: "Single-leg hip thrust" })).toContainText("closed");
  await page.getByRole("button", { name: "Let the record decide" }).click();
  await expect(ladder.getByRole("listitem").filter({ hasText: "1. Bridge" })).not.toContainText("current step");
});

test("activation and after-care follow the findings, and print without the frame", async ({ page }) => {
  const id = await idOf(page, "Maren");
  await page.goto(`/a/${id}/homework`);
  await expect(page.getByRole("heading", { name: "Before the run" })).toBeVisible();
  await expect(page.getByText(", for: hip drops to the free side, left")).toBeVisible();
  await expect(page.getByText(/does not replace a clinician/)).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Views" })).toBeHidden();
  await expect(page.getByText(/Maren Tolvaj, Tue/)).toBeVisible();
  await expect(page.getByText(/does not replace a clinician/)).toBeVisible();
});

test("screening: history by side with its table, and a draft that waits", async ({ page }) => {
  const id = await idOf(page, "Ilse");
  await page.goto(`/a/${id}/screening`);
  await expect(page.getByRole("heading", { name: "Single-leg squat to a bench over time" })).toBeVisible();
  await expect(page.locator("svg").filter({ hasText: "mark 10" }).first()).toBeVisible();
  const history = page.getByRole("table", { name: "Single-leg squat to a bench by date" });
  await expect(history.getByRole("row")).toHaveCount(4);
  await expect(history).toContainText("30%");
  await page.getByRole("button", { name: "New screen" }).click();
  await page
    .getByRole("button", { name: "Dowel hinge: more" })
    .or(page.getByRole("button", { name: "5 more" }))
    .click();
  await page.getByRole("link", { name: "Leave, keep the draft" }).click();
  await expect(page.getByRole("button", { name: /^Go on: 1 of 11 done/ })).toBeVisible();
});
