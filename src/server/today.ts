import type { IsoDate } from "../core/dates";

/** Today on this machine's calendar, or the fixed day. */
export function todayFrom(fixed: IsoDate | null): IsoDate {
  if (fixed) return fixed;
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
}
