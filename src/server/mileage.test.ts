import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type { ImportAnswer, IntakeView, PlanningView, SeasonView, SquadView, WeekView } from "../api/views";
import type { EndurancePlan, EnduranceSession } from "../core/athlete/types";
import { starterWeek } from "../core/mileage";

let app: TestServer;
beforeAll(async () => {
  app = await testServer();
});
afterAll(() => app.close());

const PLAN: EndurancePlan = {
  unit: "km",
  usualWeeks: [{ phase: null, sessions: starterWeek("run", 6) }],
  weeks: [],
  rule: {
    from: "2026-02-02",
    start: 50,
    top: 70,
    risePct: 5,
    stepBackEvery: 4,
    stepBackTo: 0.75,
    taper: true,
    restart: true,
  },
};
const TUESDAY = "plan:2026-03-09:tue";
const fresh = (endurancePlan: EndurancePlan | null = PLAN) =>
  app.store.athletes.add(
    athleteWith({
      endurance: [],
      races: [
        { id: "r1", date: "2026-06-14", name: "Dyke Marathon", sport: "run", expectedMinutes: 200, priority: "A" },
      ],
      ...(endurancePlan ? { endurancePlan } : {}),
    }),
  );
const week = async (id: string, monday = "2026-03-09") =>
  (await app.call<WeekView>("GET", `/athletes/${id}/weeks/${monday}`)).body;
const season = async (id: string) => (await app.call<SeasonView>("GET", `/athletes/${id}/season`)).body;
const stored = async (id: string) => {
  const got = await app.store.athletes.get(id);
  if (!got) throw new Error("no athlete");
  return got;
};
const rows = async (id: string) => (await stored(id)).record.endurance;

describe("the endurance plan", () => {
  it("is stored, shown by week and session, and given out in the file without its sessions", async () => {
    const id = await fresh(null);
    expect((await app.call("PUT", `/athletes/${id}/endurance-plan`, { plan: PLAN })).status).toBe(204);
    const w = await week(id);
    expect(w.endurance.filter((e) => e.date >= "2026-03-09").map((e) => e.id)).toContain(TUESDAY);
    expect(w.mileage.amount?.amount).toBeGreaterThan(50);
    expect((await season(id)).endurance.plan).toEqual(PLAN);
    const file = await app.call<{ endurance: unknown[]; endurancePlan: unknown }>("GET", `/athletes/${id}/file`);
    expect(file.body.endurance).toEqual([]);
    expect(file.body.endurancePlan).toEqual(PLAN);
    expect((await app.call("PUT", `/athletes/${id}/endurance-plan`, { plan: null })).status).toBe(204);
    expect((await week(id)).mileage).toMatchObject({ plan: null, amount: null });
  });

  it("is refused with the place and what was expected, and nothing is stored", async () => {
    const id = await fresh();
    const bad = { ...PLAN, usualWeeks: [{ phase: null, sessions: starterWeek("run", 6).slice(1) }] };
    const answer = await app.call<Problem>("PUT", `/athletes/${id}/endurance-plan`, { plan: bad });
    expect(answer.status).toBe(422);
    expect(answer.body.faults[0]).toMatchObject({ path: "endurancePlan.usualWeeks[0].sessions" });
    expect(answer.body.faults[0]?.expected).toContain("shares that make 1");
    const row = { date: "2026-03-10", sport: "run", kind: "easy", minutes: 30, insteadOf: "tuesday" };
    expect((await app.call("POST", `/athletes/${id}/endurance`, row)).status).toBe(422);
    // What is left out has to be named.
    const { insteadOf: _, ...nothing } = { ...row, cancelled: true };
    const refused = await app.call<Problem>("POST", `/athletes/${id}/endurance`, nothing);
    expect([refused.status, refused.body.faults[0]?.path]).toEqual([422, "insteadOf"]);
    expect((await season(id)).endurance.plan).toEqual(PLAN);
    expect(await rows(id)).toEqual([]);
  });
});

describe("a planned session", () => {
  const tempo = { date: "2026-03-11", start: "18:00", sport: "run", kind: "tempo", minutes: 50, distanceKm: 9 };

  it("is edited in its place: the row names it, and the rest of the week fills up", async () => {
    const id = await fresh();
    const before = (await week(id)).mileage.amount;
    expect((await app.call("PUT", `/athletes/${id}/endurance/${TUESDAY}`, tempo)).status).toBe(204);
    expect(await rows(id)).toEqual([{ ...tempo, insteadOf: "2026-03-09/tue" }]);
    const after = await week(id);
    expect(after.endurance.map((e) => e.id)).not.toContain(TUESDAY);
    expect(after.mileage.amount?.planned).toBeCloseTo(before?.planned ?? 0, 0);
    // Edited again it goes on naming it.
    const own = after.endurance.find((e) => e.insteadOf)?.id;
    await app.call("PUT", `/athletes/${id}/endurance/${own}`, { ...tempo, minutes: 40 });
    expect((await rows(id))[0]).toMatchObject({ minutes: 40, insteadOf: "2026-03-09/tue" });
  });

  it("is left out, and comes back with undo", async () => {
    const id = await fresh();
    const ids = async () => (await week(id)).endurance.map((e) => e.id);
    expect((await app.call("DELETE", `/athletes/${id}/endurance/${TUESDAY}`)).status).toBe(204);
    expect(await ids()).not.toContain(TUESDAY);
    expect((await rows(id))[0]).toMatchObject({ insteadOf: "2026-03-09/tue", cancelled: true });
    // The file keeps what was left out.
    const file = await app.call<{ endurance: EnduranceSession[] }>("GET", `/athletes/${id}/file`);
    expect(file.body.endurance[0]?.cancelled).toBe(true);
    expect((await app.call("POST", `/athletes/${id}/undo`)).status).toBe(200);
    expect(await ids()).toContain(TUESDAY);
  });

  it("is left out after it was edited, too", async () => {
    const id = await fresh();
    await app.call("PUT", `/athletes/${id}/endurance/${TUESDAY}`, tempo);
    const own = (await week(id)).endurance.find((e) => e.insteadOf)?.id;
    await app.call("DELETE", `/athletes/${id}/endurance/${own}`);
    expect((await week(id)).endurance.filter((e) => e.date >= "2026-03-09" && e.date <= "2026-03-15")).toHaveLength(5);
  });

  it("is moved by hand to another day and hour", async () => {
    const id = await fresh();
    const to = { date: "2026-03-11", start: "19:00" };
    expect((await app.call("PUT", `/athletes/${id}/endurance/${TUESDAY}/place`, to)).status).toBe(204);
    expect((await rows(id))[0]).toMatchObject({ ...to, kind: "intervals", insteadOf: "2026-03-09/tue" });
    expect((await rows(id))[0]).not.toHaveProperty("slot");
  });

  it("is done by an import, and planned again once that is taken back", async () => {
    const id = await fresh();
    const session = { date: "2026-03-03", sport: "run", kind: "intervals", minutes: 50, distanceKm: 9, done: true };
    const body = { name: "runs.csv", incoming: [{ session, kindGuessed: false }], races: [] };
    const taken = await app.call<ImportAnswer>("POST", `/athletes/${id}/import`, body);
    expect(taken.body.fates).toEqual([{ kind: "done", id: "plan:2026-03-02:tue" }]);
    expect((await rows(id))[0]).toMatchObject({
      done: true,
      insteadOf: "2026-03-02/tue",
      planned: { kind: "intervals" },
    });
    expect((await app.call("DELETE", `/athletes/${id}/import/${taken.body.batch}`)).status).toBe(204);
    expect(await rows(id)).toEqual([]);
    expect((await week(id, "2026-03-02")).endurance.map((e) => e.id)).toContain("plan:2026-03-02:tue");
  });

  it("that no plan makes is not found", async () => {
    const id = await fresh();
    expect((await app.call("PUT", `/athletes/${id}/endurance/plan:2026-03-09:xyz`, tempo)).status).toBe(404);
  });
});

describe("a race that moves", () => {
  it("takes its taper along, leaves the past as it was planned, and comes back with one undo", async () => {
    const id = await fresh();
    const before = await season(id);
    const race = { date: "2026-06-28", name: "Dyke Marathon", sport: "run", expectedMinutes: 200, priority: "A" };
    expect((await app.call("PUT", `/athletes/${id}/races/r1`, race)).status).toBe(204);
    const after = await season(id);
    const past = (s: SeasonView) => s.weeks.filter((w) => w.start < "2026-03-02").map((w) => [w.start, w.distanceKm]);
    expect(past(after)).toEqual(past(before));
    const tapers = (s: SeasonView) => s.weeks.filter((w) => w.amount?.kind === "race").map((w) => w.start)[0];
    expect([tapers(before), tapers(after)]).toEqual(["2026-05-25", "2026-06-08"]);
    await app.call("POST", `/athletes/${id}/undo`);
    expect((await season(id)).weeks.map((w) => w.amount)).toEqual(before.weeks.map((w) => w.amount));
  });
});

describe("what if", () => {
  it("takes a part of the season down in percent, amounts of the plan too, and any other plan", async () => {
    const id = await fresh();
    const mileage = { from: "2026-03-09", until: "2026-03-22", percent: 80 };
    const before = await season(id);
    expect((await app.call("PUT", `/athletes/${id}/scenario`, { mileage })).status).toBe(204);
    const after = await season(id);
    const changed = after.weeks.filter((w, i) => w.amount?.amount !== before.weeks[i]?.amount?.amount);
    expect(changed.map((w) => w.start)).toEqual(["2026-03-09", "2026-03-16"]);
    const endurancePlan = { ...PLAN, weeks: [{ week: "2026-03-16", amount: 20 }] };
    await app.call("PUT", `/athletes/${id}/scenario`, { endurancePlan });
    expect((await season(id)).weeks.find((w) => w.start === "2026-03-16")?.amount?.amount).toBe(20);
  });
});

describe("what is warned of", () => {
  it("is told in the season, the week and the squad, with the change that settles it", async () => {
    const steep = {
      ...PLAN,
      rule: undefined,
      weeks: [
        { week: "2026-03-02", amount: 40 },
        { week: "2026-03-09", amount: 60 },
      ],
    };
    const { rule: _, ...plan } = steep;
    const id = await fresh(plan);
    const rise = (await season(id)).endurance.warnings.find((w) => w.code === "rise");
    expect(rise?.fix?.plan.weeks[1]?.amount).toBe(42);
    expect((await week(id)).mileage.warnings.map((w) => w.code)).toEqual(["rise"]);
    const squad = await app.call<SquadView>("GET", "/squad");
    const row = squad.body.rows.find((r) => r.id === id);
    expect(row?.attention.map((a) => a.rule)).toContain("amount.warning");
  });
});

describe("the intake", () => {
  it("proposes the usual week of the last recorded weeks", async () => {
    const endurance = ["2026-02-09", "2026-02-16", "2026-02-23"].flatMap((monday): EnduranceSession[] =>
      [1, 3, 6].map((day) => ({
        date: `${monday.slice(0, 8)}${String(Number(monday.slice(8)) + day).padStart(2, "0")}`,
        sport: "run",
        kind: day === 6 ? "long" : "easy",
        minutes: 60,
        distanceKm: day === 6 ? 20 : 10,
        done: true,
      })),
    );
    const id = await app.store.athletes.add(
      athleteWith({ endurance: endurance.filter((e) => e.date <= "2026-02-28") }),
    );
    const { body } = await app.call<IntakeView>("GET", `/athletes/${id}/intake`);
    expect(body.usualFound?.sessions.map((s) => [s.day, s.share])).toEqual([
      [2, 0.25],
      [4, 0.25],
      [7, 0.5],
    ]);
    expect(body.endurancePlan).toBeNull();
    const planning = (await app.call<PlanningView>("GET", `/athletes/${id}/planning`)).body;
    expect(planning).not.toHaveProperty("record");
  });
});
