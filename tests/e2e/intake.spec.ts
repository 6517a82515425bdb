/** A new athlete from nothing: the talk, the screen, the first session, and what clearing the trouble changes. */
import { expect, type Page, test } from "../support/journey";

interface Exercise {
  name: string;
  notWith: string[];
}

const step = (page: Page, name: string) =>
  page
    .getByRole("navigation", { name: "Steps of the intake" })
    .getByRole("link", { name: new RegExp(`\\d\\. ${name}`) });

/** The id in the address of an athlete's view. */
const idOf = (page: Page): string => /\/a\/([^/]+)\//.exec(page.url())?.[1] ?? "";

/** Paints with the mouse on the week grid: day 1 is Monday, hours with decimals. */
async function paint(page: Page, day: number, from: number, to: number): Promise<void> {
  const grid = page.getByRole("group", { name: /^Week grid/ });
  await grid.scrollIntoViewIfNeeded();
  const svg = grid.locator("svg");
  const box = (await svg.boundingBox())!;
  const view = (await svg.getAttribute("viewBox"))!.split(" ").map(Number);
  const scale = box.width / view[2]!;
  const column = (view[2]! - 48) / 7;
  const x = box.x + (44 + column * (day - 0.5)) * scale;
  const y = (hour: number) => box.y + (22 + (hour - 5) * 4 * 7) * scale;
  await page.mouse.move(x, y(from) + 2);
  await page.mouse.down();
  await page.mouse.move(x, y(to) - 2, { steps: 5 });
  await page.mouse.up();
}

/** What stands for a knee whose way back nobody has begun. */
const SETTLE = "Supported split squat, front foot raised";

test("bare home, a sore knee, a dropping hip: the plan follows, and clearing the knee brings the lunge back", async ({
  page,
}) => {
  // The talk.
  await page.goto("/");
  await page.getByRole("link", { name: "New athlete" }).first().click();
  await page.getByLabel("Name").fill("Wilma Fenn");
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await expect(page.getByText(/expected/).first()).toBeVisible();
  await page.getByLabel("Birth year").fill("1992");
  await page.getByLabel("Body mass").fill("62,5");
  // Leaving and coming back loses nothing, before the athlete exists too.
  await page.reload();
  await expect(page.getByLabel("Name")).toHaveValue("Wilma Fenn");
  await page.getByRole("button", { name: "Create athlete" }).last().click();

  await expect(page.getByRole("heading", { name: "Intake of Wilma Fenn" })).toBeVisible();
  await page.getByLabel("Most training on one day").fill("120");
  await page.getByRole("button", { name: "Next: health" }).click();
  await expect(page.getByText("Not asked yet: until all are answered")).toBeVisible();
  for (const question of await page.getByRole("group").filter({ hasText: "Yes" }).all())
    await question.getByRole("button", { name: "No" }).click();
  await expect(page.getByText("Not asked yet")).toBeHidden();
  const status = page.getByRole("group", { name: "front of the knee: status" });
  await status.getByRole("button", { name: "Current" }).click();
  await page.getByRole("group", { name: "front of the knee: side" }).getByRole("button", { name: "Left" }).click();
  await expect(page.getByRole("img", { name: "Marked on the body: front of the knee, left, current" })).toBeVisible();
  await page.getByRole("button", { name: "Next: places" }).click();
  await page.getByRole("button", { name: "Bare home" }).click();
  await expect(page.getByRole("tab", { name: "home" })).toBeVisible();
  await page.getByRole("button", { name: "Next: week" }).click();
  await paint(page, 3, 18, 19.25);
  await paint(page, 6, 10, 11.25);
  await expect(page.getByText(/Wednesday 18:00 to 19:15, home/)).toBeVisible();
  await expect(page.getByText(/Saturday 10:00 to 11:15, home/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Wednesday 18:00 to 19:15, home/)).toBeVisible();
  await step(page, "Plan").click();
  await expect(page.getByLabel("Most training on one day")).toHaveValue("120");
  await step(page, "Start").click();
  const id = idOf(page);

  // The screen.
  await page.getByRole("link", { name: "Start the screening" }).click();
  await page.getByRole("button", { name: /^Single-leg squat to a bench/ }).click();
  for (let i = 0; i < 6; i++) await page.getByRole("button", { name: "Left: 1 more" }).click();
  await page.getByRole("button", { name: "Right side" }).click();
  for (let i = 0; i < 12; i++) await page.getByRole("button", { name: "Right: 1 more" }).click();
  await expect(page.getByRole("img", { name: "left 6; right 10; mark 10" })).toBeVisible();
  await expect(page.getByText("The sides are 40% apart.")).toBeVisible();
  // The tablet goes dark: the draft is still there.
  await page.reload();
  await expect(page.getByRole("img", { name: "left 6; right 10; mark 10" })).toBeVisible();
  await page.getByRole("button", { name: "Seen in the sport" }).click();
  await page.getByRole("checkbox", { name: /Hip drops to the free side/ }).check();
  await page
    .getByRole("group", { name: /Hip drops.*side/ })
    .getByRole("button", { name: "Left" })
    .click();
  await page.getByRole("button", { name: "What it changes" }).last().click();
  const changes = page.getByRole("list", { name: "What each finding changes" });
  await expect(changes.getByRole("listitem")).toHaveCount(3);
  await expect(changes).toContainText("Adds toe taps behind with knee lift, 15 a side");
  await expect(changes).toContainText("starts with the left and the other side matches its repetitions (40% apart)");
  await page.getByRole("button", { name: "Accept, and change the plan" }).click();
  await expect(page.getByRole("heading", { name: "Screening" })).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: "Single-leg squat to a bench" })).toContainText(
    "under the mark",
  );

  // The next session.
  await page.getByRole("link", { name: "Session", exact: true }).click();
  await expect(page.getByText(/Wed\s4\sMar/).first()).toBeVisible();
  const library: Exercise[] = (await (await page.request.get("/api/exercises")).json()).exercises;
  const removed = library.filter((e) => e.notWith.includes("knee-front")).map((e) => e.name);
  const table = page.getByRole("table");
  const names = async () => (await table.getByRole("row").locator("td:nth-child(2)").allInnerTexts()).join("\n");
  for (const name of removed) expect(await names()).not.toContain(`${name}\n`);
  const added = table.getByRole("row").filter({ hasText: "Toe tap behind with knee lift" });
  await expect(added).toContainText("added: hip drops to the free side, left");
  await expect(added).toContainText("15");
  const single = table.getByRole("row").filter({ hasText: SETTLE });
  await expect(single).toContainText("left side first");
  await single.getByRole("button", { name: SETTLE, exact: true }).click();
  await expect(
    page
      .getByText(
        "Start with the left side, the weaker in the single-leg squat to a bench (6 against 10), and match its reps; an extra set on it is open.",
      )
      .first(),
  ).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(
    page.getByText('Reverse lunge: the front of the knee is at the stage "settle"; this opens with "load".').first(),
  ).toBeVisible();

  // Two actions to another exercise, and back.
  await page.getByRole("button", { name: `Swap ${SETTLE}` }).click();
  await expect(page.getByText("Trouble area", { exact: false }).last()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Swap Toe tap behind with knee lift" }).click();
  await page.getByRole("button", { name: /Hip hike/ }).click();
  await expect(table).toContainText("Hip hike");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(table).toContainText("Toe tap behind with knee lift");

  // Clear: the lunge is back at its step.
  await page.goto(`/a/${id}/intake/health`);
  await page.getByRole("group", { name: "front of the knee: status" }).getByRole("button", { name: "Past" }).click();
  await page.getByRole("link", { name: "Session", exact: true }).click();
  await expect(table).toContainText("Reverse lunge");
  await table.getByRole("button", { name: "Reverse lunge", exact: true }).click();
  await expect(
    page
      .getByText(
        "The front of the knee is clear: reverse lunge is back, step 1 of 6 of its progression. Introduce it slowly.",
      )
      .first(),
  ).toBeVisible();
});

test("without clearance the plan is restore and mobility, and a recorded clearance opens it with its limits", async ({
  page,
}) => {
  await page.goto("/new");
  await page.getByLabel("Name").fill("Odd Vesper");
  await page.getByLabel("Birth year").fill("1970");
  await page.getByLabel("Body mass").fill("80");
  await page.getByLabel("Strength training so far").fill("30");
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await step(page, "Places").click();
  await page.getByRole("button", { name: "Club gym" }).click();
  await step(page, "Week").click();
  await paint(page, 4, 18, 19.5);
  await expect(page.getByText(/Thursday 18:00 to 19:30/)).toBeVisible();
  await step(page, "Start").click();
  await expect(page.getByRole("link", { name: "Clearance is open" })).toBeVisible();
  await page.getByRole("link", { name: "Open the next session" }).click();
  await expect(page.getByRole("heading", { name: /^Restore/ })).toBeVisible();
  await expect(page.getByText(/Restore and mobility only until someone licensed/).first()).toBeVisible();
  const id = idOf(page);
  await page.goto(`/a/${id}/intake/health`);
  await page
    .getByRole("group", { name: /blood pressure/ })
    .getByRole("button", { name: "Yes" })
    .click();
  await page.getByLabel("Cleared by").fill("Dr. A. Plume, cardiology");
  await page.getByLabel("Limits", { exact: false }).first().fill("Nothing above 130 beats.");
  await page.getByLabel("Moderate effort only, no breath-holding").check();
  await page.getByRole("link", { name: "Session", exact: true }).click();
  await expect(page.getByRole("heading", { name: /^Heavy A/ })).toBeVisible();
  await expect(page.getByText("Cleared by Dr. A. Plume, cardiology: Nothing above 130 beats.")).toBeVisible();
});

test("pounds and miles: what is typed is kept exactly and shown as plates are marked", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name").fill("Ruth Sandling");
  await page.getByLabel("Birth year").fill("1988");
  await page.getByRole("group", { name: "Weight unit" }).getByRole("button", { name: "lb" }).click();
  await page.getByRole("group", { name: "Distance unit" }).getByRole("button", { name: "mi" }).click();
  await page.getByLabel("Body mass").fill("150");
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await step(page, "Places").click();
  await page.getByRole("button", { name: "Club gym" }).click();
  await expect(page.getByLabel("Plates, by pairs, mass 5")).toHaveValue("2.5");
  await expect(page.getByText(/1\.13/)).toHaveCount(0);
  const read = async () => await (await page.request.get(`/api/athletes/${idOf(page)}/intake`)).json();
  // 1 lb = 0.45359237 kg exactly (1959 agreement).
  await expect.poll(async () => (await read()).facts.bodyMassKg).toBe(150 * 0.45359237);
  await expect.poll(async () => (await read()).places[0]?.plates.at(-1)?.massKg).toBe(2.5 * 0.45359237);
  await page.getByRole("button", { name: "Home with a few weights" }).click();
  await expect(page.getByRole("tab", { name: "home" })).toBeVisible();
  await page.getByLabel("Dumbbells, mass 1").fill("12.5");
  await expect.poll(async () => (await read()).places[1]?.dumbbellsKg[0]?.massKg).toBe(12.5 * 0.45359237);
  await page.getByLabel("Dumbbells, mass 1").fill("a lot");
  await expect(page.getByLabel("Dumbbells, mass 1")).toHaveAttribute("aria-invalid", "true");
});

test("a place is copied from another athlete, taken away and brought back; one in use stays", async ({ page }) => {
  await page.goto("/new");
  for (const [label, text] of [
    ["Name", "Piet Harrow"],
    ["Birth year", "1985"],
    ["Body mass", "74"],
  ] as const)
    await page.getByLabel(label).fill(text);
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await step(page, "Places").click();
  await page.getByLabel("Name").fill("Barn by the sea");
  await page.getByRole("button", { name: "Home with a few weights" }).click();
  await expect(page.getByRole("tab", { name: "barn-by-the-sea" })).toBeVisible();
  await page.getByRole("button", { name: "Remove place" }).click();
  await expect(page.getByRole("tab")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByRole("tab", { name: "barn-by-the-sea" })).toBeVisible();
  const copy = page.getByLabel("Copy from");
  const option = copy.getByRole("option").nth(1);
  const from = (await option.innerText()).split(": ")[1]!;
  await copy.selectOption({ index: 1 });
  await expect(page.getByRole("tab", { name: from })).toBeVisible();
  await step(page, "Week").click();
  await page.getByRole("group", { name: "Brush" }).getByRole("button", { name: from, exact: true }).click();
  await paint(page, 2, 18, 19);
  await expect(page.getByText(new RegExp(`Tuesday 18:00 to 19:00, ${from}`))).toBeVisible();
  await page.getByRole("button", { name: "Remove Tuesday 18:00" }).click();
  await expect(page.getByText("No free time slot yet: nothing can be placed.")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByText(new RegExp(`Tuesday 18:00 to 19:00, ${from}`))).toBeVisible();
  await step(page, "Places").click();
  await page.getByRole("tab", { name: from }).click();
  await expect(page.getByText("Free time slots or absences use it, so it stays.")).toBeVisible();
});

test("without the server nothing that was entered is lost, and bad entries say what was expected", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name").fill("Ada Quist");
  await page.getByLabel("Birth year").fill("1990");
  await page.getByLabel("Body mass").fill("60");
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await expect(page.getByRole("heading", { name: "Intake of Ada Quist" })).toBeVisible();
  await step(page, "Athlete").click();
  await page.getByLabel("Body mass").fill("heavy");
  await expect(page.getByLabel("Body mass")).toHaveAttribute("aria-invalid", "true");
  await expect(page.locator("#f-mass-error")).toContainText("expected");
  await expect(page.getByRole("contentinfo")).toContainText("Not saved yet");
  await page.getByLabel("Body mass").fill("61");
  await expect(page.locator("#f-mass-error")).toBeHidden();
  const read = async () => (await (await page.request.get(`/api/athletes/${idOf(page)}/intake`)).json()).facts;
  await expect.poll(async () => (await read()).bodyMassKg).toBe(61);
  await expect(page.getByRole("contentinfo")).toContainText(/Saved \d\d:\d\d/);

  await page.route("**/intake", (route) => (route.request().method() === "PUT" ? route.abort() : route.continue()));
  await page.getByLabel("Strength training so far").fill("9");
  await expect(page.getByRole("alert")).toContainText("The server cannot be reached");
  expect((await read()).strengthTrainingMonths).toBe(0);
  await page.unroute("**/intake");
  await page.reload();
  await expect(page.getByLabel("Strength training so far")).toHaveValue("9");
  await expect.poll(async () => (await read()).strengthTrainingMonths).toBe(9);
  await page.getByRole("link", { name: /2\. Plan/ }).click();
  await page.getByLabel("Losing weight on purpose from").fill("2026-04-06");
  await page.locator("#p-loss-to").fill("2026-04-05");
  await expect(page.locator("#p-loss-to-error")).toContainText("a date on or after its start expected");
  await page.locator("#p-loss-to").fill("2026-04-26");
  await expect(page.locator("#p-loss-to-error")).toBeHidden();
  const settings = async () => (await (await page.request.get(`/api/athletes/${idOf(page)}/intake`)).json()).settings;
  await expect.poll(async () => (await settings()).weightLoss).toEqual({ start: "2026-04-06", end: "2026-04-26" });
  for (const field of ["from", "to"]) await page.locator(`#p-loss-${field}`).fill("");
  await expect.poll(async () => (await settings()).weightLoss).toBeUndefined();
});

test("a screen with nothing in it accepts nothing; a test that fails closes what it gates until it passes", async ({
  page,
}) => {
  await page.goto("/new");
  await page.getByLabel("Name").fill("Lis Tarn");
  await page.getByLabel("Birth year").fill("1990");
  await page.getByLabel("Body mass").fill("60");
  await page.getByLabel("Strength training so far").fill("30");
  await page.getByRole("button", { name: "Create athlete" }).last().click();
  await expect(page.getByRole("heading", { name: "Intake of Lis Tarn" })).toBeVisible();
  const id = idOf(page);
  const run = `/a/${id}/screening/run`;
  await page.goto(run);
  await page.getByRole("button", { name: "What it changes" }).first().click();
  await expect(page.getByText("there is nothing to accept")).toBeVisible();
  await page.getByRole("button", { name: /^Wall-facing squat(?!,)/ }).click();
  await page.getByRole("button", { name: "Wall-facing squat: not passed" }).click();
  await page.getByRole("button", { name: "What it changes" }).first().click();
  await expect(page.getByText(/Closes:.*Front squat.*Back squat/)).toBeVisible();
  await page.getByRole("button", { name: "Accept, and change the plan" }).click();
  await expect(page.getByText("The screen is in the plan.")).toBeVisible();
  await expect(page.getByText("Wall-facing squat: not passed")).toBeVisible();
  await page.goto(run);
  await page.getByRole("button", { name: /^Wall-facing squat(?!,)/ }).click();
  await page.getByRole("button", { name: "Wall-facing squat: passed" }).click();
  await page.getByRole("button", { name: "What it changes" }).first().click();
  await expect(page.getByText(/Over:.*Wall-facing squat: not passed/)).toBeVisible();
  await expect(page.getByText(/Opens:.*Front squat/)).toBeVisible();
});

/** Tabs until the focus stands on a control of this name. */
async function tabTo(page: Page, name: string | RegExp): Promise<void> {
  for (let i = 0; i < 120; i++) {
    await page.keyboard.press("Tab");
    const at = await page.evaluate(() => {
      const e = document.activeElement;
      if (!(e instanceof HTMLElement) || e === document.body) return "";
      const label = e.id
        ? document.querySelector(`label[for="${e.id}"]`)?.textContent
        : e.closest("label")?.textContent;
      const group = e.closest("fieldset")?.querySelector("legend")?.textContent ?? "";
      return `${group}|${e.getAttribute("aria-label") ?? label ?? e.textContent}`;
    });
    if (typeof name === "string" ? at.includes(name) : name.test(at)) return;
  }
  throw new Error(`nothing named ${name} was reached with Tab`);
}

test("the intake and the screen with the keyboard alone", async ({ page }) => {
  const key = (k: string) => page.keyboard.press(k);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: /Squad|No athletes/ }).first()).toBeVisible();
  await key("n");
  await expect(page.getByLabel("Name")).toBeFocused();
  await page.keyboard.type("Kaya Brandt");
  await tabTo(page, "Birth year");
  await page.keyboard.type("1999");
  await tabTo(page, "Body mass");
  await page.keyboard.type("58");
  await key("Enter");
  await expect(page.getByRole("heading", { name: "Intake of Kaya Brandt" })).toBeVisible();
  await tabTo(page, "Next: health");
  await key("Enter");
  for (let i = 0; i < 5; i++) {
    await tabTo(page, /\?\|No$/);
    await key("Space");
  }
  await tabTo(page, "Next: places");
  await key("Enter");
  await tabTo(page, "Bare home");
  await key("Enter");
  await tabTo(page, "Next: week");
  await key("Enter");
  await expect(page.getByRole("group", { name: /^Week grid/ })).toBeVisible();
  await tabTo(page, "Week grid");
  // The cursor begins on Monday 18:00.
  await key("ArrowRight");
  await key("ArrowRight");
  await key("Space");
  for (let i = 0; i < 3; i++) await key("ArrowDown");
  await key("Space");
  await expect(page.getByText(/Wednesday 18:00 to 19:00, home/)).toBeVisible();
  await key("Delete");
  await expect(page.getByText("No free time slot yet: nothing can be placed.")).toBeVisible();
  await key("ArrowUp");
  await key("Space");
  for (let i = 0; i < 3; i++) await key("ArrowUp");
  await key("Escape");
  await expect(page.getByText("No free time slot yet: nothing can be placed.")).toBeVisible();
  await key("Space");
  await key("PageDown");
  await key("Enter");
  await expect(page.getByRole("listitem").filter({ hasText: /Wednesday 17:45 to 19:00/ })).toBeVisible();

  // The screen: Space counts and stops, Enter walks left, right, on.
  await key("6");
  await expect(page.getByRole("heading", { name: "Screening" })).toBeVisible();
  await key("n");
  await expect(page.getByRole("heading", { name: "Dowel hinge" })).toBeVisible();
  // The keys work once they are listed.
  await expect(page.getByText("count, start or stop")).toBeVisible();
  await page.locator("body").press("Shift");
  for (let i = 0; i < 13; i++) await key("Space");
  await expect(page.getByRole("img", { name: /65; mark 60/ })).toBeVisible();
  for (let i = 0; i < 3; i++) await key("ArrowRight");
  await expect(page.getByRole("heading", { name: "Single-leg squat to a bench" })).toBeVisible();
  for (let i = 0; i < 8; i++) await key("Space");
  await key("Enter");
  for (let i = 0; i < 10; i++) await key("Space");
  await expect(page.getByRole("img", { name: "left 8; right 10; mark 10" })).toBeVisible();
  await key("Enter");
  await expect(page.getByRole("heading", { name: "Step-down with level pelvis" })).toBeVisible();
  await key("ArrowRight");
  await expect(page.getByRole("heading", { name: "Side hold" })).toBeVisible();
  await key("Space");
  await page.waitForTimeout(1200);
  await key("Space");
  await expect(page.getByText(/^[12]s$/).first()).toBeVisible();
  for (let i = 0; i < 7; i++) await key("ArrowRight");
  await expect(page.getByRole("heading", { name: "What it changes" })).toBeVisible();
  await tabTo(page, "Accept");
  await key("Enter");
  await expect(page.getByRole("heading", { name: "Screening" })).toBeVisible();
  await expect(page.getByRole("row").filter({ hasText: "Dowel hinge" })).toContainText("65°");
});

test.describe("with touch at 820 x 1180", () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  test("a screen by finger, big enough targets, sides compared", async ({ page }) => {
    await page.goto("/new");
    await page.getByLabel("Name").fill("Tove Marsh");
    await page.getByLabel("Birth year").fill("1990");
    await page.getByLabel("Body mass").fill("60");
    await page.getByRole("button", { name: "Create athlete" }).last().tap();
    await expect(page.getByRole("heading", { name: "Intake of Tove Marsh" })).toBeVisible();
    const id = idOf(page);
    await step(page, "Places").tap();
    await page.getByRole("button", { name: "Bare home" }).tap();
    await step(page, "Week").tap();
    const svg = page.getByRole("group", { name: /^Week grid/ }).locator("svg");
    await svg.tap({ position: { x: 120, y: 300 } });
    await expect(page.getByRole("listitem").filter({ hasText: /Monday|Tuesday/ })).toHaveCount(1);
    await page.goto(`/a/${id}/screening/run`);
    await page.getByRole("button", { name: /^Side hold/ }).tap();
    await page.getByRole("button", { name: "Left: start the stopwatch" }).tap();
    await page.waitForTimeout(1300);
    await page.getByRole("button", { name: "Left: stop the stopwatch" }).tap();
    await page.getByRole("button", { name: "Right side" }).tap();
    await page.getByRole("button", { name: "Right: start the stopwatch" }).tap();
    await page.waitForTimeout(2300);
    await page.getByRole("button", { name: "Right: stop the stopwatch" }).tap();
    await expect(page.getByText(/The sides are \d+% apart\./)).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll("main button, main a, main input")].flatMap((e) => {
        const b = e.getBoundingClientRect();
        return b.width > 0 && b.height < 32 ? [`${e.textContent} ${Math.round(b.width)}x${Math.round(b.height)}`] : [];
      }),
    );
    expect(small).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  });
});
