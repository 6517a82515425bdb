import { addDays, type IsoDate } from "../core/dates";

/** Today on this machine's calendar, or the fixed day. */
export function todayFrom(fixed: IsoDate | null): IsoDate {
  if (fixed) return fixed;
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
}

/** Days back for which something that is told by day can still be entered. */
export const LATE_DAYS = 7;
export const isLateStill = (date: IsoDate, today: IsoDate): boolean =>
  date <= today && date >= addDays(today, -LATE_DAYS);
