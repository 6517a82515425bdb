/** The book itself: numbers and the coach's own, what may be set, trust, older names, and how sentences bend to their values. */
import { describe, expect, it } from "vitest";
import { numbers, RULE_IDS, RULES, ruleIdOf, ruleOf, SWITCHES, say, trustOf, valueFault, why } from "./index";
import { leastTrust, listWords, many } from "./rule";

describe("numbers of a rule", () => {
  it("are the shipped ones, the same ones each time, and none but the coach's differ where he set some", () => {
    expect(numbers("M3")).toEqual({ hours: 24 });
    expect(numbers("M3")).toBe(numbers("M3"));
    const own = { M3: { hours: 48 }, "race.b": { share: 0.4 } };
    expect(numbers("M3", own)).toEqual({ hours: 48 });
    expect(numbers("M3", own)).toBe(numbers("M3", own));
    expect(numbers("race.b", own)).toEqual({ lastHeavy: 4, part: 0.5, shortDays: 1, share: 0.4 });
    expect(numbers("stepback.every", own)).toBe(numbers("stepback.every"));
    expect(numbers("M3", { M3: { hours: 30 } })).toEqual({ hours: 30 });
  });
  it("stay as shipped where a value may not be set", () => {
    expect(numbers("M3", { M3: { hours: 12 } })).toEqual({ hours: 24 });
    expect(numbers("race.b", { "race.b": { part: 9, share: 0.4 } })).toEqual({
      lastHeavy: 4,
      part: 0.5,
      shortDays: 1,
      share: 0.4,
    });
  });
});

describe("what a coach may set", () => {
  const allowed = (id: string, name: string, value: number) => valueFault(id, name, value) === null;
  it("lies between both bounds, ends included", () => {
    // Days out of the last heavy session before a B race: 3 to 7.
    expect([2.9, 3, 4, 7, 7.1].map((v) => allowed("race.b", "lastHeavy", v))).toEqual([false, true, true, true, false]);
    expect(valueFault("race.b", "lastHeavy", 9)).toBe("3 to 7 days out expected");
  });
  it("only tightens what must hold, upwards or downwards", () => {
    expect([23, 24, 48, 72, 73].map((v) => allowed("M3", "hours", v))).toEqual([false, true, true, true, false]);
    expect([1, 2, 5, 6].map((v) => allowed("progress.pain", "stop", v))).toEqual([false, true, true, false]);
    expect(valueFault("M3", "hours", 12)).toBe("24 to 72 hours expected, since what must hold is only tightened");
    // Where it does not have to hold, a bound on the looser side of the shipped value is one.
    const free = RULE_IDS.flatMap((id) =>
      Object.entries(RULES[id].parameters).flatMap(([name, p]) =>
        "bounds" in p &&
        p.bounds &&
        RULES[id].kind !== "must" &&
        typeof p.value === "number" &&
        p.bounds.least < p.value
          ? [{ id, name, least: p.bounds.least }]
          : [],
      ),
    );
    expect(free.length).toBeGreaterThan(10);
    for (const { id, name, least } of free) expect(valueFault(id, name, least), `${id}.${name}`).toBeNull();
  });
  it("has bounds that tighten a must-hold from where it stands", () => {
    let musts = 0;
    for (const id of RULE_IDS)
      for (const [name, p] of Object.entries(RULES[id].parameters)) {
        if (RULES[id].kind !== "must" || !("bounds" in p) || !p.bounds || typeof p.value !== "number") continue;
        musts++;
        expect(p.bounds.tighter, `${id}.${name}`).toBeDefined();
        const looser = p.bounds.tighter === "higher" ? p.value - 0.5 : p.value + 0.5;
        expect(valueFault(id, name, looser), `${id}.${name}`).not.toBeNull();
        expect(valueFault(id, name, p.value), `${id}.${name}`).toBeNull();
      }
    expect(musts).toBeGreaterThan(5);
  });
  it("is nothing that has no bounds, no name or no rule", () => {
    const none = "a number that a coach may set expected";
    expect(valueFault("race.b", "part", 2)).toBe(none);
    expect(valueFault("race.class", "raceDays", 2)).toBe(none);
    expect(valueFault("race.b", "colour", 2)).toBe(none);
    expect(valueFault("nothing.at.all", "share", 2)).toBe(none);
  });
});

describe("names, trust and switches", () => {
  it("a rule is found by its id and by the one it had", () => {
    expect(ruleIdOf("M3")).toBe("M3");
    expect(ruleIdOf("mileage.jump")).toBe("mileage.increase");
    expect(ruleIdOf("toString")).toBeNull();
    expect(ruleOf("mileage.jump")).toBe(RULES["mileage.increase"]);
    expect(ruleOf("nothing.at.all")).toBeNull();
  });
  it("is trusted as far as the least of its numbers, or as its sentence where it has none", () => {
    expect(leastTrust(["pub", "trade"])).toBe("trade");
    expect(leastTrust(["trade", "house", "pub"])).toBe("house");
    expect(leastTrust(["pub"])).toBe("pub");
    const p = (trust: "pub" | "trade" | "house") => ({ value: 1, unit: "x", says: "x", source: "x", trust });
    expect(trustOf({ trust: "trade", parameters: {} })).toBe("trade");
    expect(trustOf({ trust: "house", parameters: { a: p("pub") } })).toBe("pub");
    expect(trustOf({ trust: "pub", parameters: { a: p("pub"), b: p("house"), c: p("trade") } })).toBe("house");
  });
  it("says what a switch does, of no rule that must hold for safety", () => {
    expect(SWITCHES.length).toBeGreaterThan(10);
    for (const { id, does } of SWITCHES) expect(RULES[id].switchable).toBe(does);
  });
});

describe("sentences", () => {
  it("join words and count things as speech does", () => {
    expect([[], ["a"], ["a", "b"], ["a", "b", "c"]].map(listWords)).toEqual(["", "a", "a and b", "a, b and c"]);
    expect([0, 1, 2].map((n) => many(n, "day"))).toEqual(["0 days", "1 day", "2 days"]);
  });
  it("carry their rule", () => {
    expect(why("gate.minor", "minor", { reserve: 2 })).toEqual({
      rule: "gate.minor",
      text: "Under 18: 2 reps or more in reserve, no 1RM test; qualified supervision and consent are needed.",
    });
  });
  const said: [() => string, string][] = [
    [() => say("approach.routine", "follows", "long"), "The long routine, straight after the hard run"],
    [() => say("approach.routine", "follows", "short"), "The short routine, straight after the easy run"],
    [() => say("load.unknown", "ramp", 1), "until 1 stays in reserve"],
    [() => say("load.unknown", "ramp", 2), "until 2 stay in reserve"],
    [
      () => say("mileage.assumed", "standsIn", { known: "none", sessions: 1 }),
      "No endurance is planned here: 1 session of the last ordinary week stands in",
    ],
    [
      () => say("mileage.assumed", "standsIn", { known: "part", sessions: 3 }),
      "Only part of the endurance is planned here: 3 sessions of the last ordinary week stand in",
    ],
    [() => say("mileage.assumed", "free", { known: "none" }), "No endurance is planned here: strength"],
    [() => say("mileage.assumed", "free", { known: "part" }), "Only part of the endurance is planned here: strength"],
    [() => say("edit.hand", "load", { asked: 60, made: 60 }), "Load set by hand: 60 kg."],
    [() => say("edit.hand", "load", { asked: 61, made: 60 }), "Load set by hand: 61 kg, 60 kg can be made here."],
    [() => say("stepback.every", "every", { loading: 3 }), "it ends a block of 3 loading weeks"],
    [() => say("stepback.every", "every", { loading: 1 }), "it ends a block of 1 loading week;"],
    [() => say("M2", "before", { days: 1, race: "the Cup" }), "The day before the Cup"],
    [() => say("M2", "before", { days: 3, race: "the Cup" }), "3 days before the Cup"],
    [() => say("finding.test", "asks", "Hips Drop"), "asked for by the screening: hips drop"],
    [() => say("finding.seen", "added", "Hips Drop"), "Added by the screening: hips drop."],
    [() => say("finding.seen", "asks", "Hips Drop"), "asked for by the screening: hips drop"],
    [
      () => say("choice.back", "back", { area: "calf", name: "ankle hops", step: 2, of: 3 }),
      "The calf is clear: ankle hops is back, step 2 of 3 of its progression.",
    ],
    [
      () => say("choice.back", "back", { area: "calf", name: "ankle hops", step: 0, of: 0 }),
      "The calf is clear: ankle hops is back.",
    ],
    [
      () => say("progress.same", "inside", { kg: "80 kg", reps: [5, 5] }),
      "Last time 80 kg, 5, 5 reps inside the range: the same again.",
    ],
    [
      () => say("progress.same", "inside", { kg: null, reps: [5, 5] }),
      "Last time 5, 5 reps inside the range: the same again.",
    ],
    [
      () => say("progress.range", "oneShort", { least: 3, low: 4, nearer: 1, off: 2.5 }),
      "One set stopped at 3 of 4 reps, 1 nearer the limit than meant: 2.5% off",
    ],
    [
      () => say("progress.range", "oneShort", { least: 3, low: 4, nearer: 0, off: 0 }),
      "One set stopped at 3 of 4 reps: the same load",
    ],
    [
      () => say("side.first", "test", { side: "left", test: "Calf Raise", weak: 20, strong: 25 }),
      "the weaker in the calf raise (20 against 25)",
    ],
  ];
  it.each(said.map(([made, holds]) => [holds, made] as const))("%s", (holds, made) => {
    expect(made()).toContain(holds);
  });
});
