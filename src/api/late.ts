/** Until when a day can still be told of. */
import { addDays, type IsoDate } from "../core/dates";

/** Days back for which something that is told by day can still be entered. */
export const LATE_DAYS = 7;
export const isLateStill = (date: IsoDate, today: IsoDate): boolean =>
  date <= today && date >= addDays(today, -LATE_DAYS);
