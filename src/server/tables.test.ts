/** Spreadsheets that go out: every set, test, race and session of one athlete or of all, harmless, and read again as the same. */
import { readFileSync } from "node:fs";
import readWorkbook from "read-excel-file/node";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { SpreadsheetFates } from "../api/spreadsheet";
import type { Athlete } from "../core/athlete";
import { SHIPPED } from "../core/exercise";
import { guessNames } from "../formats/import/lifts/names";
import { readSpreadsheet } from "../formats/import/lifts/read";

let server: TestServer;
let id = "";
const EVIL = '=HYPERLINK("http://example.invalid")';
let runner: Athlete;
beforeAll(async () => {
  server = await testServer();
  runner = JSON.parse(readFileSync("tests/support/run.json", "utf8")) as Athlete;
  runner.races[0] = { ...(runner.races[0] as Athlete["races"][number]), name: EVIL };
  id = await server.store.athletes.add(runner);
  await server.store.athletes.add(JSON.parse(readFileSync("tests/support/row.json", "utf8")) as Athlete);
});
afterAll(() => server.close());

const bytesOf = async (path: string) => new Uint8Array(await (await fetch(`${server.base}${path}`)).arrayBuffer());
const sets = (a: Athlete) => a.strengthLog.reduce((n, l) => n + l.items.reduce((m, i) => m + i.sets.length, 0), 0);

describe("tables of an athlete", () => {
  it("hold every set, test, race and session, in a workbook of five sheets and in CSV", async () => {
    const sheets = await readWorkbook(Buffer.from(await bytesOf(`/athletes/${id}/tables/all.xlsx`)));
    const rows = Object.fromEntries(sheets.map((s) => [s.sheet, s.data.length - 1]));
    expect(rows).toMatchObject({ logs: sets(runner), tests: runner.screening.length, races: runner.races.length });
    expect(Object.keys(rows)).toEqual(["logs", "tests", "races", "endurance", "plan"]);
    expect(rows.plan).toBeGreaterThan(100);
    const text = await (await fetch(`${server.base}/athletes/${id}/tables/logs.csv`)).text();
    expect(text.trimEnd().split("\r\n")).toHaveLength(sets(runner) + 1);
    expect((await fetch(`${server.base}/athletes/${id}/tables/secrets.csv`)).status).toBe(404);
  });

  it("run nothing: a name that begins as a formula is text in both", async () => {
    const text = await (await fetch(`${server.base}/athletes/${id}/tables/races.csv`)).text();
    expect(text).toContain(`"'=HYPERLINK(""http://example.invalid"")"`);
    expect(text).not.toMatch(/[,\n]"?=/);
    const sheets = await readWorkbook(Buffer.from(await bytesOf(`/athletes/${id}/tables/all.xlsx`)));
    expect(sheets.find((s) => s.sheet === "races")?.data[1]?.[2]).toBe(EVIL);
  });

  it("come in again as what is there already, from both", async () => {
    for (const name of ["logs.csv", "all.xlsx"]) {
      const read = await readSpreadsheet(await bytesOf(`/athletes/${id}/tables/${name}`), {
        massUnit: "kg",
        today: TODAY,
      });
      if (!read.ok) throw new Error(read.faults[0]?.expected);
      const { rows } = read.value;
      expect(rows.filter((r) => r.fault !== null)).toEqual([]);
      const guesses = guessNames([...new Set(rows.map((r) => r.name))], SHIPPED, {});
      expect([...guesses.values()].every((g) => g.sure)).toBe(true);
      const lifts = rows.map((r) => ({
        athlete: id,
        date: r.date,
        exercise: guesses.get(r.name)?.exercise,
        sets: r.sets,
      }));
      const fates = await server.call<SpreadsheetFates>("POST", "/spreadsheet/preview", {
        name,
        lifts,
        tests: [],
        names: {},
      });
      expect(fates.body.lifts).toHaveLength(sets(runner));
      expect(new Set(fates.body.lifts)).toEqual(new Set(["same"]));
    }
  });
});

it("tables of the club name each athlete", async () => {
  const text = await (await fetch(`${server.base}/tables/tests.csv`)).text();
  const names = new Set(
    text
      .trimEnd()
      .split("\r\n")
      .slice(1)
      .map((l) => l.split(",")[0]),
  );
  expect(names).toEqual(new Set(["Corin Ashby", "Petra Holm"]));
});
