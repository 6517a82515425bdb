/** Drawing on paper: fonts that ship with the application, text in columns, plates, boxes to write in. Points, A4. */
import { createRequire } from "node:module";
import PDFDocument from "pdfkit";

export const A4 = { w: 595.28, h: 841.89 };
export const MARGIN = 30;
const require = createRequire(import.meta.url);
const file = (set: string, weight: number): string =>
  require.resolve(`@fontsource/archivo/files/archivo-${set}-${weight}-normal.woff`);

export type Weight = 400 | 600 | 700;
export type Doc = InstanceType<typeof PDFDocument>;

/** @returns a document with the fonts in it and no page yet */
export function openDoc(title: string): Doc {
  const doc = new PDFDocument({
    size: "A4",
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Author: "Field Anchor", Creator: "Field Anchor" },
  });
  for (const weight of [400, 600, 700]) {
    doc.registerFont(`latin-${weight}`, file("latin", weight));
    doc.registerFont(`latin-ext-${weight}`, file("latin-ext", weight));
  }
  return doc;
}

export const toBuffer = (doc: Doc): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    doc.on("data", (part: Buffer) => parts.push(part));
    doc.on("end", () => resolve(Buffer.concat(parts)));
    doc.on("error", reject);
    doc.end();
  });

/** Letters beyond Latin-1 come from the second font; what neither has becomes a question mark. */
const EXTENDED = /[\u0100-\u024f\u1e00-\u1eff]/;
const KNOWN = /[ -\u024f\u1e00-\u1eff\u2010-\u2026\u2032\u2033\u20ac\u2122\u2212\u00a0]/;
const clean = (text: string): string =>
  [...text]
    .map((c) => (KNOWN.test(c) ? c : "?"))
    .join("")
    .replaceAll("−", "-");

function runsOf(text: string): { text: string; set: "latin" | "latin-ext" }[] {
  const runs: { text: string; set: "latin" | "latin-ext" }[] = [];
  for (const c of clean(text)) {
    const set = EXTENDED.test(c) ? "latin-ext" : "latin";
    const last = runs.at(-1);
    if (last?.set === set) last.text += c;
    else runs.push({ text: c, set });
  }
  return runs;
}

export interface TextStyle {
  size: number;
  weight?: Weight;
  colour?: string;
  width?: number;
  align?: "left" | "right" | "center";
}

const widthOf = (doc: Doc, text: string, size: number, weight: Weight): number =>
  runsOf(text).reduce((a, r) => a + doc.font(`${r.set}-${weight}`).fontSize(size).widthOfString(r.text), 0);

/** Words broken to a width. */
export function linesOf(doc: Doc, text: string, width: number, size: number, weight: Weight = 400): string[] {
  const lines: string[] = [];
  let line = "";
  for (const word of text.split(/[ \n]+/)) {
    const next = line === "" ? word : `${line} ${word}`;
    if (line !== "" && widthOf(doc, next, size, weight) > width) {
      lines.push(line);
      line = word;
    } else line = next;
  }
  if (line !== "") lines.push(line);
  return lines;
}

/** One line at a place; smaller where it would not fit the width. @returns the width it took */
export function put(doc: Doc, text: string, x: number, y: number, s: TextStyle): number {
  const weight = s.weight ?? 400;
  let { size } = s;
  let wide = widthOf(doc, text, size, weight);
  if (s.width !== undefined && wide > s.width) {
    size = Math.max(6, (size * s.width) / wide);
    wide = widthOf(doc, text, size, weight);
  }
  let at = s.align === "right" ? x + (s.width ?? 0) - wide : s.align === "center" ? x + ((s.width ?? 0) - wide) / 2 : x;
  for (const run of runsOf(text)) {
    doc
      .font(`${run.set}-${weight}`)
      .fontSize(size)
      .fillColor(s.colour ?? "#000");
    doc.text(run.text, at, y + (s.size - size) * 0.8, { lineBreak: false });
    at += doc.widthOfString(run.text);
  }
  return wide;
}

interface Lines {
  x: number;
  y: number;
  width: number;
  size: number;
  weight?: Weight;
}

/** Lines of text under each other. @returns the y below the last */
export function paragraph(doc: Doc, text: string, { x, y, width, size, weight = 400 }: Lines): number {
  const lines = linesOf(doc, text, width, size, weight);
  lines.forEach((line, i) => {
    put(doc, line, x, y + i * size * 1.28, { size, weight });
  });
  return y + lines.length * size * 1.28;
}

/** Plates of one side, by their mass, as they go on. @returns the width taken */
export function plates(doc: Doc, perSideKg: readonly number[], x: number, y: number, height: number): number {
  const mid = y + height / 2;
  doc
    .lineWidth(1.5)
    .strokeColor("#000")
    .moveTo(x, mid)
    .lineTo(x + 6, mid)
    .stroke();
  let at = x + 6;
  for (const kg of perSideKg) {
    const h = height * (0.34 + 0.66 * Math.min(1, kg / 20) ** 0.6);
    const w = kg >= 10 ? 5 : 3.5;
    doc
      .lineWidth(0.7)
      .rect(at, mid - h / 2, w, h)
      .fillAndStroke(kg >= 10 ? "#555" : "#ccc", "#000");
    at += w + 1;
  }
  doc
    .lineWidth(1.5)
    .strokeColor("#000")
    .moveTo(at, mid)
    .lineTo(at + 6, mid)
    .stroke();
  return at + 6 - x;
}

export const rule = (doc: Doc, x: number, y: number, width: number, weight = 0.7): void => {
  doc
    .lineWidth(weight)
    .strokeColor("#000")
    .moveTo(x, y)
    .lineTo(x + width, y)
    .stroke();
};
