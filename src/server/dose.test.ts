import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, START, weeksOf } from "../../tests/support/athlete";
import { pdfText } from "../../tests/support/pdf";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import { sheetsOf } from "../../tests/support/sheet";
import type {
  ApproachesView,
  ApproachVersionView,
  ChangesView,
  CompareView,
  CopyResult,
  EditPreview,
  LiftView,
  ReviewView,
  SeasonView,
  SessionView,
  TemplateView,
} from "../api/views";
import type { Approach } from "../core/athlete/approach";
import type { Athlete, StrengthLog } from "../core/athlete/types";
import { addDays } from "../core/dates";

let app: TestServer;
beforeAll(async () => {
  app = await testServer();
});
afterAll(() => app.close());

const squats = (from: string, weeks: number, kg: number): StrengthLog[] =>
  Array.from({ length: weeks }, (_, i) =>
    logOf(addDays(from, 7 * i), [lifted("back-squat", kg, [6, 6, 6], 2, { reps: 6, repsLow: 3, rir: 2 })]),
  );
async function newAthlete(name: string, change: Partial<Athlete> = {}): Promise<string> {
  const athlete = athleteWith({ endurance: weeksOf(new Array(24).fill(1)), ...change }, { name });
  return (await app.call<{ id: string }>("POST", "/athletes", JSON.stringify(athlete))).body.id;
}
const sheets = (id: string) => sheetsOf(id, async <T>(path: string) => (await app.call<T>("GET", path)).body);
const approach = async (id: string): Promise<Approach> => {
  const found = (await app.call<ApproachesView>("GET", "/approaches")).body.approaches.find(
    (a) => a.approach.id === id,
  );
  if (!found) throw new Error(`no approach ${id}`);
  return found.approach;
};
const withSets = (a: Approach, sets: readonly [number, number]): Approach => ({
  ...a,
  rows: {
    ...a.rows,
    build: { ...a.rows.build, cells: { ...a.rows.build.cells, squat: { ...a.rows.build.cells.squat, sets } } },
  },
});

describe("approaches", () => {
  it("are six as they ship, copied and changed in versions, and refuse what cannot be done with its path", async () => {
    const shipped = (await app.call<ApproachesView>("GET", "/approaches")).body.approaches;
    expect(shipped.map((a) => a.approach.name)).toHaveLength(6);
    const { id } = (await app.call<{ id: string }>("POST", "/approaches", { basis: "layered", name: "Club heavy" }))
      .body;
    expect(id).toBe("own-club-heavy");
    const mine = await approach(id);
    const bad: Approach = {
      ...mine,
      rows: {
        ...mine.rows,
        build: {
          ...mine.rows.build,
          cells: {
            ...mine.rows.build.cells,
            squat: { ...mine.rows.build.cells.squat, rir: null, percent: 97, reps: [3, 5] },
          },
        },
      },
    };
    const refused = await app.call<{ faults: { path: string; expected: string }[] }>("PUT", `/approaches/${id}`, {
      approach: bad,
    });
    expect(refused.status).toBe(422);
    expect(refused.body.faults[0]?.path).toBe("rows.build.cells.squat.percent");
    expect((await approach(id)).version).toBe(1);
    expect(
      (await app.call("PUT", `/approaches/${id}`, { approach: withSets(mine, [4, 4]), note: "four sets" })).status,
    ).toBe(200);
    const versions = (await app.call<ApproachVersionView[]>("GET", `/approaches/${id}/versions`)).body;
    expect(versions.map((v) => [v.approach.version, v.note])).toEqual([
      [2, "four sets"],
      [1, "Copied from Layered"],
    ]);
    expect((await app.call("PUT", "/approaches/layered", { approach: { ...mine, id: "own-x" } })).status).toBe(404);
    expect((await app.call("DELETE", `/approaches/${id}`)).status).toBe(204);
  });

  it("leave the past as it was planned when another is chosen in the intake, too", async () => {
    const id = await newAthlete("Intake", { strengthLog: squats(addDays(START, 1), 8, 60) });
    const of = async (who: string) =>
      (await app.call<ReviewView>("GET", `/athletes/${who}/review?from=${START}&to=${addDays(TODAY, -2)}`)).body.weeks;
    const other = await newAthlete("Control", {
      strengthLog: squats(addDays(START, 1), 8, 60),
      settings: { approach: "control" },
    });
    const asLayered = await of(await newAthlete("Layered", { strengthLog: squats(addDays(START, 1), 8, 60) }));
    expect((await of(other)).map((w) => w.planned)).not.toEqual(asLayered.map((w) => w.planned));
    const ahead = await sheets(id);
    expect((await app.call("PUT", `/athletes/${id}/intake`, { settings: { approach: "control" } })).status).toBe(204);
    expect((await of(id)).map((w) => w.planned)).toEqual(asLayered.map((w) => w.planned));
    expect(await sheets(id)).not.toEqual(ahead);
  });

  it("say exactly which future sessions change, change those and no other, and leave the past", async () => {
    const id = await newAthlete("Preview", { strengthLog: squats(addDays(START, 1), 8, 60) });
    const copy = (await app.call<{ id: string }>("POST", "/approaches", { basis: "layered", name: "Four" })).body.id;
    await app.call("PUT", `/athletes/${id}/follow`, { approach: copy });
    const review = `/athletes/${id}/review?from=${START}&to=${addDays(TODAY, -2)}`;
    const past = (await app.call<ReviewView>("GET", review)).body;
    const before = await sheets(id);
    const next = withSets(await approach(copy), [5, 5]);
    const preview = (await app.call<ChangesView>("POST", `/athletes/${id}/dose-preview`, { approach: next })).body;
    expect(preview.changes.length).toBeGreaterThan(3);
    expect(await sheets(id)).toEqual(before);
    await app.call("PUT", `/approaches/${copy}`, { approach: next });
    const after = await sheets(id);
    const differ = [...after].filter(([key, s]) => before.get(key) !== s).map(([key]) => key);
    expect(preview.changes.map((c) => `${c.date}/${c.label}`).sort()).toEqual(differ.sort());
    expect((await app.call<ReviewView>("GET", review)).body.weeks).toEqual(past.weeks);
    // Somebody follows it now, so it stays.
    const kept = await app.call<{ detail: string }>("DELETE", `/approaches/${copy}`);
    expect(kept.status).toBe(409);
    expect(kept.body.detail).toContain("Preview");
    // It goes out with the athlete, and comes in elsewhere.
    const file = await (await fetch(`${app.base}/athletes/${id}/file`)).json();
    expect(file.approaches.map((a: Approach) => [a.id, a.version])).toEqual([[copy, 2]]);
    const other = await testServer();
    await other.call("POST", "/athletes", JSON.stringify(file));
    const there = (await other.call<ApproachesView>("GET", "/approaches")).body.approaches.find((a) => a.own);
    expect(there?.approach.rows.build.cells.squat.sets).toEqual([5, 5]);
    await other.close();
  });

  it("are compared on one season, refused where unknown, and rules go off for one or for all", async () => {
    const id = await newAthlete("Compare");
    const c = (await app.call<CompareView>("POST", `/athletes/${id}/compare`, { a: "layered", b: "control" })).body;
    expect(c.a.phases.map((p) => p.phase)).toEqual(c.b.phases.map((p) => p.phase));
    const heavy = (list: CompareView["a"]) => list.phases.reduce((s, p) => s + p.tally.heavySets, 0);
    expect(heavy(c.a)).toBeGreaterThan(0);
    expect(heavy(c.b)).toBe(0);
    expect((await app.call("PUT", `/athletes/${id}/follow`, { approach: "own-nowhere" })).status).toBe(422);
    expect((await app.call("PUT", `/athletes/${id}/follow`, { rulesOff: ["M3"] })).status).toBe(422);
    const stepBacks = async () =>
      (await app.call<SeasonView>("GET", `/athletes/${id}/season`)).body.weeks.filter((w) => w.stepBack).length;
    expect(await stepBacks()).toBeGreaterThan(0);
    await app.call("PUT", `/athletes/${id}/follow`, { rulesOff: ["stepback.every"] });
    expect(await stepBacks()).toBe(0);
    await app.call("PUT", `/athletes/${id}/follow`, {});
    await app.call("PUT", "/approaches/rules", { rulesOff: ["stepback.every"] });
    expect(await stepBacks()).toBe(0);
    await app.call("PUT", "/approaches/rules", { rulesOff: [] });
    expect(await stepBacks()).toBeGreaterThan(0);
  });

  it("put paired routines behind every run, without a window and without a gap", async () => {
    const id = await newAthlete("Routines");
    await app.call("PUT", `/athletes/${id}/follow`, { approach: "paired-routines" });
    const season = (await app.call<SeasonView>("GET", `/athletes/${id}/season`)).body;
    const week = season.weeks.find((w) => w.start === "2026-03-09")!;
    // Easy Monday, intervals Tuesday, tempo Thursday, long Saturday.
    expect(week.sessions.map((a) => [a.label, a.date])).toEqual([
      ["E", "2026-03-09"],
      ["F", "2026-03-10"],
      ["H", "2026-03-12"],
      ["J", "2026-03-14"],
    ]);
    expect(week.sessions[0]!.start).toBe(7 * 60 + 50);
    const [easy, hard] = [week.sessions[0]!, week.sessions[1]!];
    expect(easy.minutes).toBeLessThanOrEqual(15);
    expect(hard.minutes).toBeLessThanOrEqual(25);
    expect(hard.minutes).toBeGreaterThan(easy.minutes);
  });
});

describe("sessions by hand", () => {
  const at = "2026-03-05/B";
  const items = [
    { exercise: "back-squat", group: 1, sets: 2, repsLow: 4, reps: 6, rir: 2 },
    { exercise: "hip-hike", group: 1, sets: 2, reps: 10, rir: 3, note: "slowly" },
    { exercise: "leg-press", group: 2, sets: 3, reps: 8, rir: 3, loadKg: 100 },
  ];
  it("are worked out before they are kept, stay through a fit, and go back by undo", async () => {
    const id = await newAthlete("By hand", { strengthLog: squats(addDays(START, 1), 8, 60) });
    const was = (await app.call<SessionView>("GET", `/athletes/${id}/sessions/${at}`)).body;
    const preview = (await app.call<EditPreview>("POST", `/athletes/${id}/sessions/${at}/preview`, { items })).body;
    expect(preview.fault).toBeNull();
    expect(preview.session?.items.map((i) => [i.pair, i.exercise, i.sets])).toEqual([
      ["1A", "back-squat", 2],
      ["1B", "hip-hike", 2],
      ["2", "leg-press", 3],
    ]);
    expect(preview.session?.items[0]?.loadKg).toBeGreaterThan(50);
    expect(preview.session?.items[2]?.loadKg).toBe(100);
    expect((await app.call<SessionView>("GET", `/athletes/${id}/sessions/${at}`)).body.items).toEqual(was.items);
    expect(
      (await app.call("PUT", `/athletes/${id}/sessions/${at}/edit`, { items, note: "Film the squat" })).status,
    ).toBe(204);
    await app.call("POST", `/athletes/${id}/weeks/2026-03-02/fit`);
    const week = (
      await app.call<{ sessions: { label: string; date: string }[] }>("GET", `/athletes/${id}/weeks/2026-03-02`)
    ).body;
    const b = week.sessions.find((s) => s.label === "B")!;
    const now = (await app.call<SessionView>("GET", `/athletes/${id}/sessions/${b.date}/B`)).body;
    expect(now.items.map((i) => i.exercise)).toEqual(items.map((i) => i.exercise));
    expect(now.edit?.note).toBe("Film the squat");
    expect(now.why.map((w) => w.rule)).toContain("edit.hand");
    // The fit, then the edit: each undone.
    await app.call("POST", `/athletes/${id}/undo`);
    await app.call("POST", `/athletes/${id}/undo`);
    expect((await app.call<SessionView>("GET", `/athletes/${id}/sessions/${at}`)).body.edit).toBeNull();
  });
  it("say what competes, what is too long, what safety leaves out, and keep nothing that cannot stand", async () => {
    const id = await newAthlete("Warned", {
      health: { clearanceNeeded: false, areas: [{ area: "achilles", side: "left", status: "current" }] },
    });
    const twice = [
      { exercise: "back-squat", group: 1, sets: 2, reps: 5 },
      { exercise: "leg-press", group: 1, sets: 2, reps: 8 },
      { exercise: "ankle-hops", group: 2, sets: 2, seconds: 10 },
    ];
    const p = (await app.call<EditPreview>("POST", `/athletes/${id}/sessions/${at}/preview`, { items: twice })).body;
    expect(p.warnings.join(" ")).toContain("compete");
    expect(p.warnings.join(" ")).toContain("Ankle hops is left out");
    expect(p.session?.items.map((i) => i.exercise)).not.toContain("ankle-hops");
    const long = Array.from({ length: 6 }, (_, i) => ({
      ...items[i % 3],
      exercise: items[i % 3]!.exercise,
      group: i + 1,
      sets: 8,
      restSeconds: 240,
    }));
    const over = await app.call<{ detail: string }>("PUT", `/athletes/${id}/sessions/${at}/edit`, { items: long });
    expect(over.status).toBe(409);
    expect(over.body.detail).toContain("longer than its free time slot");
    const unknown = await app.call<{ faults: { path: string }[] }>("POST", `/athletes/${id}/sessions/${at}/preview`, {
      items: [{ exercise: "moon-walk", group: 1, sets: 2, reps: 5 }],
    });
    expect(unknown.body.faults[0]?.path).toBe("items[0].exercise");
  });
  it("are copied to others with loads of their own, and kept as templates without loads", async () => {
    const from = await newAthlete("Giver", { strengthLog: squats(addDays(START, 1), 8, 90) });
    const strong = await newAthlete("Weaker", { strengthLog: squats(addDays(START, 1), 8, 50) });
    const bare = await newAthlete("No windows", { availability: [] });
    await app.call("PUT", `/athletes/${from}/sessions/${at}/edit`, { items });
    const results = (
      await app.call<CopyResult[]>("POST", `/athletes/${from}/sessions/${at}/copy`, { to: [strong, bare] })
    ).body;
    expect(results.map((r) => [r.name, r.copied])).toEqual([
      ["Weaker", true],
      ["No windows", false],
    ]);
    const [a, b] = await Promise.all(
      [from, strong].map(async (id) => (await app.call<SessionView>("GET", `/athletes/${id}/sessions/${at}`)).body),
    );
    expect(b?.items.map((i) => i.exercise)).toEqual(a?.items.map((i) => i.exercise));
    expect(b!.items[0]!.loadKg!).toBeLessThan(a!.items[0]!.loadKg!);
    expect(b?.edit?.items.some((i) => "loadKg" in i)).toBe(false);
    await app.call("POST", "/templates", { name: "Three lifts", items });
    const [template] = (await app.call<TemplateView[]>("GET", "/templates")).body;
    expect(template?.items[2]).toEqual({ exercise: "leg-press", group: 2, sets: 3, reps: 8, rir: 3 });
    expect((await app.call("DELETE", `/templates/${template?.id}`)).status).toBe(204);
  });
});

describe("lifts", () => {
  it("tell every session with its decision, the estimate with how unsure it is, and the next step; the coach's word goes before", async () => {
    const id = await newAthlete("Lifts", { strengthLog: squats(addDays(START, 1), 8, 60) });
    const lift = `/athletes/${id}/lifts/back-squat`;
    const view = (await app.call<LiftView>("GET", lift)).body;
    expect(view.entries).toHaveLength(8);
    // Brzycki, from memory: 60 x 36 / (37 - 8) = 74.48.
    expect(view.current?.kg).toBeCloseTo(74.483, 2);
    expect(view.line.at(-1)).toMatchObject({ kg: view.current?.kg });
    for (const e of view.entries) expect(e.decision.why.length).toBeGreaterThan(0);
    const last = view.entries.at(-1)!.date;
    const bad = await app.call("PUT", `/athletes/${id}/overrules`, {
      date: "2026-03-01",
      exercise: "back-squat",
      kind: "same",
    });
    expect(bad.status).toBe(422);
    await app.call("PUT", `/athletes/${id}/overrules`, {
      date: last,
      exercise: "back-squat",
      kind: "down-load",
      loadKg: 50,
      reason: "tired",
    });
    const over = (await app.call<LiftView>("GET", lift)).body;
    expect(over.entries.at(-1)?.decision).toMatchObject({ kind: "down-load", byCoach: true });
    await app.call("DELETE", `/athletes/${id}/overrules/${last}/back-squat`);
    expect((await app.call<LiftView>("GET", lift)).body.overrule).toBeNull();
    await app.call("PUT", `/athletes/${id}/next-day`, { date: last, exercise: "back-squat", pain: 3 });
    expect((await app.call<LiftView>("GET", lift)).body.entries.at(-1)?.item.nextDayPain).toBe(3);
  });
});

describe("review", () => {
  it("counts what was planned and done, says it in words, and keeps the coach's text", async () => {
    const id = await newAthlete("Review", { strengthLog: squats("2026-02-03", 3, 60) });
    const path = `/athletes/${id}/review?from=2026-02-02&to=2026-03-01`;
    const view = (await app.call<ReviewView>("GET", path)).body;
    expect(view.weeks.map((w) => w.monday)).toEqual(["2026-02-02", "2026-02-09", "2026-02-16", "2026-02-23"]);
    expect(view.done).toMatchObject({ sessions: 3, hardSets: 9, groups: { squat: 9 } });
    expect(view.planned.sessions).toBe(view.weeks.reduce((a, w) => a + w.planned.sessions, 0));
    expect(view.weeks.flatMap((w) => w.missed).length).toBe(view.planned.sessions - 3);
    expect(view.words[0]).toContain(
      `3 sessions done, ${view.planned.sessions} planned; 9 hard sets done, ${view.planned.hardSets} planned`,
    );
    expect(view.shares.reduce((a, s) => a + s.sportPct, 0)).toBeCloseTo(100, 6);
    await app.call("PUT", `/athletes/${id}/reviews`, {
      start: view.from,
      end: view.to,
      text: "Well done.",
      sent: true,
    });
    expect((await app.call<ReviewView>("GET", path)).body.saved).toMatchObject({ text: "Well done." });
  });
});

describe("paper", () => {
  it("carries the figures of the sheet, the cautions and the statement, one or four to a page", async () => {
    const id = await newAthlete("Ólafur Čapek", { strengthLog: squats(addDays(START, 1), 8, 62.5) });
    const s = (await app.call<SessionView>("GET", `/athletes/${id}/sessions/2026-03-03/A`)).body;
    const pdf = async (path: string) => {
      const r = await fetch(app.base + path);
      expect(r.headers.get("content-type")).toContain("application/pdf");
      return pdfText(new Uint8Array(await r.arrayBuffer()));
    };
    const [one, ...rest] = await pdf(`/athletes/${id}/cards/2026-03-03/A/pdf`);
    expect(rest).toEqual([]);
    for (const i of s.items) {
      expect(one).toContain(i.name);
      if (i.loadKg !== null) expect(one).toContain(`${i.loadKg} kg`);
    }
    for (const c of s.cautions) expect(one?.replaceAll(/\s+/g, " ")).toContain(c.split(".")[0]);
    expect(one?.replaceAll(/\s+/g, "")).toContain("ÓlafurČapek");
    expect(one?.replaceAll(/\s+/g, " ")).toContain("does not replace a clinician");
    const four = await pdf(`/athletes/${id}/cards/2026-03-03/A/pdf?per=4`);
    expect(four).toHaveLength(1);
    expect(four[0]?.match(/does not replace/g)).toHaveLength(4);
    const block = await pdf(`/athletes/${id}/block.pdf?from=2026-03-02`);
    expect(block.join(" ").match(/Week of/g)).toHaveLength(4);
    expect((await pdf("/gym/2026-03-03/cards.pdf")).join(" ")).toContain("lafur");
  });
});
