/** Who sets the load (handbook 6): e1RM x percent at the start of a block, then the log, within 7.5% of e1RM x percent. */
import type { Athlete, StrengthLog } from "../athlete/types";
import { daysBetween, type IsoDate } from "../dates";
import { type CurrentMax, currentMax, kept } from "../dose/current";
import { makeableLoads, makeLoad } from "../dose/loads";
import { NSCA_PERCENT, percentFor } from "../dose/oneRepMax";
import type { LoadAnswer, LoadQuestion } from "../session/types";
import { roundTo } from "../units";
import { type Why, why } from "../why";
import { decide, type History, STEP_LIMIT } from "./decide";

/** Loads stay this near to e1RM x percent, percent of it [house: handbook 6]. */
export const NEAR_PCT = 7.5;
/** Days without a lift after which a log no longer sets the load. */
export const LAYOFF_DAYS = 28;
/** Days for which a stopped exercise stays out, unless it is logged again without pain [house]. */
export const STOPPED_DAYS = 14;

export interface LoadContext {
  athlete: Athlete;
  /** Logs before the day asked about. */
  log: readonly StrengthLog[];
  on: IsoDate;
  /** The last day that anything is known of: what lies between it and `on` is planned lifting, so nothing decays there. */
  asOf: IsoDate;
  /** First day of the run of this emphasis. */
  blockStart: IsoDate;
  cap: Why | null;
  /** 65 and over: an increase waits for one session more. */
  slower?: boolean;
  /** Loads of the weeks planned before this one, by exercise: a week without increase keeps them. */
  planned: ReadonlyMap<string, PlannedLoad>;
}

export interface PlannedLoad {
  loadKg: number;
  reps: number;
  rir: number;
}

interface Missed {
  /** Share of the load that stays, and sets taken off. */
  factor: number;
  setsLess: number;
  why: Why;
}

/**
 * Missed weeks (handbook 13) [trade]: one, repeat; two, the same load and one set fewer; three or four, 10% and one set off.
 * Only the first session back is charged.
 */
function missedWeeks(days: number): Missed | null {
  const weeks = Math.floor((days - 1) / 7);
  const because = (text: string) => why("progress.missed", `Nothing of this lift for ${days} days: ${text}.`);
  if (weeks >= 3) return { factor: 0.9, setsLess: 1, why: because("10% off and one set fewer") };
  if (weeks === 2) return { factor: 1, setsLess: 1, why: because("the same load, one set fewer") };
  return weeks === 1 ? { factor: 1, setsLess: 0, why: because("repeat") } : null;
}

const none: LoadAnswer = { loadKg: null, perSideKg: [], barKg: null, percent1rm: null, why: [] };

const indexes = new WeakMap<readonly StrengthLog[], Map<string, History[]>>();

/** Logged items by exercise, newest first; made once for as long as the log lives. */
function indexOf(log: readonly StrengthLog[]): Map<string, History[]> {
  const known = indexes.get(log);
  if (known) return known;
  const index = new Map<string, History[]>();
  for (const s of log)
    for (const item of s.items) {
      if (item.sets.length === 0) continue;
      const list = index.get(item.exercise);
      if (list) list.push({ date: s.date, item });
      else index.set(item.exercise, [{ date: s.date, item }]);
    }
  for (const list of index.values()) list.sort((a, b) => (a.date < b.date ? 1 : -1));
  indexes.set(log, index);
  return index;
}

/** Logs of an exercise before a day, newest first. */
export function historyOf(log: readonly StrengthLog[], exercise: string, before: IsoDate): History[] {
  const all = indexOf(log).get(exercise) ?? [];
  return all[0] && all[0].date < before ? all : all.filter((h) => h.date < before);
}

/** Everything the rules below look at, worked out once. */
interface Basis {
  q: LoadQuestion;
  c: LoadContext;
  max: CurrentMax | null;
  percent: number | null;
  /** The latest log of the lift, whatever it asked for. */
  last: History | undefined;
  missed: Missed | null;
}

/** Reserves this far apart are not the same kind of work: a taper's light set says nothing about the next hard one. */
const UNLIKE_RIR = 2;
const askedRir = (h: History, q: LoadQuestion): number => h.item.prescribed?.rir ?? q.rir;
const isLike = (h: History, q: LoadQuestion): boolean => Math.abs(askedRir(h, q) - q.rir) < UNLIKE_RIR;
const loadOf = (h: History): number | undefined => h.item.sets.find((s) => s.loadKg !== undefined)?.loadKg;

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
    max: byMax ? currentMax(history, formula, c.asOf) : null,
    percent: percentFor(q.reps + q.rir, formula),
    last,
    missed: last && !planned ? missedWeeks(daysBetween(last.date, c.asOf)) : null,
  };
  if (q.capPercent !== null) return lightLoad(q, b.max, last, q.capPercent);
  if (c.cap && planned && planned.rir === q.rir && planned.reps >= q.repsLow) {
    const reasons = [c.cap, why("load.progress", "The load of the weeks before is kept.")];
    return { ...answer(q, planned.loadKg, b.max, reasons), reps: planned.reps };
  }
  return (
    fromLog(b, history) ??
    fromMax(b) ??
    (byMax ? null : fromLast(b)) ?? {
      ...none,
      why: [why("load.unknown", `No log yet: find the load that leaves ${q.rir} in reserve, then it is kept.`)],
    }
  );
}

/** Inside a block: the decision after the last log of the same kind of work, kept near e1RM x percent. */
function fromLog(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c, max, percent, missed } = b;
  const [last, ...older] = history.filter((h) => isLike(h, q));
  if (!last || last.date < c.blockStart || daysBetween(last.date, c.asOf) > LAYOFF_DAYS) return null;
  const d = decide({
    history: [last, ...older],
    on: c.on,
    repsLow: q.repsLow,
    reps: q.reps,
    rir: q.rir,
    cap: c.cap ?? missed?.why ?? null,
    strictPain: c.athlete.settings?.strictPain ?? false,
    slower: c.slower ?? false,
    loads: makeableLoads(q.exercise, q.loading, q.place),
  });
  if (d.loadKg === null) return null;
  let target = d.loadKg * (missed?.factor ?? 1);
  const reasons = [...d.why];
  if (missed && !reasons.includes(missed.why)) reasons.push(missed.why);
  if (max && percent !== null) {
    const wanted = (max.kg * percent) / 100;
    const [low, high] = [wanted * (1 - NEAR_PCT / 100), wanted * (1 + NEAR_PCT / 100)];
    const near = `within ${NEAR_PCT}% of e1RM x percent (${roundTo(wanted, 1)} kg)`;
    if (target > high) {
      target = high;
      reasons.push(why("load.progress", `Kept ${near}.`));
    } else if (target < low && d.kind === "up-load") {
      // A higher floor never overrules a decision to go down or to stay, nor the most that may be added at once.
      target = Math.min(low, (loadOf(last) ?? target) * (1 + STEP_LIMIT.atOncePct / 100));
      reasons.push(why("load.progress", `Raised towards ${near}, ${STEP_LIMIT.atOncePct}% at most at once.`));
    }
  }
  return { ...answer(q, target, max, reasons), reps: d.reps, setsLess: missed?.setsLess ?? 0 };
}

/** The first session of a block, or after a layoff: e1RM x percent. */
function fromMax({ q, c, max, percent, last, missed }: Basis): LoadAnswer | null {
  if (!max || percent === null) return null;
  // What the fading of an old estimate has charged already is not charged again.
  const faded = last ? kept(daysBetween(last.date, c.asOf)) : 1;
  const factor = missed ? Math.min(1, missed.factor / faded) : 1;
  const target = ((max.kg * percent) / 100) * factor;
  const estimate = `e1RM ${roundTo(max.kg, 1)} kg (give or take ${Math.round(max.unsurePct)}%)`;
  const share = `${roundTo(percent, 1)}%${beside(q.reps + q.rir)} for ${q.reps} reps with ${q.rir} in reserve`;
  const less = factor < 1 ? `, less ${Math.round((1 - factor) * 100)}%` : "";
  const reason = why("load.percent", `${estimate} x ${share}${less} = ${roundTo(target, 1)} kg.`);
  return { ...answer(q, target, max, missed ? [reason, missed.why] : [reason]), setsLess: missed?.setsLess ?? 0 };
}

/** Lifts that go by reps and reserve alone start a block from what was held last. */
function fromLast({ q, c, last }: Basis): LoadAnswer | null {
  const load = last ? loadOf(last) : undefined;
  if (!last || load === undefined) return null;
  const days = daysBetween(last.date, c.asOf);
  const start = (share: number, text: string) => answer(q, load * share, null, [why("load.rir", text)]);
  if (days > LAYOFF_DAYS)
    return start(0.9, `Last lifted ${days} days ago: start below ${load} kg and go by the reserve.`);
  if (q.rir - askedRir(last, q) >= UNLIKE_RIR)
    return start(0.85, `Light today: below the ${load} kg of last time, ${q.rir} in reserve.`);
  if (q.reps > (last.item.prescribed?.reps ?? q.reps))
    return start(0.9, `New block with more reps: start below the ${load} kg of last time.`);
  return start(1, `New block: start from the ${load} kg of last time and go by the reserve.`);
}

/** The published table's percent, shown beside ours. */
const beside = (n: number): string => (NSCA_PERCENT[n] === undefined ? "" : ` (the NSCA table: ${NSCA_PERCENT[n]}%)`);

function lightLoad(q: LoadQuestion, max: CurrentMax | null, last: History | undefined, cap: number): LoadAnswer {
  const load = last?.item.sets.find((s) => s.loadKg !== undefined)?.loadKg;
  const target = max ? (max.kg * cap) / 100 : load === undefined ? null : load * 0.6;
  if (target === null) return { ...none, why: [why("load.light", "Light: a load that leaves 5 or more in reserve.")] };
  const made = makeLoad(q.exercise, q.loading, q.place, target);
  // Nothing light enough here: nothing in the hands.
  if (!made || made.loadKg > target + 1e-9)
    return { ...none, why: [why("load.light", "The lightest load here is too heavy for this week: empty hands.")] };
  return answer(q, target, max, [why("load.light", `At most ${cap}% of 1RM, 4 or more in reserve, while restoring.`)]);
}

function answer(q: LoadQuestion, targetKg: number, max: CurrentMax | null, reasons: Why[]): LoadAnswer {
  const made = makeLoad(q.exercise, q.loading, q.place, targetKg);
  if (!made) return { ...none, why: reasons };
  const off = targetKg - made.loadKg;
  const rounded =
    Math.abs(off) > 0.01
      ? [
          why(
            "load.makeable",
            off > 0
              ? `${roundTo(made.loadKg, 2)} kg is the nearest load at or below it here.`
              : `${roundTo(made.loadKg, 2)} kg is the lightest there is here.`,
          ),
        ]
      : [];
  return { ...made, percent1rm: max ? roundTo((made.loadKg / max.kg) * 100, 1) : null, why: [...reasons, ...rounded] };
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
