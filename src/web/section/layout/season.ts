/** Layout of the season section: weeks into columns, terrain above, anchors and rock below, flags, strata, strip and phase table. */
import { weekStrength } from "../../../api/make/weekStrength";
import type { SeasonView, SeasonWeekView } from "../../../api/views";
import { addDays, daysBetween, monthName } from "../../../core/dates";
import { fitText, gridValues, steppedEdge } from "./common";
import { flagsOf } from "./flags";
import { LINE_HEIGHT, lineLayout } from "./line";
import type { SeasonInput, SeasonLayout, Stratum, Terrain } from "./seasonTypes";
import { anchorsOf, daysOf, layersOf } from "./seasonWeeks";

export type { SeasonInput, SeasonLayout, Terrain } from "./seasonTypes";

/** Geometry, px. */
const LEFT = 80;
const RIGHT = 12;
const TOP = 22;
const ROW = 20;
const TABLE_ROW = 24;
const TABLE_ROWS = 2;
const SKY_FOR_FLAGS = 84;

const heightOf = (w: SeasonWeekView, t: Terrain, inUnits: (km: number) => number): number =>
  t === "distance" ? inUnits(w.distanceKm) : t === "hours" ? w.minutes / 60 : w.load;

/** @returns the date under an x of the section, at most the days shown */
export function dateAt(l: Pick<SeasonLayout, "x0" | "x1" | "columnWidth" | "columns">, x: number): string {
  const first = l.columns[0]?.week.start ?? "";
  const inside = Math.max(l.x0, Math.min(l.x1 - 0.01, x));
  return addDays(first, Math.floor(((inside - l.x0) / l.columnWidth) * 7));
}

/** Width one week needs; how many fit. */
export const weeksThatFit = (width: number, all: number): number =>
  Math.max(8, Math.min(all, Math.floor((width - LEFT - RIGHT) / 32)));

/** Weeks shown at each step of the zoom, closest first. */
export const ZOOMS = [2, 4, 8, 13, 26, 52, 104] as const;

/** @returns the next wider or closer number of weeks; the same where there is none */
export function zoomed(count: number, by: 1 | -1, all: number): number {
  const next = by === 1 ? ZOOMS.find((z) => z > count) : [...ZOOMS].reverse().find((z) => z < count);
  return Math.max(1, Math.min(all, next ?? count));
}

/** Columns narrower than this show a figure for every second, third ... week only, px. */
const CELL = 25;

export function seasonLayout(input: SeasonInput): SeasonLayout {
  const { view, terrain, first, count, width, height, inUnits } = input;
  const weeks = view.weeks.slice(first, first + count);
  const columnWidth = (width - LEFT - RIGHT) / Math.max(1, weeks.length);
  const [x0, x1] = [LEFT, LEFT + columnWidth * weeks.length];
  const below = ROW * 3 + 8 + LINE_HEIGHT + TABLE_ROW * TABLE_ROWS + 8;
  const section = height - TOP - below;
  const ground = Math.round(TOP + section * 0.55);
  const bottom = TOP + section;
  const values = weeks.map((w) => heightOf(w, terrain, inUnits));
  const most = input.most ?? Math.max(1, ...values);
  const skyUnit = (ground - TOP - SKY_FOR_FLAGS) / most;
  const deepest = Math.max(
    100,
    ...weeks.map((w) => w.loadLimit),
    ...weeks.flatMap((w) => w.sessions.map((a) => a.stress)),
  );
  const soilUnit = (bottom - ground - 34) / deepest;
  const left = (i: number) => x0 + i * columnWidth;
  const at = (date: string) => x0 + ((daysBetween(weeks[0]?.start ?? date, date) + 0.5) / 7) * columnWidth;

  const columns = weeks.map((week, i) => {
    const value = values[i] ?? 0;
    const peak = ground - value * skyUnit;
    const before = values.slice(Math.max(0, i - 3), i).filter((_, k) => !weeks[Math.max(0, i - 3) + k]?.stepBack);
    const usual =
      week.stepBack && before.length ? ground - (before.reduce((a, v) => a + v, 0) / before.length) * skyUnit : null;
    return {
      week,
      index: first + i,
      x0: left(i),
      x1: left(i + 1),
      value,
      peak,
      planned:
        week.done && week.planned.sessions > 0 && terrain !== "load"
          ? ground - (terrain === "distance" ? inUnits(week.planned.distanceKm) : week.planned.minutes / 60) * skyUnit
          : null,
      layers: layersOf(week, terrain, inUnits, ground, skyUnit),
      ascentTip: week.ascentM >= 300 ? peak - Math.min(28, week.ascentM / 100) : null,
      usual,
    };
  });
  const edges = columns.map((c) => ({ x0: c.x0, x1: c.x1, y: c.peak }));
  const limits = columns.map((c) => ({ x0: c.x0, x1: c.x1, y: ground + c.week.loadLimit * soilUnit }));
  const rock = steppedEdge(limits, Math.min(4, columnWidth / 6));
  const doneCount = weeks.filter((w) => w.done).length;
  const ridge = steppedEdge(edges, Math.min(5, columnWidth / 6));
  const close = (path: string, a: number, b: number, y: number) =>
    path ? `${path}L${b.toFixed(1)} ${y}L${a.toFixed(1)} ${y}Z` : "";

  const every = Math.max(1, Math.ceil(CELL / columnWidth));
  const everyFew = (cells: readonly string[]): string[] => cells.map((c, i) => (i % every === 0 ? c : ""));
  return {
    x0,
    x1,
    ground,
    bottom,
    top: TOP,
    columnWidth,
    skyUnit,
    most,
    columns,
    terrainDone: close(terrainPart(edges, 0, doneCount, columnWidth), x0, left(doneCount), ground),
    terrainPlan: close(terrainPart(edges, doneCount, edges.length, columnWidth), left(doneCount), x1, ground),
    ridge,
    rock,
    rockArea: close(rock, x0, x1, bottom),
    soilArea: close(rock, x0, x1, ground),
    skyGrid: gridValues(most, 4).map((v) => ({ y: ground - v * skyUnit, text: String(v) })),
    soilGrid: gridValues((bottom - ground - 8) / soilUnit, 4).map((v) => ({
      y: ground + v * soilUnit,
      text: String(v),
    })),
    strata: strataOf(view, weeks, x0, x1, columnWidth),
    anchors: columns.flatMap((c, i) => anchorsOf(c.week, { i, left: left(i), columnWidth, ground, unit: soilUnit })),
    flags: flagsOf(
      view.races.filter((r) => inside(r.date, weeks)),
      at,
      { left: LEFT, right: x1 + RIGHT, top: TOP, ground },
      columns,
    ),
    months: monthsOf(weeks, at, columnWidth),
    days: daysOf(columns, terrain, inUnits, ground, skyUnit),
    today: inside(view.today, weeks) ? at(view.today) : null,
    warning: warningOf(columns, ground, soilUnit),
    strip: [
      { y: bottom, label: "Week", cells: everyFew(weeks.map((w) => String(w.isoWeek))) },
      {
        y: bottom + ROW,
        label: terrain === "distance" ? "Distance" : terrain === "hours" ? "Hours" : "Load, AU",
        cells: everyFew(
          values.map((v) => (v === 0 ? "–" : terrain === "hours" ? v.toFixed(1) : String(Math.round(v)))),
        ),
      },
      {
        y: bottom + 2 * ROW,
        label: "Strength, AU",
        cells: everyFew(weeks.map((w) => String(Math.round(weekStrength(w.sessions).stress) || "–"))),
      },
    ],
    line: lineLayout(columns, bottom + 3 * ROW + 6, every),
    table: { y: bottom + 3 * ROW + 8 + LINE_HEIGHT, rowHeight: TABLE_ROW },
  };
}

const inside = (date: string, weeks: readonly SeasonWeekView[]): boolean => {
  const last = weeks.at(-1);
  return weeks[0] !== undefined && last !== undefined && date >= weeks[0].start && date <= addDays(last.start, 6);
};

/** Terrain from one column to another, meeting its neighbour half way up the slope. */
function terrainPart(
  edges: readonly { x0: number; x1: number; y: number }[],
  from: number,
  to: number,
  columnWidth: number,
): string {
  if (to <= from) return "";
  const slope = Math.min(5, columnWidth / 6);
  const part = edges.slice(from, to);
  const [first, last] = [part[0], part.at(-1)];
  const [before, after] = [edges[from - 1], edges[to]];
  if (!first || !last) return "";
  let path = before
    ? `M${first.x0.toFixed(1)} ${((before.y + first.y) / 2).toFixed(1)}`
    : `M${first.x0.toFixed(1)} ${first.y.toFixed(1)}`;
  part.forEach((c, i) => {
    const right = i === part.length - 1 && !after ? c.x1 : c.x1 - slope;
    path += `L${(i === 0 && !before ? c.x0 : c.x0 + slope).toFixed(1)} ${c.y.toFixed(1)}L${right.toFixed(1)} ${c.y.toFixed(1)}`;
  });
  if (after) path += `L${last.x1.toFixed(1)} ${((last.y + after.y) / 2).toFixed(1)}`;
  return path;
}

function strataOf(
  view: SeasonView,
  weeks: readonly SeasonWeekView[],
  x0: number,
  x1: number,
  columnWidth: number,
): Stratum[] {
  const start = weeks[0]?.start;
  if (!start) return [];
  const xAt = (date: string) => Math.min(x1, Math.max(x0, x0 + (daysBetween(start, date) / 7) * columnWidth));
  const met = new Map<string, number>();
  return view.phases.flatMap((p, index): Stratum[] => {
    const meet = `${view.phases[index - 1]?.phase ?? ""}-${p.phase}`;
    met.set(meet, (met.get(meet) ?? 0) + 1);
    const [a, b] = [xAt(p.start), xAt(addDays(p.end, 1))];
    return b - a < 0.5
      ? []
      : [
          {
            phase: p.phase,
            x0: a,
            x1: b,
            start: p.start,
            end: p.end,
            fixed: p.fixed,
            index,
            edge: `${meet} ${met.get(meet)}`,
            name: fitText(p.phase[0]?.toUpperCase() + p.phase.slice(1), b - a - 10, 12),
          },
        ];
  });
}

function monthsOf(
  weeks: readonly SeasonWeekView[],
  at: (d: string) => number,
  columnWidth: number,
): { x: number; text: string }[] {
  const out: { x: number; text: string }[] = [];
  const first = weeks[0]?.start;
  const last = weeks.at(-1)?.start;
  if (!first || !last) return out;
  const half = (0.5 / 7) * columnWidth;
  for (let d = 0; d <= daysBetween(first, last) + 6; d++) {
    const date = addDays(first, d);
    if (d !== 0 && date.slice(8) !== "01") continue;
    const x = at(date) - half;
    const previous = out.at(-1);
    if (previous && x - previous.x < 26) out.pop();
    out.push({ x, text: monthName(date) });
  }
  return out;
}

/** The planned anchor furthest past its limit, if any. */
function warningOf(columns: SeasonLayout["columns"], ground: number, unit: number): SeasonLayout["warning"] {
  let worst: { over: number; x: number; y: number; week: number } | null = null;
  columns.forEach((c, i) => {
    for (const a of c.week.sessions) {
      const over = a.done || c.week.loadLimit <= 0 ? 0 : Math.round(a.stress - c.week.loadLimit);
      if (over > (worst?.over ?? 0)) worst = { over, x: (c.x0 + c.x1) / 2, y: ground + a.stress * unit, week: i };
    }
  });
  const found = worst as { over: number; x: number; y: number; week: number } | null;
  return found ? { x: found.x, y: found.y, text: `${found.over} over`, week: found.week } : null;
}
