/** The next season and the archive over the interface. */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { ClubWeekView } from "../api/clubWeek";
import type { GroupView, ManyChoices } from "../api/many";
import type { Problem } from "../api/problem";
import type { ArchivedView, CalendarView, SeasonView, SquadView } from "../api/views";
import type { Athlete } from "../core/athlete";

let server: TestServer;
let id = "";
let other = "";
const read = (sport: string) => JSON.parse(readFileSync(`tests/support/${sport}.json`, "utf8")) as Athlete;
beforeAll(async () => {
  server = await testServer();
  id = await server.store.athletes.add(read("run"));
  other = await server.store.athletes.add(read("row"));
});
afterAll(() => server.close());
const record = async (): Promise<Athlete> => (await server.call<Athlete>("GET", `/athletes/${id}/file`)).body;

describe("the next season", () => {
  const body = { start: "2026-08-31", end: "2027-08-29", races: [] as string[] };

  it("begins where it is said, with the races that are run again, and is taken back as one change", async () => {
    const before = await record();
    const again = before.races.filter((r) => r.date >= "2025-09-01").map((r) => r.id);
    expect(again.length).toBeGreaterThan(1);
    const answer = await server.call("POST", `/athletes/${id}/next-season`, { ...body, races: again });
    expect(answer.status).toBe(204);
    const after = await record();
    expect(after.season).toEqual({ start: body.start, end: body.end });
    expect(after.races).toHaveLength(again.length);
    expect(after.pastRaces).toEqual(before.races);
    expect(after.places).toEqual(before.places);
    expect(after.strengthLog).toEqual(before.strengthLog);
    const season = await server.call<SeasonView>("GET", `/athletes/${id}/season`);
    expect(season.status).toBe(200);
    await server.call("POST", `/athletes/${id}/undo`);
    expect(await record()).toEqual(before);
  });

  it("refuses a race that would lie outside of it, with its path", async () => {
    const [race] = (await record()).races;
    const answer = await server.call<Problem>("POST", `/athletes/${id}/next-season`, {
      ...body,
      end: "2026-09-13",
      races: [race?.id],
    });
    expect(answer.status).toBe(422);
    expect(answer.body.faults[0]?.path).toMatch(/^races\[0\]/);
  });
});

describe("the archive", () => {
  const everywhere = async (): Promise<string[][]> => [
    (await server.call<SquadView>("GET", "/squad")).body.rows.map((r) => r.id),
    (await server.call<CalendarView>("GET", "/calendar")).body.athletes.map((a) => a.id),
    (await server.call<ClubWeekView>("GET", `/club/week/${TODAY}`)).body.rows.map((r) => r.id),
    (await server.call<ManyChoices>("GET", "/many/choices")).body.athletes.map((a) => a.id),
    (await server.call<GroupView[]>("GET", "/groups")).body[0]?.members ?? [],
  ];

  it("takes an athlete out of every view of the club, keeps everything, and gives them back", async () => {
    await server.call("POST", "/groups", { name: "Both", members: [id, other], hour: null });
    const before = await record();
    for (const ids of await everywhere()) expect([...ids].sort()).toEqual([id, other].sort());
    expect((await server.call("PUT", `/athletes/${id}/archived`, { archived: true })).status).toBe(204);
    for (const ids of await everywhere()) expect(ids).toEqual([other]);
    expect((await server.call<ArchivedView[]>("GET", "/archive")).body).toMatchObject([{ id, name: "Corin Ashby" }]);
    expect(await record()).toEqual(before);
    expect((await server.call("PUT", `/athletes/${id}/archived`, { archived: false })).status).toBe(204);
    for (const ids of await everywhere()) expect([...ids].sort()).toEqual([id, other].sort());
    expect((await server.call<ArchivedView[]>("GET", "/archive")).body).toEqual([]);
    expect((await server.call("PUT", "/athletes/nobody/archived", { archived: true })).status).toBe(404);
  });

  it("can be erased from there, too", async () => {
    await server.call("PUT", `/athletes/${other}/archived`, { archived: true });
    expect((await server.call("DELETE", `/athletes/${other}`)).status).toBe(200);
    expect((await server.call<ArchivedView[]>("GET", "/archive")).body).toEqual([]);
  });
});
