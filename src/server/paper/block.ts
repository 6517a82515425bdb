/** A block of weeks on paper: a row a week, what stands in it, and the lifts with their loads. */

import { STATEMENT } from "../../api/make/card";
import { type Athlete, LABEL_WORDS, placeName } from "../../core/athlete";
import { addDays, dayLabel, timeOf } from "../../core/dates";
import type { PlanWeek } from "../../core/plan";
import { carriedKg, reserveText, workText } from "../../core/session";
import { massIn } from "../../core/units";
import { A4, type Doc, linesOf, MARGIN, openDoc, paragraph, put, rule, toBuffer } from "./draw";

const SMALL = 8.2;

/** @param weeks planned weeks in order @returns the PDF, as many pages as it takes */
export async function blockPdf(athlete: Athlete, club: string, weeks: readonly PlanWeek[]): Promise<Buffer> {
  const doc = openDoc(`${athlete.athlete.name}, ${weeks.length} weeks`);
  const width = A4.w - 2 * MARGIN;
  const bottom = A4.h - MARGIN - linesOf(doc, STATEMENT, width, SMALL).length * SMALL * 1.3 - 8;
  const begin = (): number => {
    doc.addPage();
    put(doc, athlete.athlete.name, MARGIN, MARGIN, { size: 20, weight: 700, width: width * 0.6 });
    put(doc, club, MARGIN, MARGIN + 2, { size: 11, width, align: "right" });
    const [first, last] = [weeks[0], weeks.at(-1)];
    if (first && last)
      put(
        doc,
        `${dayLabel(first.season.start)} to ${dayLabel(addDays(last.season.start, 6))} ${last.season.start.slice(0, 4)}`,
        MARGIN,
        MARGIN + 25,
        { size: 11, width },
      );
    rule(doc, MARGIN, MARGIN + 42, width, 1.4);
    paragraph(doc, STATEMENT, { x: MARGIN, y: bottom + 6, width, size: SMALL, weight: 600 });
    return MARGIN + 50;
  };
  let y = begin();
  for (const w of weeks) {
    const height = heightOf(w);
    if (y + height > bottom) y = begin();
    drawWeek(doc, w, athlete, y, width);
    y += height;
  }
  return toBuffer(doc);
}

const heightOf = (w: PlanWeek): number =>
  24 + w.sessions.reduce((a, s) => a + 16 + s.items.length * 12.5 + 6, 0) + w.fit.unplaced.length * 12 + 8;

function drawWeek(doc: Doc, w: PlanWeek, athlete: Athlete, top: number, width: number): void {
  const unit = athlete.athlete.massUnit ?? "kg";
  const race = athlete.races.filter((r) => r.date >= w.season.start && r.date <= addDays(w.season.start, 6));
  let y = top;
  put(doc, `Week of ${dayLabel(w.season.start)}`, MARGIN, y, { size: 13, weight: 700 });
  const words = [
    `${w.season.phase}, ${w.season.emphasis}`,
    w.season.stepBack ? "step-back week" : "",
    w.season.block ? `week ${w.season.block.week} of ${w.season.block.of} of this block` : "",
    `${Math.round(w.season.figures.minutes / 6) / 10} h of endurance`,
    ...race.map((r) => `${r.name} on ${dayLabel(r.date)} (${r.priority})`),
  ].filter(Boolean);
  put(doc, words.join(" · "), MARGIN + 140, y + 3, { size: 9.5, width: width - 140, align: "right" });
  y += 22;
  for (const s of w.sessions) {
    put(doc, `${LABEL_WORDS[s.label]}`, MARGIN, y, { size: 11, weight: 600 });
    put(doc, `${dayLabel(s.date)} ${timeOf(s.start)}, ${placeName(s.place)}, ${s.minutes} min`, MARGIN + 110, y + 1, {
      size: 9.5,
      width: width - 110,
    });
    y += 16;
    for (const i of s.items) {
      const load =
        i.loadKg === null
          ? i.loading === "bodyweight" || i.loading === "band"
            ? i.loading
            : "find it"
          : `${massIn(carriedKg(i), unit)} ${unit}`;
      put(doc, i.pair, MARGIN + 6, y, { size: 9.5, weight: 600 });
      put(doc, i.exercise.name, MARGIN + 34, y, { size: 9.5, width: 200 });
      put(doc, `${i.sets} × ${workText(i)}${i.eachSide ? " a side" : ""}`, MARGIN + 244, y, {
        size: 10,
        weight: 600,
        width: 90,
      });
      put(doc, load, MARGIN + 340, y, { size: 10, weight: 700, width: 80 });
      put(doc, i.seconds === null ? `${reserveText(i.rir)} in reserve` : "", MARGIN + 424, y, { size: 9, width: 60 });
      doc
        .lineWidth(0.5)
        .rect(MARGIN + width - 46, y - 1.5, 46, 11.5)
        .stroke();
      y += 12.5;
    }
    y += 6;
  }
  for (const u of w.fit.unplaced) {
    put(doc, `${LABEL_WORDS[u.label]} is not placed: ${u.why}`, MARGIN, y, { size: 9, width });
    y += 12;
  }
  rule(doc, MARGIN, y + 1, width, 0.5);
}
