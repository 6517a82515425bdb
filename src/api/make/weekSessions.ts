/** Strength sessions of a week, lifted and planned, as the drawings show them. */

import { lengthOf, type StrengthLog } from "../../core/athlete";
import { type Library, PATTERNS, type Pattern } from "../../core/exercise";
import type { PlanSession } from "../../core/plan";
import { loggedLegs } from "../../core/session";
import type { Band, WeekSession } from "../views";

/** Sets by pattern, in the order of the patterns. */
export function bandsOf(sets: readonly [Pattern, number][]): Band[] {
  const sums = new Map<Pattern, number>();
  for (const [pattern, n] of sets) sums.set(pattern, (sums.get(pattern) ?? 0) + n);
  return PATTERNS.flatMap((pattern) => (sums.get(pattern) ? [{ pattern, sets: sums.get(pattern) ?? 0 }] : []));
}

export const sessionOfPlan = (s: PlanSession): WeekSession => ({
  label: s.label,
  date: s.date,
  start: s.start,
  minutes: s.minutes,
  stress: s.stress,
  bands: bandsOf(s.items.map((i) => [i.exercise.pattern, i.sets])),
  done: false,
  locked: s.locked,
  heavy: s.heavy,
  slow: s.slow,
});

/** Sets of a logged item; two sides of one set count once. */
export const setsOf = (item: StrengthLog["items"][number]): number => {
  const right = item.sets.filter((s) => s.side === "right").length;
  const left = item.sets.filter((s) => s.side === "left").length;
  return item.sets.length - Math.min(left, right);
};

export function sessionOfLog(log: StrengthLog, library: Library): WeekSession {
  const { start, minutes, stress } = lengthOf(log);
  return {
    label: log.label,
    date: log.date,
    start,
    minutes,
    stress,
    bands: bandsOf(
      log.items.flatMap((i): [Pattern, number][] => {
        const e = library.byId(i.exercise);
        return e ? [[e.pattern, setsOf(i)]] : [];
      }),
    ),
    done: true,
    locked: false,
    heavy: loggedLegs(log, library.byId).heavy,
    slow: false,
  };
}
