import { describe, expect, it, vi } from "vitest";
import type { Board, BoardPlace } from "../../core/planning/board";
import {
  costChange,
  costWords,
  DAYTIME,
  type DragState,
  dragStore,
  EMPTY_HAND,
  placeAt,
  targetAt,
  targetBy,
} from "./drag";

const MONDAY = "2026-03-09";
const place = (date: string, hour: number, cost: number, blocked = false): BoardPlace => ({
  date,
  start: hour * 60,
  minutes: 60,
  place: "gym",
  blocked: blocked ? { rule: "M3", text: "too near" } : null,
  cost,
  costs: [],
  stress: 200,
});
const board: Board = {
  label: "A",
  cost: 3,
  costs: [],
  places: [
    place("2026-03-10", 7, 9),
    place("2026-03-10", 18, 3),
    place("2026-03-12", 17, 8, true),
    place("2026-03-12", 18, 5),
  ],
  closed: [{ date: "2026-03-11", block: { rule: "M1", text: "no window" } }],
};
const session = (more: Partial<DragState> = {}): DragState => ({
  ...EMPTY_HAND,
  dragged: { kind: "session", label: "A" },
  target: { date: "2026-03-10", start: 18 * 60 },
  board,
  ...more,
});
const run = (target: DragState["target"]): DragState =>
  session({
    dragged: { kind: "endurance", row: "r", minutes: 60, from: { date: "2026-03-10", start: 420 } },
    board: null,
    target,
  });

describe("where something that is dragged would be put down", () => {
  it("is the place nearest to the pointer, by its middle", () => {
    expect(targetAt(session(), "2026-03-10", 19 * 60)).toEqual({ date: "2026-03-10", start: 1080 });
    expect(targetAt(session(), "2026-03-10", 12 * 60)).toEqual({ date: "2026-03-10", start: 420 });
    expect(targetAt(session(), "2026-03-11", 700)).toEqual({ date: "2026-03-11", start: null });
  });
  it("moves by key: days to their cheapest allowed hour, hours one by one, never out of the week", () => {
    const right = targetBy(session(), "ArrowRight", MONDAY)!;
    expect(right).toEqual({ date: "2026-03-11", start: null });
    expect(targetBy(session({ target: right }), "ArrowRight", MONDAY)).toEqual({ date: "2026-03-12", start: 1080 });
    expect(targetBy(session(), "ArrowUp", MONDAY)).toEqual({ date: "2026-03-10", start: 420 });
    expect(targetBy(session(), "ArrowDown", MONDAY)).toEqual({ date: "2026-03-10", start: 1080 });
    const monday = session({ target: { date: MONDAY, start: null } });
    expect(targetBy(monday, "ArrowLeft", MONDAY)).toEqual({ date: MONDAY, start: null });
    expect(targetBy({ ...session(), dragged: null }, "ArrowLeft", MONDAY)).toBeNull();
  });
  it("is any quarter of an hour of the day for an endurance session", () => {
    expect(targetAt(run(null), "2026-03-12", 500)).toEqual({ date: "2026-03-12", start: 465 });
    expect(targetAt(run(null), "2026-03-12", 0).start).toBe(DAYTIME.from);
    expect(targetAt(run(null), "2026-03-12", 1439).start).toBe(DAYTIME.to - 60);
    expect(targetBy(run({ date: "2026-03-10", start: 420 }), "ArrowDown", MONDAY)).toEqual({
      date: "2026-03-10",
      start: 435,
    });
    expect(targetBy(run({ date: "2026-03-10", start: 420 }), "ArrowRight", MONDAY)).toEqual({
      date: "2026-03-11",
      start: 420,
    });
  });
  it("is found again among the weighed places", () => {
    expect(placeAt(board, { date: "2026-03-12", start: 1020 })?.blocked?.rule).toBe("M3");
    expect(placeAt(board, { date: "2026-03-11", start: null })).toBeNull();
    expect(placeAt(null, null)).toBeNull();
  });
});

describe("what a move changes", () => {
  const cost = (rule: "S1" | "S2" | "S5" | "S9", points: number) => ({ rule, points, text: `${rule} ${points}` });
  it("is what is charged now and was not, and the other way round, the dearest first", () => {
    const { more, less } = costChange([cost("S1", 4), cost("S5", 8)], [cost("S5", 8), cost("S9", 1), cost("S2", 10)]);
    expect(more.map((c) => c.rule)).toEqual(["S2", "S9"]);
    expect(less.map((c) => c.rule)).toEqual(["S1"]);
    expect(costChange([cost("S1", 4), cost("S1", 4)], [cost("S1", 4)]).less).toHaveLength(1);
  });
  it("is said in words", () => {
    expect([costWords(7, 3), costWords(3, 3), costWords(1, 3)]).toEqual([
      "disturbance 7, 4 more",
      "disturbance 3, the same",
      "disturbance 1, 2 less",
    ]);
  });
});

it("tells only those who listen", () => {
  const store = dragStore();
  const heard = vi.fn();
  const leave = store.subscribe(heard);
  store.set({ saving: true });
  leave();
  store.set({ saving: false });
  expect(heard).toHaveBeenCalledTimes(1);
  expect(store.get().saving).toBe(false);
});
