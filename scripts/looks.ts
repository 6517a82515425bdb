/**
 * `npm run looks [-- VIEW ...]`: every view of the demo club at six widths and enlarged twofold, in both themes: what axe finds, what is wider
 * than its screen, and a contact sheet a view under .tmp/looks. Takes some twenty minutes; a part of a view's name takes less.
 */
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { violationsOn } from "../tests/support/axe";
import { browserOptions } from "../tests/support/browser";
import { fits, goInside, idOf, nextDay, VIEWS } from "../tests/support/views";
import { demoServer } from "./demoServer";

const OUT = join(import.meta.dirname, "../.tmp/looks");
/** Width and height; the last is 1280 x 800 enlarged to 200%. */
const SCREENS = [
  [390, 844],
  [820, 1180],
  [1024, 768],
  [1280, 800],
  [1920, 1080],
  [2560, 1440],
  [640, 400],
] as const;
/** Where axe looks: a desk and a phone. */
const READ = new Set([390, 1280]);

const wanted = process.argv.slice(2).filter((a) => a !== "--");
const views = VIEWS.filter(([name]) => wanted.length === 0 || wanted.some((w) => name.includes(w)));
if (views.length === 0) {
  console.error(`No view is named like that: one of ${VIEWS.map(([name]) => name).join(", ")} expected.`);
  process.exit(1);
}

const { address, server } = await demoServer({ port: 4189, today: "2026-03-03", data: "var/looks" });

const faults: string[] = [];
const note = (text: string): void => {
  faults.push(text);
  console.log(`  ${text}`);
};

/** Pictures side by side, as large as they are easily compared. */
async function sheet(page: Page, name: string, shots: readonly Buffer[]): Promise<void> {
  const figures = shots.map((s) => `<img height="420" src="data:image/png;base64,${s.toString("base64")}">`).join("");
  await page.setViewportSize({ width: 1800, height: 900 });
  await page.setContent(`<body style="margin:8px;display:flex;flex-wrap:wrap;gap:8px;background:gray">${figures}`);
  await page.waitForTimeout(200);
  await page.screenshot({ path: join(OUT, `${name.replace(/\W+/g, "-")}.png`), fullPage: true });
}

try {
  rmSync(OUT, { recursive: true, force: true });
  mkdirSync(OUT, { recursive: true });
  const browser = await chromium.launch(browserOptions);
  const page = await browser.newPage({ baseURL: address });
  const paper = await browser.newPage();
  const maren = await idOf(page, "Maren");
  const day = await nextDay(page, maren, "A");
  for (const [name, path, ready, onPhone = ready] of views) {
    console.log(name);
    const shots: Buffer[] = [];
    for (const theme of ["light", "dark"] as const) {
      await page.emulateMedia({ colorScheme: theme });
      for (const [width, height] of SCREENS) {
        await page.setViewportSize({ width, height });
        await goInside(page, path(maren).replace("DAY", day));
        await page
          .locator(width <= 700 ? onPhone : ready)
          .first()
          .waitFor({ state: "attached" });
        await page.waitForTimeout(300);
        if (!(await fits(page))) note(`${name}, ${theme}, ${width}: wider than its screen`);
        if (READ.has(width)) for (const v of await violationsOn(page)) note(`${name}, ${theme}, ${width}: ${v}`);
        shots.push(await page.screenshot());
      }
    }
    await sheet(paper, name, shots);
  }
  await browser.close();
} finally {
  server.kill();
}
console.log(faults.length === 0 ? "Nothing found." : `${faults.length} found.`);
process.exit(faults.length === 0 ? 0 : 1);
