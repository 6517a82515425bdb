/** Items in pairs, with their warm-up and the time they take. */

import { type WarmUpSet, warmUpSets } from "../dose";
import { flatMap } from "../lists";
import { once } from "../once";
import { withChanges } from "./item";
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

/** Items in their order, with what they take. */
export class Arranged {
  readonly warmUp: WarmUpSet[];
  readonly time: TimeParts;
  readonly minutes: number;

  /** @param labelled the items in pairs */
  constructor(
    groups: readonly (readonly Item[])[],
    r: SessionRequest,
    private readonly labelled: () => Item[],
  ) {
    this.warmUp = flatMap(groups, (g) => flatMap(g, (i) => (i.main ? warmUpFor(i, r) : [])));
    const opening = r.routine ? 0 : OPENING_SECONDS;
    this.time = timeOfGroups(groups, this.warmUp, opening, onTheFloor(r) ? FLOOR_SECONDS : undefined);
    this.minutes = Math.ceil(totalSeconds(this.time) / 60);
  }

  /** Labelled when they are first asked for: most arrangements are asked for their minutes alone. */
  get paired(): Item[] {
    return this.labelled();
  }
}

/** Items in pairs with their warm-up and the time they take. */
export function arranged(items: readonly Item[], r: SessionRequest): Arranged {
  if (r.edit) return timed([...items], r);
  const groups = primerFirst(alternated(items));
  return new Arranged(
    groups,
    r,
    once(() => labelGroups(groups, (i, pair) => withChanges(i, { pair }))),
  );
}

/** Items that stand in pairs already. */
export const timed = (paired: Item[], r: SessionRequest): Arranged => new Arranged(groupsOf(paired), r, () => paired);

function warmUpFor(i: Item, r: SessionRequest): WarmUpSet[] {
  return i.loadKg === null
    ? []
    : warmUpSets(i.exercise, i.loading, r.place, {
        workKg: i.loadKg,
        percent1rm: i.percent1rm,
        light: r.loading !== "full",
      });
}
