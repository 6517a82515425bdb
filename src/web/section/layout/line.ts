/** The line of the blocks under the ground section: boxes of blocks, a stair of percent, sets and repetitions by week. */
import type { SeasonWeekView } from "../../../api/views";
import type { LineLayout, SeasonLayout } from "./seasonTypes";

/** Heights, px. */
const BOX = 20;
const STAIR = 52;
const ROW = 18;
export const LINE_HEIGHT = BOX + STAIR + 3 * ROW + 12;

type Column = SeasonLayout["columns"][number];

/** What a run of weeks is called, the longest name first: the same key holds them together. */
function boxOf(w: SeasonWeekView): { key: string; names: string[] } {
  if (w.block) {
    const { nth, of, start } = w.block;
    return {
      key: start,
      names: [`Block ${nth} of ${w.phase} · ${of}`, `Block ${nth} · ${of}`, `Block ${nth}`, `${nth}`],
    };
  }
  if (w.stepBack) return { key: "back", names: ["Step-back", "Back"] };
  if (w.emphasis === "hold") return { key: "hold", names: ["Hold"] };
  if (w.emphasis === "restore") return { key: "restore", names: ["Stages after the race", "Stages", "St."] };
  return { key: w.emphasis, names: [`${w.emphasis[0]?.toUpperCase()}${w.emphasis.slice(1)}`] };
}

/** px of a letter of the boxes' condensed type. */
const LETTER = 5.1;

function boxesOf(columns: readonly Column[], y: number): LineLayout["boxes"] {
  const out: { key: string; x0: number; x1: number; names: string[] }[] = [];
  for (const c of columns) {
    const { key, names } = boxOf(c.week);
    const last = out.at(-1);
    // A step-back closes the block it ends.
    if (last && key === "back") {
      last.x1 = c.x1;
      if (!last.names[0]?.includes("step-back"))
        last.names = last.names.flatMap((n, i) => (i < 2 ? [`${n} + step-back`, n] : [n]));
    } else if (last?.key === key) last.x1 = c.x1;
    else out.push({ key, x0: c.x0, x1: c.x1, names });
  }
  return out.map(({ key, x0, x1, names }) => ({
    key: `${key}@${x0}`,
    x0,
    x1,
    y,
    h: BOX - 4,
    text: [...names].sort((a, b) => b.length - a.length).find((n) => n.length * LETTER <= x1 - x0 - 9) ?? "",
  }));
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
