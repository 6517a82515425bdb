/** How much heavier a lift may get (handbook 6) [trade]. */
import { topLoad } from "../athlete/logged";
import { daysBetween, type IsoDate } from "../dates";
import { roundTo } from "../units";
import { why } from "../why";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";

/** Most at once and most a week, percent [trade]. */
export const STEP_LIMIT = { atOncePct: 10, perWeekPct: 5 };
/** Where the smallest step is too large: repetitions added at a time, and how many in all, before the step is taken [trade]. */
export const EXTRA_REPS = { step: 2, most: 4 };

/**
 * Percent by which a lift may rise now: 5 for every week at its load, what was not added then counts, 10 at most at once [trade].
 * @param history newest first
 */
export function riseLimitPct(history: readonly [History, ...History[]], on: IsoDate): number {
  const load = topLoad(history[0].item);
  const other = history.findIndex((h) => topLoad(h.item) !== load);
  const since = history[(other < 0 ? history.length : other) - 1] ?? history[0];
  const weeks = Math.max(1, Math.floor(daysBetween(since.date, on) / 7));
  return Math.min(STEP_LIMIT.atOncePct, STEP_LIMIT.perWeekPct * weeks);
}

/** An increase: one step of what the place can make, or repetitions first where that step is too large. */
export function up(
  input: DecisionInput,
  load: number | null,
  hi: number,
  because: string,
  rule: string,
  pct?: number,
): Decision {
  const { reps, loads } = input;
  if (input.cap)
    return { kind: "same", loadKg: load, reps, why: [why(rule, `${because}: ready for more.`), input.cap] };
  const before = input.history[1];
  if (input.slower && (!before || topLoad(before.item) !== load))
    return {
      kind: "same",
      loadKg: load,
      reps,
      why: [why(rule, `${because}: ready for more.`), why("gate.masters", "65 and over: once more before it goes up.")],
    };
  if (load === null)
    return {
      kind: "up-reps",
      loadKg: null,
      reps: Math.max(hi, reps) + EXTRA_REPS.step,
      why: [why(rule, `${because}: more repetitions.`)],
    };
  const next = input.stepUp ? input.stepUp(load) : loads.find((l) => l > load + 1e-9);
  if (next === undefined)
    return {
      kind: "up-reps",
      loadKg: load,
      reps: Math.max(hi, reps) + EXTRA_REPS.step,
      why: [why(rule, `${because}; this place has nothing heavier: more repetitions.`)],
    };
  // A small wish that no step here can meet is kept for next time.
  if (pct !== undefined && next > load * (1 + pct / 100) + 1e-9)
    return {
      kind: "same",
      loadKg: load,
      reps,
      why: [why(rule, `${because}: ${roundTo(pct, 1)}% more is less than one step here, the same load.`)],
    };
  const limitPct = riseLimitPct(input.history, input.on);
  const stepPct = (next / load - 1) * 100;
  if (stepPct > limitPct + 1e-9) {
    if (hi < reps + EXTRA_REPS.most)
      return {
        kind: "up-reps",
        loadKg: load,
        reps: Math.min(reps + EXTRA_REPS.most, hi + EXTRA_REPS.step),
        why: [
          why(rule, `${because}.`),
          why(
            "progress.step",
            `The next load, ${kg(next)}, is ${Math.round(stepPct)}% more: first ${EXTRA_REPS.step} to ${EXTRA_REPS.most} reps more.`,
          ),
        ],
      };
    return {
      kind: "up-load",
      loadKg: next,
      reps,
      why: [why(rule, `${because}, ${hi - reps} reps above the range: the smallest step, ${kg(next)}.`)],
    };
  }
  const wanted = pct === undefined ? next : load * (1 + Math.min(pct, limitPct) / 100);
  const target = loads.filter((l) => l <= wanted + 1e-9).at(-1) ?? next;
  return {
    kind: "up-load",
    loadKg: target,
    reps,
    why: [
      why(
        rule,
        `${because}: from ${kg(load)} to ${kg(target)}${input.repsLow < reps ? `, back to ${input.repsLow} reps` : ""}.`,
      ),
    ],
  };
}
