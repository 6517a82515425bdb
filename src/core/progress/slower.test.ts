import { describe, expect, it } from "vitest";
import { athleteWith, home } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import type { LoggedItem } from "../athlete";
import { addDays } from "../dates";
import type { LoadQuestion } from "../session";
import type { PlannedLift } from "./basis";
import { nextLoad } from "./next";
import { packFor } from "./pack";
import { slowerStep } from "./slower";

const BLOCK = "2026-03-02";
const e = { tempo: "2-0-1" };
const planned = (more: Partial<PlannedLift>): PlannedLift => ({
  block: BLOCK,
  point: 2,
  of: 3,
  slower: 1,
  load: null,
  ...more,
});
const logged = (reps: number[], more: Partial<LoggedItem> = {}, tempo = "3-0-1"): LoggedItem => ({
  exercise: "split-squat",
  prescribed: { sets: 3, reps: 10, tempo },
  sets: reps.map((r) => ({ reps: r, side: "both" as const })),
  ...more,
});

describe("slower at a block's end", () => {
  it("as planned: a step more after a block that was planned to its end, the same inside a block", () => {
    expect(slowerStep(e, BLOCK, [], planned({}))).toBe(1);
    expect(slowerStep(e, BLOCK, [], planned({ block: "2026-02-02" }))).toBe(2);
    expect(slowerStep(e, BLOCK, [], planned({ block: "2026-02-02", point: 1 }))).toBe(1);
    expect(slowerStep(e, BLOCK, [], undefined)).toBe(0);
  });

  it("as logged: a step more once the work of an earlier block was done without pain", () => {
    const before = (item: LoggedItem) => slowerStep(e, BLOCK, [{ date: "2026-02-26", item }], undefined);
    expect(before(logged([10, 10, 10]))).toBe(2);
    expect(before(logged([10, 10, 9]))).toBe(1);
    expect(before(logged([10, 10]))).toBe(1);
    expect(before(logged([10, 10, 10], { pain: 2 }))).toBe(2);
    expect(before(logged([10, 10, 10], { pain: 3 }))).toBe(1);
    expect(slowerStep(e, BLOCK, [{ date: BLOCK, item: logged([10, 10, 10]) }], undefined)).toBe(1);
  });
});

describe("the pack of a hiker", () => {
  it("as planned, at most two kilograms over what was carried in two weeks", () => {
    expect(packFor(12, 10)).toEqual({ kg: 12, held: false });
    expect(packFor(12.1, 10)).toEqual({ kg: 12, held: true });
    expect(packFor(5, 0)).toEqual({ kg: 2, held: true });
  });

  const place = { ...home, rucksack: { emptyKg: 1, maxKg: 20, stepKg: 1 } };
  const hike = (date: string, packKg: number) => ({
    date,
    sport: "hike" as const,
    kind: "easy" as const,
    minutes: 90,
    packKg,
  });
  const load = (
    id: string,
    on: string,
    endurance: ReturnType<typeof hike>[],
    loading: LoadQuestion["loading"] = "pair",
  ) =>
    nextLoad(
      {
        exercise: exercise(id),
        loading,
        place,
        sets: 3,
        repsLow: 8,
        reps: 8,
        seconds: id === "loaded-carry" ? 30 : null,
        rir: 3,
        percent: null,
        capPercent: null,
      },
      {
        athlete: athleteWith({ endurance }, { sport: "hike" }),
        log: [],
        on,
        asOf: on,
        blockStart: on,
        cap: null,
        planned: new Map(),
      },
    );

  it("loads step-ups and carries; a pair is half of it in each hand", () => {
    const hikes = [hike("2026-03-01", 9), hike("2026-03-07", 10)];
    expect(load("step-up", "2026-03-05", hikes).loadKg).toBe(5);
    expect(load("loaded-carry", "2026-03-05", hikes)).toMatchObject({ loadKg: 5, why: [{ rule: "pack.load" }] });
    expect(load("split-squat", "2026-03-05", hikes).loadKg).toBeNull();
    // 14 days back still count, 15 do not.
    expect(load("step-up", "2026-03-05", [hike(addDays("2026-03-05", -14), 7), hike("2026-03-07", 12)]).loadKg).toBe(
      4.5,
    );
    expect(load("step-up", "2026-03-05", [hike(addDays("2026-03-05", -15), 7), hike("2026-03-07", 12)]).loadKg).toBe(1);
  });
});
