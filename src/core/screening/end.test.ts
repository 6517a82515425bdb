/** When findings are looked at again, and which tests are due (rule finding.end: 4 weeks for findings, 12 for tests, 8 until the coach is asked). */
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { addDays } from "../dates";
import { cleanCap, looksDue, testsDue } from "./end";

const TODAY = "2026-03-03";
const ago = (days: number) => addDays(TODAY, -days);
const texts = (a: ReturnType<typeof athleteWith>) => looksDue(a, TODAY, (w) => `Seen ${w}`).map((w) => w.text);
const failed = (...days: number[]) =>
  athleteWith({ screening: days.map((d) => ({ test: "calf-raise" as const, date: ago(d), left: 10, right: 12 })) });

describe("looks that are due", () => {
  it("come four weeks after a finding was seen, in one line", () => {
    expect(texts(athleteWith({ seen: [{ what: "hip-drop", date: ago(27) }] }))).toEqual([]);
    const two = athleteWith({
      seen: [
        { what: "hip-drop", date: ago(28) },
        { what: "knee-in", date: ago(30) },
      ],
    });
    expect(texts(two)).toEqual(["Look again: seen hip-drop (28 days ago) and seen knee-in (30 days ago)."]);
  });
  it("ask the coach where a test has not passed for eight weeks, counted from its first failure without a pass between", () => {
    expect(texts(failed(55, 20))).toEqual([]);
    expect(texts(failed(56, 20)).join()).toContain("not passed after 8 weeks");
    const passedBetween = failed(90, 20);
    passedBetween.screening.push({ test: "calf-raise", date: ago(40), left: 30, right: 30 });
    expect(texts(passedBetween)).toEqual([]);
  });
});

describe("tests that are due", () => {
  it("are those older than twelve weeks, passed or not, the oldest first", () => {
    const of = (days: number) => ({ test: "side-hold" as const, date: ago(days), left: 60, right: 60 });
    expect(testsDue(athleteWith({ screening: [of(84)] }), TODAY)).toEqual([]);
    const due = testsDue(
      athleteWith({ screening: [of(85), { test: "front-plank", date: ago(100), value: 90 }] }),
      TODAY,
    );
    expect(due.map((d) => d.test)).toEqual(["front-plank", "side-hold"]);
  });
});

describe("the repetitions that were clean", () => {
  it("cap the same movement by the weaker side, and nothing once it is passed", () => {
    const squats = (left: number, right: number) =>
      athleteWith({ screening: [{ test: "single-leg-squat", date: ago(3), left, right }] });
    expect(cleanCap(squats(6, 9), "shallow-single-leg-squat-band", TODAY)?.reps).toBe(6);
    expect(cleanCap(squats(10, 10), "shallow-single-leg-squat-band", TODAY)).toBeNull();
    expect(cleanCap(squats(6, 9), "goblet-squat", TODAY)).toBeNull();
  });
});
