/** Which column of a foreign table says what, and in which units: guessed from headings and values, changed by the coach. */

import type { Table } from "./table";
import { type DateOrder, type Decimal, type DurationForm, momentFrom, numberFrom } from "./values";
import { plain } from "./words";

export const FIELDS = [
  "date",
  "start",
  "sport",
  "kind",
  "minutes",
  "distance",
  "ascent",
  "descent",
  "rpe",
  "heartRate",
  "pack",
  "name",
  "id",
] as const;
export type Field = (typeof FIELDS)[number];

/** Column of each field, by its index; a field without a column is missing. */
export type Columns = Partial<Record<Field, number>>;

export interface Mapping {
  columns: Columns;
  decimal: Decimal;
  dateOrder: DateOrder;
  duration: DurationForm;
  distanceUnit: "km" | "m" | "mi";
  heightUnit: "m" | "ft";
  massUnit: "kg" | "lb";
  /** Rows are sessions that were done, or that are planned. */
  done: boolean;
}

/** Words of headings, in order of how surely they mean the field. */
const HEADINGS: [Field, RegExp][] = [
  ["id", /^(id|uuid|activity id|aktivitats id|external id|nr|no)$/],
  ["heartRate", /heart|puls|\bhr\b|bpm|\bfc\b|cardia|herzfrequenz|hartslag|frequenza/],
  ["rpe", /\brpe\b|effort|anstrengung|borg|belastung|ressenti|sforzo|esfuerzo|inspanning/],
  ["descent", /descent|abstieg|tiefenmeter|denivele negatif|discesa|descenso|loss|bajada|abwarts/],
  ["ascent", /ascent|climb|elev|hohenmeter|\bhm\b|anstieg|denivele|dislivello|desnivel|gain|aufstieg|stijging/],
  ["pack", /pack|rucksack|gepack|\bsac\b|zaino|mochila|rugzak/],
  ["start", /^start|uhrzeit|^heure|^ora\b|^hora|time of day|^begin/],
  ["distance", /dist|strecke|\bkm\b|kilomet|miles|\bmi\b|lange|afstand/],
  ["minutes", /dur|dauer|minut|\bmin\b|zeit|elapsed|moving|temps|tempo totale|tiempo|tijd|varighet|hours|stunden/],
  ["date", /date|datum|\btag\b|\bday\b|giorno|fecha|dato|jour|wann/],
  ["sport", /sport|activity|aktivitat|discipline|disziplin|disciplina|activite|type d|deporte|sportart/],
  ["kind", /kind|\bart\b|type|typ|workout|einheit|seance|tipo|categor|training/],
  ["name", /name|title|titel|titre|titolo|titulo|bezeichnung|notes|notiz|comment|beschreibung/],
];

/** Headings of rates and peaks, which are no distance, duration or mean of their own. */
const RATES = /pace|speed|geschwind|vitesse|velocid|velocit|schnitt|min km|min mi|km h|kmh|mph/;
const PEAK = /\bmax|peak|spitze/;

const median = (values: readonly number[]): number | null =>
  values.length === 0 ? null : ([...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? null);

/**
 * @param athlete units for columns that do not say theirs
 * @returns the most likely reading; the coach sees and changes it
 */
export function guessMapping(table: Table, athlete: { distanceUnit: "km" | "mi"; massUnit: "kg" | "lb" }): Mapping {
  const headings = table.headings.map(plain);
  const columns: Columns = {};
  const taken = new Set<number>();
  for (const [field, words] of HEADINGS) {
    const at = headings.findIndex(
      (h, i) =>
        !taken.has(i) &&
        words.test(h) &&
        !((field === "distance" || field === "minutes") && RATES.test(h)) &&
        !(field === "heartRate" && PEAK.test(h)),
    );
    if (at < 0 || columns[field] !== undefined) continue;
    columns[field] = at;
    taken.add(at);
  }
  // "Time" alone is how long it took where nothing else says so, and else the hour.
  const time = headings.findIndex((h, i) => !taken.has(i) && /^time\b/.test(h));
  if (time >= 0) {
    const field = columns.minutes === undefined ? "minutes" : "start";
    if (columns[field] === undefined) columns[field] = time;
  }
  const sample = table.rows.slice(0, 400);
  const cells = (field: Field): string[] => {
    const at = columns[field];
    return at === undefined ? [] : sample.map((r) => r.cells[at]?.trim() ?? "").filter((c) => c !== "");
  };
  const heading = (field: Field): string => headings[columns[field] ?? -1] ?? "";

  const figures = (["distance", "ascent", "rpe", "minutes", "pack"] as const).flatMap((f) => cells(f));
  const commas = figures.filter((c) => /^\d+(\.\d{3})*,\d+$/.test(c)).length;
  const points = figures.filter((c) => /^\d+(,\d{3})*\.\d+$/.test(c)).length;
  const decimal: Decimal = commas > points || (commas === points && table.delimiter === ";") ? "," : ".";

  const numbers = (field: Field): number[] =>
    cells(field).flatMap((c) => {
      const n = numberFrom(c, decimal);
      return n === null ? [] : [n];
    });
  const distance = median(numbers("distance").filter((n) => n > 0));
  const says = (field: Field, words: RegExp) => words.test(heading(field));
  return {
    columns,
    decimal,
    dateOrder: guessOrder(cells("date")),
    duration: guessDuration(heading("minutes"), cells("minutes"), numbers("minutes")),
    distanceUnit: says("distance", /\bmi\b|mile/)
      ? "mi"
      : says("distance", /\bkm\b|kilomet/)
        ? "km"
        : distance !== null && distance > 400
          ? "m"
          : athlete.distanceUnit,
    heightUnit: says("ascent", /\bft\b|feet|foot/) ? "ft" : "m",
    massUnit: says("pack", /\blb/) ? "lb" : says("pack", /\bkg/) ? "kg" : athlete.massUnit,
    done: true,
  };
}

/** A day above 12 decides; else points between the parts mean day first, as does a doubt. */
export function guessOrder(dates: readonly string[]): DateOrder {
  const parts = dates.flatMap((d) => {
    const m = /^(\d{1,4})[-./](\d{1,2})[-./]\d{1,4}/.exec(d);
    return m ? [[m[1] ?? "", Number(m[2])] as const] : [];
  });
  if (parts.some(([a]) => a.length === 4)) return "ymd";
  if (parts.some(([a]) => Number(a) > 12)) return "dmy";
  return parts.some(([, b]) => b > 12) ? "mdy" : "dmy";
}

function guessDuration(heading: string, cells: readonly string[], numbers: readonly number[]): DurationForm {
  if (cells.some((c) => c.includes(":"))) {
    if (cells.some((c) => /^\d+:\d{2}:\d{2}/.test(c))) return "mm:ss";
    const firsts = cells.map((c) => Number(c.split(":")[0])).filter((n) => Number.isFinite(n));
    return Math.max(0, ...firsts) > 12 ? "mm:ss" : "h:mm";
  }
  if (/\bmin/.test(heading)) return "minutes";
  if (/\b(s|sec|sek|seconds|sekunden)\b/.test(heading)) return "seconds";
  if (/\b(h|hours|stunden|std|heures|ore|horas)\b/.test(heading)) return "hours";
  const middle = median(numbers);
  if (middle === null) return "minutes";
  return middle > 600 ? "seconds" : middle <= 6 ? "hours" : "minutes";
}

/** Whether a mapping can be read at all: what is still missing, in words. */
export function missingColumns(m: Mapping): Field[] {
  const out: Field[] = [];
  if (m.columns.date === undefined) out.push("date");
  if (m.columns.minutes === undefined) out.push("minutes");
  return out;
}

/** Whether the order of dates was decided by the dates themselves. */
export const orderIsSure = (table: Table, m: Mapping): boolean => {
  const at = m.columns.date;
  if (at === undefined) return true;
  const other: DateOrder = m.dateOrder === "dmy" ? "mdy" : "dmy";
  return table.rows.slice(0, 400).some((r) => {
    const cell = r.cells[at] ?? "";
    return /^\d{4}/.test(cell) || (momentFrom(cell, m.dateOrder) !== null && momentFrom(cell, other) === null);
  });
};
