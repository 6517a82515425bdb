/** What a logged exercise says about the next time. */
import { cleanReps, setsOnce, topLoad } from "../athlete/logged";
import type { LoggedItem } from "../athlete/types";
import { numbers, type Why, why } from "../rulebook";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";
import { decideHold, onLadder } from "./ladder";
import { painFirst } from "./pain";
import { up } from "./rise";

export function decide(input: DecisionInput): Decision {
  const [last, before] = input.history;
  const { repsLow, reps, rir, own } = input;
  const { pctPerRir } = numbers("progress.effort", own);
  const range = numbers("progress.range", own);
  const spare = numbers("progress.spare");
  if (input.seconds != null) return decideHold(input, input.seconds);
  const load = topLoad(last.item);
  const sets = last.item.sets;
  const lo = last.item.prescribed?.repsLow ?? last.item.prescribed?.reps ?? repsLow;
  const hi = last.item.prescribed?.reps ?? reps;
  const target = last.item.prescribed?.rir ?? rir;
  const counts = sets.map(cleanReps);
  const setCount = setsOnce(last.item).length;
  const least = counts.length ? Math.min(...counts) : 0;
  const same = (because: Why): Decision => ({ kind: "same", loadKg: load, reps, why: [because] });

  const hurt = painFirst(input, { loadKg: load, reps });
  if (hurt) return hurt;

  // Where the hinge was felt.
  if (input.hinge && last.item.felt === "low-back") {
    if (before?.item.felt === "low-back")
      return {
        kind: "back-rung",
        loadKg: load,
        reps,
        why: [why("progress.felt", "twice")],
      };
    return same(why("progress.felt", "once"));
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
        why: [why("progress.form", "twiceStep", input.ladder.easier.toLowerCase())],
      };
    if (sloppy(before))
      return {
        kind: "down-load",
        loadKg: load === null ? null : load * numbers("progress.form", own).share,
        reps,
        why: [why("progress.form", "twiceLoad")],
      };
    return {
      kind: "fewer-reps",
      loadKg: load,
      reps: Math.max(1, least),
      why: [why("progress.form", "once", least)],
    };
  }

  // 3. Spare reps, and the range.
  const missing = last.item.prescribed && setCount < last.item.prescribed.sets;
  const short = counts.filter((c) => c < lo).length;
  if (short >= range.sets && load === null)
    return {
      kind: "fewer-reps",
      loadKg: null,
      reps: Math.max(1, least),
      why: [why("progress.range", "fewer", { sets: short, low: lo, least })],
    };
  if (short >= range.sets)
    return {
      kind: "down-load",
      loadKg: load === null ? null : load * (1 - range.downPct / 100),
      reps,
      why: [why("progress.range", "off", { sets: short, low: lo, pct: range.downPct })],
    };
  const shown = lowestRir(last.item);
  if (short === 1) {
    const off = shown !== null && shown < target ? (target - shown) * pctPerRir : 0;
    const because = why("progress.range", "oneShort", { least, low: lo, nearer: target - (shown ?? 0), off });
    return off > 0
      ? {
          kind: "down-load",
          loadKg: load === null ? null : load * (1 - off / 100),
          reps,
          why: [because],
        }
      : same(because);
  }
  if (missing) return same(why("progress.same", "fewerSets", { done: setCount, asked: last.item.prescribed?.sets }));
  const step = load === null ? onLadder(input, hi, last, before) : null;
  if (step) return step;
  const lastSet = counts.at(-1) ?? 0;
  const beforeTop = before?.item.prescribed?.reps ?? hi;
  const beforeLast = before ? cleanReps(before.item.sets.at(-1) ?? { side: "both" }) : 0;
  if (lastSet >= hi + spare.once)
    return up(input, load, hi, `The last set went ${lastSet - hi} past the top of the range`, "progress.spare");
  if (before && lastSet >= hi + spare.twice && beforeLast >= beforeTop + spare.twice)
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
      (shown - target) * pctPerRir,
    );
  if (shown !== null && shown < target && load !== null) {
    const pct = (target - shown) * pctPerRir;
    return {
      kind: "down-load",
      loadKg: load * (1 - pct / 100),
      reps,
      why: [why("progress.effort", "under", { shown, target, pct })],
    };
  }
  return same(why("progress.same", "inside", { kg: load === null ? null : kg(load), reps: counts }));
}

function lowestRir(item: LoggedItem): number | null {
  const rirs = item.sets.flatMap((s) => (s.rir === undefined ? [] : [s.rir]));
  return rirs.length ? Math.min(...rirs) : null;
}
