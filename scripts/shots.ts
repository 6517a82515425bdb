/** `npm run shots`: docs/screenshots anew from the demo club on a fixed day. */
import { mkdirSync, rmSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { browserOptions } from "../tests/support/browser";
import { germanTable, gpxOf } from "../tests/support/foreign";
import { demoServer } from "./demoServer";

const TODAY = "2026-03-03";
const DATA = "var/shots";
const OUT = process.env.SHOTS_OUT ?? "docs/screenshots";

/** A table from abroad with a few bad rows, a recording, and one that is cut off. */
function foreignFiles() {
  const file = (name: string, text: string) => ({ name, mimeType: "text/plain", buffer: Buffer.from(text) });
  const gpx = gpxOf({ start: "2026-03-01T08:00:00Z", minutes: 62, km: 5, up: 240, type: "hiking" });
  return [
    file("wanderungen.csv", germanTable(240, "2026-03-02").text),
    file("ridge.gpx", gpx),
    file("cut-off.gpx", gpx.slice(0, 2000)),
  ];
}

interface Row {
  id: string;
  name: string;
  today: { label: string } | null;
}

const { address, server } = await demoServer({ port: 4188, today: TODAY, data: DATA });
try {
  const rows: Row[] = (await (await fetch(`${address}/api/squad`)).json()).rows;
  const id = (name: string) => rows.find((r) => r.name.startsWith(name))?.id ?? rows[0]?.id;
  const lifter = rows.find((r) => r.today && r.name.startsWith("Maren")) ?? rows.find((r) => r.today);
  /** The day of an athlete's next session of a letter after this week. */
  const dayOf = async (name: string, label: string): Promise<string> => {
    const { sessions } = await (await fetch(`${address}/api/athletes/${id(name)}`)).json();
    return sessions.find((s: { date: string; label: string }) => s.label === label && s.date > "2026-03-08")?.date;
  };
  const heavyA = await dayOf("Maren", "A");
  mkdirSync(OUT, { recursive: true });
  const browser = await chromium.launch(browserOptions);
  const shoot = async (page: Page, path: string, name: string, ready: string) => {
    await page.goto(`${address}${path}`);
    await page.locator(ready).first().waitFor();
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(250);
    await page.screenshot({ path: `${OUT}/${name}.png` });
  };
  const desk = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await shoot(desk, "/", "squad", "tbody tr");
  await shoot(desk, `/a/${id("Maren")}/season`, "season", "svg[aria-label^='Season, ']");
  await shoot(desk, `/a/${id("Bryn")}/import`, "import", "aside h2");
  await desk.getByLabel("Files to import").setInputFiles(foreignFiles());
  await desk.getByText("Nothing is stored yet.").waitFor();
  await desk.waitForTimeout(400);
  await desk.screenshot({ path: `${OUT}/import.png` });
  await shoot(desk, `/a/${id("Ilse")}/week/2026-03-16`, "week", "svg[aria-label^='Week drawn']");
  await shoot(desk, "/rules/S2", "rules", "text=/^(Said|It says nothing)/");
  await shoot(desk, "/groups/demo-tuesday/session/2026-03-10", "group", "main table tbody tr");
  await shoot(desk, "/club-week/2026-02-23", "club-week", "main table tbody tr");
  await shoot(desk, `/spreadsheets?athlete=${id("Maren")}`, "spreadsheets", "#sheet-own");
  await desk.getByLabel("Spreadsheet", { exact: true }).setInputFiles("tests/fixtures/lifts/log.xlsx");
  await desk.getByRole("button", { name: "Confirm 12 proposed names" }).click();
  await desk.getByRole("button", { name: "Import 2385 rows" }).waitFor();
  await desk.screenshot({ path: `${OUT}/spreadsheets.png` });
  await shoot(desk, `/a/${id("Maren")}/session/${heavyA}/A`, "session", "tbody tr");
  await shoot(desk, `/a/${id("Tamsin")}/intake/endurance`, "intake", "#m-sessions");
  await shoot(desk, `/a/${id("Pell")}/health`, "health", "main h2");
  await shoot(desk, `/a/${id("Ilse")}/screening`, "screening", "main svg text");
  await shoot(desk, "/came-in", "came-in", "nav .num");
  await shoot(desk, `/a/${id("Maren")}/lifts/trap-bar-deadlift`, "lift", "svg text");
  // The chart is fetched when it is looked at.
  await desk.getByRole("button", { name: "As a table" }).waitFor();
  await desk.waitForTimeout(600);
  await desk.screenshot({ path: `${OUT}/lift.png` });
  await shoot(desk, `/a/${id("Maren")}/review`, "review", "main svg text");
  await desk.waitForTimeout(600);
  await desk.screenshot({ path: `${OUT}/review.png` });
  await shoot(desk, "/approaches", "approaches", "table caption");
  await desk.getByRole("button", { name: "Make a copy to change" }).click();
  await desk.getByLabel("Name").fill("Saltmarsh, heavier build");
  await desk.getByRole("button", { name: "Copy", exact: true }).click();
  await desk.getByRole("heading", { name: "Saltmarsh, heavier build" }).waitFor();
  await desk.getByRole("button", { name: "Percent", exact: true }).click();
  await desk.getByLabel("Percent of 1RM").fill("97");
  await desk.getByLabel("Percent of 1RM").press("Enter");
  await desk.waitForTimeout(300);
  await desk.screenshot({ path: `${OUT}/approaches.png` });
  const phone = await (
    await browser.newContext({
      viewport: { width: 390, height: 844 },
      deviceScaleFactor: 1,
      hasTouch: true,
      isMobile: true,
    })
  ).newPage();
  await shoot(phone, `/a/${id("Maren")}/week/2026-03-09`, "phone", "main ol li");
  // The athlete's own phone: joined by an invitation, as it would be at the rack.
  if (lifter?.today) {
    const invited = await fetch(`${address}/api/athletes/${lifter.id}/phone/invitations`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: "{}",
    });
    const { code } = (await invited.json()) as { code: string };
    await phone.goto(`${address}/p/join#code=${code}`);
    await phone.getByLabel("Name of this phone").fill("Maren's phone");
    await phone.getByRole("button", { name: "Use this phone" }).click();
    // It goes nowhere else before it is known.
    await phone.getByText("Log this session").first().waitFor();
    await shoot(phone, "/p/", "today", "a:has-text('Log this session')");
    await shoot(phone, `/p/a/${lifter.id}/floor/${TODAY}/${lifter.today.label}`, "floor", "h1");
    // A picture with a set done and the rest running says more than an untouched sheet.
    for (let side = 0; side < 2; side++) {
      await phone.getByRole("button", { name: /^Log set/ }).click();
      await phone.waitForTimeout(400);
    }
    await phone.getByRole("timer", { name: "Rest left" }).waitFor();
    await phone.waitForTimeout(400);
    await phone.screenshot({ path: `${OUT}/floor.png` });
  }
  await browser.close();
  console.log(`Pictures in ${OUT}`);
} finally {
  server.kill();
  rmSync(DATA, { recursive: true, force: true });
}
