/** Recordings of watches (FIT), zipped folders, and tables of track points. The run was written by hand from the published protocol (tests/fixtures/fit/make.py). */
import { readFileSync } from "node:fs";
import { gzipSync, strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { FOLDER_LIMITS } from "./binary";
import { type ForeignFile, readAny, STRENGTH } from "./read";

const O = {
  zone: "Europe/Vienna",
  sport: "ride",
  from: "2025-09-01",
  until: "2026-08-30",
  distanceUnit: "km",
  massUnit: "kg",
} as const;
const fit = new Uint8Array(readFileSync("tests/fixtures/fit/run.fit"));
const read = (name: string, bytes: Uint8Array) => readAny(name, bytes, O);
async function found(name: string, bytes: Uint8Array): Promise<ForeignFile> {
  const answer = await read(name, bytes);
  if (!answer.ok) throw new Error(answer.faults[0]?.expected);
  return answer.value;
}
const refusal = async (name: string, bytes: Uint8Array) => {
  const answer = await read(name, bytes);
  return answer.ok ? "it was read" : (answer.faults[0]?.expected ?? "");
};

describe("a recording of a watch", () => {
  it("is a done session with the totals that the watch counted, at the athlete's own clock", async () => {
    const { kind, rows } = await found("run.fit", fit);
    expect(kind).toBe("fit");
    // 17:30 UTC in February is 18:30 in Vienna.
    expect(rows.map((r) => r.incoming?.session)).toEqual([
      {
        date: "2026-02-24",
        start: "18:30",
        sport: "run",
        kind: "easy",
        minutes: 10,
        distanceKm: 1.8,
        ascentM: 30,
        descentM: 0,
        averageHeartRate: 140,
        done: true,
        source: "fit:2026-02-24T17:30:00.000Z",
      },
    ]);
  });

  it("cut off or with a byte changed is refused in words, wherever that is", async () => {
    for (let n = 1; n < 40; n++) {
      const cut = fit.slice(0, Math.floor((fit.length * n) / 40));
      expect(await refusal("run.fit", cut)).toMatch(/expected/);
      const bent = fit.slice();
      const at = 14 + n * 300;
      bent[at] = (bent[at] ?? 0) ^ 0xff;
      expect(await refusal("run.fit", bent)).toMatch(/damaged or cut off/);
    }
  });
});

describe("a zipped folder", () => {
  it("holds recordings and tables, packed once more or not; what cannot be read is a row that says so", async () => {
    const folder = zipSync({
      "2026/run.fit": fit,
      "2026/again.fit.gz": gzipSync(fit),
      "rides.csv": strToU8("date,sport,minutes\n2026-02-20,ride,90\n2026-02-21,ride,60\n"),
      "broken.fit": fit.slice(0, 5000),
      "photo.jpg": strToU8("not wanted"),
    });
    const shares: number[] = [];
    const answer = await readAny("year.zip", folder, O, (share) => {
      shares.push(share);
      return true;
    });
    if (!answer.ok) throw new Error(answer.faults[0]?.expected);
    const { kind, rows } = answer.value;
    expect(kind).toBe("folder");
    expect(rows.map((r) => [r.where.split(",")[0], r.incoming?.session.sport ?? null])).toEqual([
      ["run.fit", "run"],
      ["again.fit.gz", "run"],
      ["rides.csv", "ride"],
      ["rides.csv", "ride"],
      ["broken.fit", null],
    ]);
    expect(rows.at(-1)?.fault).toMatch(/damaged or cut off/);
    expect(shares.at(-1)).toBe(1);
  });

  it("is given up where that is asked, and refused where it is stretched, cut off or empty of recordings", async () => {
    const many = zipSync(Object.fromEntries(Array.from({ length: 40 }, (_, n) => [`${n}.fit`, fit])), { level: 0 });
    const stopped = await readAny("many.zip", many, O, () => false);
    expect(stopped.ok && stopped.value.rows.length < 40).toBe(true);
    const none = new Uint8Array();
    const over = zipSync(
      Object.fromEntries(Array.from({ length: FOLDER_LIMITS.files + 1 }, (_, n) => [`${n}.csv`, none])),
    );
    expect(await refusal("over.zip", over)).toMatch(/at most 5000 files/);
    // 26 MB of noughts, packed into some 25 kB, packed again.
    expect(await refusal("bomb.zip", zipSync({ "a.fit.gz": gzipSync(new Uint8Array(26 * 1024 * 1024 + 1)) }))).toMatch(
      /each of at most 25 MB/,
    );
    expect(await refusal("cut.zip", many.slice(0, 100))).toMatch(/expected/);
    expect(await refusal("other.zip", zipSync({ "a.txt": strToU8("x") }))).toMatch(/there are none/);
  });
});

describe("tables that are no lists of sessions", () => {
  it("601 points of a track are one session, not 601", async () => {
    const METRES_A_DEGREE = (6_371_008.8 * Math.PI) / 180;
    const lines = Array.from({ length: 601 }, (_, s) => {
      const time = new Date(Date.UTC(2026, 1, 24, 17, 30, s)).toISOString();
      return `${time},${47 + (3 * s) / METRES_A_DEGREE},8.5,400,140`;
    });
    const { kind, rows } = await found("points.csv", strToU8(`time,lat,lon,ele,hr\n${lines.join("\n")}\n`));
    expect(kind).toBe("track points");
    expect(rows.map((r) => r.incoming?.session)).toMatchObject([
      { date: "2026-02-24", start: "18:30", minutes: 10, distanceKm: 1.8, averageHeartRate: 140 },
    ]);
  });

  it("strength work goes to the view that reads it, from CSV and from a workbook", async () => {
    for (const name of ["log.csv", "log.xlsx"]) {
      const answer = await read(name, new Uint8Array(readFileSync(`tests/fixtures/lifts/${name}`)));
      expect(answer.ok ? "read" : answer.faults[0]?.path).toBe(STRENGTH);
    }
  });
});
