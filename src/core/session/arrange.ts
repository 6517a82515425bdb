/** Items in pairs, with their warm-up and the time they take. */
import { type WarmUpSet, warmUpSets } from "../dose";
import { FLOOR_SECONDS, OPENING_SECONDS, pairUp, primerFirst, timeOfSession, totalSeconds } from "./time";
import type { Item, SessionRequest } from "./types";

/** On a mat, one thing after the other. */
export const onTheFloor = (r: SessionRequest): boolean => !r.edit && (r.routine !== null || r.loading === "mobility");

/** Items in pairs with their warm-up and the time they take. */
export const arranged = (items: readonly Item[], r: SessionRequest) =>
  timed(r.edit ? [...items] : primerFirst(pairUp(items)), r);

/** Items that stand in pairs already. */
export function timed(paired: Item[], r: SessionRequest) {
  const warmUp = paired.filter((i) => i.main).flatMap((i) => warmUpFor(i, r));
  const time = timeOfSession(
    paired,
    warmUp,
    r.routine ? 0 : OPENING_SECONDS,
    onTheFloor(r) ? FLOOR_SECONDS : undefined,
  );
  return { paired, warmUp, time, minutes: Math.ceil(totalSeconds(time) / 60) };
}
export type Arranged = ReturnType<typeof timed>;

function warmUpFor(i: Item, r: SessionRequest): WarmUpSet[] {
  return i.loadKg === null
    ? []
    : warmUpSets(i.exercise, i.loading, r.place, {
        workKg: i.loadKg,
        percent1rm: i.percent1rm,
        light: r.loading !== "full",
      });
}
