/** `npm run shots`: docs/screenshots anew from the demo club on a fixed day. */
import { spawn } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { browserOptions } from "../tests/support/browser";

const PORT = 4188;
const TODAY = "2026-03-03";
const DATA = "var/shots";
const OUT = process.env.SHOTS_OUT ?? "docs/screenshots";
const address = `http://127.0.0.1:${PORT}`;

interface Row {
  id: string;
  name: string;
  today: { label: string } | null;
}

async function waitFor(url: string): Promise<void> {
  for (let i = 0; i < 300; i++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch {
      // Not up yet.
    }
    await new Promise((r) => setTimeout(r, 200));
  }
  throw new Error(`${url} did not answer`);
}

const server = spawn(process.execPath, ["dist/server/demo.js", "--reset"], {
  env: { ...process.env, PORT: String(PORT), FIELD_ANCHOR_TODAY: TODAY, FIELD_ANCHOR_DATA: DATA, LOG_LEVEL: "error" },
  stdio: ["ignore", "ignore", "inherit"],
});
try {
  await waitFor(`${address}/api/health`);
  const rows: Row[] = (await (await fetch(`${address}/api/squad`)).json()).rows;
  const id = (name: string) => rows.find((r) => r.name.startsWith(name))?.id ?? rows[0]?.id;
  const lifter = rows.find((r) => r.today && r.name.startsWith("Maren")) ?? rows.find((r) => r.today);
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
  await shoot(desk, `/a/${id("Maren")}/season`, "season", "svg[aria-label^='Season section']");
  await shoot(desk, `/a/${id("Ilse")}/week/2026-03-16`, "week", "svg[aria-label^='Week section']");
  await shoot(desk, `/a/${id("Maren")}/session/2026-03-10/A`, "session", "tbody tr");
  await shoot(desk, `/a/${id("Maren")}/records`, "records", "tbody tr");
  const phone = await (
    await browser.newContext({
      viewport: { width: 390, height: 844 },
      deviceScaleFactor: 1,
      hasTouch: true,
      isMobile: true,
    })
  ).newPage();
  if (lifter?.today) {
    await shoot(phone, `/a/${lifter.id}/floor/${TODAY}/${lifter.today.label}`, "floor", "h1");
    // A picture with a set done and the rest running says more than an untouched sheet.
    const name = await phone.locator("h1").innerText();
    await phone.getByRole("button", { name: /^Log set/ }).click();
    await phone
      .getByRole("button", { name: new RegExp(name.split("\n").at(-1) ?? name) })
      .click()
      .catch(() => undefined);
    await phone.waitForTimeout(400);
    await phone.screenshot({ path: `${OUT}/floor.png` });
  }
  await browser.close();
  console.log(`Pictures in ${OUT}`);
} finally {
  server.kill();
  rmSync(DATA, { recursive: true, force: true });
}
