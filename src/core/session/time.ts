/** Pairs and time of a session. */

import { WARM_UP_SECONDS, type WarmUpSet } from "../dose";
import { type Exercise, type LoadKind, type Pattern, PRIMARY_PATTERNS, tempoOf } from "../exercise";
import { numbers } from "../rulebook";
import { together } from "./said";
import type { Item, TimeParts } from "./types";

/** Seconds of opening, and of set-up at each exercise (rule time.parts). */
export const {
  opening: OPENING_SECONDS,
  change: CHANGE_SECONDS,
  floor: FLOOR_SECONDS,
  rampBeside: RAMP_BESIDE,
  rampLead: RAMP_LEAD,
} = numbers("time.parts");

type Worked = Pick<Item, "exercise" | "sets" | "reps" | "seconds" | "eachSide" | "restSeconds" | "slow" | "tempo">;

/** @returns seconds one set takes on one side */
const sideSeconds = (i: Worked): number =>
  i.seconds ?? (i.reps ?? 0) * (i.slow ? slowSeconds(i.exercise, i.tempo, i.slow.half) : i.exercise.secondsPerRep);

/** @returns seconds of a repetition that is slower than the exercise's own */
function slowSeconds(e: Exercise, tempo: string, half: boolean): number {
  const length = (text: string) => {
    const { down, pause, lift } = tempoOf(text);
    return down + pause + lift;
  };
  const whole = e.secondsPerRep + Math.max(0, length(tempo) - length(e.tempo));
  return half ? whole * numbers("grow.unloaded").half : whole;
}
/** @returns seconds one set takes, both sides */
export const setSeconds = (i: Worked): number => sideSeconds(i) * (i.eachSide ? 2 : 1);

const FIXED: readonly LoadKind[] = ["bar", "machine"];

/** Whether one exercise may be done while the other rests: no shared primary muscle, grip, trunk, or second station. */
export const compatible = (
  a: { exercise: Exercise; loading: LoadKind },
  b: { exercise: Exercise; loading: LoadKind },
): boolean => competes(a, b) === null;

interface Pairable {
  exercise: Exercise;
  loading: LoadKind;
  slot?: { alone?: boolean };
}

const PUSH_PULL: readonly Pattern[] = ["push", "pull"];

/** Who works while the first rests: the first later item that does not compete with it; beside lower-body work and a push, a pull too, and the other way round. */
function partnersOf(
  first: Pairable,
  later: readonly Pairable[],
  fits: (a: Pairable, b: Pairable) => boolean,
): number[] {
  if (first.slot?.alone) return [];
  const second = later.findIndex((other) => !other.slot?.alone && fits(first, other));
  const mate = later[second];
  if (!mate) return [];
  if (!PRIMARY_PATTERNS.includes(first.exercise.pattern) || !PUSH_PULL.includes(mate.exercise.pattern)) return [second];
  const third = later.findIndex(
    (other, i) =>
      i > second &&
      PUSH_PULL.includes(other.exercise.pattern) &&
      other.exercise.pattern !== mate.exercise.pattern &&
      fits(first, other) &&
      fits(mate, other),
  );
  return third < 0 ? [second] : [second, third];
}

/**
 * Labels the items 1A, 1B, 2A ... in place order, each taking the first later item that does not compete with it; lower-body work, a push and
 * a pull stand as three (rule pair.rest).
 * @returns the items, partners side by side
 */
export function pairUp<T extends Pairable & { pair: string }>(items: readonly T[]): T[] {
  const left = [...items];
  const groups: T[][] = [];
  for (let first = left.shift(); first; first = left.shift()) {
    const partners = partnersOf(first, left, compatible).map((i) => left[i]);
    const group = [first, ...partners.flatMap((p) => p ?? [])];
    for (const p of group.slice(1)) left.splice(left.indexOf(p), 1);
    groups.push(group);
  }
  return labelGroups(groups);
}

/** Paired work in its order, with the group that readies the hamstrings before the group of the hinge. */
export function primerFirst<T extends { pair: string; slot: { primer?: boolean }; exercise: Exercise }>(
  items: readonly T[],
): T[] {
  const groups = groupsOf(items);
  const primer = groups.findIndex((g) => g.some((i) => i.slot.primer));
  const hinge = groups.findIndex((g) => g.some((i) => i.exercise.pattern === "hinge"));
  if (hinge < 0 || primer <= hinge) return [...items];
  const [moved = []] = groups.splice(primer, 1);
  groups.splice(hinge, 0, moved);
  return labelGroups(groups);
}

/** @param opening seconds of opening, none where the session follows a run @param change seconds of set-up at each exercise @returns seconds by kind; a rest is counted after every set, the part of it that a partner fills is marked */
export function timeOfSession(
  items: readonly Item[],
  warmUp: readonly WarmUpSet[],
  opening = OPENING_SECONDS,
  change = CHANGE_SECONDS,
): TimeParts {
  const t: TimeParts = {
    opening,
    warmUp: warmUp.length * WARM_UP_SECONDS + items.reduce((a, i) => a + rampSeconds(i), 0),
    work: 0,
    filledRest: 0,
    emptyRest: 0,
    change: 0,
  };
  for (const group of groupsOf(items)) addGroup(t, group, change);
  return t;
}

/** @returns seconds of the sets that find a load: the last of a lead's are working sets already, beside the leads the first alone counts */
export const rampSeconds = (i: Pick<Item, "ramp" | "slot">): number =>
  Math.min(i.ramp.length, i.slot.kind === "assist" ? RAMP_BESIDE : RAMP_LEAD) * WARM_UP_SECONDS;

type Alternated = Worked & Pick<Item, "extraSide">;

/** Adds the seconds of items that are alternated. */
function addGroup(t: TimeParts, group: readonly Alternated[], change = CHANGE_SECONDS): void {
  t.change += change * group.length;
  const ready = group.map(() => 0);
  let clock = 0;
  const rounds = Math.max(...group.map((i) => i.sets));
  // Filled rest is told of the one that rests longest.
  const lead = group.reduce((l, i, k) => (i.restSeconds > (group[l]?.restSeconds ?? 0) ? k : l), 0);
  for (let round = 0; round < rounds; round++) {
    group.forEach((item, k) => {
      if (round >= item.sets) return;
      const wait = Math.max(0, (ready[k] ?? 0) - clock);
      const work = setSeconds(item);
      if (round > 0 && k === lead) t.filledRest += Math.max(0, item.restSeconds - wait);
      t.emptyRest += wait;
      t.work += work;
      clock += wait + work;
      ready[k] = clock + item.restSeconds;
    });
  }
  // A set more for the weaker side, after the others and rested as they are.
  group.forEach((item, k) => {
    if (!item.extraSide) return;
    const wait = Math.max(0, (ready[k] ?? 0) - clock);
    t.emptyRest += wait;
    t.work += sideSeconds(item);
    clock += wait + sideSeconds(item);
    ready[k] = clock + item.restSeconds;
  });
  // The rest after the last sets: the next exercise begins rested.
  t.emptyRest += Math.max(0, Math.max(...ready) - clock);
  t.filledRest += Math.max(0, (group[lead]?.restSeconds ?? 0) - Math.max(0, (ready[lead] ?? 0) - clock));
}

/** More sets than any exercise takes, for keys. */
const SETS_KEY = 16;

/**
 * How long a session of some of these items would take, in the pairs that pairUp makes of them: worked out once a pair and number of sets.
 * @returns seconds from the sets of each item, none where it is left out; without opening and warm-up
 */
export function clockFor(items: readonly (Alternated & { loading: LoadKind })[]): (sets: ArrayLike<number>) => number {
  const matrix = items.map((a) => items.map((b) => compatible(a, b)));
  const index = new Map<Pairable, number>(items.map((item, i) => [item, i]));
  const fits = (a: Pairable, b: Pairable): boolean => matrix[index.get(a) ?? 0]?.[index.get(b) ?? 0] ?? false;
  const known = new Map<number, number>();
  const seconds = (of: readonly Alternated[], sets: ArrayLike<number>): number => {
    const key = of.reduce((k, item) => {
      const i = index.get(item as Alternated & Pairable) ?? 0;
      return (k * (items.length + 1) + i + 1) * SETS_KEY + (sets[i] ?? 0);
    }, 0);
    const before = known.get(key);
    if (before !== undefined) return before;
    const t: TimeParts = { opening: 0, warmUp: 0, work: 0, filledRest: 0, emptyRest: 0, change: 0 };
    addGroup(
      t,
      of.map((item) => ({ ...item, sets: sets[index.get(item as Alternated & Pairable) ?? 0] ?? 0 })),
    );
    const total = totalSeconds(t);
    known.set(key, total);
    return total;
  };
  return (sets) => {
    const left = items.filter((_, i) => (sets[i] ?? 0) > 0);
    let total = 0;
    for (let first = left.shift(); first; first = left.shift()) {
      const group = [first];
      for (const i of partnersOf(first, left, fits)) {
        const p = left[i];
        if (p) group.push(p);
      }
      for (let k = 1; k < group.length; k++) left.splice(left.indexOf(group[k] as (typeof left)[number]), 1);
      total += seconds(group, sets);
    }
    return total;
  };
}

/** Items that are alternated: those of one number, such as 1A, 1B, 1C. */
export function groupsOf<T extends { pair: string }>(items: readonly T[]): T[][] {
  const out: T[][] = [];
  for (const item of items) {
    const last = out.at(-1);
    if (last && together(last[0], item)) last.push(item);
    else out.push([item]);
  }
  return out;
}

/** Labels groups in order: 1, or 1A, 1B where two or three are alternated. */
export function labelGroups<T extends { pair: string }>(groups: readonly (readonly T[])[]): T[] {
  return groups.flatMap((group, n) =>
    group.map((item, k) => ({ ...item, pair: group.length > 1 ? `${n + 1}${"ABC"[k] ?? ""}` : `${n + 1}` })),
  );
}

/** Why two exercises of a pair compete; null where they do not. */
export function competes(
  a: { exercise: Exercise; loading: LoadKind },
  b: { exercise: Exercise; loading: LoadKind },
): string | null {
  const muscle = a.exercise.primary.find((m) => b.exercise.primary.includes(m));
  if (muscle) return `both work the ${muscle}`;
  const limit = a.exercise.limits.find((l) => b.exercise.limits.includes(l));
  if (limit) return `both tire the ${limit}`;
  return FIXED.includes(a.loading) && FIXED.includes(b.loading) ? "both stand at a station" : null;
}

/** Length in seconds. A filled rest is a partner's work, so it is not counted twice. */
export const totalSeconds = (t: TimeParts): number => t.opening + t.warmUp + t.work + t.emptyRest + t.change;
