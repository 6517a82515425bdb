import { describe, expect, it } from "vitest";
import { contextOf, optionOn, runOn as session } from "../../../tests/support/place";
import type { EnduranceSession } from "../athlete/types";
import { dayNumber } from "../dates";
import { ownCosts, pairCosts } from "./costs";
import { costsOf, fitWeek } from "./fit";
import { DEFAULT_WEIGHTS } from "./numbers";
import { blockedByEndurance, blockedByOther, blockedByTiredLegs, blockedHere } from "./rules";
import type { Demand, Option, WeekContext } from "./types";

const option = (date: string, hour: number, more: Partial<Option> = {}) => optionOn(date, hour * 60, more);
const context = (endurance: EnduranceSession[], more: Partial<WeekContext> = {}) =>
  contextOf("2026-03-02", endurance, more);
const charged = (o: Option, c: WeekContext) => Object.fromEntries(ownCosts(o, c).map((x) => [x.rule, x.points]));
const TUE = "2026-03-03";
const WED = "2026-03-04";

describe("must-hold rules", () => {
  it("M4: no overlap with any endurance", () => {
    const easy = context([session(TUE, "18:30", "easy", 40)]);
    expect(blockedByEndurance(option(TUE, 18), easy)?.rule).toBe("M4");
    expect(blockedByEndurance(option(TUE, 17, { minutes: 90 }), easy)).toBeNull();
    expect(blockedByEndurance(option(TUE, 17, { minutes: 91 }), easy)?.text).toContain("overlap");
  });
  it("M4: three hours from the end of leg-heavy work, either way round", () => {
    const key = context([session(TUE, "09:00", "intervals", 60)]);
    expect(blockedByEndurance(option(TUE, 13), key)).toBeNull();
    expect(blockedByEndurance(option(TUE, 12, { start: 12 * 60 + 59 }), key)?.text).toContain("3 are needed");
    expect(blockedByEndurance(option(TUE, 5), key)).toBeNull();
    expect(blockedByEndurance(option(TUE, 5, { start: 5 * 60 + 1 }), key)).not.toBeNull();
    expect(blockedByEndurance(option(TUE, 11, { lowerLoaded: false }), key)).toBeNull();
  });
  it("M4: over 60 minutes on foot is leg-heavy, an easy ride or swim is not", () => {
    const at = (e: Partial<EnduranceSession>) =>
      blockedByEndurance(option(TUE, 11), context([session(TUE, "09:00", "easy", 61, e)]));
    expect(at({})).not.toBeNull();
    expect(at({ sport: "ride" })).toBeNull();
    expect(at({ sport: "swim", key: true })).toBeNull();
    expect(at({ minutes: 60 })).toBeNull();
    expect(at({ key: true, minutes: 45 })).not.toBeNull();
  });
  it("M3: 24 hours between loaded lower-body sessions, start to start, also over midnight", () => {
    expect(blockedByOther(option(TUE, 18), option(WED, 17), context([]))?.rule).toBe("M3");
    expect(blockedByOther(option(TUE, 18), option(WED, 18), context([]))).toBeNull();
    expect(blockedByOther(option(TUE, 18), option(WED, 7, { lowerLoaded: false }), context([]))).toBeNull();
    expect(blockedByOther(option(TUE, 7), option(TUE, 20, { lowerLoaded: false }), context([]))).not.toBeNull();
  });
});

describe("should-hold rules", () => {
  it("S1: 48 hours between heavy sessions, dearer the closer", () => {
    const at = (b: Option) => pairCosts(option(TUE, 18), b, context([])).find((x) => x.rule === "S1")?.points ?? 0;
    expect(at(option("2026-03-05", 18))).toBe(0);
    expect(at(option(WED, 18))).toBe(DEFAULT_WEIGHTS.S1);
    expect(at(option("2026-03-05", 6))).toBeGreaterThan(0);
    expect(at(option("2026-03-05", 6))).toBeLessThan(DEFAULT_WEIGHTS.S1!);
    expect(at(option(WED, 18, { heavy: false }))).toBe(0);
  });
  it("S2: nothing heavy 24 hours before a key session, 36 before the long one", () => {
    const key = context([session(WED, "07:00", "tempo", 50)]);
    expect(charged(option(TUE, 18), key).S2).toBe(DEFAULT_WEIGHTS.S2);
    expect(charged(option(TUE, 18, { heavy: false }), key).S2).toBeUndefined();
    expect(charged(option(TUE, 6), key).S2).toBeUndefined();
    const long = context([session(WED, "17:00", "long", 120)]);
    expect(charged(option(TUE, 6), long).S2).toBe(DEFAULT_WEIGHTS.S2);
    expect(charged(option(TUE, 4), long).S2).toBeUndefined();
  });
  it("S3 and S4: order and gap on one day", () => {
    const key = context([session(TUE, "18:00", "intervals", 60)]);
    expect(charged(option(TUE, 7), key)).toMatchObject({ S3: DEFAULT_WEIGHTS.S3 });
    expect(charged(option(TUE, 7), key).S4).toBeUndefined();
    const easy = context([session(TUE, "09:00", "easy", 40)]);
    expect(charged(option(TUE, 7), easy).S3).toBeUndefined();
    expect(charged(option(TUE, 12), easy).S4).toBe(3);
    expect(charged(option(TUE, 15), easy).S4).toBeUndefined();
  });
  it("S5: stack or spread", () => {
    const key = context([session(TUE, "07:00", "intervals", 60)]);
    expect(charged(option(TUE, 18), key).S5).toBeUndefined();
    expect(charged(option(WED, 18), key).S5).toBe(DEFAULT_WEIGHTS.S5);
    // A light or restoring session makes no hard day.
    expect(charged(option(WED, 18, { stress: 100 }), key).S5).toBeUndefined();
    const spread = { ...key, placement: "spread" as const };
    expect(charged(option(TUE, 18), spread).S5).toBe(DEFAULT_WEIGHTS.S5);
    expect(charged(option(WED, 18), spread).S5).toBeUndefined();
    expect(charged(option(WED, 18), context([])).S5).toBeUndefined();
  });
  it("S7 and S8: preferred days, and those of last week", () => {
    const c = context([], { preferredDays: new Set([3, 5]), lastDays: new Map([["A", 2]]) });
    expect(charged(option(TUE, 18), c)).toEqual({ S7: DEFAULT_WEIGHTS.S7 });
    expect(charged(option(WED, 18), c)).toEqual({ S8: DEFAULT_WEIGHTS.S8 });
    expect(charged(option(WED, 18, { label: "B" }), c)).toEqual({});
  });
  it("S9: two sessions evenly over the week, seen as it comes round again", () => {
    const at = (date: string, perWeek: number) =>
      pairCosts(option(TUE, 18), option(date, 18, { label: "B", heavy: false }), context([], { perWeek }))
        .filter((x) => x.rule === "S9")
        .map((x) => x.points)[0] ?? 0;
    // Seven days for two sessions: three days apart are even, two cost a third, one two thirds; Monday is one day from Tuesday.
    expect([WED, "2026-03-05", "2026-03-06"].map((d) => at(d, 2))).toEqual([3, 1, 0]);
    expect(at("2026-03-08", 2)).toBe(1);
    expect(at("2026-03-02", 2)).toBe(3);
    expect(at(WED, 4)).toBe(0);
  });
  it("S10: the day's training under the athlete's limit, in full from half an hour over", () => {
    const at = (dailyMinutes: number | null) =>
      charged(option(TUE, 18), context([session(TUE, "07:00", "easy", 60)], { dailyMinutes })).S10 ?? 0;
    expect([null, 120, 105, 90].map(at)).toEqual([0, 0, DEFAULT_WEIGHTS.S10! / 2, DEFAULT_WEIGHTS.S10]);
  });
  it("S14: three hours from any other endurance session", () => {
    const swim = context([session(TUE, "16:30", "technique", 45, { sport: "swim" })]);
    expect(charged(option(TUE, 18), swim).S14).toBe(2);
    expect(charged(option(TUE, 20), swim).S14).toBeUndefined();
    // Leg-heavy ones are kept away by M4 already.
    expect(charged(option(TUE, 18), context([session(TUE, "16:30", "intervals", 45)])).S14).toBeUndefined();
  });
  it("takes the athlete's own weights", () => {
    const key = context([session(TUE, "07:00", "intervals", 60)], { weights: { S5: 3 } });
    expect(charged(option(WED, 18), key).S5).toBe(3);
  });
  it("charges races, lost sets and a bare room", () => {
    expect(charged(option(TUE, 18, { softRaces: ["Tern Hill"] }), context([])).S13).toBe(DEFAULT_WEIGHTS.S13);
    expect(charged(option(TUE, 18, { lostShare: 0.5 }), context([]))["work.lost"]).toBe(6);
    expect(charged(option(TUE, 18, { belowMinimumHold: true }), context([]))["hold.minimum"]).toBe(
      DEFAULT_WEIGHTS["hold.minimum"],
    );
  });
  it("leaves mobility free of spacing", () => {
    expect(
      ownCosts(
        option(TUE, 8, { mobility: true, heavy: false, lowerLoaded: false }),
        context([session(TUE, "07:00", "intervals", 50)]),
      ),
    ).toEqual([]);
  });
});

describe("rules of the whole week", () => {
  const rules = (c: WeekContext, ...placed: Option[]) =>
    costsOf(placed, c)
      .filter((x) => ["S6", "S11", "S12"].includes(x.rule))
      .map((x) => x.rule);
  const keyOn = (...dates: string[]) => dates.map((d) => session(d, "06:00", "intervals", 40));
  it("S6: one day a week stays free; a week full of key sessions is not the placement's doing", () => {
    const six = keyOn("2026-03-02", TUE, WED, "2026-03-05", "2026-03-06", "2026-03-07");
    const light = { lowerLoaded: false, heavy: false };
    expect(rules(context(six), option("2026-03-08", 18, light))).toEqual(["S6"]);
    expect(rules(context(six), option(TUE, 18, light))).toEqual([]);
    expect(rules(context(six), option("2026-03-08", 18, { ...light, mobility: true }))).toEqual([]);
    expect(rules(context([...six, ...keyOn("2026-03-08")]), option(TUE, 18, light))).toEqual([]);
  });
  it("S11: a third demanding day in a row, also with the days around the week", () => {
    const two = context(keyOn(TUE, WED));
    expect(rules(two, option("2026-03-05", 18))).toEqual(["S11"]);
    expect(rules(two, option("2026-03-05", 18, { lowerLoaded: false, heavy: false }))).toEqual([]);
    expect(rules(two, option("2026-03-05", 18, { stress: 149 }))).toEqual([]);
    expect(rules(two, option("2026-03-06", 18))).toEqual([]);
    expect(rules(context(keyOn(TUE, WED, "2026-03-05")), option(WED, 18))).toEqual([]);
    expect(rules(context(keyOn("2026-02-28", "2026-03-01")), option("2026-03-02", 18))).toEqual(["S11"]);
  });
  it("S12: a key session on legs that strength has made tired, as a step", () => {
    // At 07:00 on Wednesday 12 of 24 hours are gone: 200 x sqrt(2) AU leave 200; a mean of 150 bears 179.
    const key = context([session(WED, "07:00", "intervals", 50)], { legs: { legEvents: [], meanDaily: 150 } });
    const legs = (load: number) => [{ load: load * Math.SQRT2, halfLife: 24 }];
    expect(rules(key, option(TUE, 18, { legs: legs(200) }))).toEqual(["S12"]);
    expect(rules(key, option(TUE, 18, { legs: legs(179) }))).toEqual([]);
    expect(rules(key, option(WED, 18, { legs: legs(500) }))).toEqual([]);
    const tired = { legEvents: [{ end: dayNumber(WED) * 1440 + 400, parts: legs(300) }], meanDaily: 150 };
    expect(rules({ ...key, legs: tired }, option(TUE, 18, { legs: legs(200) }))).toEqual([]);
    expect(costsOf([option(TUE, 18, { legs: legs(200) })], key).find((x) => x.rule === "S12")!.text).toContain(
      "freshness 51, 55 is the limit",
    );
  });
  it("M7: no jumps within 24 h after hard or long work, nor on tired legs", () => {
    const jumps = (hour: number, date = TUE) => option(date, hour, { jumps: true });
    const hard = context([session(TUE, "07:00", "intervals", 60)]);
    expect(blockedHere(jumps(18), hard)).toMatchObject({ rule: "M7", text: expect.stringContaining("10 hours after") });
    expect(blockedHere(option(TUE, 18), hard)).toBeNull();
    expect(blockedHere(jumps(8, WED), hard)).toBeNull();
    const tired = { legEvents: [{ end: dayNumber(TUE) * 1440, parts: [{ load: 400, halfLife: 36 }] }], meanDaily: 150 };
    expect(blockedHere(jumps(12), context([], { legs: tired }))?.rule).toBe("M7");
    // Another session of the week may be what tires them.
    const heavy = option("2026-03-02", 18, { label: "B", legs: [{ load: 400, halfLife: 36 }] });
    expect(blockedByTiredLegs([heavy, jumps(18)], context([]))?.rule).toBe("M7");
    expect(blockedByTiredLegs([heavy, jumps(18, "2026-03-05")], context([]))).toBeNull();
    const fit = fitWeek(
      [
        { label: "A", options: [jumps(18), jumps(18, "2026-03-05")], none: "" },
        { label: "B", options: [heavy], none: "" },
      ],
      context([]),
    );
    expect(fit.placed.map((p) => p.date)).toEqual(["2026-03-05", "2026-03-02"]);
  });
});

describe("the fit", () => {
  const demand = (label: Option["label"], ...options: Option[]): Demand => ({
    label,
    options: options.map((o) => ({ ...o, label })),
    none: `no window for ${label}`,
  });
  it("places before it saves, A before B", () => {
    const only = option(TUE, 18);
    const fit = fitWeek([demand("A", only), demand("B", only)], context([]));
    expect(fit.placed.map((p) => p.label)).toEqual(["A"]);
    expect(fit.unplaced).toEqual([{ label: "B", why: expect.stringContaining("taken by the sessions before it") }]);
  });
  it("keeps a locked session, whatever it costs the others", () => {
    const locked = option(WED, 18, { locked: true });
    const fit = fitWeek([demand("A", option(TUE, 18), option(WED, 12)), demand("B", locked)], context([]));
    expect(fit.placed.find((p) => p.label === "B")).toMatchObject({ date: WED, start: 18 * 60 });
  });
  it("takes the cheaper day, and offers the other", () => {
    const key = context([session(TUE, "07:00", "intervals", 60)]);
    const fit = fitWeek([demand("A", option(TUE, 18), option(WED, 18))], key);
    expect(fit.placed[0]!.date).toBe(TUE);
    expect(fit.cost).toBe(0);
    expect(fit.alternatives).toEqual([
      { cost: DEFAULT_WEIGHTS.S5, sessions: [{ label: "A", date: WED, start: 1080, place: "gym" }] },
    ]);
  });
  it("breaks ties the same way whatever the order it is given", () => {
    const list = [option(WED, 18), option(TUE, 18), option(TUE, 12)];
    const results = [list, [...list].reverse()].map((l) => fitWeek([demand("A", ...l)], context([])).placed[0]!);
    expect(results[0]).toEqual(results[1]);
    expect(results[0]).toMatchObject({ date: TUE, start: 12 * 60 });
  });
  it("says why a session stays out, and the nearest fix", () => {
    expect(fitWeek([demand("A")], context([])).unplaced[0]!.why).toBe("no window for A");
    const closed = fitWeek([demand("A", option(TUE, 9))], context([session(TUE, "07:00", "long", 120)]));
    expect(closed.unplaced[0]!.why).toMatch(/long run.*M4.*another day/);
  });
  it("counts the sessions that stand already", () => {
    const yesterday = { day: dayNumber(TUE), start: 19 * 60, minutes: 60, lowerLoaded: true, heavy: true, stress: 300 };
    const fit = fitWeek([demand("A", option(WED, 18), option(WED, 19))], context([], { existing: [yesterday] }));
    expect(fit.placed[0]!.start).toBe(19 * 60);
    expect(fit.costs.map((c) => c.rule)).toEqual(["S1"]);
  });
});
