/**
 * A session from its slots to its minutes, by hand: what a week's cuts, its load and its minutes take, and what is said of it (rules M1,
 * session.rpe, taper.week, ledger.fill, time.drop, week.most). The request of these tests is a maximal day of 75 minutes: squat and hinge of three
 * sets, two sets each of hip, calf and trunk work, RPE 7.
 */
import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import { inEveryColumn, layeredAt } from "../../../tests/support/dose";
import { built, request, unit } from "../../../tests/support/session";
import { type Why, why } from "../rulebook";
import type { Finding } from "../screening";
import { buildSession, draftSession, withShareOfSets } from "./build";
import type { BuiltSession, SessionRequest } from "./types";

const of = (more: Partial<SessionRequest> = {}): BuiltSession => {
  const made = buildSession(request(more));
  if (!made) throw new Error("nothing fits");
  return made;
};
const sets = (s: BuiltSession) => s.items.map((i) => `${i.exercise.pattern} ${i.sets}`).sort();
const rules = (s: BuiltSession) => s.why.map((w) => w.rule);
const WHOLE = ["calf 2", "hinge 3", "hip 2", "squat 3", "trunk 2"];
/** Made by hand. */
const edit = { week: "2026-03-02", label: "A" as const, items: [{ exercise: "back-squat", sets: 3, group: 1 }] };
/** What a finding asks for, closed by pain. */
const WAITING = {
  findings: [
    {
      id: "f",
      rule: "finding.seen",
      title: "Hips drop",
      more: null,
      prefers: [],
      adds: [{ pattern: "hip", exercises: ["clam"] }],
    } as unknown as Finding,
  ],
  stopped: new Map([["clam", "stopped: pain"]]),
};
const MORE = "no set of it is left in a week of fewer sets";

describe("how much stands in a session", () => {
  it("everything where minutes and week allow it, and nothing is said to be cut", () => {
    const s = of();
    expect(sets(s)).toEqual(WHOLE);
    expect(s).toMatchObject({
      dropped: [],
      rpe: 7,
      byHand: false,
      belowMinimumHold: false,
      slow: false,
      newlySlow: false,
    });
    expect(s.stress).toBe(s.minutes * 7);
    expect(rules(s)).not.toContain("time.drop");
    expect(rules(s)).not.toContain("phase.day");
  });
  it("none under 20 minutes, but for mobility and routines", () => {
    expect(buildSession(request({ minutes: 19 }))).toBeNull();
    expect(buildSession(request({ minutes: 20 }))).not.toBeNull();
    expect(buildSession(request({ minutes: 19, loading: "mobility" }))).not.toBeNull();
    expect(buildSession(request({ minutes: 15, routine: "short" }))).not.toBeNull();
    // Two holds of a minute a side are too long for five minutes: not even the least form fits.
    expect(buildSession(request({ minutes: 1, loading: "mobility" }))).toBeNull();
  });
  it("a week's share of its hard sets together, of the rest each; two less of ten up to six tenths, one less above", () => {
    // Eight hard sets: half are four, six tenths five.
    const half = of({ setFactor: 0.5 });
    expect(sets(half)).toEqual(["calf 1", "hinge 2", "squat 2", "trunk 1"]);
    expect(half.dropped).toEqual([{ exercise: "band-walk", why: MORE }]);
    expect(half.why.find((w) => w.rule === "phase.day")?.text).toBe("8 hard sets become 4; the load is kept.");
    expect(half.rpe).toBe(5);
    expect(sets(of({ setFactor: 0.6 }))).toEqual(["calf 1", "hinge 2", "hip 1", "squat 2", "trunk 1"]);
    expect([0.6, 0.61, 1].map((setFactor) => of({ setFactor }).rpe)).toEqual([5, 6, 7]);
  });
  it("mobility and what restores is never cut", () => {
    const twice = (more: Partial<SessionRequest>) => [of({ ...more, setFactor: 0.5 }), of(more)].map(sets);
    for (const more of [{ loading: "mobility" }, { emphasis: "restore" }] as const) {
      const [cut, whole] = twice(more);
      expect(cut).toEqual(whole);
    }
    expect(rules(of({ emphasis: "restore", setFactor: 0.5 }))).not.toContain("phase.day");
  });
  it("without load, three of ten at most, whatever is cut", () => {
    for (const loading of ["bodyweight", "restore", "mobility"] as const)
      expect([of({ loading }).rpe, of({ loading, setFactor: 0.5 }).rpe]).toEqual([3, 3]);
    expect(of({ loading: "light" }).rpe).toBe(7);
    const easy = { ...request().dose, rpe: 2 };
    expect(of({ loading: "bodyweight", dose: easy }).rpe).toBe(2);
  });
  it("in a hold at most and at least the sets it keeps; it says where it keeps fewer", () => {
    const most = of({ primaryRange: { least: 0, most: 2 } });
    expect(sets(most)).toEqual(["calf 2", "squat 2", "trunk 2"]);
    expect(most.dropped).toEqual([
      { exercise: "trap-bar-deadlift", why: MORE },
      { exercise: "band-walk", why: MORE },
    ]);
    const least = of({ primaryRange: { least: 10, most: 12 } });
    expect(
      least.items.reduce((a, i) => a + (["squat", "hinge", "hip"].includes(i.exercise.pattern) ? i.sets : 0), 0),
    ).toBe(10);
    expect(least.belowMinimumHold).toBe(false);
    expect(of({ minutes: 22, primaryRange: { least: 8, most: 9 } }).belowMinimumHold).toBe(true);
  });
  it("leads of two sets where a pattern would stay out a second week", () => {
    const lean = of({ lean: true });
    expect(sets(lean)).toEqual(["calf 2", "hinge 2", "hip 2", "squat 2", "trunk 2"]);
    expect(lean.items.filter((i) => i.why.some((w) => w.rule === "ledger.fill")).map((i) => i.sets)).toEqual([2, 2]);
    expect(of().items.flatMap((i) => i.why.map((w) => w.rule))).not.toContain("ledger.fill");
    // A lead of two sets gives none, and beside the leads nothing does.
    const dose = layeredAt("maximal");
    const loaded = dose.cells.squat.loaded.map((d) => ({ ...d, sets: 2 }));
    const units = [unit("calf", { sets: 3, rest: 3 })];
    const two = of({ lean: true, dose: inEveryColumn(dose, { loaded }), units });
    expect(sets(two)).toEqual(["calf 3", "hinge 2", "squat 2"]);
    expect(two.items.flatMap((i) => i.why.map((w) => w.rule))).not.toContain("ledger.fill");
    const stretch = of({ build: "full-range", lean: true });
    expect(stretch.items.some((i) => i.exercise.pattern === "mobility")).toBe(false);
    expect(of({ build: "full-range" }).items.some((i) => i.exercise.pattern === "mobility")).toBe(true);
  });
});

describe("where time is short", () => {
  it("what the ledger gives goes first, by its worth, and is carried on", () => {
    const s = of({ minutes: 45 });
    expect(sets(s)).toEqual(["calf 2", "hinge 3", "hip 2", "squat 3"]);
    expect(s.dropped).toEqual([{ exercise: "side-plank", why: "no time for it; the week's account carries it on" }]);
    expect(s.why.find((w) => w.rule === "time.drop")?.text).toBe("1 cut to stay inside 45 min.");
  });
  it("single sets go where least is asked of an exercise, as in weeks that cut, hold or are light", () => {
    const three = [unit("trunk", { sets: 3, rest: 3 }), unit("calf", { sets: 3, rest: 3 })];
    const least = (more: Partial<SessionRequest>) =>
      Math.min(
        ...[36, 37, 38, 39, 40, 41, 42, 43, 44].flatMap((minutes) =>
          of({ minutes, units: three, ...more })
            .items.filter((i) => i.slot.unit)
            .map((i) => i.sets),
        ),
      );
    expect(least({})).toBe(2);
    expect(least({ emphasis: "hold" })).toBe(1);
    expect(least({ loading: "light" })).toBe(1);
    const fewer = [44, 45, 46, 47, 48, 49].flatMap((minutes) =>
      of({ minutes, units: three }).dropped.filter((d) => d.why.startsWith("1 fewer set:")),
    );
    expect(fewer.length).toBeGreaterThan(0);
    expect(fewer[0]?.why).toBe("1 fewer set: no time for it; the week's account carries it on");
  });
  it("then leads come down to two sets, and what the ledger gives takes what is left", () => {
    const s = of({ minutes: 36 });
    expect(sets(s)).toEqual(["calf 2", "hinge 2", "hip 2", "squat 2"]);
    expect(s.dropped.map((d) => d.why)).toEqual([
      "one set fewer, the main lift keeps two sets",
      "one set fewer, the main lift keeps two sets",
      "no time for it; the week's account carries it on",
    ]);
    expect(s.why.find((w) => w.rule === "time.drop")?.text).toBe("3 cuts to stay inside 36 min.");
  });
  it("35 minutes take a short session of one lead and say so; so does a week that gives one lead a visit", () => {
    const said = (s: BuiltSession) =>
      s.why.filter((w) => w.rule === "ledger.fill" || w.rule === "time.drop").map((w) => w.text);
    expect(said(of({ minutes: 35 }))).toEqual([
      "35 min take a short session: one lead (front squat), the rest from what the week owes.",
    ]);
    expect(said(of({ minutes: 36 }))).toHaveLength(1);
    // A light day of 35 minutes is short as well.
    const leads = (s: BuiltSession) => s.items.filter((i) => i.slot.kind !== "assist").length;
    expect(["full", "light"].map((loading) => leads(of({ minutes: 35, loading } as Partial<SessionRequest>)))).toEqual([
      1, 1,
    ]);
    const oneLead = why("hold.visits", "short", { minutes: 40, visits: 2 });
    const visit = of({ oneLead });
    expect(visit.why).toContain(oneLead);
    expect(visit.items.filter((i) => i.slot.kind !== "assist")).toHaveLength(1);
    expect(said(visit)).toEqual([]);
  });
  it("a routine is the longest that fits", () => {
    const s = of({ routine: "short", minutes: 15 });
    expect(s.minutes).toBeLessThanOrEqual(15);
    expect(s.time.opening).toBe(0);
    expect(rules(s)).toContain("approach.routine");
    expect(s.items.every((i) => i.sets === 1)).toBe(true);
    // What ends in just the minutes is not made shorter, and no exercise more would end in time.
    expect(of({ routine: "short", minutes: s.minutes }).items).toHaveLength(s.items.length);
    expect(of({ routine: "long", minutes: 25 }).items.length).toBeGreaterThan(s.items.length);
    expect(s.minutes).toBeGreaterThanOrEqual(13);
  });
});

describe("where the week takes no more", () => {
  it("what the ledger gives goes until the session weighs no more", () => {
    const capped = of({ stressCap: 310 });
    expect(capped.stress).toBeLessThanOrEqual(310);
    expect(capped.dropped.every((d) => d.why.includes("it would go over what this week takes"))).toBe(true);
    expect(capped.dropped.length).toBeGreaterThan(0);
    // What goes for the week's sake is no cut for want of minutes.
    expect(rules(capped)).not.toContain("time.drop");
    expect(of({ stressCap: of().stress }).dropped).toEqual([]);
  });
  it("then other work, the last first, never the leading patterns", () => {
    const s = of({ stressCap: 200 });
    expect(sets(s)).toEqual(["hinge 3", "hip 2", "squat 3"]);
    expect(s.dropped.map((d) => d.exercise)).toEqual(["side-plank", "calf-raise"]);
  });
  it("minutes that are shorter than what the week takes are the reason where they decide", () => {
    const s = of({ minutes: 45, stressCap: 45 * 7 });
    expect(s.dropped.map((d) => d.why)).toEqual(["no time for it; the week's account carries it on"]);
  });
});

describe("what is said of a session", () => {
  it("what its dose says, and nothing of hand, routine, five or slow work where there is none", () => {
    expect(rules(of())).toEqual(["emphasis.layered"]);
    expect(of().why).toEqual(layeredAt("maximal").why);
    // 36 minutes take a set of each lead, but the week cuts none.
    expect(rules(of({ minutes: 36 }))).toEqual(["emphasis.layered", "time.drop"]);
    // 97 of 100 of eight hard sets are eight: none becomes fewer.
    expect(rules(of({ setFactor: 0.97 }))).not.toContain("phase.day");
  });
  it("what a clearance or an age holds back, but on days of mobility", () => {
    const held: Why = { rule: "load.light", text: "Cleared for light work." };
    const choice = choiceFor(athleteWith(), { gate: { ...choiceFor().gate, why: [held] } });
    expect(of({ choice }).why).toContain(held);
    expect(of({ choice, loading: "light" }).why).toContain(held);
    expect(of({ choice, loading: "mobility" }).why).not.toContain(held);
  });
  it("that the essential five stand alone, with nothing that a finding waits for", () => {
    const athlete = athleteWith({ settings: { shortTime: "essential-five" } });
    const five = of({ minutes: 75, choice: choiceFor(athlete, WAITING) });
    expect(rules(five)).toContain("choice.five");
    // Lunge or split squat, one-leg hinge, bridge, calf and side plank (rule choice.five).
    expect(five.items.map((i) => i.exercise.pattern).sort()).toEqual(["calf", "hinge", "hip", "split-squat", "trunk"]);
    expect(five.dropped).toEqual([]);
    // Neither does what was made by hand.
    expect(of({ edit, choice: choiceFor(athleteWith(), WAITING) }).dropped).toEqual([]);
    const mobility = of({ loading: "mobility", choice: choiceFor(athlete) });
    expect(rules(mobility)).not.toContain("choice.five");
    expect(rules(of({ routine: "short", minutes: 15, choice: choiceFor(athlete) }))).not.toContain("choice.five");
  });
  it("slow strength where no lead is loaded, and what of it is new (rule slow.strength)", () => {
    const line = inEveryColumn(layeredAt("maximal"), { kind: "line" });
    const none = { loadKg: null, perSideKg: [], barKg: null, percent1rm: null, why: [] };
    const bare = { dose: line, place: home, choice: choiceFor(athleteWith(), { place: home }), loadFor: () => none };
    const said = (s: BuiltSession) => s.why.filter((w) => w.rule === "slow.strength").length;
    const first = of(bare);
    expect(first.items.filter((i) => i.slow?.strength).map((i) => i.exercise.pattern)).toEqual(["squat", "hinge"]);
    expect([first.slow, first.newlySlow, first.heavy, said(first)]).toEqual([true, true, false, 1]);
    // A step further in the block it is no longer new.
    const later = of({ ...bare, slowerFor: () => 1 });
    expect([later.slow, later.newlySlow, said(later)]).toEqual([true, false, 1]);
    // A squat for which the gym is too light beside a loaded hinge: the session is not one of slow strength.
    const light: Why = { rule: "load.light", text: "Too light here." };
    const half = of({ dose: line, place: gym, tooLightFor: (e) => (e.pattern === "squat" ? light : null) });
    expect(half.items.filter((i) => i.slow?.strength).map((i) => i.exercise.pattern)).toEqual(["squat"]);
    expect([half.slow, half.newlySlow, said(half)]).toEqual([false, true, 0]);
    expect(of({ dose: line, place: gym, tooLightFor: () => light }).slow).toBe(true);
  });
  it("what was made by hand, and that it is heavy, slow or new", () => {
    const hand = of({ edit, setFactor: 0.5, primaryRange: { least: 9, most: 9 }, stressCap: 1 });
    // The coach has seen the week: nothing is cut, and nothing is missing.
    expect(sets(hand)).toEqual(["squat 3"]);
    expect(hand).toMatchObject({ byHand: true, belowMinimumHold: false, heavy: true, lowerLoaded: true });
    expect(rules(hand)).toContain("edit.hand");
    expect(buildSession(request({ edit, minutes: 40 }))).not.toBeNull();
    const long = { ...edit, items: [{ exercise: "back-squat", sets: 9, group: 1 }] };
    expect(buildSession(request({ edit: long, minutes: 20 }))).toBeNull();
    expect(of().heavy).toBe(true);
  });
  it("work of a finding that pain closed waits, on days that build alone", () => {
    const choice = choiceFor(athleteWith(), WAITING);
    expect(of({ choice }).dropped).toEqual([{ exercise: "clam", why: "stopped: pain" }]);
    for (const more of [{ routine: "short" }, { loading: "mobility" }, { emphasis: "restore" }, { loading: "restore" }])
      expect(of({ choice, ...(more as Partial<SessionRequest>) }).dropped.map((d) => d.exercise)).not.toContain("clam");
  });
  it("what safety left out only where something stands instead of it", () => {
    const hurt = choiceFor(athleteWith(), { stopped: new Map([["trap-bar-deadlift", "stopped: pain"]]) });
    const left = of({ choice: hurt }).left;
    expect(left.map((l) => l.exercise)).toContain("trap-bar-deadlift");
    expect(of({ choice: hurt, primaryRange: { least: 0, most: 2 } }).left.map((l) => l.exercise)).not.toContain(
      "trap-bar-deadlift",
    );
  });
});

describe("a share of a session's sets", () => {
  it("exercise by exercise, never the last, with the reason; nothing takes their place", () => {
    const s = of();
    const because: Why = { rule: "readiness.day", text: "A short night." };
    const less = withShareOfSets(s, request(), 0.5, because);
    // Half of three are two, of two one.
    expect(sets(less)).toEqual(["calf 1", "hinge 2", "hip 1", "squat 2", "trunk 1"]);
    expect(less.items.every((i) => i.why.includes(because))).toBe(true);
    expect(less.why[0]).toBe(because);
    expect(less.minutes).toBeLessThan(s.minutes);
    expect(less.stress).toBe(less.minutes * 7);
    expect(less.items.map((i) => i.pair)).toEqual(s.items.map((i) => i.pair));
    const one = withShareOfSets(less, request(), 0.1, because);
    expect(one.items.every((i) => i.sets === 1)).toBe(true);
    const sides = { ...s, items: [built("split-squat", 2, { pair: "1", extraSide: "left" })] };
    expect(withShareOfSets(sides, request(), 0.5, because).items[0]).toMatchObject({ sets: 1, extraSide: null });
    expect(withShareOfSets(sides, request(), 1, because).items[0]).toMatchObject({ sets: 2, extraSide: "left" });
  });
});

describe("a session before the week's account is settled", () => {
  it("is open where the ledger gives it something, and nothing else decides", () => {
    expect(draftSession(request())?.offers.map((o) => [o.item.exercise.pattern, o.levels])).toEqual([
      ["hip", [2, 0]],
      ["calf", [2, 0]],
      ["trunk", [2, 0]],
    ]);
    expect(draftSession(request())?.limit).toBe(75 * 60);
    expect(draftSession(request({ units: [] }))).toBeNull();
    expect(draftSession(request({ setFactor: 0.5 }))).toBeNull();
    expect(draftSession(request({ routine: "short" }))).toBeNull();
    expect(draftSession(request({ edit }))).toBeNull();
    expect(draftSession(request({ minutes: 35 }))?.offers[0]?.levels).toEqual([2, 1, 0]);
  });
  it("takes the seconds that the session takes with the sets that were chosen", () => {
    const draft = draftSession(request());
    if (!draft) throw new Error("nothing is open");
    for (const chosen of [
      [2, 2, 2],
      [2, 0, 2],
      [0, 2, 0],
    ]) {
      const filled = draft.filled(chosen);
      const session = buildSession(request({ filled: { whole: filled, short: filled } }));
      const { opening, warmUp, work, emptyRest, change } = session?.time ?? {};
      // The last of a session is eased after its sets are settled, which takes no more than there is.
      expect(draft.secondsOf(chosen)).toBeCloseTo(
        (opening ?? 0) + (warmUp ?? 0) + (work ?? 0) + (emptyRest ?? 0) + (change ?? 0),
        6,
      );
      expect(filled.items.filter((i) => i.slot.unit).map((i) => i.sets)).toEqual(chosen.filter((n) => n > 0));
    }
  });
  it("says the sets anew where they have changed", () => {
    const draft = draftSession(request({ units: [unit("calf", { sets: 3, rest: 3 })] }));
    const [calf] = draft?.filled([2]).items.filter((i) => i.slot.unit) ?? [];
    expect(calf?.sets).toBe(2);
    expect(draft?.filled([3]).items.find((i) => i.slot.unit)).toBe(draft?.offers[0]?.item);
    expect(draft?.filled([2]).items[0]).toBe(draft?.filled([3]).items[0]);
  });
});
