/** Inside a block: from the weeks planned before, or from the log, at the percent of the line's next point. */
import { daysBetween } from "../dates";
import { numbers, type Why, why } from "../rulebook";
import type { LoadAnswer, LoadQuestion } from "../session";
import { roundTo, TOLERANCE } from "../units";
import {
  alike,
  answer,
  askedRir,
  type Basis,
  decided,
  LAYOFF_DAYS,
  LIGHT_RIR,
  type LoadContext,
  loadOf,
  percentOfLog,
} from "./basis";
import type { Decision } from "./decision";
import type { History } from "./history";
import { riseLimitPct } from "./rise";

/** What the weeks planned before it lead to: their load where nothing may go up, the line's next percent of it inside a block. */
export function fromPlan(b: Basis): LoadAnswer | null {
  const { q, c, max, planned, percent } = b;
  if (!planned) return null;
  if (c.cap && planned.rir === q.rir && planned.reps >= q.repsLow) {
    const reasons = [c.cap, why("load.progress", "weeksBefore")];
    const is = answer(b, planned.aim.kg, reasons);
    is.reps = planned.reps;
    return is;
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

/** Times the last load that this point of the line asks for; so much more a week at most, and nothing more where nothing may go up. */
function lineFrom(b: Basis, last: History): { line: number; was: number | null } {
  const { c, percent } = b;
  const was = percentOfLog(last, b.formula);
  if (was === null || percent === null || Math.abs(percent - was) < TOLERANCE) return { line: 1, was: null };
  const { weekPct } = numbers("block.line", c.athlete.settings?.ruleValues);
  const weeks = Math.max(1, Math.floor(daysBetween(last.date, c.on) / 7));
  return { line: Math.min(percent / was, c.cap ? 1 : 1 + (weekPct * weeks) / 100), was };
}

/**
 * What catches up from a load that left more than is asked for now rises as other work does, whatever else the log has earned: 5% for every
 * week at its load, 10% at once, so that a room's step that is larger than a week's part comes the week after.
 */
function caughtUp({ q, c }: Basis, logs: readonly [History, ...History[]]): number {
  const [last] = logs;
  const from = loadOf(last);
  const own = c.athlete.settings?.ruleValues;
  if (from === undefined || askedRir(last, q) - q.rir < numbers("load.progress", own).unlike)
    return Number.POSITIVE_INFINITY;
  return from * (1 + riseLimitPct(logs, c.on, own) / 100);
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
export function fromLog(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c, max, percent, missed } = b;
  const [last, ...older] = settingLogs(history, q, c);
  if (!last || last.date < c.blockStart || daysBetween(last.date, c.asOf) > LAYOFF_DAYS) return null;
  if (!c.cap && max && waitedToBegin(b, history)) return null;
  const logs: [History, ...History[]] = [last, ...older];
  const { line, was } = lineFrom(b, last);
  const d = decided(b, logs, c.cap ?? missed?.why ?? null, line);
  if (d.loadKg === null) return null;
  const from = loadOf(last);
  const lined = line < 1 && d.kind === "same" && from !== undefined ? stays(b, d.loadKg, from) : d.loadKg;
  let target = Math.min(lined, caughtUp(b, logs)) * (missed?.factor ?? 1);
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
      const most = riseLimitPct(logs, c.on, own);
      target = Math.max(target, Math.min(low, (loadOf(last) ?? target) * (1 + most / 100)));
      reasons.push(why("load.progress", "raised", { ...near, most }));
    }
  }
  const is = answer(b, target, reasons);
  is.reps = repsAfter(q, d);
  is.sets = d.sets;
  is.setsLess = missed?.setsLess ?? 0;
  is.decision = { kind: d.kind, after: last.date, byCoach: d.byCoach };
  return is;
}

/** Repetitions that a decision asks for beside the line's own: fewer clean ones, or more where no next load can be made. */
const repsAfter = (q: LoadQuestion, d: Decision): number =>
  d.kind === "fewer-reps" || d.kind === "up-reps" || d.byCoach === true ? d.reps : q.reps;
