/** The line of the blocks under the ground section: boxes of blocks, a stair of percent, sets and repetitions by week. */
import type { SeasonWeekView } from "../../../api/views";
import { fitText } from "./common";
import type { SeasonLayout } from "./seasonTypes";

/** Heights, px. */
const BOX = 20;
const STAIR = 52;
const ROW = 18;
export const LINE_HEIGHT = BOX + STAIR + 3 * ROW + 12;

export interface LineLayout {
  y: number;
  height: number;
  boxes: { key: string; x0: number; x1: number; y: number; h: number; text: string }[];
  /** Points of the stair; `path` goes through those that stand side by side. */
  points: { index: number; x: number; y: number; text: string; done: boolean; held: boolean }[];
  path: string;
  stair: { y: number; h: number };
  rows: { y: number; label: string; cells: string[] }[];
}

type Column = SeasonLayout["columns"][number];

/** What a run of weeks is called: the same name holds them together. */
function boxOf(w: SeasonWeekView): { key: string; text: string } {
  if (w.block) {
    const { nth, of, start } = w.block;
    return { key: start, text: `Block ${nth} of ${w.phase}, ${of} ${of === 1 ? "week" : "weeks"}` };
  }
  if (w.stepBack) return { key: "back", text: "step-back" };
  if (w.emphasis === "hold") return { key: "hold", text: "Hold" };
  if (w.emphasis === "restore") return { key: "restore", text: "Stages after the race" };
  return { key: w.emphasis, text: `${w.emphasis[0]?.toUpperCase()}${w.emphasis.slice(1)}` };
}

function boxesOf(columns: readonly Column[], y: number): LineLayout["boxes"] {
  const out: LineLayout["boxes"] = [];
  for (const c of columns) {
    const { key, text } = boxOf(c.week);
    const last = out.at(-1);
    // A step-back closes the block it ends.
    if (last && (key === last.key || key === "back")) {
      last.x1 = c.x1;
      if (key === "back" && !last.text.includes("step-back")) last.text += " + step-back";
    } else out.push({ key, x0: c.x0, x1: c.x1, y, h: BOX - 4, text });
  }
  return out.map((b) => ({ ...b, key: `${b.key}@${b.x0}`, text: fitText(b.text, b.x1 - b.x0 - 8, 11) }));
}

/** @param y top, px @param every figures of every nth week alone, where columns are narrow */
export function lineLayout(columns: readonly Column[], y: number, every: number): LineLayout {
  const percents = columns.flatMap((c) => c.week.line.percent ?? []);
  const [low, high] = [Math.min(...percents), Math.max(...percents)];
  const stair = { y: y + BOX, h: STAIR };
  const at = (percent: number): number =>
    stair.y + stair.h - 8 - ((percent - low) / Math.max(1, high - low)) * (stair.h - 28);
  const points = columns.flatMap((c, i): LineLayout["points"] => {
    const { percent, done, held } = c.week.line;
    if (percent === null) return [];
    const text = i % every === 0 ? `${percent}%` : "";
    return [{ index: i, x: (c.x0 + c.x1) / 2, y: at(percent), text, done, held }];
  });
  const path = points
    .map((p, i) => {
      const before = points[i - 1];
      const edge = columns[p.index]?.x0 ?? p.x;
      const joined = before !== undefined && before.index === p.index - 1;
      const from = joined
        ? `L${edge.toFixed(1)} ${before.y.toFixed(1)}L${edge.toFixed(1)} ${p.y.toFixed(1)}`
        : `M${edge.toFixed(1)} ${p.y.toFixed(1)}`;
      return `${from}L${(columns[p.index]?.x1 ?? p.x).toFixed(1)} ${p.y.toFixed(1)}`;
    })
    .join("");
  const cells = (of: (w: SeasonWeekView) => string | null): string[] =>
    columns.map((c, i) => (i % every === 0 ? (of(c.week) ?? "") : ""));
  const top = y + BOX + STAIR;
  return {
    y,
    height: LINE_HEIGHT,
    boxes: boxesOf(columns, y + 2),
    points,
    path,
    stair,
    rows: [
      { y: top, label: "Squat, hinge", cells: cells((w) => w.line.main) },
      { y: top + ROW, label: "Single leg", cells: cells((w) => w.line.single) },
      { y: top + 2 * ROW, label: "Hops, jumps", cells: cells((w) => w.line.jumps) },
    ],
  };
}
