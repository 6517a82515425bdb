/**
 * What an exercise is given, by hand: its point on a line, and percent, repetitions and reserve that say one thing (rules block.line,
 * load.triple, line.limits). Repetitions at a percent are those of the rulebook's examples: 80.6% is eight, 86.2% six, 86.4% five, 75% ten.
 */
import { describe, expect, it } from "vitest";
import { exercise } from "../../../tests/support/choice";
import { inEveryColumn, layeredAt } from "../../../tests/support/dose";
import { request } from "../../../tests/support/session";
import type { Dose, SessionDose } from "../dose";
import { say, why } from "../rulebook";
import { consistent, type DoseAt, doseAt, lineWhy } from "./dosed";
import type { LoadAnswer } from "./types";

type Kind = SessionDose["cells"]["squat"]["kind"];

const dose = (sets: number, reps: number, rir: number): Dose => ({
  ...(layeredAt("maximal").cells.squat.loaded[0] as Dose),
  sets,
  reps,
  rir,
});
const LOADED = [dose(2, 3, 1), dose(3, 6, 3)];
const UNLOADED = [dose(1, 8, 2), dose(2, 9, 2), dose(3, 10, 2)];
const onLine = (kind: Kind, point: number) =>
  request({
    dose: inEveryColumn(layeredAt("maximal"), { kind, loaded: LOADED, unloaded: UNLOADED }),
    placeFor: () => ({ point, why: [why("block.place", "ahead")] }),
  });

describe("the dose of an exercise", () => {
  const at = (kind: Kind, point: number, id = "back-squat", external = true) =>
    doseAt(exercise(id), "squat", external, onLine(kind, point));

  it("is that of its point, at most the line's last", () => {
    expect([0, 1, 9].map((p) => at("line", p).dose)).toEqual([LOADED[0], LOADED[1], LOADED[1]]);
    expect([0, 1, 9].map((p) => at("line", p).line)).toEqual([
      { point: 0, of: 2 },
      { point: 1, of: 2 },
      { point: 1, of: 2 },
    ]);
    expect(at("line", 2, "back-squat", false)).toMatchObject({ dose: UNLOADED[2], line: { point: 2, of: 3 } });
    expect(at("line", 0).why.map((w) => w.rule)).toEqual(["block.place"]);
  });
  it("is the first of a row, a hold or a step-back, which no log moves", () => {
    for (const kind of ["row", "hold", "step-back"] as const)
      expect(at(kind, 1)).toMatchObject({ kind, dose: LOADED[0], line: null, why: [] });
  });
  it("on one leg keeps five repetitions and two in reserve where a load builds", () => {
    const one = { ...LOADED[0], reps: 5, rir: 2 };
    expect(at("line", 0, "split-squat").dose).toEqual(one);
    expect(at("step-back", 0, "split-squat").dose).toEqual(one);
    expect(at("line", 1, "split-squat").dose).toEqual(LOADED[1]);
    for (const kind of ["row", "hold"] as const) expect(at(kind, 0, "split-squat").dose).toBe(LOADED[0]);
    expect(at("line", 0, "split-squat", false).dose).toBe(UNLOADED[0]);
    expect(at("line", 0).dose).toBe(LOADED[0]);
  });
});

describe("percent, repetitions and reserve", () => {
  const answer = (percent1rm: number | null, more: Partial<LoadAnswer> = {}): LoadAnswer => ({
    loadKg: 60,
    perSideKg: [],
    barKg: null,
    percent1rm,
    why: [],
    ...more,
  });
  const aim = (kg: number, percent: number | null) => ({ aim: { kg, percent, capped: false } });
  const of = (reps: number | null, rir: number, a: LoadAnswer, most = 6) => {
    const { why: reasons, ...made } = consistent(reps, rir, most, a, request());
    return [made.reps, made.rir, made.percent1rm, reasons.map((w) => w.text).join()];
  };

  it("stay as they are where the load is not known, or nothing is counted", () => {
    expect(of(null, 2, answer(75))).toEqual([null, 2, 75, ""]);
    expect(of(5, 2, answer(null))).toEqual([5, 2, null, ""]);
    expect(of(5, 2, answer(75, { loadKg: null }))).toEqual([5, 2, 75, ""]);
    expect(of(6, 2, answer(80.6))).toEqual([6, 2, 80.6, ""]);
  });
  it("a room's steps alone are made good by repetitions, up to the row's last", () => {
    const told = (reps: number, left: number) => `60 kg is 75% here: ${reps} repetitions leave ${left} in reserve.`;
    // 64 kg were 80% of the same 1RM.
    expect(of(5, 2, answer(75, aim(64, 80)))).toEqual([6, 4, 75, told(6, 4)]);
    expect(of(5, 2, answer(75, aim(64, 80)), 9)).toEqual([8, 2, 75, told(8, 2)]);
    // Shown to a tenth: 75.1 is the same, 75.2 is not.
    expect(of(5, 2, answer(75, aim(60, 75.1)))[0]).toBe(6);
    expect(of(5, 2, answer(75, aim(60, 75.2)))[0]).toBe(5);
    // Nothing may go up, nothing says the percent, or nothing was aimed at.
    expect(of(5, 2, answer(75, { ...aim(64, 80), capped: true }))).toEqual([5, 5, 75, told(5, 5)]);
    expect(of(5, 2, answer(75, aim(64, null)))).toEqual([5, 5, 75, told(5, 5)]);
    expect(of(5, 2, answer(75))).toEqual([5, 5, 75, told(5, 5)]);
    expect(of(6, 2, answer(75, aim(64, 80)))).toEqual([6, 4, 75, told(6, 4)]);
  });
  it("the lightest load there is asks for fewer, never for none", () => {
    expect(of(5, 3, answer(86.2, aim(50, 70)))).toEqual([
      3,
      3,
      86.2,
      "60 kg is 86% here: 3 repetitions leave 3 in reserve.",
    ]);
    expect(of(3, 6, answer(86.4, aim(50, 70))).slice(0, 2)).toEqual([1, 4]);
    expect(of(3, 1, answer(101, aim(50, 70))).slice(0, 2)).toEqual([1, 0]);
    expect(of(2, 5, answer(86.2, aim(50, 70))).slice(0, 2)).toEqual([1, 5]);
  });
  it("a load that was earned is the percent that is asked for", () => {
    expect(of(6, 2, answer(86.2, aim(60, 80)))).toEqual([6, 2, 80.6, ""]);
    expect(of(6, 2, answer(86.2))).toEqual([6, 2, 80.6, ""]);
    // More than twenty to failure have no percent.
    expect(of(20, 3, answer(50))).toEqual([20, 3, 50, ""]);
  });
  it("more than five in reserve are not told apart", () => {
    expect(of(4, 2, answer(75)).slice(0, 2)).toEqual([4, 6]);
    expect(of(3, 2, answer(75)).slice(0, 2)).toEqual([3, 6]);
    expect(of(5, 9, answer(null)).slice(0, 2)).toEqual([5, 6]);
  });
});

describe("what a line says of an item", () => {
  const ahead = say("block.place", "ahead");
  const v = { sets: 3, amount: "5", percent: 85, reserve: 1 };
  const at = (kind: Kind, line: DoseAt["line"]): DoseAt => ({
    kind,
    dose: LOADED[0] as Dose,
    line,
    why: [
      { rule: "block.place", text: ahead },
      { rule: "block.place", text: "Held." },
    ],
  });
  it("its point counted from one; that it is planned ahead of leads alone", () => {
    const of = (leads: boolean) => lineWhy(at("line", { point: 1, of: 4 }), v, leads);
    expect(of(true).map((w) => w.rule)).toEqual(["block.line", "block.place", "block.place"]);
    expect(
      of(false)
        .map((w) => w.text)
        .slice(1),
    ).toEqual(["Held."]);
    expect(of(true)[0]?.text).toMatch(/\b2\b.*\b4\b/);
  });
  it("a step-back and a hold in their own words, a row nothing", () => {
    const rules = (kind: Kind) => lineWhy(at(kind, null), v, true).map((w) => w.rule);
    expect([rules("step-back"), rules("hold"), rules("row")]).toEqual([["stepback.line"], ["hold.line"], []]);
  });
});
