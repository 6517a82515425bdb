/** Two devices that log one session: what each has done stays. */
import type { LoggedItem, LoggedSet, StrengthLog } from "./types";

/** A set is the same where it was logged at the same moment; without a moment, where nothing of it differs. */
const sameSet = (a: LoggedSet, b: LoggedSet): boolean =>
  a.at !== undefined && b.at !== undefined
    ? a.at === b.at
    : a.at === b.at && JSON.stringify(fields(a)) === JSON.stringify(fields(b));

const fields = ({ reps, seconds, loadKg, rir, side, clean }: LoggedSet) => [reps, seconds, loadKg, rir, side, clean];

/** Pairs each set of one list with one of the other. @returns for each of `a` the place in `b`, -1 where there is none */
function pairs(a: readonly LoggedSet[], b: readonly LoggedSet[]): number[] {
  const taken = new Set<number>();
  return a.map((set) => {
    const at = b.findIndex((other, i) => !taken.has(i) && sameSet(set, other));
    if (at >= 0) taken.add(at);
    return at;
  });
}

/** Sets by the moment they were logged, where each has one; else what was there before comes first. */
function inOrder(sets: LoggedSet[]): LoggedSet[] {
  if (!sets.every((s) => s.at !== undefined)) return sets;
  return [...sets].sort((x, y) => ((x.at ?? "") < (y.at ?? "") ? -1 : (x.at ?? "") > (y.at ?? "") ? 1 : 0));
}

function mergeSets(base: readonly LoggedSet[], mine: readonly LoggedSet[], theirs: readonly LoggedSet[]): LoggedSet[] {
  const fromBase = pairs(theirs, base);
  const inMine = pairs(theirs, mine);
  // What this device took away since it last heard goes; what it has not heard of stays.
  const kept = theirs.flatMap((set, i): LoggedSet[] => {
    const own = inMine[i] ?? -1;
    if (own >= 0) return [mine[own] ?? set];
    return (fromBase[i] ?? -1) >= 0 ? [] : [set];
  });
  const known = pairs(mine, theirs);
  const before = pairs(mine, base);
  // New here; what was known before and is gone on the server was taken away by the other device.
  const added = mine.filter((_, i) => (known[i] ?? -1) < 0 && (before[i] ?? -1) < 0);
  return inOrder([...kept, ...added]);
}

/** One field of three versions: the device's where the device changed it, else the server's. */
const field = <T>(base: T, mine: T, theirs: T): T => (JSON.stringify(mine) === JSON.stringify(base) ? theirs : mine);

/** Pain said on two devices: the worse one counts. */
function pain(base?: number, mine?: number, theirs?: number): number | undefined {
  if (mine === base) return theirs;
  if (theirs === base || theirs === undefined) return mine;
  return mine === undefined ? theirs : Math.max(mine, theirs);
}

const without = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as T;

function mergeItem(base: LoggedItem | undefined, mine: LoggedItem | undefined, theirs: LoggedItem | undefined) {
  if (!base) {
    if (!mine) return theirs ?? null;
    if (!theirs) return mine;
  }
  // Taken away as a whole on one side: what the other side has logged since stays.
  if (!mine || !theirs) {
    const sets = mergeSets(base?.sets ?? [], mine?.sets ?? [], theirs?.sets ?? []);
    const left = mine ?? theirs;
    return left && sets.length > 0 ? { ...left, sets } : null;
  }
  return without({
    ...theirs,
    ...mine,
    prescribed: field(base?.prescribed, mine.prescribed, theirs.prescribed) ?? theirs.prescribed,
    sets: mergeSets(base?.sets ?? [], mine.sets, theirs.sets),
    pain: pain(base?.pain, mine.pain, theirs.pain),
    nextDayPain: pain(base?.nextDayPain, mine.nextDayPain, theirs.nextDayPain),
    felt: field(base?.felt, mine.felt, theirs.felt),
  } as LoggedItem);
}

/**
 * Three versions of one session's log as one: nothing that either device logged is lost, what a device took away is gone. Sending the
 * same log again changes nothing.
 * @param base what the device last had from the server; null where it had nothing
 * @param mine what the device has now
 * @param theirs what the server has now; null where it has nothing
 */
export function mergeLogs(base: StrengthLog | null, mine: StrengthLog, theirs: StrengthLog | null): StrengthLog {
  if (!theirs) return mine;
  const exercises = [...new Set([...theirs.items, ...mine.items].map((i) => i.exercise))];
  const of = (log: StrengthLog | null, exercise: string) => log?.items.find((i) => i.exercise === exercise);
  return without({
    ...theirs,
    start: field(base?.start, mine.start, theirs.start) ?? theirs.start,
    minutes: field(base?.minutes, mine.minutes, theirs.minutes),
    rpe: field(base?.rpe, mine.rpe, theirs.rpe),
    items: exercises.flatMap((e) => mergeItem(of(base, e), of(mine, e), of(theirs, e)) ?? []),
  } as StrengthLog);
}
