/** Race flags on the season section: they and their words keep clear of each other. */
import type { RaceFlag } from "../../../api/views";
import { monthName } from "../../../core/dates";
import { overlaps, type Rect, textWidth } from "./common";

export interface Flag {
  race: RaceFlag;
  x: number;
  top: number;
  /** 1 to the right, -1 to the left. */
  side: 1 | -1;
  lines: string[];
  textX: number;
  box: Rect;
}

/** Width and height of a flag by priority, px. */
const FLAG = { A: [28, 20], B: [22, 16], C: [18, 14] } as const;

interface Frame {
  left: number;
  right: number;
  top: number;
  ground: number;
}

/**
 * A flags highest, then B, then C; each takes the first free row, its words on the side with room.
 * @param at x of a date
 * @param columns tops of the terrain, so that words stay above it where they can
 */
export function flagsOf(
  races: readonly RaceFlag[],
  at: (date: string) => number,
  frame: Frame,
  columns: readonly { x0: number; x1: number; peak: number; ascentTip: number | null }[],
): Flag[] {
  const { left, right, top: ceiling, ground } = frame;
  const taken: Rect[] = [];
  const order = { A: 0, B: 1, C: 2 };
  return [...races]
    .sort((a, b) => order[a.priority] - order[b.priority] || (a.date < b.date ? -1 : 1))
    .map((race): Flag => {
      const x = Math.round(at(race.date));
      const [fw, fh] = FLAG[race.priority];
      const date = `${Number(race.date.slice(8))} ${monthName(race.date)}${race.days > 1 ? `, ${race.days} days` : ""}`;
      const lines = [race.name, date];
      const w = fw + 8 + Math.max(textWidth(race.name, 12), textWidth(date, 11));
      const h = 28;
      const here = columns.find((c) => x >= c.x0 && x <= c.x1);
      const sky = Math.min(here?.ascentTip ?? ground, here?.peak ?? ground) - h - 6;
      const start = ceiling + { A: 6, B: 34, C: 60 }[race.priority];
      const free = (box: Rect) => box.x >= left + 2 && box.x + box.w <= right && !taken.some((t) => overlaps(t, box));
      // First in the sky, then over the terrain, where the words have a halo.
      for (const lowest of [Math.max(start, sky), ground - h - 8])
        for (const side of [1, -1] as const)
          for (let top = start; top <= lowest; top += 8) {
            const box = { x: side === 1 ? x - 2 : x - w + 2, y: top - 2, w, h: h + 4 };
            if (!free(box)) continue;
            taken.push(box);
            return { race, x, top, side, lines, textX: side === 1 ? x + fw + 6 : x - fw - 6, box };
          }
      // No room for its words: the flag alone, its name in the table twin.
      const side = x + fw > right ? -1 : 1;
      const alone = (top: number): Rect => ({ x: side === 1 ? x - 2 : x - fw - 2, y: top - 2, w: fw + 4, h: fh + 4 });
      let top = start;
      while (top < ground - fh - 8 && taken.some((t) => overlaps(t, alone(top)))) top += 6;
      taken.push(alone(top));
      return { race, x, top, side, lines: [], textX: x, box: alone(top) };
    });
}
