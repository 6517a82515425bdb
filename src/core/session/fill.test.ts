import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import { layeredAt } from "../../../tests/support/dose";
import { request, unit } from "../../../tests/support/session";
import type { Athlete, Label, Place, Seen } from "../athlete/types";
import type { ChoiceContext } from "../exercise/choose";
import type { Unit } from "../ledger";
import { pathwayWork } from "../pathway";
import { RULES } from "../rulebook";
import type { Finding } from "../screening";
import { buildSession } from "./build";
import { type Slot, withFindings } from "./slots";
import type { BuiltSession, SessionRequest } from "./types";

/** What the ledger usually gives each session beside its leads. */
const UNITS: Partial<Record<Label, readonly Unit[]>> = {
  A: [unit("hip"), unit("calf"), unit("trunk")],
  B: [unit("hinge", { kind: "hinge on one leg" }), unit("calf"), unit("trunk")],
};
const build = (
  athlete: Athlete,
  place: Place = gym,
  more: Partial<SessionRequest> = {},
  choice: Partial<ChoiceContext> = {},
): BuiltSession => {
  const c = choiceFor(athlete, { place, ...choice });
  const s = buildSession(
    request(
      {
        emphasis: "develop",
        dose: layeredAt("develop", c.gate),
        minutes: 90,
        choice: c,
        loadFor: () => ({ loadKg: 20, perSideKg: [], barKg: null, percent1rm: null, why: [] }),
        units: UNITS[more.label ?? "A"] ?? [],
        ...more,
      },
      athlete,
      place,
    ),
  );
  if (!s) throw new Error("no session");
  return s;
};
const ids = (s: BuiltSession) => s.items.map((i) => i.exercise.id);
const find = (s: BuiltSession, id: string) => s.items.find((i) => i.exercise.id === id)!;
const seen = (...what: Seen[]) => athleteWith({ seen: what.map((w) => ({ what: w, date: "2026-02-01" })) });
const troubled = (area: Athlete["health"]["areas"][number]["area"], status: "current" | "past") =>
  athleteWith({ health: { clearanceNeeded: false, areas: [{ area, side: "left", status }] } });

describe("findings in a session", () => {
  it("take the hip work's place and say so; the second session takes the next of their exercises", () => {
    const of = (label: Label) => build(seen("hip-drop"), home, { label });
    expect(find(of("A"), "toe-tap")).toMatchObject({ added: "Hip drops to the free side", reps: 15, eachSide: true });
    expect(find(of("A"), "toe-tap").why[0]).toEqual({
      rule: "finding.seen",
      text: "Added by the screening: hip drops to the free side.",
    });
    expect(ids(of("B"))).toContain("hip-hike");
    expect(ids(of("B"))).not.toContain("toe-tap");
  });
  it("put a light set before the hinge where the back rounds", () => {
    const s = build(seen("rounded-catch"));
    expect(find(s, "slider-curl").sets).toBe(1);
    expect(ids(s).indexOf("slider-curl")).toBeLessThan(s.items.findIndex((i) => i.exercise.pattern === "hinge"));
  });
  it("take the hip work that stands before the hinge for that set, and stand before it in whatever pairs", () => {
    const b = build(seen("rounded-catch"), gym, { label: "B" });
    const at = (s: BuiltSession, test: (i: BuiltSession["items"][number]) => boolean) => s.items.findIndex(test);
    const primers = b.items.filter((i) => i.slot.primer);
    expect(primers.map((i) => [i.exercise.pattern, i.added])).toEqual([["hip", null]]);
    expect(at(b, (i) => i.slot.primer === true)).toBeLessThan(at(b, (i) => i.exercise.pattern === "hinge"));
    // A short session that leads with the squat holds no hinge, and needs no set before it.
    const short = build(seen("rounded-catch"), gym, { minutes: 30 });
    expect(short.items.filter((i) => i.exercise.pattern === "hinge" || i.slot.primer)).toEqual([]);
  });
  it("add that set whatever else was found, and keep it and a set of what was added where sets are cut", () => {
    const many = seen("hip-drop", "pelvis-tilt", "knee-in", "rounded-catch");
    const s = build(many, gym, { minutes: 180 });
    expect(s.items.some((i) => i.slot.primer)).toBe(true);
    const cut = build(many, gym, { minutes: 180, setFactor: 0.55 });
    for (const i of s.items.filter((x) => x.added || x.slot.primer)) expect(ids(cut)).toContain(i.exercise.id);
    // What loses its last set is said.
    for (const id of ids(s).filter((x) => !ids(cut).includes(x)))
      expect(cut.dropped.map((d) => d.exercise)).toContain(id);
  });
  it("go with the assistance when time is short, not before it", () => {
    const dose = layeredAt("maximal");
    const rower = athleteWith({ seen: [{ what: "hip-drop", date: "2026-02-01" }] }, { sport: "row" });
    const units = [unit("hip"), unit("pull", { sets: 3 }), unit("push", { sets: 3 }), unit("trunk", { sets: 3 })];
    const whole = build(rower, gym, { dose, units });
    expect(whole.dropped).toEqual([]);
    const short = build(rower, gym, { minutes: whole.minutes - 4, dose, units });
    expect(short.minutes).toBeGreaterThan(35);
    expect(ids(short)).toContain("toe-tap");
    expect(short.dropped.length).toBeGreaterThan(0);
    expect(ids(build(seen("hip-drop"), gym, { minutes: 30 }))).toContain("toe-tap");
  });
  it("add at most three at once, and nothing while restoring", () => {
    const many = seen("hip-drop", "pelvis-tilt", "knee-in", "hip-flexor-fatigue", "rocking-pelvis");
    const added = (s: BuiltSession) => new Set(s.items.flatMap((i) => i.added ?? []));
    expect(added(build(many, gym, { minutes: 180 })).size).toBe(3);
    expect(added(build(many, gym, { loading: "mobility", emphasis: "restore" })).size).toBe(0);
  });
  it("give one set more where a test asks for it", () => {
    const weak = athleteWith({ screening: [{ test: "calf-raise", date: "2026-02-01", left: 12, right: 12 }] });
    const calf = (a: Athlete) => build(a).items.find((i) => i.exercise.pattern === "calf")!.sets;
    expect(calf(weak)).toBe(calf(athleteWith()) + 1);
  });
});

describe("the work of a way back", () => {
  // Rule pathway.stage: "Holds alone: 5 x 45 s on both legs".
  const stages = [
    { area: "achilles", side: "left", stage: "settle", since: "2026-02-24", begun: true, lowered: null },
  ] as const;
  const [holds] = pathwayWork(stages, "2026-03-03");
  const weak: Finding = { ...holds!, id: "calf-raise", rule: "finding.test", adds: [], more: "calf" };
  const calf: Slot = { pattern: "calf", kind: "assist", sets: 2 };
  const setsWith = (...findings: Finding[]) => withFindings([calf], findings, "B").map((s) => s.sets);
  it("is what its stage says, whatever else was found for the pattern", () => {
    expect(setsWith(holds!)).toEqual([5]);
    expect(setsWith(holds!, weak)).toEqual([5]);
    expect(setsWith(weak, holds!)).toEqual([5]);
    expect(setsWith(weak)).toEqual([3]);
  });
  it("says who asked for it", () => {
    const s = build(troubled("achilles", "current"), home, { label: "B" }, { findings: [holds!, weak] });
    const hold = find(s, "long-calf-hold");
    expect([hold.sets, hold.seconds]).toEqual([5, 45]);
    expect(hold.why[0]?.text).toBe(
      "Work of this stage, which stands until the next is confirmed: way back of the Achilles tendon, settle.",
    );
  });
});

describe("what safety takes out", () => {
  it("is named with what stands instead, and comes back in its progression once the trouble is over", () => {
    const sore = build(troubled("knee-front", "current"), home, { label: "B" });
    expect(ids(sore)).toContain("supported-split-squat");
    expect(sore.left).toContainEqual({
      exercise: "reverse-lunge",
      name: "Reverse lunge",
      why: 'the front of the knee is at the stage "settle"; this opens with "load"',
      instead: "Supported split squat, front foot raised",
    });
    const clear = build(troubled("knee-front", "past"), home, { label: "B" });
    expect(clear.left).toEqual([]);
    expect(find(clear, "reverse-lunge").why.map((w) => w.text)).toContain(
      "The front of the knee is clear: reverse lunge is back, step 1 of 6 of its progression. Introduce it slowly.",
    );
  });
  it("leaves an uncleared athlete mobility, bridges and walks", () => {
    const a = athleteWith({ health: { clearanceNeeded: true, areas: [] } });
    const s = build(a, home, { loading: "mobility", emphasis: "restore" }, { unloaded: true });
    expect(new Set(s.items.map((i) => i.exercise.pattern))).toEqual(new Set(["mobility", "hip", "calf"]));
    expect(ids(s)).toEqual(expect.arrayContaining(["bridge", "heel-walk"]));
    expect(s.cautions.join(" ")).toContain("cleared the athlete");
  });
  it("keeps the clearance's limits in front of the coach", () => {
    const a = athleteWith({
      health: {
        clearanceNeeded: true,
        clearance: { date: "2026-01-01", by: "Dr. Example", limits: "Nothing above 130 beats.", rules: ["no-supine"] },
        areas: [],
      },
    });
    const s = build(a);
    expect(s.cautions).toContain("Cleared by Dr. Example: Nothing above 130 beats.");
    expect(s.items.some((i) => i.exercise.position === "supine")).toBe(false);
  });
});

describe("the coach's choice", () => {
  it("takes the first one's place, and is passed over once it is closed", () => {
    const first = build(athleteWith()).items[0]!.exercise.id;
    const swaps = new Map([[first, "leg-press"]]);
    const swapped = build(athleteWith(), gym, { swaps });
    expect(find(swapped, "leg-press").why[0]).toMatchObject({ rule: "choice.coach" });
    expect(ids(swapped)).not.toContain(first);
    expect(ids(build(athleteWith(), { ...gym, machines: [] }, { swaps }))).toContain(first);
  });
  it("is the essential five while time is short", () => {
    const short = (swim = false) =>
      build(
        athleteWith(
          { settings: { shortTime: swim ? "essential-five-swim" : "essential-five" } },
          { sport: swim ? "triathlon" : "run" },
        ),
      );
    expect(new Set(ids(short()))).toEqual(
      new Set(["single-leg-deadlift", "side-plank", "split-squat", "single-leg-bridge", "calf-raise"]),
    );
    expect(ids(short(true))).toContain("one-arm-row");
    expect(short().why.some((w) => w.rule === "choice.five")).toBe(true);
  });
});

describe("new work", () => {
  it("starts with half the sets, but for somebody to whom everything is new", () => {
    const squat = (known: ReadonlySet<string> | null) => build(athleteWith(), gym, {}, { known }).items[0]!;
    const first = squat(new Set(["clam"]));
    expect(first).toMatchObject({ sets: 2 });
    expect(first.why.some((w) => w.rule === "first.time")).toBe(true);
    expect(squat(new Set([first.exercise.id])).sets).toBe(3);
    expect(squat(null).sets).toBe(3);
  });
});

describe("the dose of an exercise with its own repetitions", () => {
  it("is its own in assistance, also under a maximal emphasis", () => {
    const c = choiceFor(seen("hip-flexor-fatigue"));
    const s = build(seen("hip-flexor-fatigue"), gym, { emphasis: "maximal", dose: layeredAt("maximal", c.gate) });
    // Four weeks after it was seen: 5 holds and one more a week (rule finding.end).
    expect(find(s, "march-hold")).toMatchObject({ repsLow: 9, reps: 9, sets: 2 });
    expect(find(s, "march-hold").exercise.secondsPerRep).toBeGreaterThanOrEqual(10);
  });
});

describe("reasons", () => {
  it("stand on every exercise, and every one has a rule that is registered", () => {
    for (const a of [athleteWith(), seen("hip-drop"), troubled("knee-front", "current")])
      for (const label of ["A", "B", "C"] as const)
        for (const i of build(a, gym, { label }).items) {
          expect(i.why.length, i.exercise.id).toBeGreaterThan(0);
          for (const w of i.why) expect(RULES[w.rule], w.rule).toBeDefined();
        }
  });
});

describe("how an exercise is done", () => {
  const style = (settings: Athlete["settings"], id: string, label: Label = "A", athlete = athleteWith({ settings })) =>
    build(athlete, gym, { label }).items.find((i) => i.exercise.id === id || i.exercise.pattern === id)?.style;
  it("follows the athlete's settings, with the trade's defaults", () => {
    expect(style(undefined, "squat")).toBe("to thigh level");
    expect(style({ squatDepth: "full" }, "squat")).toContain("full depth");
    expect(style(undefined, "single-leg-deadlift", "B")).toBe("load in the hand opposite to the working leg");
    expect(style({ singleLegLoad: "same" }, "single-leg-deadlift", "B")).toContain("working side");
  });
  it("goes by the trouble before the settings", () => {
    const sore = athleteWith({
      settings: { squatDepth: "full", splitSquatStyle: "knee-forward" },
      health: { clearanceNeeded: false, areas: [{ area: "hip", side: "left", status: "current" }] },
    });
    const styles = build(sore).items.flatMap((i) => i.style ?? []);
    expect(styles).toContain("pain-free range");
    expect(styles.join()).not.toContain("knee forward");
  });
  it("is light and of 15 repetitions in a hinge with trouble at the hamstring", () => {
    const hinge = (a: Athlete) => build(a, gym, { label: "B" }).items.find((i) => i.exercise.pattern === "hinge")!;
    const { health } = troubled("hamstring", "current");
    const atLoads = athleteWith({
      health: {
        ...health,
        areas: [{ area: "hamstring", side: "left", status: "current", since: "2026-02-01" }],
        pathways: [
          {
            area: "hamstring",
            side: "left",
            since: "2026-02-01",
            steps: [{ stage: "load", date: "2026-03-01", by: "Coach" }],
          },
        ],
      },
    });
    const sore = hinge(atLoads);
    if (sore.loadKg !== null) expect(sore).toMatchObject({ repsLow: 15, reps: 15, rir: 4 });
    const main = build(atLoads).items.find((i) => i.main && i.exercise.pattern === "hinge")!;
    expect(main).toMatchObject({ repsLow: 15, reps: 15 });
    expect(main.rir).toBeGreaterThanOrEqual(4);
    expect(main.why.some((w) => w.text.includes("15 or more repetitions"))).toBe(true);
    expect(hinge(athleteWith()).reps).toBeLessThan(15);
  });
});
