/** Days away over the interface: the absence, the endurance of those days and a lighter first week are one change with one undo. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type { AwayPreview, SessionView, WeekView } from "../api/views";
import { addDays } from "../core/dates";
import { starterWeek } from "../core/mileage";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const call: TestServer["call"] = (...args) => server.call(...args);

const MONDAY = "2026-03-02";
/** Six usual runs a week, 50 km; one imported ride on Thursday beside them. */
const planned = () =>
  server.store.athletes.add(
    athleteWith({
      endurance: [
        { date: "2026-03-05", sport: "ride", kind: "easy", minutes: 60 },
        { date: "2026-02-24", sport: "run", kind: "easy", minutes: 50, done: true },
      ],
      endurancePlan: {
        unit: "km",
        usualWeeks: [{ phase: null, sessions: starterWeek("run", 6) }],
        weeks: [0, 7, 14].map((d) => ({ week: addDays(MONDAY, d), amount: 50 })),
      },
    }),
  );
const END = addDays(TODAY, 7);
const preview = async (id: string) => (await call<AwayPreview>("GET", `/athletes/${id}/away/${TODAY}/${END}`)).body;
const enduranceOf = async (id: string) =>
  ((await server.store.athletes.get(id))?.athlete.endurance ?? []).filter(
    (e) => e.date >= TODAY && e.date <= END && !e.cancelled,
  );

describe("days away", () => {
  it("shows the planned endurance of those days, and the first week after them with its amount", async () => {
    const id = await planned();
    const view = await preview(id);
    expect(view.endurance.map((e) => e.date)).toEqual([...view.endurance.map((e) => e.date)].sort());
    expect(view.endurance.some((e) => e.sport === "ride" && e.minutes === 60)).toBe(true);
    expect(view.endurance.length).toBeGreaterThan(6);
    // Ill from Tuesday 3 to Tuesday 10 March: five days of that week are left.
    expect(view.week).toEqual({ monday: "2026-03-09", amount: 50, unit: "km" });
    expect(view.lighterPct).toBe(80);
  });

  it("eight days ill take the endurance out, make the next week lighter and restore afterwards; one undo brings all back", async () => {
    const id = await planned();
    const before = await enduranceOf(id);
    const endurance = (await preview(id)).endurance.map(({ row }) => ({ row, as: "left-out" }));
    const body = { away: { start: TODAY, end: END, kind: "illness" }, endurance, lighterPct: 80 };
    expect((await call("POST", `/athletes/${id}/away`, body)).status).toBe(204);
    expect(await enduranceOf(id)).toEqual([]);
    const stored = (await server.store.athletes.get(id))?.athlete;
    expect(stored?.away).toEqual([body.away]);
    expect(stored?.endurancePlan?.weeks.find((w) => w.week === "2026-03-09")?.amount).toBe(40);
    // Eight days lost: it restores for eight, from the 11th to the 18th.
    const { sessions } = (await call<WeekView>("GET", `/athletes/${id}/weeks/2026-03-09`)).body;
    expect(sessions.length).toBeGreaterThan(0);
    for (const s of sessions) {
      const one = (await call<SessionView>("GET", `/athletes/${id}/sessions/${s.date}/${s.label}`)).body;
      expect([s.date > END, one.emphasis, one.minutes <= 30]).toEqual([true, "restore", true]);
    }
    await call("POST", `/athletes/${id}/undo`);
    expect(await enduranceOf(id)).toEqual(before);
    expect((await server.store.athletes.get(id))?.athlete.away).toEqual([]);
  });

  it("keeps what was done, and moves what is moved", async () => {
    const id = await planned();
    const [first, second] = (await preview(id)).endurance;
    const body = {
      away: { start: TODAY, end: END, kind: "illness" },
      endurance: [
        { row: first?.row, as: "done" },
        { row: second?.row, as: "moved", date: "2026-03-20" },
      ],
    };
    expect((await call("POST", `/athletes/${id}/away`, body)).status).toBe(204);
    const all = (await server.store.athletes.get(id))?.athlete.endurance ?? [];
    expect(all.filter((e) => e.date === first?.date && e.done)).toHaveLength(1);
    expect(all.some((e) => e.date === "2026-03-20" && e.minutes === second?.minutes && e.kind === second?.kind)).toBe(
      true,
    );
  });

  it("says where it is not as expected, and stores nothing", async () => {
    const id = await planned();
    const away = { start: TODAY, end: END, kind: "illness" };
    const post = (body: object) => call<Problem>("POST", `/athletes/${id}/away`, body);
    const backwards = await post({ away: { ...away, end: addDays(TODAY, -1) } });
    expect([backwards.status, backwards.body.faults[0]?.path]).toEqual([422, "away.end"]);
    const unknown = await post({ away, endurance: [{ row: "nothing", as: "done" }] });
    expect([unknown.status, unknown.body.faults[0]?.path]).toEqual([422, "endurance[0].row"]);
    const [first] = (await preview(id)).endurance;
    const nowhere = await post({ away, endurance: [{ row: first?.row, as: "moved" }] });
    expect([nowhere.status, nowhere.body.faults[0]?.path]).toEqual([422, "endurance[0].date"]);
    expect((await server.store.athletes.get(id))?.athlete.away).toEqual([]);
  });
});
