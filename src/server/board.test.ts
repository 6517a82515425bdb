import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, weeksOf } from "../../tests/support/athlete";
import { type TestServer, testServer } from "../../tests/support/server";
import type {
  EditsView,
  GymView,
  HistoryView,
  RoomView,
  RuleWeightsView,
  SessionView,
  ShorterView,
  WeekView,
} from "../api/views";
import type { Athlete } from "../core/athlete/types";
import { KEPT_EDITS } from "./store/journal";

const MONDAY = "2026-03-09";
let app: TestServer;
beforeAll(async () => {
  app = await testServer();
});
afterAll(() => app.close());

const add = (change: Partial<Athlete> = {}, name = "Board Tester") =>
  app.store.athletes.add(athleteWith({ endurance: weeksOf(new Array(20).fill(1)), ...change }, { name }));
const week = async (id: string) => (await app.call<WeekView>("GET", `/athletes/${id}/weeks/${MONDAY}`)).body;
const dayOf = async (id: string, label: string) => (await week(id)).sessions.find((s) => s.label === label)?.date;
const edits = async (id: string) => (await app.call<EditsView>("GET", `/athletes/${id}/edits`)).body;
const step = (id: string, way: "undo" | "redo") =>
  app.call<{ what: string; detail: string }>("POST", `/athletes/${id}/${way}`);
const change = (id: string, body: unknown) =>
  app.call<{ faults: { path: string }[] }>("POST", `/athletes/${id}/week-changes`, body);
const skip = (label: string) => ({ kind: "skip", week: MONDAY, label, reason: "tired" });

describe("undo and redo", () => {
  it("take back and do again whatever a coach changes, each to the very file it was", async () => {
    const id = await add();
    const file = async () => JSON.stringify((await app.store.athletes.get(id))!.athlete);
    const held = async () => JSON.stringify((await app.store.athletes.get(id))!.held);
    const row = (await app.store.athletes.get(id))!.enduranceIds[0]!;
    const race = { date: "2026-05-10", name: "Mill Ten", sport: "run", priority: "C" };
    const all: [string, string, unknown][] = [
      ["PUT", "locks", { date: "2026-03-12", start: "18:00", place: "gym", label: "A" }],
      ["DELETE", "locks/2026-03-12/A", undefined],
      [
        "PUT",
        `weeks/${MONDAY}/held`,
        { sessions: [{ date: "2026-03-12", start: "18:15", place: "gym", label: "A" }], what: "A moved" },
      ],
      ["POST", `weeks/${MONDAY}/fit`, {}],
      ["POST", "week-changes", { what: "B skipped", add: { changes: [skip("B")] } }],
      ["POST", "races", race],
      ["PUT", `endurance/${row}/place`, { date: "2026-03-11", start: "17:00" }],
      ["DELETE", `endurance/${row}`, undefined],
      ["PUT", "windows", { windows: [{ day: 3, start: "12:00", minutes: 60, place: "gym" }] }],
      ["PUT", "weights", { weights: { S5: 2 }, preferredDays: [2, 4], maxMinutesPerDay: 120 }],
      [
        "POST",
        "week-changes",
        { what: "Travel", add: { away: [{ start: MONDAY, end: MONDAY, kind: "travel" }] }, free: MONDAY },
      ],
    ];
    const states = [[await file(), await held()]];
    for (const [method, path, body] of all) {
      const answer = await app.call(method, `/athletes/${id}/${path}`, body);
      expect([path, answer.status < 300]).toEqual([path, true]);
      states.push([await file(), await held()]);
    }
    const names: string[] = [];
    for (let i = all.length; i > 0; i--) {
      names.push((await step(id, "undo")).body.what);
      expect([await file(), await held()]).toEqual(states[i - 1]);
    }
    expect(names).toContain("A moved");
    expect(names[0]).toBe("Travel");
    expect((await edits(id)).undo).toBeNull();
    for (let i = 1; i <= all.length; i++) {
      await step(id, "redo");
      expect([await file(), await held()]).toEqual(states[i]);
    }
    expect((await edits(id)).redo).toBeNull();
  });
  it("say when nothing is left, and forget what was undone once something else is done", async () => {
    const id = await add();
    expect((await step(id, "undo")).status).toBe(409);
    await change(id, { what: "B skipped", add: { changes: [skip("B")] } });
    await step(id, "undo");
    expect((await edits(id)).redo!.what).toBe("B skipped");
    await change(id, { what: "A skipped", add: { changes: [skip("A")] } });
    expect(await edits(id)).toMatchObject({ undo: { what: "A skipped" }, redo: null });
    // A change that changes nothing is none.
    await app.call("PUT", `/athletes/${id}/windows`, {
      windows: (await app.store.athletes.get(id))!.athlete.availability,
    });
    expect((await edits(id)).undo!.what).toBe("A skipped");
  });
  it("of one change of the history take back that one alone, also long after it, unless something later lies on it", async () => {
    const id = await add();
    const history = async () => (await app.call<HistoryView>("GET", `/athletes/${id}/history`)).body;
    const one = (way: "undo" | "redo", seq: number) =>
      app.call<{ what: string }>("POST", `/athletes/${id}/${way}`, { seq });
    const races = async () => (await app.store.athletes.get(id))!.athlete.races.map((r) => `${r.name} ${r.priority}`);
    const race = { date: "2026-05-10", name: "Mill Ten", sport: "run", priority: "C" };
    const added = await app.call<{ id: string }>("POST", `/athletes/${id}/races`, race);
    await app.call("PUT", `/athletes/${id}/races/${added.body.id}`, { ...race, priority: "B" });
    await change(id, { what: "B skipped", add: { changes: [skip("B")] } });
    expect((await history()).map((e) => e.what)).toEqual([
      "B skipped",
      "Race changed: Mill Ten",
      "Race added: Mill Ten",
    ]);
    // The race was changed after it was added: its adding alone cannot be taken back.
    expect((await one("undo", 1)).status).toBe(409);
    expect(await races()).toContain("Mill Ten B");
    expect((await one("undo", 2)).body.what).toBe("Race changed: Mill Ten");
    expect(await races()).toContain("Mill Ten C");
    expect((await history()).map((e) => e.undone)).toEqual([false, true, false]);
    expect((await app.store.athletes.get(id))!.athlete.changes).toHaveLength(1);
    expect((await one("undo", 2)).status).toBe(409);
    expect((await one("redo", 2)).status).toBe(200);
    expect(await races()).toContain("Mill Ten B");
    expect((await one("undo", 99)).status).toBe(409);
    expect((await app.call("GET", "/athletes/nobody/history")).status).toBe(404);
  });
  it("refuse where an import has made something else of it, and change nothing then", async () => {
    const id = await add();
    const row = (await app.store.athletes.get(id))!.enduranceIds[3]!;
    await app.call("PUT", `/athletes/${id}/endurance/${row}/place`, { date: "2026-03-11", start: "17:00" });
    const moved = (await app.store.athletes.get(id))!.athlete.endurance[3]!;
    await app.store.db.write((m) =>
      m.query("UPDATE endurance_session SET data = ? WHERE id = ?", [JSON.stringify({ ...moved, minutes: 99 }), row]),
    );
    const before = JSON.stringify((await app.store.athletes.get(id))!.athlete);
    const answer = await step(id, "undo");
    expect(answer.status).toBe(409);
    expect(answer.body.detail).toContain("become something else");
    expect(JSON.stringify((await app.store.athletes.get(id))!.athlete)).toBe(before);
    expect((await edits(id)).undo).not.toBeNull();
  });
  it("keep so many changes and no more, and leave what was lifted alone", async () => {
    const id = await add();
    for (let i = 0; i < KEPT_EDITS + 3; i++) await app.store.weeks.putNote(id, MONDAY, `note ${i}`);
    await app.store.logs.put(id, "2026-03-03", "A", { date: "2026-03-03", label: "A", items: [] });
    let undone = 0;
    while ((await step(id, "undo")).status === 200) undone++;
    expect(undone).toBe(KEPT_EDITS);
    // What was lifted is in the history too.
    expect((await app.store.athletes.get(id))!.athlete.strengthLog).toHaveLength(0);
  });
});

describe("a week changed by hand", () => {
  it("is fitted again around travel, and comes back when that is taken back", async () => {
    const id = await add();
    const at = (await dayOf(id, "A"))!;
    const away = [{ start: at, end: at, kind: "travel" }];
    expect((await change(id, { what: "Travel", add: { away }, free: MONDAY })).status).toBe(204);
    expect(await dayOf(id, "A")).not.toBe(at);
    expect((await week(id)).away).toEqual(away);
    await change(id, { what: "Travel off", drop: { away } });
    expect(await dayOf(id, "A")).toBe(at);
  });
  it("says what a shorter session loses before it is taken, and then loses just that", async () => {
    const id = await add();
    const a = (await week(id)).sessions.find((s) => s.label === "A")!;
    const at = `/athletes/${id}/sessions/${a.date}/A`;
    const read = async () => (await app.call<SessionView>("GET", at)).body.items;
    const names = (list: { name: string }[]) => list.map((i) => i.name);
    const before = await read();
    const stored = JSON.stringify((await app.store.athletes.get(id))!.athlete);
    const shorter = (await app.call<ShorterView>("GET", `${at}/shorter/30`)).body;
    expect(JSON.stringify((await app.store.athletes.get(id))!.athlete)).toBe(stored);
    expect(shorter.minutes).toBeLessThanOrEqual(30);
    expect(shorter.gone.length + shorter.less.length).toBeGreaterThan(0);
    expect(shorter.gone.length + shorter.less.length + shorter.kept).toBe(before.length);

    await change(id, {
      what: "A shortened to 30 min",
      add: { changes: [{ kind: "shorten", week: MONDAY, label: "A", minutes: 30 }] },
    });
    const now = (await week(id)).sessions.find((s) => s.label === "A")!;
    expect([now.minutes, now.date, now.start]).toEqual([shorter.minutes, shorter.date, shorter.start]);
    const after = (await app.call<SessionView>("GET", `/athletes/${id}/sessions/${now.date}/A`)).body.items;
    expect(names(after).sort()).toEqual(
      [...names(before).filter((n) => !names(shorter.gone).includes(n)), ...names(shorter.instead)].sort(),
    );
    for (const l of shorter.less) expect(after.find((i) => i.name === l.name)).toMatchObject(l.after!);
    // As long as it is: nothing goes.
    const whole = (await app.call<ShorterView>("GET", `${at}/shorter/30`)).body;
    expect(whole).toMatchObject({ gone: [], less: [], instead: [], kept: after.length });
    for (const minutes of ["19", "301", "x"])
      expect([minutes, (await app.call("GET", `${at}/shorter/${minutes}`)).status]).toEqual([minutes, 422]);
    expect((await app.call("GET", `/athletes/${id}/sessions/${a.date}/K/shorter/30`)).status).toBe(404);
  });
  it("copies the days of the week before", async () => {
    const id = await add();
    const before = "2026-03-02";
    await app.call("PUT", `/athletes/${id}/weeks/${before}/held`, {
      sessions: [
        { date: "2026-03-03", start: "18:00", place: "gym", label: "B" },
        { date: "2026-03-05", start: "18:15", place: "gym", label: "A" },
      ],
    });
    expect((await app.call("POST", `/athletes/${id}/weeks/${MONDAY}/copy`)).status).toBe(204);
    const w = await week(id);
    expect(w.sessions.map((s) => `${s.label} ${s.date} ${s.start}`).sort()).toEqual([
      "A 2026-03-12 1095",
      "B 2026-03-10 1080",
    ]);
  });
  it("refuses a change that names no place, no Monday, or no known rule, with the path", async () => {
    const id = await add();
    const bad = async (c: object) =>
      (await change(id, { what: "x", add: { changes: [c] } })).body.faults.map((f) => f.path);
    expect(await bad({ ...skip("B"), week: "2026-03-10" })).toEqual(["changes[0].week"]);
    expect(await bad({ kind: "window", date: MONDAY, start: "18:00", minutes: 60, place: "moon" })).toEqual([
      "changes[0].place",
    ]);
    expect(await bad({ kind: "closed", place: "gym", start: "2026-03-10", end: MONDAY })).toEqual(["changes[0].end"]);
    const weights = await app.call<{ faults: { path: string }[] }>("PUT", `/athletes/${id}/weights`, {
      weights: { S99: 1 },
    });
    expect(weights.body.faults[0]!.path).toBe("weights.S99");
    expect((await edits(id)).undo).toBeNull();
  });
  it("shows the nearest change that makes room, and the change makes it", async () => {
    const id = await add({ availability: [{ day: 2, start: "18:00", minutes: 75, place: "gym" }] });
    const label = (await week(id)).fit.unplaced[0]!.label;
    const room = (await app.call<RoomView[]>("GET", `/athletes/${id}/weeks/${MONDAY}/room/${label}`)).body;
    expect(room[0]!.fix.kind).toBe("change");
    const { fix, text } = room[0]!;
    if (fix.kind === "change")
      await change(id, { what: text.slice(0, 100), add: { changes: [fix.change] }, free: MONDAY });
    const after = await week(id);
    expect(after.fit.unplaced).toEqual([]);
    expect(after.sessions.find((s) => s.label === label)).toMatchObject({
      date: room[0]!.placed.date,
      start: room[0]!.placed.start,
    });
    expect(after.fit.cost).toBe(room[0]!.cost);
  });
  it("charges by the coach's weights, the athlete's before those of all", async () => {
    const id = await add({ availability: [{ day: 3, start: "12:00", minutes: 75, place: "gym" }] });
    const other = await add({ availability: [{ day: 3, start: "12:00", minutes: 75, place: "gym" }] }, "Other");
    const s5 = async (a: string) => (await week(a)).fit.costs.find((c) => c.rule === "S5")?.points ?? 0;
    const shipped = await s5(id);
    expect(shipped).toBeGreaterThan(0);
    await app.call("PUT", `/athletes/${id}/weights/club`, { weights: { S5: 2 } });
    expect([await s5(id), await s5(other)]).toEqual([2, 2]);
    await app.call("PUT", `/athletes/${id}/weights`, { weights: { S5: 5 } });
    expect([await s5(id), await s5(other)]).toEqual([5, 2]);
    const view = (await app.call<RuleWeightsView>("GET", `/athletes/${id}/weights`)).body;
    expect(view).toMatchObject({ club: { S5: 2 }, athlete: { S5: 5 } });
    await app.call("PUT", `/athletes/${id}/weights`, { weights: {} });
    await app.call("PUT", `/athletes/${id}/weights/club`, { weights: {} });
    expect([await s5(id), await s5(other)]).toEqual([shipped, shipped]);
  });
});

describe("the gym on one day", () => {
  it("separates two athletes with one rack, shows the cost, and takes it over as a change of each", async () => {
    const windows = [{ day: 2, start: "17:00", minutes: 150, place: "strength-hall" }];
    const place = { ...athleteWith().places[0]!, id: "strength-hall" };
    const ids = [];
    for (const name of ["First Lifter", "Second Lifter"])
      ids.push(await add({ places: [place], availability: windows }, name));
    const gym = async () => (await app.call<GymView>("GET", "/gym/2026-03-10?place=strength-hall")).body;
    expect((await app.call("PUT", "/gym/places/strength-hall", { racks: 1, athletes: 4 })).status).toBe(204);
    const before = await gym();
    expect(before.rows.map((r) => r.name)).toEqual(["First Lifter", "Second Lifter"]);
    expect(new Set(before.rows.map((r) => r.now.start)).size).toBe(1);
    expect(before.before.some((o) => o.racks === 2)).toBe(true);
    expect(before.after.every((o) => o.racks <= 1)).toBe(true);
    expect(before.fit.proven).toBe(true);
    expect(before.rows.map((r) => r.next!.rack)).toEqual([1, 1]);
    const taken = await app.call<{ changed: string[] }>("POST", "/gym/2026-03-10/take", { place: "strength-hall" });
    expect(taken.body.changed.length).toBeGreaterThan(0);
    const after = await gym();
    expect(after.before.every((o) => o.racks <= 1)).toBe(true);
    expect(after.rows.map((r) => r.now.start)).toEqual(before.rows.map((r) => r.next!.start));
    await step(taken.body.changed[0]!, "undo");
    expect((await gym()).before.some((o) => o.racks === 2)).toBe(true);
  });
  it("refuses nonsense with the path", async () => {
    expect((await app.call("PUT", "/gym/places/strength-hall", { racks: -1, athletes: 4 })).status).toBe(422);
    expect((await app.call("GET", "/gym/2026-02-30")).status).toBe(422);
  });
});
