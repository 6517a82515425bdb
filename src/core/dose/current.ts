/** The athlete's current e1RM of a lift from the strength log. */
import type { LoggedItem, OneRepMaxFormula } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers, type RuleValues } from "../rulebook";
import { estimate, uncertaintyPct } from "./oneRepMax";

export interface CurrentMax {
  kg: number;
  /** Plus or minus percent. */
  unsurePct: number;
  /** The day of the set it rests on. */
  date: IsoDate;
  /** Repetitions to failure of that set. */
  toFailure: number;
}

/** Share of an estimate that is left after so many days without a newer one (rule load.percent). */
export function decayShare(days: number, own?: RuleValues): number {
  const { fullDays, decayPct, floor } = numbers("load.percent", own);
  if (days <= fullDays) return 1;
  return Math.max(floor, 1 - (decayPct / 100) * Math.ceil((days - fullDays) / 7));
}

/** Best set of a logged item as an e1RM, clean reps only; null where no set says anything. */
export function bestOf(item: LoggedItem, formula: OneRepMaxFormula): Omit<CurrentMax, "date"> | null {
  let best: Omit<CurrentMax, "date"> | null = null;
  for (const s of item.sets) {
    if (s.loadKg === undefined || s.reps === undefined) continue;
    const reps = s.clean ?? s.reps;
    const rir = s.rir ?? item.prescribed?.rir ?? 0;
    const kg = estimate(s.loadKg, reps, rir, formula);
    if (kg !== null && (!best || kg > best.kg))
      best = { kg, unsurePct: uncertaintyPct(reps, rir), toFailure: reps + rir };
  }
  return best;
}

/**
 * @param history logged items of one lift with their days, in any order
 * @param asOf the day the estimate is asked for; only what was lifted before it counts
 * @returns the best estimate of the last six weeks, older ones decayed; null where there is none
 */
export function currentMax(
  history: readonly { date: IsoDate; item: LoggedItem }[],
  formula: OneRepMaxFormula,
  asOf: IsoDate,
): CurrentMax | null {
  let best: CurrentMax | null = null;
  for (const { date, item } of history) {
    if (date >= asOf) continue;
    const set = bestOf(item, formula);
    if (!set) continue;
    const kg = set.kg * decayShare(daysBetween(date, asOf));
    if (!best || kg > best.kg || (kg === best.kg && date > best.date)) best = { ...set, kg, date };
  }
  return best;
}
