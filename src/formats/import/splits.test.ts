/** Splits of a race, by hand: an even pace, one that slows, and the recording of a watch (tests/fixtures/fit/make.py: 3 m/s for ten minutes). */
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readSplits, splitsOf } from "./splits";

/** A point a second, metres as the device counted them. */
const run = (speeds: readonly (readonly [seconds: number, metresASecond: number])[]) => {
  let metres = 0;
  let second = 0;
  const points = [{ time: 0, distanceM: 0 }];
  for (const [seconds, speed] of speeds)
    for (let n = 0; n < seconds; n++) {
      metres += speed;
      second += 1;
      points.push({ time: second * 1000, distanceM: metres });
    }
  return points;
};
const round = (all: readonly number[] | undefined) => all?.map((n) => Math.round(n * 1000) / 1000);

describe("splits of a race", () => {
  it("of an even pace are even, and the last stretch may be shorter", () => {
    // 2.5 km at 5 m/s: 200 s a kilometre, 100 s for the last half.
    const found = splitsOf(run([[500, 5]]));
    expect(found).toMatchObject({ stepKm: 1, distanceKm: 2.5 });
    expect(round(found?.splits)).toEqual([3.333, 3.333, 1.667]);
    expect(round(found?.halves)).toEqual([4.167, 4.167]);
  });

  it("show where it slowed: 1 km at 5 m/s, then 1 km at 4", () => {
    const found = splitsOf(
      run([
        [200, 5],
        [250, 4],
      ]),
    );
    expect(round(found?.splits)).toEqual([3.333, 4.167]);
    expect(round(found?.halves)).toEqual([3.333, 4.167]);
  });

  it("are told in longer stretches beyond 50", () => {
    expect(splitsOf(run([[10_000, 5]]))?.stepKm).toBe(1);
    expect(
      splitsOf(
        run([
          [10_000, 5],
          [1, 5],
        ]),
      )?.stepKm,
    ).toBe(5);
  });

  it("need points with times that go on", () => {
    expect(splitsOf([])).toBeNull();
    expect(splitsOf(run([[19, 5]]))).toBeNull();
    expect(splitsOf(run([[20, 5]]))?.splits).toHaveLength(1);
  });

  it("come from a watch's recording: 1.8 km in ten minutes", async () => {
    const read = await readSplits("run.fit", new Uint8Array(readFileSync("tests/fixtures/fit/run.fit")));
    if (!read.ok) throw new Error(read.faults[0]?.expected);
    expect(read.value.minutes).toBe(10);
    expect(read.value.distanceKm).toBeCloseTo(1.8, 6);
    // 1000 m at 3 m/s, then 800 m.
    expect(round(read.value.splits)).toEqual([5.556, 4.444]);
  });

  it("are refused in words for what is no recording", async () => {
    const read = await readSplits("notes.txt", new TextEncoder().encode("a,b\n1,2\n"));
    expect(read.ok ? "" : read.faults[0]?.expected).toMatch(/^A recording .* expected: notes.txt is none\.$/);
  });
});
