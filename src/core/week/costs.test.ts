/** What each rule that should hold charges, by hand on both sides of its mark: points and hours of rules S1 to S14 (common practice and our assumptions). */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contextOf, optionOn, runOn as run } from "../../../tests/support/place";
import { anyContext, weekOf } from "../../../tests/support/weekfit";
import type { EnduranceSession } from "../athlete";
import { addDays, dayNumber } from "../dates";
import { ownCosts, ownPoints, pairCosts, pairPoints } from "./costs";
import { charges, costsOf } from "./fit";
import { SessionGroup } from "./group";
import type { CostRule } from "./numbers";
import { blockedHere, hours, isDemanding, points, tiredForJumps, what } from "./rules";
import type { Option, WeekContext } from "./types";

const MON = "2026-03-02";
const TUE = addDays(MON, 1);
const WED = addDays(MON, 2);
const at = (hour: number, more: Partial<Option> = {}, date = TUE) => optionOn(date, hour * 60, more);
const week = (endurance: EnduranceSession[] = [], more: Partial<WeekContext> = {}) => contextOf(MON, endurance, more);
/** Points by rule, and in sum. */
const charged = (o: Option, c: WeekContext) => Object.fromEntries(ownCosts(o, c).map((x) => [x.rule, x.points]));
const said = (o: Option, c: WeekContext, rule: string) => ownCosts(o, c).find((x) => x.rule === rule)?.text;

describe("one session", () => {
  it("S2: heavy work less than 24 hours before a key session, 36 before the long one, and never after", () => {
    const key = week([run(WED, "18:00", "tempo")]);
    expect(charged(at(18), key).S2).toBeUndefined();
    expect(charged(at(18.25), key).S2).toBe(10);
    expect(charged(at(20, {}, WED), key).S2).toBeUndefined();
    expect(said(at(19), key, "S2")).toBe("Heavy A is heavy 23 hours before tempo (Wed 18:00); 24 is the target.");
    const long = week([run(WED, "18:00", "long", 120)]);
    expect(charged(at(6), long).S2).toBeUndefined();
    expect(charged(at(6.5), long).S2).toBe(10);
    expect(said(at(6.5), long, "S2")).toBe(
      "Heavy A is heavy 35.5 hours before long run (Wed 18:00); 36 is the target.",
    );
    // An easy run asks for nothing.
    expect(charged(at(18.25), week([run(WED, "18:00", "easy")])).S2).toBeUndefined();
  });
  it("S3: before a key session of its day; S4: within six hours of any, the closer the dearer", () => {
    const key = week([run(TUE, "18:00", "intervals")]);
    expect(charged(at(10), key)).toMatchObject({ S3: 6 });
    expect(charged(at(20), key).S3).toBeUndefined();
    expect(charged(at(10, {}, MON), key).S3).toBeUndefined();
    expect(said(at(10), key, "S3")).toContain("comes before intervals (Tue 18:00) on the same day");
    const s4 = (hour: number) => charged(at(hour), key).S4;
    // 6 x (1 - gap / 6): two hours 4, three 3, six none, on either side.
    expect([20, 21, 23.9, 24].map(s4)).toEqual([4, 3, undefined, undefined]);
    expect([16, 15, 12].map(s4)).toEqual([4, 3, undefined]);
    expect(said(at(20), key, "S4")).toBe("Heavy A starts 2 hours from intervals (Tue 18:00); 6 is the target.");
    // The day before has nothing to do with it, though it is close.
    expect(charged(optionOn(MON, 23 * 60), week([run(TUE, "01:00", "easy")])).S4).toBeUndefined();
  });
  it("S14: within three hours of work that is not heavy on the legs, in part", () => {
    const swim = week([run(TUE, "18:00", "easy", 40, { sport: "swim" })]);
    const s14 = (hour: number) => charged(at(hour), swim).S14;
    // 4 x (1 - gap / 3): at two hours 1.3, at one 2.7.
    expect([20, 19, 21, 16].map(s14)).toEqual([1, 3, undefined, 1]);
    expect(charged(at(20), week([run(TUE, "18:00", "intervals")])).S14).toBeUndefined();
    expect(said(at(20), swim, "S14")).toBe(
      "Heavy A starts 2 hours from easy (Tue 18:00); 3 are wanted from any endurance session.",
    );
  });
  it("S5: demanding work on an easy day where days are stacked, on a key day where they are spread", () => {
    const key = week([run(TUE, "06:00", "intervals")]);
    expect(charged(at(18), key).S5).toBeUndefined();
    expect(charged(at(18, {}, WED), key).S5).toBe(8);
    expect(charged(at(18, { stress: 149 }, WED), key).S5).toBeUndefined();
    expect(charged(at(18, { stress: 150 }, WED), key).S5).toBe(8);
    expect(charged(at(18, { lowerLoaded: false }, WED), key).S5).toBeUndefined();
    expect(charged(at(18, {}, WED), { ...key, hasKey: false }).S5).toBeUndefined();
    expect(said(at(18, {}, WED), key, "S5")).toBe(
      "Heavy A is on a day without a key session; hard days are to be hard, easy days easy.",
    );
    const spread: WeekContext = { ...key, placement: "spread" };
    expect(charged(at(18), spread).S5).toBe(8);
    expect(said(at(18), spread, "S5")).toBe(
      "Heavy A is on a key session's day; strength is to be spread over easy days.",
    );
    expect(charged(at(18, {}, WED), spread).S5).toBeUndefined();
  });
  it("S7 and S8: other days than the preferred ones and than last week's", () => {
    const c = week([], { preferredDays: new Set([5, 3]), lastDays: new Map([["A", 3]]) });
    expect(charged(at(18), c)).toEqual({ S7: 5, S8: 3 });
    expect(said(at(18), c, "S7")).toBe("Heavy A is on Tue; preferred are Wed, Fri.");
    expect(said(at(18), c, "S8")).toBe("Heavy A is on Tue; last week it was on Wed.");
    expect(charged(at(18, {}, WED), c)).toEqual({});
    expect(charged(at(18, { label: "B" }), c)).toEqual({ S7: 5 });
  });
  it("S10: what the day holds over its limit, in full from half an hour", () => {
    const day = (limit: number, minutes: number) =>
      charged(
        at(18, { minutes }),
        week([run(TUE, "06:00", "easy", 30), run(TUE, "08:00", "easy", 10), run(WED, "06:00", "easy", 90)], {
          dailyMinutes: limit,
        }),
      ).S10;
    expect([day(100, 60), day(99, 74), day(100, 75), day(100, 90), day(100, 200)]).toEqual([undefined, 4, 4, 8, 8]);
    const c = week([run(TUE, "06:00", "easy", 40)], { dailyMinutes: 60 });
    expect(said(at(18), c, "S10")).toBe("Heavy A brings Tue to 100 min of training; 60 is the limit.");
  });
  it("S13, lost work and a bare hold are charged once; lost work has no upper end", () => {
    const races = { softRaces: ["Tern Hill", "Reed Run"] };
    expect(charged(at(18, races), week())).toEqual({ S13: 6 });
    expect(said(at(18, races), week(), "S13")).toBe("Heavy A is heavy close to Tern Hill and Reed Run.");
    expect(charged(at(18, { ...races, heavy: false }), week())).toEqual({});
    expect(charged(at(18, { lostShare: 1.5, lostWords: "no bar" }), week())).toEqual({ "work.lost": 18 });
    expect(said(at(18, { lostShare: 1.5, lostWords: "no bar" }), week(), "work.lost")).toBe(
      "Heavy A at gym finds no bar.",
    );
    expect(charged(at(18, { belowMinimumHold: true }), week())).toEqual({ "hold.minimum": 40 });
    expect(said(at(18, { belowMinimumHold: true }), week(), "hold.minimum")).toBe(
      "Heavy A has no time for the hard sets that hold strength in a race-phase week.",
    );
  });
  it("mobility alone pays for what it loses, and for nothing beside it", () => {
    const c = week([run(TUE, "17:00", "intervals")], { preferredDays: new Set([5]), dailyMinutes: 10 });
    expect(charged(at(18, { mobility: true, heavy: false, lostShare: 1 }), c)).toEqual({ "work.lost": 12 });
  });
  it("in points alone it is the same, with what stands already", () => {
    const existing = [
      { day: dayNumber(MON), start: 18 * 60, minutes: 60, lowerLoaded: true, heavy: true, stress: 300 },
      { day: dayNumber(WED), start: 18 * 60, minutes: 60, lowerLoaded: true, heavy: false, stress: 300 },
    ];
    const c = week([run(TUE, "20:00", "tempo"), run(WED, "06:00", "easy")], {
      existing,
      dailyMinutes: 60,
      preferredDays: new Set([1]),
      lastDays: new Map([["A", 4]]),
    });
    for (const hour of [6, 12, 18, 22]) {
      const sum = ownCosts(at(hour), c).reduce((a, x) => a + x.points, 0);
      expect(ownPoints(at(hour), c)).toBe(sum);
      expect(sum).toBeGreaterThan(12);
    }
    // The heavy session of Monday evening: S1 in full at 24 hours.
    expect(charged(at(18), c).S1).toBe(12);
    expect(said(at(18), c, "S1")).toBe(
      "Heavy A and the session before are both heavy, 24 hours apart; 48 is the target.",
    );
  });
  it("the athlete's own weights and hours count, and a weight of nothing charges nothing", () => {
    const key = [run(WED, "18:00", "tempo")];
    expect(charged(at(18.25), week(key, { weights: { S2: 3 } })).S2).toBe(3);
    expect(charged(at(18.25), week(key, { weights: { S2: 0 } })).S2).toBeUndefined();
    const c = week(key);
    expect(charged(at(18), { ...c, numbers: { ...c.numbers, beforeKey: 30 } }).S2).toBe(10);
    // Severity is held between nothing and all; points are whole.
    expect([points(c, "S9", -1), points(c, "S9", 0.4), points(c, "S9", 2)]).toEqual([0, 2, 4]);
  });
});

describe("two sessions", () => {
  const b = (date: string, hour: number, more: Partial<Option> = {}) => at(hour, { label: "B", ...more }, date);
  it("S1: half its points just under 48 hours, all of them at 24", () => {
    const s1 = (date: string, hour: number) => pairPoints(at(18), b(date, hour), week([], { perWeek: 7 }));
    expect(s1("2026-03-05", 18)).toBe(0);
    expect(s1("2026-03-05", 17.9)).toBe(6);
    // 12 x (0.5 + 0.5 x 12 / 24).
    expect(s1("2026-03-05", 6)).toBe(9);
    expect(s1(WED, 18)).toBe(12);
    expect(pairPoints(at(18, { heavy: false }), b(WED, 18), week([], { perWeek: 7 }))).toBe(0);
    expect(pairPoints(at(18), b(WED, 18, { heavy: false }), week([], { perWeek: 7 }))).toBe(0);
    // Whichever comes first.
    expect(pairPoints(b(WED, 18), at(18), week([], { perWeek: 7 }))).toBe(12);
  });
  it("S9: closer than seven days shared out evenly, and as the week comes round", () => {
    const light = { heavy: false };
    const c = (perWeek: number) => week([], { perWeek });
    const s9 = (date: string, perWeek: number) => pairPoints(at(18, light), b(date, 18, light), c(perWeek));
    // Two sessions: three days; three: two days; one counts as two.
    expect([s9(WED, 2), s9("2026-03-05", 2), s9("2026-03-06", 2)]).toEqual([3, 1, 0]);
    expect([s9(WED, 3), s9("2026-03-05", 3), s9(WED, 1)]).toEqual([2, 0, 3]);
    expect(pairCosts(at(18, light), b(WED, 18, light), c(2)).map((x) => x.text)).toEqual([
      "Heavy A and Single-leg B are 1 day apart; evenly spaced it would be 3.",
    ]);
    expect(pairCosts(at(18, light), b("2026-03-08", 18, light), c(2)).map((x) => x.text)).toEqual([
      "Heavy A and Single-leg B are 2 days apart as the week comes round; evenly spaced it would be 3.",
    ]);
    expect(pairPoints(at(18, { ...light, mobility: true }), b(WED, 18, light), c(2))).toBe(0);
    expect(pairPoints(at(18, light), b(WED, 18, { ...light, mobility: true }), c(2))).toBe(0);
    const { label: _, ...unnamed } = b(WED, 18, light);
    expect(pairPoints(at(18, light), unnamed, c(2))).toBe(0);
    expect(pairPoints(unnamed, at(18, light), c(2))).toBe(0);
  });
});

describe("the week as a whole", () => {
  const key = (...days: number[]) => days.map((d) => run(addDays(MON, d), "06:00", "intervals"));
  const of = (c: WeekContext, ...placed: Option[]) =>
    costsOf(placed, c).filter((x) => ["S6", "S11", "S12"].includes(x.rule));
  it("S6: no day free of both", () => {
    const six = week(key(0, 1, 2, 3, 4, 5));
    const sunday = at(18, { lowerLoaded: false, heavy: false }, addDays(MON, 6));
    expect(of(six, sunday)).toEqual([
      { rule: "S6", points: 6, text: "No day of the week is free of both key sessions and strength." },
    ]);
    expect(of({ ...six, weights: { S6: 0 } }, sunday)).toEqual([]);
    expect(of(week(key(0, 1, 2, 3, 4)), sunday)).toEqual([]);
    // Key sessions of the days around count nothing.
    expect(of(week([...key(0, 1, 2, 3, 4), ...key(7, -1)]), sunday)).toEqual([]);
    for (const around of [-1, 7])
      expect(of(week(key(0, 1, 2, 3, 4, 5, around)), sunday).map((x) => x.rule)).toContain("S6");
  });
  it("S11: three demanding days in a row that strength has a part in, from two before the week to one after it", () => {
    const rows = (days: number[], ...strength: number[]) =>
      of(week(key(...days)), ...strength.map((d) => at(18, { label: "A" }, addDays(MON, d)))).filter(
        (x) => x.rule === "S11",
      );
    expect(rows([0, 1], 2).map((x) => x.text)).toEqual([
      "Mon, Tue and Wed are demanding days in a row; 2 is the most.",
    ]);
    expect(of(week(key(0, 1), { weights: { S11: 0 } }), at(18, {}, WED))).toEqual([]);
    expect(rows([0, 1], 3)).toEqual([]);
    expect(rows([0, 1, 2], 1)).toEqual([]);
    expect(rows([-2, -1], 0).map((x) => x.text)).toEqual([
      "Sat, Sun and Mon are demanding days in a row; 2 is the most.",
    ]);
    expect(rows([-3, -2], 0)).toEqual([]);
    expect(rows([5, 7], 6).map((x) => x.text)).toEqual([
      "Sat, Sun and Mon are demanding days in a row; 2 is the most.",
    ]);
    expect(rows([7, 8], 6)).toEqual([]);
    // Four in a row are two times three.
    expect(rows([0, 1, 3], 2).map((x) => x.points)).toEqual([5, 5]);
    const stood = { day: dayNumber(MON), start: 60, minutes: 60, lowerLoaded: true, heavy: false, stress: 200 };
    expect(of(week(key(1), { existing: [stood] }), at(18, {}, WED)).map((x) => x.rule)).toContain("S11");
    expect(
      of(week(key(1), { existing: [{ ...stood, stress: 100 }] }), at(18, {}, WED)).map((x) => x.rule),
    ).not.toContain("S11");
  });
  it("S12: for each key session on legs that these sessions have made tired", () => {
    const s12 = (c: WeekContext, ...placed: Option[]) => of(c, ...placed).filter((x) => x.rule === "S12");
    // Twelve hours of a half-life of 24 leave 1 / sqrt 2; a mean of 150 bears 179 AU.
    const tuesday = at(18, { legs: [{ load: 200 * Math.SQRT2, halfLife: 24 }], minutes: 60 });
    const c = week([run(WED, "07:00", "intervals"), run(addDays(MON, 3), "07:00", "tempo")]);
    expect(s12(c, tuesday).map((x) => x.rule)).toEqual(["S12"]);
    const heavier = { ...tuesday, legs: [{ load: 400 * Math.SQRT2, halfLife: 24 }] };
    expect(s12(c, heavier).map((x) => x.rule)).toEqual(["S12", "S12"]);
    expect(s12({ ...c, weights: { S12: 0 } }, tuesday)).toEqual([]);
    // From the week's Monday to the Monday after it; what is later is the next week's to charge.
    const tiring = (d: string, hour: number) => at(hour, { legs: [{ load: 4000, halfLife: 24 }], minutes: 60 }, d);
    const keyOn = (d: number) => week([run(addDays(MON, d), "20:00", "intervals")]);
    expect(s12(keyOn(0), tiring(MON, 6)).map((x) => x.rule)).toEqual(["S12"]);
    expect(s12(keyOn(7), tiring(addDays(MON, 6), 6)).map((x) => x.rule)).toEqual(["S12"]);
    expect(s12(keyOn(8), tiring(addDays(MON, 6), 6))).toEqual([]);
    // An easy run on tired legs is nothing to charge.
    expect(s12(week([run(WED, "07:00", "easy")]), tuesday)).toEqual([]);
    // Two that each leave too little do it together.
    const half = { ...tuesday, legs: [{ load: 100 * Math.SQRT2, halfLife: 24 }] };
    expect(s12(c, half)).toEqual([]);
    expect(s12(c, half, half).map((x) => x.rule)).toContain("S12");
  });
  it("the search's own sums are those of the words", () => {
    const c = week([...key(0, 1), run(WED, "07:00", "intervals")]);
    const group = new SessionGroup(c);
    const options = [2, 3].map((d) => at(18, { legs: [{ load: 500, halfLife: 36 }] }, addDays(MON, d)));
    const bits = options.map((o) => group.bitsOf(o));
    const [strength, demanding] = (["strength", "demanding"] as const).map((k) => bits.reduce((n, b) => n | b[k], 0));
    const fatigue = Float64Array.from(group.keys, (_, k) =>
      options.reduce((n, o) => n + (group.fatigueOf(o)[k] ?? 0), 0),
    );
    const sum = group.dayPoints(strength ?? 0, demanding ?? 0) + group.tiredPoints(fatigue, 0);
    expect(sum).toBe(group.costs(options).reduce((n, x) => n + x.points, 0));
    expect(sum).toBeGreaterThan(0);
  });
  it("costs stand dearest first, equals by rule", () => {
    const c = week([run(TUE, "20:00", "tempo")], { preferredDays: new Set([1]), lastDays: new Map([["A", 1]]) });
    const list = costsOf([at(18)], c);
    expect(list.map((x) => x.points)).toEqual([...list.map((x) => x.points)].sort((a, b) => b - a));
    expect(list.map((x) => x.rule)).toEqual(["S2", "S3", "S7", "S4", "S8"]);
  });
});

describe("must-hold rules at their edges", () => {
  it("M7: not within 24 hours after the end of hard or long work; from then on, before it, and after easy work", () => {
    const jumps = (date: string, hour: number) => at(hour, { jumps: true, lowerLoaded: false }, date);
    for (const kind of ["intervals", "long"] as const) {
      const c = week([run(TUE, "08:00", kind, 60)]);
      expect(blockedHere(jumps(WED, 9), c)).toBeNull();
      expect(blockedHere(jumps(WED, 8.9), c)?.rule).toBe("M7");
      expect(blockedHere(jumps(TUE, 9), c)?.rule).toBe("M7");
      expect(blockedHere(jumps(TUE, 6), c)).toBeNull();
    }
    expect(blockedHere(jumps(TUE, 10), week([run(TUE, "08:00", "easy", 60)]))).toBeNull();
    expect(blockedHere(at(10, { lowerLoaded: false }), week([run(TUE, "08:00", "intervals", 60)]))).toBeNull();
  });
  it("M3: a session that stands keeps its day and 24 hours of loaded work", () => {
    const stood = { day: dayNumber(MON), start: 18 * 60, minutes: 60, lowerLoaded: true, heavy: false, stress: 200 };
    const c = week([], { existing: [stood] });
    expect(blockedHere(at(17), c)).toEqual({
      rule: "M3",
      text: "only 23 hours from another loaded session; 24 are needed",
    });
    expect(blockedHere(at(18), c)).toBeNull();
    expect(blockedHere(at(6, {}, MON), c)?.text).toBe("there is a strength session on that day already");
    expect(blockedHere(at(17, { lowerLoaded: false }), c)).toBeNull();
  });
  it("legs are tired above the mark, not at it, and say how tired", () => {
    const jumps = at(18, { jumps: true });
    const c = week();
    const others = (load: number) => [at(17, { label: "B", minutes: 60, legs: [{ load, halfLife: 24 }] })];
    expect(tiredForJumps(jumps, others(178), c)).toBeNull();
    expect(tiredForJumps(jumps, others(185), c)).toMatch(/^the legs count as tired \(5\d of 100, 55 is the limit\)$/);
  });
  it("words of hours and sessions", () => {
    expect([hours(60), hours(90), hours(125)]).toEqual(["1 hour", "1.5 hours", "2.1 hours"]);
    const named = (kind: EnduranceSession["kind"], sport: EnduranceSession["sport"] = "run") =>
      what({ session: run(TUE, "07:05", kind, 60, { sport }) } as Parameters<typeof what>[0]);
    expect([named("long", "ride"), named("other", "swim"), named("tempo")]).toEqual([
      "long ride (Tue 07:05)",
      "swim (Tue 07:05)",
      "tempo (Tue 07:05)",
    ]);
    expect(isDemanding({ lowerLoaded: true, stress: 150 })).toBe(true);
    expect(isDemanding({ lowerLoaded: true, stress: 149 })).toBe(false);
    expect(isDemanding({ lowerLoaded: false, stress: 300 })).toBe(false);
  });
});

describe("whether rules charge a session that stands alone", () => {
  it("is what its priced placement says of them", () => {
    const some: readonly CostRule[] = ["S2", "S12", "S13"];
    const seen = new Set<string>();
    fc.assert(
      fc.property(weekOf(6), anyContext, (demands, c) => {
        const near = (n: number) => (n % 2 === 0 ? ["Hill race"] : []);
        for (const o of demands.flatMap((d) => d.options.map((x, n) => ({ ...x, softRaces: near(n) })))) {
          const rules = costsOf([o], c).map((x) => x.rule);
          for (const rule of some) {
            expect(charges(o, c, [rule])).toBe(rules.includes(rule));
            if (rules.includes(rule)) seen.add(rule);
          }
          expect(charges(o, c, some)).toBe(rules.some((rule) => some.includes(rule)));
        }
      }),
      { numRuns: 150, seed: 17 },
    );
    // Each of them was charged at least once.
    expect([...seen].sort()).toEqual([...some].sort());
  });
});
