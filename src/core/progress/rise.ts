/** How much heavier a lift may get. */
import { topLoad } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers, type RuleValues, type Why, why } from "../rulebook";
import { roundTo, TOLERANCE } from "../units";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";

/**
 * Percent by which a lift may rise now: 5 for every week at its load, what was not added then counts, 10 at most at once [trade].
 * @param history newest first
 */
export function riseLimitPct(history: readonly [History, ...History[]], on: IsoDate, own?: RuleValues): number {
  const { atOnce, perWeek } = numbers("progress.step", own);
  const load = topLoad(history[0].item);
  const other = history.findIndex((h) => topLoad(h.item) !== load);
  const since = history[(other < 0 ? history.length : other) - 1] ?? history[0];
  const weeks = Math.max(1, Math.floor(daysBetween(since.date, on) / 7));
  return Math.min(atOnce, perWeek * weeks);
}

/** Rules that find somebody ready for more. */
export type Ready = "progress.spare" | "progress.range" | "progress.effort";
const ready = (rule: Ready, text: string): Why => ({ rule, text });

/** What was lifted, and what says that more may come. */
interface Earned {
  /** kg of the last time at the effort of next time; null for work without load. */
  load: number | null;
  /** Top of the range that was asked for. */
  hi: number;
  because: string;
  rule: Ready;
  /** Percent that is wished for; without it one step. */
  pct?: number;
}

/** An increase: one step of what the place can make, or repetitions first where that step is too large. */
export function up(input: DecisionInput, earned: Earned): Decision {
  const { load, hi, because, rule } = earned;
  const { reps, own } = input;
  const { extra } = numbers("progress.step", own);
  const before = input.history[1];
  const last = topLoad(input.history[0].item);
  if (input.cap)
    return { kind: "same", loadKg: load, reps, why: [ready(rule, `${because}: ready for more.`), input.cap] };
  if (input.slower && (!before || topLoad(before.item) !== last))
    return {
      kind: "same",
      loadKg: load,
      reps,
      why: [ready(rule, `${because}: ready for more.`), why("gate.masters", "onceMore")],
    };
  if (load === null)
    return {
      kind: "up-reps",
      loadKg: null,
      reps: Math.max(hi, reps) + extra,
      why: [ready(rule, `${because}: more repetitions.`)],
    };
  return moreLoad(input, { ...earned, load });
}

/** The next load there is here: above what the line alone makes of the last one. */
function nextAbove({ loads, stepUp, line = 1 }: DecisionInput, load: number): number | undefined {
  // A line's load need not be one that the room makes.
  const from = line === 1 ? load : (loads.filter((l) => l <= load + TOLERANCE).at(-1) ?? load);
  return stepUp ? stepUp(from) : loads.find((l) => l > from + TOLERANCE);
}

function moreLoad(input: DecisionInput, { load, hi, because, rule, pct }: Earned & { load: number }): Decision {
  const { reps, loads, own } = input;
  const { extra, extraMost } = numbers("progress.step", own);
  const next = nextAbove(input, load);
  // On a line the repetitions are the point's own; more of them are counted from there.
  const top = (input.line ?? 1) === 1 ? Math.max(hi, reps) : reps;
  if (next === undefined)
    return {
      kind: "up-reps",
      loadKg: load,
      reps: top + extra,
      why: [ready(rule, `${because}; this place has nothing heavier: more repetitions.`)],
    };
  // A small wish that no step here can meet is kept for next time.
  if (pct !== undefined && next > load * (1 + pct / 100) + TOLERANCE)
    return {
      kind: "same",
      loadKg: load,
      reps,
      why: [ready(rule, `${because}: ${roundTo(pct, 1)}% more is less than one step here, the same load.`)],
    };
  const limitPct = riseLimitPct(input.history, input.on, own);
  const stepPct = (next / load - 1) * 100;
  if (stepPct > limitPct + TOLERANCE) {
    const done = (input.line ?? 1) === 1 ? hi : reps;
    if (done < reps + extraMost)
      return {
        kind: "up-reps",
        loadKg: load,
        reps: Math.min(reps + extraMost, done + extra),
        why: [
          ready(rule, `${because}.`),
          why("progress.step", "first", { kg: kg(next), pct: Math.round(stepPct), extra, most: extraMost }),
        ],
      };
    return {
      kind: "up-load",
      loadKg: next,
      reps,
      why: [ready(rule, `${because}, ${hi - reps} reps above the range: the smallest step, ${kg(next)}.`)],
    };
  }
  const wanted = pct === undefined ? next : load * (1 + Math.min(pct, limitPct) / 100);
  const target = loads.filter((l) => l <= wanted + TOLERANCE).at(-1) ?? next;
  const last = topLoad(input.history[0].item) ?? load;
  return {
    kind: "up-load",
    loadKg: target,
    reps,
    why: [
      ready(
        rule,
        `${because}: from ${kg(last)} to ${kg(target)}${input.repsLow < reps ? `, back to ${input.repsLow} reps` : ""}.`,
      ),
    ],
  };
}
