/** What a week owes each pattern, and what it leaves for the next (rules ledger.owed, ledger.fill). */
import type { Exercise } from "../exercise";
import { numbers } from "../rulebook";
import { KINDS, kindOf } from "./kinds";
import {
  factorOf,
  isLedgerPattern,
  LEDGER_PATTERNS,
  type LedgerPattern,
  type LedgerWeek,
  noSets,
  shareOf,
  weeklySets,
} from "./shares";

/** What the weeks before have left. */
export interface LedgerState {
  /** Phase and emphasis that the carried sets belong to; null before the first week. */
  builds: string | null;
  /** Sets carried, by pattern. */
  carry: Readonly<Partial<Record<LedgerPattern, number>>>;
  /** Ordinary weeks in a row without a pattern. */
  dry: Readonly<Partial<Record<LedgerPattern, number>>>;
  /** Weeks since a kind of work came; none where it has not come yet. */
  since: Readonly<Record<string, number>>;
}

export const NO_LEDGER: LedgerState = { builds: null, carry: {}, dry: {}, since: {} };

/** A pattern's account of one week. */
export interface LedgerLine {
  pattern: LedgerPattern;
  share: number;
  factor: number;
  /** Sets a week. */
  weekly: number;
  /** Carried from the weeks before. */
  carry: number;
  owed: number;
  /** An ordinary week went without it. */
  dry: boolean;
  /** Kinds that are due whatever is owed, the longest missed first. */
  due: readonly string[];
  /** Kinds in the order in which they were missed longest. */
  kinds: readonly string[];
  /** Weeks since each kind came. */
  since: Readonly<Record<string, number>>;
}

/** @param builds phase and emphasis of the week: another one begins without anything carried */
export function owedIn(week: LedgerWeek, builds: string, state: LedgerState): LedgerLine[] {
  const weekly = weeklySets(week);
  const { due, dry } = numbers("ledger.fill");
  const same = state.builds === builds;
  return LEDGER_PATTERNS.map((pattern) => {
    const w = weekly[pattern];
    const carry = same ? (state.carry[pattern] ?? 0) : 0;
    const kinds = [...(KINDS[pattern] ?? [])].sort((a, b) => (state.since[b] ?? 0) - (state.since[a] ?? 0));
    const owed = Math.max(0, w + carry);
    const missed = w > 0 && (state.dry[pattern] ?? 0) >= dry;
    return {
      pattern,
      share: shareOf(pattern, week),
      factor: factorOf(week),
      weekly: w,
      carry,
      owed: missed ? Math.max(owed, numbers("ledger.fill").least) : owed,
      dry: missed,
      due: w > 0 ? kinds.filter((k) => (state.since[k] ?? 0) >= due) : [],
      kinds,
      since: state.since,
    };
  });
}

/** An exercise with its sets, as they are counted. */
export interface Counted {
  exercise: Pick<Exercise, "pattern" | "unilateral" | "plane" | "primary">;
  sets: number;
  /** Light sets that ready the hamstrings count nothing. */
  primer?: boolean;
}

/** Working sets by pattern: a set of both sides is one, an exercise counts once, by its own pattern. */
export function setsByPattern(items: readonly Counted[]): Record<LedgerPattern, number> {
  const out = noSets();
  for (const i of items) if (!i.primer && isLedgerPattern(i.exercise.pattern)) out[i.exercise.pattern] += i.sets;
  return out;
}

/** Kinds of work that stand there. */
export const kindsIn = (items: readonly Counted[]): ReadonlySet<string> =>
  new Set(items.flatMap((i) => (i.primer ? [] : (kindOf(i.exercise) ?? []))));

/** A week that is over, planned or lifted. */
export interface ClosedWeek {
  builds: string;
  lines: readonly LedgerLine[];
  items: readonly Counted[];
  /** Nothing cut it: no step-back, race, absence, restoring. What a cut takes away is never owed. */
  ordinary: boolean;
}

/** @returns what the next week begins with */
export function closeWeek(state: LedgerState, { builds, lines, items, ordinary }: ClosedWeek): LedgerState {
  const { carryMost } = numbers("ledger.owed");
  const sets = setsByPattern(items);
  const came = kindsIn(items);
  const carry: Partial<Record<LedgerPattern, number>> = {};
  const dry: Partial<Record<LedgerPattern, number>> = {};
  for (const { pattern, weekly, carry: before } of lines) {
    const most = weekly * carryMost;
    const left = Math.max(-most, Math.min(most, weekly + before - sets[pattern]));
    carry[pattern] = ordinary ? left : Math.min(before, left);
    const was = state.dry[pattern] ?? 0;
    dry[pattern] = sets[pattern] > 0 ? 0 : ordinary ? was + 1 : was;
  }
  const since: Record<string, number> = {};
  for (const k of Object.values(KINDS).flat()) since[k] = came.has(k) ? 0 : (state.since[k] ?? 0) + (ordinary ? 1 : 0);
  return { builds, carry, dry, since };
}
