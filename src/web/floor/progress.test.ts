import { describe, expect, it } from "vitest";
import type { ItemView, SessionView } from "../../api/views";
import type { StrengthLog } from "../../core/athlete/types";
import {
  doneRows,
  emptyLog,
  isFinished,
  nextItem,
  rowsOf,
  startEntry,
  stepLoad,
  withoutLast,
  withPain,
  withSet,
} from "./progress";

const AT = "2026-03-03T18:05:00.000Z";
const item = (exercise: string, pair: string, sets: number, more: Partial<ItemView> = {}): ItemView => ({
  pair,
  exercise,
  name: exercise,
  pattern: "squat",
  loading: "bar",
  sets,
  repsLow: 4,
  reps: 5,
  repsMost: null,
  seconds: null,
  eachSide: false,
  loadKg: 60,
  household: null,
  slow: null,
  perSideKg: [20],
  barKg: 20,
  percent1rm: 80,
  rir: 2,
  line: null,
  added: null,
  style: null,
  firstSide: null,
  extraSide: null,
  restSeconds: 180,
  tempo: "2-0-1",
  ramp: [],
  decision: null,
  note: null,
  cue: "",
  felt: "",
  why: [],
  warmUp: [],
  loads: [20, 57.5, 60, 62.5],
  last: null,
  ...more,
});
const view = (items: ItemView[], stopPain = 5) =>
  ({ items, date: "2026-03-03", label: "A", floor: { stopPain, lessPct: 5 } }) as unknown as SessionView;
const empty = (v: SessionView): StrengthLog => emptyLog(v, "18:00");
const log = (l: StrengthLog, i: ItemView, times = 1): StrengthLog =>
  Array.from({ length: times }).reduce<StrengthLog>((now) => withSet(now, i, startEntry(i, now), AT), l);

describe("what comes next", () => {
  const [squat, calf, bridge] = [
    item("squat", "1A", 3),
    item("calf", "1B", 2, { eachSide: true, loadKg: null }),
    item("bridge", "2", 2),
  ];
  const v = view([squat, calf, bridge]);

  it("lets partners take turns, both sides of one before the other's next set", () => {
    const order: string[] = [];
    let l = empty(v);
    for (let at = nextItem(v, l); at >= 0; at = nextItem(v, l)) {
      order.push(v.items[at]!.exercise);
      l = log(l, v.items[at]!);
    }
    expect(order).toEqual(["squat", "calf", "calf", "squat", "calf", "calf", "squat", "bridge", "bridge"]);
  });

  it("skips an exercise that pain has stopped", () => {
    const l = withPain(log(empty(v), squat), squat, 6);
    expect(isFinished(l, squat, v)).toBe(true);
    expect(v.items[nextItem(v, l)]!.exercise).toBe("calf");
    expect(isFinished(withPain(empty(v), squat, 5), squat, v)).toBe(false);
    // Where the coach has it stop earlier, it stops earlier.
    expect(isFinished(withPain(empty(v), squat, 5), squat, view([squat], 4))).toBe(true);
  });

  it("is done when every row is", () => {
    const all = v.items.reduce((l, i) => log(l, i, rowsOf(i)), empty(v));
    expect(nextItem(v, all)).toBe(-1);
  });
});

describe("the log", () => {
  const squat = item("squat", "1", 3);
  const split = item("split", "2", 2, { eachSide: true, loading: "pair", barKg: null });
  const v = view([squat, split]);

  it("keeps what was prescribed and what was done", () => {
    const l = withSet(empty(v), squat, { reps: 4, seconds: null, loadKg: 62.5, rir: 1 }, AT);
    expect(l.items).toEqual([
      {
        exercise: "squat",
        prescribed: { sets: 3, reps: 5, repsLow: 4, rir: 2, loadKg: 60 },
        sets: [{ reps: 4, loadKg: 62.5, rir: 1, side: "both", at: AT }],
      },
    ]);
  });
  it("begins with the weaker side", () => {
    const right = { ...split, firstSide: "right" as const };
    const shown = { ...v, items: v.items.map((i) => (i.exercise === right.exercise ? right : i)) };
    expect(log(empty(shown), right, 3).items[0]!.sets.map((s) => s.side)).toEqual(["right", "left", "right"]);
  });
  it("alternates sides", () => {
    expect(log(empty(v), split, 4).items[0]!.sets.map((s) => s.side)).toEqual(["left", "right", "left", "right"]);
  });
  it("starts the next set from the load of the one before, the reps from the sheet", () => {
    const l = withSet(empty(v), squat, { reps: 3, seconds: null, loadKg: 57.5, rir: 0 }, AT);
    expect(startEntry(squat, l)).toEqual({ reps: 5, seconds: null, loadKg: 57.5, rir: 2 });
  });
  it("takes back the last set and never changes the log it was given", () => {
    const one = log(empty(v), squat, 2);
    const before = structuredClone(one);
    expect(doneRows(withoutLast(one, squat), squat)).toBe(1);
    expect(one).toEqual(before);
  });
  it("notes pain before the first set too", () => {
    expect(withPain(empty(v), squat, 2).items[0]).toMatchObject({ pain: 2, sets: [] });
  });
  it("logs holds in seconds", () => {
    const plank = item("plank", "1", 2, {
      seconds: 30,
      reps: null,
      repsLow: null,
      loading: "bodyweight",
      loadKg: null,
      loads: [],
    });
    expect(log(empty(v), plank).items[0]!.sets).toEqual([{ seconds: 30, rir: 2, side: "both", at: AT }]);
  });
});

describe("stepping a load", () => {
  it("goes through what the room can make", () => {
    const loads = [20, 57.5, 60, 62.5];
    expect(stepLoad(loads, 60, 1)).toBe(62.5);
    expect(stepLoad(loads, 60, -1)).toBe(57.5);
    expect(stepLoad(loads, 62.5, 1)).toBe(62.5);
    expect(stepLoad(loads, 20, -1)).toBe(20);
    expect(stepLoad(loads, null, 1)).toBe(20);
    expect(stepLoad([], 30, 1)).toBe(30);
  });
});
