/** A gym on one day. */
import type { Emphasis, Label } from "../core/athlete";
import type { LoadKind } from "../core/exercise";
import type { Occupied } from "../core/gym";

/** One athlete in the gym on a day, as planned and as fitted together with the others. */
export interface GymRow {
  id: string;
  name: string;
  label: Label;
  emphasis: Emphasis;
  minutes: number;
  locked: boolean;
  rack: { from: number; to: number; heavy: boolean } | null;
  /** What is lifted with a load, in order. */
  lifts: {
    name: string;
    sets: number;
    reps: number | null;
    seconds: number | null;
    loadKg: number | null;
    loading: LoadKind;
  }[];
  massUnit: "kg" | "lb";
  now: { start: number; rack: number | null };
  /** Null where no hour is left. */
  next: { date: string; start: number; place: string; rack: number | null } | null;
  /** Points that the athlete's week costs more by it; null where no hour is left. */
  change: number | null;
}

export interface GymView {
  today: string;
  date: string;
  place: string;
  gyms: { place: string; athletes: number }[];
  limits: { racks: number; athletes: number };
  rows: GymRow[];
  before: Occupied[];
  after: Occupied[];
  /** `togetherNow`: points of heavy sets at the same time, all at their planned hours. */
  fit: { cost: number; weeks: number; together: number; togetherNow: number; proven: boolean; steps: number };
}
