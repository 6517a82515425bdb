/** Dates and times of day as people type them, day before month, and as they are shown. */
import { format, isValid, parse } from "date-fns";
import { enGB } from "date-fns/locale/en-GB";
import { type IsoDate, isDate } from "../../core/dates";

/** Forms with a year first, so that "11.3.26" is not read as a day without one. */
const WITH_YEAR = [
  "d.M.yy",
  "d.M.yyyy",
  "d/M/yy",
  "d/M/yyyy",
  "d-M-yyyy",
  "d MMM yyyy",
  "d MMMM yyyy",
  "EEE d MMM yyyy",
  "EEEE d MMMM yyyy",
];
const WITHOUT = ["d.M.", "d.M", "d/M", "d MMM", "d MMMM", "EEE d MMM"];
const iso = (d: Date): IsoDate => format(d, "yyyy-MM-dd");

/**
 * The date that a text means: "2026-03-11", "11.3.2026", "11/3/26", "11 Mar", "Wed 11 March 2026"; the day stands before the month.
 * @param near a date of the year that is meant where none is typed
 * @returns null for a text that is no date
 */
export function dateFromText(text: string, near: IsoDate): IsoDate | null {
  const typed = text.trim().replaceAll("\u00a0", " ").replace(/,/g, "").replace(/\s+/g, " ");
  if (/^\d{4}-\d{2}-\d{2}$/.test(typed)) return isDate(typed) ? typed : null;
  const around = isDate(near) ? new Date(`${near}T12:00:00`) : new Date();
  for (const pattern of [...WITH_YEAR, ...WITHOUT]) {
    const found = parse(typed, pattern, around, { locale: enGB });
    if (isValid(found) && found.getFullYear() > 1900) return iso(found);
  }
  return null;
}

/** "Wed 11 Mar 2026" */
export const textOfDate = (date: IsoDate): string =>
  isDate(date) ? format(new Date(`${date}T12:00:00`), "EEE d MMM yyyy", { locale: enGB }) : date;

const CLOCKS = ["H:mm", "H.mm", "HHmm", "h:mm a", "h.mm a", "h a", "ha", "h:mma", "H"];

/**
 * The time of day that a text means: "17:30", "17.30", "1730", "5:30 pm", "7".
 * @returns "HH:mm"; null for a text that is no time
 */
export function timeFromText(text: string): string | null {
  const typed = text.trim().replaceAll("\u00a0", " ").replace(/\s*h$/i, "");
  if (/^24[:.]?00$|[:.]\d(?!\d)/.test(typed)) return null;
  for (const pattern of CLOCKS) {
    const found = parse(typed, pattern, new Date(2026, 0, 1), { locale: enGB });
    if (isValid(found)) return format(found, "HH:mm");
  }
  return null;
}
