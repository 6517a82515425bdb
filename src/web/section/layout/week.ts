/** Layout of the week section: seven days and the Sunday before, blocks of endurance above, anchors below. */
import type { WeekView } from "../../../api/views";
import type { SessionKind } from "../../../core/athlete";
import { addDays, dayName, daysBetween, MINUTES_A_DAY } from "../../../core/dates";
import { bandSets } from "../patterns";
import {
  type AnchorShape,
  anchorShape,
  fitText,
  gridValues,
  overlaps,
  type Rect,
  steppedEdge,
  textWidth,
} from "./common";
import { keyFreshness } from "./freshness";

export interface WeekLayoutInput {
  view: WeekView;
  width: number;
  height: number;
  /** Two lines of words for an endurance session. */
  words: (e: WeekView["endurance"][number]) => string[];
  /** Name and figures of a strength session. */
  tag: (s: WeekView["sessions"][number]) => [string, string];
}

export interface EnduranceBlock {
  id: string;
  path: string;
  area: string;
  done: boolean;
  key: { x0: number; x1: number; y: number } | null;
  x: number;
  peak: number;
  rect: Rect;
  label: { x: number; y: number; lines: string[]; anchor: "start" | "end" };
}

export interface WeekAnchor extends AnchorShape {
  index: number;
  tag: { rect: Rect; lines: [string, string]; warning: string | null };
}

export interface WeekLayout {
  x0: number;
  carry: number;
  x1: number;
  top: number;
  ground: number;
  bottom: number;
  days: {
    date: string;
    x0: number;
    x1: number;
    title: string;
    limit: number;
    /** What is said of a day without endurance: nothing where there is some. */
    empty: string[];
    load: number;
    trainingLoad: number;
  }[];
  enduranceBlocks: EnduranceBlock[];
  anchors: WeekAnchor[];
  rock: string;
  rockArea: string;
  soilArea: string;
  skyGrid: { y: number; text: string }[];
  soilGrid: { y: number; text: string }[];
  windows: (Rect & { text: string })[];
  today: number | null;
  flags: { x: number; name: string; priority: "A" | "B" | "C"; text: string }[];
  dayWidth: number;
  /** Pixels of one AU of training load. */
  soilUnit: number;
  /** Leg freshness as a water table: deeper is less fresh. */
  freshness: {
    path: string;
    start: { x: number; y: number };
    tired: number;
    marks: { x: number; y: number; value: number }[];
  } | null;
}

/** A free day of a planned week is rest; what is not planned is not known, and what stands in for it says so. */
function emptyDay(view: WeekView, date: string): string[] {
  if (view.endurance.some((e) => e.date === date) || view.races.some((r) => r.date === date)) return [];
  const standsIn = view.standsIn.filter((e) => e.date === date);
  if (standsIn.length > 0) return ["Assumed:", ...standsIn.map((e) => `${e.kind} ${Math.round(e.minutes)} min`)];
  return view.known === "all" ? ["Rest"] : ["Nothing", "planned here"];
}

const LEFT = 80;
const CARRY = 48;
const RIGHT = 12;
const TOP = 44;
const STRIP = 40;
const LABEL_LINE = 14;

/** Highest point of the labels above the highest endurance block. */
const SKY_FOR_LABELS = 62;

/** Top edge by kind: share of the width, px below the peak. */
function signature(kind: SessionKind, hilly: boolean): [number, number][] {
  if (kind === "intervals" || kind === "threshold")
    return Array.from({ length: 6 }, (_, i) => i / 6).flatMap((s): [number, number][] => [
      [s + 0.01, 6],
      [s + 0.037, 0],
      [s + 0.13, 0],
      [s + 0.157, 6],
    ]);
  if (kind === "long" || kind === "race")
    return [
      [0, 7],
      [0.12, 3],
      [0.26, 5],
      [0.42, 0],
      [0.55, 3],
      [0.7, 1],
      [0.84, 5],
      [1, 8],
    ];
  if (hilly)
    return [
      [0, 9],
      [0.16, 0],
      [0.34, 9],
      [0.5, 1],
      [0.67, 9],
      [0.84, 0],
      [1, 9],
    ];
  return [
    [0, 0],
    [1, 0],
  ];
}

export function weekLayout(input: WeekLayoutInput): WeekLayout {
  const { view, width, height } = input;
  const dayWidth = (width - LEFT - CARRY - RIGHT) / 7;
  const half = dayWidth / 2;
  const x0 = LEFT + CARRY;
  const x1 = x0 + dayWidth * 7;
  const bottom = height - STRIP - 8;
  const ground = Math.round(TOP + (bottom - TOP) * 0.5);
  const loads = view.endurance.map((e) => e.load);
  const most = Math.max(60, ...loads);
  const skyUnit = (ground - TOP - SKY_FOR_LABELS) / most;
  const deepest = Math.max(120, ...view.dayLimits, ...view.sessions.map((s) => s.stress));
  const soilUnit = (bottom - ground - 46) / deepest;
  const dayX = (date: string) => x0 + daysBetween(view.monday, date) * dayWidth;

  const days = Array.from({ length: 7 }, (_, i) => {
    const date = addDays(view.monday, i);
    const sessions = view.sessions.filter((s) => s.date === date);
    return {
      date,
      x0: x0 + i * dayWidth,
      x1: x0 + (i + 1) * dayWidth,
      title: `${dayName(date)} ${Number(date.slice(8))}`,
      limit: view.dayLimits[i] ?? 0,
      empty: emptyDay(view, date),
      load: view.endurance.filter((e) => e.date === date).reduce((a, e) => a + e.load, 0),
      trainingLoad: sessions.reduce((a, s) => a + s.stress, 0),
    };
  });
  const edge = [
    { x0: LEFT, x1: x0, y: ground + (days[0]?.limit ?? 0) * soilUnit },
    ...days.map((d) => ({ x0: d.x0, x1: d.x1, y: ground + d.limit * soilUnit })),
  ];
  const rock = steppedEdge(edge, 6);

  return {
    dayWidth,
    soilUnit,
    freshness: freshnessOf(view, x0, dayWidth, ground, bottom),
    x0,
    carry: LEFT,
    x1,
    top: TOP,
    ground,
    bottom,
    days,
    enduranceBlocks: enduranceBlocksOf(input, dayX, dayWidth, ground, skyUnit),
    anchors: anchorsOf(input, { dayX, half, ground, unit: soilUnit, bottom, x1 }),
    rock,
    rockArea: `${rock}L${x1} ${bottom}L${LEFT} ${bottom}Z`,
    soilArea: `${rock}L${x1} ${ground}L${LEFT} ${ground}Z`,
    skyGrid: gridValues(most, 3).map((v) => ({ y: ground - v * skyUnit, text: String(v) })),
    soilGrid: gridValues((bottom - ground - 10) / soilUnit, 4).map((v) => ({
      y: ground + v * soilUnit,
      text: String(v),
    })),
    windows: view.windows.map((w) => {
      const x = dayX(w.date) + (Math.min(w.start, 1380) / MINUTES_A_DAY) * dayWidth;
      return {
        x,
        y: ground,
        w: Math.max(6, (w.minutes / MINUTES_A_DAY) * dayWidth),
        h: 5,
        text: `${w.place}, ${w.minutes} min`,
      };
    }),
    today: view.today >= view.monday && view.today <= addDays(view.monday, 6) ? dayX(view.today) + 4 : null,
    flags: view.races.map((r) => ({
      x: dayX(r.date) + half,
      name: r.name,
      priority: r.priority,
      text: fitText(r.name, dayWidth - 16, 12),
    })),
  };
}

/** The curve between the ground line (100) and the foot of the soil (0), with a mark where each key session begins. */
function freshnessOf(
  view: WeekView,
  x0: number,
  dayWidth: number,
  ground: number,
  bottom: number,
): WeekLayout["freshness"] {
  const { curve, tired } = view.freshness;
  if (curve.length === 0) return null;
  const yOf = (v: number) => ground + 8 + (1 - v / 100) * (bottom - ground - 16);
  const xOf = (minute: number) => x0 + (minute / MINUTES_A_DAY) * dayWidth;
  const path = curve.map(([m, v], i) => `${i === 0 ? "M" : "L"}${xOf(m).toFixed(1)} ${yOf(v).toFixed(1)}`).join("");
  const marks = keyFreshness(view).map(({ minute, value }) => ({ x: xOf(minute), y: yOf(value), value }));
  const start = { x: xOf(curve[0]?.[0] ?? 0), y: yOf(curve[0]?.[1] ?? 100) };
  return { path, start, tired: yOf(tired), marks };
}

function enduranceBlocksOf(
  input: WeekLayoutInput,
  dayX: (d: string) => number,
  dayWidth: number,
  ground: number,
  unit: number,
): EnduranceBlock[] {
  const { view } = input;
  const half = dayWidth / 2;
  const placed: Rect[] = [];
  const perHalf = new Map<string, number>();
  const shaped = view.endurance.map((e) => {
    const before = e.date < view.monday;
    const pm = e.startMinutes >= 12 * 60;
    const slot = `${e.date}/${before ? "" : pm}`;
    const n = perHalf.get(slot) ?? 0;
    perHalf.set(slot, n + 1);
    const middle = before ? LEFT + CARRY / 2 : dayX(e.date) + (pm ? half * 1.5 : half * 0.5) + n * 10;
    const scale = before ? 0.62 : Math.min(1.2, half / 56);
    const [topHalf, footHalf] = [23 * scale, 38 * scale];
    const h = Math.max(3, e.load * unit);
    const peak = ground - h;
    const points = signature(e.kind, (e.ascentM ?? 0) / Math.max(1, e.distanceKm ?? 10) > 25);
    const ridge = points
      .map(([t, d]) => `L${(middle - topHalf + t * topHalf * 2).toFixed(1)} ${(peak + Math.min(d, h / 2)).toFixed(1)}`)
      .join("");
    const path = `M${(middle - footHalf).toFixed(1)} ${ground}L${(middle - topHalf - 4 * scale).toFixed(1)} ${(ground - h * 0.2).toFixed(1)}${ridge}L${(middle + topHalf + 4 * scale).toFixed(1)} ${(ground - h * 0.2).toFixed(1)}L${(middle + footHalf).toFixed(1)} ${ground}`;
    return { e, before, pm, middle, topHalf, footHalf, peak, h, path };
  });
  // The highest speak first, so that lower labels make way.
  const byHeight = [...shaped].sort((a, b) => a.peak - b.peak);
  const labels = new Map<string, EnduranceBlock["label"]>();
  for (const s of byHeight) {
    const lines = s.before
      ? [fitText(input.words(s.e)[0] ?? "", CARRY - 4, 12)]
      : input.words(s.e).map((t) => fitText(t, dayWidth - 8, 11));
    const w = Math.max(...lines.map((t) => textWidth(t, 11)));
    const h = lines.length * LABEL_LINE;
    const anchor = s.pm && !s.before ? "end" : "start";
    const x = s.before ? LEFT + 4 : anchor === "start" ? dayX(s.e.date) + 6 : dayX(s.e.date) + dayWidth - 6;
    let y = s.peak - (s.e.isKey ? 12 : 7);
    const boxAt = (at: number): Rect => ({ x: anchor === "start" ? x : x - w, y: at - h, w, h });
    for (let tries = 0; tries < 40 && placed.some((p) => overlaps(p, boxAt(y))); tries++) y -= 4;
    placed.push(boxAt(y));
    labels.set(s.e.id, { x, y, lines, anchor });
  }
  return shaped.map((s) => ({
    id: s.e.id,
    path: s.path,
    area: `${s.path}Z`,
    done: s.e.done === true || s.e.date < view.today,
    key: s.e.isKey ? { x0: s.middle - s.topHalf, x1: s.middle + s.topHalf, y: s.peak - 5 } : null,
    x: s.middle,
    peak: s.peak,
    rect: { x: s.middle - s.footHalf, y: s.peak, w: s.footHalf * 2, h: s.h },
    label: labels.get(s.e.id) ?? { x: s.middle, y: s.peak, lines: [], anchor: "start" },
  }));
}

interface WeekGround {
  /** Left edge of a date's column. */
  dayX: (d: string) => number;
  /** Half a day's width. */
  half: number;
  ground: number;
  unit: number;
  bottom: number;
  x1: number;
}

function anchorsOf(input: WeekLayoutInput, { dayX, half, ground, unit, bottom, x1 }: WeekGround): WeekAnchor[] {
  const { view } = input;
  const placed: Rect[] = [];
  return view.sessions.flatMap((s, index): WeekAnchor[] => {
    const before = s.date < view.monday;
    const middle = before ? LEFT + CARRY / 2 : dayX(s.date) + (s.start >= 12 * 60 ? half * 1.5 : half * 0.5);
    const width = before ? 22 : Math.max(20, Math.min(half * 0.85, s.minutes * 0.8));
    const shape = anchorShape(
      {
        key: `${s.date}-${s.label}`,
        stress: s.stress,
        bands: bandSets(s.bands),
        done: s.done,
        locked: s.locked,
        limit: 0,
      },
      { x: middle, width, ground, perUnit: unit, perSet: 6, leastBand: 13 },
    );
    if (before) return [];
    const lines = input.tag(s);
    const w =
      Math.max(textWidth(lines[0], 12), textWidth(lines[1], 11), s.warning ? textWidth(s.warning, 11) + 16 : 0) + 10;
    const h = s.warning ? 46 : 32;
    const x = Math.max(LEFT + 4, Math.min(x1 - w, s.start >= 12 * 60 ? shape.x1 + 3 - w : shape.x0 - 3));
    let y = shape.foot + 5;
    if (y + h > bottom - 2) y = bottom - 2 - h;
    for (let tries = 0; tries < 30 && placed.some((p) => overlaps(p, { x, y, w, h })); tries++) y -= 4;
    const rect = { x, y, w, h };
    placed.push(rect);
    return [{ ...shape, index, tag: { rect, lines, warning: s.warning } }];
  });
}
