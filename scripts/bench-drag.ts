/** Drags in a real browser, traced: how long the main thread was held at most, and how far behind the hand the worker was. */
import { readFileSync } from "node:fs";
import { chromium, type Locator, type Page } from "@playwright/test";
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

type Box = NonNullable<Awaited<ReturnType<Locator["boundingBox"]>>>;

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

/** Milliseconds from step to step of a hand, and those in which the worker reads the athlete and plans the season before a first drag. */
const STEP_MS = 16;
const WARM_MS = 4000;

/** A drag over the season in a fresh browser, traced from where it is taken hold of until what it asks for is planned. */
async function seasonDrag(
  address: string,
  id: string,
  traceFile: string,
  drag: {
    /** What is taken hold of. */
    grip: (page: Page) => Locator;
    /** Where on it, from its corner. */
    at: (box: Box) => { x: number; y: number };
    steps: number;
    /** How far the hand is from there after so many steps. @param week pixels of one */
    after: (step: number, week: number) => { x: number; y: number };
  },
): Promise<DragFigures> {
  const browser = await chromium.launch(browserOptions);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/a/${id}/season`);
    const grip = drag.grip(page);
    await grip.waitFor();
    await page.waitForTimeout(WARM_MS);
    const box = await grip.boundingBox();
    const week = await page.locator("[data-week]").first().boundingBox();
    if (!box || !week) throw new Error("Nothing in sight to drag.");
    await browser.startTracing(page, {
      path: traceFile,
      categories: ["toplevel", "devtools.timeline", "disabled-by-default-devtools.timeline"],
    });
    const from = drag.at(box);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (let i = 1; i <= drag.steps; i++) {
      const by = drag.after(i, week.width);
      await page.mouse.move(from.x + by.x, from.y + by.y);
      await page.waitForTimeout(STEP_MS);
    }
    await page.mouse.up();
    const dropped = performance.now();
    await page.getByRole("status").getByText("Preview").waitFor();
    await page.getByRole("button", { name: "Apply" }).and(page.locator(":enabled")).waitFor({ timeout: 60_000 });
    const settledMs = performance.now() - dropped;
    await browser.stopTracing();
    const trace = JSON.parse(readFileSync(traceFile, "utf8")) as { traceEvents: TraceEvent[] };
    return { tasks: mainThreadTasks(trace), steps: drag.steps, settledMs };
  } finally {
    await browser.close();
  }
}

/**
 * The last A race in sight is dragged over ten weeks to the left and half way back, a day at each step, in a fresh browser.
 * @param traceFile where the browser's trace is written
 */
export const dragFlag = (address: string, id: string, traceFile: string): Promise<DragFigures> =>
  seasonDrag(address, id, traceFile, {
    grip: (page) => page.getByRole("button", { name: /^A race / }).last(),
    at: ({ x, y }) => ({ x: x + 10, y: y + 10 }),
    steps: 105,
    after: (step, week) => ({ x: (-(step <= 70 ? step : 140 - step) * week) / 7, y: 0 }),
  });

/**
 * The top of a planned week is drawn up and over the weeks after it and back, in a fresh browser.
 * @param id of an athlete with an endurance plan
 */
export const drawTop = (address: string, id: string, traceFile: string): Promise<DragFigures> =>
  seasonDrag(address, id, traceFile, {
    grip: (page) => page.getByRole("slider", { name: /^Amount of the week/ }).nth(2),
    at: ({ x, y, width, height }) => ({ x: x + width / 2, y: y + height / 2 }),
    steps: 90,
    after: (step, week) => {
      const along = step <= 45 ? step / 45 : 2 - step / 45;
      return { x: along * 5 * week, y: -30 * along };
    },
  });

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
    const section = await page.getByRole("group", { name: /Week drawn/ }).boundingBox();
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
      .filter({ hasText: /disturbance|Not possible/ })
      .count();
    await browser.stopTracing();
    if (words === 0) throw new Error("Nothing was said of the places while dragging.");
    await page.keyboard.press("Escape");
    return mainThreadTasks(JSON.parse(readFileSync(traceFile, "utf8")));
  } finally {
    await browser.close();
  }
}
