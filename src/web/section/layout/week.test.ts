import { describe, expect, it } from "vitest";
import type { EnduranceView, PlannedSessionView, WeekView } from "../../../api/views";
import { addDays } from "../../../core/dates";
import { fitText, gridValues, overlaps, steppedEdge, textWidth } from "./common";
import { type WeekLayoutInput, weekLayout } from "./week";

const MONDAY = "2026-03-02";
const run = (
  id: string,
  offset: number,
  hour: number,
  load: number,
  more: Partial<EnduranceView> = {},
): EnduranceView => ({
  id,
  date: addDays(MONDAY, offset),
  sport: "run",
  kind: "easy",
  minutes: 50,
  load,
  isKey: false,
  startMinutes: hour * 60,
  assumed: [],
  flatKm: null,
  weighs: [],
  ...more,
});
const lift = (
  label: PlannedSessionView["label"],
  offset: number,
  hour: number,
  stress: number,
  more: Partial<PlannedSessionView> = {},
): PlannedSessionView => ({
  label,
  date: addDays(MONDAY, offset),
  start: hour * 60,
  minutes: 50,
  stress,
  bands: [
    { pattern: "squat", sets: 3 },
    { pattern: "trunk", sets: 2 },
  ],
  done: false,
  locked: false,
  heavy: true,
  slow: false,
  place: "gym",
  warning: null,
  ...more,
});
const view = (more: Partial<WeekView> = {}): WeekView => ({
  id: "x",
  ledger: [],
  today: addDays(MONDAY, 2),
  monday: MONDAY,
  isoWeek: 10,
  phase: "build",
  emphasis: "maximal",
  phaseWeek: 1,
  phaseWeeks: 8,
  stepBack: false,
  block: null,
  known: "all",
  standsIn: [],
  endurance: [
    run("sun", -1, 9, 300),
    run("a", 0, 7, 150),
    run("b", 0, 18, 120),
    run("c", 1, 7, 500, { kind: "intervals", isKey: true }),
    run("d", 5, 8, 700, { kind: "long", isKey: true }),
  ],
  sessions: [lift("A", 1, 18, 320), lift("B", 3, 18, 200)],
  dayLimits: [0, 330, 0, 330, 280, 0, 0],
  loadLimit: 330,
  dayPhases: ["build", "build", "build", "build", "build", "build", "build"],
  windows: [{ date: addDays(MONDAY, 1), start: 1050, minutes: 90, place: "gym" }],
  fit: { cost: 0, weighed: 4, costs: [], alternatives: [], histogram: [], unplaced: [], freeRules: 9 },
  held: null,
  stale: false,
  races: [],
  freshness: { curve: [], meanDaily: 0, tired: 55 },
  changes: [],
  away: [],
  places: [],
  why: [],
  editable: true,
  mileage: { plan: null, amount: null, before: null, warnings: [] },
  ...more,
});
const input = (v: WeekView, more: Partial<WeekLayoutInput> = {}): WeekLayoutInput => ({
  view: v,
  width: 924,
  height: 620,
  words: (e) => [`${e.kind} run 10 km`, "50 min · RPE 3"],
  tag: (s) => [`Session ${s.label}`, `50 min · ${s.stress} AU`],
  ...more,
});

describe("the week layout", () => {
  const l = weekLayout(input(view()));

  it("has seven days of one width after the Sunday before", () => {
    expect(l.days.map((d) => d.title)).toEqual(["Mon 2", "Tue 3", "Wed 4", "Thu 5", "Fri 6", "Sat 7", "Sun 8"]);
    for (const d of l.days) expect(d.x1 - d.x0).toBeCloseTo((924 - 80 - 48 - 12) / 7, 6);
    expect(l.days.map((d) => d.empty.join(" "))).toEqual(["", "", "Rest", "Rest", "Rest", "", "Rest"]);
    const unknown = weekLayout(
      input(
        view({
          known: "part",
          standsIn: [{ date: "2026-03-04", start: 420, sport: "run", kind: "easy", minutes: 50 }],
        }),
      ),
    );
    expect(unknown.days.slice(2, 4).map((d) => d.empty.join(" "))).toEqual([
      "Assumed: easy 50 min",
      "Nothing planned here",
    ]);
    expect(l.days[1]).toMatchObject({ load: 500, trainingLoad: 320, limit: 330 });
  });

  it("stands morning left and evening right, higher for more load", () => {
    const at = (id: string) => l.enduranceBlocks.find((b) => b.id === id)!;
    const monday = l.days[0]!;
    const middle = (monday.x0 + monday.x1) / 2;
    expect(at("a").x).toBeLessThan(middle);
    expect(at("b").x).toBeGreaterThan(middle);
    expect((l.ground - at("d").peak) / (l.ground - at("c").peak)).toBeCloseTo(700 / 500, 6);
    expect(at("sun").x).toBeLessThan(l.x0);
  });

  it("draws a second line over key sessions, and fills what is past", () => {
    expect(l.enduranceBlocks.filter((b) => b.key).map((b) => b.id)).toEqual(["c", "d"]);
    expect(l.enduranceBlocks.filter((b) => b.done).map((b) => b.id)).toEqual(["sun", "a", "b", "c"]);
  });

  it("keeps the words of endurance sessions apart", () => {
    const boxes = l.enduranceBlocks.map((b) => {
      const w = Math.max(...b.label.lines.map((t) => textWidth(t, 11)));
      const h = b.label.lines.length * 14;
      return { x: b.label.anchor === "start" ? b.label.x : b.label.x - w, y: b.label.y - h, w, h };
    });
    boxes.forEach((a, i) => {
      for (const b of boxes.slice(i + 1)) expect(overlaps(a, b)).toBe(false);
    });
  });

  it("hangs anchors with their tags inside the drawing", () => {
    for (const a of l.anchors) {
      expect(a.tag.rect.x).toBeGreaterThanOrEqual(l.carry);
      expect(a.tag.rect.x + a.tag.rect.w).toBeLessThanOrEqual(l.x1);
      expect(a.tag.rect.y + a.tag.rect.h).toBeLessThanOrEqual(l.bottom);
      expect(a.foot).toBeLessThan(l.bottom);
    }
    expect(l.anchors[0]!.tag.lines).toEqual(["Session A", "50 min · 320 AU"]);
  });

  it("gives a warning a taller tag", () => {
    const warned = weekLayout(input(view({ sessions: [lift("A", 1, 18, 320, { warning: "12 AU over the limit" })] })));
    expect(warned.anchors[0]!.tag.rect.h).toBeGreaterThan(l.anchors[0]!.tag.rect.h);
  });

  it("leaves what was lifted on the Sunday before to the carry column", () => {
    expect(weekLayout(input(view({ sessions: [lift("B", -1, 10, 200, { done: true })] }))).anchors).toEqual([]);
  });

  it("marks today, windows and races on their days", () => {
    expect(l.today).toBeGreaterThan(l.days[2]!.x0);
    expect(l.today).toBeLessThan(l.days[2]!.x1);
    expect(weekLayout(input(view({ today: addDays(MONDAY, 9) }))).today).toBeNull();
    expect(l.windows[0]!.x).toBeGreaterThan(l.days[1]!.x0);
    const race = weekLayout(
      input(
        view({
          races: [
            {
              id: "r",
              name: "A rather long name of a race",
              date: addDays(MONDAY, 6),
              days: 1,
              priority: "A",
              minutes: 60,
              assumed: false,
            },
          ],
        }),
      ),
    ).flags[0]!;
    expect(race.text).toMatch(/…$/);
    expect(race.x).toBeGreaterThan(l.days[6]!.x0);
  });
});

describe("shared pieces", () => {
  it("cut words to their room", () => {
    expect(fitText("Short", 200)).toBe("Short");
    expect(textWidth(fitText("A much longer line of words", 60), 12)).toBeLessThanOrEqual(66);
    expect(fitText("Long", 4)).toBe("");
  });
  it("space grid lines in round steps", () => {
    expect(gridValues(100, 4)).toEqual([25, 50, 75, 100]);
    expect(gridValues(333, 4)).toEqual([100, 200, 300]);
    expect(gridValues(0.9, 3).every((v) => v > 0 && v <= 0.9)).toBe(true);
  });
  it("draw an edge without leaving its columns", () => {
    expect(
      steppedEdge(
        [
          { x0: 0, x1: 10, y: 5 },
          { x0: 10, x1: 20, y: 8 },
        ],
        2,
      ),
    ).toBe("M0.0 5.0L8.0 5.0L12.0 8.0L20.0 8.0");
  });
});
