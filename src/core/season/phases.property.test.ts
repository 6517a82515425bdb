import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { athleteWith, START } from "../../../tests/support/athlete";
import type { Athlete, PhaseSpan, Race } from "../athlete/types";
import { addDays } from "../dates";
import { plan } from "../plan";
import { planPhases } from "./phases";
import { classRule } from "./races";

const DAYS = 200;
const race: fc.Arbitrary<Omit<Race, "id">> = fc.record({
  date: fc.integer({ min: 0, max: DAYS - 1 }).map((d) => addDays(START, d)),
  name: fc.constant("Any race"),
  sport: fc.constantFrom("run" as const, "swim" as const, "other" as const),
  priority: fc.constantFrom("A" as const, "A" as const, "B" as const, "C" as const),
  expectedMinutes: fc.option(fc.integer({ min: 1, max: 3000 }), { nil: undefined }),
  days: fc.integer({ min: 1, max: 9 }),
});
/** Spans that do not overlap, from sorted cut points. */
const own: fc.Arbitrary<PhaseSpan[]> = fc
  .uniqueArray(fc.integer({ min: 0, max: DAYS - 1 }), { maxLength: 6 })
  .chain((cuts) => {
    const sorted = [...cuts].sort((a, b) => a - b);
    const pairs = sorted.flatMap((c, i) =>
      i % 2 === 0 && sorted[i + 1] !== undefined ? [[c, sorted[i + 1]!] as const] : [],
    );
    return fc.tuple(
      ...pairs.map(([a, b]) =>
        fc
          .constantFrom("base", "build", "race", "recovery")
          .map((phase) => ({ phase, start: addDays(START, a), end: addDays(START, b) }) as PhaseSpan),
      ),
    );
  });

const athlete: fc.Arbitrary<Athlete> = fc.tuple(fc.array(race, { maxLength: 7 }), own).map(([races, phases]) =>
  athleteWith({
    season: { start: START, end: addDays(START, DAYS - 1) },
    races: races
      .filter((r) => addDays(r.date, (r.days ?? 1) - 1) <= addDays(START, DAYS - 1))
      .map((r, i) => ({ ...r, id: `r${i}`, name: `Race ${i}.` })),
    phases,
  }),
);

describe("phases of any calendar", () => {
  it("cover the season once, keep the coach's spans, and hold every A race day in a race phase of their own making", () => {
    fc.assert(
      fc.property(athlete, (a) => {
        const { phases } = planPhases(a);
        expect(phases[0]!.start).toBe(a.season.start);
        expect(phases.at(-1)!.end).toBe(a.season.end);
        phases.forEach((p, i) => {
          expect(p.end >= p.start).toBe(true);
          const next = phases[i + 1];
          if (next) expect(next.start).toBe(addDays(p.end, 1));
        });
        const on = (date: string) => phases.find((p) => p.start <= date && date <= p.end)!;
        for (const span of a.phases ?? [])
          for (let d = span.start; d <= span.end; d = addDays(d, 1))
            expect(on(d)).toMatchObject({ phase: span.phase, fixed: true });
        for (const r of a.races) if (r.priority === "A" && !on(r.date).fixed) expect(on(r.date).phase).toBe("race");
      }),
      { numRuns: 1000, seed: 5 },
    );
  });

  it("give every A race its taper and its recovery, unless a warning says why not", () => {
    fc.assert(
      fc.property(athlete, (a) => {
        const { phases, warnings } = planPhases(a);
        const on = (date: string) => phases.find((p) => p.start <= date && date <= p.end)?.phase;
        const said = (codes: string[], name: string) =>
          warnings.some((w) => codes.includes(w.code) && w.text.includes(name));
        for (const r of a.races) {
          if (r.priority !== "A") continue;
          const rule = classRule(r);
          const last = addDays(r.date, (r.days ?? 1) - 1);
          for (let d = 1; d <= rule.raceDays; d++)
            if (on(addDays(r.date, -d)) !== "race")
              expect(said(["taper-cut", "one-racing-period", "recovery-cut"], r.name)).toBe(true);
          for (let d = 1; d <= rule.recoveryDays; d++)
            if (on(addDays(last, d)) !== "recovery")
              expect(said(["recovery-short", "recovery-cut", "one-racing-period"], r.name)).toBe(true);
        }
      }),
      { numRuns: 1000, seed: 7 },
    );
  });

  it("never break the planner", () => {
    fc.assert(
      fc.property(athlete, (a) => {
        const p = plan(a, { weeks: "season" });
        for (const w of p.weeks) {
          expect(new Set(w.sessions.map((s) => s.label)).size).toBe(w.sessions.length);
          expect(new Set(w.sessions.map((s) => s.date)).size).toBe(w.sessions.length);
          for (const s of w.sessions) for (const i of s.items) expect(i.sets).toBeGreaterThan(0);
        }
      }),
      { numRuns: process.env.FIELD_ANCHOR_SEASONS ? 300 : 30, seed: 6 },
    );
  });
});
