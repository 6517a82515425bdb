/** Lifts that stand still: a sister lift takes their place at the block's end (rule choice.unmoved). */
import { cleanReps, type StrengthLog } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { estimate } from "../dose";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";
import { LIGHT_RIR } from "./basis";

/** Sets from which work builds anything up. */
const LEAST_SETS = 2;

/** The heaviest of a session, kg, the most repetitions with it, and what they left. */
export interface Exposure {
  kg: number;
  reps: number;
  /** In reserve; none where it is not told. */
  rir?: number;
}

/** What an exposure says of the lift: its e1RM, kg; with more repetitions than say anything the load by itself. */
const saysOf = ({ kg, reps, rir = 0 }: Exposure): number => estimate(kg, reps, rir) ?? kg;

/**
 * Whether the last loading exposures brought neither load nor a better e1RM over the first of them: a block goes up in load, and one that
 * begins anew asks for less of it and more repetitions.
 * @param shown newest first
 */
export function standsStill(shown: readonly Exposure[]): boolean {
  const { exposures, withinPct } = numbers("choice.unmoved");
  const last = shown.slice(0, exposures);
  const first = last.at(-1);
  if (last.length < exposures || !first) return false;
  const more = 1 + withinPct / 100;
  return last.every((e) => e.kg <= first.kg * more && saysOf(e) <= saysOf(first) * more + TOLERANCE);
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
      const top = sets.filter((x) => x.loadKg === kg);
      const best = top.map((x): Exposure => ({ kg, reps: cleanReps(x), rir: x.rir ?? prescribed.rir ?? 0 }));
      const most = best.reduce((m, e) => (saysOf(e) > saysOf(m) ? e : m));
      shown.set(exercise, [...(shown.get(exercise) ?? []), most]);
    }
  }
  return new Set([...shown].filter(([, of]) => standsStill(of)).map(([id]) => id));
}
