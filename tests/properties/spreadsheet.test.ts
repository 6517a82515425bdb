/** Spreadsheets that are damaged, cut off, stretched or of another kind: each is read or says why it is not, and none takes memory along. */
import { readFileSync } from "node:fs";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { random } from "../../src/demo/random";
import { readSpreadsheet } from "../../src/formats/import/lifts/read";
import { WORKBOOK_LIMITS } from "../../src/formats/import/lifts/workbook";
import { TODAY } from "../support/server";

const csv = new Uint8Array(readFileSync("tests/fixtures/lifts/log.csv"));
const xlsx = new Uint8Array(readFileSync("tests/fixtures/lifts/log.xlsx"));
const read = (bytes: Uint8Array) => readSpreadsheet(bytes, { massUnit: "kg", today: TODAY });

/** 280 in the campaign (`npm run properties`). */
const SHEETS = Number(process.env.FIELD_ANCHOR_SHEETS ?? 100);
/** Smallest number of characters that tells somebody what to do. */
const WORDS = 15;
async function refusal(bytes: Uint8Array): Promise<string> {
  const answer = await read(bytes);
  if (answer.ok) throw new Error("it was read");
  return answer.faults[0]?.expected ?? "";
}

describe("damaged spreadsheets", () => {
  it("cut off or with bytes changed: read with every row taken or named, or refused in words", async () => {
    const r = random(19);
    let [taken, refused] = [0, 0];
    for (let n = 0; n < SHEETS; n++) {
      const whole = n % 2 === 0 ? csv : xlsx;
      // Half are cut off somewhere, half have up to forty bytes changed.
      let bytes = n % 4 < 2 ? whole.slice(0, r.whole(1, whole.length - 1)) : whole.slice();
      if (n % 4 >= 2) for (let k = r.whole(1, 40); k > 0; k--) bytes[r.whole(0, bytes.length - 1)] = r.whole(0, 255);
      const answer = await read(bytes);
      bytes = new Uint8Array();
      if (answer.ok) {
        taken += 1;
        for (const row of answer.value.rows)
          if (row.fault === null) expect(row.sets.length + (row.test ? 1 : 0)).toBeGreaterThan(0);
          else expect(row.fault).toMatch(/expected/);
      } else {
        refused += 1;
        expect(answer.faults[0]?.expected.length).toBeGreaterThan(WORDS);
      }
    }
    expect(taken).toBeGreaterThan(SHEETS / 6);
    expect(refused).toBeGreaterThan(SHEETS / 6);
  });

  it("stretched ones are refused before they are unpacked: much in one part, many parts, 50 MB", async () => {
    const book = (parts: Record<string, Uint8Array>) => zipSync(parts, { level: 9 });
    const before = process.memoryUsage();
    const part = new Uint8Array(WORKBOOK_LIMITS.unpacked / 4 + 1);
    const bomb = book(Object.fromEntries([1, 2, 3, 4].map((n) => [`xl/worksheets/sheet${n}.xml`, part])));
    expect(bomb.length).toBeLessThan(1_000_000);
    expect(await refusal(bomb)).toMatch(/at most 100 MB unpacked/);
    const many = book(Object.fromEntries(Array.from({ length: 1001 }, (_, n) => [`xl/${n}.xml`, strToU8("<a/>")])));
    expect(await refusal(many)).toMatch(/1000 parts/);
    expect(await refusal(new Uint8Array(50_000_000).fill(0x50))).toMatch(/at most 25 MB/);
    const zip50 = new Uint8Array(50_000_000);
    zip50.set(xlsx.slice(0, 1000));
    expect(await refusal(zip50)).toMatch(/at most 40 MB/);
    const after = process.memoryUsage();
    // What was made up here itself is most of it: 40 MB of noughts, the two files of 50 MB.
    expect(after.heapUsed + after.external - before.heapUsed - before.external).toBeLessThan(300_000_000);
  });

  it("files of another kind say what is expected: a picture, a page, JSON, a zip of something else, nothing, a table of rides", async () => {
    const all = [
      new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]),
      strToU8("%PDF-1.7\n1 0 obj\n<<>>\nendobj"),
      strToU8("<html><body>Not here</body></html>"),
      strToU8('{"exercise": "squat"}'),
      zipSync({ "readme.txt": strToU8("nothing") }),
      new Uint8Array(),
      strToU8("date,distance,minutes\n2026-01-05,10,50\n"),
      strToU8("time,lat,lon\n06:00:01,47.1,8.5\n06:00:02,47.1,8.5\n"),
    ];
    for (const bytes of all) expect((await refusal(bytes)).length).toBeGreaterThan(WORDS);
  });

  it("formulas stand with the value they had, and one without a value is a cell without text", async () => {
    const sheet = (cells: string) =>
      `<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>date</t></is></c><c r="B1" t="inlineStr"><is><t>exercise</t></is></c><c r="C1" t="inlineStr"><is><t>reps</t></is></c><c r="D1" t="inlineStr"><is><t>load kg</t></is></c></row>${cells}</sheetData></worksheet>`;
    const row = (r: number, reps: string) =>
      `<row r="${r}"><c r="A${r}" t="inlineStr"><is><t>2026-01-05</t></is></c><c r="B${r}" t="inlineStr"><is><t>=cmd()</t></is></c>${reps}<c r="D${r}"><v>60</v></c></row>`;
    const book = zipSync({
      "[Content_Types].xml": strToU8(
        '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>',
      ),
      "xl/workbook.xml": strToU8(
        '<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="S" sheetId="1" r:id="rId1"/></sheets></workbook>',
      ),
      "xl/_rels/workbook.xml.rels": strToU8(
        '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
      ),
      "xl/worksheets/sheet1.xml": strToU8(
        sheet(row(2, '<c r="C2"><f>2+3</f><v>5</v></c>') + row(3, '<c r="C3"><f>2+3</f></c>')),
      ),
    });
    const answer = await read(book);
    if (!answer.ok) throw new Error(answer.faults[0]?.expected);
    expect(answer.value.rows.map((r) => r.name)).toEqual(["=cmd()", "=cmd()"]);
    expect(answer.value.rows[0]?.sets).toEqual([{ reps: 5, loadKg: 60, side: "both" }]);
    expect(answer.value.rows[1]?.fault).toMatch(/^reps: /);
  });
});
