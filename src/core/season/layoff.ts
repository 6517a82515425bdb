/** Weeks without lifting, and what they ask of the days after. */
import type { Athlete } from "../athlete";
import { dateOf, dayNumber, type IsoDate } from "../dates";
import { numbers, type RuleValues } from "../rulebook";

/**
 * The last long stretch without a strength session: when it ended, and how many weeks it took. Weeks of recovery after a race are
 * no layoff.
 * @param asOf the day up to which the log is known
 */
export function layoffOf(
  athlete: Pick<Athlete, "strengthLog">,
  asOf: IsoDate,
  recovering: (date: IsoDate) => boolean,
  own?: RuleValues,
): { back: IsoDate; weeks: number } | null {
  const least = numbers("layoff.prepare", own).from;
  const dates = [...new Set(athlete.strengthLog.map((l) => l.date).filter((d) => d < asOf))].sort();
  const ends = [...dates.slice(1), asOf];
  for (let i = dates.length - 1; i >= 0; i--) {
    const [from, back] = [dates[i], ends[i]];
    if (!from || !back) continue;
    let away = 0;
    for (let n = dayNumber(from) + 1; n < dayNumber(back); n++) if (!recovering(dateOf(n))) away++;
    const weeks = Math.floor(away / 7);
    if (weeks >= least) return { back, weeks };
  }
  return null;
}
