/** What a logged exercise says about the next time (handbook 13, rules 1 to 4, capped by 6). */
import type { LoggedItem } from "../athlete/types";
import { daysBetween, type IsoDate } from "../dates";
import { roundTo } from "../units";
import { type Why, why } from "../why";

export const DECISIONS = ["up-load", "up-reps", "same", "down-load", "fewer-reps", "back-rung", "stop"] as const;
export type DecisionKind = (typeof DECISIONS)[number];

export interface Decision {
  kind: DecisionKind;
  /** Load aimed at, kg, before rounding to what the place can make; null where there is none. */
  loadKg: number | null;
  /** Top of the repetitions next time. */
  reps: number;
  why: Why[];
}

export interface History {
  date: IsoDate;
  item: LoggedItem;
}

export interface DecisionInput {
  /** Logs of this exercise, newest first; at least one. */
  history: readonly [History, ...History[]];
  /** The day it would be lifted next. */
  on: IsoDate;
  repsLow: number;
  reps: number;
  rir: number;
  /** Why nothing may go up now; null where it may. */
  cap: Why | null;
  strictPain: boolean;
  /** 65 and over: the same load must have been lifted twice before it goes up. */
  slower?: boolean;
  /** Every load the place can make, kg, rising. */
  loads: readonly number[];
}

/** Most at once and most a week, percent [trade]. */
export const STEP_LIMIT = { atOncePct: 10, perWeekPct: 5 };
/** Each RIR step away from the target moves the load so many percent [house]. */
export const PCT_PER_RIR = 2.5;
/** Down after two sets under the range, percent [trade: 5 to 10]. */
const DOWN_PCT = 7.5;
/** Where the smallest step is too large: repetitions added at a time, and how many in all, before the step is taken [trade]. */
const EXTRA_REPS = { step: 2, most: 4 };

const cleanReps = (s: LoggedItem["sets"][number]): number => s.clean ?? s.reps ?? 0;
const loadOf = (item: LoggedItem): number | null =>
  item.sets.reduce<number | null>((m, s) => (s.loadKg === undefined ? m : Math.max(m ?? 0, s.loadKg)), null);
const kg = (v: number): string => `${roundTo(v, 2)} kg`;

export function decide(input: DecisionInput): Decision {
  const [last, before] = input.history;
  const { repsLow, reps, rir } = input;
  const load = loadOf(last.item);
  const sets = last.item.sets;
  const lo = last.item.prescribed?.repsLow ?? last.item.prescribed?.reps ?? repsLow;
  const hi = last.item.prescribed?.reps ?? reps;
  const target = last.item.prescribed?.rir ?? rir;
  const counts = sets.map(cleanReps);
  // Two sides of one set are one set.
  const setCount = sets.filter((x) => x.side !== "right").length;
  const least = counts.length ? Math.min(...counts) : 0;
  const same = (rule: string, text: string): Decision => ({ kind: "same", loadKg: load, reps, why: [why(rule, text)] });

  // 1. Pain first (handbook 14).
  const pain = last.item.pain ?? 0;
  if (pain > 5)
    return {
      kind: "stop",
      loadKg: null,
      reps,
      why: [
        why(
          "progress.pain",
          `Pain ${pain} of 10 last time: stopped. See a physiotherapist if it lasts beyond 24 h or returns.`,
        ),
      ],
    };
  if (input.strictPain && pain > 0)
    return {
      kind: "back-rung",
      loadKg: load,
      reps,
      why: [why("progress.pain", `Pain ${pain} of 10 last time, strict setting: the easier rung.`)],
    };
  if (pain >= 3)
    return same(
      "progress.pain",
      `Pain ${pain} of 10 last time: no increase; the easier rung or a shorter range is open.`,
    );

  // 2. Form: only reps that meet the standard count.
  const sloppy = (h: History | undefined): boolean => {
    const standard = h?.item.prescribed?.repsLow ?? h?.item.prescribed?.reps ?? repsLow;
    return h?.item.sets.some((s) => s.clean !== undefined && s.clean < Math.min(s.reps ?? 0, standard)) ?? false;
  };
  if (sloppy(last)) {
    if (sloppy(before))
      return {
        kind: "down-load",
        loadKg: load === null ? null : load * 0.9,
        reps,
        why: [why("progress.form", "Fewer clean reps than asked for twice: 10% off.")],
      };
    return {
      kind: "fewer-reps",
      loadKg: load,
      reps: Math.max(1, least),
      why: [why("progress.form", `Only ${least} reps were clean: that many next time.`)],
    };
  }

  // 3. Spare reps, and the range.
  const missing = last.item.prescribed && setCount < last.item.prescribed.sets;
  const short = counts.filter((c) => c < lo).length;
  if (short >= 2)
    return {
      kind: "down-load",
      loadKg: load === null ? null : load * (1 - DOWN_PCT / 100),
      reps,
      why: [why("progress.range", `${short} sets stayed under ${lo} reps: ${DOWN_PCT}% off.`)],
    };
  if (short === 1) {
    const rirLow = lowestRir(last.item);
    const off = rirLow !== null && rirLow < target ? (target - rirLow) * PCT_PER_RIR : 0;
    const text = `One set stopped at ${least} of ${lo} reps${off > 0 ? `, ${target - (rirLow ?? 0)} nearer the limit than meant` : ""}: ${off > 0 ? `${off}% off` : "the same load again"}.`;
    return off > 0
      ? {
          kind: "down-load",
          loadKg: load === null ? null : load * (1 - off / 100),
          reps,
          why: [why("progress.range", text)],
        }
      : same("progress.range", text);
  }
  if (missing)
    return same("progress.same", `${setCount} of ${last.item.prescribed?.sets} sets were done: the same again.`);
  const lastSet = counts.at(-1) ?? 0;
  const beforeTop = before?.item.prescribed?.reps ?? hi;
  const beforeLast = before ? cleanReps(before.item.sets.at(-1) ?? { side: "both" }) : 0;
  const rirs = sets.flatMap((s) => (s.rir === undefined ? [] : [s.rir]));
  const easyEnough = rirs.length === 0 ? false : Math.min(...rirs) >= target;
  if (lastSet >= hi + 3)
    return up(input, load, hi, `The last set went ${lastSet - hi} past the top of the range`, "progress.spare");
  if (before && lastSet >= hi + 2 && beforeLast >= beforeTop + 2)
    return up(input, load, hi, "Two past the top of the range in two sessions running", "progress.spare");
  if (least >= hi && easyEnough)
    return up(
      input,
      load,
      hi,
      `${setCount === 1 ? "The one set" : `All ${setCount} sets`} at ${hi} with ${target} or more in reserve`,
      "progress.range",
    );

  // 4. Effort, when no rule above spoke.
  const shown = rirs.length ? Math.min(...rirs) : null;
  if (shown !== null && shown > target && load !== null)
    return up(
      input,
      load,
      hi,
      `${shown} in reserve against ${target}`,
      "progress.effort",
      (shown - target) * PCT_PER_RIR,
    );
  if (shown !== null && shown < target && load !== null) {
    const pct = (target - shown) * PCT_PER_RIR;
    return {
      kind: "down-load",
      loadKg: load * (1 - pct / 100),
      reps,
      why: [why("progress.effort", `${shown} in reserve against ${target}: ${pct}% off.`)],
    };
  }
  return same(
    "progress.same",
    `Last time ${load === null ? "" : `${kg(load)}, `}${counts.join(", ")} reps inside the range: the same again.`,
  );
}

function lowestRir(item: LoggedItem): number | null {
  const rirs = item.sets.flatMap((s) => (s.rir === undefined ? [] : [s.rir]));
  return rirs.length ? Math.min(...rirs) : null;
}

/** An increase: one step of what the place can make, or repetitions first where that step is too large. */
function up(
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
  if (input.slower && (!before || loadOf(before.item) !== load))
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
  const next = loads.find((l) => l > load + 1e-9);
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
  const weeks = Math.max(1, Math.floor(daysBetween(input.history[0].date, input.on) / 7));
  const limitPct = Math.min(STEP_LIMIT.atOncePct, STEP_LIMIT.perWeekPct * weeks);
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
    why: [why(rule, `${because}: from ${kg(load)} to ${kg(target)}.`)],
  };
}
