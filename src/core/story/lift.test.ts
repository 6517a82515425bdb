import { describe, expect, it } from "vitest";
import { athleteWith, gym, lifted, logOf } from "../../../tests/support/athlete";
import { exercise } from "../../../tests/support/choice";
import { shippedApproach } from "../approach/shipped";
import type { LoggedItem } from "../athlete/types";
import { SHIPPED_LIBRARY } from "../exercise/library";
import { plan } from "../plan";
import { nextLoad } from "../progress/next";
import { liftStory } from "./lift";

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

  it("lets a hold grow to the most the approach gives before it asks for a set more", () => {
    const plank = exercise("side-plank");
    const held = (seconds: number): LoggedItem => ({
      exercise: plank.id,
      prescribed: { sets: 2, seconds, rir: 2 },
      sets: [1, 2].map(() => ({ seconds, side: "both" as const })),
    });
    const kindAt = (seconds: number) => {
      const strengthLog = ["2026-02-24", "2026-03-03"].map((date) => logOf(date, [held(seconds)]));
      const athlete = athleteWith({ strengthLog });
      const { season } = plan(athlete, { from: "2026-03-10", weeks: 1 });
      return liftStory(athlete, SHIPPED_LIBRARY, plank, season, "2026-03-10").entries.at(-1)?.decision.kind;
    };
    const most = shippedApproach("layered").rows["base-late"].cells.trunk.seconds[1];
    expect(kindAt(most - 5)).toBe("up-seconds");
    expect(kindAt(most)).toBe("up-sets");
  });
});
