/** Session cards as PDF, one or four to a page: big figures, plates, boxes to write in, cautions, the statement. */

import type { Card, CardRow } from "../../api/make/card";
import { together } from "../../core/session";
import { A4, type Doc, linesOf, MARGIN, openDoc, paragraph, plates, put, rule, toBuffer } from "./draw";

interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Sizes of the large card and of the quarter. */
const SIZES = {
  1: { name: 20, title: 13, exercise: 13, dose: 20, load: 22, small: 9.5, box: 24, gap: 10 },
  4: { name: 12, title: 8.5, exercise: 8.5, dose: 11.5, load: 12.5, small: 6.8, box: 14, gap: 4.5 },
} as const;

/** @param per cards on a page @returns the PDF */
export async function cardsPdf(cards: readonly Card[], per: 1 | 4): Promise<Buffer> {
  const doc = openDoc(cards.length === 1 ? `${cards[0]?.athlete}, ${cards[0]?.title}` : "Session cards");
  cards.forEach((card, n) => {
    if (n % per === 0) doc.addPage();
    drawCard(doc, card, boxOf(n % per, per), per);
  });
  if (cards.length === 0) doc.addPage();
  return toBuffer(doc);
}

function boxOf(n: number, per: 1 | 4): Box {
  if (per === 1) return { x: MARGIN, y: MARGIN, w: A4.w - 2 * MARGIN, h: A4.h - 2 * MARGIN };
  const [w, h] = [A4.w / 2, A4.h / 2];
  return { x: (n % 2) * w + 16, y: Math.floor(n / 2) * h + 16, w: w - 32, h: h - 32 };
}

function drawCard(doc: Doc, card: Card, box: Box, per: 1 | 4): void {
  const s = SIZES[per];
  let y = box.y;
  put(doc, card.athlete, box.x, y, { size: s.name, weight: 700, width: box.w * 0.56 });
  put(doc, card.title, box.x + box.w * 0.58, y + 1, {
    size: s.title,
    weight: 600,
    width: box.w * 0.42,
    align: "right",
  });
  y += s.name * 1.2;
  put(doc, card.when, box.x, y, { size: s.small + 1, width: box.w });
  y += (s.small + 1) * 1.5;
  rule(doc, box.x, y, box.w, 1.4);
  y += s.gap;
  // What stands below the rows is measured first, so that it always has its room.
  const cautions = [...(card.note ? [`Note: ${card.note}`] : []), ...card.cautions];
  const atHome = card.homework.map((h) => `At home: ${h}`);
  const foot = [
    ...cautions.flatMap((c) => linesOf(doc, c, box.w - 8, s.small)),
    ...atHome.flatMap((h) => linesOf(doc, h, box.w - 8, s.small)),
    ...linesOf(doc, card.statement, box.w, s.small),
  ].length;
  const footHeight = foot * s.small * 1.28 + s.gap * 2;
  const room = box.h - (y - box.y) - footHeight;
  const wanted = card.rows.map((r) => heightOf(r, per));
  const all = wanted.reduce((a, h) => a + h, 0);
  const squeeze = Math.min(1, room / Math.max(1, all));
  card.rows.forEach((r, i) => {
    const h = (wanted[i] ?? 0) * squeeze;
    drawRow(doc, { row: r, next: card.rows[i + 1] }, { x: box.x, y, w: box.w, h }, { per, squeeze });
    y += h;
  });
  y = box.y + box.h - footHeight + s.gap;
  rule(doc, box.x, y - s.gap / 2, box.w, 0.7);
  for (const c of cautions) {
    put(doc, "–", box.x, y, { size: s.small });
    y = paragraph(doc, c, { x: box.x + 8, y, width: box.w - 8, size: s.small });
  }
  for (const h of atHome) y = paragraph(doc, h, { x: box.x + 8, y, width: box.w - 8, size: s.small });
  paragraph(doc, card.statement, { x: box.x, y: y + 1, width: box.w, size: s.small, weight: 600 });
}

const heightOf = (r: CardRow, per: 1 | 4): number => {
  const s = SIZES[per];
  const under = (r.warmUp ? 1 : 0) + (r.notes.length > 0 ? 1 : 0) + (per === 1 && r.cue ? 1 : 0);
  return s.exercise * 1.3 + s.load * 1.25 + under * s.small * 1.35 + s.box + s.gap * 2;
};

function drawRow(
  doc: Doc,
  { row: r, next }: { row: CardRow; next: CardRow | undefined },
  box: Box,
  { per, squeeze }: { per: 1 | 4; squeeze: number },
): void {
  const s = SIZES[per];
  const k = Math.max(0.62, squeeze);
  const left = box.x + (per === 1 ? 34 : 20);
  let y = box.y + s.gap * 0.4;
  put(doc, r.pair, box.x, y, { size: s.exercise * k + 1, weight: 700 });
  put(doc, r.name, left, y, { size: s.exercise * k, weight: 600, width: box.w * 0.6 });
  const facts = [r.effort, `rest ${r.rest}`, r.tempo && `tempo ${r.tempo}`].filter(Boolean).join(", ");
  put(doc, facts, box.x + box.w * 0.62, y + 1, { size: s.small * k + 0.4, width: box.w * 0.38, align: "right" });
  y += s.exercise * 1.3 * k;
  const doseWidth = put(doc, r.dose, left, y, { size: s.dose * k, weight: 600, width: box.w * 0.36 });
  const at = left + Math.max(doseWidth + 10, box.w * 0.26);
  const loadWidth = put(doc, r.load, at, y - (s.load - s.dose) * 0.4, {
    size: s.load * k,
    weight: 700,
    width: box.w * 0.34,
  });
  let x = at + loadWidth + 8;
  if (r.perSideKg.length > 0) x += plates(doc, r.perSideKg, x, y - 1, s.load * k * 1.1) + 5;
  if (r.loadNote) put(doc, r.loadNote, x, y + s.load * k * 0.3, { size: s.small * k + 0.4, width: box.x + box.w - x });
  y += s.load * 1.25 * k;
  const under = [
    ...(r.warmUp ? [`${r.load === "find it" ? "Try" : "Warm-up"}: ${r.warmUp}`] : []),
    ...(r.notes.length > 0 ? [r.notes.join("; ")] : []),
    ...(per === 1 && r.cue ? [r.cue] : []),
  ];
  for (const text of under) {
    put(doc, text, left, y, { size: s.small * k + 0.2, width: box.w - (left - box.x) });
    y += s.small * 1.35 * k;
  }
  // Boxes to write in: a set each, halved where there are sides; then pain.
  const side = s.box * k;
  const count = Math.min(r.sets, 8);
  const width = Math.min((box.w - (left - box.x) - side * 1.6) / count - 4, per === 1 ? 76 : 40);
  for (let i = 0; i < count; i++) {
    const bx = left + i * (width + 4);
    doc.lineWidth(0.7).strokeColor("#000").rect(bx, y, width, side).stroke();
    if (r.sides) {
      doc
        .moveTo(bx + width / 2, y)
        .lineTo(bx + width / 2, y + side)
        .stroke();
      put(doc, "L", bx + 2, y + 1, { size: s.small * 0.75, colour: "#555" });
      put(doc, "R", bx + width / 2 + 2, y + 1, { size: s.small * 0.75, colour: "#555" });
    } else put(doc, String(i + 1), bx + 2, y + 1, { size: s.small * 0.75, colour: "#555" });
  }
  const px = box.x + box.w - side * 1.5;
  doc
    .lineWidth(0.7)
    .rect(px, y, side * 1.5, side)
    .stroke();
  put(doc, "pain", px + 2, y + 1, { size: s.small * 0.75, colour: "#555" });
  if (!together(r, next)) rule(doc, box.x, box.y + box.h - 1, box.w, 0.5);
  else
    doc
      .lineWidth(1.2)
      .moveTo(box.x + 4, box.y + s.exercise * 1.5)
      .lineTo(box.x + 4, box.y + box.h + 1)
      .stroke();
}
