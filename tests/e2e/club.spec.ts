/** A club at once: a gym closed for five, a race for twenty, a Tuesday group on two racks, three years of a spreadsheet. One server for all of it. */
import { readFileSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import type { GroupFloorView, GroupSessionView, ManyEntry } from "../../src/api/many";
import type { Athlete } from "../../src/core/athlete";
import { expectAccessible } from "../support/axe";
import { expect, type Page, test } from "../support/journey";
import { kill, type Started, startClub } from "../torture/club";

const TODAY = "2026-03-03";
const athlete = (sport: string, name: string): string => {
  const file = JSON.parse(readFileSync(join(import.meta.dirname, `../support/${sport}.json`), "utf8")) as Athlete;
  return JSON.stringify({ ...file, athlete: { ...file.athlete, name } });
};

test.describe.configure({ mode: "serial" });
let club: Started;
let base = "";
const ids: string[] = [];
test.beforeAll(async () => {
  const data = resolve(".tmp/e2e-club");
  rmSync(data, { recursive: true, force: true });
  const started = await startClub(data, { FIELD_ANCHOR_ACCOUNTS: "open", FIELD_ANCHOR_TODAY: TODAY });
  if (!started) throw new Error("the server did not start");
  club = started;
  base = club.base.replace("/api", "");
  // Five of the club gym, each of their own level.
  for (const [sport, name] of [
    ["run", "Ada Penrose"],
    ["triathlon", "Bo Larkin"],
    ["ride", "Cy Holme"],
    ["ride", "Dot Ferris"],
    ["run", "Eli Marsh"],
  ] as const)
    ids.push(await add(sport, name));
});
test.afterAll(() => kill(club));

async function add(sport: string, name: string): Promise<string> {
  const answer = await fetch(`${base}/api/athletes`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: athlete(sport, name),
  });
  return ((await answer.json()) as { id: string }).id;
}
const get = async <T>(page: Page, path: string): Promise<T> =>
  (await (await page.request.get(`${base}/api${path}`)).json()) as T;
const fileOf = (page: Page, id: string) => get<Athlete>(page, `/athletes/${id}/file`);

test("the gym is closed for five in six actions, seen for each before, and taken back at once", async ({ page }) => {
  await page.request.post(`${base}/api/groups`, { data: { name: "Evening five", members: ids, hour: null } });
  await page.goto(base);
  let actions = 0;
  const act = async (work: () => Promise<unknown>) => {
    actions += 1;
    await work();
  };
  await act(() => page.getByRole("link", { name: "Change several" }).click());
  await act(() => page.getByRole("button", { name: "Evening five 5" }).click());
  await act(async () => {
    await page.getByRole("textbox", { name: "From" }).fill("9.3.2026");
    await page.getByRole("textbox", { name: "From" }).blur();
  });
  await act(async () => {
    await page.getByRole("textbox", { name: "Until" }).fill("22.3.2026");
    await page.getByRole("textbox", { name: "Until" }).blur();
  });
  const list = page.getByRole("list", { name: "What would change" });
  await expect(list.getByRole("listitem").filter({ hasText: "Cy Holme" })).toContainText(/Without room: A and B/);
  await expect(list.getByRole("listitem").filter({ hasText: "Ada Penrose" })).toContainText(/moves from .*club gym to/);
  await expectAccessible(page);
  expect((await fileOf(page, ids[2] ?? "")).changes).toBeUndefined();
  await act(() => page.getByRole("button", { name: "Change 5 athletes" }).click());
  await expect(page.getByText(/Club gym closed .*: made for 5/)).toBeVisible();
  expect(actions).toBeLessThanOrEqual(6);
  for (const id of ids)
    expect((await fileOf(page, id)).changes).toEqual([
      { kind: "closed", place: "club-gym", start: "2026-03-09", end: "2026-03-22" },
    ]);
  await page
    .getByRole("region", { name: /Notifications/ })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(page.getByText(/taken back for 5/)).toBeVisible();
  for (const id of ids) expect((await fileOf(page, id)).changes).toBeUndefined();
});

test("Tuesday at six for four on two racks: set for all at once, logged from one view, one absent", async ({
  page,
}) => {
  await page.goto(`${base}/groups`);
  await page.getByRole("button", { name: "New group" }).click();
  const sheet = page.getByRole("dialog");
  await sheet.getByLabel("Name").fill("Tuesday at six");
  for (const name of ["Ada Penrose", "Bo Larkin", "Cy Holme", "Dot Ferris"])
    await sheet.getByRole("checkbox", { name: new RegExp(name) }).check();
  await sheet.getByRole("checkbox", { name: /lift together/ }).check();
  await sheet.getByLabel("Room for").fill("150");
  await sheet.getByRole("button", { name: "Make group" }).click();
  const row = page.getByRole("main").getByRole("listitem").filter({ hasText: "Tuesday at six" });
  await expect(row).toContainText("2 racks");
  await row.getByRole("link", { name: "Open the hour" }).click();
  await expect(page.getByRole("heading", { name: "Stations" })).toBeVisible();
  await expectAccessible(page);
  const { id } = (await get<{ id: string; name: string }[]>(page, "/groups")).find(
    (g) => g.name === "Tuesday at six",
  ) ?? {
    id: "",
  };
  const planned = await get<GroupSessionView>(page, `/groups/${id}/sessions/${TODAY}`);
  const there = planned.members.filter((m) => m.start !== null);
  expect(there.length).toBeGreaterThanOrEqual(3);
  // At no minute are there more at a rack than there are racks.
  for (let minute = 18 * 60; minute < 21 * 60; minute++)
    expect(
      there.filter((m) => m.rack && m.start !== null && m.start + m.rack.from <= minute && minute < m.start + m.rack.to)
        .length,
    ).toBeLessThanOrEqual(2);
  await page.getByRole("button", { name: `Set the hour for ${there.length}` }).click();
  await expect(page.getByText(`${there.length} sessions of 4 set`, { exact: false })).toBeVisible();

  await page.getByRole("link", { name: "Log for all" }).click();
  const floor = () => get<GroupFloorView>(page, `/groups/${id}/floor/${TODAY}`);
  const [first, second, third] = (await floor()).members.filter((m) => m.label !== null);
  if (!first || !second || !third) throw new Error("too few lift today");
  const of = (name: string) => page.getByRole("region", { name, exact: true });
  await of(third.name).getByRole("button", { name: "Absent" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: third.name })).toContainText("absent");
  // Whoever has a load to be found finds it on a floor of their own.
  let logged = 0;
  for (const { name } of [first, second]) {
    const log = of(name).getByRole("button", { name: /^Log set for/ });
    await expect(log.or(of(name).getByRole("link", { name: "Find the load" }))).toBeVisible();
    for (let n = 0; n < 2 && (await log.isVisible()); n++) {
      await log.click();
      logged += 1;
      await expect(of(name).getByRole("status")).toHaveText("saved");
    }
  }
  expect(logged).toBeGreaterThan(1);
  await expectAccessible(page);
  const sets = async (who: string) =>
    (await fileOf(page, who)).strengthLog
      .filter((l) => l.date === TODAY)
      .reduce((a, l) => a + l.items.reduce((b, i) => b + i.sets.length, 0), 0);
  expect((await sets(first.id)) + (await sets(second.id))).toBe(logged);
  expect(await sets(third.id)).toBe(0);
  expect((await fileOf(page, third.id)).changes).toContainEqual({ kind: "missed", date: TODAY, label: third.label });
});

test("three years of another program's workbook come in, names matched once, nothing twice, taken back as a whole", async ({
  page,
}) => {
  await page.goto(`${base}/a/${ids[4]}/import`);
  const before = (await fileOf(page, ids[4] ?? "")).strengthLog;
  const drop = () =>
    page.getByLabel("Files to import").setInputFiles(join(import.meta.dirname, "../fixtures/lifts/log.xlsx"));
  await drop();
  // It is no list of runs, and goes on to where it is read.
  await page.getByRole("button", { name: "Open in Spreadsheets" }).click();
  await page.getByRole("button", { name: "Confirm 12 proposed names" }).click();
  await expect(page.getByRole("button", { name: "Cannot be taken 15" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Import 2385 rows" }).click();
  await expect(page.getByText(/log.xlsx: stored for 1/)).toBeVisible();
  const sets = (a: Athlete) => a.strengthLog.reduce((n, l) => n + l.items.reduce((m, i) => m + i.sets.length, 0), 0);
  // Sets of the twelve lifts as figures.json has them, beside those that were there.
  const figures = JSON.parse(readFileSync(join(import.meta.dirname, "../fixtures/lifts/figures.json"), "utf8")) as {
    lifts: Record<string, { sets: number }>;
  };
  const whole = Object.values(figures.lifts).reduce((n, f) => n + f.sets, 0);
  const own = before.reduce((n, l) => n + l.items.reduce((m, i) => m + i.sets.length, 0), 0);
  expect(sets(await fileOf(page, ids[4] ?? ""))).toBe(own + whole);

  // The same file again: the club knows the names, and nothing is left to import.
  await page
    .getByLabel("Spreadsheet", { exact: true })
    .setInputFiles(join(import.meta.dirname, "../fixtures/lifts/log.csv"));
  await expect(page.getByRole("button", { name: "Import 0 rows" })).toBeDisabled();
  await expect(page.getByRole("table", { name: "Rows of the spreadsheet" })).toContainText("there already");

  await page.goto(`${base}/several`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "Spreadsheet: log.xlsx" })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(page.getByText(/taken back for 1/)).toBeVisible();
  expect((await fileOf(page, ids[4] ?? "")).strengthLog).toEqual(before);
});

test("a race is entered for twenty, one left out, and is in the calendar of the others", async ({ page }) => {
  for (let n = ids.length; n < 20; n++) ids.push(await add(n % 2 === 0 ? "run" : "ride", `Field ${n + 1}`));
  await page.goto(`${base}/several?what=race`);
  await page.getByRole("button", { name: "All", exact: true }).click();
  await page.getByLabel("Name").fill("Tarn Edge Ten");
  await page.getByRole("textbox", { name: "Date" }).fill("3.5.2026");
  await page.getByRole("textbox", { name: "Date" }).blur();
  await page.getByLabel("Importance").selectOption("C");
  const list = page.getByRole("list", { name: "What would change" });
  await expect(page.getByRole("button", { name: "Change 20 athletes" })).toBeEnabled({ timeout: 60_000 });
  await list.getByRole("checkbox", { name: "Field 20" }).uncheck();
  await page.getByRole("button", { name: "Change 19 athletes" }).click();
  await expect(page.getByText(/Tarn Edge Ten: made for 19/)).toBeVisible();
  expect((await get<ManyEntry[]>(page, "/many"))[0]).toMatchObject({ what: "Race added: Tarn Edge Ten", athletes: 19 });
  const has = async (id: string) => (await fileOf(page, id)).races.some((r) => r.name === "Tarn Edge Ten");
  expect([await has(ids[0] ?? ""), await has(ids[18] ?? ""), await has(ids[19] ?? "")]).toEqual([true, true, false]);
});
