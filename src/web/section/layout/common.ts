/** Pieces of the ground section that both layouts share. Pure: values in, rectangles and labels out. */
import type { BandId } from "../patterns";

export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface PlacedLabel extends Rect {
  text: string;
  anchor: "start" | "end" | "middle";
}

export interface AnchorShape {
  key: string;
  /** Middle of the stem, left and right of the block. */
  x: number;
  x0: number;
  x1: number;
  /** Top and foot of the block. */
  top: number;
  foot: number;
  bands: { id: BandId; y: number; h: number }[];
  done: boolean;
  locked: boolean;
  /** AU past what the week takes; 0 inside it. */
  over: number;
}

/** Mean advance of a character in Archivo at 82% width, as a share of the font size; on the safe side. */
const ADVANCE = 0.5;
/** @returns estimated width of a text, px */
export const textWidth = (text: string, size = 11): number => text.length * size * ADVANCE;

/** @returns the text, or its beginning with an ellipsis where it would not fit */
export function fitText(text: string, width: number, size = 12): string {
  if (textWidth(text, size) <= width) return text;
  const room = Math.floor(width / (size * ADVANCE)) - 1;
  return room < 2 ? "" : `${text.slice(0, room).trimEnd()}…`;
}

export const overlaps = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** A round step so that about `lines` grid lines fit below `most`. */
export function gridStep(most: number, lines: number): number {
  const raw = most / Math.max(1, lines);
  const power = 10 ** Math.floor(Math.log10(Math.max(raw, 1e-9)));
  return [1, 2, 2.5, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? 10 * power;
}

/** Values of the grid above 0, up to `most`. */
export function gridValues(most: number, lines: number): number[] {
  const step = gridStep(most, lines);
  const out: number[] = [];
  for (let v = step; v <= most + 1e-9; v += step) out.push(Math.round(v * 1000) / 1000);
  return out;
}

interface AnchorInput {
  key: string;
  stress: number;
  bands: [BandId, number][];
  done: boolean;
  locked: boolean;
  limit: number;
}

/** Where a block is drawn, px. */
interface AnchorPlace {
  /** Middle of the block. */
  x: number;
  width: number;
  /** y of the ground line. */
  ground: number;
  /** An AU of training load. */
  perUnit: number;
  /** A hard set; shrunk where the block would stand above the ground. */
  perSet: number;
  leastBand?: number;
}

export function anchorShape(
  a: AnchorInput,
  { x, width, ground, perUnit, perSet, leastBand = 0 }: AnchorPlace,
): AnchorShape {
  const foot = ground + a.stress * perUnit;
  const natural = a.bands.map(([, sets]) => Math.max(leastBand, sets * perSet));
  const sum = natural.reduce((p, h) => p + h, 0);
  const room = Math.max(4, foot - ground - 6);
  const scale = sum > room ? room / sum : 1;
  let y = foot - sum * scale;
  const top = y;
  const bands = a.bands.map(([id], i) => {
    const h = (natural[i] ?? 0) * scale;
    const band = { id, y, h };
    y += h;
    return band;
  });
  return {
    key: a.key,
    x,
    x0: x - width / 2,
    x1: x + width / 2,
    top,
    foot,
    bands,
    done: a.done,
    locked: a.locked,
    over: a.limit > 0 && a.stress > a.limit ? Math.round(a.stress - a.limit) : 0,
  };
}

/** Path of a stepped edge: flat over each column, short slopes between. */
export function steppedEdge(columns: readonly { x0: number; x1: number; y: number }[], slope: number): string {
  return columns
    .map((c, i) => {
      const left = i === 0 ? c.x0 : c.x0 + slope;
      const right = i === columns.length - 1 ? c.x1 : c.x1 - slope;
      return `${i === 0 ? "M" : "L"}${left.toFixed(1)} ${c.y.toFixed(1)}L${right.toFixed(1)} ${c.y.toFixed(1)}`;
    })
    .join("");
}
