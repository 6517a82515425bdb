/** Views of approaches, the session editor, lifts and reviews. */
import type { Approach, DecisionKind, Label, LoggedItem, Overrule, Phase, SessionEdit } from "../core/athlete";
import type { LoadKind, Pattern } from "../core/exercise";
import type { Why } from "../core/rulebook";
import type {
  ChangedSession,
  LiftChange,
  LiftEntry,
  LiftStory,
  PhaseTally,
  ReviewWeek,
  Share,
  Sums,
} from "../core/story";

export interface ApproachView {
  approach: Approach;
  own: boolean;
  /** Athletes who follow it, with the phases where it is an exception. */
  users: { id: string; name: string; phases: Phase[] | null }[];
  savedAt: string | null;
}

export interface ApproachesView {
  approaches: ApproachView[];
  /** Rules of the phases that are switched off for everybody. */
  rulesOff: string[];
}

export interface ApproachVersionView {
  approach: Approach;
  at: string;
  note: string;
}

/** Which future sessions of one athlete would change. */
export interface ChangesView {
  id: string;
  name: string;
  sessions: number;
  changes: ChangedSession[];
}

export interface CompareView {
  a: { id: string; name: string; phases: PhaseTally[] };
  b: { id: string; name: string; phases: PhaseTally[] };
}

/** What the athlete follows. */
export interface FollowView {
  approach: string;
  approachByPhase: Partial<Record<Phase, string>>;
  rulesOff: string[];
  clubRulesOff: string[];
}

export interface TemplateView {
  id: string;
  name: string;
  items: SessionEdit["items"];
}

export interface CopyResult {
  id: string;
  name: string;
  /** What was left out or could not be done, in a sentence each; empty where all went over. */
  notes: string[];
  copied: boolean;
}

export interface LiftRow {
  exercise: string;
  name: string;
  pattern: Pattern;
  times: number;
  last: string;
  e1rmKg: number | null;
  unsurePct: number | null;
  /** The latest decision. */
  decision: DecisionKind;
  rising: boolean;
}

export interface RungView {
  exercise: string;
  name: string;
  /** Days it was lifted on; 0 where never. */
  times: number;
  first: string | null;
  here: boolean;
  open: boolean;
}

/** What a session to come plans of a lift. */
interface LiftPlanned {
  date: string;
  label: Label;
  sets: number;
  repsLow: number | null;
  reps: number | null;
  seconds: number | null;
  loadKg: number | null;
  rir: number;
}

/** What a week to come plans of a lift. */
export interface LiftAhead extends LiftPlanned {
  percent1rm: number | null;
  /** Its point on the line of the block, from 0; null outside of blocks. */
  line: { point: number; of: number } | null;
  stepBack: boolean;
}

export interface LiftView {
  id: string;
  today: string;
  exercise: string;
  name: string;
  pattern: Pattern;
  loading: LoadKind;
  timed: boolean;
  entries: (Omit<LiftEntry, "item"> & { item: LoggedItem; text: string; asked: string })[];
  /** What was said before the session of a day, where anybody asked. */
  said: Record<string, string>;
  /** Days before whose session the answers were not ordinary. */
  poor: string[];
  current: LiftStory["current"];
  line: LiftStory["line"];
  rising: LiftStory["rising"];
  ladder: { id: string; because: string; rungs: RungView[] } | null;
  next:
    | (LiftPlanned & {
        perSideKg: number[];
        loading: LoadKind;
        decision: { kind: DecisionKind; byCoach: boolean } | null;
        why: Why[];
      })
    | null;
  /** The weeks after the next session, the heaviest of each, as if every week before it is done. */
  ahead: LiftAhead[];
  overrule: Overrule | null;
  /** Loads the place of the next session can make, kg. */
  loads: number[];
  screening: { date: string; test: string; left: number; right: number; pct: number }[];
}

export interface ReviewView {
  id: string;
  today: string;
  from: string;
  to: string;
  weeks: ReviewWeek[];
  phases: { phase: Phase; planned: Sums; done: Sums; weeks: number }[];
  planned: Sums;
  done: Sums;
  shares: Share[];
  lifts: LiftChange[];
  words: string[];
  saved: { text: string; sentAt: string | null } | null;
}
