/** Which column of a table of strength work or of test results says what: guessed from headings and values, changed by the coach. */

import { guessOrder } from "../mapping";
import type { Table } from "../table";
import { type DateOrder, type Decimal, numberFrom } from "../values";
import { plain } from "../words";

export const LIFT_FIELDS = [
  "date",
  "athlete",
  "exercise",
  "work",
  "set",
  "sets",
  "reps",
  "seconds",
  "load",
  "unit",
  "rpe",
  "rir",
  "side",
] as const;
export type LiftField = (typeof LIFT_FIELDS)[number];

export const TEST_FIELDS = ["date", "athlete", "test", "left", "right", "value"] as const;
export type TestField = (typeof TEST_FIELDS)[number];

export interface LiftMapping {
  kind: "lifts" | "tests";
  columns: Partial<Record<LiftField | TestField, number>>;
  decimal: Decimal;
  dateOrder: DateOrder;
  /** Of loads that do not say their own. */
  unit: "kg" | "lb";
}

type Words = readonly (readonly [LiftField | TestField, RegExp])[];

/** Words of headings, in order of how surely they mean the field; English, German, French, Spanish, Italian, Dutch. */
const EITHER: Words = [
  ["date", /\bdate|datum|\btag\b|^day$|giorno|fecha|\bjour\b/],
  ["athlete", /athlet|sportler|atleta|atleet|\bname\b|^nom\b|nombre|^nome\b|\bwho\b/],
];
const LIFTS: Words = [
  ["set", /^set( nr| no| number)?$|^satz( nr)?$|set #|^serie nr|^set order$/],
  ["sets", /^sets\b|satze|series|^serie$|number of sets/],
  ["reps", /\breps?\b|wdh|wiederhol|repet|ripetiz|herhaling/],
  ["seconds", /\bsec|sekund|hold|halten|duration|dauer|\bduree|tiempo|durata/],
  ["rir", /\brir\b|reserve|reserva/],
  ["rpe", /\brpe\b|effort|anstreng|borg|esfuerzo|sforzo/],
  ["unit", /^units?$|einheit|^unite$|unidad|unita/],
  ["load", /load|weight|gewicht|\blast\b|charge|poids|\bpeso\b|carga|carico|\bkg\b|\blbs?\b/],
  ["side", /\bside|seite|\bcote|\blado\b|\blato\b|\bkant\b/],
  ["exercise", /exerc|ubung|\blift\b|movement|ejerc|eserc|oefening|ovelse/],
  ["work", /work|scheme|done|arbeit|travail|trabajo|lavoro|sets x|prescr/],
];
const TESTS: Words = [
  ["test", /\btest\b|measure|messung|prueba/],
  ["left", /left|links|gauche|izq|sinist/],
  ["right", /right|rechts|droit|derech|destr/],
  ["value", /value|result|wert|valeur|valor|valore|ergebnis/],
];

const pick = (headings: readonly string[], words: Words): LiftMapping["columns"] => {
  const columns: LiftMapping["columns"] = {};
  for (const [field, pattern] of words) {
    const at = headings.findIndex((h, i) => !Object.values(columns).includes(i) && pattern.test(h));
    if (at >= 0) columns[field] = at;
  }
  return columns;
};

/** Values in the column of a row's place among those of one exercise and day rise from one: it numbers the sets. */
function numbersSets(table: Table, at: number, exercise: number | undefined): boolean {
  const cells = table.rows.slice(0, 400).map((r) => [r.cells[exercise ?? -1] ?? "", Number(r.cells[at])] as const);
  const steps = cells.slice(1).filter(([name, n], i) => {
    const before = cells[i];
    return before !== undefined && before[0] === name && n === before[1] + 1;
  });
  return steps.length > cells.length / 4;
}

/**
 * @param athlete unit of loads that do not say theirs
 * @returns null for a table that holds neither strength work nor test results
 */
export function guessLifts(table: Table, athlete: { massUnit: "kg" | "lb" }): LiftMapping | null {
  const headings = table.headings.map(plain);
  const tests = pick(headings, [...TESTS, ...EITHER]);
  const lifts = pick(headings, [...LIFTS, ...EITHER]);
  const isLifts = lifts.exercise !== undefined && (lifts.reps !== undefined || lifts.work !== undefined);
  const isTests =
    tests.test !== undefined && (tests.left !== undefined || tests.right !== undefined || tests.value !== undefined);
  if (!isLifts && !isTests) return null;
  const columns = isLifts ? lifts : tests;
  if (
    isLifts &&
    columns.sets !== undefined &&
    columns.set === undefined &&
    numbersSets(table, columns.sets, columns.exercise)
  ) {
    columns.set = columns.sets;
    delete columns.sets;
  }
  const cells = (field: LiftField | TestField): string[] => {
    const at = columns[field];
    return at === undefined ? [] : table.rows.slice(0, 400).map((r) => r.cells[at]?.trim() ?? "");
  };
  const figures = [...cells("load"), ...cells("rpe"), ...cells("value"), ...cells("left")];
  const commas = figures.filter((c) => /^\d+,\d{1,2}$/.test(c)).length;
  const points = figures.filter((c) => /^\d+\.\d{1,2}$/.test(c)).length;
  const heading = headings[columns.load ?? -1] ?? "";
  const decimal = commas > points || (commas === points && table.delimiter === ";" && points === 0) ? "," : ".";
  return {
    kind: isLifts ? "lifts" : "tests",
    columns,
    decimal,
    dateOrder: guessOrder(cells("date")),
    unit: /\blbs?\b|pound/.test(heading)
      ? "lb"
      : /\bkg\b|kilo/.test(heading)
        ? "kg"
        : cells("load").every((c) => c === "" || numberFrom(c, decimal) !== null)
          ? athlete.massUnit
          : "kg",
  };
}

/** What has to have a column before a row can be read. */
export function missingLifts(m: LiftMapping): (LiftField | TestField)[] {
  const has = (f: LiftField | TestField) => m.columns[f] !== undefined;
  const needed: (LiftField | TestField)[] = m.kind === "tests" ? ["date", "test"] : ["date", "exercise"];
  const missing = needed.filter((f) => !has(f));
  if (m.kind === "lifts" && !has("reps") && !has("work") && !has("seconds")) missing.push("reps");
  if (m.kind === "tests" && !has("left") && !has("right") && !has("value")) missing.push("value");
  return missing;
}
