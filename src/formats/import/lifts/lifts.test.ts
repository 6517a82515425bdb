/** Work as coaches write it, columns by their headings, rows with what is wrong of them, and merging that adds nothing twice. */
import { describe, expect, it } from "vitest";
import type { LoggedSet, StrengthLog } from "../../../core/athlete";
import { SHIPPED } from "../../../core/exercise";
import { readTable } from "../table";
import { guessLifts, missingLifts } from "./columns";
import { mergeLifts, mergeTests } from "./merge";
import { guessNames } from "./names";
import { sheetRows } from "./rows";
import { loadFrom, workFrom } from "./work";

const KG = { unit: "kg", decimal: "." } as const;
const set = (reps: number, loadKg?: number, rir?: number) => ({
  reps,
  ...(loadKg === undefined ? {} : { loadKg }),
  ...(rir === undefined ? {} : { rir }),
});

describe("work in one cell", () => {
  it.each([
    ["3x5@60", [set(5, 60), set(5, 60), set(5, 60)]],
    ["3 × 5 @ 60 kg", [set(5, 60), set(5, 60), set(5, 60)]],
    ["2X8", [set(8), set(8)]],
    ["60x5,5,4", [set(5, 60), set(5, 60), set(4, 60)]],
    ["62.5x5", [set(5, 62.5)]],
    ["5x3x100", Array.from({ length: 5 }, () => set(3, 100))],
    ["5,5,4 @ 60", [set(5, 60), set(5, 60), set(4, 60)]],
    ["60x5; 65x5; 70x3", [set(5, 60), set(5, 65), set(3, 70)]],
    ["3x30s", [{ seconds: 30 }, { seconds: 30 }, { seconds: 30 }]],
    ["2x5@60 RPE 8", [set(5, 60, 2), set(5, 60, 2)]],
    ["2x5 @ 60 @RIR 3", [set(5, 60, 3), set(5, 60, 3)]],
    ["2x8 @ 2x20", [set(8, 20), set(8, 20)]],
    ["2x8 @ bw", [set(8), set(8)]],
    ["1x5@135lb", [set(5, 61.23)]],
    // The first number counts sets up to 15; beyond that it is a load.
    ["15x3", Array.from({ length: 15 }, () => set(3))],
    ["16x3", [set(3, 16)]],
  ])("%s", (text, sets) => expect(workFrom(text, KG)?.sets).toEqual(sets));

  it.each(["", "heavy", "3x", "x5", "3x5@heavy", "3x5@60@70", "3x60@60", "0x5", "3x5x", "60x5,five"])(
    "takes %j for no work",
    (text) => expect(workFrom(text, KG)).toBeNull(),
  );

  it("takes 50 repetitions of a set, and 51 for a load in the wrong place", () => {
    expect(workFrom("2x50", KG)?.sets).toEqual([set(50), set(50)]);
    expect(workFrom("2x51", KG)).toBeNull();
  });

  it("reads loads in both units and ways of writing, and none for body mass", () => {
    expect(loadFrom("62,5", { unit: "kg", decimal: "," })).toBe(62.5);
    // 100 lb are 45.359237 kg by the definition of the pound.
    expect(loadFrom("100", { unit: "lb", decimal: "." })).toBe(45.36);
    expect(loadFrom("100 kg", { unit: "lb", decimal: "." })).toBe(100);
    expect([loadFrom("BW", KG), loadFrom("", KG), loadFrom("0", KG)]).toEqual([null, null, null]);
    expect([loadFrom("heavy", KG), loadFrom("-20", KG)]).toEqual([undefined, undefined]);
  });
});

const tableOf = (text: string) => {
  const read = readTable(text);
  if (!read.ok) throw new Error(read.faults[0]?.expected);
  return read.value;
};
const rowsOf = (text: string) => {
  const table = tableOf(text);
  const mapping = guessLifts(table, { massUnit: "kg" });
  if (!mapping) throw new Error("no strength table");
  return { mapping, rows: sheetRows(table, mapping, "2026-03-03") };
};

describe("columns and rows", () => {
  it("tells a row a set from a count of sets by the numbers that rise", () => {
    const each = rowsOf(
      "date,exercise,sets,reps,kg\n2026-01-05,Squat,1,5,60\n2026-01-05,Squat,2,5,60\n2026-01-05,Squat,3,4,60\n",
    );
    expect(each.mapping.columns.set).toBe(2);
    expect(each.rows.map((r) => r.sets)).toEqual([5, 5, 4].map((reps) => [{ reps, loadKg: 60, side: "both" }]));
    const count = rowsOf(
      "date,exercise,sets,reps,kg\n2026-01-05,Squat,3,5,60\n2026-01-05,Row,3,8,40\n2026-01-08,Squat,4,5,62.5\n",
    );
    expect(count.mapping.columns.set).toBeUndefined();
    expect(count.rows.map((r) => r.sets.length)).toEqual([3, 3, 4]);
  });

  it("reads pounds from the heading, sides, and reserve before effort", () => {
    const { mapping, rows } = rowsOf(
      "Day;Lift;Reps;Weight (lbs);RPE;RIR;Side\n05/01/2026;Step-up;8;45;8;;left\n05/01/2026;Step-up;8;45;8;1;R\n",
    );
    expect(mapping.unit).toBe("lb");
    expect(rows.map((r) => r.sets[0])).toEqual([
      { reps: 8, loadKg: 20.41, rir: 2, side: "left" },
      { reps: 8, loadKg: 20.41, rir: 1, side: "right" },
    ]);
  });

  it("says field, what was expected and what was found; today is taken, tomorrow is not", () => {
    const head = "date,exercise,sets,reps,load\n";
    const fault = (row: string) => rowsOf(`${head}${row}\n`).rows[0]?.fault;
    expect(fault("2026-03-03,Squat,3,5,60")).toBeNull();
    expect(fault("2026-03-04,Squat,3,5,60")).toBe('date: a day up to today (2026-03-03) expected, found "2026-03-04"');
    expect(fault("2026-03-03,Squat,15,5,60")).toBeNull();
    expect(fault("2026-03-03,Squat,16,5,60")).toBe('sets: a whole number from 1 to 15 expected, found "16"');
    expect(fault("2026-03-03,Squat,3,5,60/65")).toBe('load: one load, or 3 expected, found "60/65"');
    expect(fault("2026-03-03,Squat,3,5,60/65/70")).toBeNull();
  });

  it("is no strength table without exercises, and says which column is missing", () => {
    expect(guessLifts(tableOf("date,distance,minutes\n2026-01-05,10,50\n"), { massUnit: "kg" })).toBeNull();
    const { mapping } = rowsOf("date,exercise,reps\n2026-01-05,Squat,5\n");
    expect(missingLifts(mapping)).toEqual([]);
    const { date: _, ...columns } = mapping.columns;
    expect(missingLifts({ ...mapping, columns })).toEqual(["date"]);
  });

  it("reads results of tests by side, and yes and no as one and nought", () => {
    const { mapping, rows } = rowsOf(
      "Date,Athlete,Test,Left,Right,Result\n2026-01-05,Una Reed,Calf raise,22,25,\n2026-01-05,Una Reed,Dowel hinge,,,pass\n2026-01-05,Una Reed,Dowel hinge,,,\n",
    );
    expect(mapping.kind).toBe("tests");
    expect(rows.map((r) => r.test)).toEqual([{ left: 22, right: 25 }, { value: 1 }, null]);
    expect(rows[2]?.fault).toBe('value: a result expected, found ""');
  });
});

describe("names", () => {
  it("takes the library's own names and other names for sure, and only guesses what is near", () => {
    const guess = (name: string, known = {}) => guessNames([name], SHIPPED, known).get(name);
    expect(guess("Back Squat")).toEqual({ exercise: "back-squat", sure: true });
    expect(guess("RDL")).toEqual({ exercise: "romanian-deadlift", sure: true });
    expect(guess("Peso muerto")).toEqual({ exercise: "deadlift", sure: false });
    expect(guess("Bench press")).toEqual({ exercise: null, sure: false });
    expect(guess("Bench press", { "bench press": "push-up" })).toEqual({ exercise: "push-up", sure: true });
    expect(guess("Bench press", { "bench press": "" })).toEqual({ exercise: null, sure: true });
  });
});

describe("merging", () => {
  const s = (reps: number, loadKg: number): LoggedSet => ({ reps, loadKg, side: "both" });
  const squat = { date: "2026-01-06", exercise: "back-squat" };
  const logs: StrengthLog[] = [
    { date: "2026-01-06", label: "B", items: [{ exercise: "back-squat", sets: [s(5, 60), s(5, 60)], pain: 2 }] },
  ];

  it("adds the sets that are not there, behind those that are, and keeps what else was logged", () => {
    const { logs: next, fates } = mergeLifts(logs, [{ ...squat, sets: [s(5, 60), s(5, 60), s(4, 60)] }]);
    expect(fates).toEqual(["some"]);
    expect(next).toEqual([
      {
        date: "2026-01-06",
        label: "B",
        items: [{ exercise: "back-squat", sets: [s(5, 60), s(5, 60), s(4, 60)], pain: 2 }],
      },
    ]);
    expect(mergeLifts(next, [{ ...squat, sets: [s(5, 60), s(5, 60), s(4, 60)] }])).toEqual({
      logs: next,
      fates: ["same"],
    });
  });

  it("counts equal sets: three rows of one set beside two that are there leave one new", () => {
    const { logs: next, fates } = mergeLifts(
      logs,
      Array.from({ length: 3 }, () => ({ ...squat, sets: [s(5, 60)] })),
    );
    expect(fates).toEqual(["same", "same", "new"]);
    expect(next[0]?.items[0]?.sets).toHaveLength(3);
  });

  it("gives the days of a week the labels that are free, and another exercise its place in the day's log", () => {
    const day = (date: string, exercise = "deadlift") => ({ date, exercise, sets: [s(5, 80)] });
    const { logs: next } = mergeLifts(logs, [
      day("2026-01-08"),
      day("2026-01-05"),
      day("2026-01-06"),
      day("2026-01-12"),
    ]);
    expect(next.map((l) => [l.date, l.label, l.items.length])).toEqual([
      ["2026-01-06", "B", 2],
      ["2026-01-08", "A", 1],
      ["2026-01-05", "C", 1],
      ["2026-01-12", "A", 1],
    ]);
  });

  it("puts a result in the place of the one of its day and test", () => {
    const known = [{ test: "calf-raise", date: "2026-01-05", left: 20, right: 21 }] as const;
    const one = (left: number, date = "2026-01-05") => mergeTests(known, [{ test: "calf-raise", date, left }]);
    expect(one(20).fates).toEqual(["same"]);
    expect(one(22)).toEqual({
      screening: [{ test: "calf-raise", date: "2026-01-05", left: 22, right: 21 }],
      fates: ["changed"],
    });
    expect(one(22, "2026-01-06").fates).toEqual(["new"]);
  });
});
