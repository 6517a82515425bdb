import { describe, expect, it } from "vitest";
import { athleteWith, gym, home, lifted, logOf, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { Athlete } from "../athlete/types";
import { addDays } from "../dates";
import { SHIPPED } from "../exercise/entries/all";
import { makeLibrary, SHIPPED_LIBRARY } from "../exercise/library";
import { type PlanWeek, plan } from "../plan";
import { planPhases } from "../season/phases";
import { seasonWeeks } from "../season/weeks";
import { BLOCK_WEEKS, blockUse } from "./chain";
import { choicesFor, contextOf } from "./choices";

const week = (a: Athlete, from = START, options = {}): PlanWeek => plan(a, { from, weeks: 1, ...options }).weeks[0]!;
const first = (w: PlanWeek) => w.sessions[0]!;
const names = (w: PlanWeek) => w.sessions.flatMap((s) => s.items.map((i) => i.exercise.id));
const known = (...ids: string[]) =>
  ids.map((id, i) => logOf(addDays(START, -20 + i), [{ ...lifted(id, 20, [8, 8], 3) }]));
const everything = SHIPPED.map((e) => e.id);

describe("what could stand in a slot", () => {
  const w = week(athleteWith());
  const s = first(w);
  const squat = s.items.find((i) => i.exercise.pattern === "squat")!;
  const choices = choicesFor(athleteWith(), SHIPPED_LIBRARY, w, s, squat.exercise.id)!;
  it("is ranked with the taken one first, and never holds what the session has already", () => {
    expect(choices.open[0]!.exercise).toBe(squat.exercise);
    const others = s.items.filter((i) => i !== squat).map((i) => i.exercise);
    expect(choices.open.some((c) => others.includes(c.exercise))).toBe(false);
  });
  it("accounts for the whole pattern: each exercise is open or closed, and not both", () => {
    const open = choices.open.map((c) => c.exercise.id);
    const closed = choices.closed.map((c) => c.exercise.id);
    expect(open.filter((id) => closed.includes(id))).toEqual([]);
    const main = SHIPPED.filter((e) => e.pattern === "squat" && e.main).map((e) => e.id);
    for (const id of main) expect([...open, ...closed], id).toContain(id);
    for (const c of choices.closed) expect(c.closed.text.length).toBeGreaterThan(5);
  });
  it("is nothing for an exercise that the session does not have", () => {
    expect(choicesFor(athleteWith(), SHIPPED_LIBRARY, w, s, "clam")).toBeNull();
    expect(contextOf(athleteWith(), SHIPPED_LIBRARY, w, { ...s, place: "moon" })).toBeNull();
  });
  it("leads with the coach's exercise after a swap, while it is open", () => {
    const other = choices.open[1]!.exercise.id;
    const swaps = [{ date: s.date, label: s.label, from: squat.exercise.id, to: other }];
    expect(names(week(athleteWith(), START, { swaps }))).toContain(other);
    const elsewhere = [{ ...swaps[0]!, date: addDays(s.date, 1) }];
    expect(names(week(athleteWith(), START, { swaps: elsewhere }))).not.toContain(other);
    const bare = athleteWith({ places: [{ ...gym, bars: [] }, home] });
    const barred = [{ ...swaps[0]!, to: "back-squat" }];
    expect(names(week(bare, START, { swaps: barred }))).not.toContain("back-squat");
  });
});

describe("blocks of four weeks", () => {
  it("are counted from the season's start, logs and plans alike", () => {
    const a = athleteWith();
    const use = blockUse(a, [logOf(addDays(START, -3), [lifted("clam", 0, [10], 3)])]);
    use.add(START, "A", ["bridge"]);
    const now = use.at(addDays(START, BLOCK_WEEKS * 7 - 1));
    expect(now.now).toEqual(new Map([["A", new Set(["bridge"])]]));
    expect([...now.before]).toEqual(["clam"]);
    const next = use.at(addDays(START, BLOCK_WEEKS * 7));
    expect([...next.before]).toEqual(["bridge"]);
    expect([...next.earlier]).toEqual(["clam"]);
    expect([...(next.known ?? [])].sort()).toEqual(["bridge", "clam"]);
    expect(blockUse(a, []).at(START).known).toBeNull();
  });
  it("are the season's blocks where it has them, each with its step-back", () => {
    const a = athleteWith({ endurance: weeksOf(new Array(30).fill(1)) });
    const weeks = seasonWeeks(a, planPhases(a).phases, () => 2);
    const second = weeks.findIndex((w, i) => i > 0 && w.block?.week === 1);
    const back = weeks[second - 1]!;
    expect([back.stepBack, second]).toEqual([true, 4]);
    // A block of another length than four weeks: five loading weeks and their step-back.
    const longer = weeks.map((w, i) => ({
      ...w,
      stepBack: i === 5,
      block: i < 5 ? { ...weeks[0]!.block!, week: i + 1 } : i === 6 ? { ...weeks[0]!.block!, week: 1 } : null,
    }));
    const use = blockUse(a, [], longer);
    use.add(START, "A", ["bridge"]);
    expect(use.at(addDays(START, 5 * 7)).now).toEqual(new Map([["A", new Set(["bridge"])]]));
    expect([...use.at(addDays(START, 6 * 7)).before]).toEqual(["bridge"]);
    // Weeks after it that build nothing up are four at a time.
    expect([...use.at(addDays(START, 7 * 7)).earlier]).toEqual(["bridge"]);
    expect([...use.at(addDays(START, 11 * 7 - 1)).earlier]).toEqual(["bridge"]);
    expect([...use.at(addDays(START, 11 * 7)).earlier]).toEqual([]);
    // What was lifted before the season counts back from its start.
    expect([
      ...blockUse(a, [logOf(addDays(START, -3), [lifted("clam", 0, [10], 3)])], longer).at(START).before,
    ]).toEqual(["clam"]);
  });
  it("keep assistance inside a block and change it with the next, lifts stay", () => {
    const p = plan(athleteWith(), { from: START, weeks: 8 });
    const of = (from: number, kind: "main" | "assist") =>
      new Set(
        p.weeks
          .slice(from, from + 4)
          .flatMap((w) => w.sessions)
          .filter((s) => s.label === "A")
          .flatMap((s) => s.items)
          .filter((i) => i.slot.kind === kind)
          .map((i) => i.exercise.id),
      );
    expect([...of(4, "assist")].filter((id) => of(0, "assist").has(id)).length).toBeLessThan(of(4, "assist").size);
    expect(of(0, "main")).toEqual(of(4, "main"));
  });
});

describe("new work", () => {
  const race = raceOn(addDays(START, 13), "A", 75);
  const log = known("front-squat", "romanian-deadlift", "bridge", "calf-raise", "side-plank", "split-squat");
  const only = new Set(log.flatMap((l) => l.items.map((i) => i.exercise)));
  it("stays out before an A race and with a jump in mileage, where something known is open", () => {
    const near = athleteWith({ races: [race], strengthLog: log });
    const primary = week(near).sessions.flatMap((s) =>
      s.items.filter((i) => ["squat", "hinge"].includes(i.exercise.pattern)),
    );
    expect(primary.length).toBeGreaterThan(0);
    for (const i of primary) expect(only.has(i.exercise.id), i.exercise.id).toBe(true);
    const jump = athleteWith({ endurance: weeksOf([1, 1, 1, 1, 1, 1.25]), strengthLog: log });
    const jumping = week(jump, addDays(START, 28));
    expect(jumping.season.mileage.factor).toBeLessThan(1);
    for (const id of names(jumping).filter((n) => ["front-squat", "back-squat"].includes(n)))
      expect(only.has(id), id).toBe(true);
  });
  it("with slow lowering waits for four days before a key session", () => {
    const stairs = athleteWith({
      endurance: weeksOf(new Array(8).fill(1)),
      strengthLog: known(...everything.filter((id) => id !== "slow-calf-raise")),
      rungs: [{ ladder: "calf", exercise: "slow-calf-raise" }],
    });
    const w = week(stairs);
    const c = contextOf(stairs, SHIPPED_LIBRARY, w, first(w))!;
    expect(c.nothingSlow).toContain("4 days before a key session");
    const calm = athleteWith({ strengthLog: stairs.strengthLog, endurance: [] });
    const quiet = week(calm);
    expect(contextOf(calm, SHIPPED_LIBRARY, quiet, first(quiet))!.nothingSlow).toBeNull();
  });
});

describe("days that differ inside one week", () => {
  const cleared = (date: string) => ({
    clearanceNeeded: true,
    clearance: { date, by: "Dr. Example", limits: "", rules: ["moderate-effort" as const] },
    areas: [],
  });
  it("are not chosen by one another's clearance", () => {
    // Cleared on Wednesday: Tuesday still restores, Thursday lifts with four in reserve.
    const p = week(athleteWith({ health: cleared(addDays(START, 2)) }));
    const on = (offset: number) => p.sessions.find((s) => s.date === addDays(START, offset));
    expect(on(1)?.loading ?? "mobility").toBe("mobility");
    for (const i of on(3)?.items ?? []) if (i.exercise.pattern !== "mobility") expect(i.rir).toBeGreaterThanOrEqual(4);
    expect(on(3)?.items.length).toBeGreaterThan(0);
  });
  it("nor by results and sights of later days", () => {
    const screened = (date: string) =>
      athleteWith({ seen: [{ what: "hip-drop", date }], screening: [{ test: "wall-squat", date, value: 0 }] });
    const adds = (a: Athlete) => week(a).sessions.map((s) => s.items.some((i) => i.added !== null));
    expect(adds(screened(START))).toEqual([true, true]);
    expect(adds(screened(addDays(START, 2)))).toEqual([false, true]);
    const barred = (a: Athlete) => names(week(a)).some((id) => id === "back-squat" || id === "front-squat");
    expect(barred(screened(START))).toBe(false);
    expect(barred(screened(addDays(START, 6)))).toBe(true);
  });
  it("nor is a recent trouble area kept past its twelve weeks", () => {
    const sore = (since: string) =>
      athleteWith({
        health: { clearanceNeeded: false, areas: [{ area: "shoulder", side: "left", status: "recent", since }] },
      });
    const pressed = (a: Athlete) => names(week(a)).includes("front-squat") || names(week(a)).includes("back-squat");
    expect(pressed(sore(addDays(START, -70)))).toBe(false);
    expect(pressed(sore(addDays(START, -90)))).toBe(true);
  });
});

describe("a library of the coach's", () => {
  it("is what the plan chooses from", () => {
    const a = athleteWith();
    const squats = SHIPPED.filter((e) => e.pattern === "squat" && e.id !== "wall-sit").map((e) => e.id);
    const w = week(a, START, { library: makeLibrary([], squats) });
    const used = w.sessions.flatMap((s) => s.items).filter((i) => i.exercise.pattern === "squat");
    expect(used.map((i) => i.exercise.id)).toEqual(used.map(() => "wall-sit"));
    const none = week(a, START, { library: makeLibrary([], [...squats, "wall-sit"]) });
    expect(
      none.sessions
        .flatMap((s) => s.dropped)
        .map((d) => d.why)
        .join(),
    ).toContain("no squat exercise is open here");
  });
});

describe("what set trouble off before", () => {
  const trouble = (setOffBy: string) => ({
    clearanceNeeded: false,
    areas: [{ area: "achilles" as const, side: "left" as const, status: "past" as const, setOffBy }],
  });
  const warned = (a: Athlete, from: string) =>
    week(a, from)
      .why.filter((x) => x.rule === "gate.set-off")
      .map((x) => x.text);
  it("is said where the week comes near it, and nowhere else", () => {
    const from = addDays(START, 28);
    const jump = weeksOf([1, 1, 1, 1, 1, 1.25]);
    expect(warned(athleteWith({ health: trouble("weekly distance"), endurance: jump }), from)[0]).toContain(
      "Near what set the Achilles tendon off before (weekly distance)",
    );
    expect(
      warned(athleteWith({ health: trouble("weekly distance"), endurance: weeksOf([1, 1, 1, 1, 1, 1]) }), from),
    ).toEqual([]);
    const twice = [
      ...weeksOf([1, 1, 1, 1, 1, 1]),
      { date: from, sport: "run" as const, kind: "easy" as const, minutes: 30 },
    ];
    expect(warned(athleteWith({ health: trouble("double days"), endurance: twice }), from)[0]).toContain(
      "two sessions",
    );
    const fast = [
      ...weeksOf([1, 1, 1, 1, 1, 1]),
      { date: addDays(from, 2), sport: "run" as const, kind: "intervals" as const, minutes: 40 },
    ];
    expect(warned(athleteWith({ health: trouble("Added speed, last spring"), endurance: fast }), from)[0]).toContain(
      "more speed work",
    );
    expect(warned(athleteWith({ health: trouble("a fall"), endurance: jump }), from)).toEqual([]);
  });
});
