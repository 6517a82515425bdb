import fc from "fast-check";
import highsLoader from "highs";
import { describe, expect, it } from "vitest";
import type { EnduranceSession } from "../../src/core/athlete/types";
import { addDays, dayNumber } from "../../src/core/dates";
import { fitWeek } from "../../src/core/week/fit";
import { blockedByEndurance, blockedByOther, ownCosts, pairCosts } from "../../src/core/week/rules";
import type { Demand, Option, WeekContext } from "../../src/core/week/types";

const MONDAY = "2026-03-02";
const LEFT_OUT = 100_000;
const price = { A: 10, B: 9, C: 8, D: 7 } as const;

const option = (label: Option["label"]): fc.Arbitrary<Option> =>
  fc
    .record({
      offset: fc.integer({ min: 0, max: 6 }),
      start: fc.constantFrom(390, 720, 1050, 1140),
      minutes: fc.integer({ min: 20, max: 75 }),
      heavy: fc.boolean(),
      loaded: fc.boolean(),
      lost: fc.constantFrom(0, 0, 0.3),
    })
    .map((o) => ({
      label,
      date: addDays(MONDAY, o.offset),
      day: dayNumber(MONDAY) + o.offset,
      start: o.start,
      minutes: o.minutes,
      place: "gym",
      lowerLoaded: o.loaded || o.heavy,
      heavy: o.heavy,
      mobility: false,
      stress: 200,
      lostShare: o.lost,
      unloaded: false,
      thin: false,
      softRaces: [],
      locked: false,
    }));

const distinct = (label: Option["label"]) =>
  fc.uniqueArray(option(label), { selector: (o) => `${o.day}/${o.start}`, minLength: 1, maxLength: 7 });

const endurance: fc.Arbitrary<EnduranceSession[]> = fc.array(
  fc.record({
    date: fc.integer({ min: 0, max: 7 }).map((d) => addDays(MONDAY, d)),
    start: fc.constantFrom("06:00", "12:30", "18:00"),
    sport: fc.constantFrom("run" as const, "ride" as const, "swim" as const),
    kind: fc.constantFrom("easy" as const, "intervals" as const, "long" as const),
    minutes: fc.integer({ min: 30, max: 150 }),
  }),
  { maxLength: 7 },
);

const contextOf = (sessions: EnduranceSession[], placement: "stack" | "spread"): WeekContext => {
  const keyDays = new Set(sessions.filter((e) => e.kind !== "easy").map((e) => dayNumber(e.date)));
  return { endurance: sessions, standing: [], placement, weights: {}, keyDays, hasKey: keyDays.size > 0 };
};

const sum = (costs: readonly { points: number }[]) => costs.reduce((a, c) => a + c.points, 0);

/** The same week as a mixed-integer program, solved by HiGHS: pairs of heavy sessions become linearised products. */
async function byHighs(demands: readonly Demand[], c: WeekContext): Promise<number> {
  const highs = await highsLoader();
  const objective: string[] = [];
  const rows: string[] = [];
  const binary: string[] = [];
  const names = demands.map((d, i) =>
    d.options.map((o, k) => ({ o, name: `x${i}_${k}` })).filter(({ o }) => !blockedByEndurance(o, c)),
  );
  demands.forEach((d, i) => {
    const own = names[i] ?? [];
    for (const { o, name } of own) {
      objective.push(`${sum(ownCosts(o, c))} ${name}`);
      binary.push(name);
    }
    objective.push(`${LEFT_OUT * price[d.label]} out${i}`);
    binary.push(`out${i}`);
    rows.push(`one${i}: ${[...own.map((n) => n.name), `out${i}`].join(" + ")} = 1`);
  });
  names.forEach((from, i) => {
    names.slice(i + 1).forEach((to, j) => {
      for (const a of from)
        for (const b of to) {
          if (blockedByOther(a.o, b.o)) rows.push(`m${a.name}${b.name}: ${a.name} + ${b.name} <= 1`);
          const p = sum(pairCosts(a.o, b.o, c));
          if (p > 0) {
            const y = `y${i}_${i + 1 + j}_${a.name}${b.name}`;
            objective.push(`${p} ${y}`);
            binary.push(y);
            rows.push(`p${y}: ${a.name} + ${b.name} - ${y} <= 1`);
          }
        }
    });
  });
  const model = `Minimize\n obj: ${objective.join(" + ")}\nSubject To\n ${rows.join("\n ")}\nBinary\n ${binary.join("\n ")}\nEnd`;
  const solved = highs.solve(model);
  if (solved.Status !== "Optimal") throw new Error(solved.Status);
  return Math.round(solved.ObjectiveValue);
}

const totalOf = (demands: readonly Demand[], c: WeekContext): number => {
  const fit = fitWeek(demands, c);
  return fit.cost + fit.unplaced.reduce((a, u) => a + LEFT_OUT * price[u.label], 0);
};

describe("the week fit against general methods", () => {
  it("agrees with a mixed-integer solver (HiGHS) on the least cost", async () => {
    await fc.assert(
      fc.asyncProperty(
        distinct("A"),
        distinct("B"),
        distinct("C"),
        endurance,
        fc.constantFrom("stack" as const, "spread" as const),
        async (a, b, cc, sessions, placement) => {
          const demands: Demand[] = [
            { label: "A", options: a, none: "" },
            { label: "B", options: b, none: "" },
            { label: "C", options: cc, none: "" },
          ];
          const c = contextOf(sessions, placement);
          expect(totalOf(demands, c)).toBe(await byHighs(demands, c));
        },
      ),
      { numRuns: 60, seed: 12 },
    );
  });

  it("adds its cost up from the rules it names, and alternatives never cost less", () => {
    fc.assert(
      fc.property(distinct("A"), distinct("B"), endurance, (a, b, sessions) => {
        const fit = fitWeek(
          [
            { label: "A", options: a, none: "" },
            { label: "B", options: b, none: "" },
          ],
          contextOf(sessions, "stack"),
        );
        expect(sum(fit.costs)).toBe(fit.cost);
        const days = (list: readonly { date: string; label: string }[]) =>
          list.map((s) => `${s.label}${s.date}`).join();
        const seen = new Set([days(fit.placed)]);
        for (const alt of fit.alternatives) {
          expect(alt.cost).toBeGreaterThanOrEqual(fit.cost);
          expect(seen.has(days(alt.sessions))).toBe(false);
          seen.add(days(alt.sessions));
        }
      }),
    );
  });
});
