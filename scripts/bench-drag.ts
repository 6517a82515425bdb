/** Drags in a real browser, traced: how long the main thread was held at most, and how far behind the hand the worker was. */
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";
import { browserOptions } from "../tests/support/browser";

interface TraceEvent {
  name: string;
  ph: string;
  pid: number;
  tid: number;
  ts: number;
  dur?: number;
  /** Time the thread itself ran, without what the machine gave to others. */
  tdur?: number;
  args?: { name?: string };
}

export interface DragFigures {
  /** Longest tasks of the page's main thread while dragging, ms, longest first. */
  tasks: number[];
  steps: number;
  /** From the drop until the last date was planned, ms. */
  settledMs: number;
}

/** Tasks of the thread that draws the page, ms of its own running time, longest first. */
export function mainThreadTasks(trace: { traceEvents: TraceEvent[] }): number[] {
  const events = trace.traceEvents;
  const busiest = new Map<string, number>();
  for (const e of events)
    if (e.ph === "X" && e.name === "FunctionCall") {
      const key = `${e.pid}/${e.tid}`;
      busiest.set(key, (busiest.get(key) ?? 0) + 1);
    }
  const mains = new Set(
    events
      .filter((e) => e.ph === "M" && e.name === "thread_name" && e.args?.name === "CrRendererMain")
      .map((e) => `${e.pid}/${e.tid}`),
  );
  const main = [...mains].sort((a, b) => (busiest.get(b) ?? 0) - (busiest.get(a) ?? 0))[0];
  return events
    .filter((e) => e.ph === "X" && `${e.pid}/${e.tid}` === main && e.name === "RunTask")
    .map((e) => (e.tdur ?? e.dur ?? 0) / 1000)
    .sort((a, b) => b - a);
}

/**
 * The last A race in sight is dragged over ten weeks to the left and half way back, a day at each step, in a fresh browser.
 * @param traceFile where the browser's trace is written
 */
export async function dragFlag(address: string, id: string, traceFile: string): Promise<DragFigures> {
  const browser = await chromium.launch(browserOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/a/${id}/season`);
    const flag = page.getByRole("button", { name: /^A race / }).last();
    await flag.waitFor();
    // The worker reads the athlete and plans the season once before the first drag.
    await page.waitForTimeout(4000);
    const box = await flag.boundingBox();
    const week = await page.locator("[data-week]").first().boundingBox();
    if (!box || !week) throw new Error("No A race in sight to drag.");
    await browser.startTracing(page, {
      path: traceFile,
      categories: ["toplevel", "devtools.timeline", "disabled-by-default-devtools.timeline"],
    });
    const [x, y] = [box.x + 10, box.y + 10];
    await page.mouse.move(x, y);
    await page.mouse.down();
    const steps = 105;
    for (let i = 1; i <= steps; i++) {
      const days = i <= 70 ? i : 140 - i;
      await page.mouse.move(x - (days * week.width) / 7, y);
      await page.waitForTimeout(16);
    }
    await page.mouse.up();
    const dropped = performance.now();
    await page.getByRole("status").getByText("Trying").waitFor();
    await page.getByRole("button", { name: "Take over" }).and(page.locator(":enabled")).waitFor({ timeout: 60_000 });
    const settledMs = performance.now() - dropped;
    await browser.stopTracing();
    const trace = JSON.parse(readFileSync(traceFile, "utf8")) as { traceEvents: TraceEvent[] };
    return { tasks: mainThreadTasks(trace), steps, settledMs };
  } finally {
    await browser.close();
  }
}

/**
 * A session is taken in hand on the week board and led across every day of a full week and back.
 * @param monday the week
 */
export async function dragSession(address: string, id: string, monday: string, traceFile: string): Promise<number[]> {
  const browser = await chromium.launch(browserOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/a/${id}/week/${monday}`);
    const session = page.locator("[data-session]").first();
    await session.waitFor();
    await page.waitForTimeout(4000);
    const box = await session.boundingBox();
    const section = await page.getByRole("group", { name: /Week section/ }).boundingBox();
    if (!box || !section) throw new Error("No session in sight to drag.");
    const y = box.y + box.height - 24;
    await page.mouse.move(box.x + box.width / 2, y);
    await browser.startTracing(page, {
      path: traceFile,
      categories: ["toplevel", "devtools.timeline", "disabled-by-default-devtools.timeline"],
    });
    await page.mouse.down();
    const steps = 120;
    for (let i = 1; i <= steps; i++) {
      const along = i <= steps / 2 ? i / (steps / 2) : 2 - i / (steps / 2);
      await page.mouse.move(section.x + 140 + along * (section.width - 160), y);
      await page.waitForTimeout(16);
    }
    const words = await page
      .getByRole("status")
      .filter({ hasText: /cost|may not stand/ })
      .count();
    await browser.stopTracing();
    if (words === 0) throw new Error("The cost was not shown while dragging.");
    await page.keyboard.press("Escape");
    return mainThreadTasks(JSON.parse(readFileSync(traceFile, "utf8")));
  } finally {
    await browser.close();
  }
}
