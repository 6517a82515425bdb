/** An approach (a school): what it prescribes in each part of the season for each pattern. */

export const APPROACHES = ["layered", "heavy-economy", "steady", "control", "full-range", "paired-routines"] as const;
export type ApproachId = (typeof APPROACHES)[number];
export const EMPHASES = ["prepare", "develop", "maximal", "hold", "restore"] as const;
export type Emphasis = (typeof EMPHASES)[number];
/** Work that is to grow: it neither holds nor restores. */
export const buildsUp = (emphasis: Emphasis): boolean => emphasis !== "hold" && emphasis !== "restore";

/** Parts of the season, as the table of approaches has them. */
export const STAGES = ["base-early", "base-late", "build", "race", "recovery"] as const;
export type Stage = (typeof STAGES)[number];

/** Columns of the grid; "assist" is primary work beside the session's leading lifts. */
export const COLUMNS = ["squat", "hinge", "split-squat", "hip", "assist", "calf", "trunk", "upper"] as const;
export type Column = (typeof COLUMNS)[number];

/** Low and high end. */
export type Range = readonly [number, number];

/** What one pattern is given in one part of the season. Either the reserve or the percent says how hard. */
export interface DoseCell {
  sets: Range;
  reps: Range;
  /** Repetitions in reserve; null where the percent speaks. */
  rir: Range | null;
  /** Percent of 1RM; null where the reserve speaks. */
  percent: number | null;
  /** Seconds of holds and of moving work counted in time. */
  seconds: Range;
  restSeconds: number;
  /** Lowering-pause-lifting in seconds; null keeps the exercise's own. */
  tempo: string | null;
}

export interface DoseRow {
  emphasis: Emphasis;
  /** Sessions of a full week. */
  perWeek: Range;
  /** The weekly number falls from the high end to the low one through the phase. */
  slides: boolean;
  /** Keeps the percent of the build before it instead of its own effort. */
  samePercent: boolean;
  /** What it prescribes, in a sentence. */
  says: string;
  cells: Readonly<Record<Column, DoseCell>>;
}

/** One loading week of a line. */
export interface LinePoint {
  sets: number;
  reps: number;
  /** Repetitions in reserve. */
  rir: number;
}

/** The way through a cell's ranges over the loading weeks of a block (rule block.line): the first n points of n weeks. */
export interface Line {
  points: readonly LinePoint[];
  /** Of the blocks after the first in a phase; like the first where nothing is said. */
  later?: readonly LinePoint[] | undefined;
}
export type Lines = Readonly<Partial<Record<Stage, Readonly<Partial<Record<Column, Line | undefined>>> | undefined>>>;

/** What sessions are made of: lifts first; ladders before load; two leg days in full range; routines after the runs. */
export const BUILDS = ["lifts", "ladders", "full-range", "routines"] as const;
export type Build = (typeof BUILDS)[number];

export interface Approach {
  /** One of the shipped ones, or "own-..." for the coach's copy. */
  id: string;
  name: string;
  /** The shipped one it is, or was copied from. */
  basis: ApproachId;
  build: Build;
  /** Rises with every saved change of a copy; 1 for the shipped ones. */
  version: number;
  rows: Readonly<Record<Stage, DoseRow>>;
  /** Lines that are written down week by week; others follow from the ranges. */
  lines?: Lines | undefined;
}
