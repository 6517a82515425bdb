/** What sessions add up to: sets by pattern, heavy sets, minutes, stress. */
import type { Phase } from "../athlete";
import { type IsoDate, weeksIn } from "../dates";
import { type Pattern, PRIMARY_PATTERNS } from "../exercise";
import type { Plan, PlanSession } from "../plan";
import { numbers } from "../rulebook";
import { isHeavy } from "../session";

export interface Tally {
  sessions: number;
  /** Working sets. */
  sets: number;
  /** Working sets at RIR 4 or less. */
  hardSets: number;
  /** Sets that count as heavy (see session/heavy). */
  heavySets: number;
  minutes: number;
  /** Planned session RPE x minutes, AU. */
  stress: number;
  /** Working sets by pattern. */
  patterns: Partial<Record<Pattern, number>>;
}

/** Reserve up to which a set is hard (rule review.hard). */
export const HARD_RIR = numbers("review.hard").hardReserve;
export const emptyTally = (): Tally => ({
  sessions: 0,
  sets: 0,
  hardSets: 0,
  heavySets: 0,
  minutes: 0,
  stress: 0,
  patterns: {},
});

export function tallyOf(sessions: readonly PlanSession[]): Tally {
  const t = emptyTally();
  for (const s of sessions) {
    t.sessions += 1;
    t.minutes += s.minutes;
    t.stress += s.stress;
    for (const i of s.items) {
      if (i.exercise.pattern === "mobility") continue;
      t.sets += i.sets;
      if (i.rir <= HARD_RIR) t.hardSets += i.sets;
      if (isHeavy(i)) t.heavySets += i.sets;
      t.patterns[i.exercise.pattern] = (t.patterns[i.exercise.pattern] ?? 0) + i.sets;
    }
  }
  return t;
}

/** Working sets of the four primary patterns. */
export const primaryOf = (t: Tally): number => PRIMARY_PATTERNS.reduce((a, p) => a + (t.patterns[p] ?? 0), 0);

export interface PhaseTally {
  phase: Phase;
  start: IsoDate;
  end: IsoDate;
  /** Whole weeks, at least one. */
  weeks: number;
  tally: Tally;
}

/** A plan summed up by phase; sessions belong to the phase of their own day. */
export function tallyByPhase(plan: Plan): PhaseTally[] {
  const sessions = plan.weeks.flatMap((w) => w.sessions);
  return plan.phases.map(({ phase, start, end }) => ({
    phase,
    start,
    end,
    weeks: weeksIn(start, end),
    tally: tallyOf(sessions.filter((s) => s.date >= start && s.date <= end)),
  }));
}
