/** Every must-hold rule, for every generated season. */
import { describe, expect, it } from "vitest";
import { checkPhases, checkRaceWeeks, checkSessions, checkSpacing } from "../support/mustHold";
import { lifters, people, seasons } from "./corpus";
import { jumping } from "./jumps";

describe("every must-hold rule", () => {
  it("is kept in every generated season, whichever approach it follows", () => {
    let [compared, loaded, looked] = [0, 0, 0];
    for (const { athlete: a, plan: p } of [...seasons(), ...lifters(), ...jumping(), ...people()]) {
      looked++;
      checkPhases(a, p);
      for (const w of p.weeks) checkSessions(a, w);
      checkSpacing(p);
      compared += checkRaceWeeks(a, p).compared;
      loaded += p.weeks.flatMap((w) => w.sessions.flatMap((s) => s.items)).filter((i) => i.loadKg !== null).length;
    }
    expect(looked).toBeGreaterThanOrEqual(300);
    expect(compared).toBeGreaterThan(10);
    expect(loaded).toBeGreaterThan(500);
  });
});
