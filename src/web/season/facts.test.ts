import { describe, expect, it } from "vitest";
import type { DoseLine, SeasonView, SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { phaseFacts } from "./facts";

const START = "2026-01-05";
const METRIC = { massUnit: "kg", distanceUnit: "km" } as const;
const line = (pattern: DoseLine["pattern"], sets: number, more: Partial<DoseLine> = {}): DoseLine => ({
  pattern,
  exercise: "x",
  sets,
  reps: 5,
  seconds: null,
  eachSide: false,
  loadKg: 60,
  loading: "bar",
  percent1rm: 83.3,
  rir: 2,
  label: "A",
  ...more,
});
const week = (i: number, more: Partial<SeasonWeekView>): SeasonWeekView =>
  ({
    start: addDays(START, i * 7),
    phase: "build",
    stepBack: false,
    block: { week: 1 },
    done: false,
    sessions: [{ done: false }, { done: false }],
    dose: [],
    ...more,
  }) as unknown as SeasonWeekView;
const view = (weeks: SeasonWeekView[]): SeasonView =>
  ({
    phases: [{ phase: "build", start: START, end: addDays(START, weeks.length * 7 - 1), fixed: false, why: [] }],
    weeks,
  }) as unknown as SeasonView;

describe("the phase table", () => {
  it("speaks of the first and the last loading week, not of step-backs or half-done ones", () => {
    const facts = phaseFacts(
      view([
        week(0, {
          dose: [line("squat", 9)],
          sessions: [{ done: true }, { done: false }] as SeasonWeekView["sessions"],
        }),
        week(1, { dose: [line("squat", 3, { reps: 6, percent1rm: 80.6 })] }),
        week(2, {
          dose: [line("squat", 3), line("split-squat", 3, { loading: "pair", loadKg: 12, percent1rm: null, reps: 6 })],
        }),
        week(3, { stepBack: true, dose: [line("squat", 9)] }),
      ]),
      METRIC,
    ).get(0)!;
    expect(facts).toEqual({
      length: "4 weeks, 1 step-back",
      sessions: "2 a week",
      main: "3×6 to 3×5 @ 81–83%",
      single: "3×6 @ 2×12kg",
    });
  });
  it("says a flat line once, the last week's load where no percent is known, and outside of blocks the fullest week", () => {
    const held = (more: Partial<DoseLine>) => ({ dose: [line("hinge", 2, { percent1rm: null, ...more })] });
    const of = (...weeks: Partial<SeasonWeekView>[]) =>
      phaseFacts(view(weeks.map((w, i) => week(i, w))), METRIC).get(0)!.main;
    expect(of(held({}), held({}))).toBe("2×5 @ 60kg");
    expect(of(held({}), held({ loadKg: 65 }))).toBe("2×5 @ 65kg");
    expect(of(held({ loading: "bodyweight", loadKg: null }))).toBe("2×5 @ body");
    expect(of(held({ percent1rm: 83.3 }), held({ loadKg: 65 }))).toBe("2×5 @ 65kg");
    const out = (sets: number): Partial<SeasonWeekView> => ({ block: null, dose: [line("squat", sets)] });
    expect(of(out(2), out(3), out(1))).toBe("3×5 @ 83%");
  });
  it("says done where nothing is planned any more, none where nothing is asked for", () => {
    expect(phaseFacts(view([week(0, { done: true })]), METRIC).get(0)!.main).toBe("done");
    expect(phaseFacts(view([week(0, { sessions: [] })]), METRIC).get(0)!).toMatchObject({
      main: "none",
      sessions: "none",
      length: "1 week",
    });
  });
  it("gives a range of sessions where weeks differ", () => {
    const three = [{ done: false }, { done: false }, { done: false }] as SeasonWeekView["sessions"];
    expect(phaseFacts(view([week(0, {}), week(1, { sessions: three })]), METRIC).get(0)!.sessions).toBe("2–3 a week");
  });
});
