import { describe, expect, it } from "vitest";
import { athleteWith, gym, home, lifted, logOf } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { placeFrom } from "../athlete/presets";
import { AREAS, type Area, SPORTS } from "../athlete/types";
import type { AreaStage } from "../pathway";
import { closedBecause } from "./choose";
import { SHIPPED } from "./entries/all";
import { bareLoadingAt, hasNeed, loadingAt } from "./equipment";
import { essentialFive, fiveFor } from "./five";
import { makeLibrary, SHIPPED_LIBRARY } from "./library";
import { type OwnExercise, ownExercise } from "./own";
import { progressionsOf } from "./progression";
import { besides, POINTS, rankFor } from "./rank";
import { type Exercise, PATTERNS, PRIMARY_PATTERNS } from "./types";
import { coverageGaps, validateLibrary } from "./validate";

/** Ids that the athlete file's description promises. */
const PROMISED =
  "back-squat front-squat goblet-squat leg-press romanian-deadlift trap-bar-deadlift deadlift good-morning single-leg-deadlift kettlebell-deadlift kettlebell-swing split-squat rear-foot-elevated-split-squat front-foot-elevated-split-squat reverse-lunge step-up step-down bridge single-leg-bridge band-walk hip-hike side-plank dead-bug calf-raise soleus-raise ankle-hops one-arm-row".split(
    " ",
  );
const broken = (id: string, change: Partial<Exercise>): Exercise[] =>
  SHIPPED.map((e) => (e.id === id ? { ...e, ...change } : e));

describe("the library", () => {
  it("is sound, and holds every promised id and every pattern, a hundred exercises or more", () => {
    expect(validateLibrary(SHIPPED)).toEqual([]);
    for (const id of PROMISED) expect(SHIPPED_LIBRARY.byId(id), id).toBeDefined();
    for (const p of PATTERNS) expect(SHIPPED_LIBRARY.pattern(p).length, p).toBeGreaterThan(0);
    expect(SHIPPED.length).toBeGreaterThanOrEqual(100);
    expect(SHIPPED_LIBRARY.name("unknown-thing")).toBe("unknown-thing");
  });
  it.each([
    ["front-squat", { ladder: { id: "squat", before: "no-such-step" } }, "front-squat.ladder: the step before it"],
    ["front-squat", { ladder: { id: "squat", before: "bridge" } }, "front-squat.ladder: the step before it"],
    ["wall-facing-squat", { ladder: { id: "squat", before: "back-squat" } }, "goes round in a circle"],
    ["back-squat", { ladder: { id: "squat", before: null } }, "back-squat.ladder: same step as wall-facing-squat"],
    ["clam", { primary: ["wings"] }, 'clam.primary: unknown muscle "wings"'],
    ["clam", { secondary: ["wings"] }, 'clam.secondary: unknown muscle "wings"'],
    ["clam", { primary: [] }, "clam.primary: at least one muscle"],
    ["clam", { gates: ["long-jump"] }, 'clam.gates: unknown screening test "long-jump"'],
    ["clam", { after: ["long-jump"] }, 'clam.after: "long-jump" does not exist'],
    ["clam", { notWith: ["elbow"] }, 'clam.notWith: unknown trouble area "elbow"'],
    ["clam", { notWith: ["hip"], careWith: ["hip"] }, "clam.notWith: an area that is also in"],
    ["clam", { tempo: "slow" }, "clam.tempo"],
    ["clam", { needs: [] }, "clam.needs"],
    ["clam", { cues: [] }, "clam.cues"],
    ["clam", { id: "Bad Id" }, "Bad Id.id"],
    ["clam", { id: "bridge" }, "bridge.id: stands twice"],
  ] as [string, Partial<Exercise>, string][])("a broken %s fails with its id and field (%#)", (id, change, text) => {
    expect(validateLibrary(broken(id, change))).toEqual(
      expect.arrayContaining([expect.stringContaining(text) as unknown]),
    );
  });
  it("leaves no primary pattern empty for any trouble area at any kind of place, and says where it would", () => {
    expect(coverageGaps(SHIPPED)).toEqual([]);
    const without = SHIPPED.filter((e) => e.pattern !== "split-squat" || e.notWith.includes("knee-front"));
    expect(coverageGaps(without)).toContain("library.split-squat: no exercise for knee-front at bare-home");
  });
  it("has the bent knee load the soleus and the straight knee the gastrocnemius", () => {
    expect(exercise("soleus-raise").primary).toEqual(["soleus"]);
    expect(exercise("calf-raise").primary).toEqual(["gastrocnemius"]);
  });
  it("draws each ladder from its lowest step, and leaves hidden exercises out of the choice alone", () => {
    expect(SHIPPED_LIBRARY.ladder("bridge").map((e) => e.id)).toEqual([
      "bridge",
      "long-lever-bridge",
      "loaded-bridge",
      "single-leg-bridge",
      "single-leg-hip-thrust",
    ]);
    const onLadders = SHIPPED_LIBRARY.ladders.flatMap((l) => SHIPPED_LIBRARY.ladder(l)).length;
    expect(onLadders).toBe(SHIPPED.filter((e) => e.ladder).length);
    const library = makeLibrary([], ["bridge"]);
    expect(library.pattern("hip").some((e) => e.id === "bridge")).toBe(false);
    expect(library.name("bridge")).toBe("Bridge");
  });
  it("takes the coach's own exercises in", () => {
    const own: OwnExercise = {
      name: "Sandbag hold",
      pattern: "trunk",
      loading: "bodyweight",
      unilateral: false,
      unit: "seconds",
      needs: [["sandbag"]],
      primary: ["rectus abdominis"],
      secondary: [],
      setup: [],
      cues: ["Tall and quiet."],
      mistakes: [],
      felt: "Trunk",
      level: 1,
      notWith: [],
      gates: [],
    };
    const made = ownExercise("own-sandbag-hold", own);
    expect(validateLibrary([...SHIPPED, made])).toEqual([]);
    const library = makeLibrary([made]);
    const there = choiceFor(athleteWith(), { library, place: { ...gym, other: ["sandbag"] } });
    expect(rankFor("trunk", there, "assist").some((c) => c.exercise === made)).toBe(true);
    expect(closedBecause(made, choiceFor(athleteWith(), { library }))?.kind).toBe("equipment");
  });
  it("has five essentials a sport, all of them real", () => {
    for (const sport of SPORTS)
      for (const swim of [false, true]) {
        const five = essentialFive(sport, swim);
        expect(five).toHaveLength(5);
        for (const e of five)
          for (const id of e.exercises) expect(exercise(id).pattern, `${sport} ${id}`).toBe(e.pattern);
      }
    expect(essentialFive("triathlon", true).some((e) => e.pattern === "pull")).toBe(true);
    expect(essentialFive("triathlon").some((e) => e.pattern === "calf")).toBe(true);
    expect(fiveFor(athleteWith())).toBeNull();
    expect(fiveFor(athleteWith({ settings: { shortTime: "essential-five" } }))).toEqual(essentialFive("run"));
  });
});

const kneeAt = (stage: AreaStage["stage"]): AreaStage[] => [
  { area: "knee-front", side: "left", stage, since: "2026-03-03", begun: true, lowered: null },
];

describe("choice", () => {
  it("always finds the primary patterns, in a gym, at home and in an empty room", () => {
    for (const sport of SPORTS)
      for (const place of [gym, home, { ...home, other: [] }])
        for (const pattern of PRIMARY_PATTERNS)
          expect(
            rankFor(pattern, choiceFor(athleteWith({}, { sport }), { place }), "assist").length,
            `${sport} ${pattern}`,
          ).toBeGreaterThan(0);
  });
  it("prefers what matters for the sport", () => {
    expect(rankFor("squat", choiceFor(athleteWith({}, { sport: "row" })), "main")[0]!.exercise.id).toBe("front-squat");
    expect(rankFor("split-squat", choiceFor(athleteWith({}, { sport: "hike" })), "assist")[0]!.exercise.id).toBe(
      "step-up",
    );
    expect(rankFor("pull", choiceFor(athleteWith({}, { sport: "row" })), "assist")[0]!.exercise.id).toBe(
      "staggered-row",
    );
  });
  // The first stage of each way back (rule pathway.stage; common practice, no source).
  it.each([
    ["low-back", ["back-squat", "deadlift", "good-morning", "kettlebell-swing", "hand-foot-walk"], ["leg-press"]],
    [
      "knee-front",
      [
        "rear-foot-elevated-split-squat",
        "reverse-lunge",
        "knee-forward-split-squat",
        "step-down",
        "front-squat",
        "leg-press",
      ],
      ["wall-sit", "box-squat"],
    ],
    ["achilles", ["ankle-hops", "calf-raise", "slow-calf-raise"], ["calf-isometric"]],
    ["hamstring", ["kettlebell-swing", "good-morning", "romanian-deadlift"], ["bridge"]],
    ["groin", ["lateral-squat-step", "adductor-side-plank"], ["adductor-squeeze"]],
    ["hip-flexor", ["loaded-hip-flexor-raise", "straight-leg-hold"], ["march-hold-unloaded"]],
    ["knee-outside", ["toe-tap", "ankle-hops"], ["abduction-hold", "side-lying-raise"]],
    ["hip", ["knee-forward-split-squat", "front-squat"], ["abduction-hold", "box-squat"]],
    ["shin", ["ankle-hops", "bounds"], ["heel-walk"]],
    ["bone-stress", ["squat-jump", "loaded-carry", "one-arm-row"], []],
    ["shoulder", ["back-squat", "front-squat", "overhead-squat"], ["goblet-squat"]],
  ] as [Area, string[], string[]][])("with trouble at the %s", (area, closed, open) => {
    const athlete = athleteWith({
      health: {
        clearanceNeeded: false,
        clearance: { date: "2026-01-01", by: "Dr. Example", limits: "" },
        areas: [{ area, side: "left", status: "current" }],
      },
      places: [{ ...gym, kettlebellsKg: [{ massKg: 16, count: 1 }] }],
    });
    const c = choiceFor(athlete);
    for (const id of closed)
      expect(closedBecause(exercise(id), c), id).toMatchObject({
        kind: "trouble",
        text: expect.stringContaining('at the stage "settle"') as unknown,
      });
    for (const id of open) expect(closedBecause(exercise(id), c), id).toBeNull();
    for (const p of PRIMARY_PATTERNS) expect(rankFor(p, c, "assist").length).toBeGreaterThan(0);
  });
  it("closes what a failed test gates, leaves it open where nothing was tested, and asks some tests first", () => {
    const failed = athleteWith({ screening: [{ test: "dowel-hinge", date: "2026-02-01", value: 50 }] });
    expect(closedBecause(exercise("deadlift"), choiceFor(failed))?.text).toContain("dowel hinge");
    expect(closedBecause(exercise("deadlift"), choiceFor())).toBeNull();
    expect(closedBecause(exercise("ankle-hops"), choiceFor())?.text).toContain("opens once");
    const calf = athleteWith({ screening: [{ test: "calf-raise", date: "2026-02-01", left: 26, right: 27 }] });
    expect(closedBecause(exercise("ankle-hops"), choiceFor(calf))).toBeNull();
  });
  it("closes what the clearance does not allow", () => {
    const athlete = athleteWith({
      health: {
        clearanceNeeded: true,
        clearance: { date: "2026-01-01", by: "Dr. Example", limits: "", rules: ["no-supine", "no-impact"] },
        areas: [],
      },
      screening: [{ test: "calf-raise", date: "2026-02-01", left: 26, right: 27 }],
    });
    expect(closedBecause(exercise("bridge"), choiceFor(athlete))?.kind).toBe("clearance");
    expect(closedBecause(exercise("ankle-hops"), choiceFor(athlete))?.kind).toBe("clearance");
    expect(closedBecause(exercise("clam"), choiceFor(athlete))).toBeNull();
  });
  it("keeps main lifts of the log, changes assistance after a block, and says what moved each", () => {
    expect(
      rankFor("hinge", choiceFor(athleteWith(), { recent: new Map([["romanian-deadlift", 6]]) }), "main")[0]!.exercise
        .id,
    ).toBe("romanian-deadlift");
    const first = rankFor("hip", choiceFor(), "assist")[0]!.exercise.id;
    const after = rankFor(
      "hip",
      choiceFor(athleteWith(), { block: { now: new Map(), before: new Set([first]), earlier: new Set() } }),
      "assist",
    );
    expect(after[0]!.exercise.id).not.toBe(first);
    const marked = after.find((c) => c.exercise.id === first)!.parts;
    expect(marked.map((p) => ({ points: p.points, ...p.why() }))).toContainEqual({
      rule: "choice.block",
      text: "done last block",
      points: POINTS.lastBlock,
    });
    const within = rankFor(
      "hip",
      choiceFor(athleteWith(), {
        block: { now: new Map([["A", new Set([first])]]), before: new Set([first]), earlier: new Set() },
      }),
      "assist",
    );
    expect(within[0]!.exercise.id).toBe(first);
  });
  it("puts lifts that take load into a strength slot where the phase asks for strength, and nowhere else", () => {
    const hip = (forStrength: boolean, kind: "single" | "assist") =>
      rankFor("hip", choiceFor(athleteWith(), { forStrength }), kind)[0]!.exercise.id;
    expect(hip(true, "single")).toBe("loaded-bridge");
    expect(hip(false, "single")).not.toBe("loaded-bridge");
    expect(hip(true, "assist")).not.toBe("loaded-bridge");
    const lifted = new Map([["band-walk", 8]]);
    const bands = rankFor("hip", choiceFor(athleteWith(), { forStrength: true, recent: lifted }), "single");
    expect(bands[0]!.exercise.id).toBe("loaded-bridge");
  });
  it("puts what suits a trouble area before load, and what asks for care behind it", () => {
    const sore = athleteWith({
      health: { clearanceNeeded: false, areas: [{ area: "knee-front", side: "left", status: "current" }] },
    });
    const at = (stage: "settle" | "move") =>
      rankFor("split-squat", choiceFor(sore, { forStrength: true, stages: kneeAt(stage) }), "single").map(
        (c) => c.exercise.id,
      );
    expect(["supported-split-squat", "terminal-knee-extension"]).toContain(at("settle")[0]);
    expect(at("move")[0]).toBe("step-down");
    expect(at("settle")).not.toContain("step-up");
    const back = athleteWith({
      health: { clearanceNeeded: false, areas: [{ area: "low-back", side: "both", status: "current" }] },
    });
    // Nothing under a bar before loads open; then front-loaded squats instead of the back squat.
    expect(rankFor("squat", choiceFor(back), "main").map((c) => c.exercise.id)).not.toContain("front-squat");
    const loads = choiceFor(back, { stages: [{ ...kneeAt("load")[0]!, area: "low-back" }] });
    expect(rankFor("squat", loads, "main")[0]!.exercise.id).toBe("front-squat");
  });
  it("counts what a label did in a block for that label alone", () => {
    const block = {
      now: new Map([["A" as const, new Set(["toe-tap"])]]),
      before: new Set<string>(),
      earlier: new Set<string>(),
    };
    const of = (label: "A" | "B") =>
      rankFor("hip", choiceFor(athleteWith(), { block }), "assist", label)
        .find((c) => c.exercise.id === "toe-tap")!
        .parts.some((p) => p.why().text === "already in this block");
    expect([of("A"), of("B")]).toEqual([true, false]);
  });
  it("keeps new work out before a race, unless nothing else is open", () => {
    const known = new Set(["clam"]);
    const c = choiceFor(athleteWith(), { known, nothingNew: "a race is near" });
    expect(rankFor("hip", c, "assist")[0]!.exercise.id).toBe("clam");
    expect(rankFor("squat", c, "main")[0]!.parts.some((p) => p.why().text === "a race is near")).toBe(true);
  });
  it("marks down what works the same muscles as what already stands", () => {
    const ranked = rankFor("hip", choiceFor(), "assist");
    const beside = besides(ranked, [exercise("back-squat")]);
    const bridge = (list: readonly (typeof ranked)[number][]) => list.find((c) => c.exercise.id === "bridge")!.score;
    expect(bridge(beside)).toBe(bridge(ranked) + POINTS.sameMuscle);
  });
  it("swaps what draws looks for quiet work where the athlete wants it", () => {
    const quiet = choiceFor(athleteWith({ settings: { quietExercises: true } }));
    for (const p of PRIMARY_PATTERNS) expect(rankFor(p, quiet, "assist")[0]!.exercise.conspicuous, p).toBe(false);
  });
  it("knows what a place offers", () => {
    expect(hasNeed(gym, "trap-bar")).toBe(true);
    expect(hasNeed(gym, "safety-bar")).toBe(false);
    expect(hasNeed(gym, "machine:leg-press")).toBe(true);
    expect(hasNeed(home, "dumbbell-pair")).toBe(false);
    expect(loadingAt(exercise("split-squat"), home)).toBe("bodyweight");
    expect(bareLoadingAt(exercise("split-squat"), gym)).toBe("bodyweight");
    expect(loadingAt(exercise("back-squat"), home)).toBeNull();
    const few = placeFrom("home-weights", "home");
    expect(loadingAt(exercise("rdl-to-knee"), { ...few, dumbbellsKg: [] })).toBe("bodyweight");
  });
});

describe("ladders", () => {
  const top = (date: string, id: string, reps: number[], more = {}) =>
    logOf(date, [{ ...lifted(id, 0, reps, 3, { reps: 12, repsLow: 10, rir: 3, ...more }) }]);
  const bare = (log: ReturnType<typeof top>[]) =>
    log.map((l) => ({ ...l, items: l.items.map((i) => ({ ...i, sets: i.sets.map(({ loadKg: _, ...s }) => s) })) }));
  const at = (log: ReturnType<typeof top>[], change = {}, months = 1) => {
    const athlete = athleteWith(change, { strengthTrainingMonths: months });
    const s = progressionsOf(
      SHIPPED_LIBRARY,
      athlete,
      months < 3 ? "new" : months <= 12 ? "novice" : "trained",
      log,
    ).get("lunge")!;
    return { step: s.steps[s.at]!.id, earned: s.earned, back: s.back, because: s.because };
  };
  it("begin where training age allows, or where the coach puts the athlete", () => {
    expect(at([]).step).toBe("reverse-lunge");
    expect(at([], {}, 6).step).toBe("reverse-lunge-high-knee");
    expect(at([], {}, 24).step).toBe("slow-lunge");
    expect(at([], { rungs: [{ ladder: "lunge", exercise: "reverse-lunge" }] }, 24)).toMatchObject({
      step: "reverse-lunge",
      because: "put here by the coach",
    });
  });
  it("rise after the top of the range with control twice running, unloaded", () => {
    const once = bare([top("2026-02-01", "reverse-lunge", [12, 12, 12])]);
    const twice = [...once, ...bare([top("2026-02-08", "reverse-lunge", [12, 12, 12])])];
    expect(at(once)).toMatchObject({ step: "reverse-lunge", earned: false });
    expect(at(twice)).toMatchObject({ step: "reverse-lunge-high-knee", earned: true });
    // Reps, then sets, then the harder position (rule progress.ladder): two sets are not yet all of them.
    const two = ["2026-02-01", "2026-02-08"].flatMap((d) => bare([top(d, "reverse-lunge", [12, 12])]));
    expect(at(two)).toMatchObject({ step: "reverse-lunge", earned: false });
    const short = [...once, ...bare([top("2026-02-08", "reverse-lunge", [12, 12, 11])])];
    expect(at(short)).toMatchObject({ step: "reverse-lunge", earned: false });
    const hurt = [
      ...once,
      ...bare([top("2026-02-08", "reverse-lunge", [12, 12, 12])]).map((l) => ({
        ...l,
        items: l.items.map((i) => ({ ...i, pain: 3 })),
      })),
    ];
    expect(at(hurt).earned).toBe(false);
    const loaded = [
      top("2026-02-01", "reverse-lunge", [12, 12, 12]),
      top("2026-02-08", "reverse-lunge", [12, 12, 12]),
    ].map((l) => ({
      ...l,
      items: l.items.map((i) => ({ ...i, sets: i.sets.map((s) => ({ ...s, loadKg: 10 })) })),
    }));
    expect(at(loaded).earned).toBe(false);
  });
  it("fall back after two sloppy sessions, or any pain in the strict setting", () => {
    const high = (date: string) =>
      bare([top(date, "reverse-lunge-high-knee", [12, 12])]).map((l) => ({
        ...l,
        items: l.items.map((i) => ({ ...i, sets: i.sets.map((s) => ({ ...s, clean: 6 })) })),
      }));
    expect(at(high("2026-02-01")).back).toBe(false);
    expect(at([...high("2026-02-01"), ...high("2026-02-08")])).toMatchObject({ step: "reverse-lunge", back: true });
    const sore = bare([top("2026-02-01", "reverse-lunge-high-knee", [12, 12])]).map((l) => ({
      ...l,
      items: l.items.map((i) => ({ ...i, pain: 1 })),
    }));
    expect(at(sore, { settings: { strictPain: true } })).toMatchObject({ step: "reverse-lunge", back: true });
  });
  it("close what is above the step the athlete stands on, and prefer that step", () => {
    const rung = athleteWith({ rungs: [{ ladder: "split-squat", exercise: "supported-split-squat" }] });
    const c = choiceFor(rung);
    expect(rankFor("split-squat", c, "assist")[0]!.exercise.id).toBe("supported-split-squat");
    expect(closedBecause(exercise("split-squat"), c)).toEqual({
      kind: "ladder",
      text: "comes after split squat, front foot raised in its progression",
    });
    for (const area of AREAS)
      expect(closedBecause(exercise("overhead-squat"), choiceFor(athleteWith(), { areas: [area] }))).not.toBeNull();
  });
});
