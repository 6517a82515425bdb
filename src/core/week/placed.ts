import type { LockedSession } from "../athlete";
import { timeOf } from "../dates";
import type { Placed } from "./types";

/** A placement as it is stored: with a time of day, and nothing else of the session. */
export const asLocked = (p: Placed): LockedSession => ({
  label: p.label,
  date: p.date,
  start: timeOf(p.start),
  place: p.place,
});
