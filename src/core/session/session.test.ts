import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import { layeredAt } from "../../../tests/support/dose";
import { built as item, pairUp, request, timeOfSession, unit } from "../../../tests/support/session";
import { buildSession } from "./build";
import { SHORT_MINUTES } from "./slots";
import { clockFor, compatible, setSeconds, totalSeconds } from "./time";
import { nextDrop, primarySets, raisePrimary, scaleSets, trimPrimary } from "./trim";
import type { Item } from "./types";

const patterns = (s: { items: Item[] }) => s.items.map((i) => i.exercise.pattern);

describe("pairs", () => {
  it("share no primary muscle, grip, trunk limit or second station", () => {
    expect(compatible(item("front-squat", 3), item("dead-bug", 2))).toBe(false);
    expect(compatible(item("front-squat", 3), item("calf-raise", 2))).toBe(true);
    expect(compatible(item("deadlift", 3), item("front-plank", 2))).toBe(false);
    expect(compatible(item("deadlift", 3), item("one-arm-row", 2))).toBe(false);
    expect(compatible(item("romanian-deadlift", 3), item("leg-press", 3))).toBe(false);
    expect(compatible(item("split-squat", 3), item("bridge", 3))).toBe(false);
  });

  it("are labelled side by side, and nobody is lost", () => {
    const list = ["front-squat", "trap-bar-deadlift", "calf-raise", "dead-bug", "push-up"].map((id) => item(id, 2));
    const paired = pairUp(list);
    expect(paired.map((i) => i.exercise.id).sort()).toEqual(list.map((i) => i.exercise.id).sort());
    paired.forEach((i, k) => {
      if (i.pair.endsWith("A")) {
        expect(paired[k + 1]!.pair).toBe(i.pair.replace("A", "B"));
        expect(compatible(i, paired[k + 1]!)).toBe(true);
      }
    });
    expect(paired[0]!.exercise.id).toBe("front-squat");
  });

  it("stand as three where lower-body work, a push and a pull do not compete, and as two where one does", () => {
    const of = (...ids: string[]) => pairUp(ids.map((id) => item(id, 2))).map((i) => `${i.pair} ${i.exercise.id}`);
    expect(of("front-squat", "push-up", "prone-pull", "calf-raise")).toEqual([
      "1A front-squat",
      "1B prone-pull",
      "2A push-up",
      "2B calf-raise",
    ]);
    expect(of("leg-press", "push-up", "band-row", "dead-bug")).toEqual([
      "1A leg-press",
      "1B push-up",
      "1C band-row",
      "2 dead-bug",
    ]);
    expect(of("leg-press", "one-arm-row", "band-row", "dead-bug")).toEqual([
      "1A leg-press",
      "1B one-arm-row",
      "2A band-row",
      "2B dead-bug",
    ]);
    expect(of("calf-raise", "push-up", "band-row")).toEqual(["1A calf-raise", "1B push-up", "2 band-row"]);
  });
  it("take the time that was worked out pair by pair and three by three", () => {
    const ids = [
      "leg-press",
      "trap-bar-deadlift",
      "incline-press",
      "one-arm-row",
      "calf-raise",
      "dead-bug",
      "side-plank",
    ];
    const items = ids.map((id) => item(id, 3, { reps: 6, seconds: id === "side-plank" ? 30 : null, restSeconds: 90 }));
    const clock = clockFor(items);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 7, maxLength: 7 }), (sets) => {
        const chosen = items.flatMap((i, k) => (sets[k] ? [{ ...i, sets: sets[k]! }] : []));
        expect(clock(sets)).toBeCloseTo(totalSeconds(timeOfSession(pairUp(chosen), [], 0)), 6);
      }),
    );
  });
});

describe("time", () => {
  // Rule time.parts, check values from practice (common practice, no source).
  it("gives two unpaired main lifts of 3 x 5 with 3 min rest about 40 minutes", () => {
    const items = [item("back-squat", 3, { pair: "1", main: true }), item("deadlift", 3, { pair: "2", main: true })];
    const warmUp = Array.from({ length: 8 }, () => ({
      exercise: "back-squat",
      reps: 5,
      loadKg: 40,
      perSideKg: [],
      barKg: 20,
    }));
    expect(totalSeconds(timeOfSession(items, warmUp)) / 60).toBeGreaterThan(36);
    expect(totalSeconds(timeOfSession(items, warmUp)) / 60).toBeLessThan(44);
  });

  it("gives 27 paired working sets about an hour", () => {
    const ids = [
      "goblet-squat",
      "one-arm-row",
      "split-squat",
      "push-up",
      "bridge",
      "front-plank",
      "calf-raise",
      "dead-bug",
      "side-lying-raise",
    ];
    const paired = pairUp(ids.map((id) => item(id, 3, { reps: 8, restSeconds: 75 })));
    const warmUp = Array.from({ length: 6 }, () => ({
      exercise: "goblet-squat",
      reps: 5,
      loadKg: 8,
      perSideKg: [],
      barKg: null,
    }));
    const minutes = totalSeconds(timeOfSession(paired, warmUp)) / 60;
    expect(minutes).toBeGreaterThan(50);
    expect(minutes).toBeLessThan(70);
  });

  it("counts a partner's work as rest once", () => {
    const alone = timeOfSession([item("back-squat", 3, { pair: "1" })], []);
    expect(alone.emptyRest).toBe(540);
    const paired = timeOfSession(
      [item("back-squat", 3, { pair: "1A" }), item("calf-raise", 3, { pair: "1B", reps: 10, restSeconds: 45 })],
      [],
    );
    expect(paired.filledRest).toBeGreaterThan(0);
    expect(paired.emptyRest + paired.filledRest).toBe(540);
  });

  it("takes both sides and holds into account", () => {
    expect(setSeconds(item("split-squat", 1, { reps: 6 }))).toBe(6 * 4 * 2);
    expect(setSeconds(item("side-plank", 1, { reps: null, seconds: 30 }))).toBe(60);
  });
});

describe("cutting sets", () => {
  const day = [
    item("front-squat", 3, { main: true }),
    item("deadlift", 3, { main: true }),
    item("bridge", 2),
    item("calf-raise", 2),
  ];
  it("takes 40 to 50% off in a step-back week, main lifts last", () => {
    const cut = scaleSets(day, 0.55);
    expect(primarySets(cut)).toBe(4);
    expect(cut.map((i) => i.sets)).toEqual([2, 2, 1]);
  });
  it("takes a third off with a jump in mileage", () => {
    expect(primarySets(scaleSets(day, 2 / 3))).toBe(5);
  });
  it("never takes the first lift below two sets, and never adds", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 0, max: 12 }),
        ([a, b, c], most) => {
          const list = [item("front-squat", a!, { main: true }), item("split-squat", b!), item("bridge", c!)];
          const cut = trimPrimary(list, most);
          expect(cut[0]!.exercise.id).toBe("front-squat");
          expect(cut[0]!.sets).toBeGreaterThanOrEqual(Math.min(2, a!));
          expect(primarySets(cut)).toBeLessThanOrEqual(Math.max(most, Math.min(2, a!)));
          for (const i of cut) expect(i.sets).toBeLessThanOrEqual(list.find((x) => x.exercise === i.exercise)!.sets);
        },
      ),
    );
  });
  it("raises to a least number, four sets a lift at most", () => {
    expect(primarySets(raisePrimary(day, 10))).toBe(10);
    expect(
      raisePrimary(day, 99)
        .slice(0, 3)
        .map((i) => i.sets),
    ).toEqual([4, 4, 4]);
  });
  it("drops in the order of the trade: mobility, second hip, calf, trunk set, assistance, main sets", () => {
    let list = [
      item("front-squat", 3, { main: true }),
      item("bridge", 2),
      item("clam", 2),
      item("push-up", 2),
      item("calf-raise", 2),
      item("dead-bug", 2),
      item("cat-cow", 1),
    ];
    const order: string[] = [];
    for (let step = nextDrop(list); step; step = nextDrop(list)) {
      order.push(step.dropped.exercise);
      list = step.items;
    }
    expect(order).toEqual([
      "cat-cow",
      "clam",
      "calf-raise",
      "dead-bug",
      "dead-bug",
      "push-up",
      "push-up",
      "bridge",
      "bridge",
      "front-squat",
    ]);
    expect(list.map((i) => [i.exercise.id, i.sets])).toEqual([["front-squat", 2]]);
  });
});

describe("a built session", () => {
  it("A leads with squat and hinge, B with split squat and hip", () => {
    const mains = (label: "A" | "B") =>
      buildSession(request({ label }))!
        .items.filter((i) => i.slot.kind !== "assist")
        .map((i) => i.exercise.pattern);
    expect(mains("A")).toEqual(["squat", "hinge"]);
    expect(mains("B")).toEqual(["split-squat", "hip"]);
    // What the ledger gives stands behind the leads, in its order.
    const all = (label: "A" | "B") => patterns(buildSession(request({ label, units: [unit("pull"), unit("calf")] }))!);
    expect(all("A").sort()).toEqual(["calf", "hinge", "pull", "squat"]);
    expect(all("B").sort()).toEqual(["calf", "hip", "pull", "split-squat"]);
  });

  it("is heavy by percent and lower-loaded by what is held", () => {
    expect(buildSession(request())).toMatchObject({ heavy: true, lowerLoaded: true });
    const light = buildSession(
      request({ heavyOk: false, loadFor: (q) => ({ ...request().loadFor(q), percent1rm: 75 }) }),
    )!;
    expect(light).toMatchObject({ heavy: false, lowerLoaded: true });
    expect(light.items[0]!.rir).toBe(4);
    expect(
      buildSession(request({ loading: "mobility", choice: choiceFor(athleteWith(), { unloaded: true }) })),
    ).toMatchObject({ heavy: false, lowerLoaded: false });
  });

  it("fits every window it is given, and says what it dropped", () => {
    for (let minutes = 20; minutes <= 90; minutes += 5) {
      const s = buildSession(request({ minutes }))!;
      expect(s.minutes).toBeLessThanOrEqual(minutes);
      expect(totalSeconds(s.time)).toBeLessThanOrEqual(minutes * 60);
      if (minutes < 30) expect(s.dropped.length).toBeGreaterThan(0);
    }
    expect(buildSession(request({ minutes: 8 }))).toBeNull();
  });

  it("is a short session of one lead of three sets at most in short windows, the rest from the ledger", () => {
    const s = buildSession(request({ minutes: SHORT_MINUTES, dose: layeredAt("maximal") }))!;
    expect(s.items.filter((i) => !i.slot.unit).map((i) => [i.exercise.pattern, i.sets])).toEqual([["squat", 3]]);
    expect(s.items.filter((i) => i.slot.unit).length).toBeGreaterThanOrEqual(2);
    expect(s.why.map((w) => w.rule)).toContain("ledger.fill");
    const hinge = buildSession(request({ minutes: SHORT_MINUTES, shortLead: "hinge" }))!;
    expect(hinge.items.filter((i) => !i.slot.unit).map((i) => i.exercise.pattern)).toEqual(["hinge"]);
    const whole = buildSession(request({ minutes: SHORT_MINUTES + 1 }))!;
    expect(patterns(whole)).toEqual(expect.arrayContaining(["squat", "hinge"]));
  });

  it("uses only what the place has", () => {
    const s = buildSession(request({ minutes: 60 }, athleteWith(), home))!;
    for (const i of s.items) expect(["bodyweight"]).toContain(i.loading);
    // All six of the week's lead sets, each of them on two legs in a maximal week: twice.
    expect(s.lostShare).toBe(2);
    expect(s.lostWords).toBe("no load for 6 of the week's 6 leading sets");
  });

  it("leaves out what a trouble area forbids, and says what stands instead", () => {
    const a = athleteWith({
      health: { clearanceNeeded: false, areas: [{ area: "low-back", side: "both", status: "current" }] },
    });
    const s = buildSession(request({}, a))!;
    expect(s.items.map((i) => i.exercise.id)).not.toContain("back-squat");
    expect(s.items.map((i) => i.exercise.id)).not.toContain("trap-bar-deadlift");
    expect(
      s.items
        .find((i) => i.exercise.pattern === "hinge")!
        .why.map((w) => w.text)
        .join(),
    ).toContain("the low back is at the stage");
    expect(s.cautions.join()).toContain("low back");
  });

  it("starts with the weaker side of the screening", () => {
    const a = athleteWith({ screening: [{ test: "single-leg-squat", date: "2026-02-01", left: 10, right: 12 }] });
    const split = buildSession(request({ label: "B" }, a))!.items[0]!;
    expect(split.why.map((w) => w.text).join()).toContain("Start with the left side");
  });

  it("states its cautions where the bar is", () => {
    expect(buildSession(request())!.cautions.join(" ")).toMatch(/neutral spine.*fever/s);
  });

  it("weighs planned RPE x minutes, less with cut sets", () => {
    const s = buildSession(request())!;
    expect(s.stress).toBe(s.minutes * 7);
    expect(buildSession(request({ setFactor: 2 / 3 }))!.rpe).toBe(6);
    expect(buildSession(request({ setFactor: 0.55 }))!.rpe).toBe(5);
  });

  it("gives assistance up where the week takes no more, never the primary patterns", () => {
    const s = buildSession(request({ stressCap: 150 }))!;
    expect(patterns(s).sort()).toEqual(["hinge", "hip", "squat"]);
    expect(s.dropped.map((d) => d.why).join()).toContain("over what this week takes");
    expect(s.lostWords).toContain("of accessory work");
  });
});

describe("both sides of a session's boundaries", () => {
  const seconds = (...items: Item[]) => totalSeconds(timeOfSession(items, [], 0));
  it("the extra set of the weaker side takes one side's time and its rest", () => {
    const split = item("split-squat", 3, { reps: 8, restSeconds: 90 });
    const one = 8 * split.exercise.secondsPerRep;
    expect(seconds({ ...split, extraSide: "left" }) - seconds(split)).toBe(one + 90);
  });
  it("of two with equal sets the later gives first, and the leads keep two", () => {
    const list = [item("back-squat", 3, { main: true }), item("split-squat", 3), item("step-up", 3)];
    const sets = (most: number) => trimPrimary(list, most).map((i) => [i.exercise.id, i.sets]);
    expect(sets(8)).toEqual([
      ["back-squat", 3],
      ["split-squat", 3],
      ["step-up", 2],
    ]);
    expect(sets(7)).toEqual([
      ["back-squat", 3],
      ["split-squat", 2],
      ["step-up", 2],
    ]);
    expect(sets(6)).toEqual([
      ["back-squat", 2],
      ["split-squat", 2],
      ["step-up", 2],
    ]);
    expect(sets(3)).toEqual([
      ["back-squat", 2],
      ["split-squat", 1],
    ]);
    expect(sets(2)).toEqual([["back-squat", 2]]);
    expect(sets(9)).toEqual([
      ["back-squat", 3],
      ["split-squat", 3],
      ["step-up", 3],
    ]);
  });
  it("a set of what a finding asked for stays for as long as other work can give", () => {
    const list = [
      item("back-squat", 2, { main: true }),
      item("toe-tap", 1, { added: "Hips drop" }),
      item("band-walk", 1),
    ];
    expect(trimPrimary(list, 3).map((i) => i.exercise.id)).toEqual(["back-squat", "toe-tap"]);
    expect(trimPrimary(list, 2).map((i) => i.exercise.id)).toEqual(["back-squat"]);
  });
  it("sets are added to those with fewest, up to four each", () => {
    const list = [item("back-squat", 2), item("deadlift", 3), item("side-plank", 1)];
    const sets = (least: number) => raisePrimary(list, least).map((i) => i.sets);
    expect(sets(5)).toEqual([2, 3, 1]);
    expect(sets(6)).toEqual([3, 3, 1]);
    expect(sets(7)).toEqual([4, 3, 1]);
    expect(sets(20)).toEqual([4, 4, 1]);
  });
});
