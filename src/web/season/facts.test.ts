import { describe, expect, it } from "vitest";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { phaseFacts } from "./facts";

const START = "2026-01-05";
const sessions = (n: number) => Array.from({ length: n }, () => ({ done: false })) as SeasonWeekView["sessions"];
const week = (i: number, more: Partial<SeasonWeekView>): SeasonWeekView =>
  ({
    start: addDays(START, i * 7),
    phase: "build",
    stepBack: false,
    sessions: sessions(2),
    line: { percent: 80 + i, main: `3×${6 - i}`, single: "3×8", jumps: null, held: false, done: false },
    ...more,
  }) as unknown as SeasonWeekView;
const view = (weeks: SeasonWeekView[]): SeasonView =>
  ({
    phases: [{ phase: "build", start: START, end: addDays(START, weeks.length * 7 - 1), fixed: false, why: [] }],
    weeks,
  }) as unknown as SeasonView;

describe("the phase table", () => {
  it("says how long a phase is and how many of its weeks step back", () => {
    const facts = phaseFacts(view([week(0, {}), week(1, {}), week(2, {}), week(3, { stepBack: true })])).get(0)!;
    expect(facts).toEqual({
      length: "4 weeks, 1 step-back",
      sessions: "2 a week",
      main: "3×6 to 3×4 at 80–82%",
      single: "3×8",
    });
    expect(phaseFacts(view([week(0, {})])).get(0)!.length).toBe("1 week");
  });
  it("gives a range of sessions where weeks differ, none where nothing is asked for", () => {
    expect(phaseFacts(view([week(0, {}), week(1, { sessions: sessions(3) })])).get(0)!.sessions).toBe("2–3 a week");
    expect(phaseFacts(view([week(0, { sessions: [] })])).get(0)!.sessions).toBe("none");
  });
  it("says work without a percent alone, and none where no week holds any", () => {
    const line = { percent: null, main: "3×10", single: null, jumps: null, held: false, done: false };
    expect(phaseFacts(view([week(0, { line })])).get(0)!).toMatchObject({ main: "3×10", single: "none" });
  });
});
