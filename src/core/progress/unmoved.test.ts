import { describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, weeksOf } from "../../../tests/support/athlete";
import { addDays } from "../dates";
import { plan } from "../plan";
import { standsStill, unmovedLifts } from "./unmoved";

const ON = "2026-03-09";
const at = (ago: number, kg: number, rir = 2, reps = [5, 5, 5]) =>
  logOf(addDays(ON, -ago), [lifted("back-squat", kg, reps, rir, { rir })]);
const still = (...logs: ReturnType<typeof at>[]) => unmovedLifts(logs, ON).has("back-squat");

describe("a lift that stands still", () => {
  it("three loading exposures without more than 1% more", () => {
    const of = (...kg: number[]) => kg.map((v) => ({ kg: v, reps: 5 }));
    expect(standsStill(of(100, 100, 100))).toBe(true);
    expect(standsStill(of(101, 100.5, 100))).toBe(true);
    expect(standsStill(of(101.1, 100, 100))).toBe(false);
    expect(standsStill(of(100, 101.1, 100))).toBe(false);
    expect(standsStill(of(90, 95, 100))).toBe(true);
    expect(standsStill(of(100, 100))).toBe(false);
  });

  it("compares the e1RM: repetitions or reserve more are a move, also with less load", () => {
    const last = (kg: number, reps: number, rir?: number) =>
      standsStill([
        { kg, reps, ...(rir === undefined ? {} : { rir }) },
        { kg: 100, reps: 5 },
        { kg: 100, reps: 5 },
      ]);
    // Five repetitions are 112.5 kg by Brzycki (36 / 32), six of 97.8 kg 113.6 and of 97.9 kg 113.7: 1% more is 113.6.
    expect([last(100, 6), last(97.9, 6), last(97.8, 6), last(100, 5)]).toEqual([false, false, true, true]);
    expect([last(100, 5, 1), last(97.8, 5, 1), last(97.9, 5, 1)]).toEqual([false, true, false]);
  });

  it("by the log: light work, single sets and what is older than eight weeks say nothing", () => {
    expect(still(at(4, 60), at(11, 60), at(18, 60))).toBe(true);
    expect(still(at(4, 62.5), at(11, 60), at(18, 60))).toBe(false);
    expect(still(at(4, 60), at(11, 60), at(18, 60, 4))).toBe(false);
    expect(still(at(4, 60), at(11, 60), at(18, 60, 2, [5]))).toBe(false);
    expect(still(at(4, 60), at(11, 60), at(56, 60))).toBe(true);
    expect(still(at(4, 60), at(11, 60), at(57, 60))).toBe(false);
  });

  it("gives its place to a sister lift when the next block begins, which says so; inside its block it stays", () => {
    const endurance = weeksOf(new Array(30).fill(1));
    const blocks = plan(athleteWith({ endurance }), { weeks: "season" }).weeks;
    const second = blocks.find((w) => w.season.block?.week === 1 && w.season.block.nth === 2)!.season.start;
    const squatOn = (from: string, flat: boolean) => {
      const strengthLog = [25, 18, 11].map((ago, n) =>
        logOf(addDays(second, -ago), [lifted("back-squat", flat ? 60 : 60 + n * 5, [5, 5, 5], 2)]),
      );
      const log = strengthLog.filter((s) => s.date < from);
      const items = plan(athleteWith({ endurance, strengthLog: log }), { from, weeks: 1 }).weeks[0]!.sessions.flatMap(
        (s) => s.items,
      );
      return items.find((i) => i.main && i.exercise.pattern === "squat")!;
    };
    expect(squatOn(second, false).exercise.id).toBe("back-squat");
    const sister = squatOn(second, true);
    expect(sister.exercise.id).not.toBe("back-squat");
    expect(sister.why.some((w) => w.rule === "choice.unmoved" && w.text.includes("back squat"))).toBe(true);
    expect(squatOn(addDays(second, -7), true).exercise.id).toBe("back-squat");
  });
});
