/** The check-in over the interface: shown before it is taken, refused without a trace in the plan, undone like any change. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { ReadinessView, SessionView, SquadView, WeekView } from "../api/views";
import type { Athlete } from "../core/athlete";
import { addDays } from "../core/dates";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const call: TestServer["call"] = (...args) => server.call(...args);

/** Somebody whose session stands today, locked. */
const lifting = (more: Partial<Athlete> = {}) =>
  server.store.athletes.add(
    athleteWith({
      availability: [
        { day: 2, start: "18:00", minutes: 75, place: "gym" },
        { day: 5, start: "18:00", minutes: 75, place: "gym" },
      ],
      locked: [{ date: TODAY, start: "18:00", place: "gym", label: "A" }],
      ...more,
    }),
  );
const session = async (id: string) => (await call<SessionView>("GET", `/athletes/${id}/sessions/${TODAY}/A`)).body;
const setsOf = (v: SessionView) => v.items.reduce((n, i) => n + i.sets, 0);
const at = (id: string) => `/athletes/${id}/check-ins/${TODAY}/A`;
const ask = async (id: string, body: object) => (await call<ReadinessView>("POST", `${at(id)}/preview`, body)).body;

describe("a check-in", () => {
  it("changes nothing with ordinary answers, and asks nothing", async () => {
    const id = await lifting();
    const before = await session(id);
    expect(await ask(id, { sleepH: 7, soreness: 6, feeling: 3 })).toEqual({
      session: "as-planned",
      says: [],
      change: null,
    });
    expect((await call("PUT", at(id), { sleepH: 7, soreness: 6, feeling: 3 })).status).toBe(204);
    const after = await session(id);
    expect(after.items).toEqual(before.items);
    expect(after.checkIn).toEqual({ date: TODAY, sleepH: 7, soreness: 6, feeling: 3 });
  });

  it("with under five hours of sleep takes a third of the sets once it is taken, none where it is refused, and is undone", async () => {
    const id = await lifting();
    const before = await session(id);
    const shown = await ask(id, { sleepH: 4 });
    expect(shown.says).toEqual(["Under 5 h of sleep: a third fewer sets today."]);
    expect((shown.change?.less.length ?? 0) + (shown.change?.gone.length ?? 0)).toBeGreaterThan(0);
    await call("PUT", at(id), { sleepH: 4, taken: false });
    expect((await session(id)).items).toEqual(before.items);
    await call("PUT", at(id), { sleepH: 4, taken: true });
    const after = await session(id);
    expect(setsOf(after)).toBeLessThan(setsOf(before));
    // Exercise by exercise, never the last set, and nothing else instead.
    expect(after.items.map((i) => [i.exercise, i.sets])).toEqual(
      before.items.map((i) => [i.exercise, Math.max(1, Math.round((i.sets * 2) / 3))]),
    );
    expect([after.date, after.start]).toEqual([before.date, before.start]);
    await call("POST", `/athletes/${id}/undo`);
    expect((await session(id)).items).toEqual(before.items);
  });

  it("makes the session light where both rules speak, with 4 in reserve and nothing heavy", async () => {
    const id = await lifting();
    await call("PUT", at(id), { sleepH: 4, soreness: 8, taken: true });
    const { items } = await session(id);
    const loaded = items.filter((i) => ["bar", "pair", "single", "kettlebell", "machine"].includes(i.loading));
    expect(loaded.length).toBeGreaterThan(0);
    for (const i of loaded) expect([i.exercise, i.rir >= 4]).toEqual([i.exercise, true]);
  });

  it("takes load off what hurts from 3 to 5 of 10, and all that touches it above 5", async () => {
    const id = await lifting();
    const pain = (level: number) => [{ area: "low-back", side: "both", level }];
    await call("PUT", at(id), { pain: pain(3), taken: true });
    const eased = await session(id);
    expect(eased.items.some((i) => i.pattern === "hinge" && i.loadKg !== null)).toBe(false);
    await call("PUT", at(id), { pain: pain(6), taken: true });
    const out = await session(id);
    expect(out.items.map((i) => i.exercise)).not.toContain("bridge");
    expect(out.items.filter((i) => i.pattern === "hinge")).toEqual([]);
    expect((await ask(id, { pain: pain(2) })).says).toEqual([]);
  });

  it("with fever ends the day's training: an absence stands, the way back begins", async () => {
    const id = await lifting({ locked: [] });
    expect((await ask(id, { ill: true })).session).toBe("none");
    await call("PUT", at(id), { ill: true, taken: true });
    const week = (await call<WeekView>("GET", `/athletes/${id}/weeks/2026-03-02`)).body;
    expect(week.sessions.filter((s) => s.date === TODAY)).toEqual([]);
    const away = async () => (await server.store.athletes.get(id))?.athlete.away;
    expect(await away()).toEqual([{ start: TODAY, end: TODAY, kind: "illness" }]);
    await call("POST", `/athletes/${id}/undo`);
    expect(await away()).toEqual([]);
  });

  it("tells the coach of three poor days of seven, not of two", async () => {
    const poor = (days: number[]) => lifting({ checkIns: days.map((d) => ({ date: addDays(TODAY, -d), sleepH: 4 })) });
    const of = async (id: string) =>
      (await call<SquadView>("GET", "/squad")).body.rows.find((r) => r.id === id)?.attention.map((a) => a.text) ?? [];
    expect((await of(await poor([0, 3, 6]))).join()).toContain("3 poor days of the last 7");
    expect((await of(await poor([0, 3, 7]))).join()).not.toContain("poor days");
  });

  it("is refused for a day to come, and for one long past", async () => {
    const id = await lifting();
    for (const days of [1, -8])
      expect((await call("PUT", `/athletes/${id}/check-ins/${addDays(TODAY, days)}/A`, { sleepH: 7 })).status).toBe(
        422,
      );
  });
});
