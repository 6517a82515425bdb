import { describe, expect, it } from "vitest";
import { CLUB_DAY, clubOn, memberSeason } from "../../tests/support/demo";
import { checkPhases, checkRaceWeeks, checkSessions, checkSpacing } from "../../tests/support/mustHold";
import { growPlan, plan } from "./plan";

describe("the planned season", () => {
  it("keeps every must-hold rule for each athlete of the demo club", () => {
    let [compared, held, loaded, warmed] = [0, 0, 0, 0];
    // From the first day nothing is known of anybody's loads; from today the log says them.
    for (const [n, a] of clubOn().entries())
      for (const p of [plan(a, { from: a.season.start, weeks: "season" }), memberSeason(n)]) {
        const sessions = p.weeks.flatMap((w) => w.sessions);
        loaded += sessions.flatMap((s) => s.items).filter((i) => i.loadKg !== null).length;
        warmed += sessions.filter((s) => s.warmUp.length > 0).length;
        checkPhases(a, p);
        for (const w of p.weeks) checkSessions(a, w);
        checkSpacing(p);
        const race = checkRaceWeeks(a, p);
        compared += race.compared;
        held += race.held;
      }
    expect([compared > 0, held > 0]).toEqual([true, true]);
    expect([loaded > 500, warmed > 100]).toEqual([true, true]);
  });

  it("is the same whether it grows by bits or is made at once", () => {
    for (const a of clubOn().slice(0, 1)) {
      const growing = growPlan(a, { from: CLUB_DAY });
      const [two, none, six] = [growing.weeks(2), growing.weeks(0), growing.weeks(6)];
      expect([none.weeks.length, two.weeks.length, six.weeks.length]).toEqual([0, 2, 6]);
      expect(six.weeks.slice(0, 2)).toEqual(two.weeks);
      for (const [grown, weeks] of [
        [two, 2],
        [none, 0],
        [six, 6],
        [growing.weeks("season"), "season"],
      ] as const)
        expect(JSON.stringify(grown)).toBe(JSON.stringify(plan(a, { from: CLUB_DAY, weeks })));
    }
  });
});
