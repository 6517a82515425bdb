/** More or fewer planned miles, for what-if questions. */
import type { EnduranceSession } from "../athlete";
import type { IsoDate } from "../dates";

/**
 * @param from sessions before it, and done ones, stay as they are; so do those after `until`
 * @param percent of what is planned now: 100 changes nothing
 * @returns minutes, distance, ascent and descent in the same proportion; effort and kind stay
 */
export function scaled(
  sessions: readonly EnduranceSession[],
  { from, until, percent }: { from: IsoDate; until?: IsoDate; percent: number },
): EnduranceSession[] {
  const f = percent / 100;
  if (f === 1) return [...sessions];
  const times = <K extends "distanceKm" | "ascentM" | "descentM">(s: EnduranceSession, key: K) =>
    s[key] === undefined ? {} : { [key]: s[key] * f };
  return sessions.map((s) =>
    s.done === true || s.date < from || (until !== undefined && s.date > until)
      ? s
      : {
          ...s,
          minutes: Math.max(1, s.minutes * f),
          ...times(s, "distanceKm"),
          ...times(s, "ascentM"),
          ...times(s, "descentM"),
        },
  );
}
