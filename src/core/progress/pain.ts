/** Pain goes before anything else (handbook 3, 14): what it says about the next time, and what it stops. */
import type { StrengthLog } from "../athlete/types";
import { daysBetween, type IsoDate } from "../dates";
import { why } from "../why";
import type { Decision, DecisionInput } from "./decision";
import type { History } from "./history";

/** Pain in a tendon that counts as back to its usual level next morning, of 10 [house]. */
const SETTLED = 2;
/** Days for which a stopped exercise stays out, unless it is logged again without pain [house]. */
export const STOPPED_DAYS = 14;

/** Pain of an exercise over its last three logs, oldest first, where it rises; null where it does not. */
export function risingPain(history: readonly History[]): [number, number, number] | null {
  const [a, b, c] = history.slice(0, 3).map((h) => h.item.pain ?? 0);
  return a !== undefined && b !== undefined && c !== undefined && a > b && b > c ? [c, b, a] : null;
}

/**
 * Rule 1, pain before anything else (handbook 3, 14). Null where it says nothing.
 * @param as what stays where the work stays
 */
export function painFirst(input: DecisionInput, as: Pick<Decision, "loadKg" | "reps" | "seconds">): Decision | null {
  const [last] = input.history;
  const pain = last.item.pain ?? 0;
  const told = (text: string, rule = "progress.pain") => [why(rule, text)];
  if (pain > 5)
    return {
      ...as,
      kind: "stop",
      loadKg: null,
      why: told(`Pain ${pain} of 10 last time: stopped. See a physiotherapist if it lasts beyond 24 h or returns.`),
    };
  if (input.strictPain && pain > 0)
    return { ...as, kind: "back-rung", why: told(`Pain ${pain} of 10 last time, strict setting: the easier rung.`) };
  const rising = risingPain(input.history);
  if (rising)
    return {
      ...as,
      kind: "same",
      why: told(
        `Pain rose over three sessions (${rising.join(", ")} of 10): no increase, and the coach is told.`,
        "progress.rising",
      ),
    };
  const nextDay = last.item.nextDayPain;
  if (input.tendon && nextDay !== undefined && nextDay > SETTLED && pain > 0)
    return {
      ...as,
      kind: as.loadKg === null ? "back-rung" : "down-load",
      loadKg: as.loadKg === null ? null : as.loadKg * 0.9,
      why: told(
        `The tendon was still at ${nextDay} of 10 the morning after: ${as.loadKg === null ? "the easier rung" : "10% off"}.`,
        "progress.tendon",
      ),
    };
  const settled = input.tendon && nextDay !== undefined && nextDay <= SETTLED;
  if (pain < 3 || settled) return null;
  const easier = input.ladder?.easier?.toLowerCase() ?? "the easier rung";
  return {
    ...as,
    kind: "same",
    why: told(`Pain ${pain} of 10 last time: no increase; ${easier} or a shorter range is open.`),
  };
}

/** Exercises that pain has stopped lately, with the sentence to show. */
export function stoppedByPain(log: readonly StrengthLog[], on: IsoDate, strict: boolean): Map<string, string> {
  const stopped = new Map<string, string>();
  const seen = new Set<string>();
  for (const s of [...log].filter((l) => l.date < on).sort((a, b) => (a.date < b.date ? 1 : -1))) {
    if (daysBetween(s.date, on) > STOPPED_DAYS) break;
    for (const item of s.items) {
      if (seen.has(item.exercise)) continue;
      seen.add(item.exercise);
      const pain = item.pain ?? 0;
      if (pain > 5 || (strict && pain > 0)) stopped.set(item.exercise, `stopped: pain ${pain} of 10 on ${s.date}`);
    }
  }
  return stopped;
}
