import { describe, expect, it } from "vitest";
import { athleteWith, START, weeksOf } from "../../../tests/support/athlete";
import { memberOn } from "../../../tests/support/demo";
import type { Athlete, Label, WeekChange } from "../athlete/types";
import { windowsOfWeek } from "../athlete/windows";
import { addDays, timeOf } from "../dates";
import { plan } from "../plan";
import { weighPlaces, withEnduranceMoved } from "./board";
import { nearestChanges, withFix } from "./nearest";
import { planWeek } from "./planWeek";

const MONDAY = addDays(START, 9 * 7);
const day = (n: number) => addDays(MONDAY, n);
const base = (change: Partial<Athlete> = {}) => athleteWith({ endurance: weeksOf(new Array(30).fill(1)), ...change });
const weekOf = (a: Athlete, from = MONDAY) => plan(a, { from, weeks: 1 }).weeks[0]!;
const placed = (w: ReturnType<typeof weekOf>, label: Label) => w.sessions.find((s) => s.label === label);
const many = [
  { day: 1, start: "18:00", minutes: 90, place: "gym" },
  { day: 2, start: "17:30", minutes: 90, place: "gym" },
  { day: 4, start: "06:00", minutes: 240, place: "gym" },
  { day: 6, start: "10:00", minutes: 75, place: "home" },
];

describe("the places of a session in hand", () => {
  it("cost what the week costs with the session locked there, and are shut where the planner refuses it", () => {
    let compared = 0;
    let shut = 0;
    for (const n of [0, 1, 2, 3, 4]) {
      const a = { ...memberOn(n), locked: [] };
      const w = plan(a, { from: "2026-03-03", weeks: 2 }).weeks[1]!;
      for (const s of w.sessions) {
        const board = weighPlaces(w.input, w.sessions, s.label);
        expect(board.cost).toBe(w.fit.cost);
        const others = w.sessions.filter((x) => x.label !== s.label);
        for (const p of board.places) {
          const all = [...others, { ...s, date: p.date, start: p.start, place: p.place }];
          const locked = all.map((x) => ({ label: x.label, date: x.date, start: timeOf(x.start), place: x.place }));
          const there = planWeek({ ...w.input, athlete: { ...w.input.athlete, locked } });
          if (p.blocked) {
            shut++;
            expect(there.fit.unplaced.length).toBeGreaterThan(0);
          } else {
            compared++;
            expect(there.fit.cost).toBe(p.cost);
          }
        }
      }
    }
    expect(compared).toBeGreaterThan(20);
    expect(shut).toBeGreaterThan(5);
  });
  it("lie on a grid of quarter hours, and days without one say why", () => {
    const w = weekOf(base({ availability: many }));
    const board = weighPlaces(w.input, w.sessions, "A");
    const thursday = board.places.filter((p) => p.date === day(3)).map((p) => p.start);
    expect(thursday.slice(0, 3)).toEqual([360, 375, 390]);
    expect(board.closed.map((c) => [c.date, c.block.rule])).toContainEqual([day(2), "M1"]);
    expect(Math.min(...board.places.filter((p) => !p.blocked).map((p) => p.cost))).toBe(w.fit.cost);
  });
  it("follow an endurance session that is moved, around what is locked", () => {
    const endurance = [
      { date: day(1), start: "07:00", sport: "run" as const, kind: "intervals" as const, minutes: 60 },
    ];
    const w = weekOf(base({ endurance }));
    const key = w.input.athlete.endurance[0]!;
    const moved = withEnduranceMoved(w.input, key, { date: day(1), start: 17 * 60 });
    expect(placed(w, "A")!.date).toBe(day(1));
    expect(placed(moved, "A")!.date).toBe(day(3));
  });
});

describe("changes of a week", () => {
  const with_ = (...changes: WeekChange[]) => weekOf(base({ availability: many, changes }));
  const plain = weekOf(base({ availability: many }));
  it("skip a session, with its reason, in that week alone", () => {
    const w = with_({ kind: "skip", week: MONDAY, label: "B", reason: "tired" });
    expect(placed(w, "B")).toBeUndefined();
    expect(w.fit.unplaced).toEqual([]);
    expect(w.why.map((x) => x.text)).toContain("Single-leg B is skipped: tired.");
    expect(placed(with_({ kind: "skip", week: addDays(MONDAY, 7), label: "B", reason: "tired" }), "B")).toBeDefined();
  });
  it("shorten a session, and say what it loses", () => {
    const w = with_({ kind: "shorten", week: MONDAY, label: "A", minutes: 25 });
    expect(placed(plain, "A")!.minutes).toBeGreaterThan(25);
    expect(placed(w, "A")!.minutes).toBeLessThanOrEqual(25);
    expect(placed(w, "A")!.items.length).toBeLessThan(placed(plain, "A")!.items.length);
  });
  it("place a missed session on a later day, also where it was locked", () => {
    const missed = { kind: "missed" as const, date: day(1), label: "A" as const };
    const w = with_(missed);
    expect(placed(plain, "A")!.date).toBe(day(1));
    expect(placed(w, "A")!.date > day(1)).toBe(true);
    const locked = [{ date: day(1), start: "17:30", place: "gym", label: "A" as const }];
    expect(placed(weekOf(base({ availability: many, locked, changes: [missed] })), "A")!.date > day(1)).toBe(true);
  });
  it("close a place, or put another in its stead", () => {
    const closed = { kind: "closed" as const, place: "gym", start: MONDAY, end: day(6) };
    const places = (w: WeekChange) =>
      windowsOfWeek(base({ availability: many, changes: [w] }), MONDAY).map((x) => x.place);
    expect(places(closed)).toEqual(["home"]);
    expect(places({ ...closed, end: day(1) })).toEqual(["gym", "home"]);
    expect(places({ ...closed, instead: "home" })).toEqual(["home", "home", "home", "home"]);
  });
  it("open a window of one day, which takes the place of those it overlaps", () => {
    const window = { kind: "window" as const, date: day(1), start: "16:00", minutes: 120, place: "gym" };
    const windows = windowsOfWeek(base({ availability: many, changes: [window] }), MONDAY);
    expect(windows.filter((w) => w.date === day(1))).toEqual([
      { date: day(1), start: 960, minutes: 120, place: "gym" },
    ]);
    expect(windowsOfWeek(base({ availability: many, changes: [window] }), addDays(MONDAY, 7))).toHaveLength(4);
  });
});

describe("the nearest change", () => {
  const run = (d: number, start: string, minutes: number) => ({
    date: day(d),
    start,
    sport: "run" as const,
    kind: "intervals" as const,
    minutes,
  });
  it("is worked out: made, it places the session, and the others keep theirs", () => {
    const tight = [
      base({ availability: [{ day: 2, start: "18:00", minutes: 75, place: "gym" }] }),
      base({
        availability: [
          { day: 2, start: "18:00", minutes: 75, place: "gym" },
          { day: 4, start: "18:00", minutes: 15, place: "gym" },
        ],
      }),
      base({
        endurance: [run(3, "16:00", 60)],
        availability: [
          { day: 2, start: "18:00", minutes: 75, place: "gym" },
          { day: 4, start: "18:00", minutes: 75, place: "gym" },
        ],
      }),
    ];
    const kinds = new Set<string>();
    for (const a of tight) {
      const w = weekOf(a);
      expect(w.fit.unplaced).toHaveLength(1);
      const label = w.fit.unplaced[0]!.label;
      const list = nearestChanges(w.input, label);
      expect(list.length).toBeGreaterThan(0);
      expect(list.map((c) => c.size)).toEqual([...list.map((c) => c.size)].sort((x, y) => x - y));
      for (const c of list) {
        kinds.add(c.fix.kind === "change" ? c.fix.change.kind : "endurance");
        const after = planWeek({ ...w.input, athlete: withFix(w.input.athlete, c.fix) });
        expect(after.fit.unplaced).toEqual([]);
        expect(placed(after, label)).toMatchObject({
          date: c.placed.date,
          start: c.placed.start,
          place: c.placed.place,
        });
        expect(after.fit.cost).toBe(c.cost);
      }
    }
    expect([...kinds].sort()).toEqual(["endurance", "window"]);
  });
  it("is the smallest of its kind: a quarter of an hour less does not do", () => {
    const a = base({
      endurance: [run(3, "16:00", 60)],
      availability: [
        { day: 2, start: "18:00", minutes: 75, place: "gym" },
        { day: 4, start: "18:00", minutes: 75, place: "gym" },
      ],
    });
    const w = weekOf(a);
    const label = w.fit.unplaced[0]!.label;
    const longer = nearestChanges(w.input, label).find((c) => c.text.includes("longer"))!;
    if (longer.fix.kind !== "change" || longer.fix.change.kind !== "window") throw new Error("a window expected");
    const less = { ...longer.fix.change, minutes: longer.fix.change.minutes - 15 };
    const after = planWeek({ ...w.input, athlete: withFix(w.input.athlete, { kind: "change", change: less }) });
    expect(after.fit.unplaced).toHaveLength(1);
  });
  it("is none where nothing is out of place", () => {
    expect(nearestChanges(weekOf(base()).input, "A")).toEqual([]);
  });
});
