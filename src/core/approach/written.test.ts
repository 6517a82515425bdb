/** Lines as a coach writes them down; the layered approach's points are those of the block table (common practice at the ends, ours between). */
import { describe, expect, it } from "vitest";
import type { Approach } from "../athlete";
import { approachFaults } from "../dose/check";
import { findApproach } from "./pick";
import {
  isOwnLine,
  isWritable,
  type LineOf,
  pointsShown,
  withoutLine,
  withPoint,
  withWeeks,
  writtenPoints,
} from "./written";

const shipped = (id: string): Approach => findApproach(id) as Approach;
const copyOf = (id: string): Approach => ({ ...shipped(id), id: "own-copy", version: 2 });
const squat: LineOf = { stage: "build", column: "squat", later: false };
const short = (a: Approach, of: LineOf, weeks: number) =>
  pointsShown(a, of, weeks).map((p) => [p.sets, p.reps, p.rir].join(" "));

describe("a line that is written down", () => {
  it("shows what ships until it is changed; one point changed writes down the others as they were", () => {
    const a = copyOf("layered");
    expect(short(a, squat, 5)).toEqual(["3 6 2", "3 5 2", "4 5 1", "4 4 1", "3 3 1"]);
    expect(short(a, { ...squat, later: true }, 3)).toEqual(["3 5 2", "4 4 2", "4 4 1"]);
    expect(isOwnLine(a, squat)).toBe(false);
    const b = withPoint(a, squat, 5, 2, { sets: 4, reps: 4, rir: 1 });
    expect(short(b, squat, 5)).toEqual(["3 6 2", "3 5 2", "4 4 1", "4 4 1", "3 3 1"]);
    expect(short(b, { ...squat, later: true }, 3)).toEqual(["3 5 2", "4 4 2", "4 4 1"]);
    expect(isOwnLine(b, squat)).toBe(true);
    expect(withoutLine(b, squat).lines?.build?.squat).toBeUndefined();
    expect(short(withoutLine(b, squat), squat, 3)).toEqual(["3 6 2", "3 5 2", "4 5 1"]);
  });

  it("keeps the first block's line where a later one is changed, and takes it where none was written", () => {
    const later = { ...squat, later: true };
    const b = withPoint(copyOf("layered"), later, 2, 0, { sets: 3, reps: 4, rir: 2 });
    expect(short(b, later, 2)).toEqual(["3 4 2", "4 4 2"]);
    expect(short(b, squat, 2)).toEqual(["3 6 2", "3 5 2"]);
    const heavy = withPoint(copyOf("heavy-economy"), later, 2, 0, { sets: 3, reps: 5, rir: 2 });
    expect(writtenPoints(heavy, squat)).toHaveLength(2);
  });

  it("has 1 to 5 weeks; those that are new repeat the last", () => {
    const a = copyOf("layered");
    expect(writtenPoints(withWeeks(a, squat, 3), squat)).toHaveLength(3);
    expect(short(withWeeks(withWeeks(a, squat, 2), squat, 4), squat, 4)).toEqual(["3 6 2", "3 5 2", "3 5 2", "3 5 2"]);
    expect(writtenPoints(withWeeks(a, squat, 6), squat)).toHaveLength(5);
    expect(writtenPoints(withWeeks(a, squat, 0), squat)).toHaveLength(1);
  });

  it("is for loaded work that builds: not for assistance, ladders, holds or what restores", () => {
    expect(isWritable(shipped("layered"), squat)).toBe(true);
    expect(isWritable(shipped("layered"), { stage: "build", column: "calf" })).toBe(false);
    expect(isWritable(shipped("layered"), { stage: "race", column: "squat" })).toBe(false);
    expect(isWritable(shipped("layered"), { stage: "recovery", column: "squat" })).toBe(false);
    expect(isWritable(shipped("control"), squat)).toBe(false);
  });

  it("is refused outside the ranges of its row, beyond five weeks, and where its percent cannot carry the repetitions", () => {
    const a = copyOf("layered");
    const faults = (b: Approach) => approachFaults(b).map((f) => `${f.path}: ${f.expected}`);
    expect(faults(withPoint(a, squat, 5, 1, { sets: 3, reps: 6, rir: 2 }))).toEqual([]);
    expect(faults(withPoint(a, squat, 5, 1, { sets: 3, reps: 7, rir: 2 }))).toEqual([
      "lines.build.squat.points.1.reps: 3 to 6 expected, the range of its row",
    ]);
    const six = Array.from({ length: 6 }, () => ({ sets: 3, reps: 5, rir: 2 }));
    expect(faults({ ...a, lines: { build: { squat: { points: six } } } })).toEqual([
      "lines.build.squat.points: 1 to 5 weeks expected: a block has no more loading weeks",
    ]);
    expect(faults({ ...a, lines: { build: { squat: { points: six.slice(1) } } } })).toEqual([]);
    const cell = { ...a.rows.build.cells.squat, rir: null, percent: 86, reps: [3, 5] as const };
    const byPercent = (reps: number): Approach => ({
      ...a,
      rows: {
        ...a.rows,
        build: { ...a.rows.build, cells: { ...a.rows.build.cells, squat: { ...cell, reps: [3, Math.max(5, reps)] } } },
      },
      lines: { build: { squat: { points: [{ sets: 3, reps, rir: 0 }] } } },
    });
    expect(faults(byPercent(5))).toEqual([]);
    // 86% is possible six times (value from memory of a common table); eight are not.
    expect(faults(byPercent(8)).filter((f) => f.startsWith("lines."))).toEqual([
      expect.stringContaining("lines.build.squat.points.0.reps: 8 reps at 86% cannot be done"),
    ]);
  });
});
