/** Instants on an athlete's wall clock, by the platform's own time zone data. */
import type { ClockTime, IsoDate } from "../core/dates";

const formats = new Map<string, Intl.DateTimeFormat | null>();

function formatOf(zone: string): Intl.DateTimeFormat | null {
  const known = formats.get(zone);
  if (known !== undefined) return known;
  let made: Intl.DateTimeFormat | null = null;
  try {
    made = new Intl.DateTimeFormat("en-GB", {
      timeZone: zone,
      hourCycle: "h23",
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
      second: "2-digit",
    });
  } catch {
    // Not a zone the platform knows.
  }
  formats.set(zone, made);
  return made;
}

/** @returns whether the platform knows a time zone of this name */
export const isZone = (zone: string): boolean => formatOf(zone) !== null;

/** Minutes that a zone is ahead of UTC at an instant; 0 for a zone nobody knows. @param ms since 1970 */
export function offsetMinutes(zone: string, ms: number): number {
  const format = formatOf(zone);
  if (!format) return 0;
  const part: Record<string, number> = {};
  for (const p of format.formatToParts(ms)) part[p.type] = Number(p.value);
  const wall = Date.UTC(
    part.year ?? 1970,
    (part.month ?? 1) - 1,
    part.day ?? 1,
    part.hour ?? 0,
    part.minute ?? 0,
    part.second ?? 0,
  );
  return Math.round((wall - Math.floor(ms / 1000) * 1000) / 60_000);
}

/** @returns date and time on the wall clock of a zone. @param ms since 1970 */
export function wallClock(zone: string, ms: number): { date: IsoDate; time: ClockTime } {
  const text = new Date(ms + offsetMinutes(zone, ms) * 60_000).toISOString();
  return { date: text.slice(0, 10), time: text.slice(11, 16) };
}

/**
 * The instant of a wall clock time. In the hour that a change to summer time skips, the clock before the change is read on; of an hour
 * that comes twice, the first is taken.
 * @returns ms since 1970
 */
export function instantOf(zone: string, date: IsoDate, time: ClockTime): number {
  const wall = Date.parse(`${date}T${time}:00Z`);
  const before = offsetMinutes(zone, wall - 86_400_000);
  const after = offsetMinutes(zone, wall + 86_400_000);
  for (const offset of [before, after]) {
    const at = wall - offset * 60_000;
    if (offsetMinutes(zone, at) === offset) return at;
  }
  return wall - before * 60_000;
}
