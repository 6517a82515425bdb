import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { storedOf } from "../../../tests/support/stored";
import { planSeason } from "../../api/make/planned";
import { applyScenario } from "../../api/make/scenario";
import { seasonView } from "../../api/make/season";
import type { ScenarioBody } from "../../api/requests";
import { addDays } from "../../core/dates";
import { SHIPPED_LIBRARY } from "../../core/exercise/library";
import { stripLayout } from "../section/layout/strip";
import { compareSeasons } from "./compare";

const TODAY = "2026-03-03";
const athlete = athleteWith({
  season: { start: "2026-01-05", end: "2026-08-30" },
  races: [
    { id: "r", date: "2026-06-14", name: "Dyke Marathon", sport: "run", expectedMinutes: 200, priority: "A" },
    { id: "c", date: "2026-04-12", name: "Mill Ten", sport: "run", expectedMinutes: 45, priority: "C" },
  ],
});
const viewOf = (scenario: ScenarioBody) =>
  seasonView(planSeason(storedOf(applyScenario(athlete, scenario)), SHIPPED_LIBRARY, TODAY), TODAY);
const before = viewOf({});

describe("two seasons beside each other", () => {
  it("differ in nothing where nothing was tried", () => {
    const c = compareSeasons(before, viewOf({}));
    expect(c.weeks).toEqual([]);
    expect(c.words).toEqual(["no week changes"]);
    expect(c.before).toEqual(c.after);
  });

  it("say what a moved race does to phases, sessions and weeks ahead, and leave the past alone", () => {
    const races = athlete.races.map((r) => (r.id === "r" ? { ...r, date: "2026-06-28" } : r));
    const after = viewOf({ races });
    const c = compareSeasons(before, after);
    expect(c.words[0]).toBe("Dyke Marathon from Sun\u00a014\u00a0Jun to Sun\u00a028\u00a0Jun");
    expect(c.words.at(-1)).toBe(`${c.weeks.length} weeks change`);
    const build = (v: typeof before) => v.phases.find((p) => p.phase === "build")!.start;
    expect(build(after)).toBe(addDays(build(before), 14));
    expect(c.weeks.length).toBeGreaterThan(5);
    for (const w of c.weeks) expect(w.start >= "2026-03-02").toBe(true);
    const days = (v: typeof before) => Object.values(compareSeasons(v, v).before.days).reduce((a, b) => a + b, 0);
    expect(days(after)).toBe(days(before));
  });

  it("name what was ranked otherwise, left out, and warned of anew", () => {
    const c = compareSeasons(before, viewOf({ races: [{ ...athlete.races[0]!, priority: "B" }] }));
    expect(c.words.slice(0, 2)).toEqual(["Dyke Marathon is a B race instead of A", "Mill Ten left out"]);
    const close = viewOf({
      races: [...athlete.races, { ...athlete.races[0]!, id: "n", name: "Sands Half", date: "2026-07-05" }],
    });
    expect(compareSeasons(before, close).newWarnings.map((w) => w.code)).toContain("one-racing-period");
  });

  it("are drawn to one scale, with the weeks that change marked", () => {
    const input = { view: before, width: 900, height: 160, most: { km: 100, trainingLoad: 2000 } };
    const l = stripLayout({ ...input, changed: new Set([before.weeks[3]!.start]), movedRaces: new Set(["r"]) });
    expect(l.bars.filter((b) => b.changed).map((b) => b.start)).toEqual([before.weeks[3]!.start]);
    expect(l.flags.filter((f) => f.moved).map((f) => f.id)).toEqual(["r"]);
    expect(l.strata.at(-1)!.x1).toBeLessThanOrEqual(l.x1);
    const half = stripLayout({
      ...input,
      most: { km: 200, trainingLoad: 4000 },
      changed: new Set(),
      movedRaces: new Set(),
    });
    half.bars.forEach((b, i) => {
      expect(b.up).toBeCloseTo(l.bars[i]!.up / 2, 9);
      expect(b.down).toBeCloseTo(l.bars[i]!.down / 2, 9);
    });
  });
});
