/** What the HTTP interface answers about records from outside and tried seasons. */
import type { SessionSport } from "../core/athlete";
import type { Fate } from "../core/endurance";
import type { OwnExercise } from "../core/exercise";
import type { Facts } from "./make/planned";

export interface ImportCounts {
  added: number;
  changed: number;
  /** Planned sessions that are done now. */
  done: number;
  known: number;
}

export interface ImportView {
  id: string;
  /** Instant, ISO 8601. */
  at: string;
  name: string;
  counts: ImportCounts;
  /** The first of what came. */
  lines: ImportLine[];
}

/** One record that an import stored. */
export interface ImportLine {
  date: string;
  sport: SessionSport;
  /** Of a session; null for a race. */
  minutes: number | null;
  fate: "new" | "changed" | "done" | "moved";
}

export interface ImportAnswer {
  fates: Fate[];
  raceFates: ({ kind: "new" } | { kind: "same" | "moved"; id: string })[];
  counts: ImportCounts;
  batch: string | null;
}

/** What the worker needs to plan the season anew. */
export interface PlanningView extends Facts {
  today: string;
  own: { id: string; exercise: OwnExercise }[];
  hidden: string[];
}

export interface FeedView {
  /** Whether a training log is set up at all. */
  there: boolean;
  account: string | null;
  checkedAt: string | null;
  /** What went wrong at the last pull; null where it went well. */
  fault: string | null;
  imports: ImportView[];
}
