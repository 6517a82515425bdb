/** Pain goes before anything else: what it says about the next time, and what it stops. */
import { risingOver, type StrengthLog } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers, type RuleValues, why } from "../rulebook";
import type { Decision, DecisionInput } from "./decision";
import type { History } from "./history";

/** Pain of an exercise over its last three logs, oldest first, where it rises; null where it does not. */
export const risingPain = (history: readonly History[]): [number, number, number] | null =>
  risingOver(
    history
      .slice(0, 3)
      .map((h) => h.item.pain ?? 0)
      .reverse(),
  );

/**
 * Rule 1, pain before anything else. Null where it says nothing.
 * @param as what stays where the work stays
 */
export function painFirst(input: DecisionInput, as: Pick<Decision, "loadKg" | "reps" | "seconds">): Decision | null {
  const [last] = input.history;
  const pain = last.item.pain ?? 0;
  const limits = numbers("progress.pain", input.own);
  const tendon = numbers("progress.tendon");
  if (pain > limits.stop)
    return {
      ...as,
      kind: "stop",
      loadKg: null,
      why: [why("progress.pain", "stopped", pain)],
    };
  if (input.strictPain && pain > 0) return { ...as, kind: "back-rung", why: [why("progress.pain", "strict", pain)] };
  const rising = risingPain(input.history);
  if (rising)
    return {
      ...as,
      kind: "same",
      why: [why("progress.rising", "rose", rising)],
    };
  const nextDay = last.item.nextDayPain;
  if (input.tendon && nextDay !== undefined && nextDay > tendon.settled && pain > 0)
    return {
      ...as,
      kind: as.loadKg === null ? "back-rung" : "down-load",
      loadKg: as.loadKg === null ? null : as.loadKg * tendon.share,
      why: [
        why("progress.tendon", "sore", { pain: nextDay, what: as.loadKg === null ? "the easier step" : "10% off" }),
      ],
    };
  const settled = input.tendon && nextDay !== undefined && nextDay <= tendon.settled;
  if (pain < limits.noIncrease || settled) return null;
  const easier = input.ladder?.()?.easier?.toLowerCase() ?? "the easier step";
  return {
    ...as,
    kind: "same",
    why: [why("progress.pain", "noIncrease", { pain, easier })],
  };
}

/** Exercises that pain has stopped lately, with the sentence to show. */
export function stoppedByPain(
  log: readonly StrengthLog[],
  on: IsoDate,
  strict: boolean,
  own?: RuleValues,
): Map<string, string> {
  const { stop, stoppedDays } = numbers("progress.pain", own);
  const stopped = new Map<string, string>();
  const seen = new Set<string>();
  for (const s of [...log].filter((l) => l.date < on).sort((a, b) => (a.date < b.date ? 1 : -1))) {
    if (daysBetween(s.date, on) > stoppedDays) break;
    for (const item of s.items) {
      if (seen.has(item.exercise)) continue;
      seen.add(item.exercise);
      const pain = item.pain ?? 0;
      if (pain > stop || (strict && pain > 0)) stopped.set(item.exercise, `stopped: pain ${pain} of 10 on ${s.date}`);
    }
  }
  return stopped;
}
