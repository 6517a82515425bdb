/** A back that rounds at the catch or in the hinge: how far hinges go meanwhile, and for how long (rule finding.seen) [trade]. */
import type { Athlete } from "../athlete";
import { addDays, type IsoDate } from "../dates";
import { numbers } from "../rulebook";
import { latestScreening, passes } from "./marks";

/** Hinges that end at the knee or above it; whatever else is a hinge goes further and is closed. */
export const TO_THE_KNEE: ReadonlySet<string> = new Set([
  "dowel-hinge",
  "dowel-good-morning",
  "rdl-to-knee",
  "kettlebell-deadlift",
  "supported-back-extension",
]);

/**
 * A back that was seen to round, or that rounded in the dowel hinge before the mark.
 * @returns until when hinges stop at the knee, in words; null where they do not
 */
export function hingeStopsAtKnee(athlete: Athlete, on: IsoDate): string | null {
  const last = athlete.seen
    .filter((s) => s.what === "rounded-catch" && s.date <= on)
    .map((s) => s.date)
    .sort()
    .at(-1);
  const passed = passes(athlete, "dowel-hinge", on);
  if (passed === false || (last !== undefined && passed !== true)) return "until the dowel hinge passes";
  if (last === undefined) return null;
  // Passed on a later day: it is over. Passed before and seen all the same: at the catch alone, for two weeks.
  if ((latestScreening(athlete, "dowel-hinge", on)?.date ?? "") > last) return null;
  const end = addDays(last, numbers("finding.seen").catchDays);
  return on < end ? `until ${end}` : null;
}
