/** The first load of a block, or after a layoff: e1RM x percent; where nothing says a maximum, from what was held last. */
import { daysBetween } from "../dates";
import { decayShare, NSCA_PERCENT } from "../dose";
import { numbers, type Why, why } from "../rulebook";
import type { LoadAnswer, LoadQuestion } from "../session";
import { roundTo } from "../units";
import {
  AWAY_DAYS,
  answer,
  askedRir,
  type Basis,
  LAYOFF_DAYS,
  LIGHT_RIR,
  loadOf,
  percentOfLog,
  trains,
  UNLIKE_RIR,
} from "./basis";
import { type History, lastDayOf } from "./history";

/** The latest log of working sets; light and restoring ones only where there are no others. @param history newest first */
const workingOf = (history: readonly History[], q: LoadQuestion): History | undefined =>
  history.find((h) => askedRir(h, q) < LIGHT_RIR) ?? history[0];

/** The first session of a block, or after a layoff: e1RM x percent. */
export function fromMax(b: Basis, history: readonly History[]): LoadAnswer | null {
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
  const kept = workingOf(recent, q);
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
  const is = answer(b, target, reasons);
  is.setsLess = missed?.setsLess ?? 0;
  return is;
}

/** The last working load at the percent that is asked for now; undefined where nothing says it. */
function comparable({ q, percent, planned, formula }: Basis, recent: readonly History[]): number | undefined {
  if (percent === null) return undefined;
  if (planned) return planned.aim.percent === null ? undefined : (planned.aim.kg * percent) / planned.aim.percent;
  const last = workingOf(recent, q);
  const [kg, was] = last ? [loadOf(last), percentOfLog(last, formula)] : [undefined, null];
  return kg === undefined || was === null ? undefined : (kg * percent) / was;
}

/** Lifts that go by reps and reserve alone start a block from what was held last; light and restoring sets say nothing about it. */
export function fromLast(b: Basis, history: readonly History[]): LoadAnswer | null {
  const { q, c } = b;
  const loaded = history.filter((h) => loadOf(h) !== undefined);
  const last = workingOf(loaded, q);
  const load = last ? loadOf(last) : undefined;
  if (!last || load === undefined) return null;
  const days = daysBetween(last.date, c.asOf);
  const shares = numbers("load.rir");
  // Where other work went on, what rested is one exercise, not the athlete: it is not charged.
  const missed = lastDayOf(c.log) === b.last?.date ? b.missed : null;
  const start = (share: number, because: Why): LoadAnswer => {
    const is = answer(b, load * Math.min(share, missed?.factor ?? 1), missed ? [because, missed.why] : [because]);
    is.setsLess = missed?.setsLess ?? 0;
    return is;
  };
  if (days > (trains(c) ? AWAY_DAYS : LAYOFF_DAYS))
    return start(shares.away, why("load.rir", "away", { days, kg: load }));
  if (q.rir - askedRir(last, q) >= UNLIKE_RIR)
    return start(shares.light, why("load.rir", "light", { kg: load, reserve: q.rir }));
  if (q.reps > (last.item.prescribed?.reps ?? q.reps)) return start(shares.moreReps, why("load.rir", "moreReps", load));
  return start(1, why("load.rir", "start", load));
}

/** The published table's percent, shown beside ours. */
const beside = (n: number): string => (NSCA_PERCENT[n] === undefined ? "" : ` (the NSCA table: ${NSCA_PERCENT[n]}%)`);
