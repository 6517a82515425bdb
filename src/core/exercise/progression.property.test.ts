/** Whatever was logged, an athlete stands on a real step, and what lies above what is open stays closed. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import type { StrengthLog } from "../athlete/types";
import { addDays } from "../dates";
import { closedBecause } from "./choose";
import { SHIPPED_LIBRARY } from "./library";
import { progressionsOf } from "./progression";

const onLadders = SHIPPED_LIBRARY.all.filter((e) => e.ladder).map((e) => e.id);
const logs: fc.Arbitrary<StrengthLog[]> = fc.array(
  fc
    .record({
      day: fc.integer({ min: 0, max: 90 }),
      exercise: fc.constantFrom(...onLadders),
      reps: fc.integer({ min: 1, max: 15 }),
      clean: fc.option(fc.integer({ min: 0, max: 15 }), { nil: undefined }),
      load: fc.option(fc.integer({ min: 1, max: 60 }), { nil: undefined }),
      pain: fc.integer({ min: 0, max: 6 }),
    })
    .map(
      (r): StrengthLog => ({
        date: addDays("2025-11-01", r.day),
        label: "A",
        items: [
          {
            exercise: r.exercise,
            prescribed: { sets: 2, reps: 10, repsLow: 8, rir: 3 },
            sets: [0, 1].map(() => ({
              reps: r.reps,
              rir: 3,
              side: "both" as const,
              ...(r.clean === undefined ? {} : { clean: Math.min(r.clean, r.reps) }),
              ...(r.load === undefined ? {} : { loadKg: r.load }),
            })),
            pain: r.pain,
          },
        ],
      }),
    ),
  { maxLength: 30 },
);
const rung = fc.option(
  fc
    .constantFrom(...SHIPPED_LIBRARY.ladders)
    .chain((ladder) => fc.constantFrom(...SHIPPED_LIBRARY.ladder(ladder).map((e) => ({ ladder, exercise: e.id })))),
  { nil: undefined },
);

describe("progressions", () => {
  it("hold for any log, any training age and any step the coach has set", () => {
    fc.assert(
      fc.property(
        logs,
        rung,
        fc.constantFrom("new" as const, "novice" as const, "trained" as const),
        (log, put, age) => {
          const months = { new: 0, novice: 6, trained: 24 }[age];
          const athlete = athleteWith(
            { strengthLog: log, season: { start: "2026-03-01", end: "2026-06-01" }, ...(put ? { rungs: [put] } : {}) },
            { strengthTrainingMonths: months },
          );
          const progressions = progressionsOf(SHIPPED_LIBRARY, athlete, age, log);
          const c = choiceFor(athlete, { progressions, areas: [] });
          for (const s of progressions.values()) {
            expect(s.steps[s.at], s.ladder).toBeDefined();
            expect(s.open).toBeGreaterThanOrEqual(s.at);
            expect(s.because.length).toBeGreaterThan(5);
            for (const above of s.steps.slice(s.open + 1)) expect(closedBecause(above, c), above.id).not.toBeNull();
            if (put?.ladder === s.ladder && !s.earned) {
              const at = s.steps.findIndex((e) => e.id === put.exercise);
              expect(s.at).toBe(s.back ? at - 1 : at);
            }
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});
