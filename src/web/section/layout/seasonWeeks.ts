/** What one week of the season section shows beside its height: sports, days, anchors. */
import type { SeasonWeekView } from "../../../api/views";
import type { SessionSport } from "../../../core/athlete";
import { addDays, dayName, daysBetween } from "../../../core/dates";
import { bandSets } from "../patterns";
import { anchorShape } from "./common";
import type { SeasonLayout, Terrain } from "./seasonTypes";

/** From this width on a week shows its days, px. */
const WEEK_OF_DAYS = 98;

/** Each day's share of its week as a post, seven times as high, so that seven equal days reach the week's own height. */
export function daysOf(
  columns: SeasonLayout["columns"],
  terrain: Terrain,
  inUnits: (km: number) => number,
  ground: number,
  unit: number,
): SeasonLayout["days"] {
  const width = (columns[0]?.x1 ?? 0) - (columns[0]?.x0 ?? 0);
  if (width < WEEK_OF_DAYS) return [];
  const values = columns.map((c) =>
    c.week.days.map((d) =>
      terrain === "distance" ? inUnits(d.distanceKm) : terrain === "hours" ? d.minutes / 60 : d.load,
    ),
  );
  const most = Math.max(1e-9, ...values.flat());
  const tallest = Math.max(...columns.map((c) => c.value)) * unit;
  return columns.flatMap((c, w) =>
    c.week.days.map((d, i) => {
      const date = addDays(c.week.start, i);
      const value = values[w]?.[i] ?? 0;
      return {
        x0: c.x0 + (i * width) / 7,
        x1: c.x0 + ((i + 1) * width) / 7,
        date,
        text: width >= 320 ? `${dayName(date)} ${Number(date.slice(8))}` : String(Number(date.slice(8))),
        top: value > 0 ? ground - (value / most) * tallest * 0.9 : null,
        done: d.done,
      };
    }),
  );
}

/** The sports of a week one on the other, most load lowest. */
export function layersOf(
  week: SeasonWeekView,
  terrain: Terrain,
  inUnits: (km: number) => number,
  ground: number,
  unit: number,
): { sport: SessionSport; y: number }[] {
  if (week.sports.length < 2) return [];
  let sum = 0;
  return week.sports.map((s) => {
    sum += terrain === "distance" ? inUnits(s.distanceKm) : terrain === "hours" ? s.minutes / 60 : s.load;
    return { sport: s.sport, y: ground - sum * unit };
  });
}

/** A week's column: its number, its left edge and width, the ground line and px an AU. */
interface WeekColumn {
  i: number;
  left: number;
  columnWidth: number;
  ground: number;
  unit: number;
}

export function anchorsOf(week: SeasonWeekView, { i, left, columnWidth, ground, unit }: WeekColumn) {
  const widths = week.sessions.map((a) =>
    Math.max(4, Math.min(columnWidth * 0.32, a.minutes * 0.17 * (columnWidth / 32))),
  );
  const byDay = columnWidth >= WEEK_OF_DAYS;
  const gap = week.sessions.length >= 3 ? columnWidth * 0.08 : columnWidth * 0.17;
  const sum = widths.reduce((a, b) => a + b, 0) + gap * Math.max(0, widths.length - 1);
  const squeeze = sum > columnWidth - 2 ? (columnWidth - 2) / sum : 1;
  let x = left + (columnWidth - sum * squeeze) / 2;
  return week.sessions.map((a, k) => {
    const w = byDay ? Math.max(8, Math.min(columnWidth / 9, a.minutes * 0.3)) : (widths[k] ?? 4) * squeeze;
    const middle = byDay ? left + ((daysBetween(week.start, a.date) + 0.5) / 7) * columnWidth : x + w / 2;
    const shape = anchorShape(
      {
        key: `${week.start}-${a.label}-${k}`,
        stress: a.stress,
        bands: bandSets(a.bands),
        done: a.done,
        locked: a.locked,
        limit: a.done ? 0 : week.loadLimit,
      },
      { x: middle, width: w, ground, perUnit: unit, perSet: 4 },
    );
    x += w + gap * squeeze;
    return { ...shape, week: i, date: a.date, label: a.label, minutes: a.minutes };
  });
}
