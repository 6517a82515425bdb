/** Rows of a table as sets of an exercise or as results of a test, each with its line and, where it can not be taken, the reason. */
import type { LoggedSet, ScreenTest } from "../../../core/athlete";
import { SCREEN_TESTS, SIDES } from "../../../core/athlete";
import type { IsoDate } from "../../../core/dates";
import { roundTo } from "../../../core/units";
import { loggedSetSchema } from "../../athlete-schema";
import { faultsOf } from "../../fault";
import type { Table } from "../table";
import { momentFrom, numberFrom } from "../values";
import { plain } from "../words";
import type { LiftField, LiftMapping, TestField } from "./columns";
import { amountFrom, loadFrom, MOST_SETS, type WrittenSet, workFrom } from "./work";

export interface SheetRow {
  /** Line of the file. */
  line: number;
  /** As it is written; "" where there is no such column. */
  athlete: string;
  date: IsoDate;
  /** Name of the exercise or the test as it is written. */
  name: string;
  sets: LoggedSet[];
  test: { left?: number; right?: number; value?: number } | null;
  /** Field and what was expected, with what was found. */
  fault: string | null;
}

class Refused extends Error {}
const refuse = (field: string, expected: string, found: string): never => {
  throw new Refused(`${field}: ${expected} expected, found "${found.slice(0, 40)}"`);
};

type Cell = (field: LiftField | TestField) => string;

/** @param today rows of days to come are refused */
export function sheetRows(table: Table, m: LiftMapping, today: IsoDate): SheetRow[] {
  return table.rows.map(({ line, cells }) => {
    const cell: Cell = (field) => cells[m.columns[field] ?? -1]?.trim() ?? "";
    const name = cell(m.kind === "tests" ? "test" : "exercise");
    const row: SheetRow = { line, athlete: cell("athlete"), date: "", name, sets: [], test: null, fault: null };
    try {
      const date = momentFrom(cell("date"), m.dateOrder)?.date ?? refuse("date", "a day", cell("date"));
      if (date > today) refuse("date", `a day up to today (${today})`, date);
      if (name === "") refuse(m.kind === "tests" ? "test" : "exercise", "a name", name);
      return m.kind === "tests"
        ? { ...row, date, test: resultOf(cell, m) }
        : { ...row, date, sets: setsOf(cell, m).map(checked) };
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      return { ...row, fault: error.message };
    }
  });
}

/** @throws Refused with the field that no log may hold */
function checked(set: LoggedSet): LoggedSet {
  const parsed = loggedSetSchema.safeParse(set);
  if (parsed.success) return set;
  const [first] = faultsOf(parsed.error, set);
  throw new Refused(first ? `${first.path}: ${first.expected}` : "A set that can be kept expected.");
}

const SIDE_WORDS: readonly (readonly [LoggedSet["side"], RegExp])[] = [
  ["left", /^(l|left|links|li|gauche|g|izquierda|izq|sinistra|sx)$/],
  ["right", /^(r|right|rechts|re|droite|d|derecha|der|destra|dx)$/],
  ["both", /^(b|both|beide|beidseitig|les deux|ambos|entrambi|each|)$/],
];
const sideOf = (text: string): LoggedSet["side"] => {
  const p = plain(text);
  return SIDE_WORDS.find(([, words]) => words.test(p))?.[0] ?? refuse("side", `one of ${SIDES.join(", ")}`, text);
};

function numberOf(text: string, field: string, m: LiftMapping, most: number): number | undefined {
  if (text === "" || text === "-") return undefined;
  const n = numberFrom(text, m.decimal) ?? refuse(field, "a number", text);
  return n < 0 || n > most ? refuse(field, `a number from 0 to ${most}`, text) : n;
}

/** What is in reserve: as it is said, or ten less the effort. */
function reserveOf(cell: Cell, m: LiftMapping): number | undefined {
  const rir = numberOf(cell("rir"), "rir", m, 10);
  if (rir !== undefined) return rir;
  const rpe = numberOf(cell("rpe"), "rpe", m, 10);
  return rpe === undefined ? undefined : roundTo(10 - rpe, 1);
}

/** Loads of a cell, one for all sets or one for each: "60", "60 kg", "60/62.5/65". */
function loadsOf(cell: Cell, m: LiftMapping): (number | null)[] {
  const unit = cell("unit") === "" ? m.unit : /^(lb|#|pound)/i.test(cell("unit")) ? "lb" : "kg";
  return cell("load")
    .split(/\s*[/;]\s*/)
    .map((part) => {
      const load = loadFrom(part, { unit, decimal: m.decimal });
      return load === undefined ? refuse("load", "a load in kg or lb", cell("load")) : load;
    });
}

/** Repetitions of a cell, one for all sets or one for each: "5", "30 s", "5,5,4". */
function amountsOf(cell: Cell): Pick<WrittenSet, "reps" | "seconds">[] {
  const [reps, seconds] = [cell("reps"), cell("seconds")];
  if (reps === "" && seconds === "") refuse("reps", "repetitions or seconds", "");
  if (reps === "" || reps === "0") {
    const n = Number(seconds.replace(/\s*s(ec\w*)?$/i, ""));
    return Number.isFinite(n) && n > 0 ? [{ seconds: n }] : refuse("seconds", "a number of seconds", seconds);
  }
  // A spreadsheet keeps a whole number as "5" or "5.0".
  return reps
    .replace(/^(\d+)[.,]0+$/, "$1")
    .split(/\s*[,;/+]\s*/)
    .map((part) => amountFrom(part) ?? refuse("reps", "repetitions such as 5, 5,5,4 or 30 s", reps));
}

function setsOf(cell: Cell, m: LiftMapping): LoggedSet[] {
  const side = sideOf(cell("side"));
  const rir = reserveOf(cell, m);
  const reserve = rir === undefined ? {} : { rir };
  const own = (s: WrittenSet): LoggedSet => ({ ...reserve, ...s, side });
  const work = cell("work");
  if (work !== "" && cell("reps") === "") {
    const read = workFrom(work, { unit: m.unit, decimal: m.decimal });
    if (!read) return refuse("work", "work such as 3x5@60 or 60x5,5,4", work);
    const [load] = cell("load") === "" ? [null] : loadsOf(cell, m);
    return read.sets.map((s) => own(s.loadKg === undefined && load ? { ...s, loadKg: load } : s));
  }
  const loads = loadsOf(cell, m);
  // "3x5" may stand among the repetitions, too.
  const scheme = /x|×/i.test(cell("reps")) ? workFrom(cell("reps"), { unit: m.unit, decimal: m.decimal }) : null;
  const amounts = scheme?.sets ?? amountsOf(cell);
  const sets = amounts.length > 1 || scheme ? amounts.length : Math.max(countOf(cell, m), loads.length);
  if (amounts.length === 1 && loads.length > 1 && loads.length !== sets)
    refuse("load", `one load, or ${sets}`, cell("load"));
  if (amounts.length > 1 && loads.length > 1 && loads.length !== amounts.length)
    refuse("load", `one load, or ${amounts.length}`, cell("load"));
  return Array.from({ length: sets }, (_, i) => {
    const load = loads[loads.length === 1 ? 0 : i] ?? null;
    return own({ ...(amounts[amounts.length === 1 ? 0 : i] ?? {}), ...(load === null ? {} : { loadKg: load }) });
  });
}

/** Sets of a row: one where the table has no such column, or numbers its sets. */
function countOf(cell: Cell, m: LiftMapping): number {
  const text = cell("sets");
  if (text === "") return 1;
  const n = numberFrom(text, m.decimal);
  if (n === null || !Number.isInteger(n) || n < 1 || n > MOST_SETS)
    return refuse("sets", `a whole number from 1 to ${MOST_SETS}`, text);
  return n;
}

/** @returns the test that a name means; null where it means none */
export function testOf(name: string): ScreenTest | null {
  const p = plain(name).replace(/ /g, "-");
  return SCREEN_TESTS.find((t) => t === p) ?? null;
}

const YES = /^(yes|pass|passed|ja|bestanden|oui|si|1)$/i;
const NO = /^(no|fail|failed|nein|non|0)$/i;

function resultOf(cell: Cell, m: LiftMapping): NonNullable<SheetRow["test"]> {
  const one = (field: "left" | "right" | "value") => {
    const text = cell(field);
    if (text === "") return {};
    const n = YES.test(text) ? 1 : NO.test(text) ? 0 : numberFrom(text, m.decimal);
    return n === null || n < 0 || n > 1000 ? refuse(field, "a number from 0 to 1000", text) : { [field]: n };
  };
  const result = { ...one("left"), ...one("right"), ...one("value") };
  return Object.keys(result).length > 0 ? result : refuse("value", "a result", "");
}
