/** A block or a season of an athlete on paper: in words, week by week as bars, lifts, sides, races, pain. */
import { STATEMENT } from "../../api/make/card";
import type { ReviewView } from "../../api/views";
import type { Athlete, Race } from "../../core/athlete";
import { dayLabel } from "../../core/dates";
import { testName } from "../../core/screening";
import { massIn, roundTo } from "../../core/units";
import { A4, type Doc, linesOf, MARGIN, openDoc, paragraph, put, rule, toBuffer } from "./draw";

const SMALL = 8.2;
const TEXT = 10.5;
const WIDTH = A4.w - 2 * MARGIN;
/** Height of the drawing of the weeks. */
const BARS = 64;

export interface Report {
  view: ReviewView;
  athlete: Athlete;
}

/** A page to write on, with what is left of it; a new one is begun where something has no room. */
class Sheet {
  y = 0;
  private readonly bottom: number;

  constructor(
    private readonly doc: Doc,
    private readonly head: string,
    private readonly span: string,
  ) {
    this.bottom = A4.h - MARGIN - linesOf(doc, STATEMENT, WIDTH, SMALL).length * SMALL * 1.3 - 8;
    this.begin();
  }

  begin(): void {
    this.doc.addPage();
    put(this.doc, this.head, MARGIN, MARGIN, { size: 20, weight: 700, width: WIDTH * 0.6 });
    put(this.doc, this.span, MARGIN, MARGIN + 6, { size: 11, width: WIDTH, align: "right" });
    rule(this.doc, MARGIN, MARGIN + 28, WIDTH, 1.4);
    paragraph(this.doc, STATEMENT, { x: MARGIN, y: this.bottom + 6, width: WIDTH, size: SMALL, weight: 600 });
    this.y = MARGIN + 36;
  }

  room(height: number): void {
    if (this.y + height > this.bottom) this.begin();
  }

  title(text: string): void {
    this.room(40);
    put(this.doc, text, MARGIN, this.y + 6, { size: 11.5, weight: 700 });
    this.y += 24;
  }

  text(words: string): void {
    const height = linesOf(this.doc, words, WIDTH, TEXT).length * TEXT * 1.3 + 3;
    this.room(height);
    paragraph(this.doc, words, { x: MARGIN, y: this.y, width: WIDTH, size: TEXT });
    this.y += height;
  }

  /** @param at left edges, points from the margin */
  row(cells: readonly string[], at: readonly number[]): void {
    this.room(15);
    cells.forEach((cell, i) => {
      const x = at[i] ?? 0;
      put(this.doc, cell, MARGIN + x, this.y, { size: 9.5, width: (at[i + 1] ?? WIDTH) - x - 6 });
    });
    this.y += 14;
  }
}

/** Hard sets done as bars before those planned, a week each. */
function drawWeeks(doc: Doc, sheet: Sheet, { weeks }: ReviewView): void {
  sheet.room(BARS + 30);
  const most = Math.max(1, ...weeks.flatMap((w) => [w.planned.hardSets, w.done.hardSets]));
  const wide = Math.min(34, WIDTH / Math.max(1, weeks.length));
  const base = sheet.y + BARS;
  weeks.forEach((w, i) => {
    const x = MARGIN + i * wide;
    const height = (sets: number) => (sets / most) * BARS;
    doc
      .rect(x, base - height(w.planned.hardSets), wide - 4, height(w.planned.hardSets))
      .lineWidth(0.6)
      .stroke("#6b6357");
    doc.rect(x + 2, base - height(w.done.hardSets), wide - 8, height(w.done.hardSets)).fill("#25446b");
    const every = Math.ceil(34 / wide);
    if (i % every === 0) put(doc, dayLabel(w.monday).slice(4), x, base + 4, { size: 7, width: wide * every });
  });
  sheet.y = base + 18;
  put(doc, "Hard sets a week: done, before those planned", MARGIN, sheet.y, { size: SMALL });
  sheet.y += 14;
}

const minutesText = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, "0")} h`;

function raceCells(r: Race): string[] {
  const { result } = r;
  const time = result?.minutes === undefined ? "no result entered" : minutesText(result.minutes);
  const expected = r.expectedMinutes === undefined ? "" : `expected ${minutesText(r.expectedMinutes)}`;
  return [
    `${dayLabel(r.date)} ${r.date.slice(0, 4)}`,
    r.name,
    time,
    expected,
    result?.place ? `place ${result.place}` : "",
  ];
}

/** First and last result of each test in the span, by side. */
function testRows({ screening }: Athlete, from: string, to: string): string[][] {
  const inside = screening.filter((s) => s.date >= from && s.date <= to).sort((a, b) => (a.date < b.date ? -1 : 1));
  const said = (s: (typeof inside)[number] | undefined) =>
    !s ? "" : s.value !== undefined ? String(s.value) : `left ${s.left ?? "–"}, right ${s.right ?? "–"}`;
  return [...new Set(inside.map((s) => s.test))].map((test) => {
    const of = inside.filter((s) => s.test === test);
    const [first, last] = [of[0], of.at(-1)];
    return [testName(test), said(first), of.length > 1 ? said(last) : "", last ? dayLabel(last.date) : ""];
  });
}

function drawReport(doc: Doc, { view, athlete }: Report): void {
  const span = `${dayLabel(view.from)} to ${dayLabel(view.to)} ${view.to.slice(0, 4)}`;
  const sheet = new Sheet(doc, athlete.athlete.name, span);
  const unit = athlete.athlete.massUnit ?? "kg";
  for (const words of view.saved ? view.saved.text.split("\n") : view.words) if (words.trim() !== "") sheet.text(words);
  sheet.title("Weeks");
  drawWeeks(doc, sheet, view);
  for (const p of view.phases)
    sheet.row(
      [
        `${p.phase}, ${p.weeks} week${p.weeks === 1 ? "" : "s"}`,
        `sessions: ${p.done.sessions} done, ${p.planned.sessions} planned`,
        `hard sets: ${p.done.hardSets} done, ${p.planned.hardSets} planned`,
      ],
      [0, 150, 300],
    );
  if (view.lifts.length > 0) {
    sheet.title("Lifts, estimated 1RM");
    for (const l of view.lifts) {
      const mass = (kg: number) => `${roundTo(massIn(kg, unit), 1)} ${unit}`;
      const from = l.fromKg === null ? "not known before" : mass(l.fromKg);
      sheet.row([l.name, from, mass(l.toKg), `within ${Math.round(l.unsurePct)}%`], [0, 230, 330, 420]);
    }
  }
  const tests = testRows(athlete, view.from, view.to);
  if (tests.length > 0) {
    sheet.title("Tests, first and last");
    for (const t of tests) sheet.row(t, [0, 210, 330, 450]);
  }
  const races = [...(athlete.pastRaces ?? []), ...athlete.races].filter(
    (r) => r.date >= view.from && r.date <= view.to,
  );
  if (races.length > 0) {
    sheet.title("Races");
    for (const r of races) sheet.row(raceCells(r), [0, 110, 290, 390, 480]);
  }
  const pain = view.weeks.filter((w) => w.pain !== null && w.pain > 0);
  sheet.title("Pain reported");
  if (pain.length === 0) sheet.text("None in this time.");
  for (const w of pain) sheet.row([`Week of ${dayLabel(w.monday)}`, `${w.pain} of 10 at most`], [0, 150]);
}

/** @param reports one after the other, each from a page of its own @returns the PDF */
export async function reportsPdf(reports: readonly Report[], title: string): Promise<Buffer> {
  const doc = openDoc(title);
  for (const r of reports) drawReport(doc, r);
  if (reports.length === 0) doc.addPage();
  return toBuffer(doc);
}
