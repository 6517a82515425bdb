import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, testServer } from "../../tests/support/server";
import type { ImportAnswer, PlanningView, SeasonView } from "../api/views";
import type { EnduranceSession } from "../core/athlete/types";

const run = (more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date: "2026-02-20",
  start: "06:30",
  sport: "run",
  kind: "easy",
  minutes: 50,
  distanceKm: 9,
  done: true,
  ...more,
});
const body = (sessions: EnduranceSession[], races: unknown[] = []) => ({
  name: "runs.csv",
  incoming: sessions.map((session) => ({ session, kindGuessed: false })),
  races,
});

let app: TestServer;
beforeAll(async () => {
  app = await testServer();
});
afterAll(() => app.close());

const fresh = (endurance: EnduranceSession[] = []) =>
  app.store.athletes.add(
    athleteWith({
      endurance,
      races: [
        { id: "r1", date: "2026-06-14", name: "Dyke Marathon", sport: "run", expectedMinutes: 200, priority: "A" },
      ],
    }),
  );
const endurance = async (id: string) => (await app.store.athletes.get(id))!.athlete.endurance;

describe("an import", () => {
  it("is previewed without a trace, taken over once, and adds nothing the second time", async () => {
    const id = await fresh([run({ done: false, minutes: 55, start: "18:00" })]);
    const rows = body(
      [run(), run({ date: "2026-02-21", source: "csv:7" })],
      [
        { date: "2026-06-21", name: "dyke marathon", sport: "run", priority: "C" },
        { date: "2026-05-03", name: "Mill Ten", sport: "run", priority: "C" },
      ],
    );
    const preview = await app.call<ImportAnswer>("POST", `/athletes/${id}/import/preview`, rows);
    expect(preview.body.fates.map((f) => f.kind)).toEqual(["done", "new"]);
    expect(preview.body.raceFates.map((f) => f.kind)).toEqual(["moved", "new"]);
    expect(preview.body.batch).toBeNull();
    expect(await endurance(id)).toHaveLength(1);
    const revision = await app.store.athletes.revision(id);

    const taken = await app.call<ImportAnswer>("POST", `/athletes/${id}/import`, rows);
    expect(taken.status).toBe(201);
    expect(taken.body.counts).toEqual({ added: 2, changed: 1, done: 1, known: 0 });
    expect(await endurance(id)).toHaveLength(2);
    const races = (await app.store.athletes.get(id))!.athlete.races;
    // The date moves; priority, duration and id stay the coach's.
    expect(races[0]).toMatchObject({ id: "r1", date: "2026-06-21", priority: "A", expectedMinutes: 200 });
    expect(races[1]).toMatchObject({ name: "Mill Ten" });

    const again = await app.call<ImportAnswer>("POST", `/athletes/${id}/import`, rows);
    expect(again.body).toMatchObject({ counts: { added: 0, changed: 0, done: 0, known: 4 }, batch: null });
    expect(await app.store.athletes.revision(id)).toBe(revision! + 1);
  });

  it("is undone as a whole", async () => {
    const plan = run({ done: false, minutes: 55 });
    const id = await fresh([plan]);
    const before = (await app.store.athletes.get(id))!.athlete;
    const taken = await app.call<ImportAnswer>(
      "POST",
      `/athletes/${id}/import`,
      body(
        [run(), run({ date: "2026-02-25" })],
        [{ date: "2026-06-21", name: "Dyke Marathon", sport: "run", priority: "C" }],
      ),
    );
    expect((await app.call("DELETE", `/athletes/${id}/import/${taken.body.batch}`)).status).toBe(204);
    expect((await app.store.athletes.get(id))!.athlete).toEqual(before);
    expect((await app.call("DELETE", `/athletes/${id}/import/${taken.body.batch}`)).status).toBe(404);
  });

  it("with a row that no record may hold is refused with its path, and nothing is stored", async () => {
    const id = await fresh();
    const answer = await app.call<{ faults: { path: string }[] }>(
      "POST",
      `/athletes/${id}/import`,
      body([run(), run({ minutes: -4 })]),
    );
    expect(answer.status).toBe(422);
    expect(answer.body.faults[0]!.path).toBe("incoming[1].session.minutes");
    expect(await endurance(id)).toEqual([]);
    const late = body([run()], [{ date: "2030-05-03", name: "Mill Ten", sport: "run", priority: "C" }]);
    const refused = await app.call<{ faults: { path: string }[] }>("POST", `/athletes/${id}/import`, late);
    expect(refused.body.faults[0]!.path).toBe("races[0].date");
    expect(await endurance(id)).toEqual([]);
    expect((await app.call("POST", `/athletes/${id}/import`, body([]))).status).toBe(422);
    expect((await app.call("POST", `/athletes/nobody/import`, body([run()]))).status).toBe(404);
  });
});

describe("a tried season", () => {
  it("is taken over whole: races, phases, windows and planned miles", async () => {
    const id = await fresh([run(), run({ date: "2026-03-10", done: false, distanceKm: 10, minutes: 60 })]);
    const { body: planning } = await app.call<PlanningView>("GET", `/athletes/${id}/planning`);
    expect(planning.athlete.races).toHaveLength(1);
    const answer = await app.call("PUT", `/athletes/${id}/scenario`, {
      races: [{ ...planning.athlete.races[0], date: "2026-06-28" }],
      phases: [{ phase: "build", start: "2026-04-06", end: "2026-05-10" }],
      mileage: { from: "2026-03-03", percent: 110 },
    });
    expect(answer.status).toBe(204);
    const after = (await app.store.athletes.get(id))!.athlete;
    expect(after.races[0]!.date).toBe("2026-06-28");
    expect(after.endurance[0]).toEqual(run());
    expect(after.endurance[1]!.distanceKm).toBeCloseTo(11, 9);
    const season = (await app.call<SeasonView>("GET", `/athletes/${id}/season`)).body;
    expect(season.phases.find((p) => p.fixed)).toMatchObject({
      phase: "build",
      start: "2026-04-06",
      end: "2026-05-10",
    });
    expect(
      (await app.call("PUT", `/athletes/${id}/scenario`, { mileage: { from: "2026-03-03", percent: 500 } })).status,
    ).toBe(422);
  });
});

describe("a note on a week", () => {
  it("is kept by its Monday and taken away when empty", async () => {
    const id = await fresh();
    await app.call("PUT", `/athletes/${id}/notes/2026-03-05`, { text: " Camp by the sea " });
    const note = async () =>
      (await app.call<SeasonView>("GET", `/athletes/${id}/season`)).body.weeks.find((w) => w.start === "2026-03-02")!
        .note;
    expect(await note()).toBe("Camp by the sea");
    await app.call("PUT", `/athletes/${id}/notes/2026-03-02`, { text: "" });
    expect(await note()).toBe("");
  });
});
