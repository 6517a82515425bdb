/** Lifts that stand still: a sister lift takes their place at the block's end (rule choice.unmoved). */
import { cleanReps, type StrengthLog } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers } from "../rulebook";
import { LIGHT_RIR } from "./basis";

/** Sets from which work builds anything up. */
const LEAST_SETS = 2;

/** The heaviest of a session, kg, and the most repetitions with it. */
export interface Exposure {
  kg: number;
  reps: number;
}

/** Whether the last loading exposures brought neither load nor repetitions over the first of them. @param shown newest first */
export function standsStill(shown: readonly Exposure[]): boolean {
  const { exposures, withinPct } = numbers("choice.unmoved");
  const last = shown.slice(0, exposures);
  const first = last.at(-1);
  if (last.length < exposures || !first) return false;
  const most = first.kg * (1 + withinPct / 100);
  const least = first.kg * (1 - withinPct / 100);
  return last.every((e) => e.kg <= most && !(e.kg >= least && e.reps > first.reps));
}

/**
 * Exercises whose last loading exposures brought nothing; light work and step-backs are none.
 * @param log of weeks in which something could go up
 * @param on first day asked about
 */
export function unmovedLifts(log: readonly StrengthLog[], on: IsoDate): ReadonlySet<string> {
  const { recentDays } = numbers("choice.points");
  const shown = new Map<string, Exposure[]>();
  for (const s of [...log].sort((a, b) => (a.date < b.date ? 1 : -1))) {
    if (s.date >= on || daysBetween(s.date, on) > recentDays) continue;
    for (const { exercise, prescribed, sets } of s.items) {
      if (sets.length < LEAST_SETS || prescribed?.rir === undefined || prescribed.rir >= LIGHT_RIR) continue;
      const kg = Math.max(0, ...sets.map((x) => x.loadKg ?? 0));
      if (kg === 0) continue;
      const reps = Math.max(...sets.filter((x) => x.loadKg === kg).map(cleanReps));
      shown.set(exercise, [...(shown.get(exercise) ?? []), { kg, reps }]);
    }
  }
  return new Set([...shown].filter(([, of]) => standsStill(of)).map(([id]) => id));
}
