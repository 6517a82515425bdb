/** What the layout of the season section is made from, and what it says. */
import type { SeasonView, SeasonWeekView } from "../../../api/views";
import type { Label, Phase, SessionSport } from "../../../core/athlete";
import type { AnchorShape } from "./common";
import type { Flag } from "./flags";

export type Terrain = "distance" | "load" | "hours";

export interface SeasonInput {
  view: SeasonView;
  terrain: Terrain;
  /** Index of the first week shown, and how many. */
  first: number;
  count: number;
  width: number;
  height: number;
  /** Turns kilometres into the athlete's unit. */
  inUnits: (km: number) => number;
  /** What the sky reaches up to at least, in the drawing's unit: kept while it is drawn on. */
  most?: number | undefined;
}

export interface Stratum {
  phase: Phase;
  x0: number;
  x1: number;
  start: string;
  end: string;
  fixed: boolean;
  /** Index in the view's phases. */
  index: number;
  /** Names the boundary at its start by what meets there: the same one in a season planned anew, wherever it moved. */
  edge: string;
  name: string;
}

/** The line of the blocks under the ground section. */
export interface LineLayout {
  y: number;
  height: number;
  boxes: { key: string; x0: number; x1: number; y: number; h: number; text: string }[];
  /** Points of the stair; `path` goes through those that stand side by side. */
  points: { index: number; x: number; y: number; text: string; done: boolean; held: boolean }[];
  path: string;
  stair: { y: number; h: number };
  rows: { y: number; label: string; cells: string[] }[];
}

export interface SeasonLayout {
  x0: number;
  x1: number;
  ground: number;
  bottom: number;
  top: number;
  columnWidth: number;
  /** Pixels of one unit above the ground. */
  skyUnit: number;
  /** What the sky reaches up to. */
  most: number;
  columns: {
    week: SeasonWeekView;
    index: number;
    x0: number;
    x1: number;
    value: number;
    peak: number;
    ascentTip: number | null;
    usual: number | null;
    /** y of what was planned, in a week that is done; null where nothing was. */
    planned: number | null;
    /** Tops of the sports' shares from the ground up, the main sport first; empty where there is one. */
    layers: { sport: SessionSport; y: number }[];
  }[];
  terrainDone: string;
  terrainPlan: string;
  ridge: string;
  rock: string;
  rockArea: string;
  soilArea: string;
  skyGrid: { y: number; text: string }[];
  soilGrid: { y: number; text: string }[];
  strata: Stratum[];
  anchors: (AnchorShape & { week: number; date: string; label: Label; minutes: number })[];
  flags: Flag[];
  months: { x: number; text: string }[];
  /** Close up: the days under the terrain, with their endurance as posts; empty where weeks are narrow. */
  days: { x0: number; x1: number; date: string; text: string; top: number | null; done: boolean }[];
  today: number | null;
  warning: { x: number; y: number; text: string; week: number } | null;
  strip: { y: number; label: string; cells: string[] }[];
  /** What the blocks plan, week by week. */
  line: LineLayout;
  table: { y: number; rowHeight: number };
}
