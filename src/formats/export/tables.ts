/** What is known of athletes as plain tables, for spreadsheets: a row a set, a test, a race, an endurance session, a planned exercise. */
import Papa from "papaparse";
import type { Athlete } from "../../core/athlete";
import { timeOf } from "../../core/dates";
import type { PlanSession } from "../../core/plan";

export const TABLE_NAMES = ["logs", "tests", "races", "endurance", "plan"] as const;
export type TableName = (typeof TABLE_NAMES)[number];
export type Cell = string | number | null;

export interface PlainTable {
  name: TableName;
  headings: readonly string[];
  rows: readonly (readonly Cell[])[];
}

export interface Told {
  athlete: Athlete;
  /** Sessions ahead. */
  sessions: readonly PlanSession[];
}

const or = (value: string | number | undefined | null): Cell => value ?? null;

const HEADINGS: Record<TableName, readonly string[]> = {
  logs: ["athlete", "date", "session", "exercise", "set", "reps", "seconds", "load_kg", "rir", "side", "pain"],
  tests: ["athlete", "date", "test", "left", "right", "value"],
  races: [
    ...["athlete", "date", "name", "sport", "priority", "distance_km", "ascent_m", "expected_min"],
    ...["result_min", "place", "felt", "note"],
  ],
  endurance: [
    ...["athlete", "date", "start", "sport", "kind", "minutes", "distance_km", "ascent_m", "descent_m", "pack_kg"],
    ...["rpe", "heart_rate", "done"],
  ],
  plan: [
    ...["athlete", "date", "start", "place", "session", "exercise", "sets", "reps", "seconds", "load_kg", "rir"],
    ...["rest_s", "tempo"],
  ],
};

/** @param exerciseName as the library has it */
function rowsOf(name: TableName, { athlete: a, sessions }: Told, exerciseName: (id: string) => string): Cell[][] {
  const who = a.athlete.name;
  switch (name) {
    case "logs":
      return a.strengthLog.flatMap((l) =>
        l.items.flatMap((i) =>
          i.sets.map((s, n): Cell[] => [
            ...[who, l.date, l.label, exerciseName(i.exercise), n + 1],
            ...[or(s.reps), or(s.seconds), or(s.loadKg), or(s.rir), s.side, or(i.pain)],
          ]),
        ),
      );
    case "tests":
      return a.screening.map((t) => [who, t.date, t.test, or(t.left), or(t.right), or(t.value)]);
    case "races":
      return a.races.map((r) => [
        ...[who, r.date, r.name, r.sport, r.priority, or(r.distanceKm), or(r.ascentM), or(r.expectedMinutes)],
        ...[or(r.result?.minutes), or(r.result?.place), or(r.result?.felt), or(r.result?.note)],
      ]);
    case "endurance":
      return a.endurance
        .filter((e) => !e.cancelled)
        .map((e) => [
          ...[who, e.date, or(e.start), e.sport, e.kind, e.minutes, or(e.distanceKm), or(e.ascentM), or(e.descentM)],
          ...[or(e.packKg), or(e.rpe), or(e.averageHeartRate), e.done ? "yes" : "no"],
        ]);
    case "plan":
      return sessions.flatMap((s) =>
        s.items.map((i): Cell[] => [
          ...[who, s.date, timeOf(s.start), s.place, s.label, i.exercise.name, i.sets, i.reps, i.seconds],
          ...[i.loadKg, i.rir, i.restSeconds, i.tempo],
        ]),
      );
  }
}

export const plainTable = (
  name: TableName,
  all: readonly Told[],
  exerciseName: (id: string) => string,
): PlainTable => ({ name, headings: HEADINGS[name], rows: all.flatMap((t) => rowsOf(name, t, exerciseName)) });

/** A cell that a spreadsheet would run as a formula is written as text. */
const safe = (cell: Cell): Cell => (typeof cell === "string" && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);

/** RFC 4180. */
export const tableCsv = ({ headings, rows }: PlainTable): string =>
  `${Papa.unparse(
    { fields: [...headings], data: rows.map((r) => r.map((c) => safe(c) ?? "")) },
    { newline: "\r\n" },
  )}\r\n`;
