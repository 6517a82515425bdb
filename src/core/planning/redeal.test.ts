import { describe, expect, it } from "vitest";
import { unit } from "../../../tests/support/session";
import type { LedgerPattern, Unit } from "../ledger";
import type { Item } from "../session";
import { exercisesFor, fillGathered, fillRooms, type Rest, type Room } from "./redeal";

/** A session with all the time there is, that may hold an exercise a pattern with one of these numbers of sets. */
const room = (
  label: "A" | "B" | "C",
  offers: Partial<Record<LedgerPattern, number[]>>,
  more: Partial<Unit> = {},
): Room => ({
  label,
  draft: {
    limit: 3600,
    secondsOf: () => 0,
    filled: () => ({ items: [], dropped: [], left: [], again: new Map() }),
    offers: Object.entries(offers).map(([pattern, levels]) => ({
      levels,
      item: { exercise: { pattern }, slot: { unit: unit(pattern as LedgerPattern, more) } } as unknown as Item,
    })),
  },
});
const rest = (pattern: LedgerPattern, owed: number, weekly = 2): Rest => ({ pattern, rest: owed, weekly, dry: false });

describe("exercises of a pattern in a week", () => {
  // Rule ledger.fill: an exercise has 2 sets at least, and what is owed gathers until 1.5; counted by hand.
  it.each([
    [1.4, 0],
    [1.5, 1],
    [3.4, 1],
    [3.5, 2],
    [5.4, 2],
    [5.5, 3],
  ])("%s sets owed are worth %s", (owed, exercises) => {
    expect(exercisesFor(owed, 2)).toBe(exercises);
  });

  it("gather sooner where an exercise may have one set", () => {
    expect([0.7, 0.75, 1.7, 1.75].map((n) => exercisesFor(n, 1))).toEqual([0, 1, 1, 2]);
  });

  it("are no more than what is owed is worth: the tenth of a set that would be left is owed on", () => {
    const two = [room("A", { push: [2, 0] }), room("B", { push: [2, 0] })];
    // Four sets would leave nothing, two leave 0.2: nobody is given two more sets for that.
    expect(fillRooms(two, [rest("push", 2.2)])).toEqual([[2], [2]]);
    expect(fillGathered(two, [rest("push", 2.2)])).toEqual([[2], [0]]);
    expect(fillGathered(two, [rest("push", 3.5)])).toEqual([[2], [2]]);
  });

  it("leave their place to what else is owed", () => {
    // One exercise fits beside the leads of each session.
    const full = (label: "A" | "B"): Room => {
      const r = room(label, { push: [2, 0], calf: [2, 0] });
      return { ...r, draft: { ...r.draft, secondsOf: (sets) => (sets.filter((n) => n > 0).length > 1 ? 4000 : 0) } };
    };
    const [two, rests] = [
      [full("A"), full("B")],
      [rest("push", 3.4, 1.1), rest("calf", 1.5, 4.4)],
    ];
    expect(fillRooms(two, rests)?.map((of) => of.join())).toEqual(["2,0", "2,0"]);
    expect(fillGathered(two, rests)?.map((of) => of.join())).toEqual(["2,0", "0,2"]);
  });

  it("stay where each is a kind of work that is due", () => {
    const due = (label: "A" | "B", kind: string) => room(label, { hip: [2, 0] }, { kind, dueFor: 3 });
    const rooms = [due("A", "hip abduction"), due("B", "hip flexion")];
    expect(fillGathered(rooms, [rest("hip", 2.2)])).toEqual([[2], [2]]);
  });
});
