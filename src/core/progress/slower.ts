/** How slow an exercise without load is done: a step more at the end of a block whose work was done (rule grow.unloaded). */
import { cleanReps, setsOnce } from "../athlete";
import type { IsoDate } from "../dates";
import { type Exercise, slowerStepOf } from "../exercise";
import { numbers } from "../rulebook";
import type { PlannedLift } from "./basis";
import type { History } from "./history";

/** Every set with its repetitions, and no more than little pain. */
function wasDone({ item }: History): boolean {
  const asked = item.prescribed;
  const enough = setsOnce(item).length >= (asked?.sets ?? 1);
  return (
    enough &&
    item.sets.every((s) => cleanReps(s) >= (asked?.reps ?? 0)) &&
    (item.pain ?? 0) <= numbers("progress.ladder").easyPain
  );
}

/**
 * @param block first day of the block that the work stands in
 * @param history of the exercise, newest first
 * @returns the step, from 0
 */
export function slowerStep(
  e: Pick<Exercise, "tempo">,
  block: IsoDate,
  history: readonly History[],
  planned: PlannedLift | undefined,
): number {
  if (planned) {
    const ended = planned.block !== block && planned.point >= planned.of - 1;
    return planned.slower + (ended ? 1 : 0);
  }
  const [last] = history;
  if (!last) return 0;
  const { prescribed } = last.item;
  const step = slowerStepOf(e.tempo, prescribed?.tempo ?? e.tempo, prescribed?.half ?? false);
  return last.date < block && wasDone(last) ? step + 1 : step;
}
