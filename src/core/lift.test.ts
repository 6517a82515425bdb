import { describe, expect, it } from "vitest";
import { athleteWith, gym, lifted, logOf } from "../../tests/support/athlete";
import { exercise } from "../../tests/support/choice";
import type { LoggedItem } from "./athlete/types";
import { SHIPPED_LIBRARY } from "./exercise/library";
import { liftStory } from "./lift";
import { nextLoad } from "./progress/next";

const step = exercise("step-down-loaded");
const dose = { reps: 6, repsLow: 6, rir: 2 };

/** What the page of the lift says of the last log, and what the next session is planned by. */
function both(item: Partial<LoggedItem>, area: boolean) {
  const strengthLog = [logOf("2026-03-03", [{ ...lifted(step.id, 10, [6, 6, 6], 2, dose), ...item }])];
  const athlete = athleteWith({
    strengthLog,
    health: {
      clearanceNeeded: false,
      areas: area ? [{ area: "knee-front", side: "left", status: "current" }] : [],
    },
  });
  const next = nextLoad(
    { exercise: step, loading: "pair", place: gym, sets: 3, seconds: null, percent: null, capPercent: null, ...dose },
    {
      athlete,
      log: strengthLog,
      on: "2026-03-10",
      asOf: "2026-03-10",
      blockStart: "2026-02-16",
      cap: null,
      planned: new Map(),
      areas: area ? ["knee-front"] : [],
    },
  );
  const story = liftStory(athlete, SHIPPED_LIBRARY, step, [], "2026-03-10");
  return { page: story.entries.at(-1)?.decision.kind, plan: next.decision?.kind };
}

describe("the page of a lift", () => {
  it("tells the decision that the plan goes by, a tendon's morning after among it", () => {
    expect(both({}, false)).toEqual({ page: "up-reps", plan: "up-reps" });
    expect(both({ pain: 4, nextDayPain: 1 }, true)).toEqual({ page: "up-reps", plan: "up-reps" });
    expect(both({ pain: 2, nextDayPain: 4 }, true)).toEqual({ page: "down-load", plan: "down-load" });
    expect(both({ pain: 4, nextDayPain: 1 }, false)).toEqual({ page: "same", plan: "same" });
  });
});
