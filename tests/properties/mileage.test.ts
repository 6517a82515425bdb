/** What the endurance plan promises, on generated plans: 150 in `npm test`, 1,000 in `npm run properties`. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { AmountRule, Athlete, EnduranceSession, Race, Sport } from "../../src/core/athlete/types";
import { addDays, dayNumber, mondayOf } from "../../src/core/dates";
import { isKey } from "../../src/core/endurance";
import { enduranceWeeks, STARTER_SESSIONS, starterWeek, withEndurancePlan } from "../../src/core/mileage";
import { raceShare } from "../../src/core/mileage/races";
import { longShare, type PlannedWeek, sizeOf } from "../../src/core/mileage/week";
import { plan } from "../../src/core/plan";
import { lastRaceDay, raceClass, raceDay } from "../../src/core/season";
import { readAthleteFile, writeAthleteFile } from "../../src/formats/athlete-file";
import { athleteWith } from "../support/athlete";
import { SEASONS } from "./corpus";

const START = "2026-01-05";
const WEEKS = 30;
const SPORTS: readonly Sport[] = ["run", "ride", "row", "hike", "triathlon"];
const RUNS = SEASONS;

const races = fc
  .array(
    fc.record({
      week: fc.integer({ min: 3, max: WEEKS - 8 }),
      day: fc.integer({ min: 0, max: 6 }),
      minutes: fc.constantFrom(20, 29, 60, 120, 200, 300, 400, 600, 700, 1200, 1300, 2000),
      priority: fc.constantFrom("A" as const, "A" as const, "B" as const, "C" as const),
      days: fc.constantFrom(1, 1, 1, 2, 3),
    }),
    { maxLength: 3 },
  )
  .map((list) =>
    list.map(
      ({ week, day, minutes, priority, days }, i): Race => ({
        id: `r${i}`,
        date: addDays(START, 7 * week + day),
        days,
        name: `Race ${i}`,
        sport: "run",
        expectedMinutes: minutes,
        priority,
      }),
    ),
  );

const rules = fc
  .record({
    from: fc.integer({ min: 0, max: 4 }),
    start: fc.integer({ min: 20, max: 120 }),
    more: fc.integer({ min: 0, max: 60 }),
    risePct: fc.integer({ min: 0, max: 10 }),
    stepBackEvery: fc.constantFrom(0, 3, 4),
    stepBackTo: fc.constantFrom(0.7, 0.75, 0.8),
    taper: fc.boolean(),
    restart: fc.boolean(),
  })
  .map(
    ({ from, start, more, ...r }): AmountRule => ({ ...r, from: addDays(START, 7 * from), start, top: start + more }),
  );

const athletes = fc
  .record({
    sport: fc.constantFrom(...SPORTS),
    sessions: fc.integer({ min: STARTER_SESSIONS.least, max: STARTER_SESSIONS.most }),
    races,
    rule: fc.option(rules, { nil: undefined }),
    typed: fc.array(
      fc.record({ week: fc.integer({ min: 0, max: WEEKS - 1 }), amount: fc.integer({ min: 10, max: 140 }) }),
      {
        maxLength: 12,
      },
    ),
    done: fc.array(
      fc.record({
        day: fc.integer({ min: -40, max: 60 }),
        km: fc.integer({ min: 3, max: 40 }),
        kind: fc.constantFrom("easy" as const, "long" as const, "race" as const),
      }),
      { maxLength: 20 },
    ),
  })
  .map((g): Athlete => {
    const unit = g.sport === "triathlon" ? "minutes" : "km";
    const times = unit === "minutes" ? 6 : 1;
    const seen = new Set<number>();
    const { rule } = g;
    return athleteWith(
      {
        season: { start: START, end: addDays(START, 7 * WEEKS - 1) },
        races: g.races,
        endurancePlan: {
          unit,
          usualWeeks: [{ phase: null, sessions: starterWeek(g.sport, g.sessions) }],
          weeks: g.typed
            .filter(({ week }) => !seen.has(week) && seen.add(week))
            .map(({ week, amount }) => ({ week: addDays(START, 7 * week), amount: amount * times })),
          ...(rule ? { rule: { ...rule, start: rule.start * times, top: rule.top * times } } : {}),
        },
        endurance: g.done.map(
          ({ day, km, kind }): EnduranceSession => ({
            date: addDays(START, day),
            sport: g.sport === "triathlon" ? "run" : g.sport,
            kind,
            minutes: km * 6,
            distanceKm: km,
            done: true,
          }),
        ),
      },
      { sport: g.sport },
    );
  });

/** Each checked on every generated plan. */
const everywhere = (check: (a: Athlete, weeks: PlannedWeek[]) => void) =>
  fc.assert(
    fc.property(athletes, (a) => check(a, enduranceWeeks(a))),
    { numRuns: RUNS, seed: 20260303 },
  );

describe("every endurance plan", () => {
  it("meets its amounts within rounding, or says what is missing", () => {
    let met = 0;
    everywhere((a, weeks) => {
      const grid = a.endurancePlan?.unit === "km" ? 0.5 : 5;
      for (const w of weeks) {
        const within = Math.abs(w.amount - w.planned) <= grid * Math.max(1, w.sessions.length / 2) + 1e-6;
        const said = w.why.some((r) => r.rule === "amount.sessions");
        expect(within || said, `${w.week}: ${w.amount} asked, ${w.planned} planned`).toBe(true);
        if (within) met++;
      }
    });
    expect(met).toBeGreaterThan(RUNS);
  });

  it("holds the long session to its share and to a tenth more than the month's longest", () => {
    let held = 0;
    everywhere((a, weeks) => {
      const unit = a.endurancePlan?.unit ?? "km";
      const usual = a.endurancePlan?.usualWeeks[0]?.sessions ?? [];
      const all = withEndurancePlan(a, weeks).endurance;
      for (const w of weeks)
        for (const s of w.sessions) {
          if (s.kind !== "long") continue;
          const day = dayNumber(s.date);
          // The week's own sessions are planned with it, and none of them is behind it.
          const month = all.filter(
            (e) =>
              !w.sessions.includes(e) &&
              e.sport === s.sport &&
              e.kind !== "race" &&
              dayNumber(e.date) < day &&
              dayNumber(e.date) >= day - 30,
          );
          const longest = Math.max(0, ...month.map((e) => sizeOf(e, unit)));
          const size = sizeOf(s, unit);
          if (longest > 0) expect(size).toBeLessThanOrEqual(Math.max(longest * 1.1, unit === "km" ? 0.5 : 5) + 1e-6);
          const share = longShare(s.sport, usual.length);
          if (share !== null)
            expect(size).toBeLessThanOrEqual(Math.max(share * w.amount, unit === "km" ? 0.5 : 5) + 1e-6);
          held++;
        }
    });
    expect(held).toBeGreaterThan(RUNS);
  });

  it("tapers and comes back by the table of the race's class, day by day", () => {
    const TAPER = {
      short: [0.6],
      middle: [0.4, 0.65],
      long: [0.4, 0.65],
      "very long": [0.4, 0.65],
      ultra: [0.4, 0.65],
      "day and night": [0.4, 0.65, 0.8],
    };
    const BACK = {
      short: [0.8, 1],
      middle: [0.6, 0.9, 1],
      long: [0.3, 0.6, 0.8, 1],
      "very long": [0.2, 0.4, 0.6, 0.8, 1],
      ultra: [0.1, 0.25, 0.5, 0.7, 0.85, 1],
      "day and night": [0, 0.15, 0.3, 0.5, 0.7, 0.85, 1],
    };
    let seen = 0;
    everywhere(({ races: list }) => {
      const race = list.find((r) => r.priority === "A");
      if (!race) return;
      const of = raceClass(race);
      for (let out = 1; out <= 28; out++) {
        const at = raceShare(raceDay(race) - out, [race], { taper: true, restart: true });
        expect(at.share).toBe(TAPER[of][Math.ceil(out / 7) - 1] ?? 1);
      }
      for (let after = 1; after <= 56; after++) {
        const at = raceShare(lastRaceDay(race) + after, [race], { taper: true, restart: true });
        expect(at.share).toBe(BACK[of][Math.ceil(after / 7) - 1] ?? 1);
      }
      seen++;
    });
    expect(seen).toBeGreaterThan(RUNS / 4);
  });

  it("leaves what is done and fixed untouched, and plans nothing on a race's own days", () => {
    everywhere((a, weeks) => {
      const all = withEndurancePlan(a, weeks).endurance;
      expect(a.endurance.every((e) => all.includes(e))).toBe(true);
      for (const s of weeks.flatMap((w) => w.sessions))
        expect(a.races.some((r) => dayNumber(s.date) >= raceDay(r) && dayNumber(s.date) <= lastRaceDay(r))).toBe(false);
    });
  });

  it("gives the same bytes from the same file, and comes back from one as it was", () => {
    everywhere((a, weeks) => {
      expect(JSON.stringify(enduranceWeeks(a))).toBe(JSON.stringify(weeks));
      const expanded = withEndurancePlan(a, weeks);
      expect(JSON.stringify(withEndurancePlan(expanded).endurance)).toBe(JSON.stringify(expanded.endurance));
      const read = readAthleteFile(writeAthleteFile(expanded));
      expect(read.ok && JSON.stringify(enduranceWeeks(read.value))).toBe(JSON.stringify(weeks));
    });
  });

  it("leaves weeks without an amount unknown, and they change no dose", () => {
    fc.assert(
      fc.property(athletes, (a) => {
        const { rule: _, ...typed } = a.endurancePlan ?? { unit: "km" as const, usualWeeks: [], weeks: [] };
        const p = plan({ ...a, endurancePlan: typed, endurance: [] }, { weeks: 1 });
        const known = new Set(typed.weeks.map((w) => w.week));
        for (const w of p.season) {
          if (known.has(w.start)) continue;
          expect(w.known).toBe("none");
          expect(w.mileage.factor).toBe(1);
          expect(w.enduranceStepBack).toBe(false);
        }
      }),
      { numRuns: Math.ceil(RUNS / 3), seed: 20260303 },
    );
  });
});

describe("usual weeks to begin from", () => {
  it.each(SPORTS)("of %s never put key sessions on days in a row, and their shares make one", (sport) => {
    for (let n = STARTER_SESSIONS.least; n <= STARTER_SESSIONS.most; n++) {
      const week = starterWeek(sport, n);
      expect(week).toHaveLength(n);
      expect(week.reduce((a, s) => a + (s.share ?? 0), 0)).toBeCloseTo(1, 6);
      const keys = new Set(week.filter((s) => isKey(s)).map((s) => s.day));
      for (const day of keys) expect(keys.has((day % 7) + 1)).toBe(false);
    }
  });
});

describe("growth", () => {
  /** Weeks of one run a day but two, as much as is said. */
  const grown = (amounts: readonly number[]) =>
    plan(
      athleteWith({
        season: { start: START, end: addDays(START, 7 * amounts.length - 1) },
        endurancePlan: {
          unit: "km",
          usualWeeks: [{ phase: null, sessions: starterWeek("run", 5) }],
          weeks: amounts.map((amount, i) => ({ week: mondayOf(addDays(START, 7 * i)), amount })),
        },
      }),
      { weeks: 1 },
    ).season;

  it("of 2.5% a week for 30 weeks with step-backs is never called a jump", () => {
    let loading = 40;
    const amounts = Array.from({ length: 30 }, (_, i) => {
      if (i % 4 === 3) return loading * 0.75;
      if (i > 0) loading *= 1.025;
      return loading;
    });
    expect(grown(amounts).filter((w) => w.mileage.factor < 1 || w.mileage.holdOnly)).toEqual([]);
  });

  it("of 25% in one week is called one, the same week", () => {
    const weeks = grown([40, 41, 42, 43, 54, 43]);
    expect(weeks.map((w) => w.mileage.factor < 1)).toEqual([false, false, false, false, true, false]);
  });
});
