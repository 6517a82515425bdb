/** A season week by week as CSV (RFC 4180). */
import Papa from "papaparse";
import type { SeasonPhase } from "../core/season";

export interface SeasonLine {
  start: string;
  isoWeek: number;
  phase: SeasonPhase["phase"];
  emphasis: string;
  stepBack: boolean;
  minutes: number;
  plannedMinutes: number;
  distanceKm: number;
  plannedKm: number;
  ascentM: number;
  load: number;
  monotony: number | null;
  strain: number | null;
  shortMean: number;
  longMean: number;
  sessions: number;
  heavySessions: number;
  hardSets: number;
  stress: number;
  loadLimit: number;
  races: string;
  note: string;
}

/** Columns in order; units stand in the names. */
const COLUMNS: [keyof SeasonLine, string][] = [
  ["start", "week_start"],
  ["isoWeek", "iso_week"],
  ["phase", "phase"],
  ["emphasis", "emphasis"],
  ["stepBack", "step_back"],
  ["minutes", "endurance_min"],
  ["plannedMinutes", "endurance_planned_min"],
  ["distanceKm", "distance_km"],
  ["plannedKm", "distance_planned_km"],
  ["ascentM", "ascent_m"],
  ["load", "load_au"],
  ["monotony", "monotony"],
  ["strain", "strain_au"],
  ["shortMean", "mean_7_days_au"],
  ["longMean", "mean_28_days_au"],
  ["sessions", "strength_sessions"],
  ["heavySessions", "heavy_sessions"],
  ["hardSets", "hard_sets"],
  ["stress", "strength_stress_au"],
  ["loadLimit", "depth_limit_au"],
  ["races", "races"],
  ["note", "note"],
];

/** A cell that a spreadsheet would run as a formula is written as text. */
const safe = (value: unknown): unknown =>
  typeof value === "string" && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;

export const writeSeasonCsv = (lines: readonly SeasonLine[]): string =>
  `${Papa.unparse(
    {
      fields: COLUMNS.map(([, name]) => name),
      data: lines.map((l) => COLUMNS.map(([key]) => safe(l[key] ?? ""))),
    },
    { newline: "\r\n" },
  )}\r\n`;
