import { describe, expect, it } from "vitest";
import { addDays } from "../../core/dates";
import { plan } from "../../core/plan";
import { checkAthlete } from "../../formats/athlete-file";
import { nobody, practise } from "./practice";

describe("practice", () => {
  it("plans what an athlete's file could hold, with loads from a log, on any day", () => {
    for (let n = 0; n < 14; n++) {
      const today = addDays("2026-02-25", n);
      const athlete = nobody(today);
      expect(checkAthlete(athlete)).toMatchObject({ ok: true });
      const sessions = plan(athlete, { from: today, weeks: 2 }).weeks.flatMap((w) => w.sessions);
      expect(sessions.length).toBeGreaterThan(1);
      expect(sessions.flatMap((s) => s.items).some((i) => i.loadKg !== null)).toBe(true);
    }
  });

  it("ends after the time it is given", () => {
    const begin = performance.now();
    practise("2026-03-03", 1);
    expect(performance.now() - begin).toBeGreaterThanOrEqual(1);
    practise("2026-03-03", 0);
  });
});
