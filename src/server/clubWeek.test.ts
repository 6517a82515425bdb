/** A week of the club over the interface: hand-counted sums, what each role sees, the same on paper. */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { pdfText } from "../../tests/support/pdf";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import { type ClubWeekView, clubWeekWords } from "../api/clubWeek";
import type { Athlete } from "../core/athlete";

let server: TestServer;
let id = "";
const MONDAY = "2026-02-23";
beforeAll(async () => {
  server = await testServer();
  const runner = JSON.parse(readFileSync("tests/support/run.json", "utf8")) as Athlete;
  const hard = { reps: 5, loadKg: 60, rir: 2, side: "both" } as const;
  id = await server.store.athletes.add({
    ...runner,
    athlete: { ...runner.athlete, name: "Una Reed" },
    endurancePlan: undefined as never,
    races: [{ id: "race-1", date: "2026-03-01", name: "Mill Lane", sport: "run", priority: "C" }],
    endurance: [
      { date: "2026-02-24", sport: "run", kind: "easy", minutes: 50, done: true },
      { date: "2026-02-26", sport: "run", kind: "easy", minutes: 40 },
      { date: "2026-03-02", sport: "run", kind: "easy", minutes: 500, done: true },
    ],
    // Three hard sets on Tuesday, one with pain; one set on the Monday after is of the next week.
    strengthLog: [
      { date: "2026-02-24", label: "A", items: [{ exercise: "back-squat", sets: [hard, hard, hard], pain: 3 }] },
      { date: "2026-03-02", label: "A", items: [{ exercise: "back-squat", sets: [hard] }] },
    ],
  });
  await server.store.athletes.add(JSON.parse(readFileSync("tests/support/row.json", "utf8")) as Athlete);
});
afterAll(() => server.close());

const week = async (monday = MONDAY) => (await server.call<ClubWeekView>("GET", `/club/week/${monday}`)).body;

describe("a week of the club", () => {
  it("counts what was done beside what was planned, day by day", async () => {
    const view = await week();
    const row = view.rows.find((r) => r.id === id);
    expect(view.rows).toHaveLength(2);
    expect(row).toMatchObject({ name: "Una Reed", hardSets: { done: 3 }, pain: 3, minutes: { planned: 40, done: 50 } });
    expect(row?.sessions.done).toBe(1);
    expect(row?.sessions.planned).toBe(row?.days.flatMap((d) => d.planned).length);
    expect(row?.days.map((d) => d.logged)).toEqual([[], ["A"], [], [], [], [], []]);
    expect(row?.days.map((d) => d.minutes)).toEqual([0, 50, 0, 0, 0, 0, 0]);
    expect(row?.days.at(-1)?.race).toBe("Mill Lane");
  });

  it("says in words who trained, who did less, and whose pain keeps loads where they are: 3 does, 2 does not", async () => {
    const view = await week();
    const words = clubWeekWords(view).join("\n");
    expect(words).toMatch(/^\d of 2 trained;/);
    expect(words).toContain("Pain of 3 of 10 or more was reported by Una Reed.");
    expect(words).toContain("Races: Una Reed (Mill Lane).");
    const less = { ...view, rows: view.rows.map((r) => ({ ...r, pain: r.pain === 3 ? 2 : r.pain })) };
    expect(clubWeekWords(less).join("\n")).not.toContain("Pain of");
  });

  it("shows a week ahead as it is planned, and any day of a week as that week", async () => {
    const ahead = await week("2026-03-12");
    expect(ahead.monday).toBe("2026-03-09");
    const row = ahead.rows.find((r) => r.id === id);
    expect(row?.sessions.planned).toBeGreaterThan(0);
    expect([row?.sessions.done, row?.hardSets.done]).toEqual([0, 0]);
    expect(clubWeekWords(ahead)[0]).toMatch(/^\d+ strength sessions are planned, with \d+ hard sets\.$/);
  });

  it("is made again where an athlete has changed, and the same on paper", async () => {
    const log = {
      date: TODAY,
      label: "B",
      items: [{ exercise: "bridge", sets: [{ reps: 10, rir: 3, side: "both" }] }],
    };
    const now = async () => (await week(TODAY)).rows.find((r) => r.id === id)?.sessions.done;
    expect(await now()).toBe(1);
    await server.call("PUT", `/athletes/${id}/logs/${TODAY}/B`, log);
    expect(await now()).toBe(2);
    const pdf = await fetch(`${server.base}/club/week/${MONDAY}/pdf`);
    const text = (await pdfText(new Uint8Array(await pdf.arrayBuffer()))).join(" ");
    expect(text).toContain("Una Reed");
    expect(text).toContain("Pain of 3 of 10 or more");
  });
});
