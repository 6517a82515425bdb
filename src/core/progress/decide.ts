/** What a logged exercise says about the next time (handbook 13, rules 1 to 4, capped by 6). */
import { cleanReps, setsOnce, topLoad } from "../athlete/logged";
import type { LoggedItem } from "../athlete/types";
import { why } from "../why";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";
import { decideHold, onLadder } from "./ladder";
import { painFirst } from "./pain";
import { up } from "./rise";

/** Each RIR step away from the target moves the load so many percent [house]. */
export const PCT_PER_RIR = 2.5;
/** Down after two sets under the range, percent [trade: 5 to 10]. */
const DOWN_PCT = 7.5;

export function decide(input: DecisionInput): Decision {
  const [last, before] = input.history;
  const { repsLow, reps, rir } = input;
  if (input.seconds != null) return decideHold(input, input.seconds);
  const load = topLoad(last.item);
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
