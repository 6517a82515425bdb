/** What a logged exercise says about the next time. */
import { cleanReps, type LoggedItem, setsOnce, topLoad } from "../athlete";
import { numbers, type Why, why } from "../rulebook";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";
import { decideHold, onLadder } from "./ladder";
import { painFirst } from "./pain";
import { type Ready, up } from "./rise";

/** What the last log says in figures, beside what was asked for. */
interface Shown {
  input: DecisionInput;
  last: History;
  before: History | undefined;
  /** kg of the last time at the effort of the line's next point; null for work without load. */
  load: number | null;
  /** Low and high end of the range, and the reserve, as they were asked for. */
  lo: number;
  hi: number;
  target: number;
  /** Clean repetitions of each set, and the fewest of them. */
  counts: number[];
  least: number;
  setCount: number;
  /** The lowest reserve that was logged; null where none was. */
  shown: number | null;
}

function shownBy(input: DecisionInput): Shown {
  const [last, before] = input.history;
  const asked = last.item.prescribed;
  const hi = asked?.reps ?? input.reps;
  const low = asked?.repsLow ?? asked?.reps ?? input.repsLow;
  const counts = last.item.sets.map(cleanReps);
  return {
    input,
    last,
    before,
    load: onLine(topLoad(last.item), input.line ?? 1),
    // A single number, as lines have it, is not missed by one repetition.
    lo: low === hi ? Math.max(1, low - numbers("progress.range").within) : low,
    hi,
    target: asked?.rir ?? input.rir,
    counts,
    least: counts.length ? Math.min(...counts) : 0,
    setCount: setsOnce(last.item).length,
    shown: lowestRir(last.item),
  };
}

const onLine = (load: number | null, line: number): number | null => (load === null ? null : load * line);
/** Where something speaks against more, the line adds nothing either. */
const noMore = (s: Shown): Shown => ((s.input.line ?? 1) > 1 ? { ...s, load: topLoad(s.last.item) } : s);

const same = (s: Shown, because: Why): Decision => ({
  kind: "same",
  loadKg: s.load,
  reps: s.input.reps,
  why: [because],
});
const lighter = (s: Shown, share: number, because: Why): Decision => ({
  kind: "down-load",
  loadKg: s.load === null ? null : s.load * share,
  reps: s.input.reps,
  why: [because],
});
const fewer = (s: Shown, because: Why): Decision => ({
  kind: "fewer-reps",
  loadKg: s.load,
  reps: Math.max(1, s.least),
  why: [because],
});
const backAStep = (s: Shown, because: Why): Decision => ({
  kind: "back-rung",
  loadKg: s.load,
  reps: s.input.reps,
  why: [because],
});

/** One decision after a log, by the first rule that speaks: pain, where it was felt, form, the range, spare repetitions, effort. */
export function decide(input: DecisionInput): Decision {
  if (input.seconds != null) return decideHold(input, input.seconds);
  const s = shownBy(input);
  const held = noMore(s);
  return (
    painFirst(input, { loadKg: held.load, reps: input.reps }) ??
    byFelt(held) ??
    byForm(held) ??
    byRange(held) ??
    bySpare(s) ??
    byEffort(s) ??
    same(s, why("progress.same", "inside", { kg: s.load === null ? null : kg(s.load), reps: s.counts }))
  );
}

/** Where a hinge was felt. */
function byFelt(s: Shown): Decision | null {
  if (!s.input.hinge || s.last.item.felt !== "low-back") return null;
  return s.before?.item.felt === "low-back"
    ? backAStep(s, why("progress.felt", "twice"))
    : same(s, why("progress.felt", "once"));
}

/** Only repetitions that meet the standard count. */
function byForm(s: Shown): Decision | null {
  const sloppy = (h: History | undefined): boolean => {
    const standard = h?.item.prescribed?.repsLow ?? h?.item.prescribed?.reps ?? s.input.repsLow;
    return h?.item.sets.some((x) => x.clean !== undefined && x.clean < Math.min(x.reps ?? 0, standard)) ?? false;
  };
  if (!sloppy(s.last)) return null;
  if (!sloppy(s.before)) return fewer(s, why("progress.form", "once", s.least));
  const easier = s.load === null ? s.input.ladder?.()?.easier : null;
  return easier
    ? backAStep(s, why("progress.form", "twiceStep", easier.toLowerCase()))
    : lighter(s, numbers("progress.form", s.input.own).share, why("progress.form", "twiceLoad"));
}

/** Sets under the range, and sets left out. */
function byRange(s: Shown): Decision | null {
  const { load, lo, target, shown, least } = s;
  const range = numbers("progress.range", s.input.own);
  const short = s.counts.filter((c) => c < lo).length;
  if (short >= range.sets)
    return load === null
      ? fewer(s, why("progress.range", "fewer", { sets: short, low: lo, least }))
      : lighter(s, 1 - range.downPct / 100, why("progress.range", "off", { sets: short, low: lo, pct: range.downPct }));
  if (short > 0) {
    const { pctPerRir } = numbers("progress.effort", s.input.own);
    const off = shown !== null && shown < target ? (target - shown) * pctPerRir : 0;
    const because = why("progress.range", "oneShort", { least, low: lo, nearer: target - (shown ?? 0), off });
    return off > 0 ? lighter(s, 1 - off / 100, because) : same(s, because);
  }
  const asked = s.last.item.prescribed?.sets;
  return asked !== undefined && s.setCount < asked
    ? same(s, why("progress.same", "fewerSets", { done: s.setCount, asked }))
    : null;
}

/** Work without load climbs its ladder; with load, spare repetitions and the top of the range earn more of it. */
function bySpare(s: Shown): Decision | null {
  const { input, load, hi, before, shown, target, setCount } = s;
  const spare = numbers("progress.spare");
  const step = load === null ? onLadder(input, hi) : null;
  if (step) return step;
  const more = (because: string, rule: Ready) => up(input, { load, hi, because, rule });
  const lastSet = s.counts.at(-1) ?? 0;
  const beforeTop = before?.item.prescribed?.reps ?? hi;
  const beforeLast = before ? cleanReps(before.item.sets.at(-1) ?? { side: "both" }) : 0;
  if (lastSet >= hi + spare.once)
    return more(`The last set went ${lastSet - hi} past the top of the range`, "progress.spare");
  if (before && lastSet >= hi + spare.twice && beforeLast >= beforeTop + spare.twice)
    return more("Two past the top of the range in two sessions running", "progress.spare");
  if (s.least < hi || shown === null || shown < target) return null;
  const sets = setCount === 1 ? "The one set" : `All ${setCount} sets`;
  return more(`${sets} at ${hi} with ${target} or more in reserve`, "progress.range");
}

/**
 * The reserve against what was meant, when no rule before spoke. A load that was held low leaves more than anybody can tell: what is told
 * under it is not too heavy for that.
 */
function byEffort(s: Shown): Decision | null {
  const { input, load, shown, target } = s;
  if (shown === null || load === null || shown === target) return null;
  const { pctPerRir } = numbers("progress.effort", input.own);
  const pct = Math.abs(shown - target) * pctPerRir;
  return shown > target
    ? up(input, { load, hi: s.hi, because: `${shown} in reserve against ${target}`, rule: "progress.effort", pct })
    : under(s, shown);
}

function under(s: Shown, shown: number): Decision | null {
  const target = Math.min(s.target, numbers("load.unknown").tellsUpTo);
  if (shown >= target) return null;
  const pct = (target - shown) * numbers("progress.effort", s.input.own).pctPerRir;
  return lighter(s, 1 - pct / 100, why("progress.effort", "under", { shown, target, pct }));
}

function lowestRir(item: LoggedItem): number | null {
  const rirs = item.sets.flatMap((s) => (s.rir === undefined ? [] : [s.rir]));
  return rirs.length ? Math.min(...rirs) : null;
}
