/** Who sets the load: e1RM x percent at the start of a block, then the log, within 7.5% of e1RM x percent. */
import type { Area, Athlete, OneRepMaxFormula, Overrule, StrengthLog } from "../athlete";
import { dayLabel, daysBetween, type IsoDate } from "../dates";
import {
  type CurrentMax,
  currentMax,
  decayShare,
  makeableLoads,
  makeLoad,
  NSCA_PERCENT,
  percentFor,
  rampSets,
  stepUp,
} from "../dose";
import { EXTERNAL, type Exercise, LADDER_SETS, type LoadKind } from "../exercise";
import { numbers, type say, type Why, why } from "../rulebook";
import type { LoadAim, LoadAnswer, LoadQuestion } from "../session";
import { roundTo, TOLERANCE } from "../units";
import { decide } from "./decide";
import type { Decision, LadderState } from "./decision";
import { type History, historyOf, lastDayOf } from "./history";
import { painFirst } from "./pain";
import { riseLimitPct } from "./rise";

/** Days after which a log no longer sets the load, and for which a resting exercise still knows its own (rule load.progress). */
const { layoffDays: LAYOFF_DAYS, awayDays: AWAY_DAYS, unlike: UNLIKE_RIR } = numbers("load.progress");
/** Reserve from which work counts as light. */
const LIGHT_RIR = numbers("load.light").reserve;

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

interface Missed {
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

const none: LoadAnswer = { loadKg: null, perSideKg: [], barKg: null, percent1rm: null, why: [] };

/** Everything the rules below look at, worked out once. */
interface Basis {
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

const askedRir = (h: History, q: LoadQuestion): number => h.item.prescribed?.rir ?? q.rir;
/** Logs that say something about work of a reserve, as the plan takes them. @param history newest first */
export const alike = (history: readonly History[], rir: number): History[] =>
  history.filter((h) => Math.abs((h.item.prescribed?.rir ?? rir) - rir) < UNLIKE_RIR);
const loadOf = (h: History): number | undefined => h.item.sets.find((s) => s.loadKg !== undefined)?.loadKg;

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

const decisionInput = (b: Basis, history: readonly [History, ...History[]], cap: Why | null, line: number) => {
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
    ...(q.secondsMost === undefined ? {} : { secondsMost: q.secondsMost }),
    ...(q.repsMost === undefined ? {} : { repsMost: q.repsMost }),
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
function decided(
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
    ...(o.sets === undefined ? {} : { sets: o.sets }),
    ...(o.seconds === undefined ? {} : { seconds: o.seconds }),
    why: [why("progress.overrule", "after", { on: dayLabel(o.date), reason: o.reason })],
    byCoach: true,
  };
}

/** Whether anything was lifted lately: what rests is then one exercise, not the athlete. */
function trains(c: LoadContext): boolean {
  const last = lastDayOf(c.log);
  return last !== null && last < c.asOf && daysBetween(last, c.asOf) <= LAYOFF_DAYS;
}

/** Work without load: repetitions, seconds, sets and tempo after the last log (rule 5). */
function unloaded(b: Basis, history: readonly History[]): LoadAnswer {
  const { q, c, missed } = b;
  const [last, ...older] = history;
  const known = trains(c) ? AWAY_DAYS : LAYOFF_DAYS;
  if (!last || daysBetween(last.date, c.asOf) > known || q.capPercent !== null) return none;
  // A load in the last log says nothing about the same exercise without one.
  if (last.item.sets.some((s) => (s.loadKg ?? 0) > 0)) return none;
  const d = decided(b, [last, ...older], c.cap ?? missed?.why ?? null);
  const asked = last.item.prescribed?.sets ?? q.sets;
  // A hold, a step-back and a taper take the dose's own sets.
  const sets = d.sets ?? (c.cap ? q.sets : Math.max(q.sets, Math.min(asked, LADDER_SETS)));
  const slower = d.tempo ? { tempo: d.tempo } : {};
  return {
    ...none,
    ...(q.seconds === null ? { reps: d.reps } : { seconds: d.seconds ?? q.seconds }),
    sets,
    setsLess: missed?.setsLess ?? 0,
    ...slower,
    decision: { kind: d.kind, after: last.date, byCoach: d.byCoach },
    why: missed && !d.why.includes(missed.why) ? [...d.why, missed.why] : d.why,
  };
}

/** Load, plates and reps of one exercise on a day, with the reasons. */
export function nextLoad(q: LoadQuestion, c: LoadContext): LoadAnswer {
  const byMax = q.loading === "bar" || q.loading === "machine";
  const formula = c.athlete.settings?.oneRepMax ?? "default";
  const history = historyOf(c.log, q.exercise.id, c.asOf);
  const last = history[0];
  const planned = c.planned.get(q.exercise.id);
  const b: Basis = {
    q,
    c,
    formula,
    max: byMax ? currentMax(history, formula, c.asOf) : null,
    percent: q.percent ?? percentFor(q.reps + q.rir, formula),
    last,
    planned: planned?.load ? { ...planned.load, block: planned.block } : null,
    missed: last && !planned ? missedWeeks(daysBetween(last.date, c.asOf)) : null,
    hurt: false,
  };
  if (!EXTERNAL.includes(q.loading) || q.seconds !== null) return unloaded(b, history);
  if (q.capPercent !== null) return lightLoad(b, q.capPercent);
  const hurt = painOf(b, history);
  const a = loaded(hurt ? { ...b, hurt: true, c: { ...c, cap: hurt } } : b, history);
  const capped = hurt !== null || c.cap !== null;
  return {
    ...a,
    ...(capped ? { capped } : {}),
    why: hurt && !a.why.some((w) => w.text === hurt.text) ? [hurt, ...a.why] : a.why,
  };
}

/** Pain of the last time caps what follows, whoever sets the load: a new block raises nothing over it either. */
function painOf(b: Basis, history: readonly History[]): Why | null {
  const [last, ...older] = history;
  if (!last || daysBetween(last.date, b.c.asOf) > LAYOFF_DAYS) return null;
  const input = decisionInput(b, [last, ...older], b.c.cap, 1);
  return painFirst(input, { loadKg: loadOf(last) ?? null, reps: b.q.reps })?.why[0] ?? null;
}

/** Who sets a load, in the order in which they are asked. */
function loaded(b: Basis, history: readonly History[]): LoadAnswer {
  const { q } = b;
  const byMax = q.loading === "bar" || q.loading === "machine";
  return (
    fromPlan(b) ??
    fromCoach(b, history) ??
    fromLog(b, history) ??
    fromMax(b, history) ??
    (byMax ? null : fromLast(b, history)) ?? {
      ...none,
      ramp: rampSets(q.exercise, q.loading, q.place, q.reps),
      why: [why("load.unknown", "ramp", q.rir)],
    }
  );
}

/** What the weeks planned before it lead to: their load where nothing may go up, the line's next percent of it inside a block. */
function fromPlan(b: Basis): LoadAnswer | null {
  const { q, c, max, planned, percent } = b;
  if (!planned) return null;
  if (c.cap && planned.rir === q.rir && planned.reps >= q.repsLow) {
    const reasons = [c.cap, why("load.progress", "weeksBefore")];
    return { ...answer(b, planned.aim.kg, reasons), reps: planned.reps };
  }
  if (planned.block !== c.blockStart || percent === null || planned.aim.percent === null) return null;
  const onLine = planned.aim.kg * (percent / planned.aim.percent);
  // A block that began where nothing could go up begins in earnest once something may.
  const wanted = max && !c.cap ? Math.max(onLine, (max.kg * percent) / 100) : onLine;
  const { weekPct, blockPct } = numbers("block.line", c.athlete.settings?.ruleValues);
  const rise = c.cap ? 0 : planned.aim.capped ? blockPct : weekPct;
  const kg = stays(b, Math.min(wanted, planned.aim.kg * (1 + rise / 100)), planned.loadKg);
  const reasons: Why[] = c.cap ? [c.cap] : [];
  const told = { from: planned.loadKg, was: planned.aim.percent, is: percent, kg: roundTo(kg, 1) };
  if (percent !== planned.aim.percent) reasons.push(why("block.line", "next", told));
  else reasons.push(why("load.progress", "weeksBefore"));
  return answer(b, kg, reasons);
}

/** The coach's word after the last log, also at the start of a block and where nothing may go up. */
function fromCoach(b: Basis, history: readonly History[]): LoadAnswer | null {
  const [last, ...older] = history;
  if (!last || !overruleAfter(b.c.athlete, b.q.exercise.id, last.date)) return null;
  const d = decided(b, [last, ...older], b.c.cap);
  if (!d.byCoach || d.loadKg === null) return null;
  return {
    ...answer(b, d.loadKg, d.why),
    reps: d.reps,
    ...(d.sets === undefined ? {} : { sets: d.sets }),
    decision: { kind: d.kind, after: last.date, byCoach: true },
  };
}

/**
 * A block that began where nothing could go up has only kept the load of the block before: it begins in earnest once something may.
 */
function waitedToBegin({ q, c }: Basis, history: readonly History[]): boolean {
  const before = history.find((h) => h.date < c.blockStart && askedRir(h, q) < LIGHT_RIR);
  const since = alike(history, q.rir).filter((h) => h.date >= c.blockStart);
  const reps = (h: History) => h.item.prescribed?.reps;
  return (
    before !== undefined &&
    since.length > 0 &&
    since.every((h) => loadOf(h) === loadOf(before) && reps(h) !== undefined && reps(h) !== reps(before))
  );
}

/** A load that goes by the reserve alone stays where a line asks for hardly less: a step of the room would take off far more. */
function stays({ max, c }: Basis, target: number, before: number): number {
  const { keepPct } = numbers("block.line", c.athlete.settings?.ruleValues);
  return max === null && target < before && before <= target * (1 + keepPct / 100) ? before : target;
}

/** Percent of 1RM that a log's repetitions and reserve asked for; null where it does not say. */
function percentOfLog({ item }: History, formula: OneRepMaxFormula): number | null {
  const asked = item.prescribed;
  return asked?.reps === undefined || asked.rir === undefined ? null : percentFor(asked.reps + asked.rir, formula);
}

/** Times the last load that this point of the line asks for; so much more a week at most, and nothing more where nothing may go up. */
function lineFrom(b: Basis, last: History): { line: number; was: number | null } {
  const { c, percent } = b;
  const was = percentOfLog(last, b.formula);
  if (was === null || percent === null || Math.abs(percent - was) < TOLERANCE) return { line: 1, was: null };
  const { weekPct } = numbers("block.line", c.athlete.settings?.ruleValues);
  const weeks = Math.max(1, Math.floor(daysBetween(last.date, c.on) / 7));
  return { line: Math.min(percent / was, c.cap ? 1 : 1 + (weekPct * weeks) / 100), was };
}

/** Logs that set the load inside a block: those of like work, else the block's own, whatever their load left; a light day goes by itself. */
function settingLogs(history: readonly History[], q: LoadQuestion, c: LoadContext): History[] {
  const like = alike(history, q.rir);
  if (like[0] && like[0].date >= c.blockStart) return like;
  if (q.rir >= LIGHT_RIR && !c.cap) return [];
  const { shownUpTo } = numbers("load.triple");
  return history.filter((h) => h.date >= c.blockStart && askedRir(h, q) <= shownUpTo);
}

/** Inside a block: the decision after the last log of the same kind of work, on the line's point, kept near e1RM x percent. */
function fromLog(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c, max, percent, missed } = b;
  const [last, ...older] = settingLogs(history, q, c);
  if (!last || last.date < c.blockStart || daysBetween(last.date, c.asOf) > LAYOFF_DAYS) return null;
  if (!c.cap && max && waitedToBegin(b, history)) return null;
  const { line, was } = lineFrom(b, last);
  const d = decided(b, [last, ...older], c.cap ?? missed?.why ?? null, line);
  if (d.loadKg === null) return null;
  const from = loadOf(last);
  const lined = line < 1 && d.kind === "same" && from !== undefined ? stays(b, d.loadKg, from) : d.loadKg;
  let target = lined * (missed?.factor ?? 1);
  const reasons = [...d.why];
  if (was !== null && percent !== null && from !== undefined && !d.byCoach)
    reasons.push(why("block.line", "next", { from, was, is: percent, kg: roundTo(from * line, 1) }));
  if (missed && !reasons.includes(missed.why)) reasons.push(missed.why);
  if (max && percent !== null && !d.byCoach) {
    const wanted = (max.kg * percent) / 100;
    const own = c.athlete.settings?.ruleValues;
    const { nearPct } = numbers("load.progress", own);
    const [low, high] = [wanted * (1 - nearPct / 100), wanted * (1 + nearPct / 100)];
    const near = { pct: nearPct, kg: roundTo(wanted, 1) };
    if (target > high) {
      target = high;
      reasons.push(why("load.progress", "near", near));
    } else if (target < low && d.kind === "up-load") {
      // A higher floor never overrules a decision to go down or to stay, nor the most that may be added at once.
      const most = riseLimitPct([last, ...older], c.on, own);
      target = Math.max(target, Math.min(low, (loadOf(last) ?? target) * (1 + most / 100)));
      reasons.push(why("load.progress", "raised", { ...near, most }));
    }
  }
  return {
    ...answer(b, target, reasons),
    ...repsAfter(q, d),
    ...(d.sets === undefined ? {} : { sets: d.sets }),
    setsLess: missed?.setsLess ?? 0,
    decision: { kind: d.kind, after: last.date, byCoach: d.byCoach },
  };
}

/** Repetitions that a decision asks for beside the line's own: fewer clean ones, or more where no next load can be made. */
function repsAfter(q: LoadQuestion, d: Decision): Pick<LoadAnswer, "reps"> {
  const own = d.kind === "fewer-reps" || d.kind === "up-reps" || d.byCoach === true;
  return own ? { reps: d.reps } : { reps: q.reps };
}

/** The first session of a block, or after a layoff: e1RM x percent. */
function fromMax(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c, max, percent, last, missed } = b;
  if (!max || percent === null) return null;
  // What the fading of an old estimate has charged already is not charged again.
  const faded = last ? decayShare(daysBetween(last.date, c.asOf)) : 1;
  const factor = missed ? Math.min(1, missed.factor / faded) : 1;
  const wanted = ((max.kg * percent) / 100) * factor;
  // Where nothing may go up, a new block does not either: the load of the last working sets is the most, planned ones among them.
  const { planned } = b;
  const recent = history.filter((h) => daysBetween(h.date, c.asOf) <= LAYOFF_DAYS);
  const lately = recent.flatMap((h) => loadOf(h) ?? []);
  const kept = recent.find((h) => askedRir(h, q) < LIGHT_RIR) ?? recent.find((h) => h.date >= c.blockStart);
  const lastKg = last ? loadOf(last) : undefined;
  // What may go up is measured by the heaviest of the block before and of the log; what may not stays at the last. What a room could not load
  // counts as it was aimed at.
  const heaviest = [...lately, ...(planned ? [planned.topKg] : [])];
  const top = heaviest.length > 0 ? Math.max(...heaviest) : undefined;
  const before = c.cap ? (planned?.aim.kg ?? (kept ? loadOf(kept) : undefined)) : top;
  const { blockPct } = numbers("block.line", c.athlete.settings?.ruleValues);
  const risen = before === undefined ? wanted : c.cap ? before : before * (1 + blockPct / 100);
  const like = max.toFailure > numbers("block.line").highReps ? comparable(b, recent) : undefined;
  // After missed weeks, and with pain, nothing weighs more than it did.
  const most = (missed || b.hurt) && lastKg !== undefined ? Math.min(risen, lastKg) : risen;
  const target = Math.min(wanted, most, like === undefined ? most : like * (1 + blockPct / 100));
  const share =
    q.percent === null
      ? `${roundTo(percent, 1)}%${beside(q.reps + q.rir)} for ${q.reps} reps with ${q.rir} in reserve`
      : `${roundTo(percent, 1)}%, as the approach says`;
  const less = factor < 1 ? `, less ${Math.round((1 - factor) * 100)}%` : "";
  const reasons = [
    why("load.percent", "product", {
      max: roundTo(max.kg, 1),
      unsure: Math.round(max.unsurePct),
      share,
      less,
      kg: roundTo(wanted, 1),
    }),
  ];
  if (missed) reasons.push(missed.why);
  if (c.cap && target < wanted)
    reasons.push(c.cap, why("load.progress", "kept", { kg: roundTo(target, 2), planned: planned !== null }));
  else if (target < wanted && !missed)
    reasons.push(why("block.line", "most", { pct: blockPct, kg: roundTo(target, 1) }));
  return { ...answer(b, target, reasons), setsLess: missed?.setsLess ?? 0 };
}

/** The last working load at the percent that is asked for now; undefined where nothing says it. */
function comparable({ q, percent, planned, formula }: Basis, recent: readonly History[]): number | undefined {
  if (percent === null) return undefined;
  if (planned) return planned.aim.percent === null ? undefined : (planned.aim.kg * percent) / planned.aim.percent;
  const last = recent.find((h) => askedRir(h, q) < LIGHT_RIR) ?? recent[0];
  const [kg, was] = last ? [loadOf(last), percentOfLog(last, formula)] : [undefined, null];
  return kg === undefined || was === null ? undefined : (kg * percent) / was;
}

/** Lifts that go by reps and reserve alone start a block from what was held last; light and restoring sets say nothing about it. */
function fromLast(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c } = b;
  const loaded = history.filter((h) => loadOf(h) !== undefined);
  const last = loaded.find((h) => askedRir(h, q) < LIGHT_RIR) ?? loaded[0];
  const load = last ? loadOf(last) : undefined;
  if (!last || load === undefined) return null;
  const days = daysBetween(last.date, c.asOf);
  const shares = numbers("load.rir");
  // Where other work went on, what rested is one exercise, not the athlete: it is not charged.
  const missed = lastDayOf(c.log) === b.last?.date ? b.missed : null;
  const start = (share: number, because: Why): LoadAnswer => ({
    ...answer(b, load * Math.min(share, missed?.factor ?? 1), missed ? [because, missed.why] : [because]),
    setsLess: missed?.setsLess ?? 0,
  });
  if (days > (trains(c) ? AWAY_DAYS : LAYOFF_DAYS))
    return start(shares.away, why("load.rir", "away", { days, kg: load }));
  if (q.rir - askedRir(last, q) >= UNLIKE_RIR)
    return start(shares.light, why("load.rir", "light", { kg: load, reserve: q.rir }));
  if (q.reps > (last.item.prescribed?.reps ?? q.reps)) return start(shares.moreReps, why("load.rir", "moreReps", load));
  return start(1, why("load.rir", "start", load));
}

/** The published table's percent, shown beside ours. */
const beside = (n: number): string => (NSCA_PERCENT[n] === undefined ? "" : ` (the NSCA table: ${NSCA_PERCENT[n]}%)`);

function lightLoad(b: Basis, cap: number): LoadAnswer {
  const { q, max, last } = b;
  const load = last?.item.sets.find((s) => s.loadKg !== undefined)?.loadKg;
  const target = max ? (max.kg * cap) / 100 : load === undefined ? null : load * numbers("load.light").ofLast;
  if (target === null) return { ...none, why: [why("load.light", "unknown")] };
  const made = makeLoad(q.exercise, q.loading, q.place, target);
  // Nothing light enough here: nothing in the hands.
  if (!made || made.loadKg > target + TOLERANCE) return { ...none, why: [why("load.light", "empty")] };
  return answer(b, target, [why("load.light", "most", cap)]);
}

/** The load that the room makes of a target, with the percent that it is of the e1RM. */
function answer({ q, c, max, percent }: Basis, targetKg: number, reasons: Why[]): LoadAnswer {
  const made = makeLoad(q.exercise, q.loading, q.place, targetKg);
  if (!made) return { ...none, why: reasons };
  const off = targetKg - made.loadKg;
  const rounded =
    Math.abs(off) > 0.01 ? [why("load.makeable", off > 0 ? "below" : "lightest", roundTo(made.loadKg, 2))] : [];
  const percent1rm = max ? roundTo((made.loadKg / max.kg) * 100, 1) : null;
  return { ...made, percent1rm, aim: { kg: targetKg, percent, capped: c.cap !== null }, why: [...reasons, ...rounded] };
}
