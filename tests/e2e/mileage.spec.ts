/** The endurance plan from nothing: no file, an empty athlete, ten weeks to a marathon; then less next week, and a race that moves. */
import type { SeasonView } from "../../src/api/views";
import type { UsualSession } from "../../src/core/athlete";
import { addDays } from "../../src/core/dates";
import { athleteWith } from "../support/athlete";
import { expect, type Locator, type Page, test } from "../support/journey";

const step = (page: Page, name: string) => page.getByRole("button", { name: `Next: ${name}` });
const idOf = (page: Page): string => /\/a\/([^/]+)\//.exec(page.url())?.[1] ?? "";
const seasonOf = async (page: Page, id: string): Promise<SeasonView> =>
  await (await page.request.get(`/api/athletes/${id}/season`)).json();

/** Counts what a coach does: clicks, drags and fields filled in. */
class Hands {
  count = 0;
  async click(at: Locator): Promise<void> {
    this.count++;
    await at.click();
  }
  async fill(at: Locator, text: string): Promise<void> {
    this.count++;
    await at.fill(text);
  }
  async choose(at: Locator, value: string): Promise<void> {
    this.count++;
    await at.selectOption(value);
  }
}

/** A free hour drawn on the week grid. */
async function paint(page: Page, hands: Hands, day: number, from: number, to: number): Promise<void> {
  const grid = page.getByRole("group", { name: /^Week grid/ });
  const svg = grid.locator("svg");
  const box = (await svg.boundingBox())!;
  const view = (await svg.getAttribute("viewBox"))!.split(" ").map(Number);
  const scale = box.width / view[2]!;
  const x = box.x + (44 + ((view[2]! - 48) / 7) * (day - 0.5)) * scale;
  const y = (hour: number) => box.y + (22 + (hour - 5) * 4 * 7) * scale;
  hands.count++;
  await page.mouse.move(x, y(from) + 2);
  await page.mouse.down();
  await page.mouse.move(x, y(to) - 2, { steps: 5 });
  await page.mouse.up();
}

/** From 2 March, by hand: 5% a loading week, every fourth 75% of the one before, 65 and 40% of 75 km in the last fourteen days before 31 May. */
const BY_HAND = [55, 57.75, 60.64, 45.48, 63.67, 66.85, 70.2, 52.65, 73.71, 75, 67.65, 43.5];

/** The messages of what was done before have gone. */
const quiet = (page: Page) => expect(page.getByRole("button", { name: "Undo", exact: true })).toHaveCount(0);

test("no file: six runs a week, 55 to 75 km, every fourth week easier, taper to a marathon, two gym evenings", async ({
  page,
}) => {
  const hands = new Hands();
  await page.goto("/");
  await hands.click(page.getByRole("link", { name: "New athlete" }).first());
  await hands.fill(page.getByLabel("Name"), "Ines Varga");
  await hands.fill(page.getByLabel("Birth year"), "1990");
  await hands.fill(page.getByLabel("Body mass"), "58");
  await hands.fill(page.getByLabel(/^Strength training so far/), "24");
  await hands.click(page.getByRole("button", { name: "Create athlete" }).last());
  await hands.click(step(page, "health"));
  await expect(page.getByText("Not asked yet: until all are answered")).toBeVisible();
  for (const question of await page.getByRole("group").filter({ hasText: "Yes" }).all())
    await hands.click(question.getByRole("button", { name: "No" }));
  await hands.click(step(page, "places"));
  await hands.click(page.getByRole("button", { name: "Club gym" }));
  await hands.click(step(page, "week"));
  await paint(page, hands, 2, 18, 19.5);
  await paint(page, hands, 4, 18, 19.5);
  await hands.click(step(page, "endurance"));
  await hands.choose(page.getByLabel("Usual week"), "6");
  await hands.fill(page.getByLabel(/^This week/), "55");
  await hands.fill(page.getByLabel(/^Rising to/), "75");
  await hands.click(step(page, "races"));
  await hands.click(page.getByRole("button", { name: "Add race" }));
  const race = page.getByRole("dialog");
  await hands.fill(race.getByLabel("Name"), "Harbour Marathon");
  await hands.fill(race.getByLabel("Date"), "2026-05-31");
  await hands.fill(race.getByLabel(/^Distance/), "42.2");
  await hands.click(race.getByRole("button", { name: "Add race" }));
  await expect(page.getByText("Harbour Marathon", { exact: true })).toBeVisible();
  await hands.click(step(page, "start"));
  await hands.click(page.getByRole("link", { name: "Open the first week" }));
  await expect(page.getByRole("heading", { name: "Week 10" })).toBeVisible();
  console.log(`${hands.count} actions to a fitted week`);
  expect(hands.count).toBeLessThanOrEqual(45);

  const id = idOf(page);
  const season = await seasonOf(page, id);
  const ahead = season.weeks.filter((w) => w.start >= "2026-03-02");
  BY_HAND.forEach((km, i) => {
    expect(Math.abs((ahead[i]?.amount?.planned ?? 0) / km - 1), `week ${i + 1}`).toBeLessThan(0.02);
  });
  // Race week: 40% of Monday to Saturday, the race not counted.
  expect(ahead[12]?.amount?.amount).toBe(21.6);
  // A fitted week: both evenings hold a session.
  const week = await (await page.request.get(`/api/athletes/${id}/weeks/2026-03-09`)).json();
  expect(week.sessions).toHaveLength(2);
  expect(week.endurance.filter((e: { date: string }) => e.date >= "2026-03-09")).toHaveLength(6);

  // -20% for next week: there, less, done; and taken back.
  hands.count = 0;
  await hands.click(page.getByRole("button", { name: "Next week", exact: true }));
  await expect(page.getByRole("heading", { name: "Week 11" })).toBeVisible();
  await hands.click(page.getByRole("button", { name: "−20%" }));
  await expect(page.getByText("46.2 km for this week.")).toBeVisible();
  expect(hands.count).toBeLessThanOrEqual(3);
  const amounts = async () => (await seasonOf(page, id)).weeks.map((w) => w.amount?.amount ?? null);
  const before = season.weeks.map((w) => w.amount?.amount ?? null);
  await expect.poll(async () => (await amounts()).filter((n, i) => n !== before[i])).toEqual([46.2]);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect.poll(amounts).toEqual(before);

  // The session of one day, this week only; then from now on.
  await page.goto(`/a/${id}/week/2026-03-09`);
  const tuesday = page.locator('[data-endurance="plan:2026-03-09:tue"]');
  await tuesday.click();
  const sheet = page.getByRole("dialog");
  await sheet.getByLabel("Kind", { exact: true }).selectOption("tempo");
  await sheet.getByLabel("From now on").check();
  await sheet.getByRole("button", { name: "Save session" }).click();
  await expect(page.getByText("The usual week is changed from now on.")).toBeVisible();
  await expect
    .poll(async () =>
      (
        await (await page.request.get(`/api/athletes/${id}/planning`)).json()
      ).athlete.endurancePlan.usualWeeks[0].sessions.map((s: { kind: string }) => s.kind),
    )
    .toEqual(["easy", "tempo", "easy", "tempo", "easy", "long"]);

  // The usual week by day and hour: keys, then the mouse; it is stored as it is changed.
  const usual = async (): Promise<UsualSession[]> =>
    (await (await page.request.get(`/api/athletes/${id}/planning`)).json()).athlete.endurancePlan.usualWeeks[0]
      .sessions;
  const stored = async (of: string) => (await usual()).find((s) => s.id === of);
  await page.goto(`/a/${id}/usual-week`);
  await expect(page.getByText(/of 2 free time slots can still take a heavy session/)).toBeVisible();
  const long = page.getByRole("button", { name: /, long, / });
  await long.focus();
  await page.keyboard.press("ArrowLeft");
  await expect.poll(async () => (await stored("sun"))?.day).toBe(6);
  const share = (await stored("sun"))?.share ?? 0;
  await long.focus();
  await page.keyboard.press("+");
  await expect.poll(async () => (await stored("sun"))?.share ?? 0).toBeGreaterThan(share);
  const easy = page.getByRole("button", { name: /, easy, Mon/ });
  const from = (await easy.boundingBox())!;
  await page.mouse.move(from.x + 20, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 20 + 6 * (from.width + 8), from.y + 10 + 62, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await stored("mon"))?.day).toBe(7);
  expect((await stored("mon"))?.start).toBe("08:30");
  expect((await usual()).reduce((a, s) => a + (s.share ?? 0), 0)).toBeCloseTo(1, 3);
});

test("the terrain is drawn by hand, a race moves with its taper, and a column is pasted; each is previewed and undone", async ({
  page,
}) => {
  const athlete = athleteWith(
    {
      season: { start: "2025-09-01", end: "2026-08-30" },
      endurance: [],
      strengthLog: [],
      races: [
        { id: "ridge", date: "2026-05-10", name: "Gullfoot Ridge", sport: "run", expectedMinutes: 200, priority: "A" },
      ],
    },
    { name: "Drawn Plan", timeZone: "UTC" },
  );
  const headers = { "Content-Type": "application/json" };
  const { id } = await (await page.request.post("/api/athletes", { data: JSON.stringify(athlete), headers })).json();
  await page.goto(`/a/${id}/season?plan`);
  await page.getByLabel(/^This week/).fill("50");
  await page.getByRole("button", { name: "Plan the weeks" }).click();
  const bar = page.getByRole("status").filter({ hasText: "Preview" });
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect.poll(async () => (await seasonOf(page, id)).endurance.plan?.rule?.start).toBe(50);
  const of = async (monday: string) =>
    (await seasonOf(page, id)).weeks.find((w) => w.start === monday)?.amount?.amount ?? null;

  // The top of one week, by key and by hand.
  const top = page.getByRole("slider", { name: "Amount of the week of 2026-03-16" });
  await top.focus();
  await page.keyboard.press("Shift+ArrowUp");
  await expect(bar).toBeVisible();
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect.poll(() => of("2026-03-16")).toBe(55);
  // The drawing stands still before a hand takes hold of it.
  await expect(bar).toBeHidden();
  await expect(top).toHaveAttribute("aria-valuenow", "55");
  const box = (await page.getByRole("slider", { name: "Amount of the week of 2026-03-23" }).boundingBox())!;
  const next = (await page.getByRole("slider", { name: "Amount of the week of 2026-03-30" }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 12);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + 40, { steps: 4 });
  await page.mouse.move(next.x + next.width / 2, box.y + 40, { steps: 4 });
  await page.mouse.up();
  await expect(bar).toBeVisible();
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect.poll(() => of("2026-03-23")).toBeLessThan(45);
  expect(await of("2026-03-30")).toBe(await of("2026-03-23"));

  // A column of a spreadsheet.
  await page.getByRole("textbox", { name: "Week of 2026-04-06" }).focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData("text", "40\n41\n42,5");
    document.activeElement?.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true }));
  });
  await quiet(page);
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect.poll(() => of("2026-04-20")).toBe(42.5);
  await expect(bar).toBeHidden();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect.poll(() => of("2026-04-20")).not.toBe(42.5);

  // The race two weeks later: dragged, taken over, undone. Its taper goes along, the past stays.
  const racing = async () =>
    (await seasonOf(page, id)).weeks.filter((w) => w.amount?.kind === "race").map((w) => w.start);
  const stays = async () =>
    (await seasonOf(page, id)).weeks.filter((w) => w.start < "2026-03-02").map((w) => w.distanceKm);
  const [before, past] = [await racing(), await stays()];
  const flag = page.getByRole("button", { name: /^A race Gullfoot Ridge/ });
  const at = (await flag.boundingBox())!;
  const week = (await page.locator("[data-week='2026-03-09']").boundingBox())!;
  await page.mouse.move(at.x + 10, at.y + 10);
  await page.mouse.down();
  await page.mouse.move(at.x + 20, at.y + 10);
  await page.mouse.move(at.x + 10 + 2 * week.width, at.y + 10, { steps: 8 });
  await page.mouse.up();
  await expect(bar).toContainText("Gullfoot Ridge from Sun 10 May to Sun 24 May");
  await quiet(page);
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect(bar).toBeHidden();
  await expect.poll(racing).toEqual(before.map((w) => addDays(w, 14)).filter((w) => w <= "2026-08-24"));
  expect(await stays()).toEqual(past);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect.poll(racing).toEqual(before);
});
