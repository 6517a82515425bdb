/** What every rule of loads looks at: the question, the log, the estimate, what was planned before; and the load that a room makes of a target. */
import type { Area, Athlete, OneRepMaxFormula, Overrule, StrengthLog } from "../athlete";
import { dayLabel, daysBetween, type IsoDate } from "../dates";
import { type CurrentMax, makeableLoads, makeLoad, percentFor, stepUp } from "../dose";
import type { Exercise, LoadKind } from "../exercise";
import { numbers, type say, type Why, why } from "../rulebook";
import type { LoadAim, LoadAnswer, LoadQuestion } from "../session";
import { roundTo } from "../units";
import { decide } from "./decide";
import type { Decision, LadderState } from "./decision";
import { type History, lastDayOf } from "./history";

/** Days after which a log no longer sets the load, and for which a resting exercise still knows its own (rule load.progress). */
export const { layoffDays: LAYOFF_DAYS, awayDays: AWAY_DAYS, unlike: UNLIKE_RIR } = numbers("load.progress");
/** Reserve from which work counts as light. */
export const LIGHT_RIR = numbers("load.light").reserve;

export interface LoadContext {
  athlete: Athlete;
  /** Logs before the day asked about. */
  log: readonly StrengthLog[];
  on: IsoDate;
  /** The last day that anything is known of: what lies between it and `on` is planned lifting, so nothing decays there. */
  asOf: IsoDate;
  /** First day of the block, or of the run of this emphasis outside of blocks. */
  blockStart: IsoDate;
  cap: Why | null;
  /** 65 and over: an increase waits for one session more. */
  slower?: boolean;
  /** Where an exercise stands on its ladder for this athlete here; null for those that stand on none. */
  ladder?: (exercise: Exercise) => LadderState | null;
  /** Areas in trouble on the day. */
  areas?: readonly Area[];
  /** Loads of the weeks planned before this one, by exercise: a week without increase keeps them. */
  planned: ReadonlyMap<string, PlannedLift>;
}

/** What the weeks planned before this one leave of a lift. */
export interface PlannedLift {
  /** First day of the block it stood in. */
  block: IsoDate;
  /** Its point on the line of that block. */
  point: number;
  /** Points of that line. */
  of: number;
  /** Step of slower work without load, from 0. */
  slower: number;
  /** The last full load; null for work without load. */
  load: PlannedLoad | null;
}

export interface PlannedLoad {
  loadKg: number;
  /** The heaviest that was aimed at in its block so far, kg. */
  topKg: number;
  reps: number;
  /** In reserve, as it was asked for. */
  rir: number;
  aim: LoadAim;
}

export interface Missed {
  /** Share of the load that stays, and sets taken off. */
  factor: number;
  setsLess: number;
  why: Why;
}

/**
 * Missed weeks: one, repeat; two, the same load and one set fewer; three or four, 10% and one set off.
 * Only the first session back is charged.
 */
export function missedWeeks(days: number): Missed | null {
  const weeks = Math.floor((days - 1) / 7);
  const { lighter, oneSetLess, share } = numbers("missed.weeks");
  const because = (text: Parameters<typeof say<"missed.weeks", "because">>[2]["text"]) =>
    why("missed.weeks", "because", { days, text });
  if (weeks >= lighter) return { factor: share, setsLess: 1, why: because("10% off and one set fewer") };
  if (weeks >= oneSetLess) return { factor: 1, setsLess: 1, why: because("the same load, one set fewer") };
  return weeks >= 1 ? { factor: 1, setsLess: 0, why: because("repeat") } : null;
}

/** An answer that says nothing yet but its reasons. Every field is there from the start: answers that are laid out alike are read fastest. */
export const noLoad = (reasons: Why[] = []): LoadAnswer => ({
  loadKg: null,
  perSideKg: [],
  barKg: null,
  percent1rm: null,
  reps: undefined,
  sets: undefined,
  seconds: undefined,
  setsLess: undefined,
  tempo: undefined,
  ramp: undefined,
  decision: undefined,
  aim: undefined,
  capped: undefined,
  why: reasons,
});

/** Everything the rules below look at, worked out once. */
export interface Basis {
  q: LoadQuestion;
  c: LoadContext;
  formula: OneRepMaxFormula;
  max: CurrentMax | null;
  /** Percent of 1RM that is asked for; null where nothing says it. */
  percent: number | null;
  /** What the plan gave it last, in a week before this one. */
  planned: (PlannedLoad & { block: IsoDate }) | null;
  /** The latest log of the lift, whatever it asked for. */
  last: History | undefined;
  missed: Missed | null;
  /** Pain of the last time speaks against more. */
  hurt: boolean;
}

export const askedRir = (h: History, q: LoadQuestion): number => h.item.prescribed?.rir ?? q.rir;
/** Logs that say something about work of a reserve, as the plan takes them. @param history newest first */
export const alike = (history: readonly History[], rir: number): History[] =>
  history.filter((h) => Math.abs((h.item.prescribed?.rir ?? rir) - rir) < UNLIKE_RIR);
export const loadOf = (h: History): number | undefined => h.item.sets.find((s) => s.loadKg !== undefined)?.loadKg;

/** Tendons in which some pain in the work is allowed. */
const TENDONS: readonly Area[] = ["achilles", "knee-front"];

/** What a decision needs to know of the exercise and the athlete, whenever it is made. */
export const decisionBasis = (
  e: Exercise,
  loading: LoadKind,
  loads: readonly number[],
  athlete: Pick<Athlete, "settings">,
  areas: readonly Area[],
) => ({
  tendon: TENDONS.some((a) => areas.includes(a) && e.careWith.concat(e.goodWith).includes(a)),
  hinge: e.pattern === "hinge",
  strictPain: athlete.settings?.strictPain ?? false,
  own: athlete.settings?.ruleValues,
  loads,
  stepUp: (from: number) => stepUp(e, loading, loads, from),
});

export const decisionInput = (b: Basis, history: readonly [History, ...History[]], cap: Why | null, line: number) => {
  const { q, c } = b;
  return {
    ...decisionBasis(q.exercise, q.loading, makeableLoads(q.exercise, q.loading, q.place), c.athlete, c.areas ?? []),
    history,
    on: c.on,
    repsLow: q.repsLow,
    reps: q.reps,
    rir: q.rir,
    line,
    sets: q.sets,
    seconds: q.seconds,
    secondsMost: q.secondsMost,
    repsMost: q.repsMost,
    ladder: () => c.ladder?.(q.exercise) ?? null,
    cap,
    slower: c.slower ?? false,
  };
};

/** What the coach decided after the last log of an exercise; it holds until the next. */
export function overruleAfter(athlete: Pick<Athlete, "overrules">, exercise: string, last: IsoDate): Overrule | null {
  return athlete.overrules?.find((o) => o.exercise === exercise && o.date === last) ?? null;
}

/** The rules' decision after the last log, or the coach's in its place. */
export function decided(
  b: Basis,
  history: readonly [History, ...History[]],
  cap: Why | null,
  line = 1,
): Decision & { byCoach: boolean } {
  const made = decide(decisionInput(b, history, cap, line));
  const o = overruleAfter(b.c.athlete, b.q.exercise.id, history[0].date);
  // Work that pain has stopped stays stopped.
  if (!o || made.kind === "stop") return { ...made, byCoach: false };
  return {
    kind: o.kind,
    loadKg: o.loadKg ?? (o.kind === "same" ? (loadOf(history[0]) ?? made.loadKg) : made.loadKg),
    reps: o.reps ?? b.q.reps,
    sets: o.sets,
    seconds: o.seconds,
    why: [why("progress.overrule", "after", { on: dayLabel(o.date), reason: o.reason })],
    byCoach: true,
  };
}

/** Whether anything was lifted lately: what rests is then one exercise, not the athlete. */
export function trains(c: LoadContext): boolean {
  const last = lastDayOf(c.log);
  return last !== null && last < c.asOf && daysBetween(last, c.asOf) <= LAYOFF_DAYS;
}

/** Percent of 1RM that a log's repetitions and reserve asked for; null where it does not say. */
export function percentOfLog({ item }: History, formula: OneRepMaxFormula): number | null {
  const asked = item.prescribed;
  return asked?.reps === undefined || asked.rir === undefined ? null : percentFor(asked.reps + asked.rir, formula);
}

/** The load that the room makes of a target, with the percent that it is of the e1RM. */
export function answer({ q, c, max, percent }: Basis, targetKg: number, reasons: Why[]): LoadAnswer {
  const made = makeLoad(q.exercise, q.loading, q.place, targetKg);
  const is = noLoad(reasons);
  if (!made) return is;
  const off = targetKg - made.loadKg;
  is.loadKg = made.loadKg;
  is.perSideKg = made.perSideKg;
  is.barKg = made.barKg;
  is.percent1rm = max ? roundTo((made.loadKg / max.kg) * 100, 1) : null;
  is.aim = { kg: targetKg, percent, capped: c.cap !== null };
  if (Math.abs(off) > 0.01)
    is.why = [...reasons, why("load.makeable", off > 0 ? "below" : "lightest", roundTo(made.loadKg, 2))];
  return is;
}
