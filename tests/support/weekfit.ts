/** Weeks for the fit, and the same week as a mixed-integer program for a general solver. */
import fc from "fast-check";
import highsLoader from "highs";
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

export const distinct = (label: Option["label"]) =>
  fc.uniqueArray(option(label), { selector: (o) => `${o.day}/${o.start}`, minLength: 1, maxLength: 7 });

export const endurance: fc.Arbitrary<EnduranceSession[]> = fc.array(
  fc.record({
    date: fc.integer({ min: 0, max: 7 }).map((d) => addDays(MONDAY, d)),
    start: fc.constantFrom("06:00", "12:30", "18:00"),
    sport: fc.constantFrom("run" as const, "ride" as const, "swim" as const),
    kind: fc.constantFrom("easy" as const, "intervals" as const, "long" as const),
    minutes: fc.integer({ min: 30, max: 150 }),
  }),
  { maxLength: 7 },
);

export const contextOf = (sessions: EnduranceSession[], placement: "stack" | "spread"): WeekContext => {
  const keyDays = new Set(sessions.filter((e) => e.kind !== "easy").map((e) => dayNumber(e.date)));
  return { endurance: sessions, standing: [], placement, weights: {}, keyDays, hasKey: keyDays.size > 0 };
};

export const sum = (costs: readonly { points: number }[]) => costs.reduce((a, c) => a + c.points, 0);

let loaded: ReturnType<typeof highsLoader> | null = null;
const solver = () => (loaded ??= highsLoader());

/** The same week as a mixed-integer program, solved by HiGHS: pairs of heavy sessions become linearised products. */
export async function byHighs(demands: readonly Demand[], c: WeekContext): Promise<number> {
  const highs = await solver();
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

export const totalOf = (demands: readonly Demand[], c: WeekContext): number => {
  const fit = fitWeek(demands, c);
  return fit.cost + fit.unplaced.reduce((a, u) => a + LEFT_OUT * price[u.label], 0);
};

/**
 * Windows of a whole week, shared by its one to four sessions; what a session would be in each differs.
 * @param most windows
 * @param starts hours in each window, a quarter apart
 */
export const weekOf = (most: number, starts = 1): fc.Arbitrary<Demand[]> =>
  fc
    .tuple(
      fc.integer({ min: 1, max: 4 }),
      fc.uniqueArray(
        fc.record({ offset: fc.integer({ min: 0, max: 6 }), start: fc.constantFrom(390, 720, 1050, 1140) }),
        {
          selector: (w) => `${w.offset}/${w.start}`,
          minLength: 4,
          maxLength: most,
        },
      ),
      fc.array(
        fc.record({
          heavy: fc.boolean(),
          loaded: fc.boolean(),
          lost: fc.constantFrom(0, 0, 0.3),
          there: fc.integer({ min: 0, max: 9 }),
        }),
        {
          minLength: 80,
          maxLength: 80,
        },
      ),
    )
    .map(([n, windows, kinds]) =>
      (["A", "B", "C", "D"] as const).slice(0, n).map(
        (label, i): Demand => ({
          label,
          none: "",
          options: windows.flatMap((w, k): Option[] => {
            const kind = kinds[(i * 20 + k) % kinds.length]!;
            if (kind.there === 0) return [];
            return Array.from(
              { length: starts },
              (_, quarter): Option => ({
                label,
                date: addDays(MONDAY, w.offset),
                day: dayNumber(MONDAY) + w.offset,
                start: w.start + 15 * quarter,
                minutes: 55,
                place: "gym",
                lowerLoaded: kind.loaded || kind.heavy,
                heavy: kind.heavy,
                mobility: false,
                stress: 200,
                lostShare: kind.lost,
                unloaded: false,
                thin: false,
                softRaces: [],
                locked: false,
              }),
            );
          }),
        }),
      ),
    );
