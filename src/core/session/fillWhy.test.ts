/** Why an exercise stands in its slot, by hand (rules choice.*, ledger.owed, finding.seen, pathway.stage). */
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { request, unit } from "../../../tests/support/session";
import type { Athlete } from "../athlete";
import type { ChoiceContext } from "../exercise";
import { why } from "../rulebook";
import type { Finding } from "../screening";
import { type Among, choiceWhy, unitWhy } from "./fillWhy";
import type { Slot } from "./slots";

const FIRST = "First of 7 squat exercises open here, in the library's order.";
const among: Among = { left: [], swappedFrom: null, of: 7 };
interface Told {
  id?: string;
  slot?: Partial<Slot>;
  choice?: Partial<ChoiceContext>;
  athlete?: Athlete;
  more?: Partial<Among>;
  parts?: readonly [number, string][];
}
const told = ({
  id = "front-squat",
  slot = {},
  choice = {},
  athlete = athleteWith(),
  more = {},
  parts = [],
}: Told = {}) =>
  choiceWhy(
    {
      exercise: exercise(id),
      loading: "bar",
      score: 0,
      parts: parts.map(([points, text]) => ({ points, why: () => ({ rule: "choice.sport", text }) })),
    },
    { pattern: exercise(id).pattern, kind: "main", ...slot },
    request({ choice: choiceFor(athlete, choice) }),
    { ...among, ...more },
  ).map((w) => w.text);
const finding = (rule: string, more: Partial<Finding> = {}) =>
  ({ rule, title: "Hips Drop", says: "In its own words.", ...more }) as Finding;

describe("an exercise says why it stands there", () => {
  it("by its place in the library where nothing else speaks", () => {
    expect(told()).toEqual([FIRST]);
    expect(told({ more: { of: 1 } })).toEqual(["The only squat exercise open here."]);
    expect(told({ slot: { kind: "assist" } })[0]).toMatch(/^First of 7 squat exercises open here; what works the same/);
  });
  it("by its list where nothing was chosen: no place among others, nothing that moved it", () => {
    const says = [why("approach.dose", "part")];
    const parts: Told["parts"] = [[1, "runs need it"]];
    const listed = { kind: "assist", only: ["front-squat"], says } as const;
    expect(told({ slot: listed, parts, more: { of: 1 } })).toEqual([]);
    // Another than those of the list was ranked, and so was one that the list says nothing of.
    expect(told({ slot: { ...listed, only: ["back-squat"] }, parts })).toEqual(["Runs need it."]);
    expect(told({ slot: { kind: "assist", only: ["front-squat"] }, more: { of: 1 } })).toEqual([
      "The only squat exercise open here.",
    ]);
  });
  it("by what moved it most, upwards alone", () => {
    expect(told({ parts: [[1, "runs need it"]] })).toEqual(["Runs need it."]);
    expect(
      told({
        parts: [
          [1, "runs need it"],
          [3, "the screening asks for it"],
          [2, "it loads"],
        ],
      }),
    ).toEqual(["The screening asks for it."]);
    expect(
      told({
        parts: [
          [-4, "with care"],
          [0, "nothing"],
        ],
      }),
    ).toEqual([FIRST]);
  });
  it("by the coach, the essential it is, and what safety left out, and then by nothing else", () => {
    const parts: Told["parts"] = [[2, "it loads"]];
    const swapped = told({ parts, more: { swappedFrom: exercise("back-squat") } });
    expect(swapped).toHaveLength(1);
    expect(swapped[0]).toContain("back squat");
    expect(told({ parts, slot: { essential: "Squat" } })).toHaveLength(1);
    expect(told({ parts, slot: { essential: "A Squat" } })[0]).toContain("a squat");
    const left = (name: string) => ({ exercise: "x", name, why: "it hurts", instead: "Front squat" });
    const out = told({ parts, more: { left: [left("Back squat"), left("Box squat")] } });
    expect(out.map((t) => t.includes("it hurts"))).toEqual([true, true]);
    expect(out[0]).toContain("back squat");
  });
  it("by who asked for the work: a rule in its own words, a way back, the screening", () => {
    const asked = (rule: string) => told({ slot: { added: finding(rule) } });
    expect(asked("descent.prep")).toEqual(["In its own words."]);
    expect(asked("progress.felt")).toEqual(["In its own words."]);
    expect(asked("finding.seen")).toEqual(["Added by the screening: hips drop."]);
    expect(asked("finding.test")).toEqual(["Added by the screening: hips drop."]);
    expect(asked("pathway.stage")).toHaveLength(1);
    expect(asked("pathway.stage")[0]).toBe("Work of this stage, which stands until the next is confirmed: hips Drop.");
  });
  it("that it is back once its trouble is over, for its first two sessions", () => {
    const was = (status: "past" | "current", areas = ["shoulder"]) =>
      athleteWith({
        health: {
          clearanceNeeded: false,
          areas: areas.map((area) => ({ area, side: "left", status })) as Athlete["health"]["areas"],
        },
      });
    // Seventh of nine steps of the squat's progression.
    const back = "The shoulder is clear: front squat is back, step 7 of 9 of its progression. Introduce it slowly.";
    const recent = (n: number) => ({ recent: new Map([["front-squat", n]]) });
    expect(told({ athlete: was("past") })).toEqual([back]);
    expect(told({ athlete: was("past"), choice: recent(1) })).toEqual([back]);
    expect(told({ athlete: was("past"), choice: recent(2) })).toEqual([FIRST]);
    expect(told({ athlete: was("past", ["shin"]) })).toEqual([FIRST]);
    expect(told({ athlete: was("current") }).join()).not.toContain("is back");
    const alone = told({ id: "push-up", athlete: was("past"), slot: { kind: "assist" } });
    expect(alone).toEqual(["The shoulder is clear: push-up is back. Introduce it slowly."]);
  });
  it("whose place it takes where a lift stood still", () => {
    const unmoved = { unmoved: new Set(["back-squat"]) };
    const instead = "In place of back squat, which has not moved for 3 sessions.";
    expect(told({ choice: unmoved })).toEqual([instead]);
    expect(told({ choice: unmoved, slot: { kind: "single" } })).toEqual([instead]);
    expect(told({ choice: unmoved, slot: { kind: "assist" } }).join()).not.toContain("In place of");
    expect(told({ id: "back-squat", choice: unmoved })).toEqual([FIRST]);
    expect(told({ choice: { ...unmoved, unloaded: true } }).join()).not.toContain("In place of");
    expect(told({ choice: { unmoved: new Set(["deadlift"]) } })).toEqual([FIRST]);
    // A lift that is closed today is in nobody's place, and one of this block is no newcomer.
    expect(told({ choice: { ...unmoved, stopped: new Map([["back-squat", "pain"]]) } })).toEqual([FIRST]);
    const block = {
      now: new Map([["A" as const, new Set(["front-squat"])]]),
      before: new Set<string>(),
      earlier: new Set<string>(),
    };
    expect(told({ choice: { ...unmoved, block } })).toEqual([FIRST]);
    expect(told({ id: "bridge", choice: { unmoved: new Set(["clam"]) } }).join()).not.toContain("In place of");
  });
  it("that it wants care beside a trouble, after whatever else it says", () => {
    const area = (id: string, areas: ChoiceContext["areas"]) => told({ id, choice: { areas, stages: [] } });
    const [first, care] = area("dowel-good-morning", ["low-back"]);
    expect(first).toMatch(/^First of 7/);
    expect(care).toContain("pain-free range, introduced slowly");
    expect(area("dowel-good-morning", ["shin"])).toHaveLength(1);
  });
});

describe("what the ledger says of an exercise it gives", () => {
  const of = (more: Parameters<typeof unit>[1], id = "calf-raise") => unitWhy(unit("calf", more), exercise(id));
  const here = why("ledger.owed", "here", { pattern: "calf", owed: 2, weekly: 3 });
  const kind = "calf work with a straight knee";
  it("how much is owed, and which kind comes again or has somebody stand in", () => {
    expect(of({})).toEqual([here]);
    expect(of({ kind })).toEqual([here]);
    expect(of({ dueFor: 4 })).toEqual([here]);
    expect(of({ kind, dueFor: 4 }).map((w) => w.text)).toEqual([here.text, `No ${kind} for 4 weeks: it comes again.`]);
    expect(of({ kind: "calf work with a bent knee", dueFor: 4 })[1]?.text).toContain("this stands in");
  });
});
