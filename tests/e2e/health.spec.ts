/** Coming back: an Achilles through its stages, a race's way back with its result, eight days ill, a check-in on the phone, a finding that ends. */

import type { Athlete, StrengthLog } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { athleteWith, raceOn, weeksOf } from "../support/athlete";
import { expectAccessible } from "../support/axe";
import { expect, type Page, test } from "../support/journey";
import { fits } from "../support/views";

const TODAY = "2026-03-03";
const ago = (days: number): string => addDays(TODAY, -days);

async function newAthlete(page: Page, name: string, change: Partial<Athlete> = {}): Promise<string> {
  const athlete = athleteWith(
    {
      endurance: weeksOf(new Array(20).fill(1)),
      availability: [
        { day: 2, start: "18:00", minutes: 75, place: "gym" },
        { day: 5, start: "18:00", minutes: 75, place: "gym" },
      ],
      ...change,
    },
    { name, timeZone: "UTC" },
  );
  const answer = await page.request.post("/api/athletes", {
    data: JSON.stringify(athlete),
    headers: { "Content-Type": "application/json" },
  });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}

const quiet = (daysAgo: number, exercise: string): StrengthLog => ({
  date: ago(daysAgo),
  label: "A",
  items: [
    {
      exercise,
      prescribed: { sets: 1, reps: 12 },
      sets: [{ reps: 12, side: "both" }],
      pain: 1,
      nextDayPain: 0,
    },
  ],
});

/** An Achilles that was confirmed at a stage so many days ago, with three quiet sessions since. */
const achilles = (stage: "move" | "load", days: number): Partial<Athlete> => ({
  health: {
    clearanceNeeded: false,
    areas: [{ area: "achilles", side: "left", status: "current", since: ago(60) }],
    pathways: [
      { area: "achilles", side: "left", since: ago(60), steps: [{ stage, date: ago(days), by: "Coach Wren" }] },
    ],
  },
  strengthLog: [6, 4, 2].map((d) => quiet(d, "calf-raise")),
  screening: stage === "load" ? [{ test: "calf-raise", date: ago(3), left: 25, right: 26 }] : [],
});

test("an Achilles goes from moving to loads, back a step, and another from loads to springs, each confirmed by the coach", async ({
  page,
}) => {
  const id = await newAthlete(page, "Heel Moving", achilles("move", 15));
  await page.goto(`/a/${id}/health`);
  const area = page.getByRole("region", { name: "Achilles tendon, left" });
  await expect(area).toContainText("The sign of this stage is there");
  await expectAccessible(page);
  await area.getByRole("button", { name: "Confirm load" }).click();
  await page.getByLabel("Confirmed by").fill("Coach Wren");
  await page.getByLabel("Clinician").fill("Ada Finch, physiotherapist");
  await page.getByRole("button", { name: "Confirm load" }).click();
  await expect(page.getByText("The Achilles tendon is at load.")).toBeVisible();
  await expect(area.getByRole("listitem").filter({ hasText: "Load" }).first()).toHaveAttribute("aria-current", "step");
  await expect(area).toContainText("Day 0 of at least 28");
  // One step back asks nothing; undo brings the stage again.
  await area.getByRole("button", { name: "Change the stage" }).click();
  await page.getByRole("button", { name: "move", exact: true }).click();
  await page.getByRole("button", { name: "Confirm move" }).click();
  await expect(area).toContainText("Day 0 of at least 14");
  // The message before may still be leaving.
  await expect(page.getByRole("button", { name: "Undo" })).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(area).toContainText("Day 0 of at least 28");

  const other = await newAthlete(page, "Heel Loading", achilles("load", 28));
  await page.goto(`/a/${other}/health`);
  await area.getByRole("button", { name: "Confirm spring" }).click();
  await expect(page.getByLabel("Confirmed by")).toHaveValue("Coach Wren");
  await page.getByRole("button", { name: "Confirm spring" }).click();
  await expect(page.getByText("The Achilles tendon is at spring.")).toBeVisible();
  // The squad says it of those whose stage can be confirmed, and of no one else.
  const waiting = await newAthlete(page, "Heel Waiting", achilles("move", 15));
  await page.goto("/");
  await expect(page.getByRole("row").filter({ hasText: "Heel Waiting" })).toContainText("load can be confirmed");
  await expect(page.getByRole("row").filter({ hasText: "Heel Loading" })).not.toContainText("can be confirmed");
  expect(waiting).not.toBe(other);
});

test("a stage that comes too early cannot be confirmed, and says what still lacks", async ({ page }) => {
  const id = await newAthlete(page, "Heel Early", achilles("move", 13));
  await page.goto(`/a/${id}/health`);
  await expect(page.getByText("1 day of move to go (at least 14)")).toBeVisible();
  await page.getByRole("button", { name: "Change the stage" }).click();
  await page.getByRole("button", { name: "load", exact: true }).click();
  await page.getByLabel("Confirmed by").fill("Coach Wren");
  await expect(page.getByText(/Not yet: move takes 14 days at least/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Confirm load" })).toBeDisabled();
});

test("a B ultra is restored from by its class, and by its result once that is entered", async ({ page }) => {
  // Twelve hours, nine days ago: half of 12, 10 and 13 days are 6, 5 and 7.
  const race = { ...raceOn(ago(9), "B", 720), name: "Long Fell" };
  const id = await newAthlete(page, "Fell Walker", { races: [race] });
  await page.goto("/");
  const row = page.getByRole("row").filter({ hasText: "Fell Walker" });
  await expect(row).toContainText("Day 9 of 18 after Long Fell: bodyweight");
  await page.goto(`/a/${id}/records`);
  await page.getByRole("button", { name: "Long Fell" }).click();
  await page.getByLabel("Time").fill("9:00");
  await page.getByLabel("How it went").fill("4");
  await page.getByRole("button", { name: "Save race" }).click();
  await expect(page.getByText(/Race changed/)).toBeVisible();
  // Nine hours is very long: half of 9, 9 and 10 are 5, 5 and 5.
  await page.goto("/");
  await expect(row).toContainText("Day 9 of 15 after Long Fell: bodyweight");
});

test("eight days ill are entered from the squad in four actions, and their endurance is out", async ({ page }) => {
  await newAthlete(page, "Well Throughout");
  const id = await newAthlete(page, "Eight Ill");
  await page.goto("/");
  await page
    .getByRole("row")
    .filter({ hasText: "Eight Ill" })
    .click({ position: { x: 520, y: 38 } });
  await page.getByRole("button", { name: "Ill or away" }).click();
  await expect(page.locator("#away-who")).toHaveValue(id);
  await page.getByLabel("Until").fill("10 Mar 2026");
  await page.getByLabel("Until").press("Tab");
  await expect(
    page.getByRole("region", { name: "Endurance of those days" }).getByRole("listitem").first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "Enter and plan around it" }).click();
  await expect(page.getByText(/Ill until Tue\s10\sMar/)).toBeVisible();
  const open = async (): Promise<number> => {
    const { endurance } = await (await page.request.get(`/api/athletes/${id}`)).json();
    return endurance.filter(
      (e: { date: string; done?: boolean }) => e.date >= TODAY && e.date <= "2026-03-10" && !e.done,
    ).length;
  };
  expect(await open()).toBe(0);
  // The message before may still be leaving.
  await expect(page.getByRole("button", { name: "Undo" })).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(open).toBeGreaterThan(0);
});

test.describe("on the phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test("a check-in after four hours of sleep takes a third of the sets, and can be refused", async ({ page }) => {
    const locked = [{ date: TODAY, start: "18:00", place: "gym", label: "A" as const }];
    const setsOf = async (id: string): Promise<number> => {
      const view = await (await page.request.get(`/api/athletes/${id}/sessions/${TODAY}/A`)).json();
      return view.items.reduce((n: number, i: { sets: number }) => n + i.sets, 0);
    };
    const answer = async () => {
      await page.getByRole("button", { name: "Slept, hours: 4" }).tap();
      await page.getByRole("button", { name: "Soreness of the legs, 0 to 10: 2" }).tap();
      await page.getByRole("button", { name: "How it feels, 1 poor to 5 very good: 3" }).tap();
      await page.getByRole("button", { name: "No pain" }).tap();
    };
    // A finger that meets a page which is still moving tries again.
    const checkIn = () =>
      expect(async () => {
        const heading = page.getByRole("heading", { name: "Before you start" });
        if (!(await heading.isVisible())) await page.getByRole("button", { name: /Before you start/ }).tap();
        await heading.waitFor({ timeout: 3000 });
      }).toPass({ timeout: 60_000 });
    const refused = await newAthlete(page, "Short Night", { locked });
    const whole = await setsOf(refused);
    await page.goto(`/a/${refused}/floor/${TODAY}/A`);
    await checkIn();
    await expectAccessible(page);
    expect(await fits(page)).toBe(true);
    await answer();
    await expect(page.getByText("Under 5 h of sleep: a third fewer sets today.")).toBeVisible();
    await page.getByRole("button", { name: "As planned" }).tap();
    await expect(page.getByRole("heading", { name: "Before you start" })).toHaveCount(0);
    expect(await setsOf(refused)).toBe(whole);

    const taken = await newAthlete(page, "Shorter Night", { locked });
    await page.goto(`/a/${taken}/floor/${TODAY}/A`);
    await checkIn();
    await answer();
    await page.getByRole("button", { name: "Change today" }).tap();
    await expect(page.getByRole("heading", { name: "Before you start" })).toHaveCount(0);
    expect(await setsOf(taken)).toBeLessThan(whole);
    // What is asked at home stands under the check-in of today and is ticked with one tap.
    const home = await newAthlete(page, "Homework", { locked, seen: [{ what: "knee-in", date: ago(10) }] });
    await page.goto(`/a/${home}/homework`);
    const today = page.getByRole("region", { name: "Homework of Tue 3 Mar" });
    await today.getByRole("checkbox").first().tap();
    await expect(today.getByRole("checkbox").first()).toBeChecked();
    await page.reload();
    await expect(today.getByRole("checkbox").first()).toBeChecked();
    await page.goto(`/a/${home}/floor/${TODAY}/A`);
    await checkIn();
    const list = page.getByRole("region", { name: "Homework" });
    await list.getByRole("checkbox").first().tap();
    await expect(list.getByRole("checkbox").first()).not.toBeChecked();
    await expectAccessible(page);
    // The coach reads it beside the session.
    await page.goto(`/a/${taken}/session/${TODAY}/A`);
    await expect(page.getByText(/slept 4 h, legs sore 2 of 10, feels 3 of 5; changed for it/)).toBeVisible();
  });
});

test("a finding works for eight weeks, half of it for the last fortnight, and ends when it is seen no more", async ({
  page,
}) => {
  const seen = (days: number) => [{ what: "hip-drop" as const, date: ago(days), side: "left" as const }];
  const texts = {
    41: /Until .*, then half of it for a fortnight/,
    42: /Half the sets until/,
    56: /Nothing added any more/,
  };
  for (const [days, text] of Object.entries(texts)) {
    const id = await newAthlete(page, `Hip ${days}`, { seen: seen(Number(days)) });
    await page.goto(`/a/${id}/screening`);
    await expect(page.getByRole("complementary", { name: "What the screening changes" })).toContainText(text);
    if (days !== "56") continue;
    const done = await page.request.put(`/api/athletes/${id}/screening`, {
      data: { date: TODAY, results: [], seen: [] },
    });
    expect(done.ok()).toBe(true);
    await page.reload();
    await expect(page.getByRole("complementary", { name: "What the screening changes" })).not.toContainText(
      "Hip drops",
    );
  }
});
