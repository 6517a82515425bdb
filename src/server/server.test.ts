import { readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, logOf, START } from "../../tests/support/athlete";
import { ON_SERVER } from "../../tests/support/clubs";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type { AthleteView, ImportedView, SeasonView, SessionView, SquadView, WeekView } from "../api/views";
import type { StrengthLog } from "../core/athlete/types";
import { addDays } from "../core/dates";
import { prescribedOf } from "../core/session";
import { configFromEnvironment, todayOf } from "./config";
import { run } from "./run";
import { WeekPlanEntity } from "./store/entities";
import { Store } from "./store/store";

const FILE = readFileSync(join(import.meta.dirname, "../../tests/support/run.json"), "utf8");

let server: TestServer;
let store: Store;
let folder = "";
let file = "";
let base = "";
const call: TestServer["call"] = (...args) => server.call(...args);

beforeAll(async () => {
  server = await testServer();
  ({ store, file, base } = server);
  folder = dirname(file);
});

afterAll(() => server.close());

const importOne = async (text = FILE): Promise<string> =>
  (await call<{ id: string }>("POST", "/athletes", text)).body.id;

describe("weeks kept as they were planned", () => {
  it("are read by today's names, whatever they were called when they were kept", async () => {
    const id = await importOne();
    const keep = (monday: string, data: object) =>
      store.db.write((m) =>
        m.insert(WeekPlanEntity, { athleteId: id, monday, data: JSON.stringify({ monday, ...data }) }),
      );
    await keep("2025-03-03", { depthLimit: 310 });
    await keep("2025-03-10", { loadLimit: 320 });
    const kept = await store.archive.weeks(id);
    expect([...kept.values()].slice(-2)).toEqual([
      { monday: "2025-03-03", loadLimit: 310 },
      { monday: "2025-03-10", loadLimit: 320 },
    ]);
  });
});

describe("an athlete file", () => {
  it("with lifts that the library does not know is taken, and the answer names each once", async () => {
    const lift = (exercise: string) => ({ exercise, sets: [{ reps: 8, side: "both" as const }] });
    const logs = [
      logOf("2026-02-24", [lift("back-squat")]),
      logOf("2026-02-26", [lift("log-press"), lift("log-press")]),
    ];
    const file = (strengthLog: StrengthLog[]) => JSON.stringify(athleteWith({ strengthLog }));
    const known = await call<ImportedView>("POST", "/athletes", file(logs.slice(0, 1)));
    expect(known.body.warnings).toEqual([]);
    const { status, body } = await call<ImportedView>("POST", "/athletes", file(logs));
    expect([status, body.warnings.length]).toEqual([201, 1]);
    expect(body.warnings[0]).toContain('26 Feb names "log-press"');
  });
});

describe("the store", () => {
  it.skipIf(ON_SERVER)("keeps a real file in WAL mode with foreign keys on", async () => {
    expect(store.sqlite.writer.pragma("journal_mode", { simple: true })).toBe("wal");
    expect(store.sqlite.writer.pragma("foreign_keys", { simple: true })).toBe(1);
  });

  it("opens again on what it wrote, migrations run once", async () => {
    const path = join(folder, "twice.sqlite");
    const first = await Store.open(path);
    const id = await first.athletes.add(athleteWith({ locked: [] }));
    await first.close();
    const second = await Store.open(path);
    expect((await second.athletes.get(id))?.athlete).toEqual(athleteWith({ locked: [] }));
    await second.close();
  });

  it("stores nothing of a change that is refused", async () => {
    const id = await store.athletes.add(athleteWith());
    const before = await store.athletes.get(id);
    await expect(
      store.athletes.change(
        id,
        (a) => ({ ...a, races: [], locked: [{ date: START, start: "10:00", place: "gym", label: "A" }] }),
        () => {
          throw new Error("no");
        },
      ),
    ).rejects.toThrow("no");
    expect(await store.athletes.get(id)).toEqual(before);
    await store.athletes.erase(id);
  });

  it("stands many writes at once", async () => {
    const id = await store.athletes.add(athleteWith());
    await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        store.athletes.putEndurance(id, { date: addDays(START, i), sport: "run", kind: "easy", minutes: 30 + i }, null),
      ),
    );
    const after = await store.athletes.get(id);
    expect(after?.athlete.endurance.map((e) => e.minutes).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 20 }, (_, i) => 30 + i),
    );
    expect(after?.revision).toBe(21);
    await store.athletes.erase(id);
    expect(await store.athletes.get(id)).toBeNull();
  });
});

describe("athlete files over HTTP", () => {
  it("gives back the same file", async () => {
    const id = await importOne();
    const response = await fetch(`${base}/athletes/${id}/file`);
    expect(await response.text()).toBe(FILE);
    expect(response.headers.get("content-disposition")).toContain("corin-ashby.json");
  });

  it.each([
    ["truncated JSON", FILE.slice(0, 5000), "(file)"],
    ["nonsense", "?".repeat(400_000), "(file)"],
    ["an unknown field", FILE.replace('"version": 1', '"version": 1,\n  "coach": "x"'), "coach"],
    ["a wrong type", FILE.replace('"birthYear": 1991', '"birthYear": "1991"'), "athlete.birthYear"],
    [
      "a season that ends before it starts",
      FILE.replace(/"end": "2026-\d\d-\d\d"\n {2}\}/, '"end": "2020-01-01"\n  }'),
      "season.end",
    ],
  ])("refuses %s, names the path, stores nothing", async (_name, text, path) => {
    const count = (await call<SquadView>("GET", "/squad")).body.rows.length;
    const { status, type, body } = await call<Problem>("POST", "/athletes", text);
    expect(status).toBe(422);
    expect(type).toContain("application/problem+json");
    expect(body.faults.map((f) => f.path)).toContain(path);
    expect(body.detail).toContain("not stored");
    expect((await call<SquadView>("GET", "/squad")).body.rows).toHaveLength(count);
  });
});

describe("views", () => {
  it("answers health, club and squad", async () => {
    expect((await call("GET", "/health")).body).toMatchObject({ status: "ok", today: TODAY });
    expect((await call("GET", "/club")).body).toEqual({ name: "Test club", today: TODAY });
    const id = await importOne();
    const row = (await call<SquadView>("GET", "/squad")).body.rows.find((r) => r.id === id)!;
    expect(row).toMatchObject({ name: "Corin Ashby", sport: "run", monday: "2026-03-02" });
    expect(row.weeks).toHaveLength(12);
    expect(row.today).toMatchObject({ label: "A", done: false });
  });

  it("keeps an eye on the whole way back from big races, by their size and priority, with what opens next", async () => {
    const rowAfter = async (days: number, expectedMinutes: number, priority = "A") => {
      const race = {
        id: "r",
        date: addDays(TODAY, -days),
        name: "Ridge Day",
        sport: "run",
        priority,
        expectedMinutes,
      };
      const id = await store.athletes.add(athleteWith({ races: [race as never] }));
      const { rows } = (await call<SquadView>("GET", "/squad")).body;
      await store.athletes.erase(id);
      return (
        rows
          .find((r) => r.id === id)
          ?.attention.map((a) => a.text)
          .join(" ") ?? ""
      );
    };
    // Days by class from the handbook; half of each stage for a B race.
    for (const [minutes, priority, last] of [
      [200, "A", 18],
      [600, "A", 28],
      [700, "A", 35],
      [1500, "A", 45],
      [420, "B", 15],
    ] as const) {
      expect(await rowAfter(last, minutes, priority)).toContain(`Day ${last} of ${last} after Ridge Day: light loads;`);
      expect(await rowAfter(last + 1, minutes, priority)).not.toContain("after Ridge Day");
    }
    expect(await rowAfter(6, 420, "B")).toMatch(/Day 6 of 15 after Ridge Day: bodyweight; light loads from \w+ \d+/);
    expect(await rowAfter(2, 420, "C")).not.toContain("of 15");
  });

  it("gives the season week by week, with logs behind and plans ahead", async () => {
    const id = await importOne();
    const { body } = await call<SeasonView>("GET", `/athletes/${id}/season`);
    const past = body.weeks.filter((w) => w.start < "2026-03-02" && w.start > "2025-12-28");
    expect(past.flatMap((w) => w.sessions).every((a) => a.done)).toBe(true);
    expect(past.some((w) => w.sessions.length > 0)).toBe(true);
    const ahead = body.weeks.filter((w) => w.start > TODAY);
    expect(ahead.flatMap((w) => w.sessions).some((a) => a.done)).toBe(false);
    expect(body.weeks.every((w) => w.why.length >= 0 && w.loadLimit >= 0)).toBe(true);
    expect(body.races.map((r) => r.date)).toEqual([...body.races.map((r) => r.date)].sort());
  });

  it("answers what does not exist with problem details", async () => {
    for (const path of [
      "/athletes/none",
      "/athletes/none/season",
      "/nowhere",
      `/athletes/${await importOne()}/weeks/1999-01-04`,
    ]) {
      const { status, type } = await call("GET", path);
      expect(status, path).toBe(404);
      expect(type).toContain("problem+json");
    }
    expect((await call<Problem>("GET", `/athletes/${await importOne()}/weeks/soon`)).body.faults[0]?.path).toBe("date");
  });
});

describe("the coach's decisions", () => {
  it("locks a session, fits again without moving it, unlocks it", async () => {
    const id = await importOne();
    const path = `/athletes/${id}/weeks/2026-03-09`;
    const fitted = (await call<WeekView>("POST", `${path}/fit`)).body;
    expect(fitted.held).not.toBeNull();
    const b = fitted.sessions.find((s) => s.label === "B")!;
    const lock = { date: "2026-03-13", start: "06:30", place: "home", label: "B" };
    expect(b.date).not.toBe(lock.date);
    expect((await call("PUT", `/athletes/${id}/locks`, lock)).status).toBe(204);
    const again = (await call<WeekView>("POST", `${path}/fit`)).body;
    expect(again.sessions.find((s) => s.label === "B")).toMatchObject({ date: lock.date, start: 390, locked: true });
    expect((await call("DELETE", `/athletes/${id}/locks/${lock.date}/B`)).status).toBe(204);
    expect((await call<WeekView>("POST", `${path}/fit`)).body.sessions.find((s) => s.label === "B")).toMatchObject({
      date: b.date,
      locked: false,
    });
  });

  it("fits a week as the season sees it: the last session of the week before counts", async () => {
    // Sunday evening and Monday morning lie within 24 h: only one of them may hold loaded work.
    const availability = [
      { day: 7, start: "19:00", minutes: 75, place: "gym" },
      { day: 1, start: "07:00", minutes: 75, place: "gym" },
    ];
    const id = await store.athletes.add(athleteWith({ availability }));
    for (const monday of ["2026-03-09", "2026-03-16", "2026-03-23"]) {
      const path = `/athletes/${id}/weeks/${monday}`;
      const before = (await call<WeekView>("GET", path)).body;
      const places = (w: WeekView) => w.sessions.map((s) => `${s.label} ${s.date} ${s.start}`);
      const fitted = (await call<WeekView>("POST", `${path}/fit`)).body;
      expect(places(fitted)).toEqual(places(before));
      expect(fitted.fit.unplaced).toEqual(before.fit.unplaced);
      expect(fitted.stale).toBe(false);
    }
    await store.athletes.erase(id);
  });

  it("holds a taken alternative, says when a cheaper one exists, gives the week back", async () => {
    const id = await importOne();
    const path = `/athletes/${id}/weeks/2026-03-09`;
    const before = (await call<WeekView>("GET", path)).body;
    const dearer = before.fit.alternatives.find((a) => a.cost > before.fit.cost)!;
    const sessions = dearer.sessions.map((s) => ({
      ...s,
      start: `${String(Math.floor(s.start / 60)).padStart(2, "0")}:${String(s.start % 60).padStart(2, "0")}`,
    }));
    expect((await call("PUT", `${path}/held`, { sessions })).status).toBe(204);
    const held = (await call<WeekView>("GET", path)).body;
    expect(held.sessions.map((s) => s.date).sort()).toEqual(dearer.sessions.map((s) => s.date).sort());
    expect(held).toMatchObject({ stale: true, fit: { cost: dearer.cost } });
    await call("PUT", `${path}/held`, { sessions: null });
    expect((await call<WeekView>("GET", path)).body.sessions).toEqual(before.sessions);
  });

  it("adds, changes and removes races, and refuses what does not fit", async () => {
    const id = await importOne();
    const race = { date: "2026-06-20", name: "Dyke Run", sport: "run", priority: "C", expectedMinutes: 40 };
    const made = await call<{ id: string }>("POST", `/athletes/${id}/races`, race);
    expect(made.status).toBe(201);
    const outside = await call<Problem>("PUT", `/athletes/${id}/races/${made.body.id}`, {
      ...race,
      date: "2030-01-01",
    });
    expect(outside.status).toBe(422);
    expect(outside.body.faults[0]?.path).toMatch(/^races\[\d+\]\.date$/);
    expect(
      (await call<Problem>("POST", `/athletes/${id}/races`, { ...race, expectedMinutes: -5 })).body.faults[0],
    ).toMatchObject({ path: "expectedMinutes" });
    expect((await call("PUT", `/athletes/${id}/races/${made.body.id}`, { ...race, priority: "B" })).status).toBe(204);
    const view = (await call<AthleteView>("GET", `/athletes/${id}`)).body;
    expect(view.races.find((r) => r.id === made.body.id)).toMatchObject({ priority: "B" });
    expect((await call("DELETE", `/athletes/${id}/races/${made.body.id}`)).status).toBe(204);
    expect((await call("DELETE", `/athletes/${id}/races/${made.body.id}`)).status).toBe(404);
  });

  it("adds, changes and removes endurance sessions; the week follows", async () => {
    const id = await importOne();
    const session = { date: "2026-03-11", sport: "run", kind: "intervals", minutes: 55 };
    const made = await call<{ id: string }>("POST", `/athletes/${id}/endurance`, session);
    const week = async () =>
      (await call<WeekView>("GET", `/athletes/${id}/weeks/2026-03-09`)).body.endurance.find(
        (e) => e.id === made.body.id,
      );
    expect(await week()).toMatchObject({
      isKey: true,
      load: 440,
      assumed: expect.arrayContaining([expect.stringContaining("RPE 8")]),
    });
    await call("PUT", `/athletes/${id}/endurance/${made.body.id}`, { ...session, key: false, rpe: 4 });
    expect(await week()).toMatchObject({ isKey: false, load: 220 });
    await call("DELETE", `/athletes/${id}/endurance/${made.body.id}`);
    expect(await week()).toBeUndefined();
  });

  it("refuses windows that overlap", async () => {
    const id = await importOne();
    const { windows } = (await call<AthleteView>("GET", `/athletes/${id}`)).body;
    const { status, body } = await call<Problem>("PUT", `/athletes/${id}/windows`, {
      windows: [...windows, { ...windows[0]!, minutes: 20 }],
    });
    expect(status).toBe(422);
    expect(body.faults[0]?.expected).toContain("no overlap");
    expect((await call<AthleteView>("GET", `/athletes/${id}`)).body.windows).toEqual(windows);
  });

  it("refuses a body that is not JSON", async () => {
    const id = await importOne();
    const { status, body } = await call<Problem>("PUT", `/athletes/${id}/locks`, "{oops");
    expect(status).toBe(400);
    expect(body.faults[0]).toEqual({ path: "(body)", expected: "JSON expected" });
  });
});

describe("logging", () => {
  it("answers the next session: one set short of its reps, the load stays and says why", async () => {
    const id = await importOne();
    const today = (await call<SessionView>("GET", `/athletes/${id}/sessions/${TODAY}/A`)).body;
    const main = today.items.find((i) => i.loadKg !== null && i.percent1rm !== null)!;
    const next = async () =>
      (await call<SessionView>("GET", `/athletes/${id}/sessions/2026-03-10/A`)).body.items.find(
        (i) => i.exercise === main.exercise,
      )!;
    const log = logOf(TODAY, [
      {
        exercise: main.exercise,
        prescribed: { ...prescribedOf(main), sets: main.sets },
        sets: Array.from({ length: main.sets }, (_, i) => ({
          reps: i === main.sets - 1 ? main.repsLow! - 2 : main.reps!,
          loadKg: main.loadKg!,
          rir: main.rir,
          side: "both" as const,
        })),
      },
    ]);
    expect((await call("PUT", `/athletes/${id}/logs/${TODAY}/A`, log)).status).toBe(204);
    expect(await next()).toMatchObject({ loadKg: main.loadKg });
    expect((await next()).why.map((w) => w.text).join()).toContain("One set stopped at");
    // Saving it again replaces it, and the day still shows what was asked of it.
    await call("PUT", `/athletes/${id}/logs/${TODAY}/A`, { ...log, rpe: 8 });
    const again = (await call<SessionView>("GET", `/athletes/${id}/sessions/${TODAY}/A`)).body;
    expect(again.log).toMatchObject({ rpe: 8 });
    expect(again.items.map((i) => [i.exercise, i.loadKg])).toEqual(today.items.map((i) => [i.exercise, i.loadKg]));
    expect(
      (await call<WeekView>("GET", `/athletes/${id}/weeks/2026-03-02`)).body.sessions.filter(
        (s) => s.label === "A" && s.date === TODAY,
      ),
    ).toEqual([expect.objectContaining({ done: true })]);
    await call("DELETE", `/athletes/${id}/logs/${TODAY}/A`);
    expect((await call<SessionView>("GET", `/athletes/${id}/sessions/${TODAY}/A`)).body.log).toBeNull();
  });

  it("tells the coach of pain that rises over three sessions", async () => {
    const id = await importOne();
    for (const [date, pain] of [
      ["2026-02-28", 1],
      ["2026-03-01", 2],
      [TODAY, 4],
    ] as const)
      await call(
        "PUT",
        `/athletes/${id}/logs/${date}/D`,
        logOf(date, [{ exercise: "band-walk", sets: [{ seconds: 20, side: "both" }], pain }], "D"),
      );
    const row = (await call<SquadView>("GET", "/squad")).body.rows.find((r) => r.id === id)!;
    expect(row.attention.map((a) => a.text)).toEqual(
      expect.arrayContaining([
        "Pain rises in the band walk: 1, 2, 4 of 10 in three sessions.",
        expect.stringContaining("Pain 4 of 10"),
      ]),
    );
  });

  it("tells of sides that differ by the sets both have: a set more for the weaker side is no strength", async () => {
    const id = await importOne();
    const side = (s: "left" | "right", reps: number) => ({ reps, loadKg: 8, rir: 2, side: s });
    const log = (left: number[], date: string) =>
      logOf(date, [
        {
          exercise: "single-leg-deadlift",
          sets: [...left.map((r) => side("left", r)), side("right", 10), side("right", 10)],
        },
      ]);
    const said = async () =>
      (await call<SquadView>("GET", "/squad")).body.rows.find((r) => r.id === id)!.attention.map((a) => a.text);
    await call("PUT", `/athletes/${id}/logs/2026-02-28/A`, log([8, 8, 8], "2026-02-28"));
    expect(await said()).toContainEqual("Left side 20% weaker in the single-leg deadlift (16 against 20).");
    await call("PUT", `/athletes/${id}/logs/2026-02-28/A`, log([10, 10, 10], "2026-02-28"));
    expect((await said()).join()).not.toContain("weaker in the single-leg deadlift");
  });

  it("shows a session of the past as it was prescribed and lifted, whatever changes later", async () => {
    const id = await importOne();
    const { logged } = (await call<AthleteView>("GET", `/athletes/${id}`)).body;
    const past = logged.at(-1)!;
    const path = `/athletes/${id}/sessions/${past.date}/${past.label}`;
    const before = (await call<SessionView>("GET", path)).body;
    expect(before.log).not.toBeNull();
    expect(before.items.map((i) => i.exercise)).toEqual(before.log!.items.map((i) => i.exercise));
    expect(before.items[0]!.sets).toBe(before.log!.items[0]!.prescribed!.sets);
    await call("POST", `/athletes/${id}/races`, {
      date: addDays(past.date, 1),
      name: "Late entry",
      sport: "run",
      priority: "A",
      expectedMinutes: 300,
    });
    const after = (await call<SessionView>("GET", path)).body;
    expect(after.items).toEqual(before.items);
  });

  it("takes no log of a day to come, nor one whose day differs from its address", async () => {
    const id = await importOne();
    expect(
      (await call<Problem>("PUT", `/athletes/${id}/logs/2026-03-10/A`, logOf("2026-03-10", []))).body.faults[0]
        ?.expected,
    ).toContain("up to today");
    expect((await call("PUT", `/athletes/${id}/logs/${TODAY}/A`, logOf("2026-03-02", []))).status).toBe(422);
  });
});

describe("running", () => {
  it("opens a folder of its own, answers, and closes cleanly", async () => {
    process.env.LOG_LEVEL = "silent";
    const open = configFromEnvironment({ FIELD_ANCHOR_ACCOUNTS: "open" });
    const config = { ...open, port: 0, data: join(folder, "own"), fixedToday: TODAY };
    const running = await run(config, { clubName: "Own club" });
    expect(running.address).toMatch(/^http:\/\/127\.0\.0\.1:\d+$/);
    expect(await (await fetch(`${running.address}/api/club`)).json()).toEqual({ name: "Own club", today: TODAY });
    const idle = (await fetch(`${running.address}/api/health`)).headers.get("keep-alive");
    expect(Number(idle?.match(/timeout=(\d+)/)?.[1]), "seconds a connection may idle").toBeGreaterThanOrEqual(60);
    await running.close();
    await expect(fetch(`${running.address}/api/health`)).rejects.toThrow();
    await running.close();
  });
  it("says so where the port is taken", async () => {
    const port = Number(new URL(base).port);
    await expect(
      run({ ...configFromEnvironment({}), port, data: join(folder, "taken") }, { clubName: "x" }),
    ).rejects.toThrow("EADDRINUSE");
  });
});

describe("configuration", () => {
  it("listens on this machine alone unless told otherwise", () => {
    expect(configFromEnvironment({})).toMatchObject({ host: "127.0.0.1", port: 4173, fixedToday: null });
    expect(todayOf(configFromEnvironment({ FIELD_ANCHOR_TODAY: "2026-03-04" }))).toBe("2026-03-04");
  });
  it("refuses what it cannot use", () => {
    expect(() => configFromEnvironment({ PORT: "high" })).toThrow("PORT");
    const server = "postgres://field_anchor@db.example/field_anchor";
    expect(configFromEnvironment({})).toMatchObject({ database: null, plansHere: true, metrics: null });
    expect(configFromEnvironment({ FIELD_ANCHOR_DATABASE: server, FIELD_ANCHOR_PLANS: "elsewhere" })).toMatchObject({
      database: server,
      plansHere: false,
    });
    expect(() => configFromEnvironment({ FIELD_ANCHOR_DATABASE: "mysql://db/x" })).toThrow("FIELD_ANCHOR_DATABASE");
    expect(() => configFromEnvironment({ FIELD_ANCHOR_DATABASE: "postgres://db" })).toThrow("FIELD_ANCHOR_DATABASE");
    expect(() => configFromEnvironment({ FIELD_ANCHOR_PLANS: "there" })).toThrow("FIELD_ANCHOR_PLANS");
    expect(() => configFromEnvironment({ FIELD_ANCHOR_TODAY: "today" })).toThrow("FIELD_ANCHOR_TODAY");
  });
});
