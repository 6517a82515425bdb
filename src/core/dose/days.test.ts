/**
 * What a day's doses become, by hand, from an approach with ranges of its own: rules block.line, stepback.line, hold.line, line.limits,
 * session.slots, approach.dose (common practice and our assumptions).
 */
import { describe, expect, it } from "vitest";
import { blockWeek, TRAINED } from "../../../tests/support/dose";
import { MOST_WEEKS } from "../approach";
import { shippedApproach } from "../approach/shipped";
import type { Approach, Column, DoseCell, Stage } from "../athlete";
import { approachFaults, cellFaults, impossiblePair } from "./check";
import { type DoseDay, type DoseFor, doseOf, perWeek, sessionDose } from "./dose";
import { holdAt, limited, onOneLeg, steppedBack, wholeReps } from "./line";
import { percentFor } from "./oneRepMax";

const LAYERED = shippedApproach("layered");
const CELL: DoseCell = {
  sets: [3, 4],
  reps: [3, 6],
  rir: [1, 3],
  percent: null,
  seconds: [20, 40],
  restSeconds: 120,
  tempo: "2-0-1",
};
/** An approach of which one row's cells all are what a test says. */
const own = (cell: Partial<DoseCell> = {}, row: Partial<Approach["rows"]["build"]> = {}, stage: Stage = "build") => {
  const cells = Object.fromEntries(
    Object.keys(LAYERED.rows.build.cells).map((c) => [c, { ...CELL, ...cell }]),
  ) as Record<Column, DoseCell>;
  const { lines: _, ...rest } = LAYERED;
  return {
    settings: { approach: "own-x" },
    approaches: [
      {
        ...rest,
        id: "own-x",
        basis: "layered",
        rows: { ...LAYERED.rows, [stage]: { ...LAYERED.rows[stage], ...row, cells } },
      } as Approach,
    ],
  };
};
const DAY: DoseDay = { phase: "build", stage: "build", emphasis: "maximal", holds: "build" };
const NOVICE: DoseFor["gate"] = { ...TRAINED, training: "novice", easier: true };
const cellsOf = (day: Partial<DoseDay> = {}, f: Partial<DoseFor> = {}, athlete = own()) =>
  sessionDose(athlete, { ...DAY, ...day }, { gate: TRAINED, ...f }).cells;
const points = (of: readonly { sets: number; reps: number; rir: number }[]) => of.map((d) => [d.sets, d.reps, d.rir]);

describe("a block's loading weeks", () => {
  const block = blockWeek(2, 3);
  it("go from many repetitions to few where load leads, with the high sets in the week before the last", () => {
    const { kind, loaded } = cellsOf({ block }).squat;
    expect(kind).toBe("line");
    expect(points(loaded)).toEqual([
      [3, 6, 3],
      [4, 4, 2],
      [3, 3, 1],
    ]);
    for (const d of loaded)
      expect(d).toMatchObject({
        repsLow: d.reps,
        repsMost: 6,
        percent: null,
        seconds: 20,
        secondsMost: 40,
        restSeconds: 120,
        tempo: "2-0-1",
      });
  });
  it("end a week earlier with one more in reserve for who is not trained yet", () => {
    // Four weeks through the ranges, of which three are taken: 6, 5, 4 repetitions with 3, 2, 2 in reserve, and one more.
    expect(points(cellsOf({ block }, { gate: NOVICE }).squat.loaded)).toEqual([
      [3, 6, 4],
      [3, 5, 3],
      [4, 4, 3],
    ]);
  });
  it("take the high sets all through where a trained lifter's mileage leaves room, and for nobody else", () => {
    expect(points(cellsOf({ block }, { room: true }).squat.loaded).map(([sets]) => sets)).toEqual([4, 4, 4]);
    expect(points(cellsOf({ block }, { room: true, gate: NOVICE }).squat.loaded).map(([sets]) => sets)).toEqual([
      3, 3, 4,
    ]);
  });
  it("go from eight repetitions up without load where the row asks for few, holds by five seconds a week", () => {
    const { unloaded } = cellsOf({ block }).squat;
    expect(points(unloaded)).toEqual([
      [3, 8, 3],
      [4, 9, 2],
      [4, 10, 1],
    ]);
    expect(unloaded.map((d) => [d.seconds, d.repsMost])).toEqual([
      [20, 10],
      [25, 10],
      [30, 10],
    ]);
    expect(cellsOf({ block }, {}, own({ seconds: [20, 28] })).squat.unloaded.map((d) => d.seconds)).toEqual([
      20, 25, 28,
    ]);
    // Two weeks grow in repetitions alone.
    expect(points(cellsOf({ block: blockWeek(1, 2) }).squat.unloaded)).toEqual([
      [3, 8, 3],
      [3, 10, 1],
    ]);
  });
  it("keep their own repetitions without load where the row asks for eight or more", () => {
    const reps = (range: [number, number]) =>
      cellsOf({ block }, {}, own({ reps: range })).squat.unloaded.map((d) => d.reps);
    expect(reps([8, 12])).toEqual([8, 10, 12]);
    expect(reps([7, 12])).toEqual([8, 10, 12]);
    expect(reps([7, 9])).toEqual([8, 9, 10]);
    // Where the row speaks in percent, work without load leaves two in reserve.
    const percent = own({ rir: null, percent: 85 });
    expect(cellsOf({ block }, {}, percent).squat.unloaded.map((d) => d.rir)).toEqual([2, 2, 2]);
  });
  it("go low, high, low in assistance, loaded or not", () => {
    const trunk = cellsOf({ block }, {}, own({ reps: [8, 12], sets: [2, 3] })).trunk;
    const weeks = [
      [2, 8, 3],
      [2, 12, 2],
      [3, 8, 1],
    ];
    expect(points(trunk.loaded)).toEqual(weeks);
    expect(points(trunk.unloaded)).toEqual(weeks);
    expect(trunk.loaded.map((d) => [d.seconds, d.repsMost])).toEqual([
      [20, 12],
      [25, 12],
      [30, 12],
    ]);
  });
  it("keep a percent of the row: repetitions fall and the reserve is what they leave", () => {
    // Brzycki: 80% is (37 - n) / 36, n = 8.2.
    const athlete = own({ rir: null, percent: 80 });
    expect(points(cellsOf({ block }, {}, athlete).squat.loaded)).toEqual([
      [3, 6, 2],
      [4, 4, 4],
      [3, 3, 5],
    ]);
    expect(
      points(cellsOf({ block }, { gate: { ...TRAINED, minRir: 3 } }, athlete).squat.loaded).map(([, , rir]) => rir),
    ).toEqual([3, 4, 5]);
    // 97% is 2.08: none is left, and none less than none.
    expect(
      points(cellsOf({ block }, {}, own({ rir: null, percent: 97 })).squat.loaded).map(([, , rir]) => rir),
    ).toEqual([0, 0, 0]);
    // Assistance goes by its range whatever the percent.
    expect(cellsOf({ block }, {}, athlete).trunk.loaded.map((d) => d.percent)).toEqual([null, null, null]);
  });
  it("are left alone where the day builds nothing up", () => {
    expect(cellsOf({ block, emphasis: "hold" }).squat.kind).toBe("row");
    expect(cellsOf({ block, emphasis: "restore" }).squat.kind).toBe("row");
  });
});

describe("what follows a block", () => {
  const closes = blockWeek(3, 3);
  it("steps back to the load of its first week at the repetitions of its last", () => {
    // Six with three left are nine to failure; three of them leave six.
    const { kind, loaded, unloaded } = cellsOf({ closes, stepBack: true }).squat;
    expect([kind, ...points(loaded)]).toEqual(["step-back", [3, 3, 6]]);
    // Without load: the repetitions of its first, the sets of its last.
    expect(points(unloaded)).toEqual([[4, 8, 3]]);
    expect(unloaded.map((d) => d.seconds)).toEqual([20]);
  });
  it("steps back from the week that it ended in", () => {
    expect(points(cellsOf({ closes: blockWeek(2, 3), stepBack: true }).squat.loaded)).toEqual([[4, 4, 5]]);
    // A week that is not on the line is its last.
    expect(points(cellsOf({ closes: blockWeek(9, 3), stepBack: true }).squat.loaded)).toEqual([[3, 3, 6]]);
  });
  it("takes the last point once more where nothing steps back", () => {
    const { kind, loaded, unloaded } = cellsOf({ closes }).squat;
    expect([kind, ...points(loaded)]).toEqual(["row", [3, 3, 1]]);
    expect(unloaded.map((d) => [d.sets, d.reps, d.seconds])).toEqual([[4, 10, 30]]);
    expect(cellsOf({ closes: blockWeek(2, 3) }).squat.unloaded.map((d) => d.seconds)).toEqual([25]);
    expect(cellsOf({ closes, emphasis: "hold" }).squat.loaded.map((d) => d.reps)).toEqual([6]);
  });
  it("never keeps all the repetitions that the first week could", () => {
    const at = (reps: number, rir: number) => ({ sets: 3, reps, rir });
    expect(steppedBack(at(6, 0), at(8, 1))).toEqual(at(5, 1));
    expect(steppedBack(at(6, 3), at(3, 1))).toEqual(at(3, 6));
  });
});

describe("a row as it stands", () => {
  it("gives the trained the low reserve, and the high sets where there is room; everybody the most repetitions", () => {
    const of = (f: Partial<DoseFor>) => cellsOf({}, f).squat.loaded[0]!;
    expect(of({})).toMatchObject({ sets: 3, repsLow: 3, reps: 6, repsMost: 6, rir: 1, percent: null });
    expect(of({ room: true })).toMatchObject({ sets: 4, rir: 1 });
    expect(of({ room: true, gate: NOVICE })).toMatchObject({ sets: 3, rir: 3 });
    expect(of({ gate: { ...TRAINED, minRir: 2 } }).rir).toBe(2);
    expect(cellsOf().squat.unloaded[0]).toMatchObject({ reps: 10, repsLow: 8 });
  });
  it("goes by the percent as far as it leaves what age or clearance asks for", () => {
    const at = (percent: number, gate = TRAINED, reps: [number, number] = [3, 5]) =>
      doseOf({ ...CELL, rir: null, percent, reps }, { gate });
    expect(at(80)).toMatchObject({ reps: 5, rir: 3, percent: 80 });
    expect(at(80, { ...TRAINED, minRir: 3 })).toMatchObject({ rir: 3, percent: 80 });
    expect(at(80, { ...TRAINED, minRir: 4 })).toMatchObject({ rir: 4, percent: null });
    expect(at(97)).toMatchObject({ rir: 0, percent: 97 });
    // Moderate effort goes to 75%: five repetitions with seven left are 69%, five with five 75%.
    expect(at(80, { ...TRAINED, moderate: true })).toMatchObject({ reps: 5, rir: 5, percent: null });
    // Under 18 five repetitions at least, at 85% at most.
    const minor = { ...TRAINED, minor: true };
    expect(at(85, minor, [2, 3])).toMatchObject({ reps: 5, repsLow: 5, percent: null });
    expect(at(80, minor)).toMatchObject({ reps: 5, repsLow: 5, rir: 3, percent: 80 });
  });
  it("holds squat and hinge at the build's percent where the row says so, and nothing else", () => {
    const cells = cellsOf(
      { phase: "race", stage: "race", emphasis: "hold", held: { squat: 86 } },
      {},
      own({ reps: [3, 5] }, { samePercent: true }, "race"),
    );
    expect(cells.squat.kind).toBe("hold");
    // 86%: six can be done, four leave two.
    expect(cells.squat.loaded).toEqual([
      {
        sets: 3,
        repsLow: 4,
        reps: 4,
        repsMost: 4,
        rir: 2,
        percent: 86,
        seconds: 20,
        secondsMost: 40,
        restSeconds: 120,
        tempo: "2-0-1",
      },
    ]);
    expect(cells.squat.unloaded[0]).toMatchObject({ repsLow: 8, reps: 10 });
    expect(cells.hinge.kind).toBe("hold");
    expect(["split-squat", "hip", "trunk"].map((c) => cells[c as Column].kind)).toEqual(["row", "row", "row"]);
  });
});

describe("the doses of one athlete are kept by all they hang on", () => {
  it("another reader, week or formula has doses of his own", () => {
    const athlete = own({ rir: null, percent: 80 });
    const of = (day: Partial<DoseDay>, f: Partial<DoseFor>) =>
      JSON.stringify(sessionDose(athlete, { ...DAY, ...day }, { gate: TRAINED, ...f }).cells);
    const plain = of({}, {});
    expect(of({}, {})).toBe(plain);
    const other = [
      of({}, { room: true }),
      of({}, { gate: { ...TRAINED, minRir: 5 } }),
      of({}, { gate: { ...TRAINED, moderate: true } }),
      of({}, { gate: { ...TRAINED, minor: true } }),
      of({}, { formula: "lombardi" }),
      of({ block: blockWeek(1, 3) }, {}),
      of({ closes: blockWeek(3, 3), stepBack: true }, {}),
      of({ closes: blockWeek(3, 3) }, {}),
    ];
    expect(new Set([plain, ...other]).size).toBe(other.length + 1);
    // The loading weeks of a block share theirs.
    expect(of({ block: blockWeek(3, 3) }, {})).toBe(of({ block: blockWeek(1, 3) }, {}));
    const ranges = own();
    const by = (gate: DoseFor["gate"]) =>
      JSON.stringify(sessionDose(ranges, { ...DAY, block: blockWeek(1, 3) }, { gate }).cells);
    expect(new Set([by(TRAINED), by({ ...TRAINED, easier: true })]).size).toBe(2);
    const row = (gate: DoseFor["gate"]) => JSON.stringify(sessionDose(ranges, DAY, { gate }).cells);
    expect(new Set([row(TRAINED), row({ ...TRAINED, training: "novice" })]).size).toBe(2);
  });
  it("by the formula that the coach has chosen, unless one is asked for", () => {
    const athlete = {
      ...own({ rir: null, percent: 80 }),
      settings: { approach: "own-x", oneRepMax: "lombardi" as const },
    };
    const of = (f: Partial<DoseFor>) => sessionDose(athlete, DAY, { gate: TRAINED, ...f }).cells.squat.loaded[0]!.rir;
    // Lombardi: 80% is n ** 0.1 = 1.25, n = 9.3; Brzycki 8.2: of five are left four, and three.
    expect(of({})).toBe(3);
    expect(of({ formula: "default" })).toBe(2);
  });
});

describe("who takes less", () => {
  it("the reserve asked for stands, whatever the point", () => {
    const of = (gate: Partial<DoseFor["gate"]>) => limited({ reps: 3, rir: 1 }, { gate: { ...TRAINED, ...gate } });
    expect(of({})).toEqual({ reps: 3, rir: 1 });
    expect(of({ minRir: 2 })).toEqual({ reps: 3, rir: 2 });
    expect(of({ minor: true })).toEqual({ reps: 5, rir: 2 });
    // 75% is eleven and a half to failure.
    expect(of({ moderate: true })).toEqual({ reps: 3, rir: 7 });
    const stricter = { gate: { ...TRAINED, minor: true }, own: { "line.limits": { minorPercent: 80 } } };
    // 80% is 8.2 to failure: five with four left.
    expect(limited({ reps: 5, rir: 1 }, stricter)).toEqual({ reps: 5, rir: 4 });
  });
  it("one leg has five repetitions and two in reserve at least", () => {
    expect(onOneLeg({ reps: 4, rir: 3 })).toEqual({ reps: 5, rir: 3 });
    expect(onOneLeg({ reps: 8, rir: 1 })).toEqual({ reps: 8, rir: 2 });
  });
  it("whole repetitions at a percent let a twentieth of one pass", () => {
    // Brzycki: n = 37 - 0.36 p.
    expect([80.6, 86, 86.2, 100].map((p) => wholeReps(p))).toEqual([8, 6, 6, 1]);
    expect(wholeReps(80, "lombardi")).toBe(9);
    expect(wholeReps(80)).toBe(8);
    expect(wholeReps(101)).toBe(0);
  });
  it("a hold leaves two, three to who is not trained yet or under 18, and more repetitions than the row asks for to nobody", () => {
    const f = (gate: Partial<DoseFor["gate"]> = {}) => ({ gate: { ...TRAINED, ...gate } });
    expect(holdAt(92, 6, f())).toEqual({ reps: 3, rir: 2, percent: 89 });
    // 78% is 8.9 to failure.
    expect(holdAt(78, 5, f())).toEqual({ reps: 5, rir: 3, percent: 78 });
    expect(holdAt(86, 6, f({ easier: true }))).toEqual({ reps: 3, rir: 3, percent: 86 });
    // Five repetitions at least under 18, with three left: eight to failure are 80.6%.
    expect(holdAt(86, 6, f({ minor: true }))).toEqual({ reps: 5, rir: 3, percent: percentFor(8) });
    // One repetition at least: six to failure where five can be done.
    expect(holdAt(89, 6, f({ minRir: 5 }))).toEqual({ reps: 1, rir: 5, percent: percentFor(6) });
    expect(holdAt(92, 6, { ...f(), own: { "hold.line": { percent: 80 } } })).toEqual({ reps: 6, rir: 2, percent: 80 });
  });
});

describe("sessions a week", () => {
  it("a race phase that goes back to a base row keeps the fewer of the two", () => {
    const athlete = own({}, { perWeek: [1, 1], slides: false }, "race");
    const at = (phase: DoseDay["phase"], stage: Stage) => perWeek(athlete, { phase, stage, through: 0 }, "trained");
    expect(at("base", "base-early")).toBe(LAYERED.rows["base-early"].perWeek[1]);
    expect(at("race", "base-early")).toBe(1);
    expect(at("race", "race")).toBe(1);
    const more = own({}, { perWeek: [5, 5], slides: false }, "race");
    expect(perWeek(more, { phase: "race", stage: "base-early", through: 0 }, "trained")).toBe(
      LAYERED.rows["base-early"].perWeek[1],
    );
  });
});

describe("what is refused, with its place", () => {
  const faults = (cell: Partial<DoseCell>) => cellFaults({ ...CELL, ...cell }, "c").map((f) => f.path);
  it("ranges out of their limits on either side", () => {
    expect(faults({})).toEqual([]);
    expect(faults({ seconds: [0, 40] })).toEqual(["c.seconds"]);
    expect(faults({ seconds: [20, 4000] })).toEqual(["c.seconds"]);
    expect(faults({ restSeconds: -1 })).toEqual(["c.restSeconds"]);
    expect(faults({ reps: [3, 31] })).toEqual(["c.reps"]);
    expect(faults({ reps: [4, 4] })).toEqual([]);
    expect(faults({ sets: [3, 99] })).toEqual(["c.sets"]);
  });
  it("repetitions beyond every table are said to ask for far less", () => {
    expect(impossiblePair(21, 90)).toBe(
      "21 reps at 90% cannot be done: at 90% about 4 are possible, and 21 ask for far less or less",
    );
  });
  it("a line that is longer than a block, that leaves its row, or that its percent cannot carry", () => {
    const with_ = (cell: Partial<DoseCell>, line: { points: unknown[]; later?: unknown[] }) =>
      approachFaults({ ...own(cell).approaches[0]!, lines: { build: { squat: line } } } as Approach).map(
        (f) => `${f.path}: ${f.expected}`,
      );
    const point = { sets: 3, reps: 6, rir: 2 };
    const many = (n: number) => Array.from({ length: n }, () => point);
    expect(with_({}, { points: many(MOST_WEEKS) })).toEqual([]);
    expect(with_({}, { points: [point], later: many(MOST_WEEKS + 1) })).toEqual([
      `lines.build.squat.later: 1 to ${MOST_WEEKS} weeks expected: a block has no more loading weeks`,
    ]);
    expect(with_({ sets: [3, 3] }, { points: [{ ...point, sets: 4 }] })).toEqual([
      "lines.build.squat.points.0.sets: 3 expected, the range of its row",
    ]);
    // 90% is 4.6 to failure: five with half a one let pass, six not.
    const percent = { rir: null, percent: 90, reps: [3, 5] as [number, number] };
    expect(with_(percent, { points: [{ ...point, reps: 5, rir: 0 }] })).toEqual([]);
    expect(with_({ ...percent, reps: [3, 5] }, { points: [{ ...point, reps: 6 }] }).length).toBe(2);
  });
  it("sessions a week out of their limits", () => {
    expect(approachFaults(own({}, { perWeek: [3, 2] }).approaches[0]!).map((f) => f.path)).toEqual([
      "rows.build.perWeek",
    ]);
  });
});
