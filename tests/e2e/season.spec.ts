/** Real calendars and real mileage: files come in, the week figures are right, the season is dragged, tried, taken over, and goes out. */

import ical from "ical-generator";
import nodeIcal from "node-ical";
import type { CalendarView, PlanningView, SeasonView } from "../../src/api/views";
import { addDays, mondayOf } from "../../src/core/dates";
import { athleteWith } from "../support/athlete";
import { brokenFiles, germanTable, gpxOf, tcxOf } from "../support/foreign";
import { expect, type Page, test } from "../support/journey";

const TODAY = "2026-03-03";
const table = germanTable(1500, addDays(TODAY, -1));

const file = (name: string, mimeType: string, text: string | Uint8Array) => ({
  name,
  mimeType,
  buffer: Buffer.from(text),
});
const recordings = [
  file(
    "dyke.gpx",
    "application/gpx+xml",
    gpxOf({ start: "2026-02-10T21:00:00Z", minutes: 60, km: 12, up: 80, type: "running" }),
  ),
  file(
    "marsh.gpx",
    "application/gpx+xml",
    gpxOf({ start: "2026-02-11T21:00:00Z", minutes: 45, km: 9, up: 0, type: "running" }),
  ),
  file(
    "ride.tcx",
    "application/xml",
    tcxOf({ start: "2026-02-12T21:00:00Z", lapMinutes: 20, laps: 3, lapMetres: 9000, sport: "Biking" }),
  ),
  file(
    "spin.tcx",
    "application/xml",
    tcxOf({ start: "2026-02-13T21:00:00Z", lapMinutes: 15, laps: 2, lapMetres: 6500, sport: "Biking" }),
  ),
];

function clubCalendar(): string {
  const made = ical({ name: "Club" });
  made.createEvent({
    id: "r1",
    start: new Date("2026-06-14T00:00:00Z"),
    end: new Date("2026-06-15T00:00:00Z"),
    allDay: true,
    timezone: "UTC",
    summary: "Mill Half Marathon",
  });
  made.createEvent({
    id: "s1",
    start: new Date("2026-03-12T17:00:00Z"),
    end: new Date("2026-03-12T18:15:00Z"),
    summary: "Club intervals",
  });
  return made.toString();
}

async function newAthlete(page: Page, name: string): Promise<string> {
  const athlete = athleteWith(
    {
      season: { start: "2025-09-01", end: "2026-08-30" },
      endurance: [],
      strengthLog: [],
      races: [
        { id: "ridge", date: "2026-05-10", name: "Gullfoot Ridge", sport: "run", expectedMinutes: 200, priority: "A" },
      ],
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

const seasonOf = async (page: Page, id: string): Promise<SeasonView> =>
  (await page.request.get(`/api/athletes/${id}/season`)).json();

test("three years from abroad, recordings and a calendar come in; the week figures equal sums made by hand; again adds nothing", async ({
  page,
}) => {
  const id = await newAthlete(page, "Import Journey");
  await page.goto(`/a/${id}/records`);
  await page.getByRole("link", { name: "Import records" }).click();
  await expect(page.getByText("Drop files here")).toBeVisible();
  const all = [
    file("export.csv", "text/csv", table.text),
    ...recordings,
    file("club.ics", "text/calendar", clubCalendar()),
  ];
  const choose = () => page.getByLabel("Files to import").setInputFiles(all);
  await choose();
  await expect(page.getByText("table, 1512 rows")).toBeVisible();
  await expect(page.getByRole("button", { name: "Import 1506 rows" })).toBeEnabled();
  // The columns were understood.
  await expect(page.getByLabel("Distance", { exact: true })).toHaveValue("4");
  await expect(page.getByLabel("Dates")).toHaveValue("dmy");
  await expect(page.getByLabel("Decimals")).toHaveValue(",");

  // Each bad row is named with its line and its heading.
  await page.getByRole("button", { name: "Cannot be taken 12" }).click();
  const bad = page.getByRole("table", { name: "Rows of the import" }).getByRole("row");
  await expect(bad).toHaveCount(13);
  for (const b of table.bad) {
    const row = bad.filter({ has: page.getByRole("cell", { name: `export.csv, line ${b.line}`, exact: true }) });
    await expect(row.getByText(new RegExp(b.expects))).toBeVisible();
  }

  await page.getByRole("button", { name: "Import 1506 rows" }).click();
  await expect(page.getByText(/1506 new/).first()).toBeVisible();

  const season = await seasonOf(page, id);
  expect(season.races.map((r) => r.name)).toEqual(["Gullfoot Ridge", "Mill Half Marathon"]);
  // Minutes and kilometres of the recordings, by hand: 60 + 45 + 60 + 30 min; 12 + 9 + 27 + 13 km, all in the week of 9 February.
  const extra = { start: "2026-02-09", minutes: 195, km: 61, sessions: 4 };
  let compared = 0;
  for (const w of season.weeks) {
    if (w.start >= "2026-03-02") continue;
    const made = table.weeks.get(w.start)!;
    const more = w.start === extra.start ? extra : { minutes: 0, km: 0 };
    expect(w.minutes).toBeCloseTo(made.seconds / 60 + more.minutes, 6);
    expect(w.distanceKm).toBeCloseTo(made.metres / 1000 + more.km, 1);
    compared++;
  }
  expect(compared).toBe(26);

  // The same files once more.
  await expect(page.getByText("Drop files here")).toBeVisible();
  await choose();
  await expect(page.getByText("table, 1512 rows")).toBeVisible();
  await expect(page.getByRole("button", { name: "Import 0 rows" })).toBeDisabled();
  await expect(page.getByRole("button", { name: "Known or left out 1506" })).toBeVisible();

  // Undone as a whole.
  await page
    .getByRole("button", { name: /^Undo the import of/ })
    .first()
    .click();
  await expect(page.getByText(/taken back/)).toBeVisible();
  const after = await seasonOf(page, id);
  expect(after.races).toHaveLength(1);
  expect(after.weeks.every((w) => w.minutes === 0)).toBe(true);
});

test("a file chosen while others are being taken over stays", async ({ page }) => {
  const id = await newAthlete(page, "Import Meanwhile");
  await page.goto(`/a/${id}/import`);
  await page.getByLabel("Files to import").setInputFiles([recordings[0]!]);
  await expect(page.getByRole("button", { name: "Import 1 row" })).toBeEnabled();
  let release = () => {};
  const held = new Promise<void>((go) => {
    release = go;
  });
  await page.route(/\/import$/, async (route) => {
    if (route.request().method() === "POST") await held;
    await route.continue();
  });
  await page.getByRole("button", { name: "Import 1 row" }).click();
  await page.getByLabel("Files to import").setInputFiles([recordings[2]!]);
  const files = page.getByRole("list", { name: "Files" });
  await expect(files.getByText("TCX recording, 1 row")).toBeVisible();
  release();
  await expect(files.getByText("dyke.gpx")).toHaveCount(0);
  await expect(files.getByText("ride.tcx")).toBeVisible();
  await expect(page.getByRole("button", { name: "Import 1 row" })).toBeEnabled();
});

test("another mapping reads the rows anew; a row is left out; broken files are refused with a word each", async ({
  page,
}) => {
  const id = await newAthlete(page, "Mapping Journey");
  await page.goto(`/a/${id}/import`);
  const text = "When,How long,How far\n03/04/2026,50,8\n04/04/2026,60,10\n";
  await page.getByLabel("Files to import").setInputFiles([file("odd.csv", "text/csv", text)]);
  // Neither heading is known: the coach says which is which.
  await expect(page.getByText("2 cannot be taken")).toBeVisible();
  await page.getByLabel("Date", { exact: true }).selectOption("0");
  await page.getByLabel("Duration", { exact: true }).selectOption("1");
  await page.getByLabel("Distance", { exact: true }).selectOption("2");
  await page.getByLabel("Dates").selectOption("mdy");
  await expect(page.getByRole("button", { name: "Import 2 rows" })).toBeEnabled();
  await expect(page.getByRole("cell", { name: "4 Mar 2026" })).toBeVisible();
  await page.getByLabel("Take odd.csv, line 3").uncheck();
  await expect(page.getByRole("button", { name: "Import 1 row" })).toBeEnabled();

  // The same headings once more: the mapping is known.
  await page
    .getByLabel("Files to import")
    .setInputFiles([file("next.csv", "text/csv", text.replaceAll("2026", "2025"))]);
  await expect(page.getByLabel("Take next.csv, line 2")).toBeChecked();
  await page.getByRole("button", { name: "Remove next.csv" }).click();
  await expect(page.getByRole("button", { name: "Import 1 row" })).toBeEnabled();

  const broken = brokenFiles().filter((f) => f.bytes.length < 1_000_000);
  await page
    .getByLabel("Files to import")
    .setInputFiles(broken.slice(0, 12).map((f, i) => file(`${i}-${f.name}`, "application/octet-stream", f.bytes)));
  await expect(page.getByRole("alert")).toHaveCount(12);
  for (const alert of await page.getByRole("alert").all()) await expect(alert).toHaveText(/expected|empty|cut off/);
  await page.getByRole("button", { name: "Import 1 row" }).click();
  await expect(page.getByText(/1 new/).first()).toBeVisible();
  const planning: PlanningView = await (await page.request.get(`/api/athletes/${id}/planning`)).json();
  expect(planning.athlete.endurance).toEqual([
    { date: "2026-03-04", sport: "run", kind: "easy", minutes: 50, distanceKm: 8, done: true },
  ]);
});

test("a race dragged along the ground line: tried, taken over, undone; a boundary moved by key stays and goes back", async ({
  page,
}) => {
  const id = await newAthlete(page, "Drag Journey");
  await page.goto(`/a/${id}/season`);
  const flag = page.getByRole("button", { name: /^A race Gullfoot Ridge/ });
  const box = (await flag.boundingBox())!;
  const week = (await page.locator("[data-week='2026-03-09']").boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 10);
  await page.mouse.move(box.x + 10 + 2 * week.width, box.y + 10, { steps: 8 });
  await page.mouse.up();
  const bar = page.getByRole("status").filter({ hasText: "Preview" });
  await expect(bar).toContainText("Gullfoot Ridge from Sun 10 May to Sun 24 May");
  await expect(bar).toContainText("base 14 days more");
  expect((await seasonOf(page, id)).races[0]!.date).toBe("2026-05-10");
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect(bar).toBeHidden();
  await expect(page.getByText("Season changed.")).toBeVisible();
  await expect.poll(async () => (await seasonOf(page, id)).races[0]!.date).toBe("2026-05-24");
  // The facts come back late: what is asked before they are here waits for them.
  await page.route("**/planning", async (route) => {
    await new Promise((done) => setTimeout(done, 800));
    await route.continue();
  });
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect.poll(async () => (await seasonOf(page, id)).races[0]!.date).toBe("2026-05-10");

  // Keys alone: the boundary between build and race, eight days earlier.
  const computed = (await seasonOf(page, id)).phases.find((p) => p.phase === "race" && p.start > TODAY)!.start;
  const edge = page.getByRole("slider", { name: /^Boundary Build to race/ });
  await edge.focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await expect(bar).toContainText("race 7 days more");
  await page.keyboard.press("ArrowLeft");
  await expect(bar).toContainText("race 8 days more");
  await page.unroute("**/planning");
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect(bar).toBeHidden();
  await expect
    .poll(async () => (await seasonOf(page, id)).phases.some((p) => p.fixed && p.phase === "race"))
    .toBe(true);
  expect((await seasonOf(page, id)).phases.find((p) => p.fixed)!.start).toBe(addDays(computed, -8));
  await page.getByRole("button", { name: "More for this season" }).click();
  await page.getByRole("menuitem", { name: "All phases back to computed" }).click();
  await expect(bar).toContainText("race 8 days fewer");
  await bar.getByRole("button", { name: "Apply" }).click();
  await expect(bar).toBeHidden();
  await expect.poll(async () => (await seasonOf(page, id)).phases.some((p) => p.fixed)).toBe(false);

  // Escape throws a trial away, and the flag's own keys move it.
  await page.getByRole("button", { name: /^A race Gullfoot Ridge/ }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(bar).toContainText("to Mon 11 May");
  await page.keyboard.press("Escape");
  await expect(bar).toBeHidden();
});

test("what if: miles, a window and a race together, side by side, then taken over", async ({ page }) => {
  const id = await newAthlete(page, "What If Journey");
  await page.request.post(`/api/athletes/${id}/endurance`, {
    data: { date: "2026-03-10", sport: "run", kind: "easy", minutes: 60, distanceKm: 10 },
  });
  await page.goto(`/a/${id}/season`);
  await page.getByRole("heading", { name: "Season", exact: true }).waitFor();
  await page.keyboard.press("w");
  await expect(page.getByRole("heading", { name: "What if" })).toBeVisible();
  await page.getByRole("button", { name: "Gullfoot Ridge a week later" }).click();
  await page.getByLabel(/^Planned mileage/).fill("120");
  await page.getByRole("checkbox").first().uncheck();
  const status = page.getByRole("main").getByRole("status");
  await expect(status).toContainText("Gullfoot Ridge from Sun 10 May to Sun 17 May");
  await expect(
    page.getByRole("table", { name: /Weeks that change/ }).getByRole("row", { name: /9 Mar/ }),
  ).toContainText("10 → 12");
  await page.getByRole("button", { name: "Apply" }).click();
  await expect(page).toHaveURL(/\/season/);
  const facts = async (): Promise<PlanningView> => (await page.request.get(`/api/athletes/${id}/planning`)).json();
  const taken = (await facts()).athlete;
  expect(taken.endurance[0]!.distanceKm).toBeCloseTo(12, 9);
  expect(taken.races[0]!.date).toBe("2026-05-17");
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect.poll(async () => (await facts()).athlete.endurance[0]!.distanceKm).toBe(10);
  expect((await facts()).athlete.availability.length).toBe(taken.availability.length + 1);
});

test("the club calendar shows who races while the coach is away", async ({ page }) => {
  const id = await newAthlete(page, "Calendar Journey");
  await page.goto("/");
  await page.getByRole("link", { name: "Calendar", exact: true }).click();
  await page.getByLabel("What takes you away").fill("Wedding");
  await page.getByLabel("First day").fill("2026-05-09");
  await page.getByLabel("Last day").fill("2026-05-10");
  await page.getByRole("button", { name: "Absence" }).click();
  const aside = page.getByRole("complementary", { name: "Clashes and absences" });
  await expect(aside.getByRole("button", { name: /Wedding: .*Calendar Journey \(A\)/ })).toBeVisible();
  await page.getByLabel("Sport shown").selectOption("run");
  await expect(page.getByRole("link", { name: "Calendar Journey" }).first()).toBeVisible();
  await aside.getByRole("button", { name: "Remove Wedding" }).click();
  await expect(aside.getByRole("button", { name: /Wedding: / })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(aside.getByText("Wedding").first()).toBeVisible();
  const view: CalendarView = await (await page.request.get("/api/calendar")).json();
  expect(view.athletes.find((a) => a.id === id)!.races).toHaveLength(1);
});

test("out: the calendar feed holds the sessions of the plan, the CSV every week, the sheet prints", async ({
  page,
}) => {
  const id = await newAthlete(page, "Out Journey");
  const season = await seasonOf(page, id);
  const feed = await page.request.get(`/api/athletes/${id}/strength.ics`);
  expect(feed.headers()["content-type"]).toContain("text/calendar");
  const events = Object.values(nodeIcal.sync.parseICS(await feed.text())).filter((x) => x?.type === "VEVENT");
  const planned = season.weeks.flatMap((w) => w.sessions).filter((a) => a.date <= addDays(TODAY, 182));
  expect(events).toHaveLength(planned.length);
  const csv = (await (await page.request.get(`/api/athletes/${id}/season.csv`)).text()).trim().split("\r\n");
  expect(csv).toHaveLength(season.weeks.length + 1);
  expect(csv[1]).toContain(mondayOf("2025-09-01"));
  await page.goto(`/a/${id}/season-sheet`);
  await expect(page.getByRole("heading", { name: "Weeks" })).toBeVisible();
  expect((await page.pdf({ format: "A4" })).length).toBeGreaterThan(20_000);
});
