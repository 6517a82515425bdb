/** What a logged exercise says about the next time (handbook 13, rules 1 to 4, capped by 6). */
import { amountOf, cleanReps, setsOnce } from "../athlete/logged";
import type { DecisionKind, LoggedItem } from "../athlete/types";
import { daysBetween, type IsoDate } from "../dates";
import { LADDER_SETS } from "../exercise/standing";
import { roundTo } from "../units";
import { type Why, why } from "../why";

export type { DecisionKind };

export interface Decision {
  kind: DecisionKind;
  /** Load aimed at, kg, before rounding to what the place can make; null where there is none. */
  loadKg: number | null;
  /** Top of the repetitions next time. */
  reps: number;
  /** Sets and seconds next time, where they change. */
  sets?: number;
  seconds?: number;
  /** Slower lowering next time. */
  tempo?: string;
  why: Why[];
}

export interface History {
  date: IsoDate;
  item: LoggedItem;
}

/** What an exercise can become once its repetitions are done (rule 5). */
export interface LadderState {
  /** The next step that is open to the athlete here; null at the top, or where it is closed. */
  harder: string | null;
  /** The step before; null at the lowest. */
  easier: string | null;
  /** The lightest load the exercise takes here, kg; null where it takes none. */
  lightestKg: number | null;
  /** The tempo as it is done now, such as "2-0-1". */
  tempo: string;
}

export interface DecisionInput {
  /** Logs of this exercise, newest first; at least one. */
  history: readonly [History, ...History[]];
  /** The day it would be lifted next. */
  on: IsoDate;
  repsLow: number;
  reps: number;
  rir: number;
  /** Sets of the dose. */
  sets?: number;
  /** Seconds of the dose, and at most; only for holds and timed work. */
  seconds?: number | null;
  secondsMost?: number;
  /** Where it stands on its ladder; null for exercises that stand on none. */
  ladder?: LadderState | null;
  /** Achilles or patellar tendon in trouble: some pain is allowed (handbook 3). */
  tendon?: boolean;
  /** A hinge: where it is felt counts (handbook 14). */
  hinge?: boolean;
  /** Why nothing may go up now; null where it may. */
  cap: Why | null;
  strictPain: boolean;
  /** 65 and over: the same load must have been lifted twice before it goes up. */
  slower?: boolean;
  /** Every load the place can make, kg, rising. */
  loads: readonly number[];
  /** The next load worth a step; default: the next the place can make. */
  stepUp?: (fromKg: number) => number | undefined;
}

/** Most at once and most a week, percent [trade]. */
export const STEP_LIMIT = { atOncePct: 10, perWeekPct: 5 };
/** Each RIR step away from the target moves the load so many percent [house]. */
export const PCT_PER_RIR = 2.5;
/** Down after two sets under the range, percent [trade: 5 to 10]. */
const DOWN_PCT = 7.5;
/** Where the smallest step is too large: repetitions added at a time, and how many in all, before the step is taken [trade]. */
const EXTRA_REPS = { step: 2, most: 4 };
/** Seconds added to a hold at a time [house]. */
export const EXTRA_SECONDS = 5;
/** Lowering gets no slower than this, seconds [house]. */
const SLOWEST = 4;
/** Pain in a tendon that counts as back to its usual level next morning, of 10 [house]. */
const SETTLED = 2;

/** Pain of an exercise over its last three logs, oldest first, where it rises; null where it does not. */
export function risingPain(history: readonly History[]): [number, number, number] | null {
  const [a, b, c] = history.slice(0, 3).map((h) => h.item.pain ?? 0);
  return a !== undefined && b !== undefined && c !== undefined && a > b && b > c ? [c, b, a] : null;
}

const loadOf = (item: LoggedItem): number | null =>
  item.sets.reduce<number | null>((m, s) => (s.loadKg === undefined ? m : Math.max(m ?? 0, s.loadKg)), null);
const kg = (v: number): string => `${roundTo(v, 2)} kg`;

export function decide(input: DecisionInput): Decision {
  const [last, before] = input.history;
  const { repsLow, reps, rir } = input;
  if (input.seconds != null) return decideHold(input, input.seconds);
  const load = loadOf(last.item);
  const sets = last.item.sets;
  const lo = last.item.prescribed?.repsLow ?? last.item.prescribed?.reps ?? repsLow;
  const hi = last.item.prescribed?.reps ?? reps;
  const target = last.item.prescribed?.rir ?? rir;
  const counts = sets.map(cleanReps);
  const setCount = setsOnce(last.item).length;
  const least = counts.length ? Math.min(...counts) : 0;
  const same = (rule: string, text: string): Decision => ({ kind: "same", loadKg: load, reps, why: [why(rule, text)] });

  const hurt = painFirst(input, { loadKg: load, reps });
  if (hurt) return hurt;

  // Where the hinge was felt (handbook 14).
  if (input.hinge && last.item.felt === "low-back") {
    if (before?.item.felt === "low-back")
      return {
        kind: "back-rung",
        loadKg: load,
        reps,
        why: [
          why(
            "progress.felt",
            "Felt in the low back twice: back to the Romanian deadlift to the knee, weight on the heels, a light bridge or slider set first.",
          ),
        ],
      };
    return same("progress.felt", "Felt in the low back: the same again; feel the hamstrings first, stop at the knee.");
  }

  // 2. Form: only reps that meet the standard count.
  const sloppy = (h: History | undefined): boolean => {
    const standard = h?.item.prescribed?.repsLow ?? h?.item.prescribed?.reps ?? repsLow;
    return h?.item.sets.some((s) => s.clean !== undefined && s.clean < Math.min(s.reps ?? 0, standard)) ?? false;
  };
  if (sloppy(last)) {
    if (sloppy(before) && load === null && input.ladder?.easier)
      return {
        kind: "back-rung",
        loadKg: null,
        reps,
        why: [
          why("progress.form", `Fewer clean reps than asked for twice: back to ${input.ladder.easier.toLowerCase()}.`),
        ],
      };
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
  if (short >= 2 && load === null)
    return {
      kind: "fewer-reps",
      loadKg: null,
      reps: Math.max(1, least),
      why: [why("progress.range", `${short} sets stayed under ${lo} reps: ${least} next time.`)],
    };
  if (short >= 2)
    return {
      kind: "down-load",
      loadKg: load === null ? null : load * (1 - DOWN_PCT / 100),
      reps,
      why: [why("progress.range", `${short} sets stayed under ${lo} reps: ${DOWN_PCT}% off.`)],
    };
  const shown = lowestRir(last.item);
  if (short === 1) {
    const off = shown !== null && shown < target ? (target - shown) * PCT_PER_RIR : 0;
    const text = `One set stopped at ${least} of ${lo} reps${off > 0 ? `, ${target - (shown ?? 0)} nearer the limit than meant` : ""}: ${off > 0 ? `${off}% off` : "the same load again"}.`;
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
  const step = load === null ? onLadder(input, hi, last, before) : null;
  if (step) return step;
  const lastSet = counts.at(-1) ?? 0;
  const beforeTop = before?.item.prescribed?.reps ?? hi;
  const beforeLast = before ? cleanReps(before.item.sets.at(-1) ?? { side: "both" }) : 0;
  if (lastSet >= hi + 3)
    return up(input, load, hi, `The last set went ${lastSet - hi} past the top of the range`, "progress.spare");
  if (before && lastSet >= hi + 2 && beforeLast >= beforeTop + 2)
    return up(input, load, hi, "Two past the top of the range in two sessions running", "progress.spare");
  if (least >= hi && shown !== null && shown >= target)
    return up(
      input,
      load,
      hi,
      `${setCount === 1 ? "The one set" : `All ${setCount} sets`} at ${hi} with ${target} or more in reserve`,
      "progress.range",
    );

  // 4. Effort, when no rule above spoke.
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

/**
 * Rule 1, pain before anything else (handbook 3, 14). Null where it says nothing.
 * @param as what stays where the work stays
 */
function painFirst(input: DecisionInput, as: Pick<Decision, "loadKg" | "reps" | "seconds">): Decision | null {
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

/**
 * Percent by which a lift may rise now: 5 for every week at its load, what was not added then counts, 10 at most at once [trade].
 * @param history newest first
 */
export function riseLimitPct(history: readonly [History, ...History[]], on: IsoDate): number {
  const load = loadOf(history[0].item);
  const other = history.findIndex((h) => loadOf(h.item) !== load);
  const since = history[(other < 0 ? history.length : other) - 1] ?? history[0];
  const weeks = Math.max(1, Math.floor(daysBetween(since.date, on) / 7));
  return Math.min(STEP_LIMIT.atOncePct, STEP_LIMIT.perWeekPct * weeks);
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

/** Every set at the top that was asked for, with control: no rep left out, and the reserve where it was told. */
function atTop({ item }: History, asked: number, rir: number): boolean {
  const target = item.prescribed?.rir ?? rir;
  return (
    item.sets.length > 0 &&
    setsOnce(item).length >= (item.prescribed?.sets ?? 1) &&
    item.sets.every((s) => amountOf(s) >= asked && (s.rir === undefined || s.rir >= target))
  );
}

const askedOf = (h: History, otherwise: number): number =>
  h.item.prescribed?.seconds ?? h.item.prescribed?.reps ?? otherwise;

/**
 * Rule 5, for work without load: the top of the range with control in two consecutive sessions earns repetitions, then a set, then the
 * harder position, then load, then slower lowering. Null where the top was not reached.
 */
function onLadder(input: DecisionInput, hi: number, last: History, before: History | undefined): Decision | null {
  if (!atTop(last, hi, input.rir)) return null;
  const twice = before !== undefined && atTop(before, askedOf(before, hi), input.rir);
  const { reps } = input;
  const asked = last.item.prescribed?.sets ?? setsOnce(last.item).length;
  const base = { loadKg: null, reps };
  const ready = `All sets at ${hi} with control`;
  if (input.cap)
    return { ...base, kind: "same", why: [why("progress.ladder", `${ready}: ready for more.`), input.cap] };
  if (hi < reps)
    return {
      ...base,
      kind: "up-reps",
      reps: Math.min(reps, hi + EXTRA_REPS.step),
      why: [why("progress.ladder", `${ready}: more repetitions.`)],
    };
  if (
    !twice ||
    (input.slower && !(input.history[2] && atTop(input.history[2], askedOf(input.history[2], hi), input.rir)))
  )
    return {
      ...base,
      kind: "same",
      why: [why("progress.ladder", `${ready}: once more at the top before it gets harder.`)],
    };
  return { ...base, ...climb(input, asked, `${ready} twice running`) };
}

/** The step after the repetitions or seconds are done. */
function climb(
  input: DecisionInput,
  sets: number,
  because: string,
): Pick<Decision, "kind" | "sets" | "loadKg" | "tempo" | "why"> {
  const told = (text: string) => [why("progress.ladder", `${because}: ${text}`)];
  const { ladder } = input;
  if (sets < LADDER_SETS)
    return { kind: "up-sets", loadKg: null, sets: sets + 1, why: told(`a set more, ${sets + 1}.`) };
  if (ladder?.harder) return { kind: "next-rung", loadKg: null, why: told(`next, ${ladder.harder.toLowerCase()}.`) };
  if (ladder && ladder.lightestKg !== null)
    return { kind: "up-load", loadKg: ladder.lightestKg, why: told(`with load, ${kg(ladder.lightestKg)}.`) };
  const [down = 0, pause = 0, lift = 1] = (ladder?.tempo ?? "").split("-").map(Number);
  if (ladder && down < SLOWEST)
    return {
      kind: "slower",
      loadKg: null,
      tempo: `${down + 1}-${pause}-${lift}`,
      why: told(`slower lowering, ${down + 1} seconds.`),
    };
  return { kind: "same", loadKg: null, why: told("nothing harder is open here; the same again.") };
}

/** Holds and timed work: five seconds at a time to the top of the range, then as on any ladder. */
function decideHold(input: DecisionInput, dose: number): Decision {
  const [last, before] = input.history;
  const { reps } = input;
  const asked = askedOf(last, dose);
  const most = Math.max(input.secondsMost ?? dose, dose);
  const base = { loadKg: loadOf(last.item), reps };
  const hurt = painFirst(input, { ...base, seconds: asked });
  if (hurt) return hurt;
  const held = last.item.sets.map(amountOf);
  const least = held.length > 0 ? Math.min(...held) : asked;
  const short = held.filter((v) => v < asked).length;
  if (short >= 2)
    return {
      ...base,
      kind: "fewer-reps",
      seconds: Math.max(EXTRA_SECONDS, least),
      why: [
        why("progress.range", `${short} holds ended before ${asked} s: ${Math.max(EXTRA_SECONDS, least)} s next time.`),
      ],
    };
  if (!atTop(last, asked, input.rir))
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.same", `Held ${held.join(", ")} s: the same again.`)],
    };
  const ready = `All holds at ${asked} s`;
  if (input.cap)
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.ladder", `${ready}: ready for more.`), input.cap],
    };
  if (!(before && atTop(before, askedOf(before, asked), input.rir)))
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.ladder", `${ready}: once more before it gets longer.`)],
    };
  if (asked < most)
    return {
      ...base,
      kind: "up-seconds",
      seconds: Math.min(most, asked + EXTRA_SECONDS),
      why: [why("progress.ladder", `${ready} twice running: ${Math.min(most, asked + EXTRA_SECONDS)} s.`)],
    };
  const sets = last.item.prescribed?.sets ?? held.length;
  return { ...base, seconds: asked, ...climb(input, sets, `${ready} twice running`) };
}
