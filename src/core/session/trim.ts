/** Cutting sets: by a share (step-back, mileage, taper), and by time. */
import { type Pattern, PRIMARY_PATTERNS } from "../exercise";
import { numbers } from "../rulebook";

interface Trimmable {
  exercise: { pattern: Pattern; id: string };
  sets: number;
  main: boolean;
  /** Asked for by a finding: it goes with the assistance, not before. */
  added?: string | null;
  /** A light set that readies the hamstrings stays for as long as its hinge. */
  slot?: { primer?: boolean; added?: { rule: string } };
}

/** Work of a way back goes last of all: it is what the time is for. */
const isWayBack = (i: Trimmable): boolean => i.slot?.added?.rule === "pathway.stage";

const readies = (i: Trimmable, all: readonly Trimmable[]): boolean =>
  i.slot?.primer === true && all.some((x) => x.exercise.pattern === "hinge");

const isPrimary = (i: Trimmable): boolean => PRIMARY_PATTERNS.includes(i.exercise.pattern);

/** @returns working sets of the four primary patterns */
export const primarySets = (items: readonly Trimmable[]): number =>
  items.reduce((a, i) => a + (isPrimary(i) ? i.sets : 0), 0);

/** Main lifts, and the first squat, hinge or split-squat work, keep two sets for as long as anything else can give. */
const protectedWork = <T extends Trimmable>(items: readonly T[]): Set<T> => {
  const first = items.find((i) => isPrimary(i) && i.exercise.pattern !== "hip");
  return new Set(items.filter((i) => i.main || i === first));
};

/**
 * Takes sets off until the primary patterns have at most `most`: always from the item with most sets, the later one first; the last set of
 * what a finding asked for goes after everything that is not protected.
 * @returns new items; those left with no set are dropped
 */
export function trimPrimary<T extends Trimmable>(items: readonly T[], most: number): T[] {
  const work = items.map((i) => ({ ...i }));
  const kept = protectedWork(work);
  const first = work.find((i) => kept.has(i));
  const pickAbove = (floor: (i: T) => number): T | undefined =>
    work.reduce<T | undefined>(
      (best, i) =>
        isPrimary(i) && i.sets > Math.max(floor(i), readies(i, work) ? 1 : 0) && (!best || i.sets >= best.sets)
          ? i
          : best,
      undefined,
    );
  while (primarySets(work) > most) {
    const pick =
      pickAbove((i) => (kept.has(i) ? 2 : i.added ? 1 : 0)) ??
      pickAbove((i) => (kept.has(i) ? 2 : 0)) ??
      pickAbove((i) => (i === first ? 2 : 0));
    if (!pick) break;
    pick.sets -= 1;
  }
  return work.filter((i) => i.sets > 0);
}

/** An exercise takes at most this many sets (rule session.slots). */
const MOST_SETS = numbers("session.slots").most;

/**
 * Adds sets until the primary patterns have at least `least`: first to the item with fewest, up to four each.
 * @returns new items; as many sets as that allows
 */
export function raisePrimary<T extends Trimmable>(items: readonly T[], least: number): T[] {
  const work = items.map((i) => ({ ...i }));
  while (primarySets(work) < least) {
    const pick = work.reduce<T | undefined>(
      (best, i) => (isPrimary(i) && i.sets < MOST_SETS && (!best || i.sets < best.sets) ? i : best),
      undefined,
    );
    if (!pick) break;
    pick.sets += 1;
  }
  return work;
}

/** Sets that stay at a share, at least one. */
export const keptSets = (sets: number, factor: number): number => Math.max(1, Math.round(sets * factor));

/** Scales every item by the share: primary patterns together, the others each, never below one set. */
export function scaleSets<T extends Trimmable>(items: readonly T[], factor: number): T[] {
  if (factor >= 1) return [...items];
  const others = items.map((i) =>
    isPrimary(i) || i.exercise.pattern === "mobility" ? i : { ...i, sets: Math.max(1, Math.round(i.sets * factor)) },
  );
  return trimPrimary(others, keptSets(primarySets(items), factor));
}

export interface Drop<T> {
  items: T[];
  dropped: { exercise: string; why: string };
}

/**
 * The next thing to drop when time is short, in the order of the trade: mobility, second hip exercise, calf, trunk second set,
 * assistance sets, then main sets down to two; the work of a way back behind all of them.
 * @returns null where nothing more may go
 */
export function nextDrop<T extends Trimmable>(items: readonly T[]): Drop<T> | null {
  const without = (t: T, why: string): Drop<T> => ({
    items: items.filter((i) => i !== t),
    dropped: { exercise: t.exercise.id, why },
  });
  const fewer = (t: T, why: string): Drop<T> =>
    t.sets <= 1
      ? without(t, why)
      : {
          items: items.map((i) => (i === t ? { ...i, sets: i.sets - 1 } : i)),
          dropped: { exercise: t.exercise.id, why: `one set fewer, ${why}` },
        };
  const last = (test: (i: T) => boolean): T | undefined => items.filter(test).at(-1);
  const work = items.some((i) => i.exercise.pattern !== "mobility");
  const mobility =
    last((i) => i.exercise.pattern === "mobility" && !i.added) ?? last((i) => i.exercise.pattern === "mobility");
  if (mobility && (work || items.length > 1)) return without(mobility, "mobility goes first when time is short");
  const hips = items.filter((i) => i.exercise.pattern === "hip");
  const secondHip = hips
    .slice(1)
    .filter((i) => !i.added && !readies(i, items))
    .at(-1);
  if (secondHip) return without(secondHip, "the second hip exercise goes when time is short");
  const calf = last((i) => i.exercise.pattern === "calf" && !isWayBack(i));
  if (calf && items.length > 1) return without(calf, "calf work goes when time is short");
  const trunk = last((i) => i.exercise.pattern === "trunk" && i.sets > 1 && !isWayBack(i));
  if (trunk) return fewer(trunk, "trunk keeps one set when time is short");
  const lead = items.find((i) => isPrimary(i) && i.exercise.pattern !== "hip");
  const gives = (i: T) => !isWayBack(i) && !i.main && i !== lead && (i.sets > 1 || !readies(i, items));
  const assist = last((i) => gives(i) && !i.added) ?? last(gives);
  if (assist) return fewer(assist, "assistance gives way to the main work");
  const main = last((i) => i.sets > 2);
  if (main) return fewer(main, "the main lift keeps two sets");
  const wayBack = last((i) => isWayBack(i) && items.length > 1);
  if (wayBack) return fewer(wayBack, "even the work of the way back gives a set where time is this short");
  const primer = last((i) => i !== lead && readies(i, items));
  return primer ? without(primer, "the set that readies the hamstrings goes last") : null;
}
