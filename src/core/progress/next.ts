/** Who sets the load: the plan of the weeks before, the coach, the log inside a block, e1RM x percent at its start. */
import { daysBetween } from "../dates";
import { currentMax, makeLoad, percentFor, rampSets } from "../dose";
import { EXTERNAL, LADDER_SETS } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import type { LoadAnswer, LoadQuestion } from "../session";
import { TOLERANCE } from "../units";
import {
  AWAY_DAYS,
  answer,
  type Basis,
  decided,
  decisionInput,
  LAYOFF_DAYS,
  type LoadContext,
  loadOf,
  missedWeeks,
  none,
  overruleAfter,
  trains,
} from "./basis";
import { fromLast, fromMax } from "./begin";
import { fromLog, fromPlan } from "./carry";
import { type History, historyOf } from "./history";
import { fromPack } from "./pack";
import { painFirst } from "./pain";

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
  const pack = EXTERNAL.includes(q.loading) ? fromPack(b) : null;
  if (pack) return q.seconds === null ? pack : { ...unloaded(b, history), ...pack };
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

function lightLoad(b: Basis, cap: number): LoadAnswer {
  const { q, max, last } = b;
  const load = last && loadOf(last);
  const target = max ? (max.kg * cap) / 100 : load === undefined ? null : load * numbers("load.light").ofLast;
  if (target === null) return { ...none, why: [why("load.light", "unknown")] };
  const made = makeLoad(q.exercise, q.loading, q.place, target);
  // Nothing light enough here: nothing in the hands.
  if (!made || made.loadKg > target + TOLERANCE) return { ...none, why: [why("load.light", "empty")] };
  return answer(b, target, [why("load.light", "most", cap)]);
}
