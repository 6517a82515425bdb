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
  noLoad,
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
  if (!last || daysBetween(last.date, c.asOf) > known || q.capPercent !== null) return noLoad();
  // A load in the last log says nothing about the same exercise without one.
  if (last.item.sets.some((s) => (s.loadKg ?? 0) > 0)) return noLoad();
  const d = decided(b, [last, ...older], c.cap ?? missed?.why ?? null);
  const asked = last.item.prescribed?.sets ?? q.sets;
  // A hold, a step-back and a taper take the dose's own sets.
  const sets = d.sets ?? (c.cap ? q.sets : Math.max(q.sets, Math.min(asked, LADDER_SETS)));
  const is = noLoad(missed && !d.why.includes(missed.why) ? [...d.why, missed.why] : d.why);
  if (q.seconds === null) is.reps = d.reps;
  else is.seconds = d.seconds ?? q.seconds;
  is.sets = sets;
  is.setsLess = missed?.setsLess ?? 0;
  is.tempo = d.tempo;
  is.decision = { kind: d.kind, after: last.date, byCoach: d.byCoach };
  return is;
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
  if (pack) return q.seconds === null ? pack : heldWith(pack, unloaded(b, history));
  if (!EXTERNAL.includes(q.loading) || q.seconds !== null) return unloaded(b, history);
  if (q.capPercent !== null) return lightLoad(b, q.capPercent);
  const hurt = painOf(b, history);
  const a = loaded(hurt ? { ...b, hurt: true, c: { ...c, cap: hurt } } : b, history);
  if (hurt !== null || c.cap !== null) a.capped = true;
  if (hurt && !a.why.some((w) => w.text === hurt.text)) a.why = [hurt, ...a.why];
  return a;
}

/** A timed carry weighs what the pack says, for as long as its own log says. */
function heldWith(pack: LoadAnswer, held: LoadAnswer): LoadAnswer {
  const { sets, seconds, setsLess, tempo, decision } = held;
  return { ...pack, sets, seconds, setsLess, tempo, decision };
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
    (byMax ? null : fromLast(b, history)) ??
    toBeFound(q)
  );
}

/** Nothing says the load: it is found on the floor. */
function toBeFound(q: LoadQuestion): LoadAnswer {
  const is = noLoad([why("load.unknown", "ramp", q.rir)]);
  is.ramp = rampSets(q.exercise, q.loading, q.place, q.reps);
  return is;
}

/** The coach's word after the last log, also at the start of a block and where nothing may go up. */
function fromCoach(b: Basis, history: readonly History[]): LoadAnswer | null {
  const [last, ...older] = history;
  if (!last || !overruleAfter(b.c.athlete, b.q.exercise.id, last.date)) return null;
  const d = decided(b, [last, ...older], b.c.cap);
  if (!d.byCoach || d.loadKg === null) return null;
  const is = answer(b, d.loadKg, d.why);
  is.reps = d.reps;
  is.sets = d.sets;
  is.decision = { kind: d.kind, after: last.date, byCoach: true };
  return is;
}

function lightLoad(b: Basis, cap: number): LoadAnswer {
  const { q, max, last } = b;
  const load = last && loadOf(last);
  const target = max ? (max.kg * cap) / 100 : load === undefined ? null : load * numbers("load.light").ofLast;
  if (target === null) return noLoad([why("load.light", "unknown")]);
  const made = makeLoad(q.exercise, q.loading, q.place, target);
  // Nothing light enough here: nothing in the hands.
  if (!made || made.loadKg > target + TOLERANCE) return noLoad([why("load.light", "empty")]);
  return answer(b, target, [why("load.light", "most", cap)]);
}
