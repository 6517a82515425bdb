import { describe, expect, it } from "vitest";
import { athleteWith, logOf } from "../../../tests/support/athlete";
import { lengthOf } from "../athlete/logged";
import { SHIPPED_LIBRARY } from "../exercise/library";
import { plan } from "../plan";
import { loggedLegs } from "./heavy";

const log = (exercise: string, reps: number, rir: number | null, loadKg = 60) =>
  logOf("2026-03-02", [{ exercise, sets: [{ reps, loadKg, side: "both", ...(rir === null ? {} : { rir }) }] }]);
const legs = (exercise: string, reps: number, rir: number | null, loadKg?: number) =>
  loggedLegs(log(exercise, reps, rir, loadKg), SHIPPED_LIBRARY.byId);

describe("what a logged session put on the legs", () => {
  it.each([
    ["back-squat", 5, 2, { lowerLoaded: true, heavy: true }],
    ["back-squat", 6, 2, { lowerLoaded: true, heavy: true }],
    ["back-squat", 6, 3, { lowerLoaded: true, heavy: false }],
    ["back-squat", 5, 3, { lowerLoaded: true, heavy: true }],
    ["back-squat", 4, 4, { lowerLoaded: true, heavy: false }],
    ["back-squat", 12, 2, { lowerLoaded: true, heavy: false }],
    ["step-down-loaded", 8, 2, { lowerLoaded: true, heavy: true }],
    ["step-down-loaded", 9, 2, { lowerLoaded: true, heavy: false }],
    ["step-down-loaded", 8, 3, { lowerLoaded: true, heavy: false }],
    ["incline-press", 5, 1, { lowerLoaded: false, heavy: false }],
    ["one-arm-row", 5, 1, { lowerLoaded: false, heavy: false }],
    ["an-exercise-that-is-gone", 5, 1, { lowerLoaded: true, heavy: true }],
  ] as const)("of %s, %i reps with %i in reserve", (exercise, reps, rir, found) => {
    expect(legs(exercise, reps, rir)).toEqual(found);
  });

  it("without load is nothing, and a reserve that was not said is taken as asked, else as two", () => {
    expect(legs("back-squat", 5, 2, 0)).toEqual({ lowerLoaded: false, heavy: false });
    expect(legs("back-squat", 5, null).heavy).toBe(true);
    const asked = log("back-squat", 5, null);
    const item = asked.items[0];
    if (item) item.prescribed = { sets: 1, reps: 5, rir: 6 };
    expect(loggedLegs(asked, SHIPPED_LIBRARY.byId).heavy).toBe(false);
  });

  it("by a name that nobody knows is said, by the day it last stands on; known ones are not", () => {
    const named = [
      { ...log("back-squat", 5, 2), date: "2026-02-24" },
      { ...log("moon-press", 5, 2), date: "2026-02-17" },
      { ...log("moon-press", 5, 2), date: "2026-02-24", label: "B" as const },
    ];
    const { warnings } = plan(athleteWith({ strengthLog: named }), { from: "2026-03-04", weeks: 1 });
    const said = warnings.filter((w) => w.code === "exercise-unknown");
    expect(said.map((w) => w.date)).toEqual(["2026-02-24"]);
    expect(said[0]?.text).toContain('"moon-press"');
  });

  it("lasts fifty minutes where it does not say, wherever it is asked", () => {
    const { minutes: _, rpe: __, ...bare } = log("back-squat", 5, 2);
    expect(lengthOf(bare)).toEqual({ start: 18 * 60, minutes: 50, stress: 300 });
    expect(lengthOf({ start: "07:30", minutes: 40, rpe: 7 })).toEqual({ start: 450, minutes: 40, stress: 280 });
  });

  it("leaves the next day open after rows and presses, and not after squats", () => {
    // One window on the day after; loaded work stands 24 hours apart.
    const availability = [{ day: 3, start: "07:00", minutes: 90, place: "gym" }];
    const next = (exercise: string) => {
      const strengthLog = [{ ...logOf("2026-03-03", log(exercise, 8, 2).items), start: "18:00", minutes: 45 }];
      const week = plan(athleteWith({ availability, strengthLog }), { from: "2026-03-04", weeks: 1 }).weeks[0];
      return week?.sessions.filter((s) => s.date === "2026-03-04" && s.lowerLoaded).length ?? -1;
    };
    expect(next("one-arm-row")).toBe(1);
    expect(next("incline-press")).toBe(1);
    expect(next("back-squat")).toBe(0);
  });
});
