import { describe, expect, it } from "vitest";
import {
  begin,
  itemsOf,
  labelsOf,
  linkedAt,
  MOST_TOGETHER,
  moved,
  nextStep,
  type Row,
  redone,
  undone,
  without,
} from "./draft";

const row = (exercise: string, linked = false): Row => ({ key: exercise, exercise, linked, sets: 3, reps: 8 });
const names = (rows: readonly Row[]) => rows.map((r) => `${r.linked ? "+" : ""}${r.exercise}`).join(" ");
const three = [row("a"), row("b", true), row("c")];

describe("a session by hand", () => {
  it("numbers groups in order, as the card says them", () => {
    expect(labelsOf(three)).toEqual(["1A", "1B", "2"]);
    expect(itemsOf(three).map((i) => i.group)).toEqual([1, 1, 2]);
    expect(itemsOf(three)[0]).toEqual({ exercise: "a", sets: 3, reps: 8, group: 1 });
  });
  it("takes a row out of its pair when it is moved, and never pairs what was not paired", () => {
    expect(names(moved(three, 2, 0))).toBe("c a +b");
    expect(names(moved(three, 0, 2))).toBe("b c a");
    expect(names(moved(three, 2, 1))).toBe("a c b");
    expect(names(moved(three, 1, 0))).toBe("b a c");
    expect(names(moved([row("a"), row("b", true), row("c", true), row("d")], 1, 3))).toBe("a +c d b");
    expect(names(moved(three, 0, 9))).toBe(names(three));
  });
  it("pairs up to three and no more", () => {
    const all = ["a", "b", "c", "d"].map((x) => row(x));
    let rows = linkedAt(linkedAt(all, 1, true), 2, true);
    expect(labelsOf(rows)).toEqual(["1A", "1B", "1C", "2"]);
    rows = linkedAt(rows, 3, true);
    expect(rows[3]?.linked).toBe(false);
    expect(linkedAt(all, 0, true)[0]?.linked).toBe(false);
    const forced = all.map((r, i) => ({ ...r, linked: i > 0 }));
    expect(itemsOf(forced).filter((i) => i.group === 1)).toHaveLength(MOST_TOGETHER);
  });
  it("leaves nobody linked to nothing", () => {
    expect(names(without(three, 0))).toBe("b c");
    expect(names(without([row("a"), row("b"), row("c", true)], 1))).toBe("a c");
    expect(names(without([row("a"), row("b", true), row("c", true)], 1))).toBe("a +c");
  });
  it("steps back and forth", () => {
    const s = nextStep(nextStep(begin(three), without(three, 2)), []);
    expect(undone(s).now).toHaveLength(2);
    expect(undone(undone(undone(s))).now).toHaveLength(3);
    expect(redone(undone(s)).now).toHaveLength(0);
    expect(redone(s)).toBe(s);
    expect(nextStep(undone(s), three).future).toEqual([]);
  });
});
