/**
 * The order in which a slot takes exercises (rules choice.points, ledger.fill, pair.rest; common practice and our assumptions). Rankings
 * themselves are tested with the exercises: here it is what a slot makes of one.
 */
import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { unit } from "../../../tests/support/session";
import { type ChoiceContext, rankFor } from "../exercise";
import { kindOf, type LedgerPattern } from "../ledger";
import { candidatesFor } from "./candidates";
import type { Slot } from "./slots";

const inGym = choiceFor(athleteWith(), { place: gym });
const atHome = choiceFor(athleteWith(), { place: home });
const ids = (slot: Slot, c: ChoiceContext = inGym, chosen: readonly string[] = []) =>
  candidatesFor(slot, c, chosen.map(exercise), "A").map((x) => x.exercise.id);
const ranked = (pattern: Slot["pattern"], kind: Slot["kind"], c = inGym) =>
  rankFor(pattern, c, kind, "A").map((x) => x.exercise.id);
/** Those that pass first, each part in its order. */
const first = (list: readonly string[], test: (id: string) => boolean) => [
  ...list.filter(test),
  ...list.filter((id) => !test(id)),
];

describe("a slot", () => {
  it("takes nothing twice", () => {
    const all = ranked("squat", "main");
    expect(all.length).toBeGreaterThan(2);
    expect(ids({ pattern: "squat", kind: "main" })).toEqual(all);
    expect(ids({ pattern: "squat", kind: "main" }, inGym, [all[1] as string])).toEqual(
      all.filter((id) => id !== all[1]),
    );
  });
  it("of a main lift takes other work of the pattern where no main lift is open", () => {
    expect(ranked("split-squat", "main")).toEqual([]);
    expect(ids({ pattern: "split-squat", kind: "main" })).toEqual(ranked("split-squat", "single"));
    expect(ids({ pattern: "split-squat", kind: "main" }).length).toBeGreaterThan(1);
    const all = ranked("hinge", "main");
    expect(ids({ pattern: "hinge", kind: "main" }, inGym, all)).toEqual(
      ranked("hinge", "single").filter((id) => !all.includes(id)),
    );
    expect(ids({ pattern: "jump", kind: "assist" }, atHome)).toEqual([]);
  });
  it("takes only what it may, what it would sooner have first", () => {
    const [a, b, c] = ranked("calf", "assist") as [string, string, string];
    const slot: Slot = { pattern: "calf", kind: "assist", only: [a, b, c] };
    expect(ids(slot)).toEqual([a, b, c]);
    expect(ids({ ...slot, prefer: [c, "no-such"] })).toEqual([c, a, b]);
    expect(ids({ ...slot, only: ["back-squat"] })).toEqual([]);
    expect(ids({ ...slot, only: ["back-squat"], orElse: true })).toEqual(ranked("calf", "assist"));
    expect(ids({ ...slot, only: [b], orElse: true })).toEqual([b]);
    expect(ids({ ...slot, only: [b] }, inGym, [b])).toEqual([]);
  });
  it("takes what it prefers first, in the order of its list", () => {
    const all = ranked("trunk", "assist");
    const [x, y] = [all.at(-1) as string, all.at(-2) as string];
    expect(ids({ pattern: "trunk", kind: "assist", prefer: [x, y, "back-squat"] })).toEqual([
      x,
      y,
      ...all.filter((id) => id !== x && id !== y),
    ]);
  });
  it("of assistance goes round muscles that something else works already, leads do not", () => {
    const squat = exercise("back-squat");
    const shares = (id: string) => exercise(id).primary.some((m) => squat.primary.includes(m));
    const scores = (kind: Slot["kind"], chosen: readonly string[]) =>
      new Map(
        candidatesFor({ pattern: "split-squat", kind }, inGym, chosen.map(exercise), "A").map((x) => [
          x.exercise.id,
          x.score,
        ]),
      );
    const before = scores("assist", []);
    const after = scores("assist", ["back-squat"]);
    expect([...before.keys()].filter(shares).length).toBeGreaterThan(0);
    for (const [id, score] of before) expect(after.get(id)).toBeCloseTo(shares(id) ? score - 1.5 : score, 9);
    expect(scores("single", ["back-squat"])).toEqual(scores("single", []));
  });
});

describe("what the ledger gives", () => {
  const given = (pattern: LedgerPattern, kind: string | null, c = inGym) =>
    ids({ pattern, kind: "assist", unit: unit(pattern, { kind }) }, c);

  it("is the kind of work that was missed longest, where one is named", () => {
    const all = ranked("trunk", "assist");
    const kind = kindOf(exercise(all.at(-1) as string));
    expect(given("trunk", kind)).toEqual(first(all, (id) => kindOf(exercise(id)) === kind));
    expect(given("trunk", kind)).not.toEqual(all);
    expect(given("trunk", null)).toEqual(all);
  });
  it("beside a lead is another exercise than the lead, of squat and hinge a sister lift", () => {
    const lead = (pattern: Slot["pattern"], kind: "main" | "single", label: "A" | "B") =>
      rankFor(pattern, inGym, kind, label)[0]?.exercise.id;
    const split = lead("split-squat", "single", "B");
    expect(given("split-squat", null)).toEqual(first(ranked("split-squat", "assist"), (id) => id !== split));
    const hip = lead("hip", "single", "B");
    expect(given("hip", null)).toEqual(first(ranked("hip", "assist"), (id) => id !== hip));
    const squats = ["leg-press", "safety-bar-squat", "front-squat", "goblet-squat", "box-squat"];
    const squat = lead("squat", "main", "A");
    const rest = first(ranked("squat", "assist"), (id) => id !== squat);
    expect(given("squat", null)).toEqual(first(rest, (id) => squats.includes(id) && id !== squat));
    expect(squats).toContain(given("squat", null)[0]);
    const hinges = [
      "romanian-deadlift",
      "stiff-leg-deadlift",
      "dumbbell-romanian-deadlift",
      "rdl-to-knee",
      "supported-back-extension",
    ];
    expect(hinges).toContain(given("hinge", null)[0]);
    expect(given("hinge", null)[0]).not.toBe(lead("hinge", "main", "A"));
    expect(given("calf", null)).toEqual(ranked("calf", "assist"));
  });
  it("by the kind goes before the sister lifts, and what is preferred before both", () => {
    const one = given("hinge", "hinge on one leg");
    expect(exercise(one[0] as string).unilateral).toBe(true);
    const last = one.at(-1) as string;
    expect(
      ids({ pattern: "hinge", kind: "assist", unit: unit("hinge", { kind: "hinge on one leg" }), prefer: [last] })[0],
    ).toBe(last);
  });
});
