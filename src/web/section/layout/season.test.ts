import { describe, expect, it } from "vitest";
import type { RaceFlag, SeasonView, SeasonWeekView } from "../../../api/views";
import { addDays } from "../../../core/dates";
import { overlaps } from "./common";
import { dateAt, type SeasonInput, seasonLayout, weeksThatFit, zoomed } from "./season";

const FIRST = "2026-01-05";
const week = (i: number, more: Partial<SeasonWeekView> = {}): SeasonWeekView => ({
  start: addDays(FIRST, i * 7),
  isoWeek: i + 2,
  phase: "base",
  emphasis: "develop",
  stepBack: false,
  block: null,
  done: i < 4,
  minutes: 300,
  distanceKm: 40 + i,
  ascentM: 600,
  load: 1500,
  distancePct: null,
  loadPct: null,
  loadLimit: 300,
  sessions: [
    {
      label: "A",
      date: addDays(FIRST, i * 7 + 1),
      start: 1080,
      minutes: 50,
      stress: 280,
      bands: [
        { pattern: "squat", sets: 3 },
        { pattern: "hinge", sets: 3 },
      ],
      done: i < 4,
      locked: false,
      heavy: true,
      slow: false,
    },
    {
      label: "B",
      date: addDays(FIRST, i * 7 + 3),
      start: 1080,
      minutes: 35,
      stress: 150,
      bands: [{ pattern: "split-squat", sets: 3 }],
      done: i < 4,
      locked: false,
      heavy: false,
      slow: false,
    },
  ],
  monotony: 1.4,
  strain: 2100,
  shortMean: 210,
  longMean: 200,
  longestMinutes: 120,
  longestBefore: 130,
  dose: [],
  line: { percent: 80 + i, main: "3×5", single: "3×8", jumps: null, held: i === 5, done: i < 4 },
  why: [],
  unplaced: [],
  phaseWeek: 1,
  phaseWeeks: 12,
  planned: { minutes: 0, distanceKm: 0, sessions: 0 },
  sports: [],
  days: Array.from({ length: 7 }, (_, d) => ({
    minutes: d === 6 ? 120 : 30,
    distanceKm: d === 6 ? 16 : 4,
    load: 200,
    done: i < 4,
  })),
  away: [],
  note: "",
  known: "all",
  amount: null,
  ...more,
});
const flag = (id: string, date: string, priority: RaceFlag["priority"], name = `Race ${id}`): RaceFlag => ({
  id,
  name,
  date,
  days: 1,
  priority,
  minutes: 60,
  assumed: false,
});

function view(more: Partial<SeasonView> = {}): SeasonView {
  const weeks = Array.from({ length: 12 }, (_, i) => week(i));
  return {
    id: "x",
    today: addDays(FIRST, 4 * 7 + 2),
    season: { start: FIRST, end: addDays(FIRST, 83) },
    phases: [
      { phase: "base", start: FIRST, end: addDays(FIRST, 45), fixed: false, why: [] },
      { phase: "build", start: addDays(FIRST, 46), end: addDays(FIRST, 83), fixed: true, why: [] },
    ],
    races: [],
    weeks,
    warnings: [],
    endurance: { plan: null, warnings: [] },
    jumps: [],
    ...more,
  };
}
const input = (v: SeasonView, more: Partial<SeasonInput> = {}): SeasonInput => ({
  view: v,
  terrain: "distance",
  first: 0,
  count: 12,
  width: 924,
  height: 640,
  inUnits: (km) => km,
  ...more,
});

describe("the season layout", () => {
  const l = seasonLayout(input(view()));

  it("gives every week a column of one width, edge to edge", () => {
    expect(l.columns).toHaveLength(12);
    l.columns.forEach((c, i) => {
      expect(c.x1 - c.x0).toBeCloseTo(l.columnWidth, 6);
      if (i > 0) expect(c.x0).toBeCloseTo(l.columns[i - 1]!.x1, 6);
    });
    expect(l.x1).toBeLessThanOrEqual(924);
    expect(l.table.y + l.table.rowHeight * 2).toBeLessThanOrEqual(640);
  });

  it("stands terrain above the ground, in proportion", () => {
    const heights = l.columns.map((c) => l.ground - c.peak);
    expect(heights[11]! / heights[0]!).toBeCloseTo(51 / 40, 6);
    for (const c of l.columns) expect(c.peak).toBeGreaterThan(l.top);
  });

  it("hangs anchors below it, feet at their training load, inside their own week", () => {
    for (const a of l.anchors) {
      const c = l.columns[a.week]!;
      expect(a.x0).toBeGreaterThanOrEqual(c.x0 - 0.01);
      expect(a.x1).toBeLessThanOrEqual(c.x1 + 0.01);
      expect(a.top).toBeGreaterThan(l.ground);
      expect(a.foot).toBeLessThan(l.bottom);
      expect(a.bands.reduce((sum, b) => sum + b.h, 0)).toBeCloseTo(a.foot - a.top, 6);
    }
    const [deep, shallow] = [l.anchors[0]!, l.anchors[1]!];
    expect((deep.foot - l.ground) / (shallow.foot - l.ground)).toBeCloseTo(280 / 150, 6);
    expect(deep.bands.map((b) => b.id)).toEqual(["S", "H"]);
  });

  it("puts the plumb line on today and strata on their days", () => {
    expect(l.today).toBeCloseTo(l.x0 + ((30 + 0.5) / 7) * l.columnWidth, 6);
    expect(l.strata.map((s) => s.phase)).toEqual(["base", "build"]);
    expect(l.strata[0]!.x1).toBeCloseTo(l.strata[1]!.x0, 6);
    expect(l.strata[1]!.x0).toBeCloseTo(l.x0 + (46 / 7) * l.columnWidth, 6);
  });

  it("names a boundary by what meets there, however many phases lie before it", () => {
    const phase = (phase: "base" | "build" | "race", from: number, to: number) => ({
      ...view().phases[0]!,
      phase,
      start: addDays(view().phases[0]!.start, from),
      end: addDays(view().phases[0]!.start, to),
    });
    const edges = (phases: ReturnType<typeof phase>[]) =>
      seasonLayout(input(view({ phases }))).strata.map((s) => s.edge);
    const two = edges([phase("build", 0, 13), phase("race", 14, 20), phase("build", 21, 34), phase("race", 35, 48)]);
    expect(two).toEqual(["-build 1", "build-race 1", "race-build 1", "build-race 2"]);
    const more = edges([phase("base", 0, 6), phase("build", 7, 27), phase("race", 28, 48)]);
    expect(more.at(-1)).toBe("build-race 1");
  });

  it("splits the terrain where done ends", () => {
    expect(l.terrainDone).toContain(`L${(l.x0 + 4 * l.columnWidth).toFixed(1)} ${l.ground}`);
    expect(l.terrainPlan).not.toBe("");
    expect(seasonLayout(input(view(), { first: 5, count: 7 })).terrainDone).toBe("");
  });

  it("marks the planned anchor furthest past its limit, never a done one", () => {
    expect(l.warning).toBeNull();
    const over = view({
      weeks: [week(0, { loadLimit: 100 }), week(5, { loadLimit: 246 }), week(6, { loadLimit: 270 })],
    });
    expect(seasonLayout(input(over, { count: 3 })).warning).toMatchObject({ text: "34 over", week: 1 });
  });

  it("draws the usual level over a step-back week only", () => {
    const weeks = [week(0), week(1), week(2), week(3, { stepBack: true, distanceKm: 25 })];
    const { columns } = seasonLayout(input(view({ weeks }), { count: 4 }));
    expect(columns.map((c) => c.usual !== null)).toEqual([false, false, false, true]);
    expect(columns[3]!.usual!).toBeLessThan(columns[3]!.peak);
  });

  it("turns the terrain to load or hours, in the athlete's unit of distance", () => {
    expect(seasonLayout(input(view(), { terrain: "load" })).columns[0]!.value).toBe(1500);
    expect(seasonLayout(input(view(), { terrain: "hours" })).columns[0]!.value).toBe(5);
    expect(seasonLayout(input(view(), { inUnits: (km) => km / 2 })).columns[0]!.value).toBe(20);
  });

  it("keeps flags and their words apart and inside", () => {
    const races = [
      flag("1", addDays(FIRST, 20), "A", "Long Name Of A Race 50K"),
      flag("2", addDays(FIRST, 22), "B"),
      flag("3", addDays(FIRST, 24), "C"),
      flag("4", addDays(FIRST, 82), "A", "At The Very Edge"),
      flag("5", addDays(FIRST, 400), "A"),
    ];
    const { flags, x1 } = seasonLayout(input(view({ races })));
    expect(flags.map((f) => f.race.id).sort()).toEqual(["1", "2", "3", "4"]);
    flags.forEach((f, i) => {
      expect(f.box.x + f.box.w).toBeLessThanOrEqual(x1 + 12.01);
      for (const g of flags.slice(i + 1)) expect(overlaps(f.box, g.box), `${f.race.id} over ${g.race.id}`).toBe(false);
    });
    expect(flags.find((f) => f.race.id === "4")!.side).toBe(-1);
  });

  it("holds from 1024 to 2560 wide", () => {
    for (const width of [668, 924, 1500, 2204]) {
      const count = weeksThatFit(width, 12);
      const wide = seasonLayout(input(view(), { width, count }));
      expect(wide.x1).toBeLessThanOrEqual(width);
      expect(wide.columnWidth).toBeGreaterThanOrEqual(32);
    }
  });

  it("stands empty weeks", () => {
    const bare = view({ weeks: [week(0, { distanceKm: 0, load: 0, minutes: 0, sessions: [], loadLimit: 0 })] });
    const empty = seasonLayout(input(bare, { count: 1 }));
    expect(empty.anchors).toEqual([]);
    expect(empty.strip[1]!.cells).toEqual(["–"]);
    expect(JSON.stringify(empty)).not.toContain("null,null");
    expect(empty.ridge).not.toContain("NaN");
  });
});

describe("close up and far away", () => {
  const layout = ({ view: v = view(), ...more }: Partial<SeasonInput> = {}) => seasonLayout(input(v, more));

  it("tells the date under an x, at most the days shown", () => {
    const l = layout();
    const column = (l.x1 - l.x0) / l.columns.length;
    expect(dateAt(l, l.x0 - 50)).toBe(FIRST);
    expect(dateAt(l, l.x0 + column * 1.5)).toBe(addDays(FIRST, 10));
    expect(dateAt(l, l.x1 + 50)).toBe(addDays(FIRST, l.columns.length * 7 - 1));
  });

  it("goes from two weeks to two years, never past what there is", () => {
    expect(zoomed(26, -1, 52)).toBe(13);
    expect(zoomed(2, -1, 52)).toBe(2);
    expect(zoomed(26, 1, 30)).toBe(30);
    expect(zoomed(52, 1, 104)).toBe(104);
  });

  it("shows days and anchors on their own days where weeks are wide, and thins figures where they are narrow", () => {
    const near = layout({ count: 4 });
    expect(near.days).toHaveLength(28);
    const long = near.days[6]!;
    expect(long.top!).toBeLessThan(near.days[0]!.top!);
    const a = near.anchors[0]!;
    expect(dateAt(near, a.x)).toBe(a.date);
    expect(layout().days).toEqual([]);
    const far = layout({ width: 300 });
    expect(far.strip[0]!.cells.filter((c) => c !== "").length).toBeLessThan(far.columns.length);
  });

  it("marks what was planned of a week that is done, and the sports of a mixed one", () => {
    const weeks = view().weeks.map((w, i) =>
      i === 1
        ? {
            ...w,
            planned: { minutes: 320, distanceKm: 60, sessions: 5 },
            sports: [
              { sport: "run" as const, minutes: 200, distanceKm: 30, load: 900 },
              { sport: "ride" as const, minutes: 100, distanceKm: 11, load: 300 },
            ],
          }
        : w,
    );
    const l = layout({ view: { ...view(), weeks } });
    const [first, second] = l.columns;
    expect(first!.planned).toBeNull();
    expect(second!.planned!).toBeLessThan(second!.peak);
    expect(second!.layers.map((s) => s.sport)).toEqual(["run", "ride"]);
    expect(second!.layers[1]!.y).toBeCloseTo(second!.peak, 6);
  });
});

describe("the line under the season section", () => {
  const block = (n: number, nth: number, start: string) => ({
    week: n,
    of: 3,
    nth,
    builds: "build/maximal",
    row: { phase: "build" as const, stage: "build" as const, emphasis: "maximal" as const },
    start,
    from: start,
    before: 0,
    held: [],
  });
  it("boxes of blocks hold their step-back, and stand side by side over the columns", () => {
    const weeks = [0, 1, 2, 3, 4, 5].map((i) =>
      week(
        i,
        i === 3
          ? { stepBack: true, block: null }
          : { block: block((i % 4) + 1, i < 3 ? 1 : 2, i < 3 ? FIRST : addDays(FIRST, 28)), phase: "build" },
      ),
    );
    const l = seasonLayout(input(view({ weeks }), { count: 6 }));
    expect(l.line.boxes.map((b) => b.text)).toEqual(["Block 1 of build · 3 + step-back", "Block 2 of build · 3"]);
    expect(l.line.boxes[0]!.x0).toBe(l.x0);
    expect(l.line.boxes[0]!.x1).toBeCloseTo(l.line.boxes[1]!.x0, 6);
    expect(l.line.boxes[1]!.x1).toBeCloseTo(l.x1, 6);
  });

  it("a stair rises with the percent, filled where it was done, marked where it was held, and parts where nothing is loaded", () => {
    const weeks = [0, 1, 2, 3, 4, 5].map((i) => week(i, i === 3 ? { line: { ...week(0).line, percent: null } } : {}));
    const { points, path } = seasonLayout(input(view({ weeks }), { count: 6 })).line;
    expect(points.map((p) => p.index)).toEqual([0, 1, 2, 4, 5]);
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 4],
    ] as const)
      expect(points[b]!.y).toBeLessThan(points[a]!.y);
    expect(points.map((p) => p.done)).toEqual([true, true, true, false, false]);
    expect(points.map((p) => p.held)).toEqual([false, false, false, false, true]);
    expect(path.match(/M/g)).toHaveLength(2);
  });

  it("stands between the strip and the phases, inside the drawing", () => {
    const l = seasonLayout(input(view()));
    expect(l.line.y).toBeGreaterThanOrEqual(l.strip[2]!.y + 20);
    expect(l.line.y + l.line.height).toBeLessThanOrEqual(l.table.y);
    expect(l.line.rows.map((r) => r.cells[0])).toEqual(["3×5", "3×8", ""]);
  });
});
