/**
 * A strength log of three years as other programs' libraries write it (tests/fixtures/lifts/make.py: Python's csv and openpyxl), German, in pounds,
 * with 15 rows that nobody can take. The figures of its twelve lifts were worked out there, from the sets as they were made up.
 */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ManyAnswer } from "../../src/api/many";
import type { SpreadsheetAnswer, SpreadsheetBody, SpreadsheetFates } from "../../src/api/spreadsheet";
import type { Athlete, StrengthLog } from "../../src/core/athlete";
import { SHIPPED } from "../../src/core/exercise";
import { guessNames } from "../../src/formats/import/lifts/names";
import { readSpreadsheet, type Spreadsheet } from "../../src/formats/import/lifts/read";
import { plain } from "../../src/formats/import/words";
import { type TestServer, TODAY, testServer } from "../support/server";

interface Figures {
  rows: number;
  badLines: Record<string, string>;
  lifts: Record<
    string,
    {
      name: string;
      rows: number;
      sets: number;
      reps: number;
      seconds: number;
      heaviestKg: number;
      firstDay: string;
      lastDay: string;
      reserveSum: number;
    }
  >;
}
const figures = JSON.parse(readFileSync("tests/fixtures/lifts/figures.json", "utf8")) as Figures;

async function sheetIn(name: string): Promise<Spreadsheet> {
  const bytes = new Uint8Array(readFileSync(`tests/fixtures/lifts/${name}`));
  // The club counts in kg: the heading says pounds.
  const read = await readSpreadsheet(bytes, { massUnit: "kg", today: TODAY });
  if (!read.ok) throw new Error(read.faults[0]?.expected);
  return read.value;
}

/** What the coach confirms: each name as the library has it. */
const confirmed = Object.fromEntries(Object.entries(figures.lifts).map(([id, f]) => [plain(f.name), id]));

const bodyOf = ({ rows }: Spreadsheet, athlete: string): SpreadsheetBody => ({
  name: "log",
  lifts: rows
    .filter((r) => r.fault === null)
    .map(({ date, name, sets }) => ({ athlete, date, exercise: confirmed[plain(name)] ?? "", sets })),
  tests: [],
  names: confirmed,
});

/** The same figures from logs as they are stored. */
function figuresOf(logs: readonly StrengthLog[], exercise: string) {
  const days = logs.filter((l) => l.items.some((i) => i.exercise === exercise)).map((l) => l.date);
  const sets = logs.flatMap((l) => l.items.filter((i) => i.exercise === exercise).flatMap((i) => i.sets));
  const sum = (of: (s: (typeof sets)[number]) => number) => Math.round(sets.reduce((a, s) => a + of(s), 0) * 100) / 100;
  return {
    sets: sets.length,
    reps: sum((s) => s.reps ?? 0),
    seconds: sum((s) => s.seconds ?? 0),
    heaviestKg: Math.max(0, ...sets.map((s) => s.loadKg ?? 0)),
    firstDay: days.sort()[0],
    lastDay: days.at(-1),
    reserveSum: sum((s) => s.rir ?? 0),
  };
}

describe.each(["log.csv", "log.xlsx"])("the log of three years, %s", (file) => {
  let server: TestServer;
  let sheet: Spreadsheet;
  let id = "";
  const logs = async (): Promise<StrengthLog[]> => (await server.store.athletes.get(id))?.record.strengthLog ?? [];
  beforeAll(async () => {
    server = await testServer();
    sheet = await sheetIn(file);
    const runner = JSON.parse(readFileSync("tests/support/run.json", "utf8")) as Athlete;
    id = await server.store.athletes.add({ ...runner, strengthLog: runner.strengthLog.slice(-2) });
  });
  afterAll(() => server.close());

  it("names each of the 15 rows that can not be taken, by its line and the field at fault", () => {
    expect(sheet.rows).toHaveLength(figures.rows);
    const bad = sheet.rows.filter((r) => r.fault !== null);
    expect(Object.fromEntries(bad.map((r) => [String(r.line), r.fault?.split(":")[0]]))).toEqual(figures.badLines);
  });

  it("guesses every one of the twelve German names, and takes none of them for sure before the coach has", () => {
    const names = [...new Set(sheet.rows.filter((r) => r.fault === null).map((r) => r.name))];
    const guesses = guessNames(names, SHIPPED, {});
    expect(Object.fromEntries([...guesses].map(([n, g]) => [plain(n), g.exercise]))).toEqual(confirmed);
    expect([...guesses.values()].filter((g) => g.sure)).toEqual([]);
    expect([...guessNames(names, SHIPPED, confirmed).values()].every((g) => g.sure)).toBe(true);
  });

  it("is stored as it is written: figures of the twelve lifts, nothing twice, and the undo leaves all as it was", async () => {
    const before = await logs();
    const body = bodyOf(sheet, id);
    const preview = await server.call<SpreadsheetFates>("POST", "/spreadsheet/preview", body);
    expect(preview.body.lifts.every((f) => f === "new")).toBe(true);
    expect(await logs()).toEqual(before);

    const first = await server.call<SpreadsheetAnswer>("POST", "/spreadsheet", body);
    expect([first.status, first.body.changed.map((c) => c.id)]).toEqual([201, [id]]);
    const fresh = (await logs()).filter((l) => !before.some((b) => JSON.stringify(b) === JSON.stringify(l)));
    expect(Object.keys(figures.lifts)).toHaveLength(12);
    for (const [exercise, { name: _, rows, ...f }] of Object.entries(figures.lifts)) {
      expect({ exercise, ...figuresOf(fresh, exercise) }).toEqual({ exercise, ...f });
      expect(body.lifts.filter((l) => l.exercise === exercise)).toHaveLength(rows);
    }

    const again = await server.call<SpreadsheetAnswer>("POST", "/spreadsheet", body);
    expect([again.body.batch, again.body.left.map((l) => l.why)]).toEqual([null, ["has all of it already"]]);
    expect(again.body.lifts.every((f) => f === "same")).toBe(true);

    // A session logged meanwhile stays when the file is taken back.
    const today = { date: TODAY, label: "A", items: [{ exercise: "back-squat", sets: [{ reps: 5, side: "both" }] }] };
    await server.call("PUT", `/athletes/${id}/logs/${TODAY}/A`, today);
    const undone = await server.call<ManyAnswer>("POST", `/many/${first.body.batch}/undo`);
    expect([undone.body.changed.map((c) => c.id), undone.body.left]).toEqual([[id], []]);
    expect(await logs()).toEqual([...before, today]);
  });

  it("has its names remembered by the club", async () => {
    expect((await server.call("GET", "/spreadsheet/names")).body).toEqual(confirmed);
  });
});

it("the same rows from CSV and from XLSX are the same, but for nothing", async () => {
  const [csv, xlsx] = [await sheetIn("log.csv"), await sheetIn("log.xlsx")];
  const plainly = (s: Spreadsheet) =>
    s.rows.filter((r) => r.fault === null).map(({ line, date, name, sets }) => ({ line, date, name, sets }));
  expect(plainly(xlsx)).toEqual(plainly(csv));
});
