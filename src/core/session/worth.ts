/** The sets of what the ledger gives that the minutes hold with the most worth, exactly (rule ledger.fill). */
import { stillOwed, type Weighed } from "../ledger";
import { TOLERANCE } from "../units";
import type { Item } from "./types";

/** An exercise that may stand with one of several numbers of sets. */
export interface Offer {
  item: Item;
  /** Most first, nothing last where it may go. */
  levels: readonly number[];
}

/** What so many sets take off what is still owed. */
export const worthOf = (u: Weighed, sets: number): number => stillOwed(u, 0) - stillOwed(u, sets);

/** @param least sets of an exercise at least; what a finding asks for keeps one @returns the sets it may have, most first */
export function levelsOf({ sets, added }: Pick<Item, "sets" | "added">, least: number): number[] {
  const levels: number[] = [];
  for (let n = sets; n >= (added ? 1 : Math.min(least, sets)) && n > 0; n--) levels.push(n);
  return added ? levels : [...levels, 0];
}

/** A session before the sets of what the ledger gives are settled. */
export interface Draft {
  offers: readonly Offer[];
  /** Seconds there are. */
  limit: number;
  /** Seconds of the session with these sets of the offers, in their order. */
  secondsOf: (sets: readonly number[]) => number;
}

/** A choice fits where it does so after each of its exercises, taken in their order. */
const fits = (draft: Draft, now: readonly number[]): boolean => draft.secondsOf(now) <= draft.limit;

/**
 * Goes through every choice that could be better than the best so far: worth first, then fewer exercises, then the earlier ones.
 * @returns the sets of each offer; null where what stands takes too long by itself
 */
export function mostWorth(draft: Draft): number[] | null {
  const { offers } = draft;
  const values = offers.map(({ item, levels }) => {
    const { unit } = item.slot;
    return levels.map((n) => (unit ? worthOf(unit, n) : 0));
  });
  const rest = offers.map((_, k) => values.slice(k).reduce((a, v) => a + Math.max(...v), 0));
  const now = offers.map(() => 0);
  let best: { worth: number; exercises: number; sets: number[] } | null = null;
  const better = (worth: number, exercises: number): boolean =>
    best === null || worth > best.worth + TOLERANCE || (worth > best.worth - TOLERANCE && exercises < best.exercises);
  const walk = (k: number, worth: number, exercises: number): void => {
    if (!better(worth + (rest[k] ?? 0), exercises)) return;
    const offer = offers[k];
    if (!offer) {
      best = { worth, exercises, sets: [...now] };
      return;
    }
    for (let at = 0; at < offer.levels.length; at++) {
      const n = offer.levels[at] as number;
      now[k] = n;
      if (n === 0 || fits(draft, now)) walk(k + 1, worth + (values[k]?.[at] ?? 0), exercises + (n > 0 ? 1 : 0));
    }
    now[k] = 0;
  };
  if (fits(draft, now)) walk(0, 0, 0);
  return (best as { sets: number[] } | null)?.sets ?? null;
}

/** A choice that was found. */
interface Full {
  of: readonly number[];
  /** From this offer on it takes the most of each. */
  fullFrom: number;
}

/** Choices of sets that the minutes hold, none of them less than another in every exercise; the most of the earlier first. */
export function fullest(draft: Draft): number[][] {
  const { offers } = draft;
  const now = offers.map(() => 0);
  const found: Full[] = [];
  const keep = (): void => {
    let fullFrom = offers.length;
    while (fullFrom > 0 && now[fullFrom - 1] === offers[fullFrom - 1]?.levels[0]) fullFrom--;
    found.push({ of: [...now], fullFrom });
  };
  /** @param over those that hold as much of each offer before the k-th */
  const walk = (k: number, over: readonly Full[]): void => {
    const offer = offers[k];
    if (!offer) {
      keep();
      return;
    }
    const mine = [...over];
    for (const n of offer.levels) {
      now[k] = n;
      const above = mine.filter(({ of }) => (of[k] ?? 0) >= n);
      // Whatever the offers after it take, one that was found holds as much; of fewer sets too.
      if (above.some(({ fullFrom }) => fullFrom <= k + 1)) break;
      const before = found.length;
      if (n === 0 || fits(draft, now)) walk(k + 1, above);
      for (let f = before; f < found.length; f++) mine.push(found[f] as Full);
    }
    now[k] = 0;
  };
  if (fits(draft, now)) walk(0, []);
  return found.map(({ of }) => [...of]);
}
