/** The club's day and time on a phone whose own clock may be wrong: the server's clock is kept as a difference to it. */
import { addDays, daysBetween, type IsoDate } from "../core/dates";

export interface Skew {
  /** The server's clock minus this one's, ms. */
  ms: number;
  /** The club's day minus the day here, days: another zone, or a club that stands on a fixed day. */
  days: number;
}

export const NO_SKEW: Skew = { ms: 0, days: 0 };

const localDay = (ms: number): IsoDate => {
  const d = new Date(ms);
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;
};

/** @param at what the server's clock said, ISO 8601 @param today the club's day then @param here this clock then, ms */
export function skewOf(at: string, today: IsoDate, here: number): Skew {
  const server = Date.parse(at);
  return { ms: server - here, days: daysBetween(localDay(server), today) };
}

/** The club's day now. */
export const todayWith = (skew: Skew, here: number): IsoDate => addDays(localDay(here + skew.ms), skew.days);
