/** Where an athlete stands on each ladder: put there by the coach, by training age, or by what was lifted. */
import { type Athlete, amountOf, type LoggedItem, type StrengthLog, TRAINING_LEVEL, type Training } from "../athlete";
import type { IsoDate } from "../dates";
import { numbers } from "../rulebook";
import type { Library } from "./library";
import type { Exercise } from "./types";

export interface Progression {
  ladder: string;
  steps: readonly Exercise[];
  /** Index of the step the athlete stands on. */
  at: number;
  /** Index of the highest step that is open: training age may open more than the athlete has come to. */
  open: number;
  /** What put the athlete there, before anything was earned. */
  by: "coach" | "log" | "level";
  /** Why it is there, for the sheet. */
  because: string;
  /** Earned since it was last set: the top of the range twice running. */
  earned: boolean;
  /** Two sloppy sessions, or pain in the strict setting, sent it back a step. */
  back: boolean;
}

const { sets: ladderSets, easyPain } = numbers("progress.ladder");
/** Sets that work without load takes before its next step (rule progress.ladder). */
export const LADDER_SETS = ladderSets;
/** The step that a hinge felt in the low back twice goes back to. */
const SAFE_HINGE = "rdl-to-knee";

type Logged = { date: IsoDate; item: LoggedItem };
const reachedTop = ({ item }: Logged): boolean => {
  const asked = item.prescribed?.most ?? item.prescribed?.seconds ?? item.prescribed?.reps;
  if (asked === undefined || item.sets.length === 0 || (item.pain ?? 0) > easyPain) return false;
  if ((item.prescribed?.sets ?? LADDER_SETS) < LADDER_SETS) return false;
  const target = item.prescribed?.rir;
  return item.sets.every(
    (s) => amountOf(s) >= asked && (target === undefined || s.rir === undefined || s.rir >= target),
  );
};
const sloppy = ({ item }: Logged): boolean =>
  item.sets.some((s) => s.clean !== undefined && s.clean < Math.min(s.reps ?? 0, item.prescribed?.repsLow ?? 0));
const loaded = ({ item }: Logged): boolean => item.sets.some((s) => (s.loadKg ?? 0) > 0);

/**
 * Top of the range with control in two consecutive sessions earns the next step; it is asked of unloaded work alone, since loaded
 * work takes load first.
 * @param log lifted before the day asked about
 */
export function progressionsOf(
  library: Library,
  athlete: Pick<Athlete, "rungs" | "settings">,
  training: Training,
  log: readonly StrengthLog[],
): ReadonlyMap<string, Progression> {
  const known = made.get(log);
  if (known && known.library === library && known.athlete === athlete && known.training === training)
    return known.progressions;
  const progressions = workOut(library, athlete, training, log);
  made.set(log, { library, athlete, training, progressions });
  return progressions;
}

/** The last answer for a log: a season asks the same for every week. */
const made = new WeakMap<
  readonly StrengthLog[],
  {
    library: Library;
    athlete: Pick<Athlete, "rungs" | "settings">;
    training: Training;
    progressions: ReadonlyMap<string, Progression>;
  }
>();

function workOut(
  library: Library,
  athlete: Pick<Athlete, "rungs" | "settings">,
  training: Training,
  log: readonly StrengthLog[],
): ReadonlyMap<string, Progression> {
  const history = new Map<string, Logged[]>();
  for (const s of log)
    for (const item of s.items) {
      if (library.byId(item.exercise)?.ladder)
        history.set(item.exercise, [...(history.get(item.exercise) ?? []), { date: s.date, item }]);
    }
  for (const list of history.values()) list.sort((a, b) => (a.date < b.date ? 1 : -1));
  const lastTwo = (e: Exercise | undefined): Logged[] => (e ? (history.get(e.id) ?? []).slice(0, 2) : []);

  return new Map(
    library.ladders.map((ladder): [string, Progression] => {
      const steps = library.ladder(ladder);
      const put = athlete.rungs?.find((r) => r.ladder === ladder);
      const base = put ? steps.findIndex((e) => e.id === put.exercise) : -1;
      const lifted = steps.reduce((top, e, i) => (history.has(e.id) ? i : top), -1);
      const level = steps.findIndex((e) => e.level > TRAINING_LEVEL[training]);
      const byLevel = level < 0 ? steps.length - 1 : level - 1;
      let at = base >= 0 ? base : Math.max(lifted >= 0 ? lifted : byLevel, 0);
      let because =
        base >= 0
          ? "put here by the coach"
          : lifted >= 0
            ? "the highest step in the log"
            : `open to ${training === "new" ? "new lifters" : training === "novice" ? "lifters past three months" : "trained lifters"}`;
      let earned = false;
      const earns = (e: Exercise | undefined): boolean => {
        const two = lastTwo(e);
        return two.length === 2 && two.every((h) => reachedTop(h) && !loaded(h));
      };
      while (at < steps.length - 1 && earns(steps[at])) {
        at += 1;
        earned = true;
        because = "top of the range with control twice running";
      }
      const two = lastTwo(steps[at]);
      const strictPain = athlete.settings?.strictPain === true && (two[0]?.item.pain ?? 0) > 0;
      const back = at > 0 && (strictPain || (two.length === 2 && two.every(sloppy)));
      if (back) {
        at -= 1;
        because = strictPain
          ? "back a step: pain in the strict setting"
          : "back a step: twice fewer clean repetitions than asked";
      }
      const safe = steps.findIndex((e) => e.id === SAFE_HINGE);
      const felt = safe >= 0 && at > safe && feltLowBackTwice(log, (id) => steps.some((e) => e.id === id));
      if (felt) {
        at = safe;
        because = "back a step: felt in the low back twice";
      }
      const open = base >= 0 || back || felt ? at : Math.max(at, byLevel);
      const by = base >= 0 ? "coach" : lifted >= 0 ? "log" : "level";
      return [ladder, { ladder, steps, at, open, by, because, earned, back: back || felt }];
    }),
  );
}

/** Whether the last two logs of such exercises were both felt in the low back. */
export function feltLowBackTwice(log: readonly StrengthLog[], counts: (exercise: string) => boolean): boolean {
  const felt = [...log]
    .sort((a, b) => (a.date < b.date ? 1 : -1))
    .flatMap((s) => s.items.filter((i) => counts(i.exercise) && i.sets.length > 0).map((i) => i.felt));
  return felt.length >= 2 && felt.slice(0, 2).every((f) => f === "low-back");
}
