/** Half a year at a bare home climbs (rules slow.strength, grow.unloaded): planned as if each week will be done. */
import { describe, expect, it } from "vitest";
import type { Place, Sport } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { PRIMARY_PATTERNS } from "../../src/core/exercise";
import { type Plan, plan } from "../../src/core/plan";
import type { Item } from "../../src/core/session/types";
import { athleteWith, home, raceOn, START, weeksOf } from "../support/athlete";

const WEEKS = 26;
const MONTH = 4;
const bare: Place = { ...home, id: "home" };

function halfYear(sport: Sport): Plan {
  const endurance = weeksOf(new Array(WEEKS + 4).fill(1)).map((e) => ({
    ...e,
    sport: sport === "triathlon" ? ("run" as const) : sport,
  }));
  const a = athleteWith(
    {
      season: { start: START, end: addDays(START, WEEKS * 7 - 1) },
      places: [bare],
      availability: [2, 4, 6].map((day) => ({ day, start: "18:00", minutes: 60, place: "home" })),
      endurance,
      races: [raceOn(addDays(START, WEEKS * 7 - 3), "A", 75)],
    },
    { sport },
  );
  return plan(a, { weeks: "season" });
}

/** What an exercise asks for beside its repetitions: these move inside a block in any case. */
const workOf = (i: Item): string => `${i.exercise.id} ${i.tempo}${i.slow?.half ? " and a half" : ""} ${i.loadKg ?? ""}`;

describe("half a year at a bare home", () => {
  const seasons = (["run", "triathlon", "ride", "row", "hike"] as const).map((sport) => ({
    sport,
    plan: halfYear(sport),
  }));

  it("at least 90% of months bring another step, tempo, pause or load to each leading pattern; the rest stand at the last step", () => {
    let [looked, changed] = [0, 0];
    const unexplained: string[] = [];
    for (const { sport, plan: p } of seasons)
      for (const pattern of PRIMARY_PATTERNS) {
        let before: Set<string> | null = null;
        for (let m = 0; m * MONTH < WEEKS; m++) {
          const items = p.weeks
            .slice(m * MONTH, (m + 1) * MONTH)
            .filter((w) => !w.season.stepBack)
            .flatMap((w) => w.sessions.flatMap((s) => s.items.filter((i) => i.exercise.pattern === pattern)));
          const now = new Set(items.map(workOf));
          if (before) {
            looked += 1;
            const known = before;
            if ([...now].some((x) => !known.has(x))) changed += 1;
            else if (items.length > 0 && !items.some((i) => i.slow?.half))
              unexplained.push(`${sport} month ${m} ${pattern}`);
          }
          before = now;
        }
      }
    expect(looked).toBeGreaterThan(100);
    expect(unexplained).toEqual([]);
    expect(changed / looked).toBeGreaterThanOrEqual(0.9);
  });

  it("nothing is ever heavy there; maximal weeks are slow strength, in single figures, with 1 to 3 in reserve", () => {
    const sessions = seasons.flatMap(({ plan: p }) => p.weeks.flatMap((w) => w.sessions));
    expect(sessions.filter((s) => s.heavy)).toEqual([]);
    const slow = sessions.filter((s) => s.slow).flatMap((s) => s.items.filter((i) => i.slow?.strength));
    expect(slow.length).toBeGreaterThan(20);
    for (const i of slow) {
      expect(Number(i.tempo.split("-")[0])).toBeGreaterThanOrEqual(3);
      expect(i.rir).toBeGreaterThanOrEqual(1);
      expect(i.rir).toBeLessThanOrEqual(3);
      if (i.exercise.unilateral) expect(i.reps).toBeLessThanOrEqual(9);
    }
    const maximal = sessions.filter((s) => s.emphasis === "maximal" && s.loading === "full" && s.label !== "C");
    expect(
      maximal
        .filter((s) => !s.slow && s.items.some((i) => i.slot.kind !== "assist" && i.exercise.unit === "reps"))
        .map((s) => s.date),
    ).toEqual([]);
  });

  it("new slow lowering takes half its sets in its first week", () => {
    const first = seasons.flatMap(({ plan: p }) =>
      p.weeks.flatMap((w) => w.sessions.flatMap((s) => s.items.filter((i) => i.slow?.isNew && i.line?.point === 0))),
    );
    expect(first.length).toBeGreaterThan(5);
    for (const i of first) expect(i.sets).toBeLessThanOrEqual(2);
  });
});
