/** Two people at once, a full disk, the club's backups: what the screen says is saved is saved, and nothing is overwritten unseen. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { expect, mayBeRefused, type Page, test } from "../support/journey";
import { buildShim, SHIM } from "../torture/campaigns";
import { kill, startClub } from "../torture/club";

const JSON_TYPE = { "Content-Type": "application/json" };
const support = (name: string) => readFileSync(join(import.meta.dirname, "../support", name), "utf8");

async function newAthlete(page: Page, file: string, base = ""): Promise<string> {
  const answer = await page.request.post(`${base}/api/athletes`, { data: support(file), headers: JSON_TYPE });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}

test("two devices log one session: both keep their sets", async ({ page, browser }) => {
  const id = await newAthlete(page, "run.json");
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  const floor = `/a/${id}/floor/2026-03-03/A`;
  await page.setViewportSize({ width: 390, height: 844 });
  for (const p of [page, other]) {
    await p.goto(floor);
    await expect(p.getByRole("button", { name: /^Log set 1/ })).toBeVisible();
  }
  // Neither has heard of the other: each logs what it shows as the first set.
  await page.getByRole("button", { name: /^Log set 1/ }).click();
  await expect(page.getByText("· saved")).toBeVisible();
  await other.getByRole("button", { name: /^Log set 1/ }).click();
  await expect(other.getByText("· saved")).toBeVisible();
  const sets = async (): Promise<number> => {
    const view = await (await page.request.get(`/api/athletes/${id}/sessions/2026-03-03/A`)).json();
    return view.log.items.reduce((a: number, i: { sets: unknown[] }) => a + i.sets.length, 0);
  };
  await expect.poll(sets).toBe(2);
  // The first device goes on, and what the second did is there.
  await page.getByRole("button", { name: /^Log set/ }).click();
  await expect.poll(sets).toBe(3);
  await page.reload();
  await expect(page.getByRole("button", { name: /^Log set/ })).toBeVisible();
  expect(await sets()).toBe(3);
  await other.context().close();
});

test("two coaches on one approach: the second sees the first's change before anything is overwritten", async ({
  page,
  browser,
}) => {
  const copy = await (
    await page.request.post("/api/approaches", { data: { basis: "layered", name: "Shared by two" } })
  ).json();
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const change = async (p: Page, sets: string) => {
    await p.getByRole("button", { name: /^Build, Squat:/ }).click();
    for (const end of ["high", "low"]) {
      await p.getByLabel(`Sets, ${end} end`).fill(sets);
      await p.getByLabel(`Sets, ${end} end`).press("Enter");
    }
    await p.getByRole("button", { name: "See what changes" }).click();
  };
  for (const p of [page, other]) {
    await p.goto(`/approaches/${copy.id}`);
    await expect(p.getByRole("heading", { name: "Shared by two" })).toBeVisible();
  }
  await change(page, "5");
  await page.getByRole("button", { name: "Save version 2" }).click();
  await expect(page.getByText("is saved as a new version.")).toBeVisible();
  await change(other, "6");
  await other.getByRole("button", { name: /^Save version/ }).click();
  const conflict = other.getByRole("dialog", { name: "Somebody else has changed this approach" });
  await expect(conflict).toContainText("Yours is not stored yet");
  await expect(
    conflict
      .getByRole("row")
      .filter({ hasText: /squat: sets/i })
      .first(),
  ).toContainText(/6[\s\S]*5/);
  const stored = async () => {
    const { approaches } = await (await page.request.get("/api/approaches")).json();
    return approaches.find((a: { approach: { id: string } }) => a.approach.id === copy.id).approach;
  };
  expect((await stored()).version).toBe(2);
  await conflict.getByRole("button", { name: "Keep theirs" }).click();
  await expect(conflict).toBeHidden();
  await expect(other.getByText("The other version is kept; yours was not stored.")).toBeVisible();
  await expect(other.getByRole("button", { name: /^Build, Squat: 5 times/ })).toBeVisible();
  expect((await stored()).version).toBe(2);
  // Having seen it, the second changes it again, and nobody is asked.
  await change(other, "6");
  await other.getByRole("button", { name: "Save version 3" }).click();
  await expect(other.getByText("is saved as a new version.")).toBeVisible();
  expect((await stored()).version).toBe(3);
  await other.context().close();
});

test("a race and a note changed meanwhile: mine, theirs, or both", async ({ page }) => {
  mayBeRefused();
  const id = await newAthlete(page, "hike.json");
  const add = { date: "2026-06-20", name: "Beacon Round", sport: "hike", priority: "C", expectedMinutes: 200 };
  const { id: race } = await (await page.request.post(`/api/athletes/${id}/races`, { data: add })).json();
  await page.goto(`/a/${id}/records`);
  await page.getByRole("row").filter({ hasText: "Beacon Round" }).getByRole("button").click();
  const form = page.getByRole("dialog");
  await form.getByLabel("Expected duration").fill("240");
  await page.request.put(`/api/athletes/${id}/races/${race}`, { data: { ...add, priority: "B" } });
  await form.getByRole("button", { name: "Save race" }).click();
  const conflict = page.getByRole("dialog", { name: "Somebody else has changed this race" });
  await expect(conflict.getByRole("row").filter({ hasText: "Expected (min)" })).toContainText(/240\s*200/);
  await expect(conflict.getByRole("row").filter({ hasText: "Priority" })).toContainText(/C\s*B/);
  await conflict.getByRole("button", { name: "Keep mine" }).click();
  await expect(page.getByText("Race changed.")).toBeVisible();
  const races = async () => (await (await page.request.get(`/api/athletes/${id}`)).json()).races;
  expect((await races()).find((r: { id: string }) => r.id === race)).toMatchObject({
    expectedMinutes: 240,
    priority: "C",
  });

  await page.goto(`/a/${id}/season`);
  const note = page.getByLabel("Note");
  await note.fill("mine: a cold");
  const monday = "2026-03-02";
  await page.request.put(`/api/athletes/${id}/notes/${monday}`, { data: { text: "theirs: a camp" } });
  await note.blur();
  await page
    .getByRole("dialog", { name: "Somebody else has changed this note of the week" })
    .getByRole("button", { name: "Keep both" })
    .click();
  await expect
    .poll(async () => (await (await page.request.get(`/api/athletes/${id}/planning`)).json()).notes[monday])
    .toBe("theirs: a camp\n\nmine: a cold");
});

test("a full disk: the screen says not saved and keeps what was typed, and saves once there is room", async ({
  page,
}) => {
  buildShim();
  const data = resolve(".tmp/e2e-disk");
  rmSync(data, { recursive: true, force: true });
  mkdirSync(data, { recursive: true });
  const full = `${data}.full`;
  rmSync(full, { force: true });
  const club = await startClub(data, {
    LD_PRELOAD: SHIM,
    FA_SHIM_DIR: data,
    FA_SHIM_FULL: full,
    FIELD_ANCHOR_TODAY: "2026-03-03",
  });
  if (!club) throw new Error("the server did not start");
  try {
    const base = club.base.replace("/api", "");
    const id = await newAthlete(page, "hike.json", base);
    await page.goto(`${base}/a/${id}/records`);
    await expect(page.getByRole("heading", { name: "Records" })).toBeVisible();
    await page.keyboard.press("r");
    const form = page.getByRole("dialog");
    await form.getByLabel("Name").fill("Beacon Round");
    await form.getByLabel("Date").fill("2026-06-20");
    await form.getByLabel("Expected duration").fill("200");
    writeFileSync(full, "0");
    await form.getByRole("button", { name: "Add race" }).click();
    await expect(form.getByRole("alert")).toContainText("Not saved: the disk is full");
    await expect(form.getByLabel("Name")).toHaveValue("Beacon Round");
    await expect(page.getByText("Not saved", { exact: true })).toBeAttached();
    expect((await page.request.get(`${base}/api/health`)).status()).toBe(503);
    rmSync(full);
    await expect.poll(async () => (await page.request.get(`${base}/api/health`)).status()).toBe(200);
    await form.getByRole("button", { name: "Add race" }).click();
    await expect(page.getByText("Race added.")).toBeVisible();
    await expect(page.getByRole("row").filter({ hasText: "Beacon Round" })).toHaveCount(1);
    await expect(page.getByRole("contentinfo")).toContainText(/Saved \d\d:\d\d/);
  } finally {
    await kill(club);
  }
});

test("the club is backed up, and put back after its differences were seen", async ({ page }) => {
  const id = await newAthlete(page, "row.json");
  const { facts } = await (await page.request.get(`/api/athletes/${id}`)).json();
  await page.goto("/");
  await page.getByRole("link", { name: "Club data" }).click();
  await page.getByRole("button", { name: "Take a backup now" }).click();
  await expect(page.getByText("Backup taken and checked.")).toBeVisible();
  await expect(page.getByText(/just now|1 minute ago/).first()).toBeVisible();
  await page.request.put(`/api/athletes/${id}/notes/2026-03-02`, { data: { text: "after the backup" } });
  await page
    .getByRole("row")
    .filter({ hasText: "taken by hand" })
    .first()
    .getByRole("button", { name: "Restore…" })
    .click();
  const asked = page.getByRole("dialog", { name: /^Restore the club as of/ });
  await expect(asked.getByRole("row").filter({ hasText: facts.name }).first()).toContainText("as it was then");
  await asked.getByRole("button", { name: "Restore", exact: true }).click();
  await expect(page.getByText("What was here before is among the backups.")).toBeVisible();
  const notes = async () => (await (await page.request.get(`/api/athletes/${id}/planning`)).json()).notes;
  expect(await notes()).toEqual({});
  await page
    .getByRole("row")
    .filter({ hasText: "before a restore" })
    .first()
    .getByRole("button", { name: "Restore…" })
    .click();
  await asked.getByRole("button", { name: "Restore", exact: true }).click();
  await expect.poll(notes).toEqual({ "2026-03-02": "after the backup" });
});
