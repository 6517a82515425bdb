import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { DataSource } from "typeorm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, home, lifted, logOf } from "../../tests/support/athlete";
import { readingStore } from "../../tests/support/clubs";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type {
  ChoicesView,
  FitView,
  IntakeView,
  LibraryView,
  PlacesView,
  ScreeningView,
  ScreenPreview,
  SeasonView,
  SessionView,
  SheetsView,
} from "../api/views";
import { placeFrom } from "../core/athlete/presets";
import { FirstTables1774000000000 } from "./store/migrations";
import { Store } from "./store/store";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const call: TestServer["call"] = (...args) => server.call(...args);
const add = (change = {}) =>
  server.store.athletes.add(athleteWith({ places: [placeFrom("bare-home", "home")], availability: [], ...change }));
const windows = [
  { day: 2, start: "17:30", minutes: 90, place: "home" },
  { day: 5, start: "17:30", minutes: 90, place: "home" },
];
/** The first planned session of the athlete. */
async function nextSession(id: string): Promise<SessionView> {
  const season = (await call<SeasonView>("GET", `/athletes/${id}/season`)).body;
  const a = season.weeks.flatMap((w) => w.sessions).find((x) => !x.done)!;
  return (await call<SessionView>("GET", `/athletes/${id}/sessions/${a.date}/${a.label}`)).body;
}

describe("the intake", () => {
  it("is saved step by step; what a step leaves out stays", async () => {
    const id = await add();
    expect((await call("PUT", `/athletes/${id}/intake`, { availability: windows })).status).toBe(204);
    const { body } = await call<IntakeView>("GET", `/athletes/${id}/intake`);
    const facts = { ...body.facts, bodyMassKg: 70, massUnit: "lb" as const };
    expect((await call("PUT", `/athletes/${id}/intake`, { facts, settings: { placement: "spread" } })).status).toBe(
      204,
    );
    const after = (await call<IntakeView>("GET", `/athletes/${id}/intake`)).body;
    expect(after).toMatchObject({ facts, settings: { placement: "spread" }, availability: windows });
    expect(after.placesInUse).toEqual(["home"]);
  });
  it("says where a step is not as expected, and stores nothing of it", async () => {
    const id = await add();
    const bad = await call<Problem>("PUT", `/athletes/${id}/intake`, {
      availability: [{ ...windows[0], place: "gym" }],
    });
    expect(bad.status).toBe(422);
    expect(bad.body.faults[0]).toMatchObject({ path: "availability[0].place" });
    const wrong = await call<Problem>("PUT", `/athletes/${id}/intake`, { facts: { name: "" } });
    expect(wrong.body.faults.map((f) => f.path)).toContain("facts.name");
    const turned = await call<Problem>("PUT", `/athletes/${id}/intake`, {
      settings: { weightLoss: { start: "2026-03-09", end: "2026-03-02" } },
    });
    expect(turned.body.faults).toEqual([
      { path: "settings.weightLoss.end", expected: 'a date on or after its start expected, found "2026-03-02"' },
    ]);
    expect((await call<IntakeView>("GET", `/athletes/${id}/intake`)).body.availability).toEqual([]);
  });
  it("offers the places of the others to copy from", async () => {
    const id = await add();
    const other = await add({ places: [placeFrom("club-gym", "barn")] });
    const { places } = (await call<PlacesView>("GET", `/athletes/${id}/places`)).body;
    expect(places.find((p) => p.athlete === other)?.place).toEqual(placeFrom("club-gym", "barn"));
    expect(places.some((p) => p.athlete === id)).toBe(false);
  });
});

describe("the screen", () => {
  const body = {
    date: TODAY,
    results: [{ test: "single-leg-squat", left: 6, right: 10 }],
    seen: [{ what: "hip-drop", side: "left" }],
  };
  it("says what it changes before it is accepted, and changes the sessions after", async () => {
    const id = await add({ availability: windows });
    const preview = (await call<ScreenPreview>("POST", `/athletes/${id}/screening/preview`, body)).body;
    expect(preview.findings.map((f) => f.id)).toEqual(["hip-drop", "single-leg-squat", "single-leg-squat-side"]);
    expect(preview.closes).toContain("Rear-foot-elevated split squat");
    expect(preview.findings[0]).toMatchObject({ trust: "trade" });
    const before = await nextSession(id);
    expect(before.items.some((i) => i.added)).toBe(false);

    expect((await call("PUT", `/athletes/${id}/screening`, body)).status).toBe(204);
    const view = (await call<ScreeningView>("GET", `/athletes/${id}/screening`)).body;
    expect(view.findings).toEqual(preview.findings);
    expect(view.tests.find((t) => t.test === "single-leg-squat")!.history).toEqual([
      { date: TODAY, left: 6, right: 10, value: null },
    ]);
    expect((await nextSession(id)).items.some((i) => i.added?.startsWith("Hip drops"))).toBe(true);
  });
  it("replaces what was seen, keeps the later of two results of a day, and can be taken away", async () => {
    const id = await add();
    await call("PUT", `/athletes/${id}/screening`, body);
    await call("PUT", `/athletes/${id}/screening`, { ...body, results: [{ ...body.results[0], left: 9 }], seen: null });
    let view = (await call<ScreeningView>("GET", `/athletes/${id}/screening`)).body;
    expect(view.tests.find((t) => t.test === "single-leg-squat")!.history).toHaveLength(1);
    expect(view.seen).toHaveLength(1);
    const over = (await call<ScreenPreview>("POST", `/athletes/${id}/screening/preview`, { ...body, seen: [] })).body;
    expect(over.over.map((f) => f.id)).toEqual(["hip-drop"]);
    expect((await call("DELETE", `/athletes/${id}/screening/${TODAY}`)).status).toBe(204);
    expect((await call("DELETE", `/athletes/${id}/screening/${TODAY}`)).status).toBe(404);
    view = (await call<ScreeningView>("GET", `/athletes/${id}/screening`)).body;
    expect(view.tests.every((t) => t.history.length === 0)).toBe(true);
  });
  it("takes no result from a day to come, and no test without a value", async () => {
    const id = await add();
    const later = await call<Problem>("PUT", `/athletes/${id}/screening`, { ...body, date: "2026-03-04" });
    expect(later.body.faults[0]!.path).toBe("date");
    const empty = await call<Problem>("PUT", `/athletes/${id}/screening`, {
      ...body,
      results: [{ test: "side-hold" }],
    });
    expect(empty.status).toBe(422);
  });
});

describe("the library", () => {
  const own = {
    name: "Sandbag hold",
    pattern: "trunk",
    loading: "bodyweight",
    unilateral: false,
    unit: "seconds",
    needs: [[]],
    primary: ["rectus abdominis"],
    secondary: [],
    setup: [],
    cues: ["Tall and quiet."],
    mistakes: [],
    felt: "Trunk",
    level: 1,
    notWith: [],
    gates: [],
  };
  it("holds a hundred exercises or more, takes the coach's own in, and keeps both over a restart", async () => {
    const before = (await call<LibraryView>("GET", "/exercises")).body;
    expect(before.exercises.length).toBeGreaterThanOrEqual(100);
    const { id } = (await call<{ id: string }>("POST", "/exercises", own)).body;
    expect(id).toBe("own-sandbag-hold");
    expect((await call<{ id: string }>("POST", "/exercises", own)).body.id).toBe("own-sandbag-hold-2");
    expect((await call("PUT", `/exercises/${id}`, { ...own, name: "Sandbag stand" })).status).toBe(204);
    await call("DELETE", "/exercises/own-sandbag-hold-2");
    await call("PUT", "/exercises/clam/hidden", { hidden: true });
    const again = await readingStore(server.store, server.file);
    expect(again.exercises.library.name(id)).toBe("Sandbag stand");
    expect([...again.exercises.library.hidden]).toEqual(["clam"]);
    await again.close();
    await call("PUT", "/exercises/clam/hidden", { hidden: false });
    await call("DELETE", `/exercises/${id}`);
    expect(server.store.exercises.library.all.length).toBe(before.exercises.length);
  });
  it("says what of an own exercise is not as expected, and which id is unknown", async () => {
    const bad = await call<Problem>("POST", "/exercises", { ...own, primary: ["wings"] });
    expect(bad.status).toBe(422);
    expect(bad.body.faults[0]!.path).toBe("primary[0]");
    expect((await call("PUT", "/exercises/squat-of-nobody/hidden", { hidden: true })).status).toBe(404);
    expect((await call("DELETE", "/exercises/back-squat")).status).toBe(404);
  });
  it("never plans what is hidden, and says when a pattern runs empty", async () => {
    const id = await add({ availability: windows });
    const squat = (await nextSession(id)).items.find((i) => i.pattern === "squat")!.exercise;
    const answer = await call<{ gaps: string[] }>("PUT", `/exercises/${squat}/hidden`, { hidden: true });
    expect(answer.body.gaps).toEqual([]);
    expect((await nextSession(id)).items.some((i) => i.exercise === squat)).toBe(false);
    const squats = (await call<LibraryView>("GET", "/exercises")).body.exercises.filter((e) => e.pattern === "squat");
    let gaps: string[] = [];
    for (const e of squats)
      ({ gaps } = (await call<{ gaps: string[] }>("PUT", `/exercises/${e.id}/hidden`, { hidden: true })).body);
    expect(gaps.join()).toContain("library.squat: no exercise for");
    for (const e of squats) await call("PUT", `/exercises/${e.id}/hidden`, { hidden: false });
  });
  it("tells what an athlete may do now, and on which steps they stand", async () => {
    const id = await add({ availability: windows, rungs: [{ ladder: "lunge", exercise: "reverse-lunge" }] });
    const fit = (await call<FitView>("GET", `/athletes/${id}/exercises`)).body;
    expect(fit.closed["back-squat"]).toMatchObject({ kind: "equipment" });
    expect(fit.closed["reverse-lunge-high-knee"]).toMatchObject({ kind: "ladder" });
    expect(fit.closed["reverse-lunge"]).toBeUndefined();
    expect(fit.progressions.find((s) => s.ladder === "lunge")).toMatchObject({ step: "reverse-lunge", set: true });
    expect(fit.essentials).toHaveLength(5);
    expect((await call("GET", `/athletes/${id}/exercises?place=moon`)).status).toBe(404);
  });
});

describe("a database of the first version", () => {
  it("is brought up to date with everything in it", async () => {
    const folder = mkdtempSync(join(tmpdir(), "field-anchor-"));
    const file = join(folder, "old.sqlite");
    const old = new DataSource({
      type: "better-sqlite3",
      database: file,
      migrations: [FirstTables1774000000000],
      migrationsRun: true,
    });
    await old.initialize();
    const record = JSON.stringify({ ...athleteWith(), races: [], endurance: [], strengthLog: [] });
    await old.query("INSERT INTO athlete (id, position, revision, name, record) VALUES (?, 0, 1, ?, ?)", [
      "kept",
      "Test Runner",
      record,
    ]);
    await old.destroy();
    const store = await Store.open(file);
    expect((await store.athletes.get("kept"))?.athlete.athlete.name).toBe("Test Runner");
    expect(await store.weeks.swap("kept", TODAY, "A", "bridge", "clam")).toBe(true);
    expect((await store.athletes.get("kept"))?.swaps).toEqual([
      { date: TODAY, label: "A", from: "bridge", to: "clam" },
    ]);
    // A swap goes with its athlete.
    await store.athletes.erase("kept");
    expect(await store.weeks.swap("kept", TODAY, "A", "bridge", "clam")).toBe(false);
    await store.close();
    rmSync(folder, { recursive: true, force: true });
  });
});

describe("choice in a session", () => {
  it("ranks what is open, says why the rest is not, and takes the coach's swap and its undoing", async () => {
    const id = await add({ availability: windows });
    const s = await nextSession(id);
    const at = `/athletes/${id}/sessions/${s.date}/${s.label}`;
    const first = s.items.find((i) => i.pattern === "squat")!.exercise;
    const choices = (await call<ChoicesView>("GET", `${at}/choices/${first}`)).body;
    expect(choices.open.find((c) => c.taken)!.exercise).toBe(first);
    expect(choices.closed.find((c) => c.exercise === "back-squat")).toMatchObject({ kind: "equipment" });
    const other = choices.open.find((c) => !c.taken)!.exercise;
    const swap = (to: string | null) => call("PUT", `/athletes/${id}/swaps/${s.date}/${s.label}`, { from: first, to });
    expect((await swap(other)).status).toBe(204);
    const swapped = await nextSession(id);
    expect(swapped.items.map((i) => i.exercise)).toContain(other);
    const after = (await call<ChoicesView>("GET", `${at}/choices/${other}`)).body;
    expect(after.swappedFrom).toBe(first);
    await swap(null);
    expect((await nextSession(id)).items.map((i) => i.exercise)).toContain(first);
    expect((await swap("nothing-known")).status).toBe(422);
    expect((await call("GET", `${at}/choices/nothing-known`)).status).toBe(404);
  });
});

describe("sheets", () => {
  it("need no equipment, follow the findings and keep trouble out", async () => {
    const id = await add({
      places: [home],
      health: { clearanceNeeded: false, areas: [{ area: "knee-front", side: "left", status: "current" }] },
      seen: [{ what: "hip-drop", date: "2026-02-01" }],
      strengthLog: [logOf("2026-02-01", [lifted("back-squat", 60, [5], 2)])],
    });
    const { sheets } = (await call<SheetsView>("GET", `/athletes/${id}/sheets`)).body;
    expect(sheets.map((s) => s.id)).toEqual(["activation", "before-lifting", "after"]);
    const activation = sheets[0]!;
    expect(activation.lines).toHaveLength(5);
    expect(activation.minutes).toBeLessThanOrEqual(8);
    expect(activation.lines.map((l) => l.exercise)).toContain("toe-tap");
    for (const s of sheets) expect(s.lines.map((l) => l.exercise)).not.toContain("reverse-lunge");
  });
});
