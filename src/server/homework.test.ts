/** Homework over the interface: the week's list, ticks that are kept and undone, counted in the review, printed on the card. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, weeksOf } from "../../tests/support/athlete";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { CalendarView, HomeworkView, ReviewView } from "../api/views";
import type { Athlete } from "../core/athlete";
import { addDays } from "../core/dates";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const call: TestServer["call"] = (...args) => server.call(...args);

const somebody = (more: Partial<Athlete> = {}) =>
  server.store.athletes.add(
    athleteWith({
      endurance: weeksOf(new Array(20).fill(1)),
      seen: [{ what: "knee-in", date: addDays(TODAY, -20) }],
      ...more,
    }),
  );
const week = async (id: string) => (await call<HomeworkView>("GET", `/athletes/${id}/homework`)).body;

describe("homework", () => {
  it("is a week's list; what is ticked stays ticked until it is undone", async () => {
    const id = await somebody();
    const before = await week(id);
    expect(before.days.map((d) => d.date)).toEqual([0, 1, 2, 3, 4, 5, 6].map((n) => addDays("2026-03-02", n)));
    const monday = before.days[0]!;
    const item = monday.items[0]!;
    expect([item.done, monday.open]).toEqual([false, true]);
    expect((await call("PUT", `/athletes/${id}/homework/${monday.date}/${item.item}`, { done: true })).status).toBe(
      204,
    );
    expect((await week(id)).days[0]!.items[0]).toEqual({ ...item, done: true });
    expect((await server.store.athletes.get(id))?.athlete.homework).toEqual([
      { date: monday.date, item: item.item, done: true },
    ]);
    const { body } = await call<{ undo: { words: string } | null }>("GET", `/athletes/${id}/edits`);
    expect(JSON.stringify(body)).toContain("Homework of Mon 2 Mar");
    expect((await call("POST", `/athletes/${id}/undo`)).status).toBeLessThan(300);
    expect((await week(id)).days[0]!.items[0]).toEqual(item);
  });

  it("refuses days to come, days long past and what is no exercise, and says what it expected", async () => {
    const id = await somebody();
    const tick = (date: string, item: string, body: object = { done: true }) =>
      call<{ faults: { path: string }[] }>("PUT", `/athletes/${id}/homework/${date}/${item}`, body);
    for (const [date, status] of [
      [addDays(TODAY, 1), 422],
      [TODAY, 204],
      [addDays(TODAY, -7), 204],
      [addDays(TODAY, -8), 422],
    ] as const)
      expect([date, (await tick(date, "activation")).status]).toEqual([date, status]);
    const odd = await tick(TODAY, "no-such-thing");
    expect([odd.status, odd.body.faults[0]?.path]).toEqual([422, "item"]);
    expect((await tick(TODAY, "activation", { done: "yes" })).status).toBe(422);
  });

  it("is counted in the review of the weeks in which it was asked", async () => {
    const id = await somebody();
    const review = async () =>
      (await call<ReviewView>("GET", `/athletes/${id}/review?from=2026-02-23&to=2026-02-23`)).body;
    const before = (await review()).weeks[0]!.homework;
    expect(before.asked).toBeGreaterThan(0);
    expect(before.done).toBe(0);
    // Of the week before: Tuesday is seven days ago and can still be ticked.
    const tuesday = addDays(TODAY, -7);
    for (const item of ["shallow-single-leg-squat-band", "step-down", "wall-pressed-squat", "activation"])
      await call("PUT", `/athletes/${id}/homework/${tuesday}/${item}`, { done: true });
    const after = await review();
    expect(after.weeks[0]!.homework.asked).toBe(before.asked);
    expect(after.weeks[0]!.homework.done).toBeGreaterThan(0);
    expect(after.weeks[0]!.homework.done).toBeLessThan(before.asked);
    expect(after.words.join(" ")).toContain(`Homework: ${after.weeks[0]!.homework.done} of ${before.asked} ticked.`);
  });

  it("stands on the card of the week, each thing with its days", async () => {
    const id = await somebody();
    const { sessions } = (await call<{ sessions: { date: string; label: string }[] }>("GET", `/athletes/${id}`)).body;
    const next = sessions.find((s) => s.date >= TODAY)!;
    const cards = (await call<{ homework: string[] }[]>("GET", `/athletes/${id}/cards/${next.date}/${next.label}`))
      .body;
    expect(cards[0]!.homework.some((h) => /^Activation, 1 round: /.test(h))).toBe(true);
  });
});

describe("tests that are due", () => {
  it("stand in the club calendar with their day: the first on which a result is more than 12 weeks old", async () => {
    const id = await somebody({
      screening: [
        { test: "calf-raise", date: "2025-12-09", left: 25, right: 25 },
        { test: "front-plank", date: "2026-02-01", value: 60 },
      ],
    });
    const { athletes } = (await call<CalendarView>("GET", "/calendar")).body;
    // 84 days after 9 December is 3 March: a day later it is due.
    expect(athletes.find((a) => a.id === id)?.tests).toEqual([
      { due: "2026-03-04", names: ["Single-leg calf raise"] },
      { due: "2026-04-27", names: ["Front plank"] },
    ]);
  });
});
