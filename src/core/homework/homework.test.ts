import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import type { Athlete, PathwayStage, ScreenTest, Seen } from "../athlete/types";
import { addDays } from "../dates";
import { type HomeworkFacts, homeworkOn } from "./homework";
import { tickedOf } from "./ticks";
import { homeworkLines } from "./words";

/** A Monday. */
const MON = "2026-03-02";
const PLAIN: HomeworkFacts = { loading: "full", today: new Set(), yesterday: new Set(), before: false, off: false };
const banded = { ...home, bands: ["light"] };

const day = (a: Athlete, on: string, more: Partial<HomeworkFacts> = {}) =>
  homeworkOn(choiceFor(a, { on }), { ...PLAIN, ...more });
const doses = (a: Athlete, on: string, more: Partial<HomeworkFacts> = {}) =>
  day(a, on, more).items.map((i) => `${i.name} ${i.dose}`);
const seen = (what: Seen[], date = "2026-02-20", more: Partial<Athlete> = {}) =>
  athleteWith({ places: [gym, banded], seen: what.map((w) => ({ what: w, date })), ...more });
const wayBack = (area: "achilles" | "bone-stress", stage: PathwayStage, since: string) =>
  athleteWith({
    health: {
      clearanceNeeded: false,
      clearance: { date: "2026-01-01", by: "Dr Quill", limits: "" },
      areas: [{ area, side: "left", status: "current", since: "2026-01-02" }],
      pathways: [
        {
          area,
          side: "left",
          since: "2026-01-02",
          steps: [{ stage, date: since, by: "Coach", clinician: "Dr Quill" }],
        },
      ],
    },
  });
const failing = (test: ScreenTest, value: number) =>
  athleteWith({ places: [gym, banded], screening: [{ test, date: "2026-02-20", left: value, right: value }] });

// Doses: 3 x 15 shallow single-leg squats, march holds of 10 s from 5 to 10, the flow of 10 min: common practice, no source.
describe("a day's homework (rule homework.day)", () => {
  it("asks for a finding's daily work as its sentence has it", () => {
    expect(doses(seen(["knee-in"]), MON)).toEqual(["Shallow single-leg squat, band below the knee 3 x 15 a side"]);
  });
  it("takes what a home without a band has", () => {
    expect(doses(seen(["knee-in"], "2026-02-20", { places: [gym, home] }), MON)[0]).toMatch(/^Step-down.* 3 x /);
    // Of a place with bars and machines nothing is at home.
    expect(doses(seen(["knee-in"], "2026-02-20", { places: [gym] }), MON)[0]).toMatch(
      /^Wall-pressed single-leg squat 3 x /,
    );
  });
  it("takes two findings in turn, one a day", () => {
    const a = seen(["knee-in", "hip-drop"]);
    const days = [0, 1, 2, 3].map((n) => day(a, addDays(MON, n)).items.map((i) => i.id));
    expect(days.every((d) => d.length === 1)).toBe(true);
    expect(days[0]).not.toEqual(days[1]);
    expect(days[2]).toEqual(days[0]);
    expect(days[3]).toEqual(days[1]);
  });
  it("halves a finding's work for its last fortnight and ends it after eight weeks", () => {
    const on = (days: number) => doses(seen(["knee-in"], addDays(MON, -days)), MON);
    expect(on(41)).toEqual(["Shallow single-leg squat, band below the knee 3 x 15 a side"]);
    expect(on(42)).toEqual(["Shallow single-leg squat, band below the knee 2 x 15 a side"]);
    expect(on(55)).toEqual(["Shallow single-leg squat, band below the knee 2 x 15 a side"]);
    expect(on(56)).toEqual([]);
  });
  it("has the flow on Tuesday, Thursday and Saturday for what is stiff, and the finding's work on the other days", () => {
    const week = [0, 1, 2, 3, 4, 5, 6].map((n) => day(failing("knee-to-wall", 6), addDays(MON, n)).items);
    expect(week.map((d) => d.map((i) => i.kind).join())).toEqual([
      "finding",
      "flow",
      "finding",
      "flow",
      "finding",
      "flow",
      "finding",
    ]);
    expect(week[1]?.[0]).toMatchObject({ dose: "10 min", seconds: 600 });
    // A finding that is not about range asks for no flow.
    expect(day(seen(["knee-in"]), addDays(MON, 1)).items.map((i) => i.kind)).toEqual(["finding"]);
  });
  it("does not ask twice for what the day's session holds", () => {
    const a = seen(["knee-in"]);
    expect(doses(a, MON, { today: new Set(["shallow-single-leg-squat-band"]) })).toEqual([]);
    expect(doses(a, MON, { today: new Set(["step-down"]) })).toHaveLength(1);
  });
  it("puts activation before the sport's own session, where something is worked on", () => {
    expect(day(seen(["knee-in"]), MON, { before: true }).items.map((i) => i.kind)).toEqual(["finding", "activation"]);
    expect(day(athleteWith(), MON, { before: true }).items).toEqual([]);
  });
  it("keeps the way back's holds daily, its slow work every second day, its loads out of the house", () => {
    const settle = wayBack("achilles", "settle", MON);
    expect(doses(settle, MON)).toEqual(["Long calf hold, both legs 5 x 45 s"]);
    expect(doses(settle, addDays(MON, 1))).toHaveLength(1);
    const move = wayBack("achilles", "move", MON);
    expect(doses(move, MON)).toEqual(["Calf raise, both legs 3 x 15"]);
    expect(doses(move, addDays(MON, 1))).toEqual([]);
    expect(doses(move, addDays(MON, 2))).toHaveLength(1);
    expect(doses(move, MON, { yesterday: new Set(["double-leg-calf-raise"]) })).toEqual([]);
    expect(doses(wayBack("achilles", "load", MON), MON)).toEqual([]);
    expect(doses(wayBack("bone-stress", "move", MON), MON)).toEqual([]);
  });
  it("asks for nothing on a race day or with illness, and for the flow alone while only moving is open", () => {
    const a = failing("knee-to-wall", 6);
    expect(day(a, addDays(MON, 1), { off: true }).items).toEqual([]);
    expect(day(a, MON, { loading: "mobility", before: true }).items).toEqual([]);
    expect(day(a, addDays(MON, 1), { loading: "mobility", before: true }).items.map((i) => i.kind)).toEqual(["flow"]);
  });
  it("leaves new work out where nothing new may come", () => {
    const c = choiceFor(seen(["knee-in"]), { on: MON, nothingNew: "a race is near", known: new Set(["bridge"]) });
    expect(homeworkOn(c, PLAIN).items).toEqual([]);
    const known = { ...c, known: new Set(["shallow-single-leg-squat-band"]) };
    expect(homeworkOn(known, PLAIN).items).toHaveLength(1);
  });
  it("says what the day's minutes do not hold", () => {
    // Flow of 10 min and a short activation fit into 15; of 10 the flow takes all.
    const a = failing("knee-to-wall", 6);
    const whole = day(a, addDays(MON, 1), { before: true });
    expect(whole.items.map((i) => i.kind)).toEqual(["flow", "activation"]);
    expect(whole.left).toEqual([]);
    const short = { ...a, settings: { ruleValues: { "homework.day": { minutes: 10 } } } };
    const d = day(short, addDays(MON, 1), { before: true });
    expect(d.items.map((i) => i.kind)).toEqual(["flow"]);
    expect(d.left.map((l) => [l.name, l.why.text])).toEqual([["Activation", "no room: 10 min a day at most"]]);
    expect(d.minutes).toBe(10);
  });
});

describe("ticks", () => {
  it("count where they were asked for, and only while they stand", () => {
    const homework = [
      { date: MON, item: "toe-tap", done: true },
      { date: MON, item: "activation", done: false },
      { date: addDays(MON, 1), item: "toe-tap", done: true },
    ];
    const asked = [
      { date: MON, items: ["toe-tap", "activation"] },
      { date: addDays(MON, 2), items: ["toe-tap"] },
    ];
    expect(tickedOf({ homework }, asked)).toEqual({ asked: 3, done: 1 });
    expect(tickedOf({}, asked)).toEqual({ asked: 3, done: 0 });
  });
  it("are written on paper by thing, with the days of each", () => {
    const a = seen(["knee-in"]);
    expect(homeworkLines([day(a, MON), day(a, addDays(MON, 2))])).toEqual([
      "Shallow single-leg squat, band below the knee, 3 x 15 a side: Mon, Wed",
    ]);
  });
});
