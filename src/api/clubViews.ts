/** The club: its data, backups, what came of files, the numbers of its rules. */
import type { RuleId, RuleValues } from "../core/rulebook";

export interface ClubView {
  name: string;
  today: string;
}

export interface HealthView {
  /** "not saving" where the disk takes no changes; `why` says so. */
  status: "ok" | "not saving";
  why: string | null;
  version: string;
  today: string;
  athletes: number;
  startedMsAgo: number;
}

/** An athlete who is out of the club's views. */
export interface ArchivedView {
  id: string;
  name: string;
  /** Since when, ISO 8601. */
  at: string;
}

export interface BackupView {
  name: string;
  /** ISO 8601. */
  made: string;
  kind: "daily" | "asked" | "before-migration" | "before-restore";
  bytes: number;
  athletes: number;
}

/** What is kept of the club, and whether it can be saved now. */
export interface ClubDataView {
  /** Newest first; each was read again and counted after it was written. */
  backups: BackupView[];
  /** Why the last backup failed; null where it is good. */
  fault: string | null;
  storage: { code: string; text: string; since: string } | null;
  folder: string;
  /** Whether a backup is put back from here; on a database server whoever runs it does that, beside the club. */
  restores: boolean;
}

export interface RestorePreviewView {
  made: string | null;
  kind: BackupView["kind"] | null;
  migration: string;
  athletes: { id: string; name: string; fate: "same" | "changed" | "comes back" | "goes" | "stays erased" }[];
}

export interface RestoreView {
  /** The copy of what stood here before. */
  safety: string | null;
  erasedAgain: number;
}

/** What came of an athlete file. */
export interface ImportedView {
  id: string;
  name: string;
  /** What was taken in and can not be used in full. */
  warnings: string[];
}

/** Receipt of an erasure. */
export interface ErasedView {
  erasedAt: string;
  /** Backups that still hold the athlete, with the last day each is kept. */
  backups: { name: string; lastDay: string }[];
}

/** The coach's own numbers of rules, and rules switched off, for all athletes. */
export interface RulesView {
  values: RuleValues;
  rulesOff: string[];
}

export interface SpokenView {
  times: number;
  /** Its first sentences, with the Monday of their week. */
  first: { text: string; week: string }[];
}

/** The same for one athlete, and where each rule spoke in the season's plan. */
export interface AthleteRulesView extends RulesView {
  spoken: Partial<Record<RuleId, SpokenView>>;
}
