/** Groups, and one change for many athletes over the interface: tried for each, made in one write, taken back in one. */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type {
  GroupFloorView,
  GroupSessionView,
  GroupView,
  ManyAnswer,
  ManyChange,
  ManyEntry,
  ManyPreview,
} from "../api/many";
import type { Problem } from "../api/problem";
import type { WeekView } from "../api/views";
import type { Athlete } from "../core/athlete";
import { starterWeek } from "../core/mileage";

let server: TestServer;
/** Runner and triathlete train at the club gym and at home, rider at the club gym, rower at the boathouse, hiker at home. */
const ids: Record<"run" | "triathlon" | "ride" | "row" | "hike", string> = {
  run: "",
  triathlon: "",
  ride: "",
  row: "",
  hike: "",
};
beforeAll(async () => {
  server = await testServer();
  for (const sport of Object.keys(ids) as (keyof typeof ids)[])
    ids[sport] = await server.store.athletes.add(
      JSON.parse(readFileSync(`tests/support/${sport}.json`, "utf8")) as Athlete satisfies Athlete,
    );
});
afterAll(() => server.close());

const tried = async (id: string, change: ManyChange) =>
  (await server.call<ManyPreview>("POST", `/athletes/${id}/many`, { change })).body;
const revision = async (id: string) => (await server.store.athletes.revision(id)) ?? 0;
const seen = async (...of: string[]) => Promise.all(of.map(async (id) => ({ id, revision: await revision(id) })));
const make = (change: ManyChange, athletes: { id: string; revision: number }[]) =>
  server.call<ManyAnswer>("POST", "/many", { change, athletes });
const athlete = async (id: string): Promise<Athlete> => {
  const found = await server.store.athletes.get(id);
  if (!found) throw new Error("gone");
  return found.record;
};

const CLOSED: ManyChange = { kind: "closed", place: "club-gym", start: "2026-03-09", end: "2026-03-22", instead: null };
const RACE = {
  name: "Harbour Ten",
  date: "2026-05-03",
  sport: "run",
  priority: "B",
  distanceKm: 16,
  expectedMinutes: 80,
} as const;

describe("a group", () => {
  it("has a name, members and an hour; it is changed from the state that was seen, and goes without its members", async () => {
    const hour = { day: 2, start: "18:00", minutes: 90, place: "club-gym", racks: 2, eyes: 4 };
    const body = { name: "Tuesday", members: [ids.run, ids.ride], hour };
    const made = await server.call<{ id: string }>("POST", "/groups", body);
    expect(made.status).toBe(201);
    const list = async () => (await server.call<GroupView[]>("GET", "/groups")).body;
    expect(await list()).toEqual([{ id: made.body.id, ...body }]);
    expect(
      (await server.call("PUT", `/groups/${made.body.id}`, { ...body, members: [ids.ride, ids.row], hour: null }))
        .status,
    ).toBe(204);
    expect((await list())[0]).toMatchObject({ members: [ids.ride, ids.row], hour: null });
    expect((await server.call("DELETE", `/groups/${made.body.id}`)).status).toBe(204);
    expect(await list()).toEqual([]);
    expect((await server.call("DELETE", `/groups/${made.body.id}`)).status).toBe(404);
    expect(await revision(ids.ride)).toBe(1);
  });

  it("names what is wrong of it", async () => {
    const faults = async (body: unknown) => (await server.call<Problem>("POST", "/groups", body)).body.faults;
    expect(await faults({ name: "Ghosts", members: ["nobody"], hour: null })).toEqual([
      { path: "members[0]", expected: "an athlete of the club expected" },
    ]);
    expect((await faults({ name: "Twins", members: [ids.run, ids.run], hour: null })).map((f) => f.path)).toEqual([
      "members",
    ]);
    expect((await faults({ name: "", members: [], hour: null }))[0]?.path).toBe("name");
  });

  it("loses a member who is erased", async () => {
    const own = await testServer();
    const id = await own.store.athletes.add(await athlete(ids.run));
    const { body } = await own.call<{ id: string }>("POST", "/groups", { name: "Two", members: [id], hour: null });
    await own.call("DELETE", `/athletes/${id}`);
    expect((await own.store.groups.get(body.id))?.members).toEqual([]);
    await own.close();
  });
});

describe("a change tried for one of many", () => {
  it("closes the gym: what moves and what finds no room is said, and nothing is stored", async () => {
    const rider = await tried(ids.ride, CLOSED);
    expect(rider).toMatchObject({ name: "Anselm Roke", revision: 1, fault: null, same: false });
    // Two sessions a week at the club gym alone, two weeks.
    expect(rider.noRoom).toHaveLength(1);
    expect(rider.noRoom[0]).toMatch(/^A and B of the week of Mon 9 Mar, A and B of the week of Mon 16 Mar: .*closed/);
    const runner = await tried(ids.run, CLOSED);
    expect(runner.lines.some((l) => /^[AB] moves from .*club gym to .*home/.test(l))).toBe(true);
    expect(await revision(ids.ride)).toBe(1);
    expect((await athlete(ids.ride)).changes).toBeUndefined();
  });

  it("says why it can not be made: no such place, a race outside the season, no plan to shape, already so", async () => {
    expect((await tried(ids.hike, CLOSED)).fault).toBe("has no place named club gym");
    const late = await tried(ids.run, { kind: "race", race: { ...RACE, date: "2026-08-31" } });
    expect(late.fault).toBe("the race lies outside the season, which goes from Mon 1 Sep to Sun 30 Aug");
    // The last day of the season is inside.
    expect((await tried(ids.run, { kind: "race", race: { ...RACE, date: "2026-08-30" } })).fault).toBeNull();
    expect((await tried(ids.run, { kind: "usual-week", from: ids.ride })).fault).toBe(
      "the athlete it is taken from has no usual week",
    );
    expect((await tried(ids.run, { ...CLOSED, instead: "club-gym" } as ManyChange)).fault).toBe(
      "another place than the one that is closed is expected",
    );
    const approach = (await athlete(ids.run)).settings?.approach ?? "layered";
    expect((await tried(ids.run, { kind: "approach", approach })).fault).toBe("follows it already");
  });

  it("says how the phases change for a race, from the first that differs", async () => {
    const { lines } = await tried(ids.ride, { kind: "race", race: { ...RACE, priority: "A" } });
    expect(lines[0]).toMatch(/^Weeks from .*: .*; before: /);
  });

  it("refuses a body with its last day before its first", async () => {
    const answer = await server.call<Problem>("POST", `/athletes/${ids.run}/many`, {
      change: { ...CLOSED, end: "2026-03-08" },
    });
    expect(answer.status).toBe(422);
    expect(answer.body.faults).toEqual([
      { path: "change.end", expected: 'a date on or after the first day expected, found "2026-03-08"' },
    ]);
  });
});

describe("a change made for many", () => {
  it("leaves out and names whoever was changed since the preview, whoever it is not for and whoever is gone; one undo brings all back", async () => {
    const before = await Promise.all([ids.run, ids.triathlon, ids.ride, ids.row].map(athlete));
    const athletes = await seen(ids.run, ids.triathlon, ids.ride, ids.row);
    await server.call("PUT", `/athletes/${ids.triathlon}/notes/2026-03-02`, { text: "Meanwhile." });
    const { status, body } = await make(CLOSED, [...athletes, { id: "nobody", revision: 1 }]);
    expect(status).toBe(201);
    expect(body.what).toBe("Club gym closed Mon 9 Mar to Sun 22 Mar");
    expect(body.changed.map((c) => c.id)).toEqual([ids.run, ids.ride]);
    expect(body.left.map((l) => [l.id, l.why])).toEqual([
      [ids.triathlon, "was changed since the preview"],
      [ids.row, "has no place named club gym"],
      ["nobody", "is not in the club any more"],
    ]);
    expect((await athlete(ids.ride)).changes).toEqual([
      { kind: "closed", place: "club-gym", start: "2026-03-09", end: "2026-03-22" },
    ]);
    // It stands in each one's own history by the same name.
    expect((await server.store.athletes.history(ids.ride))?.[0]?.what).toBe(body.what);
    const entries = (await server.call<ManyEntry[]>("GET", "/many")).body;
    expect(entries[0]).toMatchObject({ batch: body.batch, what: body.what, athletes: 2, undone: false });

    const undone = await server.call<ManyAnswer>("POST", `/many/${body.batch}/undo`);
    expect(undone.body.changed.map((c) => c.id).sort()).toEqual([ids.run, ids.ride].sort());
    expect(undone.body.left).toEqual([]);
    expect(await Promise.all([ids.run, ids.triathlon, ids.ride, ids.row].map(athlete))).toEqual(before);
    expect((await server.call("POST", `/many/${body.batch}/undo`)).status).toBe(404);
    expect((await server.call<ManyEntry[]>("GET", "/many")).body[0]?.undone).toBe(true);
  });

  it("keeps what somebody else changed since, whole, and takes the others back", async () => {
    const { body } = await make({ kind: "race", race: { ...RACE } }, await seen(ids.run, ids.ride));
    const [race] = (await athlete(ids.run)).races.filter((r) => r.name === RACE.name);
    await server.call("PUT", `/athletes/${ids.run}/races/${race?.id}`, { ...RACE, priority: "C" });
    const undone = (await server.call<ManyAnswer>("POST", `/many/${body.batch}/undo`)).body;
    expect(undone.changed.map((c) => c.id)).toEqual([ids.ride]);
    expect(undone.left).toEqual([
      { id: ids.run, name: "Corin Ashby", why: "was changed there since, or has been taken back already" },
    ]);
    expect((await athlete(ids.run)).races.find((r) => r.name === RACE.name)?.priority).toBe("C");
    expect((await athlete(ids.ride)).races.some((r) => r.name === RACE.name)).toBe(false);
  });

  it("is made once when it is sent twice under one key, and refuses each athlete named twice", async () => {
    const change: ManyChange = { kind: "window", window: { day: 6, start: "09:00", minutes: 60, place: "club-gym" } };
    const body = JSON.stringify({ change, athletes: await seen(ids.run, ids.ride) });
    const send = () =>
      server.raw("POST", "/many", { "Content-Type": "application/json", "Idempotency-Key": "many-0000-0001" }, body);
    const [first, second] = [await send(), await send()];
    expect([first.status, second.status]).toEqual([201, 201]);
    expect(second.text).toBe(first.text);
    const windows = (await athlete(ids.ride)).availability.filter((w) => w.day === 6);
    expect(windows).toEqual([{ day: 6, start: "09:00", minutes: 60, place: "club-gym" }]);
    const [one] = await seen(ids.run);
    const twice = await server.call<Problem>("POST", "/many", { change, athletes: [one, one] });
    expect(twice.status).toBe(422);
    expect(twice.body.faults.map((f) => f.path)).toEqual(["athletes"]);
  });

  it("leaves the planned endurance of the days away out where asked, and gives it back with the undo", async () => {
    const id = await server.store.athletes.add({
      ...(await athlete(ids.run)),
      endurance: [],
      endurancePlan: {
        unit: "km",
        usualWeeks: [{ phase: null, sessions: starterWeek("run", 6) }],
        weeks: [{ week: "2026-03-09", amount: 50 }],
      },
    });
    const days = { kind: "travel", start: "2026-03-09", end: "2026-03-11" } as const;
    const planned = async () =>
      ((await server.store.athletes.get(id))?.athlete.endurance ?? []).filter(
        (e) => e.date >= days.start && e.date <= days.end && !e.cancelled,
      ).length;
    const before = await planned();
    expect(before).toBeGreaterThan(1);
    const change: ManyChange = { kind: "away", away: days, leaveOut: true };
    expect((await tried(id, change)).lines[0]).toBe(`${before} planned endurance sessions are left out`);
    const { body } = await make(change, await seen(id));
    expect(await planned()).toBe(0);
    await server.call("POST", `/many/${body.batch}/undo`);
    expect(await planned()).toBe(before);
    // The usual week of this athlete for one who runs, too; a rower keeps their own.
    const { weeks: _, ...usual } = (await athlete(id)).endurancePlan ?? { unit: "km", usualWeeks: [], weeks: [] };
    expect((await tried(ids.run, { kind: "usual-week", from: id })).fault).toBe(
      "has no endurance plan whose weeks it could shape",
    );
    const other = await server.store.athletes.add({
      ...(await athlete(ids.run)),
      endurancePlan: { unit: "km", usualWeeks: [{ phase: null, sessions: starterWeek("run", 4) }], weeks: [] },
    });
    await make({ kind: "usual-week", from: id }, await seen(other));
    expect((await athlete(other)).endurancePlan?.usualWeeks).toEqual(usual.usualWeeks);
  });

  it("makes a session from a template for a week ahead, and the plan takes it", async () => {
    const items = [{ exercise: "split-squat", group: 1, sets: 3, repsLow: 8, reps: 8, rir: 3 }];
    const { body: kept } = await server.call<{ id: string }>("POST", "/templates", { name: "Simple", items });
    expect(kept.id).toBeTruthy();
    const change: ManyChange = { kind: "template", template: kept.id, week: "2026-03-11", label: "A" };
    const { lines, fault } = await tried(ids.ride, change);
    expect(fault).toBeNull();
    expect(lines.some((l) => /^A .*differ/.test(l))).toBe(true);
    await make(change, await seen(ids.ride));
    expect((await athlete(ids.ride)).edits?.at(-1)).toMatchObject({ week: "2026-03-09", label: "A" });
    expect(TODAY < "2026-03-09").toBe(true);
  });
});

describe("the hour of a group", () => {
  const DATE = "2026-03-10";
  const hour = { day: 2, start: "18:00", minutes: 120, place: "club-gym", racks: 1, eyes: 3 };
  let group = "";
  let members: string[] = [];
  beforeAll(async () => {
    const base = await Promise.all([ids.run, ids.triathlon, ids.ride].map(athlete));
    members = await Promise.all(
      base.map((a) => server.store.athletes.add({ ...a, changes: [], locked: [], edits: [] })),
    );
    const made = await server.call<{ id: string }>("POST", "/groups", { name: "Tuesday", members, hour });
    group = made.body.id;
  });
  const view = async (date = DATE) =>
    (await server.call<GroupSessionView>("GET", `/groups/${group}/sessions/${date}`)).body;

  it("puts a session of each member's own week in it, no more racks and eyes at once than there are, and names who has no room", async () => {
    const { members: rows, stations } = await view();
    expect(rows).toHaveLength(3);
    const there = rows.filter((m) => m.start !== null);
    expect(there.length).toBeGreaterThan(1);
    for (const m of rows) expect(m.start === null).toBe(m.why !== null);
    for (const m of there) {
      expect(m.start).toBeGreaterThanOrEqual(18 * 60);
      expect((m.start ?? 0) + (m.minutes ?? 0)).toBeLessThanOrEqual(20 * 60);
    }
    for (let minute = 18 * 60; minute < 20 * 60; minute++) {
      const lifting = there.filter((m) => (m.start ?? 0) <= minute && minute < (m.start ?? 0) + (m.minutes ?? 0));
      const racked = lifting.filter(
        (m) => m.rack && (m.start ?? 0) + m.rack.from <= minute && minute < (m.start ?? 0) + m.rack.to,
      );
      expect(lifting.length).toBeLessThanOrEqual(hour.eyes);
      expect(racked.length).toBeLessThanOrEqual(hour.racks);
    }
    // What most share comes first, and everybody there has work at some station.
    const shares = stations.map((s) => s.work.length);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    expect(new Set(stations.flatMap((s) => s.work.map((w) => w.member)))).toEqual(new Set(there.map((m) => m.id)));
  });

  it("is taken over for all in one change; the plans then hold it, locked, and one undo gives the weeks back", async () => {
    const before = await Promise.all(members.map(athlete));
    const there = (await view()).members.filter((m) => m.start !== null);
    const answer = await server.call<ManyAnswer>("POST", `/groups/${group}/sessions/${DATE}/take`, {
      athletes: there.map(({ id, revision }) => ({ id, revision })),
    });
    expect([answer.status, answer.body.changed.map((c) => c.id)]).toEqual([201, there.map((m) => m.id)]);
    const after = (await view()).members;
    for (const m of there) {
      const now = after.find((x) => x.id === m.id);
      expect([now?.label, now?.start, now?.stands]).toEqual([m.label, m.start, true]);
      const week = await server.call<WeekView>("GET", `/athletes/${m.id}/weeks/2026-03-09`);
      const stands = week.body.sessions.find((s) => s.label === m.label);
      expect([stands?.date, stands?.start, stands?.place]).toEqual([DATE, m.start, "club-gym"]);
    }
    await server.call("POST", `/many/${answer.body.batch}/undo`);
    expect(await Promise.all(members.map(athlete))).toEqual(before);
  });

  it("leaves a member out who was changed since, and is not there for a group without an hour", async () => {
    const [first, second] = (await view()).members.filter((m) => m.start !== null);
    const answer = await server.call<ManyAnswer>("POST", `/groups/${group}/sessions/${DATE}/take`, {
      athletes: [
        { id: first?.id, revision: (first?.revision ?? 0) + 1 },
        { id: second?.id, revision: second?.revision },
      ],
    });
    expect(answer.body.left.map((l) => l.why)).toEqual(["was changed since the preview"]);
    await server.call("POST", `/many/${answer.body.batch}/undo`);
    const { body } = await server.call<{ id: string }>("POST", "/groups", { name: "Loose", members, hour: null });
    expect((await server.call("GET", `/groups/${body.id}/sessions/${DATE}`)).status).toBe(404);
  });

  it("tells who lifts today, who has logged, and who is absent", async () => {
    const floor = async () =>
      (await server.call<GroupFloorView>("GET", `/groups/${group}/floor/${TODAY}`)).body.members;
    const today = await floor();
    expect(today.map((m) => m.id)).toEqual(members);
    const lifter = today.find((m) => m.label !== null);
    expect(lifter).toBeDefined();
    await server.call("POST", `/athletes/${lifter?.id}/week-changes`, {
      what: "Absent",
      add: { changes: [{ kind: "missed", date: TODAY, label: lifter?.label }] },
    });
    expect((await floor()).find((m) => m.id === lifter?.id)).toMatchObject({ absent: true, label: lifter?.label });
    const log = {
      date: TODAY,
      label: lifter?.label,
      items: [{ exercise: "bridge", sets: [{ reps: 5, side: "both" }] }],
    };
    await server.call("PUT", `/athletes/${lifter?.id}/logs/${TODAY}/${lifter?.label}`, log);
    expect((await floor()).find((m) => m.id === lifter?.id)?.absent).toBe(false);
  });
});
