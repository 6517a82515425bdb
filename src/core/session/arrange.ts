/** Items in pairs, with their warm-up and the time they take. */
import { type WarmUpSet, warmUpSets } from "../dose";
import { once } from "../once";
import {
  alternated,
  FLOOR_SECONDS,
  groupsOf,
  labelGroups,
  OPENING_SECONDS,
  primerFirst,
  timeOfGroups,
  totalSeconds,
} from "./time";
import type { Item, SessionRequest, TimeParts } from "./types";

/** On a mat, one thing after the other. */
export const onTheFloor = (r: SessionRequest): boolean => !r.edit && (r.routine !== null || r.loading === "mobility");

export interface Arranged {
  /** Labelled when they are first asked for: most arrangements are asked for their minutes alone. */
  readonly paired: Item[];
  warmUp: WarmUpSet[];
  time: TimeParts;
  minutes: number;
}

/** Items in pairs with their warm-up and the time they take. */
export function arranged(items: readonly Item[], r: SessionRequest): Arranged {
  if (r.edit) return timed([...items], r);
  const groups = primerFirst(alternated(items));
  const paired = once(() => labelGroups(groups));
  return {
    get paired() {
      return paired();
    },
    ...timesOf(groups, r),
  };
}

/** Items that stand in pairs already. */
export const timed = (paired: Item[], r: SessionRequest): Arranged => ({ paired, ...timesOf(groupsOf(paired), r) });

function timesOf(groups: readonly (readonly Item[])[], r: SessionRequest): Omit<Arranged, "paired"> {
  const warmUp = groups.flatMap((g) => g.flatMap((i) => (i.main ? warmUpFor(i, r) : [])));
  const opening = r.routine ? 0 : OPENING_SECONDS;
  const time = timeOfGroups(groups, warmUp, opening, onTheFloor(r) ? FLOOR_SECONDS : undefined);
  return { warmUp, time, minutes: Math.ceil(totalSeconds(time) / 60) };
}

function warmUpFor(i: Item, r: SessionRequest): WarmUpSet[] {
  return i.loadKg === null
    ? []
    : warmUpSets(i.exercise, i.loading, r.place, {
        workKg: i.loadKg,
        percent1rm: i.percent1rm,
        light: r.loading !== "full",
      });
}
