/** Numbers, dates and durations as people in several countries write them. */
import { isDate } from "../../core/dates";

export type Decimal = "." | ",";
export type DateOrder = "ymd" | "dmy" | "mdy";

/** @returns the number, null where the text is none in this way of writing */
export function numberFrom(text: string, decimal: Decimal): number | null {
  const t = text.trim().replace(/[\s\u00a0\u202f']/g, "");
  const pattern = decimal === "," ? /^[+-]?(\d+|\d{1,3}(\.\d{3})+)(,\d+)?$/ : /^[+-]?(\d+|\d{1,3}(,\d{3})+)(\.\d+)?$/;
  if (!pattern.test(t)) return null;
  return Number(decimal === "," ? t.replaceAll(".", "").replace(",", ".") : t.replaceAll(",", ""));
}

export interface Moment {
  date: string;
  /** HH:MM, where the text has a time. */
  time?: string;
  /** ms since 1970, where the text names an instant (it ends in Z or an offset). */
  instant?: number;
}

/** First letters of the months, in the languages of words.ts. */
const MONTHS: string[][] = [
  ["jan", "ene", "gen"],
  ["feb", "fev"],
  ["mar", "mrz", "maa", "maer"],
  ["apr", "avr", "abr"],
  ["may", "mai", "mag", "mei", "maj"],
  ["jun", "juin", "giu"],
  ["jul", "juil", "lug"],
  ["aug", "aou", "ago"],
  ["sep", "set"],
  ["oct", "okt", "ott"],
  ["nov"],
  ["dec", "dez", "dic", "des"],
];

/** "4. März 2026, 6:30" or "Mar 4, 2026" as numbers, day first; any other text as it is. */
function withoutMonthNames(text: string): string {
  const p = text.normalize("NFD").replace(/[\u0300-\u036f]/g, "");
  const m =
    /^(?:[a-z]+,?\s+)?(\d{1,2})\.?\s+(?:de\s+)?([a-z]{3,})\.?,?\s+(?:de\s+)?(\d{4})(.*)$/i.exec(p) ??
    /^(?:[a-z]+,\s+)?([a-z]{3,})\.?\s+(\d{1,2}),?\s+(\d{4})(.*)$/i.exec(p);
  if (!m) return text;
  const [, a = "", b = "", year = "", rest = ""] = m;
  const [day, name] = /^\d/.test(a) ? [a, b] : [b, a];
  const lower = name.toLowerCase();
  const month = MONTHS.findIndex((names) => names.some((n) => lower.startsWith(n)));
  return month < 0 ? text : `${year}-${month + 1}-${day}${rest}`;
}

/** @returns date and time as written, null where the text is no date in this order */
export function momentFrom(text: string, order: DateOrder): Moment | null {
  const t = withoutMonthNames(text.trim());
  const m = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[T ,]+(.+))?$/.exec(t);
  if (!m) return null;
  const [, a = "", b = "", c = "", rest] = m;
  const [y, mo, d] = a.length === 4 ? [a, b, c] : order === "mdy" ? [c, a, b] : order === "dmy" ? [c, b, a] : [a, b, c];
  const year = y.length === 2 ? `20${y}` : y;
  const date = `${year}-${mo.padStart(2, "0")}-${d.padStart(2, "0")}`;
  if (!isDate(date)) return null;
  if (rest === undefined) return { date };
  const zoned = /^(\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?)\s*(Z|[+-]\d{2}:?\d{2})$/.exec(rest.trim());
  if (zoned) {
    const instant = Date.parse(`${date}T${zoned[1]}${zoned[2]}`);
    return Number.isNaN(instant) ? null : { date, instant };
  }
  const time = timeFrom(rest);
  return time === null ? null : { date, time };
}

/** @returns HH:MM of "6:30", "06:30:15", "6.30", "6:30 pm"; null where it is no time of day */
export function timeFrom(text: string): string | null {
  const m = /^(\d{1,2})[:.h](\d{2})(?:[:.]\d{2})?(?:\.\d+)?\s*([ap])?\.?m?\.?$/i.exec(text.trim());
  if (!m) return null;
  let hour = Number(m[1]);
  if (m[3]) hour = (hour % 12) + (m[3].toLowerCase() === "p" ? 12 : 0);
  return hour > 23 || Number(m[2]) > 59 ? null : `${String(hour).padStart(2, "0")}:${m[2]}`;
}

/** How a duration is written: with colons, or as a number of some unit. */
export type DurationForm = "h:mm" | "mm:ss" | "hours" | "minutes" | "seconds";

/** @returns minutes, null where the text is no duration in this form */
export function minutesFrom(text: string, form: DurationForm, decimal: Decimal): number | null {
  const t = text.trim();
  const three = /^(\d{1,3}):(\d{2}):(\d{2})(?:[.,]\d+)?$/.exec(t);
  if (three) return Number(three[1]) * 60 + Number(three[2]) + Number(three[3]) / 60;
  const two = /^(\d{1,4}):(\d{2})(?:[.,]\d+)?$/.exec(t);
  if (two) return form === "mm:ss" ? Number(two[1]) + Number(two[2]) / 60 : Number(two[1]) * 60 + Number(two[2]);
  const words = /^(?:(\d+)\s*h\w*)?\s*(?:(\d+)\s*m\w*)?\s*(?:(\d+)\s*s\w*)?$/i.exec(t);
  if (words && (words[1] || words[2] || words[3]))
    return Number(words[1] ?? 0) * 60 + Number(words[2] ?? 0) + Number(words[3] ?? 0) / 60;
  const n = numberFrom(t, decimal);
  if (n === null || n < 0) return null;
  return form === "seconds" || form === "mm:ss" ? n / 60 : form === "hours" || form === "h:mm" ? n * 60 : n;
}
