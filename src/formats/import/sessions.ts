/** Rows of a table into endurance sessions, by a mapping. A row that cannot be read says which cell and what was expected. */
import type { EnduranceSession, SessionSport } from "../../core/athlete";
import { lbToKg, miToKm } from "../../core/units";
import { wallClock } from "../zone";
import type { Field, Mapping } from "./mapping";
import { checkedRow, type ImportRow } from "./rows";
import type { Table } from "./table";
import { minutesFrom, momentFrom, numberFrom, timeFrom } from "./values";
import { assumedKind, kindOf, sportOf } from "./words";

/** Metres in a foot, exact (1959 agreement). */
const M_PER_FT = 0.3048;
const KM_PER = { km: 1, m: 0.001 } as const;

export interface SessionOptions {
  /** The athlete's time zone, for instants. */
  zone: string;
  /** Sport of rows that do not name one. */
  sport: SessionSport;
}

class Unreadable extends Error {}

/** @returns a row for each row of the table, in its order */
export function readSessions(table: Table, m: Mapping, o: SessionOptions): ImportRow[] {
  return table.rows.map((r) => readRow(r, table, m, o));
}

function readRow(row: Table["rows"][number], table: Table, m: Mapping, o: SessionOptions): ImportRow {
  const where = `line ${row.line}`;
  const cell = (field: Field): string => {
    const at = m.columns[field];
    return at === undefined ? "" : (row.cells[at]?.trim() ?? "");
  };
  const label = [cell("date"), cell("name") || cell("sport") || cell("kind")].filter((t) => t !== "").join(", ");
  const fail = (field: Field, expected: string): never => {
    const heading = table.headings[m.columns[field] ?? -1] ?? field;
    const text = cell(field);
    throw new Unreadable(
      `${heading}: ${expected} expected, ${text === "" ? "the cell is empty" : `found "${text.slice(0, 40)}"`}`,
    );
  };
  const number = (field: Field, what: string, least: number, most: number): number | undefined => {
    const text = cell(field);
    if (text === "" || text === "-" || text === "–") return undefined;
    const n = numberFrom(text, m.decimal);
    if (n === null) return fail(field, `${what}, written with a decimal ${m.decimal === "," ? "comma" : "point"}`);
    if (n < least || n > most) return fail(field, `${what} from ${least} to ${most}`);
    return n;
  };
  const notes: string[] = [];
  try {
    if (row.cells.length < table.headings.length && row.cells.length < lastColumn(m) + 1)
      throw new Unreadable(`${table.headings.length} cells expected, found ${row.cells.length}`);
    const moment = momentFrom(cell("date"), m.dateOrder) ?? fail("date", `a date with the ${ORDER_WORDS[m.dateOrder]}`);
    const wall = moment.instant === undefined ? null : wallClock(o.zone, moment.instant);
    const own = cell("start");
    const start = wall?.time ?? (own === "" ? moment.time : (timeFrom(own) ?? fail("start", "a time of day")));
    const minutes = minutesFrom(cell("minutes"), m.duration, m.decimal) ?? fail("minutes", "a duration");
    if (!(minutes > 0) || minutes > 4320) fail("minutes", "a duration above 0 and up to 72 h");
    const named = sportOf(cell("sport")) ?? sportOf(cell("kind")) ?? sportOf(cell("name"));
    const sport = named ?? (cell("sport") === "" ? o.sport : "other");
    if (!named) notes.push(cell("sport") === "" ? `sport taken as ${sport}` : `sport "${cell("sport")}" kept as other`);
    const kind = kindOf(cell("kind")) ?? kindOf(cell("name"));
    const distance = number("distance", "a distance", 0, 2_000_000);
    const ascent = number("ascent", "metres of ascent", 0, 160_000);
    const descent = number("descent", "metres of descent", -160_000, 160_000);
    const rpe = number("rpe", "an effort", 0, 10);
    const heartRate = number("heartRate", "a heart rate", 20, 250);
    const pack = number("pack", "a mass", 0, 200);
    const height = (v: number) => (m.heightUnit === "ft" ? v * M_PER_FT : v);
    const id = cell("id");
    const session: EnduranceSession = {
      date: wall?.date ?? moment.date,
      ...(start === undefined ? {} : { start }),
      sport,
      kind: kind ?? assumedKind(sport, minutes),
      minutes,
      ...(distance === undefined || distance === 0
        ? {}
        : { distanceKm: m.distanceUnit === "mi" ? miToKm(distance) : distance * KM_PER[m.distanceUnit] }),
      ...(ascent === undefined ? {} : { ascentM: height(ascent) }),
      ...(descent === undefined ? {} : { descentM: Math.abs(height(descent)) }),
      ...(pack === undefined ? {} : { packKg: m.massUnit === "lb" ? lbToKg(pack) : pack }),
      ...(rpe === undefined ? {} : { rpe }),
      ...(heartRate === undefined ? {} : { averageHeartRate: heartRate }),
      ...(m.done ? { done: true } : {}),
      ...(id === "" ? {} : { source: `csv:${id.slice(0, 150)}` }),
    };
    if (!kind) notes.push(`kind taken as ${session.kind}`);
    return checkedRow({ where, label, notes, incoming: { session, kindGuessed: !kind } });
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error;
    return { where, label, notes: [], fault: error.message };
  }
}

const lastColumn = (m: Mapping): number => Math.max(m.columns.date ?? 0, m.columns.minutes ?? 0);

const ORDER_WORDS = {
  ymd: "year first",
  dmy: "day first",
  mdy: "month first",
};
