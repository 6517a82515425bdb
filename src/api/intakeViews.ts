/** What the interface answers about intake, screening and the library. */
import type { Athlete, EndurancePlan, Place, Race, Sport, Window } from "../core/athlete";
import type { Closed, Exercise, LoadKind } from "../core/exercise";
import type { UsualFound } from "../core/mileage";
import type { Trust, Why } from "../core/rulebook";
import type { Finding, TestSheet } from "../core/screening";

export interface ExerciseView extends Exercise {
  hidden: boolean;
}

/** The whole library, once; it changes only when the coach changes it. */
export interface LibraryView {
  exercises: ExerciseView[];
  /** Steps of each ladder, easiest first. */
  ladders: { id: string; steps: string[] }[];
}

/** Where the athlete stands on a ladder. */
export interface ProgressionView {
  ladder: string;
  step: string;
  because: string;
  /** Put there by the coach. */
  set: boolean;
}

/** What an athlete may do now at a place. */
export interface FitView {
  place: string;
  places: string[];
  closed: Record<string, Closed>;
  progressions: ProgressionView[];
  essentials: { name: string; exercise: string }[];
}

export interface IntakeView {
  id: string;
  today: string;
  facts: Athlete["athlete"];
  settings: NonNullable<Athlete["settings"]>;
  season: Athlete["season"];
  health: Athlete["health"];
  places: Place[];
  availability: Window[];
  rungs: NonNullable<Athlete["rungs"]>;
  races: Race[];
  endurancePlan: EndurancePlan | null;
  /** The usual week as the last recorded weeks show it; null where they do not. */
  usualFound: UsualFound | null;
  /** Ids of places that something still points to. */
  placesInUse: string[];
}

/** Places of all athletes, to copy from. */
export interface PlacesView {
  places: { athlete: string; name: string; place: Place }[];
}

export interface ScreenTestView extends TestSheet {
  /** The mark of this athlete, by age where there is one. */
  mark: number;
  history: { date: string; left: number | null; right: number | null; value: number | null }[];
}

export interface FindingView {
  id: string;
  kind: Finding["kind"];
  title: string;
  says: string;
  /** When its work halves or ends; empty where it adds none. */
  ends: string;
  trust: Trust;
}

export interface ScreeningView {
  id: string;
  today: string;
  sport: Sport;
  tests: ScreenTestView[];
  sights: { what: Athlete["seen"][number]["what"]; name: string; look: string; usual: boolean }[];
  seen: Athlete["seen"];
  findings: FindingView[];
}

/** What a screen would change, before it is accepted. */
export interface ScreenPreview {
  findings: FindingView[];
  /** Findings of before that are over. */
  over: FindingView[];
  /** Exercises that the results open, and that they close. */
  opens: string[];
  closes: string[];
}

export interface ChoiceView {
  exercise: string;
  name: string;
  loading: LoadKind;
  taken: boolean;
  /** What moved it, in words, the strongest first. */
  because: string[];
}

export interface ChoicesView {
  /** The planner's own first choice, where the coach has swapped it. */
  swappedFrom: string | null;
  open: ChoiceView[];
  closed: { exercise: string; name: string; kind: Closed["kind"]; text: string }[];
}

export interface SheetView {
  id: string;
  title: string;
  says: string;
  rounds: number;
  minutes: number;
  lines: { exercise: string; name: string; dose: string; cue: string; why: Why }[];
}

export interface SheetsView {
  id: string;
  today: string;
  name: string;
  sheets: SheetView[];
  cautions: string[];
}
