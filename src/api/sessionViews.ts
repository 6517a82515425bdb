/** One session, and the athlete with what lies around. */
import type {
  Athlete,
  CheckIn,
  Emphasis,
  Label,
  LockedSession,
  Phase,
  PhaseSpan,
  Place,
  Race,
  SessionEdit,
  StrengthLog,
  Window,
} from "../core/athlete";
import type { Pattern } from "../core/exercise";
import type { Why } from "../core/rulebook";
import type { Item, LeftOut, TimeParts } from "../core/session";
import type { EnduranceView } from "./weekViews";

export interface WarmUpView {
  exercise: string;
  reps: number;
  loadKg: number;
  perSideKg: number[];
}

export interface ItemView extends Omit<Item, "exercise" | "main" | "slot" | "rirAsked" | "aim"> {
  exercise: string;
  name: string;
  pattern: Pattern;
  tempo: string;
  cue: string;
  felt: string;
  warmUp: WarmUpView[];
  /** Loads this place can make, kg. */
  loads: number[];
  last: { date: string; text: string } | null;
}

/** Days of sessions, oldest first. */
export interface SessionsView {
  logged: { date: string; label: Label }[];
  sessions: { date: string; label: Label }[];
}

export interface SessionView {
  id: string;
  today: string;
  date: string;
  start: number;
  place: string;
  label: Label;
  emphasis: Emphasis;
  /** Slow strength, for want of load. */
  slow: boolean;
  phase: Phase;
  /** What the athlete said that day; null where nobody asked. */
  checkIn: CheckIn | null;
  /** Its week's place in the block; null outside of blocks and for a session of the past. */
  block: { week: number; of: number } | null;
  stepBack: boolean;
  minutes: number;
  windowMinutes: number;
  stress: number;
  rpe: number;
  locked: boolean;
  loadLimit: number;
  /** What the floor goes by: pain above which an exercise stops (progress.pain), percent less where warm-up sets are hard (floor.today). */
  floor: { stopPain: number; lessPct: number };
  items: ItemView[];
  dropped: { exercise: string; name: string; why: string }[];
  /** What safety took out of the primary patterns, and what stands in its place. */
  left: LeftOut[];
  cautions: string[];
  /** Seconds by kind; null for a session of the past. */
  time: TimeParts | null;
  why: Why[];
  log: StrengthLog | null;
  /** The session as made by hand; null where the planner made it. */
  edit: SessionEdit | null;
}

type DoseView = Pick<Item, "sets" | "reps" | "seconds">;

/** What a shorter session would lose. */
/** What the answers before a session ask for. */
export interface ReadinessView {
  session: "as-planned" | "fewer" | "light" | "none";
  says: string[];
  /** What the session would lose; null where it stays, or does not stand at all. */
  change: ShorterView | null;
}

export interface ShorterView {
  /** Minutes it then takes, rounded up; no more than was asked for, but for what cannot be less. */
  minutes: number;
  /** Where it would stand. */
  date: string;
  start: number;
  gone: { name: string; before: DoseView }[];
  less: { name: string; before: DoseView; after: DoseView | null }[];
  /** Exercises that stay as they are. */
  kept: number;
  /** What comes in the place of what goes. */
  instead: { name: string; after: DoseView }[];
}

/** A session as it would be by hand. */
export interface EditPreview {
  session: SessionView | null;
  /** What the coach should know before it is kept. */
  warnings: string[];
  fault: string | null;
}

export interface AthleteView {
  id: string;
  revision: number;
  facts: Athlete["athlete"];
  season: { start: string; end: string };
  places: Place[];
  windows: Window[];
  races: Race[];
  endurance: EnduranceView[];
  phases: PhaseSpan[];
  locked: LockedSession[];
  logged: { date: string; label: Label; minutes: number | null; sets: number }[];
  sessions: { date: string; label: Label }[];
}
