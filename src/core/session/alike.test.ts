/** What is laid out alike or taken over from another filling says the same as what is made anew. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { built, request, unit } from "../../../tests/support/session";
import { why } from "../rulebook";
import type { Finding } from "../screening";
import { fillSlots } from "./fill";
import { withChanges } from "./item";
import { copyOf, isSameSlot, type Slot, slotsFor } from "./slots";
import { type Draft, fullest } from "./worth";

describe("a changed item", () => {
  const item = built("side-plank", 3, {
    seconds: 30,
    extraSide: "left",
    note: "slowly",
    why: [why("ledger.fill", "lean")],
  });
  it("keeps all that is not changed, and nothing of what is", () => {
    const changes = { pair: "2A", sets: 1, extraSide: null, why: [] };
    expect(withChanges(item, changes)).toStrictEqual({ ...item, ...changes });
    expect(withChanges(item, {})).toStrictEqual(item);
    expect(withChanges(item, {})).not.toBe(item);
  });
});

describe("two slots", () => {
  const says = [why("approach.dose", "part")];
  const jump = { sets: 2, reps: 5, seconds: null, rest: 60, says };
  const slot: Slot = { pattern: "hip", kind: "assist", sets: 2, only: ["a", "b"], prefer: ["b"], jump, says };
  it("ask for the same in another layout and in lists of their own", () => {
    expect(isSameSlot(slot, copyOf({ ...slot, only: ["a", "b"], jump: { ...jump } }))).toBe(true);
    expect(copyOf(slot)).toEqual(slot);
  });
  it.each<Partial<Slot>>([
    { pattern: "calf" },
    { kind: "single" },
    { sets: 3 },
    { reps: 8 },
    { only: ["a"] },
    { only: ["b", "a"] },
    { only: undefined },
    { orElse: true },
    { prefer: ["a"] },
    { added: { id: "x" } as Finding },
    { primer: true },
    { essential: "squat" },
    { unit: unit("hip") },
    { most: 2 },
    { reserve: 3 },
    { alone: true },
    { says: [...says] },
    { jump: undefined },
    { jump: { ...jump, sets: 3 } },
    { jump: { ...jump, reps: 6 } },
    { jump: { ...jump, seconds: 10 } },
    { jump: { ...jump, rest: 90 } },
    { jump: { ...jump, says: [...says] } },
  ])("ask for something else: %o", (other) => {
    expect(isSameSlot(slot, { ...slot, ...other })).toBe(false);
    expect(isSameSlot({ ...slot, ...other }, slot)).toBe(false);
  });
  it("of the ledger are never taken for the same", () => {
    const given: Slot = { pattern: "hip", kind: "assist", unit: unit("hip") };
    expect(isSameSlot(given, given)).toBe(false);
  });
});

describe("a filling that begins like another", () => {
  const r = request();
  const slots = (...units: Parameters<typeof slotsFor>[3] & object) => slotsFor("A", "full", "lifts", units);
  const before = fillSlots(slots(unit("hip"), unit("calf")), r);
  it("takes over what stands in its first slots, and is what it would be by itself", () => {
    const other = slots(unit("trunk"), unit("pull"));
    const [alone, taken] = [fillSlots(other, r), fillSlots(other, r, before.slots)];
    expect(taken.items).toEqual(alone.items);
    expect([taken.dropped, taken.left]).toEqual([alone.dropped, alone.left]);
    expect(taken.items.slice(0, 2).map((i, n) => i === before.items[n])).toEqual([true, true]);
    expect(alone.items[0]).not.toBe(before.items[0]);
    expect(taken.items).toHaveLength(4);
    const [lead] = taken.items;
    expect(lead && taken.again?.get(lead.exercise)?.(2)).toEqual(lead && alone.again?.get(lead.exercise)?.(2));
  });
  it("takes over nothing behind the first slot that differs", () => {
    const [squat, hinge] = slots();
    const other = [{ ...(squat as Slot), sets: 2 }, hinge as Slot];
    const taken = fillSlots(other, r, before.slots);
    expect(taken.items[0]?.sets).toBe(2);
    expect(taken.items.some((i) => before.items.includes(i))).toBe(false);
  });
});

describe("the fullest choices", () => {
  it("are those that fit and are not less than another in everything, the most of the earlier first", () => {
    const offer = fc.record({
      most: fc.integer({ min: 1, max: 4 }),
      stays: fc.boolean(),
      each: fc.integer({ min: 1, max: 9 }),
    });
    fc.assert(
      fc.property(fc.array(offer, { minLength: 1, maxLength: 4 }), fc.integer({ min: 0, max: 60 }), (offers, limit) => {
        const levels = offers.map(({ most, stays }) =>
          Array.from({ length: most + (stays ? 0 : 1) }, (_, i) => most - i),
        );
        const seconds = (sets: readonly number[]) => sets.reduce((a, n, i) => a + n * (offers[i]?.each ?? 0), 0);
        const draft: Draft = {
          offers: levels.map((of) => ({ item: built("push-up", 1), levels: of })),
          limit,
          secondsOf: seconds,
        };
        const all = levels.reduce<number[][]>((lists, of) => lists.flatMap((l) => of.map((n) => [...l, n])), [[]]);
        const fit = all.filter((sets) => seconds(sets) <= limit);
        const atLeast = (a: readonly number[], b: readonly number[]) => a.every((n, i) => n >= (b[i] ?? 0));
        expect(fullest(draft)).toEqual(fit.filter((a) => !fit.some((b) => a !== b && atLeast(b, a))));
      }),
      { numRuns: 300, seed: 11 },
    );
  });
});
