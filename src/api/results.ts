/** Races of the club that were run: against what was expected, and over the years. */
import type { Priority, SessionSport } from "../core/athlete";
import type { IsoDate } from "../core/dates";

export interface ResultRow {
  athlete: string;
  name: string;
  race: string;
  date: IsoDate;
  sport: SessionSport;
  priority: Priority;
  distanceKm: number | null;
  /** Null where no result is entered. */
  minutes: number | null;
  expectedMinutes: number | null;
  /** Minutes of both halves, from a recording. */
  halves: readonly [number, number] | null;
  place: number | null;
  /** 1 poor to 5 very good. */
  felt: number | null;
  /** The same athlete's time in the race of this name before; null where there is none. */
  before: { date: IsoDate; minutes: number } | null;
}

export interface ResultsView {
  today: IsoDate;
  /** The latest first. */
  rows: ResultRow[];
}
