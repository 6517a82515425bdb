/** The athlete in it: a club is begun, a coach and an athlete's phone join; the phone loses its network for a whole session, and nothing else. */
import { readFileSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import type { APIRequestContext } from "@playwright/test";
import type { PhoneFacts, SessionsView, SessionView } from "../../src/api/views";
import { timeOf } from "../../src/core/dates";
import { random } from "../../src/demo/random";
import { AthletePhone, Line } from "../support/athletePhone";
import { expectAccessible } from "../support/axe";
import { expect, mayBeRefused, type Page, test } from "../support/journey";
import { kill, startClub } from "../torture/club";

const PASSWORD = "oars over quiet water";
const TODAY = "2026-03-03";
/** Random schedules through the real service worker: 50 in the campaign, FIELD_ANCHOR_PHONES=50. */
const SCHEDULES = Number(process.env.FIELD_ANCHOR_PHONES ?? 2);
const support = (name: string) => readFileSync(join(import.meta.dirname, "../support", name), "utf8");

async function begun(folder: string) {
  const data = resolve(`.tmp/${folder}`);
  rmSync(data, { recursive: true, force: true });
  const club = await startClub(data, { FIELD_ANCHOR_ACCOUNTS: "asked", FIELD_ANCHOR_TODAY: TODAY });
  if (!club) throw new Error("the server did not start");
  const base = club.base.replace("/api", "");
  const line = await Line.to(Number(new URL(base).port));
  return { club, base, line, profile: `${data}-phone` };
}

/** The first account, and an athlete of its own. @returns the athlete's id */
async function owner(page: Page, base: string): Promise<string> {
  await page.goto(base);
  await page.getByLabel("Your name").fill("Wren Aldous");
  await page.getByLabel("Name to sign in with").fill("wren");
  await page.getByLabel("Password").fill(PASSWORD);
  await page.getByRole("button", { name: "Make the account" }).click();
  await page.getByRole("button", { name: "I have them" }).click();
  const answer = await page.request.post(`${base}/api/athletes`, {
    data: support("run.json"),
    headers: { "Content-Type": "application/json", Origin: base },
  });
  return (await answer.json()).id as string;
}

const get = async <T>(request: APIRequestContext, url: string): Promise<T> =>
  (await (await request.get(url)).json()) as T;
const sessionToday = async (page: Page, base: string, id: string): Promise<SessionView> => {
  const { sessions } = await get<SessionsView>(page.request, `${base}/api/athletes/${id}/sessions`);
  const today = sessions.find((s) => s.date === TODAY);
  if (!today) throw new Error("no session today");
  return get<SessionView>(page.request, `${base}/api/athletes/${id}/sessions/${TODAY}/${today.label}`);
};

/** In the page: a disk that is busy, so that what is kept is opened late. */
function storageAnswersAfter(ms: number): void {
  const listen = EventTarget.prototype.addEventListener;
  IDBOpenDBRequest.prototype.addEventListener = function (
    this: IDBOpenDBRequest,
    type: string,
    heard: unknown,
    how?: unknown,
  ) {
    const late = (e: Event) => setTimeout(() => (heard as (e: Event) => void).call(this, e), ms);
    listen.call(this, type, type === "success" ? late : (heard as EventListener), how as AddEventListenerOptions);
  };
}

/** In the page: what was shown last is gone. */
async function forgetsItsScreen(): Promise<void> {
  const [{ name } = { name: undefined }] = await indexedDB.databases();
  if (!name) throw new Error("nothing is kept");
  await new Promise<void>((done, failed) => {
    const opened = indexedDB.open(name);
    opened.onerror = () => failed(opened.error);
    opened.onsuccess = () => {
      const change = opened.result.transaction("state", "readwrite");
      change.objectStore("state").delete("screen");
      change.oncomplete = () => {
        opened.result.close();
        done();
      };
    };
  });
}

/** In the page: a planner that answers every question with an error, as comlink tells one. */
function plansNothing(): void {
  class Broken extends EventTarget {
    postMessage({ id }: { id: string }): void {
      const thrown = { isError: true, value: { message: "no", name: "Error", stack: "" } };
      const data = { id, type: "HANDLER", name: "throw", value: thrown };
      setTimeout(() => this.dispatchEvent(new MessageEvent("message", { data })), 0);
    }
    start(): void {}
  }
  Object.assign(window, { Worker: Broken });
}

/** The code of a fresh invitation, from the coach's own screen. */
async function invitation(page: Page, base: string, id: string): Promise<string> {
  await page.goto(`${base}/a/${id}/phone`);
  await page.getByRole("button", { name: "Invite a phone" }).click();
  const link = (await page.getByText(/\/p\/join#code=/).textContent()) ?? "";
  await page.getByRole("button", { name: "Done" }).click();
  return link.split("#code=")[1] ?? "";
}

test("a phone joins, goes through a session without network, closed in the middle of it, while the coach moves it; both see everything, once", async ({
  page,
}) => {
  mayBeRefused();
  const { club, base, line, profile } = await begun("e2e-athlete");
  const phone = new AthletePhone(profile, line);
  try {
    const id = await owner(page, base);
    const coach = await page.request.post(`${base}/api/accounts`, {
      data: { name: "jory", shown: "Jory Penhale", role: "coach", athletes: "all" },
      headers: { Origin: base },
    });
    expect(coach.status()).toBe(201);
    const code = await invitation(page, base, id);
    await page
      .getByRole("textbox", { name: /^Note for the week of Mon/ })
      .first()
      .fill("Easy does it.");
    await page
      .getByRole("button", { name: /^Give out:/ })
      .first()
      .click();
    await expect(page.getByText("The week is given out.")).toBeVisible();
    await expectAccessible(page);
    const session = await sessionToday(page, base, id);

    // Four touches to the first set: the link, this phone, log, the set.
    const p = await phone.open(`/join#code=${code}`);
    await p.getByRole("button", { name: "Use this phone" }).click();
    await expect(p.getByText("Easy does it.")).toBeVisible();
    await expect(p.getByRole("link", { name: "Log this session" })).toBeVisible();
    await phone.kept();
    await expectAccessible(p);

    await line.cut();
    await p.reload();
    await p.getByRole("button", { name: "Check in: sleep, legs, feeling, pain" }).click();
    const answer = (asked: string, value: string) =>
      p.getByRole("button", { name: `${asked}: ${value}`, exact: true }).click();
    await answer("Slept, hours", "8");
    await answer("Soreness of the legs, 0 to 10", "1");
    await answer("How it feels, 1 poor to 5 very good", "4");
    await p.getByRole("button", { name: "No pain" }).click();
    await expect(p.getByRole("status", { name: "What waits" })).toContainText("1 change waits on this phone.");

    // Another exercise in the second one's place, from what the phone has.
    await p.getByRole("link", { name: "Every exercise, and how it is done" }).click();
    const second = session.items[1];
    if (!second) throw new Error("one exercise alone");
    await p.getByRole("button", { name: `Swap ${second.name}`, exact: true }).click();
    const open = p.getByRole("dialog").getByRole("listitem").getByRole("button", { disabled: false }).first();
    const instead = ((await open.locator("span.font-medium").first().textContent()) ?? "").replace(/^\d+\. /, "");
    await open.click();
    await expect(p.getByRole("heading", { name: instead })).toBeVisible();

    await p.getByRole("link", { name: "Log this session" }).click();
    await p.getByRole("button", { name: /^Log set 1/ }).click();
    await p.getByRole("button", { name: "Pain 3 of 10" }).click();
    await expect(p.getByText("saved", { exact: false }).first()).toBeVisible();
    await phone.close();

    // Meanwhile the coach has it begin a quarter of an hour later.
    const late = await page.request.put(`${base}/api/athletes/${id}/locks`, {
      data: { date: TODAY, label: session.label, start: timeOf(session.start + 15), place: session.place },
      headers: { Origin: base },
    });
    expect(late.status()).toBe(204);

    // Opened again, still without network: the session goes on where it was, also where the phone is slow to find what it keeps.
    const q = await phone.open();
    await q.addInitScript(storageAnswersAfter, 1500);
    await q.goto(`${line.base}/p/a/${id}/floor/${TODAY}/${session.label}`);
    await expect(q.getByRole("button", { name: /^Log set/ })).toBeVisible();
    await q.goto(`${line.base}/p/`);
    await expect(q.getByRole("link", { name: "Go on with this session" })).toBeVisible();
    await q.getByRole("link", { name: "Go on with this session" }).click();
    for (let n = 0; n < 3; n++) await q.getByRole("button", { name: /^Log set/ }).click();
    await q.getByRole("link", { name: "Back to the sheet" }).click();
    await q.getByRole("link", { name: "Write to your coach about this session" }).click();
    await q.getByRole("textbox", { name: "Message" }).fill("The knee was quiet until the last set.");
    await q.getByRole("button", { name: "Send" }).click();
    await expect(q.getByText("waits for network")).toBeVisible();
    await expect(q.getByRole("status", { name: "What waits" })).toContainText("4 sets, 1 message");

    await line.mend();
    await q.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect(q.getByRole("status", { name: "What waits" })).toBeHidden();
    await expect(q.getByText("waits for network")).toBeHidden();
    expect(phone.thrown).toEqual([]);
    await expect(q.getByRole("alert")).toHaveCount(0);

    const { log } = await get<SessionView>(
      page.request,
      `${base}/api/athletes/${id}/sessions/${TODAY}/${session.label}`,
    );
    const sets = (log?.items ?? []).flatMap((i) => i.sets.map((s) => s.at));
    expect(sets).toHaveLength(4);
    expect(new Set(sets).size).toBe(4);
    expect(log?.items.some((i) => i.pain === 3)).toBe(true);
    const facts = await get<PhoneFacts>(page.request, `${base}/api/athletes/${id}/phone`);
    expect(facts.messages.map((m) => m.text)).toEqual(["The knee was quiet until the last set."]);
    expect(facts.planning.swaps.map((s) => s.from)).toEqual([second.exercise]);
    expect(facts.planning.athlete.checkIns?.map((c) => [c.date, c.sleepH])).toEqual([[TODAY, 8]]);

    // The coach: what came in, one action to see, one to open, one to answer.
    await page.goto(base);
    await page.getByRole("link", { name: "Came in" }).click();
    await expect(page.getByText("The knee was quiet until the last set.")).toBeVisible();
    await expect(page.getByRole("main").getByText(/Pain 3 of 10/)).toBeVisible();
    await expect(page.getByText("4 sets of", { exact: false })).toBeVisible();
    await expectAccessible(page);
    await page
      .getByRole("listitem")
      .filter({ hasText: "The knee was quiet" })
      .getByRole("link", { name: "Answer" })
      .click();
    await page.getByRole("textbox", { name: "Message to the athlete" }).fill("Good. Same load on Thursday.");
    await page.getByRole("button", { name: "Send" }).click();
    await q.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect(q.getByText("Good. Same load on Thursday.")).toBeVisible();

    // Signed out, it is out at once; what it holds stays on it.
    await page.getByRole("region", { name: "Phones" }).getByRole("button", { name: "Sign out" }).click();
    await expect(page.getByText("No phone has joined yet.", { exact: false })).toBeVisible();
    await q.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect(q.getByText("This phone was signed out.", { exact: false })).toBeVisible();

    // A phone that cannot plan, and has no plan from before to show, says so and does not wait for good.
    await q.evaluate(forgetsItsScreen);
    await q.addInitScript(plansNothing);
    await q.reload();
    await expect(q.getByRole("alert")).toContainText("could not make your plan");
    await expect(q.getByRole("button", { name: "Try again" })).toBeVisible();
    await expectAccessible(q);
  } finally {
    await phone.close();
    await line.cut();
    await kill(club);
  }
});

test("random hands, nets and closed browsers through the real service worker lose nothing and double nothing", async ({
  page,
}) => {
  mayBeRefused();
  test.setTimeout(180_000 + SCHEDULES * 60_000);
  const { club, base, line, profile } = await begun("e2e-athlete-hands");
  try {
    const id = await owner(page, base);
    const session = await sessionToday(page, base, id);
    await page.request.put(`${base}/api/athletes/${id}/published/${TODAY}`, {
      data: { note: "" },
      headers: { Origin: base },
    });
    let sets = 0;
    let messages = 0;
    for (let seed = 1; seed <= SCHEDULES; seed++) {
      const r = random(seed);
      await line.mend();
      const phone = new AthletePhone(`${profile}-${seed}`, line);
      const p = await phone.open(`/join#code=${await invitation(page, base, id)}`);
      await p.getByRole("button", { name: "Use this phone" }).click();
      await expect(p.getByRole("navigation", { name: "Main" })).toBeVisible();
      await phone.kept();
      const floor = `/a/${id}/floor/${TODAY}/${session.label}`;
      for (let step = 0; step < 8; step++) {
        const act = r.whole(0, 5);
        if (act <= 1) {
          await phone.page.goto(`${line.base}/p${floor}`);
          const next = phone.page.getByRole("button", { name: /^Log set/ });
          const said = phone.page.locator("header").getByRole("status");
          // A load that is to be found is set first; a session that is over asks how hard it was.
          const find = phone.page.getByRole("button", { name: "Choose the load first" });
          const over = phone.page.getByRole("button", { name: /^Finish|^Save/ }).first();
          await expect(next.or(find).or(over)).toBeVisible();
          if (await find.isVisible()) await phone.page.getByRole("button", { name: /^(Load|Half).* up$/ }).click();
          if (!(await next.isVisible())) continue;
          await next.click();
          await expect(said).toHaveText(/saved/);
          sets += 1;
        } else if (act === 2) {
          await phone.page.goto(`${line.base}/p/talk`);
          messages += 1;
          await phone.page.getByRole("textbox", { name: "Message" }).fill(`Message ${messages}`);
          await phone.page.getByRole("button", { name: "Send" }).click();
          await expect(phone.page.getByRole("list", { name: "Messages" })).toContainText(`Message ${messages}`);
        } else if (act === 3) await line.cut();
        else if (act === 4) await line.mend();
        else {
          await phone.close();
          await phone.open();
          await expect(phone.page.getByRole("navigation", { name: "Main" })).toBeVisible();
        }
      }
      await line.mend();
      await phone.page.goto(`${line.base}/p/`);
      await expect(phone.page.getByRole("navigation", { name: "Main" })).toBeVisible();
      await expect(phone.page.getByRole("status", { name: "What waits" })).toBeHidden();
      expect(phone.thrown).toEqual([]);
      await phone.close();
      const facts = await get<PhoneFacts>(page.request, `${base}/api/athletes/${id}/phone`);
      const log = facts.planning.athlete.strengthLog.find((l) => l.date === TODAY && l.label === session.label);
      const stamps = (log?.items ?? []).flatMap((i) => i.sets.map((s) => s.at));
      expect(stamps).toHaveLength(sets);
      expect(sets).toBeGreaterThan(0);
      expect(new Set(stamps).size).toBe(sets);
      expect(facts.messages.map((m) => m.text)).toEqual(Array.from({ length: messages }, (_, i) => `Message ${i + 1}`));
    }
  } finally {
    await line.cut();
    await kill(club);
  }
});
