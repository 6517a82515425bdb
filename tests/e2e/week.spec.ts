/** The week by hand: sessions in hand by mouse, finger and keys, locks, undo, room made, what came between, and the gym on one day. */

import type { WeekView } from "../../src/api/views";
import type { Athlete } from "../../src/core/athlete/types";
import { athleteWith, weeksOf } from "../support/athlete";
import { expect, type Locator, type Page, test } from "../support/journey";

const MONDAY = "2026-03-09";
const WINDOWS = [
  { day: 2, start: "17:30", minutes: 90, place: "gym" },
  { day: 4, start: "18:00", minutes: 75, place: "gym" },
  { day: 6, start: "15:00", minutes: 120, place: "gym" },
];

async function newAthlete(page: Page, name: string, change: Partial<Athlete> = {}): Promise<string> {
  const athlete = athleteWith(
    { endurance: weeksOf(new Array(20).fill(1)), availability: WINDOWS, ...change },
    { name, timeZone: "UTC" },
  );
  const answer = await page.request.post("/api/athletes", {
    data: JSON.stringify(athlete),
    headers: { "Content-Type": "application/json" },
  });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}
const week = async (page: Page, id: string): Promise<WeekView> =>
  (await page.request.get(`/api/athletes/${id}/weeks/${MONDAY}`)).json();
const placedOn = async (page: Page, id: string) =>
  Object.fromEntries((await week(page, id)).sessions.map((s) => [s.label, `${s.date} ${s.start}`]));
const session = (page: Page, label: string): Locator => page.locator(`[data-session=${label}]`);
const openWeek = async (page: Page, id: string) => {
  await page.goto(`/a/${id}/week/${MONDAY}`);
  await expect(page.getByRole("group", { name: /Week drawn/ })).toBeVisible();
  await expect(page.locator(".cursor-grab").first()).toBeVisible();
};
/** Middle of a weekday on the section, Monday 0, as a share of the day. */
async function pointOn(page: Page, day: number, share: number): Promise<{ x: number; y: number }> {
  const box = (await page.getByRole("group", { name: /Week drawn/ }).boundingBox())!;
  const dayWidth = (box.width - 140) / 7;
  return { x: box.x + 128 + dayWidth * (day + share), y: box.y + box.height * 0.6 };
}
const hold = async (page: Page, what: Locator) => {
  const box = (await what.boundingBox())!;
  const from = { x: box.x + box.width / 2, y: box.y + box.height - 24 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
};
const tabTo = async (page: Page, label: string) => {
  for (let i = 0; i < 120; i++) {
    if ((await page.evaluate(() => document.activeElement?.getAttribute("data-session"))) === label) return;
    await page.keyboard.press("Tab");
  }
  throw new Error(`${label} was not reached by Tab`);
};

test("a session dragged with the mouse shows its price and the reason before it is put down, and stays there", async ({
  page,
}) => {
  const id = await newAthlete(page, "Drag Mouse");
  const before = await week(page, id);
  const b = before.sessions.find((s) => s.label === "B")!;
  expect(b.date).toBe("2026-03-14");
  await openWeek(page, id);
  await hold(page, session(page, "B"));
  const words = page.getByRole("status").filter({ hasText: "Single-leg B" });
  // Friday has no window: it may not stand there.
  const friday = await pointOn(page, 4, 0.7);
  await page.mouse.move(friday.x, friday.y, { steps: 6 });
  await expect(words).toContainText("Not possible: there is no free time slot on that day");
  const thursday = await pointOn(page, 3, 0.55);
  await page.mouse.move(thursday.x, thursday.y, { steps: 6 });
  await expect(words).toContainText(/Thu\s12\sMar\s1\d:\d\d/);
  await expect(words).toContainText(/disturbance \d+, \d+ more/);
  await expect(words).toContainText(/\+\d+ Single-leg B is on Thu/);
  const cost = Number(/disturbance (\d+)/.exec((await words.textContent())!)![1]);
  expect(cost).toBeGreaterThan(before.fit.cost);
  // Esc in the middle gives it back.
  await page.keyboard.press("Escape");
  await expect(words).toHaveCount(0);
  await page.mouse.up();
  expect((await placedOn(page, id)).B).toBe(`2026-03-14 ${b.start}`);

  await hold(page, session(page, "B"));
  await page.mouse.move(thursday.x, thursday.y, { steps: 6 });
  await expect(words).toContainText(`disturbance ${cost}`);
  await page.mouse.up();
  await expect(page.getByText(/B moved to Thu\s12\sMar/).first()).toBeVisible();
  const after = await week(page, id);
  expect(after.sessions.find((s) => s.label === "B")!.date).toBe("2026-03-12");
  expect(after.fit.cost).toBe(cost);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByText(/Undone: B moved/)).toBeVisible();
  expect((await placedOn(page, id)).B).toBe(`2026-03-14 ${b.start}`);
});

test("the same with the keyboard alone, and ten changes undone after the browser was closed", async ({ page }) => {
  // Ten fits and as many undone: a busy machine is given its time.
  test.slow();
  const id = await newAthlete(page, "Keys Alone");
  const start = await placedOn(page, id);
  await openWeek(page, id);
  await tabTo(page, "B");
  await page.keyboard.press("Space");
  const words = page.getByRole("status").filter({ hasText: "Single-leg B" });
  await expect(words).toContainText("disturbance");
  await page.keyboard.press("ArrowLeft");
  await expect(words).toContainText("Not possible");
  await page.keyboard.press("ArrowLeft");
  await expect(words).toContainText(/Thu\s12\sMar.*disturbance/);
  await page.keyboard.press("Escape");
  await expect(words).toHaveCount(0);
  expect(await placedOn(page, id)).toEqual(start);

  // Ten moves: a quarter of an hour later, and back, five times; keys pressed before the places are weighed count, too.
  const seen = [start];
  for (let i = 0; i < 10; i++) {
    await page.keyboard.press("Space");
    await page.keyboard.press(i % 2 === 0 ? "ArrowDown" : "ArrowUp");
    await page.keyboard.press("Enter");
    await expect(words).toHaveCount(0);
    await expect.poll(async () => JSON.stringify(await placedOn(page, id))).not.toBe(JSON.stringify(seen.at(-1)));
    seen.push(await placedOn(page, id));
    await tabTo(page, "B");
  }
  await page.reload();
  await expect(page.locator(".cursor-grab").first()).toBeVisible();
  for (let i = 9; i >= 0; i--) {
    await page.keyboard.press("Control+z");
    await expect.poll(async () => placedOn(page, id)).toEqual(seen[i]);
  }
  await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeDisabled();
  await page.keyboard.press("Control+Shift+z");
  await expect.poll(async () => placedOn(page, id)).toEqual(seen[1]);
});

test("a locked session never moves: not by hand, not by a fit, not by what came between", async ({ page }) => {
  const id = await newAthlete(page, "Locked Stays");
  await openWeek(page, id);
  await session(page, "A").click();
  await page.getByRole("button", { name: "Lock here" }).click();
  await expect(page.getByRole("button", { name: "Unlock" })).toBeVisible();
  await expect(page.getByText(/^Session A stays on/)).toBeVisible();
  const at = (await placedOn(page, id)).A;
  await hold(page, session(page, "A"));
  const saturday = await pointOn(page, 5, 0.7);
  await page.mouse.move(saturday.x, saturday.y, { steps: 6 });
  await expect(page.getByText(/Session A is locked and stays/)).toBeVisible();
  await page.mouse.up();
  expect((await placedOn(page, id)).A).toBe(at);
  await page.getByRole("button", { name: "Re-plan week" }).click();
  await expect(page.getByText(/Sessions placed: disturbance/)).toBeVisible();
  expect((await placedOn(page, id)).A).toBe(at);
  // Saturday is gone: told once, the rest is fitted again. Three actions.
  await page.getByRole("button", { name: "Something came up…" }).click();
  await page.getByLabel("From", { exact: true }).fill("2026-03-14");
  await page.getByRole("button", { name: "Enter and plan around it" }).click();
  await expect(page.getByText(/Travel Sat\s14\sMar/).first()).toBeVisible();
  const after = await placedOn(page, id);
  expect(after.A).toBe(at);
  expect(after.B).toMatch(/^2026-03-12/);
});

test("a week without room shows the nearest change, worked out, and making it places the session", async ({ page }) => {
  const id = await newAthlete(page, "No Room", {
    availability: [{ day: 2, start: "18:00", minutes: 75, place: "gym" }],
  });
  await openWeek(page, id);
  const room = page.getByRole("region", { name: "Session B is not placed" });
  await expect(room).toContainText("The nearest changes that make room");
  const first = room.getByRole("listitem").first();
  await expect(first).toContainText(/Add a free time slot on|min longer|Move the|Shorten/);
  const promised = /disturbance (\d+)/.exec((await first.textContent())!)![1];
  await first.getByRole("button", { name: "Make this change" }).click();
  await expect(room).toHaveCount(0);
  await expect(session(page, "B")).toBeVisible();
  const after = await week(page, id);
  expect(after.fit.unplaced).toEqual([]);
  expect(after.fit.cost).toBe(Number(promised));
  await expect(page.getByRole("button", { name: /^Take back: Free time slot on/ })).toBeVisible();
});

test("an endurance session is dragged and the fit follows; a session is shortened, skipped with a reason, and swapped", async ({
  page,
}) => {
  const id = await newAthlete(page, "Fit Follows");
  await openWeek(page, id);
  const view = await week(page, id);
  const key = view.endurance.find((e) => e.isKey && e.kind !== "long" && e.date >= MONDAY)!;
  await hold(page, page.locator(`[data-endurance="${key.id}"]`));
  const day = await pointOn(page, 3, 0.3);
  await page.mouse.move(day.x, day.y, { steps: 6 });
  const words = page.getByRole("status").filter({ hasText: /Thu\s12\sMar/ });
  await expect(words).toContainText(/Sessions are placed again: disturbance \d+/);
  // The hours that the pointer passed on its way are answered one after the other: the last answer stays.
  let cost = Number.NaN;
  const settled = async () => {
    const before = cost;
    cost = Number(/disturbance (\d+)/.exec((await words.textContent())!)![1]);
    return cost === before;
  };
  await expect.poll(settled, { intervals: [1500] }).toBe(true);
  await page.mouse.up();
  await expect(page.getByText(/Moved to Thu\s12\sMar/).first()).toBeVisible();
  const moved = await week(page, id);
  expect(moved.endurance.find((e) => e.id === key.id)!.date).toBe("2026-03-12");
  expect(moved.fit.cost).toBe(cost);

  await session(page, "A").click();
  // What goes is read before it is taken.
  await page.getByRole("button", { name: "Shorten…" }).click();
  const shorter = page.getByRole("dialog");
  await shorter.getByRole("button", { name: "30 min", exact: true }).click();
  await expect(shorter.getByRole("heading", { name: /^(Goes|Less of)$/ }).first()).toBeVisible();
  await shorter.getByRole("button", { name: "Shorten to 30 min" }).click();
  await expect(page.getByText(/A shortened to 30 min/).first()).toBeVisible();
  expect((await week(page, id)).sessions.find((s) => s.label === "A")!.minutes).toBeLessThanOrEqual(30);

  const before = await placedOn(page, id);
  await page.getByRole("button", { name: "Swap with B" }).click();
  await expect(page.getByText(/A and B swapped/).first()).toBeVisible();
  const swapped = await placedOn(page, id);
  expect([swapped.A, swapped.B]).toEqual([before.B, before.A]);

  await session(page, "B").click();
  await page.getByRole("button", { name: "Skip" }).click();
  await page.getByRole("button", { name: "no time" }).click();
  await expect(session(page, "B")).toHaveCount(0);
  await page.getByRole("button", { name: "Take back: B skipped: no time" }).click();
  await expect(session(page, "B")).toBeVisible();
});

test("weights of the rules change the fit and go back; bad ones are refused", async ({ page }) => {
  const id = await newAthlete(page, "Own Weights", {
    availability: [{ day: 3, start: "18:00", minutes: 75, place: "gym" }],
  });
  await openWeek(page, id);
  const cost = async () => (await week(page, id)).fit.costs.find((c) => c.rule === "S5")?.points ?? 0;
  const shipped = await cost();
  const open = async () => {
    await page.getByRole("button", { name: "More for this week" }).click();
    await page.getByRole("menuitem", { name: "Weights of the rules…" }).click();
  };
  await open();
  await page.getByLabel("Hard days hard, or spread (S5)").fill("many");
  await page.getByRole("button", { name: "Save weights" }).click();
  await expect(page.getByRole("alert")).toContainText('S5: a number from 0 to 1,000 expected, found "many"');
  await page.getByLabel("Hard days hard, or spread (S5)").fill("1");
  await page.getByRole("button", { name: "Save weights" }).click();
  await expect(page.getByText("Weights saved.")).toBeVisible();
  expect(shipped).toBe(8);
  expect(await cost()).toBe(1);
  await open();
  await page.getByRole("button", { name: "Reset S5 to 8" }).click();
  await page.getByRole("button", { name: "Save weights" }).click();
  await expect.poll(cost).toBe(8);
});

test("two athletes with one rack at the same hour are separated, with the cost shown, and it can be undone", async ({
  page,
}) => {
  const place = { ...athleteWith().places[0]!, id: "iron-hall" };
  const hall = { places: [place], availability: [{ day: 2, start: "17:00", minutes: 150, place: "iron-hall" }] };
  await newAthlete(page, "Rack One", hall);
  await newAthlete(page, "Rack Two", hall);
  // The first answer comes late: it was read before the racks are counted, and must not win.
  await page.route(
    /\/api\/gym\/2026-03-10\?place=iron-hall/,
    async (route) => {
      const response = await route.fetch();
      await new Promise((r) => setTimeout(r, 1500));
      await route.fulfill({ response }).catch(() => undefined);
    },
    { times: 1 },
  );
  await page.goto("/gym/2026-03-10");
  await page.getByLabel("Place").selectOption("iron-hall");
  await expect(page.getByRole("heading", { name: "iron hall" })).toBeVisible();
  await page.getByRole("button", { name: "Fewer: Racks" }).click();
  await expect(page.getByLabel("Racks", { exact: true })).toHaveText("1");
  await expect(page.getByText(/As planned there is no room for \d+ min/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Disturbance of the shared hours \d+/ })).toBeVisible();
  await page.getByRole("button", { name: "Shared out" }).click();
  await expect(page.getByText(", rack 1")).toHaveCount(2);
  await page.getByRole("button", { name: "Apply" }).click();
  await expect(page.getByText(/1 session moved/)).toBeVisible();
  await expect(page.getByText("As planned there is room for everybody.")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByText(/As planned there is no room/)).toBeVisible();
});

test.describe("with a finger", () => {
  test.use({ hasTouch: true });
  test("a session is dragged by touch", async ({ page }) => {
    const id = await newAthlete(page, "Drag Touch");
    await openWeek(page, id);
    const box = (await session(page, "B").boundingBox())!;
    const to = await pointOn(page, 3, 0.55);
    const touch = await page.context().newCDPSession(page);
    const point = (x: number, y: number) => ({ touchPoints: [{ x, y }] });
    const from = { x: box.x + box.width / 2, y: box.y + box.height - 24 };
    await touch.send("Input.dispatchTouchEvent", { type: "touchStart", ...point(from.x, from.y) });
    for (let i = 1; i <= 8; i++)
      await touch.send("Input.dispatchTouchEvent", {
        type: "touchMove",
        ...point(from.x + ((to.x - from.x) * i) / 8, from.y + ((to.y - from.y) * i) / 8),
      });
    await expect(page.getByRole("status").filter({ hasText: /Thu\s12\sMar.*disturbance/ })).toBeVisible();
    await touch.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
    await expect.poll(async () => (await placedOn(page, id)).B).toMatch(/^2026-03-12/);
  });
});
