/** The way back of a trouble area over the interface: shown, confirmed step by step, refused where it comes too early. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type { AthleteHealthView, SquadView } from "../api/views";
import type { Athlete, StrengthLog } from "../core/athlete";
import { addDays } from "../core/dates";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const call: TestServer["call"] = (...args) => server.call(...args);

const held = (daysAgo: number, pain: number): StrengthLog => ({
  date: addDays(TODAY, -daysAgo),
  label: "A",
  items: [
    {
      exercise: "long-calf-hold",
      prescribed: { sets: 1, seconds: 45 },
      sets: [{ seconds: 45, side: "both" }],
      pain,
      nextDayPain: 0,
    },
  ],
});
const sore = (sinceDays: number, pains: number[], more: Partial<Athlete> = {}) =>
  server.store.athletes.add(
    athleteWith({
      health: {
        clearanceNeeded: false,
        areas: [{ area: "achilles", side: "left", status: "current", since: addDays(TODAY, -sinceDays) }],
      },
      strengthLog: pains.map((p, i) => held(pains.length - i, p)),
      ...more,
    }),
  );
const healthOf = async (id: string) => (await call<AthleteHealthView>("GET", `/athletes/${id}/health`)).body;
const step = (id: string, body: object) =>
  call<Problem>("POST", `/athletes/${id}/pathways`, { area: "achilles", side: "left", by: "Coach", ...body });

describe("the way back", () => {
  it("shows the stage, what is open and what still lacks", async () => {
    const [area] = (await healthOf(await sore(3, [0]))).areas;
    expect(area?.way).toMatchObject({ stage: "settle", begun: false, days: 3, least: 7, next: "move", ready: false });
    expect(area?.way?.work).toEqual(["Long calf hold, both legs, 5 x 45 s"]);
    expect(area?.way?.missing).toEqual([
      "4 days of settle to go (at least 7)",
      "1 of 3 sessions in a row with pain 2 or less at the full dose",
    ]);
    expect(area?.pain).toEqual([{ date: addDays(TODAY, -1), pain: 0, nextDay: 0 }]);
  });

  it("is confirmed when its sign is there, undone like any change, and goes back without asking", async () => {
    const id = await sore(7, [0, 0, 0]);
    expect((await healthOf(id)).areas[0]?.way?.ready).toBe(true);
    expect((await step(id, { stage: "move", clinician: "Ada Finch" })).status).toBe(204);
    const after = (await healthOf(id)).areas[0];
    expect(after?.way).toMatchObject({ stage: "move", begun: true, since: TODAY, days: 0 });
    expect(after?.steps).toEqual([{ stage: "move", date: TODAY, by: "Coach", clinician: "Ada Finch" }]);
    expect((await step(id, { stage: "settle" })).status).toBe(204);
    expect((await healthOf(id)).areas[0]?.way?.stage).toBe("settle");
    await call("POST", `/athletes/${id}/undo`);
    expect((await healthOf(id)).areas[0]?.way?.stage).toBe("move");
  });

  it("refuses a step before its days, without its sign unless the coach says so, and one that skips a stage", async () => {
    const early = await sore(6, [0, 0, 0]);
    const refused = await step(early, { stage: "move" });
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringContaining("7 days at least")]);
    expect((await step(early, { stage: "move", anyway: true })).status).toBe(409);
    const unsigned = await sore(7, [0, 0]);
    expect((await step(unsigned, { stage: "move" })).body.detail).toContain("2 of 3 sessions");
    const skipped = await step(unsigned, { stage: "load", anyway: true });
    expect([skipped.status, skipped.body.faults[0]?.path]).toEqual([422, "stage"]);
    expect((await healthOf(unsigned)).areas[0]?.way?.begun).toBe(false);
    expect((await step(unsigned, { stage: "move", anyway: true })).status).toBe(204);
  });

  it("takes no step for bone stress without a clinician's name, and none for trouble that is not there", async () => {
    const since = addDays(TODAY, -30);
    const id = await sore(30, [], {
      health: {
        clearanceNeeded: false,
        clearance: { date: since, by: "Dr Quill", limits: "walking" },
        areas: [{ area: "bone-stress", side: "left", status: "current", since }],
      },
    });
    const bare = await step(id, { area: "bone-stress", stage: "move", anyway: true });
    expect([bare.status, bare.body.faults[0]?.path]).toEqual([422, "clinician"]);
    expect((await step(id, { area: "bone-stress", stage: "move", clinician: "Dr Quill", anyway: true })).status).toBe(
      204,
    );
    expect((await step(id, { area: "shin", stage: "move" })).status).toBe(422);
  });

  it("tells the coach in the squad when a step can be confirmed, and when pain has taken one back", async () => {
    const of = async (id: string) =>
      (await call<SquadView>("GET", "/squad")).body.rows.find((r) => r.id === id)?.attention.map((a) => a.text) ?? [];
    const ready = await sore(7, [0, 0, 0]);
    expect((await of(ready)).join()).toContain("move can be confirmed");
    const since = addDays(TODAY, -30);
    const rising = await sore(30, [1, 2, 3], {
      health: {
        clearanceNeeded: false,
        areas: [{ area: "achilles", side: "left", status: "current", since }],
        pathways: [
          { area: "achilles", side: "left", since, steps: [{ stage: "move", date: addDays(TODAY, -20), by: "Coach" }] },
        ],
      },
    });
    expect((await of(rising)).join()).toContain("back from move to settle");
    expect((await healthOf(rising)).areas[0]?.way).toMatchObject({ stage: "settle", lowered: expect.any(String) });
  });
});
