/** Dose, session and progress through the real interface: approaches, sessions by hand, four weeks of a lift, a review, a card. */

import type { LiftView, SeasonView, SessionView } from "../../src/api/views";
import type { Athlete, StrengthLog } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { athleteWith, lifted, logOf, START, weeksOf } from "../support/athlete";
import { expect, type Page, test } from "../support/journey";
import { pdfText } from "../support/pdf";
import { sheetsOf } from "../support/sheet";

/** @param rise kg a week on the way there */
const squats = (weeks: number, kg: number, rise = 0): StrengthLog[] =>
  Array.from({ length: weeks }, (_, i) =>
    logOf(addDays(START, 1 + 7 * i), [
      lifted("back-squat", kg - rise * (weeks - 1 - i), [6, 6, 6], 2, { reps: 6, repsLow: 3, rir: 2 }),
    ]),
  );
async function newAthlete(page: Page, name: string, change: Partial<Athlete> = {}): Promise<string> {
  const athlete = athleteWith({ endurance: weeksOf(new Array(24).fill(1)), ...change }, { name, timeZone: "UTC" });
  const answer = await page.request.post("/api/athletes", {
    data: JSON.stringify(athlete),
    headers: { "Content-Type": "application/json" },
  });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}
const read = async <T>(page: Page, path: string): Promise<T> => (await page.request.get(`/api${path}`)).json();
const sheets = (page: Page, id: string) => sheetsOf(id, <T>(path: string) => read<T>(page, path));

test("an approach is copied, followed and changed: exactly the sessions that were named change", async ({ page }) => {
  const id = await newAthlete(page, "School Follower", { strengthLog: squats(8, 60) });
  await page.goto(`/a/${id}/season`);
  await page.getByRole("link", { name: "Approaches" }).click();
  await page.getByRole("button", { name: "Make a copy to change" }).click();
  await page.getByLabel("Name").fill("Saltmarsh build");
  await page.getByRole("button", { name: "Copy", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Saltmarsh build" })).toBeVisible();

  // Followed by one athlete, seen first.
  await page.getByRole("button", { name: "Who follows what" }).click();
  await page.getByLabel("School Follower follows").selectOption({ label: "Saltmarsh build" });
  await page.getByRole("button", { name: "See what changes" }).click();
  await expect(page.getByTestId("changes-count")).toHaveText("No session ahead changes.");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);

  // An impossible pair is refused where it is typed, with the reason.
  await page.getByRole("button", { name: "Grid", exact: true }).click();
  await page.getByRole("button", { name: /^Build, Squat:/ }).click();
  await page.getByRole("button", { name: "Percent", exact: true }).click();
  await page.getByLabel("Percent of 1RM").fill("97");
  await page.getByLabel("Percent of 1RM").press("Enter");
  await expect(page.getByText(/6 reps at 97% cannot be done/).first()).toBeVisible();
  await expect(page.getByRole("button", { name: "See what changes" })).toBeDisabled();
  await page.getByRole("button", { name: "Discard" }).click();

  // The line of the build, week by week: the percent follows, the block's end is moved, what leaves its range is refused.
  await page.getByRole("button", { name: /^Build, Squat:/ }).click();
  const week = (n: number) =>
    page
      .getByRole("table", { name: /^The line/ })
      .getByRole("row")
      .nth(n);
  await expect(week(3)).toContainText("86%");
  await page.getByLabel("Week 3, repetitions").fill("4");
  await page.getByLabel("Week 3, repetitions").press("Enter");
  await expect(week(3)).toContainText("89%");
  await expect(page.getByText("your own line")).toBeVisible();
  const end = page.getByRole("slider", { name: /Loading weeks of the block/ });
  await end.focus();
  await end.press("ArrowLeft");
  await expect(end).toHaveAttribute("aria-valuenow", "4");
  const box = await end.boundingBox();
  if (!box) throw new Error("no end of the block");
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 50, box.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(end).toHaveAttribute("aria-valuenow", "3");
  await page.getByLabel("Week 3, repetitions").fill("9");
  await page.getByLabel("Week 3, repetitions").press("Enter");
  await expect(page.getByText(/Week 3, repetitions: 3 to 6 expected/).first()).toBeVisible();
  await expect(page.getByRole("button", { name: "See what changes" })).toBeDisabled();
  await page.getByLabel("Week 3, repetitions").fill("4");
  await page.getByLabel("Week 3, repetitions").press("Enter");
  const lines = await sheets(page, id);
  await page.getByRole("button", { name: "See what changes" }).click();
  await expect(page.getByTestId("changes-count")).toContainText(/sessions? changes?/);
  await page.getByRole("button", { name: "Save version 2" }).click();
  await expect(page.getByText("version 2, copied from Layered")).toBeVisible();
  expect(await sheets(page, id)).not.toEqual(lines);
  await page.getByRole("button", { name: "Back to the line it began with" }).click();
  await page.getByRole("button", { name: "See what changes" }).click();
  await page.getByRole("button", { name: "Save version 3" }).click();
  await expect(page.getByText("version 3, copied from Layered")).toBeVisible();
  expect(await sheets(page, id)).toEqual(lines);

  // Five sets of squats in the build.
  const before = await sheets(page, id);
  await page.getByRole("button", { name: /^Build, Squat:/ }).click();
  await page.getByLabel("Sets, high end").fill("5");
  await page.getByLabel("Sets, high end").press("Enter");
  await page.getByLabel("Sets, low end").fill("5");
  await page.getByLabel("Sets, low end").press("Enter");
  await expect(page.getByRole("button", { name: /^Build, Squat: 5 times/ })).toHaveAccessibleName(/changed/);
  await page.getByRole("button", { name: "See what changes" }).click();
  await expect(page.getByTestId("changes-count")).toContainText(/sessions? changes?/);
  const named = await page
    .getByTestId("changed-session")
    .evaluateAll((all) => all.map((e) => e.getAttribute("data-key")));
  expect(named.length).toBeGreaterThan(3);
  expect(await sheets(page, id)).toEqual(before);
  await page.getByLabel(/What this version is about/).fill("Five sets");
  await page.getByRole("button", { name: "Save version 4" }).click();
  await expect(page.getByText("version 4, copied from Layered")).toBeVisible();
  const after = await sheets(page, id);
  const differ = [...after].filter(([key, s]) => before.get(key) !== s).map(([key]) => key);
  expect([...named].sort()).toEqual(differ.sort());

  // The version before comes back.
  await page.getByRole("button", { name: "Versions" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Bring back" }).first().click();
  await expect(page.getByRole("button", { name: /^Build, Squat: 3–4 times/ })).toBeVisible();
});

test("two approaches are compared on a season and one phase is switched in four actions", async ({ page }) => {
  const id = await newAthlete(page, "Compared One", { strengthLog: squats(8, 60) });
  await page.goto(`/a/${id}/season`);
  await page.getByRole("link", { name: "Approaches" }).click();
  await page.getByRole("button", { name: "Compare", exact: true }).click();
  await expect(page.getByRole("table", { name: /Layered against Heavy economy/ })).toBeVisible();
  await page.getByRole("button", { name: "Switch Base to Heavy economy" }).first().click();
  await expect(page.getByTestId("changes-count")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  const follow = await read<{ approachByPhase: unknown }>(page, `/athletes/${id}/follow`);
  expect(follow.approachByPhase).toEqual({ base: "heavy-economy" });
});

test("a session is made by hand with mouse and keys, stays when the week is planned again, and goes back", async ({
  page,
}) => {
  const id = await newAthlete(page, "Hand Made", { strengthLog: squats(8, 60) });
  await page.goto(`/a/${id}/session/2026-03-05/B`);
  await page.getByRole("link", { name: "Edit" }).click();
  const rows = page.getByTestId("edit-row");
  const names = async () =>
    rows.evaluateAll((all) =>
      all.map((r) => r.querySelector("button[aria-label^='Instead of'] span:last-child")?.textContent ?? ""),
    );
  await expect(page.getByTestId("edit-minutes")).toBeVisible();
  const first = (await names())[0];

  // The first row goes under the second with the keyboard alone.
  const handle = rows.first().getByRole("button", { name: /^Move / });
  await handle.focus();
  await page.keyboard.press("Space");
  const said = page.getByRole("status").filter({ hasText: `${first} ` });
  await expect(said).toHaveText(/picked up, 1 of \d\.$/);
  await page.keyboard.press("ArrowDown");
  await expect(said).toHaveText(/would be 2 of \d\.$/);
  await page.keyboard.press("Space");
  await expect.poll(async () => (await names())[1]).toBe(first);
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await names())[0]).toBe(first);

  // The same with the mouse.
  const [from, to] = [(await handle.boundingBox())!, (await rows.nth(1).boundingBox())!];
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, to.y + to.height * 0.4, { steps: 6 });
  await page.mouse.move(from.x + 8, to.y + to.height * 0.8, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await names())[1]).toBe(first);

  // Pairs, dose, note, one more exercise.
  await rows
    .nth(1)
    .getByRole("button", { name: /Unpair|Pair with above/ })
    .click();
  await rows
    .nth(0)
    .getByLabel(/: sets$/)
    .fill("4");
  await rows
    .nth(0)
    .getByLabel(/: sets$/)
    .press("ArrowDown");
  await expect(rows.nth(1).getByLabel(/: sets$/)).toBeFocused();
  await rows
    .nth(0)
    .getByLabel(/: note$/)
    .fill("Film one set");
  await rows
    .nth(0)
    .getByLabel(/: note$/)
    .blur();
  await page.getByRole("button", { name: "Add an exercise" }).click();
  await page.getByPlaceholder("Name of an exercise").fill("goblet squat");
  await page.getByRole("option", { name: "Goblet squat", exact: true }).click();
  await expect(rows.last()).toContainText("Goblet squat");
  await expect(page.getByText("working out…")).toHaveCount(0);
  const wanted = await names();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Single-leg B" })).toBeVisible();
  await expect(page.getByText(/made by hand/).first()).toBeVisible();
  await expect(page.getByText("Film one set")).toBeVisible();

  // Fitted again: it stays as it was made.
  await page.goto(`/a/${id}/week/2026-03-02`);
  await page.getByRole("button", { name: "Re-plan week" }).click();
  await expect(page.getByText(/^Sessions placed: disturbance/).last()).toBeVisible();
  const season = await read<SeasonView>(page, `/athletes/${id}/season`);
  const b = season.weeks
    .flatMap((w) => w.sessions)
    .find((a) => a.label === "B" && a.date >= "2026-03-03" && a.date <= "2026-03-08")!;
  const kept = await read<SessionView>(page, `/athletes/${id}/sessions/${b.date}/B`);
  expect(kept.items.map((i) => i.name)).toEqual(wanted);
  expect(kept.items[0]?.sets).toBe(4);

  // A template of it, and back to the planner.
  await page.goto(`/a/${id}/session/${b.date}/B/edit`);
  await page.getByRole("button", { name: "Templates" }).click();
  await page.getByLabel("Keep this session as").fill("Hand made B");
  await page.getByRole("dialog").getByRole("button", { name: "Keep" }).click();
  await expect(page.getByRole("dialog").getByText("Hand made B")).toBeVisible();
  await page.getByRole("button", { name: "Close" }).click();
  await page.getByRole("button", { name: "Back to the planner" }).click();
  await expect(page.getByText(/made by hand/)).toHaveCount(0);
  expect((await read<SessionView>(page, `/athletes/${id}/sessions/${b.date}/B`)).edit).toBeNull();
});

/** Logs the open exercise as asked, set by set, then leaves the floor. */
async function liftFirst(
  page: Page,
  id: string,
  date: string,
  label: string,
  lift: string,
  change: (set: number) => Promise<void>,
) {
  await page.goto(`/a/${id}/floor/${date}/${label}`);
  await expect(page.getByRole("button", { name: /^(Log set 1|Choose the load)/ })).toBeVisible();
  for (let n = 0; n < 60; n++) {
    if (await page.getByRole("button", { name: "Finish session" }).isVisible()) break;
    const here = (await page.getByRole("heading", { level: 1 }).innerText()).split("\n").at(-1) ?? "";
    const log = page.getByRole("button", { name: /^Log set \d/ });
    if (here === lift) {
      const set = Number(/\d+/.exec(await log.innerText())?.[0]);
      await change(set);
      await log.click();
    } else {
      // Another exercise's turn: back to the lift where it still has sets, else stop here.
      const back = page.getByRole("button", { name: new RegExp(`${lift}`) });
      if (await back.first().isVisible()) await back.first().click();
      else {
        await page.getByRole("button", { name: "Stop here: what is done counts" }).click();
        continue;
      }
    }
    await page.waitForTimeout(60);
  }
  await expect(page.getByText("· saved")).toBeVisible();
  await page.getByRole("button", { name: "Finish session" }).click();
  await expect(page.getByRole("columnheader", { name: "Lifted" })).toBeVisible();
}

test("four weeks of a lift: load, reps and deload decided as computed; one is overruled", async ({ page }) => {
  // A trained lifter with eight weeks behind; the last four are entered here. Week 4 steps back with the endurance.
  const factors = [1, 1, 1, 1, 1, 1, 1, 1, 0.6, 1, 1, 1];
  const id = await newAthlete(page, "Four Weeks", {
    strengthLog: squats(4, 60, 2.5),
    endurance: weeksOf([...factors, ...new Array(12).fill(1)]),
  });
  const dates = ["2026-02-03", "2026-02-10", "2026-02-17", "2026-02-24"];
  const lift = "Back squat";
  const asked: SessionView["items"][number][] = [];
  const up = page.getByRole("button", { name: "In reserve up" });
  for (const [week, date] of dates.entries()) {
    const s = await read<SessionView>(page, `/athletes/${id}/sessions/${date}/A`);
    const item = s.items.find((i) => i.name === lift)!;
    asked.push(item);
    await liftFirst(page, id, date, "A", lift, async (set) => {
      // As asked in the first weeks; in the third the first two sets fall two short of what was asked for.
      if (week === 2 && set <= 2)
        for (let i = 0; i < (item.reps ?? 0) - (item.repsLow ?? 0) + 2; i++)
          await page.getByRole("button", { name: "Reps down" }).click();
      else await expect(up).toBeVisible();
    });
  }
  await page.goto(`/a/${id}/lifts/back-squat`);
  const entry = (date: string) => page.locator(`[data-testid=lift-entry][data-date="${date}"]`);
  await expect(entry(dates[0]!)).toBeVisible();
  const view = await read<LiftView>(page, `/athletes/${id}/lifts/back-squat`);
  const of = (date: string) => view.entries.find((e) => e.date === date)!;

  // Every set at the top with the reserve: up, in load or where the step is too large in reps first (rules progress.range, progress.step).
  expect(["up-load", "up-reps"]).toContain(of(dates[0]!).decision.kind);
  await expect(entry(dates[0]!)).toContainText(/heavier|more reps/);
  const [one, two] = [asked[0]!, asked[1]!];
  expect(two.loadKg!).toBeGreaterThanOrEqual(one.loadKg!);
  // What rose is seen in the percent: more of it, or the same with more repetitions.
  expect(two.percent1rm! > one.percent1rm! || two.reps! > one.reps!).toBe(true);
  // Two sets under the range: lighter by 5 to 10%.
  expect(of(dates[2]!).decision.kind).toBe("down-load");
  await expect(entry(dates[2]!)).toContainText("lighter");
  expect(asked[3]!.loadKg!).toBeLessThan(asked[2]!.loadKg!);

  // A step-back week cuts sets and lets nothing rise; its decision says so.
  const season = await read<SeasonView>(page, `/athletes/${id}/season`);
  const back = season.weeks.find((w) => w.stepBack && w.start > "2026-03-02")!;
  const deload = back.sessions.find((a) => a.label === "A")!;
  const light = await read<SessionView>(page, `/athletes/${id}/sessions/${deload.date}/A`);
  expect(light.items.find((i) => i.name === lift)!.sets).toBeLessThan(3);

  // Overruled in two actions and a choice: the next session follows, and it is told and taken back.
  const next = page.getByTestId("next-step");
  const planned = await next.innerText();
  await page.getByRole("button", { name: "Overrule" }).click();
  await page.getByLabel("Next time").selectOption("same");
  await page.locator("#o-load").selectOption({ index: 0 });
  await page.getByLabel("Why").fill("tired from travel");
  await page.getByRole("button", { name: "Decide" }).click();
  await expect(page.getByText(/You decided after/)).toBeVisible();
  await expect.poll(() => next.innerText()).not.toBe(planned);
  await expect(page.getByText(/tired from travel/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(/You decided after/)).toBeVisible();
  await page.getByRole("button", { name: "Back to the rules" }).click();
  await expect.poll(() => next.innerText()).toBe(planned);
});

test("a progression is climbed: one set more, then the harder version", async ({ page }) => {
  const bare = (date: string, sets: number): StrengthLog =>
    logOf(
      date,
      [
        {
          exercise: "reverse-lunge",
          prescribed: { sets, reps: 12, repsLow: 8, rir: 3 },
          sets: Array.from({ length: sets }, () => ({ reps: 12, rir: 3, side: "both" as const })),
          pain: 0,
        },
      ],
      "B",
    );
  const id = await newAthlete(page, "Rung Climber", {
    strengthLog: [bare("2026-02-05", 2), bare("2026-02-12", 2), bare("2026-02-19", 3), bare("2026-02-26", 3)],
    rungs: [{ ladder: "lunge", exercise: "reverse-lunge" }],
  });
  await page.goto(`/a/${id}/lifts/reverse-lunge`);
  const entry = (date: string) => page.locator(`[data-testid=lift-entry][data-date="${date}"]`);
  await expect(entry("2026-02-05")).toContainText("the same again");
  await expect(entry("2026-02-12")).toContainText("one set more");
  await expect(entry("2026-02-26")).toContainText("harder version");
  const ladder = page.getByRole("complementary", { name: "What comes next" });
  await expect(ladder.getByText("top of the range with control twice running")).toBeVisible();
  await expect(ladder.getByRole("listitem").filter({ hasText: "current step" })).toContainText("high knee");
});

test("a block is reviewed in words and pictures, kept, and taken out", async ({ page }) => {
  const id = await newAthlete(page, "Block Review", { strengthLog: squats(8, 60) });
  await page.goto(`/a/${id}/season`);
  await page.getByRole("link", { name: "Review" }).click();
  const words = page.getByLabel("Text of the review");
  await expect(words).toHaveValue(/4 weeks, .* sessions? done, \d+ planned/);
  await words.fill("A steady block. Next week the step back.");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("Kept, not sent.")).toBeVisible();
  await page.reload();
  await expect(words).toHaveValue("A steady block. Next week the step back.");
  await page.getByRole("button", { name: "As a table" }).first().click();
  await expect(page.getByRole("columnheader", { name: "Hard sets" }).first()).toBeVisible();
  await page.getByRole("button", { name: "As a chart" }).first().click();
  for (const [name, ending] of [
    ["Week by week as PNG", "png"],
    ["Week by week as SVG", "svg"],
  ] as const) {
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name }).click();
    expect((await download).suggestedFilename()).toBe(`review-weeks.${ending}`);
  }
});

test("a card is printed with the numbers of the screen", async ({ page }) => {
  const id = await newAthlete(page, "Card Holder", { strengthLog: squats(8, 62.5) });
  await page.goto(`/a/${id}/session/2026-03-03/A`);
  const sheet = await read<SessionView>(page, `/athletes/${id}/sessions/2026-03-03/A`);
  for (const i of sheet.items) await expect(page.getByRole("button", { name: i.name, exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Card" }).click();
  const rows = page.getByTestId("card-row");
  await expect(rows).toHaveCount(sheet.items.length);
  const href = await page.getByRole("link", { name: "PDF" }).getAttribute("href");
  const [paper] = await pdfText(new Uint8Array(await (await page.request.get(href ?? "")).body()));
  for (const [n, i] of sheet.items.entries()) {
    const work =
      i.seconds === null
        ? `${i.repsLow !== null && i.repsLow !== i.reps ? `${i.repsLow}–` : ""}${i.reps}`
        : `${i.seconds} s`;
    const dose = `${i.sets} × ${work}`;
    await expect(rows.nth(n)).toContainText(i.name);
    await expect(rows.nth(n)).toContainText(dose);
    expect(paper).toContain(dose);
    if (i.loadKg !== null) {
      await expect(rows.nth(n)).toContainText(`${i.loadKg} kg`);
      expect(paper).toContain(`${i.loadKg} kg`);
    }
    for (const w of i.warmUp) expect(paper).toContain(`${w.loadKg} × ${w.reps}`);
  }
  await expect(page.getByText(/does not replace a clinician/)).toBeVisible();
  await page.getByRole("button", { name: "Four to a page" }).click();
  await expect(page.getByRole("article")).toHaveCount(4);
});

test("on the floor a load is found in rising sets, and a hinge is asked where it is felt", async ({ page }) => {
  const id = await newAthlete(page, "Load Finder");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/a/${id}/floor/2026-03-03/A`);
  const find = page.getByRole("region", { name: "Find the load" });
  await expect(find).toBeVisible();
  for (let i = 0; i < 12 && !(await find.getByText(/^Work with/).isVisible()); i++)
    await find.getByRole("button", { name: i < 3 ? "5 or more left" : "2 left" }).click();
  const load = Number(/[\d.]+/.exec(await find.getByText(/^Work with/).innerText())?.[0]);
  expect(load).toBeGreaterThan(20);
  await page.getByRole("button", { name: /^Log set 1/ }).click();
  const log = await read<SessionView>(page, `/athletes/${id}/sessions/2026-03-03/A`);
  expect(log.log?.items[0]?.sets[0]?.loadKg).toBe(load);
  const hinge = log.items.find((i) => i.pattern === "hinge")!;
  await page
    .getByRole("button", { name: new RegExp(hinge.name) })
    .first()
    .click();
  const ramp = page.getByRole("region", { name: "Find the load" });
  for (let i = 0; i < 12 && (await ramp.isVisible()) && !(await ramp.getByText(/^Work with/).isVisible()); i++)
    await ramp.getByRole("button", { name: i < 3 ? "5 or more left" : "2 left" }).click();
  await page.getByRole("button", { name: /^Log set 1/ }).click();
  await page.getByRole("button", { name: "Low back" }).click();
  await expect(page.getByText(/stop at the knee/)).toBeVisible();
  await expect
    .poll(
      async () =>
        (await read<SessionView>(page, `/athletes/${id}/sessions/2026-03-03/A`)).log?.items.find(
          (i) => i.exercise === hinge.exercise,
        )?.felt,
    )
    .toBe("low-back");

  // The machine is taken: something else stands in, in the middle of the session; what is logged stays.
  const taken = log.items.find((i) => !["squat", "hinge"].includes(i.pattern))!;
  await page
    .getByRole("button", { name: new RegExp(taken.name) })
    .first()
    .click();
  await page.getByRole("button", { name: `Swap ${taken.name}` }).click();
  const list = page.getByRole("dialog", { name: `Instead of ${taken.name.toLowerCase()}` });
  await list.getByRole("listitem").getByRole("button", { disabled: false }).first().click();
  await expect(list).toHaveCount(0);
  await expect
    .poll(async () => {
      const now = await read<SessionView>(page, `/athletes/${id}/sessions/2026-03-03/A`);
      return [now.items.some((i) => i.exercise === taken.exercise), now.log?.items.length];
    })
    .toEqual([false, 2]);
});
