/** A week of the club on paper: the week in sentences, then a row an athlete. */

import { type ClubWeekRow, type ClubWeekView, clubWeekWords, dayText } from "../../api/clubWeek";
import { STATEMENT } from "../../api/make/card";
import { addDays, dayLabel, WEEKDAYS } from "../../core/dates";
import { A4, type Doc, linesOf, MARGIN, openDoc, paragraph, put, rule, toBuffer } from "./draw";

const SMALL = 8.2;
const ROW = 26;
/** Left edges of the columns, points. */
const AT = { name: 0, days: 130, sessions: 322, sets: 372, endurance: 428, pain: 500 };
const DAY = 27;

/** @returns the PDF, as many pages as it takes */
export async function clubWeekPdf(view: ClubWeekView, club: string): Promise<Buffer> {
  const doc = openDoc(`${club}, week of ${view.monday}`);
  const width = A4.w - 2 * MARGIN;
  const bottom = A4.h - MARGIN - linesOf(doc, STATEMENT, width, SMALL).length * SMALL * 1.3 - 8;
  const begin = (): number => {
    doc.addPage();
    put(doc, club, MARGIN, MARGIN, { size: 20, weight: 700, width: width * 0.6 });
    const span = `${dayLabel(view.monday)} to ${dayLabel(addDays(view.monday, 6))} ${view.monday.slice(0, 4)}`;
    put(doc, span, MARGIN, MARGIN + 4, { size: 11, width, align: "right" });
    rule(doc, MARGIN, MARGIN + 28, width, 1.4);
    paragraph(doc, STATEMENT, { x: MARGIN, y: bottom + 6, width, size: SMALL, weight: 600 });
    return MARGIN + 36;
  };
  let y = begin();
  for (const sentence of clubWeekWords(view)) {
    const lines = linesOf(doc, sentence, width, 10.5);
    paragraph(doc, sentence, { x: MARGIN, y, width, size: 10.5 });
    y += lines.length * 10.5 * 1.3 + 2;
  }
  y = headings(doc, y + 8, width);
  for (const row of view.rows) {
    if (y + ROW > bottom) y = headings(doc, begin(), width);
    drawRow(doc, row, y);
    y += ROW;
    rule(doc, MARGIN, y - 4, width, 0.4);
  }
  return toBuffer(doc);
}

function headings(doc: Doc, y: number, width: number): number {
  const at = (x: number, text: string) => put(doc, text, MARGIN + x, y, { size: SMALL, weight: 600 });
  at(AT.name, "Athlete");
  for (const [i, d] of WEEKDAYS.entries()) at(AT.days + i * DAY, d);
  at(AT.sessions, "Sessions");
  at(AT.sets, "Hard sets");
  at(AT.endurance, "Endurance");
  at(AT.pain, "Pain");
  rule(doc, MARGIN, y + 13, width, 0.8);
  return y + 19;
}

function drawRow(doc: Doc, r: ClubWeekRow, y: number): void {
  const at = (x: number, text: string, size = 9.5) => put(doc, text, MARGIN + x, y, { size, width: 120 });
  put(doc, r.name, MARGIN, y, { size: 10, weight: 600, width: 126 });
  for (const [i, d] of r.days.entries()) at(AT.days + i * DAY, d.race ? "race" : dayText(d), 9);
  at(AT.sessions, `${r.sessions.done} of ${r.sessions.planned}`);
  at(AT.sets, `${r.hardSets.done} of ${r.hardSets.planned}`);
  at(AT.endurance, `${r.minutes.done} of ${r.minutes.planned} min`);
  at(AT.pain, r.pain === null ? "–" : String(r.pain));
}
